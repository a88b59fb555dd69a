package yellowbracket.cut.plan;

/**
 * Rough figures by which {@link PlanCosts} prices pieces before anybody has looked for their ways up: starting values. What each moves is
 * in {@code docs/sensitivity.md}.
 * @param supportFill share of the space under an overhang that is printed; on prints of the demo
 * @param reachesBed share of the drop that goes down to the bed and not to the piece itself; on prints of the demo
 * @param openSupport what is left of the support when a piece that still has to be cut has been cut well
 * @param removeHMm2 taking away one mm2 of support: more than snapping and trimming it, less than sanding all of its scars too
 * @param nibble a side shorter than this share of the whole is a nibble
 * @param neckH a cut through a neck that is nearly nothing against what lies beside it: a joint that must be reinforced, or breaks
 * @param printWeight what an hour of a printer counts against an hour by hand: it runs by itself, but it takes days
 * @param crumb a part shorter than this share of the largest one beside it is a crumb
 */
public record PlanTuning(double supportFill, double reachesBed, double openSupport, double removeHMm2, double nibble, double crumb,
        double neckH, double printWeight) {
    public static final PlanTuning USUAL = new PlanTuning(0.125, 0.7, 0.35, 1.0 / 12_000, 0.3, 0.3, 2, 1.0 / 3);
}
