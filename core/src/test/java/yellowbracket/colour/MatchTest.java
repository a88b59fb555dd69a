package yellowbracket.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.device.SimulatedColourReader;
import yellowbracket.shop.Lab;
import yellowbracket.shop.Paint;
import yellowbracket.shop.PaintCard;
import yellowbracket.shop.PaintShelf;
import yellowbracket.shop.Sheen;

class MatchTest {
    private static Paint paint(String name, String hex) {
        return new Paint(name, "brush acrylic", hex, Optional.empty(), Sheen.SATIN, OptionalDouble.empty(), 60);
    }

    @ParameterizedTest
    @ValueSource(strings = {"#000000", "#ffffff", "#1f5156", "#f2c200", "#a8742c", "#b3202a", "#7f7f7f"})
    void aColourComesBackFromLab(String hex) {
        assertThat(Lab.ofHex(hex).hex()).isEqualTo(hex);
    }

    @Test
    void theDriedSampleCountsNotTheLid() {
        var promising = paint("promising", "#1f5156").withDried(Optional.of(Lab.ofHex("#10383c")));
        var honest = paint("honest", "#235459");
        var found = Match.of(Lab.ofHex("#1f5156"), Sheen.SATIN, List.of(promising, honest));
        assertThat(found.getFirst().paint()).isEqualTo(honest);
        assertThat(found.getFirst().sure()).isFalse();
        assertThat(promising.lidOff()).isGreaterThan(5);
    }

    @Test
    void mixesEndAtTheirPaintsAndRunEvenlyBetween() {
        Lab a = Lab.ofHex("#f2f2ee"), b = Lab.ofHex("#1b1c1e");
        assertThat(Match.mixed(a, b, 0)).isEqualTo(a);
        assertThat(Match.mixed(a, b, 1)).isEqualTo(b);
        assertThat(Match.mixed(a, b, 1e-9).difference(a)).isLessThan(0.5);
        assertThat(Match.mixed(a, b, 1 - 1e-9).difference(b)).isLessThan(0.5);
        double before = a.l();
        for (double s = 0.02; s <= 1; s += 0.02) {
            double now = Match.mixed(a, b, s).l();
            assertThat(now).isLessThan(before);
            before = now;
        }
        assertThat(Match.mixed(a, b, 0.1).l()).as("a little black goes far").isLessThan(a.l() - 15);
        assertThatThrownBy(() -> Match.mixed(a, b, 1.2)).hasMessageContaining("0..1");
    }

    @Test
    void theNearestMixIsFoundAgain() {
        var r = new SplittableRandom(5);
        for (int i = 0; i < 40; i++) {
            var a = paint("a", String.format("#%06x", r.nextInt(1 << 24)));
            var b = paint("b", String.format("#%06x", r.nextInt(1 << 24)));
            double share = r.nextDouble();
            var wanted = Match.mixed(a.colour(), b.colour(), share);
            var mix = Match.mix(wanted, List.of(a, b), 40).orElseThrow();
            assertThat(mix.off()).isLessThan(0.4);
            for (double s = 0; s <= 1; s += 0.05)
                assertThat(mix.off()).isLessThanOrEqualTo(Match.mixed(a.colour(), b.colour(), s).difference(wanted) + 0.05);
        }
    }

    @Test
    void onlyPaintsOfOneKindAreMixed() {
        var spray = new Paint("c", "enamel spray", "#ffffff", Optional.empty(), Sheen.GLOSS, OptionalDouble.empty(), 400);
        assertThat(Match.mix(Lab.ofHex("#808080"), List.of(paint("a", "#000000"), spray), 20)).isEmpty();
        var mix = Match.mix(Lab.ofHex("#808080"), List.of(paint("a", "#000000"), spray, paint("b", "#ffffff")), 20).orElseThrow();
        assertThat(mix.ml(100, true) + mix.ml(100, false)).isCloseTo(150, within(1e-9));
        assertThat(mix.slipOff()).isPositive();
    }

    @Test
    void theReaderWantsItsTileAndIsAsGoodAsItsNoise() {
        var reader = new SimulatedColourReader(3);
        var truth = new Lab(52, 18, 31);
        reader.lay(truth);
        assertThat(reader.read()).isEmpty();
        reader.calibrate();
        assertThat(reader.mean(5).orElseThrow().difference(truth)).isLessThan(0.6);
        for (int i = 0; i < 95; i++) reader.read();
        assertThat(reader.calibrated()).as("after a hundred readings").isFalse();
    }

    @Test
    void paintsCheckWhatTheyHold() {
        assertThatThrownBy(() -> paint("x", "red")).hasMessageContaining("#1f5156");
        assertThatThrownBy(() -> paint("x", "#ffffff").withDried(Optional.of(new Lab(300, 0, 0)))).hasMessageContaining("L*");
        assertThatThrownBy(() -> paint("x", "#ffffff").withMl(-1)).hasMessageContaining("ml");
        var shelf = PaintShelf.EMPTY.with(paint("x", "#ffffff")).with(paint("x", "#000000"));
        assertThat(shelf.paints()).singleElement().satisfies(p -> assertThat(p.lidHex()).isEqualTo("#000000"));
        assertThat(shelf.without("x")).isEqualTo(PaintShelf.EMPTY);
        var card = new PaintCard(LocalDateTime.of(2026, 4, 1, 9, 0), List.of("enamel spray", "matt clear"), false, "wrinkled");
        assertThat(card.tried(List.of("enamel spray", "matt clear"))).isTrue();
        assertThat(card.tried(List.of("matt clear", "enamel spray"))).isFalse();
    }
}
