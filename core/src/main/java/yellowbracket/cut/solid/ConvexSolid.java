package yellowbracket.cut.solid;

import java.util.ArrayList;
import java.util.List;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Vec3;

/**
 * A small closed block with flat faces and no dents, mm: the space behind all of {@code faces}, whose normals point outwards. {@code
 * corners} holds its
 * vertices; {@code loops} the corner numbers of each face, counter-clockwise from outside. Made from its planes by clipping each with all
 * others.
 */
public record ConvexSolid(List<CutPlane> faces, List<Vec3> corners, List<List<Integer>> loops) {
    /** Corners nearer to each other than this, mm, are one. */
    private static final double SAME = 1e-7;

    public ConvexSolid {
        faces = List.copyOf(faces);
        corners = List.copyOf(corners);
        loops = loops.stream().map(List::copyOf).toList();
    }

    /** @throws IllegalArgumentException if the planes enclose no bounded space */
    public static ConvexSolid behind(List<CutPlane> planes) {
        var corners = new ArrayList<Vec3>();
        var faces = new ArrayList<CutPlane>();
        var loops = new ArrayList<List<Integer>>();
        double far = 1e5;
        for (var p : planes) {
            var polygon = square(p, far);
            for (var q : planes) if (q != p) polygon = clipped(polygon, q);
            if (polygon.stream().anyMatch(c -> c.norm() > far / 2))
                throw new IllegalArgumentException("the planes enclose no bounded space");
            var loop = new ArrayList<Integer>();
            for (var c : polygon) {
                int at = number(corners, c);
                if (loop.isEmpty() || loop.getLast() != at && loop.getFirst() != at) loop.add(at);
            }
            if (loop.size() < 3) continue; // cut away by the others
            faces.add(p);
            loops.add(loop);
        }
        if (faces.size() < 4) throw new IllegalArgumentException("the planes enclose no bounded space");
        return new ConvexSolid(faces, corners, loops);
    }

    /**
     * A lump with eight sides about an axis, its ends slanting 45 degrees towards {@code inward}, so that it grows out of a wall and prints
     * without support
     * either way up.
     * @param centre middle of the lump
     * @param axis unit, along which {@code half} mm lie to either side at the centre
     * @param inward unit, at right angles to the axis: away from the wall
     */
    public static ConvexSolid boss(Vec3 centre, Vec3 axis, Vec3 inward, double radius, double half) {
        var planes = new ArrayList<CutPlane>();
        var side = axis.cross(inward);
        for (int i = 0; i < 8; i++) {
            double a = Math.PI * (i + 0.5) / 4;
            planes.add(facing(inward.times(Math.cos(a)).plus(side.times(Math.sin(a))), centre, radius));
        }
        double c = Math.sqrt(0.5);
        planes.add(facing(axis.times(c).plus(inward.times(c)), centre, half * c));
        planes.add(facing(axis.times(-c).plus(inward.times(c)), centre, half * c));
        return behind(planes);
    }

    /** A round bar with sixteen sides, {@code radius} to the middles of its sides, {@code half} mm along its axis to either end. */
    public static ConvexSolid prism(Vec3 centre, Vec3 axis, double radius, double half) {
        var planes = new ArrayList<CutPlane>();
        var frame = new CutPlane(axis, 0).frame();
        for (int i = 0; i < 16; i++) {
            double a = Math.PI * (i + 0.37) / 8;
            planes.add(facing(frame.first().times(Math.cos(a)).plus(frame.second().times(Math.sin(a))), centre, radius));
        }
        planes.add(facing(axis, centre, half));
        planes.add(facing(axis.times(-1), centre, half));
        return behind(planes);
    }

    /** A box about {@code centre} with the given unit axes at right angles and half lengths. */
    public static ConvexSolid box(Vec3 centre, Vec3 first, Vec3 second, double halfFirst, double halfSecond, double halfThird) {
        var third = first.cross(second);
        var planes = new ArrayList<CutPlane>();
        for (int s = -1; s <= 1; s += 2) {
            planes.add(facing(first.times(s), centre, halfFirst));
            planes.add(facing(second.times(s), centre, halfSecond));
            planes.add(facing(third.times(s), centre, halfThird));
        }
        return behind(planes);
    }

    private static CutPlane facing(Vec3 normal, Vec3 centre, double distance) {
        return new CutPlane(normal, normal.dot(centre) + distance);
    }

    private static List<Vec3> square(CutPlane p, double half) {
        var f = p.frame();
        var o = p.normal().times(p.offsetMm());
        return List.of(o.minus(f.first().times(half)).minus(f.second().times(half)),
                o.plus(f.first().times(half)).minus(f.second().times(half)), o.plus(f.first().times(half)).plus(f.second().times(half)),
                o.minus(f.first().times(half)).plus(f.second().times(half)));
    }

    /** What of a polygon lies behind a plane. */
    private static List<Vec3> clipped(List<Vec3> polygon, CutPlane by) {
        var out = new ArrayList<Vec3>();
        for (int i = 0; i < polygon.size(); i++) {
            var a = polygon.get(i);
            var b = polygon.get((i + 1) % polygon.size());
            double ha = by.height(a), hb = by.height(b);
            if (ha <= SAME) out.add(a);
            if (ha < -SAME && hb > SAME || ha > SAME && hb < -SAME) out.add(a.plus(b.minus(a).times(ha / (ha - hb))));
        }
        return out;
    }

    private static int number(List<Vec3> corners, Vec3 c) {
        for (int i = 0; i < corners.size(); i++) if (corners.get(i).distance(c) < 10 * SAME) return i;
        corners.add(c);
        return corners.size() - 1;
    }

    ConvexSolid moved(Vec3 by) {
        return new ConvexSolid(faces.stream().map(f -> f.moved(f.normal().dot(by))).toList(),
                corners.stream().map(c -> c.plus(by)).toList(), loops);
    }

    /** As a closed mesh. */
    public Mesh mesh() {
        var b = new MeshBuilder(corners.size(), 4 * faces.size());
        corners.forEach(b::addVertex);
        for (var l : loops) for (int i = 1; i + 1 < l.size(); i++) b.addTriangle(l.getFirst(), l.get(i), l.get(i + 1));
        return b.build();
    }
}
