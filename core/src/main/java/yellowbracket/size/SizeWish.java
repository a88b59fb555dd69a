package yellowbracket.size;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import yellowbracket.finding.Fix;

/**
 * How large a prop is and for whom. {@code use}: what is done with it, empty while nobody has said. {@code wearers} by name, the first
 * counts; none for a prop that nobody puts on.
 */
@RecordBuilder
public record SizeWish(Reshape reshape, double scale, Optional<Use> use, List<String> wearers) implements SizeWishBuilder.With {
    public static final SizeWish AS_IT_IS = new SizeWish(Reshape.NONE, 1, Optional.empty(), List.of());

    public SizeWish {
        if (!(scale > 0 && scale < 100)) throw new IllegalArgumentException("scale must lie between 0 and 100, was " + scale);
        wearers = List.copyOf(wearers);
    }

    /** Used so: what nobody puts on has no wearers. */
    public SizeWish usedAs(Use u) {
        return new SizeWish(reshape, scale, Optional.of(u), u.worn() ? wearers : List.of());
    }

    /** Worn by these, the first counts. */
    public SizeWish wornBy(List<String> names) {
        return new SizeWish(reshape, scale, names.isEmpty() ? use : use.filter(Use::worn), names);
    }

    /** Whether it is still to be said what is done with it. */
    public boolean asks() {
        return use.isEmpty() && wearers.isEmpty();
    }

    /** The change that takes a scale. */
    public static Fix scaleTo(double scale) {
        return new Fix.Change<>(String.format(Locale.ROOT, "scale to %.1f %%", 100 * scale), SizeWish.class, w -> w.withScale(scale));
    }

    public boolean worn() {
        return !wearers.isEmpty();
    }
}
