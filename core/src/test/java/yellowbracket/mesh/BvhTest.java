package yellowbracket.mesh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Random;
import org.junit.jupiter.api.Test;

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

    /** Plane, then inside the triangle by its three edges: nothing shared with the index. */
    private static double ray(Mesh m, int f, Vec3 o, Vec3 d) {
        var n = m.areaVector(f);
        double along = n.dot(d);
        if (along == 0) return Double.POSITIVE_INFINITY;
        double t = n.dot(m.corner(f, 0).minus(o)) / along;
        var p = o.plus(d.times(t));
        for (int k = 0; k < 3; k++) if (m.corner(f, (k + 1) % 3).minus(m.corner(f, k)).cross(p.minus(m.corner(f, k))).dot(n) < 0) return Double.POSITIVE_INFINITY;
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
