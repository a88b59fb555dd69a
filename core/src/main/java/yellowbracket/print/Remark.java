package yellowbracket.print;

import java.util.Optional;
import java.util.function.UnaryOperator;
import yellowbracket.shop.Profile;
import yellowbracket.size.Fit;

/** Something found about a print and what would mend it. {@code section}: the letter it concerns, empty for all of the prop. */
public record Remark(Fit.Weight weight, String section, String words, Optional<Fix> fix) {
    /** A change of the profile of the section or of all, named for its button. */
    public record Fix(String words, UnaryOperator<Profile> change) {}

    static Remark of(Fit.Weight weight, String section, String words) {
        return new Remark(weight, section, words, Optional.empty());
    }

    static Remark of(Fit.Weight weight, String section, String words, String fix, UnaryOperator<Profile> change) {
        return new Remark(weight, section, words, Optional.of(new Fix(fix, change)));
    }
}
