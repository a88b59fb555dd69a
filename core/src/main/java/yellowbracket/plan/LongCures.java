package yellowbracket.plan;

import java.time.Duration;
import java.time.LocalDateTime;
import java.util.List;
import yellowbracket.work.Task;

/**
 * What hardens for long is best put on at the end of the day: then it hardens while nobody works, and lies in nobody's way.
 *
 * @param all ahead @param idle those that harden while nobody works, but for an hour at most
 */
public record LongCures(List<Schedule.Placed> all, List<Schedule.Placed> idle) {
    /** What takes so long can hardly be waited for within an evening. */
    static final int LONG_MIN = 4 * 60;
    private static final int LITTLE_MIN = 60;

    public LongCures {
        all = List.copyOf(all);
        idle = List.copyOf(idle);
    }

    public static LongCures of(Schedule s, WorkHours hours) {
        var all = s.placed().stream().filter(p -> !p.done() && hardens(p.task())).toList();
        return new LongCures(all, all.stream().filter(p -> worked(p.end(), p.ready(), hours) <= LITTLE_MIN).toList());
    }

    static boolean hardens(Task t) {
        return t.resource() != Task.Resource.PRINTER && Network.waitMin(t) >= LONG_MIN;
    }

    /** Working minutes between. */
    private static int worked(LocalDateTime from, LocalDateTime to, WorkHours hours) {
        int until = (int) Duration.between(from, to).toMinutes(), sum = 0;
        var spans = hours.minutes(from, until / (24 * 60) + 1);
        for (int s = 0; s < spans.length && spans[s] < until; s += 2) sum += Math.min(until, spans[s + 1]) - spans[s];
        return sum;
    }
}
