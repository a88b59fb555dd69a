package yellowbracket.mesh.measure;

import java.util.ArrayList;
import java.util.stream.IntStream;
import yellowbracket.mesh.Edges;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/** Lines by which a model is known from one side: its outline, its creases, its open borders, as far as nothing lies before them. */
public final class Outlines {
    private static final double CREASE = Math.cos(Math.toRadians(32));
    /** A line on the surface is looked at from so far off it, as a share of the model. */
    private static final double OFF = 2e-3;

    private Outlines() {}

    /** Segments, six numbers each. O(n log n). @param towards unit, from the model to who looks */
    public static double[] of(Mesh m, Bvh index, Vec3 towards) {
        var edges = new Edges(m);
        var lines = new ArrayList<int[]>();
        edges.forEach((from, to) -> {
            if (kept(m, edges, from, to, towards)) lines.add(new int[] {edges.lowVertex(from), edges.highVertex(from), edges.triangle(from),
                    to - from > 1 ? edges.triangle(from + 1) : edges.triangle(from)});
        });
        double off = OFF * m.bounds().diagonal();
        return lines.parallelStream()
                .filter(e -> free(m, index, e, towards, off))
                .flatMapToDouble(e -> IntStream.of(e[0], e[1])
                        .mapToObj(m::point)
                        .flatMapToDouble(p -> java.util.stream.DoubleStream.of(p.x(), p.y(), p.z())))
                .toArray();
    }

    private static boolean kept(Mesh m, Edges edges, int from, int to, Vec3 towards) {
        if (to - from != 2) return true;
        var a = m.areaVector(edges.triangle(from));
        var b = m.areaVector(edges.triangle(from + 1));
        boolean one = a.dot(towards) > 0, other = b.dot(towards) > 0;
        if (!one && !other) return false;
        return one != other || a.dot(b) < CREASE * a.norm() * b.norm();
    }

    private static boolean free(Mesh m, Bvh index, int[] e, Vec3 towards, double off) {
        var n = m.areaVector(e[2]).unit().plus(m.areaVector(e[3]).unit());
        var out = n.norm() > 1e-9 ? n.unit() : towards;
        var at = m.point(e[0]).plus(m.point(e[1])).times(0.5).plus(out.times(off));
        return !Double.isFinite(index.firstDistance(at.x(), at.y(), at.z(), towards.x(), towards.y(), towards.z(), 0));
    }
}
