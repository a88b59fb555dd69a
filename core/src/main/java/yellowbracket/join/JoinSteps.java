package yellowbracket.join;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import yellowbracket.cut.Seam;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.JoinProduct;
import yellowbracket.shop.Practice;

/** What each step of assembly asks for: minutes, batches, how it lies and is held, what is done before it closes. */
final class JoinSteps {
    /** A wall thinner is taped, mm. */
    private static final double THIN_MM = 5;
    /** Held in the hand so long, and so heavy, at most. */
    private static final double BY_HAND_MIN = 2.5, HEAVY_G = 300;
    /** Of what is open, the share at which a second pair of hands is worth it. */
    private static final double CLOSE = 0.7;
    /** The face is level enough for the weight to close it; beyond the second it hangs. Degrees. */
    private static final double LEVEL_DEG = 30, SLANTS_DEG = 65;
    /** Of a seam's inside is reached before, and not any more after. */
    private static final double WAS = 0.8, IS = 0.5;
    /** A wait as long goes on overnight, h. */
    private static final double OVERNIGHT_H = 6;

    private final JoinPlanner.Given in;
    private final Map<String, Seam> seams;
    private final Map<String, SeamJoin> chosen;
    private final Map<String, Weighed> parts;
    private final Optional<Alignment.Chain> chain;
    private final JoinChoice choice;

    JoinSteps(JoinPlanner.Given in, Map<String, Seam> seams, Map<String, SeamJoin> chosen, Map<String, Weighed> parts,
            Optional<Alignment.Chain> chain, JoinChoice choice) {
        this.in = in;
        this.seams = seams;
        this.chosen = chosen;
        this.parts = parts;
        this.chain = chain;
        this.choice = choice;
    }

    List<JoinPlan.Step> of(List<JoinOrder.Pair> pairs) {
        var out = new ArrayList<JoinPlan.Step>();
        var closed = new LinkedHashSet<String>();
        for (var p : pairs) {
            out.add(step(out.size() + 1, p, closed));
            closed.addAll(p.seams());
        }
        return out;
    }

    private JoinPlan.Step step(int number, JoinOrder.Pair p, Set<String> closed) {
        double need = 0, open = Double.POSITIVE_INFINITY, hold = 0, handle = 0;
        var byProduct = new LinkedHashMap<JoinProduct, Double>();
        for (var n : p.seams()) {
            var j = chosen.get(n);
            need += j.needMin();
            open = Math.min(open, j.openMin());
            hold = Math.max(hold, j.holdMin());
            handle = Math.max(handle, j.handleH());
            byProduct.merge(j.product(), j.grams(), Double::sum);
        }
        double grams = byProduct.entrySet().stream().mapToDouble(e -> batch(e.getKey(), e.getValue())).sum();
        var notes = new ArrayList<String>();
        if (!p.free()) notes.add("no straight way to bring them together: " + p.blocked());
        if (p.seams().stream().anyMatch(in.open()::contains)) notes.add("after paint: it would not get through where it has to go");
        var tack = choice.tack(p);
        tack.ifPresent(t -> notes.add("tack all its seams with " + t + " in spots, then run " + byProduct.keySet().iterator().next().name()
                + " along the inside, one seam after the other"));
        if (tack.isEmpty() && need > open && p.seams().size() > 1) notes.add(
                text("tack %s first, then the others one by one: all at once take %.1f min, open %.1f", p.seams().getFirst(), need, open));
        if (handle > OVERNIGHT_H) notes.add("leave it overnight");
        return new JoinPlan.Step(number, p.one(), p.other(), p.seams(), byProduct.keySet().stream().map(JoinProduct::name).toList(), grams,
                need, open, hold, handle, tack, how(p, hold, tack.isPresent() ? 0 : need / open), before(p, closed), notes);
    }

    /** What is mixed of a product, with what stays in the cup; what is not mixed is put on as it comes. */
    private double batch(JoinProduct p, double grams) {
        if (!p.manner().mixed()) return grams;
        return Math.max(p.manner().leastG(), grams) * in.shop().usual(Practice.CUP_WASTE_TIMES) + in.shop().usual(Practice.CUP_WASTE_G);
    }

    private String how(JoinOrder.Pair p, double hold, double share) {
        String helper = share > CLOSE && p.seams().size() > 1 ? ", with a helper" : "";
        if (chain.isPresent() && chain.get().seams().containsAll(p.seams()))
            return text("both laid in a straight rail %.0f mm long and pushed together, a weight or cord along them", chain.get().railMm())
                    + helper;
        var rest = rest(p);
        String lies = rest.filter(r -> r.tiltDeg() <= SLANTS_DEG && r.stands())
                .map(r -> String.join("+", p.other()) + (r.tiltDeg() <= LEVEL_DEG ? " stands by itself with the seam up"
                        : text(" lies with the seam %.0f\u00b0 off level", r.tiltDeg())))
                .orElse(String.join("+", p.other()) + " in a box of sand, the seam up");
        boolean level = rest.isEmpty() || rest.get().tiltDeg() <= LEVEL_DEG || !rest.get().stands() || rest.get().tiltDeg() > SLANTS_DEG;
        if (hold <= BY_HAND_MIN) return lies + ", pressed by hand" + helper;
        boolean thin = p.seams().stream().allMatch(n -> seams.get(n).wallMm() < THIN_MM);
        double held = p.one().stream().mapToDouble(n -> parts.get(n).grams()).sum();
        String with = held > HEAVY_G ? "braced on both sides"
                : thin ? text("taped across every %.0f mm", in.shop().usual(Practice.TAPE_APART_MM)) : "clamped or weighted";
        return lies + (level ? ", its weight closes it, " : ", where it would slide: ") + with + helper;
    }

    private Optional<InHand.Rest> rest(JoinOrder.Pair p) {
        var comes = comes(p);
        var other = centre(p.other());
        var all = new ArrayList<>(p.other());
        all.addAll(p.one());
        return comes.norm() < 1e-9 ? Optional.empty() : in.hand().rest(p.other(), comes.unit(), other, centre(all));
    }

    /** Which way the first comes from, seen from the second, areas counted. */
    private Vec3 comes(JoinOrder.Pair p) {
        var out = Vec3.ZERO;
        for (var n : p.seams()) {
            var s = seams.get(n);
            out = out.plus(s.normal().times((p.one().contains(s.above()) ? 1 : -1) * s.areaMm2()));
        }
        return out;
    }

    private Vec3 centre(List<String> some) {
        double grams = 0;
        var sum = Vec3.ZERO;
        for (var n : some) {
            grams += parts.get(n).grams();
            sum = sum.plus(parts.get(n).at().times(parts.get(n).grams()));
        }
        return grams > 0 ? sum.times(1 / grams) : parts.get(some.getFirst()).at();
    }

    /** What cannot be done any more, or not as well, once it is closed. */
    private List<String> before(JoinOrder.Pair p, Set<String> closed) {
        var out = new ArrayList<String>();
        var all = JoinChoice.together(p);
        var shut = closed.stream()
                .filter(n -> all.containsAll(List.of(seams.get(n).first(), seams.get(n).second())) && in.hand().hasInside(n))
                .filter(n -> in.hand().reached(n, own(p, n)) >= WAS && in.hand().reached(n, all) < IS)
                .toList();
        if (!shut.isEmpty())
            out.add("finish and prime the inside of " + String.join(", ", shut) + ", and pull wires through: out of reach afterwards");
        for (var n : p.seams()) {
            var f = in.fittings(n);
            if (f.through()) out.add("try it dry on the rod that goes through all of it");
            else for (var r : f.rods())
                out.add("saw " + r.stock().words() + text(" %.0f mm to %.0f mm and try it dry: ", r.diameterMm(), r.sawMm()) + n);
            if (f.magnetN() > 0) out.add("glue the magnets of " + n + " in, and check which way they pull before the glue sets");
            if (in.hand().hasInside(n) && in.hand().reached(n, all) < IS)
                out.add("no reach to the inside of " + n + " afterwards: glue on the whole face, inside fully primed first");
        }
        return List.copyOf(new LinkedHashSet<>(out));
    }

    /** The half of a step that holds a seam closed before. */
    private Set<String> own(JoinOrder.Pair p, String seam) {
        return new HashSet<>(p.one().contains(seams.get(seam).first()) ? p.one() : p.other());
    }

    private static String text(String f, Object... v) {
        return String.format(Locale.ROOT, f, v);
    }
}
