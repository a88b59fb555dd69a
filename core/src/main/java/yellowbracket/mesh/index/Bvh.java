package yellowbracket.mesh.index;

import java.util.OptionalInt;
import java.util.concurrent.ForkJoinTask;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.DoubleConsumer;
import java.util.function.IntConsumer;
import java.util.stream.IntStream;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;

/**
 * A bounding volume hierarchy over the triangles of one mesh, for rays, closest points, boxes and planes. Built on all cores ({@link
 * BvhBuild}), answered
 * from {@link WideNodes} and {@link OrientedBoxes}. Safe to share between threads: what it answers never changes. Build O(n log n); queries
 * O(log n) in practice.
 */
public final class Bvh {
    final double[] corners; // nine a triangle, in leaf order: the three corners' coordinates
    final int[] order; // leaf position -> triangle of the mesh
    final WideNodes nodes;
    private final AtomicReference<OrientedBoxes> oriented = new AtomicReference<>();

    private Bvh(double[] corners, int[] order, WideNodes nodes) {
        this.corners = corners;
        this.order = order;
        this.nodes = nodes;
    }

    /** Memory it takes, about: corners, order, and nodes of some 24 bytes a triangle. */
    public long bytes() {
        return 8L * corners.length + 28L * order.length;
    }

    /** What a ray met: the distance along the (unit) direction, the triangle, and whether it came through the back of it. */
    public record Hit(double distance, int triangle, boolean fromInside) {}

    /** The nearest point of the surface, how far it is, and the triangle it lies on. */
    public record Near(Vec3 point, double distance, int triangle) {}

    public static Bvh of(Mesh m) {
        var build = new BvhBuild(m);
        build.run();
        var nodes = ForkJoinTask.adapt(() -> WideNodes.of(build.boxes, build.links)).fork(); // while the corners are copied
        int n = m.triangleCount();
        var corners = new double[9 * n];
        int block = 1 << 14;
        IntStream.rangeClosed(0, n / block).parallel().forEach(b -> {
            for (int i = b * block; i < Math.min(n, (b + 1) * block); i++) for (int k = 0; k < 3; k++) {
                int v = m.vertex(build.order[i], k);
                corners[9 * i + 3 * k] = m.x(v);
                corners[9 * i + 3 * k + 1] = m.y(v);
                corners[9 * i + 3 * k + 2] = m.z(v);
            }
        });
        return new Bvh(corners, build.order, nodes.join());
    }

    /**
     * The distance to the first triangle a ray meets, in lengths of the direction {@code d}, or infinity; hits nearer than {@code least} do
     * not count.
     */
    public double firstDistance(double ox, double oy, double oz, double dx, double dy, double dz, double least) {
        return new RayQuery(this, ox, oy, oz, dx, dy, dz).nearest(least);
    }

    /** The first triangle a ray meets, if any. The distance counts in lengths of {@code direction}, which need not be 1. */
    public java.util.Optional<Hit> first(Vec3 origin, Vec3 direction) {
        var q = ray(origin, direction);
        double t = q.nearest(0);
        if (t == Double.POSITIVE_INFINITY) return java.util.Optional.empty();
        return java.util.Optional.of(new Hit(t, order[q.nearestAt()], q.facing(q.nearestAt()) > 0));
    }

    /** What a ray met; a ray much like it, cast with the same one, tries that triangle first and is the faster for it. One thread. */
    public static final class Met {
        private int leaf = -1;
        private double distance = Double.POSITIVE_INFINITY;
        private boolean fromInside;

        /** In lengths of the direction, infinity where nothing was met. */
        public double distance() {
            return distance;
        }

        /** Whether it came through the back of the triangle. */
        public boolean fromInside() {
            return fromInside;
        }
    }

    /** As {@link #first(Vec3, Vec3)}, into {@code met}; whether anything was. */
    public boolean first(Vec3 o, Vec3 d, Met met) {
        var q = ray(o, d);
        met.distance = q.nearest(0, met.leaf);
        if (met.distance == Double.POSITIVE_INFINITY) return false;
        met.leaf = q.nearestAt();
        met.fromInside = q.facing(met.leaf) > 0;
        return true;
    }

    /** How far a ray goes to the plane of the triangle that was met, in lengths of {@code d}; not a number where nothing was. */
    public double toPlane(Met met, Vec3 o, Vec3 d) {
        return met.distance == Double.POSITIVE_INFINITY ? Double.NaN : ray(o, d).toPlane(met.leaf);
    }

    /** Whether anything lies on the ray beyond {@code least} mm. */
    public boolean blocked(Vec3 o, Vec3 d, double least) {
        return blocked(o, d, least, Double.POSITIVE_INFINITY);
    }

    /** Whether anything lies on the ray between {@code least} and {@code most}, in lengths of {@code d}. */
    public boolean blocked(Vec3 o, Vec3 d, double least, double most) {
        return ray(o, d).any(least, most);
    }

    /** Every distance at which the ray passes a triangle, in no order. */
    public void allDistances(Vec3 o, Vec3 d, DoubleConsumer out) {
        ray(o, d).all(out);
    }

    /** A triangle strictly crossed by the segment from a to b (its ends do not count), leaving out those for which {@code skip} holds. */
    public OptionalInt crossed(Vec3 a, Vec3 b, java.util.function.IntPredicate skip) {
        double length = a.distance(b);
        if (length == 0) return OptionalInt.empty();
        return new RayQuery(this, a.x(), a.y(), a.z(), (b.x() - a.x()) / length, (b.y() - a.y()) / length, (b.z() - a.z()) / length)
                .crossed(1e-6 * length, (1 - 1e-6) * length, skip);
    }

    private RayQuery ray(Vec3 o, Vec3 d) {
        return new RayQuery(this, o.x(), o.y(), o.z(), d.x(), d.y(), d.z());
    }

    /** Whether the point is within the closed surface: odd number of crossings in two of three skew directions. */
    public boolean inside(Vec3 p) {
        Vec3[] skew = {new Vec3(0.5773, 0.1933, 0.7933).unit(), new Vec3(-0.311, 0.829, 0.4653).unit(),
                new Vec3(0.2113, -0.5351, -0.8179).unit()};
        int votes = 0;
        for (var d : skew) {
            var n = new int[1];
            ray(p, d).all(t -> n[0]++);
            votes += n[0] & 1;
        }
        return votes >= 2;
    }

    /** The distance from {@code p} to the nearest point of the surface; infinity for an empty mesh. */
    public double distance(Vec3 p) {
        return distance(p.x(), p.y(), p.z());
    }

    public double distance(double x, double y, double z) {
        return closestQuery().distance(x, y, z);
    }

    /** @throws IllegalStateException if the mesh is empty */
    public Near closest(Vec3 p) {
        return closestQuery().closest(p);
    }

    /** The boxes along the surface that nearest points are looked for with: made when first asked for, and kept. */
    OrientedBoxes oriented() {
        var made = oriented.get();
        if (made != null) return made;
        synchronized (oriented) {
            if (oriented.get() == null) oriented.set(OrientedBoxes.of(this));
            return oriented.get();
        }
    }

    /** For many nearest points in a row, on one thread. */
    public ClosestQuery closestQuery() {
        return new ClosestQuery(this);
    }

    /** Every triangle whose box meets the given one. */
    public void inBox(Bounds3 b, IntConsumer out) {
        visit((lx, ly, lz, hx, hy, hz) -> lx <= b.max().x() && hx >= b.min().x() && ly <= b.max().y() && hy >= b.min().y()
                && lz <= b.max().z() && hz >= b.min().z(), i -> out.accept(order[i]));
    }

    /** The corners of a triangle. */
    @FunctionalInterface
    public interface Corners {
        void accept(Vec3 a, Vec3 b, Vec3 c);
    }

    /** As {@link #inBox(Bounds3, IntConsumer)}, with the triangles' corners. */
    public void inBox(Bounds3 b, Corners out) {
        visit((lx, ly, lz, hx, hy, hz) -> lx <= b.max().x() && hx >= b.min().x() && ly <= b.max().y() && hy >= b.min().y()
                && lz <= b.max().z() && hz >= b.min().z(), i -> out.accept(corner(i, 0), corner(i, 1), corner(i, 2)));
    }

    private Vec3 corner(int leaf, int k) {
        int at = 9 * leaf + 3 * k;
        return new Vec3(corners[at], corners[at + 1], corners[at + 2]);
    }

    /** Whether the surface comes within {@code r} of {@code p}: for points too few to be worth the boxes of nearest points. */
    public boolean within(Vec3 p, double r) {
        var near = ClosestQuery.within(this, p, r);
        visit((lx, ly, lz, hx, hy, hz) -> lx <= p.x() + r && hx >= p.x() - r && ly <= p.y() + r && hy >= p.y() - r && lz <= p.z() + r
                && hz >= p.z() - r, near::triangle);
        return near.found();
    }

    /** Every triangle whose box the plane {@code normal . p = offset} meets. */
    public void onPlane(Vec3 normal, double offset, IntConsumer out) {
        double ax = Math.abs(normal.x()), ay = Math.abs(normal.y()), az = Math.abs(normal.z());
        visit((lx, ly, lz, hx, hy, hz) -> {
            double middle = normal.x() * (lx + hx) / 2 + normal.y() * (ly + hy) / 2 + normal.z() * (lz + hz) / 2 - offset;
            return Math.abs(middle) <= (ax * (hx - lx) + ay * (hy - ly) + az * (hz - lz)) / 2 + 1e-9;
        }, i -> out.accept(order[i]));
    }

    private interface BoxTest {
        boolean meets(double lx, double ly, double lz, double hx, double hy, double hz);
    }

    /** @param out gets positions in leaf order */
    private void visit(BoxTest test, IntConsumer out) {
        if (order.length == 0) return;
        var stack = new int[nodes.stack()];
        int top = 1;
        while (top > 0) {
            int node = stack[--top];
            for (int k = 0; k < WideNodes.WIDE; k++) {
                if (!test.meets(nodes.low(node, k, 0), nodes.low(node, k, 1), nodes.low(node, k, 2), nodes.high(node, k, 0),
                        nodes.high(node, k, 1), nodes.high(node, k, 2)))
                    continue;
                int link = nodes.link(node, k);
                if (link >= 0) stack[top++] = link;
                else for (int i = WideNodes.first(link), to = i + WideNodes.size(link); i < to; i++) if (leafMeets(i, test)) out.accept(i);
            }
        }
    }

    private boolean leafMeets(int i, BoxTest test) {
        int c = 9 * i;
        return test.meets(least(c), least(c + 1), least(c + 2), most(c), most(c + 1), most(c + 2));
    }

    private double least(int c) {
        return Math.min(corners[c], Math.min(corners[c + 3], corners[c + 6]));
    }

    private double most(int c) {
        return Math.max(corners[c], Math.max(corners[c + 3], corners[c + 6]));
    }
}
