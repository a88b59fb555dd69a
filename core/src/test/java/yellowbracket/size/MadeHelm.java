package yellowbracket.size;

import java.util.function.BiPredicate;
import java.util.function.DoubleBinaryOperator;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * Helms made of two surfaces about the origin, star-shaped both, open below and where the eyes are. Directions by azimuth (0 ahead, to the
 * right) and elevation, degrees.
 */
record MadeHelm(String name, double rx, double ry, double rz, double wall, DoubleBinaryOperator lobe, BiPredicate<Double, Double> opening) {
    private static final int AROUND = 120, ROWS = 84;
    private static final double NECK_DEG = -48;

    static BiPredicate<Double, Double> slit(double halfWide, double low, double high) {
        return (az, el) -> Math.abs(az) < halfWide && el > low && el < high;
    }

    static BiPredicate<Double, Double> holes(double at, double half, double low, double high) {
        return (az, el) -> Math.abs(Math.abs(az) - at) < half && el > low && el < high;
    }

    private static double azimuth(int c) {
        return -180 + 360.0 * c / AROUND;
    }

    private static double elevation(int r) {
        return -90 + 180.0 * r / ROWS;
    }

    private boolean open(int r, int c) {
        double az = azimuth(c) + 180.0 / AROUND, el = elevation(r) + 90.0 / ROWS;
        return el < NECK_DEG || opening.test(az > 180 ? az - 360 : az, el);
    }

    private Vec3 point(int r, int c, double off) {
        double az = Math.toRadians(azimuth(c)), el = Math.toRadians(elevation(r)), k = 1 + lobe.applyAsDouble(azimuth(c), elevation(r));
        var inner = new Vec3(rx * k * Math.cos(el) * Math.sin(az), ry * k * Math.cos(el) * Math.cos(az), rz * k * Math.sin(el));
        return inner.times(1 + off / inner.norm());
    }

    Mesh mesh() {
        var b = new MeshBuilder(4 * AROUND * ROWS, 8 * AROUND * ROWS);
        var at = new int[2][ROWS + 1][AROUND];
        for (int s = 0; s < 2; s++) for (int r = 0; r <= ROWS; r++) for (int c = 0; c < AROUND; c++)
            at[s][r][c] = r == ROWS && c > 0 ? at[s][r][0] : b.addVertex(point(r, r == ROWS ? 0 : c, s * wall));
        for (int r = 0; r < ROWS; r++) for (int c = 0; c < AROUND; c++) {
            if (open(r, c)) continue;
            int d = (c + 1) % AROUND;
            quad(b, at[1][r][c], at[1][r + 1][c], at[1][r + 1][d], at[1][r][d]);
            quad(b, at[0][r][c], at[0][r][d], at[0][r + 1][d], at[0][r + 1][c]);
            if (r == 0 || open(r - 1, c)) quad(b, at[0][r][c], at[1][r][c], at[1][r][d], at[0][r][d]);
            if (r + 1 < ROWS && open(r + 1, c)) quad(b, at[0][r + 1][d], at[1][r + 1][d], at[1][r + 1][c], at[0][r + 1][c]);
            if (open(r, (c + AROUND - 1) % AROUND)) quad(b, at[0][r + 1][c], at[1][r + 1][c], at[1][r][c], at[0][r][c]);
            if (open(r, d)) quad(b, at[0][r][d], at[1][r][d], at[1][r + 1][d], at[0][r + 1][d]);
        }
        return b.build().compact();
    }

    private static void quad(MeshBuilder b, int p, int q, int r, int s) {
        if (p != q && q != r && p != r) b.addTriangle(p, q, r);
        if (p != r && r != s && p != s) b.addTriangle(p, r, s);
    }

    Cavity cavity() {
        var m = mesh();
        return Cavity.of(m, Bvh.of(m));
    }

    @Override
    public String toString() {
        return name;
    }
}
