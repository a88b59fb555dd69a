package yellowbracket.mesh.repair;

import java.util.Arrays;
import yellowbracket.mesh.Adjacency;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Triangle;
import yellowbracket.mesh.Vec3;

/**
 * Makes neighbours run their shared edge in opposite directions, spreading from triangle to triangle over edges that two of them share;
 * then each
 * closed body faces outwards (a shell that lies within another is left as it is: it may be a cavity), and each open one the way most of its
 * area did.
 */
final class Orient {
    private final Mesh mesh;
    private final Adjacency adjacency;
    private final boolean[] flip;
    private final int[] component;

    private Orient(Mesh mesh) {
        this.mesh = mesh;
        adjacency = new Adjacency(mesh);
        flip = new boolean[mesh.triangleCount()];
        component = new int[mesh.triangleCount()];
    }

    static Mend.Done outwards(Mesh m) {
        return new Orient(m).run();
    }

    private Mend.Done run() {
        int components = spread();
        faceOutwards(components);
        int turned = Flaws.count(flip);
        return turned == 0 ? new Mend.Done(mesh, 0) : new Mend.Done(flipped(), turned);
    }

    private int spread() {
        Arrays.fill(component, -1);
        var queue = new int[mesh.triangleCount()];
        int components = 0;
        for (int seed = 0; seed < queue.length; seed++) {
            if (component[seed] >= 0) continue;
            int head = 0, tail = 0;
            queue[tail++] = seed;
            component[seed] = components;
            while (head < tail) {
                int f = queue[head++];
                for (int k = 0; k < 3; k++) {
                    int other = adjacency.across(3 * f + k);
                    if (other < 0 || component[other / 3] >= 0) continue;
                    int g = other / 3;
                    boolean sameWay = mesh.vertex(f, k) == mesh.vertex(g, other % 3);
                    flip[g] = flip[f] ^ sameWay;
                    component[g] = components;
                    queue[tail++] = g;
                }
            }
            components++;
        }
        return components;
    }

    private void faceOutwards(int components) {
        var volume = new double[components];
        var kept = new double[components];
        var open = new boolean[components];
        var c = mesh.isEmpty() ? Vec3.ZERO : mesh.bounds().centre();
        for (int f = 0; f < flip.length; f++) {
            int at = component[f];
            volume[at] += (flip[f] ? -1 : 1) * Triangle.volume6(mesh, f, c.x(), c.y(), c.z());
            kept[at] += (flip[f] ? -1 : 1) * Triangle.area2(mesh, f);
            for (int k = 0; k < 3; k++) if (adjacency.across(3 * f + k) < 0) open[at] = true;
        }
        var enclosed = Nesting.enclosed(mesh, component, components);
        for (int f = 0; f < flip.length; f++) {
            int at = component[f];
            boolean wrong = open[at] || enclosed[at] ? kept[at] < 0 : volume[at] < 0;
            flip[f] ^= wrong;
        }
    }

    private Mesh flipped() {
        var tri = mesh.copyTriangles();
        var tag = new int[flip.length];
        for (int f = 0; f < flip.length; f++) {
            tag[f] = mesh.tag(f);
            if (!flip[f]) continue;
            int swap = tri[3 * f + 1];
            tri[3 * f + 1] = tri[3 * f + 2];
            tri[3 * f + 2] = swap;
        }
        return Mesh.of(mesh.copyXyz(), tri, tag);
    }
}
