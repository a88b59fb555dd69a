package yellowbracket.mesh.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import yellowbracket.mesh.Edges;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * A surface as equal-area sample points, for everything that is a share of an area: overhang, cusp, cover, zones. Points are the centres of
 * the
 * facets at even steps of the running area, so the same mesh gives the same samples. A share p measured on n samples is off by about
 * sqrt(p (1 - p) / n). Faces made by cuts are left out.
 */
public record SurfaceSamples(List<Sample> samples, double areaEachMm2) {
    /** Cosine between normals of one side of a wall. */
    private static final double ALIKE = 0.3;
    /** A surface is not in its own way. */
    private static final double OFF_MM = 1e-3;

    /**
     * {@code normal} unit, outward; {@code seen}: on the show side; {@code bend}: sharpest bend to a neighbour, 1/mm; {@code flat}: how far
     * a facet of a coarse mesh lies off the round that was meant, {@code thick} the wall beneath, {@code open} how far it is outward to the
     * next surface, both infinite where there is none, mm.
     */
    public record Sample(Vec3 point, Vec3 normal, boolean seen, double bend, double flat, double thick, double open) {}

    public static SurfaceSamples of(Mesh mesh, Bvh whole, int count) {
        double[] bend = bends(mesh), flat = Facets.depths(mesh);
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
            var at = mesh.centroid(f);
            var sample = new Sample(at, n, ShowSide.seen(whole, at, n), bend[f], flat[f], far(whole, at, n.times(-1)), far(whole, at, n));
            for (int i = 0; i < hits; i++) out.add(sample);
            run -= hits * each;
        }
        return new SurfaceSamples(List.copyOf(out), each);
    }

    private static double far(Bvh whole, Vec3 at, Vec3 along) {
        return whole.firstDistance(at.x(), at.y(), at.z(), along.x(), along.y(), along.z(), OFF_MM);
    }

    /**
     * Whether each facet of the mesh the samples were taken from is on the show side, told by the nearest sample that looks the same way;
     * faces made by
     * cuts are not.
     */
    public boolean[] seenByFacet(Mesh mesh) {
        var out = new boolean[mesh.triangleCount()];
        var near = nearestByFacet(mesh);
        for (int f = 0; f < out.length; f++) out[f] = near[f] >= 0 && samples.get(near[f]).seen;
        return out;
    }

    /** For each facet of a mesh the nearest sample that looks the same way; -1 on faces made by cuts, and without samples. */
    public int[] nearestByFacet(Mesh mesh) {
        var out = new int[mesh.triangleCount()];
        Arrays.fill(out, -1);
        if (samples.isEmpty()) return out;
        var grid = new SampleGrid(samples, 2 * Math.sqrt(areaEachMm2));
        for (int f = 0; f < out.length; f++) {
            if (mesh.tag(f) != Mesh.ORIGINAL) continue;
            var n = mesh.areaVector(f);
            double len = n.norm();
            if (len > 0) out[f] = grid.nearest(mesh.centroid(f), n.times(1 / len));
        }
        return out;
    }

    /** Samples by cubes of their box, each cube a chain. */
    private static final class SampleGrid {
        private final List<Sample> samples;
        private final double cell;
        private final Vec3 low;
        private final int nx;
        private final int ny;
        private final int nz;
        private final int[] head;
        private final int[] next;

        SampleGrid(List<Sample> samples, double cell) {
            this.samples = samples;
            this.cell = cell;
            double[] lo = {1e300, 1e300, 1e300}, hi = {-1e300, -1e300, -1e300};
            for (var s : samples) for (int a = 0; a < 3; a++) {
                lo[a] = Math.min(lo[a], s.point.get(a));
                hi[a] = Math.max(hi[a], s.point.get(a));
            }
            low = new Vec3(lo[0], lo[1], lo[2]);
            nx = 1 + (int) ((hi[0] - lo[0]) / cell);
            ny = 1 + (int) ((hi[1] - lo[1]) / cell);
            nz = 1 + (int) ((hi[2] - lo[2]) / cell);
            head = new int[nx * ny * nz];
            Arrays.fill(head, -1);
            next = new int[samples.size()];
            for (int i = 0; i < next.length; i++) {
                var p = samples.get(i).point;
                int c = (at(p.z() - low.z(), nz) * ny + at(p.y() - low.y(), ny)) * nx + at(p.x() - low.x(), nx);
                next[i] = head[c];
                head[c] = i;
            }
        }

        private int at(double mm, int n) {
            return Math.clamp((int) (mm / cell), 0, n - 1);
        }

        int nearest(Vec3 p, Vec3 normal) {
            int best = -1;
            double least = Double.POSITIVE_INFINITY;
            int i = at(p.x() - low.x(), nx), j = at(p.y() - low.y(), ny), k = at(p.z() - low.z(), nz);
            for (int z = Math.max(0, k - 1); z <= Math.min(nz - 1, k + 1); z++)
                for (int y = Math.max(0, j - 1); y <= Math.min(ny - 1, j + 1); y++) for (int x = Math.max(0, i - 1);
                        x <= Math.min(nx - 1, i + 1); x++)
                    for (int at = head[(z * ny + y) * nx + x]; at >= 0; at = next[at]) {
                        var s = samples.get(at);
                        double far = s.point.distance(p);
                        if (far >= least || s.normal.dot(normal) < ALIKE) continue;
                        least = far;
                        best = at;
                    }
            return best >= 0 ? best
                    : IntStream.range(0, samples.size())
                            .boxed()
                            .min(Comparator.comparingDouble(
                                    o -> samples.get(o).point.distance(p) - 1000 * Math.min(ALIKE, samples.get(o).normal.dot(normal))))
                            .orElseThrow();
        }
    }

    public SurfaceSamples scaled(double k) {
        return k == 1 ? this
                : new SurfaceSamples(samples.stream()
                        .map(s -> new Sample(s.point.times(k), s.normal, s.seen, s.bend / k, k * s.flat, k * s.thick, k * s.open))
                        .toList(), areaEachMm2 * k * k);
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
