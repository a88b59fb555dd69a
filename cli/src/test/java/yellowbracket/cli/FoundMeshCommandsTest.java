package yellowbracket.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.demo.FoundLantern;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.io.MeshFile;
import yellowbracket.mesh.io.MeshWriter.Kind;
import yellowbracket.mesh.io.MeshWriter;
import yellowbracket.mesh.io.StlWriter;

/** {@code yb check} and {@code yb convert} on models as they are found. */
class FoundMeshCommandsTest {
    @TempDir
    Path dir;
    private final StringWriter out = new StringWriter();
    private final StringWriter err = new StringWriter();

    private int yb(Object... args) {
        return Main.run(new PrintWriter(out, true), new PrintWriter(err, true),
                java.util.Arrays.stream(args).map(Object::toString).toArray(String[]::new));
    }

    private Path lantern(Kind kind) throws Exception {
        var file = dir.resolve("lantern." + kind.ending());
        MeshWriter.write(List.of(new MeshWriter.Named("lantern", FoundLantern.mesh())), kind, file);
        return file;
    }

    @Test
    void checkNamesEveryFaultOfAFoundModel() throws Exception {
        assertThat(yb("check", lantern(Kind.OBJ), "--json")).isZero();
        var j = new ObjectMapper().readTree(out.toString());
        assertThat(j.get("bodies")).hasSize(FoundLantern.BODIES);
        assertThat(j.get("closed").asBoolean()).isFalse();
        assertThat(j.get("boundaryEdges").asInt()).isEqualTo(14);
        assertThat(j.get("duplicateTriangles").asInt()).isEqualTo(6);
        assertThat(j.get("flippedBodies").asInt()).isEqualTo(1);
        assertThat(j.get("overlaps").asInt()).isGreaterThan(4);
        assertThat(j.get("unit").asText()).as("guessed from its size").isEqualTo("cm");
        assertThat(j.get("findings").toString()).contains("open edges", "duplicate triangle", "inside out", "run through each other",
                "looks as if it were in cm");
    }

    @Test
    void aSoundModelHasNoFindings() throws Exception {
        var file = dir.resolve("torus.ply");
        MeshWriter.write(List.of(new MeshWriter.Named("torus", Shapes.torus(90, 30, 60, 30))), Kind.PLY, file);
        assertThat(yb("check", file, "--json")).isZero();
        var j = new ObjectMapper().readTree(out.toString());
        assertThat(j.get("findings")).isEmpty();
        assertThat(j.get("unit").asText()).isEqualTo("mm");
    }

    @Test
    void aDeclaredUnitIsReportedAsMillimetres() throws Exception {
        assertThat(yb("check", lantern(Kind.THREE_MF), "--json")).isZero();
        assertThat(new ObjectMapper().readTree(out.toString()).get("unit").asText()).isEqualTo("mm");
    }

    @ParameterizedTest
    @ValueSource(strings = {"x.obj", "x.ply", "x.3mf", "x.stl"})
    void convertKeepsEveryTriangle(String name) throws Exception {
        var to = dir.resolve("sub").resolve(name);
        assertThat(yb("convert", lantern(Kind.STL), to, "--json")).as(err.toString()).isZero();
        assertThat(new ObjectMapper().readTree(out.toString()).get("triangles").asInt()).isEqualTo(FoundLantern.mesh().triangleCount());
        var back = ((MeshFile.Read) MeshFile.read(to, Progress.NONE)).mesh();
        assertThat(back.contentHash()).isEqualTo(((MeshFile.Read) MeshFile.read(lantern(Kind.STL), Progress.NONE)).mesh().contentHash());
    }

    @Test
    void wrongUseAndRefusedInputAreToldApart() throws Exception {
        assertThat(yb("convert", lantern(Kind.STL), dir.resolve("x.step"))).isEqualTo(2);
        assertThat(err.toString()).contains("must end in .stl, .obj, .ply or .3mf");
        assertThat(yb("check", dir.resolve("none.ply"))).isEqualTo(1);
        var bad = dir.resolve("bad.ply");
        Files.writeString(bad, "ply\nformat ascii 1.0\nelement vertex 9\nend_header\n");
        assertThat(yb("check", bad)).isEqualTo(1);
        assertThat(err.toString().lines().reduce((a, b) -> b).orElseThrow()).startsWith("bad.ply: ").endsWith(".");
        var blocked = Files.createFile(dir.resolve("file"));
        assertThat(yb("convert", lantern(Kind.STL), blocked.resolve("x.stl"))).isEqualTo(1);
        assertThat(err.toString()).contains("choose another place").doesNotContain("Exception");
    }

    /** A million triangles in a process with half a gigabyte. */
    @Test
    void aMillionTrianglesAreCheckedInHalfAGigabyte() throws Exception {
        var file = dir.resolve("million.stl");
        StlWriter.write(Shapes.bumpySphere(150, 1_000_000), "million", file);
        var java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
        var process = new ProcessBuilder(java, "-Xmx512m", "-cp", System.getProperty("java.class.path"), "yellowbracket.cli.Main", "check",
                file.toString(), "--json").redirectErrorStream(true).redirectOutput(dir.resolve("out.json").toFile()).start();
        assertThat(process.waitFor(180, TimeUnit.SECONDS)).isTrue();
        assertThat(process.exitValue()).as(Files.readString(dir.resolve("out.json"))).isZero();
        var j = new ObjectMapper().readTree(Files.readString(dir.resolve("out.json")));
        assertThat(j.get("closed").asBoolean()).isTrue();
        assertThat(j.get("triangles").asInt()).isGreaterThan(990_000);
    }
}
