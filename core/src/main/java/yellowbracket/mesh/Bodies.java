package yellowbracket.mesh;

import java.util.ArrayList;
import java.util.List;

/** The connected shells of a mesh: triangles joined over shared edges (union-find with path halving). */
public final class Bodies {
    private final Mesh mesh;
    private final int[] body;
    private final int count;

    private Bodies(Mesh mesh, int[] body, int count) {
        this.mesh = mesh;
        this.body = body;
        this.count = count;
    }

    public static Bodies of(Mesh mesh) {
        return of(mesh, new Edges(mesh));
    }

    public static Bodies of(Mesh mesh, Edges edges) {
        var parent = new int[mesh.triangleCount()];
        for (int f = 0; f < parent.length; f++) parent[f] = f;
        edges.forEach((from, to) -> {
            for (int i = from + 1; i < to; i++) {
                int a = root(parent, edges.triangle(from)), b = root(parent, edges.triangle(i));
                if (a != b) parent[Math.max(a, b)] = Math.min(a, b);
            }
        });
        var number = new int[parent.length];
        int count = 0;
        for (int f = 0; f < parent.length; f++) {
            int r = root(parent, f);
            number[f] = r == f ? count++ : number[r];
        }
        return new Bodies(mesh, number, count);
    }

    private static int root(int[] parent, int f) {
        int at = f;
        while (parent[at] != at) {
            parent[at] = parent[parent[at]];
            at = parent[at];
        }
        return at;
    }

    public int count() {
        return count;
    }

    /** The number of the body that triangle {@code f} belongs to, from 0 in order of first appearance. */
    public int bodyOf(int f) {
        return body[f];
    }

    public Mesh mesh(int number) {
        var keep = new boolean[body.length];
        for (int f = 0; f < keep.length; f++) keep[f] = body[f] == number;
        return mesh.only(keep);
    }

    /** The same mesh, each triangle tagged with the number of its body. */
    public Mesh tagged() {
        return Mesh.of(mesh.copyXyz(), mesh.copyTriangles(), body);
    }

    public List<Mesh> meshes() {
        var builders = new ArrayList<MeshBuilder>();
        for (int i = 0; i < count; i++) builders.add(new MeshBuilder(16, 16));
        var map = new int[mesh.vertexCount()];
        java.util.Arrays.fill(map, -1);
        var owner = new int[mesh.vertexCount()];
        java.util.Arrays.fill(owner, -1);
        for (int f = 0; f < body.length; f++) {
            var b = builders.get(body[f]);
            var corner = new int[3];
            for (int k = 0; k < 3; k++) {
                int v = mesh.vertex(f, k);
                if (owner[v] != body[f]) { // a vertex may serve two bodies that touch in a point: each gets its own copy
                    owner[v] = body[f];
                    map[v] = b.addVertex(mesh.x(v), mesh.y(v), mesh.z(v));
                }
                corner[k] = map[v];
            }
            b.addTriangle(corner[0], corner[1], corner[2], mesh.tag(f));
        }
        return builders.stream().map(MeshBuilder::build).toList();
    }
}
