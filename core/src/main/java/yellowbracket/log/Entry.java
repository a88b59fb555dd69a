package yellowbracket.log;

import java.time.LocalDateTime;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import yellowbracket.size.Trial;
import yellowbracket.size.Zone;

/**
 * One entry. {@code about}: the id of a task or empty; {@code hours}, {@code money}: 0 where not told. Parsed from a line:
 * {@code started SECTION}, {@code done TASK [HOURS h [planned HOURS h]]}, {@code failed SECTION [PERCENT %] [HOURS h]}, {@code spent MONEY
 * what}, {@code fit PROP WEARER fits|tight [ZONE] MM|loose MM at SCALE %}; anything else is a note. Words that start with # are tags.
 */
public record Entry(LocalDateTime at, Kind kind, String about, double hours, double money, String text, List<String> tags) {
    /** What sort of thing happened. */
    public enum Kind { NOTE, STARTED, DONE, FAILED, SPENT, FIT }

    private static final Pattern DONE = Pattern.compile("done\\s+(\\S+)(.*)", Pattern.CASE_INSENSITIVE);
    private static final Pattern STARTED = Pattern.compile("started\\s+([A-Z]{1,2}(?:\\+[A-Z]{1,2})*|print:\\S+)(?:\\s.*)?");
    private static final Pattern PLANNED = Pattern.compile("\\bplanned\\s+(\\d+(?:[.,]\\d+)?)\\s*h\\b", Pattern.CASE_INSENSITIVE);
    private static final Pattern FAILED = Pattern.compile("failed\\s+(\\S+)(.*)", Pattern.CASE_INSENSITIVE);
    private static final Pattern SPENT = Pattern.compile("spent\\s+(\\d+(?:[.,]\\d+)?)\\s*(.*)", Pattern.CASE_INSENSITIVE);
    private static final Pattern FIT = Pattern.compile("fit\\s+(\\S+)\\s+(.+?)\\s+(fits|tight|loose)\\b"
            + "\\s*([a-z]*)\\s*(\\d+(?:[.,]\\d+)?)?\\s*(?:mm)?\\s+at\\s+(\\d+(?:[.,]\\d+)?)\\s*%.*", Pattern.CASE_INSENSITIVE);
    private static final Pattern HOURS = Pattern.compile("(?<![\\w.])(\\d+(?:[.,]\\d+)?)\\s*(h|min)\\b");
    private static final Pattern PERCENT = Pattern.compile("(\\d+(?:[.,]\\d+)?)\\s*%");
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
        if (failed.matches())
            return Optional.of(new Entry(at, Kind.FAILED, taskId(failed.group(1)), hours(failed.group(2)), 0, text, tags));
        var started = STARTED.matcher(text);
        if (started.matches()) return Optional.of(new Entry(at, Kind.STARTED, taskId(started.group(1)), 0, 0, text, tags));
        var spent = SPENT.matcher(text);
        if (spent.matches()) return Optional.of(new Entry(at, Kind.SPENT, "", 0, number(spent.group(1)), text, tags));
        if (trial(text).isPresent())
            return Optional.of(new Entry(at, Kind.FIT, FIT.matcher(text).results().findFirst().orElseThrow().group(1), 0, 0, text, tags));
        return Optional.of(new Entry(at, Kind.NOTE, "", 0, 0, text, tags));
    }

    /** How far a failed print had come, 0 to 1; only where a percentage was told. */
    public OptionalDouble share() {
        var m = PERCENT.matcher(text);
        if (kind != Kind.FAILED || !m.find()) return OptionalDouble.empty();
        double share = number(m.group(1)) / 100;
        return share > 0 && share < 1 ? OptionalDouble.of(share) : OptionalDouble.empty();
    }

    /** The hours computed for it before it began, the printer's own factor left out; only where they were told. */
    public OptionalDouble planned() {
        var m = PLANNED.matcher(text);
        return m.find() && number(m.group(1)) > 0 ? OptionalDouble.of(number(m.group(1))) : OptionalDouble.empty();
    }

    private static final String PHOTO = "photo:";

    /** Names of the photos that go with it. */
    public List<String> photos() {
        return tags.stream().filter(t -> t.startsWith(PHOTO)).map(t -> t.substring(PHOTO.length())).toList();
    }

    public Entry withPhoto(String name) {
        var all = new java.util.ArrayList<>(tags);
        if (!all.contains(PHOTO + name)) all.add(PHOTO + name);
        return new Entry(at, kind, about, hours, money, text, all);
    }

    /** What a test piece told, and on whom; only of entries of that kind. */
    public Optional<Tried> trial() {
        return kind == Kind.FIT ? trial(text) : Optional.empty();
    }

    /** A trial of a wearer's. */
    public record Tried(String wearer, Trial trial) {}

    private static Optional<Tried> trial(String text) {
        var m = FIT.matcher(text);
        if (!m.matches()) return Optional.empty();
        String word = m.group(4).toLowerCase(Locale.ROOT);
        var zone = Arrays.stream(Zone.values()).filter(z -> z.label().equals(word)).findFirst();
        double mm = m.group(5) == null ? 0 : number(m.group(5)), scale = number(m.group(6)) / 100;
        if (!word.isEmpty() && zone.isEmpty() || mm >= 100 || scale <= 0) return Optional.empty();
        return Optional.of(new Tried(m.group(2), new Trial(scale, Trial.Verdict.valueOf(m.group(3).toUpperCase(Locale.ROOT)), zone, mm)));
    }

    /** The line that says how a test piece fitted; {@link #parse} reads it back. */
    public static String line(String prop, String wearer, Trial t) {
        String how = t.verdict() == Trial.Verdict.FITS ? t.zone().map(z -> " " + z.label()).orElse("")
                : t.zone().map(z -> " " + z.label()).orElse("") + String.format(Locale.ROOT, " %.1f mm", t.mm());
        return String.format(Locale.ROOT, "fit %s %s %s%s at %.1f %%", prop, wearer, t.verdict().name().toLowerCase(Locale.ROOT), how,
                100 * t.scale());
    }

    /** A bare section letter means its print, several joined by + the plate they are on. */
    private static String taskId(String word) {
        return word.matches("[A-Z]{1,2}(\\+[A-Z]{1,2})*") ? "print:" + word : word;
    }

    private static double hours(String rest) {
        Matcher m = HOURS.matcher(PLANNED.matcher(rest).replaceAll(""));
        return m.find() ? number(m.group(1)) / (m.group(2).equals("min") ? 60 : 1) : 0;
    }

    private static double number(String s) {
        return Double.parseDouble(s.replace(',', '.'));
    }
}
