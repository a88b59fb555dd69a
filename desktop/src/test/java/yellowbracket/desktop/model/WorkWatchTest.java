package yellowbracket.desktop.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.junit.jupiter.api.Test;
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
}
