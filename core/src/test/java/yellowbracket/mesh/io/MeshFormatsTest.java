package yellowbracket.mesh.io;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import java.util.zip.GZIPOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshAssert;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.io.MeshWriter.Kind;
import yellowbracket.mesh.io.MeshWriter.Named;

/** One small hand-made file for each feature of each format, then round trips. */
class MeshFormatsTest {
    /** A tetrahedron of volume 1000/6 as OBJ; other formats say the same. */
    private static final String OBJ = "v 0 0 0\nv 10 0 0\nv 0 10 0\nv 0 0 10\nf 1 3 2\nf 1 2 4\nf 2 3 4\nf 3 1 4\n";
    private static final double VOLUME = 1000 / 6.0;

    static MeshFile.Read read(String name, byte[] bytes) {
        return switch (MeshFile.parse(name, bytes, Progress.NONE)) {
            case MeshFile.Read r -> r;
            case MeshFile.Refused r -> throw new AssertionError(r.problem().sentence());
        };
    }

    static byte[] ascii(String text) {
        return text.getBytes(StandardCharsets.ISO_8859_1);
    }

    private static Mesh obj(String text) {
        return read("a.obj", ascii(text)).mesh();
    }

    @ParameterizedTest
    @ValueSource(strings = {OBJ, "# a comment\r\nmtllib some.mtl\r\no thing\r\ng part one\r\n" // groups, windows lines
            + "s off\r\nusemtl grey\r\n" + OBJ, "v 0 0 0\nv 10 0 0\nv 0 10 0\nf -3 -1 -2\nv 0 0 10\nf -4 -3 -1\nf -3 -2 -1\nf -2 -4 -1\n",
            "v 0 0 0 1\nv 10 0 0 1\nv 0 10 0 1\nv 0 0 10 1\nvn 0 0 1\nvt 0 0\nf 1//1 3//1 2//1\nf 1/1 2/1 4/1\nf 2/1/1 3/1/1 4/1/1\n"
                    + "f 3 1 4\n", // textures, normals, weights
            "v 0 0 0 .5 .5 .5\nv 1e1 0 0 1 0 0\nv 0 1.0E+1 0 0 0 1\nv 0 0 100e-1 0 0 0\nf 1 3 2\nf 1 2 4\nf 2 3 4\n" + "f 3 1 4",
            "v 0 0 \\\n0\nv 10 0 0\nv 0 10 0\nv\t0  0\t10 \nf 1 3 \\\r\n2\n f 1 2 4\nf 2 3 4\n" // lines continued, odd blanks
                    + "f 3 1 4 # last\n",
            "v 0 0 0\nv 10 0 0\nv 0 10 0\nv 0 0 10\nv 7 7 7\nf 1 3 2\nf 1 2 4\nf 2 3 4\nf 3 1 4\n" // a point nobody uses, lines, points
                    + "l 1 2\np 1\n",})
    void objSaysTheSameInManyWays(String text) {
        var m = obj(text);
        MeshAssert.assertClosed(m);
        MeshAssert.assertVolume(m, VOLUME, 1e-6);
        assertThat(m.vertexCount()).isEqualTo(4);
    }

    /** An L-shaped prism: its two ends are concave hexagons, its sides quads. */
    @Test
    void facetsOfManyCornersAreSplitInside() {
        var outline = new double[][] {{0, 0}, {20, 0}, {20, 5}, {5, 5}, {5, 20}, {0, 20}};
        var text = new StringBuilder();
        for (double z : new double[] {0, 3})
            for (var p : outline) text.append("v ").append(p[0]).append(' ').append(p[1]).append(' ').append(z).append('\n');
        text.append("f 6 5 4 3 2 1\nf 7 8 9 10 11 12\n");
        for (int i = 0; i < 6;
                i++)
            text.append("f ")
                    .append(i + 1)
                    .append(' ')
                    .append((i + 1) % 6 + 1)
                    .append(' ')
                    .append((i + 1) % 6 + 7)
                    .append(' ')
                    .append(i + 7)
                    .append('\n');
        var m = obj(text.toString());
        MeshAssert.assertClosed(m);
        MeshAssert.assertVolume(m, 3 * (20 * 5 + 5 * 15), 1e-9);
        assertThat(m.areaMm2()).as("nothing lies outside the outline").isCloseTo(2 * 175 + 3 * 80, within(1e-6));
    }

    @Test
    void stlHoldsSeveralSolidsEvenWithoutLines() {
        String facet = "facet normal 0 0 1 outer loop vertex 0 0 0 vertex 1 0 0 vertex 0 1 0 endloop endfacet ";
        assertThat(read("a.stl",
                ascii("solid vertex of power\n" + facet + "\nendsolid\nsolid b\n" + facet.replace("0 0 0", "0 0 5") + "\nendsolid b"))
                .mesh()
                .triangleCount()).isEqualTo(2);
        assertThat(read("a.stl", ascii("SOLID x " + facet + facet.replace("0 0 0", "0 0 5") + "ENDSOLID x")).mesh().triangleCount())
                .isEqualTo(2);
    }

    @Test
    void stlAttributeBytesAreNoHarm() {
        var bytes = StlWriter.binary(Shapes.sphere(10, 12), "coloured");
        for (int at = 84 + 48; at < bytes.length; at += 50) bytes[at] = (byte) 0xfe;
        MeshAssert.assertClosed(read("a.stl", bytes).mesh());
    }

    static Stream<Arguments> plys() {
        String vertices = "0 0 0\n10 0 0\n0 10 0\n0 0 10\n",
                head = "element vertex 4\nproperty float x\nproperty float y\nproperty float z\n",
                faces = "element face 4\nproperty list uchar int vertex_indices\nend_header\n";
        String list = "3 0 2 1\n3 0 1 3\n3 1 2 3\n3 2 0 3\n";
        return Stream.of(Arguments.of("ascii", ascii("ply\nformat ascii 1.0\ncomment made up\n" + head + faces + vertices + list)),
                Arguments.of("windows lines", ascii(("ply\nformat ascii 1.0\n" + head + faces + vertices + list).replace("\n", "\r\n"))),
                Arguments.of("more properties",
                        ascii("ply\nformat ascii 1.0\nelement vertex 4\nproperty float nx\nproperty double x\nproperty double y\nproperty "
                                + "double z\nproperty uchar red\nelement face 4\nproperty uchar flags\nproperty list uchar int "
                                + "vertex_index\nproperty list uchar float texcoord\nend_header\n"
                                + "9 0 0 0 255\n9 10 0 0 255\n9 0 10 0 0\n9 0 0 10 0\n1 3 0 2 1 0\n1 3 0 1 3 2 .5 .5\n1 3 1 2 3 0\n1 "
                                + "3 2 0 3 0\n")),
                Arguments.of("another element first",
                        ascii("ply\nformat ascii 1.0\nelement camera 1\nproperty float fov\nproperty list int int tags\n" + head + faces
                                + "35 2 7 7\n" + vertices + list)),
                Arguments.of("strips",
                        ascii("ply\nformat ascii 1.0\n" + head + "element tristrips 1\nproperty list int int vertex_indices\nend_header\n"
                                + vertices + "9 0 2 1 3 -1 3 0 1 -1\n".replace("9 0 2 1 3 -1 3 0 1 -1", "11 0 2 1 3 -1 0 1 3 -1 2 0")
                                + "")),
                Arguments.of("little endian", binaryPly(ByteOrder.LITTLE_ENDIAN)),
                Arguments.of("big endian", binaryPly(ByteOrder.BIG_ENDIAN)));
    }

    private static byte[] binaryPly(ByteOrder order) {
        var head = ascii("ply\nformat binary_" + (order == ByteOrder.BIG_ENDIAN ? "big" : "little")
                + "_endian 1.0\nelement vertex 4\nproperty double x\nproperty double y\nproperty double z\nproperty short extra\n"
                + "element face 4\nproperty list ushort uint vertex_indices\nend_header\n");
        var out = ByteBuffer.allocate(head.length + 4 * 26 + 4 * 14).order(order).put(head);
        for (var p : new double[][] {{0, 0, 0}, {10, 0, 0}, {0, 10, 0}, {0, 0, 10}})
            out.putDouble(p[0]).putDouble(p[1]).putDouble(p[2]).putShort((short) -3);
        for (var f : new int[][] {{0, 2, 1}, {0, 1, 3}, {1, 2, 3}, {2, 0, 3}})
            out.putShort((short) 3).putInt(f[0]).putInt(f[1]).putInt(f[2]);
        return out.array();
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("plys")
    void plySaysTheSameInManyWays(String what, byte[] bytes) {
        var m = read("a.ply", bytes).mesh();
        if (what.equals("strips")) {
            assertThat(m.triangleCount()).as("two of the first run, one of the second, none of two corners").isEqualTo(3);
            return;
        }
        MeshAssert.assertClosed(m);
        MeshAssert.assertVolume(m, VOLUME, 1e-6);
    }

    @Test
    void plyPolygonsAreSplit() {
        var m = read("a.ply",
                ascii("ply\nformat ascii 1.0\nelement vertex 8\nproperty float x\nproperty float y\nproperty float z\nelement face 6\n"
                        + "property list uchar int vertex_indices\nend_header\n"
                        + "0 0 0\n4 0 0\n4 4 0\n0 4 0\n0 0 4\n4 0 4\n4 4 4\n0 4 4\n4 3 2 1 0\n4 4 5 6 7\n4 0 1 5 4\n4 1 2 6 5\n4 2 3 "
                        + "7 6\n4 3 0 4 7\n"))
                .mesh();
        MeshAssert.assertClosed(m);
        MeshAssert.assertVolume(m, 64, 1e-9);
    }

    private static final String TETRA = "<mesh><vertices><vertex x=\"0\" y=\"0\" z=\"0\"/><vertex x=\"10\" y=\"0\" z=\"0\"/><vertex "
            + "x=\"0\" y=\"10\" z=\"0\"/><vertex x=\"0\" y=\"0\" z=\"10\"/></vertices>"
            + "<triangles><triangle v1=\"0\" v2=\"2\" v3=\"1\"/><triangle v1=\"0\" v2=\"1\" v3=\"3\"/><triangle v1=\"1\" v2=\"2\" "
            + "v3=\"3\"/><triangle v1=\"2\" v2=\"0\" v3=\"3\"/></triangles></mesh>";

    static byte[] threeMf(String unit, String resources, String build, String... more) {
        var bytes = new ByteArrayOutputStream();
        try (var zip = new java.util.zip.ZipOutputStream(bytes)) {
            put(zip, "3D/3dmodel.model",
                    "<?xml version=\"1.0\"?><model " + (unit.isEmpty() ? "" : "unit=\"" + unit + "\" ")
                            + "xmlns=\"http://schemas.microsoft.com/3dmanufacturing/core/2015/02\" "
                            + "xmlns:p=\"http://schemas.microsoft.com/3dmanufacturing/production/2015/06\"><resources>" + resources
                            + "</resources><build>" + build + "</build></model>");
            for (int i = 0; i < more.length; i += 2) put(zip, more[i], more[i + 1]);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        return bytes.toByteArray();
    }

    private static void put(java.util.zip.ZipOutputStream zip, String name, String text) throws IOException {
        zip.putNextEntry(new java.util.zip.ZipEntry(name));
        zip.write(ascii(text));
        zip.closeEntry();
    }

    static String object(int id, String inside) {
        return "<object id=\"" + id + "\" type=\"model\">" + inside + "</object>";
    }

    static String tetra(int id) {
        return object(id, TETRA);
    }

    static Stream<Arguments> packages() {
        return Stream.of(Arguments.of("millimetres", threeMf("millimeter", tetra(1), "<item objectid=\"1\"/>"), VOLUME, 1),
                Arguments.of("no unit is millimetres", threeMf("", tetra(1), "<item objectid=\"1\"/>"), VOLUME, 1),
                Arguments.of("inches", threeMf("inch", tetra(1), "<item objectid=\"1\"/>"), VOLUME * Math.pow(25.4, 3), 1),
                Arguments.of("microns", threeMf("micron", tetra(1), "<item objectid=\"1\"/>"), VOLUME * 1e-9, 1),
                Arguments.of("two objects",
                        threeMf("", tetra(1) + tetra(2),
                                "<item objectid=\"1\"/><item objectid=\"2\" transform=\"1 0 0 0 1 0 0 0 1 50 0 0\"/>"),
                        2 * VOLUME, 2),
                Arguments.of("an object not placed", threeMf("", tetra(1) + tetra(2), "<item objectid=\"1\"/>"), VOLUME, 1),
                Arguments.of("scaled by its transform",
                        threeMf("", tetra(1), "<item objectid=\"1\" transform=\"2 0 0 0 2 0 0 0 2 0 0 0\"/>"), 8 * VOLUME, 1),
                Arguments.of("mirrored by its transform",
                        threeMf("", tetra(1), "<item objectid=\"1\" transform=\"-1 0 0 0 1 0 0 0 1 0 0 0\"/>"), VOLUME, 1),
                Arguments.of("components in components", threeMf("", tetra(1)
                        + object(2,
                                "<components><component objectid=\"1\"/><component objectid=\"1\" transform=\"1 0 0 0 1 0 0 0 1 0 40 0\"/>"
                                        + "</components>")
                        + object(3,
                                "<components><component objectid=\"2\"/><component objectid=\"2\" transform=\"1 0 0 0 1 0 0 0 1 0 0 "
                                        + "90\"/></components>"),
                        "<item objectid=\"3\"/>"), 4 * VOLUME, 4),
                Arguments.of("nothing placed", threeMf("", tetra(1), ""), VOLUME, 1),
                Arguments.of("an object in another part",
                        threeMf("", object(7, "<components><component p:path=\"/3D/more.model\" objectid=\"1\"/></components>"),
                                "<item objectid=\"7\"/>", "3D/more.model",
                                "<model xmlns=\"http://schemas.microsoft.com/3dmanufacturing/core/2015/02\"><resources>" + tetra(1)
                                        + "</resources></model>"),
                        VOLUME, 1));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("packages")
    void threeMfPlacesItsObjects(String what, byte[] bytes, double volume, int bodies) {
        var r = read("a.3mf", bytes);
        MeshAssert.assertClosed(r.mesh());
        MeshAssert.assertVolume(r.mesh(), volume, 1e-5);
        assertThat(yellowbracket.mesh.Bodies.of(r.mesh()).count()).isEqualTo(bodies);
        assertThat(r.unitDeclared()).isTrue();
    }

    @Test
    void componentsTurnInTheOrderTheyAreNested() {
        // inner: shift by 10 in x; outer: a quarter turn that takes x to y: the point 0 comes to lie at y = 10
        var m = read("a.3mf",
                threeMf("",
                        tetra(1) + object(2, "<components><component objectid=\"1\" transform=\"1 0 0 0 1 0 0 0 1 10 0 0\"/></components>"),
                        "<item objectid=\"2\" transform=\"0 1 0 -1 0 0 0 0 1 0 0 0\"/>"))
                .mesh();
        assertThat(m.bounds().min().y()).isEqualTo(10);
        assertThat(m.bounds().max().y()).isEqualTo(20);
        assertThat(m.bounds().min().x()).isEqualTo(-10);
    }

    @ParameterizedTest
    @EnumSource(Kind.class)
    void packedFilesOpenLikePlainOnes(Kind kind) throws IOException {
        if (kind == Kind.THREE_MF) return; // it is packed already
        var ball = Shapes.sphere(12, 16);
        var packed = new ByteArrayOutputStream();
        try (var gzip = new GZIPOutputStream(packed)) {
            gzip.write(MeshWriter.bytes(List.of(new Named("ball", ball)), kind));
        }
        assertThat(read("ball." + kind.ending() + ".gz", packed.toByteArray()).mesh().triangleCount()).isEqualTo(ball.triangleCount());
    }

    static Stream<Arguments> trips() {
        var shapes = List.of(Shapes.sphere(33.3, 20), Shapes.torus(40, 12, 24, 12), Shapes.cappedShell(90, 3, 50, 40, 20),
                Mesh.union(List.of(Shapes.sphere(5, 12), Shapes.box(new Vec3(20, 0, 0), new Vec3(21.1, 1e-3, 7)))));
        return Stream.of(Kind.values()).flatMap(k -> shapes.stream().map(s -> Arguments.of(k, s)));
    }

    @ParameterizedTest
    @MethodSource("trips")
    void whatIsWrittenIsReadBack(Kind kind, Mesh shape, @TempDir Path dir) throws IOException {
        var file = dir.resolve("shape." + kind.ending());
        MeshWriter.write(List.of(new Named("shape & <co>", shape)), kind, file);
        var back = read(file.toString(), java.nio.file.Files.readAllBytes(file)).mesh();
        assertThat(back.contentHash()).as("the same triangles with the same float coordinates in the same order")
                .isEqualTo(read("x.stl", StlWriter.binary(shape, "")).mesh().contentHash());
        assertThat(Kind.of(file)).contains(kind);
    }

    @Test
    void severalObjectsKeepTheirNames() {
        var two = List.of(new Named("section A", Shapes.sphere(5, 8)),
                new Named("section B", Shapes.sphere(5, 8).moved(new Vec3(30, 0, 0))));
        assertThat(new String(MeshWriter.bytes(two, Kind.OBJ), StandardCharsets.US_ASCII)).contains("o section A\n", "o section B\n");
        var r = read("two.3mf", MeshWriter.bytes(two, Kind.THREE_MF));
        assertThat(yellowbracket.mesh.Bodies.of(r.mesh()).count()).isEqualTo(2);
        assertThat(r.notices()).contains("2 objects are placed in it");
        assertThat(MeshWriter.bytes(two, Kind.THREE_MF)).as("the same bytes every time").isEqualTo(MeshWriter.bytes(two, Kind.THREE_MF));
    }

    @Test
    void aLargeTextIsReadInPiecesWithTheRightLines() {
        var ball = Shapes.sphere(50, 300); // some 4 MB of text: several pieces
        var text = new String(MeshWriter.bytes(List.of(new Named("ball", ball)), Kind.OBJ), StandardCharsets.US_ASCII);
        assertThat(text.length()).isGreaterThan(3 << 20);
        assertThat(obj(text).contentHash()).isEqualTo(read("x.stl", StlWriter.binary(ball, "")).mesh().contentHash());
        int line = (int) text.lines().count();
        assertThat(((MeshFile.Refused) MeshFile.parse("a.obj", ascii(text + "v 1 2 oops\n"), Progress.NONE)).problem().where())
                .isEqualTo("line " + (line + 1));
    }
}
