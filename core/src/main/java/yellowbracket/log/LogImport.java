package yellowbracket.log;

import java.io.IOException;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVFormat;
import yellowbracket.mesh.io.ReadProblem;

/**
 * Reads a log that was written as CSV (columns {@code when} and {@code text}, {@code tags} where there are) or Markdown ({@code -
 * 2026-03-30
 * 18:20: text}). What is in the log already is passed over.
 */
public final class LogImport {
    private static final Pattern LINE = Pattern
            .compile("\\s*[-*]\\s+(\\d{4}-\\d{2}-\\d{2})[ T](\\d{1,2}:\\d{2}(?::\\d{2}(?:\\.\\d+)?)?):\\s*(.*)");
    private static final long MOST_BYTES = 20_000_000;

    private LogImport() {}

    /** Read: what is new, in the order of the file, and lines that were none; refused: why and what to do. */
    public sealed interface Outcome {
        record Read(List<Entry> entries, List<Integer> unread) implements Outcome {}

        record Refused(ReadProblem problem) implements Outcome {}
    }

    public static Outcome read(Path file, List<Entry> already, Names names) {
        String called = String.valueOf(file.getFileName());
        try {
            if (Files.size(file) > MOST_BYTES)
                return refused(called, "the file is larger than 20 MB: this is no log", "choose a log as CSV or Markdown");
            String text = Files.readString(file, StandardCharsets.UTF_8);
            var found = called.toLowerCase(java.util.Locale.ROOT).endsWith(".csv") ? csv(text, names) : markdown(text, names);
            if (found.entries.isEmpty()) return refused(called, "no line of a log is in it",
                    "write lines as: - 2026-03-30 18:20: done C 1.2 h; or columns when, text");
            var seen = new java.util.HashSet<String>();
            already.forEach(e -> seen.add(e.at() + " " + e.text()));
            return new Outcome.Read(found.entries.stream().filter(e -> seen.add(e.at() + " " + e.text())).toList(), found.unread);
        } catch (java.nio.charset.MalformedInputException e) {
            return refused(called, "the file is no text", "choose a log as CSV or Markdown");
        } catch (IOException e) {
            return refused(called, "the file cannot be read", "check that it is there and may be read");
        }
    }

    private static Outcome refused(String file, String what, String toDo) {
        return new Outcome.Refused(new ReadProblem(file, "", what, toDo));
    }

    private static Outcome.Read markdown(String text, Names names) {
        var out = new ArrayList<Entry>();
        var unread = new ArrayList<Integer>();
        int number = 0;
        for (var line : text.split("\\R")) {
            number++;
            var m = LINE.matcher(line);
            if (line.isBlank() || line.startsWith("#")) continue;
            var e = m.matches() ? at(m.group(1) + "T" + (m.group(2).length() < 5 ? "0" : "") + m.group(2))
                    .flatMap(t -> Entry.parse(t, m.group(3), names)) : Optional.<Entry>empty();
            e.ifPresent(out::add);
            if (e.isEmpty()) unread.add(number);
        }
        return new Outcome.Read(out, unread);
    }

    private static Outcome.Read csv(String text, Names names) throws IOException {
        var out = new ArrayList<Entry>();
        var unread = new ArrayList<Integer>();
        try (var rows = CSVFormat.RFC4180.builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .setIgnoreHeaderCase(true)
                .get()
                .parse(new StringReader(text))) {
            if (!rows.getHeaderMap().containsKey("when") || !rows.getHeaderMap().containsKey("text"))
                return new Outcome.Read(List.of(), List.of());
            for (var r : rows) {
                var e = at(r.isSet("when") ? r.get("when") : "").flatMap(t -> Entry.parse(t, r.isSet("text") ? r.get("text") : "", names));
                var tags = r.isMapped("tags") && r.isSet("tags")
                        ? Arrays.stream(r.get("tags").split(" ")).filter(t -> !t.isBlank()).toList()
                        : List.<String>of();
                e.ifPresentOrElse(x -> out.add(tags.isEmpty() ? x : x.withTags(tags)), () -> unread.add((int) rows.getCurrentLineNumber()));
            }
        } catch (java.io.UncheckedIOException | IllegalArgumentException | IllegalStateException e) {
            return new Outcome.Read(List.copyOf(out), List.copyOf(unread)); // as far as it is a table
        }
        return new Outcome.Read(out, unread);
    }

    private static Optional<LocalDateTime> at(String text) {
        try {
            return Optional.of(LocalDateTime.parse(text.strip().replace(' ', 'T')));
        } catch (DateTimeParseException e) {
            return Optional.empty();
        }
    }
}
