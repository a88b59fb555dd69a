package yellowbracket.print;

/**
 * Hours in a common currency by which ways up are compared: starting values from common practice. What each moves on the sections of the
 * demo is in {@code docs/sensitivity.md}.
 * @param supportHMm3 printing the space under overhangs: sparsely filled (0.15) at 9000 mm3 an hour
 * @param removeHMm2 snapping and trimming support, and sanding part of its scars
 * @param scarHMm2 hiding scars where they are seen
 * @param steep95H lines at the coarsest of what is seen (the 95th percentile of the steps)
 * @param steep50H lines at half of what is seen
 * @param heightHMm layer changes
 * @param shakyHDeg each degree that it tips over before {@link #FIRM_DEG}
 * @param slenderH each time that it is higher than {@link #STOUT} times the side of what stands on the bed
 */
public record WayCost(double supportHMm3, double removeHMm2, double scarHMm2, double steep95H, double steep50H, double heightHMm,
        double shakyHDeg, double slenderH) {
    public static final WayCost USUAL = new WayCost(0.15 / 9000, 1.0 / 12_000, 1.0 / 3000, 2.5, 1.2, 1.0 / 150, 1.0 / 7, 0.5);

    /** What may lean so far stands firmly. */
    private static final double FIRM_DEG = 14;
    /** Height over the side of the foot of what is hardly ever knocked off, and how much more of it still counts. */
    private static final double STOUT = 6, MOST_SLENDER = 20;

    public double of(Orientation o) {
        return o.supportMm3() * supportHMm3 + o.contactMm2() * removeHMm2 + o.showContactMm2() * scarHMm2 + steep95H * o.cusp95()
                + steep50H * o.cusp50() + o.size().z() * heightHMm + Math.max(0, FIRM_DEG - o.tipDeg()) * shakyHDeg
                + slenderH * Math.clamp(o.lever() - STOUT, 0, MOST_SLENDER);
    }
}
