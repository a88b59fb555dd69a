package yellowbracket.mesh;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.DoubleStream;

/** Line work as segments: six numbers each, the coordinates of both ends, mm. */
public final class Segments {
    private Segments() {}

    /**
     * The same lines in fewer segments: those that meet end to end become one as far as no corner between them lies further from it than
     * this. Where a line ends or three and more meet stays a corner; the order may change.
     *
     * @param offMm at least 0
     */
    public static double[] straightened(double[] segments, double offMm) {
        var ends = new HashMap<Vec3, List<Integer>>();
        int n = segments.length / 6;
        for (int s = 0; s < n; s++) for (int e = 0; e < 2; e++) ends.computeIfAbsent(end(segments, s, e), p -> new ArrayList<>(2)).add(s);
        var used = new boolean[n];
        var out = DoubleStream.builder();
        for (int round = 0; round < 2; round++) for (int s = 0; s < n; s++) for (int e = 0; e < 2; e++) {
            // first lines from their ends, then what goes round
            if (used[s] || round == 0 && ends.get(end(segments, s, e)).size() == 2) continue;
            straighten(chain(segments, s, e, ends, used), offMm, out);
        }
        return out.build().toArray();
    }

    private static Vec3 end(double[] segments, int s, int e) {
        int at = 6 * s + 3 * e;
        return new Vec3(segments[at], segments[at + 1], segments[at + 2]);
    }

    /** From one end of a segment on, as far as just two meet. */
    private static List<Vec3> chain(double[] segments, int first, int from, Map<Vec3, List<Integer>> ends, boolean[] used) {
        var start = end(segments, first, from);
        var out = new ArrayList<>(List.of(start));
        for (int s = first; s >= 0;) {
            used[s] = true;
            var before = out.getLast();
            var next = end(segments, s, end(segments, s, 0).equals(before) ? 1 : 0);
            out.add(next);
            var here = ends.get(next);
            s = here.size() != 2 || next.equals(start) ? -1 : here.stream().filter(i -> !used[i]).findFirst().orElse(-1);
        }
        return out;
    }

    private static void straighten(List<Vec3> chain, double offMm, DoubleStream.Builder out) {
        for (int i = 0; i + 1 < chain.size();) {
            int to = i + 1;
            while (to + 1 < chain.size() && straight(chain, i, to + 1, offMm)) to++;
            for (var p : List.of(chain.get(i), chain.get(to))) out.add(p.x()).add(p.y()).add(p.z());
            i = to;
        }
    }

    private static boolean straight(List<Vec3> chain, int from, int to, double offMm) {
        var a = chain.get(from);
        var d = chain.get(to).minus(a);
        double square = d.dot(d);
        for (int i = from + 1; i < to; i++) {
            var p = chain.get(i).minus(a);
            double t = square == 0 ? 0 : Math.clamp(p.dot(d) / square, 0, 1);
            if (p.minus(d.times(t)).norm() > offMm) return false;
        }
        return true;
    }
}
