package yellowbracket.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;

/** Cups, closed cavities and drain holes of known size. */
class HollowsTest {
    /** A cup standing on z = 0: inner radius 20, 50 deep, wall 3. */
    private static final Mesh CUP = Shapes.lathe(new double[][] {{0, 0}, {23, 0}, {23, 53}, {20, 53}, {20, 3}, {0, 3}}, false, 96);

    /** A box 40 x 40 x 40 with walls of 3 mm, with square holes of the given sides through its upright walls, from loose walls. */
    private static Mesh box(double... holes) {
        var parts = new ArrayList<Mesh>();
        parts.add(Shapes.box(new Vec3(0, 0, 0), new Vec3(40, 40, 3)));
        parts.add(Shapes.box(new Vec3(0, 0, 37), new Vec3(40, 40, 40)));
        parts.add(Shapes.box(new Vec3(0, 3, 3), new Vec3(3, 37, 37)));
        parts.add(Shapes.box(new Vec3(37, 3, 3), new Vec3(40, 37, 37)));
        for (int side = 0; side < 2; side++) {
            double y0 = side == 0 ? 0 : 37, y1 = y0 + 3, w = side < holes.length ? holes[side] / 2 : 0;
            if (w == 0) parts.add(Shapes.box(new Vec3(0, y0, 3), new Vec3(40, y1, 37)));
            else {
                parts.add(Shapes.box(new Vec3(0, y0, 3), new Vec3(20 - w, y1, 37)));
                parts.add(Shapes.box(new Vec3(20 + w, y0, 3), new Vec3(40, y1, 37)));
                parts.add(Shapes.box(new Vec3(20 - w, y0, 3), new Vec3(20 + w, y1, 20 - w)));
                parts.add(Shapes.box(new Vec3(20 - w, y0, 20 + w), new Vec3(20 + w, y1, 37)));
            }
        }
        return Mesh.union(parts);
    }

    /** Turned inside out. */
    private static Mesh inside(Mesh m) {
        var b = new yellowbracket.mesh.MeshBuilder(m.vertexCount(), m.triangleCount());
        for (int v = 0; v < m.vertexCount(); v++) b.addVertex(m.x(v), m.y(v), m.z(v));
        for (int f = 0; f < m.triangleCount(); f++) b.addTriangle(m.vertex(f, 0), m.vertex(f, 2), m.vertex(f, 1));
        return b.build();
    }

    @Test
    void aClosedCavityKeepsAllOfIt() {
        var h = Hollows.of(Mesh.union(List.of(Shapes.sphere(30, 64), inside(Shapes.sphere(26, 64)))), Turn.NONE);
        assertThat(h.list()).singleElement().satisfies(q -> {
            double v = 4.0 / 3 * Math.PI * 26 * 26 * 26;
            assertThat(q.volumeMm3()).isCloseTo(v, within(0.02 * v));
            assertThat(q.holes()).isEmpty();
            assertThat(q.drains()).isFalse();
        });
        assertThat(h.trapped()).hasSize(1);
    }

    @ParameterizedTest
    @CsvSource({"0, 0, 0, false", "4, 0, 1, false", "4, 4, 2, true", "5, 1.6, 2, false", "4.5, 6, 2, true"})
    void aHollowDrainsThroughTwoHolesThatAreWideEnough(double one, double other, int holes, boolean drains) {
        var h = Hollows.of(box(one, other), Turn.NONE);
        assertThat(h.list()).singleElement().satisfies(q -> {
            assertThat(q.volumeMm3()).isCloseTo(34 * 34 * 34, within(0.06 * 34 * 34 * 34));
            assertThat(q.holes()).hasSize(holes);
            assertThat(q.drains()).isEqualTo(drains);
            if (one > 0) assertThat(q.holes().stream().mapToDouble(Hollows.Hole::diameterMm).max().orElseThrow())
                    .isCloseTo(Math.max(one, other) * 2 / Math.sqrt(Math.PI), within(0.8));
        });
    }

    @Test
    void whatIsWideOpenIsNoHollow() {
        assertThat(Hollows.of(CUP, Turn.NONE).list()).isEmpty();
        assertThat(Hollows.of(Shapes.box(Vec3.ZERO, new Vec3(20, 20, 20)), Turn.NONE).list()).isEmpty();
    }

    @Test
    void aCupSucksByTheWayItStands() {
        var standing = Hollows.of(CUP, Turn.NONE).cups();
        assertThat(standing).singleElement().satisfies(c -> assertThat(c.areaMm2()).isCloseTo(Math.PI * 400, within(0.03 * Math.PI * 400)));
        assertThat(Hollows.of(CUP, Turn.quarter(0)).cups()).as("lying, it is open at the end of every layer").isEmpty();
        assertThat(Hollows.of(Shapes.tube(23, 20, 0, 53, 64), Turn.quarter(0)).cups()).isEmpty();
    }

    @Test
    void aHoleAtTheFootOfACupLetsAirIn() {
        var open = new ArrayList<Mesh>();
        // the same cup on four feet of wall: slots 4 mm high and 8 wide at the bottom
        open.add(Shapes.lathe(new double[][] {{20, 7}, {23, 7}, {23, 53}, {20, 53}}, true, 96));
        open.add(Shapes.box(new Vec3(-26, -26, 0), new Vec3(26, 26, 3)));
        for (int k = 0; k < 4; k++) open.add(Shapes.box(new Vec3(17, -8, 2), new Vec3(25, 8, 8)).turned(turns(k)));
        var cups = Hollows.of(Mesh.union(open), Turn.NONE).cups();
        assertThat(cups).isEmpty();
    }

    private static Turn turns(int k) {
        var t = Turn.NONE;
        for (int i = 0; i < k; i++) t = t.then(Turn.quarter(2));
        return t;
    }

    @ParameterizedTest
    @CsvSource({"0", "20", "40", "60", "90", "180"})
    void aCupKeepsWhatGeometrySays(double tilt) {
        double r = 20, h = 50, t = Math.tan(Math.toRadians(tilt));
        // down to the point where the surface reaches the floor it is a cylinder cut askew
        double expected = tilt >= 90 ? 0 : r * t * 2 <= h ? Math.PI * r * r * (h - r * t) : wedge(r, h, t);
        var down = Turn.about(Vec3.X, tilt).apply(Vec3.Z.times(-1));
        double kept = Hollows.retainedMm3(CUP, Turn.NONE, down, 0.8);
        assertThat(kept).isCloseTo(expected, within(0.03 * Math.PI * r * r * h));
    }

    /** Numerically: height of liquid over the floor at each chord. */
    private static double wedge(double r, double h, double t) {
        double sum = 0, step = r / 2000;
        for (double y = -r + step / 2; y < r; y += step) {
            // the surface falls from the lower lip at height h
            double deep = Math.max(0, h - (r + y) * t);
            sum += deep * 2 * Math.sqrt(r * r - y * y) * step;
        }
        return sum;
    }

    /** Hung from its plate a cup that stands on it is upside down; hung by its rim it is a bucket. */
    @Test
    void whatStaysAsItHangsIsToldForThisWayUp() {
        double full = Math.PI * 400 * 50;
        assertThat(Hollows.of(CUP, Turn.NONE).hangingMm3()).isZero();
        assertThat(Hollows.of(CUP, Turn.quarter(0).then(Turn.quarter(0))).hangingMm3()).isCloseTo(full, within(0.06 * full));
    }

    @Test
    void aSolidKeepsNothing() {
        assertThat(Hollows.retainedMm3(Shapes.box(Vec3.ZERO, new Vec3(30, 20, 10)), Turn.NONE, new Vec3(0.2, 0.3, -1), 1)).isZero();
        assertThat(List.of(Hollows.of(Shapes.ellipsoid(20, 15, 30, 32, 24), Turn.NONE).cups().size())).containsExactly(0);
    }
}
