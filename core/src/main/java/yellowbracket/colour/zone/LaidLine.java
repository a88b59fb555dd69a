package yellowbracket.colour.zone;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import yellowbracket.mesh.Vec3;

/**
 * A line over facets as tape is laid along it: corners stay, the zigzag of the facets between them goes. Evened out without shrinking
 * (Taubin 1995): a round keeps its length.
 * @param points of a closed line without the first again at the end
 */
record LaidLine(List<Vec3> points, double lengthMm, double leastRadiusMm) {
    /** A turn is a corner where it is sharper, degrees. */
    private static final double CORNER_DEG = 50;
    /** Directions before and behind a corner are looked at over so many segments, and so many mm at least. */
    private static final double SEGMENTS = 4, LEAST_MM = 3;
    /** Taubin's two factors: pass band 0.1. */
    private static final double SHRINK = 0.5, SWELL = -0.526;
    private static final int ROUNDS = 12;
    /** Bends are measured over so many mm each way. */
    private static final double BEND_MM = 4;

    static LaidLine of(List<Vec3> raw, boolean closed) {
        var p = new ArrayList<>(raw);
        if (closed) p.removeLast();
        int n = p.size();
        var x = p.toArray(Vec3[]::new);
        var fixed = corners(x, closed);
        for (int i = 0; i < 2 * ROUNDS; i++) even(x, fixed, closed, i % 2 == 0 ? SHRINK : SWELL);
        double sum = 0;
        for (int i = 0; i < (closed ? n : n - 1); i++) sum += x[i].distance(x[(i + 1) % n]);
        return new LaidLine(Arrays.asList(x), sum, radius(x, fixed, closed));
    }

    private static boolean[] corners(Vec3[] x, boolean closed) {
        int n = x.length;
        var fixed = new boolean[n];
        double sum = 0;
        for (int i = 0; i + 1 < n; i++) sum += x[i].distance(x[i + 1]);
        double reach = Math.max(LEAST_MM, SEGMENTS * sum / Math.max(1, n - 1));
        var turn = new double[n];
        for (int i = 0; i < n; i++) {
            var back = away(x, i, -1, reach, closed);
            var ahead = away(x, i, 1, reach, closed);
            if (back < 0 || ahead < 0) continue;
            var u = x[i].minus(x[back]);
            var v = x[ahead].minus(x[i]);
            double norm = u.norm() * v.norm();
            if (norm > 0) turn[i] = Math.toDegrees(Math.acos(Math.clamp(u.dot(v) / norm, -1, 1)));
        }
        for (int i = 0; i < n; i++) {
            if (!closed && (i == 0 || i == n - 1)) fixed[i] = true;
            else if (turn[i] > CORNER_DEG && sharpest(x, turn, i, reach / 2, closed)) fixed[i] = true;
        }
        return fixed;
    }

    private static boolean sharpest(Vec3[] x, double[] turn, int i, double reach, boolean closed) {
        int n = x.length;
        for (int step : new int[] {-1, 1}) {
            double way = 0;
            for (int j = i, k = 1; k < n && way < reach; k++) {
                int next = j + step;
                if (closed) next = Math.floorMod(next, n);
                else if (next < 0 || next >= n) break;
                way += x[j].distance(x[next]);
                j = next;
                if (turn[j] > turn[i] || turn[j] == turn[i] && j < i) return false;
            }
        }
        return true;
    }

    /** The point at least so far along the line, -1 beyond its ends or all the way round. */
    private static int away(Vec3[] x, int i, int step, double reach, boolean closed) {
        double way = 0;
        int j = i, n = x.length;
        for (int k = 1; k < n; k++) {
            int next = j + step;
            if (closed) next = Math.floorMod(next, n);
            else if (next < 0 || next >= n) return j == i ? -1 : j;
            way += x[j].distance(x[next]);
            j = next;
            if (way >= reach) return j;
        }
        return -1;
    }

    private static void even(Vec3[] x, boolean[] fixed, boolean closed, double by) {
        int n = x.length;
        var old = x.clone();
        for (int i = 0; i < n; i++) {
            if (fixed[i] || !closed && (i == 0 || i == n - 1)) continue;
            var mean = old[(i + n - 1) % n].plus(old[(i + 1) % n]).times(0.5);
            x[i] = old[i].plus(mean.minus(old[i]).times(by));
        }
    }

    /** A tenth of the line, by its points, turns tighter. */
    private static double radius(Vec3[] x, boolean[] fixed, boolean closed) {
        var all = new ArrayList<Double>();
        for (int i = 0; i < x.length; i++) {
            int back = away(x, i, -1, BEND_MM, closed), ahead = away(x, i, 1, BEND_MM, closed);
            if (fixed[i] || back < 0 || ahead < 0 || back == ahead) continue;
            var u = x[i].minus(x[back]);
            var v = x[ahead].minus(x[i]);
            double area2 = u.cross(v).norm(), product = u.norm() * v.norm() * x[ahead].distance(x[back]);
            all.add(area2 > 1e-9 * product ? product / (2 * area2) : Double.POSITIVE_INFINITY);
        }
        if (all.isEmpty()) return Double.POSITIVE_INFINITY;
        all.sort(null);
        return all.get(all.size() / 10);
    }
}
