package yellowbracket.smooth;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowbracket.finding.Finding;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Practice;

/**
 * What is to be done from the layer lines to the finish, with hours and amounts: each area has its ladder, and what is alike is done in one
 * go. {@code seamDm2}: bands of filler along the show side of the seams, done before the ladder.
 * @param budgetUm printed wall, {@code takenUm} what is sanded off it where most is
 */
public record SmoothPlan(Areas areas, School school, Finish finish, List<Work> work, double seamDm2, Optional<Mix> seamFiller, double hours,
        double waitH, double cost, int sheets, double cans, double budgetUm, double takenUm, List<Finding> findings) {
    /**
     * One step, done where it is needed.
     * @param step as on the largest of its areas @param where names of areas; empty for everywhere @param ml of film without waste;
     *        {@code cans} of what is sprayed
     */
    public record Work(Ladder.Step step, List<String> where, double areaDm2, double hours, double ml, double sheets, double cans,
            String amount) {
        public Work {
            where = List.copyOf(where);
        }
    }

    /** Less wall than this is not sanded into, um. */
    private static final double LEAST_WALL_UM = 300;

    public SmoothPlan {
        work = List.copyOf(work);
        findings = List.copyOf(findings);
    }

    /** Hours by hand of filling and blending the seams. */
    public double seamH() {
        return hours - work.stream().mapToDouble(Work::hours).sum();
    }

    /**
     * Seams on the show side.
     * @param lengthMm of all of them @param unevenMm what is to be filled along them beyond the usual, on average; below 0 where glue fills
     * @param sandTimes how long they take to sand, against the usual
     */
    public record Seams(double lengthMm, double unevenMm, double sandTimes) {
        public static final Seams NONE = new Seams(0, 0, 1);

        public static Seams usual(double lengthMm) {
            return new Seams(lengthMm, 0, 1);
        }
    }

    /** What the work goes by. @param material of the print @param wallMm printed wall that may be sanded into */
    public record Asked(Ladders ladders, double celsius, String material, double wallMm) {}

    public static SmoothPlan of(Areas areas, Seams seams, Asked asked, Catalogue shop) {
        return new Making(areas, seams, asked, shop).run();
    }

    /** Single use. */
    private static final class Making {
        private final Areas areas;
        private final Seams seams;
        private final Asked asked;
        private final Catalogue shop;
        private final List<Finding> findings = new ArrayList<>();

        Making(Areas areas, Seams seams, Asked asked, Catalogue shop) {
            this.areas = areas;
            this.seams = seams;
            this.asked = asked;
            this.shop = shop;
        }

        SmoothPlan run() {
            double band = seams.lengthMm * shop.usual(Practice.SEAM_BAND_MM) / 1e4;
            var filler = shop.coating("two-part polyester filler");
            var mix = band > 0 ? Optional.of(Mix.of(filler, band, Math.max(0, shop.usual(Practice.SEAM_FILL_MM) + seams.unevenMm),
                    asked.celsius, shop.usual(Practice.SPREAD_FILLER_MIN_DM2), shop)) : Optional.<Mix>empty();
            double seamH = band
                    * (shop.usual(Practice.SPREAD_FILLER_MIN_DM2) + 3 * shop.usual(Practice.SAND_CURVED_MIN_DM2) * seams.sandTimes) / 60,
                    seamWait = band > 0 ? filler.sandableH() : 0;
            var ladders = ladders();
            if (!findings.isEmpty()) return new SmoothPlan(areas, asked.ladders.school(), asked.ladders.finish(), List.of(), band, mix,
                    seamH, seamWait, 0, 0, 0, asked.wallMm * 1000, 0, findings);
            var work = merged(ladders);
            double cost = 0, wait = seamWait, cans = 0, sheets = 0, hours = seamH, taken = 0;
            for (var w : work) {
                hours += w.hours;
                wait += w.step.waitH();
                sheets += w.sheets;
                cost += w.step.costPerDm2() * w.areaDm2;
                cans += w.cans;
            }
            for (var steps : ladders.values()) taken = Math.max(taken, steps.stream().mapToDouble(Ladder.Step::printUm).sum());
            mix.ifPresent(this::dosed);
            for (var w : work) if (w.step.kind() == Ladder.Kind.FILM) mix(w.step, w.areaDm2, w.ml).ifPresent(this::dosed);
            if (taken > asked.wallMm * 1000 - LEAST_WALL_UM)
                findings.add(Finding.care("sanding takes more than the walls hold: print one wall more or fill instead"));
            return new SmoothPlan(areas, asked.ladders.school(), asked.ladders.finish(), work, band, mix, hours, wait, cost,
                    (int) Math.ceil(sheets), cans, asked.wallMm * 1000, taken, findings);
        }

        /**
         * By area: areas with lines alike go the same way, whatever their shape, or the way of deeper ones where that spares sessions; none
         * where one of them is out of reach.
         */
        private Map<Areas.Area, List<Ladder.Step>> ladders() {
            var own = new EnumMap<Areas.Lines, Group>(Areas.Lines.class);
            for (var lines : Areas.Lines.values()) {
                var in = areas.list().stream().filter(a -> a.lines() == lines).toList();
                if (in.isEmpty()) continue;
                var shape = in.getFirst().shape();
                double deep = in.stream().mapToDouble(Areas.Area::deepUm).max().orElseThrow();
                switch (asked.ladders.of(shape, deep, asked.material, areas.totalDm2())) {
                    case Ladder.Outcome.Found f -> own.put(lines, new Group(in, shape, f.steps()));
                    case Ladder.Outcome.OutOfReach no -> {
                        findings.add(Finding.stop(no.why()));
                        return Map.of();
                    }
                }
            }
            var groups = List.copyOf(own.values());
            Map<Areas.Area, List<Ladder.Step>> best = Map.of();
            double least = Double.POSITIVE_INFINITY;
            for (var ways : ways(groups.size())) {
                var out = new LinkedHashMap<Areas.Area, List<Ladder.Step>>();
                for (int i = 0; i < ways.length; i++) for (var area : groups.get(i).areas) out.put(area, groups.get(ways[i]).steps(area));
                double hours = 0;
                for (var w : merged(out))
                    hours += w.hours + shop.usual(w.step.kind() == Ladder.Kind.PRIME ? Practice.SPRAY_SETUP_H : Practice.HAND_SETUP_H);
                if (hours >= least) continue;
                least = hours;
                best = out;
            }
            return best;
        }

        /** For each group its own way or that of one with deeper lines. */
        private static List<int[]> ways(int n) {
            var out = new ArrayList<int[]>();
            out.add(new int[n]);
            for (int i = 0; i < n; i++) {
                var next = new ArrayList<int[]>();
                for (var w : out) for (int k = i; k < n; k++) {
                    var more = w.clone();
                    more[i] = k;
                    next.add(more);
                }
                out.clear();
                out.addAll(next);
            }
            return out;
        }

        /** Areas with lines alike. @param shape on which the steps were timed */
        private record Group(List<Areas.Area> areas, Areas.Shape shape, List<Ladder.Step> own) {
            List<Ladder.Step> steps(Areas.Area a) {
                return own.stream().map(s -> s.on(shape, a.shape())).toList();
            }
        }

        /** Steps of a kind are done in one go: films by knife and brush first, coarse paper before fine, spray when all is ready. */
        private List<Work> merged(Map<Areas.Area, List<Ladder.Step>> ladders) {
            var at = new LinkedHashMap<Areas.Area, Integer>();
            ladders.keySet().forEach(a -> at.put(a, 0));
            var out = new ArrayList<Work>();
            while (true) {
                var heads = new LinkedHashMap<Areas.Area, Ladder.Step>();
                ladders.forEach((a, steps) -> {
                    if (at.get(a) < steps.size()) heads.put(a, steps.get(at.get(a)));
                });
                if (heads.isEmpty()) return out;
                var next = heads.values().stream().min(java.util.Comparator.comparingDouble(this::turn)).orElseThrow();
                var there = heads.keySet().stream().filter(a -> together(heads.get(a), next)).toList();
                out.add(work(next, there, heads, at));
                there.forEach(a -> at.merge(a, 1, Integer::sum));
            }
        }

        /** Done in one go: coats are counted place by place. */
        private static boolean together(Ladder.Step a, Ladder.Step b) {
            return a.kind() == b.kind() && a.product().equals(b.product());
        }

        private Optional<Mix> mix(Ladder.Step s, double dm2, double ml) {
            var c = shop.coating(s.product());
            return c.hardener().map(h -> Mix.of(c, dm2, ml / dm2 / 10, asked.celsius, s.minPerDm2() / s.coats(), shop));
        }

        /** A batch too small for the scale is told: too much or too little hardener spoils it. */
        private void dosed(Mix m) {
            double step = shop.usual(Practice.SCALE_STEP_G);
            var dose = m.dose(step);
            if (dose.met()) return;
            findings.add(Finding.care(text(
                    "%s: %.1f %s of hardener a batch cannot be measured to %.0f %s, it would be %.1f to %.1f %% where the label allows "
                            + "%.1f to %.1f: measure to %s %s, or mix %.0f %s at once and spread faster",
                    m.product(), m.hardenerEach(), m.unit(), step, m.unit(), 100 * dose.lowShare(), 100 * dose.highShare(),
                    100 * m.leastShare(), 100 * m.mostShare(), finer(step * m.baseEach() / dose.leastBase()), m.unit(),
                    Math.ceil(dose.leastBase()), m.unit())));
        }

        /** As scales are sold: 0.5, 0.1, 0.01. */
        private static String finer(double step) {
            return step >= 0.5 ? "0.5" : step >= 0.1 ? "0.1" : "0.01";
        }

        private double turn(Ladder.Step s) {
            return switch (s.kind()) {
                case FILM -> 0;
                case SAND -> 1 + s.scratchUm() / -1000;
                case PRIME -> 2 + s.coats() / -100.0;
            };
        }

        /** @param at how many steps each area has behind it */
        private Work work(Ladder.Step first, List<Areas.Area> there, Map<Areas.Area, Ladder.Step> heads, Map<Areas.Area, Integer> at) {
            double dm2 = 0, hours = 0, ml = 0, sheets = 0, cost = 0, cans = 0;
            for (var a : there) {
                var s = heads.get(a);
                dm2 += a.dm2();
                hours += s.minPerDm2() * a.dm2() / 60;
                ml += ml(s, a, at.get(a) == 0) * a.dm2();
                sheets += s.sheetsPerDm2() * a.dm2();
                cost += s.costPerDm2() * a.dm2();
                if (s.kind() == Ladder.Kind.PRIME) cans += cans(s, a.dm2());
            }
            int fewest = there.stream().mapToInt(a -> heads.get(a).coats()).min().orElse(1);
            String what = fewest == first.coats() ? first.what() : fewest + " to " + first.what();
            var where = there.size() == areas.list().size() ? List.<String>of() : called(there);
            var step = new Ladder.Step(first.kind(), what, first.product(), first.minPerDm2(), first.waitH(), cost / dm2, first.valleyUm(),
                    first.scratchUm(), first.coats(), ml / dm2, first.takenUm(), first.printUm(), sheets / dm2, first.stop());
            return new Work(step, where, dm2, hours, ml, sheets, cans, amount(step, dm2, ml, sheets, cans));
        }

        /** A knife on lines not touched yet fills what they hold on average, not where they are deepest; ml/dm2. */
        private double ml(Ladder.Step s, Areas.Area a, boolean untouched) {
            boolean fills = untouched && s.kind() == Ladder.Kind.FILM && Ladder.skims(shop.coating(s.product()));
            return fills ? Math.min(s.mlPerDm2(), Ladder.skimMl(a.meanUm())) : s.mlPerDm2();
        }

        /** All shapes with lines alike have one name. */
        private List<String> called(List<Areas.Area> some) {
            return some.stream()
                    .map(a -> some.containsAll(areas.list().stream().filter(o -> o.lines() == a.lines()).toList()) ? a.lines().words()
                            : a.words())
                    .distinct()
                    .toList();
        }

        private double cans(Ladder.Step s, double dm2) {
            return s.coats() * dm2 / 100 / shop.coating(s.product()).m2PerContainer();
        }

        private String amount(Ladder.Step s, double dm2, double ml, double sheets, double cans) {
            if (s.kind() == Ladder.Kind.SAND) return text("%.1f sheets", sheets);
            var c = shop.coating(s.product());
            if (c.sprayed()) return text("%.1f cans", cans);
            if (c.hardener().isPresent()) return mix(s, dm2, ml).orElseThrow().words();
            return text("%.0f ml", ml * shop.usual(Practice.MIX_TIMES));
        }

        private static String text(String format, Object... args) {
            return String.format(java.util.Locale.ROOT, format, args);
        }
    }
}
