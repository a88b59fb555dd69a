package yellowbracket.cli;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.datatype.jdk8.Jdk8Module;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Optional;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import yellowbracket.shop.HeadMeasures;
import yellowbracket.shop.Wearer;

/** A wearer's card, or measures in the call. */
final class WhoWears {
    private static final List<String> KEYS = List.of("circ", "length", "breadth", "height", "face", "neck", "pupils");

    @Option(names = "--wearer", description = "a wearer's JSON file")
    Path card;

    @Option(names = "--head", description = "circ=575,length=195,breadth=153[,height=224], in mm")
    String head;

    /** @throws Refused for measures no head has */
    Wearer wearer(CommandSpec spec) {
        var w = card != null ? read(card) : parsed(spec);
        var wrong = w.head().check();
        if (!wrong.isEmpty()) throw new Refused(wrong.stream().map(HeadMeasures.Implausible::sentence).toList());
        return w;
    }

    private static Wearer read(Path file) {
        try {
            return new ObjectMapper().registerModule(new Jdk8Module()).readValue(Files.readString(file), Wearer.class);
        } catch (com.fasterxml.jackson.core.JsonProcessingException e) {
            throw new Refused(file.getFileName() + ": this is not a wearer's card (" + e.getOriginalMessage().split("\n")[0]
                    + "); it holds name, head, glasses, hairMm, bodyHeightMm.");
        } catch (IOException e) {
            throw new Refused(file.getFileName() + ": the wearer's card cannot be read; check the name and the folder.");
        }
    }

    private Wearer parsed(CommandSpec spec) {
        var m = new HashMap<String, Double>();
        for (var part : head.split(",")) {
            var kv = part.split("=");
            try {
                m.put(kv[0].strip(), Double.parseDouble(kv[1].strip()));
            } catch (NumberFormatException | ArrayIndexOutOfBoundsException e) {
                throw new ParameterException(spec.commandLine(),
                        "--head is written circ=575,length=195,breadth=153[,height=224], not \"" + head + "\"");
            }
        }
        var unknown = m.keySet().stream().filter(k -> !KEYS.contains(k)).findFirst();
        if (unknown.isPresent())
            throw new ParameterException(spec.commandLine(), "--head knows " + String.join(", ", KEYS) + ", not \"" + unknown.get() + "\"");
        if (!m.keySet().containsAll(List.of("circ", "length", "breadth")))
            throw new ParameterException(spec.commandLine(), "--head needs circ, length and breadth");
        try {
            var measures = new HeadMeasures(m.get("circ"), m.get("length"), m.get("breadth"), Optional.ofNullable(m.get("height")),
                    Optional.ofNullable(m.get("face")), Optional.ofNullable(m.get("neck")), Optional.ofNullable(m.get("pupils")));
            return new Wearer("wearer", measures, false, 0, Optional.empty(), Optional.empty(), Optional.empty());
        } catch (IllegalArgumentException e) {
            throw new Refused(e.getMessage() + ".");
        }
    }
}
