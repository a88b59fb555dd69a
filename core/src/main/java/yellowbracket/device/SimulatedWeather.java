package yellowbracket.device;

import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import yellowbracket.colour.SprayWeather;

/**
 * A made-up temperate climate, the same for the same seed: a yearly and a daily wave, slow fronts that bring damp and wind, and a little
 * noise.
 * Stands in for a forecast service.
 */
public record SimulatedWeather(long seed) implements WeatherFeed {
    @Override
    public SprayWeather.Hour at(LocalDateTime time) {
        var hour = time.truncatedTo(ChronoUnit.HOURS);
        double day = hour.toLocalDate().toEpochDay(), clock = hour.getHour();
        double season = -Math.cos(2 * Math.PI * (hour.getDayOfYear() - 20) / 365.25), sun = Math.cos(2 * Math.PI * (clock - 15) / 24);
        double front = wave(day / 4.3) + 0.6 * wave(day / 1.9 + 77);
        double celsius = 12.5 + 8.5 * season + 4.2 * sun - 1.6 * front + 0.6 * noise((long) (day * 24 + clock));
        double humidity = Math.clamp(64 - 13 * sun + 12 * front + 3 * noise((long) (day * 24 + clock) + 9999), 25, 99);
        double wind = Math.max(0.3, 2.4 + 1.3 * front + 0.8 * sun + 0.5 * noise((long) (day * 24 + clock) + 5555));
        double high = Math.max(0, -Math.cos(2 * Math.PI * clock / 24)), clear = Math.clamp(0.7 - 0.5 * front, 0, 1);
        return new SprayWeather.Hour(hour, celsius, humidity, wind, high * clear);
    }

    @Override
    public String source() {
        return "simulated weather, seed " + seed;
    }

    /** Smooth noise of period about 1, in -1..1. */
    private double wave(double x) {
        long i = (long) Math.floor(x);
        double t = x - i, s = t * t * (3 - 2 * t);
        return noise(i) * (1 - s) + noise(i + 1) * s;
    }

    private double noise(long i) {
        long h = (i + seed * 0x9E3779B97F4A7C15L) * 0xBF58476D1CE4E5B9L;
        h ^= h >>> 31;
        h *= 0x94D049BB133111EBL;
        h ^= h >>> 29;
        return (h >> 11) / (double) (1L << 52);
    }
}
