package yellowbracket.mesh.index;

import yellowbracket.mesh.Vec3;

/**
 * Nearest points of a {@link Bvh} to one point after another, confined to one thread. Each search starts from the triangle found last, so
 * points asked
 * for in the order of a surface or a grid are answered a little faster than scattered ones. Point against triangle after Ericson,
 * "Real-Time
 * Collision Detection", 2005, 5.1.5.
 */
public final class ClosestQuery {
    /** A box's distance in floats is off by no more than this share of the way to the middle of the mesh. */
    private static final double ROUNDING = 2e-6;

    private final Bvh of;
    private final OrientedBoxes in;
    private final long[] stack;
    /** Four times the square of the distance beyond which a box cannot matter, with room for what floats round off. */
    private float limit;
    private double rounding;
    private double px;
    private double py;
    private double pz;
    private double best;
    private int bestAt = -1;
    private double bestV;
    private double bestW;

    ClosestQuery(Bvh of) {
        this(of, of.oriented());
    }

    ClosestQuery(Bvh of, OrientedBoxes in) {
        this.of = of;
        this.in = in;
        stack = new long[of.nodes.stack() + WideNodes.WIDE];
    }

    /** A search that is given triangles one by one and knows whether one of them came within {@code r} of {@code p}. */
    static ClosestQuery within(Bvh of, Vec3 p, double r) {
        var q = new ClosestQuery(of, null);
        q.px = p.x();
        q.py = p.y();
        q.pz = p.z();
        q.best = r * r;
        return q;
    }

    boolean found() {
        return bestAt >= 0;
    }

    /** The distance to the surface, infinite for an empty mesh. */
    public double distance(double x, double y, double z) {
        return of.order.length == 0 ? Double.POSITIVE_INFINITY : Math.sqrt(run(x, y, z));
    }

    /** @throws IllegalStateException if the mesh is empty */
    public Bvh.Near closest(Vec3 p) {
        if (of.order.length == 0) throw new IllegalStateException("an empty mesh has no nearest point");
        double d = Math.sqrt(run(p.x(), p.y(), p.z()));
        int c = 9 * bestAt;
        var k = of.corners;
        double u = 1 - bestV - bestW;
        return new Bvh.Near(new Vec3(u * k[c] + bestV * k[c + 3] + bestW * k[c + 6], u * k[c + 1] + bestV * k[c + 4] + bestW * k[c + 7],
                u * k[c + 2] + bestV * k[c + 5] + bestW * k[c + 8]), d, of.order[bestAt]);
    }

    /** The square of the distance. */
    private double run(double x, double y, double z) {
        px = x;
        py = y;
        pz = z;
        best = Double.POSITIVE_INFINITY;
        limit = Float.POSITIVE_INFINITY;
        float fx = (float) (x - in.x0), fy = (float) (y - in.y0), fz = (float) (z - in.z0);
        rounding = ROUNDING * (Math.abs(x - in.x0) + Math.abs(y - in.y0) + Math.abs(z - in.z0));
        if (bestAt >= 0) triangle(bestAt);
        search(fx, fy, fz);
        return best;
    }

    /**
     * Nearest boxes first. What a processor would have to guess is computed: which child is nearer, whether one is near enough to be kept.
     */
    private void search(float x, float y, float z) {
        var boxes = in.boxes;
        var stack = this.stack; // here: an entry is four times a box's squared distance
        int top = 1;
        stack[0] = 0;
        while (top > 0) {
            long next = stack[--top];
            if (Float.intBitsToFloat((int) (next >>> 32)) > limit) continue;
            int link = (int) next;
            if ((link & 1) != 0) {
                for (int i = OrientedBoxes.first(link), to = i + OrientedBoxes.size(link); i < to; i++) triangle(i);
                continue;
            }
            int at = OrientedBoxes.NODE * (link >> 1), beyond = Float.floatToRawIntBits(limit) + 1;
            long a = box(boxes, at, x, y, z), b = box(boxes, at + OrientedBoxes.BOX, x, y, z),
                    c = box(boxes, at + 2 * OrientedBoxes.BOX, x, y, z), d = box(boxes, at + 3 * OrientedBoxes.BOX, x, y, z);
            top = WideNodes.push(stack, top, a, b, c, d, beyond);
        }
    }

    /** Four times the square of the way to a box, above its link. */
    private static long box(float[] b, int at, float x, float y, float z) {
        float u = Math.abs(Math.fma(b[at], x, Math.fma(b[at + 1], y, Math.fma(b[at + 2], z, b[at + 3])))) - b[at + OrientedBoxes.HALF];
        float v = Math.abs(Math.fma(b[at + 4], x, Math.fma(b[at + 5], y, Math.fma(b[at + 6], z, b[at + 7]))))
                - b[at + OrientedBoxes.HALF + 1];
        float w = Math.abs(Math.fma(b[at + 8], x, Math.fma(b[at + 9], y, Math.fma(b[at + 10], z, b[at + 11]))))
                - b[at + OrientedBoxes.HALF + 2];
        u += Math.abs(u); // here: twice what is above 0
        v += Math.abs(v);
        w += Math.abs(w);
        return (long) Float.floatToRawIntBits(Math.fma(u, u, Math.fma(v, v, w * w))) << 32
                | Float.floatToRawIntBits(b[at + OrientedBoxes.LINK]);
    }

    /** By the region of the triangle's plane in which the foot of the perpendicular lies: corner, edge or face. */
    void triangle(int i) {
        var k = of.corners;
        int c = 9 * i;
        double ax = k[c], ay = k[c + 1], az = k[c + 2];
        double abx = k[c + 3] - ax, aby = k[c + 4] - ay, abz = k[c + 5] - az, acx = k[c + 6] - ax, acy = k[c + 7] - ay, acz = k[c + 8] - az;
        double apx = px - ax, apy = py - ay, apz = pz - az;
        double d1 = abx * apx + aby * apy + abz * apz, d2 = acx * apx + acy * apy + acz * apz;
        double bb = abx * abx + aby * aby + abz * abz, bc = abx * acx + aby * acy + abz * acz, cc = acx * acx + acy * acy + acz * acz;
        double d3 = d1 - bb, d4 = d2 - bc, d5 = d1 - bc, d6 = d2 - cc, vc = d1 * d4 - d3 * d2, vb = d5 * d2 - d1 * d6,
                va = d3 * d6 - d5 * d4;
        double v, w;
        if (d1 <= 0 && d2 <= 0) v = w = 0;
        else if (d3 >= 0 && d4 <= d3) {
            v = 1;
            w = 0;
        } else if (d6 >= 0 && d5 <= d6) {
            v = 0;
            w = 1;
        } else if (vc <= 0 && d1 >= 0 && d3 <= 0) {
            v = d1 / bb;
            w = 0;
        } else if (vb <= 0 && d2 >= 0 && d6 <= 0) {
            v = 0;
            w = d2 / cc;
        } else if (va <= 0 && d4 - d3 >= 0 && d5 - d6 >= 0) {
            w = (d4 - d3) / (d4 - d3 + d5 - d6);
            v = 1 - w;
        } else {
            double all = 1 / (va + vb + vc);
            v = vb * all;
            w = vc * all;
        }
        offer(i, v, w, apx - v * abx - w * acx, apy - v * aby - w * acy, apz - v * abz - w * acz);
    }

    private void offer(int i, double v, double w, double x, double y, double z) {
        double d = x * x + y * y + z * z;
        if (d >= best) return;
        best = d;
        bestAt = i;
        bestV = v;
        bestW = w;
        double reach = Math.sqrt(d) + rounding;
        limit = (float) (4.000004 * reach * reach);
    }
}
