package yellowbracket.smooth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Coating;
import yellowbracket.shop.Hardener;

class SmoothTest {
    private static final Catalogue SHOP = Catalogue.builtIn();

    private static Ladder.Outcome.Found find(double um, Finish f, School s, Ladder.Weights w) {
        return (Ladder.Outcome.Found) Ladder.find(um, f, s, w, SHOP, 2);
    }

    @ParameterizedTest
    @EnumSource(School.class)
    void everySchoolReachesSatinAndEachStepLeavesWhatItSays(School school) {
        var found = find(120, Finish.SATIN, school, Ladder.Weights.LEAST_WORK);
        var last = found.steps().getLast();
        assertThat(last.kind()).as("it ends sanded").isEqualTo(Ladder.Kind.SAND);
        assertThat(last.valleyUm()).isLessThanOrEqualTo(Finish.SATIN.valleyUm() + 1.5);
        assertThat(last.scratchUm()).isLessThanOrEqualTo(Finish.SATIN.scratchUm() + 1.5);
        for (var s : found.steps()) {
            assertThat(s.stop()).isNotBlank();
            assertThat(s.passes()).isPositive();
            if (s.kind() != Ladder.Kind.SAND) assertThat(school.allows(SHOP.coating(s.product()).kind())).as(s.what()).isTrue();
        }
        assertThat(found.minutesPerDm2()).isCloseTo(found.steps().stream().mapToDouble(Ladder.Step::minPerDm2).sum(), within(1e-9));
    }

    /** No grit polishes in what the one before left: marks at most halve in a step. */
    @ParameterizedTest
    @EnumSource(Finish.class)
    void gritsAreNotSkipped(Finish finish) {
        double marks = 40;
        for (var s : find(150, finish, School.FILL_SAND_PRIME, Ladder.Weights.LEAST_WORK).steps()) {
            if (s.kind() == Ladder.Kind.SAND)
                assertThat(SHOP.grits().stream().filter(g -> g.name().equals(s.product())).findFirst().orElseThrow().scratchUm() * 2.1 + 3)
                        .isGreaterThanOrEqualTo(marks);
            marks = s.scratchUm();
        }
    }

    @Test
    void finerFinishesAndDeeperLinesNeverCostLess() {
        double before = 0;
        for (var f : Finish.values()) {
            double cost = cost(find(120, f, School.FILL_SAND_PRIME, Ladder.Weights.LEAST_WORK));
            assertThat(cost).as(f.label()).isGreaterThanOrEqualTo(before - 1e-9);
            before = cost;
        }
        before = 0;
        for (double um = 20; um < 400; um += 40) {
            double cost = cost(find(um, Finish.SATIN, School.FILL_SAND_PRIME, Ladder.Weights.LEAST_WORK));
            assertThat(cost).isGreaterThanOrEqualTo(before - 0.6);
            before = cost;
        }
    }

    private static double cost(Ladder.Outcome.Found f) {
        var w = Ladder.Weights.LEAST_WORK;
        return w.workMin() * f.minutesPerDm2() + w.waitH() * f.waitH() + w.money() * f.costPerDm2();
    }

    @Test
    void theCheapestIsNotDearerThanTheLeastWork() {
        var cheap = find(120, Finish.GLOSS, School.FILL_SAND_PRIME, Ladder.Weights.CHEAPEST);
        var quick = find(120, Finish.GLOSS, School.FILL_SAND_PRIME, Ladder.Weights.LEAST_WORK);
        assertThat(cheap.costPerDm2()).isLessThanOrEqualTo(quick.costPerDm2() + 1e-9);
        assertThat(quick.minutesPerDm2()).isLessThanOrEqualTo(cheap.minutesPerDm2() + 1e-9);
    }

    @Test
    void nothingToDoIsNoStep() {
        assertThat(find(10, Finish.FAR, School.FILL_SAND_PRIME, Ladder.Weights.LEAST_WORK).steps()).as("print skin still needs one sanding")
                .hasSizeLessThanOrEqualTo(1);
    }

    @Test
    void whatCannotBeReachedIsSaid() {
        var bare = new Catalogue(SHOP.materials(), SHOP.profiles(), SHOP.printers(), SHOP.morePrinters(), SHOP.joins(), java.util.List.of(),
                SHOP.grits().subList(0, 3), SHOP.foamsMm(), SHOP.practice(), 45, 1);
        assertThat(Ladder.find(200, Finish.MIRROR, School.PASTE, Ladder.Weights.SOONEST, bare, 2)).isInstanceOfSatisfying(
                Ladder.Outcome.OutOfReach.class, o -> assertThat(o.why()).contains("mirror metal", "choose another school"));
    }

    @Test
    void fillerComesInBatchesThatCanBeSpreadInTime() {
        var c = SHOP.coating("two-part polyester filler");
        var m = Mix.of(c, 10, 1, 20, 1.6, SHOP);
        assertThat(m.gramsTotal()).as("10 dm2 by 1 mm is 100 cm3").isCloseTo(100 * 1.85 * 1.15, within(1e-9));
        assertThat(m.hardenerShare()).isEqualTo(0.02);
        assertThat(m.hardenerEach()).isCloseTo(0.02 * m.baseEach(), within(1e-9));
        assertThat(m.batches() * (m.baseEach() + m.hardenerEach())).as("both together fill the surface")
                .isCloseTo(m.gramsTotal(), within(1e-9));
        assertThat(10.0 / m.batches() * 1.6).as("minutes to spread one").isLessThanOrEqualTo(m.potLifeMin());
        var hot = Mix.of(c, 10, 1, 30, 1.6, SHOP);
        assertThat(hot.potLifeMin()).isCloseTo(m.potLifeMin() / 2, within(1e-9));
        assertThat(hot.batches()).isGreaterThan(m.batches());
        assertThat(hot.hardenerShare()).isLessThan(m.hardenerShare());
        assertThat(Mix.of(c, 10, 1, -10, 1.6, SHOP).hardenerShare()).as("never beyond the label").isLessThanOrEqualTo(0.03);
    }

    @ParameterizedTest
    @CsvSource({"-10,0.03", "10,0.03", "15,0.025", "20,0.02", "24,0.016", "28,0.012", "40,0.012"})
    void polyesterTakesItsHardenerByTheTableOfItsLabel(double celsius, double share) {
        assertThat(SHOP.coating("two-part polyester filler").hardener().orElseThrow().shareAt(celsius)).isCloseTo(share, within(1e-12));
    }

    /** Half a part too little or too much of it, and a coat of epoxy never cures. */
    @ParameterizedTest
    @ValueSource(doubles = {-5, 5, 10, 15, 20, 28, 35})
    void everythingElseKeepsItsRatioWhateverTheWeather(double celsius) {
        for (var c : SHOP.coatings()) {
            if (c.hardener().isEmpty() || c.binder() == Coating.Binder.POLYESTER) continue;
            var mix = Mix.of(c, 30, c.filmUm() / 1000, celsius, 0.9, SHOP);
            double label = c.hardener().get().share();
            assertThat(mix.hardenerShare()).as(c.name()).isEqualTo(label);
            assertThat(mix.hardenerEach() / mix.baseEach()).as(c.name()).isCloseTo(label, within(1e-12));
        }
    }

    @Test
    void epoxyIsMeasuredByVolumeAndBothPartsTogetherMakeTheFilm() {
        var mix = Mix.of(SHOP.coating("coating epoxy"), 30, 0.3, 20, 0.9, SHOP);
        assertThat(mix.unit()).isEqualTo("ml");
        assertThat(mix.batches() * (mix.baseEach() + mix.hardenerEach())).as("30 dm2 by 0.3 mm and waste")
                .isCloseTo(30 * 10 * 0.3 * 1.15, within(1e-9));
        assertThat(mix.words()).contains("ml with", "ml hardener");
    }

    @Test
    void aHardenerOutsideItsRangeOrWithoutATableIsRefused() {
        assertThatThrownBy(() -> new Hardener(Hardener.Basis.MASS, 0.02, 0.03, 0.04, List.of())).hasMessageContaining("between");
        assertThatThrownBy(() -> new Hardener(Hardener.Basis.MASS, 0.02, 0.01, 0.03, List.of())).hasMessageContaining("no range");
        assertThatThrownBy(() -> Mix.of(SHOP.coating("filler primer"), 1, 1, 20, 1, SHOP)).hasMessageContaining("no hardener");
    }

    @Test
    void thePlanAddsItsHoursAndAmounts() {
        var areas = new Areas(2e5, 1e5, 0.5e5, 1e5, 2e5, 0.5e5, 40, 130);
        var p = SmoothPlan.of(areas, SmoothPlan.Seams.usual(2000), Finish.SATIN, School.FILL_SAND_PRIME, Ladder.Weights.LEAST_WORK, 20, 1.3,
                SHOP);
        assertThat(p.work().stream().mapToDouble(SmoothPlan.Work::hours).sum()).isLessThan(p.hours());
        assertThat(p.seamDm2()).isCloseTo(2000 * 28 / 1e4, within(1e-9));
        assertThat(p.sheets()).isPositive();
        assertThat(p.findings()).isEmpty();
        var double_ = SmoothPlan.of(new Areas(4e5, 2e5, 1e5, 2e5, 4e5, 1e5, 40, 130), SmoothPlan.Seams.usual(4000), Finish.SATIN,
                School.FILL_SAND_PRIME, Ladder.Weights.LEAST_WORK, 20, 1.3, SHOP);
        assertThat(double_.hours()).isCloseTo(2 * p.hours(), within(1e-6));
        var rough = SmoothPlan.of(areas, new SmoothPlan.Seams(2000, 0.5, 1), Finish.SATIN, School.FILL_SAND_PRIME,
                Ladder.Weights.LEAST_WORK, 20, 1.3, SHOP);
        assertThat(rough.seamFiller().orElseThrow().gramsTotal()).as("steps and gaps take more")
                .isGreaterThan(p.seamFiller().orElseThrow().gramsTotal());
        assertThat(
                SmoothPlan.of(areas, SmoothPlan.Seams.NONE, Finish.SATIN, School.FILL_SAND_PRIME, Ladder.Weights.LEAST_WORK, 20, 1.3, SHOP)
                        .seamFiller())
                .isEmpty();
        assertThat(
                SmoothPlan.of(areas, SmoothPlan.Seams.NONE, Finish.MIRROR, School.UV_RESIN_FIRST, Ladder.Weights.LEAST_WORK, 20, 0.05, SHOP)
                        .findings())
                .as("a wall of 0.05 mm cannot be sanded")
                .isNotEmpty();
    }
}
