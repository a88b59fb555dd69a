package yellowbracket.colour.zone;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.function.IntToDoubleFunction;
import yellowbracket.mesh.DirectedEdge;
import yellowbracket.mesh.Mesh;

/**
 * Splits pieces at points of their edges, the same point for both sides of an edge, so that nothing comes apart. Single use.
 */
final class Split {
    /** Shares are kept to a millionth of the edge: short numbers in the file. */
    private static final double GRAIN = 1e6;
    /** Where a line runs nearer to a vertex, as a share of the edge, it goes through the vertex. */
    private static final double SNAP = 0.02;
    private static final int MOST_ROUNDS = 30;
    /** No finer than this, pieces: memory. */
    private static final int MOST_PIECES = 4_000_000;

    private final Painted of;
    private final Pieces old;
    private final Map<Long, Integer> added = new HashMap<>();
    private int[] ends;
    private double[] at;
    private int count;
    private int[] tri;
    private int[] parent;
    private int[] zone;
    private int n;

    private Split(Painted of) {
        this.of = of;
        old = of.pieces();
        ends = Arrays.copyOf(old.ends, old.ends.length + 256);
        at = Arrays.copyOf(old.at, old.at.length + 128);
        count = old.at.length;
    }

    /** Which side of a line each piece lies on, after the pieces the line crosses were split. */
    record Sides(Painted painted, boolean[] inside) {}

    /**
     * Along the line where {@code field} is 0, linear on each piece.
     * @param field one value a vertex of {@link Painted#mesh}, negative inside; infinite where it was not asked for
     */
    static Sides along(Painted p, double[] field) {
        return new Split(p).level(field.clone());
    }

    /** How long the edges of a piece may be, mm, for the pieces as they are now. */
    interface Sizing {
        IntToDoubleFunction of(Painted now);
    }

    /** Bisects edges that are too long, and what lies next to them, until none is. */
    static Painted refined(Painted p, Sizing most) {
        var now = p;
        for (int round = 0; round < MOST_ROUNDS && now.count() < MOST_PIECES; round++) {
            var split = new Split(now);
            if (!split.bisect(most.of(now))) return now;
            now = split.painted();
        }
        return now;
    }

    private Sides level(double[] field) {
        snap(field);
        for (int f = 0; f < of.count(); f++) for (int k = 0; k < 3; k++) {
            int a = old.tri[3 * f + k], b = old.tri[3 * f + (k + 1) % 3];
            if (crosses(field[a], field[b])) point(a, b, field[a] / (field[a] - field[b]));
        }
        cut();
        var painted = painted();
        var inside = new boolean[n];
        for (int f = 0; f < n; f++) {
            double sum = 0;
            for (int k = 0; k < 3; k++) {
                int v = tri[3 * f + k];
                if (v < field.length) sum += Math.clamp(field[v], -1e9, 1e9);
            }
            inside[f] = sum < 0;
        }
        return new Sides(painted, inside);
    }

    private static boolean crosses(double a, double b) {
        return a < 0 && b > 0 && b < Double.POSITIVE_INFINITY || b < 0 && a > 0 && a < Double.POSITIVE_INFINITY;
    }

    /** Vertices that the line all but touches are on it: no slivers. */
    private void snap(double[] field) {
        var near = new boolean[field.length];
        for (int c = 0; c < old.tri.length; c++) {
            int a = old.tri[c], b = old.tri[c - c % 3 + (c + 1) % 3];
            if (!crosses(field[a], field[b])) continue;
            double t = field[a] / (field[a] - field[b]);
            if (t < SNAP) near[a] = true;
            else if (t > 1 - SNAP) near[b] = true;
        }
        for (int v = 0; v < field.length; v++) if (near[v]) field[v] = 0;
    }

    /** The longest edge of each piece where that is too long. Returns whether there was one. */
    private boolean bisect(IntToDoubleFunction mostMm) {
        Mesh m = of.mesh();
        for (int f = 0; f < of.count(); f++) {
            double mm = mostMm.applyAsDouble(f);
            if (mm == Double.POSITIVE_INFINITY) continue;
            int longest = 0;
            double most = 0;
            for (int k = 0; k < 3; k++) {
                double l = m.corner(f, k).distance(m.corner(f, (k + 1) % 3));
                if (l <= most * (1 + 1e-9)) continue;
                most = l;
                longest = k;
            }
            if (most > mm) point(m.vertex(f, longest), m.vertex(f, (longest + 1) % 3), 0.5);
        }
        if (added.isEmpty()) return false;
        cut();
        return true;
    }

    /** @param t from a to b */
    private void point(int a, int b, double t) {
        long key = DirectedEdge.undirectedKey(a, b);
        if (added.containsKey(key)) return;
        if (count == at.length) {
            at = Arrays.copyOf(at, 2 * count);
            ends = Arrays.copyOf(ends, 4 * count);
        }
        int low = Math.min(a, b);
        ends[2 * count] = low;
        ends[2 * count + 1] = Math.max(a, b);
        double share = a == low ? t : 1 - t;
        at[count] = Math.clamp(Math.rint(share * GRAIN) / GRAIN, 1 / GRAIN, 1 - 1 / GRAIN);
        added.put(key, old.baseVertices() + count++);
    }

    private void cut() {
        int room = of.count() + 3 * added.size() + 64;
        tri = new int[3 * room];
        parent = new int[room];
        zone = new int[room];
        n = 0;
        for (int f = 0; f < of.count(); f++) piece(f);
        tri = Arrays.copyOf(tri, 3 * n);
        parent = Arrays.copyOf(parent, n);
        zone = Arrays.copyOf(zone, n);
    }

    private void piece(int f) {
        int a = old.tri[3 * f], b = old.tri[3 * f + 1], c = old.tri[3 * f + 2];
        int ab = on(a, b), bc = on(b, c), ca = on(c, a);
        int cuts = (ab >= 0 ? 1 : 0) + (bc >= 0 ? 1 : 0) + (ca >= 0 ? 1 : 0);
        switch (cuts) {
            case 0 -> add(f, a, b, c);
            case 1 -> {
                if (ab >= 0) halves(f, a, b, c, ab);
                else if (bc >= 0) halves(f, b, c, a, bc);
                else halves(f, c, a, b, ca);
            }
            case 2 -> {
                if (ca < 0) corner(f, b, c, a, bc, ab);
                else if (ab < 0) corner(f, c, a, b, ca, bc);
                else corner(f, a, b, c, ab, ca);
            }
            default -> {
                add(f, a, ab, ca);
                add(f, ab, b, bc);
                add(f, ca, bc, c);
                add(f, ab, bc, ca);
            }
        }
    }

    private int on(int a, int b) {
        return added.isEmpty() ? -1 : added.getOrDefault(DirectedEdge.undirectedKey(a, b), -1);
    }

    private void halves(int f, int a, int b, int c, int m) {
        add(f, a, m, c);
        add(f, m, b, c);
    }

    /** Corner a cut off at p on ab and q on ca; the four-cornered rest by its shorter diagonal. */
    private void corner(int f, int a, int b, int c, int p, int q) {
        add(f, a, p, q);
        if (far(p, c) < far(b, q)) {
            add(f, p, b, c);
            add(f, p, c, q);
        } else {
            add(f, p, b, q);
            add(f, b, c, q);
        }
    }

    private double far(int u, int v) {
        double sum = 0;
        for (int k = 0; k < 3; k++) {
            double d = coordinate(u, k) - coordinate(v, k);
            sum += d * d;
        }
        return sum;
    }

    private double coordinate(int v, int k) {
        if (v < old.vertices()) return of.mesh().point(v).get(k);
        int i = v - old.baseVertices();
        double p = coordinate(ends[2 * i], k);
        return p + at[i] * (coordinate(ends[2 * i + 1], k) - p);
    }

    private void add(int f, int a, int b, int c) {
        if (n == parent.length) {
            tri = Arrays.copyOf(tri, 6 * n);
            parent = Arrays.copyOf(parent, 2 * n);
            zone = Arrays.copyOf(zone, 2 * n);
        }
        tri[3 * n] = a;
        tri[3 * n + 1] = b;
        tri[3 * n + 2] = c;
        parent[n] = old.parent(f);
        zone[n++] = of.zone(f);
    }

    private Painted painted() {
        if (added.isEmpty()) return of;
        var pieces = new Pieces(old.baseVertices(), Arrays.copyOf(ends, 2 * count), Arrays.copyOf(at, count), tri, parent);
        return Painted.of(of.base(), pieces, zone);
    }
}
