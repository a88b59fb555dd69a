package yellowbracket.smooth;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import yellowbracket.finding.Finding;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Practice;
import yellowbracket.smooth.SmoothPlan.Amount;
import yellowbracket.smooth.SmoothPlan.Asked;
import yellowbracket.smooth.SmoothPlan.Seams;
import yellowbracket.smooth.SmoothPlan.SkinLeft;
import yellowbracket.smooth.SmoothPlan.Work;

/** Makes one {@link SmoothPlan}. Single use. */
final class SmoothPlanner {
    /** Print that gets soft below this is not sanded fast, C. */
    private static final double WARM_C = 80;
    /** A wet film is looked over after so many minutes: long enough to run, short enough to brush out. */
    private static final int LOOK_AFTER_MIN = 5;
    static final String WET = "look it over after ", MIST = "mist a thin inspection coat in another shade";

    private final Areas areas;
    private final Seams seams;
    private final Asked asked;
    private final Catalogue shop;
    private final Ladder.Way way;
    private final List<Finding> findings = new ArrayList<>();
    private final List<Amount> amounts = new ArrayList<>();

    SmoothPlanner(Areas areas, Seams seams, Asked asked, Catalogue shop) {
        this.areas = areas;
        this.seams = seams;
        this.asked = asked;
        this.shop = shop;
        way = asked.ladders().way();
    }

    SmoothPlan run() {
        double band = seams.lengthMm() * shop.usual(Practice.SEAM_BAND_MM) / 1e4;
        var filler = shop.coating("two-part polyester filler");
        double deep = Math.max(0, shop.usual(Practice.SEAM_FILL_MM) + seams.unevenMm());
        var mix = band > 0 ? Optional.of(Mix.of(filler, band, deep, asked.celsius(), shop.usual(Practice.SPREAD_FILLER_MIN_DM2), shop))
                : Optional.<Mix>empty();
        double seamH = band
                * (shop.usual(Practice.SPREAD_FILLER_MIN_DM2) + 3 * shop.usual(Practice.SAND_CURVED_MIN_DM2) * seams.sandTimes()) / 60,
                seamWait = band > 0 ? filler.sandableH() : 0;
        var ladders = ladders();
        boolean none = !findings.isEmpty();
        if (areas.list().isEmpty()) findings.add(Finding.care("nothing is to be smoothed: all of it is hidden or left as it is"));
        var work = none ? List.<Work>of() : looked(merged(ladders));
        double cost = 0, wait = seamWait, cans = 0, sheets = 0, hours = seamH, dust = 0;
        for (var w : work) {
            hours += w.hours();
            wait += w.step().waitH();
            sheets += w.sheets();
            cost += w.step().costPerDm2() * w.areaDm2();
            cans += w.cans();
        }
        for (var e : ladders.entrySet()) dust += e.getKey().dm2() * e.getValue().stream().mapToDouble(Ladder.Step::dustCm3).sum();
        double detail = ladders.values().stream().mapToDouble(s -> s.stream().mapToDouble(Ladder.Step::detailUm).sum()).max().orElse(0);
        var mixes = new ArrayList<Mix>();
        for (var w : work) if (w.step().kind() == Ladder.Kind.FILM) mix(w.step(), w.areaDm2(), w.ml()).ifPresent(mixes::add);
        mix.ifPresent(m -> seamAmount(m, band * 10 * deep));
        var skin = skin(ladders);
        told(mix, mixes, skin);
        return new SmoothPlan(areas, way, ladders, work, band, mix, mixes, amounts, hours, wait, cost, (int) Math.ceil(sheets), cans, dust,
                detail, skin, findings);
    }

    private void seamAmount(Mix m, double ml) {
        amounts.add(new Amount(m.product(), 0, 0, ml, ml * (shop.usual(Practice.MIX_TIMES) - 1)));
    }

    private SkinLeft skin(Map<Areas.Area, List<Ladder.Step>> ladders) {
        var least = SkinLeft.UNTOUCHED;
        for (var e : ladders.entrySet()) {
            double taken = e.getValue().stream().mapToDouble(Ladder.Step::printUm).sum(), left = 1000 * e.getKey().skinMm() - taken;
            if (left < least.leastUm()) least = new SkinLeft(left, taken, e.getKey().words());
        }
        return least;
    }

    private void told(Optional<Mix> seam, List<Mix> mixes, SkinLeft skin) {
        var all = new ArrayList<Mix>();
        seam.ifPresent(all::add);
        all.addAll(mixes);
        var products = new LinkedHashMap<String, Mix>();
        all.forEach(m -> products.merge(m.product(), m, (a, b) -> a.baseEach() <= b.baseEach() ? a : b));
        products.values().forEach(this::dosed);
        all.stream()
                .filter(Mix::heats)
                .map(Mix::product)
                .distinct()
                .forEach(p -> findings.add(Finding.care(
                        p + " in one cup this large heats up and sets early: pour it out onto the work, or into a flat tray, at once")));
        if (skin.leastUm() < 1000 * Skin.LEAST_MM && skin.takenUm() > 0) findings.add(Finding
                .care(text("%s: sanding leaves %.0f \u00b5m of solid print over the infill: print one wall or top layer more, or fill "
                        + "instead of sanding there", skin.where(), Math.max(0, skin.leastUm()))));
        shop.coatings()
                .stream()
                .filter(c -> way.school().allows(c.kind()) && c.light().isPresent())
                .map(c -> UvCure.refused(c, shop.lamp(way.means().lamp())))
                .filter(w -> !w.isEmpty())
                .forEach(w -> findings.add(Finding.care(w + "; until then it is planned without")));
        var material = shop.material(asked.material());
        if (way.means().machine() && material.softensC() < WARM_C) findings.add(Finding
                .care(text("a sander warms %s past %.0f C in seconds and drags it: lowest speed, sharp paper, keep moving, never on edges",
                        material.name(), material.softensC())));
    }

    /** Areas whose lines and finish are alike. */
    private record Group(Finish finish, List<Areas.Area> areas) {}

    /** A ladder for the lines of a group. @param shape on which its steps were timed */
    private record Candidate(int group, Areas.Shape shape, List<Ladder.Step> own) {
        List<Ladder.Step> steps(Areas.Area a, Catalogue shop) {
            return own.stream().map(s -> s.on(shape, a.shape(), shop)).toList();
        }

        boolean alike(Candidate o) {
            return group == o.group && own.stream().map(Ladder.Step::what).toList().equals(o.own.stream().map(Ladder.Step::what).toList());
        }
    }

    private Finish finish(Areas.Area a) {
        return a.target() == Target.MIRROR ? Finish.MIRROR : way.finish();
    }

    /**
     * By area: areas with lines alike go the same way, the best for most of them or for the tightest, or the way of deeper ones where that
     * spares sessions; none where one of them is out of reach.
     */
    private Map<Areas.Area, List<Ladder.Step>> ladders() {
        var groups = new ArrayList<Group>();
        for (var finish : Finish.values()) for (var lines : Areas.Lines.values()) {
            var in = areas.list().stream().filter(a -> a.lines() == lines && finish(a) == finish && a.target() != Target.TEXTURE).toList();
            if (!in.isEmpty()) groups.add(new Group(finish, in));
        }
        var candidates = new ArrayList<Candidate>();
        for (int i = 0; i < groups.size(); i++) {
            var g = groups.get(i);
            double deep = g.areas.stream().mapToDouble(Areas.Area::deepUm).max().orElseThrow();
            var shapes = Stream
                    .of(g.areas.getFirst().shape(), g.areas.stream().map(Areas.Area::shape).max(Comparator.naturalOrder()).orElseThrow())
                    .distinct()
                    .toList();
            for (var shape : shapes) switch (asked.ladders().of(shape, g.finish, deep, asked.material(), areas.totalDm2())) {
                case Ladder.Outcome.Found f -> {
                    var c = new Candidate(i, shape, f.steps());
                    if (candidates.stream().noneMatch(c::alike)) candidates.add(c);
                }
                case Ladder.Outcome.OutOfReach no -> {
                    findings.add(Finding.stop(no.why()));
                    return Map.of();
                }
            }
        }
        Map<Areas.Area, List<Ladder.Step>> best = Map.of();
        double least = Double.POSITIVE_INFINITY;
        for (var ways : ways(groups, candidates)) {
            var out = new LinkedHashMap<Areas.Area, List<Ladder.Step>>();
            for (int i = 0; i < groups.size(); i++) for (var area : groups.get(i).areas) out.put(area, ways.get(i).steps(area, shop));
            areas.list()
                    .stream()
                    .filter(a -> a.target() == Target.TEXTURE)
                    .forEach(a -> out.put(a, Ladder.primedOnly(way, shop, asked.material())));
            double cost = 0;
            for (var w : merged(out)) cost += session(w);
            if (cost >= least) continue;
            least = cost;
            best = out;
        }
        amounts.clear();
        return best;
    }

    /** What a session costs by what is aimed at, in minutes. */
    private double session(Work w) {
        var s = w.step();
        var weights = way.weights();
        double setup = shop.usual(s.kind() == Ladder.Kind.PRIME ? Practice.SPRAY_SETUP_H : Practice.HAND_SETUP_H);
        return weights.workMin() * 60 * (w.hours() + setup) + weights.money() * s.costPerDm2() * w.areaDm2()
                + w.areaDm2() * (weights.dustCm3() * s.dustCm3() + weights.detailUm() * s.detailUm());
    }

    /** For each group a way of its own or of one with deeper lines and the same finish. */
    private static List<List<Candidate>> ways(List<Group> groups, List<Candidate> candidates) {
        var out = new ArrayList<List<Candidate>>();
        out.add(List.of());
        for (int i = 0; i < groups.size(); i++) {
            var next = new ArrayList<List<Candidate>>();
            for (var w : out) for (var c : candidates) {
                if (c.group < i || groups.get(c.group).finish != groups.get(i).finish) continue;
                next.add(Stream.concat(w.stream(), Stream.of(c)).toList());
            }
            out.clear();
            out.addAll(next);
        }
        return out;
    }

    /** Steps of a kind are done in one go: films by knife and brush first, coarse paper before fine, spray when all is ready. */
    private List<Work> merged(Map<Areas.Area, List<Ladder.Step>> ladders) {
        amounts.clear();
        var at = new LinkedHashMap<Areas.Area, Integer>();
        ladders.keySet().forEach(a -> at.put(a, 0));
        var out = new ArrayList<Work>();
        while (true) {
            var heads = new LinkedHashMap<Areas.Area, Ladder.Step>();
            ladders.forEach((a, steps) -> {
                if (at.get(a) < steps.size()) heads.put(a, steps.get(at.get(a)));
            });
            if (heads.isEmpty()) return out;
            var next = heads.values().stream().min(Comparator.comparingDouble(SmoothPlanner::turn)).orElseThrow();
            var there = heads.keySet().stream().filter(a -> together(heads.get(a), next)).toList();
            out.add(work(next, there, heads, at));
            there.forEach(a -> at.merge(a, 1, Integer::sum));
        }
    }

    /** A look at every wet film while runs can still be brushed out, and one under a low lamp before gloss and metal. */
    private List<Work> looked(List<Work> done) {
        var out = new ArrayList<Work>();
        for (int i = 0; i < done.size(); i++) {
            var w = done.get(i);
            out.add(w);
            var s = w.step();
            if (levelled(done, i)) out.add(look(w, MIST, "lows stay dark, highs are bare: fill and sand those once more now",
                    "what the filler left low shows before primer is spent on it"));
            if (s.kind() != Ladder.Kind.FILM && s.kind() != Ladder.Kind.PRIME || shop.coating(s.product()).byKnife()) continue;
            out.add(look(w, WET + LOOK_AFTER_MIN + " min", "no runs, drips or dry edges; brush or wipe them out now",
                    "before it gels a run is wiped out; afterwards it is sanded out"));
        }
        boolean shines = way.finish().ordinal() >= Finish.GLOSS.ordinal()
                || areas.list().stream().anyMatch(a -> a.target() == Target.MIRROR);
        if (shines && !done.isEmpty()) out.add(look(done.getLast(), "look it over under raking light",
                "no line, pinhole or scratch throws a shadow; mark what does and go one round more",
                "gloss and metal show every flaw: this is the last look before colour"));
        return out;
    }

    /** The last sanding of a filler that a knife laid on, before anything is sprayed over it. */
    private boolean levelled(List<Work> done, int i) {
        var at = done.get(i);
        if (at.step().kind() != Ladder.Kind.SAND || !way.means().spray()) return false;
        boolean filled = false;
        for (int k = 0; k < i; k++) {
            var w = done.get(k);
            if (!w.where().equals(at.where())) continue;
            if (w.step().kind() == Ladder.Kind.FILM) filled = shop.coating(w.step().product()).byKnife();
            if (w.step().kind() == Ladder.Kind.PRIME) filled = false;
        }
        return filled && !sandedAgain(done, i);
    }

    private static boolean sandedAgain(List<Work> done, int i) {
        for (int k = i + 1; k < done.size(); k++) {
            if (!done.get(k).where().equals(done.get(i).where())) continue;
            return done.get(k).step().kind() == Ladder.Kind.SAND;
        }
        return false;
    }

    private Work look(Work w, String what, String stop, String why) {
        double min = shop.usual(Practice.LOOK_MIN_DM2);
        var step = new Ladder.Step(Ladder.Kind.LOOK, what, "", min, 0, 0, w.step().valleyUm(), w.step().scratchUm(), 1, 0, 0, 0, 0,
                w.step().overUm(), 0, 0, false, stop, why);
        return new Work(step, w.where(), w.areaDm2(), min * w.areaDm2() / 60, 0, 0, 0, "", "lamp held low");
    }

    /** Done in one go: coats are counted place by place. */
    private static boolean together(Ladder.Step a, Ladder.Step b) {
        return a.kind() == b.kind() && a.product().equals(b.product());
    }

    private Optional<Mix> mix(Ladder.Step s, double dm2, double ml) {
        var c = shop.coating(s.product());
        return c.hardener().map(h -> Mix.of(c, dm2, ml / dm2 / 10, asked.celsius(), s.minPerDm2() / s.coats(), shop));
    }

    /** A batch too small for the scale is told: too much or too little hardener spoils it. */
    private void dosed(Mix m) {
        double step = m.step(way.means().scaleG());
        var dose = m.dose(step);
        if (dose.met()) return;
        findings.add(Finding.care(text(
                "%s: %.1f %s of hardener a batch cannot be measured to %s %s, it would be %.1f to %.1f %% where the label allows "
                        + "%.1f to %.1f: measure to %s %s, or mix %.0f %s at once and spread faster",
                m.product(), m.hardenerEach(), m.unit(), grams(step), m.unit(), 100 * dose.lowShare(), 100 * dose.highShare(),
                100 * m.leastShare(), 100 * m.mostShare(), finer(step * m.baseEach() / dose.leastBase()), m.unit(),
                Math.ceil(dose.leastBase()), m.unit())));
    }

    private static String grams(double step) {
        return step >= 1 ? text("%.0f", step) : text("%s", step);
    }

    /** As scales are sold: 0.5, 0.1, 0.01. */
    private static String finer(double step) {
        return step >= 0.5 ? "0.5" : step >= 0.1 ? "0.1" : "0.01";
    }

    private static double turn(Ladder.Step s) {
        return switch (s.kind()) {
            case FILM -> 0;
            case SAND -> 1 + s.scratchUm() / -1000;
            case PRIME -> 2 + s.coats() / -100.0;
            case LOOK -> 3;
        };
    }

    /** @param at how many steps each area has behind it */
    private Work work(Ladder.Step first, List<Areas.Area> there, Map<Areas.Area, Ladder.Step> heads, Map<Areas.Area, Integer> at) {
        double dm2 = 0, hours = 0, ml = 0, sheets = 0, cost = 0, cans = 0, valleys = 0;
        for (var a : there) {
            var s = heads.get(a);
            dm2 += a.dm2();
            hours += s.minPerDm2() * a.dm2() / 60;
            double own = ml(s, a, at.get(a) == 0) * a.dm2();
            ml += own;
            valleys += Math.min(own, at.get(a) == 0 ? a.meanUm() / 2 * a.dm2() / 100 : 0);
            sheets += s.sheetsPerDm2() * a.dm2();
            cost += s.costPerDm2() * a.dm2();
            if (s.kind() == Ladder.Kind.PRIME) cans += cans(s, a.dm2());
        }
        int fewest = there.stream().mapToInt(a -> heads.get(a).coats()).min().orElse(1);
        String what = fewest == first.coats() ? first.what() : fewest + " to " + first.what();
        var where = there.size() == areas.list().size() ? List.<String>of() : called(there);
        var step = new Ladder.Step(first.kind(), what, first.product(), first.minPerDm2(), first.waitH(), cost / dm2, first.valleyUm(),
                first.scratchUm(), first.coats(), ml / dm2, first.takenUm(), first.printUm(), sheets / dm2, first.overUm(), first.dustCm3(),
                first.detailUm(), first.machine(), first.stop(), first.why());
        if (step.kind() == Ladder.Kind.FILM)
            amounts.add(new Amount(step.product(), valleys, ml - valleys, 0, ml * (shop.usual(Practice.MIX_TIMES) - 1)));
        return new Work(step, where, dm2, hours, ml, sheets, cans, amount(step, dm2, ml, sheets, cans), tool(step, there));
    }

    private String tool(Ladder.Step s, List<Areas.Area> there) {
        if (s.kind() == Ladder.Kind.SAND) {
            var held = new ArrayList<String>();
            if (s.machine()) held.add("sander, low speed");
            there.stream()
                    .map(Areas.Area::shape)
                    .distinct()
                    .sorted()
                    .filter(a -> !s.machine() || !Ladder.machines(a))
                    .forEach(a -> held.add(a.heldBy()));
            return String.join("; ", held);
        }
        var c = shop.coating(s.product());
        return c.sprayed() ? "can" : c.byKnife() ? "spreader" : "brush";
    }

    /** A knife on lines not touched yet fills what they hold on average, not where they are deepest; ml/dm2. */
    private double ml(Ladder.Step s, Areas.Area a, boolean untouched) {
        boolean fills = untouched && s.kind() == Ladder.Kind.FILM && shop.coating(s.product()).byKnife();
        return fills ? Math.min(s.mlPerDm2(), Ladder.skimMl(a.meanUm(), shop)) : s.mlPerDm2();
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
        return shop.coating(s.product()).sprayed() ? s.coats() * dm2 / 100 / shop.coating(s.product()).m2PerContainer() : 0;
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
