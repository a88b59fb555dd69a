package yellowbracket.mesh.index;

import java.util.stream.IntStream;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Vec3;

/**
 * Signed distance to a surface on a regular grid, mm: negative inside by {@link WindingNumber}, so faulty meshes have one too. Nodes are
 * {@code cellMm} apart from {@code origin}; values between are trilinear, off by at most the curvature within a cell. Immutable.
 */
public final class DistanceGrid {
    /** Refused above this many nodes: it would not fit beside a build. */
    public static final long MOST_NODES = 40_000_000;

    private final Vec3 origin;
    private final double cellMm;
    private final int nx;
    private final int ny;
    private final int nz;
    private final float[] mm;

    private DistanceGrid(Vec3 origin, double cellMm, int nx, int ny, int nz) {
        this.origin = origin;
        this.cellMm = cellMm;
        this.nx = nx;
        this.ny = ny;
        this.nz = nz;
        mm = new float[nx * ny * nz];
    }

    public long bytes() {
        return 4L * mm.length;
    }

    /** @throws IllegalArgumentException if the cell is not above 0 or the grid would have more than {@link #MOST_NODES} */
    public static DistanceGrid of(Bvh index, Bounds3 box, double cellMm, Progress progress) {
        var grid = empty(box, cellMm);
        var winding = WindingNumber.of(index);
        IntStream.range(0, grid.nz).parallel().forEach(k -> {
            progress.check();
            grid.slab(k, index, winding);
        });
        return grid;
    }

    private static DistanceGrid empty(Bounds3 box, double cellMm) {
        if (!(cellMm > 0)) throw new IllegalArgumentException("a cell is wider than 0 mm, was " + cellMm);
        var size = box.size();
        long nx = (long) Math.ceil(size.x() / cellMm) + 1, ny = (long) Math.ceil(size.y() / cellMm) + 1,
                nz = (long) Math.ceil(size.z() / cellMm) + 1;
        if (nx * ny * nz > MOST_NODES)
            throw new IllegalArgumentException("a grid of " + nx + " x " + ny + " x " + nz + " nodes is too large; use a wider cell");
        return new DistanceGrid(box.min(), cellMm, (int) nx, (int) ny, (int) nz);
    }

    /** As {@link #of} for a mesh known to be closed: inside is told by counting crossings along each row, which is several times faster. */
    public static DistanceGrid ofClosed(Bvh index, Bounds3 box, double cellMm, Progress progress) {
        var grid = empty(box, cellMm);
        IntStream.range(0, grid.nz).parallel().forEach(k -> {
            progress.check();
            var nearest = index.closestQuery();
            for (int j = 0; j < grid.ny; j++) grid.row(j, k, index, nearest);
        });
        return grid;
    }

    /** A little off the nodes, so that rays do not run along edges of meshes made on a grid of their own. */
    private void row(int j, int k, Bvh index, ClosestQuery nearest) {
        double y = origin.y() + j * cellMm, z = origin.z() + k * cellMm;
        var hits = new double[16];
        int[] n = {0};
        var from = new Vec3(origin.x() - cellMm, y + 1.7e-5, z + 2.3e-5);
        index.allDistances(from, Vec3.X, t -> {
            if (n[0] < hits.length) hits[n[0]] = t;
            n[0]++;
        });
        boolean sure = n[0] % 2 == 0 && n[0] <= hits.length;
        for (int i = 0; i < nx; i++) {
            double x = origin.x() + i * cellMm, d = nearest.distance(x, y, z);
            int before = 0;
            for (int h = 0; sure && h < n[0]; h++) if (hits[h] < x - from.x()) before++;
            mm[at(i, j, k)] = (float) ((sure ? before % 2 == 1 : index.inside(new Vec3(x, y, z))) ? -d : d);
        }
    }

    private void slab(int k, Bvh index, WindingNumber winding) {
        double z = origin.z() + k * cellMm;
        var nearest = index.closestQuery();
        for (int j = 0; j < ny; j++) for (int i = 0; i < nx; i++) {
            double x = origin.x() + i * cellMm, y = origin.y() + j * cellMm, d = nearest.distance(x, y, z);
            mm[at(i, j, k)] = (float) (winding.at(x, y, z) > 0.5 ? -d : d);
        }
    }

    private int at(int i, int j, int k) {
        return (k * ny + j) * nx + i;
    }

    public int nodes() {
        return mm.length;
    }

    public double cellMm() {
        return cellMm;
    }

    /** Trilinear; points outside take the value at the nearest face. */
    public double mm(Vec3 p) {
        return mm(p.x(), p.y(), p.z());
    }

    /** As {@link #mm(Vec3)}. */
    public double mm(double px, double py, double pz) {
        double x = Math.clamp((px - origin.x()) / cellMm, 0, nx - 1), y = Math.clamp((py - origin.y()) / cellMm, 0, ny - 1),
                z = Math.clamp((pz - origin.z()) / cellMm, 0, nz - 1);
        int i = Math.min((int) x, Math.max(0, nx - 2)), j = Math.min((int) y, Math.max(0, ny - 2)),
                k = Math.min((int) z, Math.max(0, nz - 2));
        double u = x - i, v = y - j, w = z - k;
        double low = mix(row(i, j, k, u), row(i, j + 1, k, u), v), high = mix(row(i, j, k + 1, u), row(i, j + 1, k + 1, u), v);
        return mix(low, high, w);
    }

    private double row(int i, int j, int k, double u) {
        int jj = Math.min(j, ny - 1), kk = Math.min(k, nz - 1);
        return mix(mm[at(i, jj, kk)], mm[at(Math.min(i + 1, nx - 1), jj, kk)], u);
    }

    private static double mix(double a, double b, double t) {
        return a + (b - a) * t;
    }
}
