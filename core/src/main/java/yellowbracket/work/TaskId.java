package yellowbracket.work;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

/** Names a task for good: the log speaks of it, the plan places it. Its text is what files and the command line hold. */
public sealed interface TaskId {
    char NO_BREAK = '\u00a0';

    /** What is done once for a prop. */
    enum Once {
        SIZE, CUT, DRYFIT, INSIDE, TRYON, SEAMS, ROUNDS, VISOR, STRAPS, TEST, LIGHTS, PARTS, FORM, LENS
    }

    /** What is done in numbered steps for a prop. */
    enum Series { JOIN, SMOOTH, BARE, COLOUR, LINE, WEATHER, MEND, OWN }

    /** {@code size:helm} */
    record OfProp(String prop, Once once) implements TaskId {
        @Override
        public String text() {
            return lower(once) + ":" + prop;
        }
    }

    /** {@code print:helm/A+helm/B}: sections on one bed at once, of one prop or of several. */
    record Print(List<SectionId> sections) implements TaskId {
        public Print {
            sections = List.copyOf(sections);
            if (sections.isEmpty()) throw new IllegalArgumentException("a print holds at least one section");
        }

        @Override
        public String prop() {
            return sections.getFirst().prop();
        }

        @Override
        public String text() {
            return "print:" + sections.stream().map(SectionId::text).collect(Collectors.joining("+"));
        }

        /** A+B: as plates are named. */
        public String letters() {
            return sections.stream().map(SectionId::letter).collect(Collectors.joining("+"));
        }
    }

    /** {@code clean:helm/A} */
    record Clean(SectionId section) implements TaskId {
        @Override
        public String prop() {
            return section.prop();
        }

        @Override
        public String text() {
            return "clean:" + section.text();
        }
    }

    /** What a resin print goes through before and after its support is off. */
    enum Care { WASH, CURE }

    /** {@code wash:helm/A} */
    record Resin(SectionId section, Care care) implements TaskId {
        @Override
        public String prop() {
            return section.prop();
        }

        @Override
        public String text() {
            return lower(care) + ":" + section.text();
        }
    }

    /** What a printer needs before it goes on: the cause of a fault found, a small print after a repair. */
    enum Upkeep { LOOK, CALIBRATE }

    /** {@code calibrate:helm:mid-bed/2}: the proof after a printer's second repair; printers by their tags. */
    record OnPrinter(Upkeep upkeep, String prop, String printer, int number) implements TaskId {
        @Override
        public String text() {
            return lower(upkeep) + ":" + prop + ":" + printer + "/" + number;
        }
    }

    /** {@code join:helm:3}, counted from 1. */
    record Step(String prop, Series series, int number) implements TaskId {
        public Step {
            if (number < 1) throw new IllegalArgumentException("steps are counted from 1, was " + number);
        }

        @Override
        public String text() {
            return lower(series) + ":" + prop + ":" + number;
        }
    }

    /** {@code pads:helm:Maren} */
    record Pads(String prop, String wearer) implements TaskId {
        @Override
        public String text() {
            return "pads:" + prop + ":" + wearer.replace(' ', NO_BREAK); // one word, as a line of the log wants it
        }
    }

    /** The prop it belongs to; of a plate with several, the first section's. */
    String prop();

    @JsonValue
    String text();

    /** As a line of the log names it: the sections' letters for a print. */
    default String said() {
        return this instanceof Print p ? p.letters() : text();
    }

    static TaskId size(String prop) {
        return new OfProp(prop, Once.SIZE);
    }

    static TaskId cut(String prop) {
        return new OfProp(prop, Once.CUT);
    }

    static Print print(SectionId section) {
        return new Print(List.of(section));
    }

    /** Reads what {@link #text} writes. @throws IllegalArgumentException for anything else */
    @JsonCreator
    static TaskId of(String text) {
        return parse(text).orElseThrow(() -> new IllegalArgumentException("\"" + text + "\" does not name a task"));
    }

    /** Empty for a text that names no task. */
    static Optional<TaskId> parse(String text) {
        var parts = text.split(":", 3);
        if (parts.length < 2 || parts[1].isEmpty()) return Optional.empty();
        var kind = parts[0].toLowerCase(Locale.ROOT);
        if (kind.equals("print") && parts.length == 2) {
            var sections = Arrays.stream(parts[1].split("\\+", -1)).map(SectionId::parse).toList();
            if (!sections.stream().allMatch(Optional::isPresent)) return Optional.empty();
            return Optional.of(new Print(sections.stream().map(Optional::get).toList()));
        }
        if (kind.equals("clean") && parts.length == 2) return SectionId.parse(parts[1]).map(Clean::new);
        var care = named(Care.values(), kind);
        if (care.isPresent() && parts.length == 2) return SectionId.parse(parts[1]).map(s -> new Resin(s, care.get()));
        var upkeep = named(Upkeep.values(), kind);
        if (upkeep.isPresent() && parts.length == 3 && parts[2].matches("[^/]+/[1-9][0-9]{0,3}")) {
            int at = parts[2].indexOf('/');
            return Optional
                    .of(new OnPrinter(upkeep.get(), parts[1], parts[2].substring(0, at), Integer.parseInt(parts[2].substring(at + 1))));
        }
        if (kind.equals("pads") && parts.length == 3) return Optional.of(new Pads(parts[1], parts[2].replace(NO_BREAK, ' ')));
        var once = named(Once.values(), kind);
        if (once.isPresent() && parts.length == 2) return Optional.of(new OfProp(parts[1], once.get()));
        var series = named(Series.values(), kind);
        if (series.isEmpty() || parts.length < 3 || !parts[2].matches("[1-9][0-9]{0,3}")) return Optional.empty();
        return Optional.of(new Step(parts[1], series.get(), Integer.parseInt(parts[2])));
    }

    private static <E extends Enum<E>> Optional<E> named(E[] all, String word) {
        return Arrays.stream(all).filter(e -> lower(e).equals(word)).findFirst();
    }

    private static String lower(Enum<?> e) {
        return e.name().toLowerCase(Locale.ROOT);
    }
}
