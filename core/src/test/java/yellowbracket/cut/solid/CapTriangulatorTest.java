package yellowbracket.cut.solid;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class CapTriangulatorTest {
    private final List<double[]> points = new ArrayList<>();

    private int[] loop(double[][] at) {
        var out = new int[at.length];
        for (int i = 0; i < at.length; i++) {
            out[i] = points.size();
            points.add(at[i]);
        }
        return out;
    }

    private int[] triangulate(List<int[]> loops) {
        var u = points.stream().mapToDouble(p -> p[0]).toArray();
        var v = points.stream().mapToDouble(p -> p[1]).toArray();
        var tri = CapTriangulator.triangulate(u, v, loops);
        assertBoundary(tri, loops);
        return tri;
    }

    /** Every edge of the loops once in its direction, every other edge as often forwards as backwards: nothing added, nothing dropped. */
    private static void assertBoundary(int[] tri, List<int[]> loops) {
        Map<Long, Integer> open = new HashMap<>();
        for (int i = 0; i < tri.length; i += 3) for (int k = 0; k < 3; k++) count(open, tri[i + k], tri[i + (k + 1) % 3], 1);
        for (var l : loops) for (int i = 0; i < l.length; i++) count(open, l[i], l[(i + 1) % l.length], -1);
        assertThat(open.values()).allMatch(n -> n == 0);
    }

    private static void count(Map<Long, Integer> open, int a, int b, int n) {
        open.merge(a < b ? (long) a << 32 | b : (long) b << 32 | a, a < b ? n : -n, Integer::sum);
    }

    private double area(int[] tri) {
        double sum = 0;
        for (int i = 0; i < tri.length; i += 3) {
            double[] a = points.get(tri[i]), b = points.get(tri[i + 1]), c = points.get(tri[i + 2]);
            double one = ((b[0] - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (b[1] - a[1])) / 2;
            assertThat(one).as("no triangle lies on its back or is flat").isPositive();
            sum += one;
        }
        return sum;
    }

    private static double[][] ring(double x, double y, double r, int n, boolean hole) {
        var out = new double[n][];
        for (int i = 0; i < n; i++) {
            double a = 2 * Math.PI * i / n * (hole ? -1 : 1) + 0.1;
            out[i] = new double[] {x + r * Math.cos(a), y + r * Math.sin(a)};
        }
        return out;
    }

    private static double ngon(double r, int n) {
        return n * r * r * Math.sin(2 * Math.PI / n) / 2;
    }

    @Test
    void aSquareWithPointsAlongItsSides() {
        var at = new ArrayList<double[]>();
        for (int i = 0; i < 10; i++) at.add(new double[] {i, 0});
        for (int i = 0; i < 10; i++) at.add(new double[] {10, i});
        for (int i = 0; i < 10; i++) at.add(new double[] {10 - i, 10});
        for (int i = 0; i < 10; i++) at.add(new double[] {0, 10 - i});
        var tri = triangulate(List.of(loop(at.toArray(double[][]::new))));
        assertThat(tri).hasSize(3 * 38);
        assertThat(area(tri)).isCloseTo(100, within(1e-9));
    }

    @Test
    void aRingAndAnIslandInItsHole() {
        var loops = List.of(loop(ring(0, 0, 20, 64, false)), loop(ring(0, 0, 15, 48, true)), loop(ring(1, 0, 5, 24, false)));
        assertThat(area(triangulate(loops))).isCloseTo(ngon(20, 64) - ngon(15, 48) + ngon(5, 24), within(1e-9));
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 4, 9, 25})
    void manyHoles(int n) {
        var loops = new ArrayList<int[]>();
        loops.add(loop(new double[][] {{0, 0}, {100, 0}, {100, 100}, {0, 100}}));
        int side = (int) Math.sqrt(n);
        for (int i = 0; i < n; i++) loops.add(
                loop(ring(10 + 80.0 * (i % side) / Math.max(1, side - 1), 10 + 80.0 * (i / side) / Math.max(1, side - 1), 4, 16, true)));
        assertThat(area(triangulate(loops))).isCloseTo(1e4 - n * ngon(4, 16), within(1e-6));
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void jaggedStars(long seed) {
        var r = new Random(seed);
        int n = 40 + r.nextInt(200);
        var at = new double[n][];
        double area = 0;
        for (int i = 0; i < n; i++) {
            double radius = 5 + 45 * r.nextDouble(), a = 2 * Math.PI * i / n;
            at[i] = new double[] {radius * Math.cos(a), radius * Math.sin(a)};
        }
        for (int i = 0; i < n; i++) area += (at[i][0] * at[(i + 1) % n][1] - at[(i + 1) % n][0] * at[i][1]) / 2;
        assertThat(area(triangulate(List.of(loop(at))))).isCloseTo(area, within(1e-6));
    }

    @Test
    void loopsThatCrossStillUseEveryEdge() {
        triangulate(List.of(loop(ring(0, 0, 10, 20, false)), loop(ring(12, 0, 10, 20, false)),
                loop(new double[][] {{-30, 0}, {-20, 10}, {-20, 0}, {-30, 10}})));
    }
}
