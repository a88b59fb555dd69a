package yellowbracket.colour;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Limits;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.shop.Lab;

/** What the prop is made after: its areas of colour, and what can be counted on it, to tick off. */
public record ColourReference(String name, List<Area> areas, List<Count> counts) {
    private static final int MOST = 200, MOST_COUNT = 1000;

    /** @param hex as it is meant, {@code #rrggbb} */
    public record Area(String part, String hex) {
        public Area {
            Limits.named("an area of the reference", part);
            if (!ColourZone.isHex(hex)) throw new IllegalArgumentException("colour of " + part + ": write it as #1f5156, not " + hex);
        }
    }

    /** @param count as the reference shows @param done on the prop */
    public record Count(String what, int count, int done) {
        public Count {
            Limits.named("what is counted", what);
            Limits.within("number of " + what, count, 1, MOST_COUNT);
            Limits.within(what + " done", done, 0, count);
        }

        public boolean complete() {
            return done == count;
        }
    }

    /** An area and the zone nearest to its colour. @param off CIEDE2000 */
    public record Nearest(Area area, ColourZone zone, double off) {}

    public ColourReference {
        Limits.named("a reference", name);
        areas = List.copyOf(areas);
        counts = List.copyOf(counts);
        Limits.distinct("areas of " + name, areas, Area::part);
        Limits.distinct("counts of " + name, counts, Count::what);
        if (areas.size() > MOST || counts.size() > MOST)
            throw new IllegalArgumentException("a reference holds at most " + MOST + " entries");
    }

    public static ColourReference of(String name) {
        return new ColourReference(name, List.of(), List.of());
    }

    /** In place of the one of that name. */
    public ColourReference with(Area a) {
        return new ColourReference(name, replaced(areas, a, x -> x.part().equals(a.part())), counts);
    }

    public ColourReference with(Count c) {
        return new ColourReference(name, areas, replaced(counts, c, x -> x.what().equals(c.what())));
    }

    public ColourReference without(String entry) {
        return new ColourReference(name, areas.stream().filter(a -> !a.part().equals(entry)).toList(),
                counts.stream().filter(c -> !c.what().equals(entry)).toList());
    }

    private static <T> List<T> replaced(List<T> list, T one, java.util.function.Predicate<T> same) {
        var out = new ArrayList<>(list);
        for (int i = 0; i < out.size(); i++) if (same.test(out.get(i))) {
            out.set(i, one);
            return out;
        }
        out.add(one);
        return out;
    }

    public Optional<Nearest> nearest(Area a, List<ColourZone> zones) {
        var wanted = Lab.ofHex(a.hex());
        return zones.stream()
                .map(z -> new Nearest(a, z, wanted.difference(Lab.ofHex(z.hex()))))
                .min(Comparator.comparingDouble(Nearest::off));
    }

    /** What is not as the reference has it. @param limit colours further apart are others, CIEDE2000 */
    public List<Finding> open(List<ColourZone> zones, double limit) {
        var out = new ArrayList<Finding>();
        for (var a : areas) nearest(a, zones).filter(n -> n.off() > limit)
                .ifPresent(n -> out.add(Finding.of(Weight.NOTE, Subject.WHOLE,
                        "%s: no zone has the colour of %s; the nearest, %s, is %.1f off", name, a.part(), n.zone().name(), n.off())));
        for (var c : counts)
            if (!c.complete()) out.add(Finding.of(Weight.NOTE, Subject.WHOLE, "%s: %d of %d %s", name, c.done(), c.count(), c.what()));
        return List.copyOf(out);
    }
}
