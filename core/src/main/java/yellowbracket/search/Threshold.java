package yellowbracket.search;

import java.util.function.DoublePredicate;

/** Where a property that holds from some value on begins. */
public final class Threshold {
    private Threshold() {}

    /**
     * By halving: {@code not} lies below the threshold, {@code holds} above it or on it (either may be the larger number). Returns the last
     * value at which the property was seen to hold, within {@code fine} of one at which it was not; {@code holds} itself where it held
     * nowhere else.
     */
    public static double between(double not, double holds, double fine, DoublePredicate property) {
        double lo = not, hi = holds;
        while (Math.abs(hi - lo) > fine) {
            double mid = (lo + hi) / 2;
            if (mid == lo || mid == hi) break; // the numbers between have run out
            if (property.test(mid)) hi = mid;
            else lo = mid;
        }
        return hi;
    }
}
