package yellowbracket.cut.registration;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.locationtech.jts.algorithm.construct.MaximumInscribedCircle;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.prep.PreparedGeometryFactory;
import org.locationtech.jts.geom.util.AffineTransformation;
import org.locationtech.jts.operation.overlayng.OverlayNG;
import org.locationtech.jts.operation.overlayng.OverlayNGRobust;

/** Where in a mating face something could go, by the shape of the face alone. Coordinates in its plane, mm. */
final class FacePlaces {
    /** Between one candidate and the next; wider on large faces. */
    static final double GRID_MM = 2.5;
    /** How far from the widest place of a face what is taken for it may be: along an even wall any place is as good. */
    private static final double WIDEST_MM = 0.1;

    private FacePlaces() {}

    /** A place in a face and how far it is to the nearest edge, mm. */
    record Circle(Coordinate c, double r) {}

    /** The widest place of a shape; empty for next to nothing. */
    static Optional<Circle> widest(Geometry shape) {
        if (shape.getArea() < 1) return Optional.empty();
        var mic = new MaximumInscribedCircle(shape, WIDEST_MM);
        return Optional.of(new Circle(mic.getCenter().getCoordinate(), mic.getRadiusLine().getLength()));
    }

    /** Places over a shape, on a grid and along its rim. */
    static List<Coordinate> candidates(Geometry inner) {
        var e = inner.getEnvelopeInternal();
        double step = Math.max(GRID_MM, Math.sqrt(e.getArea()) / 40);
        var prepared = PreparedGeometryFactory.prepare(inner);
        var out = new ArrayList<Coordinate>();
        for (double u = e.getMinX() + step / 3; u <= e.getMaxX(); u += step) for (double v = e.getMinY() + step / 3; v <= e.getMaxY();
                v += step)
            if (prepared.contains(Footprints.GEOMETRY.createPoint(new Coordinate(u, v)))) out.add(new Coordinate(u, v));
        for (var c : inner.getCoordinates()) if (out.size() < 400) out.add(c); // narrow areas slip through the grid
        return out;
    }

    /** Whether the section could be put on half a turn round: the two places swap and the outline then nearly covers itself. */
    static boolean goesBothWays(Geometry shape, List<Coordinate> places) {
        if (places.size() != 2) return false;
        double u = (places.get(0).x + places.get(1).x) / 2, v = (places.get(0).y + places.get(1).y) / 2;
        var turned = AffineTransformation.rotationInstance(Math.PI, u, v).transform(shape);
        var both = OverlayNGRobust.overlay(shape, turned, OverlayNG.INTERSECTION).getArea();
        return both > 0.85 * shape.getArea();
    }
}
