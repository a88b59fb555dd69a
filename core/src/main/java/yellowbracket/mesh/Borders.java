package yellowbracket.mesh;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;

/**
 * The open borders of a mesh. {@code loops}: closed runs of vertices, in the direction of their triangles; where a border passes a
 * vertex twice it is parted there, so that no loop does. {@code loose}: border edges in no loop, because more than two triangles meet on
 * the way.
 */
public record Borders(List<int[]> loops, int loose) {

    public static Borders of(Mesh m) {
        var adjacency = new Adjacency(m);
        var loops = new ArrayList<int[]>();
        var seen = new boolean[3 * m.triangleCount()];
        int border = 0, used = 0;
        for (int c = 0; c < seen.length; c++) {
            if (adjacency.across(c) >= 0) continue;
            border++;
            if (seen[c]) continue;
            var run = run(m, adjacency, c, seen);
            if (run.length < 3) continue;
            for (var loop : parted(run)) {
                loops.add(loop);
                used += loop.length;
            }
        }
        return new Borders(List.copyOf(loops), border - used);
    }

    /** From the start vertex of corner {@code start} along the border and back to it; empty when it does not come back. */
    private static int[] run(Mesh m, Adjacency adjacency, int start, boolean[] seen) {
        var out = new int[16];
        int n = 0, at = start;
        do {
            if (seen[at]) return new int[0];
            seen[at] = true;
            if (n == out.length) out = Arrays.copyOf(out, 2 * n);
            out[n++] = m.vertex(at / 3, at % 3);
            int pivot = m.vertex(at / 3, (at % 3 + 1) % 3);
            at = Adjacency.next(at);
            for (int turns = 0; adjacency.across(at) >= 0; turns++) { // round the pivot, triangle by triangle, to the next border edge
                at = Adjacency.next(adjacency.across(at));
                if (turns > seen.length || m.vertex(at / 3, at % 3) != pivot) return new int[0];
            }
        } while (at != start);
        return Arrays.copyOf(out, n);
    }

    /** Runs between two visits of the same vertex become loops of their own; runs of two edges enclose nothing and are let go. */
    private static List<int[]> parted(int[] run) {
        var out = new ArrayList<int[]>();
        var path = new ArrayList<Integer>();
        var place = new HashMap<Integer, Integer>();
        for (int v : run) {
            int back = place.getOrDefault(v, -1);
            if (back >= 0) {
                var loop = path.subList(back, path.size());
                if (loop.size() >= 3) out.add(loop.stream().mapToInt(i -> i).toArray());
                loop.forEach(place::remove);
                loop.clear();
            }
            place.put(v, path.size());
            path.add(v);
        }
        if (path.size() >= 3) out.add(path.stream().mapToInt(i -> i).toArray());
        return out;
    }
}
