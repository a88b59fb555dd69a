package yellowbracket.cut.registration;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.operation.buffer.BufferOp;
import org.locationtech.jts.operation.buffer.BufferParameters;
import org.locationtech.jts.simplify.TopologyPreservingSimplifier;
import yellowbracket.cut.Seam;

/**
 * A tongue along a thin wall: the mating area taken in from its edges by the cheeks of the groove, left out where the groove would come
 * through a leaning
 * wall. {@code grooves} go into the section above, {@code tongues} stand on the one below.
 */
record TongueCut(List<Polygon> grooves, List<Polygon> tongues, double heightMm, double depthMm) {
    /** Material beside a groove, mm: two lines of a usual nozzle. */
    static final double CHEEK_MM = 0.9;
    /** Thinner tongues break off, mm. */
    static final double THINNEST_MM = 0.8;
    /** No wider, mm. */
    private static final double WIDEST_MM = 4;
    /** Heights tried, mm, the highest that finds room first. */
    private static final double[] HEIGHTS = {4, 3, 2};
    /** Less of the seam than this is not worth a tongue. */
    private static final double LEAST_SHARE = 0.35;
    /** How finely the room along a seam is asked, mm. */
    private static final double ASKED_EVERY_MM = 3;

    static Optional<TongueCut> of(Seam seam, WallRoom room, double clearance) {
        double gap = clearance / 2;
        var groove = alongTheRim(seam.face().shape());
        if (groove.isEmpty()) return Optional.empty();
        double whole = groove.getLength();
        for (double h : HEIGHTS) {
            var trimmed = trimmed(groove, seam, room, h + 0.3);
            var grooves = new ArrayList<Polygon>();
            var tongues = new ArrayList<Polygon>();
            for (var g : Footprints.polygons(trimmed)) {
                var t = Footprints.polygons(thickPartOf(inset(g, gap))).stream().filter(q -> q.getArea() > 6).toList();
                if (t.isEmpty()) continue;
                grooves.add(g);
                tongues.addAll(t);
            }
            if (!tongues.isEmpty() && tongues.stream().mapToDouble(Geometry::getLength).sum() >= LEAST_SHARE * whole)
                return Optional.of(new TongueCut(grooves, tongues, h, h + 0.3));
        }
        return Optional.empty();
    }

    double lengthMm() {
        return tongues.stream().mapToDouble(t -> t.getLength() / 2).sum();
    }

    private static Geometry inset(Geometry g, double by) {
        var flat = new BufferParameters(4, BufferParameters.CAP_ROUND, BufferParameters.JOIN_MITRE, 2);
        return TopologyPreservingSimplifier.simplify(BufferOp.bufferOp(g, -by, flat), 0.01);
    }

    /** On a wide face the tongue follows the rim instead of filling it. */
    private static Geometry alongTheRim(Geometry face) {
        var core = inset(face, CHEEK_MM + WIDEST_MM);
        return core.isEmpty() ? inset(face, CHEEK_MM) : inset(face, CHEEK_MM).difference(core);
    }

    /** Without what is too thin to stand. */
    private static Geometry thickPartOf(Geometry g) {
        var core = inset(g, THINNEST_MM / 2);
        return core.isEmpty() ? core : core.buffer(THINNEST_MM / 2 - 0.01, 4).intersection(g);
    }

    /** Takes discs away about the places where the groove would leave less than half a cheek. */
    private static Geometry trimmed(Geometry groove, Seam seam, WallRoom room, double depth) {
        var n = seam.face().plane().normal();
        var bad = new ArrayList<Coordinate>();
        for (var p : Footprints.polygons(groove)) {
            for (int r = -1; r < p.getNumInteriorRing(); r++) {
                var ring = (r < 0 ? p.getExteriorRing() : p.getInteriorRingN(r)).getCoordinates();
                double run = ASKED_EVERY_MM;
                for (int i = 1; i < ring.length; i++) {
                    run += ring[i].distance(ring[i - 1]);
                    if (run < ASKED_EVERY_MM) continue;
                    run = 0;
                    if (!deepEnough(ring[i], seam, room, n, depth)) bad.add(ring[i]);
                }
            }
        }
        if (bad.isEmpty()) return groove;
        return groove
                .difference(Footprints.GEOMETRY.createMultiPointFromCoords(bad.toArray(Coordinate[]::new)).buffer(0.8 * ASKED_EVERY_MM, 4));
    }

    private static boolean deepEnough(Coordinate c, Seam seam, WallRoom room, yellowbracket.mesh.Vec3 n, double depth) {
        var p = seam.face().at(c.x, c.y);
        for (int i = 1; i <= 3; i++)
            if (room.around(seam.above(), p.plus(n.times(depth * i / 3)), seam.plane()) < CHEEK_MM / 2) return false;
        return true;
    }
}
