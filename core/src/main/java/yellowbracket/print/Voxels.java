package yellowbracket.print;

import java.util.Arrays;
import java.util.BitSet;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;

/**
 * A section as it stands on the bed in cubic cells, solid or air, with some cells of air all round. Read off {@link Columns}, so that a
 * cell is solid where its middle lies inside. {@code x0, y0, z0}: lowest corner of cell 0, turned coordinates. Immutable once made.
 */
final class Voxels {
    /** Above this cells are made larger. */
    private static final double MOST_CELLS = 4e6;

    final int nx, ny, nz;
    final double cell;
    private final double x0, y0, z0;
    private final BitSet solid;

    private Voxels(Columns.Grid g, double high, double cell, int pad) {
        this.cell = cell;
        nx = g.nx() + 2 * pad;
        ny = g.ny() + 2 * pad;
        nz = Math.max(1, (int) Math.ceil((high - g.bed()) / cell)) + 2 * pad;
        x0 = g.x0() - pad * cell;
        y0 = g.y0() - pad * cell;
        z0 = g.bed() - pad * cell;
        solid = new BitSet(nx * ny * nz);
    }

    /** @param cellMm at least; larger where the section would need too many @param pad cells of air all round */
    static Voxels of(Mesh mesh, Turn turn, double cellMm, int pad) {
        var size = mesh.turned(turn).bounds().size();
        double cell = Math.max(cellMm, Math.cbrt(size.x() * size.y() * size.z() / MOST_CELLS));
        var columns = Columns.of(mesh, new boolean[mesh.triangleCount()], turn, cell);
        var g = columns.grid();
        var out = new Voxels(g, g.bed() + size.z(), cell, pad);
        columns.runs((c, from, to) -> {
            int i = c % g.nx() + pad, j = c / g.nx() + pad;
            int k0 = Math.max(0, (int) Math.ceil((from - out.z0) / cell - 0.5)), k1 = (int) Math.ceil((to - out.z0) / cell - 0.5);
            for (int k = k0; k < Math.min(k1, out.nz); k++) out.solid.set(out.at(i, j, k));
        });
        return out;
    }

    int at(int i, int j, int k) {
        return (k * ny + j) * nx + i;
    }

    int count() {
        return nx * ny * nz;
    }

    boolean solid(int at) {
        return solid.get(at);
    }

    int layer(int at) {
        return at / (nx * ny);
    }

    /** Middle of a cell, turned coordinates. */
    Vec3 middle(int at) {
        return new Vec3(x0 + (at % nx + 0.5) * cell, y0 + (at / nx % ny + 0.5) * cell, z0 + (at / (nx * ny) + 0.5) * cell);
    }

    /** The cell that holds a place, or -1 outside. */
    int holding(Vec3 p) {
        int i = (int) Math.floor((p.x() - x0) / cell), j = (int) Math.floor((p.y() - y0) / cell), k = (int) Math.floor((p.z() - z0) / cell);
        return i < 0 || j < 0 || k < 0 || i >= nx || j >= ny || k >= nz ? -1 : at(i, j, k);
    }

    double cubicMm() {
        return cell * cell * cell;
    }

    /** Takes the cells that share a face with one. */
    interface Beside {
        void take(int neighbour);
    }

    void beside(int at, Beside b) {
        int i = at % nx, j = at / nx % ny, k = at / (nx * ny);
        if (i > 0) b.take(at - 1);
        if (i + 1 < nx) b.take(at + 1);
        if (j > 0) b.take(at - nx);
        if (j + 1 < ny) b.take(at + nx);
        if (k > 0) b.take(at - nx * ny);
        if (k + 1 < nz) b.take(at + nx * ny);
    }

    /** Solid cells and all that touch them, by corners too, so many times over. */
    BitSet grown(int times) {
        var now = (BitSet) solid.clone();
        for (int t = 0; t < times; t++) for (int step : new int[] {1, nx, nx * ny}) now = beside(now, step);
        return now;
    }

    /** Cells, and those {@code step} before and after each; the cells of air round about keep one row from running into the next. */
    private BitSet beside(BitSet cells, int step) {
        var now = cells.toLongArray();
        var out = Arrays.copyOf(now, count() + 63 >> 6);
        int words = step >> 6, bits = step & 63;
        for (int w = 0; w < out.length; w++) {
            long before = word(now, w - words) << bits, after = word(now, w + words) >>> bits;
            if (bits > 0) {
                before |= word(now, w - words - 1) >>> 64 - bits;
                after |= word(now, w + words + 1) << 64 - bits;
            }
            out[w] |= before | after;
        }
        var wider = BitSet.valueOf(out);
        wider.clear(count(), Math.max(count(), wider.length()));
        return wider;
    }

    private static long word(long[] of, int at) {
        return at < 0 || at >= of.length ? 0 : of[at];
    }

    /** What is reached from the outside without entering what is {@code closed}: by whole stretches of a row. */
    BitSet flooded(BitSet closed) {
        var shut = (BitSet) closed.clone();
        var seeds = new Ring(1 << 12);
        seeds.add(0);
        while (!seeds.isEmpty()) {
            int seed = seeds.take();
            if (shut.get(seed)) continue;
            int j = seed / nx % ny, k = seed / (nx * ny), row = seed - seed % nx;
            int from = Math.max(row, shut.previousSetBit(seed) + 1), to = stop(shut, seed, row + nx);
            shut.set(from, to);
            if (j > 0) seeds(shut, from - nx, to - nx, seeds);
            if (j + 1 < ny) seeds(shut, from + nx, to + nx, seeds);
            if (k > 0) seeds(shut, from - nx * ny, to - nx * ny, seeds);
            if (k + 1 < nz) seeds(shut, from + nx * ny, to + nx * ny, seeds);
        }
        shut.andNot(closed);
        return shut;
    }

    /** One cell of each open stretch. */
    private static void seeds(BitSet shut, int from, int to, Ring out) {
        for (int at = shut.nextClearBit(from); at < to; at = shut.nextClearBit(stop(shut, at, to))) out.add(at);
    }

    private static int stop(BitSet shut, int from, int to) {
        int at = shut.nextSetBit(from);
        return at < 0 ? to : Math.min(at, to);
    }

    /** As far as so many steps through the air from what is set. */
    BitSet spread(BitSet from, int steps) {
        var seen = (BitSet) from.clone();
        for (int s = 0; s < steps; s++) {
            var wider = beside(seen, 1);
            wider.or(beside(seen, nx));
            wider.or(beside(seen, nx * ny));
            wider.andNot(solid);
            wider.or(seen);
            seen = wider;
        }
        return seen;
    }

    BitSet solids() {
        return (BitSet) solid.clone();
    }

    /** A queue of whole numbers that grows. Not thread-safe. */
    static final class Ring {
        private int[] held;
        private int first;
        private int size;

        Ring(int room) {
            held = new int[room];
        }

        void add(int v) {
            if (size == held.length) {
                var wider = new int[2 * size];
                for (int i = 0; i < size; i++) wider[i] = held[(first + i) % size];
                held = wider;
                first = 0;
            }
            held[(first + size++) % held.length] = v;
        }

        int take() {
            int v = held[first];
            first = (first + 1) % held.length;
            size--;
            return v;
        }

        boolean isEmpty() {
            return size == 0;
        }
    }
}
