package yellowbracket.cut.plan;

import java.util.Comparator;
import java.util.Optional;
import java.util.stream.IntStream;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;

/**
 * Brings a plane set by hand to where it belongs: the middle of the prop, the nearest crease, the nearest axis; and turns it about a point
 * of its own.
 */
public final class PlaneSnap {
    /** How finely planes about a crease are tried, mm. */
    private static final double STEP_MM = 0.4;
    /** A crease is worth snapping to when it carries this share of the line. */
    private static final double LEAST_SHARE = 0.2;

    private PlaneSnap() {}

    /** Left from right. */
    public static CutPlane toMiddle() {
        return CutPlane.across(0, 0);
    }

    /** The axis nearest to its normal, through the same point. @param about a point near which the plane should stay where it is */
    public static CutPlane toAxis(CutPlane p, Vec3 about) {
        int axis = IntStream.range(0, 3).boxed().max(Comparator.comparingDouble(a -> Math.abs(p.normal().get(a)))).orElseThrow();
        var on = on(p, about);
        return new CutPlane(Vec3.axis(axis), on.get(axis));
    }

    /**
     * The place within reach where most of the plane's line runs along creases; nothing when there is none worth it. @param light a light
     * copy of the model, model mm
     */
    public static Optional<CutPlane> toCrease(CutPlane p, Mesh light, double reachMm) {
        var worth = SurfaceWorth.creases(light);
        int n = (int) (reachMm / STEP_MM);
        var offsets = IntStream.rangeClosed(-n, n).mapToDouble(i -> p.offsetMm() + i * STEP_MM).toArray();
        return CutSweep.of(worth.tagged(), p.normal(), offsets, false, worth)
                .stream()
                .filter(c -> c.creaseMm() > LEAST_SHARE * c.showMm())
                .max(Comparator.comparingDouble(c -> c.creaseMm() / c.showMm() - 0.004 * Math.abs(c.plane().offsetMm() - p.offsetMm())))
                .map(CutChoice::plane);
    }

    /** Turned by an angle about an axis in space, through the plane's point nearest to {@code about}. @param axis any length but 0 */
    public static CutPlane turned(CutPlane p, Vec3 axis, double degrees, Vec3 about) {
        var on = on(p, about);
        var k = axis.unit();
        double c = Math.cos(Math.toRadians(degrees)), s = Math.sin(Math.toRadians(degrees));
        var n = p.normal().times(c).plus(k.cross(p.normal()).times(s)).plus(k.times(k.dot(p.normal()) * (1 - c)));
        return through(n.unit(), on);
    }

    /** With its normal leaning {@code leanDeg} from upright towards {@code towardsDeg} (0 front, 90 the wearer's left). */
    public static CutPlane leaning(CutPlane p, double leanDeg, double towardsDeg, Vec3 about) {
        double l = Math.toRadians(leanDeg), t = Math.toRadians(towardsDeg);
        return through(new Vec3(-Math.sin(l) * Math.sin(t), Math.sin(l) * Math.cos(t), Math.cos(l)), on(p, about));
    }

    /** How far the normal leans from upright, degrees 0 to 180. */
    public static double leanDeg(CutPlane p) {
        return Math.toDegrees(Math.acos(Math.clamp(p.normal().z(), -1, 1)));
    }

    /** Towards which side it leans, degrees -180 to 180, 0 for a level plane. */
    public static double towardsDeg(CutPlane p) {
        return Math.hypot(p.normal().x(), p.normal().y()) < 1e-9 ? 0 : Math.toDegrees(Math.atan2(-p.normal().x(), p.normal().y())) + 0.0;
    }

    private static Vec3 on(CutPlane p, Vec3 about) {
        return about.minus(p.normal().times(p.height(about)));
    }

    private static CutPlane through(Vec3 normal, Vec3 point) {
        return new CutPlane(normal, normal.dot(point));
    }
}
