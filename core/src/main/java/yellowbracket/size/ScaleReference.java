package yellowbracket.size;

/**
 * Scales that come from something known instead of a head. Each throws IllegalArgumentException with what to do for lengths that are none.
 */
public final class ScaleReference {
    private ScaleReference() {}

    /** Two points of the model a known distance apart in reality, mm. */
    public static double twoPoints(double modelMm, double realMm) {
        positive(modelMm, "the two points are the same: pick two apart");
        positive(realMm, "type the real distance in mm, above 0");
        return realMm / modelMm;
    }

    /** A model made life-size for a character of one height, worn by a wearer of another: everything in proportion. */
    public static double characterHeight(double characterMm, double wearerMm) {
        positive(characterMm, "type the character's height in mm, above 0");
        positive(wearerMm, "the wearer's card has no body height");
        return wearerMm / characterMm;
    }

    /** A miniature of 1 : {@code ratio} brought to life size. */
    public static double miniature(double ratio) {
        positive(ratio, "type the 6 of 1 : 6");
        return ratio;
    }

    /** A prop as long as wanted, mm. */
    public static double length(double modelMm, double wantedMm) {
        return twoPoints(modelMm, wantedMm);
    }

    private static void positive(double v, String otherwise) {
        if (!(v > 0 && v < 1e7)) throw new IllegalArgumentException(otherwise);
    }
}
