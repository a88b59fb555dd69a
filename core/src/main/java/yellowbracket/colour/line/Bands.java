package yellowbracket.colour.line;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntPredicate;
import java.util.function.Predicate;
import yellowbracket.colour.zone.Geodesic;
import yellowbracket.colour.zone.Painted;
import yellowbracket.mesh.Adjacency;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;

/**
 * A region that is long and narrow, taken apart across its length: a front runs through it from an end, and what it passes in each step is
 * a band. Bands that touch are joined: their middles are the line (a Reeb graph of the distance along the surface). Single use.
 */
final class Bands {
    /** Bands smaller than this share of the median are part of a neighbour. */
    private static final double SCRAP = 0.2;

    private final Mesh m;
    private final Adjacency adjacency;
    private final boolean[] in;
    private final double step;
    private int[] band;
    private int count;

    /**
     * @param wider share of the border where more lies beyond that is as hollow
     */
    record Band(double area, Vec3 middle, List<Lip> lips, double wider, List<Integer> next, List<Vec3> corners) {}

    /** A stretch of border: where it is, how long, the normal of the surface beyond it, and which way that lies. */
    record Lip(Vec3 at, double mm, Vec3 normal, Vec3 away) {}

    /** @param in pieces of the region @param stepMm how far apart bands lie */
    Bands(Painted p, boolean[] in, double stepMm) {
        m = p.mesh();
        adjacency = p.adjacency();
        this.in = in;
        step = stepMm;
    }

    /** @param wide whether what lies beyond a stretch of border is hollow to a larger ball */
    List<Band> run(Predicate<Lip> wide) {
        var level = levels();
        band = new int[in.length];
        count = label(adjacency, band, f -> in[f], (f, g) -> level[f] == level[g]);
        tidy();
        return bands(wide);
    }

    private int neighbour(int f, int k) {
        int across = adjacency.across(3 * f + k);
        return across < 0 ? -1 : across / 3;
    }

    /** By distance from the furthest place of each part of the region. */
    private int[] levels() {
        var sub = m.only(in);
        var of = Painted.all(sub, 0);
        var part = parts(of);
        var start = new HashMap<Integer, Integer>();
        for (int f = 0; f < sub.triangleCount(); f++) start.putIfAbsent(part[f], sub.vertex(f, 0));
        var first = distances(of, start);
        var far = new HashMap<Integer, Integer>();
        for (int f = 0; f < sub.triangleCount(); f++) for (int k = 0; k < 3; k++) {
            int v = sub.vertex(f, k);
            if (first[v] < Double.POSITIVE_INFINITY) far.merge(part[f], v, (a, b) -> first[a] >= first[b] ? a : b);
        }
        var d = distances(of, far);
        var out = new int[in.length];
        for (int f = 0, s = 0; f < in.length; f++) {
            if (!in[f]) continue;
            double sum = 0;
            for (int k = 0; k < 3; k++) sum += Math.min(1e7, d[sub.vertex(s, k)]);
            out[f] = (int) (sum / 3 / step);
            s++;
        }
        return out;
    }

    private static double[] distances(Painted p, Map<Integer, Integer> sources) {
        var front = new Geodesic(p, Geodesic.From.POINT, Double.POSITIVE_INFINITY);
        sources.values().forEach(v -> front.source(v, 0));
        return front.run();
    }

    private static int[] parts(Painted p) {
        var out = new int[p.count()];
        label(p.adjacency(), out, f -> true, (f, g) -> true);
        return out;
    }

    /** Whether two pieces that share an edge belong together. */
    private interface Together {
        boolean test(int f, int g);
    }

    /** Numbers what hangs together, -1 for what is not in. Returns how many there are. */
    private static int label(Adjacency adjacency, int[] out, IntPredicate in, Together together) {
        Arrays.fill(out, -1);
        var todo = new int[out.length];
        int labels = 0;
        for (int f = 0; f < out.length; f++) {
            if (!in.test(f) || out[f] >= 0) continue;
            int n = 0;
            todo[n++] = f;
            out[f] = labels;
            while (n > 0) {
                int g = todo[--n];
                for (int k = 0; k < 3; k++) {
                    int h = adjacency.across(3 * g + k) / 3;
                    if (adjacency.across(3 * g + k) < 0 || !in.test(h) || out[h] >= 0 || !together.test(g, h)) continue;
                    out[h] = labels;
                    todo[n++] = h;
                }
            }
            labels++;
        }
        return labels;
    }

    /** Contact of bands, mm of shared border. */
    private List<Map<Integer, Double>> contacts() {
        var out = new ArrayList<Map<Integer, Double>>();
        for (int i = 0; i < count; i++) out.add(new HashMap<>());
        for (int f = 0; f < in.length; f++) {
            if (band[f] < 0) continue;
            for (int k = 0; k < 3; k++) {
                int g = neighbour(f, k);
                if (g < 0 || band[g] < 0 || band[g] == band[f]) continue;
                out.get(band[f]).merge(band[g], m.corner(f, k).distance(m.corner(f, (k + 1) % 3)), Double::sum);
            }
        }
        return out;
    }

    /** Scraps go to the neighbour they touch longest. */
    private void tidy() {
        var area = new double[count];
        for (int f = 0; f < in.length; f++) if (band[f] >= 0) area[band[f]] += m.area(f);
        var sorted = area.clone();
        Arrays.sort(sorted);
        double scrap = count == 0 ? 0 : SCRAP * sorted[count / 2];
        var contacts = contacts();
        var into = new int[count];
        for (int b = 0; b < count; b++) {
            into[b] = b;
            if (area[b] >= scrap) continue;
            int best = b;
            double most = 0;
            for (var e : contacts.get(b).entrySet()) if (area[e.getKey()] >= scrap && e.getValue() > most) {
                most = e.getValue();
                best = e.getKey();
            }
            into[b] = best;
        }
        var number = new int[count];
        int n = 0;
        for (int b = 0; b < count; b++) if (into[b] == b) number[b] = n++;
        for (int f = 0; f < in.length; f++) if (band[f] >= 0) band[f] = number[into[band[f]]];
        count = n;
    }

    private List<Band> bands(Predicate<Lip> wide) {
        var area = new double[count];
        var sum = new Vec3[count];
        var lips = new ArrayList<List<Lip>>();
        var corners = new ArrayList<List<Vec3>>();
        var border = new double[count];
        var wider = new double[count];
        Arrays.fill(sum, Vec3.ZERO);
        for (int b = 0; b < count; b++) {
            lips.add(new ArrayList<>());
            corners.add(new ArrayList<>());
        }
        for (int f = 0; f < in.length; f++) {
            int b = band[f];
            if (b < 0) continue;
            double a = m.area(f);
            area[b] += a;
            sum[b] = sum[b].plus(m.centroid(f).times(a));
            for (int k = 0; k < 3; k++) {
                corners.get(b).add(m.corner(f, k));
                int g = neighbour(f, k);
                if (g < 0 || in[g]) continue;
                var p = m.corner(f, k);
                var q = m.corner(f, (k + 1) % 3);
                double mm = p.distance(q);
                var normal = m.areaVector(g);
                if (!(normal.norm() > 0) || !(mm > 0)) continue;
                var n = normal.unit();
                var lip = new Lip(p.plus(q).times(0.5), mm, n, q.minus(p).cross(n).unit());
                lips.get(b).add(lip);
                border[b] += mm;
                if (wide.test(lip)) wider[b] += mm;
            }
        }
        var contacts = contacts();
        var middle = new Vec3[count];
        for (int b = 0; b < count; b++) middle[b] = sum[b].times(1 / Math.max(1e-12, area[b]));
        var out = new ArrayList<Band>();
        for (int b = 0; b < count; b++) {
            int of = b;
            var next = contacts.get(b).keySet().stream().filter(n -> !past(contacts, middle, of, n)).sorted().toList();
            out.add(new Band(area[b], middle[b], lips.get(b), border[b] > 0 ? wider[b] / border[b] : 0, next, corners.get(b)));
        }
        return out;
    }

    /** Whether two bands touch only past a third that lies between them. */
    private static boolean past(List<Map<Integer, Double>> contacts, Vec3[] middle, int a, int c) {
        double way = middle[a].distance(middle[c]);
        for (int b : contacts.get(a).keySet())
            if (contacts.get(c).containsKey(b) && middle[a].distance(middle[b]) < way && middle[b].distance(middle[c]) < way) return true;
        return false;
    }
}
