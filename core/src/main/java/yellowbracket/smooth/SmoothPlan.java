package yellowbracket.smooth;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowbracket.finding.Finding;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Practice;

/**
 * The ladder for this prop with hours and amounts. {@code seamDm2}: bands of filler along the show side of the seams, done before the
 * ladder.
 * Sanding minutes are the mix of flat, curved and tight on this prop.
 */
public record SmoothPlan(Areas areas, School school, Finish finish, List<Work> work, double seamDm2, Optional<Mix> seamFiller, double hours,
        double waitH, double cost, int sheets, double cans, double budgetUm, double takenUm, List<Finding> findings) {
    /** One step on the whole show side. */
    public record Work(Ladder.Step step, double areaDm2, double hours, String amount) {}

    /** Hours by hand of filling and blending the seams. */
    public double seamH() {
        return hours - work.stream().mapToDouble(Work::hours).sum();
    }

    /**
     * Seams on the show side.
     * @param lengthMm of all of them @param unevenMm what is to be filled along them beyond the usual, on average; below 0 where glue
     *        fills @param sandTimes how long they take to sand, against the usual
     */
    public record Seams(double lengthMm, double unevenMm, double sandTimes) {
        public static final Seams NONE = new Seams(0, 0, 1);

        public static Seams usual(double lengthMm) {
            return new Seams(lengthMm, 0, 1);
        }
    }

    /** @param wallMm printed wall that may be sanded into */
    public static SmoothPlan of(Areas areas, Seams seams, Finish finish, School school, Ladder.Weights weights, double celsius,
            double wallMm, Catalogue shop) {
        double dm2 = areas.totalDm2();
        var outcome = Ladder.find(areas.valley90Um(), finish, school, weights, shop, sandMinutes(areas, shop));
        double band = seams.lengthMm * shop.usual(Practice.SEAM_BAND_MM) / 1e4;
        var filler = shop.coating("two-part polyester filler");
        var mix = band > 0 ? Optional.of(Mix.of(filler, band, Math.max(0, shop.usual(Practice.SEAM_FILL_MM) + seams.unevenMm), celsius,
                shop.usual(Practice.SPREAD_FILLER_MIN_DM2), shop)) : Optional.<Mix>empty();
        double seamH = band * (shop.usual(Practice.SPREAD_FILLER_MIN_DM2) + 3 * shop.usual(Practice.SAND_CURVED_MIN_DM2) * seams.sandTimes)
                / 60;
        return switch (outcome) {
            case Ladder.Outcome.OutOfReach no -> new SmoothPlan(areas, school, finish, List.of(), band, mix, seamH, filler.sandableH(), 0,
                    0, 0, wallMm * 1000, 0, List.of(Finding.stop(no.why())));
            case Ladder.Outcome.Found found -> {
                var work = new ArrayList<Work>();
                double cans = 0, taken = 0, sheets = 0;
                for (var s : found.steps()) {
                    double can = s.kind() == Ladder.Kind.SAND ? 0 : s.passes() * dm2 / 100 / shop.coating(s.product()).m2PerContainer();
                    double paper = s.kind() == Ladder.Kind.SAND ? s.passes() * dm2 / shop.sheetDm2() : 0;
                    if (s.kind() == Ladder.Kind.PRIME) cans += can;
                    if (s.kind() == Ladder.Kind.SAND) taken += 0.16 * s.passes() * grain(shop, s.product());
                    sheets += paper;
                    work.add(new Work(s, dm2, s.minPerDm2() * dm2 / 60, amount(s, can, paper, shop, dm2, celsius)));
                }
                double filled = work.stream()
                        .filter(w -> w.step.kind() != Ladder.Kind.SAND)
                        .mapToDouble(w -> shop.coating(w.step.product()).filmUm() * w.step.passes())
                        .sum();
                var findings = new ArrayList<Finding>();
                if (taken > wallMm * 1000 + filled - 300)
                    findings.add(Finding.care("sanding takes more than walls and films hold: print one wall more or fill instead"));
                yield new SmoothPlan(areas, school, finish, List.copyOf(work), band, mix, seamH + found.minutesPerDm2() * dm2 / 60,
                        found.waitH() + (band > 0 ? filler.sandableH() : 0), found.costPerDm2() * dm2, (int) Math.ceil(sheets), cans,
                        wallMm * 1000 + filled, taken, List.copyOf(findings));
            }
        };
    }

    /** Minutes for one pass over a square decimetre, mixed by shape. */
    static double sandMinutes(Areas a, Catalogue shop) {
        double all = a.flatMm2() + a.curvedMm2() + a.tightMm2();
        if (all == 0) return shop.usual(Practice.SAND_CURVED_MIN_DM2);
        return (a.flatMm2() * shop.usual(Practice.SAND_FLAT_MIN_DM2) + a.curvedMm2() * shop.usual(Practice.SAND_CURVED_MIN_DM2)
                + a.tightMm2() * shop.usual(Practice.SAND_TIGHT_MIN_DM2)) / all;
    }

    private static double grain(Catalogue shop, String name) {
        return shop.grits().stream().filter(g -> g.name().equals(name)).findFirst().orElseThrow().grainUm();
    }

    private static String amount(Ladder.Step s, double cans, double sheets, Catalogue shop, double dm2, double celsius) {
        if (s.kind() == Ladder.Kind.SAND) return text("%.1f sheets", sheets);
        var c = shop.coating(s.product());
        if (c.sprayed()) return text("%.1f cans", cans);
        if (c.hardener().isPresent()) {
            var m = Mix.of(c, dm2 * s.passes(), c.filmUm() / 1000, celsius, s.minPerDm2() / s.passes(), shop);
            return m.words();
        }
        return text("%.0f ml", cans * c.containerMl());
    }

    private static String text(String format, Object... args) {
        return String.format(java.util.Locale.ROOT, format, args);
    }
}
