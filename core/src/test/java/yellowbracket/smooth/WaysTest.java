package yellowbracket.smooth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Coating;
import yellowbracket.shop.Practice;
import yellowbracket.work.Hazard;
import yellowbracket.work.Ready;

/** Ways round: what is aimed at, what there is to work with, targets, and the plan that comes of them. */
class WaysTest {
    private static final Catalogue SHOP = Catalogue.builtIn();

    private static Ladder.Outcome find(double um, Ladder.Way way, String material) {
        return Ladder.find(um, Areas.Shape.FLAT, way, SHOP, material, 40);
    }

    private static List<Ladder.Step> steps(double um, Ladder.Way way, String material) {
        return ((Ladder.Outcome.Found) find(um, way, material)).steps();
    }

    private static Ladder.Way way(Ladder.Weights w, Means m, Set<String> shelf) {
        return new Ladder.Way(Finish.SATIN, School.FILL_SAND_PRIME, w, m, shelf);
    }

    private static double sum(List<Ladder.Step> steps, java.util.function.ToDoubleFunction<Ladder.Step> of) {
        return steps.stream().mapToDouble(of).sum();
    }

    @ParameterizedTest
    @ValueSource(doubles = {40, 90, 160, 280})
    void eachAimIsBestAtWhatItAimsAt(double um) {
        var work = steps(um, way(Ladder.Weights.LEAST_WORK, Means.USUAL, Set.of()), "PLA");
        var dust = steps(um, way(Ladder.Weights.LEAST_DUST, Means.USUAL, Set.of()), "PLA");
        var detail = steps(um, way(Ladder.Weights.BEST_DETAIL, Means.USUAL, Set.of()), "PLA");
        assertThat(sum(dust, Ladder.Step::dustCm3)).isLessThanOrEqualTo(sum(work, Ladder.Step::dustCm3) + 1e-9);
        assertThat(sum(detail, Ladder.Step::detailUm)).isLessThanOrEqualTo(sum(work, Ladder.Step::detailUm) + 1e-9);
        assertThat(work).allSatisfy(s -> assertThat(s.why()).isNotBlank());
    }

    /** Fewer films, papers or places to work never make it cheaper. */
    @ParameterizedTest
    @CsvSource({"60", "150", "260"})
    void lessToWorkWithNeverCostsLess(double um) {
        var all = SHOP.coatings().stream().map(Coating::name).collect(Collectors.toSet());
        SHOP.grits().forEach(g -> all.add(g.name()));
        double free = cost(find(um, way(Ladder.Weights.LEAST_WORK, Means.USUAL, Set.of()), "PLA"));
        assertThat(cost(find(um, way(Ladder.Weights.LEAST_WORK, Means.USUAL.withOnShelf(true), all), "PLA"))).isEqualTo(free);
        for (var gone : List.of("two-part polyester filler", "spray putty", "P120", "P240", "P320", "P400")) {
            var some = all.stream().filter(n -> !n.equals(gone)).collect(Collectors.toSet());
            assertThat(cost(find(um, way(Ladder.Weights.LEAST_WORK, Means.USUAL.withOnShelf(true), some), "PLA"))).as("without " + gone)
                    .isGreaterThanOrEqualTo(free - 0.5);
        }
        assertThat(cost(find(um, way(Ladder.Weights.LEAST_WORK, Means.USUAL.withSpray(false), Set.of()), "PLA")))
                .isGreaterThanOrEqualTo(free - 0.5);
    }

    private static double cost(Ladder.Outcome o) {
        return o instanceof Ladder.Outcome.Found f ? f.minutesPerDm2() + 0.15 * f.waitH() + 0.5 * f.costPerDm2()
                + f.steps()
                        .stream()
                        .mapToDouble(
                                s -> 60.0 / 40 * SHOP.usual(s.kind() == Ladder.Kind.PRIME ? Practice.SPRAY_SETUP_H : Practice.HAND_SETUP_H))
                        .sum()
                : Double.POSITIVE_INFINITY;
    }

    @Test
    void indoorsNothingIsSprayedAndNothingSmells() {
        for (var school : List.of(School.UV_RESIN_FIRST, School.EPOXY_SHELL, School.PASTE)) {
            var w = new Ladder.Way(Finish.SATIN, school, Ladder.Weights.LEAST_WORK, Means.USUAL.withSpray(false), Set.of());
            for (var s : steps(150, w, "PLA")) {
                if (s.kind() == Ladder.Kind.SAND) continue;
                var c = SHOP.coating(s.product());
                assertThat(c.sprayed()).isFalse();
                assertThat(c.hazards()).doesNotContain(Hazard.SOLVENT_VAPOUR, Hazard.STYRENE);
            }
        }
        assertThat(find(150, way(Ladder.Weights.LEAST_WORK, Means.USUAL, Set.of()), "PLA")).isInstanceOf(Ladder.Outcome.Found.class);
        var texture = new Ladder.Way(Finish.SATIN, School.TEXTURE, Ladder.Weights.LEAST_WORK, Means.USUAL.withSpray(false), Set.of());
        assertThat(find(150, texture, "PLA")).isInstanceOfSatisfying(Ladder.Outcome.OutOfReach.class,
                o -> assertThat(o.why()).contains("outdoors"));
    }

    @Test
    void whatTheShelfLacksIsNamed() {
        var w = way(Ladder.Weights.LEAST_WORK, Means.USUAL.withOnShelf(true), Set.of("P120", "two-part polyester filler"));
        assertThat(find(150, w, "PLA")).isInstanceOfSatisfying(Ladder.Outcome.OutOfReach.class,
                o -> assertThat(o.why()).contains("no primer is on the shelf"));
        var coarse = way(Ladder.Weights.LEAST_WORK, Means.USUAL.withOnShelf(true), Set.of("P120", "filler primer"));
        assertThat(find(150, coarse, "PLA")).isInstanceOfSatisfying(Ladder.Outcome.OutOfReach.class,
                o -> assertThat(o.why()).contains("is not on the shelf"));
    }

    /** A sander does flats faster, never where the hand must feel the shape, and never with fine paper. */
    @Test
    void aSanderGoesOnFlatsOnly() {
        var m = Means.USUAL.withMachine(true);
        var by = steps(120, new Ladder.Way(Finish.SATIN, School.FILL_SAND_PRIME, Ladder.Weights.LEAST_WORK, m, Set.of()), "PLA");
        assertThat(by).anyMatch(Ladder.Step::machine);
        for (var s : by)
            if (s.machine()) assertThat(SHOP.grits().stream().filter(g -> g.name().equals(s.product())).findFirst().orElseThrow().p())
                    .isLessThanOrEqualTo(240);
        var tight = ((Ladder.Outcome.Found) Ladder.find(120, Areas.Shape.DETAIL,
                new Ladder.Way(Finish.SATIN, School.FILL_SAND_PRIME, Ladder.Weights.LEAST_WORK, m, Set.of()), SHOP, "PLA", 40)).steps();
        assertThat(tight).noneMatch(Ladder.Step::machine);
        assertThat(sum(by, Ladder.Step::minPerDm2))
                .isLessThan(sum(steps(120, way(Ladder.Weights.LEAST_WORK, Means.USUAL, Set.of()), "PLA"), Ladder.Step::minPerDm2));
        var s = by.stream().filter(Ladder.Step::machine).findFirst().orElseThrow().on(Areas.Shape.FLAT, Areas.Shape.DETAIL, SHOP);
        assertThat(s.machine()).isFalse();
    }

    /** Styrene softens ABS: a barrier goes on before the filler. */
    @ParameterizedTest
    @ValueSource(strings = {"ABS", "ASA", "HIPS"})
    void aBarrierComesBeforeStyreneOnWhatItSoftens(String material) {
        boolean barrier = false, filled = false;
        for (var s : steps(280, way(Ladder.Weights.LEAST_WORK, Means.USUAL, Set.of()), material)) {
            if (s.product().equals("sealing primer") || s.product().equals("filler primer") || s.product().equals("spray putty"))
                barrier = true;
            if (s.kind() == Ladder.Kind.FILM && SHOP.coating(s.product()).hazards().contains(Hazard.STYRENE)) {
                filled = true;
                assertThat(barrier).isTrue();
            }
        }
        assertThat(filled || barrier).isTrue();
        assertThat(steps(280, way(Ladder.Weights.LEAST_WORK, Means.USUAL, Set.of()), "PLA").getFirst().product())
                .isNotEqualTo("sealing primer");
    }

    @Test
    void aTextureHidesLinesUpToItsGrainAndComesOverABarrier() {
        var w = Ladder.Way.of(Finish.SATIN, School.TEXTURE, Ladder.Weights.LEAST_WORK);
        assertThat(steps(200, w, "PLA")).extracting(Ladder.Step::product).containsExactly("P120", "sealing primer", "texture coating");
        assertThat(find(500, w, "PLA")).isInstanceOfSatisfying(Ladder.Outcome.OutOfReach.class,
                o -> assertThat(o.why()).contains("hides lines of up to"));
    }

    @ParameterizedTest
    @ValueSource(doubles = {-1, 1e6, Double.NaN})
    void absurdLinesAreRefusedInWords(double um) {
        assertThat(find(um, way(Ladder.Weights.LEAST_WORK, Means.USUAL, Set.of()), "PLA"))
                .isInstanceOfSatisfying(Ladder.Outcome.OutOfReach.class, o -> assertThat(o.why()).contains("layer height"));
    }

    private static Areas.Area area(Areas.Shape shape, Target target, double mm2, double um, double skin) {
        return new Areas.Area(shape, Areas.Lines.of(um), target, "", mm2, 0.8 * um, um, skin);
    }

    private static SmoothPlan plan(Finish finish, School school, Means means, Areas.Area... list) {
        return SmoothPlan.of(new Areas(List.of(list), 0, 0, 0), SmoothPlan.Seams.usual(1000), new SmoothPlan.Asked(
                new Ladders(new Ladder.Way(finish, school, Ladder.Weights.LEAST_WORK, means, Set.of()), SHOP), 20, "PLA"), SHOP);
    }

    /** Every place of an area, whatever its own depth, is as good as the finish asks when its steps are done. */
    @ParameterizedTest
    @EnumSource(Finish.class)
    void afterTheLastStepEveryPlaceIsFineEnough(Finish finish) {
        var p = plan(finish, School.FILL_SAND_PRIME, Means.USUAL, area(Areas.Shape.CURVED, Target.SHOW, 2e5, 200, 1.3),
                area(Areas.Shape.FLAT, Target.SHOW, 1e5, 45, 1.3));
        for (var a : p.areas().list()) for (double share : new double[] {0.1, 0.5, 0.9, 1}) {
            var s = Surface.printed(share * a.deepUm(), SHOP);
            var own = p.ladders().get(a);
            assertThat(p.until(a, p.work().size())).as("all its steps lie within the plan's").isEqualTo(own);
            for (var step : own) {
                s = s.after(step, SHOP);
                assertThat(s.valley()).isNotNegative();
            }
            assertThat(s.valley()).as(a.words() + " " + share).isLessThanOrEqualTo(finish.valleyUm() + 5);
            assertThat(s.marks()).isLessThanOrEqualTo(finish.scratchUm() + 1e-9);
            assertThat(s.over()).as("primer on top").isPositive();
        }
    }

    /** Lines of 200 um under a knife of filler: the film is the film's, then it is sanded to the peaks. */
    @Test
    void theSliderWalksTheSteps() {
        var a = area(Areas.Shape.CURVED, Target.SHOW, 2e5, 260, 1.3);
        var p = plan(Finish.SATIN, School.FILL_SAND_PRIME, Means.USUAL, a);
        assertThat(p.until(a, 0)).isEmpty();
        int before = 0;
        for (int i = 1; i <= p.work().size(); i++) {
            int now = p.until(a, i).size();
            assertThat(now).isBetween(before, before + 1);
            before = now;
        }
        var filled = Surface.printed(260, SHOP).after(p.ladders().get(a).getFirst(), SHOP);
        assertThat(filled.top()).isEqualTo("two-part polyester filler");
        assertThat(filled.over()).isCloseTo((130 + SHOP.usual(Practice.SKIM_UM)) * 0.98 - (260 - filled.valley()) / 2, within(8.0));
    }

    /** On a flat, by hand, with one paper: its own rate, whatever the area; tight places take longer for each cm3. */
    @Test
    void minutesForACm3AreThoseOfPaperAndShape() {
        double before = 0;
        for (var shape : Areas.Shape.values()) {
            double now = plan(Finish.SATIN, School.FILL_SAND_PRIME, Means.USUAL, area(shape, Target.SHOW, 2e5, 220, 1.3)).sandMinCm3();
            assertThat(now).isGreaterThan(before);
            before = now;
        }
        assertThat(plan(Finish.SATIN, School.FILL_SAND_PRIME, Means.USUAL).sandMinCm3()).isZero();
    }

    @Test
    void targetsAreKept() {
        var shown = area(Areas.Shape.CURVED, Target.SHOW, 2e5, 100, 1.3);
        var mirror = area(Areas.Shape.FLAT, Target.MIRROR, 3e4, 100, 1.3);
        var kept = area(Areas.Shape.DETAIL, Target.TEXTURE, 2e4, 100, 1.3);
        var p = plan(Finish.SATIN, School.FILL_SAND_PRIME, Means.USUAL, shown, mirror, kept);
        assertThat(p.ladders().get(kept)).singleElement().satisfies(s -> assertThat(s.kind()).isEqualTo(Ladder.Kind.PRIME));
        assertThat(p.ladders().get(mirror).getLast().scratchUm()).isLessThanOrEqualTo(Finish.MIRROR.scratchUm());
        assertThat(p.ladders().get(shown).getLast().scratchUm()).isGreaterThan(Finish.MIRROR.scratchUm());
        assertThat(p.work().getLast().step().what()).as("a gate before metal").isEqualTo("look it over under raking light");
        assertThat(plan(Finish.SATIN, School.FILL_SAND_PRIME, Means.USUAL, shown).work().getLast().step().kind())
                .isEqualTo(Ladder.Kind.SAND);
        assertThat(plan(Finish.SATIN, School.FILL_SAND_PRIME, Means.USUAL).findings())
                .anyMatch(f -> f.words().contains("nothing is to be smoothed"));
    }

    /** Valleys, skim, seams and waste make what is bought; batches make the need; each is spread before its pot is over. */
    @ParameterizedTest
    @CsvSource({"FILL_SAND_PRIME,8", "FILL_SAND_PRIME,20", "FILL_SAND_PRIME,31", "EPOXY_SHELL,16", "EPOXY_SHELL,30"})
    void amountsAddUpAndBatchesAreSpreadInTime(School school, double celsius) {
        var list = List.of(area(Areas.Shape.CURVED, Target.SHOW, 3e5, 260, 1.3), area(Areas.Shape.FLAT, Target.SHOW, 1e5, 220, 1.3));
        var p = SmoothPlan.of(new Areas(list, 0, 0, 0), SmoothPlan.Seams.usual(2500),
                new SmoothPlan.Asked(new Ladders(Ladder.Way.of(Finish.SATIN, school, Ladder.Weights.LEAST_WORK), SHOP), celsius, "PLA"),
                SHOP);
        var mixes = new java.util.ArrayList<>(p.mixes());
        p.seamFiller().ifPresent(mixes::add);
        assertThat(mixes).isNotEmpty();
        for (var m : mixes) {
            var c = SHOP.coating(m.product());
            assertThat(m.batches() * (m.baseEach() + m.hardenerEach()) * ("g".equals(m.unit()) ? 1 : c.densityGcm3()))
                    .isCloseTo(m.gramsTotal(), within(1e-6));
            assertThat(m.minutesEach()).isLessThanOrEqualTo(0.8 * m.potLifeMin() + 1e-9);
            assertThat(m.hardenerShare()).isBetween(c.hardener().orElseThrow().least() - 1e-12, c.hardener().orElseThrow().most() + 1e-12);
        }
        double grams = mixes.stream().mapToDouble(Mix::gramsTotal).sum();
        double told = p.amounts()
                .stream()
                .filter(a -> mixes.stream().anyMatch(m -> m.product().equals(a.product())))
                .mapToDouble(a -> a.ml() * SHOP.coating(a.product()).densityGcm3())
                .sum();
        assertThat(told).isCloseTo(grams, within(0.001 * grams));
        assertThat(p.amounts()).allMatch(a -> a.valleysMl() >= 0 && a.skimMl() >= -1e-9 && a.seamsMl() >= 0 && a.wasteMl() > 0);
    }

    /** A full cup warms itself: the more in it, the shorter; a thin layer in a tray a little longer. */
    @Test
    void aFullCupSetsEarly() {
        var epoxy = SHOP.coating("coating epoxy");
        double before = Double.POSITIVE_INFINITY;
        for (double g : new double[] {30, 100, 200, 400}) {
            double min = Mix.potLifeMin(epoxy, g, 20, SHOP);
            assertThat(min).isLessThan(before);
            before = min;
        }
        assertThat(Mix.potLifeMin(epoxy, 100, 20, SHOP)).isEqualTo(epoxy.potLifeMin());
        assertThat(Mix.of(epoxy, 200, 0.3, 20, 0.02, SHOP).heats()).isTrue();
        assertThat(Mix.of(epoxy, 2, 0.3, 20, 0.9, SHOP).heats()).isFalse();
    }

    /** What was really poured decides the hardener that belongs to it. */
    @Test
    void theBaseInTheCupDecidesTheHardener() {
        var m = Mix.of(SHOP.coating("two-part polyester filler"), 10, 1, 20, 0.1, SHOP);
        var pour = m.poured(120);
        assertThat(pour.hardener()).isCloseTo(2.4, within(1e-9));
        assertThat(pour.least()).isCloseTo(1.2, within(1e-9));
        assertThat(pour.most()).isCloseTo(3.6, within(1e-9));
        assertThat(pour.said(1)).contains("1.4 g more");
        assertThat(pour.right(2.5)).isTrue();
        assertThat(pour.said(2.5)).contains("right");
        assertThat(pour.said(4.8)).as("twice as much belongs to 240 g").contains("add 120 g of base");
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> m.poured(0)).hasMessageContaining("pour the base first");
        var epoxy = Mix.of(SHOP.coating("coating epoxy"), 10, 0.3, 28, 0.9, SHOP).poured(50);
        assertThat(epoxy.hardener()).as("half, whatever the weather").isEqualTo(25);
        assertThat(epoxy.right(26)).isTrue();
        assertThat(epoxy.right(28)).isFalse();
        var cold = Mix.of(SHOP.coating("two-part polyester filler"), 10, 1, 5, 0.1, SHOP);
        assertThat(cold.poured(100).most()).as("never beyond the label, in the cold either").isCloseTo(3, within(1e-9));
        assertThat(cold.weighed()).isTrue();
        assertThat(Mix.of(SHOP.coating("coating epoxy"), 10, 0.3, 28, 0.9, SHOP).weighed()).as("by volume: no scale tells it").isFalse();
    }

    @Test
    void thinSkinIsTold() {
        var p = plan(Finish.SATIN, School.FILL_SAND_PRIME, Means.USUAL, area(Areas.Shape.FLAT, Target.SHOW, 2e5, 120, 0.31));
        assertThat(p.skin().leastUm()).isCloseTo(310 - p.skin().takenUm(), within(1e-9));
        if (p.skin().takenUm() > 10) assertThat(p.findings()).anyMatch(f -> f.words().contains("over the infill"));
        var sander = plan(Finish.SATIN, School.FILL_SAND_PRIME, Means.USUAL.withMachine(true),
                area(Areas.Shape.FLAT, Target.SHOW, 2e5, 120, 1.3));
        assertThat(sander.findings()).anyMatch(f -> f.words().contains("a sander warms PLA"));
        assertThat(sander.work()).anyMatch(w -> w.tool().contains("sander"));
    }

    /** After the last sanding of a filler, before primer is spent on it. */
    @Test
    void anInspectionCoatShowsWhatTheFillerLeftLow() {
        var work = plan(Finish.SATIN, School.FILL_SAND_PRIME, Means.USUAL, area(Areas.Shape.CURVED, Target.SHOW, 2e5, 260, 1.3)).work();
        int mist = 0;
        while (!work.get(mist).step().what().contains("inspection coat")) mist++;
        assertThat(work.get(mist - 1).step().kind()).isEqualTo(Ladder.Kind.SAND);
        assertThat(work.get(mist + 1).step().kind()).isEqualTo(Ladder.Kind.PRIME);
        assertThat(work).filteredOn(w -> w.step().what().contains("inspection coat")).hasSize(1);
    }

    /** Looks while wet are minutes of the session; gloves, brushes and filters are bought. */
    @Test
    void tasksHoldTheLooksAndNeedsTheConsumables() {
        var p = plan(Finish.GLOSS, School.UV_RESIN_FIRST, Means.USUAL, area(Areas.Shape.CURVED, Target.SHOW, 3e5, 160, 1.3));
        var work = new SmoothWork("p", p, java.util.Optional.empty(), SHOP);
        var tasks = work.after(Ready.after(List.of())).tasks();
        assertThat(tasks.stream().mapToDouble(t -> t.effort().handH()).sum()).isCloseTo(p.hours(), within(1e-9));
        assertThat(tasks).anyMatch(t -> t.name().contains("look it over after 5 min")).anyMatch(t -> t.name().contains("raking light"));
        assertThat(work.needs()).extracting(n -> n.product())
                .contains("nitrile gloves", "brushes", "mask filters, vapour and dust", "isopropanol");
    }

    /** At 0.12, 0.2, 0.28 and 0.4 mm the filler differs as the volumes do. */
    @Test
    void deeperLinesTakeMoreFilmAndMoreHours() {
        double before = 0;
        for (double layer : new double[] {0.12, 0.2, 0.28, 0.4}) {
            var p = plan(Finish.SATIN, School.FILL_SAND_PRIME, Means.USUAL, area(Areas.Shape.CURVED, Target.SHOW, 3e5, 700 * layer, 1.3));
            assertThat(p.hours()).isGreaterThan(before);
            before = p.hours();
        }
    }
}
