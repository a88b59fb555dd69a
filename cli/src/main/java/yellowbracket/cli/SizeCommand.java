package yellowbracket.cli;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import yellowbracket.mesh.Bvh;
import yellowbracket.mesh.Progress;
import yellowbracket.shop.HeadMeasures;
import yellowbracket.shop.Wearer;
import yellowbracket.size.Cavity;
import yellowbracket.size.Fit;
import yellowbracket.size.HeadForm;

@Command(name = "size", description = "does it fit this head, at which scale")
final class SizeCommand extends Output {
    @Parameters(paramLabel = "MODEL", description = "a mesh file of a helm")
    Path model;

    @ArgGroup(multiplicity = "1")
    Who who;

    @Option(names = "--scale", description = "scale to judge, 1.04 for 104 per cent; the recommended one if left out")
    Double scale;

    /** A wearer's card, or measures in the call. */
    static final class Who {
        @Option(names = "--wearer", description = "a wearer's JSON file")
        Path wearer;

        @Option(names = "--head", description = "circ=575,length=195,breadth=153[,height=224], in mm")
        String head;
    }

    @Override
    Map<String, Object> work() {
        var wearer = who.wearer != null ? card(who.wearer) : measures(who.head);
        var wrong = wearer.head().check();
        if (!wrong.isEmpty()) throw new Refused(wrong.stream().map(HeadMeasures.Implausible::sentence).toList());
        if (scale != null && !(scale > 0.01 && scale < 50)) throw new Refused("--scale " + scale + ": a scale lies between 0.01 and 50; 1.04 means 104 per cent.");
        var mesh = mesh(model);
        var cavity = Cavity.of(mesh, Bvh.of(mesh));
        if (!cavity.holdsAHead()) throw new Refused(model.getFileName() + ": no hollow for a head was found; check which way is up (z) and that it is in millimetres.");
        var form = HeadForm.of(wearer.head());
        var scales = Fit.scales(wearer, form, cavity, Progress.NONE);
        var fit = Fit.of(wearer, form, cavity, scale == null ? scales.recommended() : scale, scales);
        var zones = fit.clearance().zones().stream().map(z -> map("name", z.zone().label(), "minMm", z.minMm(), "medianMm", z.medianMm())).toList();
        var neck = fit.neck();
        var path = List.of(map("tiltDeg", neck.tiltDeg(), "forwardMm", neck.shiftMm(), "tightestZMm", neck.tightestZ(), "at", neck.tightestAt()));
        var v = fit.vision();
        return map("scale", map("used", fit.scale(), "recommended", scales.recommended(), "lowest", scales.lowest(), "highest", scales.highest(), "lowestBecause", scales.lowestBecause(), "recommendedBecause", scales.recommendedBecause()),
                "clearance", map("zones", zones), "passes", map("ok", neck.passes(), "spareMm", neck.spareMm(), "path", path),
                "vision", map("leftDeg", v.leftDeg(), "rightDeg", v.rightDeg(), "upDeg", v.upDeg(), "downDeg", v.downDeg(), "floorFromM", v.floorFromM(), "openShare", v.openShare()),
                "pose", map("forwardMm", fit.pose().forwardMm(), "upMm", fit.pose().upMm(), "pitchDeg", fit.pose().pitchDeg()),
                "findings", fit.findings().stream().map(f -> f.weight().name().toLowerCase(java.util.Locale.ROOT) + ": " + f.words()).toList());
    }

    private static Wearer card(Path file) {
        try {
            return new ObjectMapper().registerModule(new Jdk8Module()).readValue(Files.readString(file), Wearer.class);
        } catch (com.fasterxml.jackson.core.JsonProcessingException e) {
            throw new Refused(file.getFileName() + ": this is no wearer's card (" + e.getOriginalMessage().split("\n")[0] + "); it holds name, head, glasses, hairMm, bodyHeightMm.");
        } catch (IOException e) {
            throw new Refused(file.getFileName() + ": the wearer's card cannot be read; check the name and the folder.");
        }
    }

    private Wearer measures(String text) {
        var m = new HashMap<String, Double>();
        for (var part : text.split(",")) {
            var kv = part.split("=");
            try {
                m.put(kv[0].strip(), Double.parseDouble(kv[1].strip()));
            } catch (NumberFormatException | ArrayIndexOutOfBoundsException e) {
                throw new ParameterException(spec.commandLine(), "--head is written circ=575,length=195,breadth=153[,height=224], not \"" + text + "\"");
            }
        }
        if (!m.keySet().containsAll(List.of("circ", "length", "breadth"))) throw new ParameterException(spec.commandLine(), "--head needs circ, length and breadth");
        var head = new HeadMeasures(m.get("circ"), m.get("length"), m.get("breadth"), Optional.ofNullable(m.get("height")), Optional.ofNullable(m.get("face")), Optional.ofNullable(m.get("neck")), Optional.ofNullable(m.get("pupils")));
        return new Wearer("wearer", head, false, 0, 1720);
    }
}
