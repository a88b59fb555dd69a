package yellowbracket.cut.plan;

import java.util.ArrayList;
import java.util.List;
import yellowbracket.cut.Bed;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;

/** How few parts no plan can come below, however it cuts: what a plan's number of parts is held against. */
final class PartsBound {
    private PartsBound() {}

    /**
     * Points further apart than a bed's longest diagonal never share a part, and parts hold no more than a bed; what stands on no bed as it
     * is makes two at least.
     * @param fits whether the model stands on a bed in one piece, as searched
     */
    static int of(Mesh m, List<Bed> beds, boolean fits) {
        if (fits) return 1;
        double longest = beds.stream().mapToDouble(b -> new Vec3(b.x(), b.y(), b.z()).norm()).max().orElse(1);
        double room = beds.stream().mapToDouble(Bed::volume).max().orElse(1);
        return Math.max(Math.max(2, (int) Math.ceil(Math.abs(m.volumeMm3()) / room)), apart(m, longest));
    }

    /** How many points were found with more than {@code mm} between any two, each taken as near to those before as may be. */
    private static int apart(Mesh m, double mm) {
        if (m.bounds().diagonal() <= mm) return 1;
        int most = 1;
        for (int axis = 0; axis < 3; axis++) most = Math.max(most, apartFrom(m, lowest(m, axis), mm));
        return most;
    }

    private static Vec3 lowest(Mesh m, int axis) {
        Vec3 low = m.point(0);
        for (int v = 1; v < m.vertexCount(); v++) if (m.point(v).get(axis) < low.get(axis)) low = m.point(v);
        return low;
    }

    private static int apartFrom(Mesh m, Vec3 first, double mm) {
        var taken = new ArrayList<>(List.of(first));
        while (true) {
            Vec3 next = null;
            double nearest = Double.POSITIVE_INFINITY;
            for (int v = 0; v < m.vertexCount(); v++) {
                var p = m.point(v);
                double near = taken.stream().mapToDouble(p::distance).min().orElseThrow();
                if (near > mm && near < nearest) {
                    nearest = near;
                    next = p;
                }
            }
            if (next == null) return taken.size();
            taken.add(next);
        }
    }
}
