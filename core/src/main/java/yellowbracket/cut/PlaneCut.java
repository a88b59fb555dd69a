package yellowbracket.cut;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Vec3;

/**
 * Cuts a mesh with a plane and caps both sides. A vertex within {@link #ON_PLANE_MM} of the plane counts as on it and is never moved or doubled;
 * a face in the plane goes to the side whose material it bounds. Both sides get the same cap triangles, turned over, so the pieces of
 * a closed mesh are closed, mate exactly, and their volumes add up to the whole. Open chains of an open mesh stay open and are counted.
 * O(n) in triangles, O(m log m) in the cap's corners.
 */
public final class PlaneCut {
    /** Below the resolution of a 32-bit float at 1 m, so that nothing a file can hold is told apart any finer. */
    public static final double ON_PLANE_MM = 1e-4;

    private final Mesh mesh;
    private final CutPlane plane;
    private final int capTag;
    private final byte[] side;
    private final double[] height;
    private final MeshBuilder above;
    private final MeshBuilder below;
    private final int[] aboveIndex;
    private final int[] belowIndex;
    private final List<Vec3> crossings = new ArrayList<>();
    private final Map<Long, Integer> crossingOf = new HashMap<>();
    private final Map<Long, Integer> rim = new HashMap<>();
    private int[] crossAbove = new int[64];
    private int[] crossBelow = new int[64];

    private PlaneCut(Mesh mesh, CutPlane plane, int capTag) {
        this.mesh = mesh;
        this.plane = plane;
        this.capTag = capTag;
        side = new byte[mesh.vertexCount()];
        height = new double[mesh.vertexCount()];
        above = new MeshBuilder(mesh.vertexCount() / 2, mesh.triangleCount() / 2);
        below = new MeshBuilder(mesh.vertexCount() / 2, mesh.triangleCount() / 2);
        aboveIndex = new int[mesh.vertexCount()];
        belowIndex = new int[mesh.vertexCount()];
        java.util.Arrays.fill(aboveIndex, -1);
        java.util.Arrays.fill(belowIndex, -1);
    }

    /** The two sides (either may be empty) and how many chains of an open mesh were left uncapped. */
    public record Halves(Mesh above, Mesh below, int openChains) {
        public boolean missed() {
            return above.isEmpty() || below.isEmpty();
        }
    }

    /** @param capTag the tag of the new faces, at least 0 */
    public static Halves cut(Mesh mesh, CutPlane plane, int capTag) {
        return new PlaneCut(mesh, plane, capTag).run();
    }

    private Halves run() {
        int up = 0, down = 0;
        var n = plane.normal();
        for (int v = 0; v < side.length; v++) {
            height[v] = n.x() * mesh.x(v) + n.y() * mesh.y(v) + n.z() * mesh.z(v) - plane.offsetMm();
            side[v] = (byte) (height[v] > ON_PLANE_MM ? 1 : height[v] < -ON_PLANE_MM ? -1 : 0);
            if (side[v] > 0) up++;
            else if (side[v] < 0) down++;
        }
        if (down == 0) return new Halves(mesh, Mesh.empty(), 0);
        if (up == 0) return new Halves(Mesh.empty(), mesh, 0);
        for (int f = 0; f < mesh.triangleCount(); f++) place(f);
        int open = cap();
        return new Halves(above.build(), below.build(), open);
    }

    private void place(int f) {
        int a = mesh.vertex(f, 0), b = mesh.vertex(f, 1), c = mesh.vertex(f, 2);
        int lo = Math.min(side[a], Math.min(side[b], side[c])), hi = Math.max(side[a], Math.max(side[b], side[c]));
        if (lo < 0 && hi > 0) {
            split(f, a, b, c);
            return;
        }
        boolean goesUp = hi > 0 || lo == 0 && mesh.areaVector(f).dot(plane.normal()) < 0;
        if (!goesUp) {
            below.addTriangle(low(a), low(b), low(c), mesh.tag(f));
            return;
        }
        above.addTriangle(high(a), high(b), high(c), mesh.tag(f));
        if (side[a] == 0 && side[b] == 0) addRim(a, b);
        if (side[b] == 0 && side[c] == 0) addRim(b, c);
        if (side[c] == 0 && side[a] == 0) addRim(c, a);
    }

    /** Walks the corners once; where an edge changes sides, its crossing joins both polygons. */
    private void split(int f, int a, int b, int c) {
        int[] v = {a, b, c};
        var upper = new int[4];
        var lower = new int[4];
        var upperKey = new int[4];
        int up = 0, down = 0;
        for (int k = 0; k < 3; k++) {
            int p = v[k], q = v[(k + 1) % 3];
            if (side[p] >= 0) {
                upperKey[up] = side[p] == 0 ? p : -1;
                upper[up++] = high(p);
            }
            if (side[p] <= 0) lower[down++] = low(p);
            if (side[p] * side[q] < 0) {
                int x = crossing(p, q);
                upperKey[up] = mesh.vertexCount() + x;
                upper[up++] = crossAbove[x];
                lower[down++] = crossBelow[x];
            }
        }
        fan(above, upper, up, f);
        fan(below, lower, down, f);
        for (int k = 0; k < up; k++) if (upperKey[k] >= 0 && upperKey[(k + 1) % up] >= 0) addRim(upperKey[k], upperKey[(k + 1) % up]);
    }

    private void fan(MeshBuilder to, int[] corners, int n, int f) {
        to.addTriangle(corners[0], corners[1], corners[2], mesh.tag(f));
        if (n == 4) to.addTriangle(corners[0], corners[2], corners[3], mesh.tag(f));
    }

    private int crossing(int p, int q) {
        int a = Math.min(p, q), b = Math.max(p, q); // the same arithmetic from both triangles of the edge
        return crossingOf.computeIfAbsent((long) a << 32 | b, key -> {
            double t = height[a] / (height[a] - height[b]);
            var at = mesh.point(a).plus(mesh.point(b).minus(mesh.point(a)).times(t));
            int x = crossings.size();
            crossings.add(at);
            if (x == crossAbove.length) {
                crossAbove = java.util.Arrays.copyOf(crossAbove, 2 * x);
                crossBelow = java.util.Arrays.copyOf(crossBelow, 2 * x);
            }
            crossAbove[x] = above.addVertex(at);
            crossBelow[x] = below.addVertex(at);
            return x;
        });
    }

    private int high(int v) {
        if (aboveIndex[v] < 0) aboveIndex[v] = above.addVertex(mesh.x(v), mesh.y(v), mesh.z(v));
        return aboveIndex[v];
    }

    private int low(int v) {
        if (belowIndex[v] < 0) belowIndex[v] = below.addVertex(mesh.x(v), mesh.y(v), mesh.z(v));
        return belowIndex[v];
    }

    /** Directed edges of the upper side in the plane; an edge and its reverse cancel, what remains is the open rim. */
    private void addRim(int from, int to) {
        Long reverse = (long) to << 32 | from;
        var n = rim.get(reverse);
        if (n == null) rim.merge((long) from << 32 | to, 1, Integer::sum);
        else if (n == 1) rim.remove(reverse);
        else rim.put(reverse, n - 1);
    }

    private int cap() {
        var chains = RimChains.of(rim, this::keyPoint, plane);
        if (chains.loops().isEmpty()) return chains.openChains();
        var tri = CapTriangulator.filled(chains.loops(), this::keyPoint, plane);
        for (int i = 0; i < tri.size(); i += 3) {
            int a = tri.get(i), b = tri.get(i + 1), c = tri.get(i + 2);
            below.addTriangle(lowOf(a), lowOf(b), lowOf(c), capTag);
            above.addTriangle(highOf(a), highOf(c), highOf(b), capTag);
        }
        return chains.openChains();
    }

    private Vec3 keyPoint(int key) {
        return key < mesh.vertexCount() ? mesh.point(key) : crossings.get(key - mesh.vertexCount());
    }

    private int highOf(int key) {
        return key < mesh.vertexCount() ? high(key) : crossAbove[key - mesh.vertexCount()];
    }

    private int lowOf(int key) {
        return key < mesh.vertexCount() ? low(key) : crossBelow[key - mesh.vertexCount()];
    }

    /** The plane through three points, above on the side their order turns counter-clockwise; empty when they lie on a line. */
    public static Optional<CutPlane> through(Vec3 a, Vec3 b, Vec3 c) {
        var n = b.minus(a).cross(c.minus(a));
        return n.norm() > 1e-9 ? Optional.of(new CutPlane(n, n.dot(a))) : Optional.empty();
    }
}
