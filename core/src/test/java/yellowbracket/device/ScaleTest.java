package yellowbracket.device;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ScaleTest {
    /** Reads ten times a second until it has settled. @return seconds it took, and what it settled on */
    private static double[] settle(SimulatedScale scale, Steady steady, double from) {
        for (double t = from; t < from + 20; t += 0.1) {
            scale.advance(0.1);
            OptionalDouble on = steady.feed(t, scale.shown());
            if (on.isPresent()) return new double[] {t - from, on.getAsDouble()};
        }
        throw new AssertionError("it never settled");
    }

    @ParameterizedTest
    @CsvSource({"1,83.4,1", "0.1,83.4,2", "0.01,2.37,3", "5,240,4"})
    void itSettlesOnWhatLiesOnIt(double step, double grams, long seed) {
        var scale = new SimulatedScale(step, seed);
        var steady = new Steady(step);
        scale.put(grams);
        assertThat(scale.shown()).as("it overshoots").isGreaterThan(grams);
        var on = settle(scale, steady, 0);
        assertThat(on[1]).isCloseTo(grams, within(1.6 * step));
        assertThat(on[0]).as("not while it swings").isGreaterThan(1);
    }

    @Test
    void aCupIsTaredAndHardenerIsAddedToWhatIsInIt() {
        var scale = new SimulatedScale(0.1, 9);
        var steady = new Steady(0.1);
        scale.put(12);
        settle(scale, steady, 0);
        scale.tare();
        scale.put(80);
        double base = settle(scale, steady, 30)[1];
        assertThat(base).isCloseTo(80, within(0.3));
        scale.put(1.6);
        assertThat(settle(scale, steady, 60)[1] - base).isCloseTo(1.6, within(0.3));
        assertThat(scale.stepG()).isEqualTo(0.1);
        scale.clear();
        scale.put(40);
        assertThat(settle(scale, steady, 90)[1]).as("another batch from nothing").isCloseTo(40, within(0.3));
        scale.put(-500);
        assertThat(settle(scale, steady, 120)[1]).as("no less than nothing lies on it").isCloseTo(0, within(0.3));
    }

    @Test
    void oneThatIsPouredOnDoesNotSettle() {
        var scale = new SimulatedScale(0.1, 5);
        var steady = new Steady(0.1);
        for (double t = 0; t < 10; t += 0.1) {
            scale.put(0.4);
            scale.advance(0.1);
            assertThat(steady.feed(t, scale.shown())).isEmpty();
        }
        assertThatThrownBy(() -> new SimulatedScale(0, 1)).hasMessageContaining("above 0");
    }
}
