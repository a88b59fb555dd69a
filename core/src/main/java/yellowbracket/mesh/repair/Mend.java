package yellowbracket.mesh.repair;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import yellowbracket.mesh.Borders;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.PointGrid;
import yellowbracket.mesh.Polygon3;
import yellowbracket.mesh.Progress;

/**
 * Mends a mesh in steps that were asked for, in the order of {@link Step}. Each step says how many places it changed and what the faults
 * were before
 * and after; one that would leave more faults than it found is not taken, so a closed mesh stays closed. O(n log n).
 */
public record Mend(Mesh mesh, List<Change> changes) {
    /** Points nearer than this are one when welding is asked for, mm. */
    public static final double WELD_MM = 0.01;
    /** Longer open borders are openings of the model, not holes: a neck or a visor must not be closed over. */
    public static final int HOLE_EDGES = 120;

    /** What may be done, in this order. */
    public enum Step {
        WELD("weld points that lie together"), DROP_DEGENERATE("drop triangles without area"), DROP_DUPLICATE("drop duplicate triangles"),
        ORIENT("turn triangles to face outwards"), FILL("fill small holes");

        private final String label;

        Step(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /** {@code count}: triangles, points or holes changed; {@code taken} false when the step would have made things worse. */
    public record Change(Step step, int count, Faults before, Faults after, boolean taken) {
        /** In words: what was done to how many, and what it left. */
        public String words() {
            return step.label + ": " + result();
        }

        /** As {@link #words}, without naming the step. */
        public String result() {
            if (!taken) return "left out, it would have raised the faults from " + before.total() + " to " + after.total();
            if (count == 0) return "nothing to do";
            String of = switch (step) {
                case WELD -> "point";
                case FILL -> "hole";
                default -> "triangle";
            };
            return count + " " + of + (count == 1 ? "" : "s") + "; faults " + before.total() + " to " + after.total();
        }
    }

    /** Numbers that mending lowers. */
    public record Faults(int boundaryEdges, int nonManifoldEdges, int misorientedEdges, int duplicates, int degenerates,
            int flippedBodies) {
        static Faults of(Mesh m) {
            var h = MeshHealth.of(m);
            return new Faults(h.boundaryEdges(), h.nonManifoldEdges(), h.misorientedEdges(), h.duplicateTriangles(),
                    h.degenerateTriangles(), h.flippedBodies());
        }

        public int total() {
            return boundaryEdges + nonManifoldEdges + misorientedEdges + duplicates + degenerates + flippedBodies;
        }

        /** Edges that keep the mesh from being closed. */
        int open() {
            return boundaryEdges + nonManifoldEdges + misorientedEdges;
        }
    }

    /** @param weldDistance in the mesh's own unit */
    public static Mend of(Mesh mesh, Set<Step> steps, double weldDistance, Progress progress) {
        var now = mesh;
        var changes = new ArrayList<Change>();
        Faults before = steps.isEmpty() ? null : Faults.of(mesh);
        for (var step : Step.values()) {
            if (!steps.contains(step)) continue;
            progress.check();
            progress.report(step.ordinal(), Step.values().length);
            var done = run(step, now, weldDistance);
            var after = done.count == 0 ? before : Faults.of(done.mesh);
            boolean better = after.open() <= before.open() && after.total() <= before.total();
            changes.add(new Change(step, done.count, before, after, better));
            if (!better) continue;
            now = done.mesh;
            before = after;
        }
        return new Mend(now, List.copyOf(changes));
    }

    record Done(Mesh mesh, int count) {}

    private static Done run(Step step, Mesh m, double weldDistance) {
        return switch (step) {
            case WELD -> weld(m, weldDistance);
            case DROP_DEGENERATE -> drop(m, Flaws.degenerate(m));
            case DROP_DUPLICATE -> drop(m, Flaws.duplicate(m));
            case ORIENT -> Orient.outwards(m);
            case FILL -> fill(m);
        };
    }

    private static Done drop(Mesh m, boolean[] bad) {
        int n = 0;
        var keep = new boolean[bad.length];
        for (int f = 0; f < bad.length; f++) {
            keep[f] = !bad[f];
            if (bad[f]) n++;
        }
        return n == 0 ? new Done(m, 0) : new Done(m.only(keep), n);
    }

    /** Each point takes the place of the first one within reach: a grid of that size, neighbouring cells included. */
    private static Done weld(Mesh m, double distance) {
        int n = m.vertexCount();
        var grid = new PointGrid(n, distance);
        var to = new int[n];
        int moved = 0;
        for (int v = 0; v < n; v++) {
            to[v] = grid.findOrAdd(m.x(v), m.y(v), m.z(v), v);
            if (to[v] != v) moved++;
        }
        if (moved == 0) return new Done(m, 0);
        var tri = m.copyTriangles();
        for (int i = 0; i < tri.length; i++) tri[i] = to[tri[i]];
        // here: a triangle whose corners fell together is a point or a line and goes with the weld
        var keep = new boolean[m.triangleCount()];
        var tag = new int[keep.length];
        for (int f = 0; f < keep.length; f++) {
            keep[f] = tri[3 * f] != tri[3 * f + 1] && tri[3 * f + 1] != tri[3 * f + 2] && tri[3 * f] != tri[3 * f + 2];
            tag[f] = m.tag(f);
        }
        return new Done(Mesh.adopting(m.copyXyz(), tri, tag).only(keep), moved);
    }

    /** Closes each simple border of at most {@link #HOLE_EDGES} edges. */
    private static Done fill(Mesh m) {
        var borders = Borders.of(m);
        var out = new MeshBuilder(m.vertexCount(), m.triangleCount() + 64);
        out.addAll(m);
        int filled = 0;
        for (var loop : borders.loops()) {
            if (loop.length > HOLE_EDGES) continue;
            var inner = loop.clone(); // a border runs along its triangles; what fills it runs the other way
            for (int i = 0; i < inner.length; i++) inner[i] = loop[loop.length - 1 - i];
            var corners = Arrays.stream(inner).mapToObj(m::point).toList();
            for (var t : Polygon3.triangles(corners)) out.addTriangle(inner[t[0]], inner[t[1]], inner[t[2]]);
            filled++;
        }
        return filled == 0 ? new Done(m, 0) : new Done(out.build(), filled);
    }
}
