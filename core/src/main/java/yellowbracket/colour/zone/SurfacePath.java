package yellowbracket.colour.zone;

import java.util.ArrayList;
import java.util.List;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/** The shortest way over a surface through some places, as points close together on it. Lengths in the mesh's unit. */
public final class SurfacePath {
    /** Points on each stretch, and rounds in which it is pulled tight. */
    private static final int LEAST_POINTS = 24, MOST_POINTS = 240, ROUNDS = 400;
    /** Pieces about the chord, and how far about its middle, as shares of it. */
    private static final double FINE = 0.05, ASIDE = 0.75;
    /** Pulled tight once no round shortens it by more than this share. */
    private static final double TIGHT = 1e-7;

    private final List<Vec3> points;
    private final double[] along;

    private SurfacePath(List<Vec3> points) {
        this.points = List.copyOf(points);
        along = new double[points.size()];
        for (int i = 1; i < along.length; i++) along[i] = along[i - 1] + points.get(i).distance(points.get(i - 1));
    }

    /**
     * @param places at least two, near the surface, apart from each other @param step so far apart lie its points, about
     * @throws IllegalArgumentException if two that follow each other are one place, or no way leads from one to the next
     */
    public static SurfacePath through(Painted p, List<Vec3> places, double step) {
        if (places.size() < 2) throw new IllegalArgumentException("a path leads through at least two places");
        var out = new ArrayList<Vec3>();
        for (int i = 1; i < places.size(); i++) {
            var a = places.get(i - 1);
            var b = places.get(i);
            var fine = finer(p, a, b, step);
            var index = Bvh.of(fine.mesh());
            var leg = leg(fine, index, distances(fine, index, a), distances(fine, index, b), index.closest(a), index.closest(b), step);
            out.addAll(i == 1 ? leg : leg.subList(1, leg.size()));
        }
        return new SurfacePath(out);
    }

    /** Distances run evenly over small pieces only. */
    private static Painted finer(Painted p, Vec3 a, Vec3 b, double step) {
        double chord = a.distance(b), mm = Math.max(step, chord * FINE), wide = ASIDE * chord + 2 * step;
        var middle = a.plus(b).times(0.5);
        return Split.refined(p, now -> f -> {
            var m = now.mesh();
            return m.centroid(f).distance(middle) - now.reach(f) > wide ? Double.POSITIVE_INFINITY : mm;
        });
    }

    private static double[] distances(Painted p, Bvh index, Vec3 at) {
        var near = index.closest(at);
        return new Geodesic(p, Geodesic.From.POINT, Double.POSITIVE_INFINITY).source(near.triangle(), near.point()).run();
    }

    /** At each distance from the one place, where the other is nearest; then pulled tight over the surface. */
    private static List<Vec3> leg(Painted p, Bvh index, double[] from, double[] to, Bvh.Near a, Bvh.Near b, double step) {
        if (!(a.point().distance(b.point()) > 1e-6)) throw new IllegalArgumentException("two places of the path are one");
        var m = p.mesh();
        double whole = Double.POSITIVE_INFINITY;
        for (int k = 0; k < 3; k++) {
            int v = m.vertex(b.triangle(), k);
            whole = Math.min(whole, from[v] + m.point(v).distance(b.point()));
        }
        if (a.triangle() == b.triangle()) whole = a.point().distance(b.point());
        if (!(whole < Double.POSITIVE_INFINITY)) throw new IllegalArgumentException(
                "no way leads over the surface between two places of the path: they lie on different bodies");
        int n = Math.clamp((int) Math.ceil(whole / step), LEAST_POINTS, MOST_POINTS);
        var path = new Vec3[n + 1];
        var best = new double[n + 1];
        java.util.Arrays.fill(best, Double.POSITIVE_INFINITY);
        path[0] = a.point();
        path[n] = b.point();
        for (int c = 0; c < 3 * m.triangleCount(); c++) {
            int u = m.vertex(c / 3, c % 3), v = m.vertex(c / 3, (c + 1) % 3);
            double low = Math.min(from[u], from[v]), high = Math.max(from[u], from[v]);
            if (!(high < Double.POSITIVE_INFINITY)) continue;
            for (int i = Math.max(1, (int) Math.ceil(low * n / whole)); i < n && i * whole / n <= high; i++) {
                double t = high > low ? (i * whole / n - from[u]) / (from[v] - from[u]) : 0, left = to[u] + t * (to[v] - to[u]);
                if (left >= best[i]) continue;
                best[i] = left;
                path[i] = m.point(u).plus(m.point(v).minus(m.point(u)).times(t));
            }
        }
        for (int i = 1; i < n; i++)
            if (path[i] == null) path[i] = index.closest(a.point().plus(b.point().minus(a.point()).times((double) i / n))).point();
        tighten(index, path);
        return List.of(path);
    }

    private static void tighten(Bvh index, Vec3[] p) {
        double was = length(p);
        for (int round = 0; round < ROUNDS; round++) {
            for (int odd = 1; odd <= 2; odd++)
                for (int i = odd; i < p.length - 1; i += 2) p[i] = index.closest(p[i - 1].plus(p[i + 1]).times(0.5)).point();
            double now = length(p);
            if (round > 8 && was - now < TIGHT * now) break;
            was = now;
        }
    }

    private static double length(Vec3[] p) {
        double sum = 0;
        for (int i = 1; i < p.length; i++) sum += p[i].distance(p[i - 1]);
        return sum;
    }

    public List<Vec3> points() {
        return points;
    }

    public double length() {
        return along[along.length - 1];
    }

    /** @param s from its start */
    public Vec3 at(double s) {
        int i = 1;
        while (i < along.length - 1 && along[i] < s) i++;
        double l = along[i] - along[i - 1], t = l > 0 ? Math.clamp((s - along[i - 1]) / l, 0, 1) : 0;
        return points.get(i - 1).plus(points.get(i).minus(points.get(i - 1)).times(t));
    }

    /** Which way it goes there, a unit vector. */
    public Vec3 ahead(double s) {
        double d = length() / Math.max(LEAST_POINTS, points.size());
        return at(Math.min(length(), s + d)).minus(at(Math.max(0, s - d))).unit();
    }
}
