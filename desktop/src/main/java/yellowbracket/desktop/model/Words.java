package yellowbracket.desktop.model;

import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import yellowbracket.plan.Chance;
import java.util.Locale;

/**
 * Numbers and dates as they stand on screen: units always, thin-space thousands, sensible digits, ~ before an estimate. Lengths follow the
 * chosen unit.
 */
public record Words(boolean inches) {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);
    private static final DateTimeFormatter DAY_TIME = DateTimeFormatter.ofPattern("d MMM HH:mm", Locale.ENGLISH);

    public String length(double mm) {
        if (Double.isNaN(mm)) return "open";
        return inches ? text("%.2f in", mm / 25.4) : text("%.1f mm", mm);
    }

    /** A length above a hand's breadth: whole millimetres, or metres from 1.5 m on. */
    public String longLength(double mm) {
        if (inches) return text("%.1f in", mm / 25.4);
        return mm >= 1500 ? text("%.2f m", mm / 1000) : text("%s mm", whole(mm));
    }

    /** Without a unit, for callouts and table columns whose head names it. */
    public String bare(double mm) {
        return Double.isNaN(mm) ? "-" : inches ? text("%.2f", mm / 25.4) : text("%.1f", mm);
    }

    public String unit() {
        return inches ? "in" : "mm";
    }

    public String size(yellowbracket.mesh.Vec3 s) {
        return inches ? text("%.1f × %.1f × %.1f in", s.x() / 25.4, s.y() / 25.4, s.z() / 25.4)
                : text("%.0f × %.0f × %.0f mm", s.x(), s.y(), s.z());
    }

    public static String hours(double h) {
        return h < 9.95 ? text("%.1f h", h) : text("%s h", whole(h));
    }

    public static String about(double h) {
        return "~" + hours(h);
    }

    public static String grams(double g) {
        return g < 9.95 ? text("%.1f g", g) : text("%s g", whole(g));
    }

    public static String percent(double share) {
        return text("%.0f %%", 100 * share);
    }

    /**
     * The share of simulated futures that end well, told no surer than their number allows: when all or none do, the bound that holds with
     * 95 in 100, 1 - 0.05^(1/runs).
     */
    public static String chance(Chance c) {
        return c.ready() == c.runs() ? text("over %.0f %%", Math.floor(100 * c.low()))
                : c.ready() == 0 ? text("under %.0f %%", Math.ceil(100 * c.high()))
                        : c.share() > 0.99 ? "99 %" : c.share() < 0.01 ? "1 %" : percent(c.share());
    }

    public static String scale(double s) {
        return text("%.1f %%", 100 * s);
    }

    public static String money(double m) {
        return text("%.2f", m);
    }

    /** Thousands parted by a thin space. */
    public static String whole(double v) {
        return text("%,d", Math.round(v)).replace(',', '\u2009');
    }

    public static String days(double hours) {
        double d = hours / 24;
        return Math.abs(d) < 9.95 ? text("%.1f days", d) : text("%.0f days", d);
    }

    public static String day(LocalDateTime t) {
        return DAY.format(t);
    }

    public static String dayTime(LocalDateTime t) {
        return DAY_TIME.format(t);
    }

    public static String text(String format, Object... args) {
        return String.format(Locale.ROOT, format, args);
    }
}
