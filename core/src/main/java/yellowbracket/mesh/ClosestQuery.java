package yellowbracket.mesh;

/**
 * Nearest points of a {@link Bvh} to one point after another, confined to one thread. Each search starts from the triangle found last, so points asked
 * for in the order of a surface or a grid are answered a little faster than scattered ones. Point against triangle after Ericson, "Real-Time
 * Collision Detection", 2005, 5.1.5.
 */
public final class ClosestQuery {
    private final Bvh of;
    private final int[] stack = new int[Bvh.STACK];
    private final double[] reach = new double[Bvh.STACK];
    private double px;
    private double py;
    private double pz;
    private double best;
    private int bestAt = -1;
    private double bestV;
    private double bestW;

    ClosestQuery(Bvh of) {
        this.of = of;
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
        return new Bvh.Near(new Vec3(u * k[c] + bestV * k[c + 3] + bestW * k[c + 6], u * k[c + 1] + bestV * k[c + 4] + bestW * k[c + 7], u * k[c + 2] + bestV * k[c + 5] + bestW * k[c + 8]), d, of.order[bestAt]);
    }

    /** The square of the distance. */
    private double run(double x, double y, double z) {
        px = x;
        py = y;
        pz = z;
        best = Double.POSITIVE_INFINITY;
        if (bestAt >= 0) triangle(bestAt);
        reach[0] = box(0);
        stack[0] = 0;
        int top = 1;
        while (top > 0) {
            int node = stack[--top];
            if (reach[top] >= best) continue;
            int left = of.tree[Bvh.NODE * node + Bvh.LEFT];
            if (left < 0) {
                int from = -left - 1, to = from + of.tree[Bvh.NODE * node + Bvh.RIGHT];
                for (int i = from; i < to; i++) triangle(i);
                continue;
            }
            int right = of.tree[Bvh.NODE * node + Bvh.RIGHT];
            double dl = box(left), dr = box(right);
            boolean leftNear = dl < dr;
            double far = leftNear ? dr : dl, near = leftNear ? dl : dr;
            if (far < best) {
                stack[top] = leftNear ? right : left;
                reach[top++] = far;
            }
            if (near < best) {
                stack[top] = leftNear ? left : right;
                reach[top++] = near;
            }
        }
        return best;
    }

    private double box(int node) {
        int b = Bvh.NODE * node;
        double x = Math.max(0, Math.max(of.side(b) - px, px - of.side(b + 3))), y = Math.max(0, Math.max(of.side(b + 1) - py, py - of.side(b + 4))), z = Math.max(0, Math.max(of.side(b + 2) - pz, pz - of.side(b + 5)));
        return x * x + y * y + z * z;
    }

    /** By the region of the triangle's plane in which the foot of the perpendicular lies: corner, edge or face. */
    private void triangle(int i) {
        var k = of.corners;
        int c = 9 * i;
        double ax = k[c], ay = k[c + 1], az = k[c + 2];
        double abx = k[c + 3] - ax, aby = k[c + 4] - ay, abz = k[c + 5] - az, acx = k[c + 6] - ax, acy = k[c + 7] - ay, acz = k[c + 8] - az;
        double apx = px - ax, apy = py - ay, apz = pz - az;
        double d1 = abx * apx + aby * apy + abz * apz, d2 = acx * apx + acy * apy + acz * apz;
        double bb = abx * abx + aby * aby + abz * abz, bc = abx * acx + aby * acy + abz * acz, cc = acx * acx + acy * acy + acz * acz;
        double d3 = d1 - bb, d4 = d2 - bc, d5 = d1 - bc, d6 = d2 - cc, vc = d1 * d4 - d3 * d2, vb = d5 * d2 - d1 * d6, va = d3 * d6 - d5 * d4;
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
    }
}
