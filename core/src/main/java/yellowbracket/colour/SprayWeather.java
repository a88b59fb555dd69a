package yellowbracket.colour;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yellowbracket.shop.Coating;

/** Whether an hour is fit for spraying a product, and why not. */
public final class SprayWeather {
    private SprayWeather() {}

    /** One hour of weather: C, per cent, m/s. */
    public record Hour(LocalDateTime time, double celsius, double humidity, double windMs) {
        /** Dew point by the Magnus formula with the constants of Sonntag (1990). */
        public double dewPoint() {
            double g = Math.log(Math.clamp(humidity, 1, 100) / 100) + 17.62 * celsius / (243.12 + celsius);
            return 243.12 * g / (17.62 - g);
        }
    }

    /** The answer for an hour. */
    public enum Verdict { GO, CARE, NO }

    /** A verdict with its reasons. */
    public record Judged(Verdict verdict, List<String> reasons) {
        public String words() {
            return reasons.isEmpty() ? "go" : String.join(", ", reasons);
        }
    }

    public static Judged judge(Hour h, Coating paint) {
        var no = new ArrayList<String>();
        var care = new ArrayList<String>();
        if (h.celsius < paint.leastC() - 2) no.add(text("%.0f C, %.0f at least", h.celsius, paint.leastC()));
        else if (h.celsius < paint.leastC()) care.add(text("%.0f C: runs, stays soft", h.celsius));
        if (h.celsius > paint.mostC() + 3) no.add(text("%.0f C: solvent pop", h.celsius));
        else if (h.celsius > paint.mostC()) care.add(text("%.0f C: thin coats, no sun", h.celsius));
        if (h.humidity > paint.mostHumidity()) no.add(text("%.0f %% humidity, %.0f at most", h.humidity, paint.mostHumidity()));
        else if (h.humidity > 65) care.add(text("%.0f %% humidity", h.humidity));
        if (h.celsius - h.dewPoint() < 3) no.add("within 3 C of the dew point");
        if (h.windMs > 6) no.add(text("wind %.0f m/s", h.windMs));
        else if (h.windMs > 4) care.add(text("wind %.0f m/s: shelter", h.windMs));
        if (!no.isEmpty()) return new Judged(Verdict.NO, List.copyOf(no));
        return new Judged(care.isEmpty() ? Verdict.GO : Verdict.CARE, List.copyOf(care));
    }

    private static String text(String f, Object... a) {
        return String.format(Locale.ROOT, f, a);
    }
}
