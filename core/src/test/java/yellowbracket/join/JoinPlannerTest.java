package yellowbracket.join;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.Letters;
import yellowbracket.cut.Seam;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.shop.Catalogue;

class JoinPlannerTest {
    private static final Catalogue SHOP = Catalogue.builtIn();
    private static final Mesh SHELL = Shapes.cappedShell(100, 4, 50, 72, 36);
    private static final Mesh ROD = Shapes.tube(9, 0, -700, 700, 48);

    private static Sectioning cut(Mesh m, CutTree t) {
        return Sectioning.of(m, Bvh.of(m), t, "p", Letters.alone(), Progress.NONE);
    }

    private static CutTree quarters() {
        var half = CutTree.split(CutPlane.across(0, 0.1), CutTree.WHOLE, CutTree.WHOLE);
        return CutTree.split(CutPlane.across(2, 0.1), half, half);
    }

    private static CutTree halves() {
        return CutTree.split(CutPlane.across(2, 0.1), CutTree.WHOLE, CutTree.WHOLE);
    }

    /** What is changed against a prop of 300 g in PLA, handled with care in a shop at 20 degrees. */
    private record Setting(String material, double celsius, double hottest, JoinWish wish, Map<String, List<Rod>> rods, double grams) {
        static final Setting USUAL = new Setting("PLA", 20, 35, JoinWish.NONE, Map.of(), 300);

        Setting of(String m) {
            return new Setting(m, celsius, hottest, wish, rods, grams);
        }

        Setting at(double c) {
            return new Setting(material, c, hottest, wish, rods, grams);
        }

        Setting hot(double c) {
            return new Setting(material, celsius, c, wish, rods, grams);
        }

        Setting wishing(JoinWish w) {
            return new Setting(material, celsius, hottest, w, rods, grams);
        }

        Setting with(Map<String, List<Rod>> r) {
            return new Setting(material, celsius, hottest, wish, r, grams);
        }

        JoinPlan plan(Sectioning s) {
            var prints = new HashMap<String, JoinPlanner.Print>();
            for (var q : s.sections()) prints.put(q.name(),
                    new JoinPlanner.Print(grams / s.sections().size(), material, new Weakest.Printed(3, 0.44, 0.15, Vec3.Z, 50, 0.5)));
            return JoinPlanner.plan(
                    new JoinPlanner.Given(s.sections(), s.seams(), Contact.of(s.sections(), s.seams(), Progress.NONE), prints, Map.of(),
                            rods, celsius, hottest, wish, List.of(LoadCase.picked(wish.times().orElse(LoadCase.CAREFUL))), Set.of(), SHOP),
                    Progress.NONE);
        }
    }

    @Test
    void everySeamGetsAWayWithAReserveAndEveryOtherItsReason() {
        var s = cut(SHELL, quarters());
        var plan = Setting.USUAL.plan(s);
        assertThat(plan.joins()).hasSize(s.seams().size());
        for (var j : plan.joins()) {
            assertThat(j.reserve()).isGreaterThan(JoinPlan.LEAST_RESERVE);
            assertThat(j.high()).isGreaterThanOrEqualTo(j.reserve());
            assertThat(j.grams()).isPositive();
            assertThat(j.bondedMm2()).isPositive().isLessThan(j.seam().areaMm2());
            assertThat(plan.options().get(j.seam().name())).hasSize(SHOP.joins().size())
                    .filteredOn(o -> o.product().name().equals("solvent cement"))
                    .allSatisfy(o -> {
                        assertThat(o.objections()).contains("does not hold on PLA");
                        assertThat(o.reserve()).isZero();
                    });
        }
    }

    @Test
    void theMakersChoiceStandsForOneSeam() {
        var s = cut(SHELL, quarters());
        String seam = s.seams().getFirst().name();
        assertThat(Setting.USUAL.wishing(JoinWish.NONE.with(seam, "epoxy slow")).plan(s).join(seam).product().name())
                .isEqualTo("epoxy slow");
    }

    @Test
    void coldSlowsTheCureAndLeavesMoreTime() {
        var s = cut(SHELL, halves());
        var warm = way(Setting.USUAL.plan(s), "epoxy 5 min");
        var cold = way(Setting.USUAL.at(10).plan(s), "epoxy 5 min");
        assertThat(cold.holdMin()).isCloseTo(2 * warm.holdMin(), within(1e-9));
        assertThat(cold.openMin()).isCloseTo(2 * warm.openMin(), within(1e-9));
        assertThat(way(Setting.USUAL.of("ABS").plan(s), "solvent cement").speaks(SeamJoin.Why.MATERIAL)).isFalse();
    }

    private static SeamJoin way(JoinPlan plan, String product) {
        var first = plan.joins().getFirst().seam().name();
        return plan.options().get(first).stream().filter(o -> o.product().name().equals(product)).findFirst().orElseThrow();
    }

    @Test
    void whatIsLeftInACarIsNotJoinedWithWhatCreepsThere() {
        var s = cut(SHELL, quarters());
        assertThat(Setting.USUAL.hot(75).plan(s).joins()).allSatisfy(j -> assertThat(j.product().mostC()).isGreaterThanOrEqualTo(75));
        var chosen = JoinWish.NONE.with(s.seams().getFirst().name(), "hot melt");
        assertThat(Setting.USUAL.hot(75).wishing(chosen).plan(s).findings())
                .anyMatch(f -> f.words().contains("hot melt creeps above 50 C"));
        assertThat(Setting.USUAL.wishing(chosen).plan(s).findings()).noneMatch(f -> f.words().contains("creeps"));
    }

    @Test
    void aGapThatWasFoundTakesAnotherProductAndMoreOfIt() {
        var s = cut(SHELL, halves());
        String seam = s.seams().getFirst().name();
        var before = Setting.USUAL.plan(s).join(seam);
        var after = Setting.USUAL.wishing(JoinWish.NONE.found(seam, new JoinWish.DryFit(2.5, 0))).plan(s).join(seam);
        assertThat(after.product().gapMm()).isGreaterThanOrEqualTo(2.5);
        assertThat(after.grams()).isGreaterThan(before.grams());
        assertThat(after.speaks(SeamJoin.Why.GAP)).isFalse();
        var fits = Setting.USUAL.wishing(JoinWish.NONE.found(seam, new JoinWish.DryFit(0, 0))).plan(s).join(seam);
        assertThat(fits.product()).isEqualTo(before.product());
    }

    @Test
    void aWeakJointIsToldWithTheRodThatWouldDoAndTheRodDoes() {
        var s = cut(ROD, halves());
        var heavy = new Setting("PLA", 20, 35, JoinWish.NONE, Map.of(), 1800);
        var plan = heavy.plan(s);
        String seam = s.seams().getFirst().name();
        assertThat(plan.join(seam).reserve()).isLessThan(JoinPlan.LEAST_RESERVE);
        assertThat(plan.findings()).anyMatch(f -> f.weight() != Weight.NOTE && f.words().contains("seam " + seam + " bears only"));
        var rod = plan.rods().get(seam).getFirst();
        assertThat(heavy.with(Map.of(seam, List.of(rod))).plan(s).join(seam).reserve())
                .isGreaterThanOrEqualTo(JoinPlan.LEAST_RESERVE * 0.999);
    }

    @Test
    void seamsOfOneStepShareAProductAndTheTimeTheyNeedIsTold() {
        var s = cut(SHELL, quarters());
        var plan = Setting.USUAL.plan(s);
        for (var step : plan.steps()) {
            assertThat(step.products()).hasSize(1);
            double need = step.seams().stream().mapToDouble(n -> plan.join(n).needMin()).sum();
            assertThat(step.needMin()).isCloseTo(need, within(1e-9));
            assertThat(step.inTime()).isEqualTo(need <= step.openMin());
            assertThat(step.grams()).as("no less can be mixed").isGreaterThanOrEqualTo(2);
            assertThat(step.how()).isNotBlank();
        }
        var closed = new HashSet<String>();
        plan.steps().forEach(st -> closed.addAll(st.seams()));
        assertThat(closed).containsExactlyInAnyOrderElementsOf(s.seams().stream().map(Seam::name).toList());
        var quick = new HashMap<String, String>();
        s.seams().forEach(q -> quick.put(q.name(), "CA gel"));
        assertThat(Setting.USUAL.wishing(JoinWish.NONE.withProducts(quick)).plan(s).findings())
                .anyMatch(f -> f.words().matches("step \\d closes \\d seams: .* min to wet and align them, CA gel stays open 1.0"));
    }

    @Test
    void rougherHandlingBearsLess() {
        var s = cut(ROD, halves());
        double careful = Setting.USUAL.plan(s).joins().getFirst().demand().mpa();
        double rough = Setting.USUAL.wishing(JoinWish.NONE.withTimes(Optional.of(6.0))).plan(s).joins().getFirst().demand().mpa();
        assertThat(rough).isCloseTo(2 * careful, within(1e-9));
    }

    @Test
    void bodiesThatTouchAreJoinedAndWhatTouchesNothingIsTold() {
        var two = Mesh.union(List.of(Shapes.box(Vec3.ZERO, new Vec3(40, 40, 10)), Shapes.box(new Vec3(10, 10, 10.1), new Vec3(30, 30, 60)),
                Shapes.sphere(10, 24).moved(new Vec3(20, 20, 120))));
        var s = cut(two, CutTree.WHOLE);
        var plan = Setting.USUAL.plan(s);
        assertThat(s.seams()).isEmpty();
        assertThat(plan.joins()).singleElement().satisfies(j -> {
            assertThat(j.seam().plane()).isEqualTo(Contact.NO_PLANE);
            assertThat(j.seam().areaMm2()).isCloseTo(400, within(8.0));
        });
        assertThat(plan.steps()).hasSize(1);
        assertThat(plan.findings()).anyMatch(f -> f.words().contains("touches nothing"));
    }

    @Test
    void onePieceAsksForNothing() {
        var plan = Setting.USUAL.plan(cut(SHELL, CutTree.WHOLE));
        assertThat(plan.joins()).isEmpty();
        assertThat(plan.steps()).isEmpty();
        assertThat(plan.findings()).isEmpty();
        assertThat(plan.glueGrams()).isZero();
    }

    @Test
    void anOpenModelIsJoinedByWhatItStillHas() {
        var keep = new boolean[SHELL.triangleCount()];
        for (int f = 0; f < keep.length; f++) keep[f] = f % 37 != 0;
        var s = cut(SHELL.only(keep), halves());
        var plan = Setting.USUAL.plan(s);
        for (var j : plan.joins()) assertThat(j.reserve()).isNotNaN();
    }

    @Test
    void noSectionsAndSixty() {
        var none = JoinPlanner.plan(new JoinPlanner.Given(List.of(), List.of(), Contact.Found.NONE, Map.of(), Map.of(), Map.of(), 20, 35,
                JoinWish.NONE, List.of(LoadCase.picked(3)), Set.of(), SHOP), Progress.NONE);
        assertThat(none.joins()).isEmpty();
        CutTree t = CutTree.WHOLE;
        for (int i = 1; i < 60; i++) t = CutTree.split(CutPlane.across(2, -700 + 1400.0 * i / 60 + 0.01), CutTree.WHOLE, t);
        var s = cut(ROD, t);
        assertThat(s.sections()).hasSize(60);
        var plan = Setting.USUAL.plan(s);
        assertThat(plan.steps()).hasSize(59);
        assertThat(plan.joins()).hasSize(59).allSatisfy(j -> assertThat(j.reserve()).isPositive());
    }

    @Test
    void tooColdAndTooHotAreToldAndCountedAtTheNearestThatIsKnown() {
        var s = cut(SHELL, halves());
        var cold = Setting.USUAL.at(-20).plan(s);
        assertThat(cold.findings()).anyMatch(f -> f.weight() == Weight.STOP && f.words().contains("at -20 C in the shop"));
        assertThat(way(cold, "epoxy 5 min").holdMin()).isEqualTo(way(Setting.USUAL.at(5).plan(s), "epoxy 5 min").holdMin());
        assertThat(Setting.USUAL.at(40).plan(s).findings()).isEmpty();
    }

    @Test
    void aProductChosenAgainstItsReasonsIsTold() {
        var s = cut(SHELL, halves());
        String seam = s.seams().getFirst().name();
        assertThat(Setting.USUAL.wishing(JoinWish.NONE.with(seam, "solvent cement")).plan(s).findings())
                .anyMatch(f -> f.weight() == Weight.STOP && f.words().equals("seam " + seam + ": solvent cement does not hold on PLA"));
        assertThat(Setting.USUAL.wishing(JoinWish.NONE.with(seam, "CA gel").found(seam, new JoinWish.DryFit(1, 0))).plan(s).findings())
                .anyMatch(f -> f.words().contains("CA gel does not fill a gap of 1.0 mm"));
    }

    /** Hung straight: nothing bends, and what pulls is borne by the glue all the same. */
    @Test
    void aStraightPullIsNotNothing() {
        var s = cut(ROD, halves());
        var prints = new HashMap<String, JoinPlanner.Print>();
        for (var q : s.sections())
            prints.put(q.name(), new JoinPlanner.Print(20_000, "PLA", new Weakest.Printed(3, 0.44, 0.15, Vec3.Z, 50, 0.5)));
        var top = s.sections().stream().max(Comparator.comparingDouble(q -> q.mesh().bounds().max().z())).orElseThrow().name();
        var plan = JoinPlanner.plan(new JoinPlanner.Given(s.sections(), s.seams(), Contact.Found.NONE, prints, Map.of(), Map.of(), 20, 35,
                JoinWish.NONE, List.of(LoadCase.hung(2, Set.of(top))), Set.of(), SHOP), Progress.NONE);
        var j = plan.joins().getFirst();
        double pull = 2 * 20_000 * Loads.GRAVITY;
        assertThat(j.demand().newton()).isCloseTo(pull, within(1e-6));
        assertThat(j.demand().mpa() * JointGroup.TENSION).isCloseTo(pull / j.bondedMm2(), within(0.02 * pull / j.bondedMm2()));
        assertThat(j.reserve()).isLessThan(JoinPlan.HARDLY);
    }
}
