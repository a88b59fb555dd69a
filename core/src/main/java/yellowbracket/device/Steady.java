package yellowbracket.device;

import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;
import java.util.OptionalDouble;

/** Tells when a scale has settled: within a second and a half it showed no more than one step up or down; what counts is the middle. */
public final class Steady {
    private static final double WINDOW_S = 1.5;
    private static final int FEWEST = 5;

    private record Reading(double s, double grams) {}

    private final Deque<Reading> last = new ArrayDeque<>();
    private final double step;

    public Steady(double stepG) {
        step = stepG;
    }

    /** @param seconds since any start, rising @return what lies on it, once it has settled */
    public OptionalDouble feed(double seconds, double grams) {
        last.addLast(new Reading(seconds, grams));
        while (last.getFirst().s < seconds - WINDOW_S) last.removeFirst();
        var all = last.stream().mapToDouble(Reading::grams).sorted().toArray();
        boolean enough = seconds - last.getFirst().s > 0.8 * WINDOW_S && all.length >= FEWEST;
        double middle = all[all.length / 2];
        return enough && Arrays.stream(all).allMatch(g -> Math.abs(g - middle) <= step + 1e-9) ? OptionalDouble.of(middle)
                : OptionalDouble.empty();
    }
}
