package yellowbracket.smooth;

import yellowbracket.shop.Profile;

/**
 * How much solid print lies beneath a place before the infill. Walls cover a slope {@code walls x line} deep on the level, top layers so
 * deep straight down; what lies within either is solid, so along the normal it is the larger of both. A shell thinner than both of its
 * skins is solid through.
 */
public final class Skin {
    /** Less than this is not sanded into, mm. */
    public static final double LEAST_MM = 0.3;
    /** A machine takes so much before one sees it, mm. */
    public static final double MACHINE_MM = 0.8;

    private Skin() {}

    /**
     * Along the normal, mm.
     * @param upShare |n . build direction|, 0 on an upright wall @param thickMm of the model there; infinite where unknown
     */
    public static double mm(Profile p, double upShare, double thickMm) {
        if (p.cure().isPresent()) return Math.min(p.wallMm(), thickMm);
        double level = Math.sqrt(Math.max(0, 1 - upShare * upShare));
        double solid = Math.max(p.wallMm() * level, p.topBottomMm() * upShare);
        return thickMm <= 2 * solid ? thickMm : solid;
    }
}
