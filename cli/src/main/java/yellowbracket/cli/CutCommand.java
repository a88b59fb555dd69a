package yellowbracket.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import yellowbracket.cut.Alike;
import yellowbracket.cut.Bed;
import yellowbracket.cut.Letters;
import yellowbracket.cut.Nearly;
import yellowbracket.cut.Neck;
import yellowbracket.cut.Registration;
import yellowbracket.cut.RegistrationKind;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.TurnedFit;
import yellowbracket.cut.plan.PlanWishes;
import yellowbracket.cut.plan.SectionPlan;
import yellowbracket.cut.plan.SectionPlanner;
import yellowbracket.cut.registration.Registered;
import yellowbracket.cut.registration.Registrar;
import yellowbracket.export.SectionFiles;
import yellowbracket.mesh.MirrorHalf;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.index.Bvh;

@Command(name = "cut", description = "cut a model into sections that fit a bed")
final class CutCommand extends Output {
    @Parameters(paramLabel = "MODEL", description = "an STL, OBJ, PLY or 3MF file")
    Path model;

    @Option(names = "--scale", required = true, description = "1.04 for 104 per cent")
    double scale;

    @Option(names = "--bed", required = true, split = ",", description = "room on the bed, 220x220x250, mm; several printers with "
            + "commas between")
    List<String> beds;

    @ArgGroup
    Faces faces = new Faces();

    @Option(names = "--mirror", description = "take the right half and its mirror image for the whole")
    boolean mirror;

    @Option(names = "--aim", paramLabel = "AIM", description = "which plan: work, fewest, hidden, support, every, whole (default "
            + "${DEFAULT-VALUE})", defaultValue = "work")
    String aim;

    @Option(names = "--marks", description = "sink name, arrow and scale into a hidden face, and witness marks across the seams")
    boolean marks;

    @Option(names = "--out", required = true, description = "folder for the files")
    Path out;

    /** One of them. */
    static final class Faces {
        @Option(names = "--pins", description = "printed pins and sockets")
        boolean pins;
        @Option(names = "--magnets", description = "magnet pockets")
        boolean magnets;
        @Option(names = "--tongue", description = "tongue and groove")
        boolean tongue;
        @Option(names = "--plain", description = "plain faces (default)")
        boolean plain;

        RegistrationKind kind() {
            return pins ? RegistrationKind.PINS
                    : magnets ? RegistrationKind.MAGNETS : tongue ? RegistrationKind.TONGUE : RegistrationKind.PLAIN;
        }
    }

    @Override
    Map<String, Object> work() throws IOException {
        var room = beds().stream().map(b -> b.less(faces.kind().standsOutMm())).toList();
        var wanted = PlanAim.of("--aim", aim, spec);
        if (!(scale > 0.01 && scale < 50))
            throw new Refused("--scale " + scale + ": a scale lies between 0.01 and 50; 1.04 means 104 per cent.");
        var file = read(model);
        var mesh = mirror ? MirrorHalf.of(file.mesh(), true) : file.mesh();
        if (mesh.isEmpty()) throw new Refused(model + ": nothing lies on the right of the middle (x above 0); leave --mirror out.");
        var planned = switch (SectionPlanner.plan(mesh, scale, PlanWishes.of(room.toArray(Bed[]::new)), Progress.NONE, p -> {})) {
            case SectionPlanner.Outcome.Impossible i -> throw new Refused(i.why() + ".");
            case SectionPlanner.Outcome.Planned p -> p;
        };
        var plan = planned.best(wanted);
        var index = Bvh.of(mesh);
        var cuts = Sectioning.of(mesh, index, plan.tree(), MODEL, Letters.alone(), Progress.NONE);
        var wish = Registration.PLAIN.withUsual(faces.kind()).withMarks(marks, marks);
        var registered = Registrar.of(mesh, index, cuts, plan.tree(), scale, wish, Progress.NONE);
        SectionFiles.Written files;
        try {
            files = new SectionFiles(model.getFileName().toString(), scale, registered, Optional.empty()).write(out);
        } catch (IOException e) {
            throw unwritten(out, e);
        }
        var necks = Neck.of(cuts.sections(), plan.tree(), scale);
        var findings = new ArrayList<String>(otherUnit(file, mirror ? Bvh.of(file.mesh()) : index).stream().toList());
        necks.forEach(n -> n.finding(scale).ifPresent(f -> findings.add(f.words())));
        var document = document(registered, files, planned, plan, findings);
        document.put("nearly", Nearly.among(cuts, plan.tree(), scale, room, Progress.NONE).stream().map(CutCommand::figures).toList());
        document.put("necks", necks.stream().map(CutCommand::figures).toList());
        return document;
    }

    /** The one prop there is. */
    private static final String MODEL = "model";

    private Map<String, Object> document(Registered r, SectionFiles.Written files, SectionPlanner.Outcome.Planned planned, SectionPlan plan,
            List<String> findings) {
        var sections = r.sections();
        var room = beds();
        sections.findings().forEach(f -> findings.add(f.words()));
        r.findings().forEach(f -> findings.add(f.words()));
        r.refused().forEach(q -> findings.add(q.words()));
        findings.addAll(Alike.sentences(Alike.among(sections.sections())));
        var list = sections.sections().stream().map(s -> {
            var stand = room.stream()
                    .map(b -> TurnedFit.stand(s.mesh(), b))
                    .min(java.util.Comparator.comparingDouble(TurnedFit.Stand::overMm))
                    .orElseThrow();
            if (!stand.fits()) findings.add(String.format(Locale.ROOT,
                    "section %s is %.1f mm too large for the bed in any position: choose another plan with --aim", s.name(),
                    stand.overMm()));
            return map("name", s.name(), "file", files.bySection().get(s.name()).toString(), "triangles", s.mesh().triangleCount(),
                    "volumeMm3", s.mesh().volumeMm3(), "size", xyz(s.size()), "fits", stand.fits(), "closed", s.closed());
        }).toList();
        var seams = sections.seams()
                .stream()
                .map(s -> map("name", s.name(), "lengthMm", s.lengthMm(), "areaMm2", s.areaMm2(), "showLengthMm", s.showLengthMm(),
                        "registration", r.words(s.name())))
                .toList();
        var hardware = r.hardware().stream().map(h -> map("kind", h.kind().words(), "size", h.size(), "count", h.count())).toList();
        return map("sections", list, "seams", seams, "hardware", hardware, "plan",
                map("parts", sections.sections().size(), "atLeast", planned.atLeast(), "cutArea",
                        sections.seams().stream().mapToDouble(s -> s.areaMm2()).sum(), "score", plan.hours(), "aim", plan.name(), "planes",
                        plan.tree().planes().stream().map(p -> p.words()).toList(), "why",
                        plan.reasons().stream().map(SectionPlan.Reason::words).toList()),
                "plans", planned.plans().stream().map(CutCommand::figures).toList(), "files",
                files.all().stream().map(Path::toString).toList(), "findings", findings);
    }

    private static Map<String, Object> figures(SectionPlan p) {
        return map("aim", p.name(), "parts", p.sections(), "seamMm", p.seamMm(), "showSeamMm", p.showMm(), "printH", p.printH(), "joinH",
                p.joinH(), "smoothH", p.smoothH(), "supportH", p.supportH(), "cleanH", p.cleanH());
    }

    private static Map<String, Object> figures(Nearly n) {
        return map("sections", n.sections(), "scale", n.scale(), "share", n.share(), "leanDeg", n.leanDeg(), "cutsLess", n.cutsLess());
    }

    private static Map<String, Object> figures(Neck n) {
        return map("plane", n.plane().words(), "areaMm2", n.areaMm2(), "modulusMm3", n.modulusMm3(), "weaker", n.share(), "betterMm",
                n.betterMm().isPresent() ? n.betterMm().getAsDouble() : null);
    }

    private List<Bed> beds() {
        try {
            return beds.stream().map(Bed::parse).toList();
        } catch (IllegalArgumentException e) {
            throw new ParameterException(spec.commandLine(), e.getMessage());
        }
    }
}
