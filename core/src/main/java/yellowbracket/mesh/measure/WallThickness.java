package yellowbracket.mesh.measure;

import java.util.Arrays;
import java.util.stream.IntStream;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Triangle;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * How thick the walls are: rays inwards from points spread evenly over the surface to where they come out. {@code sortedMm}: one thickness
 * a point,
 * rising; points whose ray meets nothing (an open shell, or a facet turned over) are counted in {@code without}.
 */
public record WallThickness(double[] sortedMm, int without) {
    /** Places measured. */
    private static final int SAMPLES = 6000;
    /** Off the surface, so that a ray does not meet its own facet. */
    private static final double START_MM = 1e-4;

    public WallThickness {
        sortedMm = sortedMm.clone();
    }

    public static WallThickness of(Mesh m, Bvh index) {
        double area = 0;
        for (int f = 0; f < m.triangleCount(); f++) area += Triangle.area2(m, f);
        double each = area / SAMPLES, run = each / 2;
        var facets = new int[2 * SAMPLES];
        int n = 0;
        for (int f = 0; f < m.triangleCount() && area > 0; f++) {
            run += Triangle.area2(m, f);
            for (; run >= each && n < facets.length; run -= each) facets[n++] = f;
        }
        var all = IntStream.range(0, n).parallel().mapToDouble(i -> from(m, index, facets[i], i)).toArray();
        var through = Arrays.stream(all).filter(Double::isFinite).sorted().toArray();
        return new WallThickness(through, n - through.length);
    }

    /** From a point of the facet that differs from sample to sample. */
    private static double from(Mesh m, Bvh index, int f, int i) {
        double u = 0.1 + 0.8 * (i * 0.6180339887 % 1), v = 0.1 + 0.8 * (i * 0.7548776662 % 1);
        if (u + v > 1) {
            u = 1 - u;
            v = 1 - v;
        }
        var p = m.corner(f, 0).times(1 - u - v).plus(m.corner(f, 1).times(u)).plus(m.corner(f, 2).times(v));
        return at(index, p, m.areaVector(f));
    }

    /** Thickness beneath a point of the surface, mm, infinite when the ray meets nothing. @param normal outward, of any length */
    public static double at(Bvh index, Vec3 p, Vec3 normal) {
        if (normal.norm() == 0) return Double.POSITIVE_INFINITY;
        var d = normal.unit().times(-1);
        return index.firstDistance(p.x(), p.y(), p.z(), d.x(), d.y(), d.z(), START_MM);
    }

    /** The copy a record hands out. */
    @Override
    public double[] sortedMm() {
        return sortedMm.clone();
    }

    public boolean known() {
        return sortedMm.length > 0;
    }

    /** The thickness that {@code share} of the surface stays below, mm. */
    public double percentile(double share) {
        return known() ? sortedMm[(int) Math.min(sortedMm.length - 1, Math.floor(share * sortedMm.length))] : Double.NaN;
    }

    /** Share of the surface with a wall thinner than this, 0 to 1. */
    public double shareBelow(double mm) {
        int at = Arrays.binarySearch(sortedMm, mm);
        return known() ? (double) (at < 0 ? -at - 1 : at) / sortedMm.length : 0;
    }
}
