package yellowbracket.join;

import yellowbracket.cut.Seam;

/**
 * What a seam must bear when the prop is picked up by the other side: the lighter side's weight times a handling factor, as shear over the
 * area and
 * as bending over the least section modulus. Stress in MPa. A knock is not a drop: props that are thrown about need more.
 */
public record Load(double shearMpa, double bendingMpa) {
    /** Picking up, setting down, a knock in a crowd: six times the resting weight. */
    private static final double HANDLING = 6;
    private static final double GRAVITY = 9.81e-3; // N per gram

    public static Load of(Seam seam, double lighterGrams, double leverMm) {
        double newton = HANDLING * GRAVITY * lighterGrams;
        double modulus = seam.halfDepthMm() > 0 ? seam.leastMomentMm4() / seam.halfDepthMm() : 0;
        return new Load(newton / Math.max(1e-6, seam.areaMm2()), modulus > 0 ? newton * leverMm / modulus : 0);
    }

    /** Shear and bending together, MPa (root of squares). */
    public double combined() {
        return Math.hypot(shearMpa, bendingMpa);
    }
}
