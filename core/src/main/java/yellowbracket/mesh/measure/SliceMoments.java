package yellowbracket.mesh.measure;

import java.util.Arrays;
import java.util.List;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;

/**
 * Area and bending moduli of many plane figures at once, each summed over the edges of its outlines in whatever order they come (Green's
 * theorem): mm2 and mm3. Outlines run one way round and their holes the other; edges that come both ways cancel. Not thread-safe.
 */
public final class SliceMoments {
    /** Numbers summed for each figure: area, first and second moments. */
    private static final int SUMS = 6;
    /** Numbers kept of each edge: its figure and its ends. */
    private static final int EDGE = 5;
    private static final double NOTHING_MM2 = 1e-9;

    private final int figures;
    private final double[] sums;
    private double[] edges = new double[EDGE * 256];
    private int used;
    private double[] moduli;

    public SliceMoments(int figures) {
        this.figures = figures;
        sums = new double[SUMS * figures];
    }

    /**
     * What parallel planes meet of closed meshes together: figure {@code i} lies at {@code offsets[i]} along the normal, seen in the
     * plane's own axes. Faces that two meshes share cancel. O(triangles + crossings). @param offsets ascending
     */
    public static SliceMoments across(List<Mesh> meshes, Vec3 normal, Vec3 first, Vec3 second, double[] offsets) {
        var out = new SliceMoments(offsets.length);
        for (var m : meshes) out.add(m, normal, first, second, offsets);
        return out;
    }

    private void add(Mesh m, Vec3 normal, Vec3 first, Vec3 second, double[] offsets) {
        var h = new double[m.vertexCount()];
        for (int v = 0; v < h.length; v++) h[v] = normal.x() * m.x(v) + normal.y() * m.y(v) + normal.z() * m.z(v);
        for (int t = 0; t < m.triangleCount(); t++) {
            int a = m.vertex(t, 0), b = m.vertex(t, 1), c = m.vertex(t, 2);
            int from = firstAbove(offsets, Math.min(h[a], Math.min(h[b], h[c]))),
                    to = firstAbove(offsets, Math.max(h[a], Math.max(h[b], h[c])));
            for (int i = from; i < to; i++) {
                double d = offsets[i];
                boolean ua = h[a] >= d, ub = h[b] >= d, uc = h[c] >= d;
                if (ua == ub && ub == uc) continue;
                // turned so that the corner alone on its side comes first
                int q = ub == uc ? a : ua == uc ? b : c, r = q == a ? b : q == b ? c : a, s = q == a ? c : q == b ? a : b;
                var p0 = between(m, q, r, h, d);
                var p1 = between(m, q, s, h, d);
                if (h[q] >= d) edge(i, first.dot(p1), second.dot(p1), first.dot(p0), second.dot(p0));
                else edge(i, first.dot(p0), second.dot(p0), first.dot(p1), second.dot(p1));
            }
        }
    }

    private static int firstAbove(double[] offsets, double height) {
        int at = Arrays.binarySearch(offsets, height);
        return at >= 0 ? at : -at - 1;
    }

    private static Vec3 between(Mesh m, int a, int b, double[] h, double d) {
        var p = m.point(a);
        return p.plus(m.point(b).minus(p).times((h[a] - d) / (h[a] - h[b])));
    }

    /** One edge of figure {@code i}, from (x0, y0) to (x1, y1), mm. */
    public void edge(int i, double x0, double y0, double x1, double y1) {
        double c = x0 * y1 - x1 * y0;
        int o = SUMS * i;
        sums[o] += c / 2;
        sums[o + 1] += c * (x0 + x1) / 6;
        sums[o + 2] += c * (y0 + y1) / 6;
        sums[o + 3] += c * (x0 * x0 + x0 * x1 + x1 * x1) / 12;
        sums[o + 4] += c * (y0 * y0 + y0 * y1 + y1 * y1) / 12;
        sums[o + 5] += c * (x0 * y1 + 2 * x0 * y0 + 2 * x1 * y1 + x1 * y0) / 24;
        if (used + EDGE > edges.length) edges = Arrays.copyOf(edges, 2 * edges.length);
        edges[used] = i;
        edges[used + 1] = x0;
        edges[used + 2] = y0;
        edges[used + 3] = x1;
        edges[used + 4] = y1;
        used += EDGE;
        moduli = null;
    }

    public double areaMm2(int i) {
        return Math.abs(sums[SUMS * i]);
    }

    /** About the principal axis that is weaker: second moment over the distance of the outermost fibre; 0 for nothing. */
    public double modulusMm3(int i) {
        if (moduli == null) moduli = moduli();
        return moduli[i];
    }

    private double[] moduli() {
        var axis = new Principal[figures];
        for (int i = 0; i < figures; i++) axis[i] = principal(SUMS * i);
        var far = new double[2 * figures];
        for (int e = 0; e < used; e += EDGE) {
            int i = (int) edges[e];
            if (axis[i] != null) for (int k = 1; k < EDGE; k += 2) {
                double x = edges[e + k] - axis[i].x, y = edges[e + k + 1] - axis[i].y;
                far[2 * i] = Math.max(far[2 * i], Math.abs(axis[i].cos * x + axis[i].sin * y));
                far[2 * i + 1] = Math.max(far[2 * i + 1], Math.abs(axis[i].cos * y - axis[i].sin * x));
            }
        }
        var out = new double[figures];
        for (int i = 0; i < figures; i++)
            if (axis[i] != null) out[i] = Math.max(0, Math.min(axis[i].along / far[2 * i], axis[i].across / far[2 * i + 1]));
        return out;
    }

    /** Centroid, direction, and second moments of what is stretched along that direction and across it, mm4. */
    private record Principal(double x, double y, double cos, double sin, double along, double across) {}

    private Principal principal(int o) {
        double area = sums[o], sign = Math.signum(area);
        if (Math.abs(area) < NOTHING_MM2) return null;
        double x = sums[o + 1] / area, y = sums[o + 2] / area;
        double xx = sign * (sums[o + 3] - area * x * x), yy = sign * (sums[o + 4] - area * y * y), xy = sign * (sums[o + 5] - area * x * y);
        double a = Math.atan2(2 * xy, xx - yy) / 2, half = Math.hypot((xx - yy) / 2, xy), mean = (xx + yy) / 2;
        return new Principal(x, y, Math.cos(a), Math.sin(a), mean + half, mean - half);
    }
}
