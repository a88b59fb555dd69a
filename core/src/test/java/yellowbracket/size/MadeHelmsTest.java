package yellowbracket.size;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BiPredicate;
import java.util.function.DoubleBinaryOperator;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.MeshAssert;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.shop.HeadMeasures;
import yellowbracket.shop.Wearer;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

/** Poses and scales on ten helms of other shapes than the demo's, against brute force and against what a scale is told to be. */
class MadeHelmsTest {
    private static final Wearer WEARER = head(572);
    private static final HeadForm FORM = HeadForm.of(WEARER);
    private static final Room RULE = Room.of(WEARER);

    private static Wearer head(double round) {
        return new Wearer("Ada", HeadMeasures.of(round, 0.342 * round, 0.267 * round), false, 6, 1700);
    }

    static Stream<MadeHelm> helms() {
        DoubleBinaryOperator plain = (a, e) -> 0, ribs = (a, e) -> 0.03 * Math.cos(Math.toRadians(6 * a)),
                dent = (a, e) -> -0.07 * Math.exp(-((a - 70) * (a - 70) + (e - 20) * (e - 20)) / 500),
                square = (a, e) -> 0.05 * Math.cos(Math.toRadians(4 * a)) * Math.cos(Math.toRadians(e)),
                narrow = (a, e) -> -0.05 * Math.pow(Math.cos(Math.toRadians(a)), 2) * Math.cos(Math.toRadians(e)),
                lumpy = (a, e) -> 0.054 * Math.sin(Math.toRadians(3 * a + 40)) * Math.cos(Math.toRadians(e))
                        + 0.04 * Math.cos(Math.toRadians(5 * a)) * Math.sin(Math.toRadians(2 * e))
                        + 0.03 * Math.sin(Math.toRadians(7 * e + 2 * a));
        BiPredicate<Double, Double> slit = MadeHelm.slit(50, -6, 6), low = MadeHelm.slit(40, -14, -4), wide = MadeHelm.slit(75, -20, 16),
                holes = MadeHelm.holes(16, 8, -5, 7);
        return Stream.of(new MadeHelm("plain", 112, 132, 150, 4, plain, slit), new MadeHelm("round", 130, 130, 140, 3, plain, slit),
                new MadeHelm("deep", 105, 150, 150, 4, plain, slit), new MadeHelm("flat", 125, 125, 125, 5, plain, slit),
                new MadeHelm("ribbed", 115, 135, 150, 3, ribs, slit), new MadeHelm("dented", 116, 136, 148, 4, dent, slit),
                new MadeHelm("square", 112, 130, 150, 4, square, low), new MadeHelm("pinched", 116, 140, 152, 4, narrow, slit),
                new MadeHelm("open faced", 112, 130, 146, 4, plain, wide), new MadeHelm("two holes", 113, 134, 150, 4, plain, holes),
                new MadeHelm("lumpy", 112, 132, 144, 2.6, lumpy, slit));
    }

    private static double spare(Cavity cavity, double scale, Pose pose) {
        return Fit.worst(Clearance.of(FORM, cavity, scale, pose), RULE, false).spare();
    }

    @ParameterizedTest
    @MethodSource("helms")
    void noPoseOfAGridLeavesHalfAMillimetreMore(MadeHelm helm) {
        MeshAssert.assertClosed(helm.mesh());
        var cavity = helm.cavity();
        double scale = 1.06, best = Double.NEGATIVE_INFINITY;
        double found = spare(cavity, scale, new PoseSearch(FORM, cavity, RULE, scale).run());
        for (double forward = -20; forward <= 20; forward += 4)
            for (double eyes = -4; eyes <= 4; eyes += 2) for (double pitch = -2; pitch <= 2; pitch += 2) {
                double up = cavity.visorZ().orElseThrow() * scale + eyes - new Pose(0, 0, pitch).place(FORM.eye(1)).z();
                best = Math.max(best, spare(cavity, scale, new Pose(cavity.middleY() * scale + forward, up, pitch)));
            }
        assertThat(found).as(helm.name()).isGreaterThan(best - 0.5);
    }

    /** Of each kind one: a scale takes a second. */
    static Stream<MadeHelm> some() {
        return helms().filter(h -> List.of("round", "lumpy", "dented", "two holes").contains(h.name()));
    }

    @ParameterizedTest
    @MethodSource("some")
    void atItsLowestAHelmHasJustTheLeastAndABiggerHeadNeedsABiggerOne(MadeHelm helm) {
        var cavity = helm.cavity();
        var lowest = new ArrayList<Double>();
        for (double round : new double[] {560, 590}) {
            var form = HeadForm.of(head(round));
            var room = Room.of(head(round));
            var scales = Fit.scales(room, form, cavity, Progress.NONE);
            assertThat(scales.fits()).isTrue();
            assertThat(scales.lowest()).isLessThanOrEqualTo(scales.recommended());
            assertThat(scales.recommended()).isLessThanOrEqualTo(scales.highest());
            var at = Fit.of(room, form, cavity, scales.lowest(), scales);
            for (var z : at.clearance().zones())
                if (z.zone() != Zone.NECK) assertThat(z.minMm()).as(z.zone().label()).isGreaterThan(room.leastMm(z.zone()) - 0.1);
            var below = Fit.of(room, form, cavity, 0.995 * scales.lowest(), scales);
            assertThat(Fit.worst(below.clearance(), room, false).spare()).as("half a per cent less").isNegative();
            lowest.add(scales.lowest());
        }
        assertThat(lowest.get(1)).isGreaterThan(lowest.get(0));
    }

    @Test
    void twoEyeOpeningsAreFoundWhereTheyAre() {
        var helm = helms().filter(h -> h.name().equals("two holes")).findFirst().orElseThrow();
        var cavity = helm.cavity();
        assertThat(cavity.visorZ().orElseThrow()).isCloseTo(134 * Math.tan(Math.toRadians(1)), within(5.0));
        var scales = Fit.scales(RULE, FORM, cavity, Progress.NONE);
        var fit = Fit.of(RULE, FORM, cavity, scales.recommended(), scales);
        assertThat(fit.vision().openShare()).isGreaterThan(0.02);
        assertThat(fit.findings()).noneMatch(f -> f.words().contains("no visor"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"plain", "two holes"})
    void aHelmThatFacesAnotherWayIsAStopWithTheTurnThatMendsIt(String name) {
        var helm = helms().filter(h -> h.name().equals(name)).findFirst().orElseThrow();
        var mesh = helm.mesh();
        for (String side : List.of("left", "back", "right")) {
            mesh = mesh.turned(Turn.quarter(2));
            var cavity = Cavity.of(mesh, Bvh.of(mesh));
            var scales = new Fit.Scales(1, "", 1.06, "", 1.1, "", true);
            var finding = Fit.of(RULE, FORM, cavity, 1.06, scales).findings().getFirst();
            assertThat(finding.weight()).isEqualTo(Weight.STOP);
            assertThat(Fit.of(RULE, FORM, cavity, 1.06, scales).findings()).anyMatch(f -> f.words().contains("an opening at the " + side));
            var mended = mesh.turned(cavity.toFront().orElseThrow());
            assertThat(Cavity.of(mended, Bvh.of(mended)).visorZ()).isPresent();
        }
        assertThat(helm.cavity().toFront()).as("it faces forward").isEmpty();
    }

    /** Half as large as a head, or twice: the scale is found all the same. */
    @ParameterizedTest
    @ValueSource(doubles = {0.5, 1.9})
    void theScaleIsFoundFromFarOff(double size) {
        var mesh = helms().findFirst().orElseThrow().mesh();
        double usual = Fit.scales(RULE, FORM, Cavity.of(mesh, Bvh.of(mesh)), Progress.NONE).lowest();
        var other = mesh.scaled(size);
        var scales = Fit.scales(RULE, FORM, Cavity.of(other, Bvh.of(other)), Progress.NONE);
        assertThat(scales.fits()).isTrue();
        assertThat(scales.lowest() * size).isCloseTo(usual, within(0.006));
    }

    @Test
    void aHollowNoHeadGetsRoomInSaysSo() {
        var thin = new MadeHelm("thin", 30, 60, 60, 3, (a, e) -> 0, MadeHelm.slit(40, -6, 6)).cavity();
        var scales = Fit.scales(RULE, FORM, thin, Progress.NONE);
        assertThat(scales.fits()).isFalse();
        assertThat(Fit.of(RULE, FORM, thin, 1, scales).findings()).anyMatch(f -> f.words().contains("at no scale up to 260 %"));
    }

    @ParameterizedTest
    @MethodSource("some")
    void aBiggerHelmIsNoHarderToPutOn(MadeHelm helm) {
        var cavity = helm.cavity();
        var field = HeadField.of(FORM, WEARER, Progress.NONE);
        var spare = new ArrayList<Double>();
        for (double s : List.of(1.02, 1.06, 1.1)) {
            var pose = new PoseSearch(FORM, cavity, RULE, s).run();
            spare.add(Donning.of(field, cavity, s, pose, Progress.NONE).spareMm());
        }
        assertThat(spare.get(1)).isGreaterThan(spare.get(0) - 0.3);
        assertThat(spare.get(2)).isGreaterThan(spare.get(1) - 0.3);
    }
}
