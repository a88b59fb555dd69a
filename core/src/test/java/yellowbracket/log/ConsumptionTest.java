package yellowbracket.log;

import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import yellowbracket.plan.PropWork;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Rate;
import yellowbracket.work.Known;
import yellowbracket.work.Need;
import yellowbracket.work.TaskId;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

/** How much this maker uses of a product. */
class ConsumptionTest {
    private static final LocalDateTime AT = LocalDateTime.of(2026, 3, 20, 18, 0);
    private static final Catalogue SHOP = Catalogue.builtIn();
    private static final TaskId PRIMED = TaskId.of("smooth:p:2"), SEALED = TaskId.of("colour:p:1");
    private static final List<PropWork.Consumed> PLANNED = List.of(new PropWork.Consumed(new Need("filler primer", 200, "ml"), PRIMED),
            new PropWork.Consumed(new Need("matt clear", 1, "cans"), SEALED));

    private static Entry entry(String line) {
        return Entry.parse(AT, line, Known.NAMES).orElseThrow();
    }

    private static Map<String, Rate> learn(String... lines) {
        return Consumption.learn(java.util.Arrays.stream(lines).map(ConsumptionTest::entry).toList(), Set.of(PRIMED, SEALED), PLANNED, SHOP,
                Map.of());
    }

    @Test
    void aLineMayNameTheTaskItWasUsedFor() {
        var e = entry("used 120 ml filler primer for smooth:p:2 #loft");
        assertThat(e.kind()).isEqualTo(Entry.Kind.USED);
        assertThat(e.task()).contains(PRIMED);
        assertThat(e.used()).contains(new Need("filler primer", 120, "ml"));
        var other = entry("used 20 g glue for the crest");
        assertThat(other.task()).isEmpty();
        assertThat(other.used().orElseThrow().product()).as("no task: it is part of the name").isEqualTo("glue for the crest");
    }

    @Test
    void moreThanPlannedTeachesToPlanForMore() {
        var rates = learn("used 300 ml filler primer for smooth:p:2");
        assertThat(Consumption.of(rates, "filler primer").factor()).isCloseTo(Rate.UNKNOWN.with(300, 200).factor(), within(1e-9));
        assertThat(Consumption.yours(new Need("filler primer", 100, "ml"), rates).amount()).isBetween(105.0, 140.0);
        assertThat(Consumption.yours(new Need("matt clear", 1, "cans"), rates).amount()).isEqualTo(1);
        assertThat(Consumption.all(rates)).containsOnlyKeys("filler primer");
        assertThat(new Rates(rates).rows()).as("it is no rate of work").isEmpty();
    }

    @Test
    void whatIsUsedInTwoGoesOrInCansIsAddedUp() {
        double two = Consumption
                .of(learn("used 100 ml filler primer for smooth:p:2", "used 0.5 cans filler primer for smooth:p:2"), "filler primer")
                .sumLog();
        assertThat(two).as("100 ml and half a can of 400 ml").isCloseTo(Math.log(300 / 200.0), within(1e-9));
        double byWeight = Consumption.of(learn("used 380 g matt clear for colour:p:1"), "matt clear").sumLog();
        assertThat(byWeight).as("a can of 400 ml at 0.95 g/ml").isCloseTo(0, within(1e-9));
    }

    /** A paint is called by its product and its shade; what it covers goes by the product. */
    @Test
    void allShadesOfAPaintTeachTheSame() {
        var e = entry("used 0.9 cans acrylic lacquer spray #1f5156 for colour:p:1 #loft");
        assertThat(e.used().orElseThrow().product()).isEqualTo("acrylic lacquer spray #1f5156");
        assertThat(e.task()).contains(SEALED);
        var planned = List.of(new PropWork.Consumed(new Need("acrylic lacquer spray #1f5156", 0.6, "cans"), SEALED));
        var rates = Consumption.learn(List.of(e), Set.of(SEALED), planned, SHOP, Map.of());
        assertThat(Consumption.all(rates)).containsOnlyKeys("acrylic lacquer spray");
        assertThat(Consumption.yours(new Need("acrylic lacquer spray #e8e0c8", 1, "cans"), rates).amount()).isGreaterThan(1);
        var line = Entry.used(planned.getFirst().need(), SEALED);
        assertThat(entry(line).used()).as("what is written is read back").contains(planned.getFirst().need());
        var weighed = entry("used 200 g acrylic lacquer spray #1f5156 for colour:p:1");
        assertThat(Consumption.all(Consumption.learn(List.of(weighed), Set.of(SEALED), planned, SHOP, Map.of()))).as("g against cans")
                .hasSize(1);
    }

    @Test
    void whatNamesNoTaskOrNoneThatIsDoneTeachesNothing() {
        assertThat(learn("used 300 ml filler primer", "used 3 sheets P120 sheets for smooth:p:2")).isEmpty();
        assertThat(Consumption.learn(List.of(entry("used 300 ml filler primer for smooth:p:2")), Set.of(), PLANNED, SHOP, Map.of()))
                .isEmpty();
    }
}
