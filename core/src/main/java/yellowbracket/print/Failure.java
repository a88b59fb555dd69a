package yellowbracket.print;

/** What failed prints cost. Failures come at a constant rate per hour; a failed print starts again from nothing. */
public final class Failure {
    private Failure() {}

    /** Expected hours until a job of {@code hours} succeeds: (e^(rate hours) - 1) / rate. */
    public static double expectedHours(double hours, double ratePerHour) {
        return ratePerHour <= 0 ? hours : Math.expm1(ratePerHour * hours) / ratePerHour;
    }

    /** Expected filament until it succeeds, lost prints included: filament runs in step with the hours. */
    public static double expectedGrams(double grams, double hours, double ratePerHour) {
        return hours <= 0 ? grams : grams * expectedHours(hours, ratePerHour) / hours;
    }

    /** Chance that one attempt succeeds. */
    public static double success(double hours, double ratePerHour) {
        return Math.exp(-Math.max(0, ratePerHour) * hours);
    }

    /** A printer's rate after the log: a gamma prior worth {@link #PRIOR_HOURS} at {@code prior}, updated by what happened. */
    public static double learnedRate(double prior, int failures, double hoursPrinted) {
        return (prior * PRIOR_HOURS + failures) / (PRIOR_HOURS + hoursPrinted);
    }

    /** Hours of printing the catalogue's rate is worth. */
    public static final double PRIOR_HOURS = 300;
}
