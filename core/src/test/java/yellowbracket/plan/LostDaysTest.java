package yellowbracket.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

class LostDaysTest {
    private static final LostDays USUAL = new LostDays(0.03, 0.35);

    @Test
    void eachDayIsLostWithItsOwnShareAndNeverToday() {
        int runs = 20_000, days = 20;
        var count = new int[days];
        var random = new SplittableRandom(5);
        for (int i = 0; i < runs; i++) USUAL.drawn(days, random).stream().forEach(d -> count[d]++);
        assertThat(count[0]).isZero();
        for (int d = 1; d < days; d++) assertThat((double) count[d] / runs).as("day %d", d).isCloseTo(USUAL.share(d), within(0.012));
        assertThat(USUAL.share(4)).isEqualTo(0.12);
        assertThat(USUAL.share(19)).isEqualTo(0.35);
    }

    @Test
    void aBadDayIsRatherFollowedByAnother() {
        var random = new SplittableRandom(6);
        int bad = 0, both = 0;
        for (int i = 0; i < 4_000; i++) {
            var lost = USUAL.drawn(40, random);
            for (int d = 15; d < 39; d++) if (lost.get(d)) {
                bad++;
                if (lost.get(d + 1)) both++;
            }
        }
        assertThat((double) both / bad).as("0.35 if days knew nothing of each other").isBetween(0.5, 0.65);
    }

    @Test
    void nothingIsLostWhereNothingIsKnown() {
        assertThat(LostDays.NONE.drawn(40, new SplittableRandom(1)).isEmpty()).isTrue();
        assertThatThrownBy(() -> new LostDays(0.1, 1)).hasMessageContaining("below 1");
    }
}
