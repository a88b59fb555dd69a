package yellowbracket.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.measure.Resting;

/** Support against what can be worked out by hand. */
class ColumnsTest {
    private static final double LEAN = 45;

    private static Columns.Need need(Mesh m, Turn turn, double cell) {
        var seen = new boolean[m.triangleCount()];
        Arrays.fill(seen, true);
        return Columns.of(m, seen, turn, cell).need(LEAN, turn.apply(m.centreOfMass()));
    }

    /** Below a ball the faces that lean over 45 degrees span a disc of radius r sin 45; the space under them is a cylinder less a cap. */
    @ParameterizedTest
    @ValueSource(doubles = {10, 25, 60})
    void underABall(double r) {
        double a = r * Math.sin(Math.toRadians(45)),
                under = Math.PI * a * a * r - 2 * Math.PI / 3 * (r * r * r - Math.pow(r * r - a * a, 1.5));
        // what starts within the first layers lies on the bed
        double e = Columns.ON_BED_MM, flat = Math.PI * (2 * r * e - e * e),
                gap = flat * r - 2 * Math.PI / 3 * (r * r * r - Math.pow(r * r - flat / Math.PI, 1.5));
        var n = need(Shapes.sphere(r, 256), Turn.NONE, r / 150);
        assertThat(n.volumeMm3()).isCloseTo(under - gap, within(0.01 * under));
        assertThat(n.contactMm2()).isCloseTo(Math.PI * a * a - flat, within(0.01 * Math.PI * a * a));
        assertThat(n.seenMm2()).isEqualTo(n.contactMm2());
    }

    @Test
    void underATableTheDropIsExactAndItsFootIsTheLeg() {
        var table = Mesh.union(
                List.of(Shapes.box(new Vec3(-5, -5, 0), new Vec3(5, 5, 40)), Shapes.box(new Vec3(-30, -30, 40.001), new Vec3(30, 30, 44))));
        var n = need(table, Turn.NONE, 0.25);
        assertThat(n.volumeMm3()).isCloseTo(3500 * 40.001, within(0.01 * 3500 * 40));
        assertThat(n.ownFootMm2()).isCloseTo(100, within(1.0));
        assertThat(n.footMm2()).as("support stands beside the leg").isCloseTo(3600, within(36.0));
    }

    /** A tube lying down: half its outside leans too far below, and inside the ceiling does. */
    @Test
    void aLyingTubeIsHeldInsideToo() {
        double outer = 20, inner = 16, length = 50, s = Math.sqrt(0.5);
        var tube = Shapes.tube(outer, inner, 0, length, 512).turned(Turn.quarter(0));
        double wide = 2 * outer * s, under = wide * outer - 2 * area(outer, outer * s);
        double ceiling = 2 * 2 * area(inner, inner * s);
        var n = need(tube, Turn.NONE, 0.1);
        assertThat(n.volumeMm3()).isCloseTo((under + ceiling) * length,
                within(0.01 * (under + ceiling) * length + 0.6 * 20 * length * 0.2));
    }

    /** Under the arc of a circle from its middle to x. */
    private static double area(double r, double x) {
        return (x * Math.sqrt(r * r - x * x) + r * r * Math.asin(x / r)) / 2;
    }

    /** A steep cone on its tip holds itself up; a blunt one needs the cylinder around it less the cone. */
    @Test
    void aConeOnItsTip() {
        var steep = Shapes.lathe(new double[][] {{0, 0}, {30, 0}, {0, 60}}, false, 256);
        assertThat(need(steep, Turn.pitch(180), 0.25).volumeMm3()).isZero();
        var blunt = Shapes.lathe(new double[][] {{0, 0}, {30, 0}, {0, 20}}, false, 256);
        assertThat(need(blunt, Turn.pitch(180), 0.25).volumeMm3()).isCloseTo(2.0 / 3 * Math.PI * 900 * 20,
                within(0.01 * 2.0 / 3 * Math.PI * 900 * 20));
    }

    @Test
    void whatIsAboutToFallSaysSo() {
        var standing = need(Shapes.box(Vec3.ZERO, new Vec3(20, 20, 100)), Turn.NONE, 0.25);
        assertThat(standing.tipDeg()).as("10 mm to the edge, 50 mm up").isCloseTo(Math.toDegrees(Math.atan2(10, 50)), within(0.3));
        var lying = need(Shapes.box(Vec3.ZERO, new Vec3(20, 20, 100)), Turn.quarter(0), 0.25);
        assertThat(lying.tipDeg()).isCloseTo(45, within(0.5));
        var leaning = Mesh
                .union(List.of(Shapes.box(Vec3.ZERO, new Vec3(10, 10, 10)), Shapes.box(new Vec3(9, 0, 10.001), new Vec3(90, 10, 40))));
        var seen = new boolean[leaning.triangleCount()];
        assertThat(Columns.of(leaning, seen, Turn.NONE, 0.5).need(90, leaning.centreOfMass()).tipDeg())
                .as("unheld, its centre lies beside its foot")
                .isZero();
    }

    @Test
    void postsStandUnderWhatTheyHold() {
        var arch = Mesh
                .union(List.of(Shapes.box(new Vec3(0, 0, 0), new Vec3(60, 30, 5)), Shapes.box(new Vec3(0, 0, 30), new Vec3(60, 30, 35))));
        var seen = new boolean[arch.triangleCount()];
        var posts = Columns.of(arch, seen, Turn.NONE, 1).posts(LEAN, 3);
        assertThat(posts).hasSize(20 * 10).allSatisfy(p -> {
            assertThat(p.from()).isCloseTo(5, within(1e-4));
            assertThat(p.to()).isCloseTo(30, within(1e-4));
            assertThat(p.seen()).isFalse();
        });
        assertThatThrownBy(() -> Columns.of(Mesh.empty(), new boolean[0], Turn.NONE, 1)).hasMessageContaining("empty");
    }

    /** A section comes to rest on faces: those of a box, the wide end of a cone, never its tip. */
    @Test
    void whatIsPutDownComesToRestOnAFace() {
        var box = Shapes.box(Vec3.ZERO, new Vec3(40, 30, 10));
        assertThat(Resting.downs(Resting.outermost(box), box.centreOfMass())).isNotEmpty()
                .allSatisfy(
                        d -> assertThat(Math.max(Math.abs(d.x()), Math.max(Math.abs(d.y()), Math.abs(d.z())))).isCloseTo(1, within(1e-6)));
        var wedge = Shapes.box(Vec3.ZERO, new Vec3(40, 30, 20)).mapped(p -> new Vec3(p.x() + p.z() * 0.8, p.y(), p.z()));
        assertThat(Resting.downs(Resting.outermost(wedge), wedge.centreOfMass())).as("on the slanting side too").anySatisfy(d -> {
            assertThat(Math.abs(d.x())).isCloseTo(1 / Math.hypot(1, 0.8), within(1e-6));
            assertThat(Math.abs(d.z())).isCloseTo(0.8 / Math.hypot(1, 0.8), within(1e-6));
        });
    }
}
