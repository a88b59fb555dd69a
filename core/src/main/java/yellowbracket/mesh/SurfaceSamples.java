package yellowbracket.mesh;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * A surface as equal-area sample points, for everything that is a share of an area: overhang, cusp, cover, zones. Points are the centres of the
 * facets at even steps of the running area, so the same mesh gives the same samples. A share p measured on n samples is off by about
 * sqrt(p (1 - p) / n). Faces made by cuts are left out.
 */
public record SurfaceSamples(List<Sample> samples, double areaEachMm2) {
    /** Cosine between normals of one side of a wall. */
    private static final double ALIKE = 0.3;

    /** {@code normal} unit, outward; {@code seen}: on the show side; {@code bend}: sharpest bend to a neighbour, 1/mm. */
    public record Sample(Vec3 point, Vec3 normal, boolean seen, double bend) {}

    public static SurfaceSamples of(Mesh mesh, Bvh whole, int count) {
        double[] bend = bends(mesh);
        double area = 0;
        for (int f = 0; f < mesh.triangleCount(); f++) if (mesh.tag(f) == Mesh.ORIGINAL) area += mesh.area(f);
        double each = area / count, run = -each / 2;
        var out = new ArrayList<Sample>(count);
        for (int f = 0; f < mesh.triangleCount(); f++) {
            if (mesh.tag(f) != Mesh.ORIGINAL) continue;
            double a = mesh.area(f);
            run += a;
            int hits = (int) Math.ceil(run / each - 1e-9);
            if (run <= 0 || hits <= 0) continue;
            var n = mesh.areaVector(f).times(0.5 / a);
            var sample = new Sample(mesh.centroid(f), n, ShowSide.seen(whole, mesh.centroid(f), n), bend[f]);
            for (int i = 0; i < hits; i++) out.add(sample);
            run -= hits * each;
        }
        return new SurfaceSamples(List.copyOf(out), each);
    }

    /**
     * Whether each facet of the mesh the samples were taken from is on the show side, told by the nearest sample that looks the same way; faces made by
     * cuts are not.
     */
    public boolean[] seenByFacet(Mesh mesh) {
        var out = new boolean[mesh.triangleCount()];
        if (samples.isEmpty()) return out;
        double cell = 2 * Math.sqrt(areaEachMm2);
        var grid = new HashMap<Long, List<Sample>>();
        for (var s : samples) grid.computeIfAbsent(key(s.point, cell, 0, 0, 0), k -> new ArrayList<>()).add(s);
        for (int f = 0; f < out.length; f++) {
            if (mesh.tag(f) != Mesh.ORIGINAL) continue;
            var n = mesh.areaVector(f);
            double len = n.norm();
            out[f] = len > 0 && nearest(grid, cell, mesh.centroid(f), n.times(1 / len)).seen;
        }
        return out;
    }

    private Sample nearest(Map<Long, List<Sample>> grid, double cell, Vec3 at, Vec3 normal) {
        Sample best = null;
        double least = Double.POSITIVE_INFINITY;
        for (int i = -1; i <= 1; i++) for (int j = -1; j <= 1; j++) for (int k = -1; k <= 1; k++)
            for (var s : grid.getOrDefault(key(at, cell, i, j, k), List.of())) {
                double far = s.point.distance(at);
                if (far >= least || s.normal.dot(normal) < ALIKE) continue;
                least = far;
                best = s;
            }
        return best != null ? best : samples.stream().min(Comparator.comparingDouble(s -> s.point.distance(at) - 1000 * Math.min(ALIKE, s.normal.dot(normal)))).orElseThrow();
    }

    private static long key(Vec3 p, double cell, int i, int j, int k) {
        return ((long) Math.floor(p.x() / cell) + i & 0x1FFFFF) << 42 | ((long) Math.floor(p.y() / cell) + j & 0x1FFFFF) << 21 | (long) Math.floor(p.z() / cell) + k & 0x1FFFFF;
    }

    public SurfaceSamples scaled(double k) {
        return k == 1 ? this : new SurfaceSamples(samples.stream().map(s -> new Sample(s.point.times(k), s.normal, s.seen, s.bend / k)).toList(), areaEachMm2 * k * k);
    }

    public double areaMm2() {
        return samples.size() * areaEachMm2;
    }

    public double seenMm2() {
        return samples.stream().filter(Sample::seen).count() * areaEachMm2;
    }

    /** For each triangle the largest angle to a neighbour over the distance of their centres. */
    private static double[] bends(Mesh m) {
        var out = new double[m.triangleCount()];
        new Edges(m).pairs((f, g) -> {
            var n = m.areaVector(f);
            var o = m.areaVector(g);
            double len = n.norm() * o.norm();
            double apart = m.centroid(f).distance(m.centroid(g));
            if (len == 0 || apart == 0) return;
            double b = Math.acos(Math.clamp(n.dot(o) / len, -1, 1)) / apart;
            out[f] = Math.max(out[f], b);
            out[g] = Math.max(out[g], b);
        });
        return out;
    }
}
