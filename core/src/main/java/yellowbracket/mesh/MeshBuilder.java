package yellowbracket.mesh;

import java.util.Arrays;

/** Grows a {@link Mesh} triangle by triangle. Single use: {@link #build} hands the arrays over. */
public final class MeshBuilder {
    private double[] xyz;
    private int[] tri;
    private int[] tag;
    private int vertices;
    private int triangles;

    public MeshBuilder(int expectedVertices, int expectedTriangles) {
        xyz = new double[3 * Math.max(4, expectedVertices)];
        tri = new int[3 * Math.max(4, expectedTriangles)];
        tag = new int[Math.max(4, expectedTriangles)];
    }

    public int addVertex(double x, double y, double z) {
        int at = 3 * vertices;
        if (at == xyz.length) xyz = Arrays.copyOf(xyz, 2 * at);
        xyz[at] = x;
        xyz[at + 1] = y;
        xyz[at + 2] = z;
        return vertices++;
    }

    public int addVertex(Vec3 p) {
        return addVertex(p.x(), p.y(), p.z());
    }

    public void addTriangle(int a, int b, int c) {
        addTriangle(a, b, c, Mesh.ORIGINAL);
    }

    public void addTriangle(int a, int b, int c, int withTag) {
        int at = 3 * triangles;
        if (at == tri.length) {
            tri = Arrays.copyOf(tri, 2 * at);
            tag = Arrays.copyOf(tag, 2 * triangles);
        }
        tri[at] = a;
        tri[at + 1] = b;
        tri[at + 2] = c;
        tag[triangles++] = withTag;
    }

    /** Two triangles over the corners a, b, c, d in turn. */
    public void addQuad(int a, int b, int c, int d) {
        addTriangle(a, b, c);
        addTriangle(a, c, d);
    }

    public void addAll(Mesh m) {
        int base = vertices;
        for (int v = 0; v < m.vertexCount(); v++) addVertex(m.x(v), m.y(v), m.z(v));
        for (int f = 0; f < m.triangleCount(); f++)
            addTriangle(base + m.vertex(f, 0), base + m.vertex(f, 1), base + m.vertex(f, 2), m.tag(f));
    }

    public int vertexCount() {
        return vertices;
    }

    public int triangleCount() {
        return triangles;
    }

    public Mesh build() {
        boolean plain = true;
        for (int f = 0; f < triangles && plain; f++) plain = tag[f] == Mesh.ORIGINAL;
        return Mesh.adopting(Arrays.copyOf(xyz, 3 * vertices), Arrays.copyOf(tri, 3 * triangles),
                plain ? new int[0] : Arrays.copyOf(tag, triangles));
    }
}
