package yellowbracket.mesh.repair;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.concurrent.CompletableFuture;
import yellowbracket.mesh.Bodies;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Edges;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Triangle;
import yellowbracket.mesh.Vec3;

/**
 * What is wrong with a mesh, counted. A mesh is closed when every edge joins exactly two triangles that run along it in opposite
 * directions.
 */
public record MeshHealth(int triangles, int vertices, List<Body> bodies, int boundaryEdges, int nonManifoldEdges, int misorientedEdges,
        int duplicateTriangles, int degenerateTriangles, int flippedBodies) {
    /** One connected shell; {@code volumeMm3} is signed; {@code inverted}: closed, but facing inwards though it lies in no other. */
    public record Body(int triangles, double volumeMm3, double areaMm2, boolean closed, boolean inverted, Bounds3 bounds) {}

    public boolean closed() {
        return triangles > 0 && boundaryEdges == 0 && nonManifoldEdges == 0 && misorientedEdges == 0;
    }

    /**
     * How many ways lead through it: eye openings, vents, the hole of a ring (the genus, by Euler's formula, over all bodies). Nothing for
     * a mesh that is not closed.
     */
    public OptionalInt openings() {
        if (!closed()) return OptionalInt.empty();
        int euler = vertices - 3 * triangles / 2 + triangles;
        return OptionalInt.of(Math.max(0, bodies.size() - euler / 2));
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
        var edges = new Edges(m);
        return of(m, edges, Bodies.of(m, edges));
    }

    /** @param edges of the mesh @param bodies of the mesh */
    public static MeshHealth of(Mesh m, Edges edges, Bodies bodies) {
        return new Examination(m, edges, bodies).run();
    }

    private static final class Examination {
        private final Mesh mesh;
        private final Edges edges;
        private final Bodies bodies;
        private final boolean[] faulty;
        private int boundary;
        private int nonManifold;
        private int misoriented;

        Examination(Mesh mesh, Edges edges, Bodies bodies) {
            this.mesh = mesh;
            this.edges = edges;
            this.bodies = bodies;
            faulty = new boolean[bodies.count()];
        }

        MeshHealth run() {
            var duplicates = CompletableFuture.supplyAsync(() -> Flaws.count(Flaws.duplicate(mesh)));
            edges.forEach(this::count);
            int n = bodies.count();
            var numbers = Nesting.numbers(bodies, mesh.triangleCount());
            var triangles = new int[n];
            var volume = new double[n];
            var area = new double[n];
            int degenerates = 0;
            var c = mesh.isEmpty() ? Vec3.ZERO : mesh.bounds().centre();
            for (int f = 0; f < numbers.length; f++) {
                int b = numbers[f];
                double a = Triangle.area2(mesh, f);
                if (a == 0) degenerates++;
                triangles[b]++;
                area[b] += a / 2;
                volume[b] += Triangle.volume6(mesh, f, c.x(), c.y(), c.z()) / 6;
            }
            var boxes = Nesting.boxes(mesh, numbers, n);
            boolean doubtful = false;
            for (int b = 0; b < n; b++) doubtful |= !faulty[b] && volume[b] < 0;
            // an inward-facing shell within another is a cavity, not a fault
            var enclosed = doubtful ? Nesting.enclosed(mesh, numbers, n) : new boolean[n];
            var list = new ArrayList<Body>();
            int flipped = 0;
            for (int b = 0; b < n; b++) {
                boolean inverted = !faulty[b] && volume[b] < 0 && !enclosed[b];
                if (inverted) flipped++;
                var box = boxes[b];
                list.add(new Body(triangles[b], volume[b], area[b], !faulty[b], inverted,
                        Bounds3.of(box[0], box[1], box[2], box[3], box[4], box[5])));
            }
            return new MeshHealth(mesh.triangleCount(), mesh.vertexCount(), List.copyOf(list), boundary, nonManifold, misoriented,
                    duplicates.join(), degenerates, flipped);
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
    }
}
