package yellowbracket.demo;

import java.util.ArrayList;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;

/**
 * A harbour lantern as found somewhere: in centimetres, y up, in some forty bodies, with the faults such files have: a hole in the roof, a
 * post inside
 * out, facets that stand twice, posts that run into the base, a pane with no thickness to speak of.
 */
public final class FoundLantern {
    private FoundLantern() {}

    public static Mesh mesh() {
        var parts = new ArrayList<Mesh>();
        // roof
        parts.add(withHole(Shapes.lathe(new double[][] {{0, 210}, {78, 214}, {82, 218}, {40, 246}, {16, 262}, {0, 264}}, false, 96)));
        // base
        parts.add(doubled(Shapes.lathe(new double[][] {{0, 0}, {84, 0}, {88, 6}, {84, 12}, {66, 16}, {66, 24}, {0, 24}}, false, 96)));
        for (int i = 0; i < 4; i++) {
            double a = Math.PI / 4 + Math.PI / 2 * i;
            var post = Shapes.tube(5, 0, 20, 214, 20).moved(new Vec3(62 * Math.cos(a), 62 * Math.sin(a), 0));
            parts.add(i == 2 ? insideOut(post) : post);
        }
        parts.add(Shapes.tube(54, 53.4, 25, 209, 96)); // the pane
        parts.add(Shapes.torus(26, 4, 48, 16).turned(Turn.quarter(0)).moved(new Vec3(0, 0, 284))); // the ring it hangs by
        for (int ring = 0; ring < 2; ring++) for (int i = 0; i < 16; i++) { // rivets
            double a = 2 * Math.PI * (i + 0.5) / 16, r = ring == 0 ? 87 : 80;
            parts.add(Shapes.sphere(2.6, 12).moved(new Vec3(r * Math.cos(a), r * Math.sin(a), ring == 0 ? 6 : 217)));
        }
        return Mesh.union(parts).turned(Turn.quarter(0).inverse()).scaled(0.1);
    }

    private static Mesh withHole(Mesh m) {
        var keep = new boolean[m.triangleCount()];
        for (int f = 0; f < keep.length; f++) keep[f] = !(f >= 300 && f < 312);
        return m.only(keep);
    }

    private static Mesh doubled(Mesh m) {
        var b = new MeshBuilder(m.vertexCount(), m.triangleCount() + 6);
        b.addAll(m);
        for (int f = 200; f < 206; f++) b.addTriangle(m.vertex(f, 0), m.vertex(f, 1), m.vertex(f, 2));
        return b.build();
    }

    private static Mesh insideOut(Mesh m) {
        var b = new MeshBuilder(m.vertexCount(), m.triangleCount());
        for (int v = 0; v < m.vertexCount(); v++) b.addVertex(m.point(v));
        for (int f = 0; f < m.triangleCount(); f++) b.addTriangle(m.vertex(f, 0), m.vertex(f, 2), m.vertex(f, 1));
        return b.build();
    }

    /** Roof, base, four posts, pane, ring, rivets. */
    public static final int BODIES = 1 + 1 + 4 + 1 + 1 + 32;
}
