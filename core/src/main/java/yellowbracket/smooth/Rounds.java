package yellowbracket.smooth;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Coating;
import yellowbracket.shop.Eyes;
import yellowbracket.shop.Practice;
import yellowbracket.shop.Rate;

/**
 * Rounds of priming, looking and mending so far, and how many are left. A flaw that is there is found in a look with chance p, which goes
 * by the light; one that is worked on is cleared with chance q; each one worked on brings new ones at a rate. How many there are to begin
 * with is Poisson with an unknown mean: thinned by looks it stays Poisson, so the counts found give the likelihood of p and that mean in
 * closed form. Unknowns are drawn from their priors and weighed by it (importance sampling); for each, the rounds to come are played.
 * @param hidden expected number not found yet @param limit of flaws that may stay, found or not @param stop whether what is left is
 *        expected under it
 */
public record Rounds(List<Count> counts, int open, double hidden, double limit, Left left, boolean stop) {
    /** One round. @param open still to be worked on after it */
    public record Count(int round, Look look, int found, int cleared, int open) {}

    /** Rounds left, counted from now: the middle, and a range that holds them in four of five cases. */
    public record Left(int median, int low, int high) {}

    /** Priors, from common practice. Flaws a dm2 of a surface sanded and primed once: mean and shape of a gamma distribution. */
    static final double FLAWS_DM2 = 0.8, FLAWS_SHAPE = 1.5;
    /** Makers differ in what they see: standard deviation of the logit of p. */
    static final double EYES = 0.6;
    /** How surely that is known of one who has not looked yet: one over the variance. */
    public static final double MOST_MAKERS = 1 / (EYES * EYES);
    /** Cleared of those worked on: beta. */
    static final double CLEARED = 8, NOT_CLEARED = 2;
    /** New ones for each worked on, mean and shape. */
    static final double NEW = 0.12, NEW_SHAPE = 2;
    /** Nobody goes on for longer. */
    static final int MOST = 30;
    private static final int DRAWS = 1_200;
    private static final double EIGHTY = 0.8;
    /** A range one round wider must come so much nearer to it. */
    private static final double A_ROUND_MORE = 0.01;
    private static final long SEED = 20_111;

    public Rounds {
        counts = List.copyOf(counts);
    }

    /** Flaws that may stay on a square decimetre: none is seen from where the prop is looked at. */
    static double limitDm2(Finish f) {
        return switch (f) {
            case FAR -> 0.4;
            case ARMS_LENGTH -> 0.15;
            case SATIN -> 0.06;
            case GLOSS -> 0.02;
            case MIRROR -> 0.006;
        };
    }

    /** @param areaDm2 that is looked at */
    public static Rounds of(List<Look> looks, List<Flaw> flaws, double areaDm2, Finish finish) {
        return of(looks, flaws, areaDm2, finish, Eyes.UNKNOWN);
    }

    /** @param eyes what looks at other props have taught of this maker */
    public static Rounds of(List<Look> looks, List<Flaw> flaws, double areaDm2, Finish finish, Eyes eyes) {
        var counts = new ArrayList<Count>();
        for (int r = 1; r <= looks.size(); r++) {
            int round = r;
            int found = (int) flaws.stream().filter(f -> f.found() == round).count();
            int cleared = (int) flaws.stream().filter(f -> f.cleared().filter(c -> c == round).isPresent()).count();
            int open = (int) flaws.stream()
                    .filter(f -> !f.accepted() && f.found() <= round && f.cleared().filter(c -> c <= round).isEmpty())
                    .count();
            counts.add(new Count(r, looks.get(r - 1), found, cleared, open));
        }
        return of(counts, failed(looks, flaws), areaDm2, limitDm2(finish) * areaDm2, eyes);
    }

    /** How often a flaw that was worked on was still there the next round. */
    private static int failed(List<Look> looks, List<Flaw> flaws) {
        int now = looks.size(), failed = 0;
        for (var f : flaws) for (int r = f.found() + 1; r < now; r++) if (f.cleared().filter(c -> c <= now).orElse(now) > r) failed++;
        return failed;
    }

    /** What the looks at one prop teach for those to come, whatever was known before. */
    public static Eyes taught(List<Look> looks, List<Flaw> flaws, double areaDm2) {
        if (looks.isEmpty() || !(areaDm2 > 0)) return Eyes.UNKNOWN;
        int cleared = (int) flaws.stream().filter(f -> f.cleared().filter(c -> c <= looks.size()).isPresent()).count();
        var counts = of(looks, flaws, areaDm2, Finish.SATIN).counts;
        var random = new SplittableRandom(SEED);
        var logs = new double[DRAWS];
        var eyes = new double[DRAWS];
        for (int i = 0; i < DRAWS; i++) {
            var maker = Maker.drawn(random, areaDm2, CLEARED, NOT_CLEARED, Eyes.UNKNOWN);
            eyes[i] = maker.eyes;
            logs[i] = maker.likely(counts).log;
        }
        var weights = weights(logs);
        double mean = 0, square = 0;
        for (int i = 0; i < DRAWS; i++) {
            mean += weights[i] * eyes[i];
            square += weights[i] * eyes[i] * eyes[i];
        }
        // what is known beyond the prior: precisions of independent news add up
        double precision = 1 / Math.max(1e-3, square - mean * mean), more = precision - 1 / (EYES * EYES);
        if (more <= PRECISION_OF_NOTHING) return new Eyes(cleared, failed(looks, flaws), 0, 0);
        return new Eyes(cleared, failed(looks, flaws), Math.clamp(precision * mean / more, -MOST_LOGIT, MOST_LOGIT), more);
    }

    /** Less is the luck of the draws, and further off is nobody. */
    private static final double PRECISION_OF_NOTHING = 0.2, MOST_LOGIT = 4;

    /** @param failed how often a flaw that was worked on was still there the next round */
    static Rounds of(List<Count> counts, int failed, double areaDm2, double limit) {
        return of(counts, failed, areaDm2, limit, Eyes.UNKNOWN);
    }

    private static Rounds of(List<Count> counts, int failed, double areaDm2, double limit, Eyes eyes) {
        int open = counts.isEmpty() ? 0 : counts.getLast().open, cleared = counts.stream().mapToInt(Count::cleared).sum();
        var random = new SplittableRandom(SEED);
        var rounds = new int[DRAWS];
        var logs = new double[DRAWS];
        var hidden = new double[DRAWS];
        for (int i = 0; i < DRAWS; i++) {
            var maker = Maker.drawn(random, areaDm2, CLEARED + eyes.cleared() + cleared, NOT_CLEARED + eyes.left() + failed, eyes);
            var likely = maker.likely(counts);
            logs[i] = likely.log;
            hidden[i] = likely.hidden;
            rounds[i] = maker.play(random, Draw.poisson(random, hidden[i]), open, limit);
        }
        var weights = weights(logs);
        double rest = 0;
        for (int i = 0; i < DRAWS; i++) rest += weights[i] * hidden[i];
        return new Rounds(counts, open, rest, limit, left(rounds, weights), !counts.isEmpty() && open + rest <= limit);
    }

    private static double[] weights(double[] logs) {
        double most = Arrays.stream(logs).max().orElse(0);
        var out = Arrays.stream(logs).map(l -> Math.exp(l - most)).toArray();
        double sum = Arrays.stream(out).sum();
        return Arrays.stream(out).map(w -> w / sum).toArray();
    }

    /** The middle, and of all ranges about it the one that holds nearest to four fifths. */
    private static Left left(int[] rounds, double[] weights) {
        var mass = new double[MOST + 1];
        for (int i = 0; i < rounds.length; i++) mass[rounds[i]] += weights[i];
        int median = 0;
        for (double run = mass[0]; run < 0.5 && median < MOST;) run += mass[++median];
        int low = median, high = median;
        double best = Double.POSITIVE_INFINITY;
        for (int a = 0; a <= median; a++) for (int b = median; b <= MOST; b++) {
            double held = 0;
            for (int k = a; k <= b; k++) held += mass[k];
            double off = Math.abs(held - EIGHTY) + A_ROUND_MORE * (b - a);
            if (off >= best) continue;
            best = off;
            low = a;
            high = b;
        }
        return new Left(median, low, high);
    }

    /**
     * A maker and the surface in hand.
     * @param flaws mean number to begin with @param eyes added to the logit of what a look finds @param clears chance @param fresh new ones
     *        for each worked on
     */
    record Maker(double flaws, double eyes, double clears, double fresh) {
        static Maker drawn(SplittableRandom random, double areaDm2, double a, double b, Eyes known) {
            double precision = 1 / (EYES * EYES) + known.precision(), mean = known.precision() * known.logit() / precision;
            return new Maker(Draw.gamma(random, FLAWS_SHAPE) / FLAWS_SHAPE * FLAWS_DM2 * areaDm2,
                    mean + Draw.normal(random) / Math.sqrt(precision), Draw.beta(random, a, b),
                    Draw.gamma(random, NEW_SHAPE) / NEW_SHAPE * NEW);
        }

        /** @param log of the likelihood of the counts @param hidden expected to be left */
        record Likely(double log, double hidden) {}

        Likely likely(List<Count> counts) {
            double log = 0, left = flaws;
            int worked = 0;
            for (var c : counts) {
                double there = left + fresh * worked, p = finds(c.look), expected = Math.max(1e-12, p * there);
                log += c.found * Math.log(expected) - expected;
                left = (1 - p) * there;
                worked = c.open;
            }
            return new Likely(log, left);
        }

        double finds(Look look) {
            double odds = look.finds() / (1 - look.finds()) * Math.exp(eyes);
            return odds / (1 + odds);
        }

        /** Rounds until no more than the limit is left, under raking light. */
        int play(SplittableRandom random, int hidden, int open, double limit) {
            double p = finds(Look.RAKING);
            int n = 0;
            while (hidden + open > limit && n < MOST) {
                n++;
                hidden += Draw.poisson(random, fresh * open);
                open -= Draw.binomial(random, open, clears);
                int found = Draw.binomial(random, hidden, p);
                hidden -= found;
                open += found;
            }
            return n;
        }
    }

    /**
     * Work of the rounds left: each is looked over, all but the last are primed anew; every flaw is mended once.
     * @param handH that goes with the maker's hand, {@code setupH} getting things out @param waitH for primer between
     */
    public record Work(int rounds, double handH, double setupH, double waitH, double spread) {}

    /** Empty where one may stop, or nothing is worked on. */
    public Optional<Work> work(double areaDm2, Catalogue shop) {
        if (stop || left.median == 0 || !(areaDm2 > 0)) return Optional.empty();
        int again = left.median - 1;
        double look = left.median * shop.usual(Practice.LOOK_MIN_DM2) * areaDm2,
                prime = again * shop.usual(Practice.SPRAY_MIN_DM2) * areaDm2, mend = shop.usual(Practice.MEND_FLAW_MIN) * (open + hidden);
        double dries = shop.coatings()
                .stream()
                .filter(c -> c.kind() == Coating.Kind.FILLER_PRIMER)
                .mapToDouble(Coating::sandableH)
                .min()
                .orElse(1);
        double spread = Math.max(Rate.UNKNOWN.spread(), Math.log((double) Math.max(left.high, left.median) / left.median) / UPPER);
        return Optional
                .of(new Work(left.median, (look + prime + mend) / 60, again * shop.usual(Practice.SPRAY_SETUP_H), again * dries, spread));
    }

    /** Standard deviations from the middle to nine tenths. */
    private static final double UPPER = 1.28;

    /** The open flaws from one to the nearest next, beginning at the highest. */
    public static List<Flaw> walk(List<Flaw> flaws) {
        var rest = new ArrayList<>(flaws.stream().filter(Flaw::open).toList());
        var out = new ArrayList<Flaw>();
        if (rest.isEmpty()) return out;
        var at = rest.stream().max(Comparator.comparingDouble(f -> f.at().z())).orElseThrow();
        while (true) {
            out.add(at);
            rest.remove(at);
            if (rest.isEmpty()) return out;
            var here = at.at();
            at = rest.stream().min(Comparator.comparingDouble(f -> f.at().distance(here))).orElseThrow();
        }
    }
}
