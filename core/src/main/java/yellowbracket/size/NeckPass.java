package yellowbracket.size;

import yellowbracket.mesh.Vec3;

/**
 * Does the head pass the neck: the prop is let down along its own axis over a head tilted by some degrees. At every level below the widest part
 * of the head, the inner wall must clear the largest outline of all that has to pass it. Compared by radius in {@link #ANGLES} directions;
 * the best of a few tilts and shifts counts. A straight path only: turning on the way in can gain more, so this errs on the safe side.
 */
public record NeckPass(boolean passes, double spareMm, double tiltDeg, double shiftMm, double tightestZ, String tightestAt) {
    private static final int ANGLES = 48;
    private static final double STEP_MM = 5;

    public static NeckPass of(HeadForm form, Cavity cavity, double scale, Pose worn) {
        double low = cavity.rimZ() * scale, high = worn.upMm() + 0.12 * form.measures().heightMm();
        int levels = Math.max(1, (int) Math.ceil((high - low) / STEP_MM));
        var wall = new double[levels][ANGLES];
        for (int i = 0; i < levels; i++)
            for (int a = 0; a < ANGLES; a++) wall[i][a] = wallRadius(cavity, scale, low + i * STEP_MM, a);
        NeckPass best = null;
        for (double tilt = -24; tilt <= 24; tilt += 6)
            for (double shift = -12; shift <= 12; shift += 4) {
                var tried = tryOne(form, cavity, scale, worn, wall, low, tilt, shift);
                if (best == null || tried.spareMm > best.spareMm + 0.05) best = tried;
            }
        return best;
    }

    private static double wallRadius(Cavity c, double scale, double z, int a) {
        double angle = 2 * Math.PI * a / ANGLES;
        double t = c.index().firstDistance(0, c.middleY(), z / scale, Math.cos(angle), Math.sin(angle), 0, 0);
        return t * scale;
    }

    private static NeckPass tryOne(HeadForm form, Cavity cavity, double scale, Pose worn, double[][] wall, double low, double tilt, double shift) {
        var pose = new Pose(worn.forwardMm() + shift, worn.upMm(), worn.pitchDeg() + tilt);
        var widest = new double[wall.length][ANGLES];
        double cy = cavity.middleY() * scale;
        for (var s : form.samples()) {
            if (s.zone() == Zone.NECK) continue;
            var p = pose.place(s.point());
            int level = (int) Math.floor((p.z() - low) / STEP_MM);
            if (level < 0) continue;
            double angle = Math.atan2(p.y() - cy, p.x());
            int a = Math.floorMod((int) Math.round(angle / (2 * Math.PI) * ANGLES), ANGLES);
            double r = Math.hypot(p.x(), p.y() - cy);
            int at = Math.min(level, wall.length - 1);
            widest[at][a] = Math.max(widest[at][a], r);
        }
        double spare = Double.POSITIVE_INFINITY, z = low;
        int where = 0;
        var above = new double[ANGLES];
        for (int i = wall.length - 1; i >= 0; i--) {
            for (int a = 0; a < ANGLES; a++) {
                above[a] = Math.max(above[a], widest[i][a]); // here: the largest outline of everything at or above level i
                if (above[a] > 0 && wall[i][a] - above[a] < spare) {
                    spare = wall[i][a] - above[a];
                    z = low + i * STEP_MM;
                    where = a;
                }
            }
        }
        return new NeckPass(spare >= 0, spare, tilt, shift, z, side(2 * Math.PI * where / ANGLES));
    }

    private static String side(double angle) {
        var d = new Vec3(Math.cos(angle), Math.sin(angle), 0);
        if (d.y() > 0.7) return "front";
        if (d.y() < -0.7) return "back";
        return d.x() > 0 ? "right side" : "left side";
    }
}
