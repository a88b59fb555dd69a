package yellowbracket.cut.registration;

import java.util.ArrayList;
import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Vec3;

/** Outlines of hardware in a cut plane, mm. Circles are regular polygons about the true circle: a hole is nowhere narrower than stated. */
final class Footprints {
    static final GeometryFactory GEOMETRY = new GeometryFactory();
    /** Sides of a round; its faces lie within 0.5 % of the circle. */
    private static final int SIDES = 32;
    /** The flat of a pin lies this share of its diameter from the middle. */
    private static final double FLAT = 0.32;

    private Footprints() {}

    static Polygon round(double u, double v, double diameter) {
        return GEOMETRY.createPolygon(ring(u, v, diameter / 2 / Math.cos(Math.PI / SIDES), Double.POSITIVE_INFINITY));
    }

    /** A circle with a flat below. {@code grown}: by how much the outline lies outside that of the bare pin, mm. */
    static Polygon flatSided(double u, double v, double diameter, double grown) {
        return GEOMETRY.createPolygon(ring(u, v, (diameter / 2 + grown) / Math.cos(Math.PI / SIDES), FLAT * diameter + grown));
    }

    private static Coordinate[] ring(double u, double v, double radius, double flat) {
        var out = new ArrayList<Coordinate>();
        for (int i = 0; i < SIDES; i++) {
            double a = 2 * Math.PI * (i + 0.5) / SIDES, x = radius * Math.cos(a), y = radius * Math.sin(a);
            out.add(new Coordinate(u + x, v + y));
        }
        return close(flat >= radius ? out : cutOff(out, v - flat));
    }

    private static Coordinate[] close(List<Coordinate> open) {
        open.add(new Coordinate(open.getFirst()));
        return open.toArray(Coordinate[]::new);
    }

    /** What of a convex ring lies above a level. */
    private static List<Coordinate> cutOff(List<Coordinate> ring, double level) {
        var out = new ArrayList<Coordinate>();
        for (int i = 0; i < ring.size(); i++) {
            var a = ring.get(i);
            var b = ring.get((i + 1) % ring.size());
            if (a.y >= level) out.add(a);
            if (a.y >= level != b.y >= level) {
                double t = (level - a.y) / (b.y - a.y);
                out.add(new Coordinate(a.x + t * (b.x - a.x), level));
            }
        }
        return out;
    }

    static List<Polygon> polygons(Geometry g) {
        var out = new ArrayList<Polygon>();
        for (int i = 0; i < g.getNumGeometries(); i++) if (g.getGeometryN(i) instanceof Polygon p && !p.isEmpty()) out.add(p);
        return out;
    }

    /** A loose pin lying on its flat, its ends bevelled. */
    static Mesh pin(double diameter, double length) {
        double bevel = Math.min(0.6, diameter / 6);
        var outline = flatSided(0, 0, diameter, 0).getExteriorRing().getCoordinates();
        int n = outline.length - 1;
        double[][] levels = {{0, (diameter / 2 - bevel) / (diameter / 2)}, {bevel, 1}, {length - bevel, 1},
                {length, (diameter / 2 - bevel) / (diameter / 2)}};
        var b = new MeshBuilder(4 * n, 8 * n);
        for (var l : levels)
            for (int i = 0; i < n; i++) b.addVertex(new Vec3(outline[i].x * l[1], l[0], outline[i].y * l[1] + FLAT * diameter));
        boolean ccw = org.locationtech.jts.algorithm.Orientation.isCCW(outline);
        for (int k = 0; k + 1 < levels.length; k++) for (int i = 0; i < n; i++) {
            int j = (i + 1) % n, p = k * n + i, q = k * n + j;
            if (ccw) b.addQuad(p, p + n, q + n, q);
            else b.addQuad(p, q, q + n, p + n);
        }
        for (int i = 1; i + 1 < n; i++) {
            int top = 3 * n;
            if (ccw) {
                b.addTriangle(0, i, i + 1);
                b.addTriangle(top, top + i + 1, top + i);
            } else {
                b.addTriangle(0, i + 1, i);
                b.addTriangle(top, top + i, top + i + 1);
            }
        }
        return b.build();
    }
}
