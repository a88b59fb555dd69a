package yellowbracket.device;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import java.time.LocalDateTime;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ForecastFileTest {
    private static final WeatherFeed BEHIND = new SimulatedWeather(1);

    private static LocalDateTime at(int hour) {
        return LocalDateTime.of(2026, 4, 1, hour, 0);
    }

    @Test
    void shortHolesAreReadBetweenLongOnesComeFromBehind() throws Exception {
        var f = ForecastFile.parse("f.csv",
                "\uFEFFtime,celsius,humidity,wind,sun\n2026-04-01T09:00,10,60,2,0.2\n\n# noon\n2026-04-01 12:00;16;48;4\n"
                        + "2026-04-01T22:00,5,90,1",
                BEHIND);
        assertThat(f.at(at(9).plusMinutes(40)).celsius()).isEqualTo(10);
        assertThat(f.at(at(10)).celsius()).isEqualTo(12);
        assertThat(f.at(at(11)).humidity()).isEqualTo(52);
        assertThat(f.tells(at(11))).isTrue();
        assertThat(f.tells(at(17))).as("ten hours between").isFalse();
        assertThat(f.at(at(17))).isEqualTo(BEHIND.at(at(17)));
        assertThat(f.source()).contains("3 hours");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"|no hours in it", "2026-04-01T09:00,10,60|line 1: time, celsius, humidity and wind are needed",
            "today,10,60,2|line 1: \"today\" is no time", "2026-04-01T09:00,10,160,2|humidity, % lies between 0 and 100, not \"160\"",
            "2026-04-01T09:00,warm,60,2|temperature, C lies between -60 and 60, not \"warm\"", "2026-04-01T09:00,10,60,2,7|sun, 0 to 1"})
    void brokenOnesSayWhereAndWhat(String text, String words) {
        assertThatThrownBy(() -> ForecastFile.parse("f.csv", text == null ? "" : text, BEHIND)).isInstanceOf(ForecastFile.Unreadable.class)
                .hasMessageContaining(words);
    }

    @Test
    void aFileThatIsNotThereIsToldToo() {
        assertThatThrownBy(() -> ForecastFile.read(Path.of("none.csv"), BEHIND)).isInstanceOf(ForecastFile.Unreadable.class)
                .hasMessageContaining("cannot be read");
    }
}
