package yellowbracket.mesh.measure;

import java.util.Arrays;

/** Quantiles of values of which each counts by a weight. */
public final class Quantile {
    private Quantile() {}

    /**
     * The least value up to which lies at least so much of the weight; the largest where rounding leaves none. Values are told apart as
     * floats. O(n log n).
     * @param value from 0 on @param share 0 to 1
     * @throws IllegalArgumentException without values
     */
    public static double of(double[] value, double[] weight, double share) {
        if (value.length == 0) throw new IllegalArgumentException("no values");
        // here: positive floats sort as their bits do, so one number holds a value and whose it is
        var order = new long[value.length];
        double all = 0;
        for (int i = 0; i < order.length; i++) {
            order[i] = (long) Float.floatToIntBits((float) value[i]) << 32 | i;
            all += weight[i];
        }
        Arrays.sort(order);
        double run = 0;
        for (long o : order) {
            run += weight[(int) o];
            if (run >= share * all) return value[(int) o];
        }
        return value[(int) order[order.length - 1]];
    }
}
