package yellowbracket.shop;

import yellowbracket.finding.Limits;

/**
 * What looks at primed surfaces told of a maker: how many flaws that were worked on were gone in the next look and how many were not, and
 * how much sooner or later than others this one sees them.
 *
 * @param logit added to the logit of the chance that a flaw is seen; told with a {@code precision} (one over the variance), 0 for nothing
 */
public record Eyes(int cleared, int left, double logit, double precision) {
    public static final Eyes UNKNOWN = new Eyes(0, 0, 0, 0);

    public Eyes {
        Limits.within("flaws gone", cleared, 0, 1e6);
        Limits.within("flaws left", left, 0, 1e6);
        Limits.within("what one sees", logit, -20, 20);
        Limits.within("how surely that is known", precision, 0, 1e6);
    }

    /** Both together. */
    public Eyes and(Eyes o) {
        double sum = precision + o.precision;
        return new Eyes(cleared + o.cleared, left + o.left, sum > 0 ? (precision * logit + o.precision * o.logit) / sum : 0, sum);
    }

    public int worked() {
        return cleared + left;
    }
}
