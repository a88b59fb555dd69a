package yellowbracket.cut;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.operation.overlayng.OverlayNG;
import org.locationtech.jts.operation.overlayng.OverlayNGRobust;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.cut.solid.Rim;
import yellowbracket.cut.solid.RimChains;
import yellowbracket.mesh.DirectedEdge;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.ShowSide;

/** Finds which caps of which sections lie against each other, how much, and how long and how visible the line between them is. */
final class SeamFinder {
    private static final GeometryFactory GEOMETRY = new GeometryFactory();
    /** Mating areas below this, mm2, are contact along a line, not a seam. */
    private static final double LEAST_AREA_MM2 = 0.5;
    /**
     * Visibility is asked of so many edges of a seam at most, evenly picked; doubling it moves the show length of the demo helm by under 2
     * %.
     */
    private static final int ASKED = 600;

    private SeamFinder() {}

    /** One section's share of one plane: its cap as polygons in the plane, and the cap's edges against the model's surface. */
    private record Cap(Section section, boolean upper, Geometry area, List<Edge> line) {}

    /** An edge of the seam line and the outward normal of the surface beside it. */
    private record Edge(Vec3 from, Vec3 to, Vec3 normal) {
        Vec3 middle() {
            return from.plus(to).times(0.5);
        }

        double length() {
            return from.distance(to);
        }
    }

    static List<Seam> find(List<Section> sections, CutTree tree, Bvh model) {
        return find(sections, tree, model, Map.of());
    }

    /** @param seen show lengths already known, by seam name */
    static List<Seam> find(List<Section> sections, CutTree tree, Bvh model, Map<String, Double> seen) {
        var planes = tree.planes();
        return IntStream.range(0, planes.size())
                .parallel()
                .mapToObj(k -> on(k, planes.get(k), sections, model, seen))
                .flatMap(List::stream)
                .toList();
    }

    private static List<Seam> on(int k, CutPlane plane, List<Section> sections, Bvh model, Map<String, Double> seen) {
        var caps = new ArrayList<Cap>();
        for (var s : sections) caps(s, k, plane, caps);
        var seams = new ArrayList<Seam>();
        for (int i = 0; i < caps.size(); i++) for (int j = i + 1; j < caps.size(); j++)
            if (caps.get(i).upper != caps.get(j).upper) seam(caps.get(i), caps.get(j), k, plane, model, seen, seams);
        return seams;
    }

    private static void caps(Section s, int plane, CutPlane at, List<Cap> out) {
        var mesh = s.mesh();
        var rim = Rim.of(mesh, plane);
        var beside = new HashMap<Long, Integer>();
        double up = 0;
        boolean any = false;
        for (int f = 0; f < mesh.triangleCount(); f++) {
            if (mesh.tag(f) != plane) continue;
            any = true;
            up += mesh.areaVector(f).dot(at.normal());
        }
        if (!any) return;
        var onRim = new BitSet(mesh.vertexCount());
        for (long edge : rim.edges()) onRim.set(DirectedEdge.from(edge));
        for (int f = 0; f < mesh.triangleCount(); f++) {
            if (mesh.tag(f) != Mesh.ORIGINAL) continue;
            for (int k = 0; k < 3; k++) {
                int from = mesh.vertex(f, k), to = mesh.vertex(f, (k + 1) % 3);
                if (onRim.get(from) && onRim.get(to) && rim.has(DirectedEdge.of(to, from))) beside.put(DirectedEdge.of(to, from), f);
            }
        }
        boolean upper = up < 0; // the cap of the upper side looks down
        var chains = RimChains.of(rim, mesh::point, upper ? new CutPlane(at.normal().times(-1), -at.offsetMm()) : at);
        var line = new ArrayList<Edge>();
        beside.forEach((edge, f) -> line
                .add(new Edge(mesh.point(DirectedEdge.from(edge)), mesh.point(DirectedEdge.to(edge)), unitNormal(mesh, f))));
        line.sort(java.util.Comparator.comparingDouble((Edge e) -> e.from.x())
                .thenComparingDouble(e -> e.from.y())
                .thenComparingDouble(e -> e.from.z()));
        out.add(new Cap(s, upper, area(chains, mesh, at), line));
    }

    private static Vec3 unitNormal(Mesh m, int f) {
        var n = m.areaVector(f);
        return n.norm() > 0 ? n.unit() : Vec3.Z;
    }

    /** The even-odd area of the loops. */
    private static Geometry area(RimChains chains, Mesh mesh, CutPlane at) {
        var frame = at.frame();
        Geometry sum = GEOMETRY.createPolygon();
        for (var loop : chains.loops()) {
            var ring = new Coordinate[loop.length + 1];
            for (int i = 0; i <= loop.length; i++) {
                var p = mesh.point(loop[i % loop.length]);
                ring[i] = new Coordinate(frame.u(p), frame.v(p));
            }
            Geometry polygon = GEOMETRY.createPolygon(ring);
            if (!polygon.isValid()) polygon = polygon.buffer(0);
            sum = sum.isEmpty() ? polygon : OverlayNGRobust.overlay(sum, polygon, OverlayNG.SYMDIFFERENCE);
        }
        return sum;
    }

    private static void seam(Cap a, Cap b, int plane, CutPlane at, Bvh model, Map<String, Double> known, List<Seam> out) {
        if (!a.area.getEnvelopeInternal().intersects(b.area.getEnvelopeInternal())) return;
        var shared = OverlayNGRobust.overlay(a.area, b.area, OverlayNG.INTERSECTION);
        if (shared.getArea() < LEAST_AREA_MM2) return;
        var locator = new IndexedPointInAreaLocator(shared.buffer(0.02));
        var frame = at.frame();
        var edges = a.line.stream()
                .filter(e -> locator.locate(new Coordinate(frame.u(e.middle()), frame.v(e.middle()))) != Location.EXTERIOR)
                .toList();
        boolean inOrder = a.section.name().length() < b.section.name().length()
                || a.section.name().length() == b.section.name().length() && a.section.name().compareTo(b.section.name()) < 0;
        String first = inOrder ? a.section.name() : b.section.name(), second = inOrder ? b.section.name() : a.section.name();
        var shown = known.get(first + "|" + second);
        double length = 0, asked = 0, seen = 0;
        var line = new ArrayList<Vec3>();
        int step = Math.max(1, edges.size() / ASKED);
        for (int i = 0; i < edges.size(); i++) {
            var e = edges.get(i);
            length += e.length();
            line.add(e.from);
            line.add(e.to);
            if (i % step != 0 || shown != null) continue;
            asked += e.length();
            if (ShowSide.seen(model, e.middle(), e.normal)) seen += e.length();
        }
        double show = shown != null ? shown : asked > 0 ? length * seen / asked : 0;
        var c = shared.getCentroid().getCoordinate();
        var centre = frame.first().times(c.x).plus(frame.second().times(c.y)).plus(at.normal().times(at.offsetMm()));
        var bending = Moments.of(shared);
        out.add(new Seam(first, second, plane, shared.getArea(), length, show, centre, at.normal(), bending.least(), bending.halfDepth(),
                line, new MatingFace(at, shared), inOrder == a.upper));
    }

    /** Second moments of a plane area about its centre, by Green's theorem over its rings. */
    private record Moments(double least, double halfDepth) {
        static Moments of(Geometry g) {
            var c = g.getCentroid().getCoordinate();
            double ix = 0, iy = 0, ixy = 0;
            for (int i = 0; i < g.getNumGeometries(); i++) {
                if (!(g.getGeometryN(i) instanceof Polygon p)) continue;
                for (int r = -1; r < p.getNumInteriorRing(); r++) {
                    var ring = (r < 0 ? p.getExteriorRing() : p.getInteriorRingN(r)).getCoordinates();
                    double turn = org.locationtech.jts.algorithm.Area.ofRingSigned(ring) < 0 ? 1 : -1; // JTS: negative is counter-clockwise
                    double sign = r < 0 ? turn : -turn;
                    for (int k = 0; k + 1 < ring.length; k++) {
                        double x0 = ring[k].x - c.x, y0 = ring[k].y - c.y, x1 = ring[k + 1].x - c.x, y1 = ring[k + 1].y - c.y;
                        double w = sign * (x0 * y1 - x1 * y0);
                        ix += w * (y0 * y0 + y0 * y1 + y1 * y1) / 12;
                        iy += w * (x0 * x0 + x0 * x1 + x1 * x1) / 12;
                        ixy += w * (x0 * y1 + 2 * x0 * y0 + 2 * x1 * y1 + x1 * y0) / 24;
                    }
                }
            }
            double mean = (ix + iy) / 2, spread = Math.hypot((ix - iy) / 2, ixy);
            double axis = 0.5 * Math.atan2(-2 * ixy, ix - iy) + Math.PI / 2; // the axis of the least moment
            double nx = -Math.sin(axis), ny = Math.cos(axis), deep = 0;
            for (var p : g.getCoordinates()) deep = Math.max(deep, Math.abs((p.x - c.x) * nx + (p.y - c.y) * ny));
            return new Moments(Math.max(0, mean - spread), deep);
        }
    }
}
