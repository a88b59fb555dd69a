package yellowbracket.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import yellowbracket.demo.DemoMeshes;
import yellowbracket.document.BuildFile;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.io.StlWriter;
import yellowbracket.smooth.Finish;
import yellowbracket.smooth.School;
import yellowbracket.smooth.SmoothWish;

class MainTest {
    @TempDir
    static Path dir;
    private static Path box;
    private static Path helm;

    private record Result(int exit, String out, String err) {
        JsonNode json() throws Exception {
            assertThat(exit).as(err).isZero();
            return new ObjectMapper().readTree(out);
        }
    }

    @BeforeAll
    static void models() throws Exception {
        box = dir.resolve("box.stl");
        helm = dir.resolve("helm.stl");
        StlWriter.write(Shapes.box(Vec3.ZERO, new Vec3(300, 100, 50)), "box", box);
        StlWriter.write(DemoMeshes.helm(), "helm", helm);
    }

    private static Result yb(Object... args) {
        var out = new StringWriter();
        var err = new StringWriter();
        int exit = Main.run(new PrintWriter(out, true), new PrintWriter(err, true),
                java.util.Arrays.stream(args).map(Object::toString).toArray(String[]::new));
        return new Result(exit, out.toString(), err.toString());
    }

    private static void holds(JsonNode n, String... keys) {
        for (var k : keys)
            assertThat(n.has(k)).as("key " + k + " in " + n.toString().substring(0, Math.min(120, n.toString().length()))).isTrue();
    }

    @Test
    void checkTellsWhatIsInAMesh() throws Exception {
        var j = yb("check", box, "--json").json();
        holds(j, "triangles", "vertices", "bodies", "closed", "boundaryEdges", "nonManifoldEdges", "duplicateTriangles",
                "degenerateTriangles", "flippedBodies", "volumeMm3", "areaMm2", "bounds", "unit", "findings");
        holds(j.get("bodies").get(0), "triangles", "volumeMm3", "areaMm2", "closed");
        assertThat(j.get("volumeMm3").asDouble()).isCloseTo(1.5e6, within(1e-3));
        assertThat(j.get("closed").asBoolean()).isTrue();
        assertThat(yb("check", box).out()).contains("triangles: 12");
    }

    /** Turned, lying down, in inches: what a head sees and how much room it has stays the same, and what was guessed is said. */
    @Test
    void sizeWearsAHelmTheRightWayRound() throws Exception {
        String head = "circ=575,length=195,breadth=153";
        var straight = yb("size", helm, "--head", head, "--scale", "1.04", "--json").json();
        assertThat(straight.get("findings").toString()).doesNotContain("taken to be");
        var ways = Map.of("back", DemoMeshes.helm().turned(Turn.quarter(2)).turned(Turn.quarter(2)), "side",
                DemoMeshes.helm().turned(Turn.quarter(2)), "lying", DemoMeshes.helm().turned(Turn.quarter(0)), "inch",
                DemoMeshes.helm().scaled(1 / 25.4));
        for (var way : ways.entrySet()) {
            var file = dir.resolve(way.getKey() + ".stl");
            StlWriter.write(way.getValue(), "helm", file);
            var j = yb("size", file, "--head", head, "--scale", "1.04", "--json").json();
            assertThat(j.get("findings").toString()).as(way.getKey()).contains("taken to be in");
            assertThat(j.get("vision").get("openShare").asDouble()).as(way.getKey())
                    .isCloseTo(straight.get("vision").get("openShare").asDouble(), within(0.02));
            assertThat(j.get("scale").get("lowest").asDouble()).isCloseTo(straight.get("scale").get("lowest").asDouble(), within(0.004));
        }
    }

    @Test
    void sizeJudgesTheDemoHelm() throws Exception {
        var j = yb("size", helm, "--head", "circ=575,length=195,breadth=153", "--scale", "1.04", "--json").json();
        holds(j, "scale", "clearance", "passes", "vision", "pose", "findings");
        holds(j.get("scale"), "recommended", "lowest", "highest");
        holds(j.get("clearance").get("zones").get(0), "name", "minMm", "medianMm");
        holds(j.get("passes"), "ok", "spareMm", "path");
        holds(j.get("vision"), "leftDeg", "rightDeg", "upDeg", "downDeg", "floorFromM", "openShare");
        assertThat(j.get("scale").get("lowest").asDouble()).isBetween(0.9, 1.15);
        var card = dir.resolve("ada.json");
        Files.writeString(card, "{\"name\":\"Ada\",\"head\":{\"circumferenceMm\":560,\"lengthMm\":190,\"breadthMm\":150},"
                + "\"glasses\":false,\"hairMm\":3,\"bodyHeightMm\":1650}");
        assertThat(yb("size", helm, "--wearer", card, "--json").json().get("scale").get("used").asDouble()).isBetween(0.8, 1.2);
        assertThat(j.get("passes").get("ok").asBoolean()).isTrue();
        var path = j.get("passes").get("path");
        holds(path.get(0), "belowMm", "forwardMm", "tiltDeg", "roomMm");
        assertThat(path.get(0).get("belowMm").asDouble()).as("from below the rim").isGreaterThan(150);
        assertThat(path.get(path.size() - 1).get("belowMm").asDouble()).as("to where it is worn").isZero();
        holds(j.get("air"), "openCm2");
        holds(j.get("speech"), "opensMm", "openCm2");
        assertThat(j.get("glasses").isNull()).as("worn by nobody who was named").isTrue();
        holds(yb("size", helm, "--head", "circ=575,length=195,breadth=153", "--scale", "1.04", "--glasses", "--json").json().get("glasses"),
                "lensMm", "armsMm");
        holds(j.get("keyHeights").get(0), "name", "mm", "inch");
        assertThat(j.get("factor").asText()).isEqualTo("1.04 times, 104 % of the file, 4 % larger");
        var small = yb("size", helm, "--head", "circ=575,length=195,breadth=153", "--scale", "0.85", "--json").json();
        assertThat(small.get("passes").get("ok").asBoolean()).isFalse();
        assertThat(small.get("passes").get("remedies").size()).isPositive();
        var open = dir.resolve("open.stl");
        var whole = DemoMeshes.helm();
        var keep = new boolean[whole.triangleCount()];
        for (int f = 0; f < keep.length; f++) keep[f] = f % 50 != 0;
        StlWriter.write(whole.only(keep), "open", open);
        var doubt = yb("size", open, "--head", "circ=575,length=195,breadth=153", "--scale", "1.04", "--json").json();
        assertThat(doubt.get("findings").toString()).contains("in doubt: the mesh is not closed");
        assertThat(doubt.get("passes").get("spareMm").asDouble()).as("a verdict all the same")
                .isCloseTo(j.get("passes").get("spareMm").asDouble(), within(1.5));
        assertThat(small.get("findings").get(0).asText()).startsWith("stop: too small where it is worn");
    }

    @Test
    void aMaskAndAPropAreJudgedInTheirOwnWay() throws Exception {
        var mask = dir.resolve("mask.stl");
        var staff = dir.resolve("staff.stl");
        StlWriter.write(DemoMeshes.halfMask(), "mask", mask);
        StlWriter.write(DemoMeshes.staff(), "staff", staff);
        var m = yb("size", mask, "--head", "circ=575,length=195,breadth=153,pupils=63", "--as", "mask", "--json").json();
        holds(m.get("mask"), "rimTouching", "rimGapMm", "eyes", "straps");
        assertThat(m.get("scale").get("recommended").asDouble()).as("wide openings: it can stay as it is").isEqualTo(1);
        assertThat(m.get("mask").get("eyes").get("apartMm").asDouble()).isCloseTo(78.7, within(1.0));
        var near = yb("size", mask, "--head", "circ=575,length=195,breadth=153,pupils=50", "--as", "mask", "--json").json();
        assertThat(near.get("mask").get("eyes").get("apartMm").asDouble()).as("at the scale that brings the openings before the eyes")
                .isCloseTo(50, within(0.5));
        var p = yb("size", staff, "--head", "circ=575,length=195,breadth=153", "--as", "prop", "--json").json();
        holds(p.get("carry"), "lengthMm", "balanceMm", "gripAtMm", "gripThickMm");
        assertThat(p.get("hardware").findValuesAsText("part")).as("the lamp's socket").contains("magnet 12 mm");
    }

    @Test
    void aTestPieceIsWrittenClosed() throws Exception {
        for (var kind : java.util.List.of("ring", "neck", "profile")) {
            var out = dir.resolve("pieces").resolve(kind + ".stl");
            var j = yb("testpiece", helm, "--head", "circ=575,length=195,breadth=153", "--kind", kind, "--scale", "1.04", "--out", out,
                    "--json").json();
            holds(j, "kind", "file", "scale", "proves", "hours", "grams", "closed", "size");
            assertThat(j.get("closed").asBoolean()).isTrue();
            assertThat(j.get("hours").asDouble()).isBetween(0.1, 6.0);
            assertThat(yb("check", out, "--json").json().get("closed").asBoolean()).isTrue();
        }
        assertThat(yb("testpiece", helm, "--head", "circ=575,length=195,breadth=153", "--out", dir.resolve("ring.txt")).exit())
                .isEqualTo(2);
        refused(yb("testpiece", box, "--head", "circ=575,length=195,breadth=153", "--out", dir.resolve("x.stl")), "no hollow for a head");
        assertThat(yb("size", helm, "--head", "circ=575,length=195,breadth=153,chin=3").err()).contains("not \"chin\"");
    }

    @Test
    void cutThenPrint() throws Exception {
        var out = dir.resolve("sections");
        var j = yb("cut", box, "--scale", "1", "--bed", "160x120x120", "--plain", "--out", out, "--json").json();
        holds(j, "sections", "seams", "hardware", "plan", "findings");
        holds(j.get("sections").get(0), "name", "file", "triangles", "volumeMm3", "size", "fits", "closed");
        holds(j.get("seams").get(0), "name", "lengthMm", "areaMm2", "showLengthMm");
        holds(j.get("plan"), "parts", "atLeast", "cutArea", "score");
        holds(j.get("necks").get(0), "plane", "areaMm2", "modulusMm3", "weaker");
        assertThat(j.get("nearly").isArray()).isTrue();
        var touch = yb("cut", box, "--scale", "1", "--bed", "295x120x120", "--plain", "--out", dir.resolve("touch"), "--json").json();
        assertThat(touch.get("nearly").get(0).get("share").asDouble()).as("300 long on a bed of 295, or askew").isGreaterThan(0.97);
        assertThat(j.get("sections")).hasSize(2);
        double sum = 0;
        for (var s : j.get("sections")) {
            sum += s.get("volumeMm3").asDouble();
            assertThat(s.get("fits").asBoolean() && s.get("closed").asBoolean()).isTrue();
            assertThat(Path.of(s.get("file").asText())).isNotEmptyFile();
        }
        assertThat(sum).isCloseTo(1.5e6, within(1e-3));
        assertThat(j.get("seams").get(0).get("areaMm2").asDouble()).isCloseTo(5000, within(1e-6));
        var p = yb("print", out, "--bed", "220x220x250", "--layer", "0.2", "--json").json();
        holds(p.get("sections").get(0), "name", "orientation", "hours", "grams", "supportGrams", "heightMm", "cuspMm");
        holds(p.get("sections").get(0).get("cuspMm"), "p50", "p95");
        holds(p.get("sections").get(0).get("support"), "unreachable", "fragile");
        holds(p.get("sections").get(0).get("bands"), "addedH", "savedH", "list");
        assertThat(p.get("sections").get(0).get("drain").isNull()).as("filament").isTrue();
        var resin = yb("print", out, "--bed", "220x220x250", "--profile", "resin, fine", "--json").json();
        holds(resin.get("sections").get(0).get("drain"), "hollows", "cupsMm2");
        refused(yb("print", out, "--bed", "220x220x250", "--profile", "cheese"), "profile cheese is not known: ");
        refused(yb("print", out, "--bed", "220x220x250", "--material", "cheese"), "material cheese is not known: ");
        holds(p.get("total"), "hours", "expectedHours", "grams", "cost");
        assertThat(p.get("total").get("expectedHours").asDouble()).isGreaterThan(p.get("total").get("hours").asDouble());
        var pinned = yb("cut", box, "--scale", "1", "--bed", "160x120x120", "--pins", "--aim", "fewest", "--out", dir.resolve("pinned"),
                "--json").json();
        holds(pinned.get("hardware").get(0), "kind", "size", "count");
        assertThat(pinned.get("seams").get(0).get("registration").asText()).contains("printed pins");
        assertThat(dir.resolve("pinned/section-map.pdf")).isNotEmptyFile();
        assertThat(dir.resolve("pinned/all-sections.3mf")).isNotEmptyFile();
        double left = 0;
        for (var s : pinned.get("sections")) left += s.get("volumeMm3").asDouble();
        assertThat(left).as("sockets are cut out").isLessThan(sum - 100);
        assertThat(yb("print", dir.resolve("pinned"), "--bed", "160x120x120", "--json").json().get("sections").size())
                .as("sections and the pin, none twice")
                .isEqualTo(3);
        assertThat(yb("cut", box, "--scale", "1", "--bed", "160x120x120", "--mirror", "--out", dir.resolve("even"), "--json").json()
                .get("findings")
                .toString()).contains("is the ");
    }

    @Test
    void demoPlanAndExport() throws Exception {
        var build = dir.resolve("demo.bracket");
        assertThat(yb("demo", "--out", build, "--today", "2026-03-30").exit()).isZero();
        var j = yb("plan", build, "--today", "2026-03-30", "--futures", "300", "--json").json();
        holds(j, "tasks", "finish", "due", "slackH", "bound", "chance", "chanceRange", "drop", "shopping", "broken", "findings");
        holds(j.get("drop").get(0), "what", "lost", "handH", "wonH");
        holds(j.get("shopping").get(0), "what", "need", "have", "unit", "shortOn", "orderBy", "packs", "pack", "from");
        assertThat(j.get("finish").asText()).as("no sooner than it can be").isGreaterThanOrEqualTo(j.get("bound").asText());
        assertThat(yb("plan", build, "--futures", "7").err()).contains("between 100 and 100000");
        assertThat(j.get("chance").asDouble()).as("nobody is certain").isLessThan(1);
        assertThat(j.get("chanceRange").get("low").asDouble()).isLessThanOrEqualTo(j.get("chanceRange").get("high").asDouble());
        assertThat(j.get("tasks")).anySatisfy(t -> {
            assertThat(t.get("latest").asText()).startsWith("20").isGreaterThanOrEqualTo(t.get("earliest").asText());
            assertThat(t.get("after").size()).isPositive();
        });
        holds(j.get("tasks").get(0), "id", "station", "name", "start", "end", "activeH", "waitH", "resource");
        assertThat(j.get("chance").asDouble()).isBetween(0.0, 1.0);
        var files = yb("export", build, "--what", "book", "--out", dir.resolve("ex"), "--today", "2026-03-30", "--json").json()
                .get("files");
        assertThat(files).anySatisfy(f -> assertThat(Path.of(f.asText())).isNotEmptyFile().hasFileName("build-book.pdf"))
                .anySatisfy(f -> assertThat(Path.of(f.asText())).hasFileName("hand-off-helm.pdf"));
        assertThat(yb("export", build, "--what", "log", "--out", dir.resolve("ex")).out()).contains("log.csv");
    }

    @Test
    void smoothTellsTheLadderWhatToMixAndTheRoundsLeft() throws Exception {
        var build = dir.resolve("smooth.bracket");
        assertThat(yb("demo", "--out", build, "--today", "2026-03-30").exit()).isZero();
        var j = yb("smooth", build, "--prop", "mask", "--json").json();
        holds(j, "depth", "areas", "ladder", "mixes", "skin", "rounds", "hours", "waitH", "cost", "findings");
        holds(j.get("depth"), "p50Um", "p90Um", "volumeMl");
        holds(j.get("areas").get(0), "name", "areaDm2", "flat", "curved", "tight", "detail");
        holds(j.get("ladder").get(0), "area", "step", "product", "grit", "areaDm2", "passes", "hours", "waitH", "amount", "unit", "leaves");
        holds(j.get("ladder").get(0).get("leaves"), "valleyUm", "scratchUm");
        holds(j.get("skin"), "leastUm", "takenUm", "where");
        holds(j.get("rounds"), "found", "left");
        holds(j.get("rounds").get("left"), "median", "p80");
        double areas = 0;
        for (var a : j.get("areas")) areas += a.get("areaDm2").asDouble();
        assertThat(areas).isBetween(1.0, 60.0);
        var helm = yb("smooth", build, "--celsius", "10", "--json").json();
        var mix = helm.get("mixes").get(0);
        holds(mix, "product", "batches", "gramsEach", "hardenerG", "share", "potLifeMin", "minutesEach");
        holds(mix.get("share"), "least", "meant", "most");
        assertThat(mix.get("share").get("meant").asDouble()).as("in the cold, by the label's table").isEqualTo(0.03);
        assertThat(yb("smooth", build).out()).contains("why", "stop");
        assertThat(yb("smooth", build, "--celsius", "60").err()).contains("between 5 and 40");
        assertThat(yb("smooth", build, "--prop", "crown").err()).contains("there is helm, staff, mask");
        refused(yb("smooth", dir.resolve("none.bracket")), "no such file");
    }

    @Test
    void colourTellsZonesTheirOrderAndWhatIsMasked() throws Exception {
        var build = dir.resolve("colour.bracket");
        assertThat(yb("demo", "--out", build, "--today", "2026-03-30").exit()).isZero();
        var drawing = dir.resolve("zones.pdf");
        var card = dir.resolve("card.pdf");
        var j = yb("colour", build, "--prop", "mask", "--json", "--lines", "--drawing", drawing, "--card", card).json();
        holds(j, "zones", "order", "rates", "totals", "findings", "lines", "mounts");
        assertThat(drawing).isNotEmptyFile();
        assertThat(card).isNotEmptyFile();
        holds(j.get("lines"), "lengthMm", "hours", "sessions", "days", "ways");
        holds(j.get("mounts").get(0), "part", "how", "grams", "bearsG", "roomMm");
        assertThat(yb("colour", build, "--prop", "mask", "--stencils", dir.resolve("s.pdf")).err()).contains("no marks");
        holds(j.get("zones").get(0), "name", "areaMm2", "paint", "coats", "undercoat", "borders");
        holds(j.get("zones").get(0).get("borders").get(0), "with", "lengthMm");
        var step = j.get("order").get(0);
        holds(step, "step", "zone", "product", "coats", "mask", "window", "overMm", "tapeAfterH", "unmaskWithinH");
        holds(step.get("mask"), "tapeM", "filmDm2", "minutes", "brush");
        holds(j.get("totals"), "cans", "tapeM", "hours", "waitH", "cost");
        assertThat(j.get("zones").get(0).get("name").asText()).isEqualTo("brow");
        var file = dir.resolve("zones.obj");
        java.nio.file.Files.writeString(file, "v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 3\n");
        assertThat(yb("colour", build, "--zones", file).err()).contains("zones.obj").contains("another size");
        assertThat(yb("colour", build, "--zones", dir.resolve("none.ply")).err()).contains("none.ply").doesNotContain("Exception");
    }

    @Test
    void wearTellsPadsVisorBalanceAndWritesTemplates() throws Exception {
        var build = dir.resolve("worn.bracket");
        assertThat(yb("demo", "--out", build, "--today", "2026-03-30").exit()).isZero();
        var folder = dir.resolve("fit out");
        var j = yb("wear", build, "--prop", "mask", "--close", "left=pressed", "--close", "right=mesh", "--files", folder, "--json").json();
        holds(j, "pads", "visors", "magnets", "balance", "headTurn", "pockets", "files", "findings", "walk", "packing");
        holds(j.get("balance"), "massG", "centre", "neckNmm");
        assertThat(j.get("walk").get(0).get("items")).hasSizeGreaterThan(6);
        assertThat(j.get("visors").get(0).get("seenShare").asDouble()).as("a mask is looked through too").isPositive();
        holds(j.get("headTurn"), "leftDeg", "rightDeg", "upDeg", "downDeg");
        assertThat(j.get("visors")).hasSize(2);
        holds(j.get("visors").get(0), "opening", "areaMm2", "radiusMm", "bendDeg", "flat", "openShare");
        assertThat(folder.resolve("lens-left.3mf")).isNotEmptyFile();
        assertThat(folder.resolve("visor-right.svg")).isNotEmptyFile();
        assertThat(folder.resolve("visor.pdf")).isNotEmptyFile();
        assertThat(yb("wear", build, "--prop", "mask", "--close", "top=sheet").err()).contains("no such opening", "left", "right");
        assertThat(yb("wear", build, "--close", "left").err()).contains("type an opening");
        assertThat(yb("wear", build, "--close", "left=sheet:glass").err()).contains("no such sheet", "clear PETG");
        assertThat(yb("wear", build, "--close", "left=sheet:clear PETG:thick").err()).contains("in mm");
        assertThat(yb("wear", build, "--close", "left=sheet:clear PETG:99").err()).contains("thickness of the sheet");
    }

    @Test
    void joinTellsWhatSeamsBearAndInWhichOrder() throws Exception {
        var build = dir.resolve("joined.bracket");
        assertThat(yb("demo", "--out", build, "--today", "2026-03-30").exit()).isZero();
        var j = yb("join", build, "--prop", "staff", "--hold", "end", "--json").json();
        holds(j, "seams", "weakest", "rods", "steps", "totals", "findings");
        var seam = j.get("seams").get(0);
        holds(seam, "name", "areaMm2", "lengthMm", "product", "freeGrams", "load", "reserve", "glueG", "workMin", "openMin", "holdMin",
                "handleH", "fullH");
        holds(seam.get("load"), "shearN", "bendingNmm", "torsionNmm");
        holds(j.get("weakest").get(0), "section", "at", "areaMm2", "modulusMm3", "stressMpa", "reserve");
        holds(j.get("rods").get(0), "seam", "diameterMm", "lengthMm", "material");
        holds(j.get("steps").get(0), "number", "one", "other", "seams", "needMin", "openMin", "holdMin", "how");
        holds(j.get("totals"), "glueG", "activeH", "waitH");
        double least = 99;
        for (var s : j.get("seams")) least = Math.min(least, s.get("reserve").get("low").asDouble());
        assertThat(least).as("all of it held by its lower end").isLessThan(1);
        String name = seam.get("name").asText();
        var slow = yb("join", build, "--prop", "staff", "--use", name + "=epoxy slow", "--celsius", "12", "--json").json()
                .get("seams")
                .get(0);
        assertThat(slow.get("product").asText()).isEqualTo("epoxy slow");
        assertThat(slow.get("holdMin").asDouble()).isCloseTo(420 * Math.pow(2, 0.8), within(0.5));
        assertThat(yb("join", build, "--hold", "0,0,9999").err()).contains("lies off the prop");
        assertThat(yb("join", build, "--hold", "somewhere").err()).contains("type end, middle, worn");
        assertThat(yb("join", build, "--celsius", "60").err()).contains("between 5 and 40");
        assertThat(yb("join", build, "--prop", "crown").err()).contains("there is helm, staff, mask");
        assertThat(yb("join", build, "--use", "A|B=jam").err()).contains("one of CA gel");
        assertThat(yb("join", build, "--use", "X|Y=hot melt").err()).contains("there is no such seam");
        refused(yb("join", dir.resolve("none.bracket")), "no such file");
    }

    private static void refused(Result r, String words) {
        assertThat(r.exit()).isEqualTo(1);
        assertThat(r.err()).contains(words).doesNotContain("Exception", "\tat ");
        assertThat(r.out()).isEmpty();
    }

    @Test
    void badInputIsRefusedInOneLineAFinding() throws Exception {
        var text = dir.resolve("notes.stl");
        Files.writeString(text, "buy filler");
        refused(yb("check", dir.resolve("none.stl"), "--json"), "no such file");
        refused(yb("check", text), "not an STL mesh");
        refused(yb("size", helm, "--head", "circ=22,length=7,breadth=6"), "this looks like inches");
        refused(yb("size", box, "--head", "circ=575,length=195,breadth=153"), "no hollow for a head");
        refused(yb("cut", box, "--scale", "1", "--bed", "10x10x10", "--out", dir), "smaller than any useful section");
        refused(yb("cut", box, "--scale", "-1", "--bed", "200x200x200", "--out", dir), "a scale lies between");
        refused(yb("cut", box, "--scale", "1", "--bed", "200x200x200", "--out", text.resolve("x")), "cannot be written");
        refused(yb("print", box, "--bed", "400x400x400", "--layer", "0.5"), "three quarters");
        refused(yb("print", box, "--bed", "400x400x400", "--material", "cheese"), "material cheese is not known");
        refused(yb("plan", text), "not a build file");
    }

    @Test
    void wrongUsageIsTwo() {
        assertThat(yb().exit()).isEqualTo(2);
        assertThat(yb("fly").exit()).isEqualTo(2);
        assertThat(yb("cut", box, "--scale", "1", "--bed", "200x200x200", "--aim", "pretty", "--out", dir).err())
                .contains("one of work, fewest");
        assertThat(yb("cut", box, "--bed", "oops", "--scale", "1", "--out", dir).exit()).isEqualTo(2);
        assertThat(yb("size", helm, "--head", "big").err()).contains("--head is written");
        assertThat(yb("export", helm, "--what", "song", "--out", dir).exit()).isEqualTo(2);
        assertThat(yb("help").exit()).isZero();
    }

    @Test
    void aBuildIsMadeWithoutTheWindow(@TempDir Path dir) throws Exception {
        var board = dir.resolve("Shelf Board.stl");
        var leg = dir.resolve("leg.stl");
        StlWriter.write(Shapes.box(Vec3.ZERO, new Vec3(500, 120, 30)), "board", board);
        StlWriter.write(Shapes.box(Vec3.ZERO, new Vec3(40, 40, 400)), "leg", leg);
        var out = dir.resolve("shelf.bracket");
        var j = yb("new", board, leg, "--out", out, "--name", "shelf", "--bed", "220x220x250", "--layer", "0.28", "--infill", "10",
                "--material", "petg", "--finish", "arms_length", "--school", "paste", "--due", "2026-05-02", "--today", "2026-03-30",
                "--json").json();
        holds(j, "file", "props", "findings");
        assertThat(j.get("props").get(0).get("id").asText()).isEqualTo("shelf-board");
        assertThat(j.get("props").get(0).get("sections")).extracting(JsonNode::asText).containsExactly("A", "B", "C");
        assertThat(j.get("props").get(1).get("sections")).as("letters run on").extracting(JsonNode::asText).containsExactly("D", "E");
        var build = ((BuildFile.Outcome.Opened) BuildFile.read(out, Progress.NONE)).build();
        assertThat(build.name()).isEqualTo("shelf");
        assertThat(build.due()).isEqualTo("2026-05-02T08:00");
        var print = build.props().getFirst().print().profile();
        assertThat(print.material()).isEqualTo("PETG");
        assertThat(print.layerMm()).isEqualTo(0.28);
        assertThat(print.infill()).isEqualTo(0.1);
        assertThat(build.props().getFirst().smooth()).isEqualTo(SmoothWish.USUAL.withFinish(Finish.ARMS_LENGTH).withSchool(School.PASTE));
        assertThat(yb("plan", out, "--today", "2026-03-30", "--json").json().get("tasks").get(0).get("id").asText())
                .isEqualTo("size:shelf-board");
        assertThat(yb("new", board, board, "--out", dir.resolve("two.bracket"), "--cut", "whole", "--json").json().get("props"))
                .extracting(p -> p.get("id").asText())
                .containsExactly("shelf-board", "shelf-board-2");
    }

    @Test
    void whatCannotBeMadeIsRefused(@TempDir Path dir) throws Exception {
        var out = dir.resolve("x.bracket");
        refused(yb("new", dir.resolve("none.stl"), "--out", out), "there is no such file");
        refused(yb("new", box, "--out", dir.resolve("x.zip")), "ends in .bracket");
        refused(yb("new", box, "--out", out, "--profile", "splendid"), "is not known: crisp");
        refused(yb("new", box, "--out", out, "--material", "cheese"), "--material cheese is not known: PLA");
        refused(yb("new", box, "--out", out, "--layer", "0.5"), "three quarters");
        refused(yb("new", box, "--out", out, "--scale", "-1"), "a scale lies between");
        refused(yb("new", box, "--out", out, "--due", "2020-01-01", "--today", "2026-03-30"), "lies before 2026-03-30");
        refused(yb("new", box, "--out", out, "--zones", box), "cannot be kept in a build yet");
        assertThat(yb("new", box, "--out", out, "--cut", "pretty").exit()).isEqualTo(2);
        assertThat(yb("new", box, "--out", out, "--scale", "big").exit()).isEqualTo(2);
        assertThat(yb("new", box, "--out", out, "--bed", "oops").exit()).isEqualTo(2);
        assertThat(out).doesNotExist();
        assertThat(yb("new", box, "--out", out, "--scale", "fit", "--json").json().get("findings").get(0).asText())
                .contains("nobody wears it");
    }

    @Test
    void whatABuildLacksIsToldNotPassedOver() throws Exception {
        var build = dir.resolve("bare.bracket");
        assertThat(yb("new", box, "--out", build, "--today", "2026-03-01").exit()).isZero();
        var made = (BuildFile.Outcome.Opened) BuildFile.read(build, Progress.NONE);
        BuildFile.write(build, made.build().withPrinters(List.of()), made.meshes());
        refused(yb("plan", build, "--today", "2026-03-02"), "box is not in the plan: work: no printer: add one to the shop");
        var prop = made.build().props().getFirst();
        BuildFile.write(build, made.build().with(prop.withColour(prop.colour().withSeal("spit"))), made.meshes());
        var planned = yb("plan", build, "--today", "2026-03-02");
        assertThat(planned.exit()).isZero();
        assertThat(planned.err()).contains("is sealed with \"spit\"", "matt clear is taken");
    }

    @Test
    void aLineIsWrittenInTheLogAndTeaches(@TempDir Path dir) throws Exception {
        var out = dir.resolve("box.bracket");
        yb("new", box, "--out", out, "--today", "2026-03-30");
        var j = yb("log", out, "add", "done size:box 0.9 h", "--at", "2026-03-31T18:20", "--today", "2026-03-31", "--json").json();
        holds(j, "entries", "rates", "findings");
        assertThat(j.get("entries").get(0).get("about").asText()).isEqualTo("size:box");
        assertThat(j.get("entries").get(0).get("at").asText()).isEqualTo("2026-03-31T18:20");
        holds(j.get("rates").get(0), "operation", "factor", "yours", "jobs");
        assertThat(j.get("rates").get(0).get("operation").asText()).isEqualTo("size");
        assertThat(j.get("rates").get(0).get("factor").asDouble()).isGreaterThan(1);
        assertThat(yb("log", out, "add", "done Q 2 h", "--today", "2026-03-31").out()).contains("kept as a note");
        assertThat(yb("log", out, "--json").json().get("entries")).as("both were saved").hasSize(2);
        refused(yb("log", out, "add", "  "), "the line is blank");
        refused(yb("log", dir.resolve("none.bracket")), "there is no such file");
        assertThat(yb("log", out, "remove", "x").exit()).isEqualTo(2);
    }
}
