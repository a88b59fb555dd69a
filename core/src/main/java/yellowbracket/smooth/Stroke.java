package yellowbracket.smooth;

import java.util.List;
import yellowbracket.finding.Limits;
import yellowbracket.mesh.Vec3;

/** A brush drawn over the model: all surface within {@code radiusMm} of any of its points is to become so. The model's own mm. */
public record Stroke(Target target, double radiusMm, List<Vec3> at) {
    public static final double LEAST_MM = 1, MOST_MM = 200;
    /** Points of one stroke. */
    private static final int MOST = 5_000;

    public Stroke {
        java.util.Objects.requireNonNull(target, "target");
        Limits.within("radius of a brush, mm", radiusMm, LEAST_MM, MOST_MM);
        at = List.copyOf(at);
        if (at.isEmpty() || at.size() > MOST) throw new IllegalArgumentException("a stroke has 1 to " + MOST + " points, had " + at.size());
    }

    boolean holds(Vec3 p) {
        for (var q : at) if (q.minus(p).norm() <= radiusMm) return true;
        return false;
    }
}
