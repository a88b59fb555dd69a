package yellowbracket.cut;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import yellowbracket.mesh.Bvh;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Simplify;
import yellowbracket.mesh.Vec3;

/**
 * Finds a tree of axis-aligned cuts whose sections all fit the bed: recursive search over binary cutting trees (after Luo, Baran, Rusinkiewicz, Matusik,
 * "Chopper: partitioning models into 3D-printable parts", 2012), few sections first, then little cut area, no slivers; the mirror plane is
 * preferred where the prop has one, and one half's plan is then mirrored to the other. Works on a proxy; the result is checked on the full mesh.
 */
public final class SectionPlanner {
    /** Enough for extents and areas within about 1 %. */
    private static final int PROXY_TRIANGLES = 12_000;
    private static final int BRANCHES = 2;
    private static final int DEEPEST = 9;
    /** A section of less than this share of the volume is a sliver. */
    private static final double SLIVER = 0.004;
    /** Held back from the bed so that the full mesh fits where its proxy did. */
    private static final double PROXY_MARGIN_MM = 0.8;

    private final Bed bed;
    private final double wholeVolume;
    private final Progress progress;
    private int cuts;

    private SectionPlanner(Bed bed, double wholeVolume, Progress progress) {
        this.bed = bed;
        this.wholeVolume = wholeVolume;
        this.progress = progress;
    }

    /** What came of planning. */
    public sealed interface Outcome {
        /** {@code cutAreaMm2} in model units; {@code why} says what decided. */
        record Planned(CutTree tree, int sections, double cutAreaMm2, String why) implements Outcome {}

        record Impossible(String why) implements Outcome {}
    }

    /** @param scale of the prop; the tree is in model coordinates all the same */
    public static Outcome plan(Mesh model, double scale, Bed bed, Progress progress) {
        if (model.isEmpty()) return new Outcome.Impossible("the model is empty: open a mesh first");
        var size = model.bounds().size().times(scale);
        if (bed.x() < 30 || bed.y() < 30 || bed.z() < 20) return new Outcome.Impossible(String.format(java.util.Locale.ROOT, "a bed of %.0f x %.0f x %.0f mm is smaller than any useful section: take a larger bed, or state it in mm", bed.x(), bed.y(), bed.z()));
        if (bed.leastParts(size) > Sectioning.MOST_SECTIONS)
            return new Outcome.Impossible(String.format(java.util.Locale.ROOT, "a prop of %.0f x %.0f x %.0f mm would need more than %d sections on this bed: take a larger bed or a smaller scale", size.x(), size.y(), size.z(), Sectioning.MOST_SECTIONS));
        var inModel = new Bed((bed.x() - PROXY_MARGIN_MM) / scale, (bed.y() - PROXY_MARGIN_MM) / scale, (bed.z() - PROXY_MARGIN_MM) / scale);
        var proxy = Simplify.to(model, PROXY_TRIANGLES, progress);
        var planner = new SectionPlanner(inModel, Math.abs(proxy.volumeMm3()), progress);
        boolean mirror = Symmetry.leftRight(model, Bvh.of(model));
        var found = planner.solve(proxy, mirror, 0);
        if (found.isEmpty()) return new Outcome.Impossible("no cuts found that fit this bed: take a larger bed or cut by hand");
        var s = found.get();
        String why = s.sections == 1 ? "it fits in one piece" : s.sections + " sections, " + s.tree.planeCount() + " planes" + (mirror ? ", left and right alike" : "") + ", least cut area of those tried";
        return new Outcome.Planned(s.tree, s.sections, s.area, why);
    }

    private record Solution(CutTree tree, int sections, double area, double penalty) {
        double cost(double unit) {
            return sections + 0.5 * area / unit + penalty;
        }
    }

    private double unit() {
        return bed.x() * bed.y(); // a cut as large as the bed weighs half a section
    }

    private Optional<Solution> solve(Mesh piece, boolean mirror, int depth) {
        progress.check();
        var solids = Sectioning.solids(piece);
        if (solids.stream().allMatch(s -> bed.holds(s.bounds().size()))) return Optional.of(new Solution(CutTree.WHOLE, solids.size(), 0, slivers(solids)));
        if (depth >= DEEPEST) return Optional.empty();
        var ranked = new ArrayList<Candidate>();
        for (var plane : candidates(piece, mirror)) {
            var halves = PlaneCut.cut(piece, plane, 0);
            progress.report(++cuts, 200);
            if (halves.missed()) continue;
            ranked.add(new Candidate(plane, halves, estimate(halves, mirror && isMirror(plane))));
        }
        ranked.sort(Comparator.comparingDouble(Candidate::guess));
        Optional<Solution> best = Optional.empty();
        for (var c : ranked.subList(0, Math.min(depth == 0 ? BRANCHES + 1 : BRANCHES, ranked.size()))) {
            var s = complete(c, mirror, depth);
            if (s.isPresent() && (best.isEmpty() || s.get().cost(unit()) < best.get().cost(unit()) - 1e-9)) best = s;
        }
        return best;
    }

    private record Candidate(CutPlane plane, PlaneCut.Halves halves, double guess) {}

    private Optional<Solution> complete(Candidate c, boolean mirror, int depth) {
        boolean twins = mirror && isMirror(c.plane);
        var up = solve(c.halves.above(), mirror && !twins && c.plane.normal().x() == 0, depth + 1);
        if (up.isEmpty()) return up;
        var down = twins ? up.map(u -> new Solution(Symmetry.mirrored(u.tree), u.sections, u.area, u.penalty)) : solve(c.halves.below(), mirror && c.plane.normal().x() == 0, depth + 1);
        if (down.isEmpty()) return down;
        double bonus = twins ? -0.4 : 0;
        return Optional.of(new Solution(CutTree.split(c.plane, up.get().tree, down.get().tree), up.get().sections + down.get().sections,
                up.get().area + down.get().area + capArea(c.halves.above()), up.get().penalty + down.get().penalty + bonus));
    }

    private static boolean isMirror(CutPlane p) {
        return p.normal().x() == 1 && p.offsetMm() == 0;
    }

    private double estimate(PlaneCut.Halves h, boolean twins) {
        int parts = 0;
        double penalty = twins ? -0.4 : 0;
        for (var side : List.of(h.above(), h.below())) {
            var solids = Sectioning.solids(side);
            for (var s : solids) parts += bed.leastParts(s.bounds().size());
            penalty += slivers(solids);
        }
        return parts + 0.5 * capArea(h.above()) / unit() + penalty;
    }

    private double slivers(List<Mesh> solids) {
        double p = 0;
        for (var s : solids) if (Math.abs(s.volumeMm3()) < SLIVER * wholeVolume) p += 0.8;
        return p;
    }

    private static double capArea(Mesh half) {
        double sum = 0;
        for (int f = 0; f < half.triangleCount(); f++) if (half.tag(f) == 0) sum += half.area(f);
        return sum;
    }

    /** Along each axis: the middle, as much as a bed holds from either end, even parts, and the mirror plane. */
    private List<CutPlane> candidates(Mesh piece, boolean mirror) {
        var out = new ArrayList<CutPlane>();
        var box = piece.bounds();
        if (mirror && box.min().x() < -1 && box.max().x() > 1) out.add(CutPlane.across(0, 0));
        for (int axis = 0; axis < 3; axis++) {
            double lo = box.min().get(axis), hi = box.max().get(axis), length = hi - lo;
            var at = new TreeSet<Double>();
            for (double b : bed.lengths()) {
                if (length <= b) continue;
                int parts = (int) Math.ceil(length / b);
                at.add(round(lo + length / parts));
                at.add(round(hi - length / parts));
                at.add(round(lo + 0.97 * b));
                at.add(round(hi - 0.97 * b));
            }
            if (length > 0.6 * bed.lengths().getFirst()) at.add(round((lo + hi) / 2));
            for (double d : at) if (d > lo + 4 && d < hi - 4 && (axis != 0 || !mirror || Math.abs(d) > 1)) out.add(CutPlane.across(axis, d));
        }
        return out;
    }

    /** Whole millimetres and a bit: off the grid that modelled details sit on. */
    private static double round(double mm) {
        return Math.rint(mm) + 0.137;
    }

    /** Which sections of a finished cut do not fit the bed at a scale. */
    public static List<Section> tooLarge(List<Section> sections, Bed bed) {
        return sections.stream().filter(s -> !bed.holds(new Vec3(s.size().x(), s.size().y(), s.size().z()))).toList();
    }
}
