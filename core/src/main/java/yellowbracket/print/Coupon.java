package yellowbracket.print;

import java.util.List;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.FitError;

/**
 * A small test piece to print and measure: a hole and a peg of {@link #ROUND_MM} at the ends of a bar, {@link #LENGTH_MM} long over all,
 * mm. Overlapping closed bodies, as every slicing program joins them; flat on the bed.
 */
public final class Coupon {
    public static final double ROUND_MM = 10, LENGTH_MM = 72;
    private static final double RIM_MM = 9, HIGH_MM = 6, PEG_MM = 14, PLATE_MM = 3, BAR_HALF_MM = 4;
    private static final int SIDES = 96;
    /** Further off than this something else was measured. */
    private static final double MOST_OFF_MM = 2;

    private Coupon() {}

    public static Mesh mesh() {
        double apart = LENGTH_MM - 2 * RIM_MM;
        var ring = Shapes.tube(RIM_MM, ROUND_MM / 2, 0, HIGH_MM, SIDES);
        var bar = Shapes.box(new Vec3(RIM_MM - 1.5, -BAR_HALF_MM, 0), new Vec3(apart - RIM_MM + 1.5, BAR_HALF_MM, PLATE_MM));
        var plate = Shapes.tube(RIM_MM, 0, 0, PLATE_MM, SIDES).moved(new Vec3(apart, 0, 0));
        var peg = Shapes.tube(ROUND_MM / 2, 0, 0, PEG_MM, SIDES).moved(new Vec3(apart, 0, 0));
        return Mesh.union(List.of(ring, bar, plate, peg));
    }

    /** @throws IllegalArgumentException with what to measure again, for a reading that cannot be of this piece */
    public static FitError measured(double holeMm, double pegMm, double lengthMm) {
        near("the hole", holeMm, ROUND_MM);
        near("the peg", pegMm, ROUND_MM);
        near("the length", lengthMm, LENGTH_MM);
        return new FitError(rounded(holeMm - ROUND_MM), rounded(pegMm - ROUND_MM), rounded(lengthMm - LENGTH_MM));
    }

    private static double rounded(double mm) {
        return Math.rint(1000 * mm) / 1000;
    }

    private static void near(String what, double mm, double drawn) {
        if (!(Math.abs(mm - drawn) <= MOST_OFF_MM)) throw new IllegalArgumentException(
                what + " of the test piece is drawn " + (int) drawn + " mm, " + mm + " mm cannot be of it: measure it again, in mm");
    }
}
