package yellowbracket.smooth;

import yellowbracket.shop.Coating;

/**
 * A two-part mass in batches. Hardener share: the label's nominal at 20 C, more when cold, within half to one and a half times of it; pot
 * life
 * halves for each 10 C; a batch is what can be spread in it.
 */
public record Mix(String product, double gramsTotal, int batches, double gramsEach, double hardenerEachG, double hardenerShare,
        double potLifeMin) {

    /** @param thicknessMm mean film, waste included by 15 % */
    public static Mix of(Coating c, double areaDm2, double thicknessMm, double celsius, double spreadMinPerDm2) {
        double grams = areaDm2 * 10 * thicknessMm * c.densityGcm3() * 1.15; // 1 dm2 x 1 mm = 10 cm3
        double pot = c.potLifeMin() * Math.pow(2, (20 - celsius) / 10);
        double share = Math.clamp(c.hardenerShare() * (1 + 0.05 * (20 - celsius)), 0.5 * c.hardenerShare(), 1.5 * c.hardenerShare());
        double perBatchDm2 = Math.max(0.5, 0.8 * pot / Math.max(0.05, spreadMinPerDm2));
        int batches = (int) Math.max(1, Math.ceil(areaDm2 / perBatchDm2));
        return new Mix(c.name(), grams, batches, grams / batches, grams / batches * share, share, pot);
    }
}
