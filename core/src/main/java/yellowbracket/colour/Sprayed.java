package yellowbracket.colour;

import java.time.Duration;
import java.time.LocalDateTime;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A run of coats as the log tells it, and how long what lay beneath had dried. Hours; NaN where the log does not tell.
 * @param step number of its task @param tapedH after its end tape went on it
 */
public record Sprayed(int step, ColourPlan.Coats coats, LocalDateTime from, LocalDateTime to, Optional<ColourPlan.Coats> below,
        double sinceBelowH, double tapedH) {
    /** When a task was begun and ended. */
    public record Times(LocalDateTime from, LocalDateTime to) {}

    /** Those that were done, latest first. @param times by the number of the task, as {@link ColourWork} counts them */
    public static List<Sprayed> of(Map<Integer, Times> times, ColourPlan plan) {
        return times.entrySet()
                .stream()
                .filter(e -> e.getKey() >= 1 && e.getKey() <= plan.coats().size())
                .sorted(Comparator.comparing((Map.Entry<Integer, Times> e) -> e.getValue().to).reversed())
                .map(e -> one(e.getKey(), e.getValue(), times, plan))
                .toList();
    }

    private static Sprayed one(int step, Times t, Map<Integer, Times> times, ColourPlan plan) {
        var c = plan.coats().get(step - 1);
        Optional<ColourPlan.Coats> below = Optional.empty();
        double since = Double.NaN, taped = Double.NaN;
        for (int i = step - 1; i >= 1 && below.isEmpty(); i--) {
            var under = plan.coats().get(i - 1);
            if (under.zones().stream().noneMatch(c.zones()::contains)) continue;
            below = Optional.of(under);
            if (times.containsKey(i)) since = hours(times.get(i).to, t.from);
        }
        for (int i = step + 1; i <= plan.coats().size() && Double.isNaN(taped); i++) {
            var over = plan.coats().get(i - 1);
            if (times.containsKey(i) && over.masks().stream().anyMatch(m -> c.zones().contains(m.zone())))
                taped = hours(t.to, times.get(i).from);
        }
        return new Sprayed(step, c, t.from, t.to, below, since, taped);
    }

    private static double hours(LocalDateTime from, LocalDateTime to) {
        return Duration.between(from, to).toMinutes() / 60.0;
    }
}
