package yellowbracket.join;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import yellowbracket.cut.CutWish;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Fix;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.join.SeamJoin.Why;

/** What is to be said of a plan, with what mends it. */
final class JoinTold {
    /** A far end that is off by more is seen, mm. */
    private static final double SEEN_MM = 3;

    private final JoinPlanner.Given in;
    private final Map<String, SeamJoin> chosen;
    private final List<JoinPlan.Step> steps;
    private final JoinChoice choice;

    JoinTold(JoinPlanner.Given in, Map<String, SeamJoin> chosen, List<JoinPlan.Step> steps, JoinChoice choice) {
        this.in = in;
        this.chosen = chosen;
        this.steps = steps;
        this.choice = choice;
    }

    /** What breaks: told before anything is printed. */
    List<Finding> breaks(List<Weakest> weakest, Map<String, List<Rod>> rods) {
        var out = new ArrayList<Finding>();
        for (var j : chosen.values())
            if (j.reserve() < JoinPlan.LEAST_RESERVE) out.add(weak(j, rods.getOrDefault(j.seam().name(), List.of())));
        for (var w : weakest) if (w.low() < JoinPlan.LEAST_RESERVE) out.add(snaps(w, rods.get(w.section())));
        return out;
    }

    /** What is the matter with steps. */
    List<Finding> order(boolean own, List<JoinOrder.Pair> pairs) {
        var out = new ArrayList<Finding>();
        for (int i = 0; i < steps.size(); i++) step(steps.get(i), pairs.get(i), own, out);
        return out;
    }

    List<Finding> rest(Optional<Alignment.Chain> chain) {
        var out = new ArrayList<Finding>();
        for (var j : chosen.values()) seam(j, out);
        double celsius = in.place().celsius();
        if (!chosen.isEmpty() && (celsius < JoinPlanner.COLDEST_C || celsius > JoinPlanner.WARMEST_C)) out.add(Finding.of(Weight.STOP,
                Subject.WHOLE, "at %.0f C in the shop glues do not set as they should: work between %.0f and %.0f C", celsius,
                JoinPlanner.COLDEST_C, JoinPlanner.WARMEST_C));
        chain.filter(c -> c.wanderMm() > SEEN_MM)
                .ifPresent(c -> out.add(Finding.of(Weight.CARE, Subject.WHOLE,
                        "joined by eye its far end comes out about %.0f mm off: lay it in a straight rail %.0f mm long while it sets",
                        c.wanderMm(), c.railMm())));
        for (var c : in.contacts().clashes()) out.add(Finding.of(Weight.CARE, Subject.WHOLE,
                "%s and %s run %.1f mm into each other: one of them needs a socket before they are printed", c.first(), c.second(),
                c.deepMm()));
        if (in.sections().size() > 1) for (var s : in.sections())
            if (chosen.values().stream().noneMatch(j -> j.seam().first().equals(s.name()) || j.seam().second().equals(s.name())))
                out.add(Finding.of(Weight.CARE, Subject.WHOLE,
                        "%s touches nothing and no seam joins it: hang it, screw it on, or give it a place to stand", s.name()));
        return out;
    }

    private void seam(SeamJoin j, List<Finding> out) {
        String name = j.seam().name();
        for (var a : j.against()) if (a.why() == Why.MATERIAL || a.why() == Why.GAP || a.why() == Why.TIME || a.why() == Why.REACH)
            out.add(Finding.of(a.why() == Why.MATERIAL || a.why() == Why.REACH ? Weight.STOP : Weight.CARE, Subject.seam(name),
                    "seam %s: %s %s", name, j.product().name(), a.words()));
        if (j.speaks(Why.HEAT)) out.add(Finding.of(Weight.CARE, Subject.seam(name),
                "%s creeps above %.0f C, and what the prop goes through gets up to %.0f: seam %s", j.product().name(), j.product().mostC(),
                in.place().hottestC(), name));
        if (in.wish().inner().containsKey(name) && j.besides().inner().isEmpty() && j.glued()) out.add(
                Finding.of(Weight.STOP, Subject.seam(name), "seam %s: its inside cannot be reached once it is closed, %s do not go there",
                        name, in.wish().inner().get(name).words()));
        if (!j.glued() && ring(j)) out.add(Finding.of(Weight.STOP, Subject.seam(name),
                "seam %s is to come apart, but its two sides are joined round about: let the other seams of the ring come apart too",
                name));
    }

    /** Whether the two sides of a seam hang together by glue some other way. */
    private boolean ring(SeamJoin j) {
        return steps.stream().anyMatch(s -> s.together().containsAll(List.of(j.seam().first(), j.seam().second())));
    }

    private void step(JoinPlan.Step s, JoinOrder.Pair p, boolean own, List<Finding> out) {
        var asProposed = new Fix.Change<>("take the proposed order", JoinWish.class, w -> w.withOrder(List.of()));
        if (!p.free()) {
            var f = Finding.of(own ? Weight.STOP : Weight.CARE, Subject.WHOLE, "step %d cannot be done as it stands, %s: %s", s.number(),
                    s.words(), p.blocked());
            out.add(own ? f.fixedBy(asProposed) : f);
        }
        if (s.inTime() || s.seams().size() < 2) return;
        var f = Finding.of(Weight.CARE, Subject.WHOLE, "step %d closes %d seams: %.1f min to wet and align them, %s stays open %.1f",
                s.number(), s.seams().size(), s.needMin(), s.products().getFirst(), s.openMin());
        out.add(own ? f.fixedBy(asProposed) : f);
    }

    private Finding weak(SeamJoin j, List<Rod> rods) {
        String name = j.seam().name();
        if (!j.glued()) return Finding.of(j.reserve() < 1 ? Weight.STOP : Weight.CARE, Subject.seam(name),
                "seam %s %s: %s holds only %.1f times its load when it is %s", name, j.besides().apart().orElseThrow().words(),
                j.product().name(), j.reserve(), j.demand().words());
        var fits = rods.stream().filter(r -> r.bore().isPresent()).findFirst().or(() -> rods.stream().filter(Rod::fits).findFirst());
        var strips = in.wish().inner().containsKey(name) || fits.isPresent() ? Optional.<Inner>empty() : strips(j);
        String what = fits.map(r -> "add a rod, " + r.words())
                .or(() -> strips.map(i -> "add " + i.words()))
                .orElse("take a stronger product, more walls there, or another cut");
        var f = Finding.of(j.reserve() < 1 ? Weight.STOP : Weight.CARE, Subject.seam(name),
                "seam %s bears only %.1f to %.1f times its load when it is %s: %s", name, j.reserve(), j.high(), j.demand().words(), what);
        var bore = fits.flatMap(Rod::bore).filter(k -> j.seam().plane() != Contact.NO_PLANE);
        if (bore.isPresent()) return f.fixedBy(new Fix.Change<>("bore it for " + bore.get().words(), CutWish.class,
                w -> w.withRegistration(w.registration().with(name, bore.get()))));
        return strips.isEmpty() ? f
                : f.fixedBy(new Fix.Change<>("set " + strips.get().kind().words(), JoinWish.class,
                        w -> w.set(name, Optional.of(strips.get().kind()))));
    }

    private Set<String> together(SeamJoin j) {
        return steps.stream().filter(s -> s.seams().contains(j.seam().name())).findFirst().map(JoinPlan.Step::together).orElse(Set.of());
    }

    /** Strips, or staples, that would do from inside. */
    private Optional<Inner> strips(SeamJoin j) {
        if (!choice.reached(j.seam(), together(j))) return Optional.empty();
        for (var k : Inner.Kind.values()) {
            var i = choice.inner(k, j.seam(), j.demand());
            if (i.reserve(j.demand()) >= JoinPlan.LEAST_RESERVE) return Optional.of(i);
        }
        return Optional.empty();
    }

    private static Finding snaps(Weakest w, List<Rod> rods) {
        String more = w.walls()
                .map(n -> String.format(Locale.ROOT, "%d walls would do", n))
                .or(() -> w.infill().map(i -> String.format(Locale.ROOT, "infill of %.0f %% would do", 100 * i)))
                .orElse("neither walls nor infill are enough");
        boolean printed = w.walls().isPresent() || w.infill().isPresent();
        String rod = rods.stream()
                .filter(Rod::fits)
                .findFirst()
                .map(r -> "; or a rod, " + r.words())
                .orElse(printed ? "" : ": thicken it there, or line it with sheet from inside");
        return Finding.of(w.low() < 1 ? Weight.STOP : Weight.CARE, Subject.WHOLE,
                "%s snaps first at %.0f mm up: %.0f mm2 bear %.1f to %.1f times the load when it is %s; %s%s", w.section(), w.at().z(),
                w.areaMm2(), w.low(), w.high(), w.demand().words(), more, rod);
    }
}
