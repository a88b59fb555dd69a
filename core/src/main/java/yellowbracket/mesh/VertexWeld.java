package yellowbracket.mesh;

import java.util.Arrays;

/**
 * Gives equal points one index: exact bits of the coordinates as 32-bit floats, -0 taken as 0. Open addressing over one int table,
 * so a file of a million triangles welds without boxing.
 */
public final class VertexWeld {
    private float[] xyz;
    private int count;
    private int[] slots;
    private int mask;

    public VertexWeld(int expectedVertices) {
        xyz = new float[3 * Math.max(16, expectedVertices)];
        resize(Integer.highestOneBit(Math.max(32, expectedVertices)) << 2);
    }

    /** The index of this point, new if it was never seen. */
    public int index(float px, float py, float pz) {
        float x = px + 0f, y = py + 0f, z = pz + 0f;
        int slot = hash(x, y, z) & mask;
        while (slots[slot] >= 0) {
            int at = 3 * slots[slot];
            if (xyz[at] == x && xyz[at + 1] == y && xyz[at + 2] == z) return slots[slot];
            slot = (slot + 1) & mask;
        }
        slots[slot] = count;
        append(x, y, z);
        if (2 * count > slots.length) rehash();
        return count - 1;
    }

    public int count() {
        return count;
    }

    /** The point of that index. */
    public Vec3 point(int index) {
        return new Vec3(xyz[3 * index], xyz[3 * index + 1], xyz[3 * index + 2]);
    }

    /** Takes in the points of another weld in their order; returns the index of each here. */
    public int[] addAll(VertexWeld other) {
        var out = new int[other.count];
        for (int i = 0; i < out.length; i++) out[i] = index(other.xyz[3 * i], other.xyz[3 * i + 1], other.xyz[3 * i + 2]);
        return out;
    }

    /** The mesh over these points, all finite. @param corners triples of indices given here, handed over; the first {@code used} count */
    public Mesh mesh(int[] corners, int used) {
        return Mesh.adopting(toXyz(), used == corners.length ? corners : Arrays.copyOf(corners, used), new int[0]);
    }

    private double[] toXyz() {
        var out = new double[3 * count];
        for (int i = 0; i < out.length; i++) out[i] = xyz[i];
        return out;
    }

    private void append(float x, float y, float z) {
        int at = 3 * count++;
        if (at == xyz.length) xyz = Arrays.copyOf(xyz, 2 * at);
        xyz[at] = x;
        xyz[at + 1] = y;
        xyz[at + 2] = z;
    }

    private void rehash() {
        resize(2 * slots.length);
        for (int v = 0; v < count; v++) {
            int slot = hash(xyz[3 * v], xyz[3 * v + 1], xyz[3 * v + 2]) & mask;
            while (slots[slot] >= 0) slot = (slot + 1) & mask;
            slots[slot] = v;
        }
    }

    private void resize(int size) {
        slots = new int[size];
        mask = size - 1;
        Arrays.fill(slots, -1);
    }

    private static int hash(float x, float y, float z) {
        int h = Float.floatToIntBits(x) * 0x9E3779B1 ^ Float.floatToIntBits(y) * 0x85EBCA77 ^ Float.floatToIntBits(z) * 0xC2B2AE3D;
        h ^= h >>> 15;
        h *= 0x2C1B3C6D;
        return h ^ h >>> 13;
    }
}
