package yellowbracket.plan;

import java.time.DayOfWeek;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.temporal.ChronoUnit;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * When somebody works: spans by weekday; between which hours somebody is up to start or take off a print, but for the spans {@code away}.
 */
public record WorkHours(List<Span> spans, LocalTime printFrom, LocalTime printTo, List<Span> away) {
    /** A span of one weekday, {@code to} after {@code from}. */
    public record Span(DayOfWeek day, LocalTime from, LocalTime to) {
        public Span {
            if (!to.isAfter(from)) throw new IllegalArgumentException("working hours of " + day + " end before they begin");
        }
    }

    public WorkHours {
        spans = List.copyOf(spans);
        away = List.copyOf(away);
    }

    /** Weekday evenings from 18:30 to 22:00 and ten to six at weekends. */
    public static WorkHours evenings() {
        var out = new ArrayList<Span>();
        for (var d : DayOfWeek.values()) {
            boolean weekend = d == DayOfWeek.SATURDAY || d == DayOfWeek.SUNDAY;
            out.add(weekend ? new Span(d, LocalTime.of(10, 0), LocalTime.of(18, 0))
                    : new Span(d, LocalTime.of(18, 30), LocalTime.of(22, 0)));
        }
        return new WorkHours(out, LocalTime.of(7, 0), LocalTime.of(23, 0), List.of());
    }

    /** The same, and nobody in the house from Monday to Friday between these hours. */
    public WorkHours awayOnWeekdays(LocalTime from, LocalTime to) {
        var out = new ArrayList<Span>();
        for (var d : DayOfWeek.values()) if (d != DayOfWeek.SATURDAY && d != DayOfWeek.SUNDAY) out.add(new Span(d, from, to));
        return new WorkHours(spans, printFrom, printTo, out);
    }

    /** Other spans, the rest the same. */
    public WorkHours withSpans(List<Span> other) {
        return new WorkHours(other, printFrom, printTo, away);
    }

    /** Somebody is up between these. */
    public WorkHours upFrom(LocalTime from, LocalTime to) {
        return new WorkHours(spans, from, to, away);
    }

    public WorkHours withAway(List<Span> other) {
        return new WorkHours(spans, printFrom, printTo, other);
    }

    /** The first moment from {@code t} on when somebody is there to change a plate. */
    public LocalDateTime present(LocalDateTime t) {
        for (int tries = 0; tries < 40; tries++) {
            var next = up(t);
            for (var s : away)
                if (s.day == next.getDayOfWeek() && !next.toLocalTime().isBefore(s.from) && next.toLocalTime().isBefore(s.to))
                    next = next.toLocalDate().atTime(s.to);
            if (next.equals(t)) return t;
            t = next;
        }
        throw new IllegalArgumentException("nobody is ever there to change a plate: shorten the hours away");
    }

    private LocalDateTime up(LocalDateTime t) {
        if (t.toLocalTime().isBefore(printFrom)) return t.toLocalDate().atTime(printFrom);
        return t.toLocalTime().isAfter(printTo) ? t.toLocalDate().plusDays(1).atTime(printFrom) : t;
    }

    public double weeklyHours() {
        return spans.stream().mapToDouble(s -> ChronoUnit.MINUTES.between(s.from, s.to) / 60.0).sum();
    }

    /** Spans as minutes after {@code start}, pairs from and to, ascending, over {@code days} days. */
    public int[] minutes(LocalDateTime start, int days) {
        var list = new ArrayList<int[]>();
        for (int d = 0; d <= days; d++) {
            var date = start.toLocalDate().plusDays(d);
            for (var s : spans) {
                if (s.day != date.getDayOfWeek()) continue;
                int from = (int) ChronoUnit.MINUTES.between(start, date.atTime(s.from)),
                        to = (int) ChronoUnit.MINUTES.between(start, date.atTime(s.to));
                if (to > 0) list.add(new int[] {Math.max(0, from), to});
            }
        }
        list.sort(java.util.Comparator.comparingInt(a -> a[0]));
        return list.stream().flatMapToInt(java.util.Arrays::stream).toArray();
    }

    /** Nobody works later than this. */
    private static final LocalTime LATEST = LocalTime.of(23, 0);

    /** Every working day ends so much later, but not after eleven at night. */
    public WorkHours longer(int minutes) {
        return withSpans(spans.stream().map(s -> {
            boolean last = spans.stream().noneMatch(o -> o.day == s.day && o.from.isAfter(s.from));
            var to = s.to.isBefore(LATEST) && ChronoUnit.MINUTES.between(s.to, LATEST) > minutes ? s.to.plusMinutes(minutes) : LATEST;
            return last && to.isAfter(s.to) ? new Span(s.day, s.from, to) : s;
        }).toList());
    }

    /** Hours with something more, in words. */
    public record More(String words, WorkHours hours) {}

    /** So many minutes on the day with the fewest hours that has room for them in the evening; empty where none has. */
    public Optional<More> another(int minutes) {
        return Arrays.stream(DayOfWeek.values())
                .filter(d -> ChronoUnit.MINUTES.between(begins(d), LATEST) >= minutes)
                .min(Comparator.comparingLong(this::minutesOn))
                .map(d -> {
                    var all = new ArrayList<>(spans);
                    all.add(new Span(d, begins(d), begins(d).plusMinutes(minutes)));
                    return new More(minutes / 60 + " h more on " + d.getDisplayName(TextStyle.FULL, Locale.ENGLISH) + "s", withSpans(all));
                });
    }

    /** After what is worked on a day. */
    private LocalTime begins(DayOfWeek day) {
        return spans.stream().filter(s -> s.day == day).map(Span::to).max(Comparator.naturalOrder()).orElse(LocalTime.of(18, 30));
    }

    private long minutesOn(DayOfWeek day) {
        return spans.stream().filter(s -> s.day == day).mapToLong(s -> ChronoUnit.MINUTES.between(s.from, s.to)).sum();
    }
}
