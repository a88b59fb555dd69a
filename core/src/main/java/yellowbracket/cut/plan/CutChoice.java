package yellowbracket.cut.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Vec3;

/**
 * One plane through one piece, looked at without cutting (see {@link CutSweep}): lengths of the line it leaves on the model's surface, mm,
 * whole and weighted by how much it is seen, the part along creases, along colour borders, over the rims of eye openings; area of the cut,
 * mm2; how much weaker it is there than beside it, 0 to 1; sizes of the boxes left on both sides, mm. {@code mirror}: the two sides are
 * each other's mirror image.
 */
record CutChoice(CutPlane plane, boolean mirror, double lineMm, double showMm, double creaseMm, double borderMm, double rimMm,
        double areaMm2, double neck, Vec3 above, Vec3 below) {
    /** Neither side may be thinner than this across the plane, mm. */
    private static final double THIN_MM = 7;
    /** From this share on a reason is worth telling. */
    private static final double WORTH_TELLING = 0.3;

    boolean sliver() {
        return thin(above) || thin(below);
    }

    private static boolean thin(Vec3 size) {
        return Math.min(size.x(), Math.min(size.y(), size.z())) < THIN_MM;
    }

    /** What is left to hide after creases and borders did their part, mm. */
    double toHideMm() {
        return Math.max(0, showMm - 0.75 * creaseMm - 0.5 * borderMm);
    }

    /**
     * Why one would take it.
     * @param eyes whether the prop has eyes to look out with
     */
    String why(boolean eyes) {
        var parts = new ArrayList<String>();
        if (mirror) parts.add("the mirror plane: both halves alike");
        if (showMm > 1 && creaseMm > WORTH_TELLING * showMm) parts.add(percent(creaseMm / showMm) + " of what is seen lies on creases");
        if (showMm > 1 && borderMm > WORTH_TELLING * showMm)
            parts.add(percent(borderMm / showMm) + " of what is seen lies on colour borders");
        if (lineMm > 0 && showMm < (1 - WORTH_TELLING) * lineMm) parts.add(percent(1 - showMm / lineMm) + " of its line is hidden");
        if (parts.isEmpty()) parts.add("the least to hide of the places where both sides get small enough");
        if (eyes && rimMm < 1) parts.add("clear of the eye opening");
        if (rimMm >= 1) parts.add(String.format(Locale.ROOT, "crosses the rim of the eye opening for %.0f mm", rimMm));
        return String.join("; ", parts);
    }

    private static String percent(double share) {
        return Math.round(100 * share) + " %";
    }

    /** Directions planes may have: the axes, and leaning between them, symmetric about the middle. */
    static List<Vec3> directions() {
        double c = Math.sqrt(0.5), d = Math.sqrt(0.75);
        return List.of(Vec3.X, Vec3.Y, Vec3.Z, new Vec3(0, c, c), new Vec3(0, c, -c), new Vec3(0, 0.5, d), new Vec3(0, -0.5, d),
                new Vec3(0, d, 0.5), new Vec3(0, d, -0.5), new Vec3(c, 0, c), new Vec3(c, 0, -c), new Vec3(c, c, 0), new Vec3(c, -c, 0));
    }
}
