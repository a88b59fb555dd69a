package yellowbracket.colour.zone;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntPredicate;
import yellowbracket.mesh.Mesh;

/** Pieces picked out by what they hang together with. One flag a piece. */
public final class Region {
    private Region() {}

    /** From a piece over every edge that bends by less than an angle, and no zone but its own where {@code withinZone}. O(n). */
    public static boolean[] flood(Painted p, int start, double creaseDeg, boolean withinZone) {
        var m = p.mesh();
        double least = Math.cos(Math.toRadians(creaseDeg));
        int own = p.zone(start);
        return grown(p, start, (f, g) -> (!withinZone || p.zone(g) == own) && bend(p, m, f, g) >= least);
    }

    /** What hangs together with a piece. */
    public static boolean[] body(Painted p, int start) {
        return grown(p, start, (f, g) -> true);
    }

    /** The patches of one zone, largest first: a zone may lie in several places. */
    public static List<boolean[]> islands(Painted p, int zone) {
        var left = new boolean[p.count()];
        for (int f = 0; f < left.length; f++) left[f] = p.zone(f) == zone;
        var out = new ArrayList<boolean[]>();
        for (int f = 0; f < left.length; f++) {
            if (!left[f]) continue;
            var one = grown(p, f, (a, b) -> left[b]);
            for (int g = 0; g < left.length; g++) if (one[g]) left[g] = false;
            out.add(one);
        }
        var m = p.mesh();
        out.sort(java.util.Comparator.comparingDouble(r -> -area(m, r)));
        return out;
    }

    public static double area(Mesh m, boolean[] region) {
        double sum = 0;
        for (int f = 0; f < region.length; f++) if (region[f]) sum += m.area(f);
        return sum;
    }

    private interface Step {
        boolean goes(int from, int to);
    }

    private static boolean[] grown(Painted p, int start, Step step) {
        var adjacency = p.adjacency();
        var in = new boolean[p.count()];
        var todo = new int[Math.max(1, p.count())];
        int n = 0;
        todo[n++] = start;
        in[start] = true;
        while (n > 0) {
            int f = todo[--n];
            for (int k = 0; k < 3; k++) {
                int across = adjacency.across(3 * f + k);
                if (across < 0 || in[across / 3] || !step.goes(f, across / 3)) continue;
                in[across / 3] = true;
                todo[n++] = across / 3;
            }
        }
        return in;
    }

    /** Cosine of the angle between two pieces; 1 between pieces of one facet, and where a piece has no direction. */
    private static double bend(Painted p, Mesh m, int f, int g) {
        if (p.facet(f) == p.facet(g)) return 1;
        var a = m.areaVector(f);
        var b = m.areaVector(g);
        double n = a.norm() * b.norm();
        return n > 0 ? a.dot(b) / n : 1;
    }

    /** Patches of other zones that lie wholly within one zone and are smaller, mm2. */
    public static boolean[] holes(Painted p, int zone, double mostMm2) {
        var out = new boolean[p.count()];
        var seen = new boolean[p.count()];
        var m = p.mesh();
        var adjacency = p.adjacency();
        for (int f = 0; f < seen.length; f++) {
            if (seen[f] || p.zone(f) == zone) continue;
            var patch = grown(p, f, (a, b) -> p.zone(b) != zone);
            double area = 0;
            boolean touches = false;
            for (int g = 0; g < patch.length; g++) {
                if (!patch[g]) continue;
                seen[g] = true;
                area += m.area(g);
                for (int k = 0; k < 3; k++) touches |= adjacency.across(3 * g + k) >= 0 && p.zone(adjacency.across(3 * g + k) / 3) == zone;
            }
            if (touches && area <= mostMm2) for (int g = 0; g < patch.length; g++) out[g] |= patch[g];
        }
        return out;
    }

    /** Takes pieces out of a zone: each becomes what other zone it borders on, from outside inwards. */
    static Painted given(Painted p, int of, IntPredicate gone) {
        var zone = p.copyZones();
        var left = new boolean[zone.length];
        var todo = new ArrayDeque<Integer>();
        for (int f = 0; f < zone.length; f++) left[f] = gone.test(f);
        for (int f = 0; f < zone.length; f++) if (!left[f] && zone[f] != of) todo.add(f);
        var adjacency = p.adjacency();
        while (!todo.isEmpty()) {
            int f = todo.poll();
            for (int k = 0; k < 3; k++) {
                int across = adjacency.across(3 * f + k);
                if (across < 0 || !left[across / 3]) continue;
                left[across / 3] = false;
                zone[across / 3] = zone[f];
                todo.add(across / 3);
            }
        }
        return p.with(f -> zone[f]);
    }
}
