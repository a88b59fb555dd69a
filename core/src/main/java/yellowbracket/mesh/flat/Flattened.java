package yellowbracket.mesh.flat;

import org.hipparchus.exception.MathRuntimeException;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.ConjugateGradient;
import org.hipparchus.linear.RealLinearOperator;
import org.hipparchus.linear.RealVector;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;

/**
 * An open piece of surface laid flat by a least squares conformal map (Levy, Petitjean, Ray, Maillot, "Least squares conformal maps for
 * automatic texture atlas generation", 2002): angles are kept as well as can be, and the whole has the area of the piece. {@code
 * leastStretch},
 * {@code mostStretch}: by how much a flat sheet is shortened and lengthened where it is worst, 1 is not at all (singular values).
 */
public final class Flattened {
    private static final double EXACT = 1e-9, ROUGH = 1e-5;
    private static final int MOST_STEPS = 20_000;

    private final Mesh piece;
    private final double[] uv;
    private final double least, most;

    private Flattened(Mesh piece, double[] uv, double least, double most) {
        this.piece = piece;
        this.uv = uv;
        this.least = least;
        this.most = most;
    }

    /**
     * @param piece connected, with a border, every vertex used
     * @param a stays where the flat piece begins, {@code b} lies straight to its right: two vertices far apart
     */
    public static Flattened of(Mesh piece, int a, int b) {
        if (a == b || piece.isEmpty()) throw new IllegalArgumentException("a piece is laid flat between two of its corners");
        int n = piece.vertexCount();
        var slot = new int[n];
        int free = 0;
        for (int v = 0; v < n; v++) slot[v] = v == a || v == b ? -1 : free++;
        var start = new double[2 * n];
        start[2 * b] = piece.point(a).distance(piece.point(b));
        var fixed = new Rows(piece, slot, start);
        var right = fixed.times(null);
        int size = 2 * free;
        if (size > 0) {
            var normal = new RealLinearOperator() {
                @Override
                public int getRowDimension() {
                    return size;
                }

                @Override
                public int getColumnDimension() {
                    return size;
                }

                @Override
                public RealVector operate(RealVector x) {
                    return new ArrayRealVector(fixed.transposed(fixed.times(x.toArray())), false);
                }
            };
            var wanted = new ArrayRealVector(fixed.transposed(right), false).mapMultiply(-1);
            var solved = solved(normal, wanted).toArray();
            for (int v = 0; v < n; v++) if (slot[v] >= 0) {
                start[2 * v] = solved[2 * slot[v]];
                start[2 * v + 1] = solved[2 * slot[v] + 1];
            }
        }
        return scaled(piece, start);
    }

    /** As exactly as the numbers allow. */
    private static RealVector solved(RealLinearOperator normal, RealVector wanted) {
        try {
            return new ConjugateGradient(MOST_STEPS, EXACT, false).solve(normal, wanted);
        } catch (MathRuntimeException noNearer) {
            return new ConjugateGradient(MOST_STEPS, ROUGH, false).solve(normal, wanted);
        }
    }

    /** To the area of the piece, with what it gives. */
    private static Flattened scaled(Mesh piece, double[] uv) {
        double flat = 0;
        for (int f = 0; f < piece.triangleCount(); f++) flat += Math.abs(twice(piece, uv, f)) / 2;
        double k = flat > 0 ? Math.sqrt(piece.areaMm2() / flat) : 1;
        for (int i = 0; i < uv.length; i++) uv[i] *= k;
        double least = Double.POSITIVE_INFINITY, most = 0;
        for (int f = 0; f < piece.triangleCount(); f++) {
            double area = piece.area(f);
            if (area < 1e-9) continue;
            var s = singular(piece, uv, f);
            least = Math.min(least, s[1]);
            most = Math.max(most, s[0]);
        }
        return new Flattened(piece, uv, least, most);
    }

    private static double twice(Mesh m, double[] uv, int f) {
        int a = m.vertex(f, 0), b = m.vertex(f, 1), c = m.vertex(f, 2);
        return (uv[2 * b] - uv[2 * a]) * (uv[2 * c + 1] - uv[2 * a + 1]) - (uv[2 * c] - uv[2 * a]) * (uv[2 * b + 1] - uv[2 * a + 1]);
    }

    /** Of the map from the flat triangle to the one in space, larger first. */
    private static double[] singular(Mesh m, double[] uv, int f) {
        var p = m.corner(f, 0);
        var e = m.corner(f, 1).minus(p);
        var g = m.corner(f, 2).minus(p);
        int a = m.vertex(f, 0), b = m.vertex(f, 1), c = m.vertex(f, 2);
        double u1 = uv[2 * b] - uv[2 * a], v1 = uv[2 * b + 1] - uv[2 * a + 1], u2 = uv[2 * c] - uv[2 * a],
                v2 = uv[2 * c + 1] - uv[2 * a + 1], det = u1 * v2 - u2 * v1;
        if (Math.abs(det) < 1e-12) return new double[] {Double.POSITIVE_INFINITY, 0};
        var su = e.times(v2).minus(g.times(v1)).times(1 / det);
        var sv = g.times(u1).minus(e.times(u2)).times(1 / det);
        double aa = su.dot(su), bb = su.dot(sv), cc = sv.dot(sv), root = Math.sqrt((aa - cc) * (aa - cc) + 4 * bb * bb);
        return new double[] {Math.sqrt((aa + cc + root) / 2), Math.sqrt(Math.max(0, (aa + cc - root) / 2))};
    }

    public Mesh piece() {
        return piece;
    }

    public double u(int vertex) {
        return uv[2 * vertex];
    }

    public double v(int vertex) {
        return uv[2 * vertex + 1];
    }

    public double leastStretch() {
        return least;
    }

    public double mostStretch() {
        return most;
    }

    /** By how much a flat sheet has to give, as a share: the worse of pulling and pushing together. */
    public double stretch() {
        return Math.max(most - 1, 1 - least);
    }

    /** The equations of all triangles: two a triangle, in coordinates of its own plane, weighed by its area. */
    private static final class Rows {
        private final Mesh m;
        private final int[] slot;
        private final double[] pinned;
        /** For each triangle and corner: real and imaginary part of its weight. */
        private final double[] weight;

        Rows(Mesh m, int[] slot, double[] pinned) {
            this.m = m;
            this.slot = slot;
            this.pinned = pinned;
            weight = new double[6 * m.triangleCount()];
            for (int f = 0; f < m.triangleCount(); f++) weigh(f);
        }

        private void weigh(int f) {
            var p = m.corner(f, 0);
            var e = m.corner(f, 1).minus(p);
            var g = m.corner(f, 2).minus(p);
            double len = e.norm(), area = m.area(f);
            if (len < 1e-12 || area < 1e-12) return;
            var x = e.times(1 / len);
            double gx = g.dot(x), gy = 2 * area / len, root = Math.sqrt(2 * area);
            // here: W_j = (edge opposite to j) as a complex number
            double[] w = {gx - len, gy, -gx, -gy, len, 0};
            for (int i = 0; i < 6; i++) weight[6 * f + i] = w[i] / root;
        }

        /** @param x unknowns; null for what the pinned vertices give */
        double[] times(double[] x) {
            var out = new double[2 * m.triangleCount()];
            for (int f = 0; f < m.triangleCount(); f++) for (int k = 0; k < 3; k++) {
                int v = m.vertex(f, k), s = slot[v];
                if (s >= 0 == (x == null)) continue;
                double u = x == null ? pinned[2 * v] : x[2 * s], w = x == null ? pinned[2 * v + 1] : x[2 * s + 1],
                        re = weight[6 * f + 2 * k], im = weight[6 * f + 2 * k + 1];
                out[2 * f] += re * u - im * w;
                out[2 * f + 1] += im * u + re * w;
            }
            return out;
        }

        double[] transposed(double[] r) {
            int size = 0;
            for (int s : slot) if (s >= 0) size++;
            var out = new double[2 * size];
            for (int f = 0; f < m.triangleCount(); f++) for (int k = 0; k < 3; k++) {
                int s = slot[m.vertex(f, k)];
                if (s < 0) continue;
                double re = weight[6 * f + 2 * k], im = weight[6 * f + 2 * k + 1];
                out[2 * s] += re * r[2 * f] + im * r[2 * f + 1];
                out[2 * s + 1] += -im * r[2 * f] + re * r[2 * f + 1];
            }
            return out;
        }
    }

    /** Corners furthest apart along a direction: where a piece is pinned. */
    public static int furthest(Mesh m, Vec3 along) {
        int best = 0;
        for (int v = 1; v < m.vertexCount(); v++) if (m.point(v).dot(along) > m.point(best).dot(along)) best = v;
        return best;
    }
}
