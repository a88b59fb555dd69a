package yellowbracket.cut;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;

/**
 * Sections that would print as one if the prop were a little smaller, or do already when laid askew: a cut less.
 * @param sections their letters
 * @param scale the largest at which they stand on a bed as one; {@code share} of the scale they have now, 1 where they fit as they are
 * @param leanDeg how far they lean on the bed from how they sit in the prop, to the nearest quarter turn
 * @param ends the two ends of the cut tree that become one; empty for the whole
 * @param cutsLess planes that fall away
 */
public record Nearly(List<String> sections, double scale, double share, double leanDeg, List<List<Boolean>> ends, int cutsLess) {
    /** A smaller prop than this is another prop. */
    private static final double LEAST_SHARE = 0.93;
    /** What is told of a scale, and a hair to spare on the bed. */
    private static final double STEP = 1e-3, SPARE_MM = 0.05;

    public Nearly {
        sections = List.copyOf(sections);
        ends = List.copyOf(ends);
    }

    /** The same cuts without those that fall away; the same ones where the plane parts others by now. */
    public CutTree without(CutTree cuts) {
        return ends.isEmpty() ? CutTree.WHOLE : cuts.merged(ends.get(0), ends.get(1)).orElse(cuts);
    }

    public boolean fits() {
        return share >= 1;
    }

    /** A and B, or the whole. */
    public String who() {
        return ends.isEmpty() ? "the whole" : String.join(" and ", sections);
    }

    /** Such as: as one at 98.4 % of now, leaning 12 degrees: 1 cut less. */
    public String how() {
        var out = new StringBuilder("as one");
        if (!fits()) out.append(String.format(Locale.ROOT, " at %.1f %% of now", 100 * share));
        if (leanDeg >= 1) out.append(String.format(Locale.ROOT, "%s leaning %.0f\u00b0", fits() ? "" : ",", leanDeg));
        return out + ": " + cutsLess + (cutsLess == 1 ? " cut less" : " cuts less");
    }

    /**
     * What nearly fits, what costs least size first; of the whole and of each two ends that one plane parts.
     * @param plain sections as cut, model mm
     */
    public static List<Nearly> among(Sectioning plain, CutTree tree, double scale, List<Bed> beds, Progress progress) {
        var out = new ArrayList<Nearly>();
        if (tree.planeCount() == 0 || beds.isEmpty()) return out;
        Map<List<Boolean>, List<Section>> ends = new LinkedHashMap<>();
        for (var s : plain.sections()) ends.computeIfAbsent(tree.pathTo(s), k -> new ArrayList<>()).add(s);
        var where = new LinkedHashMap<String, List<Boolean>>();
        ends.forEach((path, list) -> list.forEach(s -> where.put(s.name(), path)));
        Set<Set<List<Boolean>>> seen = new HashSet<>();
        for (var seam : plain.seams()) {
            var a = where.get(seam.first());
            var b = where.get(seam.second());
            if (a == null || b == null || a.equals(b) || !seen.add(Set.of(a, b))) continue;
            var merged = tree.merged(a, b);
            if (merged.isEmpty()) continue;
            progress.check();
            var both = new ArrayList<>(ends.get(a));
            both.addAll(ends.get(b));
            add(out, both, List.of(a, b), tree.planeCount() - merged.get().planeCount(), scale, beds);
        }
        if (tree.planeCount() > 1) add(out, plain.sections(), List.of(), tree.planeCount(), scale, beds);
        out.sort(Comparator.comparingDouble((Nearly n) -> -n.share).thenComparingDouble(Nearly::leanDeg));
        return List.copyOf(out);
    }

    private static void add(List<Nearly> out, List<Section> parts, List<List<Boolean>> ends, int cutsLess, double scale, List<Bed> beds) {
        var mesh = Mesh.union(parts.stream().map(Section::mesh).toList()).scaled(scale);
        var best = beds.stream()
                .map(b -> TurnedFit.closest(mesh, b.less(SPARE_MM), 1 / LEAST_SHARE))
                .min(Comparator.comparingDouble(TurnedFit.Closest::factor))
                .orElseThrow();
        double share = best.factor() <= 1 ? 1 : Math.floor(1 / best.factor() / STEP) * STEP;
        if (share < LEAST_SHARE) return;
        out.add(new Nearly(parts.stream().map(Section::name).toList(), scale * share, share, best.leanDeg(), ends, cutsLess));
    }
}
