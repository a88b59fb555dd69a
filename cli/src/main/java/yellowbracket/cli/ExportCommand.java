package yellowbracket.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import yellowbracket.derive.Figure;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.export.BuildBook;
import yellowbracket.export.Export;
import yellowbracket.export.SectionFiles;
import yellowbracket.mesh.io.FileSet;

@Command(name = "export", description = "write a build's sections, sheets, book, calendar or log")
final class ExportCommand extends Output {
    /** What can be written. */
    enum What { SECTIONS, SHEETS, BOOK, CALENDAR, LOG }

    @Parameters(paramLabel = "BUILD", description = "a .bracket file")
    Path build;

    @Option(names = "--what", required = true, description = "${COMPLETION-CANDIDATES}")
    What what;

    @Option(names = "--out", required = true, description = "folder")
    Path out;

    @Option(names = "--today", description = "plan from this day, yyyy-mm-dd")
    LocalDate today;

    @Override
    Map<String, Object> work() {
        var o = Opened.of(build, today, this::remark);
        try {
            List<Path> files = switch (what) {
                case SECTIONS -> sections(o);
                case SHEETS -> List.of(Export.sheets(o.build(), o.derived(), out.resolve("sheets.pdf")));
                case BOOK -> BuildBook.write(o.build(), o.meshes(), o.derived(), out);
                case CALENDAR -> List.of(Export.calendar(o.build(), o.derived().require(PlanFigures.BETTER, Figure.BUILD).schedule(),
                        out.resolve("plan.ics")));
                case LOG -> Export.log(o.build(), out);
            };
            return map("files", files.stream().map(Path::toString).toList());
        } catch (IOException e) {
            throw unwritten(out, e);
        }
    }

    private List<Path> sections(Opened o) throws IOException {
        var whole = FileSet.write(out, aside -> sections(o, aside));
        return whole.value().stream().map(whole::at).toList();
    }

    private static List<Path> sections(Opened o, Path folder) throws IOException {
        var files = new ArrayList<Path>();
        for (var p : o.build().props())
            files.addAll(new SectionFiles(o.build().name() + ": " + p.name(), p.scale(), o.derived().require(CutFigures.REGISTERED, p.id()),
                    Optional.of(o.derived().require(PrintFigures.PRINTS, p.id()))).write(folder.resolve(p.id())).all());
        return files;
    }
}
