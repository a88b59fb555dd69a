package yellowbracket.mesh.io;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import yellowbracket.mesh.Polygon3;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.VertexWeld;

/**
 * Where indexed readers put what they find: numbered points, then polygons over them. Points of equal bits become one; points that are no
 * number
 * drop the polygons that use them; polygons of more than three corners are split. Single use.
 */
final class TriangleSink {
    private final VertexWeld weld;
    private final int[] points; // file index -> welded index, -1 for a point that is no number
    private int pointCount;
    private int[] tri;
    private int used;
    private int broken;
    private int fans;

    TriangleSink(int points, int expectedTriangles) {
        this.points = new int[points];
        weld = new VertexWeld(points);
        tri = new int[3 * Math.max(8, expectedTriangles)];
    }

    void point(float x, float y, float z) {
        points[pointCount++] = Float.isFinite(x) && Float.isFinite(y) && Float.isFinite(z) ? weld.index(x, y, z) : -1;
    }

    int pointCount() {
        return pointCount;
    }

    void triangle(int a, int b, int c) {
        int p = points[a], q = points[b], r = points[c];
        if (p < 0 || q < 0 || r < 0) {
            broken++;
            return;
        }
        if (used == tri.length) tri = Arrays.copyOf(tri, 2 * used);
        tri[used] = p;
        tri[used + 1] = q;
        tri[used + 2] = r;
        used += 3;
    }

    /** A polygon over {@code n} points from {@code corners[from]} on; fewer than three corners make nothing. */
    void polygon(int[] corners, int from, int n) {
        if (n == 3) triangle(corners[from], corners[from + 1], corners[from + 2]);
        if (n < 4) return;
        if (n > Polygon3.MOST_CORNERS) fans++;
        var outline = new ArrayList<Vec3>(n);
        for (int i = 0; i < n; i++) {
            int p = points[corners[from + i]];
            if (p < 0) {
                broken++;
                return;
            }
            outline.add(weld.point(p));
        }
        for (var t : Polygon3.triangles(outline)) triangle(corners[from + t[0]], corners[from + t[1]], corners[from + t[2]]);
    }

    /** The mesh, or why there is none. */
    MeshFile finish(String name, List<String> notices, boolean unitDeclared) {
        var all = new ArrayList<>(notices);
        if (broken > 0) all.add(broken + " facets with a coordinate that is not a number were left out");
        if (fans > 0) all.add(fans + " facets with more than " + Polygon3.MOST_CORNERS + " corners were split as fans: look at them");
        if (used == 0) return MeshFile.refuse(name, "", "the file holds no facet", "open another file");
        return new MeshFile.Read(weld.mesh(tri, used).compact(), List.copyOf(all), unitDeclared);
    }
}
