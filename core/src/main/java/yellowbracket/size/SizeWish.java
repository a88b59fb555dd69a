package yellowbracket.size;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Locale;
import yellowbracket.finding.Fix;

/** How large a prop is and for whom. {@code wearers} by name, the first counts; none for a prop that nobody puts on. */
@RecordBuilder
public record SizeWish(Reshape reshape, double scale, List<String> wearers) implements SizeWishBuilder.With {
    public static final SizeWish AS_IT_IS = new SizeWish(Reshape.NONE, 1, List.of());

    public SizeWish {
        if (!(scale > 0 && scale < 100)) throw new IllegalArgumentException("scale must lie between 0 and 100, was " + scale);
        wearers = List.copyOf(wearers);
    }

    /** The change that takes a scale. */
    public static Fix scaleTo(double scale) {
        return new Fix.Change<>(String.format(Locale.ROOT, "scale to %.1f %%", 100 * scale), SizeWish.class, w -> w.withScale(scale));
    }

    public boolean worn() {
        return !wearers.isEmpty();
    }
}
