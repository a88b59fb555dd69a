package yellowbracket.cut.registration;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.locationtech.jts.algorithm.construct.MaximumInscribedCircle;
import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.geom.prep.PreparedGeometryFactory;
import yellowbracket.cut.Seam;
import yellowbracket.mesh.Vec3;

/**
 * A section's name, scale and an arrow, sunk 0.4 mm into a mating face where it stays hidden. The arrow points up as worn, or to the front
 * on a level face;
 * letters are as high as the face allows, from 6 mm down to 2.5 mm, and turned to lie along it.
 */
final class FaceMark {
    /** Two layers of 0.2 mm. */
    private static final double DEEP_MM = 0.4;
    /** Heights of letters tried, mm, the largest that finds room first. */
    private static final double[] HEIGHTS = {6, 4.5, 3.4, 2.5};
    /** From the rim of the face and from holes, mm. */
    private static final double EDGE_MM = 0.6;
    /** Turns and places at which a letter is tried. */
    private static final int TURNS = 24;
    private static final int TRIED = 60;
    /** A face smaller than this takes no mark, mm2. */
    private static final double LEAST_AREA_MM2 = 4;
    /** How far a letter may stick into a wall of its own, mm. */
    private static final double TOLERANCE_MM = 0.2;

    private FaceMark() {}

    /** @param upper whether the mark goes into the section above the plane; its face is then seen from the other side */
    static Optional<List<CapFeature>> of(Seam seam, boolean upper, String text, List<CapFeature> taken) {
        var shape = seam.face().shape();
        var room = shape.buffer(-EDGE_MM);
        for (var t : taken) room = room.difference(t.footprint().buffer(EDGE_MM + 0.4));
        if (room.getArea() < LEAST_AREA_MM2) return Optional.empty();
        var widest = new MaximumInscribedCircle(room, TOLERANCE_MM);
        double half = widest.getRadiusLine().getLength() + TOLERANCE_MM;
        if (half < HEIGHTS[HEIGHTS.length - 1] / 2) return Optional.empty();
        var spots = spots(room, widest.getCenter().getCoordinate());
        var prepared = PreparedGeometryFactory.prepare(room);
        var where = new IndexedPointInAreaLocator(room);
        var n = seam.face().plane().normal();
        var up = Math.abs(n.z()) < 0.9 ? Vec3.Z : Vec3.Y;
        var f = seam.face().plane().frame();
        double upTurn = Math.atan2(-f.u(up), f.v(up)); // from +v to where up points, in the plane
        for (double h : HEIGHTS) {
            double stroke = Math.max(0.5, h / 8), wide = StrokeFont.width(text, h) + 1.6 * h;
            if (half < h / 2 || wide * h > room.getArea()) continue;
            var box = Footprints.GEOMETRY.toGeometry(new org.locationtech.jts.geom.Envelope(-wide / 2 - stroke / 2, wide / 2 + stroke / 2,
                    -h / 2 - stroke / 2, h / 2 + stroke / 2));
            for (var c : spots) {
                if (where.locate(c) != Location.INTERIOR) continue;
                for (int i = 0; i < TURNS / 2; i++) { // here: turned half round the box is the same
                    double turn = 2 * Math.PI * i / TURNS;
                    var placed = StrokeFont.placed(box, turn, c.x, c.y);
                    if (!cornersIn(placed, where) || !prepared.contains(placed)) continue;
                    return Optional.of(marks(text, h, stroke, wide, turn, upTurn, c, upper));
                }
            }
        }
        return Optional.empty();
    }

    /** Spares the whole test where a corner lies outside already. */
    private static boolean cornersIn(Geometry box, IndexedPointInAreaLocator where) {
        for (var c : box.getCoordinates()) if (where.locate(c) == Location.EXTERIOR) return false;
        return true;
    }

    private static List<CapFeature> marks(String text, double h, double stroke, double wide, double turn, double upTurn, Coordinate c,
            boolean upper) {
        var parts = new ArrayList<Geometry>();
        var letters = StrokeFont.placed(StrokeFont.areas(text, h, stroke), 0, -wide / 2, -h / 2);
        if (upper) letters = org.locationtech.jts.geom.util.AffineTransformation.scaleInstance(-1, 1).transform(letters); // read from below
        parts.add(StrokeFont.placed(letters, turn, c.x, c.y));
        double along = (wide / 2 - h / 2) * (upper ? -1 : 1);
        parts.add(StrokeFont.placed(StrokeFont.arrow(h, stroke), upTurn, c.x + along * Math.cos(turn), c.y + along * Math.sin(turn)));
        return Footprints.polygons(StrokeFont.together(parts)).stream().map(p -> CapFeature.straight(p, -DEEP_MM)).toList();
    }

    /** The widest place first, then others spread over the face. */
    private static List<Coordinate> spots(Geometry room, Coordinate widest) {
        var out = new ArrayList<Coordinate>();
        out.add(widest);
        for (var p : Footprints.polygons(room)) out.add(p.getInteriorPoint().getCoordinate());
        // along thin walls: the middle line, found from the rim taken in
        for (double in : new double[] {1.2, 0.7}) {
            var line = room.buffer(-in).getCoordinates();
            int step = Math.max(1, line.length / TRIED);
            for (int i = 0; i < line.length; i += step) out.add(line[i]);
        }
        return out;
    }
}
