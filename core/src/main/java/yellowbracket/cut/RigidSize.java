package yellowbracket.cut;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Mesh;
import yellowbracket.shop.Spaces;

/**
 * Whether the joined prop gets into a space, and which seams must stay open until it is out of it again.
 * @param open seams not to be glued before; empty where it gets in whole
 * @param possible false where even its sections do not all get in
 */
public record RigidSize(Spaces.Kind space, double longestMm, List<String> open, boolean possible) {
    public RigidSize {
        open = List.copyOf(open);
    }

    public boolean whole() {
        return possible && open.isEmpty();
    }

    /** For each space that is known. @param sections real mm @param tree in any scale: only its planes' order counts */
    public static List<RigidSize> of(Sectioning sections, Sectioning plain, CutTree tree, Spaces spaces) {
        var out = new ArrayList<RigidSize>();
        if (sections.sections().isEmpty()) return out;
        var paths = plain.sections().stream().map(tree::pathTo).toList();
        for (Map.Entry<Spaces.Kind, Spaces.Room> e : spaces.known().entrySet()) {
            var bed = new Bed(e.getValue().wideMm(), e.getValue().deepMm(), e.getValue().highMm());
            var parts = new ArrayList<List<String>>();
            boolean possible = parted(sections, paths, List.of(), bed, parts);
            var open = sections.seams()
                    .stream()
                    .filter(s -> parts.stream().noneMatch(p -> p.contains(s.first()) && p.contains(s.second())))
                    .map(Seam::name)
                    .toList();
            double longest = whole(sections.sections()).bounds().size().norm();
            out.add(new RigidSize(e.getKey(), longest, possible ? open : List.of(), possible));
        }
        return List.copyOf(out);
    }

    private static Mesh whole(List<Section> sections) {
        return Mesh.union(sections.stream().map(Section::mesh).toList());
    }

    /** Parts, by their sections, that each get in: both sides of a plane where the whole does not. False where a section does not. */
    private static boolean parted(Sectioning s, List<List<Boolean>> paths, List<Boolean> under, Bed space, List<List<String>> parts) {
        var own = new ArrayList<Section>();
        boolean deeper = false;
        for (int i = 0; i < paths.size(); i++) {
            var p = paths.get(i);
            if (p.size() < under.size() || !p.subList(0, under.size()).equals(under)) continue;
            own.add(s.sections().get(i));
            deeper |= p.size() > under.size();
        }
        if (own.isEmpty()) return true;
        if (TurnedFit.of(whole(own), space).isPresent()) {
            parts.add(own.stream().map(Section::name).toList());
            return true;
        }
        if (!deeper) return false;
        boolean both = true;
        for (boolean up : new boolean[] {true, false}) {
            var next = new ArrayList<>(under);
            next.add(up);
            both &= parted(s, paths, next, space, parts);
        }
        return both;
    }

    /** What to say where it does not get in whole. */
    public Optional<Finding> finding() {
        if (whole()) return Optional.empty();
        return Optional.of(Finding.of(Weight.CARE, Subject.WHOLE,
                possible ? String.format(Locale.ROOT, "joined it does not get through %s: leave %s open until it is past there",
                        space.words(), String.join(", ", open)) + (space == Spaces.Kind.SPRAY ? ", and mask the faces to be glued" : "")
                        : "not even its sections get through " + space.words() + ": cut it further, or find a larger one"));
    }
}
