package yellowbracket.desktop.station.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalTime;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Hours as people write them. */
class HoursPartTest {
    private static List<List<LocalTime>> read(String text) {
        return HoursPart.parse(text).orElseThrow().stream().map(List::of).toList();
    }

    @Test
    void spansAreReadAsPeopleWriteThem() {
        var evening = List.of(LocalTime.of(18, 30), LocalTime.of(22, 0));
        assertThat(read("18:30-22:00")).containsExactly(evening);
        assertThat(read(" 18:30 to 22 ")).containsExactly(evening);
        assertThat(read("9-12, 14-18")).containsExactly(List.of(LocalTime.of(9, 0), LocalTime.of(12, 0)),
                List.of(LocalTime.of(14, 0), LocalTime.of(18, 0)));
        assertThat(read("20-24")).containsExactly(List.of(LocalTime.of(20, 0), LocalTime.of(23, 59)));
        assertThat(read("")).as("a day off").isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"22-18", "9", "9-12-14", "25-26", "9:75-10", "evening", "9-12, 11-14", "-", "9.30-12"})
    void whatIsNoSpanIsRefused(String text) {
        assertThat(HoursPart.parse(text)).isEmpty();
    }
}
