package yellowbracket.mesh.io;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import yellowbracket.mesh.Progress;

/** A tetrahedron as editors and exporters leave text: every file loads, closed, with its four triangles. */
class TextStartTest {
    private static final String STL = stl();
    private static final String OBJ = "v 0 0 0\nv 10 0 0\nv 0 10 0\nv 0 0 10\nf 1 3 2\nf 1 2 4\nf 1 4 3\nf 2 3 4\n";
    private static final String PLY = """
            ply
            format ascii 1.0
            element vertex 4
            property float x
            property float y
            property float z
            element face 4
            property list uchar int vertex_indices
            end_header
            0 0 0
            10 0 0
            0 10 0
            0 0 10
            3 0 2 1
            3 0 1 3
            3 0 3 2
            3 1 2 3
            """;

    private static String stl() {
        String[] p = {"0 0 0", "10 0 0", "0 10 0", "0 0 10"};
        int[][] faces = {{0, 2, 1}, {0, 1, 3}, {0, 3, 2}, {1, 2, 3}};
        var out = new StringBuilder("solid x\n");
        for (var f : faces) {
            out.append(" facet normal 0 0 0\n  outer loop\n");
            for (int v : f) out.append("   vertex ").append(p[v]).append('\n');
            out.append("  endloop\n endfacet\n");
        }
        return out.append("endsolid x\n").toString();
    }

    static Stream<Arguments> files() {
        var ways = new java.util.LinkedHashMap<String, UnaryOperator<byte[]>>();
        ways.put("as it is", b -> b);
        ways.put("byte order mark", b -> join(mark(), b));
        ways.put("byte order mark, blank line", b -> join(mark(), text("\n"), b));
        ways.put("blank lines", b -> join(text("\n \t\r\n\n"), b));
        ways.put("comments", b -> join(text("# exported\n# by hand\n"), b));
        ways.put("upper case and tabs", b -> text(string(b).toUpperCase(Locale.ROOT).replace(' ', '\t')));
        ways.put("all of it", b -> join(mark(), text("\n"), text(string(b).replace("\n", "\r\n").replace(' ', '\t'))));
        ways.put("old line ends", b -> text(string(b).replace('\n', '\r')));
        ways.put("UTF-16", b -> string(b).getBytes(StandardCharsets.UTF_16));
        return List.of("x.stl", "x.obj", "x.ply")
                .stream()
                .flatMap(f -> ways.entrySet()
                        .stream()
                        .filter(w -> !f.equals("x.obj") || !w.getKey().startsWith("upper"))
                        .map(w -> Arguments.of(f, w.getKey(),
                                w.getValue().apply(text(f.endsWith("stl") ? STL : f.endsWith("obj") ? OBJ : PLY)))));
    }

    @ParameterizedTest(name = "{0}, {1}")
    @MethodSource("files")
    void loads(String name, String way, byte[] content) {
        assertThat(MeshFile.parse(name, content, Progress.NONE)).isInstanceOfSatisfying(MeshFile.Read.class, r -> {
            assertThat(r.mesh().triangleCount()).isEqualTo(4);
            assertThat(r.mesh().volumeMm3()).isCloseTo(1000 / 6.0, org.assertj.core.api.Assertions.within(1e-3));
        });
    }

    /** A binary header may begin as text does. */
    @Test
    void binaryPassesUnchanged() {
        var binary = StlWriter.binary(((MeshFile.Read) MeshFile.parse("x.stl", text(STL), Progress.NONE)).mesh(), "# not a comment");
        assertThat(MeshFile.parse("x.stl", binary, Progress.NONE)).isInstanceOf(MeshFile.Read.class);
        var marked = binary.clone();
        marked[0] = (byte) 0xef;
        marked[1] = (byte) 0xbb;
        marked[2] = (byte) 0xbf;
        assertThat(MeshFile.parse("x.stl", marked, Progress.NONE)).isInstanceOf(MeshFile.Read.class);
    }

    @Test
    void linesAreToldAsInTheFile() {
        var broken = join(mark(), text("\n# two lines before\n"), text(STL.replace("vertex 0 10 0", "vertex 0 ten 0")));
        assertThat(MeshFile.parse("x.stl", broken, Progress.NONE)).isInstanceOfSatisfying(MeshFile.Refused.class,
                r -> assertThat(r.problem().sentence()).contains("line 7"));
    }

    private static byte[] mark() {
        return new byte[] {(byte) 0xef, (byte) 0xbb, (byte) 0xbf};
    }

    private static byte[] text(String s) {
        return s.getBytes(StandardCharsets.ISO_8859_1);
    }

    private static String string(byte[] b) {
        return new String(b, StandardCharsets.ISO_8859_1);
    }

    private static byte[] join(byte[]... parts) {
        var out = new ByteArrayOutputStream();
        for (var p : parts) out.writeBytes(p);
        return out.toByteArray();
    }
}
