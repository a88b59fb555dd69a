package yellowbracket.mesh.repair;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import yellowbracket.mesh.Borders;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshAssert;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Polygon3;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.repair.Mend.Step;

class MendTest {
    private static final Mesh BALL = Shapes.sphere(30, 24);

    private static Mend mend(Mesh m, Step... steps) {
        return Mend.of(m, Set.of(steps), Mend.WELD_MM, Progress.NONE);
    }

    private static Mesh without(Mesh m, int... triangles) {
        var keep = new boolean[m.triangleCount()];
        Arrays.fill(keep, true);
        for (int f : triangles) keep[f] = false;
        return m.only(keep);
    }

    /** Every triangle with corners of its own, each moved by up to {@code by} mm: a soup. */
    private static Mesh soup(Mesh m, double by) {
        var random = new SplittableRandom(4);
        var b = new MeshBuilder(3 * m.triangleCount(), m.triangleCount());
        for (int f = 0; f < m.triangleCount(); f++) {
            var v = new int[3];
            for (int k = 0; k < 3; k++) v[k] = b.addVertex(
                    m.corner(f, k).plus(new Vec3(random.nextDouble(-by, by), random.nextDouble(-by, by), random.nextDouble(-by, by))));
            b.addTriangle(v[0], v[1], v[2]);
        }
        return b.build();
    }

    private static Mesh turnedOver(Mesh m, int... triangles) {
        var t = m.copyTriangles();
        for (int f : triangles) {
            int swap = t[3 * f];
            t[3 * f] = t[3 * f + 1];
            t[3 * f + 1] = swap;
        }
        return Mesh.of(m.copyXyz(), t);
    }

    private static Mesh withTriangles(Mesh m, int... corners) {
        var t = m.copyTriangles();
        int n = t.length;
        t = Arrays.copyOf(t, n + corners.length);
        System.arraycopy(corners, 0, t, n, corners.length);
        return Mesh.of(m.copyXyz(), t);
    }

    @Test
    void aSoupWithinReachIsWeldedShut() {
        var soup = soup(BALL, 0.002);
        assertThat(MeshHealth.of(soup).boundaryEdges()).isEqualTo(3 * BALL.triangleCount());
        var done = mend(soup, Step.WELD);
        MeshAssert.assertClosed(done.mesh());
        MeshAssert.assertVolume(done.mesh(), BALL.volumeMm3(), 1e-3);
        assertThat(done.changes()).singleElement().satisfies(c -> {
            assertThat(c.count()).isEqualTo(soup.vertexCount() - BALL.vertexCount());
            assertThat(c.words()).contains("faults " + 3 * BALL.triangleCount() + " to 0");
        });
    }

    @Test
    void duplicatesAndTrianglesWithoutAreaGo() {
        int a = BALL.vertex(7, 0), b = BALL.vertex(7, 1), c = BALL.vertex(7, 2);
        var bad = withTriangles(BALL, b, a, c, a, a, b);
        var h = MeshHealth.of(bad);
        assertThat(h.duplicateTriangles()).isEqualTo(1);
        assertThat(h.degenerateTriangles()).isEqualTo(1);
        var done = mend(bad, Step.DROP_DEGENERATE, Step.DROP_DUPLICATE);
        MeshAssert.assertClosed(done.mesh());
        assertThat(done.mesh().triangleCount()).isEqualTo(BALL.triangleCount());
    }

    @Test
    void facetsTurnedOverAreTurnedBack() {
        var done = mend(turnedOver(BALL, 3, 4, 5, 90, 91), Step.ORIENT);
        MeshAssert.assertClosed(done.mesh());
        MeshAssert.assertVolume(done.mesh(), BALL.volumeMm3(), 1e-12);
        assertThat(done.changes().getFirst().count()).isEqualTo(5);
    }

    @Test
    void aBodyInsideOutIsTurnedAndACavityIsLeft() {
        var inner = MeshAssert.turnedInside(Shapes.sphere(10, 16));
        var done = mend(Mesh.union(List.of(MeshAssert.turnedInside(BALL), inner)), Step.ORIENT);
        assertThat(MeshHealth.of(done.mesh()).flippedBodies()).isZero();
        assertThat(done.mesh().volumeMm3()).as("the ball less its void").isCloseTo(BALL.volumeMm3() + inner.volumeMm3(), within(1e-6));
    }

    /** A body beside another's hollow, within its box but not within it, is no cavity. */
    @Test
    void aBodyInTheHollowOfABowlIsNotTakenForACavity() {
        var bowl = Shapes.cappedShell(60, 4, 50, 40, 20);
        var ball = MeshAssert.turnedInside(Shapes.sphere(10, 16));
        assertThat(MeshHealth.of(Mesh.union(List.of(bowl, ball))).flippedBodies()).isEqualTo(1);
    }

    @Test
    void smallHolesAreFilledAndOpeningsAreNot() {
        var small = without(BALL, 100, 101, 102);
        var done = mend(small, Step.FILL);
        MeshAssert.assertClosed(done.mesh());
        MeshAssert.assertVolume(done.mesh(), BALL.volumeMm3(), 0.01);
        var neck = Shapes.sphere(100, 160); // a border of 160 edges is an opening
        var open = without(neck,
                java.util.stream.IntStream.range(0, neck.triangleCount()).filter(f -> neck.centroid(f).z() < -60).toArray());
        assertThat(mend(open, Step.FILL).mesh()).isSameAs(open);
    }

    @Test
    void nothingIsDoneUnasked() {
        var bad = without(BALL, 1);
        assertThat(mend(bad).mesh()).isSameAs(bad);
        assertThat(mend(BALL, Step.values()).mesh()).as("a closed mesh is left as it is").isSameAs(BALL);
        assertThat(mend(BALL, Step.values()).changes()).hasSize(5).allSatisfy(c -> assertThat(c.words()).endsWith("nothing to do"));
    }

    /** Welding the two sides of a wall thinner than the tolerance would ruin it: the step is left out and says so. */
    @Test
    void aStepThatWouldMakeItWorseIsNotTaken() {
        var plate = Shapes.box(Vec3.ZERO, new Vec3(20, 20, 0.008));
        var done = mend(plate, Step.WELD);
        assertThat(done.mesh()).isSameAs(plate);
        assertThat(done.changes().getFirst().taken()).isFalse();
        assertThat(done.changes().getFirst().words()).contains("left out");
    }

    static Stream<Long> seeds() {
        return Stream.iterate(1L, s -> s + 1).limit(40);
    }

    /** Any damage, any steps: what keeps the mesh from being closed never grows, and a closed mesh stays closed. */
    @ParameterizedTest
    @MethodSource("seeds")
    void mendingNeverMakesItWorse(long seed) {
        var random = new SplittableRandom(seed);
        var shapes = List.of(BALL, Shapes.torus(30, 9, 20, 10), Shapes.cappedShell(40, 2, 40, 24, 12),
                Mesh.union(List.of(Shapes.sphere(12, 10), Shapes.sphere(12, 10).moved(new Vec3(15, 0, 0)))));
        var m = shapes.get(random.nextInt(shapes.size()));
        for (int i = random.nextInt(5); i > 0; i--) m = damage(m, random);
        var steps = EnumSet.noneOf(Step.class);
        for (var s : Step.values()) if (random.nextBoolean()) steps.add(s);
        var before = MeshHealth.of(m);
        var after = MeshHealth.of(Mend.of(m, steps, Mend.WELD_MM, Progress.NONE).mesh());
        assertThat(after.boundaryEdges() + after.nonManifoldEdges() + after.misorientedEdges())
                .isLessThanOrEqualTo(before.boundaryEdges() + before.nonManifoldEdges() + before.misorientedEdges());
        if (before.closed()) assertThat(after.closed()).isTrue();
    }

    private static Mesh damage(Mesh m, SplittableRandom random) {
        int f = random.nextInt(m.triangleCount());
        return switch (random.nextInt(5)) {
            case 0 -> without(m, f);
            case 1 -> turnedOver(m, f);
            case 2 -> withTriangles(m, m.vertex(f, 0), m.vertex(f, 1), m.vertex(f, 2));
            case 3 -> withTriangles(m, m.vertex(f, 0), m.vertex(f, 0), m.vertex(f, 1));
            default -> soup(m, 0.001);
        };
    }

    @Test
    void bordersComeAsLoops() {
        var two = without(BALL, 100, 300);
        var borders = Borders.of(two);
        assertThat(borders.loops()).hasSize(2).allSatisfy(l -> assertThat(l).hasSize(3));
        assertThat(borders.loose()).isZero();
        assertThat(Borders.of(BALL).loops()).isEmpty();
    }

    /** Outlines of every kind: their triangles cover exactly the outline's area, and use each corner. */
    @Test
    void polygonsAreCoveredOnce() {
        var random = new SplittableRandom(9);
        for (int i = 0; i < 200; i++) {
            int n = random.nextInt(3, 40);
            var outline = new ArrayList<Vec3>();
            for (int k = 0; k < n; k++) { // a star about the middle, tilted in space
                double a = 2 * Math.PI * k / n, r = random.nextDouble(4, 20);
                outline.add(new Vec3(r * Math.cos(a), r * Math.sin(a), 0.3 * r * Math.cos(a)));
            }
            double area = 0;
            for (int k = 0; k < n; k++) area += outline.get(k).cross(outline.get((k + 1) % n)).dot(new Vec3(-0.3, 0, 1).unit()) / 2;
            double covered = 0;
            var triangles = Polygon3.triangles(outline);
            for (var t : triangles)
                covered += outline.get(t[1]).minus(outline.get(t[0])).cross(outline.get(t[2]).minus(outline.get(t[0]))).norm() / 2;
            assertThat(triangles).hasSize(n - 2);
            assertThat(covered).isCloseTo(area, within(1e-9 * area));
        }
    }
}
