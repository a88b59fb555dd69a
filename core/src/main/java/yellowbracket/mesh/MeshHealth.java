package yellowbracket.mesh;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;

/** What is wrong with a mesh, counted. A mesh is closed when every edge joins exactly two triangles that run along it in opposite directions. */
public record MeshHealth(int triangles, int vertices, List<Body> bodies, int boundaryEdges, int nonManifoldEdges,
                         int misorientedEdges, int duplicateTriangles, int degenerateTriangles, int flippedBodies) {
    /** One connected shell; {@code volumeMm3} is signed. */
    public record Body(int triangles, double volumeMm3, double areaMm2, boolean closed, Bounds3 bounds) {}

    public boolean closed() {
        return triangles > 0 && boundaryEdges == 0 && nonManifoldEdges == 0 && misorientedEdges == 0;
    }

    /** Every edge is used as often in one direction as in the other; weaker than {@link #closed}: a body may touch itself along an edge. */
    public static boolean balanced(Mesh m) {
        var edges = new Edges(m);
        var ok = new boolean[] {!m.isEmpty()};
        edges.forEach((from, to) -> {
            int sum = 0;
            for (int i = from; i < to; i++) sum += edges.forward(m, i) ? 1 : -1;
            if (sum != 0) ok[0] = false;
        });
        return ok[0];
    }

    public static MeshHealth of(Mesh m) {
        return new Examination(m).run();
    }

    private static final class Examination {
        private final Mesh mesh;
        private final Edges edges;
        private final Bodies bodies;
        private final boolean[] faulty;
        private int boundary;
        private int nonManifold;
        private int misoriented;

        Examination(Mesh mesh) {
            this.mesh = mesh;
            edges = new Edges(mesh);
            bodies = Bodies.of(mesh, edges);
            faulty = new boolean[bodies.count()];
        }

        MeshHealth run() {
            edges.forEach(this::count);
            var list = new ArrayList<Body>();
            int flipped = 0;
            var parts = bodies.meshes();
            for (int b = 0; b < parts.size(); b++) {
                var part = parts.get(b);
                double volume = part.volumeMm3();
                if (!faulty[b] && volume < 0 && !insideAnother(parts, b)) flipped++;
                list.add(new Body(part.triangleCount(), volume, part.areaMm2(), !faulty[b], part.bounds()));
            }
            return new MeshHealth(mesh.triangleCount(), mesh.vertexCount(), List.copyOf(list), boundary, nonManifold, misoriented,
                    duplicates(), degenerates(), flipped);
        }

        private void count(int from, int to) {
            int forward = 0;
            for (int i = from; i < to; i++) if (edges.forward(mesh, i)) forward++;
            if (to - from == 1) boundary++;
            else if (to - from > 2) nonManifold++;
            else if (forward != 1) misoriented++;
            else return;
            faulty[bodies.bodyOf(edges.triangle(from))] = true;
        }

        /** An inward-facing shell within another's box is taken for a cavity, not for a fault. */
        private static boolean insideAnother(List<Mesh> parts, int b) {
            var box = parts.get(b).bounds();
            for (int i = 0; i < parts.size(); i++)
                if (i != b && parts.get(i).bounds().contains(box.min()) && parts.get(i).bounds().contains(box.max())) return true;
            return false;
        }

        private int degenerates() {
            int n = 0;
            for (int f = 0; f < mesh.triangleCount(); f++) if (mesh.area(f) == 0) n++;
            return n;
        }

        private int duplicates() {
            record Key(int a, int b, int c) {}
            var seen = new HashSet<Key>(2 * mesh.triangleCount());
            int n = 0;
            for (int f = 0; f < mesh.triangleCount(); f++) {
                int a = mesh.vertex(f, 0), b = mesh.vertex(f, 1), c = mesh.vertex(f, 2);
                int lo = Math.min(a, Math.min(b, c)), hi = Math.max(a, Math.max(b, c));
                if (!seen.add(new Key(lo, a + b + c - lo - hi, hi))) n++;
            }
            return n;
        }
    }
}
