package yellowbracket.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDateTime;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Coating;

class SprayHoursTest {
    private static final Coating LACQUER = Catalogue.builtIn().coating("acrylic lacquer spray");
    private static final LocalDateTime NOW = LocalDateTime.of(2026, 4, 1, 7, 20);

    private static SprayWeather.Hour hour(LocalDateTime t, boolean good) {
        return new SprayWeather.Hour(t, good ? 20 : 3, good ? 50 : 95, 1);
    }

    @Test
    void aForecastWithOneGoodHourFindsIt() {
        var only = LocalDateTime.of(2026, 4, 3, 14, 0);
        var hours = SprayHours.of(t -> hour(t, t.equals(only)), LACQUER, NOW, 5);
        assertThat(hours.windows()).containsExactly(new SprayHours.Window(only, only.plusHours(1), 0));
        assertThat(hours.next(1)).hasValueSatisfying(w -> assertThat(w.from()).isEqualTo(only));
        assertThat(hours.next(1.5)).isEmpty();
    }

    @Test
    void nobodySpraysByNight() {
        var hours = SprayHours.of(t -> hour(t, true), LACQUER, NOW, 2);
        assertThat(hours.windows()).allSatisfy(w -> assertThat(w.from().getHour()).isGreaterThanOrEqualTo(7));
        assertThat(hours.windows().getFirst().hours()).isEqualTo(14);
    }

    @Test
    void goodHoursGoBeforeHoursThatAskForCare() {
        var hours = SprayHours.of(t -> new SprayWeather.Hour(t, t.getHour() < 11 ? 11 : t.getHour() == 11 ? 0 : 20, 50, 1), LACQUER, NOW,
                1);
        assertThat(hours.next(2).orElseThrow().from().getHour()).isEqualTo(12);
        assertThat(hours.best(1).getFirst().care()).isZero();
    }

    /** Table values of dew point for temperature and relative humidity, C. */
    @ParameterizedTest
    @CsvSource({"30,80,26.2", "25,60,16.7", "20,90,18.3", "20,50,9.3", "15,40,1.5", "10,70,4.8", "5,95,4.3"})
    void dewPointsOfTheTables(double c, double rh, double dew) {
        assertThat(new SprayWeather.Hour(NOW, c, rh, 0).dewPoint()).isCloseTo(dew, within(0.1));
    }

    @Test
    void aPartFromAColdCarTakesOnWater() {
        var mild = new SprayWeather.Hour(NOW, 20, 60, 1);
        assertThat(SprayWeather.judge(mild, LACQUER).verdict()).isEqualTo(SprayWeather.Verdict.GO);
        assertThat(SprayWeather.judge(mild, LACQUER, 5).words()).contains("dew point").contains("5 C");
        assertThat(SprayWeather.judge(mild, LACQUER, 45).words()).contains("cool in the shade");
        assertThat(SprayWeather.judge(new SprayWeather.Hour(NOW, 20, 50, 1, 0.9), LACQUER).words()).contains("sun");
    }

    @Test
    void aPartComesToTheAirAsNewtonSays() {
        assertThat(PartWarmth.after(5, 20, 0)).isEqualTo(5);
        assertThat(PartWarmth.after(5, 20, PartWarmth.TAU_H)).isCloseTo(20 - 15 / Math.E, within(1e-9));
        double h = PartWarmth.hoursUntil(5, 20, 3);
        assertThat(PartWarmth.after(5, 20, h)).isCloseTo(17, within(1e-9));
        assertThat(PartWarmth.hoursUntil(19, 20, 3)).isZero();
        assertThat(PartWarmth.inSun(20, 1, 0)).isGreaterThan(PartWarmth.inSun(20, 1, 100));
    }

    @ParameterizedTest
    @EnumSource
    void everyDefectHasACauseAndARepair(Defect d) {
        var film = new Defect.Paint(false, false, 12, 28, 4, 24);
        var enamel = new Defect.Paint(true, false, 12, 28, 36, 72);
        var causes = d.causes(new Defect.Done(20, 50, 20, 9, 0, film, enamel, 10, 2));
        assertThat(causes).isNotEmpty().allSatisfy(c -> {
            assertThat(c.words()).isNotBlank();
            assertThat(c.repair()).isNotBlank();
        });
        assertThat(causes).isSortedAccordingTo((a, b) -> Double.compare(b.weight(), a.weight()));
    }

    @Test
    void causesFollowWhatWasDone() {
        var film = new Defect.Paint(false, false, 12, 28, 4, 24);
        var enamel = new Defect.Paint(true, false, 12, 28, 36, 72);
        assertThat(Defect.WRINKLES.causes(new Defect.Done(20, 50, 20, 9, 0, film, enamel, 10, Double.NaN)).getFirst().words())
                .contains("enamel");
        assertThat(Defect.BUBBLES.causes(new Defect.Done(33, 40, 40, 18, 0.9, film, film, 10, Double.NaN)).getFirst().words())
                .contains("hot");
        assertThat(Defect.DULL.causes(new Defect.Done(20, 92, 19, 18.6, 0, film, film, 10, Double.NaN)).getFirst().words())
                .contains("damp");
        assertThat(Defect.LIFTED.causes(new Defect.Done(20, 50, 20, 9, 0, film, film, 10, 1)).getFirst().words())
                .contains("before it bore");
    }
}
