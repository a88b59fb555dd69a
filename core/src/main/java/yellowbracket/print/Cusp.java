package yellowbracket.print;

/**
 * Depth of the valleys between layer lines: layer height times |cos| of the angle between facet normal and build direction, with a bead
 * term that
 * remains on upright walls. After Ahn, Kweon, Kwon, Song, Lee, "Representation of surface roughness in fused deposition modeling" (2009),
 * simplified.
 */
public final class Cusp {
    /** Valley between the rounded flanks of two beads on an upright wall, as a share of the layer height. */
    static final double BEAD = 0.14;
    /** A face this level is a single top layer: its lines are those of the top skin, not steps. */
    private static final double LEVEL = 0.9994;

    private Cusp() {}

    /** As a share of the layer height. @param upShare |n . build direction|, 0 on an upright wall, 1 on a level face */
    public static double share(double upShare) {
        return upShare > LEVEL ? BEAD : Math.sqrt(upShare * upShare + BEAD * BEAD * (1 - upShare * upShare));
    }

    /** Micrometres. @param upShare |n . build direction| */
    public static double um(double layerMm, double upShare) {
        return 1000 * layerMm * share(upShare);
    }
}
