package yellowbracket.mesh;

import java.util.ArrayList;
import java.util.List;

/**
 * Splits a polygon in space, nearly flat, into triangles by ear clipping in the plane of its Newell normal (Meisters 1975; Newell's method
 * after
 * Sutherland and others 1974). Concave outlines are respected; one that crosses itself still gives corners - 2 triangles. O(n^2), so long
 * outlines
 * are halved first.
 */
public final class Polygon3 {
    /** Outlines longer than this are split as a fan: no real facet has so many corners, and clipping would take too long. */
    public static final int MOST_CORNERS = 1500;

    private Polygon3() {}

    /** Index triples into {@code p}, in its sense of turning. */
    public static List<int[]> triangles(List<Vec3> p) {
        int n = p.size();
        var out = new ArrayList<int[]>(Math.max(0, n - 2));
        if (n == 3) out.add(new int[] {0, 1, 2});
        if (n < 4) return out;
        var normal = newell(p);
        if (n > MOST_CORNERS || normal.norm() == 0) {
            for (int i = 1; i + 1 < n; i++) out.add(new int[] {0, i, i + 1});
            return out;
        }
        var z = normal.unit();
        var x = (Math.abs(z.x()) < 0.9 ? Vec3.X : Vec3.Y).cross(z).unit();
        var y = z.cross(x);
        var u = new double[n];
        var v = new double[n];
        for (int i = 0; i < n; i++) {
            u[i] = x.dot(p.get(i));
            v[i] = y.dot(p.get(i));
        }
        clip(u, v, out);
        return out;
    }

    private static Vec3 newell(List<Vec3> p) {
        var sum = Vec3.ZERO;
        var o = p.getFirst();
        for (int i = 0; i < p.size(); i++) sum = sum.plus(p.get(i).minus(o).cross(p.get((i + 1) % p.size()).minus(o)));
        return sum;
    }

    private static void clip(double[] u, double[] v, List<int[]> out) {
        int n = u.length;
        var next = new int[n];
        var prev = new int[n];
        for (int i = 0; i < n; i++) {
            next[i] = (i + 1) % n;
            prev[i] = (i + n - 1) % n;
        }
        int left = n, at = 0;
        while (left > 3) {
            int ear = bestEar(u, v, next, prev, at, left);
            out.add(new int[] {prev[ear], ear, next[ear]});
            next[prev[ear]] = next[ear];
            prev[next[ear]] = prev[ear];
            at = next[ear];
            left--;
        }
        out.add(new int[] {prev[at], at, next[at]});
    }

    /**
     * The first true ear from {@code at} on; a quad is split along its better diagonal; where none is left (crossing outline) the corner
     * that turns most.
     */
    private static int bestEar(double[] u, double[] v, int[] next, int[] prev, int at, int left) {
        if (left == 4) {
            int a = at, b = next[a];
            return quality(u, v, next, prev, a) >= quality(u, v, next, prev, b) ? a : b;
        }
        int best = at;
        double most = Double.NEGATIVE_INFINITY;
        for (int i = 0, k = at; i < left; i++, k = next[k]) {
            double turn = cross(u, v, prev[k], k, next[k]);
            if (turn > 0 && empty(u, v, next, prev, k)) return k;
            if (turn > most) {
                most = turn;
                best = k;
            }
        }
        return best;
    }

    /** Of the split of a quad that cuts off corner {@code k}: the lesser turn of its two triangles, negative when one is turned over. */
    private static double quality(double[] u, double[] v, int[] next, int[] prev, int k) {
        int opposite = next[next[k]];
        return Math.min(cross(u, v, prev[k], k, next[k]), cross(u, v, next[k], opposite, prev[k]));
    }

    private static boolean empty(double[] u, double[] v, int[] next, int[] prev, int k) {
        int a = prev[k], c = next[k];
        for (int q = next[c]; q != a; q = next[q]) {
            if (u[q] == u[a] && v[q] == v[a] || u[q] == u[c] && v[q] == v[c] || u[q] == u[k] && v[q] == v[k]) continue;
            if (cross(u, v, a, k, q) >= 0 && cross(u, v, k, c, q) >= 0 && cross(u, v, c, a, q) >= 0) return false;
        }
        return true;
    }

    private static double cross(double[] u, double[] v, int a, int b, int c) {
        return (u[b] - u[a]) * (v[c] - v[a]) - (v[b] - v[a]) * (u[c] - u[a]);
    }
}
