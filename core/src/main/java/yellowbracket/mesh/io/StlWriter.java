package yellowbracket.mesh.io;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Locale;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;

/** STL out. Coordinates are rounded to 32-bit floats, as the format has it. */
public final class StlWriter {
    private StlWriter() {}

    /** The whole binary file: 80 bytes of header, the count, 50 bytes a triangle, little-endian. */
    public static byte[] binary(Mesh m, String title) {
        var out = ByteBuffer.allocate(84 + 50 * m.triangleCount()).order(ByteOrder.LITTLE_ENDIAN);
        var head = ("mm " + title).getBytes(StandardCharsets.US_ASCII);
        out.put(head, 0, Math.min(80, head.length)).position(80);
        out.putInt(m.triangleCount());
        for (int f = 0; f < m.triangleCount(); f++) {
            put(out, normal(m, f));
            for (int k = 0; k < 3; k++) put(out, m.corner(f, k));
            out.putShort((short) 0);
        }
        return out.array();
    }

    public static String ascii(Mesh m, String title) {
        var out = new StringBuilder("solid ").append(title).append('\n');
        for (int f = 0; f < m.triangleCount(); f++) {
            var n = normal(m, f);
            out.append(String.format(Locale.ROOT, "facet normal %.6g %.6g %.6g%n outer loop%n", n.x(), n.y(), n.z()));
            for (int k = 0; k < 3; k++) {
                int v = m.vertex(f, k);
                out.append("  vertex ")
                        .append((float) m.x(v))
                        .append(' ')
                        .append((float) m.y(v))
                        .append(' ')
                        .append((float) m.z(v))
                        .append('\n');
            }
            out.append(" endloop\nendfacet\n");
        }
        return out.append("endsolid ").append(title).append('\n').toString();
    }

    /** Writes beside the target and renames, so that a broken-off write leaves nothing half-done. */
    public static void write(Mesh m, String title, Path file) throws IOException {
        SafeFile.write(file, binary(m, title));
    }

    private static void put(ByteBuffer out, Vec3 p) {
        out.putFloat((float) p.x()).putFloat((float) p.y()).putFloat((float) p.z());
    }

    private static Vec3 normal(Mesh m, int f) {
        var n = m.areaVector(f);
        double len = n.norm();
        return len > 0 ? n.times(1 / len) : Vec3.ZERO;
    }
}
