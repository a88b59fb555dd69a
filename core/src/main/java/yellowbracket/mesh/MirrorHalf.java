package yellowbracket.mesh;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;

/**
 * One half of a mesh and its own mirror image in place of the other half, so that left and right are exactly alike: what lies beyond the
 * plane x = 0 goes,
 * triangles that cross it are clipped there, the rest is copied across. A closed mesh stays closed. Single use.
 */
public final class MirrorHalf {
    /** Nearer to the plane than this counts as on it, mm. */
    private static final double ON_MM = 1e-6;

    private final Mesh mesh;
    private final double side;
    private final MeshBuilder out;
    private final int[] kept;
    private final int[] across;
    private final Map<Long, Integer> crossings = new HashMap<>();

    private MirrorHalf(Mesh mesh, boolean right) {
        this.mesh = mesh;
        side = right ? 1 : -1;
        out = new MeshBuilder(mesh.vertexCount(), mesh.triangleCount());
        kept = new int[mesh.vertexCount()];
        across = new int[mesh.vertexCount()];
        Arrays.fill(kept, -1);
    }

    /** @param right whether the half where x is above 0 stays */
    public static Mesh of(Mesh mesh, boolean right) {
        return new MirrorHalf(mesh, right).run();
    }

    /** An index into the result and that of its mirror image. */
    private record Corner(int here, int there) {}

    private Mesh run() {
        var polygon = new Corner[4];
        for (int f = 0; f < mesh.triangleCount(); f++) {
            int n = 0;
            boolean inside = false;
            for (int k = 0; k < 3; k++) {
                int a = mesh.vertex(f, k), b = mesh.vertex(f, (k + 1) % 3);
                double ha = height(a), hb = height(b);
                inside |= ha > 0;
                if (ha >= 0) polygon[n++] = vertex(a);
                if (ha > 0 && hb < 0 || ha < 0 && hb > 0) polygon[n++] = crossing(a, b);
            }
            if (!inside) continue;
            for (int k = 2; k < n; k++) {
                out.addTriangle(polygon[0].here, polygon[k - 1].here, polygon[k].here, mesh.tag(f));
                out.addTriangle(polygon[0].there, polygon[k].there, polygon[k - 1].there, mesh.tag(f));
            }
        }
        return out.build();
    }

    /** Above 0 on the side that stays, 0 on the plane. */
    private double height(int v) {
        double x = side * mesh.x(v);
        return Math.abs(x) <= ON_MM ? 0 : x;
    }

    private Corner vertex(int v) {
        if (kept[v] < 0) {
            boolean on = height(v) == 0;
            kept[v] = out.addVertex(on ? 0 : mesh.x(v), mesh.y(v), mesh.z(v));
            across[v] = on ? kept[v] : out.addVertex(-mesh.x(v), mesh.y(v), mesh.z(v));
        }
        return new Corner(kept[v], across[v]);
    }

    private Corner crossing(int a, int b) {
        int lo = Math.min(a, b), hi = Math.max(a, b);
        int at = crossings.computeIfAbsent(DirectedEdge.key(lo, hi), k -> {
            double t = mesh.x(lo) / (mesh.x(lo) - mesh.x(hi));
            return out.addVertex(0, mesh.y(lo) + t * (mesh.y(hi) - mesh.y(lo)), mesh.z(lo) + t * (mesh.z(hi) - mesh.z(lo)));
        });
        return new Corner(at, at);
    }
}
