package yellowbracket.cut;

import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/** Whether a mesh mirrors itself left to right. */
public final class Symmetry {
    /** Points mirrored and looked for. */
    private static final int SAMPLES = 240;
    /** How far a mirrored point may lie off the surface, mm. */
    private static final double TOLERANCE_MM = 0.6;

    private Symmetry() {}

    /** About the plane x = 0: nearly all of some spread vertices have the surface at their mirror image. */
    public static boolean leftRight(Mesh m, Bvh index) {
        int step = Math.max(1, m.vertexCount() / SAMPLES), near = 0, all = 0;
        for (int v = 0; v < m.vertexCount(); v += step, all++)
            if (index.distance(new Vec3(-m.x(v), m.y(v), m.z(v))) <= TOLERANCE_MM) near++;
        return all > 0 && near >= 0.97 * all;
    }

    public static CutTree mirrored(CutTree t) {
        return switch (t) {
            case CutTree.Whole w -> w;
            case CutTree.Split s -> {
                var n = s.plane().normal();
                yield new CutTree.Split(new CutPlane(new Vec3(-n.x() + 0.0, n.y(), n.z()), s.plane().offsetMm()), mirrored(s.above()),
                        mirrored(s.below()), s.locked());
            }
        };
    }
}
