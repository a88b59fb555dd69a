package yellowbracket.cut.registration;

import java.util.Locale;
import yellowbracket.cut.RegistrationKind;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;

/**
 * One piece of registration hardware in its place, real mm: {@code at} on the seam's plane, {@code axis} its normal. {@code intoAbove} and
 * {@code intoBelow}:
 * how far each side is hollowed. {@code northUp}: the magnet in the section above shows its north to the seam.
 */
public record Fitted(String seam, String above, String below, RegistrationKind kind, Vec3 at, Vec3 axis, double diameterMm,
        double intoAboveMm, double intoBelowMm, boolean byHand, boolean northUp) {
    /** Print over a hollow this far from the face: what lies between magnet and seam. */
    static final double SKIN_MM = 0.8;

    /** {@code 5 x 16} or {@code 8 x 3}: diameter and length as bought or printed. */
    public String size() {
        return String.format(Locale.ROOT, "%s x %s mm", plain(diameterMm), plain(Math.floor(lengthMm())));
    }

    private static String plain(double v) {
        return v == Math.rint(v) ? String.valueOf((long) v) : String.valueOf(Math.round(10 * v) / 10.0);
    }

    /** Of one pin, rod or disc. */
    public double lengthMm() {
        return kind.magnet() ? intoAboveMm - (kind == RegistrationKind.SEALED_MAGNETS ? SKIN_MM : 0) : intoAboveMm + intoBelowMm - 0.6;
    }

    /**
     * At which height of the print, mm above the bed, to pause and put the magnet in: when its hollow is as deep as it gets before it is
     * closed.
     * @param upper whether the section above the plane is printed
     */
    public double pauseHeightMm(Mesh section, Turn turn, boolean upper) {
        double lo = Double.POSITIVE_INFINITY;
        for (int v = 0; v < section.vertexCount(); v++) lo = Math.min(lo, turn.row2().dot(section.point(v)));
        var into = axis.times(upper ? 1 : -1);
        double tilt = turn.row2().dot(into), z = turn.row2().dot(at) - lo, r = diameterMm / 2 * Math.sqrt(Math.max(0, 1 - tilt * tilt));
        double deep = upper ? intoAboveMm : intoBelowMm;
        return z + Math.max(SKIN_MM * tilt, deep * tilt) + r;
    }
}
