package yellowbracket.log;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.math.BigDecimal;
import java.math.MathContext;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import yellowbracket.finding.Limits;
import yellowbracket.mesh.Vec3;
import yellowbracket.print.FailureKind;
import yellowbracket.size.Trial;
import yellowbracket.size.Zone;
import yellowbracket.work.Need;
import yellowbracket.work.SectionId;
import yellowbracket.wear.day.WalkTest;
import yellowbracket.work.TaskId;

/**
 * One entry. {@code about}: the task it speaks of; {@code hours}, {@code money}: 0 where not told; {@code failure}: what went wrong, of a
 * failed print. Parsed from a line: {@code started SECTION}, {@code done TASK [HOURS h [planned HOURS h]]},
 * {@code failed SECTION [PERCENT %] [HOURS h]}, {@code spent MONEY what}, {@code used AMOUNT UNIT what [for TASK]}, {@code lesson: words},
 * {@code odd SECTION words}, {@code wrong TASK words[; cause: words]}, {@code why words}, {@code broke SECTION [at X,Y,Z]} or
 * {@code broke SECTION|SECTION} with words, {@code cause: words},
 * {@code fit PROP WEARER fits|tight [ZONE] MM|loose MM at SCALE %}, {@code pads PROP WEARER tight|loose ZONE MM mm},
 * {@code walk PROP WEARER WHAT passed|failed[: words]}; anything else is a note, so is a line about a section or task that the
 * build does not have. Words that start with # are tags.
 */
@RecordBuilder
public record Entry(LocalDateTime at, Kind kind, Optional<About> about, double hours, double money, Optional<FailureKind> failure,
        String text, List<String> tags) implements EntryBuilder.With {
    /** What sort of thing happened. */
    public enum Kind {
        NOTE, STARTED, DONE, FAILED, SPENT, USED, WRONG, LESSON, WHY, FIT, ODD, CAUSE, BROKE, PADS, WALK
    }

    private static final Pattern DONE = Pattern.compile("done\\s+(\\S+)(.*)", Pattern.CASE_INSENSITIVE);
    private static final Pattern STARTED = Pattern.compile("started\\s+(\\S+)(?:\\s.*)?");
    private static final Pattern PLANNED = Pattern.compile("\\bplanned\\s+(\\d+(?:[.,]\\d+)?)\\s*h\\b", Pattern.CASE_INSENSITIVE);
    private static final Pattern FAILED = Pattern.compile("failed\\s+(\\S+)(.*)", Pattern.CASE_INSENSITIVE);
    private static final Pattern SPENT = Pattern.compile("spent\\s+(\\d+(?:[.,]\\d+)?)\\s*(.*)", Pattern.CASE_INSENSITIVE);
    private static final Pattern USED = Pattern
            .compile("used\\s+(\\d+(?:[.,]\\d+)?)\\s*(g|ml|m|cm|dm2|cans?|sheets?|pieces?|pairs?|sets?)\\s+(.*)", Pattern.CASE_INSENSITIVE);
    private static final Pattern FOR = Pattern.compile("(.*\\S)\\s+for\\s+(\\S+)", Pattern.CASE_INSENSITIVE);
    private static final Pattern LESSON = Pattern.compile("lesson:\\s*(.*)", Pattern.CASE_INSENSITIVE);
    private static final Pattern WHY = Pattern.compile("why\\s+(.+)", Pattern.CASE_INSENSITIVE);
    private static final Pattern ODD = Pattern.compile("odd\\s+(\\S+)(.*)", Pattern.CASE_INSENSITIVE);
    private static final Pattern WRONG = Pattern.compile("wrong\\s+(\\S+)(.*)", Pattern.CASE_INSENSITIVE);
    private static final Pattern BROKE = Pattern.compile("broke\\s+(\\S+)(.*)", Pattern.CASE_INSENSITIVE);
    private static final String MM = "\\s*(-?\\d+(?:\\.\\d+)?)\\s*";
    private static final Pattern PLACE = Pattern.compile("\\bat" + MM + "," + MM + "," + MM + "(?![\\d,.])");
    private static final Pattern CAUSE = Pattern.compile("cause:\\s*(.*)", Pattern.CASE_INSENSITIVE);
    private static final Pattern WITH_CAUSE = Pattern.compile(".*;\\s*cause:\\s*(.*)", Pattern.CASE_INSENSITIVE);
    private static final Pattern FIT = Pattern.compile("fit\\s+(\\S+)\\s+(.+?)\\s+(fits|tight|loose)\\b"
            + "\\s*([a-z]*)\\s*(\\d+(?:[.,]\\d+)?)?\\s*(?:mm)?\\s+at\\s+(\\d+(?:[.,]\\d+)?)\\s*%.*", Pattern.CASE_INSENSITIVE);
    private static final Pattern PADS = Pattern.compile(
            "pads\\s+(\\S+)\\s+(.+?)\\s+(tight|loose)\\s+([a-z]+)\\s+(\\d+(?:[.,]\\d+)?)\\s*(?:mm)?\\s*", Pattern.CASE_INSENSITIVE);
    private static final Pattern WALK = Pattern.compile("walk\\s+(\\S+)\\s+(.+?)\\s+([a-z]+)\\s+(passed|failed)\\b:?\\s*(.*)",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern HOURS = Pattern.compile("(?<![\\w.])(\\d+(?:[.,]\\d+)?)\\s*(h|min)\\b");
    private static final Pattern PERCENT = Pattern.compile("(\\d+(?:[.,]\\d+)?)\\s*%");
    private static final Pattern TAG = Pattern.compile("#(\\S+)");
    /** Tags but for the shade of a paint, which belongs to its name. */
    private static final Pattern NO_SHADE = Pattern.compile("#(?![0-9a-fA-F]{6}(?!\\S))\\S+");

    /** Letters alone, or as the program wrote them before sections carried their prop: print:A+B, clean:A. */
    private static final Pattern LETTERS = Pattern.compile("(?:(print|clean):)?([A-Z]{1,2}[0-9]{0,3}(?:\\+[A-Z]{1,2}[0-9]{0,3})*)");

    public Entry {
        Limits.date("an entry of the log", at);
        Limits.within("hours of an entry of the log", hours, 0, 100_000);
        Limits.within("money of an entry of the log", money, 0, 1e9);
        tags = List.copyOf(tags);
    }

    /** Never fails: what is not understood is a note with the text as it was typed. Empty for a blank line. */
    public static Optional<Entry> parse(LocalDateTime at, String line, Names names) {
        String text = line.strip();
        if (text.isEmpty()) return Optional.empty();
        try {
            return Optional.of(new Reader(at, text, names).read());
        } catch (IllegalArgumentException beyondMeasure) {
            return Optional.of(new Entry(at, Kind.NOTE, Optional.empty(), 0, 0, Optional.empty(), text, List.of())); // "spent 9999999999"
        }
    }

    /** Reads one line. Single use. */
    private record Reader(LocalDateTime at, String text, Names names) {
        Entry read() {
            var note = new Entry(at, Kind.NOTE, Optional.empty(), 0, 0, Optional.empty(), text,
                    TAG.matcher(text).results().map(m -> m.group(1)).toList());
            var done = DONE.matcher(text);
            if (done.matches()) return named(note, Kind.DONE, done.group(1), e -> e.withHours(Entry.hours(done.group(2))));
            var failed = FAILED.matcher(text);
            if (failed.matches()) return named(note, Kind.FAILED, failed.group(1),
                    e -> e.withHours(Entry.hours(failed.group(2))).withFailure(Optional.of(FailureKind.in(text))));
            var started = STARTED.matcher(text);
            if (started.matches()) return named(note, Kind.STARTED, started.group(1), e -> e);
            var odd = ODD.matcher(text);
            if (odd.matches()) return named(note, Kind.ODD, odd.group(1), e -> e.withFailure(Optional.of(FailureKind.in(text))));
            var wrong = WRONG.matcher(text);
            if (wrong.matches()) return named(note, Kind.WRONG, wrong.group(1), e -> e);
            var broke = BROKE.matcher(text);
            if (broke.matches()) return named(note, Kind.BROKE, broke.group(1).replace('|', '+'), e -> e);
            if (CAUSE.matcher(text).matches()) return note.withKind(Kind.CAUSE).withFailure(Optional.of(FailureKind.in(text)));
            var spent = SPENT.matcher(text);
            if (spent.matches()) return note.withKind(Kind.SPENT).withMoney(number(spent.group(1)));
            if (USED.matcher(text).matches()) {
                var use = note.withKind(Kind.USED);
                var on = FOR.matcher(TAG.matcher(text).replaceAll("").strip());
                return on.matches() ? task(on.group(2)).map(t -> about(use, t)).orElse(use) : use;
            }
            if (LESSON.matcher(text).matches()) return note.withKind(Kind.LESSON);
            if (WHY.matcher(text).matches()) return note.withKind(Kind.WHY);
            if (Entry.padNote(text).isPresent()) return ofProp(note, Kind.PADS, PADS);
            if (Entry.walked(text).isPresent()) return ofProp(note, Kind.WALK, WALK);
            if (Entry.trial(text).isEmpty()) return note;
            return ofProp(note, Kind.FIT, FIT);
        }

        /** About wearing a prop that there is. */
        private Entry ofProp(Entry note, Kind kind, Pattern pattern) {
            var prop = pattern.matcher(text).results().findFirst().orElseThrow().group(1);
            return names.cuts(prop).isEmpty() ? note : about(note.withKind(kind), TaskId.size(prop));
        }

        private Entry named(Entry note, Kind kind, String word, java.util.function.UnaryOperator<Entry> rest) {
            return task(word).filter(t -> kind != Kind.STARTED && kind != Kind.ODD && kind != Kind.BROKE || t instanceof TaskId.Print)
                    .map(t -> rest.apply(about(note.withKind(kind), t)))
                    .orElse(note);
        }

        private Entry about(Entry e, TaskId task) {
            return e.withAbout(Optional.of(About.of(task, names)));
        }

        /** A bare section letter means its print, several joined by + the plate they are on. */
        private Optional<TaskId> task(String word) {
            var m = LETTERS.matcher(word);
            if (!m.matches()) return TaskId.parse(word).filter(t -> About.of(t, names).current(names));
            var sections = Arrays.stream(m.group(2).split("\\+")).map(names::section).toList();
            if (!sections.stream().allMatch(Optional::isPresent)) return Optional.empty();
            var ids = sections.stream().map(Optional::get).toList();
            if ("clean".equals(m.group(1))) return ids.size() == 1 ? Optional.of(new TaskId.Clean(ids.getFirst())) : Optional.empty();
            return Optional.of(new TaskId.Print(ids));
        }
    }

    /** Whether a line is written like one about a task, known or not. */
    public static boolean namesATask(String line) {
        String text = line.strip();
        return DONE.matcher(text).matches() || FAILED.matcher(text).matches();
    }

    /** What was found to be the matter, without its tags; of a cause, and of what went wrong where the line has it. */
    public Optional<String> cause() {
        var m = (kind == Kind.WRONG ? WITH_CAUSE : CAUSE).matcher(text);
        boolean told = (kind == Kind.CAUSE || kind == Kind.WRONG) && m.matches();
        return told ? Optional.of(TAG.matcher(m.group(1)).replaceAll("").strip()).filter(c -> !c.isEmpty()) : Optional.empty();
    }

    /** Why something was decided, without its tags: {@code this red: it is that of the boat}; only of such an entry. */
    public Optional<String> why() {
        var m = WHY.matcher(text);
        return kind == Kind.WHY && m.matches() ? Optional.of(TAG.matcher(m.group(1)).replaceAll("").strip()) : Optional.empty();
    }

    /** The task it is about, whatever cuts it was written under. */
    public Optional<TaskId> task() {
        return about.map(About::task);
    }

    /** The sections of the print it is about; none for anything else. */
    public List<SectionId> printed() {
        return task().filter(t -> t instanceof TaskId.Print).map(t -> ((TaskId.Print) t).sections()).orElse(List.of());
    }

    /** Where it broke, in the model's own mm; only of something broken whose place was told. */
    public Optional<Vec3> place() {
        var m = PLACE.matcher(text);
        return kind == Kind.BROKE && m.find() ? Optional.of(new Vec3(number(m.group(1)), number(m.group(2)), number(m.group(3))))
                : Optional.empty();
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

    /** What was learned, without its tags; only of a lesson. */
    public Optional<String> lesson() {
        var m = LESSON.matcher(text);
        return kind == Kind.LESSON && m.matches() ? Optional.of(TAG.matcher(m.group(1)).replaceAll("").strip()) : Optional.empty();
    }

    /** What was taken off the shelf; only of such an entry. */
    public Optional<Need> used() {
        var m = USED.matcher(text);
        if (kind != Kind.USED || !m.matches()) return Optional.empty();
        var unit = m.group(2).toLowerCase(Locale.ROOT);
        var one = Set.of("can", "sheet", "piece", "pair", "set");
        String what = NO_SHADE.matcher(m.group(3)).replaceAll("").strip();
        var on = FOR.matcher(what);
        if (about.isPresent() && on.matches()) what = on.group(1);
        return Optional.of(new Need(what, number(m.group(1)), one.contains(unit) ? unit + "s" : unit));
    }

    /** The line that says what a task used; {@link #parse} reads it back. */
    public static String used(Need n, TaskId task) {
        String amount = n.amount() >= 20 || n.amount() == Math.rint(n.amount()) ? String.format(Locale.ROOT, "%.0f", n.amount())
                : BigDecimal.valueOf(n.amount()).round(new MathContext(2)).toPlainString();
        return "used " + amount + " " + n.unit() + " " + n.product() + " for " + task.said();
    }

    private static final String PHOTO = "photo:";

    /** Names of the photos that go with it. */
    public List<String> photos() {
        return tags.stream().filter(t -> t.startsWith(PHOTO)).map(t -> t.substring(PHOTO.length())).toList();
    }

    /** Another line in its place, which keeps its photos and the place they show. */
    public Entry corrected(Entry line) {
        var now = line;
        for (var p : photos()) now = now.withPhoto(p);
        return shows().isPresent() ? now.withShows(shows().get()) : now;
    }

    private static final String SHOWS = "shows:";

    /** What its photos show: a section as {@code helm/C}, or the place of a task by its id; empty where nobody has said. */
    public Optional<String> shows() {
        return tags.stream().filter(t -> t.startsWith(SHOWS)).map(t -> t.substring(SHOWS.length())).findFirst();
    }

    /** @param place blank for nowhere in particular */
    public Entry withShows(String place) {
        var all = new ArrayList<>(tags);
        all.removeIf(t -> t.startsWith(SHOWS));
        if (!place.isBlank()) all.add(SHOWS + place);
        return withTags(all);
    }

    public Entry withPhoto(String name) {
        var all = new ArrayList<>(tags);
        if (!all.contains(PHOTO + name)) all.add(PHOTO + name);
        return withTags(all);
    }

    /** What a test piece told, and on whom; only of entries of that kind. */
    public Optional<Tried> trial() {
        return kind == Kind.FIT ? trial(text) : Optional.empty();
    }

    /** What a try-on of the pads said of one zone, mm: above 0 too tight; only of entries of that kind. */
    public Optional<PadNote> padNote() {
        return kind == Kind.PADS ? padNote(text) : Optional.empty();
    }

    /** Of a wearer's set. */
    public record PadNote(String prop, String wearer, Zone zone, double tightMm) {
        /** The line that {@link #parse} reads back. */
        public String line() {
            return String.format(Locale.ROOT, "pads %s %s %s %s %.1f mm", prop, wearer, tightMm > 0 ? "tight" : "loose", zone.label(),
                    Math.abs(tightMm));
        }
    }

    private static Optional<PadNote> padNote(String text) {
        var m = PADS.matcher(text);
        if (!m.matches()) return Optional.empty();
        var zone = Arrays.stream(Zone.values())
                .filter(z -> z.padded() && z.label().equals(m.group(4).toLowerCase(Locale.ROOT)))
                .findFirst();
        double mm = number(m.group(5));
        if (zone.isEmpty() || mm > MOST_PAD_MM) return Optional.empty();
        return Optional.of(new PadNote(m.group(1), m.group(2), zone.get(), m.group(3).equalsIgnoreCase("tight") ? mm : -mm));
    }

    private static final double MOST_PAD_MM = 40;

    /** How a part of the walk test went; only of entries of that kind. */
    public Optional<Walked> walked() {
        return kind == Kind.WALK ? walked(text) : Optional.empty();
    }

    /** Of one wearer in one prop. */
    public record Walked(String prop, String wearer, WalkTest.What what, WalkTest.Result result) {
        /** The line that {@link #parse} reads back. */
        public String line() {
            return "walk " + prop + " " + wearer + " " + what.word() + (result.passed() ? " passed" : " failed")
                    + (result.words().isBlank() ? "" : ": " + result.words());
        }
    }

    private static Optional<Walked> walked(String text) {
        var m = WALK.matcher(text);
        if (!m.matches()) return Optional.empty();
        return Arrays.stream(WalkTest.What.values())
                .filter(w -> w.word().equals(m.group(3).toLowerCase(Locale.ROOT)))
                .findFirst()
                .map(w -> new Walked(m.group(1), m.group(2), w,
                        new WalkTest.Result(m.group(4).equalsIgnoreCase("passed"), m.group(5).strip())));
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
        String zone = t.zone().map(z -> " " + z.label()).orElse("");
        String how = t.verdict() == Trial.Verdict.FITS ? zone : zone + String.format(Locale.ROOT, " %.1f mm", t.mm());
        return String.format(Locale.ROOT, "fit %s %s %s%s at %.1f %%", prop, wearer, t.verdict().name().toLowerCase(Locale.ROOT), how,
                100 * t.scale());
    }

    private static double hours(String rest) {
        Matcher m = HOURS.matcher(PLANNED.matcher(rest).replaceAll(""));
        return m.find() ? number(m.group(1)) / (m.group(2).equals("min") ? 60 : 1) : 0;
    }

    private static double number(String s) {
        return Double.parseDouble(s.replace(',', '.'));
    }
}
