package yellowbracket.smooth;

import java.util.Locale;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Coating;
import yellowbracket.shop.Hardener;
import yellowbracket.shop.Practice;

/**
 * A two-part mass in batches: what can be spread in its pot life, which halves for each 10 C and shortens as the cup holds more. Hardener
 * as the label says: peroxide-cured polyester by its table of temperatures, everything else in its fixed ratio.
 *
 * @param leastShare that the label allows, {@code mostShare} likewise; a fixed ratio stands a twentieth more or less
 * @param gramsTotal base and hardener together @param baseEach of each batch, in g or ml as the label measures
 * @param hardenerEach likewise @param hardenerShare hardener over base @param potLifeMin of one batch
 * @param minutesEach to spread one @param heats whether a batch warms itself so much that it sets early
 */
public record Mix(String product, double gramsTotal, int batches, double baseEach, double hardenerEach, Hardener.Basis basis,
        double hardenerShare, double leastShare, double mostShare, double potLifeMin, double minutesEach, boolean heats) {
    /** One wants to be through before the pot is. */
    private static final double OF_POT_LIFE = 0.8;
    /** How far off a fixed ratio still cures. */
    private static final double OF_FIXED = 0.05;
    /** A cup that holds so many times what its pot life is told for is told to be hot. */
    private static final double HOT_CUP = 2;
    /** Nobody mixes more often than this for one step: beyond it the product is the wrong one for this warmth. */
    private static final int MOST_BATCHES = 200;

    /** @param thicknessMm mean film, without waste @throws IllegalArgumentException for a one-part product */
    public static Mix of(Coating c, double areaDm2, double thicknessMm, double celsius, double spreadMinPerDm2, Catalogue shop) {
        var hardener = c.hardener().orElseThrow(() -> new IllegalArgumentException(c.name() + " has no hardener"));
        double ml = areaDm2 * 10 * thicknessMm * shop.usual(Practice.MIX_TIMES), grams = ml * c.densityGcm3(); // 1 dm2 x 1 mm = 10 ml
        double share = hardener.shareAt(celsius), all = areaDm2 * spreadMinPerDm2;
        int batches = 1;
        while (batches < MOST_BATCHES && all / batches > OF_POT_LIFE * potLifeMin(c, grams / batches, celsius, shop)) batches++;
        double mixed = (hardener.basis() == Hardener.Basis.MASS ? grams : ml) / batches;
        return new Mix(c.name(), grams, batches, mixed / (1 + share), mixed * share / (1 + share), hardener.basis(), share,
                hardener.isFixed() ? share * (1 - OF_FIXED) : hardener.least(),
                hardener.isFixed() ? share * (1 + OF_FIXED) : hardener.most(), potLifeMin(c, grams / batches, celsius, shop), all / batches,
                grams / batches > HOT_CUP * c.potGrams());
    }

    /** In a cup that holds so much. The label tells it for {@link Coating#potGrams} at 20 C. */
    static double potLifeMin(Coating c, double grams, double celsius, Catalogue shop) {
        double cup = c.potGrams() > 0 && grams > 0 ? Math.pow(c.potGrams() / grams, shop.usual(Practice.CUP_HEAT)) : 1;
        return c.potLifeMin() * Math.pow(2, (20 - celsius) / 10) * Math.clamp(cup, 0.4, 1.5);
    }

    /**
     * What a scale, or a cup with marks, makes of the hardener of one batch.
     * @param lowShare at worst, {@code highShare} likewise @param met whether the label allows both @param leastBase of a batch whose
     *        hardener can be measured so
     */
    public record Dose(double lowShare, double highShare, boolean met, double leastBase) {}

    /** @param step of the scale, in g or ml as the label measures: what is read is off by half of it */
    public Dose dose(double step) {
        double low = Math.max(0, hardenerEach - step / 2) / baseEach, high = (hardenerEach + step / 2) / baseEach;
        // at the end of the label's range, as in the cold, a little to either side stands too
        double room = Math.min(hardenerShare - least(), most() - hardenerShare);
        return new Dose(low, high, low >= least() - 1e-12 && high <= most() + 1e-12, step / 2 / room);
    }

    private double least() {
        return Math.min(leastShare, hardenerShare * (1 - OF_FIXED));
    }

    private double most() {
        return Math.max(mostShare, hardenerShare * (1 + OF_FIXED));
    }

    /**
     * One batch as it was really poured: the base that went into the cup decides the hardener that belongs to it.
     * @param base in g or ml as the label measures @param hardener that belongs to it, by the label between {@code least} and {@code most}
     */
    public record Pour(double base, double hardener, double least, double most, String unit) {
        /** What to do about what went in. */
        public String said(double poured) {
            if (poured < least) return text("%.1f %s more hardener", hardener - poured, unit);
            if (poured <= most) return "right: stir it through, scrape the sides";
            return text("too much: add %.0f %s of base", base * poured / hardener - base, unit);
        }

        public boolean right(double poured) {
            return poured >= least && poured <= most;
        }

        private static String text(String format, Object... args) {
            return String.format(Locale.ROOT, format, args);
        }
    }

    /** @param base that is in the cup, in g or ml as the label measures */
    public Pour poured(double base) {
        if (!(base > 0 && base < 1e5)) throw new IllegalArgumentException("nothing is in the cup yet: pour the base first");
        return new Pour(base, base * hardenerShare, base * leastShare, base * mostShare, unit());
    }

    /** Whether a scale tells how much of each part there is: parts told by volume weigh differently, and are measured in a marked cup. */
    public boolean weighed() {
        return basis == Hardener.Basis.MASS;
    }

    /** How finely a part is measured: by the scale's step, or by the marks of a cup. */
    public double step(double scaleG) {
        return weighed() ? scaleG : CUP_ML;
    }

    /** Mixing cups are marked so finely, ml. */
    private static final double CUP_ML = 1;

    public String unit() {
        return basis == Hardener.Basis.MASS ? "g" : "ml";
    }

    /** 2 x 80 g with 1.6 g hardener */
    public String words() {
        return String.format(Locale.ROOT, "%d x %.0f %s with %.1f %s hardener", batches, baseEach, unit(), hardenerEach, unit());
    }
}
