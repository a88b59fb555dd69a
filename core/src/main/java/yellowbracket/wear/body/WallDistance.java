package yellowbracket.wear.body;

import java.util.Arrays;
import java.util.stream.IntStream;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;

/**
 * How far the cells of a grid are from a surface, to a cell: cells it passes through are marked, and the squared distance to the nearest of
 * them is found axis by axis (Felzenszwalb and Huttenlocher, "Distance transforms of sampled functions", 2012). Quick where many places are
 * asked and none of them exactly.
 */
final class WallDistance {
    private static final double FAR = 1e12;

    private final int nx, ny, nz;
    private final double cell;
    private final Vec3 origin;
    private final double[] squared;

    /** @param scale of the mesh */
    WallDistance(Mesh m, double scale, Bounds3 box, double cell) {
        this.cell = cell;
        origin = box.min();
        nx = count(box.size().x());
        ny = count(box.size().y());
        nz = count(box.size().z());
        squared = new double[nx * ny * nz];
        Arrays.fill(squared, FAR);
        for (int f = 0; f < m.triangleCount(); f++)
            mark(m.corner(f, 0).times(scale), m.corner(f, 1).times(scale), m.corner(f, 2).times(scale));
        pass(ny * nz, nx, i -> i * nx, 1);
        pass(nx * nz, ny, i -> i / nx * nx * ny + i % nx, nx);
        pass(nx * ny, nz, i -> i, nx * ny);
    }

    private int count(double mm) {
        return Math.max(1, (int) Math.ceil(mm / cell));
    }

    /** Places so near to each other that no cell between is missed. */
    private void mark(Vec3 a, Vec3 b, Vec3 c) {
        double longest = Math.max(a.distance(b), Math.max(b.distance(c), c.distance(a)));
        int n = Math.max(1, (int) Math.ceil(2 * longest / cell));
        for (int i = 0; i <= n; i++) for (int j = 0; i + j <= n; j++) {
            double u = (double) i / n, v = (double) j / n, w = 1 - u - v;
            int at = at(a.x() * w + b.x() * u + c.x() * v, a.y() * w + b.y() * u + c.y() * v, a.z() * w + b.z() * u + c.z() * v);
            if (at >= 0) squared[at] = 0;
        }
    }

    private int at(double x, double y, double z) {
        int i = (int) Math.floor((x - origin.x()) / cell), j = (int) Math.floor((y - origin.y()) / cell),
                k = (int) Math.floor((z - origin.z()) / cell);
        return i < 0 || j < 0 || k < 0 || i >= nx || j >= ny || k >= nz ? -1 : (k * ny + j) * nx + i;
    }

    private void pass(int lines, int n, java.util.function.IntUnaryOperator start, int step) {
        IntStream.range(0, lines).parallel().forEach(l -> line(start.applyAsInt(l), step, n));
    }

    /** The lower envelope of parabolas over one line of cells. */
    private void line(int start, int step, int n) {
        var f = new double[n];
        var at = new int[n];
        var from = new double[n + 1];
        for (int i = 0; i < n; i++) f[i] = squared[start + i * step];
        int k = 0;
        from[0] = Double.NEGATIVE_INFINITY;
        from[1] = Double.POSITIVE_INFINITY;
        for (int q = 1; q < n; q++) {
            double s = meet(f, at[k], q);
            while (s <= from[k]) s = meet(f, at[--k], q);
            at[++k] = q;
            from[k] = s;
            from[k + 1] = Double.POSITIVE_INFINITY;
        }
        k = 0;
        for (int q = 0; q < n; q++) {
            while (from[k + 1] < q) k++;
            double d = q - at[k];
            squared[start + q * step] = d * d + f[at[k]];
        }
    }

    private static double meet(double[] f, int p, int q) {
        return (f[q] + (double) q * q - f[p] - (double) p * p) / (2.0 * (q - p));
    }

    /** From the cell a place lies in to the nearest marked one, less half a cell: what is surely free; below 0 in a marked one. */
    double mm(Vec3 p) {
        int i = at(p.x(), p.y(), p.z());
        return i < 0 ? FAR : cell * (Math.sqrt(squared[i]) - 0.5);
    }
}
