package yellowbracket.mesh.measure;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import yellowbracket.mesh.Adjacency;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * Round holes and pegs found in a mesh: smooth patches whose normals lie across one axis and whose points lie at one radius from it. The
 * axis is the direction
 * the normals vary least along (smallest eigenvector of their covariance); the circle is fitted by least squares (Kasa 1976). Patches that
 * go
 * round by less than {@link #LEAST_ROUND_DEG} or stray from the circle are no cylinders. O(n log n).
 */
public final class Cylinders {
    /** A patch must go round this far, degrees: fillets and brims do not. */
    public static final double LEAST_ROUND_DEG = 250;
    /** Facets of one round meet below 50 degrees: an octagon is a round, a hexagon is not. */
    private static final double SMOOTH = Math.cos(Math.toRadians(50));
    /** Share of the radius by which a point may lie off; printed holes are rounder. */
    private static final double STRAY = 0.035;
    /** Larger rounds are shells, not holes for hardware. */
    private static final double MOST_RADIUS_MM = 60;
    /** Facets of a round. */
    private static final int FEWEST = 10;
    /** Larger patches are not looked at: a hole for hardware has some hundreds. */
    private static final int MOST_FACETS = 20_000;

    /**
     * One hole or peg, model mm. {@code at}: the middle of its axis; {@code axis} unit, for a blind hole pointing out of it; {@code hole}
     * or a peg; {@code through}: a
     * hole open at both ends.
     */
    public record Cylinder(Vec3 at, Vec3 axis, double radiusMm, double lengthMm, boolean hole, boolean through) {
        public double diameterMm() {
            return 2 * radiusMm;
        }
    }

    private Cylinders() {}

    /** The cylinders of {@code m}, widest first. */
    public static List<Cylinder> of(Mesh m, Bvh index, Progress progress) {
        var adjacency = new Adjacency(m);
        var patch = new int[m.triangleCount()];
        java.util.Arrays.fill(patch, -1);
        var out = new ArrayList<Cylinder>();
        var stack = new int[m.triangleCount()];
        var normals = new Vec3[m.triangleCount()];
        for (int f = 0; f < normals.length; f++) {
            var a = m.areaVector(f);
            normals[f] = a.norm() > 0 ? a.unit() : Vec3.ZERO;
        }
        for (int f = 0; f < patch.length; f++) {
            if (patch[f] >= 0) continue;
            if ((f & 0xfff) == 0) progress.check();
            var facets = grow(m, adjacency, normals, patch, f, stack);
            if (facets.length >= FEWEST && facets.length <= MOST_FACETS) fitted(m, index, normals, facets).ifPresent(out::add);
        }
        out.sort(Comparator.comparingDouble(Cylinder::radiusMm).reversed());
        return List.copyOf(out);
    }

    /** The facets that hang together with {@code seed} over edges that are not sharp. */
    private static int[] grow(Mesh m, Adjacency adjacency, Vec3[] normals, int[] patch, int seed, int[] stack) {
        int top = 0, n = 0;
        var found = new int[64];
        stack[top++] = seed;
        patch[seed] = seed;
        while (top > 0) {
            int f = stack[--top];
            if (n == found.length) found = java.util.Arrays.copyOf(found, 2 * n);
            found[n++] = f;
            for (int k = 0; k < 3; k++) {
                int corner = adjacency.across(3 * f + k), g = corner / 3;
                if (corner < 0 || patch[g] >= 0 || normals[f].dot(normals[g]) < SMOOTH) continue;
                patch[g] = seed;
                stack[top++] = g;
            }
        }
        return java.util.Arrays.copyOf(found, n);
    }

    private static java.util.Optional<Cylinder> fitted(Mesh m, Bvh index, Vec3[] normals, int[] facets) {
        var axis = axis(m, normals, facets);
        var frame = Turn.lift(axis);
        double low = Double.POSITIVE_INFINITY, high = Double.NEGATIVE_INFINITY;
        var xs = new double[3 * facets.length];
        var ys = new double[3 * facets.length];
        for (int i = 0; i < facets.length; i++) {
            if (Math.abs(normals[facets[i]].dot(axis)) > 0.12) return java.util.Optional.empty();
            for (int k = 0; k < 3; k++) {
                var p = frame.apply(m.corner(facets[i], k));
                xs[3 * i + k] = p.x();
                ys[3 * i + k] = p.y();
                low = Math.min(low, p.z());
                high = Math.max(high, p.z());
            }
        }
        var c = circle(xs, ys);
        if (!(c[2] > 0.4 && c[2] < MOST_RADIUS_MM)) return java.util.Optional.empty();
        for (int i = 0; i < xs.length; i++)
            if (Math.abs(Math.hypot(xs[i] - c[0], ys[i] - c[1]) - c[2]) > Math.max(0.02, STRAY * c[2])) return java.util.Optional.empty();
        if (roundDeg(xs, ys, c) < LEAST_ROUND_DEG || high - low < 0.4) return java.util.Optional.empty();
        double inward = 0;
        for (int f : facets) {
            var p = frame.apply(m.centroid(f));
            var n = frame.apply(normals[f]);
            inward -= (n.x() * (p.x() - c[0]) + n.y() * (p.y() - c[1])) * m.area(f);
        }
        var back = frame.inverse();
        var at = back.apply(new Vec3(c[0], c[1], (low + high) / 2));
        boolean hole = inward > 0;
        double reach = (high - low) / 2 + 0.3 * c[2] + 0.05; // here: the bottom of a drilled hole is a cone
        boolean up = hole && closed(index, at, axis, reach + c[2]), down = hole && closed(index, at, axis.times(-1), reach + c[2]);
        return java.util.Optional.of(new Cylinder(at, up && !down ? axis.times(-1) : axis, c[2], high - low, hole, hole && !up && !down));
    }

    private static boolean closed(Bvh index, Vec3 at, Vec3 along, double within) {
        return index.firstDistance(at.x(), at.y(), at.z(), along.x(), along.y(), along.z(), 0) <= within;
    }

    /** Eigenvector of the smallest eigenvalue of the area-weighted covariance of normals. */
    private static Vec3 axis(Mesh m, Vec3[] normals, int[] facets) {
        var c = new double[3][3];
        for (int f : facets) {
            double a = m.area(f);
            for (int i = 0; i < 3; i++) for (int j = 0; j <= i; j++) c[i][j] += a * normals[f].get(i) * normals[f].get(j);
        }
        for (int i = 0; i < 3; i++) for (int j = i + 1; j < 3; j++) c[i][j] = c[j][i];
        var eigen = new org.hipparchus.linear.EigenDecompositionSymmetric(new org.hipparchus.linear.Array2DRowRealMatrix(c));
        var v = eigen.getEigenvector(2); // here: sorted falling
        return new Vec3(v.getEntry(0), v.getEntry(1), v.getEntry(2)).unit();
    }

    /** Centre x, y and radius of the least-squares circle. */
    private static double[] circle(double[] xs, double[] ys) {
        double mx = java.util.Arrays.stream(xs).average().orElse(0), my = java.util.Arrays.stream(ys).average().orElse(0);
        double uu = 0, uv = 0, vv = 0, uz = 0, vz = 0, z = 0;
        for (int i = 0; i < xs.length; i++) {
            double u = xs[i] - mx, v = ys[i] - my, w = u * u + v * v;
            uu += u * u;
            uv += u * v;
            vv += v * v;
            uz += u * w;
            vz += v * w;
            z += w;
        }
        double det = uu * vv - uv * uv;
        if (det == 0) return new double[] {0, 0, 0};
        double a = (uz * vv - vz * uv) / (2 * det), b = (vz * uu - uz * uv) / (2 * det);
        return new double[] {mx + a, my + b, Math.sqrt(a * a + b * b + z / xs.length)};
    }

    /** How far the points go round: 360 less the widest gap. */
    private static double roundDeg(double[] xs, double[] ys, double[] c) {
        var angles = new double[xs.length];
        for (int i = 0; i < xs.length; i++) angles[i] = Math.toDegrees(Math.atan2(ys[i] - c[1], xs[i] - c[0]));
        java.util.Arrays.sort(angles);
        double gap = angles[0] + 360 - angles[angles.length - 1];
        for (int i = 1; i < angles.length; i++) gap = Math.max(gap, angles[i] - angles[i - 1]);
        return gap > 70 ? 360 - gap : 360;
    }
}
