package yellowbracket.join;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;
import yellowbracket.cut.MatingFace;
import yellowbracket.cut.Seam;
import yellowbracket.cut.Section;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Tensor;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * Where two bodies meet that were never cut apart: pieces of surface that face each other closer than {@link #GAP_MM}. Real mm.
 * @param seam stands for it among the seams of cuts: plane -1, its face the outline seen along the mean normal
 * @param bond as if all of it bore
 */
public record Contact(Seam seam, Bond bond, List<Piece> pieces) {
    /** A piece of the patch. @param toRim from its middle to the border of the patch, mm */
    record Piece(Bond.Spot spot, double mm2, double toRim) {}

    public Contact {
        pieces = List.copyOf(pieces);
    }

    /**
     * What bears of it as printed: a surface that a wall runs along bears whole, so does what lies within the walls from the border; a skin
     * over a sparse inside bears with the share that infill fills. The weaker of the two counts.
     */
    Bond bonded(Weakest.Printed first, Weakest.Printed second) {
        var areas = pieces.stream().mapToDouble(p -> p.mm2 * Math.min(bears(p, first), bears(p, second))).toArray();
        return Bond.ofPieces(seam.name(), pieces.stream().map(Piece::spot).toList(), areas);
    }

    private static double bears(Piece p, Weakest.Printed how) {
        if (Math.abs(how.up().dot(p.spot.normal())) < SKIN) return 1;
        double wall = Math.clamp((how.walls() * how.lineMm() - p.toRim) / PIECE_MM + 0.5, 0, 1);
        return wall + (1 - wall) * how.infill();
    }

    /** Two bodies that run into each other, and how far, mm. */
    public record Clash(String first, String second, double deepMm) {}

    /** Where bodies touch, and which cannot be printed as they are. */
    public record Found(List<Contact> contacts, List<Clash> clashes) {
        public static final Found NONE = new Found(List.of(), List.of());

        public Found {
            contacts = List.copyOf(contacts);
            clashes = List.copyOf(clashes);
        }
    }

    /** Nearer surfaces touch, mm: what glue fills without asking. */
    static final double GAP_MM = 0.35;
    /** No cut plane. */
    public static final int NO_PLANE = -1;
    /** Pieces of surface are at most so long, mm. */
    private static final double PIECE_MM = 1.6;
    private static final int DEEPEST = 9;
    /** Surfaces face each other: cosine between their normals. */
    private static final double FACES = -0.7;
    private static final double LEAST_MM2 = 2;
    /** Surfaces nearer to level than this are skins of the print: cosine. */
    private static final double SKIN = 0.7;
    private static final GeometryFactory PLANE = new GeometryFactory();

    /** Between all pairs that no seam joins. @param seams of cuts */
    public static Found of(List<Section> sections, List<Seam> seams, Progress progress) {
        var out = new ArrayList<Contact>();
        var clashes = new ArrayList<Clash>();
        var index = new HashMap<String, Bvh>();
        for (int i = 0; i < sections.size(); i++) for (int k = i + 1; k < sections.size(); k++) {
            Section a = sections.get(i), b = sections.get(k);
            if (!near(a.mesh().bounds(), b.mesh().bounds()) || joined(a, b, seams)) continue;
            progress.check();
            var one = new Patch(a.mesh(), b, index);
            var other = new Patch(b.mesh(), a, index);
            boolean mine = one.area <= other.area;
            (mine ? one : other).contact(a.name(), b.name(), mine).ifPresent(out::add);
            double deep = Math.max(one.deep, other.deep);
            if (deep > GAP_MM) clashes.add(new Clash(a.name(), b.name(), deep));
        }
        return new Found(out, clashes);
    }

    private static boolean near(Bounds3 a, Bounds3 b) {
        for (int k = 0; k < 3; k++) if (a.min().get(k) > b.max().get(k) + GAP_MM || b.min().get(k) > a.max().get(k) + GAP_MM) return false;
        return true;
    }

    private static boolean joined(Section a, Section b, List<Seam> seams) {
        return seams.stream()
                .anyMatch(s -> s.first().equals(a.name()) && s.second().equals(b.name())
                        || s.first().equals(b.name()) && s.second().equals(a.name()));
    }

    /** The surface of one that faces the other. */
    private static final class Patch {
        private final Bvh other;
        private final Mesh theirs;
        private final Bounds3 box;
        private final List<Bond.Spot> pieces = new ArrayList<>();
        private final List<Double> areas = new ArrayList<>();
        private final Map<List<Long>, Vec3[]> rim = new TreeMap<>((p, q) -> {
            for (int i = 0; i < p.size(); i++) {
                int c = Long.compare(p.get(i), q.get(i));
                if (c != 0) return c;
            }
            return 0;
        });
        private double area;
        private double deep;

        Patch(Mesh mine, Section with, Map<String, Bvh> index) {
            theirs = with.mesh();
            box = theirs.bounds();
            other = index.computeIfAbsent(with.name(), n -> Bvh.of(theirs));
            for (int f = 0; f < mine.triangleCount(); f++) {
                var v = mine.areaVector(f);
                if (v.norm() > 0) piece(mine.corner(f, 0), mine.corner(f, 1), mine.corner(f, 2), v.unit(), 0);
            }
        }

        private boolean far(Vec3 a, Vec3 b, Vec3 c) {
            for (int k = 0; k < 3; k++) {
                double lo = Math.min(a.get(k), Math.min(b.get(k), c.get(k))), hi = Math.max(a.get(k), Math.max(b.get(k), c.get(k)));
                if (lo > box.max().get(k) + GAP_MM || hi < box.min().get(k) - GAP_MM) return true;
            }
            return false;
        }

        /** Halved along its longest side until it is small. */
        private void piece(Vec3 a, Vec3 b, Vec3 c, Vec3 normal, int depth) {
            if (far(a, b, c)) return;
            double ab = a.distance(b), bc = b.distance(c), ca = c.distance(a), longest = Math.max(ab, Math.max(bc, ca));
            if (longest > PIECE_MM && depth < 2 * DEEPEST) {
                if (longest > 4 * PIECE_MM && other.distance(a.plus(b).plus(c).times(1 / 3.0)) > longest + GAP_MM) return;
                Vec3 p = longest == ab ? c : longest == bc ? a : b, q = longest == ab ? a : longest == bc ? b : c,
                        r = longest == ab ? b : longest == bc ? c : a, m = q.plus(r).times(0.5);
                piece(p, q, m, normal, depth + 1);
                piece(p, m, r, normal, depth + 1);
                return;
            }
            var middle = a.plus(b).plus(c).times(1 / 3.0);
            var near = other.closest(middle);
            if (near.distance() > GAP_MM) {
                if (near.distance() > deep && other.inside(middle)) deep = near.distance();
                return;
            }
            var off = near.point().minus(middle);
            // past an edge of the other the nearest point lies aside
            if (Math.abs(off.dot(normal)) < 0.8 * off.norm() && off.norm() > 0.01) return;
            var n = theirs.areaVector(near.triangle());
            if (n.norm() == 0 || n.unit().dot(normal) > FACES) return;
            double mm2 = b.minus(a).cross(c.minus(a)).norm() / 2;
            area += mm2;
            pieces.add(new Bond.Spot(middle, normal));
            areas.add(mm2);
            edge(a, b);
            edge(b, c);
            edge(c, a);
        }

        /** Edges of one piece only are its rim. */
        private void edge(Vec3 a, Vec3 b) {
            var key = new ArrayList<Long>();
            var m = a.plus(b);
            for (int k = 0; k < 3; k++) key.add(Math.round(m.get(k) * 1e4));
            if (rim.remove(key) == null) rim.put(key, new Vec3[] {a, b});
        }

        /** @param ofFirst whether this is the first one's surface: its normals then point to the second */
        Optional<Contact> contact(String first, String second, boolean ofFirst) {
            if (area < LEAST_MM2) return Optional.empty();
            var normal = Vec3.ZERO;
            var middle = Vec3.ZERO;
            for (int i = 0; i < pieces.size(); i++) {
                normal = normal.plus(pieces.get(i).normal().times(areas.get(i)));
                middle = middle.plus(pieces.get(i).at().times(areas.get(i) / area));
            }
            // a peg in its hole faces all ways: seen then from where it is widest open
            if (normal.norm() < 0.05 * area) normal = least();
            var plane = new CutPlane(normal.unit(), normal.unit().dot(middle));
            var flat = new MatingFace(plane, PLANE.createPolygon());
            var seen = new Coordinate[pieces.size()];
            for (int i = 0; i < seen.length; i++) seen[i] = flat.flat(pieces.get(i).at());
            var hull = PLANE.createMultiPointFromCoords(seen).convexHull();
            var face = new MatingFace(plane, hull instanceof Polygon ? hull : hull.buffer(0.1));
            var line = new ArrayList<Vec3>();
            double length = 0;
            for (var e : rim.values()) {
                length += e[0].distance(e[1]);
                line.add(e[0]);
                line.add(e[1]);
            }
            var seam = new Seam(first, second, NO_PLANE, area, length, length, middle, plane.normal(), 0, 0, line, face, !ofFirst);
            var border = List.copyOf(rim.values());
            var each = new ArrayList<Piece>();
            for (int i = 0; i < pieces.size(); i++) each.add(new Piece(pieces.get(i), areas.get(i), toRim(pieces.get(i).at(), border)));
            return Optional.of(new Contact(seam, Bond.ofPieces(seam.name(), pieces, areas.stream().mapToDouble(a -> a).toArray()), each));
        }

        private static double toRim(Vec3 p, List<Vec3[]> border) {
            double least = Double.POSITIVE_INFINITY;
            for (var e : border) {
                var d = e[1].minus(e[0]);
                double t = Math.clamp(p.minus(e[0]).dot(d) / Math.max(1e-12, d.dot(d)), 0, 1);
                least = Math.min(least, p.distance(e[0].plus(d.times(t))));
            }
            return least;
        }

        /** The way to which the pieces face least. */
        private Vec3 least() {
            var sum = Tensor.ZERO;
            for (int i = 0; i < pieces.size(); i++) {
                var n = pieces.get(i).normal();
                sum = sum.plus(Tensor.outer(n, n).times(areas.get(i)));
            }
            return Tensor.UNIT.times(sum.trace()).plus(sum.times(-1)).direction();
        }
    }
}
