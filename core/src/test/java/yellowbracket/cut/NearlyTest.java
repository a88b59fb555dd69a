package yellowbracket.cut;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

class NearlyTest {
    private static Sectioning cut(Mesh m, CutTree t) {
        return Sectioning.of(m, Bvh.of(m), t, "p", Letters.alone(), Progress.NONE);
    }

    private static CutTree at(double z) {
        return CutTree.split(CutPlane.across(2, z), CutTree.WHOLE, CutTree.WHOLE);
    }

    private static List<Nearly> nearly(Mesh m, CutTree t, double scale, Bed bed) {
        return Nearly.among(cut(m, t), t, scale, List.of(bed), Progress.NONE);
    }

    @ParameterizedTest
    @CsvSource({"203.5, 0.982", "210.0, 0.952", "199.0, 1"})
    void aCubeThatIsATouchTooLargeSaysTheScaleAtWhichItFits(double side, double share) {
        var cube = Shapes.box(Vec3.ZERO, new Vec3(side, side, side));
        var one = nearly(cube, at(100.037), 1, new Bed(200, 200, 200)).getFirst();
        assertThat(one.share()).isCloseTo(share, within(0.0011));
        assertThat(one.scale()).isCloseTo(share, within(0.0011));
        assertThat(one.leanDeg()).isZero();
        assertThat(one.sections()).containsExactlyInAnyOrder("A", "B");
        assertThat(one.without(at(100.037))).isEqualTo(CutTree.WHOLE);
        var smaller = cube.scaled(one.scale());
        assertThat(TurnedFit.of(smaller, new Bed(200, 200, 200))).as("it does").isPresent();
        assertThat(one.fits() || TurnedFit.of(cube.scaled(one.scale() + 0.002), new Bed(200, 200, 200)).isEmpty()).as("and no larger")
                .isTrue();
    }

    @Test
    void aStickLiesAcrossTheBed() {
        // 230 on a bed of 200 x 200, along its diagonal of 282
        var stick = Shapes.box(new Vec3(-115, -5, -5), new Vec3(115, 5, 5));
        var tree = CutTree.split(CutPlane.across(0, 0.037), CutTree.WHOLE, CutTree.WHOLE);
        var one = nearly(stick, tree, 1, new Bed(200, 200, 50)).getFirst();
        assertThat(one.fits()).isTrue();
        assertThat(one.who()).isEqualTo("A and B");
        assertThat(one.how()).contains("1 cut less").doesNotContain("%");
        // 205 long in a box of 190: upright only if it leans
        var plank = nearly(stick, tree, 205.0 / 230, new Bed(100, 100, 190)).getFirst();
        assertThat(plank.fits()).isTrue();
        assertThat(plank.leanDeg()).isBetween(15.0, 40.0);
        assertThat(plank.how()).contains("leaning");
    }

    @Test
    void onlyWhatOnePlanePartsIsOfferedAndFarTooLargeIsNot() {
        var bar = Shapes.tube(20, 0, 0, 600, 32);
        var tree = CutTree.split(CutPlane.across(2, 195.037), CutTree.split(CutPlane.across(2, 390.037), CutTree.WHOLE, CutTree.WHOLE),
                CutTree.WHOLE);
        assertThat(nearly(bar, tree, 1, new Bed(200, 200, 200))).as("pairs are nearly 400 long").isEmpty();
        var near = nearly(bar, tree, 1, new Bed(200, 200, 425));
        assertThat(near).as("the two upper ones fit as one, the lower two are parted by more than their plane")
                .singleElement()
                .satisfies(n -> assertThat(n.sections()).hasSize(2))
                .satisfies(n -> assertThat(n.without(tree).planeCount()).isEqualTo(1));
    }
}
