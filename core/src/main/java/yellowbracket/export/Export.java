package yellowbracket.export;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VAlarm;
import biweekly.component.VEvent;
import biweekly.property.Trigger;
import biweekly.property.Uid;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.ZoneId;
import java.util.Date;
import java.util.List;
import java.util.Locale;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import yellowbracket.derive.Derived;
import yellowbracket.derive.colour.ColourFigures;
import yellowbracket.derive.join.JoinFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.derive.smooth.SmoothFigures;
import yellowbracket.derive.wear.WearFigures;
import yellowbracket.document.Build;
import yellowbracket.mesh.io.FileSet;
import yellowbracket.mesh.io.SafeFile;
import yellowbracket.work.TaskId;

/**
 * Files for other programs; {@link SectionFiles} has those of the sections. Each is written whole or not at all; an error names the folder.
 * Returns the files in the order written.
 */
public final class Export {
    private Export() {}

    /** One event a task not yet done; where a film closes, an alarm at the end of its window. */
    public static Path calendar(Build build, yellowbracket.plan.Schedule schedule, Path file) throws IOException {
        var calendar = new ICalendar();
        calendar.setProductId("-//Yellow Bracket//EN");
        var zone = ZoneId.systemDefault();
        for (var p : schedule.placed()) {
            if (p.done()) continue;
            var event = new VEvent();
            event.setUid(new Uid(Integer.toHexString(build.name().hashCode()) + "-" + p.task().id().text().replaceAll("[^A-Za-z0-9]", "-")
                    + "@yellowbracket"));
            event.setDateTimeStamp(Date.from(schedule.now().atZone(zone).toInstant()));
            event.setSummary(p.task().name() + " (" + p.task().prop() + ")");
            event.setDescription(String.format(Locale.ROOT, "%s, about %.1f h of work, %.1f h waiting after; %s",
                    p.task().station().label(), p.hours(), p.task().lag().leastH(), p.task().effort().source()));
            event.setDateStart(Date.from(p.start().atZone(zone).toInstant()));
            event.setDateEnd(Date.from(p.end().atZone(zone).toInstant()));
            schedule.openFor(p.task().id())
                    .ifPresent(open -> event.addAlarm(VAlarm.display(new Trigger(Date.from(p.end().plus(open).atZone(zone).toInstant())),
                            p.task().name() + ": what goes over it goes on now, or not until it is through")));
            calendar.addEvent(event);
        }
        SafeFile.write(file, Biweekly.write(calendar).go().getBytes(StandardCharsets.UTF_8));
        return file;
    }

    public static List<Path> log(Build build, Path folder) throws IOException {
        var whole = FileSet.write(folder, aside -> logFiles(build, aside));
        return whole.value().stream().map(whole::at).toList();
    }

    private static List<Path> logFiles(Build build, Path folder) throws IOException {
        var csv = csv(folder.resolve("log.csv"), List.of("when", "kind", "about", "hours", "money", "text", "tags"),
                build.log()
                        .stream()
                        .map(e -> List.<Object>of(e.at(), e.kind().name().toLowerCase(Locale.ROOT), e.task().map(TaskId::text).orElse(""),
                                e.hours() > 0 ? e.hours() : "", e.money() > 0 ? e.money() : "", e.text(), String.join(" ", e.tags())))
                        .toList());
        var text = new StringBuilder("# " + build.name() + ": log\n\n");
        build.log().forEach(e -> text.append("- ").append(e.at().toString().replace('T', ' ')).append(": ").append(e.text()).append('\n'));
        var md = folder.resolve("log.md");
        SafeFile.write(md, text.toString().getBytes(StandardCharsets.UTF_8));
        return List.of(csv, md);
    }

    /** Pad thicknesses, hardware of joining and the ladder, one page a prop. */
    public static Path sheets(Build build, Derived derived, Path file) throws IOException {
        var pages = new PdfPages();
        for (var p : build.props()) {
            pages.page(build.name() + ": " + p.name());
            derived.get(PrintFigures.PRINTS, p.id())
                    .ifPresent(q -> pages.block("prints",
                            q.prints()
                                    .stream()
                                    .map(x -> text("%-3s %5.1f h %6.0f g  %s, %s", x.name(), x.hours(), x.estimate().grams(),
                                            x.printer().name(), x.orientation().label()))
                                    .toList()));
            derived.get(JoinFigures.JOINS, p.id()).ifPresent(q -> {
                pages.block("seams",
                        q.joins()
                                .stream()
                                .map(j -> text("%-6s %-26s %5.1f g  hold %.0f min  bears x%.0f", j.seam().name(), j.product().name(),
                                        j.grams(), j.holdMin(), j.reserve()))
                                .toList());
                pages.block("order of assembly",
                        q.steps().stream().map(s -> s.number() + "  " + s.words() + "   " + String.join(" ", s.seams())).toList());
            });
            derived.get(SmoothFigures.SMOOTH, p.id())
                    .ifPresent(q -> pages.block("ladder",
                            q.work().stream().map(w -> text("%-34s %5.1f h  %s", w.step().what(), w.hours(), w.amount())).toList()));
            derived.get(ColourFigures.COLOUR, p.id())
                    .ifPresent(q -> pages.block("coats",
                            q.coats()
                                    .stream()
                                    .map(c -> text("%-14s %-24s %d coats %5.1f dm2", c.zone(), c.product(), c.count(), c.dm2()))
                                    .toList()));
            derived.get(WearFigures.PADS, p.id())
                    .ifPresent(q -> q.sets()
                            .forEach(set -> pages.block("pads for " + set.wearer().name(),
                                    set.pads()
                                            .stream()
                                            .map(x -> text("%-12s gap %5.1f mm  %s", x.name(), x.gapMm(), x.words()))
                                            .toList())));
        }
        pages.write(file);
        return file;
    }

    private static String text(String f, Object... a) {
        return String.format(Locale.ROOT, f, a);
    }

    static Path csv(Path file, List<String> heads, List<List<Object>> rows) throws IOException {
        var text = new StringWriter();
        try (var printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
            printer.printRecord(heads);
            for (var r : rows) printer.printRecord(r);
        }
        SafeFile.write(file, text.toString().getBytes(StandardCharsets.UTF_8));
        return file;
    }

    static byte[] bytes(org.apache.pdfbox.pdmodel.PDDocument d) throws IOException {
        var out = new ByteArrayOutputStream();
        d.save(out);
        return out.toByteArray();
    }
}
