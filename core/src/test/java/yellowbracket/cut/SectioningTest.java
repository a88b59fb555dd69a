package yellowbracket.cut;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowbracket.cut.plan.SectionPlan;
import yellowbracket.cut.plan.SectionPlanner;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshAssert;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

class SectioningTest {
    private static Sectioning of(Mesh m, CutTree t) {
        return Sectioning.of(m, Bvh.of(m), t, "p", Letters.alone(), Progress.NONE);
    }

    @Test
    void aTubeCutAcrossHasASeamOfItsRing() {
        var tube = Shapes.tube(30, 26, 0, 100, 256);
        var s = of(tube, CutTree.split(CutPlane.across(2, 40), CutTree.WHOLE, CutTree.WHOLE));
        assertThat(s.sections()).extracting(Section::name).containsExactly("A", "B");
        var seam = s.seams().getFirst();
        assertThat(seam.name()).isEqualTo("A|B");
        assertThat(seam.areaMm2()).isCloseTo(Math.PI * (900 - 676), within(0.5));
        assertThat(seam.lengthMm()).isCloseTo(2 * Math.PI * 56, within(0.2));
        assertThat(seam.showLengthMm()).as("outside is seen; the bore of a long tube is not").isCloseTo(2 * Math.PI * 30, within(4.0));
        assertThat(seam.wallMm()).isCloseTo(4, within(0.01));
        assertThat(seam.leastMomentMm4()).isCloseTo(Math.PI / 4 * (Math.pow(30, 4) - Math.pow(26, 4)), within(900.0));
        assertThat(seam.halfDepthMm()).isCloseTo(30, within(0.05));
    }

    @Test
    void momentsOfARectangle() {
        var bar = Shapes.box(Vec3.ZERO, new Vec3(20, 6, 100));
        var seam = of(bar, CutTree.split(CutPlane.across(2, 50), CutTree.WHOLE, CutTree.WHOLE)).seams().getFirst();
        assertThat(seam.leastMomentMm4()).isCloseTo(20 * 6 * 6 * 6 / 12.0, within(1e-6));
        assertThat(seam.halfDepthMm()).isCloseTo(3, within(1e-9));
        assertThat(seam.centre().distance(new Vec3(10, 3, 50))).isLessThan(1e-9);
    }

    @Test
    void aPlaneCutsOnlyItsOwnSideAndSeamsFollow() {
        var box = Shapes.box(Vec3.ZERO, new Vec3(100, 100, 100));
        var tree = CutTree.split(CutPlane.across(2, 50), CutTree.split(CutPlane.across(0, 30), CutTree.WHOLE, CutTree.WHOLE),
                CutTree.WHOLE);
        var s = of(box, tree);
        assertThat(s.sections()).hasSize(3);
        assertThat(s.seams()).extracting(Seam::areaMm2)
                .satisfiesExactlyInAnyOrder(a -> assertThat(a).isCloseTo(3000, within(1e-6)),
                        a -> assertThat(a).isCloseTo(7000, within(1e-6)), a -> assertThat(a).isCloseTo(5000, within(1e-6)));
        assertThat(s.sections().stream().mapToDouble(q -> q.mesh().volumeMm3()).sum()).isCloseTo(1e6, within(1e-3));
        var larger = s.scaled(2);
        assertThat(larger.seams().getFirst().areaMm2()).isCloseTo(4 * s.seams().getFirst().areaMm2(), within(1e-6));
        assertThat(larger.section("A").mesh().volumeMm3()).isCloseTo(8 * s.section("A").mesh().volumeMm3(), within(1e-3));
    }

    @Test
    void loosePartsOfASideBecomeSections() {
        var arch = Shapes.torus(50, 10, 64, 24).turned(yellowbracket.mesh.Turn.pitch(90));
        var s = of(arch, CutTree.split(CutPlane.across(2, 0.3), CutTree.WHOLE, CutTree.WHOLE));
        assertThat(s.sections()).hasSize(2);
        s = of(arch, CutTree.split(CutPlane.across(2, 30.3), CutTree.WHOLE,
                CutTree.split(CutPlane.across(2, -30.3), CutTree.WHOLE, CutTree.WHOLE)));
        assertThat(s.sections()).as("top, two sides, bottom").hasSize(4);
        assertThat(s.seams()).hasSize(4);
    }

    @Test
    void aSliverIsTold() {
        assertThat(of(Shapes.box(Vec3.ZERO, new Vec3(20, 20, 20)), CutTree.split(CutPlane.across(2, 19.9), CutTree.WHOLE, CutTree.WHOLE))
                .findings()).singleElement().asString().contains("sliver");
    }

    @Test
    void lightCopiesKeepTheNames() {
        var m = Shapes.cappedShell(60, 4, 40, 90, 50);
        var tree = CutTree.split(CutPlane.across(0, 0.1), CutTree.WHOLE,
                CutTree.split(CutPlane.across(2, 5), CutTree.WHOLE, CutTree.WHOLE));
        var s = of(m, tree);
        var drawn = s.drawn(Shapes.cappedShell(60, 4, 40, 30, 16), tree);
        assertThat(drawn).containsOnlyKeys("A", "B", "C");
        drawn.forEach((name, mesh) -> assertThat(mesh.bounds().centre().distance(s.section(name).mesh().bounds().centre())).isLessThan(3));
    }

    @Test
    void planesAreNumberedAndEdited() {
        var tree = CutTree.split(CutPlane.across(2, 1), CutTree.split(CutPlane.across(0, 2), CutTree.WHOLE, CutTree.WHOLE),
                CutTree.split(CutPlane.across(1, 3), CutTree.WHOLE, CutTree.WHOLE));
        assertThat(tree.planes()).extracting(CutPlane::offsetMm).containsExactly(1.0, 2.0, 3.0);
        assertThat(tree.withPlane(2, CutPlane.across(1, 9)).planes()).extracting(CutPlane::offsetMm).containsExactly(1.0, 2.0, 9.0);
        assertThat(tree.without(1).planes()).extracting(CutPlane::offsetMm).containsExactly(1.0, 3.0);
        assertThat(tree.cutEverywhere(CutPlane.across(0, 5)).planeCount()).isEqualTo(7);
        assertThatThrownBy(() -> tree.withPlane(3, CutPlane.across(0, 0))).isInstanceOf(IndexOutOfBoundsException.class);
        assertThat(CutPlane.across(2, 1.26).words()).isEqualTo("z = 1.3 mm");
        assertThatThrownBy(() -> new CutPlane(Vec3.ZERO, 1)).hasMessageContaining("no plane");
    }

    @Test
    void lettersRunOn() {
        assertThat(java.util.stream.IntStream.of(0, 25, 26, 51, 52, 701, 702).mapToObj(Section::letter)).containsExactly("A", "Z", "AA",
                "AZ", "BA", "ZZ", "AAA");
    }

    @ParameterizedTest
    @CsvSource({"200,200,200", "120,120,150", "90,200,90", "70,70,70"})
    void plannedSectionsFitTheBed(double x, double y, double z) {
        var m = Shapes.cappedShell(90, 4, 45, 96, 48);
        var bed = new Bed(x, y, z);
        var planned = (SectionPlanner.Outcome.Planned) SectionPlanner.plan(m, 1, bed, Progress.NONE);
        for (var plan : planned.plans()) {
            var s = of(m, plan.tree());
            assertThat(SectionPlanner.tooLarge(s.sections(), List.of(bed))).isEmpty();
            assertThat(s.sections()).hasSize(plan.sections());
            assertThat(s.sections().stream().mapToDouble(q -> q.mesh().volumeMm3()).sum()).isCloseTo(m.volumeMm3(),
                    within(1e-9 * m.volumeMm3()));
            s.sections().forEach(q -> MeshAssert.assertWatertight(q.mesh()));
        }
    }

    @Test
    void whatFitsIsNotCut() {
        var planned = (SectionPlanner.Outcome.Planned) SectionPlanner.plan(Shapes.sphere(40, 24), 1, new Bed(100, 100, 100), Progress.NONE);
        assertThat(planned.best(SectionPlan.Aim.WHOLE).tree()).isEqualTo(CutTree.WHOLE);
    }

    @Test
    void aSymmetricPropIsCutAlikeOnBothSides() {
        var m = Shapes.ellipsoid(150, 60, 60, 64, 32);
        var planned = (SectionPlanner.Outcome.Planned) SectionPlanner.plan(m, 1, new Bed(160, 160, 160), Progress.NONE);
        var s = of(m, planned.best(SectionPlan.Aim.FEWEST).tree());
        assertThat(s.sections()).hasSize(2);
        assertThat(s.sections().get(0).mesh().volumeMm3()).isCloseTo(s.sections().get(1).mesh().volumeMm3(), within(1.0));
    }

    @Test
    void aBedTooSmallSaysSo() {
        assertThat(SectionPlanner.plan(Shapes.sphere(100, 16), 1, new Bed(10, 10, 10), Progress.NONE)).isInstanceOfSatisfying(
                SectionPlanner.Outcome.Impossible.class, i -> assertThat(i.why()).contains("smaller than any useful section"));
        assertThat(SectionPlanner.plan(Shapes.sphere(100, 16), 30, new Bed(200, 200, 200), Progress.NONE)).isInstanceOfSatisfying(
                SectionPlanner.Outcome.Impossible.class, i -> assertThat(i.why()).contains("more than 200 sections"));
        assertThatThrownBy(() -> Bed.parse("220 by 220")).hasMessageContaining("220x220x250");
        assertThat(Bed.parse("220x210X250").holds(new Vec3(250, 100, 215))).isTrue();
    }
}
