package yellowbracket.document;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import yellowbracket.mesh.Progress;

/** Damaged and hostile builds are opened or refused in words; {@code -Dfuzz=8000} for more of them. */
class BuildFuzzTest {
    private static final ObjectMapper JSON = new ObjectMapper();

    @TempDir
    Path dir;

    @Test
    void mutatedBuildsAreRefusedInWords() throws IOException {
        var file = dir.resolve("a.bracket");
        var random = new Random(14);
        int refused = 0, cases = Integer.getInteger("fuzz", 400);
        for (int i = 0; i < cases; i++) {
            var root = JSON.readTree(BuildJson.write(SmallBuild.build()));
            for (int k = random.nextInt(3); k >= 0; k--) Mutation.of(root.path("build"), random);
            Files.write(file, zip("build.json", root.toString().getBytes(StandardCharsets.UTF_8)));
            var outcome = BuildFile.read(file, Progress.NONE);
            if (outcome instanceof BuildFile.Outcome.Refused r) {
                refused++;
                assertThat(r.problem().sentence()).as("case %d: %s", i, root)
                        .doesNotContain("Cannot invoke", "null", "java.", "Exception", "because")
                        .hasSizeLessThan(400);
            } else assertThat(BuildJson.write(((BuildFile.Outcome.Opened) outcome).build())).isNotBlank();
        }
        assertThat(refused).isGreaterThan(cases / 4);
    }

    @Test
    void deepTreesAndGreatZerosAreRefused() throws IOException {
        var file = dir.resolve("a.bracket");
        var deep = BuildJson.write(SmallBuild.build());
        Files.write(file, zip("build.json",
                deep.replace("\"locked\" : false", "\"locked\" : " + "[".repeat(400) + "]".repeat(400)).getBytes(StandardCharsets.UTF_8)));
        assertThat(refused(file)).contains("nested deeper");
        Files.write(file, zip("build.json", new byte[300_000_000]));
        assertThat(refused(file)).contains("unpacks to more than", "out of proportion");
    }

    private static String refused(Path file) {
        return ((BuildFile.Outcome.Refused) BuildFile.read(file, Progress.NONE)).problem().sentence();
    }

    /** The small build with one entry in place of its own. */
    private static byte[] zip(String name, byte[] content) throws IOException {
        var out = new ByteArrayOutputStream();
        try (var zip = new ZipOutputStream(out);
                var from = new ZipInputStream(new java.io.ByteArrayInputStream(BuildFile.bytes(SmallBuild.build(), SmallBuild.meshes())))) {
            for (var e = from.getNextEntry(); e != null; e = from.getNextEntry()) {
                zip.putNextEntry(new ZipEntry(e.getName()));
                zip.write(e.getName().equals(name) ? content : from.readAllBytes());
                zip.closeEntry();
            }
        }
        return out.toByteArray();
    }
}
