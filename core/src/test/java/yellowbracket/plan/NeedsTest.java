package yellowbracket.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Practice;
import yellowbracket.shop.StockItem;
import yellowbracket.work.Need;

class NeedsTest {
    private static final Catalogue SHOP = Catalogue.builtIn();
    private static final double RESERVE = SHOP.usual(Practice.STOCK_TIMES);
    private static final String FILLER = "two-part polyester filler";

    private static Needs of(List<Need> needs, StockItem... stock) {
        return Needs.of(needs, List.of(stock), SHOP);
    }

    @Test
    void gramsAndMillilitresOfOneProductAddUpByItsDensity() {
        double density = SHOP.coating(FILLER).densityGcm3();
        var n = of(List.of(new Need(FILLER, 185, "g"), new Need(FILLER, 50, "ml")), new StockItem(FILLER, 18.5, "g"));

        assertThat(n.lines()).singleElement().satisfies(l -> {
            assertThat(l.unit()).isEqualTo("ml");
            assertThat(l.needed()).isCloseTo(RESERVE * (185 / density + 50), within(1e-9));
            assertThat(l.have()).isCloseTo(18.5 / density, within(1e-9));
        });
    }

    @Test
    void unitsThatCannotBeAddedAreTwoLines() {
        var n = of(List.of(new Need("cord", 3, "m"), new Need("cord", 2, "pieces"), new Need("cord", 1, "m")),
                new StockItem("cord", 5, "pieces"));

        assertThat(n.lines()).hasSize(2);
        assertThat(n.lines().getFirst().needed()).isCloseTo(RESERVE * 4, within(1e-9));
        assertThat(n.lines().getFirst().have()).as("pieces are no metres").isZero();
        assertThat(n.shopping()).extracting(Needs.Line::unit).containsExactly("m");
    }

    @Test
    void whatIsBoughtWholeIsRoundedUpOnceAfterTheReserve() {
        var n = of(List.of(new Need("matt clear", 0.4, "cans"), new Need("matt clear", 0.4, "cans"), new Need("nothing", 0, "g")));

        assertThat(n.lines()).singleElement().satisfies(l -> assertThat(l.needed()).isEqualTo(Math.ceil(0.8 * RESERVE)));
    }
}
