package yellowbracket.colour;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import yellowbracket.colour.SprayWeather.Hour;
import yellowbracket.colour.SprayWeather.Verdict;
import yellowbracket.shop.Coating;

/** The coming hours judged for a paint, and the runs of them one can spray in. */
public record SprayHours(List<Slot> slots) {
    /** Nobody sprays by night. */
    private static final int FIRST_H = 7, LAST_H = 21;

    /** An hour and its verdict. */
    public record Slot(Hour hour, SprayWeather.Judged judged) {
        public Verdict verdict() {
            return judged.verdict();
        }

        public boolean day() {
            int h = hour.time().getHour();
            return h >= FIRST_H && h < LAST_H;
        }
    }

    /** Hours one after the other, none of them no. @param care how many of them ask for care */
    public record Window(LocalDateTime from, LocalDateTime to, int care) {
        public double hours() {
            return Duration.between(from, to).toMinutes() / 60.0;
        }
    }

    public SprayHours {
        slots = List.copyOf(slots);
    }

    /** @param weather of each hour */
    public static SprayHours of(Function<LocalDateTime, Hour> weather, Coating paint, LocalDateTime from, int days) {
        var start = from.truncatedTo(ChronoUnit.HOURS);
        var out = new ArrayList<Slot>();
        for (int h = 0; h < 24 * days; h++) {
            var hour = weather.apply(start.plusHours(h));
            out.add(new Slot(hour, SprayWeather.judge(hour, paint)));
        }
        return new SprayHours(out);
    }

    /** Every run by day, in order. */
    public List<Window> windows() {
        var out = new ArrayList<Window>();
        for (int i = 0; i < slots.size();) {
            int to = i, care = 0;
            while (to < slots.size() && slots.get(to).day() && slots.get(to).verdict() != Verdict.NO) {
                if (slots.get(to).verdict() == Verdict.CARE) care++;
                to++;
            }
            if (to > i) out.add(new Window(slots.get(i).hour.time(), slots.get(i).hour.time().plusHours(to - i), care));
            i = Math.max(to, i + 1);
        }
        return List.copyOf(out);
    }

    /** When one can spray next for so long; hours that are simply good before those that ask for care within the same day. */
    public Optional<Window> next(double hours) {
        var fit = windows().stream().filter(w -> w.hours() >= hours).toList();
        return fit.stream()
                .findFirst()
                .map(first -> fit.stream()
                        .filter(w -> w.from().toLocalDate().equals(first.from().toLocalDate()))
                        .min(Comparator.comparingDouble(w -> w.care() / w.hours()))
                        .orElse(first));
    }

    /** The best runs of the days shown: most good hours first. */
    public List<Window> best(int most) {
        return windows().stream()
                .sorted(Comparator.comparingDouble((Window w) -> -(w.hours() - w.care()) - 0.3 * w.care()).thenComparing(Window::from))
                .limit(most)
                .toList();
    }
}
