package yellowbracket.work;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Comparator;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * A section of a prop. Letters are unique in a build as long as they come from the props' own blocks, but the prop is part of the name
 * all the same, so that what was written about a section never comes to mean another's.
 *
 * @param prop the prop's id @param letter A to Z, AA ..., with a number behind where a block ran out of letters: C2; of a loose file,
 * its name
 */
public record SectionId(String prop, String letter) {
    private static final Pattern PROP = Pattern.compile("[^/+:@\\s]+");
    private static final Pattern LABEL = Pattern.compile("[^/+:]+");
    private static final Pattern LETTER = Pattern.compile("([A-Z]{1,2})([0-9]{0,3})");
    /** A, B ... Z, AA ..., C2 after C. */
    public static final Comparator<String> LETTERS = Comparator.comparingInt((String s) -> alphabetic(s).length())
            .thenComparing(SectionId::alphabetic)
            .thenComparingInt(String::length)
            .thenComparing(Comparator.naturalOrder());

    public SectionId {
        if (!PROP.matcher(prop).matches()) throw new IllegalArgumentException("\"" + prop + "\" cannot name a prop");
        if (!LABEL.matcher(letter).matches()) throw new IllegalArgumentException("\"" + letter + "\" cannot name a section");
    }

    /** Whether it is what sections of a build are named with. */
    public static boolean isLetter(String s) {
        return LETTER.matcher(s).matches();
    }

    private static String alphabetic(String letter) {
        return letter.replaceAll("[0-9]", "");
    }

    /** Reads what {@link #text} writes. */
    @JsonCreator
    public static SectionId of(String text) {
        return parse(text).orElseThrow(() -> new IllegalArgumentException("\"" + text + "\" does not name a section: PROP/LETTER"));
    }

    /** Empty for what {@link #text} does not write. */
    public static Optional<SectionId> parse(String text) {
        int slash = text.indexOf('/');
        if (slash <= 0 || !PROP.matcher(text.substring(0, slash)).matches() || !isLetter(text.substring(slash + 1)))
            return Optional.empty();
        return Optional.of(new SectionId(text.substring(0, slash), text.substring(slash + 1)));
    }

    /** helm/C: as it stands in files. */
    @JsonValue
    public String text() {
        return prop + "/" + letter;
    }

    @Override
    public String toString() {
        return text();
    }
}
