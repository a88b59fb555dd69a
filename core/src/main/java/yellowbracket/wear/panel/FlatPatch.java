package yellowbracket.wear.panel;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.densify.Densifier;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.CoordinateArrays;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.triangulate.DelaunayTriangulationBuilder;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Vec3;

/**
 * An outline filled with triangles fine enough to be bent: corners in u and v, triangles counter-clockwise, the border in turn with the
 * patch
 * to its left.
 *
 * @param corners the border first, in order
 */
record FlatPatch(List<Coordinate> corners, List<int[]> triangles, int border) {
    /** Inner corners keep this share of the spacing off the border, so that every edge of it is one of the triangles. */
    private static final double OFF = 0.8, BORDER = 0.55;

    /** Where a corner comes to lie. */
    interface Placed {
        Vec3 at(double u, double v);
    }

    /** @throws IllegalStateException if the outline is too thin to be filled at that spacing */
    static FlatPatch of(Polygon p, double spacing) {
        var fine = (Polygon) Densifier.densify(p, BORDER * spacing);
        var ring = fine.getExteriorRing().getCoordinates();
        if (!org.locationtech.jts.algorithm.Orientation.isCCW(ring)) CoordinateArrays.reverse(ring);
        var corners = new ArrayList<Coordinate>();
        for (int i = 0; i + 1 < ring.length; i++) corners.add(new Coordinate(ring[i].x, ring[i].y));
        int border = corners.size();
        var in = p.buffer(-OFF * spacing);
        var box = p.getEnvelopeInternal();
        if (!in.isEmpty()) {
            var where = new IndexedPointInAreaLocator(in);
            int row = 0;
            for (double v = box.getMinY(); v <= box.getMaxY(); v += 0.866 * spacing, row++)
                for (double u = box.getMinX() + row % 2 * spacing / 2; u <= box.getMaxX(); u += spacing) {
                    var c = new Coordinate(u, v);
                    if (where.locate(c) == Location.INTERIOR) corners.add(c);
                }
        }
        return new FlatPatch(corners, filled(corners, fine, spacing), border).checked();
    }

    private static List<int[]> filled(List<Coordinate> corners, Polygon p, double spacing) {
        var number = new HashMap<Coordinate, Integer>();
        for (int i = 0; i < corners.size(); i++) number.put(corners.get(i), i);
        var builder = new DelaunayTriangulationBuilder();
        // a ring outside, so that no side of the outline is a side of the whole, where rounding leaves slivers
        var sites = new ArrayList<>(corners);
        sites.addAll(java.util.Arrays.asList(Densifier.densify(p.buffer(1.5 * spacing), spacing).getCoordinates()));
        builder.setSites(sites);
        var all = builder.getTriangles(new GeometryFactory());
        var where = new IndexedPointInAreaLocator(p);
        var out = new ArrayList<int[]>();
        for (int i = 0; i < all.getNumGeometries(); i++) {
            var c = all.getGeometryN(i).getCoordinates();
            var mid = new Coordinate((c[0].x + c[1].x + c[2].x) / 3, (c[0].y + c[1].y + c[2].y) / 3);
            if (where.locate(mid) == Location.EXTERIOR) continue;
            Integer a = number.get(c[0]), b = number.get(c[1]), d = number.get(c[2]);
            if (a == null || b == null || d == null) continue;
            boolean left = org.locationtech.jts.algorithm.Orientation.index(c[0], c[1], c[2]) > 0;
            out.add(left ? new int[] {a, b, d} : new int[] {a, d, b});
        }
        return out;
    }

    /** Its border must be the outline. */
    private FlatPatch checked() {
        var open = new java.util.HashSet<Long>();
        for (var t : triangles) for (int k = 0; k < 3; k++) {
            long a = t[k], b = t[(k + 1) % 3];
            if (!open.remove(b << 32 | a)) open.add(a << 32 | b);
        }
        boolean whole = open.size() == border;
        for (long i = 0; whole && i < border; i++) whole = open.contains(i << 32 | (i + 1) % border);
        if (!whole) throw new IllegalStateException("the outline has a place too thin to be filled: smooth it, or make the lens smaller");
        return this;
    }

    /** Adds the corners, placed. @return the number of the first */
    int add(MeshBuilder b, Placed placed) {
        int first = b.vertexCount();
        corners.forEach(c -> b.addVertex(placed.at(c.x, c.y)));
        return first;
    }

    /** @param over whether turned over */
    void fill(MeshBuilder b, int first, boolean over) {
        for (var t : triangles) b.addTriangle(first + t[0], first + (over ? t[2] : t[1]), first + (over ? t[1] : t[2]));
    }
}
