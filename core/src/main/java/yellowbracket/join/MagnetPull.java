package yellowbracket.join;

import org.hipparchus.special.BesselJ;

/**
 * Pull between two coaxial cylinder magnets magnetised along their axis, N: charged discs facing each other (Vokoun, Beleggia, Heller,
 * Sittner,
 * "Magnetostatic interactions and forces between cylindrical permanent magnets", 2009):
 * F = 8 pi K R^2 int J1(q)^2 / q sinh(q t1) sinh(q t2) e^(-q z) dq, with K = B^2 / (2 mu0), t the heights over 2 R, z the distance of the
 * middles
 * over R. Right for magnets alone in air, without the losses of paint and tilt.
 */
public final class MagnetPull {
    private static final double MU0 = 4e-7 * Math.PI, MM2 = 1e-6;
    /** Of the integral: how far and how finely; beyond, J1^2 is on the average 1 / (pi q). */
    private static final double MOST_Q = 120, STEP = 0.05;
    private static final double[] SQUARED = squared();

    private MagnetPull() {}

    private static double[] squared() {
        var out = new double[(int) Math.round(MOST_Q / STEP) + 1];
        for (int i = 0; i < out.length; i++) {
            double j = BesselJ.value(1, i * STEP);
            out[i] = j * j;
        }
        return out;
    }

    /** @param tesla remanence of both @param gapMm of anything that is no magnet between them */
    public static double pairN(double diameterMm, double firstHighMm, double secondHighMm, double gapMm, double tesla) {
        double r = diameterMm / 2, sum = 0;
        int n = SQUARED.length - 1;
        for (int i = 1; i <= n; i++) {
            double q = i * STEP, w = i == n ? 1 : i % 2 == 1 ? 4 : 2; // Simpson; at 0 nothing is
            sum += w * SQUARED[i] / q * share(q, firstHighMm / r, secondHighMm / r, gapMm / r);
        }
        double integral = sum * STEP / 3 + tail(gapMm / r);
        return 8 * Math.PI * tesla * tesla / (2 * MU0) * r * r * MM2 * integral;
    }

    /** sinh sinh e^-z without the large numbers. */
    private static double share(double q, double high, double other, double gap) {
        return 0.25 * (1 - Math.exp(-q * high)) * (1 - Math.exp(-q * other)) * Math.exp(-q * gap);
    }

    private static double tail(double gap) {
        double sum = 0;
        if (gap * MOST_Q > 30) return 0;
        for (double q = MOST_Q; q < 100 * MOST_Q; q *= 1.02) sum += Math.exp(-q * 1.01 * gap) / (4 * Math.PI) * (1 / q - 1 / (1.02 * q));
        return sum;
    }
}
