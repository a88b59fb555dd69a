package yellowbracket.mesh.io;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import yellowbracket.mesh.Mesh;

/**
 * Mesh files out, in millimetres. Each file is written whole or not at all. Coordinates are rounded to 32-bit floats, as all readers here
 * have them.
 */
public final class MeshWriter {
    private static final LocalDateTime EPOCH = LocalDateTime.of(2000, 1, 1, 0, 0);

    private MeshWriter() {}

    /** The kinds that can be written. */
    public enum Kind {
        STL("stl"), OBJ("obj"), PLY("ply"), THREE_MF("3mf");

        private final String ending;

        Kind(String ending) {
            this.ending = ending;
        }

        public String ending() {
            return ending;
        }

        /** By the ending of the name. */
        public static Optional<Kind> of(Path file) {
            String n = String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT);
            for (var k : values()) if (n.endsWith("." + k.ending)) return Optional.of(k);
            return Optional.empty();
        }
    }

    /** A mesh and what it is called. */
    public record Named(String name, Mesh mesh) {}

    /** @throws IOException when the folder cannot be written; a file of that name is then as it was */
    public static void write(List<Named> objects, Kind kind, Path file) throws IOException {
        SafeFile.write(file, bytes(objects, kind));
    }

    /** The whole file. STL and PLY hold one mesh: several objects become one there. */
    public static byte[] bytes(List<Named> objects, Kind kind) {
        if (objects.isEmpty()) throw new IllegalArgumentException("nothing to write");
        return switch (kind) {
            case STL -> StlWriter.binary(one(objects), objects.getFirst().name());
            case PLY -> ply(one(objects));
            case OBJ -> obj(objects);
            case THREE_MF -> threeMf(objects);
        };
    }

    private static Mesh one(List<Named> objects) {
        return objects.size() == 1 ? objects.getFirst().mesh() : Mesh.union(objects.stream().map(Named::mesh).toList());
    }

    private static byte[] obj(List<Named> objects) {
        var out = new StringBuilder("# millimetres\n");
        int first = 1;
        for (var o : objects) {
            var m = o.mesh();
            out.append("o ").append(plain(o.name())).append('\n');
            for (int v = 0; v < m.vertexCount(); v++)
                out.append("v ").append((float) m.x(v)).append(' ').append((float) m.y(v)).append(' ').append((float) m.z(v)).append('\n');
            for (int f = 0; f < m.triangleCount();
                    f++)
                out.append("f ")
                        .append(first + m.vertex(f, 0))
                        .append(' ')
                        .append(first + m.vertex(f, 1))
                        .append(' ')
                        .append(first + m.vertex(f, 2))
                        .append('\n');
            first += m.vertexCount();
        }
        return out.toString().getBytes(StandardCharsets.US_ASCII);
    }

    private static byte[] ply(Mesh m) {
        var head = ("ply\nformat binary_little_endian 1.0\ncomment millimetres\nelement vertex " + m.vertexCount()
                + "\nproperty float x\nproperty float y\nproperty float z\nelement face " + m.triangleCount()
                + "\nproperty list uchar int vertex_indices\nend_header\n").getBytes(StandardCharsets.US_ASCII);
        var out = ByteBuffer.allocate(head.length + 12 * m.vertexCount() + 13 * m.triangleCount()).order(ByteOrder.LITTLE_ENDIAN);
        out.put(head);
        for (int v = 0; v < m.vertexCount(); v++) out.putFloat((float) m.x(v)).putFloat((float) m.y(v)).putFloat((float) m.z(v));
        for (int f = 0; f < m.triangleCount(); f++) {
            out.put((byte) 3);
            for (int k = 0; k < 3; k++) out.putInt(m.vertex(f, k));
        }
        return out.array();
    }

    private static byte[] threeMf(List<Named> objects) {
        var bytes = new ByteArrayOutputStream(1 << 20);
        try (var zip = new ZipOutputStream(bytes)) {
            put(zip, "[Content_Types].xml", """
                    <?xml version="1.0" encoding="UTF-8"?>
                    <Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types">\
                    <Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/>\
                    <Default Extension="model" ContentType="application/vnd.ms-package.3dmanufacturing-3dmodel+xml"/></Types>
                    """);
            put(zip, "_rels/.rels", """
                    <?xml version="1.0" encoding="UTF-8"?>
                    <Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships">\
                    <Relationship Target="/3D/3dmodel.model" Id="rel0" \
                    Type="http://schemas.microsoft.com/3dmanufacturing/2013/01/3dmodel"/></Relationships>
                    """);
            put(zip, "3D/3dmodel.model", model(objects));
        } catch (IOException e) {
            throw new UncheckedIOException("memory can always be written", e);
        }
        return bytes.toByteArray();
    }

    private static void put(ZipOutputStream zip, String name, CharSequence content) throws IOException {
        var entry = new ZipEntry(name);
        entry.setTimeLocal(EPOCH); // the same mesh gives the same bytes
        zip.putNextEntry(entry);
        zip.write(content.toString().getBytes(StandardCharsets.UTF_8));
        zip.closeEntry();
    }

    private static StringBuilder model(List<Named> objects) {
        var out = new StringBuilder("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<model unit=\"millimeter\" xml:lang=\"en\" "
                + "xmlns=\"http://schemas.microsoft.com/3dmanufacturing/core/2015/02\">\n<resources>\n");
        for (int i = 0; i < objects.size(); i++) {
            var m = objects.get(i).mesh();
            out.append("<object id=\"")
                    .append(i + 1)
                    .append("\" type=\"model\" name=\"")
                    .append(escaped(objects.get(i).name()))
                    .append("\"><mesh><vertices>\n");
            for (int v = 0; v < m.vertexCount();
                    v++)
                out.append("<vertex x=\"")
                        .append((float) m.x(v))
                        .append("\" y=\"")
                        .append((float) m.y(v))
                        .append("\" z=\"")
                        .append((float) m.z(v))
                        .append("\"/>\n");
            out.append("</vertices><triangles>\n");
            for (int f = 0; f < m.triangleCount();
                    f++)
                out.append("<triangle v1=\"")
                        .append(m.vertex(f, 0))
                        .append("\" v2=\"")
                        .append(m.vertex(f, 1))
                        .append("\" v3=\"")
                        .append(m.vertex(f, 2))
                        .append("\"/>\n");
            out.append("</triangles></mesh></object>\n");
        }
        out.append("</resources>\n<build>\n");
        for (int i = 0; i < objects.size(); i++) out.append("<item objectid=\"").append(i + 1).append("\"/>\n");
        return out.append("</build>\n</model>\n");
    }

    private static String escaped(String s) {
        return plain(s).replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;").replace("\"", "&quot;");
    }

    private static String plain(String s) {
        return s.replaceAll("[^\\x20-\\x7e]", "-");
    }
}
