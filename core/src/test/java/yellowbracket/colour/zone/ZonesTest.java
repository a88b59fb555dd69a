package yellowbracket.colour.zone;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.HashSet;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.mesh.Adjacency;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

class ZonesTest {
    private static final Mesh CUBE = Shapes.box(new Vec3(0, 0, 0), new Vec3(40, 40, 40));
    private static final Mesh BALL = Shapes.sphere(50, 96);

    private static Painted brushed(Painted p, Vec3 at, double radius, int zone) {
        var brush = new Brush(p, radius);
        var near = Bvh.of(p.mesh()).closest(at);
        brush.add(near.triangle(), near.point());
        return brush.onto(zone);
    }

    /** Closed as before, areas add up, pieces of a facet lie together, and every vertex is used from both sides. */
    private static Painted whole(Painted p) {
        double sum = IntStream.range(0, p.count()).map(p::zone).distinct().mapToDouble(p::areaMm2).sum();
        assertThat(sum).isCloseTo(p.base().areaMm2(), within(1e-9 * p.base().areaMm2()));
        var adjacency = new Adjacency(p.mesh());
        for (int c = 0; c < 3 * p.count(); c++) assertThat(adjacency.across(c)).as("corner %d has a neighbour", c).isNotNegative();
        var perFacet = new double[p.base().triangleCount()];
        for (int f = 0; f < p.count(); f++) perFacet[p.facet(f)] += p.mesh().area(f);
        for (int f = 0; f < perFacet.length; f++)
            assertThat(perFacet[f]).isCloseTo(p.base().area(f), within(1e-9 * (1 + p.base().area(f))));
        return p;
    }

    private static double borders(Painted p) {
        return BorderLines.of(p).stream().mapToDouble(Border::lengthMm).sum();
    }

    @Test
    void aCubeFloodsIntoSixZonesWithTwelveBorders() {
        var p = Painted.all(CUBE, 0);
        for (int z = 1; z <= 6; z++) {
            int free = IntStream.range(0, p.count()).filter(zoneZero(p)).findFirst().orElseThrow();
            p = p.with(Region.flood(p, free, 30, false), z);
        }
        whole(p);
        for (int z = 1; z <= 6; z++) assertThat(p.areaMm2(z)).isCloseTo(1600, within(1e-9));
        var lines = BorderLines.of(p);
        assertThat(lines).hasSize(12).allSatisfy(b -> assertThat(b.atEdge()).isEqualTo(1));
        assertThat(borders(p)).isCloseTo(12 * 40, within(1e-6));
    }

    private static java.util.function.IntPredicate zoneZero(Painted p) {
        return f -> p.zone(f) == 0;
    }

    @ParameterizedTest
    @ValueSource(doubles = {10, 35, 60, 90, 140})
    void aCapOfASphereCutByAPlane(double deg) {
        double a = Math.toRadians(deg);
        var p = whole(Side.of(Painted.all(Shapes.sphere(50, 256), 0), new Vec3(0.2, -0.3, 0.9),
                50 * Math.cos(a) * new Vec3(0.2, -0.3, 0.9).norm(), 1, Side.Only.ALL));
        assertThat(p.areaMm2(1)).isCloseTo(2 * Math.PI * 2500 * (1 - Math.cos(a)), within(0.01 * 2 * Math.PI * 2500 * (1 - Math.cos(a))));
        assertThat(borders(p)).isCloseTo(2 * Math.PI * 50 * Math.sin(a), within(0.01 * 2 * Math.PI * 50 * Math.sin(a)));
        assertThat(BorderLines.of(p)).hasSize(1).allMatch(Border::closed);
    }

    @ParameterizedTest
    @ValueSource(doubles = {2, 5, 12, 19})
    void aBrushLeavesADiscOnAPlaneHoweverCoarseTheFacets(double r) {
        var p = whole(brushed(Painted.all(CUBE, 0), new Vec3(20, 20, 40), r, 3));
        assertThat(p.areaMm2(3)).isCloseTo(Math.PI * r * r, within(0.01 * Math.PI * r * r));
        assertThat(borders(p)).isCloseTo(2 * Math.PI * r, within(0.01 * 2 * Math.PI * r));
    }

    @ParameterizedTest
    @ValueSource(doubles = {3, 9, 17})
    void aBrushOverAnEdgeGoesRoundIt(double r) {
        // unfolded, both faces lie in one plane
        var p = whole(brushed(Painted.all(CUBE, 0), new Vec3(20, 40, 40 - r / 3), r, 1));
        assertThat(p.areaMm2(1)).isCloseTo(Math.PI * r * r, within(0.01 * Math.PI * r * r));
    }

    @ParameterizedTest
    @ValueSource(doubles = {8, 20, 40})
    void onACylinderADiscUnrollsToADisc(double r) {
        var tube = Shapes.tube(60, 57, -80, 80, 180);
        var p = whole(brushed(Painted.all(tube, 0), new Vec3(60, 0, 0), r, 1));
        assertThat(p.areaMm2(1)).isCloseTo(Math.PI * r * r, within(0.015 * Math.PI * r * r));
    }

    @ParameterizedTest
    @ValueSource(doubles = {5, 20, 60})
    void onASphereItIsACap(double r) {
        double cap = 2 * Math.PI * 2500 * (1 - Math.cos(r / 50));
        var p = whole(brushed(Painted.all(BALL, 0), new Vec3(30, 20, 40), r, 1));
        assertThat(p.areaMm2(1)).isCloseTo(cap, within(0.015 * cap));
    }

    @Test
    void aBrushDoesNotGoThroughAThinWall() {
        var shell = Shapes.tube(60, 58.5, -80, 80, 180);
        var p = whole(brushed(Painted.all(shell, 0), new Vec3(60, 0, 0), 10, 1));
        for (int f = 0; f < p.count(); f++) if (p.zone(f) == 1) {
            var c = p.mesh().centroid(f);
            assertThat(Math.hypot(c.x(), c.y())).isGreaterThan(59.5);
        }
    }

    @Test
    void aStrokeTakesAllItWentOver() {
        var brush = new Brush(Painted.all(CUBE, 0), 5);
        for (double x = 8; x <= 32; x += 0.25) brush.add(Bvh.of(CUBE).closest(new Vec3(x, 20, 40)).triangle(), new Vec3(x, 20, 40));
        double stadium = Math.PI * 25 + 24 * 10;
        var p = whole(brush.onto(1));
        assertThat(p.areaMm2(1)).isCloseTo(stadium, within(0.015 * stadium));
        assertThat(brush.points()).hasSizeLessThan(35);
    }

    @Test
    void growingAndShrinkingMoveTheBorderByThatMuch() {
        var disc = brushed(Painted.all(CUBE, 0), new Vec3(20, 20, 40), 10, 1);
        var more = whole(Outline.grown(disc, 1, 3));
        var less = whole(Outline.grown(disc, 1, -4));
        assertThat(more.areaMm2(1)).isCloseTo(Math.PI * 169, within(0.02 * Math.PI * 169));
        assertThat(less.areaMm2(1)).isCloseTo(Math.PI * 36, within(0.03 * Math.PI * 36));
        assertThat(whole(Outline.grown(disc, 1, -30)).areaMm2(1)).isZero();
    }

    @Test
    void aRaggedBorderBecomesStraightAndKeepsItsPlace() {
        var fine = Shapes.sphere(50, 96);
        var ragged = Painted.of(fine, f -> fine.centroid(f).dot(new Vec3(0.6, 0.1, 0.79)) > 20 ? 1 : 0);
        var even = whole(Outline.smoothed(ragged, 1, 6));
        double circle = 2 * Math.PI * Math.sqrt(2500 - 400 / new Vec3(0.6, 0.1, 0.79).dot(new Vec3(0.6, 0.1, 0.79)));
        double before = raw(ragged), after = raw(even);
        assertThat(before).isGreaterThan(1.15 * circle);
        assertThat(after).isCloseTo(circle, within(0.02 * circle));
        assertThat(even.areaMm2(1)).isCloseTo(ragged.areaMm2(1), within(0.02 * ragged.areaMm2(1)));
        assertThat(borders(ragged)).as("tape along the ragged one").isCloseTo(circle, within(0.05 * circle));
    }

    /** Along the facets, with every tooth. */
    private static double raw(Painted p) {
        double sum = 0;
        for (int c = 0; c < 3 * p.count(); c++) {
            int across = p.adjacency().across(c);
            if (across > c && p.zone(across / 3) != p.zone(c / 3))
                sum += p.mesh().corner(c / 3, c % 3).distance(p.mesh().corner(c / 3, (c + 1) % 3));
        }
        return sum;
    }

    @Test
    void holesAreFilledAndIslandsParted() {
        var p = brushed(Painted.all(BALL, 0), new Vec3(0, 0, 50), 25, 1);
        p = brushed(p, new Vec3(0, 0, 50), 4, 2);
        p = brushed(p, new Vec3(0, 0, -50), 8, 1);
        var islands = Region.islands(p, 1);
        assertThat(islands).hasSize(2);
        assertThat(Region.area(p.mesh(), islands.get(0))).isGreaterThan(Region.area(p.mesh(), islands.get(1)));
        var filled = p.with(Region.holes(p, 1, 60), 1);
        assertThat(filled.areaMm2(2)).isZero();
        assertThat(p.with(Region.holes(p, 1, 40), 1).areaMm2(2)).as("too large to be a hole").isPositive();
    }

    @Test
    void splitsNobodyNeedsAreTakenBack() {
        var p = Painted.all(CUBE, 0);
        var random = new SplittableRandom(4);
        for (int i = 0; i < 12; i++)
            p = whole(brushed(p, new Vec3(40 * random.nextDouble(), 40 * random.nextDouble(), 40), 3 + 6 * random.nextDouble(), i % 3));
        assertThat(whole(p.with(f -> true, 0).tidied()).count()).isEqualTo(12);
    }

    @Test
    void theTwinOfATwinIsTheSame() {
        var p = Painted.all(BALL, 0);
        p = brushed(p, new Vec3(40, 20, 20), 14, 1);
        p = brushed(p, new Vec3(30, -20, 35), 9, 2);
        var x = new Vec3(1, 0, 0);
        var both = whole(Transfer.twin(p, x, 0));
        for (int z = 1; z <= 2; z++) assertThat(both.areaMm2(z)).isCloseTo(2 * p.areaMm2(z), within(0.02 * p.areaMm2(z)));
        assertThat(Transfer.twin(both, x, 0)).isSameAs(both);
        assertThat(Transfer.twin(both, x.times(-1), 0)).as("from the other half").isSameAs(both);
    }

    @ParameterizedTest
    @ValueSource(ints = {24, 48, 140})
    void anotherMeshOfTheSameShapeGetsThemByNearestPoint(int segments) {
        var p = brushed(Painted.all(BALL, 0), new Vec3(40, 20, 20), 18, 1);
        p = brushed(p, new Vec3(40, 0, 30), 9, 2);
        var other = whole(Transfer.onto(p, Shapes.sphere(50, segments)));
        for (int z = 0; z <= 2; z++) assertThat(other.areaMm2(z)).isCloseTo(p.areaMm2(z), within(0.03 * p.areaMm2(z) + 10));
    }

    @Test
    void whatIsKeptComesBack() {
        var p = brushed(Painted.all(BALL, 0), new Vec3(40, 20, 20), 14, 1);
        var kept = ZoneMap.of(p, BALL.contentHash());
        assertThat(kept.on(BALL)).isEqualTo(p);
        assertThat(ZoneMap.of(kept.on(BALL), BALL.contentHash())).isEqualTo(kept);
        assertThatThrownBy(() -> kept.on(CUBE)).isInstanceOf(IllegalArgumentException.class).hasMessageContaining("facets");
        var scaled = kept.on(BALL).on(BALL.scaled(2));
        assertThat(scaled.areaMm2(1)).isCloseTo(4 * p.areaMm2(1), within(1e-6 * p.areaMm2(1)));
    }

    /** A file tells triangles, not numbers of vertices: who reads it numbers them anew. */
    @Test
    void howAMeshNumbersItsVerticesMakesNoDifference() {
        var p = brushed(Painted.all(BALL, 0), new Vec3(40, 20, 20), 14, 1);
        int n = BALL.vertexCount();
        var xyz = new double[3 * n];
        for (int v = 0; v < n; v++) for (int k = 0; k < 3; k++) xyz[3 * (n - 1 - v) + k] = BALL.point(v).get(k);
        var other = Mesh.of(xyz, IntStream.of(BALL.copyTriangles()).map(v -> n - 1 - v).toArray());
        assertThat(other.contentHash()).isEqualTo(BALL.contentHash());
        var there = whole(ZoneMap.of(p, BALL.contentHash()).on(other));
        assertThat(there.areaMm2(1)).isCloseTo(p.areaMm2(1), within(1e-9 * p.areaMm2(1)));
        assertThat(borders(there)).isCloseTo(borders(p), within(1e-6));
    }

    @Test
    void damagedMapsAreRefusedInWords() {
        String hash = BALL.contentHash();
        int[] none = {};
        assertThatThrownBy(() -> new ZoneMap(hash, 4, new int[] {0, 5}, none, none, new double[0])).hasMessageContaining("5 pieces");
        assertThatThrownBy(() -> new ZoneMap(hash, 4, new int[] {-1, 4}, none, none, new double[0])).hasMessageContaining("no such run");
        assertThatThrownBy(() -> new ZoneMap(hash, 4, new int[] {0, 4}, new int[] {9, 2}, none, new double[0]))
                .hasMessageContaining("facet 9");
        assertThatThrownBy(() -> new ZoneMap(hash, 4, new int[] {0, 4}, none, new int[] {0, 12}, new double[] {0.5}))
                .hasMessageContaining("no such end");
        assertThatThrownBy(() -> new ZoneMap("x", 4, new int[] {0, 4}, none, none, new double[0])).hasMessageContaining("hash");
    }

    @Test
    void randomStrokesKeepEveryFacetInOneZone() {
        var random = new SplittableRandom(11);
        var p = Painted.all(Shapes.torus(50, 18, 48, 20), 0);
        for (int i = 0; i < 25; i++) {
            int zone = random.nextInt(4);
            var at = new Vec3(140 * random.nextDouble() - 70, 140 * random.nextDouble() - 70, 40 * random.nextDouble() - 20);
            p = switch (random.nextInt(5)) {
                case 0 -> p.with(Region.flood(p, random.nextInt(p.count()), 5 + 40 * random.nextDouble(), true), zone);
                case 1 -> Side.of(p, at, 20 * random.nextDouble() * at.norm(), zone, Side.Only.zone(random.nextInt(4)));
                case 2 -> Outline.grown(p, zone, 8 * random.nextDouble() - 4);
                case 3 -> Outline.smoothed(p, zone, 1 + 5 * random.nextDouble());
                default -> brushed(p, at, 2 + 20 * random.nextDouble(), zone);
            };
            whole(p);
        }
        assertThat(new HashSet<>(IntStream.range(0, p.count()).map(p::zone).boxed().toList())).isSubsetOf(0, 1, 2, 3);
        assertThat(ZoneMap.of(p, BALL.contentHash()).on(p.base())).isEqualTo(p);
    }
}
