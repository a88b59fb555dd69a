package yellowbracket.colour;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yellowbracket.shop.Coating;

/** Whether an hour is fit for spraying a product, and why not. The label of the can overrides it. */
public final class SprayWeather {
    /** Outside a paint's range so far it is still a matter of care. */
    private static final double CARE_BELOW_C = 2, CARE_ABOVE_C = 3;
    private static final double DAMP = 65, BREEZE_MS = 4, WIND_MS = 6;
    /** A surface this close above the dew point takes on water. */
    private static final double DEW_GAP_C = 3;
    /** Share of a clear sky's sun that dries a film before it has flowed. */
    private static final double SUNNY = 0.35;

    private SprayWeather() {}

    /** One hour of weather: C, per cent, m/s, share of a clear sky's full sun at the spray spot. */
    public record Hour(LocalDateTime time, double celsius, double humidity, double windMs, double sun) {
        /** In the shade. */
        public Hour(LocalDateTime time, double celsius, double humidity, double windMs) {
            this(time, celsius, humidity, windMs, 0);
        }

        /** Dew point by the Magnus formula with the constants of Sonntag (1990). */
        public double dewPoint() {
            double g = Math.log(Math.clamp(humidity, 1, 100) / 100) + 17.62 * celsius / (243.12 + celsius);
            return 243.12 * g / (17.62 - g);
        }
    }

    /** The answer for an hour. */
    public enum Verdict {
        GO("go"), CARE("care"), NO("no");

        private final String words;

        Verdict(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** A verdict with its reasons. */
    public record Judged(Verdict verdict, List<String> reasons) {
        public String words() {
            return reasons.isEmpty() ? "go" : String.join(", ", reasons);
        }
    }

    /** A part as warm as the air. */
    public static Judged judge(Hour h, Coating paint) {
        return judge(h, paint, h.celsius);
    }

    /** @param partC temperature of the part */
    public static Judged judge(Hour h, Coating paint, double partC) {
        var no = new ArrayList<String>();
        var care = new ArrayList<String>();
        if (h.celsius < paint.leastC() - CARE_BELOW_C) no.add(text("%.0f C, %.0f at least", h.celsius, paint.leastC()));
        else if (h.celsius < paint.leastC()) care.add(text("%.0f C: runs, stays soft; warm the can in water, thin coats", h.celsius));
        if (h.celsius > paint.mostC() + CARE_ABOVE_C) no.add(text("%.0f C: solvent is trapped, tiny bubbles", h.celsius));
        else if (h.celsius > paint.mostC()) care.add(text("%.0f C: thin coats, longer between, no sun", h.celsius));
        if (h.humidity > paint.mostHumidity()) no.add(text("%.0f %% humidity, %.0f at most", h.humidity, paint.mostHumidity()));
        else if (h.humidity > DAMP) care.add(text("%.0f %% humidity", h.humidity));
        if (partC - h.dewPoint() < DEW_GAP_C)
            no.add(partC == h.celsius ? "within 3 C of the dew point" : text("the part has %.0f C, within 3 C of the dew point", partC));
        if (partC > paint.mostC() + CARE_ABOVE_C && partC > h.celsius) no.add(text("the part has %.0f C: let it cool in the shade", partC));
        else if (partC < paint.leastC() - CARE_BELOW_C && partC < h.celsius) no.add(text("the part has %.0f C: bring it in first", partC));
        if (h.sun > SUNNY) care.add("sun: spray in the shade");
        if (h.windMs > WIND_MS) no.add(text("wind %.0f m/s", h.windMs));
        else if (h.windMs > BREEZE_MS) care.add(text("wind %.0f m/s: shelter", h.windMs));
        if (!no.isEmpty()) return new Judged(Verdict.NO, List.copyOf(no));
        return new Judged(care.isEmpty() ? Verdict.GO : Verdict.CARE, List.copyOf(care));
    }

    private static String text(String f, Object... a) {
        return String.format(Locale.ROOT, f, a);
    }
}
