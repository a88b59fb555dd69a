package yellowbracket.colour.zone;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * One stroke of a brush: all surface nearer than a radius, measured along the surface, to any of the points the brush went over. Samples
 * are added while it is drawn; {@link #onto} is done once, at its end.
 */
public final class Brush {
    /** Pieces at the rim, as a share of the radius: a rim of straight pieces lies off the round by less than a hundredth of it. */
    private static final double RIM = 0.12;
    /** Points nearer to each other, as a share of the radius, make no difference. */
    private static final double APART = 0.2;

    private final Painted on;
    private final double radius;
    private final List<Vec3> points = new ArrayList<>();
    private final double[] field;
    private final Geodesic front;

    /** @param radiusMm of the mesh's own mm */
    public Brush(Painted on, double radiusMm) {
        if (!(radiusMm > 0 && radiusMm < 1e4)) throw new IllegalArgumentException("radius of a brush must be above 0 mm, was " + radiusMm);
        this.on = on;
        radius = radiusMm;
        field = new double[on.mesh().vertexCount()];
        Arrays.fill(field, Double.POSITIVE_INFINITY);
        front = new Geodesic(on, Geodesic.From.POINT, radiusMm);
    }

    public List<Vec3> points() {
        return List.copyOf(points);
    }

    /** A place the brush is at; near the last one it is left out. Returns whether it counts. @param piece on which the place lies */
    public boolean add(int piece, Vec3 at) {
        if (!points.isEmpty() && points.getLast().distance(at) < APART * radius) return false;
        points.add(at);
        front.source(piece, at).tell((v, mm) -> field[v] = Math.min(field[v], mm - radius));
        return true;
    }

    /** Whether the stroke so far covers a piece, judged by its corners: for showing. */
    public boolean covers(int piece) {
        double sum = 0;
        for (int k = 0; k < 3; k++) {
            double d = field[on.mesh().vertex(piece, k)];
            if (d == Double.POSITIVE_INFINITY) return false;
            sum += d;
        }
        return sum < 0;
    }

    /** The surface with the stroke on it. @param to the zone that is painted */
    public Painted onto(int to) {
        if (points.isEmpty()) return on;
        var fine = Split.refined(on, now -> f -> near(now, f) ? Math.max(RIM * radius, 1e-3) : Double.POSITIVE_INFINITY);
        var index = Bvh.of(fine.mesh());
        var all = new double[fine.mesh().vertexCount()];
        Arrays.fill(all, Double.POSITIVE_INFINITY);
        var run = new Geodesic(fine, Geodesic.From.POINT, radius);
        for (var p : points) {
            var near = index.closest(p);
            run.source(near.triangle(), near.point()).tell((v, mm) -> all[v] = Math.min(all[v], mm - radius));
        }
        var sides = Split.along(fine, all);
        return sides.painted().with(sides.inside(), to).tidied();
    }

    /** Whether the rim may go through a piece. */
    private boolean near(Painted now, int f) {
        var c = now.mesh().centroid(f);
        double own = now.reach(f);
        double least = Double.POSITIVE_INFINITY;
        for (var p : points) least = Math.min(least, p.distance(c));
        return least - own <= radius && least + own >= radius / 3;
    }
}
