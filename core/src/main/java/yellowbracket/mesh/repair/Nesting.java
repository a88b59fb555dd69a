package yellowbracket.mesh.repair;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import yellowbracket.mesh.Bodies;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/** Which bodies lie wholly within another: by boxes first, then by whether {@link #PROBES} of their vertices lie inside it. */
public final class Nesting {
    /** Points of a body asked whether they lie inside another; the majority counts. */
    private static final int PROBES = 12;

    private Nesting() {}

    /** @param body the number of the body of each triangle, 0 to {@code count} - 1 */
    public static boolean[] enclosed(Mesh mesh, int[] body, int count) {
        var out = new boolean[count];
        if (count < 2) return out;
        var boxes = boxes(mesh, body, count);
        var probes = probes(mesh, body, count);
        var index = new Bvh[count];
        for (int b = 0; b < count; b++) for (int c = 0; c < count && !out[b]; c++) {
            if (b == c || !holds(boxes[c], boxes[b])) continue;
            if (index[c] == null) index[c] = Bvh.of(only(mesh, body, c));
            var around = index[c];
            out[b] = probes.get(b).stream().allMatch(around::inside);
        }
        return out;
    }

    private static Mesh only(Mesh mesh, int[] body, int number) {
        var keep = new boolean[body.length];
        for (int f = 0; f < keep.length; f++) keep[f] = body[f] == number;
        return mesh.only(keep);
    }

    private static boolean holds(double[] outer, double[] inner) {
        for (int a = 0; a < 3; a++) if (inner[a] <= outer[a] || inner[3 + a] >= outer[3 + a]) return false;
        return true;
    }

    static double[][] boxes(Mesh mesh, int[] body, int count) {
        var boxes = new double[count][];
        for (int b = 0; b < count; b++) boxes[b] = new double[] {1e300, 1e300, 1e300, -1e300, -1e300, -1e300};
        for (int f = 0; f < body.length; f++) {
            var box = boxes[body[f]];
            for (int k = 0; k < 3; k++) {
                int v = mesh.vertex(f, k);
                grow(box, 0, mesh.x(v));
                grow(box, 1, mesh.y(v));
                grow(box, 2, mesh.z(v));
            }
        }
        return boxes;
    }

    private static void grow(double[] box, int axis, double x) {
        if (x < box[axis]) box[axis] = x;
        if (x > box[3 + axis]) box[3 + axis] = x;
    }

    private static List<List<Vec3>> probes(Mesh mesh, int[] body, int count) {
        var size = new int[count];
        for (int b : body) size[b]++;
        var seen = new int[count];
        var out = new ArrayList<List<Vec3>>();
        for (int b = 0; b < count; b++) out.add(new ArrayList<>());
        for (int f = 0; f < body.length; f++) {
            int b = body[f], step = Math.max(1, size[b] / PROBES);
            if (seen[b]++ % step == 0) out.get(b).add(mesh.corner(f, 0));
        }
        return out;
    }

    public static int[] numbers(Bodies bodies, int triangles) {
        var out = new int[triangles];
        Arrays.setAll(out, bodies::bodyOf);
        return out;
    }
}
