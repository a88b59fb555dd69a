package yellowbracket.mesh.index;

import java.util.OptionalInt;
import java.util.function.DoubleConsumer;
import java.util.function.IntPredicate;

/**
 * One ray through a {@link Bvh}: scratch and result live here, so queries on several threads do not meet. Boxes are met on the lattice of
 * {@link WideNodes} in
 * floats, triangles in doubles (Moeller and Trumbore, "Fast, minimum storage ray-triangle intersection", 1997). What a processor would have
 * to guess is
 * computed instead: which child is nearer, whether one is met. Single use.
 */
final class RayQuery {
    /** Share of a triangle by which a ray may miss it and still count, so that none slips through between two neighbours. */
    private static final double EDGE = 1e-10;
    /**
     * A direction with less than this share along an axis is taken to have that much: over any mesh it strays by far less than a lattice
     * step.
     */
    private static final double STEEPEST = 1e-12;
    /** Sizes of the mesh from which on the way there is left out. */
    private static final double FAR = 8;
    private static final int MISSED = Integer.MAX_VALUE;

    private final Bvh of;
    private final double ox, oy, oz, dx, dy, dz;
    /** Along each axis: the way to lattice line q is q * slope + start, in the direction's largest component from {@link #skipped} on. */
    private final float slopeX, slopeY, slopeZ, startX, startY, startZ, steepX, steepY, steepZ;
    private final double largest;
    /** Lengths of the direction left out before the ray comes near the mesh, so that floats suffice however far off it begins. */
    private final double skipped;
    private int nearestAt = -1;

    RayQuery(Bvh of, double ox, double oy, double oz, double dx, double dy, double dz) {
        this.of = of;
        this.ox = ox;
        this.oy = oy;
        this.oz = oz;
        this.dx = dx;
        this.dy = dy;
        this.dz = dz;
        var grid = of.nodes;
        largest = Math.max(Math.abs(dx), Math.max(Math.abs(dy), Math.abs(dz)));
        double x = grid.x0 - ox, y = grid.y0 - oy, z = grid.z0 - oz, size = WideNodes.CELLS * grid.step;
        boolean far = Math.max(Math.abs(x), Math.max(Math.abs(y), Math.abs(z))) > FAR * size;
        skipped = far ? skip(x, y, z, size) : 0;
        double ix = inverse(dx), iy = inverse(dy), iz = inverse(dz);
        slopeX = (float) (ix * grid.step);
        slopeY = (float) (iy * grid.step);
        slopeZ = (float) (iz * grid.step);
        steepX = Math.abs(slopeX);
        steepY = Math.abs(slopeY);
        steepZ = Math.abs(slopeZ);
        startX = (float) ((x - skipped * dx) * ix);
        startY = (float) ((y - skipped * dy) * iy);
        startZ = (float) ((z - skipped * dz) * iz);
    }

    private double skip(double x, double y, double z, double size) {
        double length2 = dx * dx + dy * dy + dz * dz;
        return Math.max(0, (x * dx + y * dy + z * dz) / length2 - FAR / 2 * size / Math.sqrt(length2));
    }

    private double inverse(double d) {
        return Math.abs(d) < STEEPEST * largest ? Math.copySign(1 / STEEPEST, d) : largest / d;
    }

    /** The distance to the nearest hit from {@code least} on. */
    double nearest(double least) {
        return search(least, Double.POSITIVE_INFINITY, false);
    }

    /** As {@link #nearest(double)}, where leaf entry {@code likely} may well be the one; -1 for none. */
    double nearest(double least, int likely) {
        double t = likely < 0 ? Double.POSITIVE_INFINITY : hit(likely);
        if (!(t >= least && t < Double.POSITIVE_INFINITY)) return nearest(least);
        double nearer = search(least, Math.nextDown(t), false);
        if (nearer < t) return nearer;
        nearestAt = likely;
        return t;
    }

    /** Whether there is a hit from {@code least} on and no farther than {@code most}. */
    boolean any(double least, double most) {
        return search(least, most, true) < Double.POSITIVE_INFINITY;
    }

    /** @param any whether the first hit found will do, else the nearest is looked for; infinity if there is none up to {@code most} */
    private double search(double least, double most, boolean any) {
        double best = Double.POSITIVE_INFINITY;
        if (of.order.length == 0 || largest == 0) return best;
        var data = of.nodes.data;
        var stack = new long[of.nodes.stack()];
        int top = 1, limit = limit(most);
        while (top > 0) {
            long next = stack[--top];
            if ((int) (next >>> 32) > limit) continue;
            int link = (int) next;
            if (link < 0) {
                for (int i = WideNodes.first(link), to = i + WideNodes.size(link); i < to; i++) {
                    double t = hit(i);
                    if (t >= least && t < best && t <= most) {
                        if (any) return t;
                        best = t;
                        nearestAt = i;
                        limit = limit(best);
                    }
                }
                continue;
            }
            int at = WideNodes.NODE * link;
            long a = entry(data, at, 0, limit), b = entry(data, at, 1, limit), c = entry(data, at, 2, limit), d = entry(data, at, 3, limit);
            top = WideNodes.push(stack, top, a, b, c, d, MISSED);
        }
        return best;
    }

    /** A distance as the bits of the float that box entries are held against, on the safe side. */
    private int limit(double distance) {
        return distance == Double.POSITIVE_INFINITY ? bits(Float.MAX_VALUE)
                : Math.max(0, bits((float) (((distance - skipped) * largest + of.nodes.step) * 1.000001)));
    }

    /** Where the ray enters child {@code k}'s box, or {@link #MISSED} if it does not before {@code limit}, above the child's link. */
    private long entry(char[] data, int node, int k, int limit) {
        int at = node + WideNodes.BOX * k, link = node + WideNodes.LINKS + 2 * k;
        float x = Math.fma((float) data[at], slopeX, startX), y = Math.fma((float) data[at + 1], slopeY, startY),
                z = Math.fma((float) data[at + 2], slopeZ, startZ);
        float hx = data[at + 3], hy = data[at + 4], hz = data[at + 5];
        int in = Math.max(Math.max(bits(Math.fma(hx, -steepX, x)), 0),
                Math.max(bits(Math.fma(hy, -steepY, y)), bits(Math.fma(hz, -steepZ, z))));
        int out = Math.min(Math.min(bits(Math.fma(hx, steepX, x)), limit),
                Math.min(bits(Math.fma(hy, steepY, y)), bits(Math.fma(hz, steepZ, z))));
        int missed = Math.max(out, -1) - in >> 31 & MISSED; // here: of negative floats only the sign counts, which their bits share
        return (long) (in | missed) << 32 | (data[link] << 16 | data[link + 1]) & 0xFFFF_FFFFL;
    }

    private static int bits(float f) {
        return Float.floatToRawIntBits(f);
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
        int leaf = meets(to, (i, t) -> t > from && t < to && !skip.test(of.order[i]));
        return leaf < 0 ? OptionalInt.empty() : OptionalInt.of(of.order[leaf]);
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
        if (of.order.length == 0 || largest == 0) return -1;
        var data = of.nodes.data;
        var stack = new long[of.nodes.stack()];
        int top = 1, until = limit(limit);
        while (top > 0) {
            int link = (int) stack[--top];
            if (link >= 0) {
                int at = WideNodes.NODE * link;
                for (int k = 0; k < WideNodes.WIDE; k++) top = WideNodes.push(stack, top, entry(data, at, k, until), MISSED);
                continue;
            }
            for (int i = WideNodes.first(link), to = i + WideNodes.size(link); i < to; i++) {
                double t = hit(i);
                if (t < Double.POSITIVE_INFINITY && test.enough(i, t)) return i;
            }
        }
        return -1;
    }

    private double hit(int i) {
        var k = of.corners;
        int c = 9 * i;
        double ax = k[c], ay = k[c + 1], az = k[c + 2];
        double ex = k[c + 3] - ax, ey = k[c + 4] - ay, ez = k[c + 5] - az;
        double fx = k[c + 6] - ax, fy = k[c + 7] - ay, fz = k[c + 8] - az;
        double px = dy * fz - dz * fy, py = dz * fx - dx * fz, pz = dx * fy - dy * fx;
        double det = ex * px + ey * py + ez * pz;
        if (det == 0) return Double.POSITIVE_INFINITY;
        // here: u, v, t are kept times size, one division less
        double sign = Math.signum(det), size = det * sign, slack = EDGE * size, tx = ox - ax, ty = oy - ay, tz = oz - az;
        double u = (tx * px + ty * py + tz * pz) * sign;
        double qx = ty * ez - tz * ey, qy = tz * ex - tx * ez, qz = tx * ey - ty * ex;
        double v = (dx * qx + dy * qy + dz * qz) * sign;
        double t = (fx * qx + fy * qy + fz * qz) * sign + 0.0; // here: -0 becomes 0, as only signs are looked at
        long beside = Double.doubleToRawLongBits(u + slack) | Double.doubleToRawLongBits(v + slack)
                | Double.doubleToRawLongBits(size + slack - u - v) | Double.doubleToRawLongBits(t);
        return beside < 0 ? Double.POSITIVE_INFINITY : t / size;
    }

    /** The distance to the plane of leaf entry {@code i}. */
    double toPlane(int i) {
        var k = of.corners;
        int c = 9 * i;
        double ex = k[c + 3] - k[c], ey = k[c + 4] - k[c + 1], ez = k[c + 5] - k[c + 2];
        double fx = k[c + 6] - k[c], fy = k[c + 7] - k[c + 1], fz = k[c + 8] - k[c + 2];
        double nx = ey * fz - ez * fy, ny = ez * fx - ex * fz, nz = ex * fy - ey * fx;
        return (nx * (k[c] - ox) + ny * (k[c + 1] - oy) + nz * (k[c + 2] - oz)) / (nx * dx + ny * dy + nz * dz);
    }

    /** Direction against normal of leaf entry {@code i}: above 0 when the ray leaves through it. */
    double facing(int i) {
        var corners = of.corners;
        int c = 9 * i;
        double ex = corners[c + 3] - corners[c], ey = corners[c + 4] - corners[c + 1], ez = corners[c + 5] - corners[c + 2];
        double fx = corners[c + 6] - corners[c], fy = corners[c + 7] - corners[c + 1], fz = corners[c + 8] - corners[c + 2];
        return dx * (ey * fz - ez * fy) + dy * (ez * fx - ex * fz) + dz * (ex * fy - ey * fx);
    }
}
