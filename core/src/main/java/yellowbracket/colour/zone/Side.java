package yellowbracket.colour.zone;

import java.util.List;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;

/** Surface on one side of a plane, split exactly along it. */
public final class Side {
    private Side() {}

    /**
     * @param normal points to the side that is painted; height of a point is {@code normal . p - offset}
     * @param only the pieces that count; others are split where they touch those, and keep their zone
     */
    public static Painted of(Painted p, Vec3 normal, double offset, int to, Only only) {
        Mesh m = p.mesh();
        var counts = new boolean[m.vertexCount()];
        for (int f = 0; f < p.count(); f++) if (only.test(p, f)) for (int k = 0; k < 3; k++) counts[m.vertex(f, k)] = true;
        var n = normal.unit();
        double at = offset / normal.norm();
        var field = new double[m.vertexCount()];
        for (int v = 0; v < field.length; v++) field[v] = counts[v] ? at - n.dot(m.point(v)) : Double.POSITIVE_INFINITY;
        var sides = Split.along(p, field);
        var now = sides.painted();
        return now.with(f -> sides.inside()[f] && only.test(now, f) ? to : now.zone(f)).tidied();
    }

    /** A half of space: all points with {@code normal . p >= offset}. */
    public record Half(Vec3 normal, double offset) {
        boolean holds(Vec3 p) {
            return normal.dot(p) >= offset;
        }
    }

    /** All surface within every half: one section of a cut model. */
    public static Painted within(Painted p, List<Half> halves, int to) {
        var now = p;
        for (var h : halves) now = parted(now, h.normal.unit(), h.offset / h.normal.norm());
        var m = now.mesh();
        return now.with(f -> halves.stream().allMatch(h -> h.holds(m.centroid(f))), to).tidied();
    }

    /** Split along a plane, zones as they are. @param n of length 1 */
    public static Painted parted(Painted p, Vec3 n, double offset) {
        var m = p.mesh();
        var field = new double[m.vertexCount()];
        for (int v = 0; v < field.length; v++) field[v] = offset - n.dot(m.point(v));
        return Split.along(p, field).painted();
    }

    /** Which pieces count: told by zone and facet, which splitting does not change. */
    public interface Only {
        Only ALL = (p, f) -> true;

        boolean test(Painted p, int piece);

        static Only zone(int z) {
            return (p, f) -> p.zone(f) == z;
        }
    }
}
