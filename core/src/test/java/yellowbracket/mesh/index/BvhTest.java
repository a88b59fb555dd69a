package yellowbracket.mesh.index;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;

class BvhTest {
    private static final Mesh BALL = Shapes.sphere(50, 96);
    private static final Bvh INDEX = Bvh.of(BALL);

    @Test
    void aRayFromTheMiddleLeavesThroughTheWall() {
        var hit = INDEX.first(Vec3.ZERO, new Vec3(0.3, 0.2, 0.9).unit()).orElseThrow();
        assertThat(hit.distance()).isCloseTo(50, within(0.1));
        assertThat(hit.fromInside()).isTrue();
    }

    @Test
    void aRayFromOutsideMeetsTheNearSide() {
        var hit = INDEX.first(new Vec3(200, 3, 2), Vec3.X.times(-1)).orElseThrow();
        assertThat(hit.distance()).isCloseTo(150, within(0.4));
        assertThat(hit.fromInside()).isFalse();
        assertThat(INDEX.first(new Vec3(200, 0, 0), Vec3.X)).isEmpty();
    }

    /** Rays through vertices and along edges must not slip through: the sphere's seams lie in the coordinate planes. */
    @Test
    void noRaySlipsThroughTheSeams() {
        for (int i = 0; i < BALL.vertexCount(); i += 7) {
            var d = BALL.point(i).unit();
            assertThat(INDEX.firstDistance(0, 0, 0, d.x(), d.y(), d.z(), 0)).as("towards vertex %d", i).isCloseTo(50, within(0.2));
        }
    }

    @Test
    void findsWhatALinearSearchFinds() {
        var m = Mesh.union(java.util.List.of(Shapes.torus(40, 12, 40, 20), Shapes.sphere(15, 16).moved(new Vec3(10, 5, 3))));
        var index = Bvh.of(m);
        var r = new Random(2);
        for (int i = 0; i < 300; i++) {
            var o = new Vec3(r.nextGaussian() * 60, r.nextGaussian() * 60, r.nextGaussian() * 30);
            var d = new Vec3(r.nextGaussian(), r.nextGaussian(), r.nextGaussian()).unit();
            double nearest = Double.POSITIVE_INFINITY;
            for (int f = 0; f < m.triangleCount(); f++) nearest = Math.min(nearest, ray(m, f, o, d));
            double found = index.firstDistance(o.x(), o.y(), o.z(), d.x(), d.y(), d.z(), 0);
            if (Double.isInfinite(nearest)) assertThat(found).isInfinite();
            else assertThat(found).isCloseTo(nearest, within(1e-6));
            assertThat(index.blocked(o, d, 0)).isEqualTo(Double.isFinite(nearest));
        }
    }

    /**
     * The index works on a lattice and in floats: neither may show, wherever the mesh lies, however far off the ray begins, along whatever
     * axis it runs.
     */
    @Test
    void whereTheMeshLiesAndHowFarOffARayBeginsMakesNoDifference() {
        var r = new Random(7);
        for (double scale : new double[] {0.01, 1, 300}) for (double away : new double[] {0, 1000, 50_000}) {
            var shift = new Vec3(away, -away / 2, away / 3);
            var m = Mesh.union(java.util.List.of(Shapes.torus(40, 12, 40, 20), Shapes.sphere(15, 16)))
                    .mapped(p -> p.times(scale).plus(shift));
            var index = Bvh.of(m);
            for (int i = 0; i < 120; i++) {
                int f = r.nextInt(m.triangleCount());
                double u = r.nextDouble(0.1, 0.4), v = r.nextDouble(0.1, 0.4);
                var target = m.corner(f, 0).times(1 - u - v).plus(m.corner(f, 1).times(u)).plus(m.corner(f, 2).times(v));
                var d = i % 3 == 0 ? AXES[r.nextInt(6)]
                        : i % 3 == 1 ? new Vec3(1, 1e-9 * r.nextGaussian(), 1e-14).unit()
                                : new Vec3(r.nextGaussian(), r.nextGaussian(), r.nextGaussian()).unit();
                double back = scale * Math.pow(10, r.nextDouble(0, 5));
                var o = target.minus(d.times(back));
                double nearest = Double.POSITIVE_INFINITY;
                int meets = 0;
                for (int g = 0; g < m.triangleCount(); g++) {
                    double t = ray(m, g, o, d);
                    if (Double.isFinite(t)) meets++;
                    nearest = Math.min(nearest, t);
                }
                double stretch = Math.pow(10, r.nextDouble(-4, 4)), slack = 1e-9 * (away + back) + 1e-9 * scale * 1000;
                double found = index.firstDistance(o.x(), o.y(), o.z(), stretch * d.x(), stretch * d.y(), stretch * d.z(), 0) * stretch;
                assertThat(found).as("scale %s, %s away, ray %d from %s along %s", scale, away, i, o, d).isCloseTo(nearest, within(slack));
                var all = new ArrayList<Double>();
                index.allDistances(o, d, all::add);
                assertThat(all.size()).isGreaterThanOrEqualTo(meets);
            }
        }
    }

    private static final Vec3[] AXES = {Vec3.X, Vec3.Y, Vec3.Z, Vec3.X.times(-1), Vec3.Y.times(-1), Vec3.Z.times(-1)};

    /**
     * Against every triangle, by its edges and its plane; the mesh has walls that lean every way, needles, and single triangles far from
     * the rest.
     */
    @Test
    void theNearestPointIsTheNearestOfAllTriangles() {
        var r = new Random(11);
        for (double scale : new double[] {0.01, 1, 300}) for (double away : new double[] {0, 20_000}) {
            var shift = new Vec3(-away, away / 2, away / 3);
            var needle = new MeshBuilder(3, 1);
            for (double z : new double[] {0, 0.001, 90}) needle.addVertex(60, z / 90, z);
            needle.addTriangle(0, 1, 2);
            var m = Mesh.union(java.util.List.of(Shapes.torus(40, 12, 40, 20), Shapes.sphere(15, 16), needle.build()))
                    .mapped(p -> p.times(scale).plus(shift));
            var index = Bvh.of(m);
            var query = index.closestQuery();
            var sparing = new ClosestQuery(index, new OrientedBoxes(index, false)); // here: as for a very large mesh
            for (int i = 0; i < 150; i++) {
                double reach = scale * (i % 10 == 0 ? 5000 : 70);
                var p = new Vec3(r.nextGaussian(), r.nextGaussian(), r.nextGaussian()).times(reach).plus(shift);
                double nearest = Double.POSITIVE_INFINITY;
                for (int f = 0; f < m.triangleCount(); f++) nearest = Math.min(nearest, distance(m, f, p));
                assertThat(query.distance(p.x(), p.y(), p.z())).as("scale %s, %s away, %s", scale, away, p)
                        .isCloseTo(nearest, within(1e-9 * (reach + away) + 1e-9 * nearest));
                assertThat(sparing.distance(p.x(), p.y(), p.z())).isEqualTo(query.distance(p.x(), p.y(), p.z()),
                        within(1e-9 * (reach + away) + 1e-9 * nearest));
                var at = index.closest(p);
                assertThat(at.point().distance(p)).isCloseTo(nearest, within(1e-9 * (reach + away) + 1e-9 * nearest));
                assertThat(distance(m, at.triangle(), p)).isCloseTo(nearest, within(1e-9 * (reach + away) + 1e-9 * nearest));
            }
        }
    }

    /** Meshes that leave a tree little to go by. */
    static Stream<Arguments> awkward() {
        var r = new Random(5);
        var flat = Shapes.box(Vec3.ZERO, new Vec3(40, 30, 0));
        var pile = Mesh.union(Collections.nCopies(60, triangle(new Vec3(1, 2, 3), new Vec3(9, 2, 4), new Vec3(4, 8, 1))));
        var line = Mesh.union(IntStream.range(0, 30)
                .mapToObj(i -> triangle(new Vec3(i, i, i), new Vec3(i + 1, i + 1, i + 1), new Vec3(i + 2, i + 2, i + 2)))
                .toList());
        var dust = Mesh.union(
                IntStream.range(0, 200).mapToObj(i -> triangle(near(r, 1e-3), near(r, 1e-3), near(r, 1e-3)).moved(near(r, 100))).toList());
        var sheet = triangle(new Vec3(-5000, -5000, 7), new Vec3(9000, -4000, 7), new Vec3(0, 8000, 8));
        return Stream.of(Arguments.of("one triangle", triangle(Vec3.ZERO, Vec3.X, Vec3.Y)), Arguments.of("flat", flat),
                Arguments.of("sixty of the same", pile), Arguments.of("triangles without area", line), Arguments.of("dust", dust),
                Arguments.of("dust under a large sheet", Mesh.union(java.util.List.of(dust, sheet))));
    }

    private static Mesh triangle(Vec3 a, Vec3 b, Vec3 c) {
        return Mesh.of(new double[] {a.x(), a.y(), a.z(), b.x(), b.y(), b.z(), c.x(), c.y(), c.z()}, new int[] {0, 1, 2});
    }

    private static Vec3 near(Random r, double reach) {
        return new Vec3(r.nextGaussian() * reach, r.nextGaussian() * reach, r.nextGaussian() * reach);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("awkward")
    void awkwardMeshesAreAnsweredAsByAllTheirTriangles(String name, Mesh m) {
        var index = Bvh.of(m);
        var r = new Random(9);
        for (int i = 0; i < 200; i++) {
            var o = near(r, i % 2 == 0 ? 20 : 150);
            int f = r.nextInt(m.triangleCount());
            double u = r.nextDouble(0.1, 0.4), v = r.nextDouble(0.1, 0.4); // here: well within, as hits on an edge may count either way
            var at = m.corner(f, 0).times(1 - u - v).plus(m.corner(f, 1).times(u)).plus(m.corner(f, 2).times(v));
            var d = i % 4 == 0 || m.area(f) < 1e-9 ? AXES[r.nextInt(6)] : at.minus(o).unit();
            double first = Double.POSITIVE_INFINITY, nearest = Double.POSITIVE_INFINITY;
            for (int g = 0; g < m.triangleCount(); g++) {
                first = Math.min(first, ray(m, g, o, d));
                nearest = Math.min(nearest, distance(m, g, o));
            }
            double found = index.firstDistance(o.x(), o.y(), o.z(), d.x(), d.y(), d.z(), 0);
            if (Double.isInfinite(first)) assertThat(found).as("ray %d from %s along %s", i, o, d).isInfinite();
            else assertThat(found).as("ray %d from %s along %s", i, o, d).isCloseTo(first, within(1e-6));
            assertThat(index.blocked(o, d, 0, first + 1)).isEqualTo(Double.isFinite(first));
            assertThat(index.blocked(o, d, 0, first / 2 - 1e-6)).isEqualTo(false);
            assertThat(index.distance(o)).as("from %s", o).isCloseTo(nearest, within(1e-6));
            var all = new ArrayList<Integer>();
            index.inBox(m.bounds(), all::add);
            assertThat(all).hasSize(m.triangleCount()).doesNotHaveDuplicates();
        }
    }

    /** To the plane where the foot lies in the triangle, else to the nearest edge: nothing shared with the index. */
    private static double distance(Mesh m, int f, Vec3 p) {
        var n = m.areaVector(f);
        double nearest = Double.POSITIVE_INFINITY;
        boolean within = n.norm() > 0;
        for (int k = 0; k < 3; k++) {
            var a = m.corner(f, k);
            var along = m.corner(f, (k + 1) % 3).minus(a);
            double t = along.dot(along) == 0 ? 0 : Math.clamp(p.minus(a).dot(along) / along.dot(along), 0, 1);
            nearest = Math.min(nearest, p.distance(a.plus(along.times(t))));
            within &= along.cross(p.minus(a)).dot(n) >= 0;
        }
        return within ? Math.min(nearest, Math.abs(p.minus(m.corner(f, 0)).dot(n.unit()))) : nearest;
    }

    /** Plane, then inside the triangle by its three edges: nothing shared with the index. */
    private static double ray(Mesh m, int f, Vec3 o, Vec3 d) {
        var n = m.areaVector(f);
        double along = n.dot(d);
        if (along == 0) return Double.POSITIVE_INFINITY;
        double t = n.dot(m.corner(f, 0).minus(o)) / along;
        var p = o.plus(d.times(t));
        for (int k = 0; k < 3; k++)
            if (m.corner(f, (k + 1) % 3).minus(m.corner(f, k)).cross(p.minus(m.corner(f, k))).dot(n) < 0) return Double.POSITIVE_INFINITY;
        return t < 0 ? Double.POSITIVE_INFINITY : t;
    }

    @Test
    void closestPointAgreesWithTheSphere() {
        var r = new Random(3);
        for (int i = 0; i < 200; i++) {
            var p = new Vec3(r.nextGaussian() * 50, r.nextGaussian() * 50, r.nextGaussian() * 50);
            assertThat(INDEX.distance(p)).isCloseTo(Math.abs(p.norm() - 50), within(0.15));
        }
        assertThat(Bvh.of(Mesh.empty()).distance(Vec3.ZERO)).isInfinite();
    }

    @Test
    void tellsInsideFromOutside() {
        assertThat(INDEX.inside(new Vec3(10, 20, 5))).isTrue();
        assertThat(INDEX.inside(new Vec3(10, 60, 5))).isFalse();
        var through = new ArrayList<Double>();
        INDEX.allDistances(new Vec3(-100, 3, 1), Vec3.X, through::add);
        assertThat(through).hasSize(2);
    }
}
