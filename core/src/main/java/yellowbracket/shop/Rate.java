package yellowbracket.shop;

import yellowbracket.finding.Limits;

/**
 * Hours as a factor on the catalogue's, learned from this maker's log: a normal prior on the logarithm of the factor with weight {@code
 * priorJobs},
 * updated by each finished job (conjugate, known variance). {@code jobs} is how many jobs were the maker's own.
 */
public record Rate(double factor, int jobs, double sumLog) {
    /** The prior counts as much as this many jobs. */
    public static final double PRIOR_JOBS = 3;
    /** Spread of single jobs about their estimate, natural logarithm; 0.35 is about a third more or less. */
    public static final double JOB_SPREAD = 0.35;
    public static final Rate UNKNOWN = new Rate(1, 0, 0);
    /** What lies further than so many spreads from what was expected counts as if it lay there: a phone call is no lesson. */
    private static final double OUTLIER_SPREADS = 3;

    public Rate {
        Limits.within("a rate", factor, 1e-3, 1e3);
        Limits.within("jobs of a rate", jobs, 0, 1e6);
        Limits.within("sum of a rate", sumLog, -1e6, 1e6);
    }

    /** After one more job that took {@code actual} hours where the catalogue said {@code catalogue}. */
    public Rate with(double actual, double catalogue) {
        return with(log(actual, catalogue, Math.log(factor)));
    }

    /** After one more job that took {@code exp(log)} times the catalogue's hours. */
    public Rate with(double log) {
        double sum = sumLog + log;
        return new Rate(Math.exp(sum / (PRIOR_JOBS + jobs + 1)), jobs + 1, sum);
    }

    /** Logarithm of a job's hours over the catalogue's; what is too far from what was expected counts as if it were just not. */
    public static double log(double actual, double catalogue, double expected) {
        if (!(actual > 0 && catalogue > 0)) throw new IllegalArgumentException("hours must be above 0");
        double reach = OUTLIER_SPREADS * JOB_SPREAD;
        return Math.clamp(Math.log(actual / catalogue), expected - reach, expected + reach);
    }

    /** Whether a job's hours are so far from what was expected that they count for less. */
    public boolean outlier(double actual, double catalogue) {
        return Math.abs(Math.log(actual / catalogue) - Math.log(factor)) > OUTLIER_SPREADS * JOB_SPREAD;
    }

    /** The factor lies above with nine in ten, and below {@link #high}. */
    public double low() {
        return factor * Math.exp(-Z80 * JOB_SPREAD / Math.sqrt(PRIOR_JOBS + jobs));
    }

    public double high() {
        return factor * Math.exp(Z80 * JOB_SPREAD / Math.sqrt(PRIOR_JOBS + jobs));
    }

    /** Of the standard normal distribution: four fifths lie within. */
    private static final double Z80 = 1.2816;

    /** The jobs of both. */
    public Rate and(Rate o) {
        double n = jobs + o.jobs, sum = sumLog + o.sumLog;
        return new Rate(Math.exp(sum / (PRIOR_JOBS + n)), jobs + o.jobs, sum);
    }

    /** Share of the estimate that comes from this maker, 0..1. */
    public double share() {
        return jobs / (PRIOR_JOBS + jobs);
    }

    /** Standard deviation of the logarithm of a coming job's hours. */
    public double spread() {
        return JOB_SPREAD * Math.sqrt(1 + 1 / (PRIOR_JOBS + jobs));
    }

    /**
     * Standard deviation of the logarithm of the hours of so many coming jobs together, alike in size: what is not known of the maker they
     * share, what differs from job to job evens out.
     */
    public double spreadOf(int coming) {
        if (coming < 1) throw new IllegalArgumentException("at least one job");
        return JOB_SPREAD * Math.sqrt(1 / (PRIOR_JOBS + jobs) + 1.0 / coming);
    }

    public String source() {
        return jobs == 0 ? "catalogue" : jobs + (jobs == 1 ? " job" : " jobs") + " of yours, " + Math.round(100 * share()) + " %";
    }
}
