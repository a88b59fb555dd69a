package yellowbracket.mesh;

import java.util.OptionalInt;
import java.util.function.DoubleConsumer;
import java.util.function.IntPredicate;

/** One ray through a {@link Bvh}: scratch and result live here, so queries on several threads do not meet. Moeller and Trumbore, "Fast, minimum storage ray-triangle intersection", 1997. Single use. */
final class RayQuery {
    private static final int NODE = Bvh.NODE;
    private static final int STACK = Bvh.STACK;
    /** Share of a triangle by which a ray may miss it and still count, so that none slips through between two neighbours. */
    private static final double EDGE = 1e-10;

    private final double[] corners;
    private final int[] order;
    private final int[] tree;
    private final double ox, oy, oz, dx, dy, dz, ix, iy, iz;
    /** Which of a box's six numbers the ray meets first along each axis. */
    private final int nearX, nearY, nearZ;
    private int nearestAt = -1;

    RayQuery(Bvh of, double ox, double oy, double oz, double dx, double dy, double dz) {
        corners = of.corners;
        order = of.order;
        tree = of.tree;
        this.ox = ox;
        this.oy = oy;
        this.oz = oz;
        this.dx = dx;
        this.dy = dy;
        this.dz = dz;
        ix = 1 / dx;
        iy = 1 / dy;
        iz = 1 / dz;
        nearX = ix < 0 ? 3 : 0; // here: by the inverse, which tells -0 from 0
        nearY = iy < 0 ? 4 : 1;
        nearZ = iz < 0 ? 5 : 2;
    }

    double nearest(double least) {
        var stack = new int[STACK];
        var entered = new double[STACK];
        int top = 0;
        double best = Double.POSITIVE_INFINITY;
        if (entry(0, best) < Double.POSITIVE_INFINITY) stack[top++] = 0;
        while (top > 0) {
            int node = stack[--top];
            if (entered[top] > best) continue;
            int left = tree[NODE * node + Bvh.LEFT];
            if (left < 0) {
                int from = -left - 1, to = from + tree[NODE * node + Bvh.RIGHT];
                for (int i = from; i < to; i++) {
                    double t = hit(i);
                    if (t >= least && t < best) {
                        best = t;
                        nearestAt = i;
                    }
                }
            } else {
                int right = tree[NODE * node + Bvh.RIGHT];
                double tl = entry(left, best), tr = entry(right, best);
                boolean leftFirst = tl <= tr;
                double far = leftFirst ? tr : tl, near = leftFirst ? tl : tr;
                if (far < Double.POSITIVE_INFINITY) {
                    stack[top] = leftFirst ? right : left;
                    entered[top++] = far;
                }
                if (near < Double.POSITIVE_INFINITY) {
                    stack[top] = leftFirst ? left : right;
                    entered[top++] = near;
                }
            }
        }
        return best;
    }

    boolean any(double least) {
        return meets(Double.POSITIVE_INFINITY, (i, t) -> t >= least) >= 0;
    }

    /** What is asked of a hit: leaf position and distance; true ends the search. */
    interface HitTest {
        boolean enough(int leaf, double distance);
    }

    int nearestAt() {
        return nearestAt;
    }

    /** A triangle met between two distances, if any that is not skipped. */
    OptionalInt crossed(double from, double to, IntPredicate skip) {
        int leaf = meets(to, (i, t) -> t > from && t < to && !skip.test(order[i]));
        return leaf < 0 ? OptionalInt.empty() : OptionalInt.of(order[leaf]);
    }

    /** Every hit, in no order. */
    void all(DoubleConsumer out) {
        meets(Double.POSITIVE_INFINITY, (i, t) -> {
            out.accept(t);
            return false;
        });
    }

    /** The leaf position at which {@code test} has enough, -1 if it never has; boxes entered beyond {@code limit} are passed over. */
    private int meets(double limit, HitTest test) {
        var stack = new int[STACK];
        int top = 1;
        while (top > 0) {
            int node = stack[--top];
            if (entry(node, limit) == Double.POSITIVE_INFINITY) continue;
            int left = tree[NODE * node + Bvh.LEFT];
            if (left >= 0) {
                stack[top++] = left;
                stack[top++] = tree[NODE * node + Bvh.RIGHT];
                continue;
            }
            int from = -left - 1, to = from + tree[NODE * node + Bvh.RIGHT];
            for (int i = from; i < to; i++) {
                double t = hit(i);
                if (t < Double.POSITIVE_INFINITY && test.enough(i, t)) return i;
            }
        }
        return -1;
    }

    /** Where the ray enters the node's box, infinity if it misses or enters beyond {@code limit}. */
    private double entry(int node, double limit) {
        int b = NODE * node;
        double lo = Math.max((side(b + nearX) - ox) * ix, Math.max((side(b + nearY) - oy) * iy, (side(b + nearZ) - oz) * iz));
        double hi = Math.min((side(b + 3 - nearX) - ox) * ix, Math.min((side(b + 5 - nearY) - oy) * iy, (side(b + 7 - nearZ) - oz) * iz));
        if (lo > hi || hi < 0 || lo > limit) return Double.POSITIVE_INFINITY;
        return lo > 0 ? lo : 0; // a ray in the plane of a box face gives NaN bounds: such a box is kept
    }

    private float side(int at) {
        return Float.intBitsToFloat(tree[at]);
    }

    private double hit(int i) {
        int c = 9 * i;
        double ax = corners[c], ay = corners[c + 1], az = corners[c + 2];
        double ex = corners[c + 3] - ax, ey = corners[c + 4] - ay, ez = corners[c + 5] - az;
        double fx = corners[c + 6] - ax, fy = corners[c + 7] - ay, fz = corners[c + 8] - az;
        double px = dy * fz - dz * fy, py = dz * fx - dx * fz, pz = dx * fy - dy * fx;
        double det = ex * px + ey * py + ez * pz;
        if (det == 0) return Double.POSITIVE_INFINITY;
        double sign = det < 0 ? -1 : 1, size = det * sign, slack = EDGE * size, tx = ox - ax, ty = oy - ay, tz = oz - az; // here: u, v, t are kept times size, one division less
        double u = (tx * px + ty * py + tz * pz) * sign;
        if (u < -slack || u > size + slack) return Double.POSITIVE_INFINITY;
        double qx = ty * ez - tz * ey, qy = tz * ex - tx * ez, qz = tx * ey - ty * ex;
        double v = (dx * qx + dy * qy + dz * qz) * sign;
        if (v < -slack || u + v > size + slack) return Double.POSITIVE_INFINITY;
        double t = (fx * qx + fy * qy + fz * qz) * sign;
        return t >= 0 ? t / size : Double.POSITIVE_INFINITY;
    }

    /** Direction against normal of leaf entry {@code i}: above 0 when the ray leaves through it. */
    double facing(int i) {
        int c = 9 * i;
        double ex = corners[c + 3] - corners[c], ey = corners[c + 4] - corners[c + 1], ez = corners[c + 5] - corners[c + 2];
        double fx = corners[c + 6] - corners[c], fy = corners[c + 7] - corners[c + 1], fz = corners[c + 8] - corners[c + 2];
        return dx * (ey * fz - ez * fy) + dy * (ez * fx - ex * fz) + dz * (ex * fy - ey * fx);
    }
}
