package yellowbracket.smooth;

import io.soabase.recordbuilder.core.RecordBuilder;
import yellowbracket.finding.Limits;

/**
 * What there is to work with.
 * @param spray there is a place to spray in: outdoors, or with extraction @param machine there is a sander with a soft pad
 * @param onShelf only what is on the shelf is used @param lamp for resin, by name @param scaleG the smallest step the scale shows
 */
@RecordBuilder
public record Means(boolean spray, boolean machine, boolean onShelf, String lamp, double scaleG) implements MeansBuilder.With {
    public static final Means USUAL = new Means(true, false, false, "hand lamp 405 nm", 1);

    public Means {
        java.util.Objects.requireNonNull(lamp, "lamp");
        Limits.within("step of the scale, g", scaleG, 0.001, 50);
    }
}
