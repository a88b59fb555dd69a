package yellowbracket.mesh.measure;

import java.util.Arrays;
import java.util.Comparator;
import java.util.stream.IntStream;
import yellowbracket.mesh.Edges;
import yellowbracket.mesh.Mesh;

/**
 * Flats of a coarse mesh where a round surface was meant: between neighbours that bend by less than a crease, how far each flat lies off
 * the arc through them, (L / 2) tan(angle / 4), L the width across the edge of the narrower. Depths in the mesh's unit.
 * @param deep95 nineteen twentieths of the bent surface are flatter, by area @param bentShare of the surface
 */
public record Facets(double deep95, double deepest, double bentShare) {
    /** Sharper is an edge that is meant. */
    public static final double CREASE_DEG = 32;
    /** Less is flat. */
    private static final double FLAT_DEG = 0.4;

    /** Of each facet, 0 where it is flat or its edges are meant. O(n log n). */
    public static double[] depths(Mesh m) {
        var depth = new double[m.triangleCount()];
        double sharp = Math.cos(Math.toRadians(CREASE_DEG)), flat = Math.cos(Math.toRadians(FLAT_DEG));
        var edges = new Edges(m);
        edges.forEach((from, to) -> {
            if (to - from != 2) return;
            int f = edges.triangle(from), g = edges.triangle(from + 1);
            var a = m.areaVector(f);
            var b = m.areaVector(g);
            double cos = a.dot(b) / (a.norm() * b.norm());
            if (!(cos > sharp) || cos > flat) return;
            double angle = Math.acos(Math.min(1, cos)), side = m.point(edges.lowVertex(from)).distance(m.point(edges.highVertex(from)));
            if (!(side > 0)) return;
            // heights of both triangles over their edge: where a plane runs into a round, the facets of the round count
            double wide = Math.min(a.norm(), b.norm()) / side, off = wide / 2 * Math.tan(angle / 4);
            depth[f] = Math.max(depth[f], off);
            depth[g] = Math.max(depth[g], off);
        });
        return depth;
    }

    /** O(n log n). */
    public static Facets of(Mesh m) {
        var depth = depths(m);
        double all = 0, bent = 0;
        for (int f = 0; f < depth.length; f++) {
            all += m.area(f);
            if (depth[f] > 0) bent += m.area(f);
        }
        if (bent <= 0) return new Facets(0, 0, 0);
        var order = IntStream.range(0, depth.length)
                .filter(f -> depth[f] > 0)
                .boxed()
                .sorted(Comparator.comparingDouble(f -> depth[f]))
                .toList();
        double sum = 0;
        for (int f : order) {
            sum += m.area(f);
            if (sum >= 0.95 * bent) return new Facets(depth[f], Arrays.stream(depth).max().orElse(0), bent / all);
        }
        return new Facets(0, 0, bent / all);
    }
}
