package yellowbracket.cut.solid;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.GeometryFactory;
import yellowbracket.cut.MatingFace;
import yellowbracket.mesh.DirectedEdge;
import yellowbracket.mesh.Vec3;

/** Edges in a plane joined into loops. Points are numbered; a loop keeps its material on the left. */
class RimChainsTest {
    private static final CutPlane FLOOR = CutPlane.across(2, 0);
    private static final MatingFace FACE = new MatingFace(FLOOR, new GeometryFactory().createPolygon());
    private final Rim rim = new Rim();
    private final List<Vec3> points = new ArrayList<>();

    private int point(double u, double v) {
        points.add(FACE.at(u, v));
        return points.size() - 1;
    }

    private void loop(int... at) {
        for (int i = 0; i < at.length; i++) edge(at[i], at[(i + 1) % at.length]);
    }

    private void edge(int from, int to) {
        rim.put(DirectedEdge.of(from, to));
    }

    private RimChains chains() {
        return RimChains.of(rim, points::get, FLOOR);
    }

    private double area(int[] loop) {
        double sum = 0;
        for (int i = 0; i < loop.length; i++) {
            var a = FACE.flat(points.get(loop[i]));
            var b = FACE.flat(points.get(loop[(i + 1) % loop.length]));
            sum += (a.x * b.y - b.x * a.y) / 2;
        }
        return sum;
    }

    @Test
    void aSquareIsOneLoopWhicheverEdgeComesFirst() {
        int a = point(0, 0), b = point(4, 0), c = point(4, 4), d = point(0, 4);
        edge(c, d);
        edge(a, b);
        edge(d, a);
        edge(b, c);
        assertThat(chains().openChains()).isZero();
        assertThat(chains().loops()).singleElement().isEqualTo(new int[] {a, b, c, d});
    }

    /** Two squares that touch in a corner: the walk must not go from one into the other. */
    @Test
    void loopsThatTouchInAPointArePartedThere() {
        int middle = point(4, 4), a = point(0, 0), b = point(4, 0), d = point(0, 4), e = point(8, 4), f = point(8, 8), g = point(4, 8);
        loop(a, b, middle, d);
        loop(middle, e, f, g);
        assertThat(chains().loops()).hasSize(2).allSatisfy(l -> assertThat(area(l)).isEqualTo(16));
    }

    /** The same corner, but the material lies on the other sides of it: now the two outlines are one, drawn in. */
    @Test
    void aHoleThatTouchesItsOutlineStaysAHole() {
        int a = point(0, 0), b = point(10, 0), c = point(10, 10), d = point(0, 10), p = point(5, 2), q = point(5, 6), r = point(2, 4);
        loop(a, b, c, d);
        loop(a, r, q, p); // clockwise, from the outline's own corner
        var areas = chains().loops().stream().mapToDouble(this::area).sum();
        assertThat(chains().openChains()).isZero();
        assertThat(areas).isEqualTo(100 + area(new int[] {a, r, q, p}));
        assertThat(area(new int[] {a, r, q, p})).isNegative();
    }

    @Test
    void aChainThatDoesNotCloseIsCountedAndLeftOut() {
        int a = point(0, 0), b = point(4, 0), c = point(4, 4);
        loop(a, b, c);
        int x = point(20, 0), y = point(24, 0), z = point(24, 4);
        edge(x, y);
        edge(y, z);
        assertThat(chains().openChains()).isEqualTo(1);
        assertThat(chains().loops()).singleElement().isEqualTo(new int[] {a, b, c});
    }

    /** Where faces lie double, so do their edges. */
    @Test
    void anEdgeThatIsThereTwiceIsWalkedTwice() {
        int a = point(0, 0), b = point(4, 0), c = point(4, 4), d = point(0, 4);
        loop(a, b, c, d);
        loop(a, b, c, d);
        assertThat(chains().loops()).hasSize(2).allSatisfy(l -> assertThat(area(l)).isEqualTo(16));
    }

    /**
     * Loops of any kind over few points, so that they share corners: every edge is used once, in its direction, and no loop passes a corner
     * twice.
     */
    @RepeatedTest(20)
    void everyEdgeIsWalkedOnce(RepetitionInfo which) {
        var random = new Random(which.getCurrentRepetition());
        for (int i = 0; i < 40; i++) point(random.nextDouble(100), random.nextDouble(100));
        for (int l = 0; l < 25; l++) loop(random.ints(0, 40).distinct().limit(3 + random.nextInt(9)).toArray());
        var chains = chains();
        assertThat(chains.openChains()).isZero();
        var walked = new HashMap<Long, Integer>();
        for (var l : chains.loops()) {
            assertThat(l).doesNotHaveDuplicates();
            for (int i = 0; i < l.length; i++) walked.merge(DirectedEdge.of(l[i], l[(i + 1) % l.length]), 1, Integer::sum);
        }
        rim.edges().forEach(edge -> {
            // here: an edge and its reverse may meet in a loop of two, which encloses nothing and is dropped
            long back = DirectedEdge.reverse(edge);
            assertThat(walked.getOrDefault(edge, 0) - walked.getOrDefault(back, 0)).isEqualTo(rim.count(edge) - rim.count(back));
        });
        assertThat(chains.loops().stream().mapToDouble(this::area).sum()).isCloseTo(
                rim.edges().stream().mapToDouble(e -> rim.count(e) * cross(e)).sum(), org.assertj.core.api.Assertions.within(1e-6));
    }

    private double cross(long edge) {
        var a = FACE.flat(points.get(DirectedEdge.from(edge)));
        var b = FACE.flat(points.get(DirectedEdge.to(edge)));
        return (a.x * b.y - b.x * a.y) / 2;
    }
}
