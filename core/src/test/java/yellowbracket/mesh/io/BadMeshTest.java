package yellowbracket.mesh.io;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static yellowbracket.mesh.io.MeshFormatsTest.ascii;
import static yellowbracket.mesh.io.MeshFormatsTest.object;
import static yellowbracket.mesh.io.MeshFormatsTest.tetra;
import static yellowbracket.mesh.io.MeshFormatsTest.threeMf;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import java.util.zip.GZIPOutputStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.io.MeshWriter.Kind;

/** Malformed files: each is refused with its name, the place, what is wrong and what to do; or read with what was left out told. */
class BadMeshTest {
    private static final String PLY = "ply\nformat ascii 1.0\nelement vertex 3\nproperty float x\nproperty float y\nproperty float "
            + "z\nelement face 1\nproperty list uchar int vertex_indices\nend_header\n0 0 0\n1 0 0\n0 1 0\n";

    static Stream<Arguments> bad() {
        return Stream.of(Arguments.of("x.obj", ascii("v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 9\n"), List.of("facet 1", "does not exist")),
                Arguments.of("x.obj", ascii("v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 0\n"), List.of("facet 1", "does not exist")),
                Arguments.of("x.obj", ascii("v 0 0 0\nv 1 0 0\nv 0 1 0\nf -9 -2 -1\n"), List.of("facet 1", "does not exist")),
                Arguments.of("x.obj", ascii("v 0 0 0\nv 1 oops 0\nf 1 2 3\n"), List.of("line 2", "\"oops\" is not a number")),
                Arguments.of("x.obj", ascii("v 0 0 0\nv 1 0\nf 1 2 3\n"), List.of("line 2", "a number is missing")),
                Arguments.of("x.obj", ascii("v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 99999999999\n"), List.of("line 4", "not a number")),
                Arguments.of("x.obj", ascii("v 0 0 0\nv 1 0 0\nv 0 1 0\n"), List.of("holds no facet")),
                Arguments.of("x.ply", ascii(PLY + "3 0 1 7\n"), List.of("face 0", "vertex 7")),
                Arguments.of("x.ply", ascii(PLY + "3 0 1"), List.of("ends early")),
                Arguments.of("x.ply", ascii(PLY + "3000000 0 1 2\n"), List.of("a list is longer than the file")),
                Arguments.of("x.ply", ascii(PLY.replace("vertex 3", "vertex 2000000000")), List.of("more than the file can hold")),
                Arguments.of("x.ply", ascii(PLY.replace("vertex 3", "vertex many")), List.of("line 3", "no usable count")),
                Arguments.of("x.ply", ascii(PLY.replace("float y", "real y")), List.of("line 5", "\"real\" is not a type")),
                Arguments.of("x.ply", ascii(PLY.replace("end_header", "")), List.of("header has no end")),
                Arguments.of("x.ply", ascii(PLY.replace("ascii", "morse")), List.of("\"morse\" is not known")),
                Arguments.of("x.ply",
                        ascii("ply\nformat ascii 1.0\nelement vertex 1\nproperty float x\nproperty float y\nproperty float z\nend_header\n"
                                + "0 0 0\n"),
                        List.of("points without facets")),
                Arguments.of("x.ply",
                        ascii("ply\nformat binary_little_endian 1.0\nelement vertex 100000\nproperty double x\nproperty double y\nproperty "
                                + "double z\nelement face 1\nproperty list uchar int vertex_indices\nend_header\n"),
                        List.of("more than the file can hold")),
                Arguments.of("x.3mf",
                        threeMf("", "<object id=\"1\"><mesh><vertices><vertex x=\"0\" y=\"0\"/></vertices></mesh></object>", ""),
                        List.of("line 1", "a vertex has no z")),
                Arguments.of("x.3mf", threeMf("", tetra(1).replace("v1=\"2\"", "v1=\"12\""), "<item objectid=\"1\"/>"),
                        List.of("names vertex 12")),
                Arguments.of("x.3mf", threeMf("", tetra(1), "<item objectid=\"5\"/>"), List.of("uses object 5")),
                Arguments.of("x.3mf", threeMf("", tetra(1) + tetra(1), "<item objectid=\"1\"/>"), List.of("the same id")),
                Arguments.of("x.3mf", threeMf("cubit", tetra(1), "<item objectid=\"1\"/>"), List.of("\"cubit\" is not a unit")),
                Arguments.of("x.3mf", threeMf("", tetra(1), "<item objectid=\"1\" transform=\"1 0 0\"/>"),
                        List.of("3 numbers instead of 12")),
                Arguments.of("x.3mf", threeMf("", tetra(1), "<item objectid=\"1\" transform=\"1 0 0 0 1 0 0 0 1 NaN 0 0\"/>"),
                        List.of("not a number")),
                Arguments.of("x.3mf",
                        threeMf("",
                                object(1, "<components><component objectid=\"2\"/></components>")
                                        + object(2, "<components><component objectid=\"1\"/></components>"),
                                "<item objectid=\"1\"/>"),
                        List.of("in a circle")),
                Arguments.of("x.3mf", threeMf("", "", ""), List.of("holds no object")),
                Arguments.of("x.3mf", threeMf("", "<object id=\"1\"><mesh>", ""), List.of("not well formed")),
                Arguments.of("x.3mf", Arrays.copyOf(threeMf("", tetra(1), "<item objectid=\"1\"/>"), 200),
                        List.of("damaged or ends early")),
                Arguments.of("x.3mf", zip("readme.txt", "hello"), List.of("no model in the package")),
                Arguments.of("x.3mf", doubling(), List.of("more than 10000 components")),
                Arguments.of("x.3mf", bomb(), List.of("unpacks to more than")), Arguments.of("x.3mf", manyEntries(), List.of("entries")),
                Arguments.of("x.stl.gz", gzip(new byte[40_000_000]), List.of("out of proportion")),
                Arguments.of("x.stl.gz", Arrays.copyOf(gzip(StlWriter.binary(Shapes.sphere(4, 12), "")), 300),
                        List.of("damaged or ends early")),
                Arguments.of("x.stl.gz", gzip(gzip(new byte[100])), List.of("packed twice")),
                Arguments.of("x.stl.gz", gzip(new byte[0]), List.of("nothing in it")),
                Arguments.of("notes.txt", ascii("buy filler"), List.of("not a mesh of a kind")),
                Arguments.of("x.pdf", ascii("%PDF-1.4 nothing"), List.of("open an STL, OBJ, PLY or 3MF file")),
                Arguments.of("x.obj", new byte[0], List.of("empty")));
    }

    @ParameterizedTest(name = "{0}: {2}")
    @MethodSource("bad")
    void isRefusedInWords(String name, byte[] bytes, List<String> words) {
        var outcome = MeshFile.parse(name, bytes, Progress.NONE);
        assertThat(outcome).isInstanceOf(MeshFile.Refused.class);
        assertThat(((MeshFile.Refused) outcome).problem().sentence()).startsWith(name)
                .endsWith(".")
                .doesNotContain("Exception", "java")
                .contains(words);
    }

    /** Nothing outside the file is read, whatever it asks for. */
    @Test
    void outsideEntitiesAreNotFollowed(@TempDir Path dir) throws IOException {
        var secret = dir.resolve("secret.txt");
        Files.writeString(secret, "5");
        String model = "<?xml version=\"1.0\"?><!DOCTYPE model [<!ENTITY x SYSTEM \"" + secret.toUri()
                + "\">]><model><resources><object id=\"1\"><mesh><vertices><vertex x=\"0\" y=\"0\" z=\"0\"/>&x;</vertices></mesh>"
                + "</object></resources></model>";
        var outcome = MeshFile.parse("x.3mf", zip("3D/3dmodel.model", model), Progress.NONE);
        assertThat(((MeshFile.Refused) outcome).problem().sentence()).doesNotContain("secret");
    }

    /** Entity upon entity: refused or ignored, quickly and without filling memory. */
    @Test
    void entitiesThatMultiplyAreNotFollowed() {
        var dtd = new StringBuilder("<!ENTITY a0 \"aaaaaaaaaa\">");
        for (int i = 1; i < 12; i++)
            dtd.append("<!ENTITY a").append(i).append(" \"").append(("&a" + (i - 1) + ";").repeat(10)).append("\">");
        var outcome = MeshFile.parse("x.3mf",
                zip("3D/3dmodel.model", "<?xml version=\"1.0\"?><!DOCTYPE m [" + dtd + "]><model>&a11;</model>"), Progress.NONE);
        assertThat(outcome).isInstanceOf(MeshFile.Refused.class);
    }

    @Test
    void entryNamesAreNeverPaths(@TempDir Path dir) throws IOException {
        var outside = dir.resolve("3dmodel.model");
        Files.writeString(outside, "<model/>");
        var outcome = MeshFile.parse("x.3mf", zip("../../" + outside, "x"), Progress.NONE);
        assertThat(((MeshFile.Refused) outcome).problem().sentence()).contains("no model in the package");
    }

    @Test
    void pointsThatAreNoNumbersTakeTheirFacetsWithThem() {
        var r = MeshFormatsTest.read("x.obj", ascii("v 0 0 0\nv 10 0 0\nv 0 10 0\nv nan 0 10\nv 1 inf 0\nf 1 3 2\nf 1 2 4\nf 2 3 5 4\n"));
        assertThat(r.mesh().triangleCount()).isEqualTo(1);
        assertThat(r.notices()).singleElement().asString().startsWith("2 facets with a coordinate that is not a number");
    }

    @ParameterizedTest
    @MethodSource("stoppable")
    void everyReaderStopsWhenAsked(String name, byte[] bytes) {
        var stopped = new Progress() {
            @Override
            public void report(long done, long total) {}

            @Override
            public boolean stopRequested() {
                return true;
            }
        };
        assertThatThrownBy(() -> MeshFile.parse(name, bytes, stopped)).isInstanceOf(Progress.Stopped.class);
    }

    static Stream<Arguments> stoppable() {
        var ball = List.of(new MeshWriter.Named("ball", Shapes.sphere(40, 200)));
        return Stream.of(Kind.values()).map(k -> Arguments.of("ball." + k.ending(), MeshWriter.bytes(ball, k)));
    }

    private static byte[] zip(String name, String text) {
        var bytes = new ByteArrayOutputStream();
        try (var zip = new ZipOutputStream(bytes)) {
            zip.putNextEntry(new ZipEntry(name));
            zip.write(ascii(text));
            zip.closeEntry();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        return bytes.toByteArray();
    }

    private static byte[] gzip(byte[] content) {
        var bytes = new ByteArrayOutputStream();
        try (var out = new GZIPOutputStream(bytes)) {
            out.write(content);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        return bytes.toByteArray();
    }

    /** Each object uses the one before twice: 2^20 tetrahedra from some hundred bytes. */
    private static byte[] doubling() {
        var objects = new StringBuilder(tetra(1));
        for (int i = 2; i < 22; i++) objects.append(
                object(i, "<components><component objectid=\"%1$d\"/><component objectid=\"%1$d\"/></components>".formatted(i - 1)));
        return threeMf("", objects.toString(), "<item objectid=\"21\"/>");
    }

    private static byte[] bomb() {
        return zip("3D/3dmodel.model", "<model>" + " ".repeat(60_000_000));
    }

    private static byte[] manyEntries() {
        var bytes = new ByteArrayOutputStream();
        try (var zip = new ZipOutputStream(bytes)) {
            for (int i = 0; i < 2100; i++) {
                zip.putNextEntry(new ZipEntry("e" + i));
                zip.closeEntry();
            }
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        return bytes.toByteArray();
    }
}
