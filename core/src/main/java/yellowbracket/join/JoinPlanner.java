package yellowbracket.join;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import yellowbracket.cut.Seam;
import yellowbracket.cut.Section;
import yellowbracket.finding.Finding;
import yellowbracket.mesh.Progress;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.JoinProduct;

/** Makes the {@link JoinPlan}. Single use. */
public final class JoinPlanner {
    /** For the order, before a product is chosen, min. */
    private static final double USUAL_HOLD_MIN = 18;
    /** Between these the times of glues are worth something. */
    static final double COLDEST_C = 5, WARMEST_C = 40;

    /** A section as it comes from the printer. @param grams without support */
    public record Print(double grams, String material, Weakest.Printed how) {}

    /** Where it is joined and where it goes. @param hottestC what the prop goes through */
    public record Place(double celsius, double hottestC) {}

    /**
     * @param sections and {@code seams} in real mm @param contacts of bodies never cut apart @param prints by section
     * @param worked by seam, what the cut station put there @param open seams that stay open until after paint
     * @param shelf grams of products that are there, by name
     */
    public record Given(List<Section> sections, List<Seam> seams, Contact.Found contacts, InHand hand, Map<String, Print> prints,
            Map<String, Fittings> worked, Place place, JoinWish wish, List<LoadCase> cases, Set<String> open, Map<String, Double> shelf,
            Catalogue shop) {
        Fittings fittings(String seam) {
            return worked.getOrDefault(seam, Fittings.NONE);
        }
    }

    private final Given in;
    private final JoinCost by;
    private final Progress progress;
    private final Map<String, Bond> bonds = new HashMap<>();
    private final Map<String, Seam> seams = new LinkedHashMap<>();

    private JoinPlanner(Given in, JoinCost by, Progress progress) {
        this.in = in;
        this.by = by;
        this.progress = progress;
    }

    public static JoinPlan plan(Given in, Progress progress) {
        return plan(in, JoinCost.USUAL, progress);
    }

    public static JoinPlan plan(Given in, JoinCost by, Progress progress) {
        return new JoinPlanner(in, by, progress).run();
    }

    private JoinPlan run() {
        var contacts = in.contacts.contacts();
        var parts = in.sections.stream().map(this::weighed).toList();
        var joined = new ArrayList<Loads.Joined>();
        for (var s : in.seams) joined.add(joined(s, bonded(s), s.plane()));
        for (int i = 0; i < contacts.size(); i++) joined.add(joined(contacts.get(i).seam(), bonded(contacts.get(i)), -2 - i));
        var demands = new Loads(parts, joined).demands(in.cases);
        var choice = new JoinChoice(in, bonds, demands, by);
        var pairs = pairs(choice);
        var options = new LinkedHashMap<String, List<SeamJoin>>();
        var together = new HashMap<String, Set<String>>();
        for (var p : pairs) for (var n : p.seams()) together.put(n, JoinChoice.together(p));
        for (var s : seams.values()) options.put(s.name(), choice.options(s, together.getOrDefault(s.name(), Set.of())));
        var chosen = new LinkedHashMap<String, SeamJoin>();
        seams.keySet().forEach(n -> chosen.put(n, choice.byHand(n, options.get(n)).orElse(options.get(n).getFirst())));
        for (var p : pairs) choice.choose(p, options, chosen);
        var byName = new HashMap<String, Weighed>();
        parts.forEach(p -> byName.put(p.name(), p));
        var chain = Alignment.chain(in.sections, List.copyOf(seams.values()), in.worked);
        var steps = new JoinSteps(in, seams, chosen, byName, chain, choice).of(pairs);
        var weakest = in.sections.parallelStream()
                .flatMap(s -> Weakest.of(s.name(), s.mesh(), in.prints.get(s.name()).how, parts, joined, in.cases, JoinPlan.LEAST_RESERVE)
                        .stream())
                .sorted(Comparator.comparingDouble(Weakest::low))
                .toList();
        var rods = rods(chosen, weakest);
        var told = new JoinTold(in, chosen, steps, choice);
        var breaks = told.breaks(weakest, rods);
        var findings = new ArrayList<Finding>(breaks);
        var ofOrder = told.order(!in.wish.order().isEmpty(), pairs);
        findings.addAll(ofOrder);
        findings.addAll(told.rest(chain));
        return new JoinPlan(List.copyOf(chosen.values()), options, steps, weakest, rods, contacts, in.cases, chain, breaks, ofOrder,
                findings);
    }

    private Weighed weighed(Section s) {
        var p = in.prints.get(s.name());
        return Weighed.of(s.name(), s.mesh(), p.grams, p.how.walls() * p.how.lineMm(), in.shop.material(p.material).densityGcm3());
    }

    private Loads.Joined joined(Seam s, Bond b, int group) {
        bonds.put(s.name(), b);
        seams.put(s.name(), s);
        return new Loads.Joined(b, s.first(), s.second(), group);
    }

    /** What both sides were printed as there. */
    private Bond bonded(Seam s) {
        Weakest.Printed a = in.prints.get(s.first()).how, b = in.prints.get(s.second()).how;
        return Bond.of(s.name(), s.face(), Math.min(a.walls() * a.lineMm(), b.walls() * b.lineMm()), Math.min(a.infill(), b.infill()));
    }

    private Bond bonded(Contact c) {
        return c.bonded(in.prints.get(c.seam().first()).how, in.prints.get(c.seam().second()).how);
    }

    /** The order: the maker's own, or the best. What comes apart again is joined last and dry, in no step. */
    private List<JoinOrder.Pair> pairs(JoinChoice choice) {
        var grams = new HashMap<String, Double>();
        in.prints.forEach((n, p) -> grams.put(n, p.grams));
        var edges = seams.values()
                .stream()
                .filter(s -> !in.wish.apart().containsKey(s.name()))
                .map(s -> new JoinOrder.Edge(s.name(), s.first(), s.second(), s.normal().times(s.firstAbove() ? -1 : 1),
                        in.fittings(s.name()).pieces() > 0, choice.needMin(s), USUAL_HOLD_MIN, s.plane()))
                .toList();
        var names = in.sections.stream().map(Section::name).toList();
        if (!in.wish.order().isEmpty()) return JoinOrder.own(names, grams, edges, in.wish.order());
        var inside = new HashSet<>(in.wish.inner().keySet());
        var welds = in.shop.joins().stream().filter(p -> p.manner().inside()).map(JoinProduct::name).toList();
        in.wish.products().forEach((s, p) -> {
            if (welds.contains(p)) inside.add(s);
        });
        return JoinOrder.best(names, grams, edges, in.wish.aim(), new JoinOrder.Inside(inside, in.hand::reached), progress);
    }

    /** How hours and minutes of glue stretch: rates double with 10 degrees. */
    public static double slower(double celsius) {
        return Math.pow(2, (20 - Math.clamp(celsius, COLDEST_C, WARMEST_C)) / 10);
    }

    private Map<String, List<Rod>> rods(Map<String, SeamJoin> chosen, List<Weakest> weakest) {
        var out = new LinkedHashMap<String, List<Rod>>();
        for (var j : chosen.values()) if (j.reserve() < JoinPlan.LEAST_RESERVE && j.glued()) out.put(j.seam().name(),
                Rod.of(j.demand().bendingNmm(), JoinPlan.LEAST_RESERVE, Weakest.room(j.seam().face().shape(), Weakest.BORE_WALL_MM)));
        for (var w : weakest) if (w.low() < JoinPlan.LEAST_RESERVE)
            out.put(w.section(), Rod.of(w.demand().bendingNmm(), JoinPlan.LEAST_RESERVE, w.widestMm()));
        return out;
    }
}
