package yellowbracket.finding;

import java.util.Comparator;
import java.util.Locale;
import java.util.Optional;

/** Something to tell: how grave, about what, in words for people, and what would mend it where something does. */
public record Finding(Weight weight, Subject subject, String words, Optional<Fix> fix) {
    public static final Comparator<Finding> GRAVEST_FIRST = Comparator.comparing(Finding::weight);

    public static Finding of(Weight weight, Subject subject, String words) {
        return new Finding(weight, subject, words, Optional.empty());
    }

    public static Finding stop(String words) {
        return of(Weight.STOP, Subject.WHOLE, words);
    }

    public static Finding care(String words) {
        return of(Weight.CARE, Subject.WHOLE, words);
    }

    public static Finding note(String words) {
        return of(Weight.NOTE, Subject.WHOLE, words);
    }

    /** With words formatted as {@link String#format}, decimal points whatever the country. */
    public static Finding of(Weight weight, Subject subject, String format, Object... values) {
        return of(weight, subject, String.format(Locale.ROOT, format, values));
    }

    public Finding about(Subject other) {
        return new Finding(weight, other, words, fix);
    }

    public Finding fixedBy(Fix f) {
        return new Finding(weight, subject, words, Optional.of(f));
    }
}
