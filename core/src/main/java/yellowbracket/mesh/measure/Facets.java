package yellowbracket.mesh.measure;

import java.util.Arrays;
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
            // here: the tangent of half the angle, then of a quarter
            double half = Math.sqrt(Math.max(0, 1 - cos) / (1 + cos)), quarter = half / (1 + Math.sqrt(1 + half * half)),
                    side = m.point(edges.lowVertex(from)).distance(m.point(edges.highVertex(from)));
            if (!(side > 0)) return;
            // heights of both triangles over their edge: where a plane runs into a round, the facets of the round count
            double wide = Math.min(a.norm(), b.norm()) / side, off = wide / 2 * quarter;
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
        var area = new double[depth.length];
        Arrays.setAll(area, f -> depth[f] > 0 ? m.area(f) : 0);
        return new Facets(Quantile.of(depth, area, 0.95), Arrays.stream(depth).max().orElse(0), bent / all);
    }
}
