package yellowbracket.derive;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import yellowbracket.cut.CutTree;
import yellowbracket.derive.all.Everything;
import yellowbracket.derive.colour.ColourFigures;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.join.JoinFigures;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.derive.plan.ShelfFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.derive.size.SizeFigures;
import yellowbracket.derive.smooth.SmoothFigures;
import yellowbracket.derive.wear.WearFigures;
import yellowbracket.device.SimulatedWeather;
import yellowbracket.document.Build;
import yellowbracket.document.Edit;
import yellowbracket.document.Meshes;
import yellowbracket.document.SmallBuild;
import yellowbracket.export.BuildBook;
import yellowbracket.export.Export;
import yellowbracket.export.SectionFiles;
import yellowbracket.log.Entry;
import yellowbracket.mesh.Progress;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.HeadMeasures;
import yellowbracket.shop.Wearer;
import yellowbracket.size.Use;
import yellowbracket.work.Station;
import yellowbracket.work.TaskId;
import static org.awaitility.Awaitility.await;
import static org.assertj.core.api.Assertions.assertThat;

class WorkingsTest {
    private static final Clock CLOCK = Clock.fixed(Instant.parse("2026-03-30T18:00:00Z"), ZoneOffset.UTC);
    private static Derived all;

    @BeforeAll
    static void deriveOnce() {
        all = derive(SmallBuild.build());
    }

    private static Derived derive(Build b) {
        return Everything.derive(b, SmallBuild.meshes(), Catalogue.builtIn(), new SimulatedWeather(3), CLOCK, Progress.NONE);
    }

    @Test
    void everythingIsDerived() {
        for (var n : java.util.List.of(SizeFigures.FITS, SizeFigures.SCALES, CutFigures.SECTIONS, PrintFigures.PRINTS, JoinFigures.JOINS,
                SmoothFigures.SMOOTH, ColourFigures.COLOUR, WearFigures.PADS))
            assertThat(all.state(n, "helm")).as(n.name() + " " + all.reason(n, "helm")).isEqualTo(Derived.State.FRESH);
        assertThat(all.require(PlanFigures.SCHEDULE, "").conflicts()).isEmpty();
        assertThat(all.require(PlanFigures.CHANCE, "").share()).isBetween(0.0, 1.0);
        assertThat(all.require(ShelfFigures.NEEDS, "").shopping()).isNotEmpty();
        for (var s : Station.values()) assertThat(all.require(PlanFigures.SCHEDULE, "").of(s)).as(s.label()).isNotEmpty();
    }

    @Test
    void decisionsMoveTheConsequences() {
        var larger = derive(Edit.scale("helm", 1.4).change().apply(SmallBuild.build()));
        assertThat(larger.require(PrintFigures.PRINTS, "helm").hours())
                .isGreaterThan(1.2 * all.require(PrintFigures.PRINTS, "helm").hours());
        assertThat(larger.require(SmoothFigures.SMOOTH, "helm").areas().totalMm2())
                .isGreaterThan(1.5 * all.require(SmoothFigures.SMOOTH, "helm").areas().totalMm2());
        var finer = derive(Edit.profile("helm", Catalogue.builtIn().profile("crisp")).change().apply(SmallBuild.build()));
        assertThat(finer.require(PrintFigures.PRINTS, "helm").hours()).isGreaterThan(all.require(PrintFigures.PRINTS, "helm").hours());
        assertThat(finer.require(SmoothFigures.SMOOTH, "helm").hours())
                .isLessThanOrEqualTo(all.require(SmoothFigures.SMOOTH, "helm").hours() + 1e-9);
        var whole = derive(Edit.cuts("in one piece", "helm", t -> CutTree.WHOLE).change().apply(SmallBuild.build()));
        assertThat(whole.require(JoinFigures.JOINS, "helm").joins()).isEmpty();
    }

    @Test
    void theMakersJoinIsKept() {
        assertThat(all.require(JoinFigures.JOINS, "helm").join("A|B").product().name()).isEqualTo("epoxy slow");
    }

    @Test
    void whatIsLoggedIsDoneAndFailuresRaiseTheRisk() {
        assertThat(all.require(PlanFigures.SCHEDULE, "").placed(TaskId.size("helm")).orElseThrow().done()).isTrue();
        var failed = derive(SmallBuild.build().with(Entry.parse(SmallBuild.NOW, "failed A 50 %", SmallBuild.build()).orElseThrow()));
        assertThat(failed.require(PrintFigures.PRINTS, "helm").expectedHours())
                .isGreaterThan(all.require(PrintFigures.PRINTS, "helm").expectedHours());
    }

    @Test
    void oneFailureDoesNotTakeTheRestDown() {
        var odd = SmallBuild.build().with(new Wearer("Ada", HeadMeasures.of(57, 19, 15), false, 0, 1700));
        var d = derive(odd);
        assertThat(d.state(SizeFigures.WORN, "helm")).isEqualTo(Derived.State.FAILED);
        assertThat(d.state(SizeFigures.FITS, "helm")).isEqualTo(Derived.State.BLOCKED);
        assertThat(d.reason(SizeFigures.FITS, "helm")).contains("centimetres");
        assertThat(d.fresh(PlanFigures.SCHEDULE, "")).isTrue();
        var lost = Everything.derive(SmallBuild.build(), Meshes.NONE, Catalogue.builtIn(), new SimulatedWeather(3), CLOCK, Progress.NONE);
        assertThat(lost.get(PrintFigures.PRINTS, "helm")).isEmpty();
    }

    /** Deriving until {@code node} is fresh for that build. */
    private static Derived shown(Workings w, yellowbracket.document.Build b, Figure<?> node) throws Exception {
        w.show(b, SmallBuild.meshes(), "helm");
        until(() -> w.latest().build().equals(java.util.Optional.of(b)) && w.latest().fresh(node, "helm"));
        assertThat(w.latest().fresh(node, "helm")).as(node.name()).isTrue();
        return w.latest();
    }

    @Test
    void whatAPropNoLongerHasIsGone() throws Exception {
        try (var w = Everything.workings(Catalogue.builtIn(), new SimulatedWeather(3), CLOCK, new Memo(), d -> {})) {
            var worn = shown(w, SmallBuild.build(), SizeFigures.REMEDIES);
            assertThat(worn.get(SizeFigures.DONNING, "helm")).isPresent();
            assertThat(worn.require(SizeFigures.TEST_PIECES, "helm").list()).isNotEmpty();
            assertThat(worn.get(SizeFigures.CARRY, "helm")).isEmpty();
            var bare = shown(w, Edit.use("helm", Use.HELD).change().apply(SmallBuild.build()), SizeFigures.CARRY);
            for (var n : java.util.List.of(SizeFigures.FITS, SizeFigures.DONNING, WearFigures.PADS, SizeFigures.TEST_PIECES))
                assertThat(bare.get(n, "helm")).as(n.name()).isEmpty();
            var again = shown(w, SmallBuild.build(), SizeFigures.REMEDIES);
            assertThat(again.get(SizeFigures.CARRY, "helm")).isEmpty();
        }
    }

    @Test
    void aTrialInTheLogAndOtherProportionsChangeWhatFollows() {
        var tight = derive(SmallBuild.build()
                .with(Entry.parse(SmallBuild.NOW, "fit helm Ada tight 6.0 mm at 110.0 %", SmallBuild.build()).orElseThrow()));
        assertThat(tight.require(SizeFigures.SCALES, "helm").byWearer().get("Ada").lowest())
                .isGreaterThan(all.require(SizeFigures.SCALES, "helm").byWearer().get("Ada").lowest());
        assertThat(tight.require(SizeFigures.FITS, "helm").list().getFirst().room().corrected()).isTrue();
        var wide = derive(Edit.reshape("stretch", "helm", r -> r.along(1.2, 1, 1)).change().apply(SmallBuild.build()));
        assertThat(wide.require(ModelFigures.MODEL, "helm").mesh().bounds().size().x())
                .isGreaterThan(1.15 * all.require(ModelFigures.MODEL, "helm").mesh().bounds().size().x());
        assertThat(wide.require(PrintFigures.PRINTS, "helm").grams()).isGreaterThan(all.require(PrintFigures.PRINTS, "helm").grams());
    }

    @Test
    void theNewestRequestWinsAndListenersSeeOnlyItsEnd() throws Exception {
        var seen = new CopyOnWriteArrayList<Derived>();
        try (var w = Everything.workings(Catalogue.builtIn(), new SimulatedWeather(3), CLOCK, new Memo(), seen::add)) {
            for (double s = 1.1; s < 1.3; s += 0.02)
                w.show(Edit.scale("helm", s).change().apply(SmallBuild.build()), SmallBuild.meshes(), "helm");
            var last = Edit.scale("helm", 1.5).change().apply(SmallBuild.build());
            w.show(last, SmallBuild.meshes(), "helm");
            until(() -> w.latest().build().map(last::equals).orElse(false) && w.latest().fresh(ModelFigures.HEALTH, "helm"));
            assertThat(w.latest().require(SizeFigures.FITS, "helm").list().getFirst().scale()).isEqualTo(1.5);
            assertThat(seen.getLast().build()).contains(last);
            w.show(SmallBuild.build(), SmallBuild.meshes(), "helm");
            until(() -> w.latest().build().map(SmallBuild.build()::equals).orElse(false));
            assertThat(w.latest().get(PrintFigures.PRINTS, "helm")).as("old values stay until new ones come").isPresent();
            var done = new CountDownLatch(1);
            var other = Edit.scale("helm", 1.2).change().apply(SmallBuild.build());
            w.whatIf(other, SmallBuild.meshes(), (b, d) -> {
                assertThat(d.get(PlanFigures.SCHEDULE)).isPresent();
                done.countDown();
            });
            assertThat(done.await(60, TimeUnit.SECONDS)).isTrue();
        }
    }

    @Test
    void whatIfsOfAPageThatIsLeftAreNotAnswered() throws Exception {
        try (var w = Everything.workings(Catalogue.builtIn(), new SimulatedWeather(3), CLOCK, new Memo(), d -> {})) {
            w.show(SmallBuild.build(), SmallBuild.meshes(), "helm");
            var heard = new CopyOnWriteArrayList<Double>();
            for (double s : new double[] {1.21, 1.22, 1.23})
                w.whatIf(Edit.scale("helm", s).change().apply(SmallBuild.build()), SmallBuild.meshes(), (b, d) -> heard.add(s));
            w.dropWhatIfs();
            var last = new CountDownLatch(1);
            w.whatIf(Edit.scale("helm", 1.24).change().apply(SmallBuild.build()), SmallBuild.meshes(), (b, d) -> last.countDown());
            assertThat(last.await(90, TimeUnit.SECONDS)).as("the page turned to is answered").isTrue();
            assertThat(heard).isEmpty();
        }
    }

    private static void until(java.util.concurrent.Callable<Boolean> condition) {
        await().atMost(Duration.ofSeconds(90)).pollInterval(Duration.ofMillis(10)).until(condition);
    }

    @Test
    void exportsAreWholeFiles(@TempDir Path dir) throws Exception {
        var build = SmallBuild.build();
        var files = new SectionFiles("helm", 1, all.require(CutFigures.REGISTERED, "helm"),
                java.util.Optional.of(all.require(PrintFigures.PRINTS, "helm"))).write(dir).all();
        assertThat(files).contains(dir.resolve("section-A.stl"), dir.resolve(SectionFiles.ALL), dir.resolve("section-map.pdf"))
                .allSatisfy(f -> assertThat(f).isNotEmptyFile());
        assertThat(Files.readAllLines(dir.resolve("cut-list.csv"))).hasSizeGreaterThanOrEqualTo(3)
                .first()
                .asString()
                .startsWith("section,");
        var back = (yellowbracket.mesh.io.MeshFile.Read) yellowbracket.mesh.io.MeshFile.read(dir.resolve("section-A.stl"), Progress.NONE);
        assertThat(back.mesh().bounds().min().z()).isCloseTo(0, org.assertj.core.api.Assertions.within(1e-4));
        var ics = Files.readString(Export.calendar(build, all.require(PlanFigures.SCHEDULE, ""), dir.resolve("plan.ics")));
        assertThat(ics).startsWith("BEGIN:VCALENDAR").contains("SUMMARY:print A (helm)").doesNotContain("size:helm");
        assertThat(Export.log(build, dir)).hasSize(2);
        try (var pdf = org.apache.pdfbox.Loader.loadPDF(Export.sheets(build, all, dir.resolve("s.pdf")).toFile())) {
            assertThat(new org.apache.pdfbox.text.PDFTextStripper().getText(pdf)).contains("A|B", "epoxy slow", "pads for Ada");
        }
        assertThat(BuildBook.write(build, Meshes.NONE, all, dir.resolve("book"))).isNotEmpty();
        assertThat(dir.toFile().list((d, n) -> n.endsWith(".part"))).isEmpty();
    }

    /** A window that is closing may still ask: nothing is worked out any more, and nothing is thrown. */
    @Test
    void closedWorkingsAnswerNoMore() throws Exception {
        var heard = new java.util.concurrent.atomic.AtomicInteger();
        var workings = Everything.workings(Catalogue.builtIn(), new SimulatedWeather(3), CLOCK, new Memo(), d -> heard.incrementAndGet());
        workings.close();
        int before = heard.get();
        workings.show(SmallBuild.build(), SmallBuild.meshes(), "helm");
        workings.whatIf(SmallBuild.build(), SmallBuild.meshes(), (b, d) -> heard.incrementAndGet());
        await().during(Duration.ofMillis(100)).atMost(Duration.ofSeconds(2)).until(() -> heard.get() == before);
    }

    /** What a part of the model is asked for again is not made again: the same object comes back. */
    @Test
    void unchangedInputsKeepTheirResults() throws Exception {
        var latest = new java.util.concurrent.atomic.AtomicReference<>(Derived.NOTHING);
        try (var workings = Everything.workings(Catalogue.builtIn(), new SimulatedWeather(3), CLOCK, new Memo(), latest::set)) {
            var build = SmallBuild.build();
            workings.show(build, SmallBuild.meshes(), "helm");
            until(() -> latest.get().fresh(PlanFigures.CHANCE, Figure.BUILD));
            var model = latest.get().require(ModelFigures.MODEL, "helm");
            var sections = latest.get().require(CutFigures.SECTIONS, "helm");
            var again = build.withDue("later", build.due().plusDays(3));
            workings.show(again, SmallBuild.meshes(), "helm");
            until(() -> latest.get().build().equals(java.util.Optional.of(again)) && latest.get().fresh(PlanFigures.CHANCE, Figure.BUILD));
            assertThat(latest.get().require(ModelFigures.MODEL, "helm")).isSameAs(model);
            assertThat(latest.get().require(CutFigures.SECTIONS, "helm")).isSameAs(sections);
        }
    }
}
