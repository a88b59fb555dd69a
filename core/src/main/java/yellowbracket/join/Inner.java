package yellowbracket.join;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.linearref.LengthIndexedLine;
import yellowbracket.cut.Seam;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Practice;
import yellowbracket.work.Need;

/**
 * What is set across a seam from inside where the glue alone does not do. It is judged by itself, as if the glue had let go: the bolts of a
 * group, M = F sum(d^2) / d of the outermost, about the weakest axis. Starting values of workshop practice; lengths mm, forces N.
 * @param eachN borne by one @param momentNmm  by all, bent over the weakest axis, and {@code pullN} pulled straight
 * @param overlapMm of a strip onto each side; 0 for staples
 * @param apartMm from one to the next along the inside @param hours to set them all
 */
public record Inner(Kind kind, int count, double eachN, double momentNmm, double pullN, double overlapMm, double apartMm, double hours) {
    /** What is set. */
    public enum Kind {
        STRIPS("strips of 1 mm sheet"), STAPLES("melted-in staples");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** Strips are so wide and thick and overlap so far at most; room between their middles; staples apart. mm. */
    public static final double STRIP_WIDE_MM = 15;
    private static final double STRIP_THICK_MM = 1, LEAST_OVERLAP_MM = 15, MOST_OVERLAP_MM = 30, STRIP_ROOM_MM = 22, STAPLE_ROOM_MM = 12;
    /** The weakest axis is looked for among so many. */
    private static final int AXES = 36;

    /**
     * The fewest that bear a demand so many times, or as many as there is room for.
     * @param glueMpa what holds strips on the print, at the low end
     */
    public static Inner of(Kind kind, Seam seam, Loads.Demand demand, double reserve, double glueMpa, Catalogue shop) {
        double overlap = kind == Kind.STAPLES ? 0
                : Math.clamp(shop.usual(Practice.STRIP_MPA) * STRIP_THICK_MM / Math.max(0.1, glueMpa), LEAST_OVERLAP_MM, MOST_OVERLAP_MM);
        double each = kind == Kind.STAPLES ? shop.usual(Practice.STAPLE_N)
                : STRIP_WIDE_MM * Math.min(STRIP_THICK_MM * shop.usual(Practice.STRIP_MPA), overlap * glueMpa);
        int room = (int) Math.max(2, Math.floor(seam.lengthMm() / 2 / (kind == Kind.STAPLES ? STAPLE_ROOM_MM : STRIP_ROOM_MM)));
        Inner out = null;
        for (int n = 2; n <= room; n++) {
            out = with(kind, n, seam, each, overlap, shop);
            if (out.reserve(demand) >= reserve) return out;
        }
        return out;
    }

    private static Inner with(Kind kind, int n, Seam seam, double each, double overlap, Catalogue shop) {
        double hours = n * shop.usual(kind == Kind.STAPLES ? Practice.SET_STAPLE_H : Practice.SET_STRIP_H);
        return new Inner(kind, n, each, each * lever(spots(seam, n)), each * n, overlap, seam.lengthMm() / 2 / n, hours);
    }

    /** Evenly along all borders of the mating face. */
    private static List<Vec3> spots(Seam seam, int n) {
        var out = new ArrayList<Vec3>();
        var shape = seam.face().shape();
        var rings = new ArrayList<LengthIndexedLine>();
        for (int i = 0; i < shape.getNumGeometries(); i++) if (shape.getGeometryN(i) instanceof Polygon p) {
            rings.add(new LengthIndexedLine(p.getExteriorRing()));
            for (int k = 0; k < p.getNumInteriorRing(); k++) rings.add(new LengthIndexedLine(p.getInteriorRingN(k)));
        }
        for (int i = 0; i < n; i++) {
            double at = shape.getLength() * (i + 0.5) / n;
            for (var r : rings) {
                if (at < r.getEndIndex()) {
                    var c = r.extractPoint(at);
                    out.add(seam.face().at(c.x, c.y));
                    break;
                }
                at -= r.getEndIndex();
            }
        }
        return out;
    }

    /** Sum of squares of the arms over the longest, about the middle, over the axis for which that is least; mm. */
    private static double lever(List<Vec3> spots) {
        var middle = spots.stream().reduce(Vec3.ZERO, Vec3::plus).times(1.0 / spots.size());
        Vec3 a = Vec3.ZERO, b = Vec3.ZERO;
        for (var p : spots) if (p.distance(middle) > a.norm()) a = p.minus(middle);
        if (a.norm() < 1e-9) return 0;
        for (var p : spots) {
            var off = p.minus(middle);
            var aside = off.minus(a.unit().times(off.dot(a.unit())));
            if (aside.norm() > b.norm()) b = aside;
        }
        if (b.norm() < 1e-9) return 0;
        double least = Double.POSITIVE_INFINITY;
        for (int i = 0; i < AXES; i++) {
            double t = Math.PI * i / AXES;
            var d = a.unit().times(Math.cos(t)).plus(b.unit().times(Math.sin(t)));
            double sum = 0, most = 0;
            for (var p : spots) {
                double arm = Math.abs(d.dot(p.minus(middle)));
                sum += arm * arm;
                most = Math.max(most, arm);
            }
            least = Math.min(least, most > 1e-9 ? sum / most : 0);
        }
        return least;
    }

    /** What it bears by itself over what there is to bear. */
    public double reserve(Loads.Demand d) {
        return 1 / Math.max(1e-9, d.bendingNmm() / Math.max(1e-9, momentNmm) + d.newton() / Math.max(1e-9, pullN));
    }

    public Need need() {
        return kind == Kind.STRIPS ? new Need("plastic sheet 1 mm", count * STRIP_WIDE_MM * 2 * overlapMm / 1e4, "dm2")
                : new Need("staples", count, "pieces");
    }

    public String words() {
        return kind == Kind.STRIPS
                ? String.format(Locale.ROOT, "%d %s, %.0f x %.0f mm, glued over it from inside", count, kind.words, STRIP_WIDE_MM,
                        Math.ceil(2 * overlapMm))
                : String.format(Locale.ROOT, "%d %s across it from inside, %.0f mm apart", count, kind.words, apartMm);
    }
}
