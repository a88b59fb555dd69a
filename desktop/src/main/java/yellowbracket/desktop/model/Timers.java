package yellowbracket.desktop.model;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import javafx.beans.property.ReadOnlyLongProperty;
import javafx.beans.property.ReadOnlyLongWrapper;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;

/**
 * Running timers: holds and cures. Past the end they count up. No node, no toolkit thread of its own; {@link #tick} is called each second.
 */
public final class Timers {
    /** A named timer and when it rings. */
    public record Timer(String name, Instant end) {
        /** {@code 03:12} left, or {@code 01:40 past}. */
        public String words(Instant now) {
            long s = Duration.between(now, end).toSeconds();
            String clock = s / 3600 != 0 ? String.format("%d:%02d:%02d", Math.abs(s) / 3600, Math.abs(s) / 60 % 60, Math.abs(s) % 60)
                    : String.format("%02d:%02d", Math.abs(s) / 60, Math.abs(s) % 60);
            return name + " " + clock + (s < 0 ? " past" : "");
        }

        public boolean past(Instant now) {
            return now.isAfter(end);
        }
    }

    private final Clock clock;
    private final WorkWatch work;
    private final ObservableList<Timer> running = FXCollections.observableArrayList();
    private final ReadOnlyLongWrapper second = new ReadOnlyLongWrapper();

    public Timers(Clock clock) {
        this.clock = clock;
        work = new WorkWatch(clock);
    }

    /** What is worked on at the bench, measured. */
    public WorkWatch work() {
        return work;
    }

    /** Timers that ran before the window was closed. */
    public void resume(List<Timer> before) {
        running.addAll(before);
    }

    public void start(String name, double minutes) {
        running.add(new Timer(name, clock.instant().plusSeconds(Math.max(1, Math.round(60 * minutes)))));
    }

    public void stop(Timer t) {
        running.remove(t);
    }

    public void tick() {
        second.set(clock.instant().getEpochSecond());
    }

    public Instant now() {
        return clock.instant();
    }

    public ObservableList<Timer> running() {
        return running;
    }

    /** Changes each second. */
    public ReadOnlyLongProperty secondProperty() {
        return second.getReadOnlyProperty();
    }
}
