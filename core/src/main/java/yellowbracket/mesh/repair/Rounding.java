package yellowbracket.mesh.repair;

import java.util.HashMap;
import java.util.Map;
import yellowbracket.mesh.Edges;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Vec3;
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
    private final Map<Long, Boolean> crease = new HashMap<>();
    /** By vertex: the two neighbours along the crease through it; more or fewer end the curve. */
    private final Map<Integer, int[]> along = new HashMap<>();
    private final Vec3[] cornerNormal;

    private Rounding(Mesh mesh) {
        this.mesh = mesh;
        cornerNormal = new Vec3[3 * mesh.triangleCount()];
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

    private static long key(int a, int b) {
        return (long) Math.min(a, b) << 32 | Math.max(a, b);
    }

    private Mesh run() {
        creases();
        normals();
        var out = new MeshBuilder(mesh.vertexCount() * 4, mesh.triangleCount() * 4);
        for (int v = 0; v < mesh.vertexCount(); v++) out.addVertex(mesh.x(v), mesh.y(v), mesh.z(v));
        var middle = new HashMap<Long, Integer>();
        for (int f = 0; f < mesh.triangleCount(); f++) {
            int[] c = {mesh.vertex(f, 0), mesh.vertex(f, 1), mesh.vertex(f, 2)}, m = new int[3];
            for (int k = 0; k < 3; k++) {
                int facet = f, corner = k;
                m[k] = middle.computeIfAbsent(key(c[k], c[(k + 1) % 3]), e -> out.addVertex(middle(facet, corner)));
            }
            for (int k = 0; k < 3; k++) out.addTriangle(c[k], m[k], m[(k + 2) % 3], mesh.tag(f));
            out.addTriangle(m[0], m[1], m[2], mesh.tag(f));
        }
        return out.build();
    }

    private void creases() {
        var edges = new Edges(mesh);
        edges.forEach((from, to) -> {
            int a = edges.lowVertex(from), b = edges.highVertex(from);
            boolean sharp = to - from != 2;
            if (!sharp) {
                var n = mesh.areaVector(edges.triangle(from));
                var o = mesh.areaVector(edges.triangle(from + 1));
                sharp = n.dot(o) < SHARP * n.norm() * o.norm();
            }
            crease.put(key(a, b), sharp);
            if (!sharp) return;
            note(a, b);
            note(b, a);
        });
    }

    private void note(int v, int other) {
        var now = along.get(v);
        along.put(v, now == null ? new int[] {other} : now.length == 1 ? new int[] {now[0], other} : new int[] {-1, -1, -1});
    }

    /** Of each corner: the mean over the facets about its point that are reached without crossing a crease, by angle. */
    private void normals() {
        var about = new HashMap<Integer, java.util.ArrayList<Integer>>();
        for (int c = 0; c < cornerNormal.length; c++)
            about.computeIfAbsent(mesh.vertex(c / 3, c % 3), v -> new java.util.ArrayList<>(6)).add(c);
        about.forEach((v, corners) -> {
            var left = new java.util.ArrayList<>(corners);
            while (!left.isEmpty()) {
                var group = new java.util.ArrayList<Integer>();
                group.add(left.removeLast());
                for (int i = 0; i < group.size(); i++) {
                    int c = group.get(i);
                    left.removeIf(o -> {
                        boolean joins = smooth(v, c, o);
                        if (joins) group.add(o);
                        return joins;
                    });
                }
                Vec3 sum = Vec3.ZERO;
                for (int c : group) sum = sum.plus(weighted(c));
                var n = sum.norm() > 0 ? sum.unit() : Vec3.Z;
                for (int c : group) cornerNormal[c] = n;
            }
        });
    }

    /** Whether two corners at a point lie on either side of an edge that is no crease. */
    private boolean smooth(int v, int one, int other) {
        for (int i = 1; i <= 2; i++) for (int j = 1; j <= 2; j++) {
            int a = mesh.vertex(one / 3, (one % 3 + i) % 3), b = mesh.vertex(other / 3, (other % 3 + j) % 3);
            if (a == b && !crease.getOrDefault(key(v, a), true)) return true;
        }
        return false;
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
        if (crease.getOrDefault(key(mesh.vertex(f, k), mesh.vertex(f, next)), true))
            return alongCrease(mesh.vertex(f, k), mesh.vertex(f, next));
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
