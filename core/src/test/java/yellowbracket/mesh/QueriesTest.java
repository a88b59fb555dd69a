package yellowbracket.mesh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.index.DistanceGrid;
import yellowbracket.mesh.index.WindingNumber;
import yellowbracket.mesh.measure.WallThickness;
import yellowbracket.mesh.repair.Mend;
import yellowbracket.mesh.repair.HealthFindings;
import yellowbracket.mesh.repair.Overlaps;

/** What the index answers, against a search through every triangle or a closed form. */
class QueriesTest {
    private static final Mesh MIXED = Mesh.union(List.of(Shapes.torus(40, 12, 40, 20), Shapes.sphere(15, 16).moved(new Vec3(10, 5, 3)),
            Shapes.box(new Vec3(-70, -5, -5), new Vec3(-55, 5, 40))));
    private static final Bvh INDEX = Bvh.of(MIXED);

    private static Vec3 anywhere(Random r) {
        return new Vec3(r.nextGaussian() * 50, r.nextGaussian() * 50, r.nextGaussian() * 25);
    }

    @Test
    void theClosestPointIsTheClosestOfAllTriangles() {
        var r = new Random(7);
        for (int i = 0; i < 300; i++) {
            var p = anywhere(r);
            double least = IntStream.range(0, MIXED.triangleCount()).mapToDouble(f -> distance(MIXED, f, p)).min().orElseThrow();
            var near = INDEX.closest(p);
            assertThat(near.distance()).isCloseTo(least, within(1e-9)).isEqualTo(INDEX.distance(p));
            assertThat(near.point().distance(p)).isCloseTo(near.distance(), within(1e-9));
            assertThat(distance(MIXED, near.triangle(), near.point())).as("the point lies on the triangle it names")
                    .isCloseTo(0, within(1e-9));
        }
        assertThatThrownBy(() -> Bvh.of(Mesh.empty()).closest(Vec3.ZERO)).hasMessageContaining("no nearest point");
    }

    /** By projection on the plane and on the three edges: nothing shared with the index. */
    @Test
    void theSurfaceIsWithinARadiusWhereTheNearestPointIs() {
        var r = new Random(11);
        for (int i = 0; i < 400; i++) {
            var p = new Vec3(r.nextDouble(-70, 70), r.nextDouble(-70, 70), r.nextDouble(-70, 70));
            double away = INDEX.distance(p);
            assertThat(INDEX.within(p, away + 1e-9)).isTrue();
            assertThat(INDEX.within(p, away - 1e-9)).isFalse();
        }
    }

    private static double distance(Mesh m, int f, Vec3 p) {
        double best = Double.POSITIVE_INFINITY;
        var n = m.areaVector(f);
        if (n.norm() > 0) {
            var u = n.unit();
            var q = p.minus(u.times(u.dot(p.minus(m.corner(f, 0)))));
            boolean inside = true;
            for (int k = 0; k < 3; k++) inside &= m.corner(f, (k + 1) % 3).minus(m.corner(f, k)).cross(q.minus(m.corner(f, k))).dot(n) >= 0;
            if (inside) best = q.distance(p);
        }
        for (int k = 0; k < 3; k++) {
            var a = m.corner(f, k);
            var e = m.corner(f, (k + 1) % 3).minus(a);
            best = Math.min(best, a.plus(e.times(Math.clamp(e.dot(p.minus(a)) / e.dot(e), 0, 1))).distance(p));
        }
        return best;
    }

    @Test
    void planesAndBoxesFindAllThatTouchThem() {
        var r = new Random(8);
        for (int i = 0; i < 60; i++) {
            var n = new Vec3(r.nextGaussian(), r.nextGaussian(), r.nextGaussian()).unit();
            double offset = r.nextGaussian() * 30;
            var found = new TreeSet<Integer>();
            INDEX.onPlane(n, offset, found::add);
            assertThat(found).containsAll(facets(f -> {
                double lo = 1e300, hi = -1e300;
                for (int k = 0; k < 3; k++) {
                    double d = n.dot(MIXED.corner(f, k)) - offset;
                    lo = Math.min(lo, d);
                    hi = Math.max(hi, d);
                }
                return lo <= 0 && hi >= 0;
            }));
            assertThat(found.size()).as("and not all").isLessThan(MIXED.triangleCount() / 2);
            var c = anywhere(r);
            var box = new Bounds3(c.minus(new Vec3(8, 8, 8)), c.plus(new Vec3(8, 8, 8)));
            var inBox = new TreeSet<Integer>();
            INDEX.inBox(box, inBox::add);
            assertThat(inBox).containsAll(
                    facets(f -> box.contains(MIXED.corner(f, 0)) || box.contains(MIXED.corner(f, 1)) || box.contains(MIXED.corner(f, 2))));
        }
    }

    private static List<Integer> facets(java.util.function.IntPredicate p) {
        return IntStream.range(0, MIXED.triangleCount()).filter(p).boxed().collect(Collectors.toList());
    }

    @Test
    void aLargeMeshIsIndexedByAllCoresAsByOne() {
        var big = Shapes.bumpySphere(80, 60_000);
        var index = Bvh.of(big);
        var r = new Random(9);
        for (int i = 0; i < 50; i++) {
            var d = new Vec3(r.nextGaussian(), r.nextGaussian(), r.nextGaussian()).unit();
            var hits = new ArrayList<Double>();
            index.allDistances(Vec3.ZERO, d, hits::add);
            assertThat(hits).as("a ray from the middle of a star-shaped body leaves once").hasSize(1);
            assertThat(index.closest(d.times(hits.getFirst())).distance()).isCloseTo(0, within(1e-9));
        }
    }

    @Test
    void windingTellsInsideFromOutside() {
        var winding = WindingNumber.of(INDEX);
        var r = new Random(10);
        int inside = 0;
        for (int i = 0; i < 2000; i++) {
            var p = anywhere(r);
            if (INDEX.distance(p) < 0.05) continue;
            double w = winding.at(p);
            assertThat(w).as("whole numbers away from holes").isCloseTo(Math.rint(w), within(0.05));
            assertThat(winding.inside(p)).isEqualTo(INDEX.inside(p));
            if (winding.inside(p)) inside++;
        }
        assertThat(inside).isGreaterThan(50);
    }

    /** A sphere with a fifth of its facets missing: parity by rays is lost, the winding number still leans the right way. */
    @Test
    void windingSurvivesHoles() {
        var ball = Shapes.sphere(50, 48);
        var r = new Random(11);
        var keep = new boolean[ball.triangleCount()];
        for (int f = 0; f < keep.length; f++) keep[f] = r.nextDouble() > 0.2;
        var winding = WindingNumber.of(Bvh.of(ball.only(keep)));
        for (int i = 0; i < 300; i++) {
            var d = new Vec3(r.nextGaussian(), r.nextGaussian(), r.nextGaussian()).unit();
            assertThat(winding.inside(d.times(r.nextDouble(0, 40)))).isTrue();
            assertThat(winding.inside(d.times(r.nextDouble(60, 200)))).isFalse();
        }
        assertThat(WindingNumber.of(Bvh.of(Mesh.empty())).at(Vec3.ZERO)).isZero();
    }

    @Test
    void theGridHoldsTheSignedDistanceOfABall() {
        var ball = Shapes.sphere(40, 96);
        var grid = DistanceGrid.of(Bvh.of(ball), Bounds3.of(-60, -60, -60, 60, 60, 60), 4, Progress.NONE);
        assertThat(grid.nodes()).isEqualTo(31 * 31 * 31);
        var r = new Random(12);
        for (int i = 0; i < 500; i++) {
            var p = new Vec3(r.nextDouble(-58, 58), r.nextDouble(-58, 58), r.nextDouble(-58, 58));
            if (p.norm() < 8) continue; // at the centre the distance has a corner that no grid follows
            assertThat(grid.mm(p)).isCloseTo(p.norm() - 40, within(0.35));
        }
        assertThat(grid.mm(new Vec3(0, 0, 500))).as("beyond the grid: as at its face").isCloseTo(20, within(0.1));
        assertThatThrownBy(() -> DistanceGrid.of(INDEX, Bounds3.of(0, 0, 0, 1000, 1000, 1000), 0.5, Progress.NONE))
                .hasMessageContaining("too large");
        assertThatThrownBy(() -> DistanceGrid.of(INDEX, Bounds3.of(0, 0, 0, 1, 1, 1), 0, Progress.NONE))
                .hasMessageContaining("wider than 0");
    }

    @Test
    void overlapsAreFoundBetweenBodiesAndWithinOne() {
        var apart = Mesh.union(List.of(Shapes.sphere(10, 24), Shapes.sphere(10, 24).moved(new Vec3(25, 0, 0))));
        assertThat(overlaps(apart).crossings()).isZero();
        var through = Mesh.union(List.of(Shapes.sphere(10, 24), Shapes.sphere(10, 24).moved(new Vec3(12, 0.3, 0.2)),
                Shapes.sphere(3, 12).moved(new Vec3(90, 0, 0))));
        var found = overlaps(through);
        assertThat(found.crossings()).isGreaterThan(10);
        assertThat(found.pairs()).containsExactly(new Overlaps.Pair(0, 1));
        assertThat(found.places()).allSatisfy(f -> assertThat(through.centroid(f).x()).isBetween(2.0, 10.0));
        var within = overlaps(Shapes.torus(10, 14, 40, 40)); // a tube wider than its ring runs through itself
        assertThat(within.pairs()).containsExactly(new Overlaps.Pair(0, 0));
        assertThat(overlaps(Shapes.torus(40, 12, 60, 30)).crossings()).isZero();
    }

    @Test
    void whereFewEdgesAreTriedTheBoundIsTold() {
        var ball = Shapes.sphere(10, 60);
        var r = new Random(5);
        int missed = 0, asked = 0;
        for (int i = 0; i < 40; i++) {
            var m = Mesh.union(List.of(ball, ball.moved(new Vec3(r.nextDouble(19, 19.95), r.nextDouble(), r.nextDouble()))));
            var edges = new Edges(m);
            var all = overlaps(m);
            assertThat(all.foundFrom()).isEqualTo(1);
            var few = Overlaps.of(m, edges, Bodies.of(m, edges), Bvh.of(m), all.edges() / 10, Progress.NONE);
            assertThat(few.tested()).isLessThanOrEqualTo(all.edges() / 10);
            assertThat(few.foundFrom()).as("of 0.9 to the power of it a twentieth is left").isBetween(29, 32);
            assertThat(HealthFindings.tried(all)).isEqualTo("every edge was tried");
            assertThat(HealthFindings.tried(few)).contains("one edge in 10", few.foundFrom() + " edges or more", "19 of 20");
            if (all.crossings() < few.foundFrom()) continue;
            asked++;
            if (few.crossings() == 0) missed++;
        }
        assertThat(asked).isGreaterThan(10);
        assertThat(missed).isLessThanOrEqualTo(asked / 10);
    }

    private static Overlaps overlaps(Mesh m) {
        return Overlaps.of(m, Bvh.of(m), Progress.NONE);
    }

    @Test
    void wallsAreAsThickAsTheShellWasMade() {
        var shell = Shapes.cappedShell(90, 3, 45, 96, 48);
        var walls = WallThickness.of(shell, Bvh.of(shell));
        assertThat(walls.percentile(0.5)).isCloseTo(3, within(0.02));
        assertThat(walls.shareBelow(2.9)).isLessThan(0.02);
        assertThat(walls.shareBelow(3.2)).isGreaterThan(0.93); // the rim looks through the whole shell
        assertThat(walls.without()).isZero();
        assertThat(walls.sortedMm()).isSorted();
        var solid = Shapes.box(Vec3.ZERO, new Vec3(50, 40, 5));
        assertThat(WallThickness.of(solid, Bvh.of(solid)).percentile(0.5)).isCloseTo(5, within(1e-6));
        var sheet = solid.only(new boolean[] {true, true, false, false, false, false, false, false, false, false, false, false});
        assertThat(WallThickness.of(sheet, Bvh.of(sheet)).known()).as("an open sheet has no wall").isFalse();
        assertThat(Arrays.stream(walls.sortedMm()).max().orElse(0)).isLessThan(180);
    }

    /** Edges where the model bends sharply are still there in the proxy: none of its points has moved off the box. */
    @Test
    void theProxyKeepsCreases() {
        var b = new MeshBuilder(1, 1);
        int n = 40;
        for (int side = 0; side < 6; side++) { // a box of many small facets
            int axis = side / 2;
            double at = side % 2 == 0 ? 0 : 60;
            for (int i = 0; i < n; i++) for (int j = 0; j < n; j++) {
                var q = new int[4];
                for (int c = 0; c < 4; c++) {
                    double u = 60.0 * (i + (c == 1 || c == 2 ? 1 : 0)) / n, v = 60.0 * (j + (c >= 2 ? 1 : 0)) / n;
                    q[c] = b.addVertex(axis == 0 ? at : u, axis == 1 ? at : axis == 0 ? u : v, axis == 2 ? at : v);
                }
                boolean turn = side % 2 == 0 ^ axis == 1;
                if (turn) b.addQuad(q[0], q[3], q[2], q[1]);
                else b.addQuad(q[0], q[1], q[2], q[3]);
            }
        }
        var box = Mend.of(b.build(), java.util.Set.of(Mend.Step.WELD), 0.001, Progress.NONE).mesh();
        MeshAssert.assertClosed(box);
        var light = Simplify.to(box, 300, Progress.NONE);
        assertThat(light.triangleCount()).isLessThanOrEqualTo(300);
        MeshAssert.assertVolume(light, 60 * 60 * 60, 1e-9);
        assertThat(light.areaMm2()).isCloseTo(6 * 3600, within(1e-6));
    }
}
