package yellowbracket.colour.zone;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yellowbracket.mesh.DirectedEdge;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;

/** Finds the {@link Border}s of painted surface. O(n). */
public final class BorderLines {
    /** A bend tape can be pressed against, degrees. */
    private static final double EDGE_DEG = 25;

    private final Painted p;
    private final Mesh m;

    /** Edges of one pair of zones: ends, whether at an edge of the surface; and which edges stand at a vertex. */
    private static final class Pair {
        private int[] ends = new int[32];
        private boolean[] sharp = new boolean[16];
        private int n;
        private final Map<Integer, int[]> at = new HashMap<>();

        void add(int a, int b, boolean edge) {
            if (n == sharp.length) {
                ends = Arrays.copyOf(ends, 4 * n);
                sharp = Arrays.copyOf(sharp, 2 * n);
            }
            ends[2 * n] = a;
            ends[2 * n + 1] = b;
            sharp[n] = edge;
            for (int v : new int[] {a, b}) at.merge(v, new int[] {n}, Pair::joined);
            n++;
        }

        private static int[] joined(int[] a, int[] b) {
            var out = Arrays.copyOf(a, a.length + 1);
            out[a.length] = b[0];
            return out;
        }

        int other(int edge, int v) {
            return ends[2 * edge] == v ? ends[2 * edge + 1] : ends[2 * edge];
        }
    }

    private BorderLines(Painted p) {
        this.p = p;
        m = p.mesh();
    }

    public static List<Border> of(Painted p) {
        return new BorderLines(p).run();
    }

    private List<Border> run() {
        var adjacency = p.adjacency();
        var pairs = new java.util.TreeMap<Long, Pair>();
        double sharp = Math.cos(Math.toRadians(EDGE_DEG));
        for (int f = 0; f < p.count(); f++) for (int k = 0; k < 3; k++) {
            int across = adjacency.across(3 * f + k);
            if (across < 0 || p.zone(across / 3) == p.zone(f) || across < 3 * f + k) continue;
            pairs.computeIfAbsent(DirectedEdge.undirected(p.zone(f), p.zone(across / 3)), x -> new Pair())
                    .add(m.vertex(f, k), m.vertex(f, (k + 1) % 3), cosine(f, across / 3) < sharp);
        }
        var out = new ArrayList<Border>();
        pairs.forEach((key, pair) -> runs(DirectedEdge.from(key), DirectedEdge.to(key), pair, out));
        return List.copyOf(out);
    }

    private double cosine(int f, int g) {
        var a = m.areaVector(f);
        var b = m.areaVector(g);
        double n = a.norm() * b.norm();
        return n > 0 ? a.dot(b) / n : 1;
    }

    /** From ends first, what is left is closed. */
    private void runs(int low, int high, Pair pair, List<Border> out) {
        var used = new boolean[pair.n];
        for (int e = 0; e < pair.n; e++) for (int k = 0; k < 2; k++) {
            int v = pair.ends[2 * e + k];
            if (!used[e] && pair.at.get(v).length != 2) out.add(border(low, high, pair, e, v, used));
        }
        for (int e = 0; e < pair.n; e++) if (!used[e]) out.add(border(low, high, pair, e, pair.ends[2 * e], used));
    }

    private Border border(int low, int high, Pair pair, int first, int from, boolean[] used) {
        var line = new ArrayList<Vec3>();
        int v = from, e = first;
        double sharp = 0, all = 0;
        line.add(m.point(v));
        while (e >= 0) {
            used[e] = true;
            int next = pair.other(e, v);
            double mm = m.point(v).distance(m.point(next));
            all += mm;
            if (pair.sharp[e]) sharp += mm;
            line.add(m.point(next));
            v = next;
            e = -1;
            var here = pair.at.get(v);
            if (here.length == 2) for (int o : here) if (!used[o]) e = o;
        }
        boolean closed = v == from && line.size() > 3;
        var laid = LaidLine.of(line, closed);
        return new Border(low, high, laid.points(), closed, laid.lengthMm(), all > 0 ? sharp / all : 0, laid.leastRadiusMm());
    }
}
