package yellowbracket.print;

import java.util.Arrays;
import java.util.stream.IntStream;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Turn;

/**
 * Area and outline length of each layer, and what lies open above and below it, straight from the triangles: every triangle adds its
 * segment to the layers it spans, area by the shoelace sum of the directed segments, so no contour is ever chained; seen from above or
 * below, it adds its area to what is open there. Layers are taken at their middle heights. O(triangles x layers spanned), on as many
 * threads as there are processors for large meshes.
 */
public final class Layers {
    private static final int CHUNK = 60_000;

    private final double layerMm;
    private final double[] areaMm2;
    private final double[] outlineMm;
    private final Open above;
    private final Open below;

    private Layers(double layerMm, double[] areaMm2, double[] outlineMm, Open above, Open below) {
        this.layerMm = layerMm;
        this.areaMm2 = areaMm2;
        this.outlineMm = outlineMm;
        this.above = above;
        this.below = below;
    }

    /**
     * Area seen from above, or from below, between the middles of one layer and the next, by how level it is: {@code mm2[s][j]} between
     * layers j - 1 and j, of faces that run {@link #LEVEL}[s] mm or more to the side for each mm up.
     */
    private record Open(double[][] mm2) {
        /** Faces steeper than the first lie under the walls of any print. */
        static final double[] LEVEL = {0.5, 0.7, 1, 1.4, 2, 2.8, 4, 5.6, 8, 16, 64};
        private static final double MIDDLE = Math.sqrt(1.4);

        static Open of(int layers) {
            return new Open(new double[LEVEL.length][layers + 1]);
        }

        /** @param level mm to the side for each mm up */
        static int kind(double level) {
            int s = -1;
            while (s + 1 < LEVEL.length && level >= LEVEL[s + 1]) s++;
            return s;
        }

        void add(Open other) {
            for (int s = 0; s < mm2.length; s++) for (int j = 0; j < mm2[s].length; j++) mm2[s][j] += other.mm2[s][j];
        }

        /** What of it, from one gap between layers through another, reaches further in than the walls. */
        double beyond(int from, int to, double skinMm, double wallsMm) {
            double sum = 0;
            for (int s = 0; s < LEVEL.length; s++) {
                double share = 1 - wallsMm / (skinMm * LEVEL[s] * (s + 1 == LEVEL.length ? 2 : MIDDLE));
                if (share > 0) for (int j = Math.max(0, from); j <= Math.min(to, mm2[s].length - 1); j++) sum += share * mm2[s][j];
            }
            return sum;
        }

        Open between(int from, int to) {
            var out = of(Math.max(0, to - from));
            for (int s = 0; s < mm2.length; s++) System.arraycopy(mm2[s], from, out.mm2[s], 0, out.mm2[s].length);
            return out;
        }

        Open resampled(int layers) {
            var out = of(layers);
            int n = mm2[0].length - 1;
            for (int s = 0; s < mm2.length; s++)
                for (int j = 0; j <= n; j++) out.mm2[s][n == 0 ? 0 : (int) Math.round((double) j * layers / n)] += mm2[s][j];
            return out;
        }
    }

    public static Layers of(Mesh mesh, Turn turn, double layerMm) {
        if (!(layerMm > 0)) throw new IllegalArgumentException("layer height must be above 0, was " + layerMm);
        if (mesh.isEmpty()) return new Layers(layerMm, new double[0], new double[0], Open.of(0), Open.of(0));
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
        var above = Open.of(count);
        var below = Open.of(count);
        for (var p : parts) {
            above.add(p.above);
            below.add(p.below);
        }
        return new Layers(layerMm, area, outline, above, below);
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
        private final Open above;
        private final Open below;

        Sum(Mesh mesh, double[] xyz, double lo, double layerMm, int count) {
            this.mesh = mesh;
            this.xyz = xyz;
            this.layerMm = layerMm;
            base = lo + 0.5 * layerMm;
            perLayer = 1 / layerMm;
            area2 = new double[count];
            outline = new double[count];
            above = Open.of(count);
            below = Open.of(count);
        }

        void add(int f) {
            int a = 3 * mesh.vertex(f, 0), b = 3 * mesh.vertex(f, 1), c = 3 * mesh.vertex(f, 2);
            double za = xyz[a + 2], zb = xyz[b + 2], zc = xyz[c + 2];
            double lo = (Math.min(za, Math.min(zb, zc)) - base) * perLayer, hi = (Math.max(za, Math.max(zb, zc)) - base) * perLayer;
            open(a, b, c, lo, hi);
            int from = Math.max(0, (int) Math.ceil(lo));
            int to = Math.min(area2.length - 1, (int) Math.floor(hi));
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

        /** Spread evenly over its height. */
        private void open(int a, int b, int c, double lo, double hi) {
            double ux = xyz[b] - xyz[a], uy = xyz[b + 1] - xyz[a + 1], uz = xyz[b + 2] - xyz[a + 2];
            double vx = xyz[c] - xyz[a], vy = xyz[c + 1] - xyz[a + 1], vz = xyz[c + 2] - xyz[a + 2];
            double nz = ux * vy - uy * vx, side = Math.hypot(uy * vz - uz * vy, uz * vx - ux * vz);
            int kind = Open.kind(Math.abs(nz) / Math.max(1e-12, side));
            if (kind < 0) return;
            var to = (nz > 0 ? above : below).mm2[kind];
            int first = Math.clamp((int) Math.ceil(lo), 0, to.length - 1), last = Math.clamp((int) Math.ceil(hi), 0, to.length - 1);
            double area = Math.abs(nz) / 2;
            for (int j = first; j <= last; j++) to[j] += first == last ? area : area * (Math.min(hi, j) - Math.max(lo, j - 1)) / (hi - lo);
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

    /**
     * Area of a layer, in from its walls, that has to be solid because within the skin above or below it there is nothing.
     * @param skin layers @param wallsMm how wide the walls are together
     */
    public double skinMm2(int layer, int skin, double wallsMm) {
        return above.beyond(layer + 1, layer + skin, skin * layerMm, wallsMm)
                + below.beyond(layer - skin + 1, layer, skin * layerMm, wallsMm);
    }

    public double volumeMm3() {
        double sum = 0;
        for (double a : areaMm2) sum += a * layerMm;
        return sum;
    }

    /** Those whose middle lies between two heights over the bed, mm. */
    public Layers between(double fromMm, double toMm) {
        int from = Math.clamp(Math.round(fromMm / layerMm), 0, count()), to = Math.clamp(Math.round(toMm / layerMm), from, count());
        return new Layers(layerMm, Arrays.copyOfRange(areaMm2, from, to), Arrays.copyOfRange(outlineMm, from, to), above.between(from, to),
                below.between(from, to));
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
        return new Layers(otherMm, area, outline, above.resampled(n), below.resampled(n));
    }
}
