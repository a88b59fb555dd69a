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
import yellowbracket.cut.Section;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.print.Estimate;
import yellowbracket.print.Layers;
import yellowbracket.print.Orientation;
import yellowbracket.print.SectionPrint;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Coating;
import yellowbracket.shop.Grit;
import yellowbracket.shop.Hardener;
import yellowbracket.work.SectionId;

class SmoothTest {
    private static final Catalogue SHOP = Catalogue.builtIn();

    private static Ladder.Outcome.Found find(double um, Finish f, School s, Ladder.Weights w) {
        return (Ladder.Outcome.Found) Ladder.find(um, Areas.Shape.CURVED, Ladder.Way.of(f, s, w), SHOP, "PLA", 40);
    }

    private static Grit grit(String name) {
        return SHOP.grits().stream().filter(g -> g.name().equals(name)).findFirst().orElseThrow();
    }

    @ParameterizedTest
    @EnumSource(value = School.class, mode = EnumSource.Mode.EXCLUDE, names = "TEXTURE")
    void everySchoolReachesEveryFinishAndEachStepLeavesWhatItSays(School school) {
        for (var finish : Finish.values()) {
            var found = find(120, finish, school, Ladder.Weights.LEAST_WORK);
            var last = found.steps().getLast();
            assertThat(last.kind()).as("it ends sanded").isEqualTo(Ladder.Kind.SAND);
            assertThat(last.valleyUm()).isLessThanOrEqualTo(finish.valleyUm());
            assertThat(last.scratchUm()).isLessThanOrEqualTo(finish.scratchUm());
            for (var s : found.steps()) {
                assertThat(s.stop()).isNotBlank();
                assertThat(s.coats()).isPositive();
                if (s.kind() != Ladder.Kind.SAND) assertThat(school.allows(SHOP.coating(s.product()).kind())).as(s.what()).isTrue();
            }
            assertThat(found.minutesPerDm2()).isCloseTo(found.steps().stream().mapToDouble(Ladder.Step::minPerDm2).sum(), within(1e-9));
        }
    }

    /** Gloss ends at P600 or finer, metal at P1000 or finer, satin at P320 or finer, what is looked at from afar at P240. */
    @ParameterizedTest
    @CsvSource({"FAR,240", "ARMS_LENGTH,240", "SATIN,320", "GLOSS,600", "MIRROR,1000"})
    void theLastPaperFollowsTheFinish(Finish finish, int least) {
        for (double um : new double[] {30, 90, 200})
            assertThat(grit(find(um, finish, School.FILL_SAND_PRIME, Ladder.Weights.LEAST_WORK).steps().getLast().product()).p())
                    .isGreaterThanOrEqualTo(least);
    }

    /** Marks at most halve in a step before gloss and metal; spray is not put on marks coarser than P120's, nor sanded with them. */
    @ParameterizedTest
    @EnumSource(Finish.class)
    void gritsAreNotSkipped(Finish finish) {
        double marks = 30;
        for (var s : find(150, finish, School.FILL_SAND_PRIME, Ladder.Weights.LEAST_WORK).steps()) {
            if (s.kind() == Ladder.Kind.SAND) {
                double ratio = finish == Finish.GLOSS || finish == Finish.MIRROR ? 2.1 : 3.1;
                assertThat(grit(s.product()).scratchUm() * ratio).isGreaterThanOrEqualTo(marks - 1e-9);
                assertThat(s.takenUm()).as("no less than the marks before").isGreaterThanOrEqualTo(marks - 1e-9);
            }
            if (s.kind() == Ladder.Kind.PRIME) assertThat(marks).isLessThanOrEqualTo(44);
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
        for (var f : Finish.values()) {
            before = 0;
            for (double um = 10; um < 500; um += 30) {
                double cost = cost(find(um, f, School.FILL_SAND_PRIME, Ladder.Weights.LEAST_WORK));
                assertThat(cost).as(f + " from " + um).isGreaterThanOrEqualTo(before - 0.5);
                before = Math.max(before, cost);
            }
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
    void tightPlacesAndHardPrintsTakeLonger() {
        double before = 0;
        for (var shape : List.of(Areas.Shape.FLAT, Areas.Shape.CURVED, Areas.Shape.TIGHT)) {
            var f = (Ladder.Outcome.Found) Ladder.find(90, shape,
                    Ladder.Way.of(Finish.SATIN, School.FILL_SAND_PRIME, Ladder.Weights.LEAST_WORK), SHOP, "PLA", 40);
            assertThat(f.minutesPerDm2()).isGreaterThan(before);
            before = f.minutesPerDm2();
        }
        for (int i = 1; i < SHOP.grits().size(); i++)
            assertThat(SHOP.grits().get(i).cm3Min()).as("finer paper is never quicker").isLessThan(SHOP.grits().get(i - 1).cm3Min());
    }

    @Test
    void whatCannotBeReachedIsSaid() {
        var bare = new Catalogue(SHOP.materials(), SHOP.profiles(), SHOP.printers(), SHOP.morePrinters(), SHOP.joins(), java.util.List.of(),
                SHOP.lamps(), SHOP.grits().subList(0, 3), SHOP.foams(), SHOP.sheets(), SHOP.practice(), SHOP.supplies(), 45, 1);
        assertThat(Ladder.find(200, Areas.Shape.FLAT, Ladder.Way.of(Finish.MIRROR, School.PASTE, Ladder.Weights.SOONEST), bare, "PLA", 40))
                .isInstanceOfSatisfying(Ladder.Outcome.OutOfReach.class,
                        o -> assertThat(o.why()).contains("mirror metal", "choose another school"));
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
        assertThat(Mix.potLifeMin(c, 100, 30, SHOP)).as("it halves for 10 C").isCloseTo(c.potLifeMin() / 2, within(1e-9));
        assertThat(hot.batches()).isGreaterThan(m.batches());
        assertThat(hot.hardenerShare()).isLessThan(m.hardenerShare());
        assertThat(Mix.of(c, 10, 1, -10, 1.6, SHOP).hardenerShare()).as("never beyond the label").isLessThanOrEqualTo(0.03);
    }

    /** Hardener of 2 % on a scale of 1 g: a small batch may get none or far too much; from 50 g on it stays within 1 to 3 %. */
    @Test
    void aScaleTooCoarseForABatchIsTold() {
        var c = SHOP.coating("two-part polyester filler");
        var small = Mix.of(c, 2, 0.25, 20, 1.6, SHOP);
        assertThat(small.batches()).isEqualTo(1);
        var coarse = small.dose(1);
        assertThat(coarse.met()).isFalse();
        assertThat(coarse.lowShare()).isZero();
        assertThat(coarse.highShare()).isCloseTo((small.hardenerEach() + 0.5) / small.baseEach(), within(1e-12));
        assertThat(coarse.leastBase()).isCloseTo(50, within(1e-9));
        assertThat(small.dose(0.1).met()).isTrue();
        assertThat(Mix.of(c, 2, 0.25, 5, 1.6, SHOP).dose(0.1).leastBase()).as("as much as the label allows, in the cold")
                .isFinite()
                .isPositive();
        var large = Mix.of(c, 2, 2, 20, 0.1, SHOP);
        assertThat(large.dose(1).met()).as(large.words()).isTrue();
        var epoxy = Mix.of(SHOP.coating("coating epoxy"), 10, 0.3, 20, 0.9, SHOP);
        assertThat(epoxy.dose(1).leastBase()).as("1:2, a twentieth either way").isCloseTo(0.5 / (0.05 * 0.5), within(1e-9));
        var told = plan(areas(1), SmoothPlan.Seams.usual(2000), Finish.SATIN, School.FILL_SAND_PRIME).findings();
        assertThat(told).anyMatch(f -> f.words().contains("of hardener a batch cannot be measured to 1 g"));
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

    private static SmoothPlan plan(List<Areas.Area> list, SmoothPlan.Seams seams, Finish finish, School school) {
        var areas = new Areas(list, 0, 0, 0);
        return SmoothPlan.of(areas, seams,
                new SmoothPlan.Asked(new Ladders(Ladder.Way.of(finish, school, Ladder.Weights.LEAST_WORK), SHOP), 20, "PLA"), SHOP);
    }

    private static Areas.Area area(Areas.Shape shape, double mm2, double meanUm, double deepUm) {
        return new Areas.Area(shape, Areas.Lines.of(deepUm), Target.SHOW, "", mm2, meanUm, deepUm, 1.3);
    }

    private static List<Areas.Area> areas(double k) {
        return List.of(area(Areas.Shape.CURVED, k * 2e5, 30, 45), area(Areas.Shape.FLAT, k * 1e5, 80, 100),
                area(Areas.Shape.CURVED, k * 0.5e5, 160, 200));
    }

    @Test
    void thePlanAddsItsHoursAndAmounts() {
        var p = plan(areas(1), SmoothPlan.Seams.usual(2000), Finish.SATIN, School.FILL_SAND_PRIME);
        assertThat(p.work().stream().mapToDouble(SmoothPlan.Work::hours).sum()).isLessThan(p.hours());
        assertThat(p.seamDm2()).isCloseTo(2000 * 28 / 1e4, within(1e-9));
        assertThat(p.sheets()).isPositive();
        assertThat(p.findings()).allMatch(f -> f.words().contains("of hardener a batch"));
        var twice = plan(areas(2), SmoothPlan.Seams.usual(4000), Finish.SATIN, School.FILL_SAND_PRIME);
        assertThat(twice.hours()).isCloseTo(2 * p.hours(), within(1e-6));
        var rough = plan(areas(1), new SmoothPlan.Seams(2000, 0.5, 1), Finish.SATIN, School.FILL_SAND_PRIME);
        assertThat(rough.seamFiller().orElseThrow().gramsTotal()).as("steps and gaps take more")
                .isGreaterThan(p.seamFiller().orElseThrow().gramsTotal());
        assertThat(plan(areas(1), new SmoothPlan.Seams(2000, 0, 2), Finish.SATIN, School.FILL_SAND_PRIME).hours())
                .as("a hard seam takes longer")
                .isGreaterThan(p.hours());
        assertThat(plan(areas(1), SmoothPlan.Seams.NONE, Finish.SATIN, School.FILL_SAND_PRIME).seamFiller()).isEmpty();
    }

    private static boolean at(SmoothPlan.Work w, Areas.Area a) {
        return w.where().isEmpty() || w.where().contains(a.words()) || w.where().contains(a.lines().words());
    }

    /** Areas with lines alike go the same way; what is alike is one step; hours and cans are those of its areas; coarse before fine. */
    @Test
    void whatIsAlikeIsDoneInOneGo() {
        var p = plan(areas(1), SmoothPlan.Seams.NONE, Finish.SATIN, School.FILL_SAND_PRIME);
        for (var a : areas(1)) {
            var there = p.work().stream().filter(w -> at(w, a)).toList();
            assertThat(there).as(a.words()).isNotEmpty();
            assertThat(there.getLast().step().kind()).isEqualTo(Ladder.Kind.SAND);
            assertThat(there.get(there.size() - 2).step().kind()).as("the film is looked over while wet").isEqualTo(Ladder.Kind.LOOK);
            assertThat(there.get(there.size() - 3).step().kind()).as("primed before the last paper").isEqualTo(Ladder.Kind.PRIME);
            var grits = there.stream().filter(w -> w.step().kind() == Ladder.Kind.SAND).map(w -> grit(w.step().product()).p()).toList();
            assertThat(grits).isSorted();
        }
        for (var w : p.work()) {
            assertThat(w.areaDm2()).isCloseTo(areas(1).stream().filter(a -> at(w, a)).mapToDouble(Areas.Area::dm2).sum(), within(1e-9));
            assertThat(w.cans() > 0).isEqualTo(w.step().kind() == Ladder.Kind.PRIME);
            assertThat(w.sheets() > 0).isEqualTo(w.step().kind() == Ladder.Kind.SAND);
        }
        assertThat(p.work().stream().filter(w -> w.step().kind() == Ladder.Kind.PRIME)).as("one round of spraying").hasSize(1);
        assertThat(p.cans()).isCloseTo(p.work().stream().mapToDouble(SmoothPlan.Work::cans).sum(), within(1e-9));
    }

    /** The cheapest of all sequences up to five steps, tried out one by one with a simulation of their own. */
    @ParameterizedTest
    @CsvSource({"25,ARMS_LENGTH", "45,ARMS_LENGTH", "60,ARMS_LENGTH", "25,SATIN", "45,SATIN"})
    void noSequenceIsCheaper(double um, Finish finish) {
        var grits = SHOP.grits().stream().filter(g -> List.of(120, 240, 400).contains(g.p())).toList();
        var films = SHOP.coatings().stream().filter(c -> c.name().equals("filler primer")).toList();
        var bare = new Catalogue(SHOP.materials(), SHOP.profiles(), SHOP.printers(), SHOP.morePrinters(), SHOP.joins(), films, SHOP.lamps(),
                grits, SHOP.foams(), SHOP.sheets(), SHOP.practice(), SHOP.supplies(), 45, 1);
        var found = Ladder.find(um, Areas.Shape.FLAT,
                Ladder.Way.of(finish, School.FILL_SAND_PRIME, new Ladder.Weights("hands", 1, 0, 0, 0, 0)), bare, "PLA", 40);
        double best = new Tried(films.getFirst(), grits, finish).cheapest(um, 0, 30, false, 5);
        double setup = found instanceof Ladder.Outcome.Found f
                ? f.minutesPerDm2() + f.steps().stream().mapToDouble(s -> s.kind() == Ladder.Kind.PRIME ? 0.45 : 0.15).sum()
                : Double.POSITIVE_INFINITY;
        assertThat(best).as("there is a way").isLessThan(100);
        assertThat(setup).isBetween(best - 0.02, best * 1.04); // depths are told apart by 4 um
    }

    /** One film, some papers, on a flat of PLA: minutes by volume over rate. */
    private record Tried(Coating film, List<Grit> grits, Finish finish) {
        double cheapest(double valley, double over, double marks, boolean fresh, int left) {
            if (!fresh && over > 0 && valley <= finish.valleyUm() && marks <= finish.scratchUm()) return 0;
            if (left == 0) return 1e9;
            double best = 1e9;
            for (int coats = 1; coats <= 3 && !fresh && marks <= 44; coats++) {
                double stays = coats * film.filmUm() * 0.72, after = Math.max(0, valley - 0.45 * stays);
                best = Math.min(best, 0.45 + 0.22 * coats
                        + cheapest(after, over + stays - (valley - after) / 2, Math.max(12, marks - 0.45 * stays), true, left - 1));
            }
            for (var g : grits) {
                double s = 0.35 * g.grainUm();
                if (marks > 3.1 * s || over > 0 && g.p() < 240) continue;
                if (over > 0) {
                    if (g.p() <= 320)
                        best = Math.min(best, minutes(g, over, Math.max(0, marks - over)) + cheapest(valley, 0, s, false, left - 1));
                    double off = fresh ? Math.max(marks, over / 2) : marks;
                    if (over > off + 4 && (s < marks || fresh))
                        best = Math.min(best, minutes(g, off, 0) + cheapest(valley, over - off, s, false, left - 1));
                } else {
                    double down = valley - finish.valleyUm();
                    if (down > 0 && g.p() <= 240) best = Math.min(best, minutes(g, 0, Math.max(down * down / (2 * valley), marks))
                            + cheapest(finish.valleyUm(), 0, s, false, left - 1));
                    if (s < marks)
                        best = Math.min(best, minutes(g, 0, marks) + cheapest(Math.max(0, valley - marks), 0, s, false, left - 1));
                }
            }
            return best;
        }

        private static double minutes(Grit g, double filmUm, double printUm) {
            return 0.15 + Math.max(0.3, 0.01 * filmUm / (4 * g.cm3Min()) + 0.01 * printUm / g.cm3Min());
        }
    }

    /** A plate of 5 dm2 each side whose normal leans by 20 degrees: h cos a deep, half of that times its area to fill. */
    @ParameterizedTest
    @CsvSource({"0.4,18.8", "0.12,5.64"})
    void aLeaningPlateHoldsWhatTheFormulaSays(double layer, double ml) {
        double a = Math.toRadians(20);
        var plate = Shapes.box(new Vec3(-100, -125, -0.02), new Vec3(100, 125, 0.02))
                .mapped(p -> new Vec3(p.x() * Math.cos(a) + p.z() * Math.sin(a), p.y(), p.z() * Math.cos(a) - p.x() * Math.sin(a)));
        var section = new Section(new SectionId("p", "A"), plate, true);
        var profile = SHOP.profile("usual").withLayerMm(layer);
        var up = new Orientation("flat", Turn.NONE, 0, 0, 0, 0, 0, plate.bounds().size(), 0, 0);
        var print = new SectionPrint(section.id(), up, profile, SHOP.printers().getFirst(),
                Estimate.of(Layers.of(plate, Turn.NONE, layer), up, profile, SHOP.material("PLA"), SHOP.printers().getFirst()), true);
        var areas = Areas.of(DepthMap.of(List.of(new DepthMap.Printed(section, SurfaceSamples.of(plate, Bvh.of(plate), 4000), print)),
                Targets.NONE, SHOP), Targets.NONE);
        assertThat(areas.totalDm2()).isCloseTo(10, within(0.1));
        assertThat(areas.valleyMl()).isCloseTo(ml, within(0.02 * ml));
        assertThat(areas.list()).singleElement()
                .satisfies(x -> assertThat(x.meanUm()).isCloseTo(1000 * layer * Math.cos(a), within(0.01 * 1000 * layer)));
    }

    /** Filler: half the mean depth of the lines, and a skim of 0.15 mm, by area; shared between base and hardener. */
    @Test
    void fillerTakesWhatTheValleysHoldAndASkim() {
        var deep = List.of(area(Areas.Shape.CURVED, 1e5, 260, 300));
        var p = plan(deep, SmoothPlan.Seams.NONE, Finish.SATIN, School.FILL_SAND_PRIME);
        var filler = p.work().getFirst();
        assertThat(filler.step().product()).isEqualTo("two-part polyester filler");
        assertThat(filler.ml()).isCloseTo(10 * 10 * (0.260 / 2 + 0.150), within(1e-6));
        var need = new SmoothWork("p", p, java.util.Optional.empty(), SHOP).needs()
                .stream()
                .filter(n -> n.product().equals(filler.step().product()))
                .findFirst()
                .orElseThrow();
        assertThat(need.unit()).isEqualTo("g");
        assertThat(need.amount()).isCloseTo(filler.ml() * 1.85 * 1.15, within(1e-6));
    }
}
