package yellowbracket.cut.solid;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ForkJoinTask;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import yellowbracket.mesh.DirectedEdge;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;

/**
 * Cuts a mesh with a plane and caps both sides. A vertex within {@link #ON_PLANE_MM} of the plane counts as on it and is never moved or
 * doubled;
 * a face in the plane goes to the side whose material it bounds. Both sides get the same cap triangles, turned over, so the pieces of
 * a closed mesh are closed, mate exactly, and their volumes add up to the whole. Open chains of an open mesh stay open and are counted.
 * O(n) in triangles, O(m log m) in the cap's corners.
 */
public final class PlaneCut {
    /** Below the resolution of a 32-bit float at 1 m, so that nothing a file can hold is told apart any finer. */
    public static final double ON_PLANE_MM = 1e-4;

    private static final int ABOVE = 1, BELOW = 2, ON = ABOVE | BELOW;
    /** Vertices and triangles worked at a time, on as many threads as there are. */
    private static final int BLOCK = 1 << 13;

    private final Mesh mesh;
    private final CutPlane plane;
    private final int capTag;
    /**
     * A vertex's side in the lower two bits; above them its number among those of its side, or for one on the plane its number in {@link
     * #on}, counted from 1.
     */
    private final int[] at;
    /** Vertices above and below the plane before each block, and at the end. */
    private final int[] aboveBefore;
    private final int[] belowBefore;
    /**
     * Vertices on the plane that a triangle uses, each with its number among those of the upper and of the lower side, -1 if that side does
     * not use it.
     */
    private final List<int[]> on = new ArrayList<>();
    private int onAbove;
    private int onBelow;
    private final List<Vec3> crossings = new ArrayList<>();
    private final Map<Long, Integer> crossingOf = new HashMap<>();
    private final Rim rim = new Rim(); // of the upper side, in the plane

    private PlaneCut(Mesh mesh, CutPlane plane, int capTag) {
        this.mesh = mesh;
        this.plane = plane;
        this.capTag = capTag;
        at = new int[mesh.vertexCount()];
        aboveBefore = new int[blocks(at.length) + 1];
        belowBefore = new int[blocks(at.length) + 1];
    }

    private static int blocks(int n) {
        return (n + BLOCK - 1) / BLOCK;
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
        classify();
        if (belowBefore[belowBefore.length - 1] == 0) return new Halves(mesh, Mesh.empty(), 0);
        if (aboveBefore[aboveBefore.length - 1] == 0) return new Halves(Mesh.empty(), mesh, 0);
        var blocks = new Block[blocks(mesh.triangleCount())];
        IntStream.range(0, blocks.length)
                .parallel()
                .forEach(b -> blocks[b] = sorted(b * BLOCK, Math.min(mesh.triangleCount(), (b + 1) * BLOCK)));
        int up = 0, down = 0;
        for (var b : blocks) {
            b.firstAbove = up;
            b.firstBelow = down;
            for (int i = 0; i < b.met.length; i++) {
                b.pieces[i] = piece(b.met[i]);
                up += b.pieces[i].trianglesAbove();
                down += b.pieces[i].trianglesBelow();
            }
            up += b.above;
            down += b.below;
        }
        var chains = RimChains.of(rim, this::keyPoint, plane);
        for (var loop : chains.loops()) for (int key : loop) if (key < mesh.vertexCount()) {
            use(key, true);
            use(key, false);
        }
        // while the pieces are copied
        var filling = ForkJoinTask.adapt(() -> CapTriangulator.filled(chains.loops(), this::keyPoint, plane)).fork();
        int expected = chains.loops().stream().mapToInt(this::triangles).sum(), trianglesAbove = up, trianglesBelow = down;
        // here: arrays this large take their time to clear
        var halves = Stream.of(true, false)
                .parallel()
                .map(upper -> new Half(upper, upper ? trianglesAbove : trianglesBelow, expected))
                .toList();
        var above = halves.getFirst();
        var below = halves.getLast();
        copyVertices(above, below);
        IntStream.range(0, blocks.length)
                .parallel()
                .forEach(b -> write(blocks[b], b * BLOCK, Math.min(mesh.triangleCount(), (b + 1) * BLOCK), above, below));
        var cap = filling.join();
        var made = halves.parallelStream().map(h -> h.capped(cap)).toList();
        return new Halves(made.getFirst(), made.getLast(), chains.openChains());
    }

    private void classify() {
        IntStream.range(0, blocks(at.length)).parallel().forEach(b -> {
            int above = 0, below = 0;
            for (int v = b * BLOCK, to = Math.min(at.length, (b + 1) * BLOCK); v < to; v++) {
                double h = height(v);
                at[v] = h > ON_PLANE_MM ? ABOVE : h < -ON_PLANE_MM ? BELOW : ON;
                if (at[v] == ABOVE) above++;
                else if (at[v] == BELOW) below++;
            }
            aboveBefore[b + 1] = above;
            belowBefore[b + 1] = below;
        });
        Arrays.parallelPrefix(aboveBefore, Integer::sum);
        Arrays.parallelPrefix(belowBefore, Integer::sum);
    }

    private double height(int v) {
        return plane.height(mesh.point(v));
    }

    private int side(int v) {
        int code = at[v] & ON;
        return code == ABOVE ? 1 : code == BELOW ? -1 : 0;
    }

    /** A run of triangles: how many lie wholly above and below, and those that meet the plane, with what becomes of each. */
    private static final class Block {
        private final int above;
        private final int below;
        private final int[] met;
        private final Piece[] pieces;
        private int firstAbove;
        private int firstBelow;

        Block(int above, int below, int[] met) {
            this.above = above;
            this.below = below;
            this.met = met;
            pieces = new Piece[met.length];
        }
    }

    /**
     * What a triangle that meets the plane leaves on either side: the keys of the corners of a polygon, none where nothing is left. A key
     * is a vertex or, from their count on, a crossing.
     */
    private record Piece(int[] above, int[] below) {
        int trianglesAbove() {
            return Math.max(0, above.length - 2);
        }

        int trianglesBelow() {
            return Math.max(0, below.length - 2);
        }
    }

    private Block sorted(int from, int to) {
        int above = 0, below = 0, n = 0;
        var met = new int[16];
        for (int f = from; f < to; f++) {
            int sides = at[mesh.vertex(f, 0)] | at[mesh.vertex(f, 1)] | at[mesh.vertex(f, 2)];
            if (sides == ABOVE) above++;
            else if (sides == BELOW) below++;
            else {
                if (n == met.length) met = Arrays.copyOf(met, 2 * n);
                met[n++] = f;
            }
        }
        return new Block(above, below, Arrays.copyOf(met, n));
    }

    private static final int[] NOTHING = {};

    private Piece piece(int f) {
        int[] v = {mesh.vertex(f, 0), mesh.vertex(f, 1), mesh.vertex(f, 2)};
        int lo = Math.min(side(v[0]), Math.min(side(v[1]), side(v[2]))), hi = Math.max(side(v[0]), Math.max(side(v[1]), side(v[2])));
        if (lo < 0 && hi > 0) return split(v);
        boolean goesUp = hi > 0 || lo == 0 && mesh.areaVector(f).dot(plane.normal()) < 0;
        for (int p : v) if (side(p) == 0) use(p, goesUp);
        if (!goesUp) return new Piece(NOTHING, v);
        for (int k = 0; k < 3; k++) if (side(v[k]) == 0 && side(v[(k + 1) % 3]) == 0) rim.add(v[k], v[(k + 1) % 3]);
        return new Piece(v, NOTHING);
    }

    /** Walks the corners once; where an edge changes sides, its crossing joins both polygons. */
    private Piece split(int[] v) {
        var upper = new int[4];
        var lower = new int[4];
        int up = 0, down = 0;
        for (int k = 0; k < 3; k++) {
            int p = v[k], q = v[(k + 1) % 3];
            if (side(p) >= 0) upper[up++] = p;
            if (side(p) <= 0) lower[down++] = p;
            if (side(p) == 0) {
                use(p, true);
                use(p, false);
            }
            if (side(p) * side(q) < 0) upper[up++] = lower[down++] = mesh.vertexCount() + crossing(p, q);
        }
        for (int k = 0; k < up; k++) if (inPlane(upper[k]) && inPlane(upper[(k + 1) % up])) rim.add(upper[k], upper[(k + 1) % up]);
        return new Piece(Arrays.copyOf(upper, up), Arrays.copyOf(lower, down));
    }

    private boolean inPlane(int key) {
        return key >= mesh.vertexCount() || side(key) == 0;
    }

    /** Numbers a vertex on the plane for the side that uses it, unless it has its number. */
    private void use(int v, boolean upper) {
        if (at[v] == ON) {
            on.add(new int[] {v, -1, -1});
            at[v] = on.size() << 2 | ON;
        }
        var numbers = on.get((at[v] >> 2) - 1);
        if (upper && numbers[1] < 0) numbers[1] = onAbove++;
        if (!upper && numbers[2] < 0) numbers[2] = onBelow++;
    }

    private int crossing(int p, int q) {
        int a = Math.min(p, q), b = Math.max(p, q); // the same arithmetic from both triangles of the edge
        return crossingOf.computeIfAbsent(DirectedEdge.undirectedKey(p, q), key -> {
            double ha = height(a), t = ha / (ha - height(b));
            crossings.add(mesh.point(a).plus(mesh.point(b).minus(mesh.point(a)).times(t)));
            return crossings.size() - 1;
        });
    }

    /** How many triangles fill a loop: two fewer than corners, two more for a hole, which is joined to its outline. */
    private int triangles(int[] loop) {
        var frame = plane.frame();
        double area = 0;
        for (int i = 0; i < loop.length; i++) {
            var p = keyPoint(loop[i]);
            var q = keyPoint(loop[(i + 1) % loop.length]);
            area += frame.u(p) * frame.v(q) - frame.u(q) * frame.v(p);
        }
        return area < 0 ? loop.length + 2 : loop.length - 2;
    }

    /** One side as it is written: vertices of its own, then those on the plane, then crossings. */
    private final class Half {
        private final boolean upper;
        private final int own;
        private final int onPlane;
        private final double[] xyz;
        private final int own3;
        private int[] tri;
        private int[] tag;

        Half(boolean upper, int triangles, int capTriangles) {
            this.upper = upper;
            own = upper ? aboveBefore[aboveBefore.length - 1] : belowBefore[belowBefore.length - 1];
            onPlane = upper ? onAbove : onBelow;
            xyz = new double[3 * (own + onPlane + crossings.size())];
            own3 = 3 * triangles;
            tri = new int[own3 + 3 * capTriangles];
            tag = capTriangles == 0 && mesh.untagged() ? NOTHING : new int[triangles + capTriangles];
            for (var n : on) if (n[upper ? 1 : 2] >= 0) put(own + n[upper ? 1 : 2], mesh.point(n[0]));
            for (int x = 0; x < crossings.size(); x++) put(own + onPlane + x, crossings.get(x));
        }

        private void put(int vertex, Vec3 p) {
            xyz[3 * vertex] = p.x();
            xyz[3 * vertex + 1] = p.y();
            xyz[3 * vertex + 2] = p.z();
        }

        private void copy(int vertex, int from) {
            xyz[3 * vertex] = mesh.x(from);
            xyz[3 * vertex + 1] = mesh.y(from);
            xyz[3 * vertex + 2] = mesh.z(from);
        }

        private int number(int key) {
            if (key >= mesh.vertexCount()) return own + onPlane + key - mesh.vertexCount();
            return (at[key] & ON) == ON ? own + on.get((at[key] >> 2) - 1)[upper ? 1 : 2] : at[key] >> 2;
        }

        private void triangle(int position, int a, int b, int c, int tagged) {
            tri[3 * position] = a;
            tri[3 * position + 1] = b;
            tri[3 * position + 2] = c;
            if (tag.length > 0) tag[position] = tagged;
        }

        /** The fan of a polygon's keys; returns where the next triangle goes. */
        private int fan(int position, int[] keys, int tagged) {
            for (int k = 2; k < keys.length; k++) triangle(position++, number(keys[0]), number(keys[k - 1]), number(keys[k]), tagged);
            return position;
        }

        private Mesh capped(List<Integer> cap) {
            if (own3 + cap.size() != tri.length) {
                tri = Arrays.copyOf(tri, own3 + cap.size());
                tag = cap.isEmpty() && mesh.untagged() ? NOTHING : Arrays.copyOf(tag, tri.length / 3);
            }
            for (int i = 0; i < cap.size(); i += 3) {
                int a = number(cap.get(i)), b = number(cap.get(i + 1)), c = number(cap.get(i + 2));
                triangle((own3 + i) / 3, a, upper ? c : b, upper ? b : c, capTag);
            }
            return Mesh.adopting(xyz, tri, tag);
        }
    }

    private void copyVertices(Half above, Half below) {
        IntStream.range(0, blocks(at.length)).parallel().forEach(b -> {
            int up = aboveBefore[b], down = belowBefore[b];
            for (int v = b * BLOCK, to = Math.min(at.length, (b + 1) * BLOCK); v < to; v++) {
                int code = at[v] & ON;
                if (code == ABOVE) {
                    above.copy(up, v);
                    at[v] = up++ << 2 | ABOVE;
                } else if (code == BELOW) {
                    below.copy(down, v);
                    at[v] = down++ << 2 | BELOW;
                }
            }
        });
    }

    private void write(Block block, int from, int to, Half above, Half below) {
        int up = block.firstAbove, down = block.firstBelow, met = 0;
        for (int f = from; f < to; f++) {
            int a = at[mesh.vertex(f, 0)], b = at[mesh.vertex(f, 1)], c = at[mesh.vertex(f, 2)], sides = (a | b | c) & ON;
            if (sides == ABOVE) above.triangle(up++, a >> 2, b >> 2, c >> 2, mesh.tag(f));
            else if (sides == BELOW) below.triangle(down++, a >> 2, b >> 2, c >> 2, mesh.tag(f));
            else {
                var piece = block.pieces[met++];
                up = above.fan(up, piece.above, mesh.tag(f));
                down = below.fan(down, piece.below, mesh.tag(f));
            }
        }
    }

    private Vec3 keyPoint(int key) {
        return key < mesh.vertexCount() ? mesh.point(key) : crossings.get(key - mesh.vertexCount());
    }

    /** The plane through three points, above on the side their order turns counter-clockwise; empty when they lie on a line. */
    public static Optional<CutPlane> through(Vec3 a, Vec3 b, Vec3 c) {
        var n = b.minus(a).cross(c.minus(a));
        return n.norm() > 1e-9 ? Optional.of(new CutPlane(n, n.dot(a))) : Optional.empty();
    }
}
