package yellowbracket.mesh.io;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.fail;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshAssert;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;

class StlReaderTest {
    private static final Mesh SPHERE = Shapes.sphere(20, 24);

    private static Mesh read(byte[] bytes) {
        return switch (StlReader.parse("a.stl", bytes, Progress.NONE)) {
            case MeshFile.Read r -> r.mesh();
            case MeshFile.Refused r -> throw new AssertionError(r.problem().sentence());
        };
    }

    private static ReadProblem refused(byte[] bytes) {
        return switch (StlReader.parse("a.stl", bytes, Progress.NONE)) {
            case MeshFile.Read r -> throw new AssertionError("read " + r.mesh().triangleCount() + " triangles");
            case MeshFile.Refused r -> r.problem();
        };
    }

    @Test
    void binaryComesBackWelded() {
        var m = read(StlWriter.binary(SPHERE, "sphere"));
        assertThat(m.triangleCount()).isEqualTo(SPHERE.triangleCount());
        assertThat(m.vertexCount()).isEqualTo(SPHERE.vertexCount());
        MeshAssert.assertClosed(m);
        assertThat(m.contentHash()).isEqualTo(SPHERE.contentHash());
    }

    @Test
    void asciiComesBackTheSame() {
        var m = read(StlWriter.ascii(SPHERE, "sphere").getBytes(StandardCharsets.US_ASCII));
        assertThat(m.contentHash()).isEqualTo(SPHERE.contentHash());
    }

    @Test
    void asciiMayHaveWindowsLinesOddSpacesExponentsAndSeveralSolids() {
        String one = "solid a\r\n  facet normal 0 0 1\r\n outer loop\r\n\tvertex 0 0 0\r\n vertex   1.0e1 0 0\r\nvertex 0 1E+1 0\r\n"
                + "endloop\r\nendfacet\r\nendsolid a\r\n";
        var m = read((one + one.replace("0 0 0", "0 0 5")).getBytes(StandardCharsets.US_ASCII));
        assertThat(m.triangleCount()).isEqualTo(2);
        assertThat(m.bounds().max().x()).isEqualTo(10);
    }

    @Test
    void aBinaryWhoseHeaderSaysSolidIsStillBinary() {
        var bytes = StlWriter.binary(SPHERE, "sphere");
        System.arraycopy("solid facet outer".getBytes(StandardCharsets.US_ASCII), 0, bytes, 0, 17);
        assertThat(read(bytes).triangleCount()).isEqualTo(SPHERE.triangleCount());
    }

    @Test
    void trailingBytesAreIgnoredAndTold() {
        var bytes = StlWriter.binary(SPHERE, "sphere");
        var outcome = StlReader.parse("a.stl", Arrays.copyOf(bytes, bytes.length + 7), Progress.NONE);
        assertThat(((MeshFile.Read) outcome).notices()).singleElement().asString().startsWith("7 bytes after");
    }

    @Test
    void aTruncatedBinaryNamesHowManyTrianglesAreThere() {
        var bytes = StlWriter.binary(SPHERE, "sphere");
        var p = refused(Arrays.copyOf(bytes, 84 + 50 * 10 + 3));
        assertThat(p.sentence()).contains("declares " + SPHERE.triangleCount() + " triangles and holds 10", "download or export it again");
    }

    @Test
    void aCountOfFourThousandMillionIsNotBelieved() {
        var bytes = ByteBuffer.allocate(184).order(ByteOrder.LITTLE_ENDIAN).putInt(80, -1).array();
        assertThat(refused(bytes).what()).contains("ends early");
    }

    /**
     * Long files are welded in runs at the same time: the points must still be numbered as they are first met, and what is broken in any
     * run left out.
     */
    @Test
    void aLongFileComesOutAsIfReadFromStartToEnd() {
        var model = Shapes.bumpySphere(80, 160_000);
        var bytes = StlWriter.binary(model, "long");
        int count = model.triangleCount();
        int[] broken = {3, count / 2, count / 2 + 1, count - 1};
        for (int f : broken) ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN).putFloat(84 + 50 * f + 12 + 16, Float.NaN);
        var read = (MeshFile.Read) StlReader.parse("long.stl", bytes, Progress.NONE);
        assertThat(read.notices()).singleElement().asString().startsWith("4 triangles");
        var mesh = read.mesh();
        assertThat(mesh.triangleCount()).isEqualTo(count - 4);
        int met = 0, from = 0;
        for (int f = 0; f < mesh.triangleCount(); f++, from++) {
            while (Arrays.binarySearch(broken, from) >= 0) from++;
            for (int k = 0; k < 3; k++) {
                int v = mesh.vertex(f, k);
                if (v > met || mesh.x(v) != (float) model.corner(from, k).x() || mesh.z(v) != (float) model.corner(from, k).z())
                    fail("triangle " + f + " corner " + k + " is point " + v + " of " + met + " met");
                if (v == met) met++;
            }
        }
        assertThat(mesh.vertexCount()).isEqualTo(met);
    }

    /** Whichever thread notices first. */
    @Test
    void readingALongFileStopsWhenAsked() {
        var bytes = StlWriter.binary(Shapes.bumpySphere(80, 300_000), "long");
        var stop = new Progress.Switch();
        stop.off();
        assertThatThrownBy(() -> StlReader.parse("long.stl", bytes, stop)).isInstanceOf(Progress.Stopped.class);
    }

    @Test
    void trianglesWithoutNumbersAreLeftOutAndCounted() {
        var bytes = StlWriter.binary(SPHERE, "sphere");
        ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN).putFloat(84 + 12, Float.NaN);
        var r = (MeshFile.Read) StlReader.parse("a.stl", bytes, Progress.NONE);
        assertThat(r.mesh().triangleCount()).isEqualTo(SPHERE.triangleCount() - 1);
        assertThat(r.notices()).singleElement().asString().startsWith("1 triangles");
    }

    @ParameterizedTest
    @ValueSource(strings = {"hello", "solid x\nfacet normal 0 0 1\nouter loop\nvertex 0 0\nvertex", "solid x\nfacet\nvertex 1 2 oops\n",
            "<html><body>not found</body></html>", "solid empty\nendsolid empty\n"})
    void whatIsNoMeshIsRefusedInWords(String text) {
        var p = refused(text.getBytes(StandardCharsets.US_ASCII));
        assertThat(p.sentence()).startsWith("a.stl").endsWith(".").doesNotContain("Exception");
    }

    @Test
    void aBadNumberNamesItsLine() {
        assertThat(refused("solid x\nfacet normal 0 0 1\nouter loop\nvertex 1 2 oops\n".getBytes(StandardCharsets.US_ASCII)).sentence())
                .contains("line 4", "\"oops\" is not a number");
    }

    /** Random damage anywhere: a mesh or a reason, never an exception. */
    @Test
    void survivesDamage() {
        var random = new Random(5);
        for (int i = 0; i < 400; i++) {
            var bytes = i % 2 == 0 ? StlWriter.binary(SPHERE, "s") : StlWriter.ascii(SPHERE, "s").getBytes(StandardCharsets.US_ASCII);
            for (int k = 0; k < 1 + random.nextInt(30); k++)
                bytes[random.nextInt(i % 3 == 0 ? 90 : bytes.length)] = (byte) random.nextInt(256);
            var outcome = StlReader.parse("a.stl", Arrays.copyOf(bytes, random.nextInt(bytes.length)), Progress.NONE);
            assertThat(outcome).isInstanceOfAny(MeshFile.Read.class, MeshFile.Refused.class);
        }
    }

    @Test
    void missingEmptyAndFolderAreToldApart(@TempDir Path dir) throws Exception {
        var empty = Files.createFile(dir.resolve("empty.stl"));
        assertThat(sentence(dir.resolve("none.stl"))).contains("no such file");
        assertThat(sentence(empty)).contains("empty");
        assertThat(sentence(dir)).contains("folder");
    }

    private static String sentence(Path p) {
        return ((MeshFile.Refused) MeshFile.read(p, Progress.NONE)).problem().sentence();
    }

    @Test
    void aBrokenOffWriteLeavesTheOldFile(@TempDir Path dir) throws Exception {
        var file = dir.resolve("x.stl");
        StlWriter.write(SPHERE, "old", file);
        var old = Files.readAllBytes(file);
        Files.createDirectory(dir.resolve("x.stl.part")); // the temporary name is taken: the write cannot even begin
        Files.createFile(dir.resolve("x.stl.part/y"));
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> StlWriter.write(Shapes.sphere(3, 8), "new", file))
                .isInstanceOf(java.io.IOException.class);
        assertThat(Files.readAllBytes(file)).isEqualTo(old);
    }
}
