package yellowbracket.size;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * Room around a pair of usual glasses in the wearing pose, mm: the lenses with their rims, and the arms to the ears. Less than 0: they
 * stand that far into the wall. {@code at}: the tightest place, head coordinates. Assumed, for nobody measures glasses: lenses
 * {@link #WIDE_MM} by {@link #HIGH_MM}, {@link #BEFORE_MM} before the eye, the frame a little wider than the face.
 */
public record Glasses(double lensMm, double armsMm, Vec3 at) {
    /** Of a lens with its rim, and from the eye to its outer side. */
    static final double WIDE_MM = 54, HIGH_MM = 44, BEFORE_MM = 17;
    /** Above the pupil a lens ends here; most of it lies below. */
    private static final double ABOVE_MM = 19;
    /** The frame stands out beyond the face on each side, and the arms lie this far above the pupils. */
    private static final double BESIDE_MM = 3, ARMS_UP_MM = 6;
    private static final double STEP_MM = 6;
    /** Less than this, and they are pushed against the face with every nod, mm. */
    public static final double WANTED_MM = 2;

    static Glasses of(HeadForm form, Bvh index, double scale, Pose pose) {
        var room = new WallRay(index, scale, pose);
        double lens = Double.POSITIVE_INFINITY, arms = Double.POSITIVE_INFINITY, least = Double.POSITIVE_INFINITY;
        Vec3 at = form.eye(1);
        for (int side : new int[] {1, -1}) {
            var eye = form.eye(side);
            for (var p : lens(eye, side)) {
                double mm = room.roomMm(new Vec3(p.x(), eye.y(), p.z()), p);
                lens = Math.min(lens, mm);
                if (mm < least) {
                    least = mm;
                    at = p;
                }
            }
            for (var p : arm(form, eye, side)) {
                double mm = room.roomMm(new Vec3(0.6 * p.x(), p.y(), p.z()), p);
                arms = Math.min(arms, mm);
                if (mm < least) {
                    least = mm;
                    at = p;
                }
            }
        }
        return new Glasses(lens, arms, at);
    }

    private static List<Vec3> lens(Vec3 eye, int side) {
        var out = new ArrayList<Vec3>();
        for (int i = 0; i <= WIDE_MM / STEP_MM; i++)
            for (int j = 0; j <= HIGH_MM / STEP_MM; j++) out.add(new Vec3(eye.x() + side * (i * STEP_MM - WIDE_MM / 2), eye.y() + BEFORE_MM,
                    eye.z() + ABOVE_MM - Math.min(j * STEP_MM, HIGH_MM)));
        return out;
    }

    /** From the hinge straight back to the ear. */
    private static List<Vec3> arm(HeadForm form, Vec3 eye, int side) {
        var out = new ArrayList<Vec3>();
        double x = side * (form.measures().faceWidthMm() / 2 + BESIDE_MM);
        for (double y = 0; y <= eye.y() + BEFORE_MM - 4; y += STEP_MM) out.add(new Vec3(x, y, eye.z() + ARMS_UP_MM));
        return out;
    }

    public double leastMm() {
        return Math.min(lensMm, armsMm);
    }

    /** What to say when they do not fit. */
    Optional<Finding> finding() {
        if (leastMm() >= WANTED_MM) return Optional.empty();
        String part = lensMm <= armsMm ? "the lenses" : "the arms";
        String words = leastMm() < 0
                ? text("glasses: %s stand %.0f mm into the wall: %s", part, -leastMm(), lensMm <= armsMm
                        ? "it comes to rest on them and stands off the face by that; a larger scale, a deeper front or contact lenses"
                        : "they splay or slip off the ears; a larger scale, grooves inside or contact lenses")
                : text("glasses: %.1f mm of room at %s, %.0f wanted: a nod pushes them against the face", leastMm(), part, WANTED_MM);
        return Optional.of(Finding.of(leastMm() < 0 ? Weight.STOP : Weight.CARE, Subject.WHOLE, words));
    }

    private static String text(String format, Object... values) {
        return String.format(Locale.ROOT, format, values);
    }
}
