package yellowbracket.wear.pad;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yellowbracket.finding.Finding;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.ScaledShell;
import yellowbracket.size.HeadForm;
import yellowbracket.size.Pose;

/** A headband hung in a shell that is large for foam: where its four straps are fixed to the wall, and how deep one may drill there. */
public record Cradle(List<Anchor> anchors, List<Finding> findings) {
    /** Above the eyes, share of chin to crown: where a headband runs; round the head, degrees from straight ahead. */
    private static final double BAND = 0.16;
    private static final double[] ROUND_DEG = {40, 140, -140, -40};
    /** Left outside of a blind hole; a screw holds in no less wall; a strap's fitting stands so far out, mm. */
    private static final double LEFT_MM = 1.0, LEAST_WALL_MM = 3.0, FITTING_MM = 12, REACH_MM = 160;

    /**
     * @param at on the inner wall, prop mm @param wallMm thickness there @param roomMm to the skin @param drillMm stop of the drill from
     * inside, 0 where the wall is too thin to screw into: a base plate is glued on instead
     */
    public record Anchor(String where, Vec3 at, double wallMm, double roomMm, double drillMm) {
        public String words() {
            return drillMm > 0 ? String.format(Locale.ROOT, "drill stop %.1f mm", drillMm) : "glue a base plate on";
        }
    }

    static Cradle of(HeadForm form, Pose pose, ScaledShell shell) {
        double h = form.measures().heightMm();
        var anchors = new ArrayList<Anchor>();
        var findings = new ArrayList<Finding>();
        for (double deg : ROUND_DEG) {
            var d = new Vec3(Math.sin(Math.toRadians(deg)), Math.cos(Math.toRadians(deg)), 0);
            var from = new Vec3(0, 0, BAND * h);
            double skin = skin(form, from, d);
            var ahead = pose.direction(d);
            var start = pose.place(from.plus(d.times(skin)));
            double room = shell.firstMm(start, ahead);
            String where = (Math.abs(deg) < 90 ? "front " : "back ") + (deg > 0 ? "right" : "left");
            if (!(room < REACH_MM)) {
                findings.add(Finding.note("no wall for the strap at the " + where + ": an opening is there"));
                continue;
            }
            var at = start.plus(ahead.times(room));
            double wall = shell.firstMm(at.plus(ahead.times(0.01)), ahead) + 0.01;
            double drill = wall >= LEAST_WALL_MM ? wall - LEFT_MM : 0;
            anchors.add(new Anchor(where, at, wall, room, drill));
            if (room < FITTING_MM) findings.add(Finding.care(String.format(Locale.ROOT,
                    "strap at the %s: %.0f mm to the head, its fitting wants %.0f: set it lower or higher", where, room, FITTING_MM)));
        }
        return new Cradle(List.copyOf(anchors), List.copyOf(findings));
    }

    /** From within the head out to its skin. */
    private static double skin(HeadForm form, Vec3 from, Vec3 d) {
        double far = 0;
        for (var s : form.samples()) {
            var to = s.point().minus(from);
            double along = to.dot(d);
            if (along > far && to.minus(d.times(along)).norm() < 14) far = along;
        }
        return far;
    }
}
