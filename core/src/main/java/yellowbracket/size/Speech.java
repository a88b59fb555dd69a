package yellowbracket.size;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * Whether one can speak in it: how far the mouth opens, mm between the incisors, until the jaw meets the shell (at most {@link #MOST_MM},
 * as far as most mouths go), and how much is open straight before the mouth, cm2. The jaw turns about its joint, taken to lie a little
 * before and below the ear hole; a starting value for everybody.
 * @param touchesAt where the jaw meets the shell first, head coordinates
 */
public record Speech(double opensMm, double openCm2, Vec3 touchesAt) {
    /** For clear speech, and the widest looked at. */
    public static final double WANTED_MM = 25, MOST_MM = 45;
    /** A starting value: below it the voice stays inside. */
    public static final double WANTED_CM2 = 3;
    /** Where the joint lies: before the middle of the ears, mm, and below the eyes, share of chin to crown. */
    private static final double JOINT_Y = 5, JOINT_T = -0.10;
    /** Height of the mouth, share of chin to crown; the incisors lie behind the lips. */
    private static final double MOUTH_T = -0.33, BEHIND_LIPS_MM = 8;
    /** Half width and half height of what speaks. */
    private static final double HALF_WIDE_MM = 25, HALF_HIGH_MM = 12.5, GRID_MM = 1;
    private static final double STEP_MM = 0.5;

    static Speech of(HeadForm form, Bvh index, double scale, Pose pose) {
        var room = new WallRay(index, scale, pose);
        double h = form.measures().heightMm(), front = form.frontY(0, MOUTH_T);
        var joint = new Vec3(0, JOINT_Y, JOINT_T * h);
        double radius = new Vec3(0, front - BEHIND_LIPS_MM, MOUTH_T * h).distance(joint);
        var jaw = jaw(form, h);
        double opens = 0;
        Vec3 touch = new Vec3(0, front, -0.5 * h);
        opening : for (double mm = STEP_MM; mm <= MOST_MM; mm += STEP_MM) {
            var turn = Turn.pitch(-Math.toDegrees(mm / radius));
            for (var p : jaw) {
                var to = turn.apply(p.minus(joint)).plus(joint);
                if (room.aheadMm(p, to.minus(p)) < to.distance(p)) {
                    touch = p;
                    break opening;
                }
            }
            opens = mm;
        }
        return new Speech(opens, open(room, new Vec3(0, front + 2, MOUTH_T * h)), touch);
    }

    /** What moves: from the mouth down, before the joint, above the neck. */
    private static List<Vec3> jaw(HeadForm form, double h) {
        var out = new ArrayList<Vec3>();
        for (var s : form.samples()) {
            double t = s.point().z() / h;
            if (t < MOUTH_T && s.zone() != Zone.NECK && s.point().y() > JOINT_Y) out.add(s.point());
        }
        return out;
    }

    /** Lines straight ahead from all over the mouth; what meets no wall within reach is open. */
    private static double open(WallRay room, Vec3 mouth) {
        int free = 0, all = 0;
        for (double x = -HALF_WIDE_MM; x <= HALF_WIDE_MM; x += GRID_MM) for (double z = -HALF_HIGH_MM; z <= HALF_HIGH_MM; z += GRID_MM) {
            if (Math.hypot(x / HALF_WIDE_MM, z / HALF_HIGH_MM) > 1) continue;
            all++;
            if (room.aheadMm(mouth.plus(new Vec3(x, 0, z)), Vec3.Y) > Air.REACH_MM) free++;
        }
        return Math.PI * HALF_WIDE_MM * HALF_HIGH_MM / 100 * free / all;
    }

    public boolean clear() {
        return opensMm >= WANTED_MM && openCm2 >= WANTED_CM2;
    }

    List<Finding> findings() {
        var out = new ArrayList<Finding>();
        if (opensMm < WANTED_MM) out.add(care(
                "the mouth opens %.0f mm of the %.0f of clear speech, then the chin meets the shell: room below the chin, or few lines",
                opensMm, WANTED_MM));
        if (openCm2 < WANTED_CM2)
            out.add(care("%.1f cm\u00b2 open before the mouth, %.0f wanted: the voice stays inside; slots there, or plan a microphone",
                    openCm2, WANTED_CM2));
        return out;
    }

    private static Finding care(String format, Object... values) {
        return Finding.of(Weight.NOTE, Subject.WHOLE, String.format(Locale.ROOT, format, values));
    }
}
