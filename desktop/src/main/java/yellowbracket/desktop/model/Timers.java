package yellowbracket.desktop.model;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.beans.property.ReadOnlyLongProperty;
import javafx.beans.property.ReadOnlyLongWrapper;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import yellowbracket.work.Hazard;

/**
 * Running timers: holds and cures, and films that are open only for a while; what is worked on; what was put on against hazards today. Past
 * the end timers count up. No node, no toolkit thread of its own; {@link #tick} is called each second. Moments, not times of day: a change
 * to summer time moves nothing.
 */
public final class Timers {
    /** Before a film closes it is told so long ahead. */
    private static final Duration SOON = Duration.ofMinutes(10);

    /** Where a timer stands. */
    public enum State { WAIT, READY, CLOSES_SOON, CLOSED }

    /** A named timer, not before when one may go on, and until when, where it closes. */
    public record Timer(String name, Instant end, Optional<Instant> closes) {
        public Timer {
            closes = closes == null ? Optional.empty() : closes; // of a file of before there was one
        }

        public Timer(String name, Instant end) {
            this(name, end, Optional.empty());
        }

        public State state(Instant now) {
            if (now.isBefore(end)) return State.WAIT;
            if (closes.isEmpty() || now.isBefore(closes.get().minus(SOON))) return State.READY;
            return now.isBefore(closes.get()) ? State.CLOSES_SOON : State.CLOSED;
        }

        /** The time first, for names are long: {@code 03:12} left, {@code 01:40 past}, {@code open for 09:30}, {@code closed 02:10 ago}. */
        public String words(Instant now) {
            return switch (state(now)) {
                case WAIT -> clock(Duration.between(now, end));
                case READY, CLOSES_SOON -> closes.map(c -> "open for " + clock(Duration.between(now, c)))
                        .orElseGet(() -> clock(Duration.between(end, now)) + (now.isAfter(end) ? " past" : ""));
                case CLOSED -> "closed " + clock(Duration.between(closes.orElseThrow(), now)) + " ago";
            } + " \u00b7 " + name;
        }

        private static String clock(Duration d) {
            long s = d.toSeconds();
            return s >= 3600 ? String.format("%d:%02d:%02d", s / 3600, s / 60 % 60, s % 60) : String.format("%02d:%02d", s / 60, s % 60);
        }

        public boolean past(Instant now) {
            return now.isAfter(end);
        }
    }

    private final Clock clock;
    private final WorkWatch work;
    private final ObservableList<Timer> running = FXCollections.observableArrayList();
    private final ReadOnlyLongWrapper second = new ReadOnlyLongWrapper();
    private final ReadOnlyLongWrapper rung = new ReadOnlyLongWrapper();
    private final Map<Hazard, LocalDate> guarded = new EnumMap<>(Hazard.class);
    private Instant ticked;

    public Timers(Clock clock) {
        this.clock = clock;
        work = new WorkWatch(clock);
        ticked = clock.instant();
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
        running.add(new Timer(name, in(minutes)));
    }

    /** Not before so many minutes, and only until so many. */
    public void start(String name, double minutes, double closesAfter) {
        running.add(new Timer(name, in(minutes), Optional.of(in(Math.max(minutes, closesAfter)))));
    }

    private Instant in(double minutes) {
        return clock.instant().plusSeconds(Math.max(1, Math.round(60 * minutes)));
    }

    public void stop(Timer t) {
        running.remove(t);
    }

    public void tick() {
        var now = clock.instant();
        if (running.stream().anyMatch(t -> t.state(ticked) != t.state(now))) rung.set(rung.get() + 1);
        ticked = now;
        second.set(now.getEpochSecond());
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

    /** Counts on whenever a timer has come to one of its ends. */
    public ReadOnlyLongProperty rungProperty() {
        return rung.getReadOnlyProperty();
    }

    private LocalDate today() {
        return LocalDate.ofInstant(clock.instant(), ZoneId.systemDefault());
    }

    /** Hazards against which nothing was put on today. */
    public Set<Hazard> unguarded(Set<Hazard> of) {
        return of.stream().filter(h -> !today().equals(guarded.get(h))).collect(Collectors.toSet());
    }

    public void guard(Set<Hazard> against) {
        against.forEach(h -> guarded.put(h, today()));
    }
}
