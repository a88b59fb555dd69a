package yellowbracket.print;

import java.util.Optional;
import yellowbracket.mesh.Turn;
import yellowbracket.shop.Profile;

/**
 * What the maker decided for one section where it differs from the prop's other sections: how it stands, how it is printed, on which
 * printer (by name).
 */
public record SectionWish(Optional<Turn> turn, Optional<Profile> profile, Optional<String> printer) {
    public static final SectionWish NONE = new SectionWish(Optional.empty(), Optional.empty(), Optional.empty());

    public SectionWish withTurn(Optional<Turn> t) {
        return new SectionWish(t, profile, printer);
    }

    public SectionWish withProfile(Optional<Profile> p) {
        return new SectionWish(turn, p, printer);
    }

    public SectionWish withPrinter(Optional<String> p) {
        return new SectionWish(turn, profile, p);
    }
}
