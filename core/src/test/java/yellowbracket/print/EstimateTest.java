package yellowbracket.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Comparator;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Profile;
import yellowbracket.shop.Speeds;
import yellowbracket.work.Known;

/** What an estimate owes to each figure of a profile and a printer, and ways up of any shape. */
class EstimateTest {
    private static final Catalogue SHOP = Catalogue.builtIn();
    private static final Printer MID = SHOP.printers().getFirst();
    private static final Profile USUAL = SHOP.profile("usual");
    private static final Mesh TUBE = Shapes.tube(40, 37, 0, 120, 128);

    private static Orientation upright(Mesh m, Profile profile) {
        return Orientation.of(m, SurfaceSamples.of(m, Bvh.of(m), 300), profile, Turn.NONE);
    }

    private static Estimate of(Mesh m, Profile profile, Printer printer) {
        return Estimate.of(m, upright(m, profile), profile, SHOP.material(profile.material()), printer);
    }

    private static Profile at(Speeds speeds) {
        return USUAL.withSpeeds(speeds);
    }

    static Stream<Arguments> solids() {
        double[][] cone = {{0, 0}, {22, 0}, {4, 26}, {0, 26}}, bell = {{0, 0}, {9, 0}, {22, 8}, {19, 20}, {6, 28}, {0, 28}};
        return Stream.of(Arguments.of("box", Shapes.box(Vec3.ZERO, new Vec3(30, 22, 18))), Arguments.of("ball", Shapes.sphere(16, 64)),
                Arguments.of("egg", Shapes.ellipsoid(20, 14, 10, 64, 48)), Arguments.of("ring", Shapes.torus(18, 7, 64, 32)),
                Arguments.of("cone", Shapes.lathe(cone, false, 96)), Arguments.of("bell", Shapes.lathe(bell, false, 96)),
                Arguments.of("leaning", leaning(Shapes.tube(15, 6, 0, 28, 64), 0.6)),
                Arguments.of("cup", Shapes.cappedShell(20, 3, 70, 48, 32)), Arguments.of("lump", Shapes.bumpySphere(15, 4000)));
    }

    private static Mesh leaning(Mesh m, double share) {
        return m.mapped(p -> new Vec3(p.x() + share * p.z(), p.y(), p.z()));
    }

    /** Against walls, skin and infill counted cell by cell. */
    @ParameterizedTest(name = "{0}")
    @MethodSource("solids")
    void theWeightIsThatOfItsLayers(String name, Mesh m) {
        var hard = SHOP.profile("solid to sand hard"); // six walls: how they turn round a hole is not known
        double usual = LayerRaster.plasticMm3(m, USUAL), walls = LayerRaster.plasticMm3(m, hard);
        double density = SHOP.material(USUAL.material()).densityGcm3() / 1000;
        assertThat(of(m, USUAL, MID).grams() / density / usual).isCloseTo(1, within(0.02));
        assertThat(of(m, hard, MID).grams() / density / walls).isCloseTo(1, within(0.025));
    }

    @Test
    void halfTheSpeedIsTwiceTheHoursOfThePath() {
        var usual = of(TUBE, USUAL, MID);
        var slow = of(TUBE, at(USUAL.speeds().times(0.5)), MID);
        assertThat(slow.wallHours()).isCloseTo(2 * usual.wallHours(), within(1e-9));
        assertThat(slow.infillHours()).isCloseTo(2 * usual.infillHours(), within(1e-9));
        assertThat(slow.grams()).isEqualTo(usual.grams());
    }

    @Test
    void aPrinterThatIsSlowerHoldsBackAndOneThatIsFasterChangesNothing() {
        var half = Printer.of("slow", 220, 220, 250, 5, 0.4, 55, 0.002, 0.1);
        var quick = Printer.of("quick", 220, 220, 250, 5, 0.4, 900, 0.002, 0.1);
        assertThat(of(TUBE, USUAL, half).wallHours()).isCloseTo(2 * of(TUBE, USUAL, MID).wallHours(), within(1e-9));
        assertThat(of(TUBE, USUAL, quick).wallHours()).isCloseTo(of(TUBE, USUAL, MID).wallHours(), within(1e-9));
    }

    /** 0.88 x 0.6 mm at 110 mm/s would be 58 mm3/s: the hot end melts 15, so hours follow the volume. */
    @Test
    void noFasterThanTheHotEndMelts() {
        var wide = USUAL.withNozzle(0.8).withLayerMm(0.6).withWalls(1);
        var e = of(TUBE, wide, MID);
        double volume = e.grams() / 1.24 * 1000;
        assertThat(e.wallHours() + e.infillHours()).isGreaterThan(volume / MID.flowMm3S() * wide.speeds().acceleration() / 3600 * 0.999);
        assertThat(of(TUBE, wide.withLayerMm(0.3), MID).wallHours()).as("half the layer, the same flow")
                .isCloseTo(e.wallHours(), within(0.05 * e.wallHours()));
    }

    @Test
    void thePrintersFactorScalesAllOfIt() {
        var learned = MID.learned(1.25, MID.failuresPerHour());
        assertThat(of(TUBE, USUAL, learned).hours()).isCloseTo(1.25 * of(TUBE, USUAL, MID).hours(), within(1e-9));
        assertThat(of(TUBE, USUAL, learned).grams()).isEqualTo(of(TUBE, USUAL, MID).grams());
    }

    @Test
    void aBrimAddsItsRingAndARaftItsLayers() {
        var plain = of(TUBE, USUAL, MID);
        var brim = of(TUBE, USUAL.withBrimMm(8), MID);
        double ring = 8 * (2 * Math.PI * 77 / 2 + Math.PI * 8) * USUAL.layerMm() * 1.24 / 1000;
        assertThat(brim.supportGrams() - plain.supportGrams()).as("half the outline is outside").isCloseTo(ring, within(0.02 * ring));
        assertThat(brim.hours()).isGreaterThan(plain.hours());
        var raft = of(TUBE, USUAL.withRaftLayers(3), MID);
        assertThat(raft.supportGrams()).isGreaterThan(brim.supportGrams() / 10).isGreaterThan(plain.supportGrams());
        assertThat(of(TUBE, USUAL.withRaftLayers(6), MID).supportGrams()).isCloseTo(2 * raft.supportGrams() - plain.supportGrams(),
                within(1e-9));
    }

    @Test
    void costIsFilamentAndHours() {
        var e = of(TUBE, USUAL, MID);
        assertThat(e.cost()).isCloseTo((e.grams() + e.supportGrams()) / 1000 * 22 + e.hours() * 0.12, within(1e-9));
        assertThat(e.metres()).isCloseTo((e.grams() + e.supportGrams()) / 1.24 * 1000 / (Math.PI * 1.75 * 1.75 / 4) / 1000, within(1e-9));
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.08, 0.12, 0.28, 0.4})
    void layersReadAtAnotherHeightAreThoseCutThere(double layer) {
        for (var m : new Mesh[] {TUBE, Shapes.sphere(30, 96), Shapes.lathe(new double[][] {{0, 0}, {30, 0}, {0, 60}}, false, 96)}) {
            var cut = Layers.of(m, Turn.NONE, layer);
            var read = Layers.of(m, Turn.NONE, 0.2).resampled(layer);
            assertThat(read.count()).isEqualTo(cut.count());
            assertThat(read.volumeMm3()).isCloseTo(cut.volumeMm3(), within(0.005 * cut.volumeMm3()));
            double a = 0, b = 0;
            for (int i = 0; i < cut.count(); i++) {
                a += cut.outlineMm(i);
                b += read.outlineMm(i);
            }
            assertThat(b).isCloseTo(a, within(0.005 * a));
        }
    }

    static IntStream seeds() {
        return IntStream.range(0, 8);
    }

    private static Mesh shape(int seed) {
        var random = new Random(seed);
        var m = switch (seed % 4) {
            case 0 -> Shapes.box(Vec3.ZERO, new Vec3(10 + random.nextInt(60), 10 + random.nextInt(60), 10 + random.nextInt(60)));
            case 1 -> Shapes.tube(20 + random.nextInt(20), 15, 0, 20 + random.nextInt(60), 48);
            case 2 -> Shapes.cappedShell(40, 3, 40 + random.nextInt(80), 48, 20);
            default -> Shapes.lathe(new double[][] {{0, 0}, {10 + random.nextInt(30), 0}, {0, 20 + random.nextInt(50)}}, false, 48);
        };
        return m.turned(Turn.about(new Vec3(random.nextGaussian(), random.nextGaussian(), random.nextGaussian()).unit(),
                360 * random.nextDouble()));
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void everyWayUpIsATurnWithItsOwnSizeAndEachAimHasItsBestAmongTheChoices(int seed) {
        var m = shape(seed);
        var all = Orientation.choices(m, SurfaceSamples.of(m, Bvh.of(m), 300), USUAL);
        assertThat(all).hasSizeGreaterThanOrEqualTo(20).isSortedAccordingTo(Comparator.comparingDouble(Orientation::cost));
        for (var o : all) {
            var t = o.turn();
            assertThat(t.row0().cross(t.row1()).minus(t.row2()).norm()).as("a rotation, not a mirror image").isLessThan(1e-9);
            assertThat(o.size().minus(m.turned(t).bounds().size()).norm()).isLessThan(1e-9);
            assertThat(o.showContactMm2()).isLessThanOrEqualTo(o.contactMm2() + 1e-9);
            assertThat(o.quarter().size().x()).isEqualTo(o.size().y());
        }
        var best = Orientation.pareto(all, 1, MID, 6);
        assertThat(best.size()).isBetween(1, 6);
        for (var aim : Orientation.Aim.values()) assertThat(best.values()).as(aim.words()).anySatisfy(a -> assertThat(a).contains(aim));
        assertThat(Orientation.Aim.LOW.best(all, 1, MID).size().z())
                .isCloseTo(all.stream().filter(o -> o.fits(1, MID)).mapToDouble(o -> o.size().z()).min().orElseThrow(), within(0.1));
        assertThat(Orientation.Aim.CLEAN.best(all, 1, MID).showContactMm2()).isCloseTo(
                all.stream().filter(o -> o.fits(1, MID)).mapToDouble(Orientation::showContactMm2).min().orElseThrow(), within(1.0));
    }

    @Test
    void aLongSectionIsLaidAcrossTheBedWhenOnlySoItFits() {
        var narrow = Printer.of("narrow", 60, 300, 100, 0, 0.4, 100, 0, 0);
        var plank = upright(Shapes.box(Vec3.ZERO, new Vec3(200, 40, 10)), USUAL);
        assertThat(plank.fits(1, narrow)).isTrue();
        assertThat(plank.laid(1, narrow).size()).isEqualTo(new Vec3(40, 200, 10));
        assertThat(plank.laid(1, MID)).isEqualTo(plank);
        assertThat(plank.laid(1, narrow).turn().apply(Vec3.X).y()).as("the long side goes along y").isCloseTo(1, within(1e-12));
    }

    @Test
    void onePieceAgainstManyIsWorseTheMoreFails() {
        var way = upright(TUBE, USUAL);
        for (double rate : new double[] {0.001, 0.01}) {
            var printer = MID.learned(1, rate);
            var whole = OnePiece.of(new SectionPrint(Known.p("all"), way, USUAL, printer,
                    new Estimate(1, 100, 85, 115, 900, 100, 0, 0, 90, 5, 0, 5), false));
            double parts = 10 * Failure.expectedHours(10, rate);
            assertThat(whole.expectedHours()).isGreaterThan(parts);
            assertThat(whole.expectedGrams()).isCloseTo(1000 * whole.expectedHours() / 100, within(1e-9));
            assertThat(whole.success()).isCloseTo(Math.exp(-100 * rate), within(1e-12));
        }
        assertThat(Failure.expectedGrams(50, 0, 0.1)).isEqualTo(50);
        assertThat(Optional.of(whole())).get().extracting(OnePiece::fits).isEqualTo(true);
    }

    private static OnePiece whole() {
        return OnePiece.of(new SectionPrint(Known.p("all"), upright(TUBE, USUAL), USUAL, MID, of(TUBE, USUAL, MID), true));
    }
}
