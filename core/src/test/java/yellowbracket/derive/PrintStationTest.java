package yellowbracket.derive;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.CutWish;
import yellowbracket.cut.Letters;
import yellowbracket.cut.Registration;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.derive.all.Everything;
import yellowbracket.derive.all.LogEdit;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.derive.plan.ShelfFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.derive.smooth.SmoothFigures;
import yellowbracket.device.PrinterLink;
import yellowbracket.device.SimulatedPrinter;
import yellowbracket.device.SimulatedWeather;
import yellowbracket.document.Build;
import yellowbracket.document.Edit;
import yellowbracket.document.Meshes;
import yellowbracket.document.Prop;
import yellowbracket.document.ShopFile;
import yellowbracket.export.QueueFile;
import yellowbracket.finding.Finding;
import yellowbracket.intake.Intake;
import yellowbracket.log.Entry;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.work.Hazard;
import yellowbracket.shop.Practice;
import yellowbracket.safety.Caution;
import yellowbracket.plan.Schedule;
import yellowbracket.print.QueueWish;
import yellowbracket.print.SectionPrint;
import yellowbracket.print.SectionWish;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Quiet;
import yellowbracket.shop.Spool;
import yellowbracket.smooth.Fineness;
import yellowbracket.work.SectionId;
import yellowbracket.work.TaskId;
import static org.awaitility.Awaitility.await;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

/**
 * The print station derived end to end on a bar in four pieces, A to D, on one printer: decisions move hours and the schedule, the log
 * teaches.
 */
class PrintStationTest {
    private static final LocalDateTime NOW = LocalDateTime.of(2026, 3, 30, 18, 0);
    private static final Catalogue SHOP = Catalogue.builtIn();
    private static final Mesh BAR = Shapes.box(Vec3.ZERO, new Vec3(240, 40, 60));
    private static final Printer BED = Printer.of("mid bed", 220, 220, 250, 5, 0.4, 110, 0.0022, 0.12);

    private static Build build(UnaryOperator<Prop> prop, UnaryOperator<Build> change) {
        var cuts = CutTree.WHOLE.cutEverywhere(CutPlane.across(0, 60.037))
                .cutEverywhere(CutPlane.across(0, 120.037))
                .cutEverywhere(CutPlane.across(0, 180.037));
        var bar = prop.apply(Prop.fromFile("bar", "bar", BAR.contentHash(), Letters.from(0, 1), Intake.AS_IT_IS, SHOP.profile("usual"))
                .withCut(new CutWish(cuts, Registration.PLAIN, 0)));
        return change.apply(Build.empty(NOW.minusDays(2), ShopFile.fresh()).with(bar).withPrinters(List.of(BED)));
    }

    private static Derived derive(Build b) {
        return Everything.derive(b, Meshes.NONE.with(BAR), SHOP, new SimulatedWeather(3),
                Clock.fixed(NOW.toInstant(ZoneOffset.UTC), ZoneOffset.UTC), Progress.NONE);
    }

    private static Derived derive(UnaryOperator<Build> change) {
        return derive(build(p -> p, change));
    }

    private static SectionId bar(String letter) {
        return new SectionId("bar", letter);
    }

    private static List<SectionId> bars(String... letters) {
        return java.util.Arrays.stream(letters).map(PrintStationTest::bar).toList();
    }

    private static TaskId print(String... letters) {
        return new TaskId.Print(bars(letters));
    }

    /** With something decided about one section. */
    private static Prop wishing(Prop p, String letter, SectionWish wish) {
        return p.withPrint(p.print().withSection(letter, wish));
    }

    private static Build log(Build b, String... lines) {
        for (var l : lines) b = b.with(Entry.parse(NOW.minusHours(1), l, b).orElseThrow());
        return b;
    }

    private static double hours(Derived d, String section) {
        return d.require(PrintFigures.PRINTS, "bar").print(section).hours();
    }

    private static Schedule.Placed placed(Derived d, TaskId id) {
        return d.require(PlanFigures.SCHEDULE, Figure.BUILD).placed(id).orElseThrow(() -> new AssertionError("no task " + id.text()));
    }

    /** Printing tasks in the order they start. */
    private static List<TaskId> order(Derived d) {
        return d.require(PlanFigures.SCHEDULE, Figure.BUILD)
                .placed()
                .stream()
                .filter(p -> p.task().id() instanceof TaskId.Print && !p.done())
                .sorted(java.util.Comparator.comparing(Schedule.Placed::start))
                .map(p -> p.task().id())
                .toList();
    }

    @Test
    void aSectionHasItsOwnTurnAndProfileWhereTheMakerSaysSo() {
        var d = derive(build(p -> wishing(p, "B",
                new SectionWish(Optional.of(Turn.quarter(0)), Optional.of(SHOP.profile("crisp")), Optional.empty(), List.of(), List.of())),
                b -> b));
        var plan = d.require(PrintFigures.PRINTS, "bar");
        assertThat(plan.print("B").orientation().turn()).isEqualTo(Turn.quarter(0));
        assertThat(plan.print("B").profile().name()).isEqualTo("crisp");
        assertThat(plan.print("C").profile().name()).isEqualTo("usual");
        assertThat(plan.print("B").hours()).isGreaterThan(1.4 * plan.print("C").hours());
        var byHand = Turn.pitch(33).then(Turn.quarter(2));
        var turned = derive(build(p -> wishing(p, "B", SectionWish.NONE.withTurn(Optional.of(byHand))), b -> b))
                .require(PrintFigures.PRINTS, "bar")
                .print("B")
                .orientation();
        assertThat(turned.turn()).isEqualTo(byHand);
        assertThat(turned.label()).isEqualTo("top-front up");
    }

    @Test
    void otherCutsForgetWhatWasDecidedAboutSections() {
        var p = build(q -> wishing(q, "B", SectionWish.NONE.withPrinter(Optional.of("mid bed"))), b -> b).props().getFirst();
        assertThat(p.print().sections()).containsOnlyKeys("B");
        assertThat(wishing(p, "B", SectionWish.NONE).print().sections()).isEmpty();
        assertThat(p.cutAs(p.cut().cutAnew(CutTree.WHOLE)).print().sections()).isEmpty();
        assertThat(p.cutAs(p.cut().withPlane(0, CutPlane.across(0, 55.037))).print().sections()).containsOnlyKeys("B");
    }

    @Test
    void resinGoesToAResinPrinterOrIsToldThatThereIsNone() {
        UnaryOperator<Prop> resin = p -> wishing(p, "A", SectionWish.NONE.withProfile(Optional.of(SHOP.profile("resin, fine"))));
        assertThat(derive(build(resin, b -> b)).require(PrintFigures.PRINTS, "bar").findings()).singleElement()
                .extracting(Finding::words)
                .asString()
                .contains("photopolymer resin, but no printer does resin");
        var vat = SHOP.morePrinters().stream().filter(p -> p.name().equals("resin vat")).findFirst().orElseThrow();
        var plan = derive(build(resin, b -> b.withPrinters(List.of(BED, vat)))).require(PrintFigures.PRINTS, "bar");
        assertThat(plan.findings()).isEmpty();
        assertThat(plan.print("A").printer().name()).isEqualTo("resin vat");
        var tasks = derive(build(resin, b -> b.withPrinters(List.of(BED, vat)))).require(PlanFigures.TASKS).list();
        var order = tasks.stream().map(t -> t.id().text()).filter(t -> t.endsWith("bar/A")).toList();
        assertThat(order).as("washed, support cut while soft, then cured")
                .containsExactly("print:bar/A", "wash:bar/A", "clean:bar/A", "cure:bar/A");
        var wash = tasks.stream().filter(t -> t.id().text().equals("wash:bar/A")).findFirst().orElseThrow();
        assertThat(wash.lag().leastH()).as("it dries before it is cured").isEqualTo(SHOP.usual(Practice.RESIN_DRIES_H));
        assertThat(Caution.of(wash, SHOP).orElseThrow().hazards()).contains(Hazard.UNCURED_RESIN, Hazard.FLAMMABLE);
        assertThat(tasks.stream().filter(t -> t.id().text().equals("clean:bar/B")).findFirst().orElseThrow().after())
                .as("filament needs neither")
                .extracting(TaskId::text)
                .containsExactly("print:bar/B");
        assertThat(plan.print("B").printer().name()).isEqualTo("mid bed");
    }

    @Test
    void aFullBedIsOneTaskAndLosesMoreWhenItFails() {
        var d = derive(b -> b.withQueue(QueueWish.NONE.withFullPlates(true)));
        var plates = d.require(PrintFigures.PLATES, Figure.BUILD);
        assertThat(plates.single()).hasSize(4);
        assertThat(plates.full()).hasSizeLessThan(4);
        var plate = plates.full().getFirst();
        var task = placed(d, plate.task());
        assertThat(task.task().activeH()).isCloseTo(plate.hours(), within(1e-9));
        assertThat(placed(d, new TaskId.Clean(plate.sections().getLast())).start()).isAfterOrEqualTo(task.ready());
        assertThat(plates.full().stream().mapToDouble(p -> p.expectedHours() - p.hours()).sum())
                .isGreaterThan(plates.single().stream().mapToDouble(p -> p.expectedHours() - p.hours()).sum());
        assertThat(d.require(PlanFigures.SCHEDULE, Figure.BUILD).conflicts()).isEmpty();
    }

    @Test
    void whatIsDoneLeavesThePlates() {
        var d = derive(log(build(p -> p, b -> b.withQueue(QueueWish.NONE.withFullPlates(true))), "done A+B 3 h #mid-bed"));
        assertThat(d.require(PrintFigures.PLATES, Figure.BUILD).full().stream().flatMap(p -> p.sections().stream()))
                .containsExactlyInAnyOrder(bar("C"), bar("D"));
        assertThat(placed(d, print("A")).done()).isTrue();
        assertThat(placed(d, print("B")).done()).isTrue();
    }

    @Test
    void thePrintsComeInTheOrderWishedFor() {
        var wished = derive(b -> b.withQueue(QueueWish.NONE.withOrder(bars("D", "B"))));
        assertThat(order(wished).subList(0, 2)).containsExactly(print("D"), print("B"));
        assertThat(order(wished)).hasSize(4);
        assertThat(order(derive(b -> b.withQueue(QueueWish.NONE.withOrder(bars("C", "A", "D")))))).containsExactly(print("C"), print("A"),
                print("D"), print("B"));
        assertThat(order(derive(b -> b.withQueue(QueueWish.NONE.withOrder(bars("Z")))))).as("a section that is gone is passed over")
                .hasSize(4);
    }

    @Test
    void aPrintUnderWayIsInHandSinceItStarted() {
        var d = derive(b -> b.with(Entry.parse(NOW.minusMinutes(40), "started C #mid-bed", b).orElseThrow())
                .withQueue(QueueWish.NONE.withOrder(bars("D"))));
        assertThat(placed(d, print("C")).start()).isEqualTo(NOW.minusMinutes(40));
        assertThat(order(d).subList(0, 2)).containsExactly(print("C"), print("D"));
        assertThat(placed(d, print("D")).start()).isAfterOrEqualTo(placed(d, print("C")).end());
        var late = derive(b -> b.with(Entry.parse(NOW.minusDays(3), "started C #mid-bed", b).orElseThrow()));
        assertThat(placed(late, print("C")).end()).as("overdue, not over").isAfter(NOW);
    }

    @Test
    void quietHoursPauseAPrintAndNobodyThereKeepsOneFromStarting() {
        double h = hours(derive(b -> b), "A");
        var quiet = new Quiet(LocalTime.of(22, 0), LocalTime.of(8, 0));
        var d = derive(b -> b.withPrinters(List.of(BED.withQuiet(Optional.of(quiet)))));
        for (var id : order(d)) {
            assertThat(quiet.holds(placed(d, id).start().toLocalTime())).as(id.text()).isFalse();
            assertThat(quiet.holds(placed(d, id).end().minusMinutes(1).toLocalTime())).as(id.text()).isFalse();
        }
        assertThat(h).isGreaterThan(1);
        assertThat(order(d).stream().anyMatch(id -> java.time.Duration.between(placed(d, id).start(), placed(d, id).end()).toHours() > 10))
                .as("one of them waits for the morning")
                .isTrue();
        var away = derive(b -> b.withHours(b.hours().awayOnWeekdays(LocalTime.of(8, 0), LocalTime.of(17, 0))));
        for (var id : order(away)) {
            var at = placed(away, id).start();
            boolean workday = at.getDayOfWeek().getValue() < 6;
            assertThat(workday && !at.toLocalTime().isBefore(LocalTime.of(8, 0)) && at.toLocalTime().isBefore(LocalTime.of(17, 0)))
                    .as(id.text() + " starts " + at)
                    .isFalse();
        }
        assertThat(new Quiet(LocalTime.of(9, 0), LocalTime.of(12, 0)).holds(LocalTime.of(12, 0))).isFalse();
    }

    @Test
    void theLogTeachesThePrinterAndNoLaterDecisionChangesWhatItTaught() {
        double before = hours(derive(b -> b), "B");
        var taught = log(build(p -> p, b -> b), "done A 6 h planned 4 h #mid-bed", "done C 6 h planned 4 h #mid-bed",
                "done D 6 h planned 4 h #mid-bed");
        var d = derive(taught);
        double factor = d.require(PrintFigures.RECORDS, Figure.BUILD).of("mid bed").factor().factor();
        assertThat(factor).isBetween(1.15, 1.35);
        assertThat(hours(d, "B")).isCloseTo(factor * before, within(1e-9));
        var finer = derive(Edit.profile("bar", SHOP.profile("crisp")).change().apply(taught));
        assertThat(finer.require(PrintFigures.RECORDS, Figure.BUILD).of("mid bed").factor().factor()).isEqualTo(factor);
        assertThat(d.require(PlanFigures.TASKS, Figure.BUILD).own()).containsKey("printer:mid bed");
    }

    @Test
    void aLineAboutAPrintKeepsWhatThePlanKnewAndDrawsFromTheSpool() {
        var b = build(p -> p, x -> x.withSpools(List.of(new Spool("grey", "PLA", 900, 200, "mid bed"))));
        var d = derive(b);
        var after = LogEdit.of(NOW, "done B 5 h", b, d).orElseThrow().change().apply(b);
        var entry = after.log().getLast();
        assertThat(entry.text()).startsWith("done B 5 h planned ").endsWith(" h #mid-bed");
        assertThat(entry.planned().orElseThrow()).isCloseTo(hours(d, "B"), within(0.01));
        assertThat(after.spools().getFirst().grams()).isCloseTo(900 - d.require(PrintFigures.PRINTS, "bar").print("B").grams(),
                within(1e-9));
        var failed = LogEdit.of(NOW, "failed B 50 % 2 h clog", b, d).orElseThrow().change().apply(b);
        assertThat(failed.spools().getFirst().grams()).isCloseTo(900 - 0.5 * d.require(PrintFigures.PRINTS, "bar").print("B").grams(),
                within(1e-9));
        assertThat(LogEdit.of(NOW, "done B 5 h planned 4 h #mid-bed", b, d).orElseThrow().change().apply(b).log().getLast().text())
                .isEqualTo("done B 5 h planned 4 h #mid-bed");
        var vat = b.withPrinters(List.of(BED, Printer.of("attic", 220, 220, 250, 5, 0.4, 60, 0.002, 0.1)));
        assertThat(LogEdit.of(NOW, "done B 5 h #attic", vat, d).orElseThrow().change().apply(vat).log().getLast().text())
                .as("the plan had it on another printer: its hours are not those")
                .isEqualTo("done B 5 h #attic");
        assertThat(LogEdit.of(NOW, "a note", b, d).orElseThrow().change().apply(b).spools()).isEqualTo(b.spools());
        assertThat(LogEdit.of(NOW, "  ", b, d)).isEmpty();
    }

    /**
     * A print started on the simulated printer, lost to a fault and logged moves the failure rate, and with it the hours to be expected.
     */
    @Test
    void aFaultOnTheLinkedPrinterMovesTheEstimate() {
        var b = build(p -> p, x -> x);
        var d = derive(b);
        var print = d.require(PrintFigures.PRINTS, "bar").print("B");
        var link = new SimulatedPrinter("mid bed", 3, 5);
        link.start(new PrinterLink.Job("B", print.estimate().layers(), print.hours()));
        assertThat(LogEdit.line(link.status(), "mid-bed")).isEqualTo("started B #mid-bed");
        link.advance(50);
        assertThat(link.status().state()).isEqualTo(PrinterLink.State.FAULT);
        var after = derive(LogEdit.of(NOW, LogEdit.line(link.status(), "mid-bed"), b, d).orElseThrow().change().apply(b));
        assertThat(after.require(PrintFigures.RECORDS, Figure.BUILD).of("mid bed").failed()).isEqualTo(1);
        assertThat(after.require(PrintFigures.PRINTS, "bar").print("B").expectedHours()).isGreaterThan(print.expectedHours());
        var well = new SimulatedPrinter("mid bed", 3, 0);
        well.start(new PrinterLink.Job("B", 10, 2));
        well.advance(50);
        assertThat(LogEdit.line(well.status(), "mid-bed")).matches("done B \\d\\.\\d\\d h #mid-bed");
    }

    @Test
    void spoolsAreCheckedInTheOrderOfTheSchedule() {
        var d = derive(b -> b.withSpools(List.of(new Spool("grey", "PLA", 60, 200, "mid bed")))
                .withQueue(QueueWish.NONE.withOrder(bars("D", "C", "B", "A"))));
        var draws = d.require(ShelfFigures.SPOOLS, Figure.BUILD).draws();
        assertThat(draws).extracting(x -> x.job().name()).containsExactly("D", "C", "B", "A");
        assertThat(d.require(ShelfFigures.SPOOLS, Figure.BUILD).findings()).isNotEmpty()
                .first()
                .extracting(Finding::words)
                .asString()
                .contains("grey runs out");
    }

    @Test
    void theQueueGoesOutAndComesBackInTheOrderOfItsRows(@TempDir Path dir) throws Exception {
        var d = derive(b -> b.withQueue(QueueWish.NONE.withOrder(bars("C", "A", "D", "B"))));
        var file = QueueFile.write(d.require(PrintFigures.PLATES, Figure.BUILD), d.require(PlanFigures.SCHEDULE, Figure.BUILD),
                dir.resolve("queue.csv"));
        var lines = Files.readAllLines(file);
        assertThat(lines).hasSize(5);
        assertThat(lines.getFirst()).startsWith("section,printer,plate");
        assertThat(lines.get(1)).startsWith("C,mid bed,1,");
        var swapped = new ArrayList<>(lines);
        java.util.Collections.swap(swapped, 1, 4);
        Files.write(file, swapped);
        assertThat(QueueFile.read(file, bars("A", "B", "C", "D"), Set.of("mid bed"))).isEqualTo(new QueueFile.Outcome.Read(
                bars("B", "A", "D", "C"), Map.of(bar("A"), "mid bed", bar("B"), "mid bed", bar("C"), "mid bed", bar("D"), "mid bed")));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"section,printer\\nQ,mid bed|line 2|no section \"Q\"",
            "section,printer\\nA,attic|line 2|no printer \"attic\"", "section\\nA\\nB\\nA|line 4|there twice",
            "letter\\nA|line 1|no column \"section\"", "section,printer\\n||empty", "''||no column"})
    void aQueueThatCannotBeReadSaysWhere(String text, String where, String what, @TempDir Path dir) throws Exception {
        var file = dir.resolve("q.csv");
        Files.writeString(file, text.replace("\\n", "\n"));
        assertThat(QueueFile.read(file, bars("A", "B"), Set.of("mid bed"))).isInstanceOfSatisfying(QueueFile.Outcome.Refused.class, r -> {
            assertThat(r.problem().sentence()).contains(what);
            if (where != null) assertThat(r.problem().where()).startsWith(where);
        });
        assertThat(QueueFile.read(dir.resolve("none.csv"), List.of(), Set.of())).isInstanceOf(QueueFile.Outcome.Refused.class);
    }

    @Test
    void finerLayersPrintLongerAndSmoothFasterAndTheLeastSumIsSeen() throws Exception {
        try (var w = Everything.workings(SHOP, new SimulatedWeather(3), Clock.fixed(NOW.toInstant(ZoneOffset.UTC), ZoneOffset.UTC),
                new Memo(), d -> {})) {
            w.show(build(p -> p, b -> b), Meshes.NONE.with(BAR), "bar");
            await().atMost(java.time.Duration.ofSeconds(60)).until(() -> w.latest().fresh(PrintFigures.ONE_PIECE, "bar"));
            var fine = w.latest().require(SmoothFigures.FINENESS, "bar");
            assertThat(fine.nozzles()).containsExactly(0.4, 0.6, 0.8);
            var narrow = fine.of(0.4);
            assertThat(narrow).isSortedAccordingTo(java.util.Comparator.comparingDouble(p -> -p.printH()));
            assertThat(narrow.getFirst().linesUm()).isLessThan(narrow.getLast().linesUm());
            assertThat(fine.least().orElseThrow().sumH())
                    .isEqualTo(fine.points().stream().mapToDouble(Fineness.Point::sumH).min().orElseThrow());
            var plan = w.latest().require(PrintFigures.PRINTS, "bar");
            assertThat(narrow.stream().filter(p -> p.layerMm() == 0.2).findFirst().orElseThrow().printH())
                    .as("the curve goes through what is planned")
                    .isCloseTo(plan.expectedHours(), within(0.01 * plan.expectedHours()));
            var whole = w.latest().require(PrintFigures.ONE_PIECE, "bar");
            assertThat(whole.expectedHours() - whole.hours()).as("a failure loses all of it")
                    .isGreaterThan(plan.prints().stream().mapToDouble(p -> p.expectedHours() - p.hours()).sum());
            assertThat(w.latest().require(PrintFigures.WAYS, "bar").bySection().get("B")).hasSizeBetween(2, 7)
                    .allSatisfy(x -> assertThat(x.print().hours()).isGreaterThan(0));
            assertThat(w.latest().require(PrintFigures.POSTS, "bar").bySection()).containsOnlyKeys("A", "B", "C", "D");
        }
    }

    @Test
    void sectionsOfOneProfileShareAndOthersDoNot() {
        var d = derive(build(p -> wishing(p, "B", SectionWish.NONE.withProfile(Optional.of(SHOP.profile("crisp")))),
                b -> b.withQueue(QueueWish.NONE.withFullPlates(true))));
        assertThat(d.require(PrintFigures.PLATES, Figure.BUILD).full()).anySatisfy(p -> assertThat(p.sections()).containsExactly(bar("B")));
        assertThat(d.require(PrintFigures.PLATES, Figure.BUILD).full().stream().flatMap(p -> p.prints().stream()).map(SectionPrint::name))
                .containsExactlyInAnyOrder("A", "B", "C", "D");
    }

    @Test
    void theLeastSumIsFoundOverAllNozzlesAndInEach() {
        var fine = new Fineness(List.of(new Fineness.Point(0.4, 0.2, 40, 10, 900, 140), new Fineness.Point(0.4, 0.3, 30, 12, 900, 200),
                new Fineness.Point(0.6, 0.3, 28, 13, 900, 200), new Fineness.Point(0.6, 0.45, 27, 20, 900, 300)));
        assertThat(fine.least().orElseThrow().nozzleMm()).isEqualTo(0.6);
        assertThat(fine.least(0.4).orElseThrow().layerMm()).isEqualTo(0.3);
        assertThat(fine.nozzles()).containsExactly(0.4, 0.6);
        assertThat(fine.least(0.8)).isEmpty();
        assertThat(fine.of(0.6).getLast().sumH()).isCloseTo(47, within(1e-12));
    }
}
