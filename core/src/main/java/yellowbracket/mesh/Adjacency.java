package yellowbracket.mesh;

import java.util.Arrays;

/**
 * Which triangle lies across each edge that exactly two share. Corner 3 f + k stands for the edge from corner k to corner k + 1 of triangle
 * f.
 */
public final class Adjacency {
    private final int[] across;

    public Adjacency(Mesh m) {
        across = new int[3 * m.triangleCount()];
        Arrays.fill(across, -1);
        var edges = new Edges(m);
        edges.forEach((from, to) -> {
            if (to - from != 2) return;
            across[edges.corner(from)] = edges.corner(from + 1);
            across[edges.corner(from + 1)] = edges.corner(from);
        });
    }

    /** The corner of the neighbour over this edge; -1 at a border or where more than two meet. */
    public int across(int corner) {
        return across[corner];
    }

    /** The next edge of the same triangle. */
    static int next(int corner) {
        return corner % 3 == 2 ? corner - 2 : corner + 1;
    }
}
