package yellowbracket.size;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.shop.HeadMeasures;
import yellowbracket.shop.Wearer;

/**
 * Whether something goes in, where the room is known in closed form: a ball or an egg in place of the head, rings and bowls in place of the
 * helm.
 */
class DonningTest {
    private static final Wearer WEARER = new Wearer("Ada", HeadMeasures.of(570, 195, 152), false, 0, 1700);
    private static final HeadForm FORM = HeadForm.of(WEARER);
    private static final HeadField BALL = HeadField.around(FORM, Shapes.sphere(70, 64), Progress.NONE);
    private static final Pose HOME = new Pose(0, 0, 0);

    private static Cavity cavity(Mesh m) {
        return Cavity.of(m, Bvh.of(m));
    }

    /** A ring lying level whose inner edge is {@code inner} mm from its middle. */
    private static Mesh ring(double inner, double y, double z) {
        return Shapes.torus(inner + 5, 5, 96, 12).moved(new Vec3(0, y, z));
    }

    private static Donning through(Mesh shell, double scale) {
        return Donning.of(BALL, cavity(shell), scale, HOME, Progress.NONE);
    }

    @ParameterizedTest
    @CsvSource({"90,0", "78,0", "90,20", "74,-14"})
    void aBallHasTheRingsRadiusLessItsOwnToSpare(double inner, double y) {
        var way = through(ring(inner, y, -110), 1);
        assertThat(way.spareMm()).as(way.words()).isCloseTo(inner - 70, within(0.5));
        assertThat(way.passes()).isTrue();
        assertThat(way.path().getLast().pose()).isEqualTo(HOME);
    }

    @Test
    void aRingTooNarrowIsShortByTheDifference() {
        var way = through(ring(63, 0, -110), 1);
        assertThat(way.passes()).isFalse();
        assertThat(way.spareMm()).isCloseTo(-7, within(0.7));
        assertThat(way.words()).contains("does not pass").contains("short");
        assertThat(way.tightest().place().z()).isCloseTo(-110, within(4.0));
    }

    /** Two rings set off against each other: straight down the ball would scrape; it has to step aside between them. */
    @Test
    void theWayBendsWhereTheOpeningsAreSetOff() {
        var shell = Mesh.union(List.of(ring(80, 15, -90), ring(80, -15, -260)));
        var way = through(shell, 1);
        assertThat(way.spareMm()).as("each ring leaves 10 mm, in line they would leave less than none").isCloseTo(10, within(0.6));
        var shifts = way.path().stream().mapToDouble(s -> s.pose().forwardMm()).summaryStatistics();
        assertThat(shifts.getMax() - shifts.getMin()).isGreaterThan(20);
    }

    @ParameterizedTest
    @CsvSource({"0.9", "1.0", "1.1", "1.2"})
    void aBowlsMouthGrowsWithTheScale(double scale) {
        double mouth = 156 * Math.sin(Math.toRadians(32));
        assertThat(through(Shapes.cappedShell(160, 4, 32, 96, 44), scale).spareMm()).isCloseTo(mouth * scale - 70, within(0.5));
    }

    /** An egg longer than deep goes through straight with its depth to spare against the ring; tilted it would need more. */
    @Test
    void anEggGoesThroughTheWayItIsSlimmest() {
        var egg = HeadField.around(FORM, Shapes.ellipsoid(75, 88, 108, 120, 80), Progress.NONE);
        var way = Donning.of(egg, cavity(ring(95, 0, -160)), 1, HOME, Progress.NONE);
        assertThat(way.spareMm()).isCloseTo(95 - 88, within(0.5));
        assertThat(way.words()).startsWith("straight on");
    }

    /** An oval opening narrower than the head is long: tilting is the only way. */
    @Test
    void aHeadTiltsWhereItHelpsAndNeverDoesWorseThanStraight() {
        var field = HeadField.of(FORM, WEARER, Progress.NONE);
        for (double deg : new double[] {40, 46}) {
            var cavity = cavity(Shapes.cappedShell(165, 4, deg, 96, 44));
            var way = Donning.of(field, cavity, 1, HOME, Progress.NONE);
            double straight = Double.POSITIVE_INFINITY; // the same opening met with no tilt and no shift, point by point
            for (var s : FORM.samples()) if (s.zone() != Zone.NECK && s.zone() != Zone.EARS)
                straight = Math.min(straight, 161 * Math.sin(Math.toRadians(deg)) - Math.hypot(s.point().x(), s.point().y()));
            assertThat(way.spareMm()).as("opening at %.0f degrees", deg).isGreaterThan(straight - 1);
        }
    }

    @Test
    void openAndFaultyShellsGetAVerdictToo() {
        var bowl = Shapes.cappedShell(160, 4, 35, 96, 48);
        var keep = new boolean[bowl.triangleCount()];
        for (int f = 0; f < keep.length; f++) keep[f] = f % 7 != 0;
        assertThat(through(bowl.only(keep), 1).spareMm()).isCloseTo(through(bowl, 1).spareMm(), within(3.0));
        assertThat(through(Shapes.sphere(3, 8).moved(new Vec3(0, 400, 0)), 1).passes()).as("nothing in the way").isTrue();
    }

    @Test
    void remediesAreTheLeastThatHelpAndDoHelp() {
        var cavity = cavity(Shapes.cappedShell(160, 4, 25, 72, 36)); // a mouth of 66 mm for a ball of 70
        var now = Donning.of(BALL, cavity, 1, HOME, Progress.NONE);
        assertThat(now.passes()).isFalse();
        var remedies = Remedy.of(BALL, cavity, 1, now, Progress.NONE);
        assertThat(remedies).isNotEmpty().allSatisfy(r -> assertThat(r.spareMm()).isGreaterThanOrEqualTo(Remedy.ENOUGH_MM));
        var wider = (Remedy.WidenNeck) remedies.stream().filter(r -> r instanceof Remedy.WidenNeck).findFirst().orElseThrow();
        assertThat(wider.realMm()).as("4 mm short and 2 mm to spare").isBetween(5.0, 8.5);
        var widened = Donning.of(BALL, cavity(new Reshape(1, 1, 1, Optional.of(wider.neck()), Optional.empty()).apply(cavity.mesh())), 1,
                HOME, Progress.NONE);
        assertThat(widened.passes()).isTrue();
        var larger = (Remedy.Larger) remedies.stream().filter(r -> r instanceof Remedy.Larger).findFirst().orElseThrow();
        assertThat(larger.scale()).isCloseTo(72 / (156 * Math.sin(Math.toRadians(25))), within(0.02));
        assertThat(remedies).anyMatch(r -> r instanceof Remedy.Part);
        assertThat(Remedy.of(BALL, cavity, 1.3, Donning.of(BALL, cavity, 1.3, HOME, Progress.NONE), Progress.NONE))
                .as("it passes: nothing to mend")
                .isEmpty();
    }
}
