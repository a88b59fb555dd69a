package yellowbracket.wear.panel;

import java.util.Locale;
import java.util.Optional;

/**
 * A dye bath for clear parts. It cools as Newton has it: T = room + (T0 - room) e^(-k t); two readings tell k. What a part lets through
 * falls by
 * the dip: absorbance, -log10 of it, grows evenly (Beer and Lambert), and two measured dips tell how many are left.
 */
public record TintBath(double roomC, double firstC, double thenC, double betweenMin) {
    /** Dyes work, and parts do not warp, between these, degrees C; a dip takes seconds. */
    public static final double LEAST_C = 57, MOST_C = 65, DIP_LEAST_S = 10, DIP_MOST_S = 15;
    private static final double HOTTEST_C = 100, MOST_MIN = 600, HARDLY_PER_MIN = 1e-5;

    /** @throws IllegalArgumentException in words, when readings cannot be a cooling bath's */
    public TintBath {
        if (!(roomC > -10 && roomC < 50))
            throw new IllegalArgumentException(text("the room at %.0f \u00b0C: measure the air, 10 to 35 is usual", roomC));
        if (!(firstC > roomC && firstC <= HOTTEST_C)) throw new IllegalArgumentException(
                text("a bath of %.0f \u00b0C in a room of %.0f does not cool: the first reading is too low", firstC, roomC));
        if (!(thenC > roomC)) throw new IllegalArgumentException(
                text("a bath cannot cool below the room: the second reading, %.1f \u00b0C, lies under %.0f", thenC, roomC));
        if (!(thenC < firstC)) throw new IllegalArgumentException(
                text("the second reading, %.1f \u00b0C, is not below the first, %.1f: take the heat off and read again", thenC, firstC));
        if (!(betweenMin > 0 && betweenMin <= MOST_MIN))
            throw new IllegalArgumentException("minutes between the readings must lie between 0 and 600");
    }

    /** Per minute. */
    public double rate() {
        return Math.max(HARDLY_PER_MIN, Math.log((firstC - roomC) / (thenC - roomC)) / betweenMin);
    }

    /** Minutes after the second reading. */
    public double celsiusAfter(double minutes) {
        return roomC + (thenC - roomC) * Math.exp(-rate() * minutes);
    }

    /** From the second reading until it has cooled to a temperature; below 0 when it has already, infinite when it never does. */
    public double minutesUntil(double celsius) {
        return celsius <= roomC ? Double.POSITIVE_INFINITY : Math.log((thenC - roomC) / (celsius - roomC)) / rate();
    }

    /** Wait so long until it is cool enough to dip, minutes; 0 when it is. */
    public double waitMin() {
        return Math.max(0, minutesUntil(MOST_C));
    }

    /** Minutes left in which it dyes, from the second reading on; 0 when it is too cold. */
    public double leftMin() {
        return Math.max(0, minutesUntil(LEAST_C));
    }

    public String words() {
        if (thenC > MOST_C) return text("too hot: parts warp; dip in %.0f min, then for %.0f min", waitMin(), leftMin() - waitMin());
        if (leftMin() == 0) return text("too cold: warm it to %.0f \u00b0C", MOST_C);
        return text("dip now; %.0f min left above %.0f \u00b0C, then warm it again", leftMin(), LEAST_C);
    }

    /**
     * @param dips done when each sample was taken, and what it let through then, 0 to 1
     * @return how many more from the second sample until {@code wanted} is let through; empty when the samples do not grow darker
     * @throws IllegalArgumentException in words, for what is no share of light
     */
    public static Optional<Integer> dipsLeft(int firstDips, double firstLight, int thenDips, double thenLight, double wanted) {
        for (double t : new double[] {firstLight, thenLight, wanted})
            if (!(t > 0 && t <= 1)) throw new IllegalArgumentException("light let through lies between 0 and 100 %");
        if (thenDips <= firstDips) throw new IllegalArgumentException("the second sample must have more dips than the first");
        double each = (Math.log10(firstLight) - Math.log10(thenLight)) / (thenDips - firstDips);
        if (!(each > 1e-6)) return Optional.empty();
        double left = (Math.log10(thenLight) - Math.log10(wanted)) / each;
        return Optional.of((int) Math.max(0, Math.round(left)));
    }

    private static String text(String format, Object... values) {
        return String.format(Locale.ROOT, format, values);
    }
}
