package yellowbracket.cut.solid;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import yellowbracket.mesh.DirectedEdge;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * Adds a {@link ConvexSolid} to a closed mesh or takes it away. The mesh's triangles near the solid are split along the solid's planes,
 * each split edge in both
 * triangles that share it; those inside the solid go, and each of its faces is filled by a polygon made of the rim left behind and of the
 * solid's own
 * edges where they count. No vertex is moved and every edge is used once each way, so a closed mesh stays closed. O(n) plus the work near
 * the solid.
 */
public final class Carve {
    /** A vertex nearer to a plane than this counts as on it, mm. */
    private static final double ON = 1e-7;
    /** A solid one of whose faces lies in a face of the mesh is shifted by this much, mm, and tried again. */
    private static final double[] SHIFTS = {0, 0.011, -0.013, 0.029, -0.031, 0.047};

    private final Mesh mesh;
    private final Bvh index;
    private final ConvexSolid solid;
    private final boolean adding;
    private final int tag;
    private final List<Vec3> added = new ArrayList<>();
    private List<int[]> local = new ArrayList<>(); // corners a, b, c, tag, active
    private final boolean[] isLocal;

    private Carve(Mesh mesh, Bvh index, ConvexSolid solid, boolean adding, int tag) {
        this.mesh = mesh;
        this.index = index;
        this.solid = solid;
        this.adding = adding;
        this.tag = tag;
        isLocal = new boolean[mesh.triangleCount()];
    }

    /** Both together. @param index of {@code mesh}; @param tag of the new faces */
    public static Mesh union(Mesh mesh, Bvh index, ConvexSolid solid, int tag) {
        return step(mesh, index, solid, true, tag).compact();
    }

    /** What is left of the mesh outside the solid. */
    public static Mesh difference(Mesh mesh, Bvh index, ConvexSolid solid, int tag) {
        return step(mesh, index, solid, false, tag).compact();
    }

    /** As both, leaving vertices that are no longer used: those of {@code mesh} keep their numbers. */
    public static Mesh step(Mesh mesh, Bvh index, ConvexSolid solid, boolean adding, int tag) {
        for (double s : SHIFTS) {
            var moved = solid.moved(new Vec3(s, 0.7 * s, -0.8 * s));
            try {
                return new Carve(mesh, index, moved, adding, tag).run();
            } catch (Coplanar e) {
                // the next shift
            }
        }
        throw new IllegalStateException("a hardware block lies along the faces of the mesh in every position tried: move it a little");
    }

    /** A face of the mesh lies in one of the solid's: which of them counts is undecided. */
    private static final class Coplanar extends Exception {
        private static final long serialVersionUID = 1;
    }

    private Mesh run() throws Coplanar {
        gather();
        for (var plane : solid.faces()) split(plane);
        var kept = new ArrayList<int[]>();
        var rim = new Rim();
        for (var t : local) {
            if (inside(t)) rim.add(t[0], t[1], t[2]);
            else kept.add(t);
        }
        var out = new MeshBuilder(mesh.vertexCount() + 64, mesh.triangleCount() + 256);
        for (int v = 0; v < mesh.vertexCount(); v++) out.addVertex(mesh.x(v), mesh.y(v), mesh.z(v));
        for (int f = 0; f < isLocal.length; f++)
            if (!isLocal[f]) out.addTriangle(mesh.vertex(f, 0), mesh.vertex(f, 1), mesh.vertex(f, 2), mesh.tag(f));
        for (var t : kept) out.addTriangle(t[0], t[1], t[2], t[3]);
        var triangles = caps(rim);
        for (var p : added) out.addVertex(p);
        for (int i = 0; i < triangles.size(); i += 3) out.addTriangle(triangles.get(i), triangles.get(i + 1), triangles.get(i + 2), tag);
        return out.build();
    }

    /** Triangles whose box meets the solid's, and those that share an edge with them. */
    private void gather() {
        double[] lo = {1e300, 1e300, 1e300}, hi = {-1e300, -1e300, -1e300};
        for (var c : solid.corners()) for (int a = 0; a < 3; a++) {
            lo[a] = Math.min(lo[a], c.get(a) - 0.01);
            hi[a] = Math.max(hi[a], c.get(a) + 0.01);
        }
        var edges = new HashSet<Long>();
        for (int f = 0; f < isLocal.length; f++) {
            if (!meets(f, lo, hi)) continue;
            isLocal[f] = true;
            for (int k = 0; k < 3; k++) edges.add(DirectedEdge.key(mesh.vertex(f, k), mesh.vertex(f, (k + 1) % 3)));
            local.add(new int[] {mesh.vertex(f, 0), mesh.vertex(f, 1), mesh.vertex(f, 2), mesh.tag(f), 1});
        }
        if (edges.isEmpty()) return;
        for (int f = 0; f < isLocal.length; f++) {
            if (isLocal[f]) continue;
            boolean beside = false;
            for (int k = 0; k < 3 && !beside; k++)
                beside = edges.contains(DirectedEdge.key(mesh.vertex(f, (k + 1) % 3), mesh.vertex(f, k)));
            if (!beside) continue;
            isLocal[f] = true;
            local.add(new int[] {mesh.vertex(f, 0), mesh.vertex(f, 1), mesh.vertex(f, 2), mesh.tag(f), 0});
        }
    }

    private boolean meets(int f, double[] lo, double[] hi) {
        int a = mesh.vertex(f, 0), b = mesh.vertex(f, 1), c = mesh.vertex(f, 2);
        return Math.max(mesh.x(a), Math.max(mesh.x(b), mesh.x(c))) >= lo[0] && Math.min(mesh.x(a), Math.min(mesh.x(b), mesh.x(c))) <= hi[0]
                && Math.max(mesh.y(a), Math.max(mesh.y(b), mesh.y(c))) >= lo[1]
                && Math.min(mesh.y(a), Math.min(mesh.y(b), mesh.y(c))) <= hi[1]
                && Math.max(mesh.z(a), Math.max(mesh.z(b), mesh.z(c))) >= lo[2]
                && Math.min(mesh.z(a), Math.min(mesh.z(b), mesh.z(c))) <= hi[2];
    }

    private Vec3 point(int v) {
        return v < mesh.vertexCount() ? mesh.point(v) : added.get(v - mesh.vertexCount());
    }

    private static int side(double height) {
        return height > ON ? 1 : height < -ON ? -1 : 0;
    }

    /** Splits what may lie inside the solid along one of its planes; neighbours follow edge by edge. */
    private void split(CutPlane plane) {
        var heights = new HashMap<Integer, Double>();
        var crossing = new HashMap<Long, Integer>();
        for (var t : local) {
            if (t[4] == 0) continue;
            for (int k = 0; k < 3; k++) {
                int a = Math.min(t[k], t[(k + 1) % 3]), b = Math.max(t[k], t[(k + 1) % 3]);
                double ha = heights.computeIfAbsent(a, v -> plane.height(point(v))),
                        hb = heights.computeIfAbsent(b, v -> plane.height(point(v)));
                if (side(ha) * side(hb) >= 0) continue;
                crossing.computeIfAbsent(DirectedEdge.key(a, b), e -> {
                    added.add(point(a).plus(point(b).minus(point(a)).times(ha / (ha - hb))));
                    return mesh.vertexCount() + added.size() - 1;
                });
            }
        }
        var next = new ArrayList<int[]>(local.size() + 2 * crossing.size());
        for (var t : local) divide(t, crossing, next);
        for (var t : next) if (t[4] == 1) t[4] = outside(t, plane) ? 0 : 1;
        local = next;
    }

    private boolean outside(int[] t, CutPlane plane) {
        for (int k = 0; k < 3; k++) if (plane.height(point(t[k])) < -ON) return false;
        return true;
    }

    /** One or two of the triangle's edges may have got a vertex. */
    private static void divide(int[] t, Map<Long, Integer> crossing, List<int[]> out) {
        var mid = new Integer[3];
        int n = 0, last = -1;
        for (int k = 0; k < 3; k++) {
            mid[k] = crossing.get(DirectedEdge.undirectedKey(t[k], t[(k + 1) % 3]));
            if (mid[k] == null) continue;
            n++;
            last = k;
        }
        if (n == 0) {
            out.add(t);
            return;
        }
        if (n == 1) {
            int a = t[last], b = t[(last + 1) % 3], c = t[(last + 2) % 3];
            out.add(new int[] {a, mid[last], c, t[3], t[4]});
            out.add(new int[] {mid[last], b, c, t[3], t[4]});
            return;
        }
        int free = mid[0] == null ? 0 : mid[1] == null ? 1 : 2; // the edge without a vertex: the corner opposite is alone on its side
        if (n == 3) throw new IllegalStateException("a plane crosses three edges of a triangle");
        int a = t[free], b = t[(free + 1) % 3], c = t[(free + 2) % 3], bc = mid[(free + 1) % 3], ca = mid[(free + 2) % 3];
        out.add(new int[] {ca, bc, c, t[3], t[4]});
        out.add(new int[] {a, b, bc, t[3], t[4]});
        out.add(new int[] {a, bc, ca, t[3], t[4]});
    }

    private boolean inside(int[] t) throws Coplanar {
        if (t[4] == 0) return false;
        for (var plane : solid.faces()) {
            double a = plane.height(point(t[0])), b = plane.height(point(t[1])), c = plane.height(point(t[2]));
            if (Math.max(a, Math.max(b, c)) > ON) return false;
            if (Math.min(a, Math.min(b, c)) >= -ON) throw new Coplanar();
        }
        return true;
    }

    /** Fills the solid's faces: corner triples in numbers of the mesh's vertices and, after them, of {@link #added}. */
    private List<Integer> caps(Rim rim) throws Coplanar {
        int faces = solid.faces().size();
        var byFace = new ArrayList<Rim>();
        for (int i = 0; i < faces; i++) byFace.add(new Rim());
        for (long edge : rim.edges()) {
            int a = DirectedEdge.from(edge), b = DirectedEdge.to(edge), home = -1;
            for (int i = 0; i < faces; i++) {
                if (side(solid.faces().get(i).height(point(a))) != 0 || side(solid.faces().get(i).height(point(b))) != 0) continue;
                if (home >= 0) throw new Coplanar(); // the surface runs along an edge of the solid
                home = i;
            }
            if (home < 0) throw new Coplanar();
            byFace.get(home).put(edge);
        }
        ownEdges(rim, byFace);
        var out = new ArrayList<Integer>();
        for (int i = 0; i < faces; i++) if (!byFace.get(i).isEmpty()) fill(byFace.get(i), solid.faces().get(i), out);
        return out;
    }

    /** The solid's edges: outside the mesh when adding, inside when taking away, broken where the surface crosses them. */
    private void ownEdges(Rim rim, List<Rim> byFace) throws Coplanar {
        var onRim = new HashSet<Integer>();
        for (long e : rim.edges()) {
            onRim.add(DirectedEdge.from(e));
            onRim.add(DirectedEdge.to(e));
        }
        var cornerVertex = new int[solid.corners().size()];
        Arrays.fill(cornerVertex, -1);
        for (int i = 0; i < byFace.size(); i++) {
            var loop = solid.loops().get(i);
            for (int k = 0; k < loop.size(); k++) {
                int p = loop.get(k), q = loop.get((k + 1) % loop.size()), j = across(i, p, q);
                if (j < i) continue; // once an edge
                var from = solid.corners().get(p);
                var along = solid.corners().get(q).minus(from);
                var stops = new ArrayList<Integer>();
                for (int v : onRim)
                    if (side(solid.faces().get(i).height(point(v))) == 0 && side(solid.faces().get(j).height(point(v))) == 0) stops.add(v);
                stops.sort(Comparator.comparingDouble(v -> point(v).minus(from).dot(along)));
                for (int s = 0; s <= stops.size(); s++) {
                    var a = s == 0 ? from : point(stops.get(s - 1));
                    var b = s == stops.size() ? solid.corners().get(q) : point(stops.get(s));
                    if (a.distance(b) < 10 * ON) throw new Coplanar();
                    if (index.inside(a.plus(b).times(0.5)) == adding) continue;
                    int u = s == 0 ? corner(p, cornerVertex) : stops.get(s - 1),
                            w = s == stops.size() ? corner(q, cornerVertex) : stops.get(s);
                    byFace.get(adding ? i : j).put(DirectedEdge.of(u, w));
                    byFace.get(adding ? j : i).put(DirectedEdge.of(w, u));
                }
            }
        }
    }

    private int across(int face, int p, int q) {
        for (int j = 0; j < solid.loops().size(); j++) {
            var l = solid.loops().get(j);
            if (j == face) continue;
            for (int k = 0; k < l.size(); k++) if (l.get(k) == q && l.get((k + 1) % l.size()) == p) return j;
        }
        throw new IllegalStateException("the solid is not closed");
    }

    private int corner(int c, int[] vertexOf) {
        if (vertexOf[c] < 0) {
            added.add(solid.corners().get(c));
            vertexOf[c] = mesh.vertexCount() + added.size() - 1;
        }
        return vertexOf[c];
    }

    private void fill(Rim edges, CutPlane face, List<Integer> out) throws Coplanar {
        var facing = adding ? face : new CutPlane(face.normal().times(-1), -face.offsetMm());
        var chains = RimChains.of(edges, this::point, facing);
        if (chains.openChains() > 0) throw new Coplanar();
        out.addAll(CapTriangulator.filled(chains.loops(), this::point, facing));
    }
}
