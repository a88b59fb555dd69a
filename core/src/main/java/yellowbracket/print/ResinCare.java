package yellowbracket.print;

import yellowbracket.mesh.Mesh;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Practice;

/**
 * What a resin print goes through: washed by its wetted surface, dried, cured by its thickness.
 * @param wettedMm2 inside and out @param thickMm mean thickness: twice the volume over the surface
 */
public record ResinCare(double wettedMm2, double thickMm) {
    private static final double MM2_PER_DM2 = 10_000;
    /** Light reaches no deeper: longer does no more. */
    private static final double DEEPEST_MM = 10;

    public static ResinCare of(Mesh m) {
        double area = m.areaMm2();
        return new ResinCare(area, area > 0 ? 2 * Math.abs(m.volumeMm3()) / area : 0);
    }

    /** Off the plate and through two baths. */
    public double washH(Catalogue shop) {
        return shop.usual(Practice.TAKE_OFF_H) + shop.usual(Practice.WASH_RESIN_H)
                + wettedMm2 / MM2_PER_DM2 * shop.usual(Practice.WASH_RESIN_MIN_DM2) / 60;
    }

    /** Until the alcohol has gone from corners and holes: curing it in leaves white marks and soft spots. */
    public double dryH(Catalogue shop) {
        return shop.usual(Practice.RESIN_DRIES_H);
    }

    /** Under the lamp, turned once. */
    public double cureH(Catalogue shop) {
        return 2 * Math.clamp(thickMm, 1, DEEPEST_MM) * shop.usual(Practice.CURE_RESIN_MIN_MM) / 60;
    }

    /** What is poured off, wiped up and left in the baths is waste to be cured in the sun before the bin, ml. */
    public double wasteMl() {
        return wettedMm2 * FILM_MM / 1000;
    }

    /** Of resin that clings to a print as it comes out of the vat. */
    private static final double FILM_MM = 0.15;
}
