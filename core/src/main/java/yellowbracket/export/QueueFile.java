package yellowbracket.export;

import java.io.IOException;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.mesh.io.ReadProblem;
import yellowbracket.plan.Schedule;
import yellowbracket.print.LayerBands;
import yellowbracket.print.Plates;
import yellowbracket.print.SectionPrint;
import yellowbracket.work.SectionId;
import yellowbracket.work.TaskId;

/**
 * The print queue as CSV: a row a section in the order it is printed. Read back, {@code section} and {@code printer} count, by the order of
 * the rows; the other columns are for people.
 */
public final class QueueFile {
    private static final List<String> HEAD = List.of("section", "printer", "plate", "start", "end", "hours", "grams", "material",
            "layer_mm", "nozzle_mm", "way_up", "bands");
    private static final long MOST_BYTES = 4_000_000;

    private QueueFile() {}

    /** Read: the order and the printer of each section; refused: which line, why, what to do. */
    public sealed interface Outcome {
        record Read(List<SectionId> order, Map<SectionId, String> printers) implements Outcome {}

        record Refused(ReadProblem problem) implements Outcome {}
    }

    public static Path write(PrintFigures.Plating plates, Schedule schedule, Path file) throws IOException {
        var placed = schedule.placed()
                .stream()
                .filter(p -> p.task().id() instanceof TaskId.Print)
                .collect(Collectors.toMap(p -> p.task().id(), p -> p, (a, b) -> a));
        var rows = new ArrayList<List<Object>>();
        var sorted = plates.chosen()
                .stream()
                .sorted(Comparator.comparing(
                        (Plates.Plate p) -> Optional.ofNullable(placed.get(p.task())).map(Schedule.Placed::start).orElse(schedule.due())))
                .toList();
        int number = 1;
        for (var plate : sorted) {
            var at = Optional.ofNullable(placed.get(plate.task()));
            for (var p : plate.prints()) rows.add(row(p, number, at));
            number++;
        }
        return Export.csv(file, HEAD, rows);
    }

    private static List<Object> row(SectionPrint p, int plate, Optional<Schedule.Placed> at) {
        var f = p.profile();
        return List.of(p.name(), p.printer().name(), plate, at.<Object>map(Schedule.Placed::start).orElse(""),
                at.<Object>map(Schedule.Placed::end).orElse(""), round(p.hours()), round(p.grams()), f.material(), f.layerMm(),
                f.nozzleMm(), p.orientation().label(), LayerBands.table(p.bands()));
    }

    private static double round(double v) {
        return Math.rint(100 * v) / 100;
    }

    /** Never throws for what the file holds. @param sections and @param printers the build has */
    public static Outcome read(Path file, Collection<SectionId> sections, Set<String> printers) {
        String name = String.valueOf(file.getFileName());
        try {
            if (Files.size(file) > MOST_BYTES) return refused(name, "", "the file is too large for a queue", "choose the queue's CSV file");
            return parse(name, Files.readString(file, StandardCharsets.UTF_8), sections, printers);
        } catch (java.nio.charset.CharacterCodingException e) {
            return refused(name, "", "this is not text", "choose a CSV file saved as UTF-8");
        } catch (IOException e) {
            return refused(name, "", "the file cannot be read", "check that it is there and may be read");
        }
    }

    private static Outcome parse(String name, String text, Collection<SectionId> sections, Set<String> printers) {
        var order = new ArrayList<SectionId>();
        var on = new LinkedHashMap<SectionId, String>();
        try (var csv = CSVParser.parse(new StringReader(text),
                CSVFormat.DEFAULT.builder()
                        .setHeader()
                        .setSkipHeaderRecord(true)
                        .setIgnoreSurroundingSpaces(true)
                        .setIgnoreEmptyLines(true)
                        .setTrim(true)
                        .get())) {
            if (!csv.getHeaderNames().contains("section"))
                return refused(name, "line 1", "there is no column \"section\"", "export the queue and change the order of its rows");
            for (var row : csv) {
                String where = "line " + csv.getCurrentLineNumber();
                String letter = row.isSet("section") ? row.get("section") : "";
                String printer = row.isMapped("printer") && row.isSet("printer") ? row.get("printer") : "";
                var section = sections.stream().filter(s -> s.letter().equals(letter)).findFirst();
                if (section.isEmpty()) return refused(name, where, "there is no section \"" + letter + "\"",
                        "the build has " + String.join(", ", sections.stream().map(SectionId::letter).sorted(SectionId.LETTERS).toList()));
                if (order.contains(section.get()))
                    return refused(name, where, "section " + letter + " is there twice", "leave one row of each section");
                if (!printer.isEmpty() && !printers.contains(printer)) return refused(name, where,
                        "there is no printer \"" + printer + "\"", "the shop has " + String.join(", ", new TreeSet<>(printers)));
                order.add(section.get());
                if (!printer.isEmpty()) on.put(section.get(), printer);
            }
        } catch (IOException | IllegalArgumentException | java.io.UncheckedIOException e) {
            return refused(name, "", "this is not a table (" + e.getMessage() + ")", "export the queue and change the order of its rows");
        }
        if (order.isEmpty()) return refused(name, "", "the queue is empty", "give it a row for each section to print");
        return new Outcome.Read(List.copyOf(order), Map.copyOf(on));
    }

    private static Outcome refused(String file, String where, String what, String todo) {
        return new Outcome.Refused(new ReadProblem(file, where, what, todo));
    }
}
