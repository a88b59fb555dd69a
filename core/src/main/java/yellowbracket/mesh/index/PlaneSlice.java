package yellowbracket.mesh.index;

import java.util.Arrays;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Vec3;

/**
 * What a plane meets of a mesh: segments on it, six numbers each, the material to the left of their run seen from the side the normal
 * points to; with the length and,
 * for a closed mesh, the area they enclose. {@code behind} is the part of the mesh on the side the normal points away from, its cut left
 * open: for drawing.
 */
public record PlaneSlice(Vec3 normal, double offset, double[] segments) {
    /** Points this near the plane, as a share of the mesh, are moved off it. */
    private static final double NUDGE = 1e-9;

    public PlaneSlice {
        segments = segments.clone();
    }

    /** O(log n) and the facets met. @param normal unit */
    public static PlaneSlice of(Mesh m, Bvh index, Vec3 normal, double offset) {
        int[] n = {0};
        var box = m.isEmpty() ? 1 : m.bounds().diagonal();
        double at = offset + NUDGE * box;
        var grown = new double[][] {new double[600]};
        index.onPlane(normal, at, f -> {
            var a = m.corner(f, 0);
            var b = m.corner(f, 1);
            var c = m.corner(f, 2);
            double ha = normal.dot(a) - at, hb = normal.dot(b) - at, hc = normal.dot(c) - at;
            if (ha > 0 == hb > 0 && hb > 0 == hc > 0) return;
            // turned so that the corner alone on its side comes first
            if (ha > 0 == hb > 0) put(grown, n, c, a, b, hc, ha, hb);
            else if (hb > 0 == hc > 0) put(grown, n, a, b, c, ha, hb, hc);
            else put(grown, n, b, c, a, hb, hc, ha);
        });
        return new PlaneSlice(normal, offset, Arrays.copyOf(grown[0], n[0]));
    }

    private static void put(double[][] grown, int[] n, Vec3 alone, Vec3 next, Vec3 last, double ha, double hn, double hl) {
        var in = cross(last, alone, hl, ha);
        var out = cross(alone, next, ha, hn);
        if (n[0] + 6 > grown[0].length) grown[0] = Arrays.copyOf(grown[0], 2 * grown[0].length);
        for (var p : ha > 0 ? new Vec3[] {out, in} : new Vec3[] {in, out}) for (int k = 0; k < 3; k++) grown[0][n[0]++] = p.get(k);
    }

    private static Vec3 cross(Vec3 a, Vec3 b, double ha, double hb) {
        return a.plus(b.minus(a).times(ha / (ha - hb)));
    }

    /** The copy a record hands out. */
    @Override
    public double[] segments() {
        return segments.clone();
    }

    public boolean isEmpty() {
        return segments.length == 0;
    }

    public double lengthMm() {
        double sum = 0;
        for (int i = 0; i < segments.length; i += 6) sum += Math.sqrt(square(segments[i + 3] - segments[i])
                + square(segments[i + 4] - segments[i + 1]) + square(segments[i + 5] - segments[i + 2]));
        return sum;
    }

    private static double square(double v) {
        return v * v;
    }

    /** Area of the material cut, mm2 (Green's theorem over the segments, in whatever order they come); right for closed meshes. */
    public double areaMm2() {
        double twice = 0;
        for (int i = 0; i < segments.length; i += 6) twice += normal.dot(
                new Vec3(segments[i], segments[i + 1], segments[i + 2]).cross(new Vec3(segments[i + 3], segments[i + 4], segments[i + 5])));
        return Math.abs(twice) / 2;
    }

    /** The part of {@code m} behind the plane, open where it is cut. O(n). */
    public static Mesh behind(Mesh m, Vec3 normal, double offset) {
        var b = new MeshBuilder(m.vertexCount(), m.triangleCount());
        var kept = new int[m.vertexCount()];
        var height = new double[kept.length];
        for (int v = 0; v < kept.length; v++) {
            height[v] = normal.x() * m.x(v) + normal.y() * m.y(v) + normal.z() * m.z(v) - offset;
            kept[v] = height[v] <= 0 ? b.addVertex(m.x(v), m.y(v), m.z(v)) : -1;
        }
        var corner = new int[4];
        for (int f = 0; f < m.triangleCount(); f++) {
            int n = 0;
            for (int k = 0; k < 3; k++) {
                int v = m.vertex(f, k), w = m.vertex(f, (k + 1) % 3);
                if (kept[v] >= 0) corner[n++] = kept[v];
                if (kept[v] >= 0 != kept[w] >= 0) corner[n++] = b.addVertex(cross(m.point(v), m.point(w), height[v], height[w]));
            }
            for (int k = 2; k < n; k++) b.addTriangle(corner[0], corner[k - 1], corner[k], m.tag(f));
        }
        return b.build();
    }
}
