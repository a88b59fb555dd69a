package yellowbracket.wear.body;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yellowbracket.finding.Finding;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.Wearer;
import yellowbracket.size.HeadForm;
import yellowbracket.size.Pose;

/**
 * How far the head turns with the shell on, until the shell meets collar, shoulders or chest; degrees, no further than a bare head turns.
 * The
 * body is a neck, a bar of the shoulders with its slope, and a chest, from the wearer's height (Drillis and Contini, "Body segment
 * parameters",
 * 1966: shoulders 0.259 of it apart, 0.818 up); clothes come on top. {@code touches}: what is met first, each way.
 */
public record HeadTurn(double leftDeg, double rightDeg, double upDeg, double downDeg, List<String> touches, List<Finding> findings) {
    /** With nothing on; and what one can work with. */
    static final double SIDE = 70, UP = 50, DOWN = 60;
    public static final double WORKABLE_SIDE = 45, WORKABLE_UP = 25, WORKABLE_DOWN = 30;
    /** Shares of body height; half thickness of the shoulder and depth of the chest, mm; cloth over them, mm. */
    private static final double APART = 0.259, SHOULDER = 0.818, SHOULDER_R = 0.032, CHEST_R = 0.066, NECK_R = 0.036, CLOTH_MM = 6;
    private static final double STEP_DEG = 1;
    private static final int MOST_POINTS = 4000;

    /** A round bar between two points. */
    private record Bar(String name, Vec3 a, Vec3 b, double ra, double rb) {
        double distance(Vec3 p) {
            var d = b.minus(a);
            double t = Math.clamp(p.minus(a).dot(d) / Math.max(1e-9, d.dot(d)), 0, 1);
            return p.distance(a.plus(d.times(t))) - (ra + (rb - ra) * t);
        }
    }

    /** @param model unscaled @param scale of it */
    public static HeadTurn of(Mesh model, double scale, HeadForm form, Pose pose, Wearer wearer) {
        var joint = Balance.joint(form, pose);
        var body = body(wearer, form, pose);
        var points = low(model, scale, joint);
        // what touches already as it is put on cannot be told by turning: the body is taken to give way there
        var free = points.stream().filter(p -> body.stream().allMatch(b -> b.distance(p) > 0)).toList();
        var touches = new ArrayList<String>();
        double left = until(free, body, joint, Vec3.Z, 1, SIDE, "left", touches),
                right = until(free, body, joint, Vec3.Z, -1, SIDE, "right", touches),
                up = until(free, body, joint, Vec3.X, 1, UP, "up", touches),
                down = until(free, body, joint, Vec3.X, -1, DOWN, "down", touches);
        var found = new ArrayList<Finding>();
        if (wearer.bodyHeightMm().isEmpty())
            found.add(Finding.note(text("how tall %s is was not measured: the body of an adult of %.2f m is assumed", wearer.name(),
                    wearer.standingMm() / 1000)));
        if (free.size() < 0.98 * points.size()) found.add(Finding
                .care(text("%.0f %% of its lower edge lies within neck or shoulders as they are taken to be: try it on over the costume",
                        100 - 100.0 * free.size() / points.size())));
        if (Math.min(left, right) < WORKABLE_SIDE)
            found.add(Finding.care(text("the head turns %.0f\u00b0 to the side, %.0f is workable: it meets %s", Math.min(left, right),
                    WORKABLE_SIDE, first(touches, left < right ? "left" : "right"))));
        if (up < WORKABLE_UP) found.add(Finding.note(text("it tips back %.0f\u00b0: it meets %s", up, first(touches, "up"))));
        if (down < WORKABLE_DOWN)
            found.add(Finding.care(text("it tips forward %.0f\u00b0, %.0f is workable: one's feet stay out of sight; it meets %s", down,
                    WORKABLE_DOWN, first(touches, "down"))));
        return new HeadTurn(left, right, up, down, List.copyOf(touches), List.copyOf(found));
    }

    private static String first(List<String> touches, String way) {
        return touches.stream().filter(t -> t.startsWith(way + ": ")).findFirst().map(t -> t.substring(way.length() + 2)).orElse("nothing");
    }

    private static List<Bar> body(Wearer wearer, HeadForm form, Pose pose) {
        double h = wearer.standingMm(), eyes = pose.place(Vec3.ZERO).z(), y = pose.place(Vec3.ZERO).y(),
                shoulder = eyes - (wearer.eyeHeightMm() - SHOULDER * h), half = APART * h / 2, r = SHOULDER_R * h + CLOTH_MM;
        var chin = pose.place(new Vec3(0, 0, form.chinZ()));
        double back = y - 18, neck = form.measures().neckMm() / (2 * Math.PI) + CLOTH_MM;
        var base = new Vec3(0, back - 8, shoulder + NECK_R * h);
        return List.of(new Bar("the neck", new Vec3(0, back, chin.z() - 25), base, neck, 1.1 * neck),
                new Bar("the left shoulder", base, new Vec3(-half, back - 8, shoulder - r), r, r),
                new Bar("the right shoulder", base, new Vec3(half, back - 8, shoulder - r), r, r),
                new Bar("the chest", new Vec3(-0.4 * half, back + 18, shoulder - 0.10 * h),
                        new Vec3(0.4 * half, back + 18, shoulder - 0.10 * h), CHEST_R * h + CLOTH_MM, CHEST_R * h + CLOTH_MM));
    }

    /** The parts of the shell that can come down on a body: below the joint, evenly taken. */
    private static List<Vec3> low(Mesh m, double scale, Vec3 joint) {
        var out = new ArrayList<Vec3>();
        for (int v = 0; v < m.vertexCount(); v++) {
            var p = m.point(v).times(scale);
            if (p.z() < joint.z() + 30) out.add(p);
        }
        int step = Math.max(1, out.size() / MOST_POINTS);
        var some = new ArrayList<Vec3>();
        for (int i = 0; i < out.size(); i += step) some.add(out.get(i));
        return some;
    }

    private static double until(List<Vec3> points, List<Bar> body, Vec3 joint, Vec3 axis, int way, double most, String name,
            List<String> touches) {
        for (double deg = STEP_DEG; deg <= most; deg += STEP_DEG) {
            var turn = Turn.about(axis, way * deg);
            for (var p : points) {
                var q = turn.apply(p.minus(joint)).plus(joint);
                for (var b : body) if (b.distance(q) < 0) {
                    touches.add(name + ": " + b.name);
                    return deg - STEP_DEG;
                }
            }
        }
        return most;
    }

    private static String text(String format, Object... values) {
        return String.format(Locale.ROOT, format, values);
    }
}
