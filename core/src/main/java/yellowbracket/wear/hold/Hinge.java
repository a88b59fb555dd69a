package yellowbracket.wear.hold;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.simplify.DouglasPeuckerSimplifier;
import yellowbracket.cut.Seam;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Vec3;

/**
 * Where a joint that comes off could be hinged instead: a straight stretch of its outer edge, for a hinge turns about one line.
 *
 * @param from and {@code to}: ends of the stretch, prop mm @param leafMm of each of the two hinges on it @param bulgeMm by which the edge
 * stands out beyond the line: so far out the pin must lie, or the part binds
 */
public record Hinge(String seam, Vec3 from, Vec3 to, double leafMm, double bulgeMm, List<Finding> findings) {
    /** An edge may leave the line by so much, mm: a leaf is bedded in glue or filler. */
    static final double OFF_MM = 1;
    /** Two hinges with screws need so much, mm; a leaf is no longer than this. */
    static final double LEAST_MM = 36;
    private static final double MOST_LEAF_MM = 40;
    private static final int MANY = 800;
    private static final double LEVEL_MM = 0.01;
    /** A pin that lies further out catches on hair and clothes, mm. */
    private static final double MOST_BULGE_MM = 8;

    public Hinge {
        findings = List.copyOf(findings);
    }

    /** The longest stretch that turns freely, else the longest; empty where none is long enough. */
    public static Optional<Hinge> of(Seam seam) {
        var all = new ArrayList<Hinge>();
        for (int g = 0; g < seam.face().shape().getNumGeometries(); g++)
            if (seam.face().shape().getGeometryN(g) instanceof Polygon p && !p.isEmpty()) on(seam, ring(p).getCoordinates(), all);
        return all.stream().max(Comparator.comparing(Hinge::turns).thenComparingDouble(Hinge::lengthMm));
    }

    /** Whether the part turns about it; else it binds and is better lifted off. */
    public boolean turns() {
        return bulgeMm <= MOST_BULGE_MM;
    }

    /** Of a fine mesh without the corners that bend nothing: each stretch is tried from each corner. */
    private static LineString ring(Polygon p) {
        var ring = p.getExteriorRing();
        return ring.getNumPoints() <= MANY ? ring : ((Polygon) DouglasPeuckerSimplifier.simplify(p, LEVEL_MM)).getExteriorRing();
    }

    public double lengthMm() {
        return from.distance(to);
    }

    /** From each corner as far as it is straight. @param ring closed: the last is the first again */
    private static void on(Seam seam, Coordinate[] ring, List<Hinge> out) {
        int n = ring.length - 1;
        var f = seam.face();
        for (int i = 0; i < n; i++) {
            int last = i;
            for (int k = i + 1; k < i + n && straight(ring, n, i, k); k++) last = k;
            var a = ring[i];
            var b = ring[last % n];
            double length = a.distance(b);
            if (length < LEAST_MM) continue;
            double bulge = bulge(ring, a, b), leaf = Math.min(MOST_LEAF_MM, Math.floor(length / 3));
            out.add(new Hinge(seam.name(), f.at(a.x, a.y), f.at(b.x, b.y), leaf, bulge, told(seam.name(), length, leaf, bulge)));
        }
    }

    private static boolean straight(Coordinate[] ring, int n, int i, int k) {
        for (int m = i + 1; m < k; m++) if (Math.abs(off(ring[m % n], ring[i], ring[k % n])) > OFF_MM) return false;
        return true;
    }

    /** Of p from the line a b, to its left. */
    private static double off(Coordinate p, Coordinate a, Coordinate b) {
        double length = a.distance(b);
        return length > 0 ? ((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x)) / length : p.distance(a);
    }

    /** How far the outline stands out on the side of the line that has less of it. */
    private static double bulge(Coordinate[] ring, Coordinate a, Coordinate b) {
        double left = 0, right = 0;
        for (var p : ring) {
            left = Math.max(left, off(p, a, b));
            right = Math.max(right, -off(p, a, b));
        }
        return Math.min(left, right);
    }

    private static List<Finding> told(String seam, double length, double leaf, double bulge) {
        var out = new ArrayList<Finding>();
        if (bulge > MOST_BULGE_MM) out.add(Finding.of(Weight.NOTE, Subject.seam(seam), String.format(Locale.ROOT,
                "%s: its edge is straight for %.0f mm, but stands out %.0f mm beyond that line: hinged there it binds; let it lift off",
                seam, length, bulge)));
        else out.add(Finding.of(Weight.NOTE, Subject.seam(seam), String.format(Locale.ROOT,
                "%s could be hinged: two hinges of %.0f mm on the straight %.0f mm of its edge, pins in one line%s; drill them before "
                        + "paint, and keep magnets on the far side only",
                seam, leaf, length, bulge > OFF_MM ? String.format(Locale.ROOT, ", %.0f mm outside the wall", bulge) : "")));
        return out;
    }
}
