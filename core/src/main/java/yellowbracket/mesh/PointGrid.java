package yellowbracket.mesh;

import java.util.Arrays;

/**
 * Finds a point within a distance of another: an integer grid hashed into chains, the 27 cells around looked through. Cells are a little
 * wider than the distance.
 */
public final class PointGrid {
    private final double distance;
    private final double cell;
    private final double[] xyz;
    private final int[] owner;
    private final int[] next;
    private final int[] heads;
    private int count;

    public PointGrid(int most, double distance) {
        this.distance = distance;
        cell = distance * 1.0001;
        xyz = new double[3 * most];
        owner = new int[most];
        next = new int[most];
        heads = new int[Integer.highestOneBit(Math.max(16, most)) << 1];
        Arrays.fill(heads, -1);
    }

    /** The owner of the first point added within the distance, else {@code mine} after adding the point. */
    public int findOrAdd(double x, double y, double z, int mine) {
        long cx = (long) Math.floor(x / cell), cy = (long) Math.floor(y / cell), cz = (long) Math.floor(z / cell);
        int found = -1;
        for (long i = cx - 1; i <= cx + 1; i++) for (long j = cy - 1; j <= cy + 1; j++) for (long k = cz - 1; k <= cz + 1; k++) {
            for (int p = heads[slot(i, j, k)]; p >= 0; p = next[p]) {
                double dx = xyz[3 * p] - x, dy = xyz[3 * p + 1] - y, dz = xyz[3 * p + 2] - z;
                if (dx * dx + dy * dy + dz * dz <= distance * distance && (found < 0 || p < found)) found = p;
            }
        }
        if (found >= 0) return owner[found];
        xyz[3 * count] = x;
        xyz[3 * count + 1] = y;
        xyz[3 * count + 2] = z;
        owner[count] = mine;
        int slot = slot(cx, cy, cz);
        next[count] = heads[slot];
        heads[slot] = count++;
        return mine;
    }

    private int slot(long i, long j, long k) {
        long h = i * 0x9E3779B97F4A7C15L ^ j * 0xC2B2AE3D27D4EB4FL ^ k * 0x165667B19E3779F9L;
        return (int) ((h ^ h >>> 32) & heads.length - 1);
    }
}
