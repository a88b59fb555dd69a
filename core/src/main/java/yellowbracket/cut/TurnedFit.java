package yellowbracket.cut;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Outermost;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.measure.ShowSide;

/**
 * Whether a section stands on a bed in any turned position: quarter turns first, then, for a spread of directions up, turned about the
 * upright in steps.
 * Searched on the points that stick out furthest in a few hundred directions; what is found is checked on every vertex, so a yes is
 * certain, while a no means
 * that none of some ten thousand positions fits.
 */
public final class TurnedFit {
    private static final List<Vec3> SUPPORT = ShowSide.spread(220);
    private static final List<Vec3> UPS = ups();
    /** Turns tried about each axis. */
    private static final int STEPS = 36;
    /** No position makes a thing this many times smaller than the best of its quarter turns: a long stick along a diagonal. */
    private static final double REACH = 1.75;
    /** Vertices, evenly taken, among which those furthest out are looked for. */
    private static final int ASKED = 6000;

    private TurnedFit() {}

    private static List<Vec3> ups() {
        var out = new ArrayList<Vec3>(List.of(Vec3.Z, Vec3.Y, Vec3.X));
        for (var d : ShowSide.spread(150)) if (d.z() > 0) out.add(d);
        return List.copyOf(out);
    }

    /**
     * How a section stands on a bed: {@code turn} empty when it does not, and then {@code overMm} is the least by which it sticks out in
     * any position tried.
     */
    public record Stand(Optional<Turn> turn, double overMm) {
        public boolean fits() {
            return turn.isPresent();
        }
    }

    public static Stand stand(Mesh m, Bed bed) {
        var turn = of(m, bed);
        return turn.isPresent() ? new Stand(turn, 0) : new Stand(turn, leastOver(m, bed));
    }

    private static double leastOver(Mesh m, Bed bed) {
        var points = support(m);
        double least = Double.POSITIVE_INFINITY;
        for (var up : UPS) {
            var flat = points.stream().map(Turn.lift(up)::apply).toList();
            for (int i = 0; i < STEPS; i++) {
                double a = Math.PI * i / STEPS, c = Math.cos(a), s = Math.sin(a);
                double over = Math.max(extent(flat, c, -s, 0) - bed.x(),
                        Math.max(extent(flat, s, c, 0) - bed.y(), extent(flat, 0, 0, 1) - bed.z()));
                least = Math.min(least, over);
            }
        }
        return Math.max(0, least);
    }

    /**
     * The position in which a mesh comes nearest to standing on a bed: how many times too large it is there in the direction that is worst
     * (1 or less: it fits).
     */
    public record Closest(Turn turn, double factor) {
        /** From how it lies in the prop, to the nearest quarter turn, degrees. */
        public double leanDeg() {
            var up = turn.row2();
            return Math.toDegrees(Math.acos(Math.min(1, Math.max(Math.abs(up.x()), Math.max(Math.abs(up.y()), Math.abs(up.z()))))));
        }
    }

    /**
     * Searched on the same positions as {@link #of}, the best of them turned on in ever smaller steps; the factor is of every vertex. Where
     * a quarter turn does it is taken.
     * @param enough a factor above which nobody asks: the search leaves off where even the quarter turns show that it is out of reach
     */
    public static Closest closest(Mesh m, Bed bed, double enough) {
        var points = support(m);
        Closest best = new Closest(Turn.NONE, Double.POSITIVE_INFINITY);
        for (var t : Turn.quarterTurns()) best = better(best, t, factor(points, t, bed));
        if (best.factor > 1 && best.factor < REACH * enough) {
            for (var up : UPS) {
                var lifted = Turn.lift(up);
                var flat = points.stream().map(lifted::apply).toList();
                double z = extent(flat, 0, 0, 1) / bed.z();
                if (z >= best.factor) continue;
                for (int i = 0; i < STEPS; i++) {
                    double a = Math.PI * i / STEPS, c = Math.cos(a), s = Math.sin(a);
                    double f = Math.max(z, Math.max(extent(flat, c, -s, 0) / bed.x(), extent(flat, s, c, 0) / bed.y()));
                    if (f < best.factor) best = new Closest(lifted.then(new Turn(new Vec3(c, -s, 0), new Vec3(s, c, 0), Vec3.Z)), f);
                }
            }
            for (double step = 4; step > 0.05; step /= 2) for (boolean on = true; on;) {
                on = false;
                for (var axis : List.of(Vec3.X, Vec3.Y, Vec3.Z)) for (int way : new int[] {1, -1}) {
                    var t = best.turn.then(Turn.about(axis, way * step));
                    var next = better(best, t, factor(points, t, bed));
                    on |= next.factor < best.factor - 1e-9;
                    best = next;
                }
            }
        }
        var t = best.turn;
        return new Closest(t,
                Math.max(extent(m, t.row0()) / bed.x(), Math.max(extent(m, t.row1()) / bed.y(), extent(m, t.row2()) / bed.z())));
    }

    private static Closest better(Closest now, Turn t, double factor) {
        return factor < now.factor ? new Closest(t, factor) : now;
    }

    private static double factor(List<Vec3> points, Turn t, Bed bed) {
        return Math.max(extent(points, t.row0().x(), t.row0().y(), t.row0().z()) / bed.x(),
                Math.max(extent(points, t.row1().x(), t.row1().y(), t.row1().z()) / bed.y(),
                        extent(points, t.row2().x(), t.row2().y(), t.row2().z()) / bed.z()));
    }

    private static double extent(List<Vec3> points, double x, double y, double z) {
        double lo = 1e300, hi = -1e300;
        for (var p : points) {
            double h = x * p.x() + y * p.y() + z * p.z();
            lo = Math.min(lo, h);
            hi = Math.max(hi, h);
        }
        return hi - lo;
    }

    public static boolean onAny(Mesh m, List<Bed> beds) {
        var size = m.bounds().size();
        return beds.stream().anyMatch(b -> b.holds(size)) || beds.stream().anyMatch(b -> of(m, b).isPresent());
    }

    /** A turn after which the mesh stands within the bed; the gentlest of those tried. */
    public static Optional<Turn> of(Mesh m, Bed bed) {
        if (m.isEmpty()) return Optional.of(Turn.NONE);
        for (var t : Turn.quarterTurns()) if (fits(m.bounds().size(), t, bed)) return Optional.of(t);
        double room = Math.hypot(bed.x(), Math.hypot(bed.y(), bed.z()));
        var size = m.bounds().size();
        if (Math.max(size.x(), Math.max(size.y(), size.z())) > room || size.x() * size.y() * size.z() > 8 * bed.x() * bed.y() * bed.z())
            return Optional.empty();
        var points = support(m);
        for (var up : UPS) {
            var lifted = Turn.lift(up);
            var flat = points.stream().map(lifted::apply).toList();
            double lo = 1e300, hi = -1e300;
            for (var p : flat) {
                lo = Math.min(lo, p.z());
                hi = Math.max(hi, p.z());
            }
            if (hi - lo > bed.z()) continue;
            for (int i = 0; i < STEPS; i++) {
                double a = Math.PI * i / STEPS, c = Math.cos(a), s = Math.sin(a);
                if (!stands(flat, c, s, bed)) continue;
                var turn = lifted.then(new Turn(new Vec3(c, -s, 0), new Vec3(s, c, 0), Vec3.Z));
                if (holds(m, turn, bed)) return Optional.of(turn);
            }
        }
        return Optional.empty();
    }

    private static boolean fits(Vec3 size, Turn t, Bed bed) {
        return Math.abs(t.row0().dot(size)) <= bed.x() && Math.abs(t.row1().dot(size)) <= bed.y()
                && Math.abs(t.row2().dot(size)) <= bed.z();
    }

    /** A bounded search; the check after it is on every vertex. */
    private static List<Vec3> support(Mesh m) {
        return Outermost.of(m, SUPPORT, ASKED);
    }

    private static boolean stands(List<Vec3> flat, double c, double s, Bed bed) {
        double x0 = 1e300, x1 = -1e300, y0 = 1e300, y1 = -1e300;
        for (var p : flat) {
            double x = c * p.x() - s * p.y(), y = s * p.x() + c * p.y();
            x0 = Math.min(x0, x);
            x1 = Math.max(x1, x);
            y0 = Math.min(y0, y);
            y1 = Math.max(y1, y);
            if (x1 - x0 > bed.x() || y1 - y0 > bed.y()) return false;
        }
        return true;
    }

    /** Of all vertices along a unit direction, mm. */
    public static double extent(Mesh m, Vec3 d) {
        double lo = 1e300, hi = -1e300;
        for (int v = 0; v < m.vertexCount(); v++) {
            double h = d.x() * m.x(v) + d.y() * m.y(v) + d.z() * m.z(v);
            lo = Math.min(lo, h);
            hi = Math.max(hi, h);
        }
        return hi - lo;
    }

    /** Every vertex, turned, within a box of the bed's size. */
    public static boolean holds(Mesh m, Turn t, Bed bed) {
        double[] lo = {1e300, 1e300, 1e300}, hi = {-1e300, -1e300, -1e300};
        for (int v = 0; v < m.vertexCount(); v++) {
            var p = t.apply(m.point(v));
            for (int a = 0; a < 3; a++) {
                lo[a] = Math.min(lo[a], p.get(a));
                hi[a] = Math.max(hi[a], p.get(a));
            }
        }
        return hi[0] - lo[0] <= bed.x() && hi[1] - lo[1] <= bed.y() && hi[2] - lo[2] <= bed.z();
    }
}
