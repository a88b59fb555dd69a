package yellowbracket.cut.registration;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntToDoubleFunction;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.PrecisionModel;
import org.locationtech.jts.operation.buffer.BufferOp;
import org.locationtech.jts.operation.buffer.BufferParameters;
import org.locationtech.jts.precision.GeometryPrecisionReducer;
import org.locationtech.jts.simplify.TopologyPreservingSimplifier;
import yellowbracket.cut.RegistrationKind;
import yellowbracket.cut.Seam;

/**
 * A tongue along a thin wall: the mating area taken in from its edges by the cheeks of the groove, left out where the groove would come
 * through a leaning wall or near to what another face of the same section holds. {@code grooves} go into the section above, {@code tongues}
 * stand on the one below; {@code wholeMm}: the length of line there would be on the whole seam.
 */
record TongueCut(List<Polygon> grooves, List<Polygon> tongues, double heightMm, double depthMm, double wholeMm) {
    /** Material beside a groove, mm: two lines of a usual nozzle. */
    static final double CHEEK_MM = 0.9;
    /** Thinner tongues break off, mm. */
    static final double THINNEST_MM = 0.8;
    /** No wider, mm. */
    private static final double WIDEST_MM = 4;
    /** Heights tried, mm, the highest that finds room first. */
    private static final double[] HEIGHTS = {RegistrationKind.HIGHEST_TONGUE_MM, 3, 2};
    /** Less of the seam than this is not worth a tongue. */
    private static final double LEAST_SHARE = 0.35;
    /** Smaller pieces of a tongue are left out, mm2. */
    private static final double LEAST_MM2 = 6;
    /** By how little an outline is smoothed, mm, and the lattice its corners lie on, a mm over that many. */
    private static final double SMOOTH_MM = 0.005;
    private static final PrecisionModel LATTICE = new PrecisionModel(10_000);
    /** Room below a tongue for glue, mm. */
    private static final double FLOOR_MM = 0.3;

    /** The deepest there is, mm. */
    static double deepestMm() {
        return HEIGHTS[0] + FLOOR_MM;
    }

    /**
     * @param beside what the section above keeps from its other cut faces, mm, by plane: as deep as their grooves may be, and a cheek
     */
    static Optional<TongueCut> of(Seam seam, WallRoom room, double clearance, IntToDoubleFunction beside) {
        var whole = alongTheRim(seam.face().shape());
        if (whole.isEmpty()) return Optional.empty();
        for (double h : HEIGHTS) {
            var solid = new SolidAbove(seam.face(), h + FLOOR_MM, CHEEK_MM / 2);
            var groove = room.within(solid, whole);
            for (int k : room.otherFaces(seam.above(), seam.plane())) groove = solid.beside(groove, room.plane(k), beside.applyAsDouble(k));
            var cut = of(groove, whole.getLength(), clearance, h);
            if (cut.isPresent()) return cut;
        }
        return Optional.empty();
    }

    private static Optional<TongueCut> of(Geometry groove, double wholeMm, double clearance, double height) {
        var grooves = new ArrayList<Polygon>();
        var tongues = new ArrayList<Polygon>();
        for (var g : Footprints.polygons(tidy(groove))) {
            var t = Footprints.polygons(tidy(thickPartOf(inset(g, clearance / 2)))).stream().filter(q -> q.getArea() > LEAST_MM2).toList();
            if (t.isEmpty()) continue;
            grooves.add(g);
            tongues.addAll(t);
        }
        return tongues.isEmpty() || tongues.stream().mapToDouble(Geometry::getLength).sum() < LEAST_SHARE * wholeMm ? Optional.empty()
                : Optional.of(new TongueCut(grooves, tongues, height, height + FLOOR_MM, wholeMm));
    }

    /** What of it keeps off the holes placed meanwhile in the section above, if enough is left. */
    Optional<TongueCut> clearOf(Seam seam, WallRoom room, double clearance) {
        var holes = room.holes(seam.above());
        if (holes.isEmpty()) return Optional.of(this);
        Geometry all = Footprints.GEOMETRY.createMultiPolygon(grooves.toArray(Polygon[]::new));
        return of(new SolidAbove(seam.face(), depthMm, CHEEK_MM).clearOf(all, holes), wholeMm, clearance, heightMm);
    }

    double lengthMm() {
        return tongues.stream().mapToDouble(t -> t.getLength() / 2).sum();
    }

    /** On a lattice: corners a hair apart make facets that cannot be told from nothing. */
    private static Geometry tidy(Geometry g) {
        return g.isEmpty() ? g : GeometryPrecisionReducer.reduce(TopologyPreservingSimplifier.simplify(g, SMOOTH_MM), LATTICE);
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
}
