package yellowbracket.derive.all;

import java.time.LocalDateTime;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import yellowbracket.derive.Derived;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.device.PrinterLink;
import yellowbracket.document.Build;
import yellowbracket.document.Edit;
import yellowbracket.log.Entry;
import yellowbracket.print.SectionPrint;
import yellowbracket.shop.Printer;

/**
 * A line of the log as an edit. Of a print it adds what only the plan knows at that moment, so that later changes of the plan do not change
 * what was learned: the hours computed for it and the printer; and it takes the filament off the spool that printer has on.
 */
public final class LogEdit {
    private LogEdit() {}

    /** Empty for a blank line. */
    public static Optional<Edit> of(LocalDateTime at, String line, Build build, Derived derived) {
        return Entry.parse(at, line, build).map(e -> {
            var prints = prints(e, derived);
            var told = prints.isEmpty() ? e : told(e, prints, build, derived);
            double share = switch (told.kind()) {
                case DONE -> 1;
                case FAILED -> told.share().orElse(0);
                case NOTE, STARTED, SPENT, USED, WRONG, WHY, LESSON, FIT, ODD, CAUSE, BROKE, PADS, WALK -> 0;
            };
            double grams = share * prints.stream().mapToDouble(SectionPrint::grams).sum();
            var printer = build.printers().stream().filter(p -> told.tags().contains(p.tag())).findFirst().map(Printer::name);
            return new Edit("log entry", b -> printer.map(p -> taken(b.with(told), p, grams)).orElseGet(() -> b.with(told)));
        });
    }

    /** The prints of the plan an entry is about. */
    private static List<SectionPrint> prints(Entry e, Derived derived) {
        return e.printed()
                .stream()
                .flatMap(id -> derived.get(PrintFigures.PRINTS, id.prop())
                        .stream()
                        .flatMap(q -> q.prints().stream())
                        .filter(s -> s.id().equals(id)))
                .toList();
    }

    private static Entry told(Entry e, List<SectionPrint> prints, Build build, Derived derived) {
        var words = new StringBuilder(e.text());
        var printer = prints.getFirst().printer();
        boolean named = build.printers().stream().anyMatch(p -> e.tags().contains(p.tag()));
        // hours as computed, what was learned of the printer left out; another printer than planned would have taken others
        double learned = derived.get(PrintFigures.RECORDS)
                .flatMap(r -> r.list().stream().filter(x -> x.printer().equals(printer.name())).findFirst())
                .map(x -> x.factor().factor())
                .orElse(1.0);
        if (e.kind() == Entry.Kind.DONE && e.hours() > 0 && e.planned().isEmpty() && (!named || e.tags().contains(printer.tag())))
            words.append(String.format(Locale.ROOT, " planned %.2f h", prints.stream().mapToDouble(SectionPrint::hours).sum() / learned));
        if (!named) words.append(" #").append(printer.tag());
        return Entry.parse(e.at(), words.toString(), build).orElseThrow();
    }

    private static Build taken(Build b, String printer, double grams) {
        return grams <= 0 ? b : b.withSpools(b.spools().stream().map(s -> s.printer().equals(printer) ? s.less(grams) : s).toList());
    }

    /** The line a linked printer's end writes. */
    public static String line(PrinterLink.Status s, String printerTag) {
        String job = s.job().orElseThrow().name();
        return switch (s.state()) {
            case DONE -> String.format(Locale.ROOT, "done %s %.2f h #%s", job, s.printedH(), printerTag);
            case FAULT -> String.format(Locale.ROOT, "failed %s %.0f %% %.2f h %s #%s", job, 100 * s.share(), s.printedH(),
                    s.fault().orElseThrow().words(), printerTag);
            case CANCELLED ->
                    String.format(Locale.ROOT, "failed %s %.0f %% %.2f h cancelled #%s", job, 100 * s.share(), s.printedH(), printerTag);
            case IDLE, HEATING, PRINTING, PAUSED, OFFLINE -> String.format(Locale.ROOT, "started %s #%s", job, printerTag);
        };
    }
}
