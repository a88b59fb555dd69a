package yellowbracket.print;

import java.util.Arrays;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Turn;

/**
 * What lies under a section as it stands on the bed, in square cells: every cell that any part of its outline seen from above touches,
 * support included, which
 * stands beneath. Rows of bits, x along a row; the lower left corner of the box is the origin.
 */
public final class Shadow {
    private final double cell;
    private final int nx;
    private final int ny;
    private final double wide;
    private final double deep;
    private final long[][] rows;

    private Shadow(double cell, int nx, int ny, double wide, double deep) {
        this.cell = cell;
        this.nx = nx;
        this.ny = ny;
        this.wide = wide;
        this.deep = deep;
        rows = new long[ny][(nx + 63) / 64];
    }

    /** @param scale the section is drawn in, real mm per mm of the mesh */
    public static Shadow of(Mesh mesh, Turn turn, double scale, double cellMm) {
        var xyz = Turned.points(mesh, turn);
        double x0 = Turned.extreme(xyz, 0, -1), y0 = Turned.extreme(xyz, 1, -1), wide = (Turned.extreme(xyz, 0, 1) - x0) * scale,
                deep = (Turned.extreme(xyz, 1, 1) - y0) * scale;
        var out = new Shadow(cellMm, cells(wide, cellMm), cells(deep, cellMm), wide, deep);
        double k = scale / cellMm;
        for (int i = 0; i < xyz.length; i += 3) {
            xyz[i] = (xyz[i] - x0) * k;
            xyz[i + 1] = (xyz[i + 1] - y0) * k;
        }
        for (int f = 0; f < mesh.triangleCount(); f++) out.cover(xyz, 3 * mesh.vertex(f, 0), 3 * mesh.vertex(f, 1), 3 * mesh.vertex(f, 2));
        return out;
    }

    private static int cells(double mm, double cell) {
        return Math.max(1, (int) Math.ceil(mm / cell - 1e-9));
    }

    /** In each row the cells between the leftmost and the rightmost point of the triangle within it. */
    private void cover(double[] p, int a, int b, int c) {
        int from = Math.max(0, (int) Math.floor(Math.min(p[a + 1], Math.min(p[b + 1], p[c + 1])))),
                to = Math.min(ny - 1, (int) Math.floor(Math.max(p[a + 1], Math.max(p[b + 1], p[c + 1]))));
        for (int j = from; j <= to; j++) {
            double lo = Double.POSITIVE_INFINITY, hi = Double.NEGATIVE_INFINITY;
            for (int k = 0; k < 3; k++) {
                int q = k == 0 ? a : k == 1 ? b : c, r = k == 0 ? b : k == 1 ? c : a;
                double dy = p[r + 1] - p[q + 1], t0 = 0, t1 = 1;
                if (dy != 0) {
                    double s = (j - p[q + 1]) / dy, e = (j + 1 - p[q + 1]) / dy;
                    t0 = Math.max(0, Math.min(s, e));
                    t1 = Math.min(1, Math.max(s, e));
                    if (t0 > t1) continue;
                } else if (p[q + 1] < j || p[q + 1] > j + 1) continue;
                double xa = p[q] + t0 * (p[r] - p[q]), xb = p[q] + t1 * (p[r] - p[q]);
                lo = Math.min(lo, Math.min(xa, xb));
                hi = Math.max(hi, Math.max(xa, xb));
            }
            for (int i = Math.clamp((int) Math.floor(lo), 0, nx - 1), end = Math.clamp((int) Math.floor(hi), 0, nx - 1);
                    lo <= hi && i <= end; i++)
                set(i, j);
        }
    }

    private void set(int i, int j) {
        rows[j][i >> 6] |= 1L << (i & 63);
    }

    public boolean covers(int i, int j) {
        return i >= 0 && j >= 0 && i < nx && j < ny && (rows[j][i >> 6] >>> (i & 63) & 1) != 0;
    }

    public int columns() {
        return nx;
    }

    public int rows() {
        return ny;
    }

    public double cellMm() {
        return cell;
    }

    /** Of the box, mm. */
    public double wideMm() {
        return wide;
    }

    public double deepMm() {
        return deep;
    }

    public double areaMm2() {
        return Arrays.stream(rows).flatMapToLong(Arrays::stream).map(Long::bitCount).sum() * cell * cell;
    }

    long[] row(int j) {
        return rows[j];
    }

    /** A quarter turn counter-clockwise. */
    public Shadow quarter() {
        var out = new Shadow(cell, ny, nx, deep, wide);
        for (int j = 0; j < ny; j++) for (int i = 0; i < nx; i++) if (covers(i, j)) out.set(ny - 1 - j, i);
        return out;
    }

    /** Everything within {@code mm} of it; grows by that much on every side. */
    public Shadow widened(double mm) {
        int r = (int) Math.ceil(mm / cell - 1e-9);
        if (r <= 0) return this;
        var out = new Shadow(cell, nx + 2 * r, ny + 2 * r, wide + 2 * r * cell, deep + 2 * r * cell);
        for (int j = 0; j < ny; j++) for (int i = 0; i < nx; i++) {
            if (!covers(i, j) || covers(i - 1, j) && covers(i + 1, j) && covers(i, j - 1) && covers(i, j + 1)) continue;
            for (int v = -r; v <= r; v++) for (int u = -r; u <= r; u++)
                if (Math.hypot(Math.max(0, Math.abs(u) - 1), Math.max(0, Math.abs(v) - 1)) * cell < mm) out.set(i + u + r, j + v + r);
        }
        for (int j = 0; j < ny; j++) for (int i = 0; i < nx; i++) if (covers(i, j)) out.set(i + r, j + r);
        return out;
    }
}
