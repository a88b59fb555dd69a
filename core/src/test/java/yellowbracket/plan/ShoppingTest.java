package yellowbracket.plan;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Practice;
import yellowbracket.shop.Reserved;
import yellowbracket.shop.StockItem;
import yellowbracket.work.Need;
import static org.assertj.core.api.Assertions.assertThat;

/** What runs short when, and by when it must be ordered. */
class ShoppingTest {
    private static final Catalogue SHOP = Catalogue.builtIn();
    private static final LocalDate DAY = LocalDate.of(2026, 4, 1);
    private static final double TIMES = SHOP.usual(Practice.STOCK_TIMES);

    private static Shopping.Use use(String product, double amount, String unit, int day) {
        return new Shopping.Use(new Need(product, amount, unit), DAY.plusDays(day));
    }

    @Test
    void whatRunsShortIsOrderedInTime() {
        var uses = List.of(use("PLA filament", 500, "g", 2), use("PLA filament", 900, "g", 10));
        var buy = Shopping.of(uses, List.of(new StockItem("PLA filament", 700, "g")), SHOP).list().getFirst();
        assertThat(buy.shortOn()).as("the first print still has enough").isEqualTo(DAY.plusDays(10));
        assertThat(buy.orderBy()).as("three days by order, and one to be safe").isEqualTo(DAY.plusDays(6));
        assertThat(buy.packs()).as("%.0f g are missing", buy.line().missing()).isEqualTo(1);
        assertThat(buy.pack()).isEqualTo("1 x 1000 g");
        assertThat(buy.cost()).isEqualTo(22);
    }

    @Test
    void whatOtherBuildsNeedIsNotThere() {
        var shelf = List.of(new StockItem("filler primer", 2, "cans"));
        var uses = List.of(use("filler primer", 600 / TIMES, "ml", 2));
        assertThat(Shopping.of(List.of(use("filler primer", 2 / TIMES, "cans", 2)), shelf, SHOP).list()).isEmpty();
        var other = new Reserved("other", DAY.plusDays(1).atStartOfDay(), List.of(new Need("filler primer", 300, "ml")));
        var buy = Shopping.of(List.of(use("filler primer", 2 / TIMES, "cans", 2)), shelf, List.of(other), SHOP).list().getFirst();
        assertThat(buy.reserved()).as("300 of 400 ml").isEqualTo(0.75);
        assertThat(buy.line().have()).isEqualTo(1.25);
        assertThat(buy.packs()).isEqualTo(1);
        var most = new Reserved("other", DAY.plusDays(1).atStartOfDay(), List.of(new Need("filler primer", 30, "cans")));
        assertThat(
                Shopping.of(uses, List.of(new StockItem("filler primer", 800, "ml")), List.of(most), SHOP).list().getFirst().line().have())
                .as("no less than nothing")
                .isZero();
    }

    @Test
    void whatIsTooOldDoesNotCount() {
        var uses = List.of(use("CA gel", 8, "g", 5));
        var old = new StockItem("CA gel", 20, "g", Optional.of(DAY.minusMonths(14)));
        var buy = Shopping.of(uses, List.of(old), SHOP).list().getFirst();
        assertThat(buy.tooOld()).isEqualTo(20);
        assertThat(buy.packs()).isEqualTo(1);
        assertThat(Shopping.of(uses, List.of(old.openedOn(DAY.minusMonths(2))), SHOP).list()).isEmpty();
    }

    @Test
    void whatStandsOnTheShelfAndWouldDoIsTold() {
        var uses = List.of(use("spray putty", 1, "cans", 5));
        var shelf = List.of(new StockItem("filler primer", 3, "cans"));
        assertThat(Shopping.of(uses, shelf, SHOP).list().getFirst().instead()).contains("filler primer");
        var both = List.of(use("spray putty", 1, "cans", 5), use("filler primer", 2.5, "cans", 5));
        assertThat(Shopping.of(both, shelf, SHOP).list().getFirst().instead()).as("needed otherwise").isEmpty();
    }

    @Test
    void cansAreCountedByTheirLabelAndFetchedOnTheDay() {
        var buy = Shopping.of(List.of(use("matt clear", 900 / TIMES, "ml", 5)), List.of(), SHOP).list().getFirst();
        assertThat(buy.pack()).as("900 ml in cans of 400").isEqualTo("3 cans");
        var clear = Shopping.of(List.of(use("matt clear", 0.5, "cans", 5)), List.of(), SHOP).list().getFirst();
        assertThat(clear.pack()).isEqualTo("1 can");
        assertThat(clear.orderBy()).as("the shop has it").isEqualTo(clear.shortOn());
    }

    @Test
    void whatNobodySellsIsStillOnTheList() {
        var buy = Shopping.of(List.of(use("brass rivets", 12, "pieces", 9)), List.of(), SHOP).list().getFirst();
        assertThat(buy.from()).contains("not known");
        assertThat(buy.orderBy()).isEqualTo(DAY.plusDays(3));
    }

    /** Day by day from a shelf that empties: the first day on which it does not hold is the day told. */
    @Test
    void theDayItRunsShortIsThatOfTheShelfItself() {
        for (int seed = 0; seed < 500; seed++) {
            var r = new Random(seed);
            var uses = new ArrayList<Shopping.Use>();
            for (int i = 0; i < 1 + r.nextInt(12); i++) uses.add(use("PLA filament", 1 + 200 * r.nextDouble(), "g", r.nextInt(20)));
            double shelf = 600 * r.nextDouble();
            var list = Shopping.of(uses, List.of(new StockItem("PLA filament", shelf, "g")), SHOP).list();
            Optional<LocalDate> empty = Optional.empty();
            double left = shelf;
            for (int d = 0; d < 20 && empty.isEmpty(); d++) {
                var day = DAY.plusDays(d);
                for (var u : uses) if (u.on().equals(day)) left -= TIMES * u.need().amount();
                if (left < -1e-6) empty = Optional.of(day);
            }
            assertThat(list.stream().map(Shopping.Buy::shortOn).findFirst()).as("seed %d", seed).isEqualTo(empty);
            double all = uses.stream().mapToDouble(u -> u.need().amount()).sum() * TIMES;
            list.forEach(b -> assertThat(b.packs() * 1000.0 + shelf).as("what is bought is enough").isGreaterThanOrEqualTo(all - 1e-6));
        }
    }

    @Test
    void oneOfAThingIsSaidAsOne() {
        assertThat(List.of(Needs.behind(1, "cans"), Needs.behind(2, "cans"), Needs.behind(0.5, "cans"), Needs.behind(1, "pairs"),
                Needs.behind(1, "ml"))).containsExactly("can", "cans", "cans", "pair", "ml");
    }
}
