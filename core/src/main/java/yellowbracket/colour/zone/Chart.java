package yellowbracket.colour.zone;

import java.util.Arrays;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * Surface about a place laid flat: each vertex at its distance along the surface, in the direction one sets out in (the exponential map, by
 * the geodesic polar coordinates of Melvaer and Reimers, 2012). Distances from the middle are true; across them it is stretched where the
 * surface is domed. Millimetres; u along {@code up}'s right, v along {@code up}.
 */
public final class Chart {
    private final Painted painted;
    private final double[] u;
    private final double[] v;
    private final double radius;

    private Chart(Painted painted, double[] u, double[] v, double radius) {
        this.painted = painted;
        this.u = u;
        this.v = v;
        this.radius = radius;
    }

    /** @param at near the surface @param up which way is up on the mark, not along the normal @param radiusMm how far it reaches */
    public static Chart of(Painted p, Vec3 at, Vec3 up, double radiusMm) {
        var near = Bvh.of(p.mesh()).closest(at);
        var n = p.mesh().areaVector(near.triangle()).unit();
        var right = up.cross(n);
        if (!(right.norm() > 1e-6)) right = (Math.abs(n.x()) < 0.9 ? Vec3.X : Vec3.Y).cross(n);
        var front = new Geodesic(p, Geodesic.From.POINT, radiusMm).polar(near.triangle(), near.point(), right);
        var d = front.run();
        var angle = front.directions();
        var u = new double[d.length];
        var v = new double[d.length];
        Arrays.fill(u, Double.NaN);
        Arrays.fill(v, Double.NaN);
        for (int i = 0; i < d.length; i++) {
            if (!(d[i] <= 3 * radiusMm)) continue;
            u[i] = d[i] * Math.cos(angle[i]);
            v[i] = d[i] * Math.sin(angle[i]);
        }
        return new Chart(p, u, v, radiusMm);
    }

    public Painted painted() {
        return painted;
    }

    /** NaN beyond the reach. */
    public double u(int vertex) {
        return u[vertex];
    }

    public double v(int vertex) {
        return v[vertex];
    }

    public boolean has(int piece) {
        var m = painted.mesh();
        for (int k = 0; k < 3; k++) {
            int w = m.vertex(piece, k);
            if (!(Math.hypot(u[w], v[w]) <= radius)) return false;
        }
        return true;
    }

    /**
     * How much a flat piece must give to lie on a piece of the surface: the larger of what it is drawn out and what it is pressed together,
     * as a share.
     */
    public double stretch(int piece) {
        Mesh m = painted.mesh();
        int a = m.vertex(piece, 0), b = m.vertex(piece, 1), c = m.vertex(piece, 2);
        var e = m.point(b).minus(m.point(a));
        var g = m.point(c).minus(m.point(a));
        double x1 = e.norm();
        if (!(x1 > 0)) return 0;
        double x2 = g.dot(e) / x1, y2 = Math.sqrt(Math.max(0, g.dot(g) - x2 * x2));
        if (!(y2 > 1e-9)) return 0;
        double du1 = u[b] - u[a], dv1 = v[b] - v[a], du2 = u[c] - u[a], dv2 = v[c] - v[a];
        // here: the map from the piece's own plane to the chart, column by column
        double p = du1 / x1, q = dv1 / x1, r = (du2 - x2 * p) / y2, s = (dv2 - x2 * q) / y2;
        double sum = p * p + q * q + r * r + s * s, det = Math.abs(p * s - q * r), root = Math.sqrt(Math.max(0, sum * sum / 4 - det * det));
        double most = Math.sqrt(sum / 2 + root), least = Math.sqrt(Math.max(0, sum / 2 - root));
        return Math.max(Math.abs(1 - most), Math.abs(1 - least));
    }
}
