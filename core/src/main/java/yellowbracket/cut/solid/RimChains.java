package yellowbracket.cut.solid;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.IntFunction;
import yellowbracket.mesh.DirectedEdge;
import yellowbracket.mesh.Vec3;

/**
 * Directed edges in a plane joined end to start. Where loops touch in a point the walk takes the sharpest left turn, which parts them there
 * without crossing. Chains that do not close are only counted.
 */
public record RimChains(List<int[]> loops, int openChains) {

    public static RimChains of(Rim rim, IntFunction<Vec3> point, CutPlane plane) {
        return new Walk(rim, point, plane).run();
    }

    private static final class Walk {
        private final int[] from; // every vertex with a way out, in order: the same mesh gives the same caps
        private final int[] first; // where its ways begin in to
        private final int[] ways; // how many of them are not walked yet
        private final int[] balance; // ways out less ways in
        private final int[] to;
        private final int[] where; // in the walk being parted: the place of a vertex, -1 if it was not passed
        private final IntFunction<Vec3> point;
        private final CutPlane.Frame frame;
        private final List<int[]> loops = new ArrayList<>();
        private int open;

        Walk(Rim rim, IntFunction<Vec3> point, CutPlane plane) {
            this.point = point;
            frame = plane.frame();
            var edges = rim.edges().stream().mapToLong(Long::longValue).sorted().toArray();
            from = Arrays.stream(edges).mapToInt(DirectedEdge::from).distinct().toArray();
            first = new int[from.length];
            ways = new int[from.length];
            balance = new int[from.length];
            var ends = new int[Arrays.stream(edges).mapToInt(rim::count).sum()];
            int n = 0, v = -1;
            for (long e : edges) {
                if (v < 0 || from[v] != DirectedEdge.from(e)) first[++v] = n;
                for (int i = rim.count(e); i > 0; i--) {
                    ends[n++] = DirectedEdge.to(e);
                    ways[v]++;
                }
            }
            to = ends;
            where = new int[from.length];
            Arrays.fill(where, -1);
            for (int i = 0; i < from.length; i++) balance[i] = ways[i];
            for (int end : to) {
                int i = index(end);
                if (i >= 0) balance[i]--;
            }
        }

        private int index(int vertex) {
            return Arrays.binarySearch(from, vertex);
        }

        RimChains run() {
            // here: a vertex with more ways out than in starts a chain that cannot close
            for (int v = 0; v < from.length; v++) for (int i = balance[v]; i > 0; i--) {
                follow(v);
                open++;
            }
            for (int v = 0; v < from.length; v++) while (ways[v] > 0) split(follow(v));
            return new RimChains(List.copyOf(loops), open);
        }

        /** Walks until there is no way on; returns the indices of the vertices passed, the start not repeated at the end. */
        private int[] follow(int start) {
            var path = new int[16];
            int n = 0, at = start, before = -1;
            while (at >= 0 && ways[at] > 0) {
                if (n == path.length) path = Arrays.copyOf(path, 2 * n);
                path[n++] = at;
                int next = index(take(before < 0 ? -1 : from[before], at));
                before = at;
                at = next;
                if (at == start && balance[start] <= 0) break;
            }
            return Arrays.copyOf(path, n);
        }

        /** Takes the way that turns sharpest to the left; returns the vertex it leads to. */
        private int take(int before, int at) {
            int begin = first[at], end = begin + ways[at], best = begin;
            if (before >= 0 && end - begin > 1) {
                double most = Double.NEGATIVE_INFINITY;
                for (int i = begin; i < end; i++) {
                    double turn = turn(before, from[at], to[i]);
                    if (turn > most) {
                        most = turn;
                        best = i;
                    }
                }
            }
            int taken = to[best];
            System.arraycopy(to, best + 1, to, best, end - best - 1);
            ways[at]--;
            return taken;
        }

        /** Angle turned at {@code b} on the way from a to c, left positive; straight back counts as the hardest right. */
        private double turn(int a, int b, int c) {
            var p = point.apply(b).minus(point.apply(a));
            var q = point.apply(c).minus(point.apply(b));
            double pu = frame.u(p), pv = frame.v(p), qu = frame.u(q), qv = frame.v(q);
            double angle = Math.atan2(pu * qv - pv * qu, pu * qu + pv * qv);
            return c == a ? -Math.PI : angle;
        }

        /** A walk that passes a vertex twice is two loops. */
        private void split(int[] path) {
            var stack = new int[path.length];
            int n = 0;
            for (int v : path) {
                if (where[v] >= 0) n = add(stack, where[v], n);
                where[v] = n;
                stack[n++] = v;
            }
            add(stack, 0, n);
        }

        /** Takes a loop off the stack, from {@code begin} on. */
        private int add(int[] stack, int begin, int end) {
            if (end - begin >= 3) loops.add(Arrays.stream(stack, begin, end).map(i -> from[i]).toArray());
            for (int i = begin; i < end; i++) where[stack[i]] = -1;
            return begin;
        }
    }
}
