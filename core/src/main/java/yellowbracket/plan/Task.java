package yellowbracket.plan;

import java.util.List;

/**
 * One thing to do. {@code activeH}: hours of its resource; {@code waitH}: cure or drying before what follows may start; {@code latestH}:
 * hours within which
 * the next must start (0: no limit), or again after {@code againH}. {@code spread}: standard deviation of the logarithm of the hours.
 * {@code rateKey}
 * names the rate the log corrects; {@code source} says where the hours come from.
 */
public record Task(String id, Station station, String prop, String name, double activeH, double waitH, double latestH, double againH,
        Resource resource, String printer, boolean splits, List<String> after, String rateKey, double spread, double failuresPerHour,
        String source) {

    /** Who or what does it. */
    public enum Resource { PERSON, PRINTER, SPRAY }

    public Task {
        if (!(activeH >= 0) || !(waitH >= 0)) throw new IllegalArgumentException("hours of " + id + " must not be negative");
        after = List.copyOf(after);
    }

    Task withActive(double hours) {
        return new Task(id, station, prop, name, hours, waitH, latestH, againH, resource, printer, splits, after, rateKey, spread,
                failuresPerHour, source);
    }
}
