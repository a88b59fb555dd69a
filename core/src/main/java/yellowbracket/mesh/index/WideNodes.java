package yellowbracket.mesh.index;

import java.util.Arrays;

/**
 * The inner nodes of a {@link Bvh}: up to four children each, their boxes as middle and half-width on a lattice of 16 bits a side about the
 * mesh, rounded
 * outwards, so that a node fills one line of memory of 64 bytes (after Ylitie, Karras, Laine, "Efficient incoherent ray traversal on GPUs
 * through compressed
 * wide BVHs", 2017). A query is bound by lines fetched and branches guessed wrong, not by arithmetic: hence the width and the lattice.
 * Immutable.
 */
final class WideNodes {
    static final int WIDE = 4;
    /** The link of a child that is not there: a leaf of no triangles. */
    static final int EMPTY = -1;
    /** Numbers a node: six a child, then two a link. */
    static final int NODE = 32, BOX = 6, LINKS = WIDE * BOX;
    /** A lattice line beyond what rounding asks for, which also takes up the rounding of queries in floats. */
    private static final int SPARE = 1;
    /** Lattice steps along the mesh's longest side. */
    static final int CELLS = 65_000;

    /** Middle x, y, z and half-width x, y, z of each of four children, then their links, high half first. */
    final char[] data;
    final int count;
    /** Nodes on the longest way down, at most. */
    final int deep;
    /** The lattice's corner and its step, mm: a middle {@code c} on it lies at {@code x0 + c * step}. */
    final double x0, y0, z0, step;

    private WideNodes(Gather g) {
        data = Arrays.copyOf(g.data, NODE * g.count);
        count = g.count;
        deep = g.deep;
        x0 = g.corner[0];
        y0 = g.corner[1];
        z0 = g.corner[2];
        step = g.step;
    }

    /** From a binary tree: six box sides a node, and two links: left and right child, or for a leaf -(first triangle + 1) and how many. */
    static WideNodes of(float[] boxes, int[] links) {
        var g = new Gather(boxes, links);
        g.node(0, -1, 1);
        return new WideNodes(g);
    }

    /** Room for the nodes that wait to be looked at: three siblings a level. */
    int stack() {
        return (WIDE - 1) * deep + WIDE + 1;
    }

    /** Child {@code k} of a node: another node if not negative, else a leaf. */
    int link(int node, int k) {
        int at = NODE * node + LINKS + 2 * k;
        return data[at] << 16 | data[at + 1];
    }

    /**
     * Puts what is to be looked at on the stack, unless it lies {@code beyond}; returns the new top. An entry is how far it is, as the bits
     * of a float, above
     * a link: floats from 0 on sort as their bits do.
     */
    static int push(long[] stack, int top, long entry, int beyond) {
        stack[top] = entry; // here: written anyway and counted if it is near enough, as a processor would guess a branch wrong
        return top + ((int) (entry >>> 32) - beyond >>> 31);
    }

    /** As {@link #push(long[], int, long, int)}, four at once and the nearest uppermost. */
    static int push(long[] stack, int top, long a, long b, long c, long d, int beyond) {
        long ab = Math.min(a, b), ba = Math.max(a, b), cd = Math.min(c, d), dc = Math.max(c, d), inner = Math.max(ab, cd),
                outer = Math.min(ba, dc);
        int at = push(stack, top, Math.max(ba, dc), beyond);
        at = push(stack, at, Math.max(inner, outer), beyond);
        at = push(stack, at, Math.min(inner, outer), beyond);
        return push(stack, at, Math.min(ab, cd), beyond);
    }

    /** The first of a leaf's triangles. */
    static int first(int link) {
        return ~link >>> 3;
    }

    /** How many triangles a leaf has. */
    static int size(int link) {
        return ~link & 7;
    }

    /** The least coordinate of a child's box along an axis, mm. */
    double low(int node, int k, int axis) {
        int at = NODE * node + BOX * k + axis;
        return corner(axis) + (data[at] - data[at + 3]) * step;
    }

    double high(int node, int k, int axis) {
        int at = NODE * node + BOX * k + axis;
        return corner(axis) + (data[at] + data[at + 3]) * step;
    }

    private double corner(int axis) {
        return axis == 0 ? x0 : axis == 1 ? y0 : z0;
    }

    /** Puts up to four descendants of a binary node into one wide node, the largest of them opened first. Single use. */
    private static final class Gather {
        private final float[] boxes;
        private final int[] links;
        private final double[] corner = new double[3];
        private final double step;
        private char[] data;
        private int count;
        private int deep;

        Gather(float[] boxes, int[] links) {
            this.boxes = boxes;
            this.links = links;
            double widest = 0, farthest = 0;
            for (int a = 0; a < 3; a++) {
                widest = Math.max(widest, (double) boxes[3 + a] - boxes[a]);
                farthest = Math.max(farthest, Math.max(Math.abs(boxes[a]), Math.abs(boxes[3 + a])));
            }
            step = Math.max(widest, Math.max(1e-9 * farthest, 1e-12)) / CELLS;
            for (int a = 0; a < 3; a++) corner[a] = boxes[a] - 100 * step;
            data = new char[NODE * Math.max(1, links.length / 4)];
        }

        void node(int from, int linkAt, int level) {
            int me = count++, base = NODE * me;
            if (base + NODE > data.length) data = Arrays.copyOf(data, 2 * data.length);
            if (linkAt >= 0) link(linkAt, me);
            deep = Math.max(deep, level);
            var kids = new int[WIDE];
            int n = 1;
            kids[0] = from;
            while (n < WIDE) {
                int largest = -1;
                double most = -1;
                for (int k = 0; k < n; k++) {
                    double area = links[2 * kids[k]] < 0 ? -1 : halfArea(kids[k]);
                    if (area > most) {
                        most = area;
                        largest = k;
                    }
                }
                if (largest < 0) break;
                int opened = kids[largest];
                kids[largest] = links[2 * opened];
                kids[n++] = links[2 * opened + 1];
            }
            for (int k = 0; k < WIDE; k++) link(base + LINKS + 2 * k, k < n ? leaf(kids[k]) : EMPTY);
            for (int k = 0; k < n; k++) box(base + BOX * k, BvhBuild.BOX * kids[k]);
            for (int k = 0; k < n; k++) if (links[2 * kids[k]] >= 0) node(kids[k], base + LINKS + 2 * k, level + 1);
        }

        private int leaf(int binary) {
            int left = links[2 * binary];
            return left >= 0 ? 0 : ~(-left - 1 << 3 | links[2 * binary + 1]);
        }

        private void box(int at, int from) {
            for (int a = 0; a < 3; a++) {
                int lo = (int) Math.floor((boxes[from + a] - corner[a]) / step) - SPARE,
                        hi = (int) Math.ceil((boxes[from + 3 + a] - corner[a]) / step) + SPARE, middle = lo + hi >> 1;
                data[at + a] = (char) middle;
                data[at + 3 + a] = (char) Math.max(hi - middle, middle - lo);
            }
        }

        private double halfArea(int n) {
            int b = BvhBuild.BOX * n;
            double x = (double) boxes[b + 3] - boxes[b], y = (double) boxes[b + 4] - boxes[b + 1], z = (double) boxes[b + 5] - boxes[b + 2];
            return x * y + y * z + z * x;
        }

        private void link(int at, int value) {
            data[at] = (char) (value >>> 16);
            data[at + 1] = (char) value;
        }
    }
}
