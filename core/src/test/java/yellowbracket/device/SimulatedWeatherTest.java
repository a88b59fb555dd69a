package yellowbracket.device;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDateTime;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.colour.SprayWeather;
import yellowbracket.shop.Catalogue;

/** The stand-in for a weather service: the same seed tells the same weather, and it is weather. */
class SimulatedWeatherTest {
    private static final LocalDateTime SPRING = LocalDateTime.of(2026, 4, 1, 0, 0);

    @Test
    void theSameSeedTellsTheSameHour() {
        var one = new SimulatedWeather(7);
        assertThat(new SimulatedWeather(7).at(SPRING.plusHours(5))).isEqualTo(one.at(SPRING.plusHours(5)));
        assertThat(new SimulatedWeather(8).at(SPRING.plusHours(5))).isNotEqualTo(one.at(SPRING.plusHours(5)));
        assertThat(one.at(SPRING.plusMinutes(59)).time()).as("an hour is told as a whole").isEqualTo(SPRING);
        assertThat(one.source()).contains("simulated", "7");
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 7, 11, 99})
    void aYearStaysWithinWhatIsPossible(long seed) {
        var feed = new SimulatedWeather(seed);
        for (int h = 0; h < 365 * 24; h += 3) {
            var w = feed.at(SPRING.plusHours(h));
            assertThat(w.celsius()).isBetween(-15.0, 40.0);
            assertThat(w.humidity()).isBetween(25.0, 99.0);
            assertThat(w.windMs()).isBetween(0.3, 12.0);
        }
    }

    @Test
    void afternoonsAreWarmerThanNightsAndSummersThanWinters() {
        var feed = new SimulatedWeather(3);
        double noon = mean(feed, 15, 90), night = mean(feed, 4, 90);
        assertThat(noon).isGreaterThan(night + 5);
        double july = LongStream.range(0, 31)
                .mapToDouble(d -> feed.at(LocalDateTime.of(2026, 7, 1, 12, 0).plusDays(d)).celsius())
                .average()
                .orElseThrow();
        double january = LongStream.range(0, 31)
                .mapToDouble(d -> feed.at(LocalDateTime.of(2026, 1, 1, 12, 0).plusDays(d)).celsius())
                .average()
                .orElseThrow();
        assertThat(july).isGreaterThan(january + 10);
    }

    private static double mean(SimulatedWeather feed, int hour, int days) {
        return LongStream.range(0, days).mapToDouble(d -> feed.at(SPRING.plusDays(d).withHour(hour)).celsius()).average().orElseThrow();
    }

    /** Over a year some hours are fit to spray and some are not: a plan that never waits, or always, would hide a fault. */
    @Test
    void someHoursAreFitToSprayAndSomeAreNot() {
        var feed = new SimulatedWeather(11);
        var paint = Catalogue.builtIn().coating("acrylic lacquer spray");
        int go = 0, no = 0;
        for (int h = 0; h < 365 * 24; h += 5) {
            switch (SprayWeather.judge(feed.at(SPRING.plusHours(h)), paint).verdict()) {
                case GO -> go++;
                case NO -> no++;
                default -> {}
            }
        }
        assertThat(go).isGreaterThan(100);
        assertThat(no).isGreaterThan(100);
    }
}
