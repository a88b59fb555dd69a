package yellowbracket.print;

import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Turn;

/**
 * Area and outline length of each layer, straight from the triangles: every triangle adds its segment to the layers it spans, area by the
 * shoelace sum of the directed segments, so no contour is ever chained. Layers are taken at their middle heights. O(triangles x layers spanned).
 */
public final class Layers {
    private final double layerMm;
    private final double[] areaMm2;
    private final double[] outlineMm;

    private Layers(double layerMm, int count) {
        this.layerMm = layerMm;
        areaMm2 = new double[count];
        outlineMm = new double[count];
    }

    public static Layers of(Mesh mesh, Turn turn, double layerMm) {
        if (!(layerMm > 0)) throw new IllegalArgumentException("layer height must be above 0, was " + layerMm);
        int n = mesh.vertexCount();
        var x = new double[n];
        var y = new double[n];
        var z = new double[n];
        double lo = Double.POSITIVE_INFINITY, hi = Double.NEGATIVE_INFINITY;
        for (int v = 0; v < n; v++) {
            var p = turn.apply(mesh.point(v));
            x[v] = p.x();
            y[v] = p.y();
            z[v] = p.z();
            lo = Math.min(lo, z[v]);
            hi = Math.max(hi, z[v]);
        }
        var out = new Layers(layerMm, n == 0 ? 0 : Math.max(1, (int) Math.round((hi - lo) / layerMm)));
        for (int f = 0; f < mesh.triangleCount(); f++) out.add(x, y, z, lo, mesh.vertex(f, 0), mesh.vertex(f, 1), mesh.vertex(f, 2));
        for (int i = 0; i < out.areaMm2.length; i++) out.areaMm2[i] = Math.abs(out.areaMm2[i]) / 2;
        return out;
    }

    private void add(double[] x, double[] y, double[] z, double base, int a, int b, int c) {
        double lo = Math.min(z[a], Math.min(z[b], z[c])), hi = Math.max(z[a], Math.max(z[b], z[c]));
        int from = Math.max(0, (int) Math.ceil((lo - base) / layerMm - 0.5)), to = Math.min(areaMm2.length - 1, (int) Math.floor((hi - base) / layerMm - 0.5));
        if (from > to) return;
        for (int i = from; i <= to; i++) {
            double h = base + (i + 0.5) * layerMm;
            boolean sa = z[a] >= h, sb = z[b] >= h, sc = z[c] >= h;
            if (sa == sb && sb == sc) continue;
            // here: one corner is alone on its side; the segment joins the crossings of its two edges
            int p = sb == sc ? a : sa == sc ? b : c, q = p == a ? b : p == b ? c : a, r = p == a ? c : p == b ? a : b;
            double t = (h - z[p]) / (z[q] - z[p]), u = (h - z[p]) / (z[r] - z[p]);
            double x0 = x[p] + t * (x[q] - x[p]), y0 = y[p] + t * (y[q] - y[p]), x1 = x[p] + u * (x[r] - x[p]), y1 = y[p] + u * (y[r] - y[p]);
            outlineMm[i] += Math.hypot(x1 - x0, y1 - y0);
            areaMm2[i] += (z[p] >= h ? -1 : 1) * (x0 * y1 - x1 * y0);
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
}
