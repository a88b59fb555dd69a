package yellowbracket.join;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import yellowbracket.cut.RegistrationKind;
import yellowbracket.work.Need;

/**
 * A rod in the middle that takes a bending moment by itself: its diameter from M = sigma pi d^3 / 32, its depth from the push it makes
 * against its bore, F = M / (2/3 L), borne by the glue round it, L = F / (pi d tau). Lengths mm.
 * @param depthMm into each side; {@code sawMm} its length
 * @param fits whether the bore leaves its wall
 */
public record Rod(Stock stock, double diameterMm, double depthMm, double sawMm, boolean fits) {
    /** What can be bought; bending strength in MPa at the low end: workshop practice. */
    public enum Stock {
        BEECH("beech dowel", 70), ALUMINIUM("aluminium rod", 150), STEEL("steel rod", 250), GLASS_FIBRE("glass fibre rod", 400);

        private final String words;
        private final double mpa;

        Stock(String words, double mpa) {
            this.words = words;
            this.mpa = mpa;
        }

        public String words() {
            return words;
        }

        public double mpa() {
            return mpa;
        }
    }

    private static final double[] DIAMETERS = {2, 3, 4, 5, 6, 8, 10, 12, 15, 20};
    /** Glued into a printed bore, at the low end, MPa. */
    public static final double BORE_MPA = 3;
    /** A rod sits at least so many diameters deep. */
    private static final double DEEP = 2;

    /**
     * The thinnest of each kind that does, those with room first, cheapest first.
     * @param momentNmm with handling; borne {@code reserve} times @param widestMm room for it
     */
    public static List<Rod> of(double momentNmm, double reserve, double widestMm) {
        var out = new ArrayList<Rod>();
        double m = momentNmm * reserve;
        for (var s : Stock.values()) {
            double need = Math.cbrt(32 * m / (Math.PI * s.mpa));
            for (double d : DIAMETERS) {
                if (d < need) continue;
                out.add(sized(s, d, m, widestMm));
                break;
            }
        }
        out.sort((a, b) -> Boolean.compare(b.fits, a.fits));
        return List.copyOf(out);
    }

    private static Rod sized(Stock s, double d, double m, double widestMm) {
        double deep = Math.max(DEEP * d, Math.sqrt(1.5 * m / (Math.PI * d * BORE_MPA)));
        return new Rod(s, d, deep, Math.ceil(2 * deep / 5) * 5, d + 0.2 <= widestMm);
    }

    /** What it takes by itself, N mm: bent, or pressed out of its bore. */
    public double momentNmm() {
        return Math.min(stock.mpa * Math.PI * Math.pow(diameterMm, 3) / 32, 2 / 3.0 * Math.PI * diameterMm * BORE_MPA * depthMm * depthMm);
    }

    /** What pulls it out of its bore, N. */
    public double pullN() {
        return Math.PI * diameterMm * depthMm * BORE_MPA;
    }

    /** How the cut station bores for it, deep enough; empty where it has no such bore. The weakest metal is counted on, no other. */
    public Optional<RegistrationKind> bore() {
        if (!fits || stock != Stock.BEECH && stock != Stock.ALUMINIUM) return Optional.empty();
        return Stream.of(stock == Stock.BEECH ? RegistrationKind.DOWELS : RegistrationKind.RODS, RegistrationKind.THROUGH_ROD)
                .filter(k -> k != RegistrationKind.THROUGH_ROD || stock == Stock.ALUMINIUM)
                .filter(k -> k.sizes().contains(diameterMm) && k.depthMm(diameterMm) >= depthMm)
                .findFirst();
    }

    /** By the cm, as it is bought. */
    public Need need() {
        return new Need(String.format(Locale.ROOT, "%s %.0f mm", stock.words, diameterMm), sawMm / 10, "cm");
    }

    public String words() {
        return String.format(Locale.ROOT, "%s %.0f mm, %.0f mm into each side, sawn to %.0f mm", stock.words, diameterMm, depthMm, sawMm);
    }
}
