package yellowbracket.shop;

import java.util.List;

/**
 * A head as a scanner saw it, brought into head coordinates: how far the skin lies from the upright axis, mm, by level (from the neck up)
 * and direction (from the
 * wearer's right, forward, left, back), {@link #COLUMNS} to a level; the levels are those of the head form. {@code heightMm}: chin to
 * crown, twice the crown's height over the eyes.
 */
public record HeadScan(double heightMm, List<Double> radiiMm) {
    public static final int COLUMNS = 64;
    public static final int ROWS = 60;

    public HeadScan {
        radiiMm = List.copyOf(radiiMm);
        if (radiiMm.size() != ROWS * COLUMNS)
            throw new IllegalArgumentException("a head scan has " + ROWS * COLUMNS + " radii, not " + radiiMm.size());
        for (double r : radiiMm) if (!(r >= 0 && r < 400)) throw new IllegalArgumentException("a head is not " + r + " mm across");
        if (!(heightMm > 120 && heightMm < 330)) throw new IllegalArgumentException("a head is not " + heightMm + " mm high");
    }

    public double radiusMm(int row, int column) {
        return radiiMm.get(row * COLUMNS + Math.floorMod(column, COLUMNS));
    }
}
