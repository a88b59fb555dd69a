package yellowbracket.mesh;

import java.util.function.DoubleBinaryOperator;

/** Closed shapes of known volume, mm. Curved ones are inscribed: their volume tends to the true one from below as segments grow. */
public final class Shapes {
    private Shapes() {}

    public static Mesh box(Vec3 min, Vec3 max) {
        var b = new MeshBuilder(8, 12);
        for (int i = 0; i < 8; i++)
            b.addVertex((i & 1) == 0 ? min.x() : max.x(), (i & 2) == 0 ? min.y() : max.y(), (i & 4) == 0 ? min.z() : max.z());
        b.addQuad(0, 2, 3, 1);
        b.addQuad(4, 5, 7, 6);
        b.addQuad(0, 1, 5, 4);
        b.addQuad(2, 6, 7, 3);
        b.addQuad(0, 4, 6, 2);
        b.addQuad(1, 3, 7, 5);
        return b.build();
    }

    /** Standing on z = {@code z0}. {@code inner} 0 gives a solid cylinder, otherwise a tube. */
    public static Mesh tube(double outerR, double innerR, double z0, double z1, int segments) {
        if (!(outerR > innerR && innerR >= 0 && z1 > z0 && segments >= 3)) throw new IllegalArgumentException("no tube");
        double[][] profile = innerR > 0 ? new double[][] {{innerR, z0}, {outerR, z0}, {outerR, z1}, {innerR, z1}}
                : new double[][] {{0, z0}, {outerR, z0}, {outerR, z1}, {0, z1}};
        return lathe(profile, innerR > 0, segments);
    }

    /** Centred on the origin; {@code rows} bands from pole to pole. */
    public static Mesh ellipsoid(double rx, double ry, double rz, int segments, int rows) {
        var profile = new double[rows + 1][];
        for (int i = 0; i <= rows; i++) {
            double a = -Math.PI / 2 + Math.PI * i / rows;
            profile[i] = new double[] {i == 0 || i == rows ? 0 : Math.cos(a), Math.sin(a)};
        }
        return lathe(profile, false, segments).mapped(p -> new Vec3(rx * p.x(), ry * p.y(), rz * p.z()));
    }

    public static Mesh sphere(double radius, int segments) {
        return ellipsoid(radius, radius, radius, segments, segments / 2);
    }

    /** A sphere with rolling bumps all over, about {@code triangles} of them: a smooth organic model of any size. */
    public static Mesh bumpySphere(double radius, int triangles) {
        int rows = (int) Math.max(4, Math.round(Math.sqrt(triangles / 4.0)));
        return sphere(1, 2 * rows)
                .mapped(p -> p.times(radius * (1 + 0.05 * Math.sin(9 * p.x()) * Math.sin(11 * p.y() + 1) * Math.sin(7 * p.z() + 2))));
    }

    public static Mesh torus(double ringR, double tubeR, int around, int across) {
        var profile = new double[across][];
        for (int i = 0; i < across; i++) {
            double a = 2 * Math.PI * i / across;
            profile[i] = new double[] {ringR + tubeR * Math.cos(a), tubeR * Math.sin(a)};
        }
        return lathe(profile, true, around);
    }

    /**
     * Turns a profile of (radius, z) pairs about the z axis. An open profile starts and ends on the axis; a closed one may touch it only
     * in two neighbouring points, which stay apart.
     * The profile runs so that the material lies on its left when r points right and z up.
     */
    public static Mesh lathe(double[][] profile, boolean closedProfile, int segments) {
        var b = new MeshBuilder(profile.length * segments, 2 * profile.length * segments);
        var ring = new int[profile.length][];
        for (int i = 0; i < profile.length; i++) {
            boolean pole = profile[i][0] == 0;
            ring[i] = new int[pole ? 1 : segments];
            for (int s = 0; s < ring[i].length; s++) {
                double a = 2 * Math.PI * s / segments;
                ring[i][s] = b.addVertex(profile[i][0] * Math.cos(a), profile[i][0] * Math.sin(a), profile[i][1]);
            }
        }
        int last = closedProfile ? profile.length : profile.length - 1;
        for (int i = 0; i < last; i++) {
            var lower = ring[i];
            var upper = ring[(i + 1) % profile.length];
            for (int s = 0; s < segments; s++) {
                int t = (s + 1) % segments;
                if (lower.length == 1 && upper.length == 1) continue;
                if (lower.length == 1) b.addTriangle(lower[0], upper[t], upper[s]);
                else if (upper.length == 1) b.addTriangle(lower[s], lower[t], upper[0]);
                else b.addQuad(lower[s], lower[t], upper[t], upper[s]);
            }
        }
        return b.build();
    }

    /** A spherical shell with a round opening of half-angle {@code openingDeg} at the bottom; outer radius, wall, mm. */
    public static Mesh cappedShell(double outerR, double wall, double openingDeg, int segments, int rows) {
        var profile = new double[2 * rows + 2][];
        double from = -Math.PI / 2 + Math.toRadians(openingDeg);
        for (int i = 0; i <= rows; i++) {
            double a = from + (Math.PI / 2 - from) * i / rows;
            double c = i == rows ? 0 : Math.cos(a);
            profile[i] = new double[] {outerR * c, outerR * Math.sin(a)};
            profile[2 * rows + 1 - i] = new double[] {(outerR - wall) * c, (outerR - wall) * Math.sin(a)};
        }
        return lathe(profile, true, segments); // the two poles stay apart: between them lies the wall
    }

    /**
     * A block from the origin to {@code x}, {@code y}, closed, {@code thick} below 0, whose upper face has heights as told.
     * @param step of the grid
     */
    public static Mesh relief(double x, double y, double thick, double step, DoubleBinaryOperator height) {
        int nx = (int) Math.round(x / step), ny = (int) Math.round(y / step), row = nx + 1, layer = row * (ny + 1);
        var b = new MeshBuilder(2 * layer, 4 * nx * ny);
        for (int side = 0; side < 2; side++) for (int j = 0; j <= ny; j++)
            for (int i = 0; i <= nx; i++) b.addVertex(i * step, j * step, side == 0 ? height.applyAsDouble(i * step, j * step) : -thick);
        for (int j = 0; j < ny; j++) for (int i = 0; i < nx; i++) {
            int a = j * row + i;
            b.addQuad(a, a + 1, a + row + 1, a + row);
            b.addQuad(layer + a, layer + a + row, layer + a + row + 1, layer + a + 1);
        }
        for (int i = 0; i < nx; i++) {
            int t = ny * row + i;
            b.addQuad(layer + i, layer + i + 1, i + 1, i);
            b.addQuad(t, t + 1, layer + t + 1, layer + t);
        }
        for (int j = 0; j < ny; j++) {
            int l = j * row, r = l + nx;
            b.addQuad(l, l + row, layer + l + row, layer + l);
            b.addQuad(r, layer + r, layer + r + row, r + row);
        }
        return b.build();
    }
}
