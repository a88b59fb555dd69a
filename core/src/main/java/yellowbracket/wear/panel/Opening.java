package yellowbracket.wear.panel;

import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import yellowbracket.mesh.Vec3;

/**
 * A hole in the wall that one sees or breathes through, on the surface that lies nearest to the inner wall round it.
 *
 * @param name "front", "left", "upper right" ..., the same as long as it lies there
 * @param outline on the surface, u and v mm, without holes
 * @param standsOffMm how far the wall round it lies off that surface, nine places in ten
 */
public record Opening(String name, Developable surface, Polygon outline, double standsOffMm) {
    public double areaMm2() {
        return outline.getArea();
    }

    public Vec3 middle() {
        var c = outline.getInteriorPoint();
        return surface.at(c.getX(), c.getY());
    }

    public double wideMm() {
        return outline.getEnvelopeInternal().getWidth();
    }

    public double highMm() {
        return outline.getEnvelopeInternal().getHeight();
    }

    /** The rim in space, in turn. */
    public List<Vec3> loop() {
        return loop(outline);
    }

    /** The outline of any pattern on this surface, in space. */
    public List<Vec3> loop(Geometry pattern) {
        return java.util.Arrays.stream(pattern.getCoordinates()).map(this::at).toList();
    }

    private Vec3 at(Coordinate c) {
        return surface.at(c.x, c.y);
    }

    /** Whether a place of the surface lies in it. */
    public boolean holds(double u, double v) {
        return outline.getEnvelopeInternal().contains(u, v)
                && org.locationtech.jts.algorithm.RayCrossingCounter.locatePointInRing(new Coordinate(u, v),
                        outline.getExteriorRing().getCoordinates()) != org.locationtech.jts.geom.Location.EXTERIOR;
    }
}
