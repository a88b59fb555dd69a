package yellowbracket.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import yellowbracket.cut.Bed;
import yellowbracket.cut.SectionPlanner;
import yellowbracket.cut.Sectioning;
import yellowbracket.mesh.Bvh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.io.StlWriter;

@Command(name = "cut", description = "cut a model into sections that fit a bed")
final class CutCommand extends Output {
    @Parameters(paramLabel = "MODEL", description = "an STL, OBJ, PLY or 3MF file")
    Path model;

    @Option(names = "--scale", required = true, description = "1.04 for 104 per cent")
    double scale;

    @Option(names = "--bed", required = true, description = "room on the bed, 220x220x250, mm")
    String bed;

    @ArgGroup
    Registration registration = new Registration();

    @Option(names = "--mirror", description = "prefer the mirror plane (it is preferred anyway where the model has one)")
    boolean mirror;

    @Option(names = "--out", required = true, description = "folder for the section files")
    Path out;

    /** One of them. */
    static final class Registration {
        @Option(names = "--pins", description = "pins and sockets")
        boolean pins;
        @Option(names = "--magnets", description = "magnet pockets")
        boolean magnets;
        @Option(names = "--tongue", description = "tongue and groove")
        boolean tongue;
        @Option(names = "--plain", description = "plain faces (default)")
        boolean plain;
    }

    @Override
    Map<String, Object> work() throws IOException {
        Bed room;
        try {
            room = Bed.parse(bed);
        } catch (IllegalArgumentException e) {
            throw new ParameterException(spec.commandLine(), e.getMessage());
        }
        if (!(scale > 0.01 && scale < 50)) throw new Refused("--scale " + scale + ": a scale lies between 0.01 and 50; 1.04 means 104 per cent.");
        var mesh = mesh(model);
        var planned = switch (SectionPlanner.plan(mesh, scale, room, Progress.NONE)) {
            case SectionPlanner.Outcome.Impossible i -> throw new Refused(i.why() + ".");
            case SectionPlanner.Outcome.Planned p -> p;
        };
        var sections = Sectioning.of(mesh, Bvh.of(mesh), planned.tree(), 0, Progress.NONE).scaled(scale);
        var findings = new ArrayList<>(sections.findings());
        if (registration.pins || registration.magnets || registration.tongue) findings.add("registration is not built in yet: the mating faces are plain; align by witness marks");
        var files = write(sections);
        var list = sections.sections().stream().map(s -> map("name", s.name(), "file", files.get(sections.sections().indexOf(s)).toString(), "triangles", s.mesh().triangleCount(), "volumeMm3", s.mesh().volumeMm3(), "size", xyz(s.size()), "fits", room.holds(s.size()), "closed", s.closed())).toList();
        var seams = sections.seams().stream().map(s -> map("name", s.name(), "lengthMm", s.lengthMm(), "areaMm2", s.areaMm2(), "showLengthMm", s.showLengthMm())).toList();
        return map("sections", list, "seams", seams, "hardware", List.of(), "plan", map("parts", sections.sections().size(), "cutArea", sections.seams().stream().mapToDouble(s -> s.areaMm2()).sum(),
                "score", planned.sections() + 0.5 * planned.cutAreaMm2() * scale * scale / (room.x() * room.y()), "planes", planned.tree().planes().stream().map(p -> p.words()).toList(), "why", planned.why()), "findings", findings);
    }

    private List<Path> write(Sectioning sections) {
        var files = new ArrayList<Path>();
        try {
            for (var s : sections.sections()) {
                var file = out.resolve("section-" + s.name() + ".stl");
                StlWriter.write(s.mesh(), "section " + s.name(), file);
                files.add(file);
            }
        } catch (IOException e) {
            throw new Refused(out + ": the folder cannot be written; choose another with --out.");
        }
        return files;
    }
}
