package yellowbracket.cut.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.measure.SliceMoments;

/**
 * Looks at many parallel planes through one piece in a single pass over its triangles: what each would leave on either side and what line
 * it would draw,
 * without cutting anything. O(triangles + crossings) a direction. Single use.
 */
final class CutSweep {
    private static final double FAR = 1e300;
    /** So far to either side a thick place makes a neck of a plane, mm. */
    private static final double BESIDE_MM = 60;

    private final Mesh mesh;
    private final Vec3 normal;
    private final double[] offsets;
    private final SurfaceWorth worth;
    private final double[] height;
    /** For each vertex, how many planes lie at or below it: it is above planes 0 .. rank-1. */
    private final int[] rank;
    /**
     * Boxes, six numbers each (low x y z, high x y z): of the vertices between two planes, later of all above and of all below each plane.
     */
    private final double[] above;
    private final double[] below;
    private final double[] line;
    private final double[] show;
    private final double[] crease;
    private final double[] border;
    private final double[] rim;
    private final SliceMoments moments;

    private CutSweep(Mesh mesh, Vec3 normal, double[] offsets, SurfaceWorth worth) {
        this.mesh = mesh;
        this.normal = normal;
        this.offsets = offsets;
        this.worth = worth;
        int k = offsets.length;
        height = new double[mesh.vertexCount()];
        rank = new int[mesh.vertexCount()];
        above = boxes(k);
        below = boxes(k);
        line = new double[k];
        show = new double[k];
        crease = new double[k];
        border = new double[k];
        rim = new double[k];
        moments = new SliceMoments(k);
    }

    /** Planes that miss the piece are left out. @param offsets mm along the normal, ascending */
    static List<CutChoice> of(Mesh mesh, Vec3 normal, double[] offsets, boolean mirror, SurfaceWorth worth) {
        return new CutSweep(mesh, normal, offsets, worth).run(mirror);
    }

    private List<CutChoice> run(boolean mirror) {
        sortVertices();
        var frame = new CutPlane(normal, 0).frame();
        for (int t = 0; t < mesh.triangleCount(); t++) {
            int a = mesh.vertex(t, 0), b = mesh.vertex(t, 1), c = mesh.vertex(t, 2);
            int first = Math.min(rank[a], Math.min(rank[b], rank[c])), last = Math.max(rank[a], Math.max(rank[b], rank[c]));
            for (int i = first; i < last; i++) cross(i, t, a, b, c, frame);
        }
        var out = new ArrayList<CutChoice>();
        for (int i = 0; i < offsets.length; i++) {
            var up = size(above, i);
            var down = size(below, i);
            if (line[i] > 0 && !up.equals(Vec3.ZERO) && !down.equals(Vec3.ZERO)) out.add(new CutChoice(new CutPlane(normal, offsets[i]),
                    mirror, line[i], show[i], crease[i], border[i], rim[i], moments.areaMm2(i), neck(i), up, down));
        }
        return out;
    }

    /** How much weaker plane {@code i} is than the thick places on both its sides, 0 to 1: there is its neck. */
    private double neck(int i) {
        double here = moments.modulusMm3(i), up = 0, down = 0;
        for (int j = i + 1; j < offsets.length && offsets[j] <= offsets[i] + BESIDE_MM; j++) up = Math.max(up, moments.modulusMm3(j));
        for (int j = i - 1; j >= 0 && offsets[j] >= offsets[i] - BESIDE_MM; j--) down = Math.max(down, moments.modulusMm3(j));
        double thick = Math.min(up, down);
        return thick <= here ? 0 : 1 - here / thick;
    }

    private void sortVertices() {
        int k = offsets.length;
        var slabs = boxes(k + 1);
        for (int v = 0; v < height.length; v++) {
            double x = mesh.x(v), y = mesh.y(v), z = mesh.z(v);
            height[v] = normal.x() * x + normal.y() * y + normal.z() * z;
            int at = Arrays.binarySearch(offsets, height[v]);
            rank[v] = at >= 0 ? at + 1 : -at - 1;
            grow(slabs, rank[v], x, y, z);
        }
        for (int i = 0; i < k; i++) {
            merge(below, i, slabs, i);
            if (i > 0) merge(below, i, below, i - 1);
        }
        for (int i = k - 1; i >= 0; i--) {
            merge(above, i, slabs, i + 1);
            if (i < k - 1) merge(above, i, above, i + 1);
        }
    }

    /** Triangle {@code t} crosses plane {@code i} between its lone corner and the two others. */
    private void cross(int i, int t, int a, int b, int c, CutPlane.Frame f) {
        double d = offsets[i];
        boolean sa = height[a] >= d, sb = height[b] >= d, sc = height[c] >= d;
        int q = sb == sc ? a : sa == sc ? b : c, r = q == a ? b : q == b ? c : a, s = q == a ? c : q == b ? a : b;
        double k = (height[q] - d) / (height[q] - height[r]), l = (height[q] - d) / (height[q] - height[s]);
        double x0 = mesh.x(q) + k * (mesh.x(r) - mesh.x(q)), y0 = mesh.y(q) + k * (mesh.y(r) - mesh.y(q)),
                z0 = mesh.z(q) + k * (mesh.z(r) - mesh.z(q));
        double x1 = mesh.x(q) + l * (mesh.x(s) - mesh.x(q)), y1 = mesh.y(q) + l * (mesh.y(s) - mesh.y(q)),
                z1 = mesh.z(q) + l * (mesh.z(s) - mesh.z(q));
        grow(above, i, x0, y0, z0);
        grow(above, i, x1, y1, z1);
        grow(below, i, x0, y0, z0);
        grow(below, i, x1, y1, z1);
        double u0 = f.first().x() * x0 + f.first().y() * y0 + f.first().z() * z0,
                v0 = f.second().x() * x0 + f.second().y() * y0 + f.second().z() * z0;
        double u1 = f.first().x() * x1 + f.first().y() * y1 + f.first().z() * z1,
                v1 = f.second().x() * x1 + f.second().y() * y1 + f.second().z() * z1;
        if (height[q] >= d) moments.edge(i, u1, v1, u0, v0);
        else moments.edge(i, u0, v0, u1, v1);
        int tag = mesh.tag(t);
        if (!SurfaceWorth.own(tag)) return;
        double length = Math.sqrt((u1 - u0) * (u1 - u0) + (v1 - v0) * (v1 - v0)), seen = length * worth.seen(tag);
        line[i] += length;
        show[i] += seen;
        if (worth.crease(tag)) crease[i] += seen;
        if (worth.border(tag)) border[i] += seen;
        if (worth.rim(tag)) rim[i] += length;
    }

    private static double[] boxes(int n) {
        var out = new double[6 * n];
        for (int i = 0; i < out.length; i++) out[i] = i % 6 < 3 ? FAR : -FAR;
        return out;
    }

    private static void grow(double[] boxes, int i, double x, double y, double z) {
        int o = 6 * i;
        boxes[o] = Math.min(boxes[o], x);
        boxes[o + 1] = Math.min(boxes[o + 1], y);
        boxes[o + 2] = Math.min(boxes[o + 2], z);
        boxes[o + 3] = Math.max(boxes[o + 3], x);
        boxes[o + 4] = Math.max(boxes[o + 4], y);
        boxes[o + 5] = Math.max(boxes[o + 5], z);
    }

    private static void merge(double[] into, int i, double[] from, int j) {
        for (int a = 0; a < 3; a++) {
            into[6 * i + a] = Math.min(into[6 * i + a], from[6 * j + a]);
            into[6 * i + 3 + a] = Math.max(into[6 * i + 3 + a], from[6 * j + 3 + a]);
        }
    }

    private static Vec3 size(double[] boxes, int i) {
        int o = 6 * i;
        return boxes[o + 3] < boxes[o] ? Vec3.ZERO
                : new Vec3(boxes[o + 3] - boxes[o], boxes[o + 4] - boxes[o + 1], boxes[o + 5] - boxes[o + 2]);
    }
}
