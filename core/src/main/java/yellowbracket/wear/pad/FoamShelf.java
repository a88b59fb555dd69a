package yellowbracket.wear.pad;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import yellowbracket.finding.Finding;
import yellowbracket.shop.Foam;
import yellowbracket.shop.StockItem;

/** Foam there is, by name and thickness as it is asked for, dm2. */
public record FoamShelf(Map<String, Double> dm2) {
    private static final String NAMED = "foam, ";
    private static final double MM2 = 1e4;

    public FoamShelf {
        dm2 = Map.copyOf(dm2);
    }

    /** As it is called on shopping lists and on the shelf. */
    public static String product(String foam) {
        return NAMED + foam;
    }

    /** Name and thickness. */
    static String called(Foam foam, double mm) {
        return String.format(Locale.ROOT, "%s %.0f mm", foam.name(), mm);
    }

    public static FoamShelf of(List<StockItem> stock) {
        var out = new TreeMap<String, Double>();
        for (var s : stock)
            if (s.name().startsWith(NAMED) && s.amount() > 0) out.merge(s.name().substring(NAMED.length()), s.amount(), Double::sum);
        return new FoamShelf(out);
    }

    /** Kinds and thicknesses of which there is some. */
    List<Foam> among(List<Foam> foams) {
        return foams.stream()
                .map(f -> new Foam(f.name(), f.stockMm().stream().filter(mm -> dm2.containsKey(called(f, mm))).toList(), f.kpa(), f.least(),
                        f.most()))
                .filter(f -> !f.stockMm().isEmpty())
                .toList();
    }

    private boolean holds(PadPlan set) {
        return set.foamMm2().entrySet().stream().allMatch(e -> dm2.getOrDefault(e.getKey(), 0.0) >= e.getValue() / MM2);
    }

    /**
     * What runs short for a set, and whether the shelf has foam for another one; nothing where no foam is written on the shelf.
     *
     * @param other the set made of some foams only
     */
    Optional<Finding> judge(PadPlan set, List<Foam> foams, Function<List<Foam>, PadPlan> other) {
        if (dm2.isEmpty() || set.cut().isEmpty() || holds(set)) return Optional.empty();
        var words = new StringBuilder("foam on the shelf does not do:");
        String and = " ";
        for (var e : set.foamMm2().entrySet()) {
            double have = dm2.getOrDefault(e.getKey(), 0.0);
            if (have >= e.getValue() / MM2) continue;
            words.append(and).append(String.format(Locale.ROOT, "%s, %.1f of %.1f dm2", e.getKey(), have, e.getValue() / MM2));
            and = "; ";
        }
        var there = among(foams);
        if (there.isEmpty()) return Optional.of(Finding.care(words + ": order it"));
        var instead = other.apply(there);
        boolean does = holds(instead) && instead.bears();
        double most = instead.cut().stream().mapToDouble(PadPlan.Pad::kpa).max().orElse(0);
        words.append(does
                ? String.format(Locale.ROOT, ": order it, or cut %s, which presses with %.1f kPa at most and sinks %.1f mm",
                        String.join(" and ", instead.foamMm2().keySet()), most, instead.sinksMm())
                : ": order it; what is there makes no set");
        return Optional.of(Finding.care(words.toString()));
    }
}
