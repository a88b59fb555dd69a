package yellowbracket.size;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.shop.HeadMeasures;

/** What is seen, in shells where it is known in closed form. */
class ViewTest {
    private static final HeadForm HEAD = HeadForm.of(HeadMeasures.of(570, 195, 152));

    private static Cavity cavity(Mesh m) {
        return Cavity.of(m, Bvh.of(m));
    }

    /** A shell of radius {@code r} about a point between the eyes, open ahead in a cone of half-angle {@code deg}. */
    private static Mesh bowlAhead(double r, double deg) {
        var between = HEAD.eye(-1).plus(HEAD.eye(1)).times(0.5);
        return Shapes.cappedShell(r, 3, deg, 240, 160).turned(new Turn(Vec3.X, Vec3.Z.times(-1), Vec3.Y)).moved(between);
    }

    @ParameterizedTest
    @CsvSource({"3000,20", "3000,40", "3000,55"})
    void aRoundOpeningFarAwayIsSeenAtItsAngle(double radius, double deg) {
        var v = Vision.of(HEAD, cavity(bowlAhead(radius, deg)), 1, new Pose(0, 0, 0), 1600);
        double step = 1; // the target: one degree
        assertThat(v.leftDeg()).isCloseTo(deg, within(step));
        assertThat(v.rightDeg()).isCloseTo(deg, within(step));
        assertThat(v.upDeg()).isCloseTo(deg, within(step));
        assertThat(v.downDeg()).isCloseTo(deg, within(step));
        assertThat(v.floorFromM()).as("eye height over the tangent of the lowest ray")
                .isCloseTo(1.6 / Math.tan(Math.toRadians(v.downDeg())), within(1e-9));
    }

    /** Near the wall the two eyes see further to the far side than one eye between them would. */
    @Test
    void twoEyesSeeMoreThanOneThroughANearHole() {
        var near = Vision.of(HEAD, cavity(bowlAhead(140, 30)), 1, new Pose(0, 0, 0), 1600);
        double halfPupils = HEAD.eye(1).minus(HEAD.eye(-1)).norm() / 2;
        double edge = 140 * Math.sin(Math.toRadians(30)), ahead = 140 * Math.cos(Math.toRadians(30));
        double expected = Math.toDegrees(Math.atan2(edge + halfPupils, ahead));
        assertThat(near.leftDeg()).isCloseTo(expected, within(1.0));
        assertThat(near.leftDeg()).isCloseTo(near.rightDeg(), within(0.1));
    }

    @Test
    void pitchMovesTheViewUpAndDown() {
        var shell = bowlAhead(3000, 40);
        var level = Vision.of(HEAD, cavity(shell), 1, new Pose(0, 0, 0), 1600);
        var down = Vision.of(HEAD, cavity(shell), 1, new Pose(0, 0, -15), 1600);
        assertThat(down.upDeg()).as("a head bent down sees further above its own straight ahead").isGreaterThan(level.upDeg() + 10);
        assertThat(down.downDeg()).isLessThan(level.downDeg() - 10);
    }

    @Test
    void aClosedShellShowsNothingAndNoneShowsAll() {
        var closed = Shapes.sphere(400, 48);
        var blind = Vision.of(HEAD, cavity(closed), 1, new Pose(0, 0, 0), 1600);
        assertThat(blind.openShare()).isZero();
        assertThat(blind.floorFromM()).isInfinite();
        var free = Vision.of(HEAD, cavity(Shapes.sphere(5, 12).moved(new Vec3(0, -900, 0))), 1, new Pose(0, 0, 0), 1600);
        assertThat(free.openShare()).isEqualTo(1);
        assertThat(free.leftDeg()).isEqualTo(95);
        assertThat(free.upDeg()).isEqualTo(60);
    }

    @ParameterizedTest
    @CsvSource({"1.0", "1.1", "1.25"})
    void aLargerOpeningNeverShowsLess(double scale) {
        double before = 0;
        for (double deg = 10; deg <= 60; deg += 10) {
            double share = Vision.of(HEAD, cavity(bowlAhead(260, deg)), scale, new Pose(0, 0, 0), 1600).openShare();
            assertThat(share).isGreaterThanOrEqualTo(before);
            before = share;
        }
        assertThat(before).isGreaterThan(0.1);
    }
}
