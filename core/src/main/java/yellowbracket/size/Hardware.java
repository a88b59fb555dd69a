package yellowbracket.size;

import java.util.List;
import java.util.Locale;
import yellowbracket.mesh.measure.Cylinders;

/**
 * What becomes of a hole or peg when the model is scaled: its diameter and depth then, the stock part that goes into it with the fit of
 * craft practice, or what to do where none does. {@code scaleThatKeeps}
 * is the factor by which this feature alone would have to be scaled back.
 */
public record Hardware(Cylinders.Cylinder found, double diameterMm, double lengthMm, String part, boolean fits, String advice,
        double scaleThatKeeps) {
    /** Clearance on the diameter for a glued-in magnet or pin, mm. */
    private static final double PLAY_LEAST_MM = 0.08, PLAY_MOST_MM = 0.45, PLAY_MM = 0.2;
    private static final List<Double> MAGNETS = List.of(2.0, 3.0, 4.0, 5.0, 6.0, 8.0, 10.0, 12.0, 15.0, 20.0);
    private static final List<Double> RODS = List.of(1.5, 2.0, 3.0, 4.0, 5.0, 6.0, 8.0, 10.0, 12.0, 16.0, 20.0, 25.0);
    /** Metric screws: nominal, clearance hole (ISO 273, medium). */
    private static final double[][] SCREWS = {{2, 2.4}, {2.5, 2.9}, {3, 3.4}, {4, 4.5}, {5, 5.5}, {6, 6.6}, {8, 9}};

    /** Every hole and peg small enough to take hardware. */
    public static List<Hardware> after(List<Cylinders.Cylinder> found, double scale) {
        return found.stream().filter(c -> c.diameterMm() * scale <= 40 && c.lengthMm() * scale >= 0.8).map(c -> of(c, scale)).toList();
    }

    static Hardware of(Cylinders.Cylinder c, double scale) {
        double d = c.diameterMm() * scale, length = c.lengthMm() * scale;
        if (!c.hole()) return peg(c, d, length, scale);
        if (c.through()) for (var s : SCREWS)
            if (Math.abs(d - s[1]) <= 0.25) return new Hardware(c, d, length, "M" + plain(s[0]) + " screw", true, "", 1 / scale);
        var stock = c.through() || length > 1.5 * d ? RODS : MAGNETS;
        String kind = stock == RODS ? "rod" : "magnet";
        double best = stock.getFirst();
        for (double s : stock) if (Math.abs(d - PLAY_MM - s) < Math.abs(d - PLAY_MM - best)) best = s;
        double play = d - best;
        if (play >= PLAY_LEAST_MM && play <= PLAY_MOST_MM)
            return new Hardware(c, d, length, kind + " " + plain(best) + " mm", true, "", 1 / scale);
        String advice = play < PLAY_LEAST_MM ? text("drill to %.1f mm for a %s of %s", best + PLAY_MM, kind, plain(best))
                : text("%.1f mm of play with a %s of %s: line it with %.1f mm of tape or fill and drill", play, kind, plain(best),
                        (play - PLAY_MM) / 2);
        return new Hardware(c, d, length, kind + " " + plain(best) + " mm", false, advice, (best + PLAY_MM) / d);
    }

    private static Hardware peg(Cylinders.Cylinder c, double d, double length, double scale) {
        boolean thin = d < 4;
        return new Hardware(c, d, length, "peg", !thin,
                thin ? text("a printed peg of %.1f mm snaps: cut it off and set a metal pin", d) : "", 1 / scale);
    }

    public String words() {
        return text("%s %.2f \u2192 %.2f mm", found.hole() ? found.through() ? "through hole" : "socket" : "peg", found.diameterMm(),
                diameterMm);
    }

    private static String plain(double mm) {
        return text(mm == Math.rint(mm) ? "%.0f" : "%.1f", mm);
    }

    private static String text(String format, Object... args) {
        return String.format(Locale.ROOT, format, args);
    }
}
