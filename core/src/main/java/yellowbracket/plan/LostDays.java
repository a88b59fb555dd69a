package yellowbracket.plan;

import java.util.BitSet;
import java.util.random.RandomGenerator;
import org.hipparchus.distribution.continuous.NormalDistribution;

/**
 * Days that look fit for spraying and turn out not to be: the further ahead the likelier, up to what is usual where no forecast reaches; a
 * bad day is rather followed by another.
 * @param aDay share of days lost, more by so much with each day ahead @param most share lost beyond the forecast
 */
public record LostDays(double aDay, double most) {
    public static final LostDays NONE = new LostDays(0, 0);
    /** Correlation of what the weather does from one day to the next; a starting value. */
    private static final double NEXT_DAY = 0.5;
    private static final NormalDistribution NORMAL = new NormalDistribution();

    public LostDays {
        if (!(aDay >= 0 && aDay < 1 && most >= 0 && most < 1))
            throw new IllegalArgumentException("shares of days lost lie from 0 to below 1, not at " + aDay + " and " + most);
    }

    /** Share of days so far ahead that are lost. */
    double share(int daysAhead) {
        return Math.min(most, aDay * daysAhead);
    }

    /**
     * One future: today is day 0. What the weather does goes from day to day as an autoregressive process of order one, of which the days
     * below their quantile are lost, so that each is lost with its own share.
     */
    BitSet drawn(int days, RandomGenerator random) {
        var out = new BitSet(days);
        if (most == 0) return out;
        double x = random.nextGaussian();
        for (int d = 1; d < days; d++) {
            x = NEXT_DAY * x + Math.sqrt(1 - NEXT_DAY * NEXT_DAY) * random.nextGaussian();
            out.set(d, NORMAL.cumulativeProbability(x) < share(d));
        }
        return out;
    }
}
