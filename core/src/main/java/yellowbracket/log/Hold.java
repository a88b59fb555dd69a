package yellowbracket.log;

import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.print.FailureKind;
import yellowbracket.print.SectionPrint;
import yellowbracket.work.SectionId;
import yellowbracket.work.TaskId;

/**
 * A printer and a material on which nothing should start: a print failed there or came out odd, and nobody knows why. A line {@code cause:}
 * lets it go; with a printer's tag that printer, without one all.
 * @param about the line of the log; @param task looking for the cause, of the prop whose print it was, counted by printer
 */
public record Hold(Entry about, TaskId.OnPrinter task, String printer, String material) {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);

    /** @param all every print that is planned, by section */
    public static List<Hold> of(List<Entry> log, Map<SectionId, SectionPrint> all) {
        var open = new LinkedHashMap<String, Hold>();
        var count = new HashMap<String, Integer>();
        for (var e : log) {
            boolean cause = e.kind() == Entry.Kind.CAUSE && !e.tags().contains(Wrong.BY_HAND);
            if (cause) open.values().removeIf(h -> speaksOf(e, h.printer, all));
            boolean unknown = e.kind() == Entry.Kind.FAILED && e.failure().filter(k -> k == FailureKind.OTHER).isPresent()
                    || e.kind() == Entry.Kind.ODD;
            if (!unknown) continue;
            var print = e.printed().stream().map(all::get).filter(Objects::nonNull).findFirst();
            if (print.isEmpty()) continue;
            String printer = named(e, all).orElse(print.get().printer().name());
            var task = new TaskId.OnPrinter(TaskId.Upkeep.LOOK, print.get().id().prop(), print.get().printer().tag(),
                    count.merge(printer, 1, Integer::sum));
            open.put(printer, new Hold(e, task, printer, print.get().profile().material()));
        }
        return List.copyOf(open.values());
    }

    /** The printer whose tag a line carries. */
    static Optional<String> named(Entry e, Map<SectionId, SectionPrint> all) {
        return all.values().stream().map(SectionPrint::printer).filter(p -> e.tags().contains(p.tag())).map(p -> p.name()).findFirst();
    }

    private static boolean speaksOf(Entry cause, String printer, Map<SectionId, SectionPrint> all) {
        return named(cause, all).map(printer::equals).orElse(true);
    }

    public boolean holds(SectionPrint p) {
        return p.printer().name().equals(printer) && p.profile().material().equals(material);
    }

    /** One finding for each print ahead that it holds. */
    public static List<Finding> findings(List<Hold> holds, List<SectionPrint> ahead) {
        var out = new ArrayList<Finding>();
        for (var h : holds) for (var p : ahead) if (h.holds(p)) out.add(Finding.of(Weight.STOP, Subject.section(p.id()),
                "section %s waits: on %s \"%s\" (%s) and no cause is noted for %s in %s. Look, then write below: cause: what it was #%s",
                p.name(), DAY.format(h.about.at()), h.about.text(), h.about.kind() == Entry.Kind.ODD ? "odd" : "failed", h.printer,
                h.material, p.printer().tag()));
        return out;
    }
}
