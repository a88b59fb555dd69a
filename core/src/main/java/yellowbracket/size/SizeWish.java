package yellowbracket.size;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import yellowbracket.finding.Fix;

/**
 * How large a prop is and for whom. {@code use}: what is done with it, empty while nobody has said. {@code wearers} by name, the first
 * counts; none for a prop that nobody puts on. {@code keyPoints}: places of the model whose heights matter; {@code exposures}: what it goes
 * through.
 */
@RecordBuilder
public record SizeWish(Reshape reshape, double scale, Optional<Use> use, List<String> wearers, List<KeyPoint> keyPoints,
        List<Exposure> exposures) implements SizeWishBuilder.With {
    public static final SizeWish AS_IT_IS = new SizeWish(Reshape.NONE, 1, Optional.empty(), List.of(), List.of(), List.of());

    public SizeWish {
        if (!(scale > 0 && scale < 100)) throw new IllegalArgumentException("scale must lie between 0 and 100, was " + scale);
        wearers = List.copyOf(wearers);
        keyPoints = List.copyOf(keyPoints);
        exposures = exposures.stream().distinct().sorted().toList();
    }

    /** Used so: what nobody puts on has no wearers. */
    public SizeWish usedAs(Use u) {
        return withUse(Optional.of(u)).withWearers(u.worn() ? wearers : List.of());
    }

    /** Worn by these, the first counts. */
    public SizeWish wornBy(List<String> names) {
        return withUse(names.isEmpty() ? use : use.filter(Use::worn)).withWearers(names);
    }

    /** Whether it is still to be said what is done with it. */
    public boolean asks() {
        return use.isEmpty() && wearers.isEmpty();
    }

    /** A named place, instead of the one that had the name. */
    public SizeWish withKeyPoint(KeyPoint p) {
        return withKeyPoints(Stream.concat(withoutKeyPoint(p.name()).keyPoints.stream(), Stream.of(p)).toList());
    }

    public SizeWish withoutKeyPoint(String name) {
        return withKeyPoints(keyPoints.stream().filter(q -> !q.name().equals(name)).toList());
    }

    /** Something it goes through, or no more. */
    public SizeWish exposed(Exposure e, boolean on) {
        var rest = exposures.stream().filter(q -> q != e);
        return withExposures((on ? Stream.concat(rest, Stream.of(e)) : rest).toList());
    }

    /** The change that takes a scale. */
    public static Fix scaleTo(double scale) {
        return new Fix.Change<>(String.format(Locale.ROOT, "scale to %.1f %%", 100 * scale), SizeWish.class, w -> w.withScale(scale));
    }

    public boolean worn() {
        return !wearers.isEmpty();
    }
}
