package yellowbracket.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import yellowbracket.cut.Bed;
import yellowbracket.cut.Section;
import yellowbracket.cut.TurnedFit;
import yellowbracket.export.SectionFiles;
import yellowbracket.finding.Finding;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.io.MeshWriter;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.mesh.repair.MeshHealth;
import yellowbracket.print.CleanUp;
import yellowbracket.print.Orientation;
import yellowbracket.print.Hollows;
import yellowbracket.print.LayerBands;
import yellowbracket.print.Layers;
import yellowbracket.print.PrintChecks;
import yellowbracket.print.PrintPlan;
import yellowbracket.print.PrintRules;
import yellowbracket.print.SectionPrint;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Process;
import yellowbracket.shop.Profile;
import yellowbracket.work.SectionId;

@Command(name = "print", description = "which way up, how long, how heavy")
final class PrintCommand extends Output {
    private static final int SAMPLES = 1400;

    @Parameters(paramLabel = "DIR-or-STL", arity = "1..*", description = "STL files, or folders of them")
    List<Path> inputs;

    @Option(names = "--bed", required = true, description = "room on the bed, 220x220x250, mm")
    String bed;

    @Option(names = "--layer", description = "layer height, mm (default ${DEFAULT-VALUE})", defaultValue = "0.2")
    double layer;

    @Option(names = "--nozzle", description = "nozzle, mm (default ${DEFAULT-VALUE})", defaultValue = "0.4")
    double nozzle;

    @Option(names = "--walls", description = "walls (default ${DEFAULT-VALUE})", defaultValue = "3")
    int walls;

    @Option(names = "--infill", description = "infill 0..1 or per cent (default ${DEFAULT-VALUE})", defaultValue = "0.15")
    double infill;

    @Option(names = "--material", description = "PLA, PETG, ABS, ASA, HIPS, or resin (default ${DEFAULT-VALUE})", defaultValue = "PLA")
    String material;

    @Option(names = "--profile", description = "a profile by name, such as \"resin, fine\", instead of the other choices")
    String named;

    @Override
    Map<String, Object> work() {
        Bed room;
        try {
            room = Bed.parse(bed);
        } catch (IllegalArgumentException e) {
            throw new ParameterException(spec.commandLine(), e.getMessage());
        }
        var shop = Catalogue.builtIn();
        var profile = profile(shop);
        var wrong = new ArrayList<>(profile.check());
        if (!wrong.isEmpty()) throw new Refused(wrong);
        var printer = Printer.of("bed " + bed, room.x(), room.y(), room.z(), 0, nozzle, 110, 0.0025, 0.12).withProcess(profile.process());
        var sections = new ArrayList<Section>();
        var remarks = new ArrayList<String>();
        var choices = new HashMap<String, List<Orientation>>();
        var seen = new HashMap<String, boolean[]>();
        var samplesOf = new HashMap<String, SurfaceSamples>();
        for (var file : files()) {
            var read = read(file);
            var mesh = read.mesh();
            String name = file.getFileName()
                    .toString()
                    .replaceFirst("\\.[^.]*$", "")
                    .replaceFirst("^section-", "")
                    .replaceAll("[/+:]", "-");
            var index = Bvh.of(mesh);
            otherUnit(read, index).ifPresent(w -> remarks.add(file.getFileName() + ": " + w));
            sections.add(new Section(new SectionId("files", name), mesh, MeshHealth.balanced(mesh)));
            var samples = SurfaceSamples.of(mesh, index, SAMPLES);
            var ways = new ArrayList<>(Orientation.choices(mesh, samples, profile));
            if (ways.stream().noneMatch(o -> o.fits(1, printer)))
                TurnedFit.stand(mesh, room).turn().ifPresent(t -> ways.add(Orientation.of(mesh, samples, profile, t)));
            choices.put(name, ways);
            seen.put(name, samples.seenByFacet(mesh));
            samplesOf.put(name, samples);
        }
        var plan = PrintPlan.of(sections, choices, 1, profile, List.of(printer), shop);
        var checks = new HashMap<String, PrintChecks>();
        for (var s : sections) checks.put(s.name(), PrintChecks.of(s.mesh(), plan.print(s.name()), seen.get(s.name()), 1));
        checks.values().forEach(c -> c.findings().forEach(f -> remarks.add(f.words())));
        var list = plan.prints()
                .stream()
                .map(p -> map("name", p.name(), "orientation", p.orientation().label(), "hours", p.hours(), "grams", p.estimate().grams(),
                        "supportGrams", p.estimate().supportGrams(), "heightMm", p.orientation().size().z(), "cuspMm",
                        map("p50", p.cusp50Um() / 1000, "p95", p.cusp95Um() / 1000), "layers", p.estimate().layers(), "fits", p.fits(),
                        "metres", p.estimate().metres(), "cost", p.estimate().cost(), "expectedHours", p.expectedHours(), "timeH",
                        map("walls", p.estimate().wallHours(), "infill", p.estimate().infillHours(), "support", p.estimate().supportHours(),
                                "other", p.estimate().otherHours()),
                        "supportMm2", map("contact", p.orientation().contactMm2(), "seen", p.orientation().showContactMm2()), "support",
                        support(checks.get(p.name())), "thin", thin(checks.get(p.name())), "drain", drain(checks.get(p.name())), "bands",
                        bands(p, sections, samplesOf, shop), "cleanUpH", CleanUp.of(p, shop).hours()))
                .toList();
        return map("sections", list, "total",
                map("hours", plan.hours(), "expectedHours", plan.expectedHours(), "grams", plan.grams(), "cost", plan.cost()), "findings",
                Stream.concat(remarks.stream(), findings(plan, shop).stream()).toList());
    }

    /** As stated, or by its name. @throws Refused for what the catalogue does not know */
    private Profile profile(Catalogue shop) {
        if (named != null) {
            var names = shop.profiles().stream().map(Profile::name).toList();
            if (!names.contains(named)) throw new Refused("profile " + named + " is not known: " + String.join("; ", names) + ".");
            return shop.profile(named);
        }
        if (material.equalsIgnoreCase("resin")) {
            var fine = shop.profiles().stream().filter(p -> p.process() == Process.RESIN).findFirst().orElseThrow();
            return spec.commandLine().getParseResult().hasMatchedOption("--layer") ? fine.withLayerMm(layer) : fine;
        }
        var filaments = shop.materials().stream().filter(m -> m.process() == Process.FILAMENT).map(m -> m.name()).toList();
        String upper = material.toUpperCase(java.util.Locale.ROOT);
        if (!filaments.contains(upper))
            throw new Refused("material " + material + " is not known: " + String.join(", ", filaments) + ", resin.");
        return Profile.of("as stated", upper, layer, nozzle, walls, infill > 1 ? infill / 100 : infill);
    }

    private static Map<String, Object> support(PrintChecks c) {
        return map("unreachable", c.support().unreachableMm2(), "fragile", c.support().fragileMm2());
    }

    private static Map<String, Object> thin(PrintChecks c) {
        return map("lostMm2", c.thin().lostMm2(), "weakMm2", c.thin().weakMm2(), "closedMm2", c.thin().closedMm2());
    }

    /** Layers by height that print and smooth quickest, with smoothing as it usually is; none for resin. */
    private static Map<String, Object> bands(SectionPrint p, List<Section> sections, Map<String, SurfaceSamples> samples, Catalogue shop) {
        var mesh = sections.stream().filter(s -> s.name().equals(p.name())).findFirst().orElseThrow().mesh();
        var b = LayerBands.propose(Layers.of(mesh, p.orientation().turn(), p.profile().layerMm()), samples.get(p.name()), p.orientation(),
                p.profile(), shop.material(p.profile().material()), p.printer(), LayerBands.USUAL_SMOOTH_H_MM3);
        return map("addedH", b.addedH(), "savedH", b.savedH(), "list",
                b.bands().stream().map(q -> map("fromMm", q.fromMm(), "toMm", q.toMm(), "layerMm", q.layerMm())).toList());
    }

    /** Null for filament. */
    private static Map<String, Object> drain(PrintChecks c) {
        return c.hollows()
                .map(h -> map("hollows",
                        h.list()
                                .stream()
                                .map(q -> map("ml", q.volumeMm3() / 1000, "holesMm",
                                        q.holes().stream().map(Hollows.Hole::diameterMm).toList(), "drains", q.drains()))
                                .toList(),
                        "cupsMm2", h.cups().stream().map(Hollows.Cup::areaMm2).toList(), "hangingMl", h.hangingMm3() / 1000))
                .orElse(null);
    }

    /** What fits no bed, then the rules that speak. */
    private static List<String> findings(PrintPlan plan, Catalogue shop) {
        return Stream.concat(plan.findings().stream(), PrintRules.of(plan.prints(), shop, false, List.of()).stream())
                .map(Finding::words)
                .toList();
    }

    private List<Path> files() {
        var out = new ArrayList<Path>();
        for (var p : inputs) {
            if (!Files.isDirectory(p)) {
                out.add(p);
                continue;
            }
            try (var inside = Files.list(p)) {
                // the file with all sections would count each of them twice
                inside.filter(f -> MeshWriter.Kind.of(f).isPresent() && !f.endsWith(SectionFiles.ALL)).sorted().forEach(out::add);
            } catch (IOException e) {
                throw new Refused(p + ": the folder cannot be read; check its permissions.");
            }
        }
        if (out.isEmpty()) throw new Refused("no mesh file in " + inputs.getFirst() + "; name files, or a folder that holds some.");
        return out;
    }
}
