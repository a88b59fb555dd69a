package yellowbracket.size;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import yellowbracket.search.Threshold;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Fix;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.intake.Intake;
import yellowbracket.mesh.Progress;
import yellowbracket.shop.Wearer;

/**
 * One wearer in one prop at one scale: pose, clearance, vision, air, and what to say about it. Whether the head goes in is {@link
 * Donning}'s.
 */
public record Fit(Room room, double scale, Pose pose, Clearance clearance, Vision vision, Air air, Speech speech, Optional<Glasses> glasses,
        List<Finding> findings) {

    /**
     * Scales and why: {@code lowest} keeps every zone's least clearance, {@code recommended} has room for pads, beyond {@code highest} pads
     * get impractical. {@code fits} is false when no scale gives every zone its room: then all of them are the largest looked at.
     */
    public record Scales(double lowest, String lowestBecause, double recommended, String recommendedBecause, double highest,
            String highestBecause, boolean fits) {}

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
        var speech = Speech.of(form, cavity.index(), scale, pose);
        var glasses = room.wearer().glasses() ? Optional.of(Glasses.of(form, cavity.index(), scale, pose)) : Optional.<Glasses>empty();
        var findings = new ArrayList<>(judge(room, cavity, scale, clearance, vision, air, scales, form));
        findings.addAll(speech.findings());
        glasses.flatMap(Glasses::finding).ifPresent(findings::add);
        findings.sort(Finding.GRAVEST_FIRST);
        return new Fit(room, scale, pose, clearance, vision, air, speech, glasses, List.copyOf(findings));
    }

    /** What the wearer wants once the trials are counted in: each is compared with the clearance computed at its own scale. */
    public static Room room(Wearer w, List<Trial> trials, HeadForm form, Cavity cavity) {
        var rule = Room.of(w);
        return trials.isEmpty() ? rule
                : Room.of(w, trials,
                        t -> Clearance.of(form, cavity, t.scale(), new PoseSearch(form, cavity, rule, t.scale()).run()).least());
    }

    /** The three scales, each judged as {@link #of} judges a scale: the pose solved there, every point of the form. */
    public static Scales scales(Room room, HeadForm form, Cavity cavity, Progress progress) {
        var at = new HashMap<Double, Clearance>();
        var solved = solve(room, form, cavity, at, 1, false, progress);
        var low = room.fitsAt().isPresent() && room.fitsAt().getAsDouble() < solved.scale
                ? new Solved(room.fitsAt().getAsDouble(), "a test piece fitted there", true)
                : solved;
        var target = solve(room, form, cavity, at, low.scale, true, progress);
        var high = highest(form, cavity, target.scale);
        return new Scales(low.scale, low.because, Math.max(low.scale, target.scale), target.because, Math.max(high.scale, target.scale),
                high.because, low.found);
    }

    /** Scales looked at, and how finely. */
    private static final double LEAST_SCALE = 0.4, MOST_SCALE = 2.6, FINE_SCALE = 0.001, LEAST_STEP = 0.005;
    /** By about so many mm the spare clearance grows when the scale doubles. */
    private static final double GROWTH_MM = 100;
    /** Scales tried at most for one answer. */
    private static final int TRIES = 24, MOST_DENTS = 6;

    private record Solved(double scale, String because, boolean found) {}

    /** The spare clearance grows with the scale, nearly evenly: a step by that, then between what is too small and what is not. */
    private static Solved solve(Room room, HeadForm form, Cavity cavity, Map<Double, Clearance> known, double start, boolean padded,
            Progress progress) {
        double low = LEAST_SCALE, lowSpare = Double.NaN, high = MOST_SCALE, highSpare = Double.NaN, s = fine(start);
        var limit = Zone.CROWN;
        boolean found = false;
        for (int i = 0; i < TRIES && high - low > 1.5 * FINE_SCALE; i++) {
            progress.check();
            var worst = worst(at(s, room, form, cavity, known), room, padded);
            if (worst.spare >= 0) {
                high = s;
                highSpare = worst.spare;
                found = true;
            } else {
                low = s;
                lowSpare = worst.spare;
                limit = worst.zone;
            }
            if (!found && s >= MOST_SCALE) break;
            // one way only so far: each step the longer, for a head that meets no wall tells nothing of how far it still is
            double stride = LEAST_STEP * Math.scalb(1, Math.min(i, 12));
            double to = Double.isNaN(lowSpare) ? high - Math.max(1.1 * highSpare / GROWTH_MM, stride)
                    : Double.isNaN(highSpare) ? low + Math.max(-1.1 * lowSpare / GROWTH_MM, stride)
                            : low + (high - low) * Math.clamp(-lowSpare / (highSpare - lowSpare), 0.08, 0.92);
            if (found && high <= LEAST_SCALE) break;
            s = fine(Math.clamp(to, LEAST_SCALE, MOST_SCALE));
            // strictly between what is known
            if (!Double.isNaN(lowSpare)) s = fine(Math.max(s, low + FINE_SCALE));
            if (found) s = fine(Math.min(s, high - FINE_SCALE));
        }
        // in an uneven hollow the spare room has dents: half a per cent below the answer none may fit
        for (int i = 0; found && i < MOST_DENTS; i++) {
            double below = fine(high - LEAST_STEP);
            progress.check();
            if (below < LEAST_SCALE || worst(at(below, room, form, cavity, known), room, padded).spare < 0) break;
            for (high = below; high > LEAST_SCALE; high = fine(high - FINE_SCALE)) {
                var next = worst(at(fine(high - FINE_SCALE), room, form, cavity, known), room, padded);
                if (next.spare >= 0) continue;
                limit = next.zone;
                break;
            }
        }
        if (!found) return new Solved(MOST_SCALE, text("at no scale up to %.0f %% has %s its %.0f mm", 100 * MOST_SCALE, limit.label(),
                padded ? room.targetMm(limit) : room.leastMm(limit)), false);
        return new Solved(high, text(padded ? "%s at its %.0f mm of padding room" : "%s at its least, %.0f mm", limit.label(),
                padded ? room.targetMm(limit) : room.leastMm(limit)), true);
    }

    private static Clearance at(double scale, Room room, HeadForm form, Cavity cavity, Map<Double, Clearance> known) {
        return known.computeIfAbsent(scale, k -> Clearance.of(form, cavity, k, new PoseSearch(form, cavity, room, k).run()));
    }

    private static double fine(double scale) {
        return Math.rint(scale / FINE_SCALE) / Math.rint(1 / FINE_SCALE);
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
        return new Solved(Math.floor(high * 200) / 200, text("%s would need %.0f mm of foam", limit.get().label(), THICKEST_PAD_MM), true);
    }

    private static List<Finding> judge(Room room, Cavity cavity, double scale, Clearance c, Vision v, Air air, Scales scales,
            HeadForm form) {
        var out = new ArrayList<Finding>();
        cavity.insideOut().ifPresent(out::add);
        if (!scales.fits) out.add(Finding.of(Weight.STOP, Subject.WHOLE, "this hollow is not for this head: " + scales.lowestBecause));
        for (var z : c.zones()) {
            if (z.zone() == Zone.NECK) continue;
            double least = room.leastMm(z.zone());
            if (z.minMm() < least) out.add(Finding
                    .of(z.minMm() < least / 2 ? Weight.STOP : Weight.CARE, Subject.WHOLE,
                            text("%s: %.1f mm short (%.1f of %.0f)", z.zone().label(), least - z.minMm(), z.minMm(), least))
                    .fixedBy(SizeWish.scaleTo(scales.lowest)));
        }
        if (cavity.visorZ().isEmpty()) out.add(facing(cavity)
                .orElseGet(() -> Finding.of(Weight.NOTE, Subject.WHOLE, "no opening for the eyes found: they are placed by the crown")));
        out.addAll(seeing(v, air));
        if (scale > scales.highest)
            out.add(Finding.of(Weight.CARE, Subject.WHOLE, text("pads of over %.0f mm will not hold it still", THICKEST_PAD_MM))
                    .fixedBy(SizeWish.scaleTo(scales.highest)));
        if (room.corrected())
            out.add(Finding.of(Weight.NOTE, Subject.WHOLE, "clearances wanted are corrected by the test pieces in the log"));
        if (!form.measures().assumed().isEmpty())
            out.add(Finding.of(Weight.NOTE, Subject.WHOLE, "assumed, not measured: " + String.join(", ", form.measures().assumed())));
        return List.copyOf(out);
    }

    /** Worn as it lies, one would look at its wall. */
    private static Optional<Finding> facing(Cavity cavity) {
        return cavity.toFront().map(t -> {
            String side = t.row1().y() < -0.5 ? "back" : t.row1().x() > 0.5 ? "right" : "left";
            return Finding
                    .of(Weight.STOP, Subject.WHOLE,
                            "nothing is open in front of the eyes, but there is an opening at the " + side + ": it faces the wrong way")
                    .fixedBy(new Fix.Change<>("turn it to face forward", Intake.class, i -> i.turned(t)));
        });
    }

    /** Of the findings, those about view, air and voice. */
    public List<Finding> seeing() {
        var out = new ArrayList<>(seeing(vision, air));
        out.addAll(speech.findings());
        return List.copyOf(out);
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
