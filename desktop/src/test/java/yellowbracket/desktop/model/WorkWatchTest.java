package yellowbracket.desktop.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Set;
import org.junit.jupiter.api.Test;
import yellowbracket.work.Hazard;
import yellowbracket.work.TaskId;

class WorkWatchTest {
    private static final TaskId FILL = TaskId.of("smooth:helm:1"), SAND = TaskId.of("smooth:helm:2");

    /** Stands where it is put. */
    private static final class Hands extends Clock {
        private Instant at = Instant.parse("2026-03-29T00:30:00Z");

        @Override
        public ZoneId getZone() {
            return ZoneOffset.UTC;
        }

        @Override
        public Clock withZone(ZoneId zone) {
            return this;
        }

        @Override
        public Instant instant() {
            return at;
        }

        void pass(int minutes) {
            at = at.plusSeconds(60L * minutes);
        }
    }

    private final Hands hands = new Hands();
    private final WorkWatch watch = new WorkWatch(hands);

    @Test
    void pausesDoNotCountAndOneIsWorkedOnAtATime() {
        watch.start(FILL);
        hands.pass(20);
        watch.pause();
        hands.pass(60);
        watch.start(FILL);
        hands.pass(5);
        watch.start(SAND);
        hands.pass(7);

        assertThat(watch.worked(FILL)).isEqualTo(Duration.ofMinutes(25));
        assertThat(watch.worked(SAND)).isEqualTo(Duration.ofMinutes(7));
        assertThat(watch.runs(FILL)).isFalse();
        assertThat(watch.take(SAND)).isEqualTo(Duration.ofMinutes(7));
        assertThat(watch.worked(SAND)).isZero();
        assertThat(watch.runs(SAND)).isFalse();
    }

    @Test
    void startedTwiceItGoesOn() {
        watch.start(FILL);
        hands.pass(3);
        watch.start(FILL);
        hands.pass(3);
        assertThat(watch.worked(FILL)).isEqualTo(Duration.ofMinutes(6));
    }

    @Test
    void aClockSetBackCountsAsNoTime() {
        watch.start(FILL);
        hands.pass(10);
        watch.pause();
        watch.start(FILL);
        hands.pass(-90);
        assertThat(watch.worked(FILL)).isEqualTo(Duration.ofMinutes(10));
        watch.pause();
        assertThat(watch.worked(FILL)).isEqualTo(Duration.ofMinutes(10));
    }

    @Test
    void theChangeToSummerTimeIsNoWork() {
        watch.start(FILL); // 0:30 UTC; at 1:00 UTC clocks in Europe go from 2 to 3
        hands.pass(60);
        assertThat(watch.worked(FILL)).isEqualTo(Duration.ofMinutes(60));
    }

    @Test
    void killedItGoesOnWhereItWas() {
        watch.start(FILL);
        hands.pass(20);
        watch.start(SAND, true);
        hands.pass(5);
        var kept = watch.keep();
        hands.pass(10);
        var again = new WorkWatch(hands);
        again.resume(kept);
        assertThat(again.worked(FILL)).isEqualTo(Duration.ofMinutes(20));
        assertThat(again.runs(SAND)).as("one sanded on meanwhile").isTrue();
        assertThat(again.worked(SAND)).isEqualTo(Duration.ofMinutes(15));
        hands.pass(600);
        var nextDay = new WorkWatch(hands);
        nextDay.resume(kept);
        assertThat(nextDay.runs(SAND)).as("gone for hours").isFalse();
        assertThat(nextDay.worked(SAND)).as("until it was last seen").isEqualTo(Duration.ofMinutes(5));
    }

    @Test
    void anHourOfDustAsksForABreak() {
        var pause = Duration.ofMinutes(10);
        watch.start(SAND, true);
        hands.pass(40);
        watch.start(FILL, false);
        hands.pass(5);
        watch.start(SAND, true);
        hands.pass(20);
        assertThat(watch.tired(pause)).as("five minutes of filler are no break").isEqualTo(Duration.ofMinutes(60));
        watch.pause();
        hands.pass(10);
        assertThat(watch.tired(pause)).isZero();
        watch.start(SAND, true);
        hands.pass(3);
        assertThat(watch.tired(pause)).isEqualTo(Duration.ofMinutes(3));
    }

    /** Not before and not after: a film that may be sprayed over between twenty minutes and an hour. */
    @Test
    void aTimerHasTwoEnds() {
        var timers = new Timers(hands);
        timers.start("coat", 20, 60);
        var t = timers.running().getFirst();
        assertThat(t.words(hands.instant())).isEqualTo("20:00 \u00b7 coat");
        assertThat(t.state(hands.instant())).isEqualTo(Timers.State.WAIT);
        hands.pass(20);
        assertThat(t.state(hands.instant())).as("on the minute").isEqualTo(Timers.State.READY);
        timers.tick();
        assertThat(timers.rungProperty().get()).isEqualTo(1);
        assertThat(t.words(hands.instant())).isEqualTo("open for 40:00 \u00b7 coat");
        hands.pass(31);
        timers.tick();
        assertThat(timers.rungProperty().get()).as("it closes soon").isEqualTo(2);
        hands.pass(9);
        assertThat(t.state(hands.instant())).as("on the minute").isEqualTo(Timers.State.CLOSED);
        timers.tick();
        timers.tick();
        assertThat(timers.rungProperty().get()).as("once").isEqualTo(3);
        hands.pass(2);
        assertThat(t.words(hands.instant())).isEqualTo("closed 02:00 ago \u00b7 coat");
    }

    /** The hour that is left out at night on 29 March is no minute of drying. */
    @Test
    void summerTimeMovesNoTimer() {
        var timers = new Timers(hands);
        timers.start("cure", 90);
        hands.pass(89);
        assertThat(timers.running().getFirst().state(hands.instant())).isEqualTo(Timers.State.WAIT);
        hands.pass(1);
        assertThat(timers.running().getFirst().state(hands.instant())).isEqualTo(Timers.State.READY);
    }

    @Test
    void gearIsAskedForOnceForEachHazardAndDay() {
        var timers = new Timers(hands);
        var both = Set.of(Hazard.DUST, Hazard.SPRAY_MIST);
        assertThat(timers.unguarded(both)).isEqualTo(both);
        timers.guard(Set.of(Hazard.DUST));
        assertThat(timers.unguarded(both)).containsExactly(Hazard.SPRAY_MIST);
        hands.pass(24 * 60);
        assertThat(timers.unguarded(both)).as("on the next day again").isEqualTo(both);
    }
}
