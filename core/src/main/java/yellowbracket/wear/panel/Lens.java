package yellowbracket.wear.panel;

import java.util.Locale;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;

/** Bodies to print for an opening: what is pressed in, and what a lens is formed over. Closed meshes, prop mm. */
public final class Lens {
    private static final double SPACING_MM = 3, FACET_MM = 0.02;

    private Lens() {}

    /**
     * A plug as thick as asked, smaller than the opening by the clearance all round, on the wall's own surface; it is pressed in from
     * outside.
     * Its sides stand at right angles to the surface.
     *
     * @throws IllegalStateException in words, when nothing is left of the opening
     */
    public static Mesh pressed(Opening o, double clearanceMm, double thickMm) {
        var flat = outline(o, -clearanceMm);
        var patch = FlatPatch.of(flat, spacing(o));
        var b = new MeshBuilder(2 * patch.corners().size(), 4 * patch.corners().size());
        var s = o.surface();
        int in = patch.add(b, s::at), out = patch.add(b, (u, v) -> s.at(u, v).plus(s.normal(u, v).times(thickMm)));
        // u to the right and v up, seen from inside: counter-clockwise looks inwards
        patch.fill(b, in, false);
        patch.fill(b, out, true);
        sides(b, in, out, patch.border());
        return outwards(b.build());
    }

    private static Polygon outline(Opening o, double growMm) {
        var flat = growMm == 0 ? o.outline() : Panel.grown(o.outline(), growMm);
        if (flat.isEmpty()) throw new IllegalStateException(
                String.format(Locale.ROOT, "the %s opening leaves nothing at a clearance of %.2f mm", o.name(), -growMm));
        return flat;
    }

    /** So fine that a chord across a bend leaves it by no more than {@link #FACET_MM}. */
    private static double spacing(Opening o) {
        double r = o.surface().radiusMm((o.outline().getEnvelopeInternal().getMinY() + o.outline().getEnvelopeInternal().getMaxY()) / 2);
        return Math.clamp(Double.isFinite(r) ? Math.sqrt(8 * r * FACET_MM) : SPACING_MM, 1, SPACING_MM);
    }

    private static void sides(MeshBuilder b, int from, int to, int n) {
        for (int i = 0; i < n; i++) b.addQuad(from + (i + 1) % n, from + i, to + i, to + (i + 1) % n);
    }

    private static Mesh outwards(Mesh m) {
        return m.volumeMm3() >= 0 ? m : Mesh.of(m.copyXyz(), turnedOver(m));
    }

    private static int[] turnedOver(Mesh m) {
        var t = m.copyTriangles();
        for (int i = 0; i < t.length; i += 3) {
            int k = t[i + 1];
            t[i + 1] = t[i + 2];
            t[i + 2] = k;
        }
        return t;
    }

    /**
     * A buck to draw warm sheet over, standing on its shelf with z up.
     *
     * @param mesh closed @param wideMm of the shelf, and {@code deepMm}: what must fit the former's bed @param highMm in all
     * @param thinned share of the sheet's thickness that is left, on average
     */
    public record Buck(Mesh mesh, double wideMm, double deepMm, double highMm, double thinned) {
        public boolean fits(double bedWideMm, double bedDeepMm) {
            return wideMm <= bedWideMm && deepMm <= bedDeepMm || wideMm <= bedDeepMm && deepMm <= bedWideMm;
        }
    }

    /**
     * The lens with a margin, its back towards the bed, its sides drawn outwards by the draft down to a shelf that the sheet is trimmed on.
     *
     * @param bulgeMm how far its middle stands out over the surface of the opening @param sheetMm taken off, so that the formed lens
     * comes to lie
     * on the wall
     */
    public static Buck buck(Opening o, double marginMm, double bulgeMm, double sheetMm, double draftDeg, double shelfMm) {
        var flat = outline(o, marginMm);
        var patch = FlatPatch.of(flat, spacing(o));
        var s = o.surface();
        var box = flat.getEnvelopeInternal();
        double cu = (box.getMinX() + box.getMaxX()) / 2, cv = (box.getMinY() + box.getMaxY()) / 2;
        var up = Turn.lift(pull(patch, s));
        FlatPatch.Placed face = (u, v) -> up.apply(s.at(u, v).plus(s.normal(u, v).times(bulge(flat, u, v, cu, cv, bulgeMm) - sheetMm)));
        double low = Double.POSITIVE_INFINITY, high = Double.NEGATIVE_INFINITY;
        for (var c : patch.corners()) {
            double z = face.at(c.x, c.y).z();
            low = Math.min(low, z);
            high = Math.max(high, z);
        }
        double base = low - LEAST_SIDE_MM, foot = base - SHELF_MM;
        var b = new MeshBuilder(3 * patch.corners().size(), 6 * patch.corners().size());
        int top = patch.add(b, face), n = patch.border();
        patch.fill(b, top, true);
        var rim = new Coordinate[n + 1];
        for (int i = 0; i < n; i++) {
            var p = face.at(patch.corners().get(i).x, patch.corners().get(i).y);
            rim[i] = new Coordinate(p.x(), p.y(), p.z());
        }
        rim[n] = rim[0].copy();
        boolean left = org.locationtech.jts.algorithm.Orientation.isCCW(rim);
        int skirt = b.vertexCount();
        var loop = new Coordinate[n + 1];
        for (int i = 0; i < n; i++) {
            Coordinate a = rim[(i + n - 1) % n], c = rim[(i + 1) % n];
            double dx = c.x - a.x, dy = c.y - a.y, len = Math.max(1e-9, Math.hypot(dx, dy)), k = left ? 1 : -1;
            double out = (rim[i].z - base) * Math.tan(Math.toRadians(draftDeg));
            loop[i] = new Coordinate(rim[i].x + k * dy / len * out, rim[i].y - k * dx / len * out);
            b.addVertex(loop[i].x, loop[i].y, base);
        }
        loop[n] = loop[0].copy();
        for (int i = 0; i < n; i++) b.addQuad(top + i, top + (i + 1) % n, skirt + (i + 1) % n, skirt + i);
        var made = shelf(b, skirt, loop, shelfMm, base, foot);
        var mesh = outwards(b.build());
        var all = mesh.bounds().size();
        double formed = 0, taken = made.getArea();
        for (int f = 0; f < mesh.triangleCount(); f++)
            if (mesh.corner(f, 0).z() > foot + 1e-6 || mesh.corner(f, 1).z() > foot + 1e-6) formed += mesh.area(f);
        return new Buck(mesh, all.x(), all.y(), high - foot, Math.min(1, taken / Math.max(1e-9, formed)));
    }

    /** Side below the lowest edge of the lens, and the shelf, mm. */
    private static final double LEAST_SIDE_MM = 12, SHELF_MM = 5;

    /** The mean normal: no part of the surface then looks further away from the pull than it must. */
    private static Vec3 pull(FlatPatch patch, Developable s) {
        var sum = Vec3.ZERO;
        for (var c : patch.corners()) sum = sum.plus(s.normal(c.x, c.y));
        return sum.unit();
    }

    /** From nothing at the rim to all of it amid. */
    private static double bulge(Polygon p, double u, double v, double cu, double cv, double mm) {
        if (mm == 0) return 0;
        var box = p.getEnvelopeInternal();
        double a = 2 * (u - cu) / box.getWidth(), c = 2 * (v - cv) / box.getHeight();
        return mm * Math.max(0, 1 - a * a) * Math.max(0, 1 - c * c);
    }

    /** A plate round the foot of the sides, and its underside. @return its outline */
    private static Polygon shelf(MeshBuilder b, int skirt, Coordinate[] loop, double shelfMm, double base, double foot) {
        var flat = new GeometryFactory();
        var inner = flat.createPolygon(loop);
        if (!inner.isValid()) throw new IllegalStateException("the lens is bent too far to be drawn off a buck: form it in two halves");
        var outer = Panel.grown(inner, shelfMm);
        var plate = FlatPatch.of(outer, SPACING_MM * 3);
        var ring = plate.corners().subList(0, plate.border());
        int rim = b.vertexCount();
        ring.forEach(c -> b.addVertex(c.x, c.y, base));
        boolean ccw = org.locationtech.jts.algorithm.Orientation.isCCW(loop);
        var hole = new java.util.ArrayList<Integer>();
        int n = loop.length - 1;
        for (int i = 0; i < n; i++) hole.add(skirt + (ccw ? n - 1 - i : i));
        var around = new java.util.ArrayList<Integer>();
        for (int i = 0; i < ring.size(); i++) around.add(rim + i);
        annulus(b, around, hole, ring, loop, skirt, rim);
        int under = b.vertexCount();
        plate.corners().forEach(c -> b.addVertex(c.x, c.y, foot));
        plate.fill(b, under, true);
        for (int i = 0; i < ring.size(); i++) {
            int j = (i + 1) % ring.size();
            b.addQuad(under + i, under + j, rim + j, rim + i);
        }
        return outer;
    }

    private static void annulus(MeshBuilder b, java.util.List<Integer> around, java.util.List<Integer> hole,
            java.util.List<Coordinate> ring, Coordinate[] loop, int skirt, int rim) {
        var plane = new yellowbracket.cut.solid.CutPlane(Vec3.Z, 0);
        var loops = java.util.List.of(around.stream().mapToInt(i -> i).toArray(), hole.stream().mapToInt(i -> i).toArray());
        var t = yellowbracket.cut.solid.CapTriangulator.filled(loops, i -> {
            var c = i >= rim ? ring.get(i - rim) : loop[i - skirt];
            return new Vec3(c.x, c.y, 0);
        }, plane);
        for (int i = 0; i < t.size(); i += 3) b.addTriangle(t.get(i), t.get(i + 1), t.get(i + 2));
    }
}
