package yellowbracket.colour.mark;

import java.util.HashSet;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import yellowbracket.colour.zone.Painted;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Vec3;

/**
 * What a mark that was laid lies over. Millimetres of the mesh.
 * @param edgeMm of edges within it @param sharpestDeg the sharpest of them @param sections how many it lies on
 */
public record Lies(double edgeMm, double sharpestDeg, int sections) {
    /** A flat sheet is folded over what bends more; so much of it counts. */
    public static final double FOLD_DEG = 25, LEAST_MM = 2;

    /** @param zone of the mark @param section what is the same for places on one section */
    public static Lies of(Painted p, int zone, Function<Vec3, ?> section) {
        var m = p.mesh();
        var adjacency = p.adjacency();
        var on = new HashSet<Object>();
        double mm = 0, sharpest = 0;
        for (int f = 0; f < p.count(); f++) {
            if (p.zone(f) != zone) continue;
            on.add(section.apply(m.centroid(f)));
            for (int k = 0; k < 3; k++) {
                int across = adjacency.across(3 * f + k);
                if (across < 3 * f + k || p.zone(across / 3) != zone) continue;
                var a = m.areaVector(f);
                var b = m.areaVector(across / 3);
                double norms = a.norm() * b.norm();
                if (!(norms > 0)) continue;
                double deg = Math.toDegrees(Math.acos(Math.clamp(a.dot(b) / norms, -1, 1)));
                if (deg < FOLD_DEG) continue;
                mm += m.corner(f, k).distance(m.corner(f, (k + 1) % 3));
                sharpest = Math.max(sharpest, deg);
            }
        }
        return new Lies(mm, sharpest, on.size());
    }

    public boolean overEdge() {
        return edgeMm >= LEAST_MM;
    }

    /** @param scale of the model */
    public Optional<Finding> finding(Mark mark, double scale) {
        if (!overEdge() && sections < 2) return Optional.empty();
        var words = new StringBuilder(mark.name());
        if (overEdge()) words.append(String.format(Locale.ROOT,
                ": lies over %.0f mm of edges of up to %.0f degrees, where a sheet lifts: " + "cut it along the edge, or move it",
                edgeMm * scale, sharpestDeg));
        if (sections > 1) words.append(overEdge() ? "; " : ": ")
                .append("lies over a seam between ")
                .append(sections)
                .append(" sections: lay it once they are joined and the seam is gone");
        return Optional.of(Finding.of(overEdge() ? Weight.CARE : Weight.NOTE, Subject.WHOLE, "%s", words.toString()));
    }
}
