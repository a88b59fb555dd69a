package yellowbracket.desktop.model;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import yellowbracket.work.TaskId;

/**
 * How long one has worked on each task: one at a time, with pauses; how long at what tires without a break. A clock set back counts as no
 * time. What it holds can be kept and taken up again: the work goes on meanwhile, unless the window was gone for hours.
 */
public final class WorkWatch {
    /** Gone for longer, nobody knows whether the work went on: it is paused where it was last seen. */
    private static final Duration GONE = Duration.ofHours(2);

    /** What is to be found again after the window was closed, or killed. @param seen when it was last known to go on */
    public record Kept(Map<String, Duration> before, Optional<String> on, Instant since, Instant seen, boolean tires, Duration tired) {
        public static final Kept NOTHING = new Kept(Map.of(), Optional.empty(), Instant.EPOCH, Instant.EPOCH, false, Duration.ZERO);

        public Kept {
            before = Map.copyOf(before);
        }
    }

    private final Clock clock;
    private final Map<TaskId, Duration> before = new HashMap<>();
    private Optional<TaskId> on = Optional.empty();
    private Instant since = Instant.EPOCH;
    private boolean tires;
    private Duration tired = Duration.ZERO;
    private Instant rested = Instant.EPOCH;

    public WorkWatch(Clock clock) {
        this.clock = clock;
    }

    public Kept keep() {
        var all = new HashMap<String, Duration>();
        before.forEach((t, d) -> all.put(t.text(), d));
        return new Kept(all, on.map(TaskId::text), since, clock.instant(), tires, tired);
    }

    public void resume(Kept k) {
        k.before.forEach((t, d) -> TaskId.parse(t).ifPresent(id -> before.put(id, d)));
        on = k.on.flatMap(TaskId::parse);
        since = k.since;
        tires = k.tires;
        tired = k.tired;
        rested = k.since;
        if (on.isEmpty() || Duration.between(k.seen, clock.instant()).compareTo(GONE) <= 0) return;
        before.merge(on.get(), Duration.between(k.since, k.seen), Duration::plus);
        on = Optional.empty();
        tired = Duration.ZERO;
    }

    public void start(TaskId task) {
        start(task, false);
    }

    /** Begins or goes on with one task; another one is paused. @param tiring dust or fine work */
    public void start(TaskId task, boolean tiring) {
        if (on.equals(Optional.of(task))) return;
        pause();
        on = Optional.of(task);
        since = clock.instant();
        tires = tiring;
    }

    public void pause() {
        on.ifPresent(t -> before.put(t, worked(t)));
        rest();
        on = Optional.empty();
    }

    private void rest() {
        if (on.isPresent() && tires) {
            tired = tired.plus(run());
            rested = clock.instant();
        }
    }

    private Duration run() {
        var run = Duration.between(since, clock.instant());
        return run.isNegative() ? Duration.ZERO : run;
    }

    /** At what tires since the last break of {@code pause}. */
    public Duration tired(Duration pause) {
        boolean now = on.isPresent() && tires;
        var from = now ? since : clock.instant();
        if (Duration.between(rested, from).compareTo(pause) >= 0) tired = Duration.ZERO;
        return now ? tired.plus(run()) : tired;
    }

    public boolean runs(TaskId task) {
        return on.equals(Optional.of(task));
    }

    public Optional<TaskId> on() {
        return on;
    }

    public Duration worked(TaskId task) {
        return before.getOrDefault(task, Duration.ZERO).plus(runs(task) ? run() : Duration.ZERO);
    }

    /** What was measured, and begins anew. */
    public Duration take(TaskId task) {
        var out = worked(task);
        if (runs(task)) {
            rest();
            on = Optional.empty();
        }
        before.remove(task);
        return out;
    }
}
