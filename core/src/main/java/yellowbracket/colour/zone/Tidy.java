package yellowbracket.colour.zone;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yellowbracket.mesh.DirectedEdge;
import yellowbracket.mesh.Mesh;

/**
 * Takes back splits that no border needs. A facet all of one zone becomes whole again; where a neighbour is still split at their common
 * edge it keeps those points, and is parted between them, so that nothing comes apart. Single use.
 */
final class Tidy {
    private final Painted p;
    private final Pieces old;
    private final Mesh base;
    /** Of an added vertex: the edge of the base it lies on, or -1 within a facet; and how far along, from the lower end. */
    private final long[] edge;
    private final double[] along;
    private final BitSet mixed;
    private final BitSet wanted;
    private final Map<Long, List<Integer>> onEdge = new HashMap<>();
    private int[] tri;
    private int[] parent;
    private int[] zone;
    private int n;

    Tidy(Painted p) {
        this.p = p;
        old = p.pieces();
        base = p.base();
        edge = new long[old.at.length];
        along = new double[old.at.length];
        mixed = new BitSet(base.triangleCount());
        wanted = new BitSet(old.at.length);
    }

    Painted run() {
        if (old.at.length == 0) return p;
        place();
        mark();
        tri = new int[old.tri.length];
        parent = new int[old.parent.length];
        zone = new int[old.parent.length];
        for (int f = 0, to; f < p.count(); f = to) {
            to = f + 1;
            while (to < p.count() && old.parent[to] == old.parent[f]) to++;
            if (mixed.get(old.parent[f])) keep(f, to);
            else whole(old.parent[f], p.zone(f));
        }
        return renumbered();
    }

    private void place() {
        int first = old.baseVertices();
        for (int i = 0; i < edge.length; i++) {
            int a = old.ends[2 * i], b = old.ends[2 * i + 1];
            if (a < first && b < first) {
                edge[i] = DirectedEdge.undirected(a, b);
                along[i] = old.at[i];
                continue;
            }
            long e = a >= first ? edge[a - first] : edge[b - first];
            edge[i] = e >= 0 && lies(a, e) && lies(b, e) ? e : -1;
            if (edge[i] >= 0) along[i] = share(a, e) + old.at[i] * (share(b, e) - share(a, e));
        }
    }

    private boolean lies(int v, long e) {
        return v >= old.baseVertices() ? edge[v - old.baseVertices()] == e : v == DirectedEdge.from(e) || v == DirectedEdge.to(e);
    }

    private double share(int v, long e) {
        return v >= old.baseVertices() ? along[v - old.baseVertices()] : v == DirectedEdge.from(e) ? 0 : 1;
    }

    private void mark() {
        for (int f = 1; f < p.count(); f++) if (old.parent[f] == old.parent[f - 1] && p.zone(f) != p.zone(f - 1)) mixed.set(old.parent[f]);
        for (int f = 0; f < p.count(); f++) if (mixed.get(old.parent[f])) for (int k = 0; k < 3; k++) {
            int v = old.tri[3 * f + k];
            if (v >= old.baseVertices()) want(v - old.baseVertices());
        }
    }

    /** With what it hangs on. */
    private void want(int i) {
        if (wanted.get(i)) return;
        wanted.set(i);
        if (edge[i] >= 0) onEdge.computeIfAbsent(edge[i], k -> new ArrayList<>()).add(i);
        for (int k = 0; k < 2; k++) {
            int v = old.ends[2 * i + k];
            if (v >= old.baseVertices()) want(v - old.baseVertices());
        }
    }

    private void keep(int from, int to) {
        for (int f = from; f < to; f++) add(old.parent[f], p.zone(f), old.tri[3 * f], old.tri[3 * f + 1], old.tri[3 * f + 2]);
    }

    private void whole(int f, int z) {
        var ring = new ArrayList<Integer>();
        for (int k = 0; k < 3; k++) {
            int a = base.vertex(f, k), b = base.vertex(f, (k + 1) % 3);
            ring.add(a);
            var points = onEdge.get(DirectedEdge.undirected(a, b));
            if (points == null) continue;
            var sorted = new ArrayList<>(points);
            sorted.sort((i, j) -> a < b ? Double.compare(along[i], along[j]) : Double.compare(along[j], along[i]));
            sorted.forEach(i -> ring.add(old.baseVertices() + i));
        }
        while (ring.size() > 3) {
            int ear = bestEar(ring);
            int s = ring.size();
            add(f, z, ring.get((ear + s - 1) % s), ring.get(ear), ring.get((ear + 1) % s));
            ring.remove(ear);
        }
        add(f, z, ring.get(0), ring.get(1), ring.get(2));
    }

    /**
     * The corner whose triangle is the least thin and leaves no run of points on a line behind: the ring is a triangle with points on its
     * edges, so every corner that is no straight one may go as long as some other is left.
     */
    private int bestEar(List<Integer> ring) {
        int best = -1, s = ring.size();
        double most = -1;
        for (int i = 0; i < s; i++) {
            int a = ring.get((i + s - 1) % s), b = ring.get(i), c = ring.get((i + 1) % s);
            if (straight(a, b, c)) continue;
            // here: with b gone, a and c must not lie with all that is left on one line
            double q = quality(a, b, c) * (flatWithout(ring, i) ? 1e-9 : 1);
            if (q > most) {
                most = q;
                best = i;
            }
        }
        return best < 0 ? 1 : best;
    }

    private boolean flatWithout(List<Integer> ring, int gone) {
        int s = ring.size();
        for (int i = 0; i < s; i++) {
            if (i == gone) continue;
            int a = ring.get(before(i, gone, s)), c = ring.get(after(i, gone, s));
            if (!straight(a, ring.get(i), c)) return false;
        }
        return true;
    }

    private static int before(int i, int gone, int s) {
        int j = (i + s - 1) % s;
        return j == gone ? (j + s - 1) % s : j;
    }

    private static int after(int i, int gone, int s) {
        int j = (i + 1) % s;
        return j == gone ? (j + 1) % s : j;
    }

    private boolean straight(int a, int b, int c) {
        return quality(a, b, c) < 1e-7;
    }

    /** Twice the area over the square of the longest side. */
    private double quality(int a, int b, int c) {
        var m = p.mesh();
        var u = m.point(b).minus(m.point(a));
        var v = m.point(c).minus(m.point(a));
        var w = m.point(c).minus(m.point(b));
        double longest = Math.max(u.dot(u), Math.max(v.dot(v), w.dot(w)));
        return longest > 0 ? u.cross(v).norm() / longest : 0;
    }

    private void add(int f, int z, int a, int b, int c) {
        if (n == parent.length) {
            tri = Arrays.copyOf(tri, 6 * n + 3);
            parent = Arrays.copyOf(parent, 2 * n + 1);
            zone = Arrays.copyOf(zone, 2 * n + 1);
        }
        tri[3 * n] = a;
        tri[3 * n + 1] = b;
        tri[3 * n + 2] = c;
        parent[n] = f;
        zone[n++] = z;
    }

    private Painted renumbered() {
        var number = new int[old.at.length];
        var ends = new int[2 * wanted.cardinality()];
        var at = new double[wanted.cardinality()];
        int next = 0, first = old.baseVertices();
        for (int i = wanted.nextSetBit(0); i >= 0; i = wanted.nextSetBit(i + 1)) {
            for (int k = 0; k < 2; k++) {
                int v = old.ends[2 * i + k];
                ends[2 * next + k] = v < first ? v : first + number[v - first];
            }
            at[next] = old.at[i];
            number[i] = next++;
        }
        var corners = Arrays.copyOf(tri, 3 * n);
        for (int c = 0; c < corners.length; c++) if (corners[c] >= first) corners[c] = first + number[corners[c] - first];
        return Painted.of(base, new Pieces(first, ends, at, corners, Arrays.copyOf(parent, n)), Arrays.copyOf(zone, n));
    }
}
