package yellowbracket.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayOutputStream;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.zip.GZIPOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.io.MeshWriter.Kind;
import yellowbracket.mesh.io.MeshWriter;

/** Every command that takes a model takes it in every format, and says the same of it. */
class AnyFormatTest {
    private static final Mesh SHELF = Shapes.box(Vec3.ZERO, new Vec3(300, 90, 40));

    @TempDir
    Path dir;

    private JsonNode yb(Object... args) throws Exception {
        var out = new StringWriter();
        var err = new StringWriter();
        int exit = Main.run(new PrintWriter(out, true), new PrintWriter(err, true),
                java.util.Arrays.stream(args).map(Object::toString).toArray(String[]::new));
        assertThat(exit).as(err.toString()).isZero();
        return new ObjectMapper().readTree(out.toString());
    }

    private Path written(Kind kind, Mesh m) throws Exception {
        var file = dir.resolve("model." + kind.ending());
        MeshWriter.write(List.of(new MeshWriter.Named("model", m)), kind, file);
        return file;
    }

    @ParameterizedTest
    @EnumSource(Kind.class)
    void cutsTheSame(Kind kind) throws Exception {
        var j = yb("cut", written(kind, SHELF), "--scale", "1", "--bed", "180x180x180", "--out", dir.resolve("out"), "--json");
        assertThat(j.get("sections")).hasSize(2);
        double volume = 0;
        for (var s : j.get("sections")) {
            assertThat(s.get("closed").asBoolean()).isTrue();
            assertThat(s.get("fits").asBoolean()).isTrue();
            volume += s.get("volumeMm3").asDouble();
        }
        assertThat(volume).isCloseTo(SHELF.volumeMm3(), within(1e-3));
        assertThat(j.get("seams").get(0).get("areaMm2").asDouble()).isCloseTo(90 * 40, within(1e-3));
    }

    @ParameterizedTest
    @EnumSource(Kind.class)
    void printsTheSame(Kind kind) throws Exception {
        var j = yb("print", written(kind, Shapes.tube(40, 36, 0, 60, 64)), "--bed", "220x220x250", "--layer", "0.2", "--json");
        var first = j.get("sections").get(0);
        assertThat(first.get("heightMm").asDouble()).isCloseTo(60, within(0.1));
        assertThat(j.get("total").get("hours").asDouble()).isPositive();
        assertThat(j.get("total").get("expectedHours").asDouble()).isGreaterThanOrEqualTo(j.get("total").get("hours").asDouble());
    }

    @Test
    void aFolderOfMixedFormatsIsPrintedWhole() throws Exception {
        var folder = Files.createDirectory(dir.resolve("parts"));
        int i = 0;
        for (var k : Kind.values())
            MeshWriter.write(List.of(new MeshWriter.Named("p", Shapes.box(Vec3.ZERO, new Vec3(20 + 5 * i, 20, 20)))), k,
                    folder.resolve("part" + i++ + "." + k.ending()));
        Files.writeString(folder.resolve("readme.txt"), "four parts");
        assertThat(yb("print", folder, "--bed", "220x220x250", "--json").get("sections")).hasSize(4);
    }

    @Test
    void packedModelsAreUnpacked() throws Exception {
        var packed = new ByteArrayOutputStream();
        try (var gzip = new GZIPOutputStream(packed)) {
            gzip.write(MeshWriter.bytes(List.of(new MeshWriter.Named("model", SHELF)), Kind.PLY));
        }
        var file = dir.resolve("model.ply.gz");
        Files.write(file, packed.toByteArray());
        assertThat(yb("check", file, "--json").get("volumeMm3").asDouble()).isCloseTo(SHELF.volumeMm3(), within(1e-3));
    }
}
