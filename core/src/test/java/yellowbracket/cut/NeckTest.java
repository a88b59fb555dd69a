package yellowbracket.cut;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.finding.Fix;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

class NeckTest {
    /** A round bar of radius 20 with a waist of radius 8 about z = 0, 100 to either side. */
    private static final Mesh WAIST = Shapes.lathe(new double[][] {{0, -100}, {20, -100}, {20, -20}, {8, 0}, {20, 20}, {20, 100}, {0, 100}},
            false, 128);

    private static Sectioning cut(Mesh m, CutTree t) {
        return Sectioning.of(m, Bvh.of(m), t, "p", Letters.alone(), Progress.NONE);
    }

    private static CutTree at(double z) {
        return CutTree.split(CutPlane.across(2, z), CutTree.WHOLE, CutTree.WHOLE);
    }

    @Test
    void aWaistIsAsWeakAsTheBookSaysAndThePlaceBesideItIsOffered() {
        var tree = at(0.037);
        var neck = Neck.of(cut(WAIST, tree).sections(), tree, 1).getFirst();
        double book = Math.PI * 8 * 8 * 8 / 4, thick = Math.PI * 20 * 20 * 20 / 4;
        assertThat(neck.modulusMm3()).isCloseTo(book, within(0.02 * book));
        assertThat(neck.areaMm2()).isCloseTo(Math.PI * 64, within(0.02 * Math.PI * 64));
        assertThat(neck.besideMm3()).isCloseTo(thick, within(0.01 * thick));
        assertThat(neck.share()).isCloseTo(1 - 0.064, within(0.005));
        double better = neck.betterMm().orElseThrow();
        assertThat(Math.abs(better)).as("where 0.8 of the strength is back: radius 18.6").isBetween(17.0, 20.0);
        var finding = neck.finding(1).orElseThrow();
        assertThat(finding.words()).contains("plane 1 cuts a neck").contains("2.0 cm");
        @SuppressWarnings("unchecked")
        var fix = (Fix.Change<CutWish>) finding.fix().orElseThrow();
        assertThat(fix.change().apply(CutWish.WHOLE.cutAnew(tree)).tree().planes().getFirst().offsetMm()).isCloseTo(better + 0.037,
                within(1e-9));
        assertThat(fix.change().apply(CutWish.WHOLE)).as("cut otherwise meanwhile").isEqualTo(CutWish.WHOLE);
        var mended = Neck.of(cut(WAIST, at(better + 0.037)).sections(), at(better + 0.037), 1).getFirst();
        assertThat(mended.finding(1)).as("once it is moved there is nothing to tell").isEmpty();
    }

    @Test
    void moduliGrowWithTheCubeOfTheScale() {
        var tree = at(0.037);
        var sections = cut(WAIST, tree).sections();
        assertThat(Neck.of(sections, tree, 2).getFirst().modulusMm3()).isCloseTo(8 * Neck.of(sections, tree, 1).getFirst().modulusMm3(),
                within(1e-6));
    }

    @Test
    void aBarOfOneThicknessAndItsEndHaveNoNeck() {
        var bar = Shapes.tube(20, 14, -100, 100, 64);
        var tree = CutTree.split(CutPlane.across(2, 40.037), CutTree.WHOLE, at(-30.037));
        assertThat(Neck.of(cut(bar, tree).sections(), tree, 1)).hasSize(2)
                .allSatisfy(n -> assertThat(n.finding(1)).isEmpty())
                .allSatisfy(n -> assertThat(n.areaMm2()).isCloseTo(Math.PI * (400 - 196), within(2.0)));
        var cone = Shapes.lathe(new double[][] {{0, -100}, {20, -100}, {1, 100}, {0, 100}}, false, 64);
        assertThat(Neck.of(cut(cone, at(80.037)).sections(), at(80.037), 1)).allSatisfy(n -> assertThat(n.share()).isZero());
    }

    @Test
    void aPlaneUnderAnotherSeesOnlyItsOwnSide() {
        var two = Mesh.union(List.of(WAIST, Shapes.tube(40, 0, -100, 100, 64).mapped(p -> p.plus(new Vec3(200, 0, 0)))));
        var tree = CutTree.split(CutPlane.across(0, 100.037), at(0.037), at(0.037));
        var necks = Neck.of(cut(two, tree).sections(), tree, 1);
        assertThat(necks.get(1).areaMm2()).as("the thick bar on the side above").isCloseTo(Math.PI * 1600, within(20.0));
        assertThat(necks.get(2).areaMm2()).as("the waist on the side below").isCloseTo(Math.PI * 64, within(4.0));
    }
}
