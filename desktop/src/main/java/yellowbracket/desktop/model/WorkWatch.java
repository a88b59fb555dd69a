package yellowbracket.desktop.model;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import yellowbracket.work.TaskId;

/** How long one has worked on each task: one at a time, with pauses. A clock set back counts as no time. */
public final class WorkWatch {
    private final Clock clock;
    private final Map<TaskId, Duration> before = new HashMap<>();
    private Optional<TaskId> on = Optional.empty();
    private Instant since = Instant.EPOCH;

    public WorkWatch(Clock clock) {
        this.clock = clock;
    }

    /** Begins or goes on with one task; another one is paused. */
    public void start(TaskId task) {
        if (on.equals(Optional.of(task))) return;
        pause();
        on = Optional.of(task);
        since = clock.instant();
    }

    public void pause() {
        on.ifPresent(t -> before.put(t, worked(t)));
        on = Optional.empty();
    }

    public boolean runs(TaskId task) {
        return on.equals(Optional.of(task));
    }

    public Duration worked(TaskId task) {
        var run = runs(task) ? Duration.between(since, clock.instant()) : Duration.ZERO;
        return before.getOrDefault(task, Duration.ZERO).plus(run.isNegative() ? Duration.ZERO : run);
    }

    /** What was measured, and begins anew. */
    public Duration take(TaskId task) {
        var out = worked(task);
        if (runs(task)) on = Optional.empty();
        before.remove(task);
        return out;
    }
}
