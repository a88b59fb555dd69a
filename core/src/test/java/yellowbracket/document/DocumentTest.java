package yellowbracket.document;

import java.time.DayOfWeek;
import java.time.LocalDateTime;
import java.util.Set;
import yellowbracket.plan.Baseline;
import yellowbracket.plan.Helper;
import yellowbracket.plan.OwnTask;
import yellowbracket.plan.PlanWish;
import yellowbracket.plan.Schedule;
import yellowbracket.plan.WorkRules;
import yellowbracket.shop.Eyes;
import yellowbracket.shop.PaintShelf;
import yellowbracket.shop.ProductCard;
import yellowbracket.shop.LabelTerm;
import yellowbracket.shop.Reserved;
import yellowbracket.work.Need;
import yellowbracket.work.Operation;
import yellowbracket.work.TaskId;
import static org.awaitility.Awaitility.await;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalTime;
import yellowbracket.mesh.Vec3;
import yellowbracket.wear.WearWish;
import yellowbracket.wear.day.EventRule;
import yellowbracket.wear.light.Bought;
import yellowbracket.wear.light.Load;
import yellowbracket.wear.panel.PanelWish;
import yellowbracket.wear.panel.TintBath;
import org.junit.jupiter.params.provider.ValueSource;
import java.time.Duration;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Progress;
import yellowbracket.plan.WorkHours;
import yellowbracket.shop.HeadMeasures;
import yellowbracket.shop.Quiet;
import yellowbracket.shop.Rate;
import yellowbracket.shop.Spool;
import yellowbracket.shop.StockItem;

class DocumentTest {

    @Test
    void aFileComesBackTheSameAndIsTheSameBytes(@TempDir Path dir) throws Exception {
        var file = dir.resolve("a.bracket");
        BuildFile.write(file, SmallBuild.build(), SmallBuild.meshes());
        var opened = (BuildFile.Outcome.Opened) BuildFile.read(file, Progress.NONE);
        assertThat(opened.build()).isEqualTo(SmallBuild.build());
        assertThat(opened.meshes().hashes()).containsExactly(SmallBuild.MESH.contentHash());
        assertThat(BuildFile.bytes(opened.build(), opened.meshes())).isEqualTo(Files.readAllBytes(file));
    }

    @Test
    void thePreviousVersionIsKept(@TempDir Path dir) throws Exception {
        var file = dir.resolve("a.bracket");
        BuildFile.write(file, SmallBuild.build(), SmallBuild.meshes());
        BuildFile.write(file, SmallBuild.build().withName("second"), SmallBuild.meshes());
        assertThat(((BuildFile.Outcome.Opened) BuildFile.read(dir.resolve("a.bracket~"), Progress.NONE)).build().name())
                .isEqualTo("new build");
        assertThat(((BuildFile.Outcome.Opened) BuildFile.read(file, Progress.NONE)).build().name()).isEqualTo("second");
    }

    @Test
    void aScannedHeadIsKeptWithItsWearer() throws Exception {
        var scan = new yellowbracket.shop.HeadScan(222.4,
                java.util.Collections.nCopies(yellowbracket.shop.HeadScan.ROWS * yellowbracket.shop.HeadScan.COLUMNS, 81.5));
        var b = SmallBuild.build().with(SmallBuild.build().wearers().getFirst().scanned(scan, HeadMeasures.of(575, 195, 153)));
        assertThat(BuildJson.read(BuildJson.write(b))).isEqualTo(b);
        assertThat(ShopFile.fresh().withWearer(b.wearers().getFirst()).wearers().getFirst().scan()).contains(scan);
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> new yellowbracket.shop.HeadScan(222, List.of(1.0)))
                .hasMessageContaining("3840 radii");
    }

    private static Build worn() {
        var b = SmallBuild.build();
        var p = b.props().getFirst();
        var wish = WearWish.USUAL.with(new PanelWish("front", PanelWish.Kind.FORMED, "clear PETG", 0.75, 9))
                .with(new Load("eyes", Load.Kind.STRIP, Optional.of("front"), List.of(), 0, 1))
                .with(new Load("glow", Load.Kind.LIGHT, Optional.empty(), List.of(new Vec3(1, 2, 3), new Vec3(4, 5, 6)), 0, 3))
                .with(new Bought("hose", Bought.Kind.HOSE, new Vec3(1, 2, 3), List.of(Vec3.ZERO, new Vec3(1, 2, 3)), 8, 40))
                .with(EventRule.USUAL.getFirst().as(EventRule.State.BROKEN))
                .withBath(Optional.of(new TintBath(21, 70, 64, 5)))
                .withLitHours(3)
                .withWornHours(2)
                .withCounterG(120);
        return b.with(p.withWear(wish));
    }

    @Test
    void whatIsFittedOutIsKeptAndAsItsSchemaSays() throws Exception {
        assertThat(BuildJson.read(BuildJson.write(worn()))).isEqualTo(worn());
        var schema = JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                .getSchema(Files.newInputStream(Path.of("../docs/build.schema.json")));
        var json = BuildJson.write(worn());
        assertThat(schema.validate(new ObjectMapper().readTree(json))).isEmpty();
        assertThat(schema.validate(new ObjectMapper().readTree(json.replace("\"marginMm\"", "\"margin\"")))).isNotEmpty();
        assertThat(schema.validate(new ObjectMapper().readTree(json.replace("\"roomC\" : 21.0", "\"roomC\" : \"warm\"")))).isNotEmpty();
    }

    @Test
    void buildJsonIsAsItsSchemaSays() throws Exception {
        var schema = JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                .getSchema(Files.newInputStream(Path.of("../docs/build.schema.json")));
        assertThat(schema.validate(new ObjectMapper().readTree(BuildJson.write(SmallBuild.build())))).isEmpty();
        assertThat(schema.validate(
                new ObjectMapper().readTree(BuildJson.write(SmallBuild.build()).replace("\"scale\" : 1.1", "\"scale\" : \"big\""))))
                .isNotEmpty();
    }

    @Test
    void whatIsKnownOfProductsAndLooksIsKeptAndAsItsSchemaSays() throws Exception {
        var b = SmallBuild.build()
                .withEyes(new Eyes(12, 3, 0.4, 2.5))
                .withPaints(PaintShelf.EMPTY
                        .with(ProductCard.blank("matt clear").with(LabelTerm.TAPE_H, Optional.of(7.5)).never("clouds in the cold"))
                        .with(ProductCard.blank("filler primer").with(LabelTerm.M2, Optional.of(1.4))));
        assertThat(BuildJson.read(BuildJson.write(b))).isEqualTo(b);
        var schema = JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                .getSchema(Files.newInputStream(Path.of("../docs/build.schema.json")));
        var json = BuildJson.write(b);
        assertThat(schema.validate(new ObjectMapper().readTree(json))).isEmpty();
        assertThat(schema.validate(new ObjectMapper().readTree(json.replace("7.5", "\"long\"")))).isNotEmpty();
    }

    @Test
    void theShopKeepsPaintsLooksAndWhatBuildsStillNeed(@TempDir Path dir) throws Exception {
        var file = dir.resolve("shop.json");
        var b = SmallBuild.build().withPaints(PaintShelf.EMPTY.with(ProductCard.blank("enamel spray").never("wrinkles")));
        var due = LocalDateTime.of(2026, 5, 2, 8, 0);
        ShopFile.fresh()
                .after(b)
                .withLooks(b.key(), new Eyes(4, 1, 0.2, 1))
                .withLooks("other", new Eyes(2, 2, 0, 0))
                .withReserved(b.key(), new Reserved(b.name(), due, List.of(new Need("matt clear", 300, "ml"))))
                .write(file);
        var read = ShopFile.read(file);
        assertThat(read.paints()).isEqualTo(b.paints());
        var before = read.after(SmallBuild.build().withPaints(PaintShelf.EMPTY));
        assertThat(before.paints()).as("an older build that knows no labels takes none away").isEqualTo(b.paints());
        assertThat(read.eyes()).isEqualTo(new Eyes(6, 3, 0.2, 1));
        assertThat(read.others("other", due.minusDays(1))).extracting(Reserved::build).containsExactly(b.name());
        assertThat(Build.empty(due, read).paints().product("enamel spray").never()).contains("wrinkles");
        assertThat(read.withReserved(b.key(), new Reserved(b.name(), due, List.of())).reserved()).isEmpty();
        Files.writeString(file,
                Files.readString(file).replace("\"schema\" : 5", "\"schema\" : 4").replaceAll("(?s),\\s*\"paints\".*", "}"));
        assertThat(ShopFile.read(file).paints()).as("a shop of before").isEqualTo(PaintShelf.EMPTY);
    }

    private static PlanWish planned() {
        var size = TaskId.size("p");
        var at = LocalDateTime.of(2026, 3, 30, 18, 30);
        return PlanWish.NONE.pinned(size, at)
                .first(TaskId.cut("p"), true)
                .leaving(TaskId.of("test:p"), true)
                .inOneGo(size, true)
                .with(new OwnTask("p", 1, "glue the crest on", Operation.GLUE, 1.5, 12, List.of(size), List.of(TaskId.cut("p"))))
                .with(new Helper("Tove", List.of(new WorkHours.Span(DayOfWeek.MONDAY, LocalTime.of(19, 0), LocalTime.of(22, 0))),
                        Set.of("sand")))
                .withRules(new WorkRules(Optional.of(new Quiet(LocalTime.of(21, 0), LocalTime.of(8, 0))), 45, 15))
                .with(new Baseline("as on Monday", at, at.plusDays(9), at.plusDays(8), 12.5,
                        Map.of(size, new Schedule.Part(at, at.plusHours(1)))));
    }

    @Test
    void whatIsDecidedAboutThePlanIsKeptAndAsItsSchemaSays() throws Exception {
        var b = SmallBuild.build().withPlan(planned());
        assertThat(BuildJson.read(BuildJson.write(b))).isEqualTo(b);
        var schema = JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                .getSchema(Files.newInputStream(Path.of("../docs/build.schema.json")));
        var json = BuildJson.write(b);
        assertThat(schema.validate(new ObjectMapper().readTree(json))).isEmpty();
        assertThat(schema.validate(new ObjectMapper().readTree(json.replace("\"breakMin\"", "\"pause\"")))).isNotEmpty();
    }

    private static String refused(Path dir, byte[] content) throws IOException {
        var file = dir.resolve("b.bracket");
        Files.write(file, content);
        return ((BuildFile.Outcome.Refused) BuildFile.read(file, Progress.NONE)).problem().sentence();
    }

    private static byte[] zip(String name, String content) throws IOException {
        var out = new ByteArrayOutputStream();
        try (var zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry(name));
            zip.write(content.getBytes());
        }
        return out.toByteArray();
    }

    @Test
    void whatCannotBeReadIsRefusedWithAWayOut(@TempDir Path dir) throws Exception {
        var good = BuildFile.bytes(SmallBuild.build(), SmallBuild.meshes());
        assertThat(refused(dir, new byte[0])).contains("empty");
        assertThat(refused(dir, "hello".getBytes())).contains("no build.json");
        assertThat(refused(dir, java.util.Arrays.copyOf(good, good.length / 2))).contains("ends in ~");
        assertThat(refused(dir,
                zip("build.json", BuildJson.write(SmallBuild.build()).replace("\"schema\" : " + BuildJson.SCHEMA, "\"schema\" : 99"))))
                .contains("newer version (schema 99", "update the program, nothing was changed");
        assertThat(
                refused(dir, zip("build.json", BuildJson.write(SmallBuild.build()).replace("\"seed\" : 1", "\"seed\" : 1, \"mood\" : 3"))))
                .contains("\"mood\"", "update the program");
        assertThat(refused(dir, zip("build.json", BuildJson.write(SmallBuild.build()).replace("\"scale\" : 1.1", "\"scale\" : -1"))))
                .contains("impossible value", "scale must lie");
        assertThat(refused(dir, zip("build.json", BuildJson.write(SmallBuild.build()).replace("\"scale\" : 1.1", "\"scale\" : \"x\""))))
                .contains("damaged at props[0].size.scale");
        assertThat(refused(dir, zip("build.json", "{}"))).contains("not a Yellow Bracket build");
        assertThat(refused(dir, zip("build.json", BuildJson.write(SmallBuild.build())))).contains("mesh is missing");
        assertThat(BuildFile.read(dir.resolve("none.bracket"), Progress.NONE)).isInstanceOf(BuildFile.Outcome.Refused.class);
    }

    @Test
    void aFolderThatCannotBeWrittenLeavesEverythingAsItWas(@TempDir Path dir) throws Exception {
        var blocked = Files.createFile(dir.resolve("not-a-folder"));
        var session = new Session(SmallBuild.build(), SmallBuild.meshes(), Optional.empty());
        session.apply(new Edit("name", b -> b.withName("x")));
        assertThatThrownBy(() -> BuildFile.write(blocked.resolve("a.bracket"), session.build(), session.meshes()))
                .isInstanceOf(IOException.class);
        assertThat(session.dirty()).isTrue();
        var written = session.build();
        session.apply(new Edit("name", b -> b.withName("y")));
        session.saved(dir.resolve("a.bracket"), written);
        assertThat(session.dirty()).as("what came while it was written").isTrue();
        session.undo();
        assertThat(session.dirty()).isFalse();
        assertThat(blocked).isEmptyFile();
    }

    /** Killed at any moment while saving over and over, the file is always one of the versions written. */
    @ParameterizedTest
    @ValueSource(ints = {1, 4, 9})
    void killedWhileSavingLeavesAWholeFile(int afterVersions, @TempDir Path dir) throws Exception {
        var file = dir.resolve("a.bracket");
        BuildFile.write(file, SmallBuild.build(), SmallBuild.meshes());
        var child = new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-cp",
                System.getProperty("java.class.path"), SaveForever.class.getName(), file.toString()).redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start();
        await().atMost(Duration.ofSeconds(60)).pollInterval(Duration.ofMillis(3)).until(() -> version(file) >= afterVersions);
        child.destroyForcibly().waitFor();
        assertThat(version(file)).as("whole, and no older than what was seen").isGreaterThanOrEqualTo(afterVersions);
    }

    /** -1 for the build the child began with. */
    private static int version(Path file) {
        var opened = (BuildFile.Outcome.Opened) BuildFile.read(file, Progress.NONE);
        String name = opened.build().name();
        return name.startsWith("version ") ? Integer.parseInt(name.substring("version ".length())) : -1;
    }

    /** Saves the build under changing names until it is killed. */
    public static final class SaveForever {
        private SaveForever() {}

        public static void main(String[] args) throws IOException {
            for (int i = 0;; i++) BuildFile.write(Path.of(args[0]), SmallBuild.build().withName("version " + i), SmallBuild.meshes());
        }
    }

    @Test
    void undoAndRedoShareWhatDidNotChange() {
        var h = History.of(SmallBuild.build()).after(Edit.scale("helm", 1.2)).after(Edit.scale("helm", 1.3));
        assertThat(h.now().prop("helm").orElseThrow().scale()).isEqualTo(1.3);
        assertThat(h.undo().now().prop("helm").orElseThrow().scale()).isEqualTo(1.2);
        assertThat(h.undo().undo().now()).isSameAs(h.steps().getFirst().build());
        assertThat(h.undo().redo().now()).isSameAs(h.now());
        assertThat(h.undoName()).contains("scale to 130.0 %");
        assertThat(h.undo().after(Edit.scale("helm", 2)).redoName()).isEmpty();
        assertThat(h.after(Edit.scale("helm", 1.3)).steps()).as("an edit that changes nothing is no step").hasSize(3);
        assertThat(h.now().prop("helm").orElseThrow().cut()).isSameAs(h.steps().getFirst().build().prop("helm").orElseThrow().cut());
    }

    @Test
    void previewsAreNoSteps() {
        var s = new Session(SmallBuild.build(), SmallBuild.meshes(), Optional.empty());
        s.preview(Edit.scale("helm", 1.5));
        assertThat(s.shown().prop("helm").orElseThrow().scale()).isEqualTo(1.5);
        assertThat(s.build().prop("helm").orElseThrow().scale()).isEqualTo(1.1);
        s.endPreview();
        assertThat(s.shown()).isSameAs(s.build());
        assertThat(s.dirty()).isFalse();
        s.apply(Edit.movePlane("helm", 0, CutPlane.across(2, 30)));
        assertThat(s.dirty()).isTrue();
        s.undo();
        assertThat(s.dirty()).isFalse();
    }

    @Test
    void theShopFileKeepsItsSelf(@TempDir Path dir) throws Exception {
        var file = dir.resolve("shop.json");
        assertThat(ShopFile.read(file)).isEqualTo(ShopFile.fresh());
        var shop = ShopFile.fresh()
                .withStock(List.of(new StockItem("x", 2, "g")))
                .withLessons("first", Map.of("sand", Rate.UNKNOWN.with(2, 1)))
                .withWearer(SmallBuild.build().wearers().getFirst());
        shop.write(file);
        assertThat(ShopFile.read(file)).isEqualTo(shop);
        Files.writeString(file, "{ nonsense");
        assertThatThrownBy(() -> ShopFile.read(file)).hasMessageContaining("damaged");
    }

    @Test
    void impossibleScalesAreRefused() {
        var p = SmallBuild.build().prop("helm").orElseThrow();
        assertThatThrownBy(() -> p.size().withScale(0)).hasMessageContaining("between 0 and 100");
        assertThatThrownBy(() -> p.size().withScale(Double.NaN)).hasMessageContaining("scale");
    }

    @Test
    void photosOfTheLogTravelWithTheBuild(@TempDir Path dir) throws Exception {
        var picture = dir.resolve("stump.jpeg");
        Files.write(picture, new byte[] {(byte) 0xFF, (byte) 0xD8, (byte) 0xFF, 1, 2, 3});
        var photo = ((Photo.Outcome.Read) Photo.read(picture)).photo();
        assertThat(photo.name()).matches("[0-9a-f]{64}\\.jpg");
        var build = Edit.photo(SmallBuild.build().log().getFirst(), photo.name()).change().apply(SmallBuild.build());
        assertThat(build.log().getFirst().photos()).containsExactly(photo.name());
        var file = dir.resolve("b.bracket");
        BuildFile.write(file, build, Meshes.NONE.with(SmallBuild.MESH).with(photo));
        var opened = (BuildFile.Outcome.Opened) BuildFile.read(file, Progress.NONE);
        assertThat(opened.meshes().photo(photo.name()).orElseThrow().bytes()).isEqualTo(photo.bytes());
        var journal = Journal.beside(file);
        journal.record(build, opened.meshes());
        assertThat(Journal.beside(file).left()).isInstanceOfSatisfying(Journal.Left.Found.class,
                left -> assertThat(left.meshes().photo(photo.name()).orElseThrow().bytes()).isEqualTo(photo.bytes()));
        Files.writeString(picture, "no picture");
        assertThat(((Photo.Outcome.Refused) Photo.read(picture)).problem().sentence()).contains("neither a JPEG nor a PNG");
        assertThat(Photo.read(dir.resolve("none.jpg"))).isInstanceOf(Photo.Outcome.Refused.class);
        assertThat(refused(dir, zip("photos/" + photo.name(), "other"))).contains("the photo is damaged");
    }

    @Test
    void aShopOfTheSchemaBeforeIsReadAndANewerOneIsLeftAlone(@TempDir Path dir) throws Exception {
        var file = dir.resolve("shop.json");
        Files.writeString(file, """
                {"schema": 1, "printers": [{"name": "mine", "bedX": 200, "bedY": 200, "bedZ": 200,
                  "marginMm": 5, "nozzleMm": 0.4, "speedMmS": 80, "hoursFactor": 1.1, "failuresPerHour": 0.002,
                  "costPerHour": 0.1}],
                 "wearers": [], "stock": [{"name": "PLA filament", "amount": 300, "unit": "g"}], "learned": {}}""");
        var shop = ShopFile.read(file);
        assertThat(shop.printers()).singleElement().satisfies(p -> {
            assertThat(p.process()).isEqualTo(yellowbracket.shop.Process.FILAMENT);
            assertThat(p.flowMm3S()).isEqualTo(yellowbracket.shop.Printer.USUAL_FLOW_MM3_S);
            assertThat(p.quiet()).isEmpty();
            assertThat(p.hoursFactor()).isEqualTo(1.1);
        });
        assertThat(shop.spools()).isEmpty();
        assertThat(shop.stock()).hasSize(1);
        assertThat(shop.settled()).containsExactly(Question.PRINTERS);
        assertThat(shop.hours()).isEqualTo(WorkHours.evenings());
        var quiet = shop.printers().getFirst().withQuiet(Optional.of(new Quiet(LocalTime.of(22, 0), LocalTime.of(7, 0))));
        var build = Build.empty(SmallBuild.NOW, shop)
                .withPrinters(List.of(quiet))
                .withSpools(List.of(new Spool("grey", "PLA", 500, 210, "mine")))
                .withShopCelsius(15)
                .withSettled(List.of(Question.values()));
        var kept = shop.after(build);
        kept.write(file);
        assertThat(ShopFile.read(file)).isEqualTo(kept);
        assertThat(kept.celsius()).isEqualTo(15);
        assertThat(kept.settled()).as("the day is each build's own").containsExactly(Question.PRINTERS, Question.HOURS);
        assertThat(Build.empty(SmallBuild.NOW, kept).printers()).containsExactly(quiet);
        Files.writeString(file, Files.readString(file).replace("\"schema\" : " + ShopFile.SCHEMA, "\"schema\" : 99"));
        assertThatThrownBy(() -> ShopFile.read(file)).hasMessageContaining("newer version");
    }
}
