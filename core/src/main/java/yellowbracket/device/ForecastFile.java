package yellowbracket.device;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.time.format.DateTimeParseException;
import java.time.temporal.ChronoUnit;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import yellowbracket.colour.SprayWeather.Hour;

/**
 * A forecast from a CSV file: {@code time,celsius,humidity,wind[,sun]}, one line an hour, times as 2026-04-01T09:00. Up to three missing
 * hours are read between their neighbours; what lies further from any line comes from the feed behind it.
 */
public record ForecastFile(String name, Map<LocalDateTime, Hour> hours, WeatherFeed behind) implements WeatherFeed {
    private static final int HOLE_H = 3, MOST_LINES = 20_000;

    public ForecastFile {
        hours = Map.copyOf(hours);
    }

    /** Why a file is no forecast: where and what to do. */
    public static final class Unreadable extends Exception {
        private static final long serialVersionUID = 1;

        Unreadable(String words) {
            super(words);
        }
    }

    /** @throws Unreadable with the line and what is wrong in it */
    public static ForecastFile read(Path file, WeatherFeed behind) throws Unreadable {
        String name = String.valueOf(file.getFileName());
        try {
            if (Files.size(file) > 4_000_000) throw new Unreadable(name + ": no forecast is so large");
            return parse(name, Files.readString(file, StandardCharsets.UTF_8), behind);
        } catch (IOException e) {
            throw new Unreadable(name + ": the file cannot be read as text; save the forecast as CSV");
        }
    }

    static ForecastFile parse(String name, String text, WeatherFeed behind) throws Unreadable {
        var out = new TreeMap<LocalDateTime, Hour>();
        int n = 0;
        for (var raw : text.replace("\uFEFF", "").lines().toList()) {
            n++;
            String line = raw.strip();
            if (line.isEmpty() || line.startsWith("#") || line.toLowerCase(Locale.ROOT).startsWith("time")) continue;
            if (n > MOST_LINES) throw new Unreadable(name + ": more than " + MOST_LINES + " lines");
            var hour = hour(name, n, line);
            out.put(hour.time(), hour);
        }
        if (out.isEmpty())
            throw new Unreadable(name + ": no hours in it; lines read time,celsius,humidity,wind such as 2026-04-01T09:00,14,60,2");
        return new ForecastFile(name, out, behind);
    }

    private static Hour hour(String name, int n, String line) throws Unreadable {
        var cells = line.split("[,;\\t]");
        String where = name + ", line " + n + ": ";
        if (cells.length < 4)
            throw new Unreadable(where + "time, celsius, humidity and wind are needed, there are " + cells.length + " values");
        try {
            var time = LocalDateTime.parse(cells[0].strip().replace(' ', 'T')).truncatedTo(ChronoUnit.HOURS);
            return new Hour(time, number(where, "temperature, C", cells[1], -60, 60), number(where, "humidity, %", cells[2], 0, 100),
                    number(where, "wind, m/s", cells[3], 0, 100),
                    cells.length > 4 && !cells[4].isBlank() ? number(where, "sun, 0 to 1", cells[4], 0, 1) : 0);
        } catch (DateTimeParseException e) {
            throw new Unreadable(where + "\"" + cells[0] + "\" is no time; write it as 2026-04-01T09:00");
        }
    }

    private static double number(String where, String what, String cell, double least, double most) throws Unreadable {
        try {
            double v = Double.parseDouble(cell.strip());
            if (v >= least && v <= most) return v;
        } catch (NumberFormatException e) {
            // told below
        }
        throw new Unreadable(
                where + what + " lies between " + Math.round(least) + " and " + Math.round(most) + ", not \"" + cell.strip() + "\"");
    }

    /** Whether a line of the file, or two near enough, tells of this hour. */
    public boolean tells(LocalDateTime time) {
        return between(time.truncatedTo(ChronoUnit.HOURS)) != null;
    }

    @Override
    public Hour at(LocalDateTime time) {
        var told = between(time.truncatedTo(ChronoUnit.HOURS));
        return told != null ? told : behind.at(time);
    }

    private Hour between(LocalDateTime time) {
        var exact = hours.get(time);
        if (exact != null) return exact;
        for (int before = 1; before <= HOLE_H; before++) {
            var a = hours.get(time.minusHours(before));
            if (a == null) continue;
            for (int after = 1; after + before <= HOLE_H + 1; after++) {
                var b = hours.get(time.plusHours(after));
                if (b == null) continue;
                double t = (double) before / (before + after);
                return new Hour(time, a.celsius() + t * (b.celsius() - a.celsius()), a.humidity() + t * (b.humidity() - a.humidity()),
                        a.windMs() + t * (b.windMs() - a.windMs()), a.sun() + t * (b.sun() - a.sun()));
            }
            return null;
        }
        return null;
    }

    @Override
    public String source() {
        return name + ", " + hours.size() + " hours; else " + behind.source();
    }
}
