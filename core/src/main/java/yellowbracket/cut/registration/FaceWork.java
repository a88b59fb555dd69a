package yellowbracket.cut.registration;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.locationtech.jts.algorithm.Orientation;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Polygon;
import yellowbracket.cut.MatingFace;
import yellowbracket.cut.solid.CapTriangulator;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.cut.solid.Rim;
import yellowbracket.cut.solid.RimChains;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Vec3;

/**
 * Works features into the flat faces of one section. A face with features is triangulated anew between its own rim, which keeps its
 * vertices, and the mouths
 * of the features; walls and floors follow. Nothing is intersected, so the section stays closed whatever the features, as long as they lie
 * within the
 * face and apart from each other, which {@link Registrar} sees to.
 */
final class FaceWork {
    /** The tag of walls and floors of sockets, tongues, bores and letters. */
    static final int HARDWARE = -2;

    /** A bore from one flat face to another, at right angles to the first. */
    record Bore(int from, int to, Polygon footprint) {}

    /** A closed hollow under a face. {@code nearMm} and {@code farMm}: from where to where below it. */
    record Hollow(int under, Polygon footprint, double nearMm, double farMm) {
        double volumeMm3() {
            return footprint.getArea() * (farMm - nearMm);
        }
    }

    /** All that is done to one section, by plane number. */
    record Job(Map<Integer, List<CapFeature>> features, List<Bore> bores, List<Hollow> hollows) {
        boolean isEmpty() {
            return features.isEmpty() && bores.isEmpty() && hollows.isEmpty();
        }
    }

    private final Mesh section;
    private final List<CutPlane> planes;
    private final Job job;
    private final List<Vec3> points = new ArrayList<>();
    private final List<int[]> triangles = new ArrayList<>();
    private final Map<Integer, List<int[]>> mouths = new TreeMap<>();

    private FaceWork(Mesh section, List<CutPlane> planes, Job job) {
        this.section = section;
        this.planes = planes;
        this.job = job;
    }

    /** @param planes of the tree, in the section's coordinates */
    static Mesh of(Mesh section, List<CutPlane> planes, Job job) {
        return job.isEmpty() ? section : new FaceWork(section, planes, job).run();
    }

    private Mesh run() {
        var faces = new HashMap<Integer, CutPlane>();
        job.features.keySet().forEach(k -> faces.put(k, facing(k)));
        job.bores.forEach(b -> {
            faces.put(b.from, facing(b.from));
            faces.put(b.to, facing(b.to));
        });
        faces.keySet().forEach(k -> mouths.put(k, new ArrayList<>()));
        job.features.forEach((k, list) -> list.forEach(f -> feature(f, k, faces.get(k))));
        job.bores.forEach(b -> bore(b, faces));
        job.hollows.forEach(this::hollow);
        var out = new MeshBuilder(section.vertexCount() + points.size(), section.triangleCount() + triangles.size());
        for (int v = 0; v < section.vertexCount(); v++) out.addVertex(section.x(v), section.y(v), section.z(v));
        points.forEach(out::addVertex);
        for (int f = 0; f < section.triangleCount(); f++) if (!faces.containsKey(section.tag(f)))
            out.addTriangle(section.vertex(f, 0), section.vertex(f, 1), section.vertex(f, 2), section.tag(f));
        faces.forEach((k, plane) -> face(k, plane, out));
        triangles.forEach(t -> out.addTriangle(t[0], t[1], t[2], HARDWARE));
        return out.build().compact();
    }

    /** The plane with its normal out of the section. */
    private CutPlane facing(int k) {
        double up = 0;
        var p = planes.get(k);
        for (int f = 0; f < section.triangleCount(); f++) if (section.tag(f) == k) up += section.areaVector(f).dot(p.normal());
        if (up == 0) throw new IllegalArgumentException("the section has no face on plane " + (k + 1));
        return up > 0 ? p : new CutPlane(p.normal().times(-1), -p.offsetMm());
    }

    private void face(int k, CutPlane plane, MeshBuilder out) {
        var loops = new ArrayList<>(RimChains.of(Rim.of(section, k), section::point, plane).loops());
        for (var ring : mouths.get(k)) {
            var back = new int[ring.length];
            for (int i = 0; i < ring.length; i++) back[i] = ring[ring.length - 1 - i];
            loops.add(back);
        }
        var tri = CapTriangulator.filled(loops, this::point, plane);
        for (int i = 0; i < tri.size(); i += 3) out.addTriangle(tri.get(i), tri.get(i + 1), tri.get(i + 2), k);
    }

    private Vec3 point(int v) {
        return v < section.vertexCount() ? section.point(v) : points.get(v - section.vertexCount());
    }

    private int add(Vec3 p) {
        points.add(p);
        return section.vertexCount() + points.size() - 1;
    }

    private void feature(CapFeature f, int plane, CutPlane out) {
        var centre = f.footprint().getCentroid().getCoordinate();
        List<int[]> before = null;
        for (var level : f.levels()) {
            var rings = new ArrayList<int[]>();
            for (var ring : rings(f.footprint(), planes.get(plane), out)) rings.add(level(ring, centre, level, plane, out));
            if (before == null) mouths.get(plane).addAll(rings);
            else for (int i = 0; i < rings.size(); i++) wall(before.get(i), rings.get(i));
            before = rings;
        }
        floor(before, out);
    }

    private int[] level(List<Coordinate> ring, Coordinate centre, CapFeature.Level level, int plane, CutPlane out) {
        return ring.stream()
                .mapToInt(c -> add(lifted(planes.get(plane), centre.x + (c.x - centre.x) * level.share(),
                        centre.y + (c.y - centre.y) * level.share(), out, level.height())))
                .toArray();
    }

    private static Vec3 lifted(CutPlane plane, double u, double v, CutPlane out, double height) {
        return new MatingFace(plane, null).at(u, v).plus(out.normal().times(height));
    }

    private void floor(List<int[]> rings, CutPlane facing) {
        var tri = CapTriangulator.filled(rings, this::point, facing);
        for (int i = 0; i < tri.size(); i += 3) triangles.add(new int[] {tri.get(i), tri.get(i + 1), tri.get(i + 2)});
    }

    private void wall(int[] from, int[] to) {
        for (int i = 0; i < from.length; i++) {
            int j = (i + 1) % from.length;
            triangles.add(new int[] {from[i], from[j], to[j]});
            triangles.add(new int[] {from[i], to[j], to[i]});
        }
    }

    private void bore(Bore b, Map<Integer, CutPlane> faces) {
        var plane = planes.get(b.from);
        var end = planes.get(b.to);
        var n = plane.normal();
        for (var ring : rings(b.footprint, plane, faces.get(b.from))) {
            var near = ring.stream().mapToInt(c -> add(lifted(plane, c.x, c.y, plane, 0))).toArray();
            var far = ring.stream().mapToInt(c -> {
                var p = lifted(plane, c.x, c.y, plane, 0);
                return add(p.plus(n.times(-end.height(p) / end.normal().dot(n))));
            }).toArray();
            mouths.get(b.from).add(near);
            var back = new int[far.length];
            for (int i = 0; i < far.length; i++) back[i] = far[far.length - 1 - i];
            mouths.get(b.to).add(back);
            wall(near, far);
        }
    }

    private void hollow(Hollow h) {
        var plane = planes.get(h.under);
        var out = facing(h.under);
        var near = new ArrayList<int[]>();
        var far = new ArrayList<int[]>();
        for (var ring : rings(h.footprint, plane, out)) {
            near.add(ring.stream().mapToInt(c -> add(lifted(plane, c.x, c.y, out, -h.nearMm))).toArray());
            far.add(ring.stream().mapToInt(c -> add(lifted(plane, c.x, c.y, out, -h.farMm))).toArray());
            wall(near.getLast(), far.getLast());
        }
        floor(far, out);
        // the roof looks down into the hollow
        floor(near.stream().map(r -> Arrays.stream(r).boxed().toList().reversed().stream().mapToInt(Integer::intValue).toArray()).toList(),
                new CutPlane(out.normal().times(-1), -out.offsetMm()));
    }

    /** Rings without the repeated end, material of the footprint on the left seen from where {@code out} points. */
    private static List<List<Coordinate>> rings(Polygon p, CutPlane plane, CutPlane out) {
        boolean turned = plane.normal().dot(out.normal()) < 0;
        var rings = new ArrayList<List<Coordinate>>();
        rings.add(ring(p.getExteriorRing(), !turned));
        for (int i = 0; i < p.getNumInteriorRing(); i++) rings.add(ring(p.getInteriorRingN(i), turned));
        return rings;
    }

    private static List<Coordinate> ring(LinearRing r, boolean counterClockwise) {
        var c = Arrays.asList(r.getCoordinates()).subList(0, r.getNumPoints() - 1);
        return Orientation.isCCW(r.getCoordinateSequence()) == counterClockwise ? c : c.reversed();
    }
}
