package yellowbracket.finding;

import java.time.LocalDateTime;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;

/**
 * Checks that records make of what they are given, so that no file and no program can make one that nothing else can work with. Wide: what
 * is unusual but possible passes, and the stations tell it. All throw {@link IllegalArgumentException} with words for people.
 */
public final class Limits {
    /** Props were not planned before these computers, nor for a day nobody here will see. */
    private static final int FIRST_YEAR = 1980, LAST_YEAR = 2199;

    private Limits() {}

    /** @param what with its unit: {@code "the bed, mm"} */
    public static double within(String what, double value, double least, double most) {
        if (value >= least && value <= most) return value;
        throw new IllegalArgumentException(
                String.format(Locale.ROOT, "%s: lies between %s and %s, not %s", what, number(least), number(most), number(value)));
    }

    public static String named(String what, String name) {
        if (name.isBlank()) throw new IllegalArgumentException(what + " has no name");
        return name;
    }

    public static LocalDateTime date(String what, LocalDateTime at) {
        if (at.getYear() >= FIRST_YEAR && at.getYear() <= LAST_YEAR) return at;
        throw new IllegalArgumentException(what + " lies in the year " + at.getYear());
    }

    /** That no two have the same name. */
    public static <T> void distinct(String what, List<T> list, Function<T, String> name) {
        var names = list.stream().map(name).toList();
        for (int i = 0; i < names.size(); i++)
            if (names.indexOf(names.get(i)) < i) throw new IllegalArgumentException("two " + what + " are called " + names.get(i));
    }

    private static String number(double v) {
        if (Double.isNaN(v)) return "no number";
        return Double.isInfinite(v) || Math.abs(v) >= 1e9 ? "beyond measure"
                : String.format(Locale.ROOT, "%.6g", v).replaceAll("\\.?0+$", "");
    }
}
