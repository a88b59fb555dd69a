package yellowbracket.log;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import yellowbracket.shop.Rate;
import yellowbracket.work.Task;
import yellowbracket.work.Tool;

/**
 * How long this maker takes against the catalogue, by operation, by the tool, by the product: each may differ from the one before it, the
 * less the fewer jobs there are to tell. Three normal effects on the logarithm of the hours, whose variances add up to that of a
 * {@link Rate} nobody has logged anything for; exact posterior means along the tree (best linear prediction, Henderson 1975).
 *
 * @param all by operation, and by operation, tool and product ({@link #key}); what stands only under its operation was logged before tools
 * were told apart
 */
public record Rates(Map<String, Rate> all) {
    private static final double JOB = Rate.JOB_SPREAD * Rate.JOB_SPREAD;
    /** Variances: one hand is slow at all of an operation, rather than at one tool or product. They sum up to JOB / PRIOR_JOBS. */
    private static final double OPERATION = 0.6 * JOB / Rate.PRIOR_JOBS, TOOL = 0.2 * JOB / Rate.PRIOR_JOBS, PRODUCT = TOOL;
    private static final String BETWEEN = "/";

    public Rates {
        all = Map.copyOf(all);
    }

    /** Where the jobs of a task count. */
    static String key(Task t) {
        return t.operation().rate() + BETWEEN + name(t.tool()) + BETWEEN + t.product();
    }

    private static String name(Tool t) {
        return t.name().toLowerCase(Locale.ROOT);
    }

    /**
     * What is known of a coming job.
     *
     * @param log of the factor on the catalogue's hours
     * @param variance of that
     * @param jobs told of this very tool and product
     * @param operation jobs told of the operation
     */
    public record Estimate(double log, double variance, int jobs, int operation) {
        private static final double Z80 = 1.2816;

        public double factor() {
            return Math.exp(log);
        }

        /** Standard deviation of the logarithm of a coming job's hours. */
        public double spread() {
            return Math.sqrt(JOB + variance);
        }

        /** The factor lies above with nine in ten, and below {@link #high}. */
        public double low() {
            return Math.exp(log - Z80 * Math.sqrt(variance));
        }

        public double high() {
            return Math.exp(log + Z80 * Math.sqrt(variance));
        }

        /** Share of the estimate that comes from this maker, 0..1. */
        public double share() {
            return 1 - variance * Rate.PRIOR_JOBS / JOB;
        }

        /** @param with what the very same was done with */
        String source(String with) {
            if (operation == 0) return Rate.UNKNOWN.source();
            String own = jobs == operation || jobs == 0 ? "" : ", " + jobs + " with " + with;
            return operation + (operation == 1 ? " job" : " jobs") + " of yours" + own + ", " + Math.round(100 * share()) + " %";
        }
    }

    public Estimate of(Task t) {
        return of(key(t));
    }

    /** How a task is told where its hours come from. */
    public String source(Task t) {
        return of(t).source(t.product().isEmpty() ? brief(t.tool()) : t.product());
    }

    /** Jobs of one tool, by product, seen from the operation. */
    private record Seen(double precision, double mean) {
        static final Seen NOTHING = new Seen(0, 0);

        Seen and(double precision, double mean) {
            double sum = this.precision + precision;
            return sum > 0 ? new Seen(sum, (this.precision * this.mean + precision * mean) / sum) : this;
        }

        /** Through an effect of its own: told less surely. */
        Seen through(double variance) {
            return precision > 0 ? new Seen(1 / (variance + 1 / precision), mean) : this;
        }
    }

    private Estimate of(String key) {
        String operation = key.substring(0, key.indexOf(BETWEEN)), tool = key.substring(0, key.lastIndexOf(BETWEEN) + 1);
        var tools = new HashMap<String, Seen>();
        var products = new HashMap<String, Seen>();
        var sum = all.getOrDefault(operation, Rate.UNKNOWN);
        double rest = sum.sumLog();
        int unnamed = sum.jobs();
        for (var e : all.entrySet()) {
            if (!e.getKey().startsWith(operation + BETWEEN) || e.getValue().jobs() == 0) continue;
            var r = e.getValue();
            var jobs = new Seen(r.jobs() / JOB, r.sumLog() / r.jobs());
            products.put(e.getKey(), jobs);
            var through = jobs.through(PRODUCT);
            tools.merge(e.getKey().substring(0, e.getKey().lastIndexOf(BETWEEN) + 1), through, (a, b) -> a.and(b.precision, b.mean));
            rest -= r.sumLog();
            unnamed -= r.jobs();
        }
        var top = Seen.NOTHING.and(1 / OPERATION, 0);
        for (var s : tools.values()) top = top.and(s.through(TOOL).precision, s.mean);
        if (unnamed > 0) top = top.and(1 / (TOOL + PRODUCT + JOB / unnamed), rest / unnamed);
        var byTool = down(top.mean, 1 / top.precision, TOOL, tools.getOrDefault(tool, Seen.NOTHING));
        var own = down(byTool[0], byTool[1], PRODUCT, products.getOrDefault(key, Seen.NOTHING));
        return new Estimate(own[0], own[1], all.getOrDefault(key, Rate.UNKNOWN).jobs(), sum.jobs());
    }

    /**
     * One step down the tree: mean and variance of what differs from its parent by an effect, with what is seen of it itself. The parent's
     * mean has that in it already.
     */
    private static double[] down(double parent, double parentVariance, double effect, Seen own) {
        double keeps = 1 / effect / (1 / effect + own.precision);
        return new double[] {keeps * parent + (1 - keeps) * own.mean, 1 / (1 / effect + own.precision) + keeps * keeps * parentVariance};
    }

    /** After one more job; one that is far off counts as if it were nearer. @throws IllegalArgumentException of hours that are none */
    public Rates with(Task t, double actual, double catalogue) {
        double log = Rate.log(actual, catalogue, of(t).log);
        var now = new HashMap<>(all);
        for (var key : List.of(t.operation().rate(), key(t))) now.put(key, now.getOrDefault(key, Rate.UNKNOWN).with(log));
        return new Rates(now);
    }

    public boolean outlier(Task t, double actual, double catalogue) {
        return Math.abs(Math.log(actual / catalogue) - Rate.log(actual, catalogue, of(t).log)) > 1e-9;
    }

    /** @param with tool and product, where there is more than the operation to tell */
    public record Row(String operation, Optional<String> with, Estimate estimate) {}

    /** By operation; tools and products only of those done in more than one way. */
    public List<Row> rows() {
        var out = new ArrayList<Row>();
        for (var operation : all.keySet().stream().filter(k -> whole(k)).sorted().toList()) {
            var r = all.get(operation);
            out.add(new Row(operation, Optional.empty(),
                    new Estimate(Math.log(r.factor()), JOB / (Rate.PRIOR_JOBS + r.jobs()), r.jobs(), r.jobs())));
            var ways = all.keySet().stream().filter(k -> k.startsWith(operation + BETWEEN)).sorted().toList();
            if (ways.size() > 1 && !printer(operation))
                ways.stream().map(k -> new Row(operation, Optional.of(with(k)), of(k))).forEach(out::add);
        }
        out.sort(Comparator.comparing(Row::operation).thenComparing(r -> r.with.isPresent()));
        return out;
    }

    private static String brief(Tool t) {
        return t.words().replaceFirst(",.*", "");
    }

    private static boolean whole(String key) {
        return printer(key) || !Consumption.is(key) && !key.contains(BETWEEN);
    }

    private static boolean printer(String key) {
        return key.startsWith(PrintRecord.rateKey(""));
    }

    /** Without those of printers, and without how much is used. */
    public Rates byHand() {
        return new Rates(all.entrySet()
                .stream()
                .filter(e -> !printer(e.getKey()) && !Consumption.is(e.getKey()))
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue)));
    }

    private static String with(String key) {
        String name = key.substring(key.indexOf(BETWEEN) + 1, key.lastIndexOf(BETWEEN)),
                product = key.substring(key.lastIndexOf(BETWEEN) + 1);
        String tool = Arrays.stream(Tool.values()).filter(t -> name(t).equals(name)).map(Rates::brief).findFirst().orElse(name);
        return product.isEmpty() ? tool : tool + ", " + product;
    }
}
