package yellowbracket.plan;

import java.time.Duration;
import java.time.LocalDateTime;
import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import yellowbracket.finding.Limits;
import yellowbracket.work.TaskId;

/** A plan as it was once, kept to hold another against it: when each task was to begin and end. */
public record Baseline(String name, LocalDateTime taken, LocalDateTime due, LocalDateTime finish, double handH,
        Map<TaskId, Schedule.Part> tasks) {
    public Baseline {
        Limits.named("a plan kept", name);
        var sorted = new TreeMap<TaskId, Schedule.Part>(java.util.Comparator.comparing(TaskId::text));
        sorted.putAll(tasks);
        tasks = Collections.unmodifiableSortedMap(sorted);
    }

    public static Baseline of(String name, Schedule s) {
        return new Baseline(name, s.now(), s.due(), s.finish(), s.handH(),
                s.placed().stream().collect(Collectors.toMap(p -> p.task().id(), p -> new Schedule.Part(p.start(), p.end()), (a, b) -> a)));
    }

    public double slackH() {
        return Duration.between(finish, due).toMinutes() / 60.0;
    }
}
