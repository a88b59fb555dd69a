package yellowbracket.mesh.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Outermost;
import yellowbracket.mesh.Vec3;

/**
 * The faces on which something comes to rest when it is put down somehow: from each of many directions it is let roll over its outermost
 * points until its
 * centre of mass lies above what it stands on. These are the stable faces of its hull, found without building the hull. Outermost points
 * are those furthest
 * in a thousand directions, so a face made of points nearer together than a few degrees may be missed.
 */
public final class Resting {
    private static final List<Vec3> OUTWARD = ShowSide.spread(1000);
    private static final List<Vec3> STARTS = ShowSide.spread(40);
    /** Vertices, evenly taken, among which those furthest out are looked for. */
    private static final int ASKED = 5000;
    /** Rolls from face to face before it lies still. */
    private static final int MOST_ROLLS = 60;
    /** Directions nearer than this are one way to lie. */
    private static final double SAME = Math.cos(Math.toRadians(4));

    private final List<Vec3> points;
    private final Vec3 centre;

    private Resting(List<Vec3> points, Vec3 centre) {
        this.points = points;
        this.centre = centre;
    }

    /** Directions that may look down, unit, each with its hull face on the bed. @param centre of mass */
    public static List<Vec3> downs(List<Vec3> outermost, Vec3 centre) {
        return downs(outermost, centre, STARTS);
    }

    /** Those it rolls to from some directions that look down at first, unit. */
    public static List<Vec3> downs(List<Vec3> outermost, Vec3 centre, List<Vec3> starts) {
        var self = new Resting(outermost, centre);
        var out = new ArrayList<Vec3>();
        for (var start : starts) self.settle(start).ifPresent(d -> {
            if (out.stream().noneMatch(o -> o.dot(d) > SAME)) out.add(d);
        });
        return out;
    }

    /** The corners furthest out in many directions. */
    public static List<Vec3> outermost(Mesh m) {
        return Outermost.of(m, OUTWARD, ASKED);
    }

    /** Rolls down from one direction; empty if it finds no rest, as a ball does not. */
    private Optional<Vec3> settle(Vec3 start) {
        var down = start;
        var touching = lowest(down);
        for (int roll = 0; roll < MOST_ROLLS; roll++) {
            var over = centre.minus(touching);
            var sideways = over.minus(down.times(over.dot(down)));
            if (sideways.norm() < 1e-9) return Optional.of(down);
            var axis = down.cross(sideways.unit());
            var hit = first(touching, touching, down, axis);
            if (hit.isEmpty()) return Optional.empty();
            var edge = hit.get().point.minus(touching).unit();
            down = hit.get().down;
            // here: it stands on an edge and falls to the side its centre of mass is on
            var side = centre.minus(touching);
            var about = side.minus(edge.times(side.dot(edge))).minus(down.times(side.dot(down))).dot(edge.cross(down)) > 0 ? edge
                    : edge.times(-1);
            var third = first(touching, hit.get().point, down, about);
            if (third.isEmpty()) return Optional.empty();
            down = third.get().down;
            var corners = List.of(touching, hit.get().point, third.get().point);
            if (within(corners, down)) return Optional.of(down);
            touching = nearest(down);
        }
        return Optional.empty();
    }

    private record Hit(Vec3 point, Vec3 down) {}

    /**
     * The first point to reach the bed when the direction down turns about an axis through {@code a}, and {@code a} and {@code b} stay on
     * it.
     */
    private Optional<Hit> first(Vec3 a, Vec3 b, Vec3 down, Vec3 axis) {
        var ahead = axis.cross(down);
        Vec3 best = null;
        double least = Double.POSITIVE_INFINITY;
        for (var p : points) {
            if (p.equals(a) || p.equals(b)) continue;
            var d = p.minus(a);
            double fall = -d.dot(down), along = d.dot(ahead);
            if (along <= 1e-9) continue;
            double angle = Math.atan2(Math.max(0, fall), along);
            if (angle < least) {
                least = angle;
                best = p;
            }
        }
        if (best == null || least > Math.PI / 2) return Optional.empty();
        return Optional.of(new Hit(best, down.times(Math.cos(least)).plus(ahead.times(Math.sin(least))).unit()));
    }

    private Vec3 lowest(Vec3 down) {
        var best = points.getFirst();
        for (var p : points) if (p.dot(down) > best.dot(down)) best = p;
        return best;
    }

    /** Of the points on the bed the one nearest under the centre. */
    private Vec3 nearest(Vec3 down) {
        double floor = lowest(down).dot(down);
        Vec3 best = null;
        double least = Double.POSITIVE_INFINITY;
        for (var p : points) {
            if (floor - p.dot(down) > 1e-3) continue;
            var d = centre.minus(p);
            double far = d.minus(down.times(d.dot(down))).norm();
            if (far < least) {
                least = far;
                best = p;
            }
        }
        return best;
    }

    /** Whether the centre stands above the triangle, or above what else lies on the bed with it. */
    private boolean within(List<Vec3> corners, Vec3 down) {
        double floor = corners.getFirst().dot(down);
        var on = new ArrayList<Vec3>();
        for (var p : points) if (floor - p.dot(down) < 1e-3 * Math.max(1, Math.abs(floor))) on.add(p);
        on.addAll(corners);
        return above(on, down, centre);
    }

    /** Whether a centre of mass stays above what lies lowest. @param within the lowest point, mm */
    public static boolean stands(List<Vec3> outermost, Vec3 down, Vec3 centre, double within) {
        double floor = outermost.stream().mapToDouble(p -> p.dot(down)).max().orElseThrow();
        return above(outermost.stream().filter(p -> floor - p.dot(down) < within).toList(), down, centre);
    }

    private static boolean above(List<Vec3> on, Vec3 down, Vec3 centre) {
        // here: within, unless some direction on the bed has the centre further out than every point on it
        var x = down.cross(Math.abs(down.x()) < 0.9 ? Vec3.X : Vec3.Y).unit();
        var y = down.cross(x);
        for (int i = 0; i < 72; i++) {
            double t = 2 * Math.PI * i / 72;
            var d = x.times(Math.cos(t)).plus(y.times(Math.sin(t)));
            double most = Double.NEGATIVE_INFINITY;
            for (var p : on) most = Math.max(most, p.dot(d));
            if (centre.dot(d) > most) return false;
        }
        return true;
    }
}
