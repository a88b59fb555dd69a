package yellowbracket.size;

import java.util.function.ToDoubleBiFunction;
import yellowbracket.mesh.Vec3;

/**
 * Openings to breathe through: rays from the mouth over the front, each that leaves counting the piece of wall it would have met, taken as
 * far away as the nearest wall beside it.
 * Openings further than {@link #REACH_MM} from the mouth, seen more than {@link #WIDE_DEG} off straight ahead, or below the rim (the neck),
 * do not count. {@code openCm2}: their area seen from the mouth.
 */
public record Air(double openCm2, double wallMm) {
    /** From the mouth; what lies further off is no breathing hole, mm. */
    public static final double REACH_MM = 110;
    static final double WIDE_DEG = 62;
    /** A starting value: about the area of a mouth breathing hard, cm2. */
    public static final double WANTED_CM2 = 6;
    /** Rays on a side. */
    private static final int SIDE = 121;

    public static Air of(HeadForm form, Cavity cavity, double scale, Pose pose) {
        return from(mouth(form), cavity, scale, pose);
    }

    private static Vec3 mouth(HeadForm form) {
        double t = -0.33;
        return new Vec3(0, form.frontY(0, t) + 3, t * form.measures().heightMm());
    }

    /** As {@link #of}, with openings closed. @param closed how far along a line of the prop a panel is met, infinite for none, mm */
    public static Air behind(HeadForm form, Cavity cavity, double scale, Pose pose, ToDoubleBiFunction<Vec3, Vec3> closed) {
        return from(mouth(form), cavity, scale, pose, closed);
    }

    static Air from(Vec3 mouth, Cavity cavity, double scale, Pose pose) {
        return from(mouth, cavity, scale, pose, (p, d) -> Double.POSITIVE_INFINITY);
    }

    private static Air from(Vec3 mouth, Cavity cavity, double scale, Pose pose, ToDoubleBiFunction<Vec3, Vec3> closed) {
        var from = pose.place(mouth).times(1 / scale);
        double step = 2 * WIDE_DEG / (SIDE - 1);
        var wall = new double[SIDE][SIDE];
        var drop = new double[SIDE][SIDE];
        for (int i = 0; i < SIDE; i++) for (int j = 0; j < SIDE; j++) {
            double u = (j - SIDE / 2) * step, v = (i - SIDE / 2) * step, r = Math.hypot(u, v);
            if (r > WIDE_DEG) {
                wall[i][j] = Double.NaN;
                continue;
            }
            double s = r < 1e-9 ? 1 : Math.sin(Math.toRadians(r)) / r;
            var ahead = pose.direction(new Vec3(u * s, Math.cos(Math.toRadians(r)), v * s));
            drop[i][j] = -ahead.z();
            var d = ahead.times(1 / scale);
            wall[i][j] = cavity.index().firstDistance(from.x(), from.y(), from.z(), d.x(), d.y(), d.z(), 0);
            if (!Double.isFinite(wall[i][j])) wall[i][j] = closed.applyAsDouble(pose.place(mouth), ahead);
        }
        return counted(wall, drop, pose.place(mouth).z() - cavity.rimZ() * scale, Math.toRadians(step));
    }

    /**
     * @param drop how far each ray falls by its length; @param overRim height of the mouth over the rim, mm: what lies below the rim is the
     * neck opening
     */
    private static Air counted(double[][] wall, double[][] drop, double overRim, double stepRad) {
        double open = 0, sum = 0;
        int n = 0;
        for (int i = 0; i < SIDE; i++) for (int j = 0; j < SIDE; j++) {
            if (Double.isNaN(wall[i][j])) continue;
            if (Double.isFinite(wall[i][j])) {
                sum += wall[i][j];
                n++;
                continue;
            }
            double beside = beside(wall, i, j), r = Math.hypot(i - SIDE / 2, j - SIDE / 2) * stepRad;
            if (beside <= REACH_MM && beside * drop[i][j] < overRim)
                open += stepRad * stepRad * (r < 1e-9 ? 1 : Math.sin(r) / r) * beside * beside;
        }
        return new Air(open / 100, n == 0 ? Double.POSITIVE_INFINITY : sum / n);
    }

    /** The distance of the nearest wall in the eight directions over the grid, at most 30 cells away; infinite for none. */
    private static double beside(double[][] wall, int i, int j) {
        for (int off = 1; off <= 30; off++) {
            double sum = 0;
            int n = 0;
            for (int di = -1; di <= 1; di++) for (int dj = -1; dj <= 1; dj++) {
                int a = i + di * off, b = j + dj * off;
                if (a < 0 || b < 0 || a >= SIDE || b >= SIDE || !Double.isFinite(wall[a][b])) continue;
                sum += wall[a][b];
                n++;
            }
            if (n > 0) return sum / n;
        }
        return Double.POSITIVE_INFINITY;
    }
}
