package yellowbracket.mesh.repair;

import java.util.Arrays;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Triangle;

/** Which triangles are at fault, one flag each. */
public final class Flaws {
    private Flaws() {}

    /** Triangles whose corners lie on a line: no area. */
    public static boolean[] degenerate(Mesh m) {
        var out = new boolean[m.triangleCount()];
        for (int f = 0; f < out.length; f++) out[f] = Triangle.area2(m, f) == 0;
        return out;
    }

    /** Triangles over the same three vertices as an earlier one, whichever way they face. */
    public static boolean[] duplicate(Mesh m) {
        int n = m.triangleCount();
        var out = new boolean[n];
        var slots = new int[Integer.highestOneBit(Math.max(16, n)) << 2];
        Arrays.fill(slots, -1);
        for (int f = 0; f < n; f++) {
            int a = m.vertex(f, 0), b = m.vertex(f, 1), c = m.vertex(f, 2);
            int lo = Math.min(a, Math.min(b, c)), hi = Math.max(a, Math.max(b, c)), mid = a + b + c - lo - hi;
            int slot = hash(lo, mid, hi) & slots.length - 1;
            while (slots[slot] >= 0 && !same(m, slots[slot], lo, mid, hi)) slot = slot + 1 & slots.length - 1;
            if (slots[slot] >= 0) out[f] = true;
            else slots[slot] = f;
        }
        return out;
    }

    private static boolean same(Mesh m, int g, int lo, int mid, int hi) {
        int a = m.vertex(g, 0), b = m.vertex(g, 1), c = m.vertex(g, 2);
        int l = Math.min(a, Math.min(b, c)), h = Math.max(a, Math.max(b, c));
        return l == lo && h == hi && a + b + c - l - h == mid;
    }

    private static int hash(int a, int b, int c) {
        int h = a * 0x9E3779B1 ^ b * 0x85EBCA77 ^ c * 0xC2B2AE3D;
        h ^= h >>> 15;
        h *= 0x2C1B3C6D;
        return h ^ h >>> 13;
    }

    static int count(boolean[] flags) {
        int n = 0;
        for (boolean b : flags) if (b) n++;
        return n;
    }
}
