package yellowbracket.demo;

import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;

/** A half mask over brow, eyes and nose: a 2.8 mm sheet with two almond eye openings, a raised brow line and scales. Eyes at z = 0. */
final class HalfMask {
    private static final int COLUMNS = 121;
    private static final int ROWS = 64;
    private static final int EYE_LOW = 26;
    private static final int EYE_HIGH = 38;
    private static final double HALF = 82;

    private HalfMask() {}

    static Mesh mesh() {
        var grid = new ShellGrid(ROWS, COLUMNS, false);
        grid.open(EYE_LOW, EYE_HIGH, 19, 44);
        grid.open(EYE_LOW, EYE_HIGH, 76, 101);
        return grid.build((r, c) -> at(r, c, 2.8 + relief(r, c)), (r, c) -> at(r, c, 0), -1, 0);
    }

    private static double x(int column) {
        return HALF * (2.0 * column / (COLUMNS - 1) - 1);
    }

    private static double lid(double x) {
        double q = (Math.abs(x) - 39) / 18.5;
        return 1.2 + 12.5 * Math.sqrt(Math.max(0, 1 - q * q));
    }

    private static double z(int row, double x) {
        double tilt = 0.10 * (Math.abs(x) - 39), low = tilt - lid(x) * 0.8, high = tilt + lid(x);
        double foot = -34 - 14 * Math.exp(-x * x / 500) + 0.0024 * x * x, top = 40 + 10 * Math.exp(-Math.pow((Math.abs(x) - 58) / 26, 2));
        if (row <= EYE_LOW) return foot + (low - foot) * row / EYE_LOW;
        if (row <= EYE_HIGH) return low + (high - low) * (row - EYE_LOW) / (EYE_HIGH - EYE_LOW);
        return high + (top - high) * (row - EYE_HIGH) / (ROWS - 1 - EYE_HIGH);
    }

    private static Vec3 at(int row, int column, double off) {
        double x = x(column), z = z(row, x);
        double nose = 24 * Math.exp(-x * x / 190) * Math.exp(-Math.pow((z + 32) / 30, 2));
        double y = 96 - 0.0078 * x * x - 0.0022 * z * z + nose;
        var n = new Vec3(0.0156 * x, 1, 0.0044 * z).unit();
        return new Vec3(x, y, z).plus(n.times(off));
    }

    private static double relief(int row, int column) {
        double brow = row >= EYE_HIGH + 4 && row <= EYE_HIGH + 8 ? 2.2 : 0;
        boolean scale = row > EYE_HIGH + 10 && (row + (column / 6) % 2 * 3) % 6 == 0;
        return brow - (scale ? 0.7 : 0);
    }
}
