package yellowbracket.mesh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yellowbracket.mesh.MeshAssert.turnedInside;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.WallThickness;
import yellowbracket.mesh.repair.FaultEdges;
import yellowbracket.mesh.repair.FaultPlaces;
import yellowbracket.mesh.repair.HealthFindings;
import yellowbracket.mesh.repair.MeshHealth;
import yellowbracket.mesh.repair.Nesting;
import yellowbracket.mesh.repair.Overlaps;

/** Where faults lie, in which bodies, and how they are put in words. */
class FaultsTest {
    private static final Mesh BALL = Shapes.sphere(20, 16);

    private static Mesh without(Mesh m, int... triangles) {
        var keep = new boolean[m.triangleCount()];
        java.util.Arrays.fill(keep, true);
        for (int f : triangles) keep[f] = false;
        return m.only(keep);
    }

    private static MeshHealth health(Mesh m) {
        return MeshHealth.of(m);
    }

    private static Overlaps overlaps(Mesh m) {
        return Overlaps.of(m, Bvh.of(m), Progress.NONE);
    }

    private static List<String> sentences(Mesh m) {
        return HealthFindings.of(health(m), overlaps(m)).stream().map(HealthFindings.Fault::sentence).toList();
    }

    @Test
    void aSoundMeshHasNothingToSay() {
        assertThat(sentences(BALL)).isEmpty();
        assertThat(FaultPlaces.of(BALL, health(BALL), overlaps(BALL))).isEmpty();
        var edges = FaultEdges.of(BALL);
        assertThat(edges.open()).isEmpty();
        assertThat(edges.crowded()).isEmpty();
        assertThat(edges.twisted()).isEmpty();
    }

    @Test
    void waysThroughAreCounted() {
        assertThat(health(BALL).openings()).hasValue(0);
        assertThat(health(Shapes.torus(40, 10, 32, 16)).openings()).hasValue(1);
        assertThat(health(Shapes.cappedShell(70, 7, 60, 32, 20)).openings()).as("a cup has none").hasValue(0);
        var apart = Shapes.torus(40, 10, 32, 16).moved(new Vec3(0, 0, 90));
        assertThat(health(Mesh.union(List.of(BALL, Shapes.torus(40, 10, 32, 16), apart))).openings()).hasValue(2);
        assertThat(health(without(BALL, 120)).openings()).isEmpty();
    }

    @Test
    void openEdgesLieAroundTheHole() {
        int hole = 120;
        var open = without(BALL, hole);
        var edges = FaultEdges.of(open).open();
        assertThat(edges).hasSize(3 * 6);
        var corners = List.of(BALL.corner(hole, 0), BALL.corner(hole, 1), BALL.corner(hole, 2));
        for (int i = 0; i < edges.length; i += 3) assertThat(corners).contains(new Vec3(edges[i], edges[i + 1], edges[i + 2]));
        assertThat(sentences(open)).singleElement().asString().startsWith("3 open edges: ");
        assertThat(health(open).bodies().getFirst().closed()).isFalse();
    }

    @Test
    void threeSheetsOnOneEdgeAreCrowded() {
        var b = new MeshBuilder(5, 3);
        int p = b.addVertex(0, 0, 0), q = b.addVertex(10, 0, 0);
        for (int i = 0; i < 3; i++) b.addTriangle(p, q, b.addVertex(5, 8 * Math.cos(2 * i), 8 * Math.sin(2 * i)));
        var m = b.build();
        assertThat(health(m).nonManifoldEdges()).isEqualTo(1);
        assertThat(FaultEdges.of(m).crowded()).containsExactly(0, 0, 0, 10, 0, 0);
        assertThat(sentences(m)).anyMatch(s -> s.startsWith("1 edge of more than two triangles"));
    }

    @Test
    void aFacetTurnedOverTwistsItsThreeEdges() {
        var t = BALL.copyTriangles();
        int swap = t[300];
        t[300] = t[301];
        t[301] = swap;
        var m = Mesh.of(BALL.copyXyz(), t);
        assertThat(FaultEdges.of(m).twisted()).hasSize(3 * 6);
        assertThat(health(m).misorientedEdges()).isEqualTo(3);
        assertThat(MeshHealth.balanced(m)).isFalse();
    }

    @Test
    void anInvertedBodyIsNamedAndShownAtItsMiddle() {
        var m = Mesh.union(List.of(BALL, turnedInside(Shapes.sphere(8, 12)).moved(new Vec3(60, 0, 0))));
        assertThat(health(m).flippedBodies()).isEqualTo(1);
        assertThat(health(m).bodies()).extracting(MeshHealth.Body::inverted).containsExactly(false, true);
        assertThat(FaultPlaces.of(m, health(m), overlaps(m))).singleElement().satisfies(p -> {
            assertThat(p.words()).isEqualTo("inside out");
            assertThat(p.at().distance(new Vec3(60, 0, 0))).isLessThan(9);
        });
        assertThat(sentences(m)).singleElement().asString().startsWith("1 body inside out");
    }

    @Test
    void placesAreFewAndApart() {
        var balls = new ArrayList<Mesh>();
        for (int i = 0; i < 12; i++) balls.add(Shapes.sphere(10, 12).moved(new Vec3(15 * i, 0.1 * i, 0)));
        var row = Mesh.union(balls);
        var places = FaultPlaces.of(row, health(row), overlaps(row));
        assertThat(places).hasSize(3).allSatisfy(p -> assertThat(p.words()).isEqualTo("bodies cross"));
        for (var p : places)
            for (var q : places) if (p != q) assertThat(p.at().distance(q.at())).isGreaterThan(0.15 * row.bounds().diagonal());
        assertThat(sentences(row)).singleElement().asString().startsWith("11 pairs of bodies that run through each other");
    }

    @Test
    void thinWallsAreSaidWithTheirShareAtTheScale() {
        var shell = Shapes.cappedShell(90, 2, 45, 64, 32);
        var walls = WallThickness.of(shell, Bvh.of(shell));
        assertThat(HealthFindings.thinWalls(walls, 1)).isEmpty();
        assertThat(HealthFindings.thinWalls(walls, 0.5)).as("2 mm at half the scale is 1 mm")
                .contains("thinner than 1.2 mm")
                .matches("\\d+ %.*");
    }

    @Test
    void bodiesWithinBodiesAreToldFromThoseBeside() {
        var m = Mesh.union(List.of(Shapes.sphere(50, 24), Shapes.sphere(5, 12), Shapes.sphere(5, 12).moved(new Vec3(45, 45, 0)),
                Shapes.sphere(5, 12).moved(new Vec3(48, 0, 0))));
        var bodies = Bodies.of(m);
        assertThat(Nesting.enclosed(m, Nesting.numbers(bodies, m.triangleCount()), bodies.count()))
                .as("within; beside, in the box only; half out")
                .containsExactly(false, true, false, false);
    }

    @Test
    void taggedBodiesKeepTheirNumbersInTheProxy() {
        var m = Mesh.union(List.of(Shapes.sphere(30, 64), Shapes.sphere(20, 48).moved(new Vec3(80, 0, 0))));
        var light = Simplify.to(Bodies.of(m).tagged(), 900, Progress.NONE);
        assertThat(light.triangleCount()).isLessThanOrEqualTo(900);
        for (int f = 0; f < light.triangleCount(); f++) assertThat(light.tag(f)).isEqualTo(light.centroid(f).x() > 50 ? 1 : 0);
    }

    @Test
    void pointsWithinReachAreFoundAcrossCells() {
        var random = new Random(4);
        var grid = new PointGrid(4000, 0.5);
        var added = new ArrayList<Vec3>();
        for (int i = 0; i < 4000; i++) {
            var p = new Vec3(random.nextDouble() * 8 - 4, random.nextDouble() * 8 - 4, random.nextDouble() * 8 - 4);
            int found = grid.findOrAdd(p.x(), p.y(), p.z(), added.size());
            double nearest = added.stream().mapToDouble(p::distance).min().orElse(1e9);
            if (found == added.size()) {
                assertThat(nearest).isGreaterThan(0.5);
                added.add(p);
            } else assertThat(added.get(found).distance(p)).isLessThanOrEqualTo(0.5);
        }
        assertThat(added.size()).isBetween(500, 3900);
    }

    @Test
    void mirroringTurnsTheSurfaceOver() {
        var m = Shapes.cappedShell(40, 3, 50, 32, 16).moved(new Vec3(12, 0, 0)).mirrored();
        MeshAssert.assertClosed(m);
        assertThat(m.volumeMm3()).isPositive();
        assertThat(m.bounds().centre().x()).isCloseTo(-12, within(1e-9));
        assertThat(m.mirrored().copyXyz()).isEqualTo(Shapes.cappedShell(40, 3, 50, 32, 16).moved(new Vec3(12, 0, 0)).copyXyz());
    }

    @Test
    void pointsNobodyUsesAreLetGo() {
        var m = Mesh.of(new double[] {9, 9, 9, 0, 0, 0, 1, 0, 0, 0, 1, 0}, new int[] {1, 2, 3});
        assertThat(m.compact().vertexCount()).isEqualTo(3);
        assertThat(m.compact().contentHash()).isEqualTo(m.contentHash());
        assertThat(BALL.compact()).isSameAs(BALL);
    }
}
