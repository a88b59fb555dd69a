package yellowbracket.size;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.atomic.AtomicReference;
import yellowbracket.search.Threshold;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Progress;
import yellowbracket.shop.Wearer;

/**
 * One wearer in one prop at one scale: pose, clearance, vision, air, and what to say about it. Whether the head goes in is {@link
 * Donning}'s.
 */
public record Fit(Room room, double scale, Pose pose, Clearance clearance, Vision vision, Air air, List<Finding> findings) {

    /**
     * Scales and why: {@code lowest} keeps every zone's least clearance, {@code recommended} has room for pads, beyond {@code highest} pads
     * get impractical.
     */
    public record Scales(double lowest, String lowestBecause, double recommended, String recommendedBecause, double highest,
            String highestBecause) {}

    /** Pads thicker than this no longer hold a helm still, mm. */
    private static final double THICKEST_PAD_MM = 38;
    /** Both eyes should share at least this much of what is open, to judge distances by. */
    private static final double LITTLE_OVERLAP = 0.35;

    public Wearer wearer() {
        return room.wearer();
    }

    public static Fit of(Room room, HeadForm form, Cavity cavity, double scale, Scales scales) {
        var pose = new PoseSearch(form, cavity, room, scale).run();
        var clearance = Clearance.of(form, cavity, scale, pose);
        var vision = Vision.of(form, cavity, scale, pose, room.wearer().eyeHeightMm());
        var air = Air.of(form, cavity, scale, pose);
        return new Fit(room, scale, pose, clearance, vision, air, judge(room, cavity, scale, clearance, vision, air, scales, form));
    }

    /** What the wearer wants once the trials are counted in: each is compared with the clearance computed at its own scale. */
    public static Room room(Wearer w, List<Trial> trials, HeadForm form, Cavity cavity) {
        var rule = Room.of(w);
        return trials.isEmpty() ? rule
                : Room.of(w, trials,
                        t -> Clearance.of(form, cavity, t.scale(), new PoseSearch(form, cavity, rule, t.scale()).run()).least());
    }

    /** The three scales. Two rounds of bisection on the clearance, the pose solved anew between them. */
    public static Scales scales(Room room, HeadForm form, Cavity cavity, Progress progress) {
        var solved = solve(room, form, cavity, 1, false, progress);
        var low = room.fitsAt().isPresent() && room.fitsAt().getAsDouble() < solved.scale
                ? new Solved(room.fitsAt().getAsDouble(), "a test piece fitted there")
                : solved;
        var target = solve(room, form, cavity, low.scale, true, progress);
        var high = highest(form, cavity, target.scale);
        return new Scales(low.scale, low.because, Math.max(low.scale, target.scale), target.because, Math.max(high.scale, target.scale),
                high.because);
    }

    /** Scales looked at, and how finely. */
    private static final double LEAST_SCALE = 0.4, MOST_SCALE = 2.6, FINE_SCALE = 1e-5;

    private record Solved(double scale, String because) {}

    private static Solved solve(Room room, HeadForm form, Cavity cavity, double start, boolean padded, Progress progress) {
        double s = start;
        Zone limit = Zone.CROWN;
        for (int round = 0; round < 3; round++) {
            progress.check();
            var pose = new PoseSearch(form, cavity, room, s).run();
            double base = s;
            var tight = new AtomicReference<>(limit);
            double found = Threshold.between(LEAST_SCALE, MOST_SCALE, FINE_SCALE, mid -> {
                var at = pose.grown(mid / base); // here: the head stays put relative to the visor while the shell grows about it
                var worst = worst(Clearance.of(form, cavity, mid, at, 2), room, padded);
                if (worst.spare < 0) tight.set(worst.zone);
                return worst.spare >= 0;
            });
            limit = tight.get();
            boolean settled = Math.abs(found - s) < 0.002;
            s = found;
            if (settled) break;
        }
        String what = text(padded ? "%s at its %.0f mm of padding room" : "%s at its least, %.0f mm", limit.label(),
                padded ? room.targetMm(limit) : room.leastMm(limit));
        return new Solved(Math.ceil(s * 500) / 500, what);
    }

    record Worst(Zone zone, double spare) {}

    /**
     * The zone furthest short of what it wants, and by how much, mm; a head that meets no wall at all is taken to be too large for the
     * hollow.
     */
    static Worst worst(Clearance c, Room room, boolean padded) {
        var out = new Worst(Zone.CROWN, Double.POSITIVE_INFINITY);
        for (var z : c.zones()) {
            if (z.zone() == Zone.NECK) continue;
            double spare = z.minMm() - (padded ? room.targetMm(z.zone()) : room.leastMm(z.zone()));
            if (spare < out.spare) out = new Worst(z.zone(), spare);
        }
        return out.spare == Double.POSITIVE_INFINITY ? new Worst(Zone.CROWN, -1) : out;
    }

    private static Solved highest(HeadForm form, Cavity cavity, double from) {
        var limit = new AtomicReference<>(Zone.BACK);
        double high = Threshold.between(from, MOST_SCALE, (MOST_SCALE - from) / 1024, mid -> {
            var pose = new Pose(cavity.middleY() * mid, cavity.visorZ().orElse(cavity.roofZ() - form.crownZ() / mid) * mid, 0);
            var c = Clearance.of(form, cavity, mid, pose, 3);
            var thickest = c.zones()
                    .stream()
                    .filter(z -> z.zone().padded())
                    .max(java.util.Comparator.comparingDouble(Clearance.ZoneClearance::medianMm));
            boolean tooThick = thickest.map(Clearance.ZoneClearance::medianMm).orElse(0.0) >= THICKEST_PAD_MM;
            if (tooThick) limit.set(thickest.get().zone());
            return tooThick;
        });
        return new Solved(Math.floor(high * 200) / 200, text("%s would need %.0f mm of foam", limit.get().label(), THICKEST_PAD_MM));
    }

    private static List<Finding> judge(Room room, Cavity cavity, double scale, Clearance c, Vision v, Air air, Scales scales,
            HeadForm form) {
        var out = new ArrayList<Finding>();
        for (var z : c.zones()) {
            if (z.zone() == Zone.NECK) continue;
            double least = room.leastMm(z.zone());
            if (z.minMm() < least) out.add(Finding
                    .of(z.minMm() < least / 2 ? Weight.STOP : Weight.CARE, Subject.WHOLE,
                            text("%s: %.1f mm short (%.1f of %.0f)", z.zone().label(), least - z.minMm(), z.minMm(), least))
                    .fixedBy(SizeWish.scaleTo(scales.lowest)));
        }
        if (cavity.visorZ().isEmpty()) out.add(Finding.of(Weight.NOTE, Subject.WHOLE, "no visor found: eyes are placed by the crown"));
        out.addAll(seeing(v, air));
        if (scale > scales.highest)
            out.add(Finding.of(Weight.CARE, Subject.WHOLE, text("pads of over %.0f mm will not hold it still", THICKEST_PAD_MM))
                    .fixedBy(SizeWish.scaleTo(scales.highest)));
        if (room.corrected())
            out.add(Finding.of(Weight.NOTE, Subject.WHOLE, "clearances wanted are corrected by the test pieces in the log"));
        if (!form.measures().assumed().isEmpty())
            out.add(Finding.of(Weight.NOTE, Subject.WHOLE, "assumed, not measured: " + String.join(", ", form.measures().assumed())));
        out.sort(Finding.GRAVEST_FIRST);
        return List.copyOf(out);
    }

    /** Of the findings, those about view and air. */
    public List<Finding> seeing() {
        return seeing(vision, air);
    }

    private static List<Finding> seeing(Vision v, Air air) {
        var out = new ArrayList<Finding>();
        if (v.openShare() < 0.02)
            out.add(Finding.of(Weight.STOP, Subject.WHOLE, "nothing is seen ahead: there is no opening in front of the eyes"));
        else if (v.downDeg() < 20) out.add(Finding.of(Weight.CARE, Subject.WHOLE,
                Double.isInfinite(v.floorFromM()) ? "the floor ahead is out of sight: plan a helper for stairs"
                        : text("the floor is seen from %.1f m on: plan a helper for stairs", v.floorFromM())));
        if (v.eyesUpMm() != 0)
            out.add(Finding.of(Weight.CARE, Subject.WHOLE, text("the eyes sit %.0f mm too %s: %s the helm by that with the crown pad",
                    Math.abs(v.eyesUpMm()), v.eyesUpMm() > 0 ? "low" : "high", v.eyesUpMm() > 0 ? "lower" : "raise")));
        if (v.openShare() >= 0.02 && v.bothShare() < LITTLE_OVERLAP) out.add(Finding.of(Weight.CARE, Subject.WHOLE,
                text("both eyes share only %.0f %% of the view: distances and steps are hard to judge", 100 * v.bothShare())));
        if (air.openCm2() < Air.WANTED_CM2) out.add(Finding.of(Weight.CARE, Subject.WHOLE,
                text("little air: %.1f cm2 open near the mouth, %.0f wanted; open slots or fit a fan, and take it off to rest",
                        air.openCm2(), Air.WANTED_CM2)));
        return out;
    }

    private static String text(String format, Object... args) {
        return String.format(Locale.ROOT, format, args);
    }
}
