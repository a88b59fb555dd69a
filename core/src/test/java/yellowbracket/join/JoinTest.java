package yellowbracket.join;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.Letters;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.shop.Catalogue;

class JoinTest {
    private static final Catalogue SHOP = Catalogue.builtIn();

    private static Sectioning cut(Mesh m, CutTree t) {
        return Sectioning.of(m, Bvh.of(m), t, "p", Letters.alone(), Progress.NONE);
    }

    private static CutTree quarters() {
        var half = CutTree.split(CutPlane.across(0, 0.1), CutTree.WHOLE, CutTree.WHOLE);
        return CutTree.split(CutPlane.across(2, 0.1), half, half);
    }

    @Test
    void bendingOfARodIsAsInTheHandbook() {
        var rod = cut(Shapes.tube(10, 0, -300, 300, 128), CutTree.split(CutPlane.across(2, 0), CutTree.WHOLE, CutTree.WHOLE));
        var load = Load.of(rod.seams().getFirst(), 100, 150);
        double newton = 6 * 9.81e-3 * 100;
        assertThat(load.bendingMpa()).isCloseTo(newton * 150 / (Math.PI / 4 * 1000), within(0.01));
        assertThat(load.shearMpa()).isCloseTo(newton / (Math.PI * 100), within(1e-3));
    }

    @Test
    void everySeamGetsAWayWithAReserveAndAReason() {
        var s = cut(Shapes.cappedShell(100, 4, 50, 72, 36), quarters());
        var plan = JoinPlan.of(s.sections(), s.seams(), Map.of("A", 80.0, "B", 80.0, "C", 60.0, "D", 60.0), "PLA", 20, 35, Map.of(), SHOP);
        assertThat(plan.joins()).hasSize(s.seams().size());
        for (var j : plan.joins()) {
            assertThat(j.reserve()).isGreaterThan(JoinPlan.LEAST_RESERVE);
            assertThat(j.why()).isNotBlank();
            assertThat(j.grams()).isPositive();
            assertThat(j.product().suits("PLA")).isTrue();
        }
        assertThat(plan.findings()).isEmpty();
    }

    @Test
    void theMakersChoiceStands() {
        var s = cut(Shapes.cappedShell(100, 4, 50, 72, 36), quarters());
        String seam = s.seams().getFirst().name();
        var plan = JoinPlan.of(s.sections(), s.seams(), Map.of(), "PLA", 20, 35, Map.of(seam, "epoxy slow"), SHOP);
        assertThat(plan.join(seam).product().name()).isEqualTo("epoxy slow");
    }

    @Test
    void coldSlowsTheCureAndSolventsNeedTheirPlastic() {
        var s = cut(Shapes.tube(20, 17, -50, 50, 48), CutTree.split(CutPlane.across(2, 0.1), CutTree.WHOLE, CutTree.WHOLE));
        var load = Load.of(s.seams().getFirst(), 50, 25);
        var warm = JoinPlan.options(s.seams().getFirst(), load, "ABS", 20, 35, SHOP);
        var cold = JoinPlan.options(s.seams().getFirst(), load, "ABS", 10, 35, SHOP);
        assertThat(hold(cold, "epoxy 5 min")).isCloseTo(2 * hold(warm, "epoxy 5 min"), within(1e-9));
        assertThat(warm).anyMatch(j -> j.product().name().equals("solvent cement"));
        assertThat(JoinPlan.options(s.seams().getFirst(), load, "PLA", 20, 35, SHOP))
                .noneMatch(j -> j.product().name().equals("solvent cement"));
    }

    private static double hold(List<SeamJoin> list, String name) {
        return list.stream().filter(j -> j.product().name().equals(name)).findFirst().orElseThrow().holdMin();
    }

    @Test
    void aWeakNeckIsTold() {
        var rod = cut(Shapes.tube(1.2, 0, -700, 700, 24), CutTree.split(CutPlane.across(2, 0.1), CutTree.WHOLE, CutTree.WHOLE));
        var plan = JoinPlan.of(rod.sections(), rod.seams(), Map.of("A", 900.0, "B", 900.0), "PLA", 20, 35, Map.of(), SHOP);
        assertThat(plan.findings()).singleElement().asString().contains("seam A|B", "add a rod");
    }

    @Test
    void theOrderJoinsEverySectionOnceAndEverySeamIsClosed() {
        var s = cut(Shapes.cappedShell(100, 4, 50, 72, 36), quarters());
        var steps = JoinPlan.order(s.sections(), s.seams(), Map.of("A", 10.0, "B", 50.0, "C", 20.0, "D", 30.0));
        assertThat(steps).hasSize(3);
        var closed = new HashSet<String>();
        steps.forEach(st -> closed.addAll(st.seams()));
        assertThat(closed).containsExactlyInAnyOrderElementsOf(s.seams().stream().map(q -> q.name()).toList());
        var last = steps.getLast();
        assertThat(last.one().size() + last.other().size()).isEqualTo(4);
        assertThat(steps.getFirst().one()).as("the lightest pair first").doesNotContain("B");
    }

    @Test
    void looseSectionsAreLeftAlone() {
        var two = Mesh.union(List.of(Shapes.sphere(10, 12), Shapes.sphere(10, 12).moved(new Vec3(50, 0, 0))));
        var s = cut(two, CutTree.WHOLE);
        assertThat(s.sections()).hasSize(2);
        assertThat(JoinPlan.of(s.sections(), s.seams(), Map.of(), "PLA", 20, 35, Map.of(), SHOP).steps()).isEmpty();
    }

    @Test
    void whatIsLeftInACarIsNotJoinedWithWhatCreepsThere() {
        var s = cut(Shapes.cappedShell(100, 4, 50, 72, 36), quarters());
        var hot = JoinPlan.of(s.sections(), s.seams(), Map.of(), "PLA", 20, 75, Map.of(), SHOP);
        assertThat(hot.joins()).allSatisfy(j -> assertThat(j.product().mostC()).isGreaterThanOrEqualTo(75));
        var chosen = s.seams().getFirst().name();
        var melts = JoinPlan.of(s.sections(), s.seams(), Map.of(), "PLA", 20, 75, Map.of(chosen, "hot melt"), SHOP);
        assertThat(melts.findings())
                .anyMatch(f -> f.words().contains("hot melt creeps above 50 C") && f.words().endsWith("seam " + chosen));
        assertThat(JoinPlan.of(s.sections(), s.seams(), Map.of(), "PLA", 20, 35, Map.of(chosen, "hot melt"), SHOP).findings())
                .noneMatch(f -> f.words().contains("creeps"));
    }
}
