package yellowbracket.cut.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import yellowbracket.cut.Bed;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.Section;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.Symmetry;
import yellowbracket.cut.TurnedFit;
import yellowbracket.cut.plan.SectionPlan.Aim;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.cut.solid.PlaneCut;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Simplify;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * Finds trees of cuts whose sections all fit a bed: beam search over binary cutting trees (after Luo, Baran, Rusinkiewicz, Matusik,
 * "Chopper: partitioning
 * models into 3D-printable parts", 2012), once for each {@link Aim}. Costs are hours of work ({@link PlanCosts}); a piece still too large
 * is priced by the
 * best next cut through it plus the usual price of those that must follow. Where the prop is symmetric, one half's plan is mirrored. Works
 * on a simplified
 * copy in real mm: all planes through a piece are looked at in one sweep, the best are cut.
 */
public final class SectionPlanner {
    /** Plans are sought on a copy this coarse and made exact on the full mesh. */
    private static final int PROXY_TRIANGLES = 8_000;
    private static final List<Aim> SEARCHED = List.of(Aim.CHEAPEST, Aim.FEWEST, Aim.HIDDEN, Aim.SUPPORT);
    /** States followed at once, and cuts tried of each. */
    private static final int BEAM = 10;
    private static final int BRANCHES = 6;
    /** Cuts in one plan; more would be above {@link Sectioning#MOST_SECTIONS}. */
    private static final int DEEPEST = 120;
    /** What is to come is guessed too high at times: states up to this much dearer than the best whole plan are followed on. */
    private static final double SLACK = 1.15;
    /** So many cuts deeper than the first plan that is whole the search looks for a better one. */
    private static final int PATIENCE = 4;
    /** Cuts beyond the fewest that still may save work. */
    private static final int MOST_FURTHER = 4;
    private static final int FURTHER_BRANCHES = 8;
    /** Planes looked at along an axis, no nearer than the step, mm. */
    private static final int PLACES = 64;
    private static final double STEP_MM = 4;
    /** Two planes nearer than this are the same idea. */
    private static final double ALIKE_MM = 12;
    /** Held back from the bed so that the full mesh fits where its simplified copy did. */
    private static final double PROXY_MARGIN_MM = 0.8;
    /** A section smaller than this share of the mean is a crumb; parallel planes nearer than this leave a slice, mm. */
    private static final double CRUMB = 0.02, SLICE_MM = 8;
    /** Plain grids that are tried, those of the fewest parts. */
    private static final int GRIDS = 3;

    private final List<Bed> beds;
    private final SurfaceWorth worth;
    private final PlanCosts costs;
    private final boolean eyes;
    private final double scale;
    private final Progress progress;
    private final Map<Mesh, List<CutChoice>> choices = new IdentityHashMap<>();
    private final Map<CutChoice, List<PlanPiece>> halves = new IdentityHashMap<>();
    private int steps;

    private SectionPlanner(List<Bed> beds, SurfaceWorth worth, double scale, PlanWishes wishes, Progress progress) {
        this.beds = beds.stream().map(b -> new Bed(b.x() - PROXY_MARGIN_MM, b.y() - PROXY_MARGIN_MM, b.z() - PROXY_MARGIN_MM)).toList();
        this.worth = worth;
        this.scale = scale;
        this.progress = progress;
        eyes = wishes.eyes().isPresent();
        costs = new PlanCosts(this.beds, wishes.rates());
    }

    /** What came of planning. */
    public sealed interface Outcome {
        /** Different plans, each best at what it names; at least one. @param atLeast parts that no plan can do without */
        record Planned(List<SectionPlan> plans, int atLeast) implements Outcome {
            public Planned {
                plans = List.copyOf(plans);
            }

            /** The plan for an aim, or the first where nothing was made for it. */
            public SectionPlan best(Aim aim) {
                return plans.stream().filter(p -> p.aims().contains(aim)).findFirst().orElse(plans.getFirst());
            }
        }

        record Impossible(String why) implements Outcome {}
    }

    public static Outcome plan(Mesh model, double scale, Bed bed, Progress progress) {
        return plan(model, scale, PlanWishes.of(bed), progress, p -> {});
    }

    /**
     * @param scale of the prop; the trees are in model coordinates all the same
     * @param soFar hears the plans found as they come; a stop that is asked for after the first of them returns what there is
     */
    public static Outcome plan(Mesh model, double scale, PlanWishes wishes, Progress progress, Consumer<Outcome.Planned> soFar) {
        var refusal = refusal(model, scale, wishes.beds());
        if (refusal.isPresent()) return new Outcome.Impossible(refusal.get());
        var proxy = Simplify.to(model, PROXY_TRIANGLES, progress).scaled(scale);
        progress.check();
        boolean mirror = wishes.mirror() && wishes.kept().planes().stream().allMatch(p -> p.normal().x() == 0)
                && Symmetry.leftRight(model, Bvh.of(model));
        var worth = SurfaceWorth.of(proxy, p -> wishes.zone().applyAsInt(p.times(1 / scale)), wishes.eyes().map(e -> e.times(scale)));
        var plans = new ArrayList<SectionPlan>();
        int atLeast = PartsBound.of(proxy, wishes.beds(),
                Sectioning.solids(proxy).stream().allMatch(s -> TurnedFit.onAny(s, wishes.beds())));
        Consumer<List<SectionPlan>> told = p -> soFar.accept(new Outcome.Planned(p, atLeast));
        try {
            new SectionPlanner(wishes.beds(), worth, scale, wishes, progress).allAims(wishes.kept(), mirror, plans, told);
            if (wishes.beds().size() > 1) {
                var smallest = wishes.beds().stream().min(Comparator.comparingDouble(Bed::volume)).orElseThrow();
                new SectionPlanner(List.of(smallest), worth, scale, wishes, progress).one(Aim.EVERY_BED, wishes.kept(), mirror, plans);
                told.accept(plans);
            }
        } catch (Progress.Stopped stopped) {
            if (plans.isEmpty()) throw stopped;
        }
        if (plans.isEmpty())
            return new Outcome.Impossible("no cuts found that fit this bed: take a larger bed, unlock a plane, or cut by hand");
        return new Outcome.Planned(plans, atLeast);
    }

    private static Optional<String> refusal(Mesh model, double scale, List<Bed> beds) {
        if (model.isEmpty()) return Optional.of("the model is empty: open a mesh first");
        if (beds.isEmpty()) return Optional.of("there is no printer to plan for: add one to the shop");
        var size = model.bounds().size().times(scale);
        int least = Integer.MAX_VALUE;
        for (var b : beds) {
            if (b.x() < 30 || b.y() < 30 || b.z() < 20) return Optional.of(String.format(Locale.ROOT,
                    "a bed of %.0f x %.0f x %.0f mm is smaller than any useful section: take a larger bed, or state it in mm", b.x(), b.y(),
                    b.z()));
            least = Math.min(least, b.leastParts(size));
        }
        if (least > Sectioning.MOST_SECTIONS) return Optional.of(String.format(Locale.ROOT,
                "a prop of %.0f x %.0f x %.0f mm would need more than %d sections on this bed: take a larger bed or a smaller scale",
                size.x(), size.y(), size.z(), Sectioning.MOST_SECTIONS));
        return Optional.empty();
    }

    /**
     * A quick plan first, so that something is on the table; then one for each aim. What one search finds may serve another's aim better
     * than its own.
     */
    private void allAims(CutTree kept, boolean mirror, List<SectionPlan> plans, Consumer<List<SectionPlan>> soFar) {
        var root = start(worth.tagged(), kept, mirror);
        var uncut = piece(worth.tagged(), mirror, 1);
        if (uncut.fits()) {
            plans.add(finished(Aim.WHOLE, uncut));
            if (root.cut().isPresent()) add(plans, finished(Aim.CHEAPEST, root));
            else {
                add(plans, finished(Aim.CHEAPEST, further(root, Aim.CHEAPEST)));
                intoTwo(root).ifPresent(r -> add(plans, finished(Aim.SUPPORT, r)));
            }
            soFar.accept(List.copyOf(plans));
            return;
        }
        var found = new ArrayList<PlanPiece>(grids(kept));
        search(root, Aim.CHEAPEST, 1, 1).ifPresent(found::add);
        for (var aim : SEARCHED) {
            choose(found, plans);
            soFar.accept(List.copyOf(plans));
            search(root, aim, BEAM, BRANCHES).ifPresent(found::add);
        }
        choose(found, plans);
        soFar.accept(List.copyOf(plans));
    }

    private void choose(List<PlanPiece> found, List<SectionPlan> plans) {
        plans.clear();
        for (var aim : SEARCHED) best(found, aim).ifPresent(r -> add(plans, finished(aim, r)));
    }

    /** Of those without crumbs, if there are any. */
    private Optional<PlanPiece> best(List<PlanPiece> found, Aim aim) {
        var sound = found.stream().filter(this::sound).toList();
        return (sound.isEmpty() ? found : sound).stream().min(Comparator.comparingDouble(r -> costs.of(r, aim, p -> 0)));
    }

    /** What anybody would do first: evenly spaced planes across what is kept, as few as a bed asks for. No plan may be worse. */
    private List<PlanPiece> grids(CutTree kept) {
        var box = worth.tagged().bounds();
        var counts = new HashSet<List<Integer>>();
        for (var b : beds) for (double[] t : b.turns()) {
            var n = new ArrayList<Integer>();
            for (int a = 0; a < 3; a++) n.add((int) Math.ceil(box.size().get(a) / t[a]));
            counts.add(n);
        }
        return counts.stream()
                .sorted(Comparator.comparingInt((List<Integer> n) -> n.get(0) * n.get(1) * n.get(2)))
                .filter(n -> n.get(0) * n.get(1) * n.get(2) <= Sectioning.MOST_SECTIONS)
                .limit(GRIDS)
                .map(n -> start(worth.tagged(), grid(kept, box, n), false))
                .filter(PlanPiece::done)
                .toList();
    }

    private CutTree grid(CutTree kept, Bounds3 box, List<Integer> parts) {
        var t = kept;
        for (int a = 0; a < 3; a++) for (int i = 1; i < parts.get(a); i++) {
            double at = offGrid(box.min().get(a) + box.size().get(a) * i / parts.get(a));
            t = t.cutEverywhere(new CutPlane(Vec3.axis(a), at / scale));
        }
        return t;
    }

    /** Without crumbs, and without slices between planes that lie side by side. */
    private boolean sound(PlanPiece root) {
        var volumes = root.leaves().stream().flatMap(p -> Sectioning.solids(p.mesh()).stream()).mapToDouble(Mesh::volumeMm3).toArray();
        double mean = Arrays.stream(volumes).average().orElse(0);
        if (Arrays.stream(volumes).anyMatch(v -> v < CRUMB * mean)) return false;
        var planes = tree(root).planes();
        for (var p : planes) for (var q : planes) {
            double along = p.normal().dot(q.normal()), apart = scale * Math.abs(p.offsetMm() - Math.signum(along) * q.offsetMm());
            if (Math.abs(along) > 0.999 && apart > 1e-6 && apart < SLICE_MM) return false;
        }
        return true;
    }

    private void one(Aim aim, CutTree kept, boolean mirror, List<SectionPlan> plans) {
        var found = new ArrayList<>(grids(kept));
        search(start(worth.tagged(), kept, mirror), aim, BEAM, BRANCHES).ifPresent(found::add);
        best(found, aim).ifPresent(r -> add(plans, finished(aim, r)));
    }

    /** Two plans that cut alike are one. */
    private static void add(List<SectionPlan> plans, SectionPlan p) {
        for (int i = 0; i < plans.size(); i++) if (plans.get(i).tree().equals(p.tree())) {
            plans.set(i, plans.get(i).alsoBestAt(p.aims().getFirst()));
            return;
        }
        plans.add(p);
    }

    private PlanPiece piece(Mesh m, boolean symmetric, int count) {
        return PlanPiece.whole(m, symmetric, count, Sectioning.solids(m).stream().allMatch(s -> TurnedFit.onAny(s, beds)));
    }

    private PlanPiece start(Mesh m, CutTree kept, boolean mirror) {
        if (!(kept instanceof CutTree.Split s)) return piece(m, mirror, 1);
        var plane = new CutPlane(s.plane().normal(), s.plane().offsetMm() * scale);
        var seen = CutSweep.of(m, plane.normal(), new double[] {plane.offsetMm()}, false, worth);
        if (seen.isEmpty()) return start(m, s.above().planeCount() >= s.below().planeCount() ? s.above() : s.below(), mirror);
        var parts = PlaneCut.cut(m, plane, 0);
        boolean still = mirror && plane.normal().x() == 0;
        return piece(m, mirror, 1).cutBy(new PlanPiece.Cut(seen.getFirst(), s.locked(), start(parts.above(), s.above(), still),
                Optional.of(start(parts.below(), s.below(), still))));
    }

    private record State(PlanPiece root, double cost) {}

    private static final Comparator<State> CHEAPEST = Comparator.comparingDouble(State::cost);

    private Optional<PlanPiece> search(PlanPiece root, Aim aim, int beam, int branches) {
        var states = List.of(new State(root, 0));
        var whole = new ArrayList<State>();
        int last = DEEPEST;
        for (int depth = 0; depth < last && !states.isEmpty(); depth++) {
            var next = new ArrayList<State>();
            for (var s : states) {
                var open = s.root.open();
                if (open.isEmpty()) {
                    last = Math.min(last, depth + PATIENCE);
                    whole.add(s);
                    continue;
                }
                progress.check();
                progress.report(++steps, steps + 40);
                for (var c : ranked(open.get(), aim, branches)) {
                    var r = s.root.with(open.get(), cut(open.get(), c));
                    next.add(new State(r, costs.of(r, aim, p -> toCome(p, aim))));
                }
            }
            next.sort(CHEAPEST);
            double limit = SLACK * whole.stream().mapToDouble(State::cost).min().orElse(Double.POSITIVE_INFINITY);
            states = next.stream().filter(s -> s.cost < limit).limit(beam).toList();
        }
        return whole.stream()
                .sorted(CHEAPEST)
                .limit(beam)
                .map(s -> further(s.root, aim))
                .min(Comparator.comparingDouble(r -> costs.of(r, aim, p -> 0)));
    }

    /** Cuts that no bed asks for but that pay: less support, shorter prints that fail less. One at a time, the best first. */
    private PlanPiece further(PlanPiece root, Aim aim) {
        var now = root;
        double cost = costs.of(now, aim, p -> 0);
        for (int i = 0; i < MOST_FURTHER; i++) {
            PlanPiece best = now;
            for (var leaf : now.leaves()) {
                progress.check();
                for (var c : ranked(leaf, aim, FURTHER_BRANCHES)) {
                    var cut = cut(leaf, c);
                    if (!cut.done()) continue;
                    var tried = now.with(leaf, cut);
                    double t = costs.of(tried, aim, p -> 0);
                    if (t >= cost) continue;
                    cost = t;
                    best = tried;
                }
            }
            if (best == now) return now;
            now = best;
        }
        return now;
    }

    /** The least that a piece which does not fit will still cost, as far as one can see without cutting it. */
    private double toCome(PlanPiece p, Aim aim) {
        var all = looked(p);
        double usual = costs.usual(all, aim);
        return all.stream().mapToDouble(c -> costs.guess(c, usual, aim)).min().orElse(1000);
    }

    /** A prop that fits whole is offered in two all the same: parts print flatter and fail cheaper. */
    private Optional<PlanPiece> intoTwo(PlanPiece root) {
        return ranked(root, Aim.SUPPORT, 6).stream()
                .map(c -> cut(root, c))
                .filter(PlanPiece::done)
                .min(Comparator.comparingDouble(r -> costs.of(r, Aim.SUPPORT, p -> 0)));
    }

    private PlanPiece cut(PlanPiece p, CutChoice c) {
        var parts = halves.computeIfAbsent(c, k -> {
            var cut = PlaneCut.cut(p.mesh(), c.plane(), 0);
            boolean still = p.symmetric() && c.plane().normal().x() == 0;
            return c.mirror() ? List.of(piece(cut.above(), false, 2 * p.count()))
                    : List.of(piece(cut.above(), still, p.count()), piece(cut.below(), still, p.count()));
        });
        return p.cutBy(new PlanPiece.Cut(c, false, parts.getFirst(), parts.stream().skip(1).findFirst()));
    }

    /**
     * The most promising cuts of a piece, no two nearly the same, no more than two along one direction; the mirror plane always, for what
     * it saves further down.
     */
    private List<CutChoice> ranked(PlanPiece p, Aim aim, int most) {
        var all = looked(p);
        double usual = costs.usual(all, aim);
        var out = new ArrayList<>(all.stream().filter(CutChoice::mirror).toList());
        var order = all.stream().sorted(Comparator.comparingDouble(c -> costs.guess(c, usual, aim))).toList();
        for (var c : order) {
            if (out.size() >= most) break;
            var same = out.stream().filter(o -> o.plane().normal().dot(c.plane().normal()) > 0.99).toList();
            if (same.size() < 2 && same.stream().noneMatch(o -> Math.abs(o.plane().offsetMm() - c.plane().offsetMm()) < ALIKE_MM))
                out.add(c);
        }
        return out;
    }

    private List<CutChoice> looked(PlanPiece p) {
        return choices.computeIfAbsent(p.mesh(), m -> {
            var out = new ArrayList<>(CutChoice.directions()
                    .parallelStream()
                    .filter(n -> !p.symmetric() || n.x() == 0) // a lone cut beside the middle would end the symmetry
                    .map(n -> CutSweep.of(m, n, offsets(m, n), false, worth))
                    .flatMap(List::stream)
                    .toList());
            if (p.symmetric()) out.addAll(CutSweep.of(m, Vec3.X, new double[] {0}, true, worth));
            return costs.worthwhile(m, out);
        });
    }

    /** Evenly through the piece, and as much as a bed holds from either end. */
    private double[] offsets(Mesh m, Vec3 n) {
        var heights = IntStream.range(0, m.vertexCount())
                .mapToDouble(v -> n.x() * m.x(v) + n.y() * m.y(v) + n.z() * m.z(v))
                .summaryStatistics();
        double lo = heights.getMin(), hi = heights.getMax(), step = Math.max(STEP_MM, (hi - lo) / PLACES);
        var even = IntStream.range(1, (int) ((hi - lo) / step)).mapToDouble(i -> lo + i * step);
        var ends = beds.stream()
                .flatMapToDouble(b -> b.lengths()
                        .stream()
                        .filter(l -> hi - lo > l)
                        .flatMapToDouble(l -> DoubleStream.of(lo + 0.985 * l, hi - 0.985 * l)));
        return Arrays.stream(DoubleStream.concat(even, ends).map(this::offGrid).toArray()).sorted().distinct().toArray();
    }

    /** A bit off whole tenths of the model, where its details have their vertices. */
    private double offGrid(double mm) {
        return (Math.rint(10 * mm / scale) / 10 + 0.037) * scale;
    }

    private SectionPlan finished(Aim aim, PlanPiece root) {
        var sum = new Tally();
        sum.add(root);
        var reasons = new ArrayList<SectionPlan.Reason>();
        reasons(root, false, reasons);
        return new SectionPlan(List.of(aim), tree(root), sum.parts, sum.line, sum.show, sum.area, sum.print + sum.support.printH(),
                sum.support.removeH(), sum.join, sum.smooth, sum.support.printH() + sum.support.removeH(), reasons);
    }

    /** Sums over a tree. */
    private final class Tally {
        private int parts;
        private double line;
        private double show;
        private double area;
        private double print;
        private double join;
        private double smooth;
        private PlanCosts.Support support = PlanCosts.Support.NONE;

        private void add(PlanPiece p) {
            if (p.cut().isEmpty()) {
                parts += p.count() * costs.solids(p.mesh());
                print += p.count() * costs.printHours(p.mesh());
                for (int i = 0; i < p.count(); i++) support = support.plus(costs.support(p.mesh()));
                return;
            }
            var c = p.cut().get();
            line += p.count() * c.choice().lineMm();
            show += p.count() * c.choice().showMm();
            area += p.count() * c.choice().areaMm2();
            join += p.count() * costs.joinHours(c.choice());
            smooth += p.count() * costs.smoothHours(c.choice());
            add(c.above());
            c.below().ifPresent(this::add);
        }
    }

    private CutTree tree(PlanPiece p) {
        if (p.cut().isEmpty()) return CutTree.WHOLE;
        var c = p.cut().get();
        var up = tree(c.above());
        return new CutTree.Split(inModel(c.choice().plane()), up, c.below().map(this::tree).orElseGet(() -> Symmetry.mirrored(up)),
                c.locked());
    }

    private CutPlane inModel(CutPlane p) {
        return new CutPlane(p.normal(), Math.rint(p.offsetMm() / scale * 1e6) / 1e6);
    }

    private void reasons(PlanPiece p, boolean mirrored, List<SectionPlan.Reason> out) {
        if (p.cut().isEmpty()) return;
        var c = p.cut().get();
        out.add(new SectionPlan.Reason(inModel(c.choice().plane()), c.locked(), mirrored, c.choice().why(eyes)));
        reasons(c.above(), mirrored, out);
        reasons(c.below().orElse(c.above()), mirrored || c.below().isEmpty(), out);
    }

    /** Which sections of a finished cut fit none of the beds in any turned position. */
    public static List<Section> tooLarge(List<Section> sections, List<Bed> beds) {
        return sections.parallelStream().filter(s -> !TurnedFit.onAny(s.mesh(), beds)).toList();
    }
}
