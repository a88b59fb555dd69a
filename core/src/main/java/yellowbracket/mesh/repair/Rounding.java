package yellowbracket.mesh.repair;

import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.Map;
import java.util.stream.IntStream;
import yellowbracket.mesh.Edges;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.VertexFacets;
import yellowbracket.mesh.measure.Facets;

/**
 * Each triangle into four, the new points laid on the curve that the surface's normals ask for (the cubic edges of curved point-normal
 * triangles: Vlachos, Peters, Boyd, Mitchell 2001): corners stay where they are, creases stay creases and are rounded along their own
 * length (four-point scheme: Dyn, Levin, Gregory 1987), flat faces stay flat. A closed mesh stays closed. Single use.
 */
public final class Rounding {
    /** More triangles than this nobody prints better. */
    private static final int MOST_TRIANGLES = 2_500_000;
    /** A crease that turns more at a point has a corner there. */
    private static final double CORNER = Math.cos(Math.toRadians(50));
    private static final double SHARP = Math.cos(Math.toRadians(Facets.CREASE_DEG));

    private final Mesh mesh;
    /** Of each corner: the number of the edge from it to the next, shared by the triangles that meet there. */
    private final int[] edge;
    private final BitSet crease = new BitSet();
    private final VertexFacets around;
    /** By vertex: the two neighbours along the crease through it; more or fewer end the curve. */
    private final Map<Integer, int[]> along = new HashMap<>();
    private final Vec3[] cornerNormal;

    private Rounding(Mesh mesh) {
        this.mesh = mesh;
        cornerNormal = new Vec3[3 * mesh.triangleCount()];
        edge = new int[3 * mesh.triangleCount()];
        around = VertexFacets.of(mesh);
    }

    /** @return the mesh rounded so many times, or as often as there is room */
    public static Mesh of(Mesh m, int times, Progress progress) {
        var now = m;
        for (int i = 0; i < times && 4L * now.triangleCount() <= MOST_TRIANGLES; i++) {
            progress.check();
            now = new Rounding(now).run();
        }
        return now;
    }

    private Mesh run() {
        int edges = creases();
        IntStream.range(0, mesh.vertexCount()).parallel().forEach(this::normals);
        var out = new MeshBuilder(mesh.vertexCount() * 4, mesh.triangleCount() * 4);
        for (int v = 0; v < mesh.vertexCount(); v++) out.addVertex(mesh.x(v), mesh.y(v), mesh.z(v));
        var middle = new int[edges];
        Arrays.fill(middle, -1);
        for (int f = 0; f < mesh.triangleCount(); f++) {
            int[] c = {mesh.vertex(f, 0), mesh.vertex(f, 1), mesh.vertex(f, 2)}, m = new int[3];
            for (int k = 0; k < 3; k++) {
                int e = edge[3 * f + k];
                if (middle[e] < 0) middle[e] = out.addVertex(middle(f, k));
                m[k] = middle[e];
            }
            for (int k = 0; k < 3; k++) out.addTriangle(c[k], m[k], m[(k + 2) % 3], mesh.tag(f));
            out.addTriangle(m[0], m[1], m[2], mesh.tag(f));
        }
        return out.build();
    }

    /** Returns how many edges there are. */
    private int creases() {
        var edges = new Edges(mesh);
        int[] n = {0};
        edges.forEach((from, to) -> {
            int a = edges.lowVertex(from), b = edges.highVertex(from);
            boolean sharp = to - from != 2;
            if (!sharp) {
                var f = mesh.areaVector(edges.triangle(from));
                var g = mesh.areaVector(edges.triangle(from + 1));
                sharp = f.dot(g) < SHARP * f.norm() * g.norm();
            }
            for (int i = from; i < to; i++) edge[edges.corner(i)] = n[0];
            crease.set(n[0]++, sharp);
            if (!sharp) return;
            note(a, b);
            note(b, a);
        });
        return n[0];
    }

    private void note(int v, int other) {
        var now = along.get(v);
        along.put(v, now == null ? new int[] {other} : now.length == 1 ? new int[] {now[0], other} : new int[] {-1, -1, -1});
    }

    /** Of each corner at a point: the mean over the facets about it that are reached without crossing a crease, by angle. */
    private void normals(int v) {
        int from = around.from(v), n = around.from(v + 1) - from;
        var corner = new int[n];
        for (int i = 0; i < n; i++) {
            int f = around.facet(from + i);
            corner[i] = 3 * f + (mesh.vertex(f, 0) == v ? 0 : mesh.vertex(f, 1) == v ? 1 : 2);
        }
        var left = n;
        while (left > 0) { // here: corner[0..left) wait, the group grows from left down
            int end = left--, at = left;
            while (at >= left) {
                for (int i = left - 1; i >= 0; i--) if (smooth(corner[at], corner[i])) {
                    int c = corner[i];
                    corner[i] = corner[--left];
                    corner[left] = c;
                }
                at--;
            }
            Vec3 sum = Vec3.ZERO;
            for (int i = left; i < end; i++) sum = sum.plus(weighted(corner[i]));
            var mean = sum.norm() > 0 ? sum.unit() : Vec3.Z;
            for (int i = left; i < end; i++) cornerNormal[corner[i]] = mean;
        }
    }

    /** Whether two corners at a point lie on either side of an edge that is no crease. */
    private boolean smooth(int one, int other) {
        int f = one / 3, g = other / 3, before = (one % 3 + 2) % 3, behind = (other % 3 + 2) % 3;
        return joins(edge[one], edge[other]) || joins(edge[one], edge[3 * g + behind]) || joins(edge[3 * f + before], edge[other])
                || joins(edge[3 * f + before], edge[3 * g + behind]);
    }

    private boolean joins(int e, int o) {
        return e == o && !crease.get(e);
    }

    private Vec3 weighted(int corner) {
        int f = corner / 3, k = corner % 3;
        var p = mesh.corner(f, k);
        var u = mesh.corner(f, (k + 1) % 3).minus(p);
        var w = mesh.corner(f, (k + 2) % 3).minus(p);
        double angle = Math.atan2(u.cross(w).norm(), u.dot(w));
        var n = mesh.areaVector(f);
        return n.norm() > 0 ? n.unit().times(angle) : Vec3.ZERO;
    }

    /** The new point between corner {@code k} of a facet and the next. */
    private Vec3 middle(int f, int k) {
        int next = (k + 1) % 3;
        var a = mesh.corner(f, k);
        var b = mesh.corner(f, next);
        if (crease.get(edge[3 * f + k])) return alongCrease(mesh.vertex(f, k), mesh.vertex(f, next));
        var d = b.minus(a);
        var na = cornerNormal[3 * f + k];
        var nb = cornerNormal[3 * f + next];
        return a.plus(b).times(0.5).minus(na.times(d.dot(na) / 8)).plus(nb.times(d.dot(nb) / 8));
    }

    private Vec3 alongCrease(int a, int b) {
        var p = mesh.point(a);
        var q = mesh.point(b);
        var before = beyond(a, b);
        var after = beyond(b, a);
        // an end of the curve goes on straight
        var u = before == null ? p.times(2).minus(q) : before;
        var w = after == null ? q.times(2).minus(p) : after;
        return p.plus(q).times(9.0 / 16).minus(u.plus(w).times(1.0 / 16));
    }

    /** The point of the crease before {@code v} as it comes towards {@code to}; null at a corner or an end. */
    private Vec3 beyond(int v, int to) {
        var n = along.get(v);
        if (n == null || n.length != 2) return null;
        int other = n[0] == to ? n[1] : n[1] == to ? n[0] : -1;
        if (other < 0) return null;
        var in = mesh.point(v).minus(mesh.point(other));
        var out = mesh.point(to).minus(mesh.point(v));
        return in.dot(out) < CORNER * in.norm() * out.norm() ? null : mesh.point(other);
    }
}
