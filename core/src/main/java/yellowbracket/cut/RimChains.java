package yellowbracket.cut;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntFunction;
import java.util.TreeMap;
import yellowbracket.mesh.Vec3;

/**
 * Directed edges in a plane joined end to start. Where loops touch in a point the walk takes the sharpest left turn, which parts them there
 * without crossing. Chains that do not close are only counted.
 */
record RimChains(List<int[]> loops, int openChains) {

    /** @param rim key: start vertex in the upper, end vertex in the lower 32 bits; value: how often */
    static RimChains of(Map<Long, Integer> rim, IntFunction<Vec3> point, CutPlane plane) {
        return new Walk(rim, point, plane).run();
    }

    private static final class Walk {
        private final Map<Integer, List<Integer>> out = new TreeMap<>(); // ordered: the same mesh gives the same caps
        private final Map<Integer, Integer> balance = new HashMap<>();
        private final IntFunction<Vec3> point;
        private final CutPlane.Frame frame;
        private final List<int[]> loops = new ArrayList<>();
        private int open;

        Walk(Map<Long, Integer> rim, IntFunction<Vec3> point, CutPlane plane) {
            this.point = point;
            frame = plane.frame();
            new TreeMap<>(rim).forEach((key, n) -> {
                int from = (int) (key >>> 32), to = key.intValue();
                for (int i = 0; i < n; i++) {
                    out.computeIfAbsent(from, k -> new ArrayList<>(2)).add(to);
                    balance.merge(from, 1, Integer::sum);
                    balance.merge(to, -1, Integer::sum);
                }
            });
        }

        RimChains run() {
            // here: a vertex with more ways out than in starts a chain that cannot close
            for (int v : List.copyOf(out.keySet()))
                for (int i = balance.getOrDefault(v, 0); i > 0; i--) {
                    follow(v);
                    open++;
                }
            for (int v : List.copyOf(out.keySet())) while (!out.get(v).isEmpty()) split(follow(v));
            return new RimChains(List.copyOf(loops), open);
        }

        /** Walks until there is no way on; returns the vertices passed, the start not repeated at the end. */
        private List<Integer> follow(int start) {
            var path = new ArrayList<Integer>();
            int at = start, before = -1;
            while (out.containsKey(at) && !out.get(at).isEmpty()) {
                path.add(at);
                int next = take(before, at);
                before = at;
                at = next;
                if (at == start && before >= 0 && balance.getOrDefault(start, 0) <= 0) break;
            }
            return path;
        }

        private int take(int before, int at) {
            var ways = out.get(at);
            int best = 0;
            if (before >= 0 && ways.size() > 1) {
                double most = Double.NEGATIVE_INFINITY;
                for (int i = 0; i < ways.size(); i++) {
                    double turn = turn(before, at, ways.get(i));
                    if (turn > most) {
                        most = turn;
                        best = i;
                    }
                }
            }
            return ways.remove(best);
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
        private void split(List<Integer> path) {
            var stack = new ArrayList<Integer>();
            var where = new HashMap<Integer, Integer>();
            for (int v : path) {
                var seen = where.get(v);
                if (seen != null) {
                    add(stack.subList(seen, stack.size()), where);
                }
                where.put(v, stack.size());
                stack.add(v);
            }
            add(stack, where);
        }

        private void add(List<Integer> part, Map<Integer, Integer> where) {
            if (part.size() >= 3) loops.add(part.stream().mapToInt(Integer::intValue).toArray());
            part.forEach(where::remove);
            part.clear();
        }
    }
}
