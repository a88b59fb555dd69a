package yellowbracket.join;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowbracket.cut.Seam;
import yellowbracket.cut.Section;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Vec3;

/** How far joints may be off, and what that does at the rim and at the far end. Lengths mm. */
public final class Alignment {
    /** Printed faces with glue between them sit so unevenly, standard deviation: starting value. */
    static final double UNEVEN_MM = 0.15;
    /** A rod in its bore. */
    private static final double LOOSE_MM = 0.2;
    /** Of a round outline the rim keeps its distance from the middle within this share. */
    private static final double ROUND = 0.06;
    private static final double SLENDER = 3;

    private Alignment() {}

    /**
     * A long prop joined end to end.
     * @param wanderMm of the far end, standard deviation: seams each off by an angle over what lies beyond them,
     *        sqrt(sum (L theta)^2) @param railMm that keeps it straight while it sets
     */
    public record Chain(double lengthMm, double wanderMm, double railMm, List<String> seams) {
        public Chain {
            seams = List.copyOf(seams);
        }
    }

    /** How far the rim lies from the middle of a seam's face, at most. */
    public static double rimMm(Seam s) {
        return s.line().stream().mapToDouble(p -> p.distance(s.centre())).max().orElse(0);
    }

    /** Whether the faces let the joint turn: a round rim and not two pieces of hardware to stop it. */
    public static boolean turnsFreely(Seam s, int pieces) {
        if (pieces > 1 || s.line().isEmpty()) return false;
        double most = rimMm(s);
        var hull = s.face().shape().convexHull();
        double least = hull.getBoundary().distance(hull.getFactory().createPoint(s.face().flat(s.centre())));
        return least > (1 - ROUND) * most;
    }

    /** Empty for what is not long, or has fewer than two seams across its length. @param seams real mm */
    public static Optional<Chain> chain(List<Section> sections, List<Seam> seams, Map<String, Fittings> fittings) {
        if (sections.size() < 3) return Optional.empty();
        var box = sections.stream().map(s -> s.mesh().bounds()).reduce(Bounds3::union).orElseThrow();
        int k = 0;
        for (int i = 1; i < 3; i++) if (box.size().get(i) > box.size().get(k)) k = i;
        double long0 = box.size().get(k), next = 0;
        for (int i = 0; i < 3; i++) if (i != k) next = Math.max(next, box.size().get(i));
        if (long0 < SLENDER * next) return Optional.empty();
        var axis = Vec3.axis(k);
        int along = k;
        var across = seams.stream()
                .filter(s -> Math.abs(s.normal().dot(axis)) > 0.8)
                .sorted(Comparator.comparingDouble(s -> s.centre().get(along)))
                .toList();
        if (across.size() < 2) return Optional.empty();
        double sum = 0;
        var names = new ArrayList<String>();
        for (var s : across) {
            double off = theta(s, fittings.getOrDefault(s.name(), Fittings.NONE)) * (box.max().get(k) - s.centre().get(k));
            sum += off * off;
            names.add(s.name());
        }
        return Optional.of(new Chain(long0, Math.sqrt(sum), rail(across, box, k), names));
    }

    /** Of a joint, radians: uneven faces over their breadth, or a rod in its bore where that is truer. */
    static double theta(Seam s, Fittings f) {
        double faces = UNEVEN_MM / Math.max(1, 2 * s.halfDepthMm());
        return f.rods().stream().mapToDouble(r -> LOOSE_MM / (2 * r.depthMm())).reduce(faces, Math::min);
    }

    /** As long as the longest two neighbours, in steps of 50. */
    private static double rail(List<Seam> across, Bounds3 box, int k) {
        double most = 0;
        for (int i = 0; i < across.size(); i++) {
            double lo = i == 0 ? box.min().get(k) : across.get(i - 1).centre().get(k);
            double hi = i + 1 == across.size() ? box.max().get(k) : across.get(i + 1).centre().get(k);
            most = Math.max(most, hi - lo);
        }
        return Math.ceil(most / 50) * 50;
    }
}
