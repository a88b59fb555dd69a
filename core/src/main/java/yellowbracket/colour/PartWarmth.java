package yellowbracket.colour;

/**
 * How warm a part is: it lags behind the air by a time constant, T' = (air - T) / tau (Newton's cooling), and sun on it is as much air more
 * as its colour swallows.
 */
public final class PartWarmth {
    /** A printed shell of 2 to 3 mm in still air, hours. */
    public static final double TAU_H = 0.6;
    /** What full sun adds to a light and to a dark part, C. */
    private static final double SUN_LIGHT_C = 10, SUN_DARK_C = 28;

    private PartWarmth() {}

    /** @param fromC of the part at first @param airC round it since @param hours since */
    public static double after(double fromC, double airC, double hours) {
        return airC + (fromC - airC) * Math.exp(-hours / TAU_H);
    }

    /** What a part that lies in the sun comes to. @param sun share of full sun @param lightness of its colour, 0 to 100 */
    public static double inSun(double airC, double sun, double lightness) {
        return airC + sun * (SUN_DARK_C + (SUN_LIGHT_C - SUN_DARK_C) * Math.clamp(lightness / 100, 0, 1));
    }

    /** Hours until a part is within so many degrees of the air. */
    public static double hoursUntil(double fromC, double airC, double withinC) {
        double apart = Math.abs(fromC - airC);
        return apart <= withinC ? 0 : TAU_H * Math.log(apart / withinC);
    }
}
