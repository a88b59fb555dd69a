package yellowbracket.mesh;

import java.util.Arrays;
import java.util.concurrent.RecursiveAction;
import java.util.concurrent.atomic.AtomicInteger;

/** Builds the arrays of a {@link Bvh}: binned surface-area heuristic, both halves of a large node at the same time. Boxes are floats rounded outwards. Single use. */
final class BvhBuild {
    /** Triangles in a leaf; 2 to 8 differ by less than a tenth in query time on the demo helm. */
    private static final int LEAF = 4;
    private static final int BINS = 16;
    /** Smaller nodes are not worth a task of their own. */
    private static final int PARALLEL = 16_000;
    static final int BOX = 6;

    final int[] order;
    float[] boxes;
    int[] links;
    private final float[] centres;
    private final float[] box;
    private final AtomicInteger nodes = new AtomicInteger(1);

    BvhBuild(Mesh m) {
        int n = m.triangleCount();
        order = new int[n];
        centres = new float[3 * n];
        box = new float[BOX * n];
        for (int f = 0; f < n; f++) {
            order[f] = f;
            int a = m.vertex(f, 0), b = m.vertex(f, 1), c = m.vertex(f, 2);
            extent(f, 0, m.x(a), m.x(b), m.x(c));
            extent(f, 1, m.y(a), m.y(b), m.y(c));
            extent(f, 2, m.z(a), m.z(b), m.z(c));
        }
    }

    private void extent(int f, int axis, double p, double q, double r) {
        double lo = Math.min(p, Math.min(q, r)), hi = Math.max(p, Math.max(q, r));
        box[BOX * f + axis] = down(lo);
        box[BOX * f + 3 + axis] = up(hi);
        centres[3 * f + axis] = (float) ((lo + hi) / 2);
    }

    private static float down(double x) {
        float f = (float) x;
        return f > x ? Math.nextDown(f) : f;
    }

    private static float up(double x) {
        float f = (float) x;
        return f < x ? Math.nextUp(f) : f;
    }

    void run() {
        int most = Math.max(1, 2 * order.length);
        boxes = new float[BOX * most];
        links = new int[2 * most];
        if (order.length == 0) links[0] = -1;
        else new Split(0, 0, order.length).invoke();
        boxes = Arrays.copyOf(boxes, BOX * nodes.get());
        links = Arrays.copyOf(links, 2 * nodes.get());
    }

    /** One node and all beneath it. */
    private final class Split extends RecursiveAction {
        private static final long serialVersionUID = 1;
        private final int node;
        private final int from;
        private final int to;

        Split(int node, int from, int to) {
            this.node = node;
            this.from = from;
            this.to = to;
        }

        @Override
        protected void compute() {
            enclose(node, from, to);
            if (to - from <= LEAF) {
                links[2 * node] = -(from + 1);
                links[2 * node + 1] = to - from;
                return;
            }
            int mid = middle(from, to);
            int left = nodes.getAndAdd(2);
            links[2 * node] = left;
            links[2 * node + 1] = left + 1;
            var below = new Split(left, from, mid);
            var above = new Split(left + 1, mid, to);
            if (to - from > PARALLEL) invokeAll(below, above);
            else {
                below.compute();
                above.compute();
            }
        }
    }

    private int middle(int from, int to) {
        float[] lo = {Float.MAX_VALUE, Float.MAX_VALUE, Float.MAX_VALUE}, hi = {-Float.MAX_VALUE, -Float.MAX_VALUE, -Float.MAX_VALUE};
        for (int i = from; i < to; i++)
            for (int a = 0; a < 3; a++) {
                float c = centres[3 * order[i] + a];
                if (c < lo[a]) lo[a] = c;
                if (c > hi[a]) hi[a] = c;
            }
        int axis = hi[0] - lo[0] > hi[1] - lo[1] ? 0 : 1;
        if (hi[2] - lo[2] > hi[axis] - lo[axis]) axis = 2;
        int mid = hi[axis] > lo[axis] ? partition(from, to, axis, bestCut(from, to, axis, lo[axis], hi[axis])) : from;
        return mid == from || mid == to ? from + to >>> 1 : mid;
    }

    private void enclose(int node, int from, int to) {
        var acc = nothing();
        for (int i = from; i < to; i++) grow(acc, 0, box, BOX * order[i]);
        System.arraycopy(acc, 0, boxes, BOX * node, BOX);
    }

    /** The coordinate that splits the centres with the least expected cost: area times count, summed over both sides. */
    private double bestCut(int from, int to, int axis, double lo, double hi) {
        var count = new int[BINS];
        var bins = new float[BOX * BINS];
        for (int b = 0; b < BINS; b++) System.arraycopy(NOTHING, 0, bins, BOX * b, BOX);
        double k = BINS * 0.999999 / (hi - lo);
        for (int i = from; i < to; i++) {
            int b = (int) ((centres[3 * order[i] + axis] - lo) * k);
            count[b]++;
            grow(bins, BOX * b, box, BOX * order[i]);
        }
        var rightCost = new double[BINS];
        var acc = nothing();
        for (int b = BINS - 1, n = 0; b > 0; b--) {
            n += count[b];
            grow(acc, 0, bins, BOX * b);
            rightCost[b] = n == 0 ? 0 : n * halfArea(acc);
        }
        acc = nothing();
        double best = Double.POSITIVE_INFINITY;
        int cut = BINS / 2;
        for (int b = 1, n = 0; b < BINS; b++) {
            n += count[b - 1];
            grow(acc, 0, bins, BOX * (b - 1));
            double cost = (n == 0 ? 0 : n * halfArea(acc)) + rightCost[b];
            if (cost < best) {
                best = cost;
                cut = b;
            }
        }
        return lo + cut / k;
    }

    private static final float[] NOTHING = {Float.MAX_VALUE, Float.MAX_VALUE, Float.MAX_VALUE, -Float.MAX_VALUE, -Float.MAX_VALUE, -Float.MAX_VALUE};

    private static float[] nothing() {
        return NOTHING.clone();
    }

    private static void grow(float[] into, int at, float[] by, int from) {
        for (int a = 0; a < 3; a++) {
            if (by[from + a] < into[at + a]) into[at + a] = by[from + a];
            if (by[from + 3 + a] > into[at + 3 + a]) into[at + 3 + a] = by[from + 3 + a];
        }
    }

    private static double halfArea(float[] b) {
        double x = (double) b[3] - b[0], y = (double) b[4] - b[1], z = (double) b[5] - b[2];
        return x * y + y * z + z * x;
    }

    private int partition(int from, int to, int axis, double cut) {
        int i = from, j = to - 1;
        while (i <= j) {
            if (centres[3 * order[i] + axis] < cut) i++;
            else {
                int swap = order[i];
                order[i] = order[j];
                order[j--] = swap;
            }
        }
        return i;
    }
}
