package yellowbracket.size;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yellowbracket.mesh.Progress;
import yellowbracket.shop.Wearer;

/** One wearer in one prop at one scale: pose, clearance, passing, vision, and what to say about it. */
public record Fit(Wearer wearer, double scale, Pose pose, Clearance clearance, NeckPass neck, Vision vision, List<Finding> findings) {

    /** Something to tell: how grave it is, in words, and a scale that would mend it where one does (NaN where none). */
    public record Finding(Weight weight, String words, double scaleThatHelps) {}

    /** How grave a finding is. */
    public enum Weight { STOP, CARE, NOTE }

    /** Scales and why: {@code lowest} keeps every zone's least clearance, {@code recommended} has room for pads, beyond {@code highest} pads get impractical. */
    public record Scales(double lowest, String lowestBecause, double recommended, String recommendedBecause, double highest) {}

    /** Pads thicker than this no longer hold a helm still, mm. */
    private static final double THICKEST_PAD_MM = 38;

    public static Fit of(Wearer wearer, HeadForm form, Cavity cavity, double scale, Scales scales) {
        var pose = new PoseSearch(form, cavity, wearer, scale).run();
        var clearance = Clearance.of(form, cavity, scale, pose);
        var neck = NeckPass.of(form, cavity, scale, pose);
        var vision = Vision.of(form, cavity, scale, pose, wearer.eyeHeightMm());
        return new Fit(wearer, scale, pose, clearance, neck, vision, judge(wearer, cavity, scale, clearance, neck, vision, scales, form));
    }

    /** The three scales. Two rounds of bisection on the clearance, the pose solved anew between them. */
    public static Scales scales(Wearer wearer, HeadForm form, Cavity cavity, Progress progress) {
        var low = solve(wearer, form, cavity, 1, false, progress);
        var target = solve(wearer, form, cavity, low.scale, true, progress);
        double high = highest(wearer, form, cavity, target.scale);
        return new Scales(low.scale, low.because, Math.max(low.scale, target.scale), target.because, Math.max(high, target.scale));
    }

    private record Solved(double scale, String because) {}

    private static Solved solve(Wearer w, HeadForm form, Cavity cavity, double start, boolean padded, Progress progress) {
        double s = start;
        Zone limit = Zone.CROWN;
        for (int round = 0; round < 3; round++) {
            progress.check();
            var pose = new PoseSearch(form, cavity, w, s).run();
            double base = s, lo = 0.4, hi = 2.6;
            for (int i = 0; i < 18; i++) {
                double mid = (lo + hi) / 2;
                // here: the head stays put relative to the visor while the shell grows about it
                var at = new Pose(pose.forwardMm() * mid / base, pose.upMm() * mid / base, pose.pitchDeg());
                var worst = worst(Clearance.of(form, cavity, mid, at, 2), w, padded);
                if (worst.spare < 0) {
                    lo = mid;
                    limit = worst.zone;
                } else hi = mid;
            }
            if (Math.abs(hi - s) < 0.002) {
                s = hi;
                break;
            }
            s = hi;
        }
        String what = padded ? limit.label() + " get their " + Math.round(limit.targetMm(w)) + " mm" : limit.label() + " keep " + Math.round(limit.leastMm(w)) + " mm";
        return new Solved(Math.ceil(s * 500) / 500, what);
    }

    private record Worst(Zone zone, double spare) {}

    private static Worst worst(Clearance c, Wearer w, boolean padded) {
        var out = new Worst(Zone.CROWN, Double.POSITIVE_INFINITY);
        for (var z : c.zones()) {
            if (z.zone() == Zone.NECK) continue;
            double spare = z.minMm() - (padded ? z.zone().targetMm(w) : z.zone().leastMm(w));
            if (spare < out.spare) out = new Worst(z.zone(), spare);
        }
        return out.spare == Double.POSITIVE_INFINITY ? new Worst(Zone.CROWN, -1) : out;
    }

    private static double highest(Wearer w, HeadForm form, Cavity cavity, double from) {
        double lo = from, hi = 2.6;
        for (int i = 0; i < 10; i++) {
            double mid = (lo + hi) / 2;
            var pose = new Pose(cavity.middleY() * mid, cavity.visorZ().orElse(cavity.roofZ() - form.crownZ() / mid) * mid, 0);
            var c = Clearance.of(form, cavity, mid, pose, 3);
            double thickest = c.zones().stream().filter(z -> z.zone().padded()).mapToDouble(Clearance.ZoneClearance::medianMm).max().orElse(0);
            if (thickest < THICKEST_PAD_MM) lo = mid;
            else hi = mid;
        }
        return Math.floor(lo * 200) / 200;
    }

    private static List<Finding> judge(Wearer w, Cavity cavity, double scale, Clearance c, NeckPass neck, Vision v, Scales scales, HeadForm form) {
        var out = new ArrayList<Finding>();
        for (var z : c.zones()) {
            if (z.zone() == Zone.NECK) continue;
            double least = z.zone().leastMm(w);
            if (z.minMm() < least)
                out.add(new Finding(z.minMm() < least / 2 ? Weight.STOP : Weight.CARE, text("%s: %.1f mm left of %.0f mm wanted", z.zone().label(), z.minMm(), least), scales.lowest));
        }
        if (!neck.passes())
            out.add(new Finding(Weight.STOP, text("the head does not pass: %.0f mm short at the %s, %.0f mm above the rim", -neck.spareMm(), neck.tightestAt(), neck.tightestZ() - cavity.rimZ() * scale),
                    Double.NaN));
        if (cavity.visorZ().isEmpty()) out.add(new Finding(Weight.NOTE, "no visor found: eyes are placed by the crown", Double.NaN));
        else if (v.openShare() < 0.02) out.add(new Finding(Weight.STOP, "the eyes are off the visor: nothing is seen ahead", scales.recommended));
        else if (v.downDeg() < 20) out.add(new Finding(Weight.CARE, Double.isInfinite(v.floorFromM()) ? "the floor ahead is out of sight: plan a helper for stairs"
                : text("the floor is seen from %.1f m on: plan a helper for stairs", v.floorFromM()), Double.NaN));
        if (scale > scales.highest) out.add(new Finding(Weight.CARE, text("pads of over %.0f mm will not hold it still", THICKEST_PAD_MM), scales.highest));
        if (!form.measures().assumed().isEmpty())
            out.add(new Finding(Weight.NOTE, "assumed, not measured: " + String.join(", ", form.measures().assumed()), Double.NaN));
        out.sort(java.util.Comparator.comparing(Finding::weight));
        return List.copyOf(out);
    }

    private static String text(String format, Object... args) {
        return String.format(Locale.ROOT, format, args);
    }
}
