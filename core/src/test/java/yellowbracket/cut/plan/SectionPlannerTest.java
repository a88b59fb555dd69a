package yellowbracket.cut.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import java.util.stream.Stream;
import org.junit.jupiter.params.provider.MethodSource;
import yellowbracket.cut.Bed;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.Letters;
import yellowbracket.cut.Section;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.TurnedFit;
import yellowbracket.cut.plan.SectionPlan.Aim;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.cut.solid.PlaneCut;
import yellowbracket.shop.Catalogue;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

class SectionPlannerTest {
    private static final Mesh HELM = Shapes.cappedShell(120, 4, 45, 48, 24);

    private static List<SectionPlan> plans(Mesh m, PlanWishes wishes) {
        return ((SectionPlanner.Outcome.Planned) SectionPlanner.plan(m, 1, wishes, Progress.NONE, p -> {})).plans();
    }

    private static List<Section> cut(Mesh m, SectionPlan p) {
        return Sectioning.of(m, Bvh.of(m), p.tree(), "p", Letters.alone(), Progress.NONE).sections();
    }

    @Test
    void everyPlanFitsAndIsWhatItSays() {
        var bed = new Bed(160, 160, 160);
        for (var p : plans(HELM, PlanWishes.of(bed))) {
            var sections = cut(HELM, p);
            assertThat(sections).as(p.name()).hasSize(p.sections());
            assertThat(SectionPlanner.tooLarge(sections, List.of(bed))).isEmpty();
            assertThat(p.reasons()).hasSize(p.tree().planeCount()).allSatisfy(r -> assertThat(r.why()).hasSizeGreaterThan(10));
            assertThat(p.hours()).isPositive();
        }
    }

    @Test
    void eachAimIsServedBestByItsOwnPlan() {
        var outcome = (SectionPlanner.Outcome.Planned) SectionPlanner.plan(HELM, 1, new Bed(160, 160, 160), Progress.NONE);
        var fewest = outcome.best(Aim.FEWEST);
        assertThat(outcome.plans()).allSatisfy(p -> assertThat(p.sections()).isGreaterThanOrEqualTo(fewest.sections()));
        assertThat(outcome.best(Aim.SUPPORT).supportH()).isLessThanOrEqualTo(fewest.supportH() + 1e-9);
        assertThat(outcome.plans().stream().map(SectionPlan::tree).distinct().count()).as("no plan twice")
                .isEqualTo(outcome.plans().size());
    }

    @ParameterizedTest
    @CsvSource({"500,3", "700,4"})
    void aStaffTakesAsManyPartsAsItsLengthAsksFor(double length, int parts) {
        double bed = length / parts + 4;
        var staff = Shapes.tube(15, 11, 0, length, 24);
        assertThat(plans(staff, PlanWishes.of(new Bed(bed, 60, 60))).stream().mapToInt(SectionPlan::sections).min().orElseThrow())
                .isBetween(parts, parts + 1);
    }

    @Test
    void aLongPieceThatStandsAskewIsNotCut() {
        var stick = Shapes.box(new Vec3(-130, -5, -5), new Vec3(130, 5, 5));
        var bed = new Bed(200, 200, 100);
        assertThat(bed.holds(stick.bounds().size())).isFalse();
        assertThat(plans(stick, PlanWishes.of(bed)).getFirst().aims()).contains(Aim.WHOLE);
        var turn = TurnedFit.of(stick, bed).orElseThrow();
        assertThat(TurnedFit.holds(stick, turn, bed)).isTrue();
        assertThat(stick.turned(turn).bounds().size().x()).isLessThanOrEqualTo(200);
    }

    @Test
    void whatStandsNowhereTellsByHowMuch() {
        var stand = TurnedFit.stand(Shapes.box(Vec3.ZERO, new Vec3(300, 300, 300)), new Bed(200, 200, 200));
        assertThat(stand.fits()).isFalse();
        assertThat(stand.overMm()).isCloseTo(100, within(2.0));
        assertThat(TurnedFit.stand(Shapes.box(Vec3.ZERO, new Vec3(10, 10, 10)), new Bed(200, 200, 200)))
                .isEqualTo(new TurnedFit.Stand(Optional.of(Turn.NONE), 0));
    }

    static Stream<Mesh> solids() {
        return Stream.of(Shapes.ellipsoid(70, 55, 130, 48, 32), Shapes.bumpySphere(110, 4000),
                Shapes.box(new Vec3(-90, -40, 0), new Vec3(110, 60, 240)), Shapes.torus(120, 40, 64, 32),
                Shapes.tube(60, 48, 0, 420, 64).mapped(p -> new Vec3(p.x() + 0.2 * p.z(), p.y(), p.z())));
    }

    /** Never more parts and more seam than evenly spaced planes, no crumbs, no slices. */
    @ParameterizedTest
    @MethodSource("solids")
    void noPlanIsWorseThanAPlainGridOrLeavesCrumbs(Mesh m) {
        var bed = new Bed(150, 150, 150);
        var grid = grid(m, bed);
        double seam = grid.seams().stream().mapToDouble(s -> s.lengthMm()).sum();
        for (var p : plans(m, PlanWishes.of(bed))) {
            assertThat(p.sections() > grid.sections().size() && p.seamMm() > seam)
                    .as("%s: %d parts, %.0f mm of seam against %d, %.0f", p.name(), p.sections(), p.seamMm(), grid.sections().size(), seam)
                    .isFalse();
            var volumes = cut(m, p).stream().mapToDouble(s -> s.mesh().volumeMm3()).summaryStatistics();
            assertThat(volumes.getMin()).as(p.name()).isGreaterThan(0.02 * volumes.getAverage());
            for (var a : p.tree().planes()) for (var b : p.tree().planes()) {
                double apart = Math.abs(a.offsetMm() - b.offsetMm());
                if (a.normal().dot(b.normal()) > 0.999 && apart > 1e-6) assertThat(apart).as(p.name()).isGreaterThan(8);
            }
        }
    }

    private static Sectioning grid(Mesh m, Bed bed) {
        CutTree t = CutTree.WHOLE;
        var size = m.bounds().size();
        for (int a = 0; a < 3; a++) {
            int n = (int) Math.ceil(size.get(a) / 150);
            for (int i = 1; i < n; i++) t = t.cutEverywhere(CutPlane.across(a, m.bounds().min().get(a) + size.get(a) * i / n + 0.0371));
        }
        return Sectioning.of(m, Bvh.of(m), t, "p", Letters.alone(), Progress.NONE);
    }

    @Test
    void lockedPlanesStay() {
        var locked = CutPlane.across(2, 10.037);
        CutTree kept = new CutTree.Split(locked, CutTree.WHOLE, CutTree.WHOLE, true);
        for (var p : plans(HELM, PlanWishes.of(new Bed(160, 160, 160)).keeping(kept))) {
            assertThat(p.tree().planes().getFirst()).isEqualTo(locked);
            assertThat(p.tree().locks().getFirst()).isTrue();
            assertThat(p.reasons().getFirst().locked()).isTrue();
        }
    }

    /** A figure with a thin neck in its middle, as tall as two beds: cutting the neck is the shortest seam, and the wrong one. */
    @Test
    void aNeckIsNotCutWhereThereIsAThickPlaceBesideIt() {
        var figure = Shapes.lathe(new double[][] {{0, -150}, {40, -140}, {40, -30}, {9, -10}, {9, 10}, {40, 30}, {40, 140}, {0, 150}},
                false, 48);
        for (var p : plans(figure, PlanWishes.of(new Bed(190, 190, 190)))) {
            assertThat(p.sections()).as(p.name()).isBetween(2, 4);
            var neck = p.tree().planes().stream().filter(q -> q.normal().z() > 0.9 && Math.abs(q.offsetMm()) < 15);
            if (p.aims().contains(Aim.CHEAPEST)) assertThat(neck).as(p.reasons().toString()).isEmpty();
        }
    }

    @Test
    void noPlanHasFewerPartsThanTheBoundTold() {
        var bed = List.of(new Bed(100, 100, 100));
        assertThat(PartsBound.of(Shapes.box(Vec3.ZERO, new Vec3(90, 90, 90)), bed, true)).isEqualTo(1);
        assertThat(PartsBound.of(Shapes.box(Vec3.ZERO, new Vec3(190, 190, 190)), bed, false)).as("its corners are 190 apart").isEqualTo(8);
        assertThat(PartsBound.of(Shapes.tube(2, 0, 0, 1000, 8), bed, false)).as("points 174 apart on a stick of 1000").isBetween(2, 6);
        for (var m : solids().toList()) {
            var outcome = (SectionPlanner.Outcome.Planned) SectionPlanner.plan(m, 1, new Bed(150, 150, 150), Progress.NONE);
            assertThat(outcome.plans()).allSatisfy(p -> assertThat(p.sections()).isGreaterThanOrEqualTo(outcome.atLeast()));
            assertThat(outcome.atLeast()).isGreaterThanOrEqualTo(2);
        }
    }

    @Test
    void twoPrintersOfDifferentSizeShareTheLoad() {
        var small = new Bed(150, 150, 150);
        var plans = plans(HELM, PlanWishes.of(small, new Bed(300, 300, 300)));
        assertThat(plans.getFirst().aims()).contains(Aim.WHOLE);
        var every = plans.stream().filter(p -> p.aims().contains(Aim.EVERY_BED)).findFirst().orElseThrow();
        assertThat(SectionPlanner.tooLarge(cut(HELM, every), List.of(small))).isEmpty();
    }

    @Test
    void creasesAndColourBordersLeaveLessToHide() {
        var tower = Shapes.tube(40, 0, -60, 60, 64).mapped(p -> p.z() > 0 ? new Vec3(0.6 * p.x(), 0.6 * p.y(), p.z()) : p);
        var worth = SurfaceWorth.of(tower, p -> p.x() > 0 ? 1 : 0, Optional.empty());
        var box = Shapes.box(new Vec3(-40, -40, -150), new Vec3(40, 40, 150));
        var plain = SurfaceWorth.of(box, p -> 0, Optional.empty());
        var look = CutSweep.of(plain.tagged(), Vec3.Z, new double[] {-20}, false, plain).getFirst();
        assertThat(look.lineMm()).isCloseTo(320, within(1e-6));
        assertThat(look.areaMm2()).isCloseTo(6400, within(1e-6));
        assertThat(look.above()).isEqualTo(new Vec3(80, 80, 170));
        assertThat(look.below()).isEqualTo(new Vec3(80, 80, 130));
        assertThat(look.toHideMm()).isGreaterThan(0);
        var upright = CutSweep.of(worth.tagged(), Vec3.X, new double[] {-0.2}, false, worth).getFirst();
        assertThat(upright.borderMm()).as("two colours meet there").isGreaterThan(0.2 * upright.showMm());
        assertThat(upright.toHideMm()).isLessThan(upright.showMm());
    }

    @Test
    void openingsRepelSeams() {
        // a tube looked out of along y, through a window in front of the eyes
        var open = Shapes.tube(60, 56, -60, 60, 96).turned(Turn.quarter(0));
        var worth = SurfaceWorth.of(open, p -> 0, Optional.of(Vec3.ZERO));
        var across = CutSweep.of(worth.tagged(), Vec3.X, new double[] {0.3}, false, worth).getFirst();
        var behind = CutSweep.of(worth.tagged(), Vec3.Y, new double[] {-30}, false, worth).getFirst();
        assertThat(across.rimMm()).isPositive();
        assertThat(behind.rimMm()).isZero();
        assertThat(across.why(true)).contains("crosses the rim");
        assertThat(behind.why(true)).contains("clear of the eye opening");
    }

    @Test
    void aSweepSeesWhatSingleLooksSee() {
        var worth = SurfaceWorth.creases(Shapes.torus(60, 18, 48, 24).turned(Turn.pitch(25)));
        var n = new Vec3(0.3, 0.5, 0.8).unit();
        double[] offsets = {-40.3, -12.7, 0.11, 13.9, 51.2};
        var together = CutSweep.of(worth.tagged(), n, offsets, false, worth);
        var single = new ArrayList<CutChoice>();
        for (double d : offsets) single.addAll(CutSweep.of(worth.tagged(), n, new double[] {d}, false, worth));
        assertThat(together).hasSize(5);
        assertThat(together).as("but for what lies beside it").usingRecursiveComparison().ignoringFields("neck").isEqualTo(single);
        for (var c : together) {
            var halves = PlaneCut.cut(worth.tagged(), c.plane(), 0);
            var up = halves.above().bounds().size();
            assertThat(up.minus(c.above()).norm()).isLessThan(1e-9);
            double cap = 0;
            for (int f = 0; f < halves.above().triangleCount(); f++) if (halves.above().tag(f) == 0) cap += halves.above().area(f);
            assertThat(c.areaMm2()).isCloseTo(cap, within(1e-6));
        }
    }

    @Test
    void aSearchThatIsStoppedLeavesItsBest() {
        var progress = new Progress.Switch();
        var heard = new ArrayList<List<SectionPlan>>();
        var outcome = SectionPlanner.plan(HELM, 1, PlanWishes.of(new Bed(130, 130, 130)), progress, found -> {
            heard.add(found.plans());
            if (!found.plans().isEmpty()) progress.off();
        });
        assertThat(((SectionPlanner.Outcome.Planned) outcome).plans()).isEqualTo(heard.getLast()).hasSize(1);
        var off = new Progress.Switch();
        off.off();
        assertThatThrownBy(() -> SectionPlanner.plan(HELM, 1, new Bed(130, 130, 130), off)).isInstanceOf(Progress.Stopped.class);
    }

    @Test
    void moreFailuresMakeLongPrintsDearer() {
        var labour = PlanWishes.Labour.of(Catalogue.builtIn());
        var safe = new PlanWishes.Rates(17_000, 0, 1.3, 0.15, labour, PlanTuning.USUAL);
        var risky = new PlanWishes.Rates(17_000, 0.02, 1.3, 0.15, labour, PlanTuning.USUAL);
        assertThat(safe.hours(2 * 170_000, 1e9) - 2 * safe.hours(170_000, 1e9)).isCloseTo(0, within(1e-9));
        assertThat(risky.hours(2 * 170_000, 1e9)).isGreaterThan(2.1 * risky.hours(170_000, 1e9));
        assertThat(risky.hours(170_000, 1e9)).as("(e^(0.02 * 10) - 1) / 0.02").isCloseTo(11.07, within(0.01));
    }
}
