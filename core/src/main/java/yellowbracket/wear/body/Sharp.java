package yellowbracket.wear.body;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import yellowbracket.finding.Finding;
import yellowbracket.mesh.Edges;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.ScaledShell;

/**
 * A point or an edge that stands out and is sharper than a crowd should meet. Its radius is that of the round with the same width a little
 * below its top: r = (w^2 / 4 + d^2) / (2 d) at the depth d.
 *
 * @param at prop mm @param radiusMm as it is @param bluntMm to take off its top until it is as round as asked; a coat rounds it a little
 * too
 */
public record Sharp(Kind kind, Vec3 at, double radiusMm, double lengthMm, double bluntMm) {
    /** A place, or a line. */
    public enum Kind { POINT, EDGE }

    /** Rounder than this hurts nobody; starting values of event rules: a finger's tip, a coin's rim. */
    public static final double POINT_MM = 5, EDGE_MM = 0.6;
    /** Where the width is felt, below a point and below an edge, mm; facets bent less than this are one surface. */
    private static final double POINT_DEEP_MM = 2.5, EDGE_DEEP_MM = 0.8, BENT_DEG = 40;
    /** Points of one tip; and how many are told. */
    private static final double ONE_TIP_MM = 15, OFF_MM = 1e-3;
    public static final int MOST = 24;
    private static final int AROUND = 12;
    /** Nothing so near before it, mm; cosine below which the facets of a corner make it a point. */
    private static final double OPEN_MM = 400, POINTED = 0.9;

    /** Wide @param widthMm at a depth below the top: the radius of a round top like it. */
    static double radius(double widthMm, double deepMm) {
        return (widthMm * widthMm / 4 + deepMm * deepMm) / (2 * deepMm);
    }

    /** What comes off the top of a wedge or a cone of an inner angle when it is rounded: r (1 / sin(half) - 1). */
    static double blunt(double innerDeg, double radiusMm) {
        return radiusMm * (1 / Math.sin(Math.toRadians(innerDeg / 2)) - 1);
    }

    /** Those that stand out into the open: what looks at a wall hurts nobody outside. @param shell scaled as the prop is */
    public static List<Sharp> of(ScaledShell shell, Progress progress) {
        var m = shell.mesh();
        var out = new ArrayList<Sharp>();
        out.addAll(points(m, shell));
        progress.check();
        out.addAll(edges(m, shell));
        out.sort(Comparator.comparing(Sharp::kind).thenComparingDouble(Sharp::radiusMm));
        return List.copyOf(out.subList(0, Math.min(MOST, out.size())));
    }

    /** Corners whose facets all lean away from one direction: felt along it. */
    private static List<Sharp> points(Mesh m, ScaledShell shell) {
        var normal = new Vec3[m.vertexCount()];
        var least = new double[m.vertexCount()];
        java.util.Arrays.fill(normal, Vec3.ZERO);
        java.util.Arrays.fill(least, 1);
        for (int f = 0; f < m.triangleCount(); f++) {
            var n = m.areaVector(f);
            if (n.norm() < 1e-12) continue;
            for (int k = 0; k < 3; k++) normal[m.vertex(f, k)] = normal[m.vertex(f, k)].plus(n.unit().times(angle(m, f, k)));
        }
        for (int f = 0; f < m.triangleCount(); f++) {
            var n = m.areaVector(f);
            if (n.norm() < 1e-12) continue;
            for (int k = 0; k < 3; k++) {
                int v = m.vertex(f, k);
                if (normal[v].norm() > 1e-9) least[v] = Math.min(least[v], n.unit().dot(normal[v].unit()));
            }
        }
        var found = new ArrayList<Sharp>();
        for (int v = 0; v < m.vertexCount(); v++) {
            if (least[v] > POINTED || normal[v].norm() < 1e-9) continue;
            var p = m.point(v).times(shell.scale());
            var up = normal[v].unit();
            if (shell.inside(p.plus(up.times(0.05))) || !shell.inside(p.minus(up.times(0.3)))) continue;
            double w = width(shell, p.minus(up.times(POINT_DEEP_MM)), up), r = radius(w, POINT_DEEP_MM);
            if (!(r < POINT_MM) || !open(shell, p, up)) continue;
            double half = Math.toDegrees(Math.atan(w / 2 / POINT_DEEP_MM));
            found.add(new Sharp(Kind.POINT, p, r, 0, blunt(2 * Math.clamp(half, 3, 89), POINT_MM)));
        }
        found.sort(Comparator.comparingDouble(Sharp::radiusMm));
        var out = new ArrayList<Sharp>();
        for (var s : found) if (out.stream().noneMatch(o -> o.at.distance(s.at) < ONE_TIP_MM)) out.add(s);
        return out;
    }

    private static boolean open(ScaledShell shell, Vec3 p, Vec3 up) {
        return !shell.blocked(p.plus(up.times(0.5)), up, OPEN_MM);
    }

    private static double angle(Mesh m, int f, int k) {
        var a = m.corner(f, k);
        var u = m.corner(f, (k + 1) % 3).minus(a);
        var v = m.corner(f, (k + 2) % 3).minus(a);
        return Math.atan2(u.cross(v).norm(), u.dot(v));
    }

    /**
     * The widest of the matter round a place within it; infinite where there is none, or bodies lie over each other: that is a bump on a
     * wall.
     */
    private static double width(ScaledShell shell, Vec3 p, Vec3 up) {
        if (!shell.inside(p)) return Double.POSITIVE_INFINITY;
        var a = Math.abs(up.x()) < 0.7 ? up.cross(Vec3.X).unit() : up.cross(Vec3.Z).unit();
        var b = up.cross(a);
        double most = 0;
        for (int i = 0; i < AROUND; i++) {
            double t = Math.PI * i / AROUND;
            var d = a.times(Math.cos(t)).plus(b.times(Math.sin(t)));
            most = Math.max(most, across(shell, p, d));
        }
        return most;
    }

    private static double across(ScaledShell shell, Vec3 p, Vec3 d) {
        return shell.firstMm(p, d) + shell.firstMm(p, d.times(-1));
    }

    /** Edges bent outwards, chained by where they are into lines of one sharpness. */
    private static List<Sharp> edges(Mesh m, ScaledShell shell) {
        var length = new HashMap<Integer, Double>();
        var worst = new HashMap<Integer, Sharp>();
        var cells = new HashMap<Long, Integer>();
        var e = new Edges(m);
        double bent = Math.cos(Math.toRadians(BENT_DEG));
        e.forEach((from, to) -> {
            if (to - from != 2) return;
            int f = e.triangle(from), g = e.triangle(from + 1), a = e.lowVertex(from), b = e.highVertex(from);
            Vec3 nf = m.areaVector(f), ng = m.areaVector(g);
            if (nf.norm() < 1e-12 || ng.norm() < 1e-12) return;
            nf = nf.unit();
            ng = ng.unit();
            if (nf.dot(ng) > bent) return;
            Vec3 p = m.point(a).times(shell.scale()), q = m.point(b).times(shell.scale()), mid = p.plus(q).times(0.5), along = q.minus(p);
            var up = nf.plus(ng);
            if (up.norm() < 0.05 || along.norm() < OFF_MM) return;
            up = up.unit();
            var in = mid.minus(up.times(EDGE_DEEP_MM));
            if (shell.inside(mid.plus(up.times(0.05))) || !shell.inside(in)) return;
            double w = across(shell, in, along.unit().cross(up)), r = radius(w, EDGE_DEEP_MM);
            if (!(r < EDGE_MM) || !open(shell, mid, up)) return;
            double inner = 2 * Math.toDegrees(Math.atan(w / 2 / EDGE_DEEP_MM));
            int line = cells.computeIfAbsent(cell(mid), k -> cells.size());
            length.merge(line, along.norm(), Double::sum);
            worst.merge(line, new Sharp(Kind.EDGE, mid, r, 0, blunt(Math.clamp(inner, 6, 178), EDGE_MM)),
                    (x, y) -> x.radiusMm <= y.radiusMm ? x : y);
        });
        return worst.entrySet().stream().map(w -> {
            var s = w.getValue();
            return new Sharp(s.kind, s.at, s.radiusMm, length.get(w.getKey()), s.bluntMm);
        }).filter(s -> s.lengthMm > LEAST_LENGTH_MM).toList();
    }

    /** Shorter bits are a corner's; edges within one cube are told together. */
    private static final double LEAST_LENGTH_MM = 8, CUBE_MM = 60;

    private static long cell(Vec3 p) {
        long x = Math.round(p.x() / CUBE_MM), y = Math.round(p.y() / CUBE_MM), z = Math.round(p.z() / CUBE_MM);
        return (x + 500) * 1_000_000 + (y + 500) * 1000 + z + 500;
    }

    public Finding finding() {
        return Finding.care(String.format(Locale.ROOT,
                kind == Kind.POINT
                        ? "a point of radius %.1f mm: take %.1f mm off it until a finger's tip covers it, or print it in something soft"
                        : "%3$.0f mm of edge as sharp as radius %1$.1f mm: break it by %2$.1f mm",
                radiusMm, bluntMm, lengthMm));
    }
}
