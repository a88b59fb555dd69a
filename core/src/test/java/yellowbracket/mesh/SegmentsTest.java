package yellowbracket.mesh;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Random;
import org.junit.jupiter.api.Test;

/** Fewer segments for the same lines. */
class SegmentsTest {
    private static double[] along(double... points) {
        var out = new double[6 * (points.length / 3 - 1)];
        for (int i = 0; i + 1 < points.length / 3; i++) System.arraycopy(points, 3 * i, out, 6 * i, 6);
        return out;
    }

    @Test
    void aStraightRunIsOneSegmentAndACornerStays() {
        double[] run = along(0, 0, 0, 1, 0, 0, 2, 0, 0, 5, 0, 0, 5, 3, 0);
        assertArrayEquals(new double[] {0, 0, 0, 5, 0, 0, 5, 0, 0, 5, 3, 0}, Segments.straightened(run, 0.01), 1e-12);
    }

    @Test
    void whereThreeMeetStaysACorner() {
        double[] tee = {0, 0, 0, 1, 0, 0, 1, 0, 0, 2, 0, 0, 1, 0, 0, 1, 4, 0};
        assertEquals(18, Segments.straightened(tee, 0.1).length);
    }

    @Test
    void pointsTheWrongWayRoundAreChainedToo() {
        double[] mixed = {1, 0, 0, 0, 0, 0, 1, 0, 0, 2, 0, 0, 3, 0, 0, 2, 0, 0};
        assertEquals(6, Segments.straightened(mixed, 0.01).length);
    }

    @Test
    void nothingStaysNothingAndWhatHasNoLengthDoesNoHarm() {
        assertEquals(0, Segments.straightened(new double[0], 1).length);
        assertEquals(6, Segments.straightened(new double[] {1, 1, 1, 1, 1, 1}, 1).length);
    }

    @Test
    void aRingStaysWithinWhatIsAllowedAndTakesFarFewer() {
        int n = 720;
        double off = 0.2, radius = 100;
        var ring = new double[6 * n];
        for (int i = 0; i < n; i++) for (int e = 0; e < 2; e++) {
            double a = 2 * Math.PI * ((i + e) % n) / n;
            ring[6 * i + 3 * e] = radius * Math.cos(a);
            ring[6 * i + 3 * e + 1] = radius * Math.sin(a);
        }
        double[] few = Segments.straightened(ring, off);
        // a chord that strays by s from its circle spans about sqrt(8 s r)
        int expected = (int) Math.ceil(2 * Math.PI * radius / Math.sqrt(8 * off * radius));
        assertTrue(few.length / 6 <= expected + 8 && few.length / 6 >= expected, few.length / 6 + " for " + expected);
        near(ring, few, off);
    }

    @Test
    void randomWalksStayWithinWhatIsAllowed() {
        var random = new Random(11);
        for (int round = 0; round < 40; round++) {
            var points = new double[3 * 120];
            for (int i = 3; i < points.length; i++) points[i] = points[i - 3] + random.nextGaussian() * (i % 3 == 0 ? 1 : 0.3);
            double[] walk = along(points), few = Segments.straightened(walk, 0.5);
            assertTrue(few.length < walk.length);
            near(walk, few, 0.5);
        }
    }

    private static void near(double[] were, double[] are, double off) {
        for (int i = 0; i < were.length; i += 3) {
            var p = new Vec3(were[i], were[i + 1], were[i + 2]);
            double least = Double.MAX_VALUE;
            for (int s = 0; s < are.length; s += 6) {
                var a = new Vec3(are[s], are[s + 1], are[s + 2]);
                var d = new Vec3(are[s + 3], are[s + 4], are[s + 5]).minus(a);
                double t = Math.clamp(p.minus(a).dot(d) / d.dot(d), 0, 1);
                least = Math.min(least, p.minus(a).minus(d.times(t)).norm());
            }
            assertTrue(least <= off + 1e-9, "off by " + least);
        }
    }
}
