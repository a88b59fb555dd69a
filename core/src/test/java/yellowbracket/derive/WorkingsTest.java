package yellowbracket.derive;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import yellowbracket.cut.CutTree;
import yellowbracket.device.SimulatedWeather;
import yellowbracket.document.Build;
import yellowbracket.document.Edit;
import yellowbracket.document.Meshes;
import yellowbracket.export.Export;
import yellowbracket.export.SectionFiles;
import yellowbracket.log.Entry;
import yellowbracket.mesh.Progress;
import yellowbracket.plan.Station;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.HeadMeasures;
import yellowbracket.shop.Wearer;

class WorkingsTest {
    private static final Clock CLOCK = Clock.fixed(Instant.parse("2026-03-30T18:00:00Z"), ZoneOffset.UTC);
    private static Derived all;

    @BeforeAll
    static void deriveOnce() {
        all = derive(DocumentTest.build());
    }

    private static Derived derive(Build b) {
        return Workings.derive(b, DocumentTest.meshes(), Catalogue.builtIn(), new SimulatedWeather(3), CLOCK, Progress.NONE);
    }

    @Test
    void everythingIsDerived() {
        for (var n : java.util.List.of(Node.FITS, Node.SCALES, Node.SECTIONS, Node.PRINTS, Node.JOINS, Node.SMOOTH, Node.COLOUR, Node.PADS))
            assertThat(all.state(n, "helm")).as(n.name() + " " + all.reason(n, "helm")).isEqualTo(Derived.State.FRESH);
        assertThat(all.require(Node.SCHEDULE, "").conflicts()).isEmpty();
        assertThat(all.require(Node.CHANCE, "").share()).isBetween(0.0, 1.0);
        assertThat(all.require(Node.NEEDS, "").shopping()).isNotEmpty();
        for (var s : Station.values()) assertThat(all.require(Node.SCHEDULE, "").of(s)).as(s.label()).isNotEmpty();
    }

    @Test
    void decisionsMoveTheConsequences() {
        var larger = derive(Edit.scale("helm", 1.4).change().apply(DocumentTest.build()));
        assertThat(larger.require(Node.PRINTS, "helm").hours()).isGreaterThan(1.2 * all.require(Node.PRINTS, "helm").hours());
        assertThat(larger.require(Node.SMOOTH, "helm").areas().totalMm2())
                .isGreaterThan(1.5 * all.require(Node.SMOOTH, "helm").areas().totalMm2());
        var finer = derive(Edit.profile("helm", Catalogue.builtIn().profile("crisp")).change().apply(DocumentTest.build()));
        assertThat(finer.require(Node.PRINTS, "helm").hours()).isGreaterThan(all.require(Node.PRINTS, "helm").hours());
        assertThat(finer.require(Node.SMOOTH, "helm").hours()).isLessThanOrEqualTo(all.require(Node.SMOOTH, "helm").hours() + 1e-9);
        var whole = derive(Edit.cuts("in one piece", "helm", t -> CutTree.WHOLE).change().apply(DocumentTest.build()));
        assertThat(whole.require(Node.JOINS, "helm").joins()).isEmpty();
    }

    @Test
    void theMakersJoinIsKept() {
        assertThat(all.require(Node.JOINS, "helm").join("A|B").product().name()).isEqualTo("epoxy slow");
    }

    @Test
    void whatIsLoggedIsDoneAndFailuresRaiseTheRisk() {
        assertThat(all.require(Node.SCHEDULE, "").placed("size:helm").orElseThrow().done()).isTrue();
        var failed = derive(DocumentTest.build().with(Entry.parse(DocumentTest.NOW, "failed A 50 %").orElseThrow()));
        assertThat(failed.require(Node.PRINTS, "helm").expectedHours()).isGreaterThan(all.require(Node.PRINTS, "helm").expectedHours());
    }

    @Test
    void oneFailureDoesNotTakeTheRestDown() {
        var odd = DocumentTest.build().with(new Wearer("Ada", HeadMeasures.of(57, 19, 15), false, 0, 1700));
        var d = derive(odd);
        assertThat(d.state(Node.FITS, "helm")).isEqualTo(Derived.State.FAILED);
        assertThat(d.reason(Node.FITS, "helm")).contains("centimetres");
        assertThat(d.fresh(Node.SCHEDULE, "")).isTrue();
        var lost = Workings.derive(DocumentTest.build(), Meshes.NONE, Catalogue.builtIn(), new SimulatedWeather(3), CLOCK, Progress.NONE);
        assertThat(lost.get(Node.PRINTS, "helm")).isEmpty();
    }

    /** Deriving until {@code node} is fresh for that build. */
    private static Derived shown(Workings w, yellowbracket.document.Build b, Node<?> node) throws Exception {
        w.show(b, DocumentTest.meshes(), "helm");
        for (int i = 0; i < 600 && !(w.latest().build().equals(java.util.Optional.of(b)) && w.latest().fresh(node, "helm")); i++)
            Thread.sleep(50);
        assertThat(w.latest().fresh(node, "helm")).as(node.name()).isTrue();
        return w.latest();
    }

    @Test
    void whatAPropNoLongerHasIsGone() throws Exception {
        try (var w = new Workings(Catalogue.builtIn(), new SimulatedWeather(3), CLOCK, d -> {})) {
            var worn = shown(w, DocumentTest.build(), Node.REMEDIES);
            assertThat(worn.get(Node.DONNING, "helm")).isPresent();
            assertThat(worn.require(Node.TEST_PIECES, "helm").list()).isNotEmpty();
            assertThat(worn.get(Node.CARRY, "helm")).isEmpty();
            var bare = shown(w, Edit.wearers("helm", java.util.List.of()).change().apply(DocumentTest.build()), Node.CARRY);
            for (var n : java.util.List.of(Node.FITS, Node.DONNING, Node.PADS, Node.TEST_PIECES))
                assertThat(bare.get(n, "helm")).as(n.name()).isEmpty();
            var again = shown(w, DocumentTest.build(), Node.REMEDIES);
            assertThat(again.get(Node.CARRY, "helm")).isEmpty();
        }
    }

    @Test
    void aTrialInTheLogAndOtherProportionsChangeWhatFollows() {
        var tight = derive(DocumentTest.build().with(Entry.parse(DocumentTest.NOW, "fit helm Ada tight 6.0 mm at 110.0 %").orElseThrow()));
        assertThat(tight.require(Node.SCALES, "helm").byWearer().get("Ada").lowest())
                .isGreaterThan(all.require(Node.SCALES, "helm").byWearer().get("Ada").lowest());
        assertThat(tight.require(Node.FITS, "helm").list().getFirst().room().corrected()).isTrue();
        var wide = derive(Edit.reshape("stretch", "helm", r -> r.along(1.2, 1, 1)).change().apply(DocumentTest.build()));
        assertThat(wide.require(Node.MODEL, "helm").mesh().bounds().size().x())
                .isGreaterThan(1.15 * all.require(Node.MODEL, "helm").mesh().bounds().size().x());
        assertThat(wide.require(Node.PRINTS, "helm").grams()).isGreaterThan(all.require(Node.PRINTS, "helm").grams());
    }

    @Test
    void theNewestRequestWinsAndListenersSeeOnlyItsEnd() throws Exception {
        var seen = new CopyOnWriteArrayList<Derived>();
        try (var w = new Workings(Catalogue.builtIn(), new SimulatedWeather(3), CLOCK, seen::add)) {
            for (double s = 1.1; s < 1.3; s += 0.02)
                w.show(Edit.scale("helm", s).change().apply(DocumentTest.build()), DocumentTest.meshes(), "helm");
            var last = Edit.scale("helm", 1.5).change().apply(DocumentTest.build());
            w.show(last, DocumentTest.meshes(), "helm");
            until(() -> w.latest().build().map(last::equals).orElse(false) && w.latest().fresh(Node.HEALTH, "helm"));
            assertThat(w.latest().require(Node.FITS, "helm").list().getFirst().scale()).isEqualTo(1.5);
            assertThat(seen.getLast().build()).contains(last);
            w.show(DocumentTest.build(), DocumentTest.meshes(), "helm");
            until(() -> w.latest().build().map(DocumentTest.build()::equals).orElse(false));
            assertThat(w.latest().get(Node.PRINTS, "helm")).as("old values stay until new ones come").isPresent();
            var done = new CountDownLatch(1);
            var other = Edit.scale("helm", 1.2).change().apply(DocumentTest.build());
            w.whatIf(other, DocumentTest.meshes(), (b, d) -> {
                assertThat(d.get(Node.SCHEDULE)).isPresent();
                done.countDown();
            });
            assertThat(done.await(60, TimeUnit.SECONDS)).isTrue();
        }
    }

    private static void until(BooleanSupplier condition) throws InterruptedException {
        var end = Instant.now().plus(Duration.ofSeconds(90));
        while (!condition.getAsBoolean()) {
            assertThat(Instant.now()).as("gave up waiting").isBefore(end);
            Thread.sleep(20);
        }
    }

    @Test
    void exportsAreWholeFiles(@TempDir Path dir) throws Exception {
        var build = DocumentTest.build();
        var files = new SectionFiles("helm", 1, all.require(Node.REGISTERED, "helm"),
                java.util.Optional.of(all.require(Node.PRINTS, "helm"))).write(dir).all();
        assertThat(files).contains(dir.resolve("section-A.stl"), dir.resolve(SectionFiles.ALL), dir.resolve("section-map.pdf"))
                .allSatisfy(f -> assertThat(f).isNotEmptyFile());
        assertThat(Files.readAllLines(dir.resolve("cut-list.csv"))).hasSizeGreaterThanOrEqualTo(3)
                .first()
                .asString()
                .startsWith("section,");
        var back = (yellowbracket.mesh.io.MeshFile.Read) yellowbracket.mesh.io.MeshFile.read(dir.resolve("section-A.stl"), Progress.NONE);
        assertThat(back.mesh().bounds().min().z()).isCloseTo(0, org.assertj.core.api.Assertions.within(1e-4));
        var ics = Files.readString(Export.calendar(build, all.require(Node.SCHEDULE, ""), dir.resolve("plan.ics")));
        assertThat(ics).startsWith("BEGIN:VCALENDAR").contains("SUMMARY:print A (helm)").doesNotContain("size:helm");
        assertThat(Export.log(build, dir)).hasSize(2);
        try (var pdf = org.apache.pdfbox.Loader.loadPDF(Export.sheets(build, all, dir.resolve("s.pdf")).toFile())) {
            assertThat(new org.apache.pdfbox.text.PDFTextStripper().getText(pdf)).contains("A|B", "epoxy slow", "pads for Ada");
        }
        assertThat(Export.book(build, all, dir.resolve("b.pdf"))).isNotEmptyFile();
        assertThat(dir.toFile().list((d, n) -> n.endsWith(".part"))).isEmpty();
    }

    /** A window that is closing may still ask: nothing is worked out any more, and nothing is thrown. */
    @Test
    void closedWorkingsAnswerNoMore() throws Exception {
        var heard = new java.util.concurrent.atomic.AtomicInteger();
        var workings = new Workings(Catalogue.builtIn(), new SimulatedWeather(3), CLOCK, d -> heard.incrementAndGet());
        workings.close();
        int before = heard.get();
        workings.show(DocumentTest.build(), DocumentTest.meshes(), "helm");
        workings.whatIf(DocumentTest.build(), DocumentTest.meshes(), (b, d) -> heard.incrementAndGet());
        Thread.sleep(100);
        assertThat(heard.get()).isEqualTo(before);
    }

    /** What a part of the model is asked for again is not made again: the same object comes back. */
    @Test
    void unchangedInputsKeepTheirResults() throws Exception {
        var latest = new java.util.concurrent.atomic.AtomicReference<>(Derived.NOTHING);
        try (var workings = new Workings(Catalogue.builtIn(), new SimulatedWeather(3), CLOCK, latest::set)) {
            var build = DocumentTest.build();
            workings.show(build, DocumentTest.meshes(), "helm");
            until(() -> latest.get().fresh(Node.CHANCE, Node.BUILD));
            var model = latest.get().require(Node.MODEL, "helm");
            var sections = latest.get().require(Node.SECTIONS, "helm");
            var again = build.withDue("later", build.due().plusDays(3));
            workings.show(again, DocumentTest.meshes(), "helm");
            until(() -> latest.get().build().equals(java.util.Optional.of(again)) && latest.get().fresh(Node.CHANCE, Node.BUILD));
            assertThat(latest.get().require(Node.MODEL, "helm")).isSameAs(model);
            assertThat(latest.get().require(Node.SECTIONS, "helm")).isSameAs(sections);
        }
    }
}
