package yellowbracket.cli;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import java.io.IOException;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import yellowbracket.intake.FileUnit;
import yellowbracket.intake.Stance;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.io.MeshFile;
import yellowbracket.mesh.io.WriteProblem;

/** What all commands share: {@code --json}, reading a mesh, printing one document. */
abstract class Output implements Callable<Integer> {
    private static final ObjectMapper MAPPER = new ObjectMapper().enable(SerializationFeature.INDENT_OUTPUT);

    @Option(names = "--json", description = "print one JSON document and nothing else")
    boolean json;

    @Spec
    CommandSpec spec;

    /** The document, in the order of its keys; findings are lines for standard error in text mode. */
    abstract Map<String, Object> work() throws Exception;

    @Override
    public final Integer call() throws Exception {
        var document = work();
        var out = spec.commandLine().getOut();
        if (json) out.println(text(document));
        else print("", document, out);
        out.flush();
        return 0;
    }

    static Refused unwritten(Path out, IOException e) {
        return new Refused(out + " cannot be written: " + WriteProblem.words(e) + "; nothing there was changed, choose another place.");
    }

    /** A line for people beside the document. */
    final void remark(String line) {
        spec.commandLine().getErr().println(line);
    }

    private static String text(Object document) throws JsonProcessingException {
        return MAPPER.writeValueAsString(document);
    }

    private static void print(String indent, Object value, java.io.PrintWriter out) {
        if (value instanceof Map<?, ?> map) map.forEach((k, v) -> {
            boolean nested = v instanceof Map || v instanceof List<?> l && l.stream().anyMatch(x -> x instanceof Map);
            out.println(indent + k + (nested ? ":" : ": " + plain(v)));
            if (nested) print(indent + "  ", v, out);
        });
        else if (value instanceof List<?> list) list.forEach(v -> {
            if (v instanceof Map<?, ?> m) out.println(
                    indent + "- " + String.join(", ", m.entrySet().stream().map(e -> e.getKey() + " " + plain(e.getValue())).toList()));
            else out.println(indent + "- " + plain(v));
        });
    }

    private static String plain(Object v) {
        if (v instanceof Double d)
            return Double.isInfinite(d) ? "none" : String.format(Locale.ROOT, Math.abs(d) >= 1000 ? "%.0f" : "%.4g", d);
        if (v instanceof List<?> l) return l.isEmpty() ? "none" : String.join("; ", l.stream().map(Output::plain).toList());
        if (v instanceof Map<?, ?> m)
            return String.join(" ", m.entrySet().stream().map(e -> e.getKey() + " " + plain(e.getValue())).toList());
        return String.valueOf(v);
    }

    static Map<String, Object> map(Object... pairs) {
        var m = new LinkedHashMap<String, Object>();
        for (int i = 0; i < pairs.length; i += 2) m.put((String) pairs[i], finite(pairs[i + 1]));
        return m;
    }

    /** JSON has no infinity and no NaN: null says that there is none. */
    private static Object finite(Object v) {
        return v instanceof Double d && !Double.isFinite(d) ? null : v;
    }

    static Map<String, Object> xyz(Vec3 v) {
        return map("x", v.x(), "y", v.y(), "z", v.z());
    }

    static MeshFile.Read read(Path file) {
        return switch (MeshFile.read(file, Progress.NONE)) {
            case MeshFile.Refused r -> throw new Refused(r.problem().sentence());
            case MeshFile.Read r -> r;
        };
    }

    /** Said where lengths of a file are taken for mm and its size speaks against it. */
    static Optional<String> otherUnit(MeshFile.Read read, Bvh index) {
        var stance = Stance.of(read.mesh(), index, read.unitDeclared());
        return stance.unit().equals(FileUnit.MM) ? Optional.empty()
                : Optional.of("taken as mm, but it looks as if it were in " + stance.unit().name() + ": " + stance.unitBecause());
    }
}
