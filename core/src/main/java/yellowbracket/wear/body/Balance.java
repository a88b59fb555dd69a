package yellowbracket.wear.body;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import yellowbracket.finding.Finding;
import yellowbracket.join.Loads;
import yellowbracket.join.Weighed;
import yellowbracket.mesh.Vec3;
import yellowbracket.size.HeadForm;
import yellowbracket.size.Pose;

/**
 * What all that is worn weighs, where its centre is, and what that does to the neck.
 *
 * @param centre prop mm @param neckNmm moment about the joint of head and neck, above 0 pulls the face down; the head's own is left out
 * @param counter grams behind that would take it away, and where; empty where it is easy as it is or nothing is worn
 */
public record Balance(List<Weighed> parts, double grams, Vec3 centre, double neckNmm, Optional<Counter> counter, Bearable bearable,
        List<Finding> findings) {
    /** How long one stands for it; starting values for adults used to it. */
    public enum Bearable {
        HOURS("for hours"), AN_HOUR("an hour or so, then a rest"), MINUTES("for minutes only");

        private final String words;

        Bearable(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** Lead or sand to be fixed at a place, prop mm; {@code leftNmm}: moment with it. */
    public record Counter(double grams, Vec3 at, double leftNmm) {}

    /** Light, for hours, no longer than minutes: grams; easy and tiring moments, Nmm. */
    public static final double LIGHT_G = 700, HOURS_G = 1500, MOST_G = 2000, EASY_NMM = 700, TIRING_NMM = 1500;
    /**
     * Where the head turns on the neck: behind the middle of the head, and below the eyes as a share of chin to crown; a starting value.
     */
    private static final double JOINT_Y_MM = -8, JOINT_T = -0.18;
    /** A counterweight is worth it from here on, grams; on the wall behind, so far within it, mm. */
    private static final double WORTH_G = 20;

    public Balance {
        parts = List.copyOf(parts);
        findings = List.copyOf(findings);
    }

    /** The joint of head and neck of a posed head, prop mm. */
    public static Vec3 joint(HeadForm form, Pose pose) {
        return pose.place(new Vec3(0, JOINT_Y_MM, JOINT_T * form.measures().heightMm()));
    }

    /** Of what nobody puts on: mass and centre alone. */
    public static Balance carried(List<Weighed> parts) {
        var whole = whole(parts);
        return new Balance(parts, whole.grams(), whole.at(), 0, Optional.empty(), Bearable.HOURS, List.of());
    }

    /** @param behind where a counterweight could be fixed */
    public static Balance worn(List<Weighed> parts, Vec3 joint, Optional<Vec3> behind) {
        var whole = whole(parts);
        double lever = whole.at().y() - joint.y(), moment = whole.grams() * Loads.GRAVITY * lever;
        var counter = behind.flatMap(b -> counter(whole, joint, b));
        var bearable = whole.grams() > MOST_G || Math.abs(moment) > TIRING_NMM ? Bearable.MINUTES
                : whole.grams() > HOURS_G || Math.abs(moment) > EASY_NMM ? Bearable.AN_HOUR : Bearable.HOURS;
        var found = new ArrayList<Finding>();
        if (whole.grams() > MOST_G) found.add(Finding.care(
                text("it weighs %.1f kg with all that goes in: above %.0f kg only for minutes; thinner walls, or hang it on the shoulders",
                        whole.grams() / 1000, MOST_G / 1000)));
        else if (whole.grams() > HOURS_G)
            found.add(Finding.note(text("it weighs %.1f kg with all that goes in: plan rests", whole.grams() / 1000)));
        if (Math.abs(moment) > TIRING_NMM)
            found.add(Finding.care(text("it pulls the face %s with %.1f Nm: that tires within minutes%s", moment > 0 ? "down" : "up",
                    Math.abs(moment) / 1000, counter.map(c -> text("; %.0f g behind take it away", c.grams)).orElse(""))));
        return new Balance(parts, whole.grams(), whole.at(), moment, counter, bearable, found);
    }

    /** All parts as one. */
    public static Weighed whole(List<Weighed> parts) {
        double grams = 0;
        var sum = Vec3.ZERO;
        for (var p : parts) {
            grams += p.grams();
            sum = sum.plus(p.at().times(p.grams()));
        }
        return new Weighed("all", grams, grams > 0 ? sum.times(1 / grams) : Vec3.ZERO);
    }

    /** As much as brings the moment to nothing, less where the whole would weigh too much. */
    private static Optional<Counter> counter(Weighed whole, Vec3 joint, Vec3 behind) {
        double moment = whole.grams() * (whole.at().y() - joint.y()), arm = joint.y() - behind.y();
        if (arm <= 0 || moment <= 0) return Optional.empty();
        double grams = Math.min(moment / arm, Math.max(0, MOST_G - whole.grams()));
        return grams < WORTH_G || moment * Loads.GRAVITY < EASY_NMM ? Optional.empty()
                : Optional.of(new Counter(grams, behind, (moment - grams * arm) * Loads.GRAVITY));
    }

    private static String text(String format, Object... values) {
        return String.format(Locale.ROOT, format, values);
    }
}
