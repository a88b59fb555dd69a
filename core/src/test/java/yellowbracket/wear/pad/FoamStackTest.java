package yellowbracket.wear.pad;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Foam;

class FoamStackTest {
    private static final Foam SOFT = new Foam("soft", List.of(10.0, 20.0), 3, 2, 4),
            HARD = new Foam("hard", List.of(5.0, 10.0), 60, 40, 80);

    @Test
    void aQuarterPressedPushesAsTheLabelSays() {
        assertThat(SOFT.pressureKpa(0.25)).isCloseTo(3, within(1e-12));
        assertThat(FoamStack.of(SOFT, List.of(20.0)).pressureKpa(15)).isCloseTo(3, within(1e-9));
        assertThat(SOFT.pressureKpa(0)).isZero();
        assertThat(FoamStack.of(SOFT, List.of(20.0)).pressureKpa(21)).isZero();
    }

    @Test
    void theCurveTheOtherWayRound() {
        for (double e = 0.01; e < 0.95; e += 0.02) assertThat(HARD.pressed(HARD.pressureKpa(e))).isCloseTo(e, within(1e-9));
        assertThat(HARD.pressed(0)).isZero();
    }

    @Test
    void itGetsHarderTheMoreItIsPressed() {
        for (var f : Catalogue.builtIn().foams())
            for (double e = 0.02; e < 0.9; e += 0.02) assertThat(f.pressureKpa(e)).isGreaterThan(f.pressureKpa(e - 0.02));
    }

    @Test
    void onePressureGoesThroughAllLayers() {
        var random = new Random(3);
        for (int i = 0; i < 40; i++) {
            var s = new FoamStack(List.of(new FoamStack.Layer(SOFT, 10 + 10 * random.nextDouble()),
                    new FoamStack.Layer(HARD, 5 + 5 * random.nextDouble())));
            double gap = s.freeMm() * (0.4 + 0.55 * random.nextDouble()), p = s.pressureKpa(gap);
            double thick = s.layers().stream().mapToDouble(l -> l.mm() * (1 - l.foam().pressed(p))).sum();
            assertThat(thick).isCloseTo(gap, within(0.01));
        }
    }
}
