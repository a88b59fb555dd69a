package yellowbracket.smooth;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * How smooth it must get, by which school, what is spared on the way, and what the maker says of places.
 * @param means what there is to work with @param areas what areas are to become where it is not to the finish, by {@link Targets#key}
 * @param strokes places picked by brush, the last over a place counts @param looks one for each round @param flaws found in them
 * @param printHex colour of the print, {@code #rrggbb}
 */
@RecordBuilder
public record SmoothWish(Finish finish, School school, Hurry hurry, Means means, Map<String, Target> areas, List<Stroke> strokes,
        List<Look> looks, List<Flaw> flaws, String printHex) implements SmoothWishBuilder.With {
    /** What the ladder minimises. */
    public enum Hurry {
        LEAST_WORK(Ladder.Weights.LEAST_WORK), SOONEST(Ladder.Weights.SOONEST), CHEAPEST(Ladder.Weights.CHEAPEST),
        LEAST_DUST(Ladder.Weights.LEAST_DUST), BEST_DETAIL(Ladder.Weights.BEST_DETAIL);

        private final Ladder.Weights weights;

        Hurry(Ladder.Weights weights) {
            this.weights = weights;
        }

        public Ladder.Weights weights() {
            return weights;
        }
    }

    private static final String HEX = "#[0-9a-fA-F]{6}";
    private static final int MOST_STROKES = 2_000, MOST_FLAWS = 20_000, MOST_LOOKS = 500;
    public static final SmoothWish USUAL = new SmoothWish(Finish.SATIN, School.FILL_SAND_PRIME, Hurry.LEAST_WORK, Means.USUAL, Map.of(),
            List.of(), List.of(), List.of(), "#8f9499");

    public SmoothWish {
        java.util.Objects.requireNonNull(means, "means");
        areas = Collections.unmodifiableMap(new TreeMap<>(areas));
        strokes = List.copyOf(strokes);
        looks = List.copyOf(looks);
        flaws = List.copyOf(flaws);
        if (!printHex.matches(HEX)) throw new IllegalArgumentException("colour of the print: write it as #8f9499, not " + printHex);
        if (strokes.size() > MOST_STROKES || flaws.size() > MOST_FLAWS || looks.size() > MOST_LOOKS)
            throw new IllegalArgumentException("more brush strokes, flaws or rounds than any prop has");
        for (var f : flaws) if (f.found() > looks.size() || f.cleared().orElse(0) > looks.size())
            throw new IllegalArgumentException("a flaw is of a round that was never looked: there are " + looks.size());
    }

    /** @param scale of the model */
    public Targets targets(double scale) {
        return strokes.isEmpty() && areas.isEmpty() ? Targets.NONE : new Targets(strokes, areas, scale);
    }

    public SmoothWish painted(Stroke s) {
        var all = new ArrayList<>(strokes);
        all.add(s);
        return withStrokes(all);
    }

    /** Back to the finish where it is {@link Target#SHOW}. */
    public SmoothWish area(String key, Target t) {
        var all = new TreeMap<>(areas);
        if (t == Target.SHOW) all.remove(key);
        else all.put(key, t);
        return withAreas(all);
    }

    /** Another round of looking begins. */
    public SmoothWish looking(Look l) {
        var all = new ArrayList<>(looks);
        all.add(l);
        return withLooks(all);
    }

    /** Found in the present round. */
    public SmoothWish marked(Flaw f) {
        var all = new ArrayList<>(flaws);
        all.add(f);
        return withFlaws(all);
    }

    public SmoothWish changed(int index, Flaw to) {
        var all = new ArrayList<>(flaws);
        all.set(index, to);
        return withFlaws(all);
    }
}
