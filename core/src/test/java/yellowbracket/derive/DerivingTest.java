package yellowbracket.derive;

import static org.awaitility.Awaitility.await;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.lang.ref.WeakReference;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import yellowbracket.colour.ColourZone;
import yellowbracket.derive.colour.ColourFigures;
import yellowbracket.colour.line.SurfaceLine;
import yellowbracket.colour.line.LineWish;
import yellowbracket.colour.ColourReference;
import yellowbracket.colour.weather.Effect;
import yellowbracket.colour.weather.WeatherWish;
import yellowbracket.colour.zone.Painted;
import yellowbracket.colour.zone.Side;
import yellowbracket.colour.zone.ZoneMap;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.CutWish;
import yellowbracket.cut.Letters;
import yellowbracket.cut.Registration;
import yellowbracket.cut.RegistrationKind;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.derive.all.Everything;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.derive.size.SizeFigures;
import yellowbracket.device.SimulatedWeather;
import yellowbracket.document.Build;
import yellowbracket.document.Edit;
import yellowbracket.document.Meshes;
import yellowbracket.document.Prop;
import yellowbracket.document.ShopFile;
import yellowbracket.finding.Fix;
import yellowbracket.intake.BodyRole;
import yellowbracket.intake.Intake;
import yellowbracket.log.Entry;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.print.PrintWish;
import yellowbracket.print.QueueWish;
import yellowbracket.print.SectionWish;
import yellowbracket.shop.Eyes;
import yellowbracket.shop.LabelTerm;
import yellowbracket.shop.ProductCard;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.HeadMeasures;
import yellowbracket.shop.Paint;
import yellowbracket.shop.Sheen;
import yellowbracket.shop.Spool;
import yellowbracket.shop.Wearer;
import yellowbracket.size.Proportions;
import yellowbracket.size.Remedy;
import yellowbracket.size.Reshape;
import yellowbracket.smooth.Finish;
import yellowbracket.smooth.Flaw;
import yellowbracket.smooth.Look;
import yellowbracket.smooth.Stroke;
import yellowbracket.smooth.Target;
import yellowbracket.wear.light.Load;
import yellowbracket.wear.panel.PanelWish;
import yellowbracket.work.Known;

/**
 * What is remembered is what would be worked out: after every kind of edit every figure is the same whether it was remembered or made from
 * nothing; and an edit makes only those anew that can differ.
 */
class DerivingTest {
    private static final LocalDateTime NOW = LocalDateTime.of(2026, 3, 30, 18, 0);
    private static final Catalogue SHOP = Catalogue.builtIn();
    private static final SimulatedWeather SKY = new SimulatedWeather(3);
    /** A head-sized shell, open below. */
    private static final Mesh SHELL = Shapes.cappedShell(130, 4, 60, 32, 16);
    private static final Mesh CRATE = Mesh
            .union(List.of(Shapes.box(Vec3.ZERO, new Vec3(120, 80, 90)), Shapes.sphere(6, 8).moved(new Vec3(60, 40, 100))));
    private static final Entry A_NOTE = Entry.parse(NOW.minusDays(1), "the printers are free", Known.NAMES).orElseThrow();
    private static final Meshes MESHES = Meshes.NONE.with(SHELL).with(CRATE);

    private static Prop helm() {
        var p = Prop.fromFile("helm", "helm", SHELL.contentHash(), Letters.from(0, 1), Intake.AS_IT_IS, SHOP.profile("usual"));
        return p.withSize(p.size().withWearers(List.of("Ada")).withScale(1.1))
                .withCut(new CutWish(CutTree.split(CutPlane.across(2, 10.137), CutTree.WHOLE, CutTree.WHOLE), Registration.PLAIN, 0));
    }

    private static Prop crate() {
        return Prop.fromFile("crate", "crate", CRATE.contentHash(), Letters.from(2, 2), Intake.AS_IT_IS, SHOP.profile("usual"))
                .withCut(new CutWish(CutTree.split(CutPlane.across(0, 61.3), CutTree.WHOLE, CutTree.WHOLE), Registration.FITTING, 0));
    }

    private static Build empty() {
        return Build.empty(NOW.minusDays(2), ShopFile.fresh())
                .with(new Wearer("Ada", HeadMeasures.of(575, 195, 153), true, 9, 1700))
                .withSpools(List.of(new Spool("grey", "PLA", 300, 200, "mid bed"), new Spool("white", "PLA", 900, 200, "")));
    }

    private static Build both() {
        return empty().with(helm()).with(crate()).with(A_NOTE);
    }

    private static final Set<String> OF_HELM = Set.of("lock plane", "seal", "finish", "trial", "told", "sheet", "move plane", "scale",
            "wearer", "wearers", "reshape", "proportions", "remedy");

    /** Only the prop an edit is about where that is enough: the helm's figures take most of the time. */
    private static Build before(String kind) {
        if (OF_HELM.contains(kind)) return empty().with(helm()).with(A_NOTE);
        return switch (kind) {
            case "remove", "add", "done", "rename" -> both();
            default -> empty().with(crate()).with(A_NOTE);
        };
    }

    /** Long searches, looked at after the two kinds of edit that change what they search in: head and shell. */
    private static final Set<Figure<?>> LONG = Set.of(SizeFigures.DONNING, SizeFigures.REMEDIES, SizeFigures.TEST_PIECES,
            SizeFigures.BY_AXIS);

    private static List<Want> wants(Build b, String kind) {
        var all = Everything.wants(b, first(b));
        return kind.equals("scale") || kind.equals("wearer") ? all : all.stream().filter(w -> !LONG.contains(w.figure())).toList();
    }

    private static World world(Build b) {
        return new World(b, MESHES, SHOP, SKY, NOW);
    }

    /** One of every factory of {@link Edit}, by what it does. */
    private static Map<String, Edit> edits() {
        var out = new LinkedHashMap<String, Edit>();
        out.put("rename", new Edit("rename", b -> b.withName("other")));
        out.put("lock plane", Edit.lockPlane("helm", 0, true));
        out.put("photo", Edit.photo(A_NOTE, "x.jpg"));
        out.put("note", Edit.log(note("the visor came")));
        out.put("seal", Edit.colours("no seal", "helm", c -> c.withSeal("")));
        out.put("weathered", Edit.colours("dusty", "crate", c -> c.withWeather(WeatherWish.NEW.with(Effect.DUST, 0.4))));
        out.put("painted", Edit.colours("cap", "crate", c -> c.with(ColourZone.of(1, "cap", "#b3202a", "enamel spray"))
                .withMap(Optional.of(ZoneMap.of(Side.of(Painted.all(CRATE, 0), Vec3.Z, 55, 1, Side.Only.ALL), CRATE.contentHash())))));
        out.put("reference", Edit.colours("plate 3", "crate", c -> c.withReferences(List.of(ColourReference.of("plate 3")))));
        out.put("lines", Edit.colours("grooves", "crate", c -> c.withLines(LineWish.NONE.withKinds(Set.of(SurfaceLine.Kind.GROOVE)))));
        out.put("soot", Edit.colours("smoke", "crate",
                c -> c.withWeather(WeatherWish.NEW.with(Effect.SOOT, 0.4).smokingFrom(List.of(new Vec3(60, 40, 90))))));
        out.put("order", Edit.colours("by hand", "crate", c -> c.withOrder(List.of(0))));
        out.put("label", Edit.paints("matt clear by its label",
                s -> s.with(ProductCard.blank("matt clear").with(LabelTerm.TAPE_H, Optional.of(9.0)).never("clouds"))));
        out.put("never", Edit.paints("never again", s -> s.with(ProductCard.blank("matt clear").never("clouds"))));
        out.put("eyes", new Edit("eyes", b -> b.withEyes(new Eyes(20, 9, -0.8, 3))));
        out.put("paints", Edit.paints("a paint", s -> s
                .with(new Paint("grey", "acrylic lacquer spray", "#8b8f92", Optional.empty(), Sheen.SATIN, OptionalDouble.of(0.5), 100))));
        out.put("finish", Edit.smoothing("gloss", "helm", s -> s.withFinish(Finish.GLOSS)));
        out.put("look",
                Edit.smoothing("round 1", "crate", s -> s.looking(Look.RAKING).marked(Flaw.of(Flaw.Kind.LOW, new Vec3(10, 0, 20), 4, 1))));
        out.put("brush", Edit.smoothing("leave", "crate", s -> s.painted(new Stroke(Target.LEAVE, 30, List.of(new Vec3(60, 0, 45))))));
        out.put("join", Edit.join("crate", "C|D", "epoxy slow"));
        out.put("queue", Edit.queue("full beds", q -> QueueWish.NONE.withFullPlates(true)));
        out.put("spool", Edit.spool("weighed", "grey", s -> s.less(100)));
        out.put("load", Edit.load("white", "mid bed"));
        out.put("due", new Edit("due", b -> b.withDue("fair", NOW.plusDays(9))));
        out.put("print", Edit.print("turned", "crate", "C", w -> SectionWish.NONE.withTurn(Optional.of(Turn.quarter(1)))));
        out.put("profile", Edit.profile("crate", SHOP.profile("crisp")));
        out.put("fix", Edit.fix("crate", new Fix.Change<>("4 walls", PrintWish.class, w -> w.everyProfile(p -> p.withWalls(4)))));
        out.put("printer", Edit.printer("wider bed", "mid bed", p -> p.withBedX(260)));
        out.put("done", Edit.log(Entry.parse(NOW.minusHours(3), "done A 5 h planned 4 h #mid-bed", both()).orElseThrow()));
        out.put("trial", Edit.log(Entry.parse(NOW, "fit helm Ada tight 4.0 mm at 110.0 %", both()).orElseThrow()));
        out.put("told", Edit.log(Entry.parse(NOW, "pads helm Ada tight back 4 mm", both()).orElseThrow()));
        out.put("sheet", Edit.ofProp("sheet", "helm",
                p -> p.withWear(p.wear().with(new PanelWish("front", PanelWish.Kind.MESH, "black mesh", 0.5, 9)))));
        out.put("lights", Edit.ofProp("lights", "crate",
                p -> p.withWear(p.wear().with(new Load("eyes", Load.Kind.LIGHT, Optional.empty(), List.of(), 0, 2)))));
        out.put("registration", Edit.registration("plain", "crate", r -> Registration.PLAIN.withUsual(RegistrationKind.PINS)));
        out.put("move plane", Edit.movePlane("helm", 0, CutPlane.across(2, 14.137)));
        out.put("cuts", Edit.cuts("whole", "crate", t -> CutTree.WHOLE));
        out.put("scale", Edit.scale("helm", 1.2));
        out.put("wearer", Edit.wearer(new Wearer("Ada", HeadMeasures.of(560, 190, 150), false, 2, 1700)));
        out.put("wearers", Edit.wearers("helm", List.of()));
        out.put("reshape", Edit.reshape("wide", "helm", r -> r.along(1.05, 1, 1)));
        out.put("proportions",
                Edit.proportions("helm", new Proportions(1.1, new Reshape(1, 1.03, 1, Optional.empty(), Optional.empty()), 0.1)));
        out.put("remedy", Edit.remedy("helm", new Remedy.Larger(1.3, 1)));
        out.put("intake", Edit.intake("drop", "crate", i -> i.withRole(List.of(1), BodyRole.DROPPED)));
        out.put("remove", new Edit("remove", b -> b.withoutProp("crate")));
        out.put("add", Edit.addProp(
                Prop.fromFile("two", "two", CRATE.contentHash(), Letters.from(5, 2), Intake.AS_IT_IS, SHOP.profile("usual")), CRATE));
        return out;
    }

    private static Entry note(String words) {
        return Entry.parse(NOW.minusHours(4), words, both()).orElseThrow();
    }

    private static final String[] HELD = {"faces kept bare", "mounts"};
    private static final String[] COLOUR = {"zones", "zones drawn", "edges drawn", "areas and borders", "what is sprayed", "colours",
            "test cards", "tight borders", "wear and weather", "wear, weather and soot", "weathering", "lines by hand", HELD[0], HELD[1],
            "what marks lie over"};
    /** What hangs on the weight of all of it and on the thickness of its films. */
    private static final String[] WEIGHT = {"what weighs", "pads", "balance", "walk test", "fits after paint", "packing list",
            "how it stands"};
    private static final Set<String> PLAN = Set.of("plates", "work", "tasks", "schedule", "latest starts", "chance", "what would help",
            "needs", "spools", "planner", "better schedule", "shopping", "order rules", "earliest starts", "what to drop", "tally",
            "consumed", "reserved", "never again", "schedule checked", "better schedule checked", "what looks taught");

    /** What each edit may make anew; what is not listed may change anything of its prop. */
    private static final Map<String, Set<String>> MAY = Map.ofEntries(Map.entry("rename", Set.of("reserved")),
            Map.entry("lock plane", Set.of()),
            Map.entry("note", Set.of("printers' records", "print remarks", "prints done", "tasks", "upkeep", "mends", "tally")),
            Map.entry("photo", Set.of("printers' records", "print remarks", "prints done", "tasks", "upkeep", "mends", "tally")),
            Map.entry("seal", with("colours", "weathering", "test cards", HELD[0], HELD[1])),
            Map.entry("weathered", with("weathering", "wear, weather and soot", "colours", "test cards", HELD[0], HELD[1])),
            Map.entry("paints", with("colours", "test cards", HELD[0], HELD[1])), Map.entry("reference", Set.of()),
            Map.entry("lines", with("grooves and raised lines", "lines by hand", "colours", "test cards", HELD[0], HELD[1])),
            Map.entry("soot", with("weathering", "wear, weather and soot", "colours", "test cards", HELD[0], HELD[1])),
            Map.entry("order", with("colours", "test cards", HELD[0], HELD[1])), Map.entry("painted", with(COLOUR)),
            Map.entry("finish",
                    with("smoothing", "fineness", "layer bands", "details lost", "rounds", "primer shade", "colours", "test cards", HELD[0],
                            HELD[1])),
            Map.entry("look", with("rounds")), Map.entry("eyes", with("rounds")),
            Map.entry("never", Set.of("colours", "test cards", "never again")),
            Map.entry("brush",
                    with("depth map", "areas", "smoothing", "fineness", "layer bands", "details lost", "rounds", "primer shade")),
            Map.entry("join",
                    with("joins", "what is joined", "seams to finish", "smoothing", "fineness", "layer bands", "details lost",
                            "primer shade", HELD[0], HELD[1])),
            Map.entry("queue", with()), Map.entry("spool", Set.of("spools")), Map.entry("load", Set.of("spools")),
            Map.entry("due",
                    Set.of("schedule", "latest starts", "chance", "what would help", "spools", "planner", "better schedule", "shopping",
                            "order rules", "earliest starts", "what to drop", "reserved", "schedule checked", "better schedule checked")),
            Map.entry("move plane",
                    with("cuts", "sketch", "drawing", "registration", "sections", "surface", "room on the beds", "sections alike",
                            "orientations", "ways up", "prints", "print remarks", "best ways up", "support", "one piece", "shadows",
                            "joins", "contacts", "hardware of seams", "parts in hand", "what is joined", "seams to finish", "areas",
                            "depth map", "details lost", "rounds", "smoothing", "fineness", "primer shade", "weathering", "test cards",
                            "colours", "necks", "what nearly fits", "rigid size", "upkeep", "looked through", "layer bands", HELD[0],
                            HELD[1], "what marks lie over", "closures")),
            Map.entry("told", with("printers' records", "print remarks", "prints done", "upkeep", "mends")),
            Map.entry("sheet", with("visor and lenses", "view through")), Map.entry("lights", with("lights and cells")));

    private static Set<String> with(String... more) {
        return Stream.concat(Stream.concat(PLAN.stream(), Stream.of(WEIGHT)), Stream.of(more)).collect(Collectors.toUnmodifiableSet());
    }

    private static Pass pass(Build b, Memo memo) {
        return new Pass(world(b), memo, true, Derived.NOTHING, Progress.NONE, d -> {});
    }

    private static String first(Build b) {
        return b.props().isEmpty() ? "" : b.props().getFirst().id();
    }

    private static void same(Build b, Derived warm, List<Want> wants, String what) {
        same(pass(b, new Memo()).run(wants), warm, what);
    }

    private static void same(Derived cold, Derived warm, String what) {
        assertThat(warm.entries().keySet()).as(what).isEqualTo(cold.entries().keySet());
        for (var e : cold.entries().entrySet()) {
            if (e.getKey().figure().contains("guess")) continue; // made from whatever was there before, and replaced at once
            var w = warm.entries().get(e.getKey());
            assertThat(w.state()).as(what + ": " + e.getKey() + " " + e.getValue().reason()).isEqualTo(e.getValue().state());
            assertThat(DeepEqual.difference(w.value(), e.getValue().value())).as(what + ": " + e.getKey()).isEmpty();
        }
    }

    static Stream<String> kinds() {
        return edits().keySet().stream();
    }

    private static final Memo MEMO = new Memo();

    @ParameterizedTest
    @MethodSource("kinds")
    void whatIsRememberedIsWhatWouldBeWorkedOut(String kind) {
        var before = before(kind);
        pass(before, MEMO).run(wants(before, kind));
        var after = edits().get(kind).change().apply(before);
        assertThat(after).as("the edit changes something").isNotEqualTo(before);
        var pass = pass(after, MEMO);
        var warm = pass.run(wants(after, kind));
        var may = MAY.get(kind);
        var made = pass.made().stream().map(Figure.Key::figure).collect(Collectors.toCollection(TreeSet::new));
        made.removeIf(f -> f.contains("guess"));
        if (may != null) assertThat(may).as(kind + " makes no more anew").containsAll(made);
        var again = pass(after, MEMO);
        again.run(wants(after, kind));
        assertThat(again.made()).as("nothing changed, nothing is made").isEmpty();
        var cold = pass(after, new Memo()).run(wants(after, kind));
        same(cold, warm, kind);
        same(cold, nextStart(before, after, kind), kind + " before the program was started again");
        var back = pass(before, MEMO);
        back.run(wants(before, kind));
        assertThat(back.made()
                .stream()
                .map(Figure.Key::figure)
                .filter(f -> !f.contains("guess"))
                .filter(f -> !Set.of("model", "index", "zones").contains(f))).as("undo finds all but what is not kept").isEmpty();
    }

    /** The program is ended and started again, and what was kept of the build before is there. */
    private static Derived nextStart(Build before, Build after, String kind) {
        var wants = wants(before, kind);
        if (KEPT.add(wants.toString())) {
            var kept = new Kept(folder, "this", new Kept.Bounds(0, 0, Long.MAX_VALUE, Long.MAX_VALUE));
            var memo = new Memo(kept);
            kept.open(before);
            pass(before, memo).run(wants);
            kept.keep(before, memo.shown());
            kept.close();
        }
        var kept = new Kept(folder, "this", Kept.Bounds.USUAL);
        kept.open(after);
        var pass = new Pass(world(after), new Memo(kept), true, Derived.NOTHING, Progress.NONE, d -> {}, Optional.of(new Together()));
        var derived = pass.run(wants(after, kind));
        // another set of meshes has its own file
        if (after.props().equals(before.props())) assertThat(pass.taken()).as(kind).hasSizeGreaterThan(40);
        kept.close();
        return derived;
    }

    private static final Set<String> KEPT = new HashSet<>();
    @TempDir
    private static Path folder;

    /** Left for right: the zones go with the surface. */
    @Test
    void zonesOfAMirroredModelLieOnTheOtherSide() {
        var half = Side.of(Painted.all(CRATE, 0), Vec3.X, 80, 1, Side.Only.ALL);
        var build = Edit
                .colours("end", "crate",
                        c -> c.with(ColourZone.of(1, "end", "#b3202a", "enamel spray"))
                                .withMap(Optional.of(ZoneMap.of(half, CRATE.contentHash()))))
                .change()
                .apply(empty().with(crate()));
        var mirrored = Edit.intake("mirror", "crate", i -> i.withMirrored(true)).change().apply(build);
        var zones = pass(mirrored, new Memo()).run(List.of(new Want(ColourFigures.ZONES, "crate")))
                .get(ColourFigures.ZONES, "crate")
                .orElseThrow();
        assertThat(zones.told()).isEmpty();
        assertThat(zones.painted().areaMm2(1)).isCloseTo(half.areaMm2(1), within(1e-3 * half.areaMm2(1)));
        var m = zones.painted().mesh();
        for (int f = 0; f < zones.painted().count(); f++) assertThat(zones.painted().zone(f)).isEqualTo(m.centroid(f).x() < -80 ? 1 : 0);
    }

    @Test
    void aBuildWithoutPropsAndOneWithoutMeshesAreDerivedToo() {
        same(empty(), pass(empty(), new Memo()).run(Everything.wants(empty(), "")), Everything.wants(empty(), ""), "empty");
        var lost = new Pass(new World(both(), Meshes.NONE, SHOP, SKY, NOW), new Memo(), true, Derived.NOTHING, Progress.NONE, d -> {})
                .run(Everything.wants(both(), "helm"));
        assertThat(lost.entries().values()).noneMatch(e -> e.state() == Derived.State.WORKING);
        assertThat(lost.reason(yellowbracket.derive.cut.CutFigures.SECTIONS, "helm")).contains("the mesh of helm is missing");
        assertThat(lost.fresh(yellowbracket.derive.plan.PlanFigures.SCHEDULE)).as("the plan of what there is").isTrue();
    }

    /** The mesh and the index of an earlier build are held by nothing that stays remembered. */
    @Test
    void whatIsForgottenCanBeCollected() {
        var memo = new Memo(1);
        var wide = wide(1.02); // a mesh of its own: as it came, it is the file's
        var first = pass(wide, memo).run(Everything.wants(wide, "helm"));
        var mesh = new WeakReference<>(first.require(ModelFigures.MODEL, "helm").mesh());
        var index = new WeakReference<>(first.require(ModelFigures.INDEX, "helm").bvh());
        first = null;
        var wider = wide(1.05);
        var second = pass(wider, memo).run(Everything.wants(wider, "helm"));
        await().untilAsserted(() -> {
            System.gc();
            assertThat(mesh.get()).as("the mesh before").isNull();
            assertThat(index.get()).as("its index").isNull();
        });
        assertThat(second.require(ModelFigures.MODEL, "helm").mesh().isEmpty()).isFalse();
    }

    @Test
    void atRestTheBuildShownStaysKnownAndLittleElse() {
        var memo = new Memo(16L << 20);
        for (int i = 0; i < 4; i++) pass(wide(1.02 + 0.01 * i), memo).run(Everything.wants(wide(1.02 + 0.01 * i), "helm"));
        var shown = wide(1.05);
        var before = pass(shown, memo).run(Everything.wants(shown, "helm"));
        long bytes = memo.bytes();
        memo.rest();
        assertThat(memo.bytes()).isLessThan(bytes);
        var after = pass(shown, memo).run(Everything.wants(shown, "helm"));
        assertThat(after.entries()).allSatisfy((key, e) -> assertThat(e.value()).isSameAs(before.entries().get(key).value()));
        long rest = memo.bytes();
        memo.rest();
        assertThat(memo.bytes()).as("nothing more to drop").isEqualTo(rest);
    }

    private static Build wide(double factor) {
        return Edit.reshape("width", "helm", r -> r.along(factor, 1, 1)).change().apply(both());
    }
}
