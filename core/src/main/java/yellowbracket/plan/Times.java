package yellowbracket.plan;

import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.function.BiPredicate;
import yellowbracket.shop.Quiet;
import yellowbracket.work.Task;

/** What the clock and the sky allow: people's hours, printers' quiet hours, noise, weather. Minutes after now. */
final class Times {
    /** What is not done in so many days is told as never. */
    static final int HORIZON_DAYS = 400;
    /** Spraying is tried at every quarter of an hour. */
    static final int STEP_MIN = 15;
    private static final int DAY_MIN = 24 * 60;

    final LocalDateTime now;
    final LocalDateTime due;
    final Crew crew;
    private final BiPredicate<Task, LocalDateTime> sprayable;
    private final Map<String, Quiet> quiet;
    private final List<int[]> spans = new ArrayList<>();

    Times(LocalDateTime now, LocalDateTime due, Crew crew, BiPredicate<Task, LocalDateTime> sprayable, Map<String, Quiet> quiet) {
        this.now = now;
        this.due = due;
        this.crew = crew;
        this.sprayable = sprayable;
        this.quiet = Map.copyOf(quiet);
        spans.add(crew.maker().minutes(now, HORIZON_DAYS));
        crew.helpers().forEach(h -> spans.add(crew.maker().withSpans(h.spans()).minutes(now, HORIZON_DAYS)));
    }

    private Times(Times of, BiPredicate<Task, LocalDateTime> sprayable) {
        now = of.now;
        due = of.due;
        crew = of.crew;
        quiet = of.quiet;
        spans.addAll(of.spans);
        this.sprayable = sprayable;
    }

    /** The same without spraying on some days, counted from today. */
    Times without(BitSet days) {
        if (days.isEmpty()) return this;
        long today = now.toLocalDate().toEpochDay();
        return new Times(this, (t, at) -> !days.get((int) Math.max(0, at.toLocalDate().toEpochDay() - today)) && sprayable.test(t, at));
    }

    /** Everybody's time, free: the maker first. */
    List<Hands> hands() {
        var out = new ArrayList<Hands>(spans.size());
        out.add(new Hands("", t -> true, spans.getFirst().clone()));
        for (int i = 0; i < crew.helpers().size(); i++) {
            var h = crew.helpers().get(i);
            out.add(new Hands(h.name(), h::can, spans.get(i + 1).clone()));
        }
        return out;
    }

    /** The first minute from one on at which the maker works; the same one where no hours are left. */
    int working(int minute) {
        int s = endsAfter(minute);
        var maker = spans.getFirst();
        return s < maker.length ? Math.max(minute, maker[s]) : minute;
    }

    /** Minutes in which the maker works. */
    int worked(int from, int to) {
        int sum = 0;
        var maker = spans.getFirst();
        for (int s = endsAfter(from); s < maker.length && maker[s] < to; s += 2)
            sum += Math.min(to, maker[s + 1]) - Math.max(from, maker[s]);
        return sum;
    }

    /** Where the first span begins that ends after a minute. */
    private int endsAfter(int minute) {
        var maker = spans.getFirst();
        int lo = 0, hi = maker.length / 2;
        while (lo < hi) {
            int mid = (lo + hi) / 2;
            if (maker[2 * mid + 1] <= minute) lo = mid + 1;
            else hi = mid;
        }
        return 2 * lo;
    }

    int minute(LocalDateTime t) {
        return (int) ChronoUnit.MINUTES.between(now, t);
    }

    int awake(int minute) {
        var at = now.plusMinutes(minute);
        return minute + (int) ChronoUnit.MINUTES.between(at, crew.maker().present(at));
    }

    /** When a printer may be heard and somebody is there to start it. */
    int loud(String printer, int minute) {
        var q = quiet.get(printer);
        for (int tries = 0; q != null && tries < 60 && q.holds(now.plusMinutes(minute).toLocalTime()); tries++)
            minute = awake(minute + until(q.to(), minute));
        return minute;
    }

    /** Minutes until the clock next shows a time. */
    private int until(java.time.LocalTime time, int minute) {
        return Math.floorMod((int) ChronoUnit.MINUTES.between(now.plusMinutes(minute).toLocalTime(), time), DAY_MIN);
    }

    /** When {@code minutes} of printing from {@code at} on are through, the pauses of quiet hours between. */
    int through(String printer, int at, int minutes) {
        var q = quiet.get(printer);
        if (q == null) return at + minutes;
        for (int left = minutes; left > 0;) {
            if (q.holds(now.plusMinutes(at).toLocalTime())) {
                at += Math.max(1, until(q.to(), at));
                continue;
            }
            int run = Math.min(left, Math.max(1, until(q.from(), at)));
            at += run;
            left -= run;
        }
        return at;
    }

    /** Weather in every hour from one minute to another. */
    boolean fit(Task task, int from, int to) {
        for (int m = from; m < to; m += 60) if (!sprayable.test(task, now.plusMinutes(m))) return false;
        return sprayable.test(task, now.plusMinutes(to));
    }

    /** When noise is allowed; what makes none may go on at any time. */
    Hands.Open noise(Task t) {
        var q = crew.rules().quiet();
        if (q.isEmpty() || !WorkRules.loud(t)) return ALWAYS;
        var hours = q.get();
        return new Hands.Open() {
            @Override
            public int from(int minute) {
                return hours.holds(now.plusMinutes(minute).toLocalTime()) ? minute + Times.this.until(hours.to(), minute) : minute;
            }

            @Override
            public int until(int minute) {
                return minute + Times.this.until(hours.from(), minute);
            }
        };
    }

    private static final Hands.Open ALWAYS = new Hands.Open() {
        @Override
        public int from(int minute) {
            return minute;
        }

        @Override
        public int until(int minute) {
            return Integer.MAX_VALUE;
        }
    };

    /** How long at most at a time, and how long the break: of what does not tire no limit. */
    int mostMin(Task t) {
        return WorkRules.tires(t) ? crew.rules().sittingMin() : Integer.MAX_VALUE / 2;
    }

    int breakMin(Task t) {
        return WorkRules.tires(t) ? crew.rules().breakMin() : 0;
    }
}
