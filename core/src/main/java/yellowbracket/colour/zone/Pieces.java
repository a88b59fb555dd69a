package yellowbracket.colour.zone;

import java.util.Arrays;
import yellowbracket.mesh.Mesh;

/**
 * How the facets of a mesh are split. {@code ends} and {@code at}: added vertex i lies at share {@code at[i]} on the way from vertex
 * {@code ends[2 i]} to {@code ends[2 i + 1]}, which are earlier ones. {@code tri}: three vertices a piece; {@code parent}: the facet it is
 * of, rising.
 */
final class Pieces {
    private final int baseVertices;
    final int[] ends;
    final double[] at;
    final int[] tri;
    final int[] parent;

    Pieces(int baseVertices, int[] ends, double[] at, int[] tri, int[] parent) {
        this.baseVertices = baseVertices;
        this.ends = ends;
        this.at = at;
        this.tri = tri;
        this.parent = parent;
    }

    static Pieces whole(Mesh m) {
        var parent = new int[m.triangleCount()];
        Arrays.setAll(parent, f -> f);
        return new Pieces(m.vertexCount(), new int[0], new double[0], m.copyTriangles(), parent);
    }

    int parent(int piece) {
        return parent[piece];
    }

    int vertices() {
        return baseVertices + at.length;
    }

    int baseVertices() {
        return baseVertices;
    }

    Mesh mesh(Mesh base) {
        if (at.length == 0) return base;
        var xyz = Arrays.copyOf(base.copyXyz(), 3 * vertices());
        for (int i = 0; i < at.length; i++) {
            int p = 3 * ends[2 * i], q = 3 * ends[2 * i + 1], to = 3 * (baseVertices + i);
            for (int k = 0; k < 3; k++) xyz[to + k] = xyz[p + k] + at[i] * (xyz[q + k] - xyz[p + k]);
        }
        return Mesh.adopting(xyz, tri, new int[0]);
    }

    long bytes() {
        return 4L * ends.length + 8L * at.length + 4L * tri.length + 4L * parent.length;
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof Pieces p && baseVertices == p.baseVertices && Arrays.equals(ends, p.ends) && Arrays.equals(at, p.at)
                && Arrays.equals(tri, p.tri) && Arrays.equals(parent, p.parent);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(tri);
    }
}
