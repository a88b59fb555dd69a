package yellowbracket.export;

import java.util.Map;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.function.IntPredicate;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Vec3;

/**
 * A prop seen from the wearer's left and a little above, some of its sections lit.
 *
 * @param argb pixels row by row; where nothing is, they are clear
 */
public record PropPicture(int wide, int tall, int[] argb) {
    private static final double YAW = Math.toRadians(-28), PITCH = Math.toRadians(16);
    private static final Vec3 RIGHT = new Vec3(-Math.cos(YAW), Math.sin(YAW), 0),
            UP = new Vec3(-Math.sin(PITCH) * Math.sin(YAW), -Math.sin(PITCH) * Math.cos(YAW), Math.cos(PITCH));
    private static final int PAPER = 0xffffff, OPAQUE = 0xff000000;

    /** @param bright names of the sections that are lit @param largest pixels of its longer side @param plain 0xRRGGBB, as {@code lit} */
    public static PropPicture of(Map<String, Mesh> sections, Set<String> bright, int largest, int plain, int lit) {
        return of(sections, (name, f) -> bright.contains(name), largest, plain, lit);
    }

    /** @param bright facets of each section that are lit @param largest pixels of its longer side @param plain 0xRRGGBB, as {@code lit} */
    public static PropPicture of(Map<String, Mesh> sections, BiPredicate<String, Integer> bright, int largest, int plain, int lit) {
        var all = new MeshBuilder(1024, 1024);
        sections.forEach((name, mesh) -> add(all, mesh, f -> bright.test(name, f)));
        var mesh = all.build();
        return of(mesh, f -> mesh.tag(f) == 1, largest, plain, lit);
    }

    /** @param bright facets that are lit @param largest pixels of its longer side @param plain 0xRRGGBB, as {@code lit} */
    public static PropPicture of(Mesh mesh, IntPredicate bright, int largest, int plain, int lit) {
        var b = mesh.bounds();
        double size = b.max().minus(b.min()).norm();
        var raster = Raster.of(mesh, RIGHT, UP, size / largest, f -> bright.test(f) ? lit : plain);
        var out = new int[raster.wide() * raster.tall()];
        for (int y = 0; y < raster.tall(); y++) for (int x = 0; x < raster.wide(); x++) {
            int rgb = raster.pixel(x, y);
            out[y * raster.wide() + x] = rgb == PAPER ? 0 : OPAQUE | rgb;
        }
        return new PropPicture(raster.wide(), raster.tall(), out);
    }

    private static void add(MeshBuilder all, Mesh m, IntPredicate bright) {
        int first = all.vertexCount();
        for (int v = 0; v < m.vertexCount(); v++) all.addVertex(m.point(v));
        for (int f = 0; f < m.triangleCount(); f++)
            all.addTriangle(first + m.vertex(f, 0), first + m.vertex(f, 1), first + m.vertex(f, 2), bright.test(f) ? 1 : 0);
    }
}
