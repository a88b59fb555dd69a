package yellowbracket.cli;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import yellowbracket.finding.Finding;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.Cylinders;
import yellowbracket.mesh.repair.MeshHealth;
import yellowbracket.shop.Wearer;
import yellowbracket.size.Carry;
import yellowbracket.size.Cavity;
import yellowbracket.size.Donning;
import yellowbracket.size.Glasses;
import yellowbracket.size.Hardware;
import yellowbracket.size.HeadForm;
import yellowbracket.size.KeyHeight;
import yellowbracket.size.MaskFit;
import yellowbracket.size.Pose;
import yellowbracket.size.Remedy;
import yellowbracket.size.Speech;

@Command(name = "size", description = "does it fit this head, at which scale, does the head go in, what is seen")
final class SizeCommand extends OnAHead {
    @Option(names = "--as", description = "${COMPLETION-CANDIDATES}; helm if left out")
    Kind as;

    @Option(names = "--glasses", description = "the wearer keeps glasses on")
    boolean glasses;

    /** How the thing is worn. */
    enum Kind { HELM, MASK, PROP }

    @Override
    Map<String, Object> work() {
        var wearer = glasses ? wearer().withGlasses(true) : wearer();
        var worn = worn();
        var told = switch (as == null ? Kind.HELM : as) {
            case HELM -> helm(wearer, worn.mesh(), Cavity.of(worn.mesh(), worn.index()));
            case MASK -> mask(wearer, worn.mesh(), worn.index());
            case PROP -> prop(wearer, worn.mesh(), worn.index());
        };
        var out = new LinkedHashMap<>(told);
        double used = (double) ((Map<?, ?>) told.get("scale")).get("used");
        out.put("keyHeights",
                KeyHeight.of(worn.mesh().bounds(), List.of(), hollow(worn), used)
                        .stream()
                        .map(h -> map("name", h.name(), "mm", h.mm(), "inch", h.inch()))
                        .toList());
        out.put("factor", KeyHeight.factor(used));
        out.put("findings", Stream.concat(worn.remarks().stream(), ((List<?>) told.get("findings")).stream()).toList());
        return out;
    }

    private Optional<Cavity> hollow(Worn worn) {
        return as == null || as == Kind.HELM ? Optional.of(Cavity.of(worn.mesh(), worn.index())) : Optional.empty();
    }

    private Map<String, Object> helm(Wearer wearer, Mesh mesh, Cavity cavity) {
        var judged = judged(wearer, cavity, as == null ? ", or say --as mask or --as prop" : "");
        var fit = judged.fit();
        var scales = judged.scales();
        var donning = judged.donning();
        var remedies = Remedy.of(judged.field(), cavity, fit.scale(), donning, Progress.NONE);
        var zones = fit.clearance()
                .zones()
                .stream()
                .map(z -> map("name", z.zone().label(), "minMm", z.minMm(), "medianMm", z.medianMm(), "wantedMm",
                        fit.room().leastMm(z.zone())))
                .toList();
        var v = fit.vision();
        var findings = new java.util.ArrayList<String>();
        if (!donning.passes()) findings.add("stop: " + donning.words());
        if (!MeshHealth.of(mesh).closed()) findings.add(
                "care: in doubt: the mesh is not closed, so clearance counts from whatever surface a ray meets first; yb check tells more");
        fit.findings().forEach(f -> findings.add(line(f)));
        return map("scale",
                map("used", fit.scale(), "recommended", scales.recommended(), "lowest", scales.lowest(), "highest", scales.highest(),
                        "lowestBecause", scales.lowestBecause(), "recommendedBecause", scales.recommendedBecause(), "highestBecause",
                        scales.highestBecause()),
                "clearance", map("zones", zones), "passes",
                map("ok", donning.passes(), "spareMm", donning.spareMm(), "words", donning.words(), "path",
                        donning.path().stream().map(s -> step(s, fit.pose())).toList(), "remedies",
                        remedies.stream().map(Remedy::words).toList()),
                "vision",
                map("leftDeg", v.leftDeg(), "rightDeg", v.rightDeg(), "upDeg", v.upDeg(), "downDeg", v.downDeg(), "floorFromM",
                        v.floorFromM(), "openShare", v.openShare(), "bothShare", v.bothShare(), "eyesUpMm", v.eyesUpMm()),
                "air", map("openCm2", fit.air().openCm2()), "speech", speech(fit.speech()), "glasses", glasses(fit.glasses()), "pose",
                pose(fit.pose()), "hardware", hardware(mesh, cavity.index(), fit.scale()), "findings", findings);
    }

    /** Heights count from where the prop is worn: the head is that far below. */
    private static Map<String, Object> step(Donning.Step s, Pose worn) {
        return map("belowMm", worn.upMm() - s.pose().upMm(), "forwardMm", s.pose().forwardMm() - worn.forwardMm(), "tiltDeg",
                s.pose().pitchDeg() - worn.pitchDeg(), "roomMm", s.roomMm());
    }

    private static Map<String, Object> pose(Pose p) {
        return map("forwardMm", p.forwardMm(), "upMm", p.upMm(), "pitchDeg", p.pitchDeg());
    }

    private static Map<String, Object> speech(Speech s) {
        return map("opensMm", s.opensMm(), "wantedMm", Speech.WANTED_MM, "openCm2", s.openCm2());
    }

    /** Null for somebody who wears none. */
    private static Map<String, Object> glasses(Optional<Glasses> glasses) {
        return glasses.map(g -> map("lensMm", g.lensMm(), "armsMm", g.armsMm(), "wantedMm", Glasses.WANTED_MM)).orElse(null);
    }

    private static List<Map<String, Object>> hardware(Mesh mesh, Bvh index, double scale) {
        return Hardware.after(Cylinders.of(mesh, index, Progress.NONE), scale)
                .stream()
                .map(h -> map("what", h.words(), "diameterMm", h.diameterMm(), "depthMm", h.lengthMm(), "part", h.part(), "fits", h.fits(),
                        "advice", h.advice()))
                .toList();
    }

    private static String line(Finding f) {
        return f.weight().name().toLowerCase(Locale.ROOT) + ": " + f.words();
    }

    private Map<String, Object> mask(Wearer wearer, Mesh mesh, Bvh index) {
        var form = HeadForm.of(wearer);
        MaskFit fit;
        double recommended;
        try {
            var read = MaskFit.Read.of(mesh, index);
            boolean asItIs = MaskFit.of(wearer, form, read, index, 1).eyes().map(MaskFit.Eyes::wellPlaced).orElse(true);
            recommended = asItIs ? 1 : read.scaleFor(form).orElse(1.0);
            fit = MaskFit.of(wearer, form, read, index, scale == null ? recommended : scale);
        } catch (IllegalArgumentException | IllegalStateException e) {
            throw new Refused(model.getFileName() + ": " + e.getMessage() + ".");
        }
        var eyes = fit.eyes()
                .map(e -> map("apartMm", e.apartMm(), "wideMm", e.wideMm(), "highMm", e.highMm(), "offMm", e.offMm()))
                .orElse(map());
        return map("scale", map("used", fit.scale(), "recommended", recommended), "mask",
                map("rimTouching", fit.rimTouching(), "rimGapMm", fit.rimGapMm(), "rimGapAt", xyz(fit.rimGapAt()), "touchesAt",
                        fit.touchesAt().label(), "eyes", eyes, "straps", fit.straps().stream().map(Output::xyz).toList()),
                "speech", speech(fit.speech()), "glasses", glasses(fit.glasses()), "pose", pose(fit.pose()), "hardware",
                hardware(mesh, index, fit.scale()), "findings", fit.findings().stream().map(SizeCommand::line).toList());
    }

    private Map<String, Object> prop(Wearer wearer, Mesh mesh, Bvh index) {
        double s = scale == null ? 1 : scale;
        var c = Carry.of(mesh, index, s, wearer);
        return map("scale", map("used", s), "carry",
                map("lengthMm", c.lengthMm(), "balanceMm", c.balanceMm(), "gripAtMm", c.gripAtMm(), "gripThickMm", c.gripThickMm(),
                        "handHeightMm", c.handHeightMm(), "shoulderMm", c.shoulderMm(), "upReachMm", c.upReachMm(), "forwardReachMm",
                        c.forwardReachMm()),
                "hardware", hardware(mesh, index, s), "findings", c.findings().stream().map(SizeCommand::line).toList());
    }
}
