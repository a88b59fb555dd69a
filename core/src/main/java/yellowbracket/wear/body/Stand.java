package yellowbracket.wear.body;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;
import yellowbracket.finding.Finding;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;

/**
 * How it stands by itself, the way it was modelled, and the foot a stand needs.
 *
 * @param tipDeg how far it leans until it falls; 0 where its centre does not lie over what it stands on
 * @param heightMm of its centre over what it stands on @param footMm half the width of a foot under which it leans
 * {@link #STEADY_DEG} before it falls
 */
public record Stand(double tipDeg, double heightMm, double footMm) {
    /** Knocked in passing, a thing should stand this lean, degrees; a starting value. */
    public static final double STEADY_DEG = 15;
    /** What lies no higher than this touches the ground: rims are not quite level, mm. */
    private static final double TOUCHES_MM = 1.0;

    /** @param scale of the mesh @param centre of mass, prop mm */
    public static Stand of(Mesh m, double scale, Vec3 centre) {
        double low = scale * m.bounds().min().z();
        var foot = new ArrayList<Coordinate>();
        for (int v = 0; v < m.vertexCount(); v++)
            if (scale * m.z(v) <= low + TOUCHES_MM) foot.add(new Coordinate(scale * m.x(v), scale * m.y(v)));
        double high = centre.z() - low;
        return new Stand(lean(foot, centre, high), high, high * Math.tan(Math.toRadians(STEADY_DEG)));
    }

    private static double lean(List<Coordinate> foot, Vec3 centre, double high) {
        var flat = new GeometryFactory();
        var at = flat.createPoint(new Coordinate(centre.x(), centre.y()));
        var hull = flat.createMultiPointFromCoords(foot.toArray(Coordinate[]::new)).convexHull();
        if (!(hull instanceof Polygon p) || !p.contains(at) || !(high > 0)) return 0;
        return Math.toDegrees(Math.atan2(p.getExteriorRing().distance(at), high));
    }

    public boolean steady() {
        return tipDeg >= STEADY_DEG;
    }

    public Optional<Finding> finding() {
        return steady() ? Optional.empty()
                : Optional.of(Finding.note(String.format(Locale.ROOT,
                        "put down it falls from a lean of %.0f\u00b0: a stand with a foot of %.0f mm across, or weight low down", tipDeg,
                        2 * footMm)));
    }
}
