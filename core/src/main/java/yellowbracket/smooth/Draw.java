package yellowbracket.smooth;

import java.util.SplittableRandom;

/** Numbers drawn at random from the distributions that counts of flaws follow. */
final class Draw {
    /** Beyond this a Poisson number is drawn as a normal one. */
    private static final double MANY = 60;

    private Draw() {}

    static double normal(SplittableRandom r) {
        return r.nextGaussian();
    }

    static int poisson(SplittableRandom r, double mean) {
        if (!(mean > 0)) return 0;
        if (mean > MANY) return (int) Math.max(0, Math.round(mean + Math.sqrt(mean) * r.nextGaussian()));
        double limit = Math.exp(-mean), product = r.nextDouble();
        int n = 0;
        while (product > limit) {
            product *= r.nextDouble();
            n++;
        }
        return n;
    }

    static int binomial(SplittableRandom r, int n, double p) {
        if (n > 4 * MANY) return Math.clamp(Math.round(n * p + Math.sqrt(n * p * (1 - p)) * r.nextGaussian()), 0, n);
        int k = 0;
        for (int i = 0; i < n; i++) if (r.nextDouble() < p) k++;
        return k;
    }

    /** Of scale 1: Marsaglia and Tsang, "A simple method for generating gamma variables" (2000). @param shape 1 or more */
    static double gamma(SplittableRandom r, double shape) {
        double d = shape - 1 / 3.0, c = 1 / Math.sqrt(9 * d);
        while (true) {
            double x = r.nextGaussian(), v = Math.pow(1 + c * x, 3);
            if (v > 0 && Math.log(r.nextDouble()) < 0.5 * x * x + d - d * v + d * Math.log(v)) return d * v;
        }
    }

    static double beta(SplittableRandom r, double a, double b) {
        double x = gamma(r, a), y = gamma(r, b);
        return x / (x + y);
    }
}
