package yellowbracket.size;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Vec3;

class KeyHeightTest {
    private static final Bounds3 BOX = Bounds3.of(-50, -50, -20, 50, 50, 180);

    @Test
    void heightsCountFromTheLowestPointAtEveryScale() {
        var own = List.of(new KeyPoint("raised hand", new Vec3(3, 4, 120)));
        var at = KeyHeight.of(BOX, own, Optional.empty(), 1.5);
        assertThat(at).extracting(KeyHeight::name).containsExactly("raised hand", "top");
        assertThat(at.getFirst().mm()).isCloseTo(210, within(1e-9));
        assertThat(at.getFirst().inch()).isCloseTo(210 / 25.4, within(1e-9));
        assertThat(at.getLast().mm()).isCloseTo(300, within(1e-9));
    }

    @Test
    void anyOfThemSetsTheScale() {
        var top = KeyHeight.of(BOX, List.of(), Optional.empty(), 1.3).getFirst();
        assertThat(KeyHeight.of(BOX, List.of(), Optional.empty(), top.scaleFor(1234)).getFirst().mm()).isCloseTo(1234, within(1e-9));
        var base = new KeyHeight("base", 0, 0, true);
        assertThatThrownBy(() -> base.scaleFor(100)).hasMessageContaining("base is the lowest point");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"1.4 | 1.4 times, 140 % of the file, 40 % larger",
            "0.8 | 0.8 times, 80 % of the file, 20 % smaller", "1 | as large as in the file",
            "1.025 | 1.025 times, 102.5 % of the file, 2.5 % larger", "2.5 | 2.5 times, 250 % of the file, 150 % larger"})
    void theFactorIsToldInEveryWayPeopleSayIt(double scale, String words) {
        assertThat(KeyHeight.factor(scale)).isEqualTo(words);
    }
}
