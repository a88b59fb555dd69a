package yellowbracket.mesh.io;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.Stream;
import java.util.zip.GZIPOutputStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.io.MeshWriter.Kind;
import yellowbracket.mesh.repair.MeshHealth;

/**
 * Damaged files by the hundred: every reader gives a mesh or a reason, in bounded time, and never throws. {@code -Dfuzz.cases=100000} runs
 * longer,
 * {@code -Dfuzz.seed=7} elsewhere.
 */
class MeshFuzzTest {
    private static final int CASES = Integer.getInteger("fuzz.cases", 400);
    private static final long SEED = Long.getLong("fuzz.seed", 3);
    private static final List<String> TOKENS = List.of("0", "-1", "1e999", "nan", "2147483648", "-99999999999", "vertex", "f", "v",
            "element face 4000000000", "\\\n", "<", "\"", "/>", "\u0000", "solid", "endfacet", " ", "\n", "inf",
            "property list uchar int vertex_indices", "1/2/3/4", "#");

    static Stream<Arguments> originals() throws IOException {
        var ball = new MeshWriter.Named("ball", Shapes.sphere(10, 10));
        var stream = Stream.<Arguments>builder();
        for (var k : Kind.values()) stream.add(Arguments.of(k.ending(), MeshWriter.bytes(List.of(ball), k)));
        stream.add(Arguments.of("ascii stl", StlWriter.ascii(ball.mesh(), "ball").getBytes(StandardCharsets.US_ASCII)));
        stream.add(Arguments.of("ascii ply", asciiPly(ball.mesh())));
        stream.add(Arguments.of("3mf with components",
                MeshFormatsTest.threeMf("inch",
                        MeshFormatsTest.tetra(1) + MeshFormatsTest.object(2,
                                "<components><component objectid=\"1\" transform=\"1 0 0 0 1 0 0 0 1 5 5 5\"/></components>"),
                        "<item objectid=\"2\"/>")));
        stream.add(Arguments.of("model text in a package", new byte[0]));
        stream.add(Arguments.of("gz", gzip(MeshWriter.bytes(List.of(ball), Kind.OBJ))));
        return stream.build();
    }

    private static byte[] asciiPly(Mesh m) {
        var out = new StringBuilder("ply\nformat ascii 1.0\nelement vertex " + m.vertexCount()
                + "\nproperty float x\nproperty float y\nproperty float z\nelement face " + m.triangleCount()
                + "\nproperty list uchar int vertex_indices\nend_header\n");
        for (int v = 0; v < m.vertexCount(); v++)
            out.append((float) m.x(v)).append(' ').append((float) m.y(v)).append(' ').append((float) m.z(v)).append('\n');
        for (int f = 0; f < m.triangleCount(); f++)
            out.append("3 ").append(m.vertex(f, 0)).append(' ').append(m.vertex(f, 1)).append(' ').append(m.vertex(f, 2)).append('\n');
        return out.toString().getBytes(StandardCharsets.US_ASCII);
    }

    private static byte[] gzip(byte[] content) throws IOException {
        var bytes = new ByteArrayOutputStream();
        try (var out = new GZIPOutputStream(bytes)) {
            out.write(content);
        }
        return bytes.toByteArray();
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("originals")
    void damageIsSurvived(String what, byte[] original) {
        var random = new SplittableRandom(SEED);
        assertTimeoutPreemptively(Duration.ofSeconds(60 + CASES / 50), () -> {
            for (int i = 0; i < CASES; i++) {
                long seed = random.nextLong();
                var bytes = original.length == 0 ? damagedModel(new SplittableRandom(seed)) : damaged(original, new SplittableRandom(seed));
                judge(bytes, what + ", seed " + seed);
            }
        });
    }

    private static void judge(byte[] bytes, String which) {
        MeshFile outcome;
        try {
            outcome = MeshFile.parse("damaged", bytes, Progress.NONE);
        } catch (RuntimeException | StackOverflowError | OutOfMemoryError e) {
            throw new AssertionError(which + " threw " + e, e);
        }
        switch (outcome) {
            case MeshFile.Refused r -> assertThat(r.problem().sentence()).as(which)
                    .startsWith("damaged")
                    .endsWith(".")
                    .doesNotContain("null", "Exception")
                    .hasSizeLessThan(400);
            case MeshFile.Read r -> {
                assertThat(r.mesh().triangleCount()).as(which).isPositive();
                MeshHealth.of(r.mesh()); // whatever was read can be examined
            }
        }
    }

    /** The text inside a package: damage to the ZIP itself rarely gets past its checksums. */
    private static byte[] damagedModel(SplittableRandom random) {
        var inner = damaged((MeshFormatsTest.tetra(1) + MeshFormatsTest.object(2, "<components><component objectid=\"1\"/></components>"))
                .getBytes(StandardCharsets.ISO_8859_1), random);
        return MeshFormatsTest.threeMf("millimeter", new String(inner, StandardCharsets.ISO_8859_1), "<item objectid=\"2\"/>");
    }

    private static byte[] damaged(byte[] original, SplittableRandom random) {
        var bytes = original.clone();
        for (int k = random.nextInt(1, 12); k > 0 && bytes.length > 0; k--) bytes = once(bytes, random);
        return bytes;
    }

    private static byte[] once(byte[] bytes, SplittableRandom random) {
        int at = random.nextInt(random.nextInt(3) == 0 ? Math.min(200, bytes.length) : bytes.length);
        switch (random.nextInt(5)) {
            case 0 -> bytes[at] = (byte) random.nextInt(256);
            case 1 -> bytes[at] ^= (byte) (1 << random.nextInt(8));
            case 2 -> {
                return Arrays.copyOf(bytes, at); // ends early
            }
            case 3 -> {
                var token = TOKENS.get(random.nextInt(TOKENS.size())).getBytes(StandardCharsets.ISO_8859_1);
                return join(Arrays.copyOf(bytes, at), token,
                        Arrays.copyOfRange(bytes, random.nextBoolean() ? at : Math.min(bytes.length, at + token.length), bytes.length));
            }
            default -> {
                int to = Math.min(bytes.length, at + random.nextInt(1, 60));
                // a stretch twice
                return join(Arrays.copyOf(bytes, to), Arrays.copyOfRange(bytes, at, to), Arrays.copyOfRange(bytes, to, bytes.length));
            }
        }
        return bytes;
    }

    private static byte[] join(byte[]... parts) {
        var out = new ByteArrayOutputStream();
        for (var p : parts) out.writeBytes(p);
        return out.toByteArray();
    }
}
