package yellowbracket.shop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Heads that cannot be, hours that are learned. */
class MeasuresTest {
    @ParameterizedTest
    @ValueSource(doubles = {480, 548, 575, 610, 650})
    void aHeadInMeanProportionsIsPlausible(double circumference) {
        var h = HeadMeasures.ofCircumference(circumference);
        assertThat(h.check()).isEmpty();
        assertThat(h.ovalPerimeter(2)).as("its oval goes round it, about").isCloseTo(circumference, within(0.06 * circumference));
        var filled = h.filled();
        assertThat(filled.assumed()).containsExactly("height", "face width", "neck", "pupil distance");
        assertThat(filled.neckMm()).isLessThan(circumference);
        assertThat(filled.faceWidthMm()).isLessThan(h.breadthMm());
    }

    @ParameterizedTest
    @CsvSource({"22.6,inches,574", "57.5,centimetres,575"})
    void aSlipOfTheUnitIsSeen(double circumference, String unit, String mm) {
        assertThat(HeadMeasures.of(circumference, 195, 153).check()).singleElement()
                .satisfies(i -> assertThat(i.sentence()).contains("this looks like " + unit, "enter " + mm + " mm"));
    }

    @Test
    void measuresThatContradictEachOtherAreTold() {
        assertThat(HeadMeasures.of(500, 220, 180).check()).singleElement()
                .satisfies(i -> assertThat(i.what()).contains("does not go round a head 220 long and 180 wide"));
        var odd = new HeadMeasures(575, 195, 153, Optional.of(30.0), Optional.of(400.0), Optional.of(10.0), Optional.of(63.0));
        assertThat(odd.check()).extracting(HeadMeasures.Implausible::measure).containsExactly("height", "face width", "neck");
        var told = new HeadMeasures(575, 195, 153, Optional.of(224.0), Optional.empty(), Optional.of(362.0), Optional.of(63.0)).filled();
        assertThat(told.assumed()).containsExactly("face width");
        assertThat(told.heightMm()).isEqualTo(224);
    }

    /** An oval of two equal axes and power 2 is a circle; power up, and it grows towards the square around it. */
    @Test
    void theOvalsPerimeterLiesBetweenTheCircleAndTheSquare() {
        var round = HeadMeasures.of(500, 160, 160);
        assertThat(round.ovalPerimeter(2)).isCloseTo(Math.PI * 160, within(0.05));
        assertThat(round.ovalPerimeter(3)).isBetween(Math.PI * 160, 4 * 160.0);
        assertThat(round.ovalPerimeter(8)).isBetween(round.ovalPerimeter(3), 640.0);
    }

    @Test
    void aRateStartsAtTheCataloguesAndComesToBeOnesOwn() {
        var r = Rate.UNKNOWN;
        assertThat(r.source()).isEqualTo("catalogue");
        double before = 1;
        for (int i = 0; i < 40; i++) {
            r = r.with(3, 2);
            assertThat(r.factor()).isGreaterThan(before).isLessThan(1.5);
            before = r.factor();
        }
        assertThat(r.factor()).isCloseTo(1.5, within(0.05));
        assertThat(r.share()).isGreaterThan(0.9);
        assertThat(r.spread()).isLessThan(Rate.UNKNOWN.spread());
        assertThat(Rate.UNKNOWN.spreadOf(1)).isEqualTo(Rate.UNKNOWN.spread());
        assertThat(Rate.UNKNOWN.spreadOf(1_000_000)).as("what jobs share does not even out")
                .isCloseTo(Rate.JOB_SPREAD / Math.sqrt(Rate.PRIOR_JOBS), within(1e-5));
        assertThat(r.spreadOf(8)).isLessThan(Rate.UNKNOWN.spreadOf(8));
        assertThat(r.source()).contains("40 jobs of yours, 93 %");
        var half = Rate.UNKNOWN.with(3, 2);
        assertThat(half.and(half)).isEqualTo(half.with(3, 2));
        assertThatThrownBy(() -> Rate.UNKNOWN.with(0, 2)).hasMessageContaining("above 0");
    }

    @Test
    void profilesByIntentDoWhatTheirNamesSay() {
        var shop = Catalogue.builtIn();
        assertThat(shop.profile("crisp").layerMm()).isLessThan(shop.profile("usual").layerMm());
        assertThat(shop.profile("fast, filling to come").layerMm()).isGreaterThan(shop.profile("usual").layerMm());
        assertThat(shop.profile("solid to sand hard").wallMm()).isGreaterThan(1.9 * shop.profile("usual").wallMm());
        assertThat(shop.profiles().stream().filter(p -> p.process() == Process.RESIN)).hasSize(2)
                .allSatisfy(p -> assertThat(shop.material(p.material()).fumes()).isTrue());
        assertThat(shop.materials()).allSatisfy(m -> {
            assertThat(m.warp()).as(m.name()).isBetween(0.0, 1.0);
            assertThat(m.softensC()).isBetween(50.0, 110.0);
        });
        assertThat(shop.printers()).allSatisfy(p -> assertThat(p.tag()).doesNotContain(" "));
        assertThat(shop.profile("usual").withName("mine").name()).isEqualTo("mine");
    }
}
