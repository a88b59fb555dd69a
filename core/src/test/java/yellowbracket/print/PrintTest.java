package yellowbracket.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowbracket.cut.Section;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshAssert;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Printer;
import yellowbracket.work.Known;

class PrintTest {
    private static final Catalogue SHOP = Catalogue.builtIn();
    private static final Printer MID = SHOP.printers().get(0);
    private static final Printer LARGE = SHOP.printers().get(1);

    @Test
    void layersOfACubeACylinderAndATube() {
        var cube = Layers.of(Shapes.box(Vec3.ZERO, new Vec3(20, 30, 10)), Turn.NONE, 0.2);
        assertThat(cube.count()).isEqualTo(50);
        for (int i = 0; i < cube.count(); i++) {
            assertThat(cube.areaMm2(i)).isCloseTo(600, within(1e-6));
            assertThat(cube.outlineMm(i)).isCloseTo(100, within(1e-6));
        }
        var tube = Layers.of(Shapes.tube(20, 17, 0, 30, 256), Turn.NONE, 0.25);
        assertThat(tube.areaMm2(60)).isCloseTo(Math.PI * (400 - 289), within(0.5));
        assertThat(tube.outlineMm(60)).isCloseTo(2 * Math.PI * 37, within(0.2));
    }

    @Test
    void layersOfAConeAndASphereFollowTheirForm() {
        var cone = Layers.of(Shapes.lathe(new double[][] {{0, 0}, {30, 0}, {0, 60}}, false, 256), Turn.NONE, 0.2);
        for (int i = 10; i < 290; i += 20) {
            double r = 30 * (1 - (i + 0.5) * 0.2 / 60);
            assertThat(cone.areaMm2(i)).isCloseTo(Math.PI * r * r, within(0.01 * Math.PI * r * r));
            assertThat(cone.outlineMm(i)).isCloseTo(2 * Math.PI * r, within(0.01 * 2 * Math.PI * r));
        }
        var ball = Shapes.sphere(25, 128);
        assertThat(Layers.of(ball, Turn.pitch(37), 0.1).volumeMm3()).isCloseTo(ball.volumeMm3(), within(0.01 * ball.volumeMm3()));
        assertThatThrownBy(() -> Layers.of(ball, Turn.NONE, 0)).hasMessageContaining("above 0");
    }

    @Test
    void layersDoNotDependOnTheTurnForVolume() {
        var m = Shapes.cappedShell(40, 3, 50, 72, 36);
        for (var t : Turn.quarterTurns())
            assertThat(Layers.of(m, t, 0.2).volumeMm3()).isCloseTo(m.volumeMm3(), within(0.01 * m.volumeMm3()));
    }

    @Test
    void cuspIsTheStepOnSlopesAndTheBeadOnWalls() {
        assertThat(Cusp.um(0.2, 0)).isCloseTo(28, within(0.01));
        assertThat(Cusp.um(0.2, Math.cos(Math.toRadians(30)))).isCloseTo(173.8, within(1.0));
        assertThat(Cusp.um(0.2, 1)).as("a level top is one layer").isCloseTo(28, within(0.1));
        assertThat(Cusp.um(0.1, 0.5)).isCloseTo(Cusp.um(0.2, 0.5) / 2, within(1e-9));
    }

    private static Orientation only(Mesh m, Turn t) {
        var index = Bvh.of(m);
        return Orientation.choices(m, SurfaceSamples.of(m, index, 2000), SHOP.profile("usual"))
                .stream()
                .filter(o -> o.turn().equals(t))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void supportUnderATable() {
        var table = Mesh.union(
                List.of(Shapes.box(new Vec3(-5, -5, 0), new Vec3(5, 5, 40)), Shapes.box(new Vec3(-30, -30, 40.001), new Vec3(30, 30, 44))));
        var up = only(table, Turn.NONE);
        assertThat(up.supportMm3()).as("3500 mm2 of overhang, 40 mm up").isCloseTo(3500 * 40, within(0.06 * 3500 * 40));
        assertThat(up.contactMm2()).isCloseTo(3500, within(0.06 * 3500));
    }

    @Test
    void aBlockOnTheBedNeedsNoSupport() {
        assertThat(only(Shapes.box(Vec3.ZERO, new Vec3(30, 20, 10)), Turn.NONE).supportMm3()).isZero();
    }

    @Test
    void theBestWayUpOfABowlIsNotOnItsRimUp() {
        var dome = Shapes.cappedShell(50, 3, 90, 72, 24); // a half sphere, opening below
        var index = Bvh.of(dome);
        var choices = Orientation.choices(dome, SurfaceSamples.of(dome, index, 1500), SHOP.profile("usual"));
        assertThat(choices).hasSizeGreaterThanOrEqualTo(26);
        var support = choices.stream().mapToDouble(Orientation::supportMm3).sorted().toArray();
        assertThat(choices.getFirst().supportMm3()).as("far from the worst, and in the better half")
                .isLessThan(0.6 * support[support.length - 1])
                .isLessThanOrEqualTo(support[support.length / 2]);
        assertThat(Orientation.pick(choices, 1, MID).fits(1, MID)).isTrue();
        assertThat(Orientation.pick(choices, 9, MID).fits(9, MID)).isFalse();
    }

    @Test
    void halfTheLayerHeightIsTwiceTheLayersAndNearlyTwiceTheHours() {
        var m = Shapes.tube(40, 37, 0, 120, 96);
        var o = only(m, Turn.NONE);
        var fine = Estimate.of(m, o, SHOP.profile("usual").withLayerMm(0.1), SHOP.material("PLA"), MID);
        var coarse = Estimate.of(m, o, SHOP.profile("usual").withLayerMm(0.2), SHOP.material("PLA"), MID);
        assertThat(fine.layers()).isEqualTo(2 * coarse.layers());
        assertThat(fine.hours() / coarse.hours()).isBetween(1.8, 2.1);
        assertThat(fine.lowHours()).isLessThan(fine.hours());
        assertThat(fine.hours()).isCloseTo(fine.wallHours() + fine.infillHours() + fine.supportHours() + fine.otherHours(), within(1e-9));
    }

    @Test
    void aSolidWallWeighsWhatItsVolumeWeighs() {
        var m = Shapes.tube(40, 38.7, 0, 100, 128); // 1.3 mm: three lines of 0.44
        var e = Estimate.of(m, only(m, Turn.NONE), SHOP.profile("usual"), SHOP.material("PLA"), MID);
        assertThat(e.grams()).isCloseTo(m.volumeMm3() * 1.24 / 1000, within(0.03 * m.volumeMm3() * 1.24 / 1000));
    }

    @Test
    void infillSavesWeight() {
        var block = Shapes.box(Vec3.ZERO, new Vec3(60, 60, 60));
        var e = Estimate.of(block, only(block, Turn.NONE), SHOP.profile("usual"), SHOP.material("PLA"), MID);
        double solid = block.volumeMm3() * 1.24 / 1000;
        assertThat(e.grams()).isBetween(0.15 * solid, 0.35 * solid);
    }

    /** Restarting from nothing at a constant hazard: the closed form against ten thousand tries. */
    @ParameterizedTest
    @CsvSource({"10,0.01", "40,0.02", "100,0.01"})
    void expectedHoursAgreeWithASimulation(double hours, double rate) {
        var random = new Random(9);
        double sum = 0, square = 0;
        int n = 20_000;
        for (int i = 0; i < n; i++) {
            double spent = 0;
            while (true) {
                double fails = -Math.log(1 - random.nextDouble()) / rate;
                if (fails >= hours) break;
                spent += fails;
            }
            spent += hours;
            sum += spent;
            square += spent * spent;
        }
        double mean = sum / n, error = Math.sqrt((square / n - mean * mean) / n);
        assertThat(Failure.expectedHours(hours, rate)).isCloseTo(mean, within(4 * error));
        assertThat(Failure.expectedHours(hours, 0)).isEqualTo(hours);
        assertThat(Failure.success(hours, rate)).isBetween(0.0, 1.0);
    }

    @Test
    void theLogMovesTheFailureRate() {
        assertThat(Failure.learnedRate(0.002, 0, 0)).isEqualTo(0.002);
        assertThat(Failure.learnedRate(0.002, 3, 100)).isGreaterThan(0.008);
        assertThat(Failure.learnedRate(0.002, 0, 1000)).isLessThan(0.001);
    }

    private static PrintPlan plan(List<Section> sections, List<Printer> printers) {
        Map<String, List<Orientation>> choices = new HashMap<>();
        for (var s : sections) {
            var index = Bvh.of(s.mesh());
            choices.put(s.name(), Orientation.choices(s.mesh(), SurfaceSamples.of(s.mesh(), index, 400), SHOP.profile("usual")));
        }
        return PrintPlan.of(sections, choices, 1, SHOP.profile("usual"), printers, SHOP);
    }

    private static Section box(String name, double x, double y, double z) {
        return new Section(Known.p(name), Shapes.box(Vec3.ZERO, new Vec3(x, y, z)), true);
    }

    @Test
    void longPrintsAreSharedBetweenPrinters() {
        var p = plan(List.of(box("A", 100, 100, 100), box("B", 100, 100, 100), box("C", 40, 40, 40), box("D", 40, 40, 40)),
                List.of(MID, LARGE));
        assertThat(p.print("A").printer()).isNotEqualTo(p.print("B").printer());
        assertThat(p.findings()).isEmpty();
        assertThat(p.expectedHours()).isGreaterThan(p.hours());
    }

    @Test
    void onlyTheLargeBedTakesTheLargeSection() {
        assertThat(plan(List.of(box("A", 280, 60, 60)), List.of(MID, LARGE)).print("A").printer()).isEqualTo(LARGE);
        var none = plan(List.of(box("A", 500, 300, 300)), List.of(MID, LARGE));
        assertThat(none.findings()).singleElement().asString().contains("section A", "fits no printer", "cut it again");
        assertThat(plan(List.of(box("A", 50, 50, 50)), List.of()).findings()).singleElement().asString().contains("no printer");
    }

    @Test
    void impossibleProfilesAndPrintersAreTold() {
        assertThat(SHOP.profile("usual").withLayerMm(0.5).check()).singleElement().asString().contains("three quarters");
        assertThat(SHOP.profile("usual").withWalls(0).check()).hasSize(1);
        assertThat(Printer.of("tiny", 15, 15, 15, 5, 0.4, 100, 0, 0).check()).singleElement()
                .asString()
                .contains("less than any section needs");
        assertThat(Printer.of("odd", 200, 200, 200, 5, 0, 0, 0, 0).check()).hasSize(2);
        SHOP.profiles().forEach(p -> assertThat(p.check()).as(p.name()).isEmpty());
    }

    /** Upright bar of 20 x 20 x 100 mm, every layer alike. */
    private static SectionPrint bar(Mesh m) {
        var index = Bvh.of(m);
        var way = Orientation.of(m, SurfaceSamples.of(m, index, 400), SHOP.profile("usual"), Turn.NONE);
        var printer = SHOP.printers().getFirst();
        return new SectionPrint(Known.p("A"), way, SHOP.profile("usual"), printer,
                Estimate.of(m, way, SHOP.profile("usual"), SHOP.material("PLA"), printer), true);
    }

    @Test
    void whatIsMissingOfAFailedPrintIsCutAtTheHeightReached() {
        var m = Shapes.box(new Vec3(0, 0, 30), new Vec3(20, 20, 130));
        var s = Salvage.of(m, bar(m), 0.62, Catalogue.builtIn());
        assertThat(s.heightMm()).isCloseTo(62, within(0.2));
        assertThat(s.missingMm()).isCloseTo(38, within(0.2));
        assertThat(s.plane().normal()).isEqualTo(Vec3.Z);
        assertThat(s.plane().offsetMm()).isCloseTo(92, within(0.2));
        var rest = s.rest(m);
        MeshAssert.assertClosed(rest);
        assertThat(rest.bounds().min().z()).isCloseTo(0, within(1e-9));
        assertThat(rest.volumeMm3()).isCloseTo(400 * s.missingMm(), within(1e-6));
        assertThat(s.options()).extracting(Salvage.Option::way).containsExactlyInAnyOrder(Salvage.Way.REST, Salvage.Way.AGAIN);
        assertThat(s.options().stream().filter(o -> o.way() == Salvage.Way.REST).findFirst().orElseThrow().seamMm()).isCloseTo(80,
                within(1e-6));
        assertThat(Salvage.atHeight(m, bar(m), 62, Catalogue.builtIn()).share()).isCloseTo(0.62, within(0.01));
    }

    @Test
    void aLongPrintIsSavedAndAShortOneBegunAgain() {
        var tall = Shapes.box(Vec3.ZERO, new Vec3(60, 60, 240));
        var late = Salvage.of(tall, bar(tall), 0.9, Catalogue.builtIn());
        assertThat(late.options().getFirst().way()).isEqualTo(Salvage.Way.REST);
        assertThat(late.lostHours()).isCloseTo(0.9 * bar(tall).hours(), within(1e-9));
        var early = Salvage.of(tall, bar(tall), 0.02, Catalogue.builtIn());
        assertThat(early.options().getFirst().way()).isEqualTo(Salvage.Way.AGAIN);
        var nearly = Salvage.of(tall, bar(tall), 0.98, Catalogue.builtIn());
        assertThat(nearly.options().getFirst().way()).as("under 5 mm: one coat").isEqualTo(Salvage.Way.FILL);
        assertThat(nearly.options()).isSortedAccordingTo(java.util.Comparator.comparingDouble(Salvage.Option::hours));
    }
}
