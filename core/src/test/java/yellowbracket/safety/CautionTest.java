package yellowbracket.safety;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowbracket.plan.Station;
import yellowbracket.plan.Task;

/** Work that can hurt somebody carries its caution; work that cannot does not cry wolf. */
class CautionTest {
    private static Task task(Station station, Task.Resource resource, String name) {
        return new Task("t", station, "p", name, 1, 0, 0, 0, resource, "", true, List.of(), "x", 0.2, 0, "test");
    }

    @ParameterizedTest
    @CsvSource({"PRINT,PRINTER,print A,HEAT", "PRINT,PERSON,take support off A,BLADES", "JOIN,PERSON,'dry fit, number, scuff P80',DUST",
            "JOIN,PERSON,join A and B,ADHESIVE", "SMOOTH,SPRAY,filler primer,SPRAY", "SMOOTH,PERSON,sand P240 wet,DUST",
            "SMOOTH,PERSON,brush-on resin,RESIN", "SMOOTH,PERSON,fill and blend the seams,FILLER", "COLOUR,SPRAY,2 coats base,SPRAY",
            "WEAR,PERSON,'walk test: stairs, floor',WEARING", "WEAR,PERSON,cut and fit pads,BLADES"})
    void eachKindOfWorkHasItsOwn(Station station, Task.Resource resource, String name, Caution expected) {
        assertThat(Caution.of(task(station, resource, name))).contains(expected);
    }

    @Test
    void measuringAndCuttingOnTheScreenNeedNone() {
        for (var s : EnumSet.of(Station.SIZE, Station.CUT)) assertThat(Caution.of(task(s, Task.Resource.PERSON, "check"))).isEmpty();
    }

    @Test
    void everyCautionNamesTheHazardAndTheGear() {
        for (var c : Caution.values()) {
            assertThat(c.hazard()).as(c.name()).isNotBlank().isLowerCase();
            assertThat(c.gear()).as(c.name()).isNotBlank();
        }
        assertThat(Caution.DEFER).contains("safety sheet", "local rules", "licensed practice");
    }
}
