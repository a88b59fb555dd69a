package yellowbracket.colour;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import yellowbracket.shop.Lab;
import yellowbracket.shop.Paint;
import yellowbracket.shop.Sheen;

/**
 * A wanted colour against paints: by CIEDE2000 to the dried sample where there is one, and the nearest mix of two of one binder. Mixes by
 * the single-constant theory of Kubelka and Munk on red, green and blue: K/S of the parts add up by share. Good enough to know which two to
 * begin with; the last word has a dried smear.
 */
public final class Match {
    /** Shares looked at, each finer about the best. */
    private static final int STEPS = 40;
    /** Reflectance is neither 0 nor 1. */
    private static final double LEAST = 0.004;
    /** Half as much again as computed: a second mix rarely matches. */
    public static final double MORE = 1.5;

    private Match() {}

    /** @param off CIEDE2000 from what is wanted @param sheen whether it shines as wanted @param sure measured, not read off the lid */
    public record Candidate(Paint paint, double off, boolean sheen, boolean sure) {}

    /** @param share of the second, by volume @param off CIEDE2000 @param slipOff the same if a gram went astray in the second mix */
    public record Mix(Paint first, Paint second, double share, double off, double slipOff, String hex) {
        public double ml(double totalMl, boolean ofSecond) {
            return totalMl * MORE * (ofSecond ? share : 1 - share);
        }
    }

    /** Nearest first; of equal ones that which shines as wanted. */
    public static List<Candidate> of(Lab wanted, Sheen sheen, List<Paint> paints) {
        return paints.stream()
                .map(p -> new Candidate(p, p.colour().difference(wanted), p.sheen() == sheen, p.dried().isPresent()))
                .sorted(Comparator.comparingDouble(Candidate::off).thenComparing(c -> !c.sheen))
                .toList();
    }

    /** The best mix of two that are of one product; empty where fewer than two are. @param grams of the whole mix */
    public static Optional<Mix> mix(Lab wanted, List<Paint> paints, double grams) {
        var all = new ArrayList<Mix>();
        for (int i = 0; i < paints.size(); i++) for (int j = i + 1; j < paints.size(); j++)
            if (paints.get(i).product().equals(paints.get(j).product())) all.add(best(wanted, paints.get(i), paints.get(j), grams));
        return all.stream().min(Comparator.comparingDouble(Mix::off));
    }

    private static Mix best(Lab wanted, Paint a, Paint b, double grams) {
        double low = 0, high = 1, share = 0;
        for (int round = 0; round < 3; round++) {
            double step = (high - low) / STEPS, least = Double.POSITIVE_INFINITY;
            for (int i = 0; i <= STEPS; i++) {
                double s = low + i * step, off = mixed(a.colour(), b.colour(), s).difference(wanted);
                if (off >= least) continue;
                least = off;
                share = s;
            }
            low = Math.max(0, share - step);
            high = Math.min(1, share + step);
        }
        double slip = grams > 0 ? Math.min(0.5, 1 / grams) : 0;
        var at = mixed(a.colour(), b.colour(), share);
        double slipOff = Math.max(mixed(a.colour(), b.colour(), Math.min(1, share + slip)).difference(at),
                mixed(a.colour(), b.colour(), Math.max(0, share - slip)).difference(at));
        return new Mix(a, b, share, at.difference(wanted), slipOff, at.hex());
    }

    /** The colour of two paints, {@code share} of the second by volume. */
    public static Lab mixed(Lab a, Lab b, double share) {
        if (!(share >= 0 && share <= 1)) throw new IllegalArgumentException("a share lies in 0..1, was " + share);
        if (share == 0) return a;
        if (share == 1) return b;
        double[] x = a.linear(), y = b.linear(), out = new double[3];
        for (int k = 0; k < 3; k++) {
            double ks = (1 - share) * ks(x[k]) + share * ks(y[k]);
            out[k] = 1 + ks - Math.sqrt(ks * ks + 2 * ks);
        }
        return Lab.ofLinear(out);
    }

    private static double ks(double reflectance) {
        double r = Math.clamp(reflectance, LEAST, 1 - LEAST);
        return (1 - r) * (1 - r) / (2 * r);
    }
}
