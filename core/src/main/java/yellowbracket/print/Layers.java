package yellowbracket.print;

import java.util.stream.IntStream;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Turn;

/**
 * Area and outline length of each layer, straight from the triangles: every triangle adds its segment to the layers it spans, area by the
 * shoelace sum of the directed segments, so no contour is ever chained. Layers are taken at their middle heights. O(triangles x layers
 * spanned),
 * on as many threads as there are processors for large meshes.
 */
public final class Layers {
    private static final int CHUNK = 60_000;

    private final double layerMm;
    private final double[] areaMm2;
    private final double[] outlineMm;

    private Layers(double layerMm, double[] areaMm2, double[] outlineMm) {
        this.layerMm = layerMm;
        this.areaMm2 = areaMm2;
        this.outlineMm = outlineMm;
    }

    public static Layers of(Mesh mesh, Turn turn, double layerMm) {
        if (!(layerMm > 0)) throw new IllegalArgumentException("layer height must be above 0, was " + layerMm);
        if (mesh.isEmpty()) return new Layers(layerMm, new double[0], new double[0]);
        var xyz = Turned.points(mesh, turn);
        int triangles = mesh.triangleCount(), chunks = Math.clamp(triangles / CHUNK, 1, Runtime.getRuntime().availableProcessors());
        double lo = Turned.lowest(xyz);
        int count = Math.max(1, (int) Math.round((Turned.highest(xyz) - lo) / layerMm));
        var parts = IntStream.range(0, chunks).parallel().mapToObj(c -> {
            var part = new Sum(mesh, xyz, lo, layerMm, count);
            for (int f = (int) ((long) triangles * c / chunks), end = (int) ((long) triangles * (c + 1) / chunks); f < end; f++)
                part.add(f);
            return part;
        }).toList();
        var area = new double[count];
        var outline = new double[count];
        for (int i = 0; i < count; i++) {
            for (var p : parts) {
                area[i] += p.area2[i];
                outline[i] += p.outline[i];
            }
            area[i] = Math.abs(area[i]) / 2;
        }
        return new Layers(layerMm, area, outline);
    }

    /** What some of the triangles add. Heights count in layers from the middle of the first. */
    private static final class Sum {
        private final Mesh mesh;
        private final double[] xyz;
        private final double base;
        private final double perLayer;
        private final double layerMm;
        private final double[] area2;
        private final double[] outline;

        Sum(Mesh mesh, double[] xyz, double lo, double layerMm, int count) {
            this.mesh = mesh;
            this.xyz = xyz;
            this.layerMm = layerMm;
            base = lo + 0.5 * layerMm;
            perLayer = 1 / layerMm;
            area2 = new double[count];
            outline = new double[count];
        }

        void add(int f) {
            int a = 3 * mesh.vertex(f, 0), b = 3 * mesh.vertex(f, 1), c = 3 * mesh.vertex(f, 2);
            double za = xyz[a + 2], zb = xyz[b + 2], zc = xyz[c + 2];
            int from = Math.max(0, (int) Math.ceil((Math.min(za, Math.min(zb, zc)) - base) * perLayer));
            int to = Math.min(area2.length - 1, (int) Math.floor((Math.max(za, Math.max(zb, zc)) - base) * perLayer));
            for (int i = from; i <= to; i++) {
                double h = base + i * layerMm;
                boolean sa = za >= h, sb = zb >= h, sc = zc >= h;
                if (sa == sb && sb == sc) continue;
                // here: one corner is alone on its side; the segment joins the crossings of its two edges
                if (sb == sc) segment(i, h, a, b, c, sa);
                else if (sa == sc) segment(i, h, b, c, a, sb);
                else segment(i, h, c, a, b, sc);
            }
        }

        private void segment(int i, double h, int p, int q, int r, boolean above) {
            double zp = xyz[p + 2], t = (h - zp) / (xyz[q + 2] - zp), u = (h - zp) / (xyz[r + 2] - zp);
            double x0 = xyz[p] + t * (xyz[q] - xyz[p]), y0 = xyz[p + 1] + t * (xyz[q + 1] - xyz[p + 1]);
            double x1 = xyz[p] + u * (xyz[r] - xyz[p]), y1 = xyz[p + 1] + u * (xyz[r + 1] - xyz[p + 1]);
            double dx = x1 - x0, dy = y1 - y0, cross = x0 * y1 - x1 * y0;
            outline[i] += Math.sqrt(dx * dx + dy * dy);
            area2[i] += above ? -cross : cross;
        }
    }

    public int count() {
        return areaMm2.length;
    }

    public double layerMm() {
        return layerMm;
    }

    public double areaMm2(int layer) {
        return areaMm2[layer];
    }

    public double outlineMm(int layer) {
        return outlineMm[layer];
    }

    public double volumeMm3() {
        double sum = 0;
        for (double a : areaMm2) sum += a * layerMm;
        return sum;
    }

    /** The same solid in layers of another height, read between these: areas and outlines change little from one to the next. */
    public Layers resampled(double otherMm) {
        if (!(otherMm > 0)) throw new IllegalArgumentException("layer height must be above 0, was " + otherMm);
        int n = count() == 0 ? 0 : Math.max(1, (int) Math.round(count() * layerMm / otherMm));
        var area = new double[n];
        var outline = new double[n];
        for (int i = 0; i < n; i++) {
            double at = Math.clamp((i + 0.5) * otherMm / layerMm - 0.5, 0, count() - 1);
            int k = (int) at, next = Math.min(k + 1, count() - 1);
            area[i] = areaMm2[k] + (at - k) * (areaMm2[next] - areaMm2[k]);
            outline[i] = outlineMm[k] + (at - k) * (outlineMm[next] - outlineMm[k]);
        }
        return new Layers(otherMm, area, outline);
    }
}
