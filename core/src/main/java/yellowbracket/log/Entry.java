package yellowbracket.log;

import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * One entry. {@code about}: the id of a task or empty; {@code hours}, {@code money}: 0 where not told. Parsed from a line:
 * {@code done TASK [HOURS h]}, {@code failed SECTION [PERCENT %] [HOURS h]}, {@code spent MONEY what}; anything else is a note. Words that start with # are tags.
 */
public record Entry(LocalDateTime at, Kind kind, String about, double hours, double money, String text, List<String> tags) {
    /** What sort of thing happened. */
    public enum Kind { NOTE, DONE, FAILED, SPENT }

    private static final Pattern DONE = Pattern.compile("done\\s+(\\S+)(.*)", Pattern.CASE_INSENSITIVE);
    private static final Pattern FAILED = Pattern.compile("failed\\s+(\\S+)(.*)", Pattern.CASE_INSENSITIVE);
    private static final Pattern SPENT = Pattern.compile("spent\\s+(\\d+(?:[.,]\\d+)?)\\s*(.*)", Pattern.CASE_INSENSITIVE);
    private static final Pattern HOURS = Pattern.compile("(?<![\\w.])(\\d+(?:[.,]\\d+)?)\\s*(h|min)\\b");
    private static final Pattern TAG = Pattern.compile("#(\\S+)");

    public Entry {
        tags = List.copyOf(tags);
    }

    /** Never fails: what is not understood is a note with the text as it was typed. Empty for a blank line. */
    public static Optional<Entry> parse(LocalDateTime at, String line) {
        String text = line.strip();
        if (text.isEmpty()) return Optional.empty();
        var tags = TAG.matcher(text).results().map(m -> m.group(1)).toList();
        var done = DONE.matcher(text);
        if (done.matches()) return Optional.of(new Entry(at, Kind.DONE, taskId(done.group(1)), hours(done.group(2)), 0, text, tags));
        var failed = FAILED.matcher(text);
        if (failed.matches()) return Optional.of(new Entry(at, Kind.FAILED, taskId(failed.group(1)), hours(failed.group(2)), 0, text, tags));
        var spent = SPENT.matcher(text);
        if (spent.matches()) return Optional.of(new Entry(at, Kind.SPENT, "", 0, number(spent.group(1)), text, tags));
        return Optional.of(new Entry(at, Kind.NOTE, "", 0, 0, text, tags));
    }

    /** A bare section letter means its print. */
    private static String taskId(String word) {
        return word.matches("[A-Z]{1,2}") ? "print:" + word : word;
    }

    private static double hours(String rest) {
        Matcher m = HOURS.matcher(rest);
        return m.find() ? number(m.group(1)) / (m.group(2).equals("min") ? 60 : 1) : 0;
    }

    private static double number(String s) {
        return Double.parseDouble(s.replace(',', '.'));
    }
}
