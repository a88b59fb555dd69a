package yellowbracket.smooth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import yellowbracket.shop.Catalogue;

class UvCureTest {
    private static final Catalogue SHOP = Catalogue.builtIn();
    private static final LocalDate JUNE = LocalDate.of(2026, 6, 21), DECEMBER = LocalDate.of(2026, 12, 21);

    private static UvCure cure(String lamp, double dm2, LocalDate day, UvCure.Sky sky) {
        return UvCure.of(SHOP.coating("brush-on UV resin"), SHOP.lamp(lamp), dm2, day, sky, SHOP);
    }

    /** 1500 mJ/cm2 at 20 mW/cm2 are 75 s a spot. */
    @Test
    void minutesAreDoseOverIrradianceSpotBySpot() {
        var lamp = SHOP.lamp("hand lamp 405 nm");
        var c = cure(lamp.name(), 8, JUNE, UvCure.Sky.CLEAR);
        assertThat(c.minutesASpot()).isCloseTo(1500 / 20.0 / 60, within(1e-9));
        assertThat(c.spots()).isEqualTo((int) Math.ceil(8 / lamp.spotDm2()));
        assertThat(c.minutes()).isGreaterThanOrEqualTo(c.spots() * c.minutesASpot());
        assertThat(cure(lamp.name(), 16, JUNE, UvCure.Sky.CLEAR).minutes()).isGreaterThan(1.9 * c.minutes());
        assertThat(c.care()).anyMatch(s -> s.contains("isopropanol"))
                .anyMatch(s -> s.contains("harden leftovers"))
                .anyMatch(s -> s.contains("glasses"));
    }

    @Test
    void aLampOfAnotherWavelengthIsRefused() {
        var c = cure("blue work lamp 450 nm", 8, JUNE, UvCure.Sky.CLEAR);
        assertThat(c.refused()).contains("365 to 405 nm", "450 nm", "another lamp");
        var way = new Ladder.Way(Finish.SATIN, School.UV_RESIN_FIRST, Ladder.Weights.LEAST_WORK,
                Means.USUAL.withLamp("blue work lamp 450 nm"), java.util.Set.of());
        var area = new Areas.Area(Areas.Shape.FLAT, Areas.Lines.STEPS, Target.SHOW, "", 2e5, 120, 150, 1.3);
        var plan = SmoothPlan.of(new Areas(java.util.List.of(area), 0, 0, 0), SmoothPlan.Seams.NONE,
                new SmoothPlan.Asked(new Ladders(way, SHOP), 20, "PLA"), SHOP);
        assertThat(plan.findings()).anyMatch(f -> f.words().contains("450 nm") && f.words().contains("planned without"));
        assertThat(plan.work()).noneMatch(w -> w.step().product().contains("resin"));
        assertThatThrownBy(() -> UvCure.of(SHOP.coating("filler primer"), SHOP.lamp("sun"), 1, JUNE, UvCure.Sky.CLEAR, SHOP))
                .hasMessageContaining("not hardened by light");
    }

    /** At 50 degrees north the noon sun stands 63 degrees high in June, 17 in December. */
    @Test
    void theSunTakesLongerInWinterAndUnderCloud() {
        var june = cure("sun", 8, JUNE, UvCure.Sky.CLEAR);
        assertThat(june.sides()).isEqualTo(6);
        assertThat(june.minutesASpot()).isCloseTo(1500 / 4.0 / 60, within(0.01));
        assertThat(cure("sun", 8, DECEMBER, UvCure.Sky.CLEAR).minutesASpot()).isGreaterThan(4 * june.minutesASpot());
        assertThat(cure("sun", 8, JUNE, UvCure.Sky.OVERCAST).minutesASpot()).isCloseTo(4 * june.minutesASpot(), within(1e-6));
        assertThat(UvCure.sun(LocalDate.of(2026, 3, 21))).isBetween(UvCure.sun(DECEMBER), UvCure.sun(JUNE));
        assertThat(cure("curing box 405 nm", 8, JUNE, UvCure.Sky.CLEAR).minutes()).as("a box does a side at a time")
                .isCloseTo(6 * 1500 / 4.0 / 60 + 5 * 0.5, within(1e-6));
    }
}
