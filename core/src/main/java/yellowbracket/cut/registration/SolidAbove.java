package yellowbracket.cut.registration;

import java.util.ArrayList;
import java.util.Collection;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.prep.PreparedGeometry;
import org.locationtech.jts.geom.prep.PreparedGeometryFactory;
import yellowbracket.cut.MatingFace;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * Which part of a footprint on a cut face may be hollowed out straight to a depth. Within it the model has material at the face; where no
 * surface of it comes between the face and the floor, seen along the normal, it has material all the way. So everything that comes there is
 * laid flat and taken away, with the wall asked for round it. Exact but for the corners of the wall round it.
 */
record SolidAbove(MatingFace face, double depthMm, double wallMm) {
    /** Arcs about what is taken away, steps in a quarter. */
    private static final int ARC = 3;
    private static final double FAR_MM = 1e4;

    /** What of a footprint the model's surface leaves. @param index of the model, which {@code scale} brings to real mm */
    Geometry within(Geometry footprint, Bvh index, double scale) {
        if (footprint.isEmpty()) return footprint;
        var around = footprint.getEnvelopeInternal();
        around.expandBy(wallMm);
        var near = PreparedGeometryFactory.prepare(footprint.buffer(wallMm, ARC));
        var met = new ArrayList<Geometry>();
        index.inBox(box(around, 1 / scale),
                (a, b, c) -> laidFlat(new Vec3[] {a.times(scale), b.times(scale), c.times(scale)}, around, near, met));
        return without(footprint, met);
    }

    /** What of it stays on one side of another cut, the side it lies on, so many mm away from it down to the floor. */
    Geometry beside(Geometry footprint, CutPlane other, double mm) {
        if (footprint.isEmpty()) return footprint;
        var origin = face.at(0, 0);
        double h = other.height(origin), u = other.height(face.at(1, 0)) - h, v = other.height(face.at(0, 1)) - h;
        var inside = face.shape().getInteriorPoint().getCoordinate();
        double side = Math.signum(h + u * inside.x + v * inside.y), deeper = side * other.normal().dot(face.plane().normal()) * depthMm;
        double need = mm - Math.min(0, deeper), steep = Math.hypot(u, v);
        if (steep < 1e-9) return side * h >= need ? footprint : Footprints.GEOMETRY.createPolygon();
        double x = side * u / steep, y = side * v / steep, at = (need - side * h) / steep;
        Coordinate[] half = {new Coordinate(at * x - FAR_MM * y, at * y + FAR_MM * x),
                new Coordinate(at * x + FAR_MM * y, at * y - FAR_MM * x),
                new Coordinate((at + FAR_MM) * x + FAR_MM * y, (at + FAR_MM) * y - FAR_MM * x),
                new Coordinate((at + FAR_MM) * x - FAR_MM * y, (at + FAR_MM) * y + FAR_MM * x), null};
        half[4] = half[0];
        return footprint.intersection(Footprints.GEOMETRY.createPolygon(half));
    }

    /** What of it keeps its wall to round holes. */
    Geometry clearOf(Geometry footprint, Collection<WallRoom.Hole> holes) {
        var met = new ArrayList<Geometry>();
        for (var o : holes) {
            double a = face.plane().height(o.a()), b = face.plane().height(o.b()), reach = o.radius() + wallMm;
            if (Math.max(a, b) < -reach || Math.min(a, b) > depthMm + reach) continue;
            met.add(Footprints.GEOMETRY.createLineString(new Coordinate[] {face.flat(o.a()), face.flat(o.b())})
                    .buffer(o.radius(), 2 * ARC));
        }
        return without(footprint, met);
    }

    private Geometry without(Geometry footprint, ArrayList<Geometry> met) {
        if (met.isEmpty()) return footprint;
        return footprint.difference(Footprints.GEOMETRY.createGeometryCollection(met.toArray(Geometry[]::new)).buffer(wallMm, ARC));
    }

    /** About the slab over a rectangle of the face. */
    private Bounds3 box(Envelope e, double k) {
        var n = face.plane().normal().times(depthMm + wallMm);
        Bounds3 out = null;
        for (double x : new double[] {e.getMinX(), e.getMaxX()}) for (double y : new double[] {e.getMinY(), e.getMaxY()}) {
            var p = face.at(x, y);
            for (var q : new Vec3[] {p.times(k), p.plus(n).times(k)}) {
                var one = new Bounds3(q, q);
                out = out == null ? one : out.union(one);
            }
        }
        return out;
    }

    /** The part of a triangle in the slab from the face to a wall below the floor, seen along the normal. */
    private void laidFlat(Vec3[] corners, Envelope around, PreparedGeometry near, ArrayList<Geometry> met) {
        var ring = new ArrayList<Coordinate>();
        double top = depthMm + wallMm;
        for (int k = 0; k < 3; k++) {
            Vec3 a = corners[k], b = corners[(k + 1) % 3];
            double ha = face.plane().height(a), hb = face.plane().height(b);
            // the part of this edge between the two planes; where the edge leaves the slab, the next one that comes back closes the ring
            double from = 0, to = 1;
            for (double level : new double[] {0, top}) {
                double da = level == 0 ? ha : top - ha, db = level == 0 ? hb : top - hb;
                if (da < 0 && db < 0) {
                    from = 1;
                    to = 0;
                } else if (da < 0) from = Math.max(from, da / (da - db));
                else if (db < 0) to = Math.min(to, da / (da - db));
            }
            if (from > to) continue;
            ring.add(face.flat(a.plus(b.minus(a).times(from))));
            ring.add(face.flat(a.plus(b.minus(a).times(to))));
        }
        if (ring.isEmpty()) return;
        var seen = Footprints.GEOMETRY.createMultiPointFromCoords(ring.toArray(Coordinate[]::new)).convexHull(); // as it is: of a triangle
        if (around.intersects(seen.getEnvelopeInternal()) && near.intersects(seen)) met.add(seen);
    }
}
