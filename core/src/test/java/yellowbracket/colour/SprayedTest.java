package yellowbracket.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class SprayedTest {
    private static final LocalDateTime DAY = LocalDateTime.of(2026, 5, 2, 0, 0);

    private static ColourPlan.Coats coats(List<Integer> zones, int masked) {
        var masks = masked < 0 ? List.<ColourPlan.Masked>of() : List.of(new ColourPlan.Masked(masked, "z", 1, 1, 5, Map.of()));
        return new ColourPlan.Coats("z", zones, "p", "#000000", 2, new ColourPlan.Range(2, 2), 1, 1, 1, 1, 1, 0, 1, 1, 1, 1, 1, 1, true,
                masks);
    }

    private static ColourPlan plan(ColourPlan.Coats... coats) {
        return new ColourPlan(List.of(), new Undercoats(List.of(), 0), List.of(), Map.of(),
                new yellowbracket.colour.order.Ordered(List.of(), 0, 0, 0, 0, true), false, List.of(coats), List.of());
    }

    private static Sprayed.Times at(double from, double to) {
        return new Sprayed.Times(DAY.plusMinutes((long) (60 * from)), DAY.plusMinutes((long) (60 * to)));
    }

    @Test
    void whatLayBeneathAndWhenTapeCameOnIsReadFromTheTimes() {
        var plan = plan(coats(List.of(0, 1), -1), coats(List.of(0), -1), coats(List.of(1), 0));
        var done = Sprayed.of(Map.of(1, at(8, 9), 2, at(11.5, 12), 3, at(13, 14)), plan);
        assertThat(done).extracting(Sprayed::step).containsExactly(3, 2, 1);
        var second = done.get(1);
        assertThat(second.sinceBelowH()).isCloseTo(2.5, within(1e-9));
        assertThat(second.tapedH()).as("masked for the third").isCloseTo(1, within(1e-9));
        assertThat(done.getFirst().sinceBelowH()).as("on the first, not on the second").isCloseTo(4, within(1e-9));
        assertThat(done.getLast().below()).isEmpty();
        assertThat(done.getFirst().tapedH()).as("nothing was masked after it").isNaN();
    }

    @Test
    void whatTheLogDoesNotTellIsNotMadeUp() {
        var plan = plan(coats(List.of(0), -1), coats(List.of(0), -1));
        var done = Sprayed.of(Map.of(2, at(10, 11), 9, at(1, 2)), plan);
        assertThat(done).singleElement().satisfies(s -> assertThat(s.sinceBelowH()).isNaN());
    }
}
