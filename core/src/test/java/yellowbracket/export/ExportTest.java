package yellowbracket.export;

import biweekly.Biweekly;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.CutWish;
import yellowbracket.cut.Letters;
import yellowbracket.cut.Registration;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.derive.Derived;
import yellowbracket.derive.Figure;
import yellowbracket.derive.all.Everything;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.derive.plan.ShelfFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.device.SimulatedWeather;
import yellowbracket.document.Build;
import yellowbracket.document.Meshes;
import yellowbracket.document.Photo;
import yellowbracket.document.Prop;
import yellowbracket.document.ShopFile;
import yellowbracket.intake.Intake;
import yellowbracket.log.Entry;
import yellowbracket.log.LogImport;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshAssert;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.io.MeshFile;
import yellowbracket.shop.Catalogue;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

/** The files other programs read: each is opened again and says what the build says. */
class ExportTest {
    private static final LocalDateTime NOW = LocalDateTime.of(2026, 3, 30, 18, 0);
    private static final Mesh BEAM = Shapes.box(Vec3.ZERO, new Vec3(180, 40, 60));
    private static final String CYRILLIC = "\u0448\u043b\u0438\u0444\u0443\u0439 \u043c\u0435\u0434\u043b\u0435\u043d\u043d\u043e",
            GREEK = "\u03bb\u03b5\u03af\u03b1\u03bd\u03c3\u03b7";
    private static Build build;
    private static Derived derived;

    @TempDir
    Path dir;

    @BeforeAll
    static void derive() {
        var shop = Catalogue.builtIn();
        var prop = Prop.fromFile("beam", "roof beam", BEAM.contentHash(), Letters.from(0, 1), Intake.AS_IT_IS, shop.profile("usual"))
                .withCut(new CutWish(CutTree.split(CutPlane.across(0, 70.4), CutTree.WHOLE, CutTree.WHOLE), Registration.PLAIN, 0));
        var empty = Build.empty(NOW.minusDays(3), ShopFile.fresh());
        var named = empty.withName("beam, the first").withDue("fair", NOW.plusDays(40)).with(prop);
        build = named.withLog(List.of(Entry.parse(NOW.minusDays(2), "spent 12.50 \"fine\" filler, large", named).orElseThrow(),
                Entry.parse(NOW.minusDays(1), "failed A 40 % #nozzle", named).orElseThrow()));
        derived = Everything.derive(build, Meshes.NONE.with(BEAM), shop, new SimulatedWeather(3),
                Clock.fixed(NOW.toInstant(ZoneOffset.UTC), ZoneOffset.UTC), Progress.NONE);
    }

    private static List<Map<String, String>> rows(Path csv) throws IOException {
        try (var p = CSVParser.parse(Files.readString(csv), CSVFormat.RFC4180.builder().setHeader().setSkipHeaderRecord(true).get())) {
            return p.getRecords().stream().map(r -> r.toMap()).toList();
        }
    }

    private static SectionFiles beam() {
        return new SectionFiles("beam", 1, derived.require(CutFigures.REGISTERED, "beam"),
                java.util.Optional.of(derived.require(PrintFigures.PRINTS, "beam")));
    }

    @Test
    void sectionsStandOnTheBedAndAddUp() throws Exception {
        var files = beam().write(dir.resolve("out")).all();
        assertThat(files).extracting(f -> f.getFileName().toString())
                .containsExactly("section-A.stl", "section-B.stl", "all-sections.3mf", "cut-list.csv", "section-map.pdf");
        double volume = 0;
        for (var f : files.subList(0, 2)) {
            var m = ((MeshFile.Read) MeshFile.read(f, Progress.NONE)).mesh();
            MeshAssert.assertClosed(m);
            assertThat(m.bounds().min().z()).as("on the bed").isCloseTo(0, within(1e-4));
            assertThat(m.bounds().centre().x()).as("in its middle").isCloseTo(0, within(1e-4));
            volume += m.volumeMm3();
        }
        assertThat(volume).isCloseTo(BEAM.volumeMm3(), within(1e-3 * volume));
    }

    @Test
    void theCutListNamesSizeHoursAndSeams() throws Exception {
        beam().write(dir.resolve("list"));
        var list = rows(dir.resolve("list/cut-list.csv"));
        assertThat(list).hasSize(2);
        assertThat(list.getFirst()).containsEntry("section", "A").containsEntry("seams", "A|B").containsEntry("closed", "yes");
        double cubic = list.stream().mapToDouble(r -> Double.parseDouble(r.get("volume mm3"))).sum();
        assertThat(cubic).isCloseTo(180 * 40 * 60, within(2.0));
        assertThat(list).allSatisfy(r -> {
            assertThat(Double.parseDouble(r.get("hours"))).isPositive();
            assertThat(Double.parseDouble(r.get("grams"))).isPositive();
            assertThat(r.get("printer")).isNotBlank();
        });
    }

    @Test
    void theCalendarHoldsEveryTaskToCome() throws Exception {
        var schedule = derived.require(PlanFigures.SCHEDULE, Figure.BUILD);
        var file = Export.calendar(build, schedule, dir.resolve("plan.ics"));
        var events = Biweekly.parse(Files.readString(file)).first().getEvents();
        assertThat(events).hasSize((int) schedule.placed().stream().filter(p -> !p.done()).count());
        assertThat(events).allSatisfy(e -> assertThat(e.getDateEnd().getValue()).isAfterOrEqualTo(e.getDateStart().getValue()));
        assertThat(events.stream().map(e -> e.getUid().getValue()).distinct().count()).as("each its own").isEqualTo(events.size());
        assertThat(events).anySatisfy(e -> assertThat(e.getSummary().getValue()).contains("print A"));
    }

    @Test
    void theLogSurvivesCommasAndQuotes() throws Exception {
        var files = Export.log(build, dir);
        var list = rows(files.getFirst());
        assertThat(list).hasSize(2);
        assertThat(list.getFirst()).containsEntry("kind", "spent").containsEntry("money", "12.5");
        assertThat(list.getFirst().get("text")).contains("\"fine\" filler, large");
        assertThat(list.get(1)).containsEntry("kind", "failed").containsEntry("about", "print:beam/A");
        assertThat(Files.readString(files.get(1))).startsWith("# beam, the first: log").contains("filler");
    }

    @Test
    void sheetsAreReadable() throws Exception {
        try (var pdf = Loader.loadPDF(Export.sheets(build, derived, dir.resolve("sheets.pdf")).toFile())) {
            assertThat(pdf.getNumberOfPages()).isPositive();
            assertThat(new PDFTextStripper().getText(pdf)).contains("beam", "prints", "seams", "A|B", "ladder", "coats");
        }
    }

    private static String read(Path pdf) throws IOException {
        try (var p = Loader.loadPDF(pdf.toFile())) {
            return new PDFTextStripper().getText(p);
        }
    }

    @Test
    void theBookTellsWhatWasBuiltInEveryScript() throws Exception {
        var told = build
                .with(Entry.parse(build.started(), "lesson: " + CYRILLIC + ", " + GREEK + " & <slow> \"quoted\" | piped", build)
                        .orElseThrow())
                .with(Entry.parse(build.started(), "why this red: it is that of the boat", build).orElseThrow());
        var files = BuildBook.write(told, Meshes.NONE, derived, dir.resolve("book"));
        var book = read(files.getFirst());
        assertThat(book).contains("beam", "fair", "filler", "What it cost", "12.50", "Lessons", "this red: it is that of the boat")
                .contains(CYRILLIC, GREEK, "<slow>", "\"quoted\"");
        assertThat(Files.readString(files.get(1))).startsWith("# " + told.name()).contains("## Lessons", GREEK);
        assertThat(files).anySatisfy(f -> assertThat(f.getFileName().toString()).startsWith("hand-off-"));
        assertThat(read(files.getLast())).contains("Care", "Paints to repair it", "If it breaks");
    }

    @Test
    void theBookShowsPicturesAndLeavesBrokenOnesOut() throws Exception {
        var broken = Files.write(dir.resolve("broken.png"), new byte[] {(byte) 0x89, 'P', 'N', 'G', 1, 2, 3});
        var photo = ((Photo.Outcome.Read) Photo.read(broken)).photo();
        var e = Entry.parse(build.started(), "a look at the crest", build).orElseThrow().withPhoto(photo.name());
        var files = BuildBook.write(build.with(e), Meshes.NONE.with(photo), derived, dir.resolve("pictures"));
        assertThat(read(files.getFirst())).contains("a look at the crest");
        assertThat(files).anySatisfy(f -> assertThat(f.getFileName().toString()).isEqualTo(photo.name()));
    }

    @Test
    void aLogWrittenIsReadBackAndStrangeLinesAreCounted() throws Exception {
        var files = Export.log(build, dir);
        for (var f : files) {
            var read = (LogImport.Outcome.Read) LogImport.read(f, List.of(), build);
            assertThat(read.entries()).as("%s", f).extracting(Entry::text).isEqualTo(build.log().stream().map(Entry::text).toList());
            assertThat(read.unread()).isEmpty();
            assertThat(((LogImport.Outcome.Read) LogImport.read(f, build.log(), build)).entries()).as("there already").isEmpty();
        }
        var odd = Files.writeString(dir.resolve("odd.md"), "# log\n- 2026-03-30 18:20: done A 2 h\nnonsense\n- 2026-13-40 1:2: never\n");
        var read = (LogImport.Outcome.Read) LogImport.read(odd, List.of(), build);
        assertThat(read.entries()).hasSize(1);
        assertThat(read.unread()).containsExactly(3, 4);
        assertThat(LogImport.read(Files.write(dir.resolve("x.csv"), new byte[] {1, 2, (byte) 0xff, (byte) 0xfe}), List.of(), build))
                .isInstanceOf(LogImport.Outcome.Refused.class);
    }

    @Test
    void theShoppingListIsATableAndASheet() throws Exception {
        var shopping = derived.require(ShelfFigures.SHOPPING, Figure.BUILD);
        var files = ShoppingFiles.write("beam", shopping, dir.resolve("buy"));
        assertThat(rows(files.getFirst())).hasSameSizeAs(shopping.list());
        assertThat(read(files.getLast())).contains(shopping.list().getFirst().line().name(), "order by");
    }

    @Test
    void aFolderThatCannotBeWrittenIsAnErrorAndNothingIsLeft() throws Exception {
        var blocked = Files.createFile(dir.resolve("file"));
        assertThatThrownBy(() -> beam().write(blocked.resolve("out"))).isInstanceOf(IOException.class);
        assertThatThrownBy(() -> Export.log(build, blocked)).isInstanceOf(IOException.class);
        assertThat(Files.size(blocked)).isZero();
        try (var left = Files.list(dir)) {
            assertThat(left).hasSize(1);
        }
    }
}
