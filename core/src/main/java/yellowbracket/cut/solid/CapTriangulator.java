package yellowbracket.cut.solid;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.PriorityQueue;
import java.util.function.IntFunction;
import yellowbracket.mesh.Vec3;

/**
 * Triangulates the caps of a plane cut. Unlike a general polygon triangulator it never adds, drops or moves a vertex: each boundary edge is
 * used exactly once, so the capped mesh is closed whatever the input, and the signed area is right even for loops that touch or cross.
 * Ear clipping, shortest diagonal first, over outlines joined to their holes by bridges (Eberly, "Triangulation by ear clipping", 2002);
 * reflex corners are looked up in a grid. About O(n log n) on real caps.
 */
public final class CapTriangulator {
    /** Twice the area, mm2, below which a corner counts as flat. */
    private static final double FLAT = 1e-9;

    private final double[] u;
    private final double[] v;
    private final int[] out;
    private int used;

    private CapTriangulator(double[] u, double[] v, int capacity) {
        this.u = u;
        this.v = v;
        out = new int[3 * Math.max(1, capacity)];
    }

    /**
     * @param u,v coordinates in the plane by vertex index, mm
     * @param loops vertex indices, material on the left: outlines counter-clockwise, holes clockwise
     * @return corner triples, counter-clockwise
     */
    static int[] triangulate(double[] u, double[] v, List<int[]> loops) {
        int n = 0;
        for (var l : loops) n += l.length + 2;
        var t = new CapTriangulator(u, v, n + 2 * loops.size());
        for (var polygon : t.nest(loops)) t.clip(polygon);
        return Arrays.copyOf(t.out, t.used);
    }

    /**
     * As {@link #triangulate}, for loops of any numbered points in a plane.
     * @param loops point numbers, material on the left seen from where the plane's normal points
     * @return corner triples in those numbers, facing along the normal
     */
    public static List<Integer> filled(List<int[]> loops, IntFunction<Vec3> point, CutPlane plane) {
        var keys = loops.stream().flatMapToInt(Arrays::stream).distinct().toArray();
        var local = new HashMap<Integer, Integer>();
        var u = new double[keys.length];
        var v = new double[keys.length];
        var frame = plane.frame();
        for (int i = 0; i < keys.length; i++) {
            local.put(keys[i], i);
            u[i] = frame.u(point.apply(keys[i]));
            v[i] = frame.v(point.apply(keys[i]));
        }
        var out = new ArrayList<Integer>();
        for (int c : triangulate(u, v, loops.stream().map(l -> Arrays.stream(l).map(local::get).toArray()).toList())) out.add(keys[c]);
        return out;
    }

    private record Loop(int[] at, double area2) {}

    /** One corner sequence an outline, its holes bridged in. A hole without an outline is closed on its own, turned over. */
    private List<int[]> nest(List<int[]> loops) {
        var all = loops.stream().map(l -> new Loop(l, area2(l))).toList();
        var outers = all.stream().filter(l -> l.area2 >= 0).sorted(Comparator.comparingDouble(Loop::area2)).toList();
        var holesOf = new ArrayList<List<Loop>>();
        outers.forEach(o -> holesOf.add(new ArrayList<>()));
        var polygons = new ArrayList<int[]>();
        for (var hole : all) {
            if (hole.area2 >= 0) continue;
            int home = -1;
            for (int i = 0; i < outers.size() && home < 0; i++)
                if (outers.get(i).area2 > -hole.area2 * (1 - 1e-9) && holds(outers.get(i).at, hole.at)) home = i;
            if (home >= 0) holesOf.get(home).add(hole);
            else polygons.add(hole.at);
        }
        for (int i = 0; i < outers.size(); i++) polygons.add(bridge(outers.get(i).at, holesOf.get(i)));
        return polygons;
    }

    private double area2(int[] loop) {
        double sum = 0;
        for (int i = 0; i < loop.length; i++) {
            int a = loop[i], b = loop[(i + 1) % loop.length];
            sum += (u[a] - u[loop[0]]) * (v[b] - v[loop[0]]) - (u[b] - u[loop[0]]) * (v[a] - v[loop[0]]);
        }
        return sum;
    }

    /** Whether most of a few edge midpoints of {@code inner} lie within {@code outer}. */
    private boolean holds(int[] outer, int[] inner) {
        int votes = 0, asked = 0, step = Math.max(1, inner.length / 7);
        for (int i = 0; i < inner.length; i += step, asked++) {
            int a = inner[i], b = inner[(i + 1) % inner.length];
            if (within(outer, (u[a] + u[b]) / 2, (v[a] + v[b]) / 2)) votes++;
        }
        return 2 * votes > asked;
    }

    private boolean within(int[] loop, double px, double py) {
        boolean in = false;
        for (int i = 0, j = loop.length - 1; i < loop.length; j = i++) {
            int a = loop[i], b = loop[j];
            if (v[a] > py != v[b] > py && px < (u[b] - u[a]) * (py - v[a]) / (v[b] - v[a]) + u[a]) in = !in;
        }
        return in;
    }

    /** Holes from right to left, each joined to the outline by an edge that is walked both ways. */
    private int[] bridge(int[] outline, List<Loop> holes) {
        var ring = outline;
        var order = new ArrayList<>(holes);
        order.sort(Comparator.comparingDouble((Loop h) -> u[h.at[rightmost(h.at)]]).reversed());
        for (var hole : order) {
            int h = rightmost(hole.at), at = visibleFrom(ring, hole.at[h]);
            var next = new int[ring.length + hole.at.length + 2];
            System.arraycopy(ring, 0, next, 0, at + 1);
            for (int i = 0; i <= hole.at.length; i++) next[at + 1 + i] = hole.at[(h + i) % hole.at.length];
            System.arraycopy(ring, at, next, at + hole.at.length + 2, ring.length - at);
            ring = next;
        }
        return ring;
    }

    private int rightmost(int[] loop) {
        int best = 0;
        for (int i = 1; i < loop.length; i++)
            if (u[loop[i]] > u[loop[best]] || u[loop[i]] == u[loop[best]] && v[loop[i]] > v[loop[best]]) best = i;
        return best;
    }

    /** Position in {@code ring} of a corner seen from vertex {@code m}, looking towards +u. */
    private int visibleFrom(int[] ring, int m) {
        double px = u[m], py = v[m], nearest = Double.POSITIVE_INFINITY;
        int best = -1;
        for (int i = 0; i < ring.length; i++) {
            int a = ring[i], b = ring[(i + 1) % ring.length];
            if (v[a] > py || v[b] < py || v[a] == v[b]) continue; // material lies left of a -> b: only upward edges can be met from inside
            double x = u[a] + (py - v[a]) * (u[b] - u[a]) / (v[b] - v[a]);
            if (x >= px && x < nearest) {
                nearest = x;
                best = u[a] > u[b] ? i : (i + 1) % ring.length;
            }
        }
        if (best < 0) return nearestCorner(ring, m);
        return leastTurnWithin(ring, px, py, nearest, best);
    }

    /** Of the corners within the triangle (m, hit, best) the one at the smallest angle to the ray hides no other. */
    private int leastTurnWithin(int[] ring, double px, double py, double hitX, int best) {
        int c = ring[best], chosen = best;
        double least = Math.abs(v[c] - py) / Math.max(1e-12, u[c] - px);
        for (int i = 0; i < ring.length; i++) {
            int q = ring[i];
            if (u[q] < px || !inTriangle(u[q], v[q], px, py, hitX, py, u[c], v[c])) continue;
            double turn = Math.abs(v[q] - py) / Math.max(1e-12, u[q] - px);
            if (turn < least && locallyInside(ring, i, px, py)) {
                least = turn;
                chosen = i;
            }
        }
        return chosen;
    }

    /** Whether a segment that leaves ring corner {@code i} towards (px, py) starts within the material. */
    private boolean locallyInside(int[] ring, int i, double px, double py) {
        int a = ring[(i + ring.length - 1) % ring.length], b = ring[i], c = ring[(i + 1) % ring.length];
        boolean leftOfIn = cross(u[a], v[a], u[b], v[b], px, py) > 0, leftOfOut = cross(u[b], v[b], u[c], v[c], px, py) > 0;
        return cross(a, b, c) > 0 ? leftOfIn && leftOfOut : leftOfIn || leftOfOut;
    }

    private int nearestCorner(int[] ring, int m) {
        int best = 0;
        double least = Double.POSITIVE_INFINITY;
        for (int i = 0; i < ring.length; i++) {
            double d = Math.hypot(u[ring[i]] - u[m], v[ring[i]] - v[m]);
            if (d < least) {
                least = d;
                best = i;
            }
        }
        return best;
    }

    private void clip(int[] ring) {
        if (ring.length >= 3) new EarClipper(ring).run();
    }

    private double cross(int a, int b, int c) {
        return cross(u[a], v[a], u[b], v[b], u[c], v[c]);
    }

    private static double cross(double ax, double ay, double bx, double by, double cx, double cy) {
        return (bx - ax) * (cy - ay) - (cx - ax) * (by - ay);
    }

    /** Closed triangle, either way round. */
    private static boolean inTriangle(double px, double py, double ax, double ay, double bx, double by, double cx, double cy) {
        double d1 = cross(ax, ay, bx, by, px, py), d2 = cross(bx, by, cx, cy, px, py), d3 = cross(cx, cy, ax, ay, px, py);
        return !((d1 < 0 || d2 < 0 || d3 < 0) && (d1 > 0 || d2 > 0 || d3 > 0));
    }

    /** Clips one closed sequence of corners; positions in the sequence are linked both ways. */
    private final class EarClipper {
        private record Ear(int at, int stamp, double diagonal) {}

        private final int[] ring;
        private final int[] prev;
        private final int[] next;
        private final int[] stamp;
        private final boolean[] gone;
        private final ReflexGrid grid;
        private final PriorityQueue<Ear> queue = new PriorityQueue<>(Comparator.comparingDouble(Ear::diagonal).thenComparingInt(Ear::at));
        private int left;

        EarClipper(int[] ring) {
            this.ring = ring;
            left = ring.length;
            prev = new int[left];
            next = new int[left];
            stamp = new int[left];
            gone = new boolean[left];
            for (int i = 0; i < left; i++) {
                prev[i] = (i + left - 1) % left;
                next[i] = (i + 1) % left;
            }
            grid = new ReflexGrid(ring);
            for (int i = 0; i < left; i++) if (corner(i) <= FLAT) grid.add(i);
        }

        void run() {
            offerAll();
            boolean progressed = true;
            while (left > 3) {
                var ear = queue.poll();
                if (ear == null) {
                    if (!progressed) cut(leastHarm());
                    progressed = false;
                    offerAll();
                    continue;
                }
                if (gone[ear.at] || stamp[ear.at] != ear.stamp || !clear(ear.at)) continue;
                cut(ear.at);
                progressed = true;
            }
            int i = 0;
            while (gone[i]) i++;
            emit(i);
        }

        private void offerAll() {
            for (int i = 0; i < ring.length; i++) if (!gone[i]) offer(i);
        }

        private void offer(int i) {
            stamp[i]++;
            if (corner(i) > FLAT) queue.add(new Ear(i, stamp[i], diagonal(i)));
        }

        private double diagonal(int i) {
            int a = ring[prev[i]], c = ring[next[i]];
            return (u[c] - u[a]) * (u[c] - u[a]) + (v[c] - v[a]) * (v[c] - v[a]);
        }

        private double corner(int i) {
            return cross(ring[prev[i]], ring[i], ring[next[i]]);
        }

        private boolean clear(int i) {
            return grid.clear(ring[prev[i]], ring[i], ring[next[i]], gone);
        }

        /**
         * When no proper ear is left (touching or crossing loops): the flattest convex corner, so that the work ends and every edge is
         * used.
         */
        private int leastHarm() {
            int best = -1;
            double least = Double.POSITIVE_INFINITY;
            for (int i = 0; i < ring.length; i++) {
                if (gone[i]) continue;
                double c = corner(i), harm = c > FLAT ? diagonal(i) : 1e12 + Math.abs(c);
                if (harm < least) {
                    least = harm;
                    best = i;
                }
            }
            return best;
        }

        private void cut(int i) {
            emit(i);
            gone[i] = true;
            left--;
            next[prev[i]] = next[i];
            prev[next[i]] = prev[i];
            offer(prev[i]);
            offer(next[i]);
        }

        private void emit(int i) {
            int a = ring[prev[i]], b = ring[i], c = ring[next[i]];
            if (a == b || b == c || c == a) return; // a bridge walked to and fro encloses nothing
            out[used] = a;
            out[used + 1] = b;
            out[used + 2] = c;
            used += 3;
        }
    }

    /** Corners that are not convex, by cell; a corner never becomes reflex later, so nothing is added after the start. */
    private final class ReflexGrid {
        private final int[] ring;
        private final double minU;
        private final double minV;
        private final double cell;
        private final int columns;
        private final int rows;
        private final int[] head;
        private final int[] link;

        ReflexGrid(int[] ring) {
            this.ring = ring;
            double lu = 1e300, lv = 1e300, hu = -1e300, hv = -1e300;
            for (int at : ring) {
                lu = Math.min(lu, u[at]);
                hu = Math.max(hu, u[at]);
                lv = Math.min(lv, v[at]);
                hv = Math.max(hv, v[at]);
            }
            minU = lu;
            minV = lv;
            cell = Math.max(1e-9,
                    Math.sqrt(Math.max(1e-12, (hu - lu) * (hv - lv)) / Math.max(1, ring.length)) * 1.5 + Math.max(hu - lu, hv - lv) / 512);
            columns = (int) ((hu - lu) / cell) + 1;
            rows = (int) ((hv - lv) / cell) + 1;
            head = new int[columns * rows];
            Arrays.fill(head, -1);
            link = new int[ring.length];
        }

        void add(int i) {
            int at = column(u[ring[i]]) + columns * row(v[ring[i]]);
            link[i] = head[at];
            head[at] = i;
        }

        /** Whether no reflex corner but the triangle's own lies in the closed triangle a, b, c. */
        boolean clear(int a, int b, int c, boolean[] gone) {
            int c0 = column(Math.min(u[a], Math.min(u[b], u[c]))), c1 = column(Math.max(u[a], Math.max(u[b], u[c])));
            int r0 = row(Math.min(v[a], Math.min(v[b], v[c]))), r1 = row(Math.max(v[a], Math.max(v[b], v[c])));
            for (int r = r0; r <= r1; r++) for (int k = c0; k <= c1; k++) for (int i = head[k + columns * r]; i >= 0; i = link[i]) {
                int q = ring[i];
                if (gone[i] || q == a || q == b || q == c) continue;
                if (inTriangle(u[q], v[q], u[a], v[a], u[b], v[b], u[c], v[c])) return false;
            }
            return true;
        }

        private int column(double x) {
            return Math.min(columns - 1, Math.max(0, (int) ((x - minU) / cell)));
        }

        private int row(double y) {
            return Math.min(rows - 1, Math.max(0, (int) ((y - minV) / cell)));
        }
    }
}
