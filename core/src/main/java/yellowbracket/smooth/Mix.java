package yellowbracket.smooth;

import java.util.Locale;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Practice;
import yellowbracket.shop.Coating;
import yellowbracket.shop.Hardener;

/**
 * A two-part mass in batches: what can be spread in its pot life, which halves for each 10 C. Hardener as the label says: peroxide-cured
 * polyester by its table of temperatures, everything else in its fixed ratio.
 *
 * @param leastShare that the label allows, {@code mostShare} likewise; a fixed ratio stands a twentieth more or less
 * @param gramsTotal base and hardener together @param baseEach of each batch, in g or ml as the label measures
 * @param hardenerEach likewise @param hardenerShare hardener over base
 */
public record Mix(String product, double gramsTotal, int batches, double baseEach, double hardenerEach, Hardener.Basis basis,
        double hardenerShare, double leastShare, double mostShare, double potLifeMin) {
    /** One wants to be through before the pot is. */
    private static final double OF_POT_LIFE = 0.8;

    /** @param thicknessMm mean film, without waste @throws IllegalArgumentException for a one-part product */
    public static Mix of(Coating c, double areaDm2, double thicknessMm, double celsius, double spreadMinPerDm2, Catalogue shop) {
        var hardener = c.hardener().orElseThrow(() -> new IllegalArgumentException(c.name() + " has no hardener"));
        double ml = areaDm2 * 10 * thicknessMm * shop.usual(Practice.MIX_TIMES); // 1 dm2 x 1 mm = 10 ml
        double pot = c.potLifeMin() * Math.pow(2, (20 - celsius) / 10);
        double share = hardener.shareAt(celsius);
        double perBatchDm2 = Math.max(0.5, OF_POT_LIFE * pot / Math.max(0.05, spreadMinPerDm2));
        int batches = (int) Math.max(1, Math.ceil(areaDm2 / perBatchDm2));
        double mixed = (hardener.basis() == Hardener.Basis.MASS ? ml * c.densityGcm3() : ml) / batches;
        return new Mix(c.name(), ml * c.densityGcm3(), batches, mixed / (1 + share), mixed * share / (1 + share), hardener.basis(), share,
                hardener.isFixed() ? share * (1 - OF_FIXED) : hardener.least(),
                hardener.isFixed() ? share * (1 + OF_FIXED) : hardener.most(), pot);
    }

    /** How far off a fixed ratio still cures. */
    private static final double OF_FIXED = 0.05;

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
        double least = Math.min(leastShare, hardenerShare * (1 - OF_FIXED)), most = Math.max(mostShare, hardenerShare * (1 + OF_FIXED));
        double room = Math.min(hardenerShare - least, most - hardenerShare);
        return new Dose(low, high, low >= least - 1e-12 && high <= most + 1e-12, step / 2 / room);
    }

    public String unit() {
        return basis == Hardener.Basis.MASS ? "g" : "ml";
    }

    /** 2 x 80 g with 1.6 g hardener */
    public String words() {
        return String.format(Locale.ROOT, "%d x %.0f %s with %.1f %s hardener", batches, baseEach, unit(), hardenerEach, unit());
    }
}
