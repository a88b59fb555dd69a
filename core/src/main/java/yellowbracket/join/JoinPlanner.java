package yellowbracket.join;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import yellowbracket.cut.CutWish;
import yellowbracket.cut.RegistrationKind;
import yellowbracket.cut.Seam;
import yellowbracket.cut.Section;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Fix;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.join.SeamJoin.Why;
import yellowbracket.mesh.Progress;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.JoinProduct;
import yellowbracket.shop.Practice;

/** Makes the {@link JoinPlan}. Single use. */
public final class JoinPlanner {
    /** Scuffed print bears about seven tenths of a tested coupon; layers and gaps take the rest. */
    private static final double KNOCK_DOWN = 0.7;
    /** A product that does not fill the film between prints loses as much again. */
    private static final double STARVED = 0.7;
    /** Minutes that stand for a reason against a product. */
    private static final double AGAINST_MIN = 100, CREEPS_MIN = 400, NOT_ON_MIN = 2_000;
    /** A wall as thin and a line as long peel, mm. */
    private static final double THIN_MM = 5, LONG_MM = 60, PEELS = 0.2;
    /** Aligning a seam, and each pin beside it, min. */
    private static final double ALIGN_MIN = 0.5, PIN_MIN = 0.3;
    /** For the order, before a product is chosen, min. */
    private static final double USUAL_HOLD_MIN = 18;
    /** Held in the hand so long, and so heavy, at most. */
    private static final double BY_HAND_MIN = 2.5, HEAVY_G = 300;
    /** Of what is open, the share at which a second pair of hands is worth it. */
    private static final double CLOSE = 0.7;
    /** Less is not mixed, g: one cannot dose it. */
    private static final double LEAST_BATCH_G = 2;
    /** Between these the times of glues are worth something. */
    private static final double COLDEST_C = 5, WARMEST_C = 40;

    /** A section as it comes from the printer. @param grams without support */
    public record Print(double grams, String material, Weakest.Printed how) {}

    /**
     * @param sections and {@code seams} in real mm @param contacts of bodies never cut apart @param prints by section
     * @param pins pieces of hardware by seam, a tongue counts as one @param rods glued into bores across a seam
     * @param hottestC what the prop goes through @param open seams that stay open until after paint
     */
    public record Given(List<Section> sections, List<Seam> seams, Contact.Found contacts, Map<String, Print> prints,
            Map<String, Integer> pins, Map<String, List<Rod>> rods, double celsius, double hottestC, JoinWish wish, List<LoadCase> cases,
            Set<String> open, Catalogue shop) {}

    private final Given in;
    private final Progress progress;
    private final List<Finding> breaks = new ArrayList<>();
    private final List<Finding> findings = new ArrayList<>();
    private final Map<String, Bond> bonds = new HashMap<>();
    private final Map<String, Seam> seams = new LinkedHashMap<>();

    private JoinPlanner(Given in, Progress progress) {
        this.in = in;
        this.progress = progress;
    }

    public static JoinPlan plan(Given in, Progress progress) {
        return new JoinPlanner(in, progress).run();
    }

    private JoinPlan run() {
        var contacts = in.contacts.contacts();
        var parts = in.sections.stream().map(this::weighed).toList();
        var joined = new ArrayList<Loads.Joined>();
        for (var s : in.seams) joined.add(joined(s, bonded(s), s.plane()));
        for (int i = 0; i < contacts.size(); i++) joined.add(joined(contacts.get(i).seam(), contacts.get(i).bond(), -2 - i));
        var demands = new Loads(parts, joined).demands(in.cases);
        var options = new LinkedHashMap<String, List<SeamJoin>>();
        for (var s : seams.values()) options.put(s.name(), options(s, demands.get(s.name())));
        var pairs = JoinOrder.best(in.sections.stream().map(Section::name).toList(), grams(), edges(), in.wish.aim(), progress);
        var chosen = new LinkedHashMap<String, SeamJoin>();
        seams.keySet().forEach(n -> chosen.put(n, options.get(n).getFirst()));
        for (var p : pairs) choose(p, options, chosen);
        var steps = new ArrayList<JoinPlan.Step>();
        for (var p : pairs) steps.add(step(steps.size() + 1, p, chosen));
        var weakest = in.sections.parallelStream()
                .flatMap(s -> Weakest.of(s.name(), s.mesh(), in.prints.get(s.name()).how, parts, joined, in.cases, JoinPlan.LEAST_RESERVE)
                        .stream())
                .sorted(Comparator.comparingDouble(Weakest::low))
                .toList();
        var rods = rods(chosen, weakest);
        tell(chosen, steps, weakest, rods);
        return new JoinPlan(List.copyOf(chosen.values()), options, steps, weakest, rods, contacts, in.cases, breaks, findings);
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

    private Map<String, Double> grams() {
        var out = new HashMap<String, Double>();
        in.prints.forEach((n, p) -> out.put(n, p.grams));
        return out;
    }

    private List<JoinOrder.Edge> edges() {
        return seams.values()
                .stream()
                .map(s -> new JoinOrder.Edge(s.name(), s.first(), s.second(), s.normal().times(s.firstAbove() ? -1 : 1),
                        in.pins.getOrDefault(s.name(), 0) > 0, needMin(s), USUAL_HOLD_MIN))
                .toList();
    }

    private double needMin(Seam s) {
        return s.lengthMm() / in.shop.usual(Practice.WET_SEAM_MM_MIN) + ALIGN_MIN + PIN_MIN * in.pins.getOrDefault(s.name(), 0);
    }

    /** Every product, best first; those with reasons against them last. */
    private List<SeamJoin> options(Seam s, Loads.Demand demand) {
        return in.shop.joins().stream().map(p -> join(s, p, demand)).sorted(Comparator.comparingDouble(this::cost)).toList();
    }

    private SeamJoin join(Seam s, JoinProduct p, Loads.Demand demand) {
        double slower = slower(in.celsius);
        double gap = gap(s), film = Math.max(gap, in.shop.usual(Practice.GLUE_FILM_MM));
        double starved = p.gapMm() < film ? STARVED : 1, stress = demand.mpa();
        boolean holds = p.suits(in.prints.get(s.first()).material) && p.suits(in.prints.get(s.second()).material);
        double low = holds ? Math.min(KNOCK_DOWN * p.shearLowMpa() * starved, print(s)) : 0,
                high = holds ? Math.min(KNOCK_DOWN * p.shearHighMpa() * starved, print(s) / 0.6) : 0;
        double grams = s.areaMm2() * film * p.densityGcm3() / 1000 * in.shop.usual(Practice.GLUE_TIMES);
        // a rod and a stiff film of glue do not share a load well: the better of the two bears it
        double rods = rods(in.rods.getOrDefault(s.name(), List.of()), demand), reserve = reserve(Math.max(rods, low / stress)),
                most = reserve(Math.max(rods, high / stress));
        double need = needMin(s), open = p.workMin() * slower;
        return new SeamJoin(s, p, grams, need, open, p.holdMin() * slower, p.handleH() * slower, p.fullH() * slower, reserve, most,
                bonds.get(s.name()).areaMm2(), gap, demand, against(s, p, reserve, need, open, gap));
    }

    /** How hours and minutes of glue stretch: rates double with 10 degrees. */
    public static double slower(double celsius) {
        return Math.pow(2, (20 - Math.clamp(celsius, COLDEST_C, WARMEST_C)) / 10);
    }

    /** What rods by themselves bear over what there is to bear: bent, and pulled out. */
    private static double rods(List<Rod> rods, Loads.Demand d) {
        if (rods.isEmpty()) return 0;
        return Math.min(rods.stream().mapToDouble(Rod::momentNmm).sum() / d.bendingNmm(),
                rods.stream().mapToDouble(Rod::pullN).sum() / d.newton());
    }

    /** Of nothing to bear: NaN or infinite. */
    private static double reserve(double r) {
        return r < JoinPlan.HARDLY ? r : JoinPlan.HARDLY;
    }

    private double gap(Seam s) {
        var found = in.wish.dryFit().get(s.name());
        return found == null ? 0 : found.gapMm();
    }

    /** What the print itself bears where it is pulled off, as shear, at the low end, MPa. */
    private double print(Seam s) {
        double a = in.prints.get(s.first()).how.along(s.normal()), b = in.prints.get(s.second()).how.along(s.normal());
        return 0.6 * Math.min(a, b) / JointGroup.TENSION;
    }

    private List<SeamJoin.Against> against(Seam s, JoinProduct p, double reserve, double need, double open, double gap) {
        var out = new ArrayList<SeamJoin.Against>();
        for (var side : new LinkedHashSet<>(List.of(s.first(), s.second()))) {
            var m = in.prints.get(side).material;
            if (!p.suits(m) && out.isEmpty()) out.add(new SeamJoin.Against(Why.MATERIAL, "does not hold on " + m));
        }
        if (reserve < JoinPlan.LEAST_RESERVE) out.add(new SeamJoin.Against(Why.WEAK, text("bears only %.1f times the load", reserve)));
        if (need > open) out.add(new SeamJoin.Against(Why.TIME,
                text("%.0f mm take %.1f min to wet and align, it stays open %.1f", s.lengthMm(), need, open)));
        if (gap > p.gapMm()) out.add(new SeamJoin.Against(Why.GAP, text("does not fill a gap of %.1f mm", gap)));
        if (p.mostC() < in.hottestC)
            out.add(new SeamJoin.Against(Why.HEAT, text("creeps above %.0f C, it gets up to %.0f", p.mostC(), in.hottestC)));
        if (p.peel() < PEELS && s.lengthMm() > LONG_MM && s.wallMm() < THIN_MM)
            out.add(new SeamJoin.Against(Why.PEELS, "peels off a long thin rim"));
        return out;
    }

    private static String text(String f, Object... v) {
        return String.format(Locale.ROOT, f, v);
    }

    /** Minutes of the maker's life, with what stands for what would go wrong. */
    private double cost(SeamJoin j) {
        double c = Math.min(40, j.holdMin()) + 2 * j.handleH() + Math.max(0, JoinPlan.GOOD_RESERVE - j.reserve()) * 3;
        c += Math.max(0, JoinPlan.LEAST_RESERVE - j.reserve()) * 400 + Math.max(0, j.needMin() - j.openMin()) * 15;
        if (j.speaks(Why.MATERIAL)) c += NOT_ON_MIN;
        if (j.speaks(Why.HEAT)) c += CREEPS_MIN;
        if (j.speaks(Why.GAP)) c += AGAINST_MIN;
        if (j.speaks(Why.PEELS)) c += 25;
        if (j.product().shearLowMpa() < 1) c += 2 * AGAINST_MIN;
        return c;
    }

    /** Seams that close together get one product, and one that stays open long enough for all of them. */
    private void choose(JoinOrder.Pair pair, Map<String, List<SeamJoin>> options, Map<String, SeamJoin> chosen) {
        var free = new ArrayList<String>();
        for (var n : pair.seams()) {
            var hand = in.wish.products().get(n);
            var own = hand == null ? null : options.get(n).stream().filter(o -> o.product().name().equals(hand)).findFirst().orElse(null);
            if (own != null) chosen.put(n, own);
            else free.add(n);
        }
        if (free.isEmpty()) return;
        double need = pair.seams().stream().mapToDouble(n -> needMin(seams.get(n))).sum(), best = Double.POSITIVE_INFINITY;
        for (var p : in.shop.joins()) {
            double c = 0;
            for (var n : free) c += cost(way(options, n, p));
            double open = way(options, free.getFirst(), p).openMin();
            if (free.size() > 1) c += Math.max(0, need - open) * 15;
            if (c >= best) continue;
            best = c;
            for (var n : free) chosen.put(n, way(options, n, p));
        }
    }

    private static SeamJoin way(Map<String, List<SeamJoin>> options, String seam, JoinProduct p) {
        return options.get(seam).stream().filter(o -> o.product().equals(p)).findFirst().orElseThrow();
    }

    private JoinPlan.Step step(int number, JoinOrder.Pair p, Map<String, SeamJoin> chosen) {
        double need = 0, open = Double.POSITIVE_INFINITY, hold = 0, handle = 0, held = 0;
        var products = new LinkedHashSet<String>();
        var byProduct = new HashMap<String, Double>();
        for (var n : p.seams()) {
            var j = chosen.get(n);
            need += j.needMin();
            open = Math.min(open, j.openMin());
            hold = Math.max(hold, j.holdMin());
            handle = Math.max(handle, j.handleH());
            products.add(j.product().name());
            byProduct.merge(j.product().name(), j.grams(), Double::sum);
        }
        for (var n : p.one()) held += in.prints.get(n).grams;
        double grams = byProduct.values().stream().mapToDouble(g -> Math.max(g, LEAST_BATCH_G)).sum();
        var notes = new ArrayList<String>();
        if (!p.free()) notes.add("no straight way to bring them together: join one of its seams earlier, or leave its pins out");
        if (p.seams().stream().anyMatch(in.open::contains)) notes.add("after paint: it would not get through where it has to go");
        if (need > open && p.seams().size() > 1) notes.add(
                text("tack %s first, then the others one by one: all at once take %.1f min, open %.1f", p.seams().getFirst(), need, open));
        return new JoinPlan.Step(number, p.one(), p.other(), p.seams(), List.copyOf(products), grams, need, open, hold, handle,
                how(p, held, hold, need / open, chosen), notes);
    }

    private String how(JoinOrder.Pair p, double held, double hold, double share, Map<String, SeamJoin> chosen) {
        boolean thin = p.seams().stream().allMatch(n -> chosen.get(n).seam().wallMm() < THIN_MM);
        String how = hold <= BY_HAND_MIN ? "pressed by hand"
                : held > HEAVY_G ? "braced in a box of sand, the seam level"
                        : thin ? "taped across every 60 mm" : "clamped or weighted, the seam level";
        return share > CLOSE && p.seams().size() > 1 ? how + ", with a helper" : how;
    }

    private Map<String, List<Rod>> rods(Map<String, SeamJoin> chosen, List<Weakest> weakest) {
        var out = new LinkedHashMap<String, List<Rod>>();
        for (var j : chosen.values()) if (j.reserve() < JoinPlan.LEAST_RESERVE) out.put(j.seam().name(),
                Rod.of(j.demand().bendingNmm(), JoinPlan.LEAST_RESERVE, Weakest.room(j.seam().face().shape(), Weakest.BORE_WALL_MM)));
        for (var w : weakest) if (w.low() < JoinPlan.LEAST_RESERVE)
            out.put(w.section(), Rod.of(w.demand().bendingNmm(), JoinPlan.LEAST_RESERVE, w.widestMm()));
        return out;
    }

    private void tell(Map<String, SeamJoin> chosen, List<JoinPlan.Step> steps, List<Weakest> weakest, Map<String, List<Rod>> rods) {
        for (var j : chosen.values()) {
            if (j.reserve() < JoinPlan.LEAST_RESERVE) breaks.add(weak(j, rods.get(j.seam().name())));
            for (var a : j.against()) if (a.why() == Why.MATERIAL || a.why() == Why.GAP || a.why() == Why.TIME)
                findings.add(Finding.of(a.why() == Why.MATERIAL ? Weight.STOP : Weight.CARE, Subject.seam(j.seam().name()),
                        "seam %s: %s %s", j.seam().name(), j.product().name(), a.words()));
            if (j.speaks(Why.HEAT)) findings.add(Finding.of(Weight.CARE, Subject.seam(j.seam().name()),
                    "%s creeps above %.0f C, and what the prop goes through gets up to %.0f: seam %s", j.product().name(),
                    j.product().mostC(), in.hottestC, j.seam().name()));
        }
        for (var w : weakest) if (w.low() < JoinPlan.LEAST_RESERVE) breaks.add(snaps(w, rods.get(w.section())));
        findings.addAll(0, breaks);
        if (!chosen.isEmpty() && (in.celsius < COLDEST_C || in.celsius > WARMEST_C)) findings.add(Finding.of(Weight.STOP, Subject.WHOLE,
                "at %.0f C in the shop glues do not set as they should: work between %.0f and %.0f C", in.celsius, COLDEST_C, WARMEST_C));
        for (var s : steps) if (!s.inTime() && s.seams().size() > 1) findings
                .add(Finding.of(Weight.CARE, Subject.WHOLE, "step %d closes %d seams: %.1f min to wet and align them, %s stays open %.1f",
                        s.number(), s.seams().size(), s.needMin(), s.products().getFirst(), s.openMin()));
        for (var c : in.contacts.clashes()) findings.add(Finding.of(Weight.CARE, Subject.WHOLE,
                "%s and %s run %.1f mm into each other: one of them needs a socket before they are printed", c.first(), c.second(),
                c.deepMm()));
        if (in.sections.size() > 1)
            for (var s : in.sections) if (seams.values().stream().noneMatch(j -> j.first().equals(s.name()) || j.second().equals(s.name())))
                findings.add(Finding.of(Weight.CARE, Subject.WHOLE,
                        "%s touches nothing and no seam joins it: hang it, screw it on, or give it a place to stand", s.name()));
    }

    private Finding weak(SeamJoin j, List<Rod> rods) {
        var fits = rods.stream().filter(Rod::fits).findFirst();
        String what = fits.map(r -> "a rod, " + r.words()).orElse("strips or staples across it from inside");
        var f = Finding.of(j.reserve() < 1 ? Weight.STOP : Weight.CARE, Subject.seam(j.seam().name()),
                "seam %s bears only %.1f to %.1f times its load when it is %s: add %s", j.seam().name(), j.reserve(), j.high(),
                j.demand().words(), what);
        if (fits.isEmpty() || j.seam().plane() == Contact.NO_PLANE) return f;
        String name = j.seam().name();
        return f.fixedBy(new Fix.Change<>("bore it for a rod", CutWish.class,
                w -> w.withRegistration(w.registration().with(name, RegistrationKind.RODS))));
    }

    private Finding snaps(Weakest w, List<Rod> rods) {
        String walls = w.walls().map(n -> text("%d walls would do", n)).orElse("more walls are not enough");
        String rod = rods.stream().filter(Rod::fits).findFirst().map(r -> "; or a rod, " + r.words()).orElse("");
        return Finding.of(w.low() < 1 ? Weight.STOP : Weight.CARE, Subject.WHOLE,
                "%s snaps first at %.0f mm up: %.0f mm2 bear %.1f to %.1f times the load when it is %s; %s%s", w.section(), w.at().z(),
                w.areaMm2(), w.low(), w.high(), w.demand().words(), walls, rod);
    }
}
