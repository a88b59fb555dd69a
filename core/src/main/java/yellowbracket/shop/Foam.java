package yellowbracket.shop;

import java.util.List;
import yellowbracket.finding.Limits;

/**
 * Foam for pads as it is sold. Pressed by a share e it pushes back with s (e / 0.25) (0.75 / (1 - e))^2, s at a quarter: soft at first,
 * hard
 * when its cells are closed up. A starting value; foams of one name differ as the range says.
 *
 * @param kpa pushes back pressed by a quarter, {@code least} to {@code most}
 */
public record Foam(String name, List<Double> stockMm, double kpa, double least, double most) {
    private static final double QUARTER = 0.25;

    public Foam {
        Limits.named("a foam", name);
        Limits.within("pressure of " + name + ", kPa", kpa, 0.1, 1000);
        stockMm = stockMm.stream().sorted().toList();
    }

    /** kPa at a share pressed, 0 to below 1; 0 when it is not pressed. */
    public double pressureKpa(double share) {
        if (share <= 0) return 0;
        if (share >= 1) return Double.POSITIVE_INFINITY;
        double k = (1 - QUARTER) / (1 - share);
        return kpa * share / QUARTER * k * k;
    }

    /** The share pressed under a pressure: the curve the other way round, a quadratic in it. */
    public double pressed(double pressureKpa) {
        if (pressureKpa <= 0) return 0;
        // p (1 - e)^2 = c e
        double c = kpa / QUARTER * (1 - QUARTER) * (1 - QUARTER), b = 2 + c / pressureKpa;
        return (b - Math.sqrt(b * b - 4)) / 2;
    }
}
