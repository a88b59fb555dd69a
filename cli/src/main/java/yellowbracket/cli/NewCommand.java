package yellowbracket.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import yellowbracket.cut.Bed;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.Letters;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.plan.PlanWishes;
import yellowbracket.cut.plan.SectionPlan;
import yellowbracket.cut.plan.SectionPlanner;
import yellowbracket.document.Build;
import yellowbracket.document.BuildFile;
import yellowbracket.document.Meshes;
import yellowbracket.document.Prop;
import yellowbracket.document.ShopFile;
import yellowbracket.intake.Intake;
import yellowbracket.intake.Stance;
import yellowbracket.mesh.Bodies;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.io.MeshFile;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Profile;
import yellowbracket.shop.Wearer;
import yellowbracket.size.Cavity;
import yellowbracket.size.Fit;
import yellowbracket.size.HeadForm;
import yellowbracket.smooth.Finish;
import yellowbracket.smooth.School;
import yellowbracket.smooth.SmoothWish;

/** Makes a build without the window, with the decisions stated; what is not stated is as for a mesh that is opened. */
@Command(name = "new", description = "make a build from models")
final class NewCommand extends Output {
    private static final String FIT = "fit";

    @Parameters(paramLabel = "MODEL", arity = "1..*", description = "mesh files, a prop each")
    List<Path> models;

    @Option(names = "--out", required = true, description = "the .bracket file to write")
    Path out;

    @Option(names = "--name", description = "the build's name")
    String name;

    @picocli.CommandLine.ArgGroup
    WhoWears who;

    @Option(names = "--scale", description = "1.04 for 104 per cent, or fit: what the head wants, for what is worn on it")
    String scale = "1";

    @Option(names = "--bed", description = "room on the bed, 220x220x250, mm; the printers of the catalogue if left out")
    String bed;

    @Option(names = "--cut", description = "which plan: work, fewest, hidden, support, whole (default ${DEFAULT-VALUE})")
    String cut = "work";

    @Option(names = "--profile", description = "a print profile of the catalogue")
    String profile = "usual";

    @Option(names = "--material", description = "a material of the catalogue")
    String material;

    @Option(names = "--layer", description = "layer height, mm")
    Double layer;

    @Option(names = "--infill", description = "share, 0.15 or 15")
    Double infill;

    @Option(names = "--finish", description = "far, arms_length, satin, gloss, mirror")
    Finish finish = Finish.SATIN;

    @Option(names = "--school", description = "fill_sand_prime, uv_resin_first, epoxy_shell, paste")
    School school = School.FILL_SAND_PRIME;

    @Option(names = "--zones", description = "a JSON file of colour zones")
    Path zones;

    @Option(names = "--due", description = "the day it must be ready, yyyy-mm-dd")
    LocalDate due;

    @Option(names = "--today", description = "the day it is started, yyyy-mm-dd")
    LocalDate today;

    private final Catalogue shop = Catalogue.builtIn();
    private final List<String> findings = new ArrayList<>();

    @Override
    Map<String, Object> work() {
        if (zones != null) throw new Refused("--zones: zones flooded over facets cannot be kept in a build yet; leave it out.");
        if (!BuildFile.isName(out)) throw new Refused(out + ": a build's file ends in .bracket.");
        var start = today == null ? LocalDateTime.now().withNano(0) : today.atTime(9, 0);
        if (due != null && due.isBefore(start.toLocalDate())) throw new Refused(
                "--due " + due + " lies before " + start.toLocalDate() + "; give a later day, or start earlier with " + "--today.");
        var printers = printers();
        var print = profile();
        var aim = PlanAim.of("--cut", cut, spec);
        var wearer = Optional.ofNullable(who).map(w -> w.wearer(spec));
        var build = Build.empty(start, ShopFile.fresh()).withName(name == null ? MeshFile.title(models.getFirst()) : name);
        build = build.withPrinters(printers);
        if (due != null) build = build.withDue("ready by", due.atTime(8, 0));
        if (wearer.isPresent()) build = build.with(wearer.get());
        var meshes = Meshes.NONE;
        var props = new ArrayList<Map<String, Object>>();
        for (var model : models) {
            var read = read(model);
            meshes = meshes.with(read.mesh());
            build = build.with(prop(read, model, build, wearer, print, aim));
            props.add(told(build.props().getLast(), read.mesh()));
        }
        try {
            BuildFile.write(out, build, meshes);
        } catch (IOException e) {
            throw unwritten(out, e);
        }
        return map("file", out.toString(), "props", props, "findings", List.copyOf(findings));
    }

    private List<Printer> printers() {
        if (bed == null) return shop.printers();
        try {
            var room = Bed.parse(bed);
            var printer = shop.printers() // as the catalogue's first but for its bed
                    .getFirst()
                    .with(p -> p.name("bed " + bed).bedX(room.x()).bedY(room.y()).bedZ(room.z()).marginMm(0).nozzleMm(layerNozzle()));
            if (!printer.check().isEmpty()) throw new Refused(printer.check());
            return List.of(printer);
        } catch (IllegalArgumentException e) {
            throw new ParameterException(spec.commandLine(), e.getMessage());
        }
    }

    private double layerNozzle() {
        return shop.profiles().stream().filter(p -> p.name().equals(profile)).findFirst().map(Profile::nozzleMm).orElse(0.4);
    }

    private Profile profile() {
        var p = shop.profiles()
                .stream()
                .filter(q -> q.name().equals(profile))
                .findFirst()
                .orElseThrow(() -> new Refused("--profile \"" + profile + "\" is not known: "
                        + String.join(", ", shop.profiles().stream().map(Profile::name).toList()) + "."));
        if (material != null) {
            var known = shop.materials().stream().filter(m -> m.name().equalsIgnoreCase(material)).findFirst();
            var names = shop.materials().stream().map(m -> m.name()).collect(Collectors.joining(", "));
            p = p.withMaterial(known.orElseThrow(() -> new Refused("--material " + material + " is not known: " + names + ".")).name());
        }
        if (layer != null) p = p.withLayerMm(layer);
        if (infill != null) p = p.withInfill(infill > 1 ? infill / 100 : infill);
        if (!p.check().isEmpty()) throw new Refused(p.check());
        return p;
    }

    private Prop prop(MeshFile.Read read, Path model, Build build, Optional<Wearer> wearer, Profile print, SectionPlan.Aim aim) {
        var stance = Stance.of(read.mesh(), read.unitDeclared());
        boolean sure = stance.sure() || !stance.differs(Intake.AS_IT_IS);
        var intake = stance.differs(Intake.AS_IT_IS) ? Intake.guessed(stance) : Intake.AS_IT_IS;
        String id = id(MeshFile.title(model), build);
        if (!sure) findings.add(id + ": unit and way up are guessed: in " + intake.unit().name() + "; " + stance.unitBecause() + "; "
                + stance.wayBecause());
        findings.addAll(read.notices().stream().map(n -> id + ": " + n).toList());
        boolean worn = wearer.isPresent() && stance.hollow();
        var used = intake.apply(read.mesh(), Progress.NONE);
        double s = scale(id, used, wearer.filter(w -> worn));
        var tree = tree(id, used, s, build.printers(), aim);
        var prop = Prop.fromFile(id, MeshFile.title(model), read.mesh().contentHash(),
                Letters.from(build.freeLetter(), Bodies.of(read.mesh()).count()), intake, print);
        return prop.withSize(prop.size().withScale(s).withWearers(worn ? List.of(wearer.get().name()) : List.of()))
                .withCut(prop.cut().withTree(tree))
                .withSmooth(SmoothWish.USUAL.withFinish(finish).withSchool(school));
    }

    /** Letters, digits and dashes of the title, told apart by a number where two are the same. */
    private static String id(String title, Build build) {
        String plain = title.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
        String base = plain.isEmpty() ? "prop" : plain;
        String id = base;
        for (int n = 2; build.prop(id).isPresent(); n++) id = base + "-" + n;
        return id;
    }

    private double scale(String id, Mesh mesh, Optional<Wearer> wearer) {
        if (!scale.equals(FIT)) {
            try {
                double s = Double.parseDouble(scale);
                if (s > 0.01 && s < 50) return s;
            } catch (NumberFormatException e) {
                throw new ParameterException(spec.commandLine(), "--scale is a number such as 1.04, or fit; not \"" + scale + "\"");
            }
            throw new Refused("--scale " + scale + ": a scale lies between 0.01 and 50; 1.04 means 104 per cent.");
        }
        if (wearer.isEmpty()) {
            findings.add(id + ": nobody wears it, so its scale stays 100 %");
            return 1;
        }
        var cavity = Cavity.of(mesh, Bvh.of(mesh));
        if (!cavity.holdsAHead()) {
            findings.add(id + ": no hollow for a head was found, so its scale stays 100 %");
            return 1;
        }
        var form = HeadForm.of(wearer.get());
        return Fit.scales(Fit.room(wearer.get(), List.of(), form, cavity), form, cavity, Progress.NONE).recommended();
    }

    private CutTree tree(String id, Mesh mesh, double s, List<Printer> printers, SectionPlan.Aim aim) {
        if (aim == SectionPlan.Aim.WHOLE) return CutTree.WHOLE;
        var beds = printers.stream().map(Bed::of).toArray(Bed[]::new);
        return switch (SectionPlanner.plan(mesh, s, PlanWishes.of(beds), Progress.NONE, p -> {})) {
            case SectionPlanner.Outcome.Impossible i -> {
                findings.add(id + ": it stays whole; " + i.why());
                yield CutTree.WHOLE;
            }
            case SectionPlanner.Outcome.Planned p -> p.best(aim).tree();
        };
    }

    private static Map<String, Object> told(Prop p, Mesh file) {
        var mesh = p.intake().apply(file, Progress.NONE);
        var sections = Sectioning.of(mesh, Bvh.of(mesh), p.cut().tree(), p.id(), p.letters(), Progress.NONE).sections();
        return map("id", p.id(), "name", p.name(), "scale", p.scale(), "sections", sections.stream().map(q -> q.name()).toList());
    }
}
