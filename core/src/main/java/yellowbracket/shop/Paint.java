package yellowbracket.shop;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;
import java.util.OptionalDouble;
import yellowbracket.finding.Limits;

/**
 * A paint one owns or thinks of buying. What a lid shows is not what dries: the dried sample of a test card counts where there is one.
 * @param name as it stands on the lid @param product the coating it is, by name @param lidHex colour of the lid, {@code #rrggbb}
 * @param dried of a card, measured or judged @param share of the way a coat goes to it, from a black-and-white card
 * @param ml left, 0 for one that is only listed
 */
@RecordBuilder
public record Paint(String name, String product, String lidHex, Optional<Lab> dried, Sheen sheen, OptionalDouble share,
        double ml) implements PaintBuilder.With {
    public Paint {
        Limits.named("a paint", name);
        if (!lidHex.matches("#[0-9a-fA-F]{6}"))
            throw new IllegalArgumentException("lid of " + name + ": write it as #1f5156, not " + lidHex);
        java.util.Objects.requireNonNull(sheen, "sheen");
        dried.ifPresent(d -> {
            Limits.within("dried " + name + ", L*", d.l(), 0, 100);
            Limits.within("dried " + name + ", a*", d.a(), -130, 130);
            Limits.within("dried " + name + ", b*", d.b(), -130, 130);
        });
        if (share.isPresent()) Limits.within("a coat of " + name + " hides, as a share", share.getAsDouble(), 0.02, 1);
        Limits.within("left of " + name + ", ml", ml, 0, 100_000);
    }

    /** As it dries, by the card, else by the lid. */
    public Lab colour() {
        return dried.orElseGet(() -> Lab.ofHex(lidHex));
    }

    /** How far the dried film is from what the lid promises, CIEDE2000; 0 without a card. */
    public double lidOff() {
        return dried.map(d -> d.difference(Lab.ofHex(lidHex))).orElse(0.0);
    }
}
