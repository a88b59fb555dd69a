package yellowbracket.join;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import yellowbracket.cut.Seam;
import yellowbracket.join.SeamJoin.Against;
import yellowbracket.join.SeamJoin.Why;
import yellowbracket.shop.JoinProduct;
import yellowbracket.shop.Practice;

/** With what seams are joined: every product on every seam with what it bears and what speaks against it, and one for each step. */
final class JoinChoice {
    /** Scuffed print bears about seven tenths of a tested coupon; layers and gaps take the rest. */
    static final double KNOCK_DOWN = 0.7;
    /** A product that does not fill the film between prints loses as much again. */
    private static final double STARVED = 0.7;
    /** Of what it bears cold is left at the warmth where it begins to creep, and so many degrees below it begins to soften. */
    private static final double CREEPING = 0.4, SOFTENS_K = 15;
    /** A wall as thin and a line as long peel, mm. */
    private static final double THIN_MM = 5, LONG_MM = 60, PEELS = 0.2;
    /** Tacking a seam in spots, and a product that does it sets as fast, min. */
    private static final double TACK_MIN = 2, TACKS_MIN = 1;
    /** Spread in one go, mm: a broad face is gone over several times. */
    private static final double BEAD_MM = 10;
    /** A hot tip melts, and a bead of glue holds, so deep, mm. */
    private static final double WELD_DEEP_MM = 2;
    /** Of a seam's inside must be reached for what is done from there. */
    private static final double REACHED = 0.8;
    /** Paint and glue between a pair of magnets, mm. */
    static final double MAGNET_GAP_MM = 0.4;
    /** A printed pin bears sheared across its layers, MPa, at the low end. */
    private static final double PEG_MPA = 8;

    private final JoinPlanner.Given in;
    private final Map<String, Bond> bonds;
    private final Map<String, Loads.Demand> demands;
    private final JoinCost by;
    private final double slower;
    private final Map<JoinOrder.Pair, String> tacked = new HashMap<>();

    JoinChoice(JoinPlanner.Given in, Map<String, Bond> bonds, Map<String, Loads.Demand> demands, JoinCost by) {
        this.in = in;
        this.bonds = bonds;
        this.demands = demands;
        this.by = by;
        slower = JoinPlanner.slower(in.place().celsius());
    }

    /** Minutes to wet and align a seam with a product. */
    private double needMin(Seam s, JoinProduct p) {
        double fast = p.manner().mmMin() > 0 ? p.manner().mmMin() : in.shop().usual(Practice.WET_SEAM_MM_MIN);
        return Math.max(s.lengthMm(), p.manner().welds() ? 0 : s.areaMm2() / BEAD_MM) / fast + alignMin(s);
    }

    private double alignMin(Seam s) {
        return in.shop().usual(Practice.ALIGN_SEAM_MIN) + in.shop().usual(Practice.ALIGN_PIN_MIN) * in.fittings(s.name()).pieces();
    }

    /** For the order, before a product is chosen. */
    double needMin(Seam s) {
        return needMin(s, in.shop().joins().getFirst());
    }

    /** Every product, best first; those with reasons against them last. @param together what stands round the seam once it is closed */
    List<SeamJoin> options(Seam s, Set<String> together) {
        var apart = Optional.ofNullable(in.wish().apart().get(s.name()));
        if (apart.isPresent()) return apart(s, apart.get());
        return in.shop()
                .joins()
                .stream()
                .map(p -> join(s, p, together))
                .sorted(Comparator.comparingDouble(j -> by.of(j, fetchMin())))
                .toList();
    }

    private double fetchMin() {
        return in.shop().usual(Practice.FETCH_GLUE_MIN);
    }

    private SeamJoin join(Seam s, JoinProduct p, Set<String> together) {
        var demand = demands.get(s.name());
        var how = p.manner();
        double gap = gap(s), film = Math.max(gap, in.shop().usual(Practice.GLUE_FILM_MM));
        double knocked = KNOCK_DOWN * (p.gapMm() < film ? STARVED : 1) * warm(p), print = print(s);
        boolean holds = p.suits(in.prints().get(s.first()).material()) && p.suits(in.prints().get(s.second()).material());
        double melted = how.welds() ? melted(s, how.inside()) : 0;
        double low = how.welds() ? how.ofPrintLow() * print * melted : Math.min(knocked * p.shearLowMpa(), print),
                high = how.welds() ? how.ofPrintHigh() * print / 0.6 * melted : Math.min(knocked * p.shearHighMpa(), print / 0.6);
        double grams = s.areaMm2() * film * p.densityGcm3() / 1000 * in.shop().usual(Practice.GLUE_TIMES);
        var inner = inner(s, demand, together);
        // a rod, strips and a stiff film of glue do not share a load well: the best of them bears it
        double beside = Math.max(rods(in.fittings(s.name()).rods(), demand), inner.map(i -> i.reserve(demand)).orElse(0.0));
        double reserve = reserve(Math.max(beside, holds ? low / demand.mpa() : 0)),
                most = reserve(Math.max(beside, holds ? high / demand.mpa() : 0));
        double need = needMin(s, p), open = p.workMin() * slower;
        return new SeamJoin(s, p, grams, need, open, p.holdMin() * slower, p.handleH() * slower, p.fullH() * slower, reserve, most,
                bonds.get(s.name()).areaMm2(), gap, demand, besides(s, p, grams, inner), against(s, p, reserve, need, open, gap, together));
    }

    /** Share of what is bonded that a weld along one border, or all of them, melts together. */
    private double melted(Seam s, boolean inside) {
        return Math.min(1, WELD_DEEP_MM * s.lengthMm() * (inside ? 0.5 : 1) / Math.max(1e-9, bonds.get(s.name()).areaMm2()));
    }

    /** Share that is left as warm as it gets. */
    private double warm(JoinProduct p) {
        double over = (in.place().hottestC() - (p.mostC() - SOFTENS_K)) / SOFTENS_K;
        return Math.clamp(1 - (1 - CREEPING) * over, CREEPING / 2, 1);
    }

    private Optional<Inner> inner(Seam s, Loads.Demand demand, Set<String> together) {
        var kind = in.wish().inner().get(s.name());
        if (kind == null || !reached(s, together)) return Optional.empty();
        return Optional.of(inner(kind, s, demand));
    }

    /** Whether its inside can be worked on once it is closed. */
    boolean reached(Seam s, Set<String> together) {
        return in.hand().hasInside(s.name()) && in.hand().reached(s.name(), together) >= REACHED;
    }

    Inner inner(Inner.Kind kind, Seam s, Loads.Demand demand) {
        String material = in.prints().get(s.first()).material();
        double glue = in.shop()
                .joins()
                .stream()
                .filter(p -> p.suits(material) && !p.manner().welds())
                .mapToDouble(p -> KNOCK_DOWN * p.shearLowMpa() * warm(p))
                .max()
                .orElse(1);
        return Inner.of(kind, s, demand, JoinPlan.LEAST_RESERVE, glue, in.shop());
    }

    /** What is seen of it is filled in a band and sanded; the method changes both. */
    private SeamJoin.Besides besides(Seam s, JoinProduct p, double grams, Optional<Inner> inner) {
        double band = in.shop().usual(Practice.SEAM_BAND_MM), deep = in.shop().usual(Practice.SEAM_FILL_MM);
        double fill = s.showLengthMm() * Math.max(0, band * deep + p.manner().grooveMm2());
        double spread = in.shop().usual(Practice.SPREAD_FILLER_MIN_DM2) * (1 + p.manner().grooveMm2() / (band * deep)),
                sand = 3 * in.shop().usual(Practice.SAND_CURVED_MIN_DM2) * p.manner().sandTimes();
        return new SeamJoin.Besides(fill, s.showLengthMm() * band / 1e4 * (spread + sand), p.manner().sandTimes(),
                in.shelf().getOrDefault(p.name(), 0.0) >= grams, Optional.empty(), Optional.empty(), inner);
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
        var found = in.wish().dryFit().get(s.name());
        return found == null ? 0 : found.gapMm();
    }

    /** What the print itself bears where it is pulled off, as shear, at the low end, MPa. */
    private double print(Seam s) {
        double a = in.prints().get(s.first()).how().along(s.normal()), b = in.prints().get(s.second()).how().along(s.normal());
        return 0.6 * Math.min(a, b) / JointGroup.TENSION;
    }

    private List<Against> against(Seam s, JoinProduct p, double reserve, double need, double open, double gap, Set<String> together) {
        var out = new ArrayList<Against>();
        for (var side : new LinkedHashSet<>(List.of(s.first(), s.second()))) {
            var m = in.prints().get(side).material();
            if (!p.suits(m) && out.isEmpty()) out.add(new Against(Why.MATERIAL, "does not hold on " + m));
        }
        if (p.manner().inside() && !in.hand().hasInside(s.name())) out.add(new Against(Why.REACH, "there is no inside to do it from"));
        else if (p.manner().inside() && !reached(s, together)) out.add(new Against(Why.REACH,
                text("%.0f %% of its inside is reached once it is closed", 100 * in.hand().reached(s.name(), together))));
        if (reserve < JoinPlan.LEAST_RESERVE) out.add(new Against(Why.WEAK, text("bears only %.1f times the load", reserve)));
        if (need > open) out.add(new Against(Why.TIME, text("%.0f mm, %.0f cm2, take %.1f min to wet and align, it stays open %.1f",
                s.lengthMm(), s.areaMm2() / 100, need, open)));
        if (gap > p.gapMm()) out.add(new Against(Why.GAP, text("does not fill a gap of %.1f mm", gap)));
        if (p.mostC() < in.place().hottestC())
            out.add(new Against(Why.HEAT, text("creeps above %.0f C, it gets up to %.0f", p.mostC(), in.place().hottestC())));
        if (p.peel() < PEELS && s.lengthMm() > LONG_MM && s.wallMm() < THIN_MM)
            out.add(new Against(Why.PEELS, "peels off a long thin rim"));
        return out;
    }

    private static String text(String f, Object... v) {
        return String.format(Locale.ROOT, f, v);
    }

    /** Held by what comes off again, or turning on its pegs: nothing wet, nothing to wait for. */
    private List<SeamJoin> apart(Seam s, Apart how) {
        var d = demands.get(s.name());
        var out = new ArrayList<SeamJoin>();
        var has = in.fittings(s.name());
        if (how == Apart.TURNS) {
            double pegs = has.pegMm2() * PEG_MPA / d.newton();
            out.add(dry(s, "turns on its pegs", has.pegMm2() > 0 ? reserve(pegs) : 0, d, how, Optional.empty()));
            return out;
        }
        if (has.magnetN() > 0)
            out.add(dry(s, "the magnets in it", Removable.reserve(s, d, has.magnetN()), d, how, Optional.of(Removable.Kind.MAGNETS)));
        for (var r : Removable.of(s, d, MAGNET_GAP_MM)) if (r.fits()) out.add(dry(s, r.count() > 1 ? r.count() + " " + r.what() : r.what(),
                Math.min(JoinPlan.HARDLY, r.reserve()), d, how, Optional.of(r.kind())));
        if (out.isEmpty()) out.add(dry(s, "nothing found that holds", 0, d, how, Optional.empty()));
        return out;
    }

    private SeamJoin dry(Seam s, String with, double reserve, Loads.Demand d, Apart how, Optional<Removable.Kind> by) {
        var p = new JoinProduct(with, 1e6, 0, 0, 0, 0, 0, 20, 0, 0, 1, 200, List.of(), JoinProduct.Manner.PLAIN, Set.of(), "");
        var weak = reserve < JoinPlan.LEAST_RESERVE ? List.of(new Against(Why.WEAK, text("holds only %.1f times the load", reserve)))
                : List.<Against>of();
        return new SeamJoin(s, p, 0, 0, 1e6, 0, 0, 0, reserve, reserve, 0, gap(s), d,
                new SeamJoin.Besides(0, 0, 1, true, Optional.of(how), by, Optional.empty()), weak);
    }

    /**
     * Seams that close together get one product, held once for all of them: one that stays open long enough, or, where the inside of every
     * one is reached, one that is run in along the inside once all are tacked.
     */
    void choose(JoinOrder.Pair pair, Map<String, List<SeamJoin>> options, Map<String, SeamJoin> chosen) {
        var free = new ArrayList<String>();
        for (var n : pair.seams()) {
            var own = byHand(n, options.get(n));
            if (own.isPresent()) chosen.put(n, own.get());
            else free.add(n);
        }
        if (free.isEmpty()) {
            byHandAlone(pair, chosen);
            return;
        }
        double best = Double.POSITIVE_INFINITY;
        tacked.remove(pair);
        for (var p : in.shop().joins()) {
            var ways = free.stream().map(n -> way(options, n, p)).toList();
            double need = 0, c = 0;
            for (var n : pair.seams()) need += way(options, n, p).needMin();
            boolean late = pair.seams().size() > 1 && need > ways.getFirst().openMin();
            var tack = late && free.size() == pair.seams().size() ? tack(pair, ways) : Optional.<String>empty();
            if (tack.isPresent()) ways = ways.stream().map(w -> w.along(fillet(w.seam()))).toList();
            for (var w : ways) c += by.of(w, fetchMin());
            c -= (ways.size() - 1) * by.once(ways.getFirst(), fetchMin());
            if (late) c += tack.isPresent() ? TACK_MIN * ways.size() : by.late(need, ways.getFirst().openMin());
            if (c >= best) continue;
            best = c;
            for (var w : ways) chosen.put(w.seam().name(), w);
            tacked.remove(pair);
            tack.ifPresent(t -> tacked.put(pair, t));
        }
    }

    /** One product chosen by hand for all of a step is tacked as one that is proposed. */
    private void byHandAlone(JoinOrder.Pair pair, Map<String, SeamJoin> chosen) {
        var ways = pair.seams().stream().map(chosen::get).toList();
        double need = ways.stream().mapToDouble(SeamJoin::needMin).sum();
        if (ways.size() < 2 || need <= ways.getFirst().openMin() || ways.stream().map(SeamJoin::product).distinct().count() > 1) return;
        tack(pair, ways).ifPresent(t -> {
            tacked.put(pair, t);
            for (var w : ways) chosen.put(w.seam().name(), w.along(fillet(w.seam())));
        });
    }

    /** With what a step is tacked first; empty where it is closed wet. */
    Optional<String> tack(JoinOrder.Pair pair) {
        return Optional.ofNullable(tacked.get(pair));
    }

    /** With what all seams may be tacked and a slower glue run in from inside afterwards, strong enough. */
    private Optional<String> tack(JoinOrder.Pair pair, List<SeamJoin> ways) {
        var all = together(pair);
        if (ways.stream()
                .anyMatch(w -> w.product().holdMin() < TACKS_MIN || w.product().manner().welds() || w.speaks(Why.MATERIAL)
                        || !reached(w.seam(), all) || w.reserve() * fillet(w.seam()) < JoinPlan.LEAST_RESERVE))
            return Optional.empty();
        return in.shop()
                .joins()
                .stream()
                .filter(p -> p.holdMin() < TACKS_MIN && !p.manner().mixed() && !p.manner().welds() && p.shearLowMpa() >= 1)
                .filter(p -> ways.stream()
                        .allMatch(w -> p.suits(in.prints().get(w.seam().first()).material())
                                && p.suits(in.prints().get(w.seam().second()).material())))
                .findFirst()
                .map(JoinProduct::name);
    }

    /** A bead along the inside holds by so much of what is bonded. */
    private double fillet(Seam s) {
        return melted(s, true);
    }

    /** What the maker chose for a seam. */
    Optional<SeamJoin> byHand(String seam, List<SeamJoin> options) {
        var hand = in.wish().products().get(seam);
        return hand == null ? Optional.empty() : options.stream().filter(o -> o.product().name().equals(hand)).findFirst();
    }

    private static SeamJoin way(Map<String, List<SeamJoin>> options, String seam, JoinProduct p) {
        return options.get(seam).stream().filter(o -> o.product().equals(p)).findFirst().orElseThrow();
    }

    static Set<String> together(JoinOrder.Pair p) {
        var out = new HashSet<>(p.one());
        out.addAll(p.other());
        return out;
    }
}
