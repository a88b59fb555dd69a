package yellowbracket.cut;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import yellowbracket.cut.solid.PlaneCut;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Fix;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Bodies;
import yellowbracket.mesh.DirectedEdge;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.repair.MeshHealth;
import yellowbracket.work.SectionId;
import yellowbracket.work.Station;

/**
 * The sections and seams a cut tree makes of a model. Loose parts of one side become sections of their own, highest first; an inner void
 * stays with what holds
 * it. Letters follow the tree, so that what the last planes parted, and what is joined first again, has neighbouring letters, and moving a
 * plane renames nothing.
 */
public record Sectioning(List<Section> sections, List<Seam> seams, List<Finding> findings) {
    /** Above this the work stops: nobody glues so many. */
    public static final int MOST_SECTIONS = 200;
    private static final Comparator<Mesh> HIGHEST_FIRST = Comparator.comparingDouble((Mesh m) -> Math.rint(m.bounds().centre().z() / 25))
            .reversed()
            .thenComparingDouble(m -> m.bounds().centre().x())
            .thenComparingDouble(m -> m.bounds().centre().y());
    /** Sections named in a finding; the rest is counted. */
    private static final int MOST_NAMED = 8;
    /** A section of less volume, mm3, is told as a sliver. */
    private static final double SLIVER_MM3 = 60;

    /** @param prop whose model it is @param letters its block, so that props of one build do not share names */
    public static Sectioning of(Mesh model, Bvh index, CutTree tree, String prop, Letters letters, Progress progress) {
        var pieces = new ArrayList<Mesh>();
        var findings = new ArrayList<Finding>();
        int open = cut(model, tree, 0, pieces, progress);
        if (open > 0) findings.add(Finding
                .of(Weight.STOP, Subject.WHOLE, "%d open chains were left uncapped: the model has holes, mend it before cutting", open)
                .fixedBy(Fix.go("mend it", Station.SIZE, "health")));
        if (pieces.size() > MOST_SECTIONS) {
            findings.add(Finding.stop(
                    "the cuts leave " + pieces.size() + " sections, more than " + MOST_SECTIONS + ": take a larger bed or fewer planes"));
            pieces.subList(MOST_SECTIONS, pieces.size()).clear();
        }
        var sections = new ArrayList<Section>();
        for (var piece : pieces) {
            var id = new SectionId(prop, letters.at(sections.size()));
            sections.add(new Section(id, piece, MeshHealth.balanced(piece)));
        }
        var slivers = sections.stream().filter(q -> Math.abs(q.mesh().volumeMm3()) < SLIVER_MM3).map(Section::name).toList();
        if (!slivers.isEmpty()) findings.add(Finding.care((slivers.size() == 1 ? "section " + slivers.getFirst() + " is a sliver"
                : slivers.size() + " sections are slivers (" + some(slivers) + ")")
                + ": move the plane that makes it, or drop the body on the size page"));
        progress.check();
        return new Sectioning(List.copyOf(sections), SeamFinder.find(sections, tree, index), List.copyOf(findings));
    }

    private static String some(List<String> names) {
        return names.size() <= MOST_NAMED ? String.join(", ", names) : String.join(", ", names.subList(0, MOST_NAMED)) + " ...";
    }

    /** The same tree on a model that differs a little; pieces take the names of those they lie nearest to. */
    public List<Section> cutLikeThis(Mesh model, CutTree tree, Progress progress) {
        var pieces = drawn(model, tree);
        progress.check();
        return sections.stream()
                .filter(s -> pieces.containsKey(s.name()))
                .map(s -> new Section(s.id(), pieces.get(s.name()), MeshHealth.balanced(pieces.get(s.name()))))
                .toList();
    }

    /** As {@link #cutLikeThis} with the seams as they are then; how much of each is seen stays as it was. */
    public Sectioning cutAgain(Mesh model, Bvh index, CutTree tree, Progress progress) {
        var again = cutLikeThis(model, tree, progress);
        var seen = new HashMap<String, Double>();
        seams.forEach(s -> seen.put(s.name(), s.showLengthMm()));
        return new Sectioning(again, SeamFinder.find(again, tree, index, seen), findings);
    }

    /** The pieces of a light copy of the model by the names of these sections, for drawing; matched by where they lie. */
    public Map<String, Mesh> drawn(Mesh light, CutTree tree) {
        var pieces = new ArrayList<Mesh>();
        cut(light, tree, 0, pieces, Progress.NONE);
        var out = new LinkedHashMap<String, Mesh>();
        for (var s : sections) {
            var c = s.mesh().bounds().centre();
            pieces.stream().min(Comparator.comparingDouble(p -> p.bounds().centre().distance(c))).ifPresent(p -> {
                pieces.remove(p);
                out.put(s.name(), p);
            });
        }
        return out;
    }

    /** The pieces of a light copy of the model in the order in which {@link #of} names them; for drawing while a plane moves. */
    public static Map<String, Mesh> sketch(Mesh light, CutTree tree, Letters letters) {
        var pieces = new ArrayList<Mesh>();
        cut(light, tree, 0, pieces, Progress.NONE);
        var out = new LinkedHashMap<String, Mesh>();
        for (var p : pieces) out.put(letters.at(out.size()), p);
        return out;
    }

    /** Where a piece's cuts reach its surface, for drawing: segments, six numbers each. O(n). */
    public static double[] rims(Mesh piece) {
        var caps = new HashSet<Long>();
        for (int f = 0; f < piece.triangleCount(); f++) {
            if (piece.tag(f) == Mesh.ORIGINAL) continue;
            for (int k = 0; k < 3; k++) caps.add(DirectedEdge.key(piece.vertex(f, (k + 1) % 3), piece.vertex(f, k)));
        }
        var out = DoubleStream.builder();
        for (int f = 0; f < piece.triangleCount(); f++) {
            if (piece.tag(f) != Mesh.ORIGINAL) continue;
            for (int k = 0; k < 3; k++) {
                int a = piece.vertex(f, k), b = piece.vertex(f, (k + 1) % 3);
                if (!caps.contains(DirectedEdge.key(a, b))) continue;
                for (int v : new int[] {a, b}) out.add(piece.x(v)).add(piece.y(v)).add(piece.z(v));
            }
        }
        return out.build().toArray();
    }

    /** The same sections and seams in an enlarged prop. */
    public Sectioning scaled(double k) {
        return k == 1 ? this
                : new Sectioning(sections.stream().map(s -> s.scaled(k)).toList(), seams.stream().map(s -> s.scaled(k)).toList(), findings);
    }

    public Section section(String name) {
        return sections.stream()
                .filter(s -> s.name().equals(name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no section " + name));
    }

    /** What came of one side of a plane. */
    private record Side(List<Mesh> pieces, int openChains) {}

    /** Returns how many chains stayed open. */
    private static int cut(Mesh piece, CutTree tree, int number, List<Mesh> out, Progress progress) {
        progress.check();
        if (piece.isEmpty()) return 0;
        return switch (tree) {
            case CutTree.Whole _ -> {
                var parts = new ArrayList<>(solids(piece));
                parts.sort(HIGHEST_FIRST);
                out.addAll(parts);
                yield 0;
            }
            case CutTree.Split s -> {
                var halves = PlaneCut.cut(piece, s.plane(), number);
                var sides = IntStream.range(0, 2).parallel().mapToObj(k -> {
                    var own = new ArrayList<Mesh>();
                    int open = k == 0 ? cut(halves.above(), s.above(), number + 1, own, progress)
                            : cut(halves.below(), s.below(), number + 1 + s.above().planeCount(), own, progress);
                    return new Side(own, open);
                }).toList();
                sides.forEach(side -> out.addAll(side.pieces));
                yield halves.openChains() + sides.stream().mapToInt(Side::openChains).sum();
            }
        };
    }

    /** Connected parts; a part turned inside out within another's box is that one's void. */
    public static List<Mesh> solids(Mesh m) {
        var bodies = Bodies.of(m);
        if (bodies.count() == 1) return List.of(m);
        var parts = bodies.meshes();
        var solids = new ArrayList<Mesh>();
        var voids = new ArrayList<Mesh>();
        for (var p : parts) (p.volumeMm3() < 0 ? voids : solids).add(p);
        for (var hollow : voids) {
            int home = -1;
            for (int i = 0; i < solids.size(); i++) {
                var box = solids.get(i).bounds();
                boolean holds = box.contains(hollow.bounds().min()) && box.contains(hollow.bounds().max());
                if (holds && (home < 0 || box.diagonal() < solids.get(home).bounds().diagonal())) home = i;
            }
            if (home < 0) solids.add(hollow);
            else solids.set(home, Mesh.union(List.of(solids.get(home), hollow)));
        }
        return solids;
    }
}
