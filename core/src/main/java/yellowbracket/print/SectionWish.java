package yellowbracket.print;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import yellowbracket.mesh.Turn;
import yellowbracket.shop.Profile;

/**
 * What the maker decided for one section where it differs from the prop's other sections: how it stands, how it is printed, on which
 * printer (by name), through which holes it drains, and layers by bands of height (lowest first; none: one layer height for all).
 */
@RecordBuilder
public record SectionWish(Optional<Turn> turn, Optional<Profile> profile, Optional<String> printer, List<Drain> drains,
        List<Band> bands) implements SectionWishBuilder.With {
    public static final SectionWish NONE = new SectionWish(Optional.empty(), Optional.empty(), Optional.empty(), List.of(), List.of());

    public SectionWish {
        drains = List.copyOf(drains);
        bands = List.copyOf(bands);
    }

    /** Bands are heights over the bed: another way up has none. */
    public SectionWish turned(Optional<Turn> t) {
        return t.equals(turn) ? this : withTurn(t).withBands(List.of());
    }
}
