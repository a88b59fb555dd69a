package yellowbracket.print;

import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Turn;

/** Vertices of a mesh as it stands on the bed, as flat triples, mm; kernels read them without making objects. */
final class Turned {
    private Turned() {}

    static double[] points(Mesh m, Turn turn) {
        var out = m.copyXyz();
        if (turn.equals(Turn.NONE)) return out;
        double ax = turn.row0().x(), ay = turn.row0().y(), az = turn.row0().z(), bx = turn.row1().x(), by = turn.row1().y(),
                bz = turn.row1().z();
        double cx = turn.row2().x(), cy = turn.row2().y(), cz = turn.row2().z();
        for (int i = 0; i < out.length; i += 3) {
            double x = out[i], y = out[i + 1], z = out[i + 2];
            out[i] = ax * x + ay * y + az * z;
            out[i + 1] = bx * x + by * y + bz * z;
            out[i + 2] = cx * x + cy * y + cz * z;
        }
        return out;
    }

    static double lowest(double[] xyz) {
        return extreme(xyz, 2, -1);
    }

    static double highest(double[] xyz) {
        return extreme(xyz, 2, 1);
    }

    /** The largest (sign 1) or smallest (sign -1) coordinate along an axis. */
    static double extreme(double[] xyz, int axis, int sign) {
        double best = sign * Double.NEGATIVE_INFINITY;
        for (int i = axis; i < xyz.length; i += 3) best = sign > 0 ? Math.max(best, xyz[i]) : Math.min(best, xyz[i]);
        return best;
    }
}
