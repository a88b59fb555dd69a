package yellowbracket.cut;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/** Seams whose area, length, moments and share seen are known in closed form. */
class SeamTest {
    private static Sectioning cut(Mesh m, CutTree tree) {
        return Sectioning.of(m, Bvh.of(m), tree, "p", Letters.alone(), Progress.NONE);
    }

    private static CutTree across(int axis, double at) {
        return CutTree.split(CutPlane.across(axis, at), CutTree.WHOLE, CutTree.WHOLE);
    }

    @ParameterizedTest
    @CsvSource({"30,20,100", "80,6,40", "14,12,12"})
    void aBarCutAcrossHasItsCrossSection(double width, double depth, double tall) {
        var s = cut(Shapes.box(Vec3.ZERO, new Vec3(width, depth, tall)), across(2, tall / 2 + 0.137));
        assertThat(s.seams()).hasSize(1);
        var seam = s.seams().getFirst();
        assertThat(seam.name()).isEqualTo("A|B");
        assertThat(seam.areaMm2()).isCloseTo(width * depth, within(1e-6));
        assertThat(seam.lengthMm()).isCloseTo(2 * (width + depth), within(1e-6));
        assertThat(seam.showLengthMm()).as("a bar is seen all round").isCloseTo(seam.lengthMm(), within(1e-6));
        double b = Math.max(width, depth), h = Math.min(width, depth);
        assertThat(seam.leastMomentMm4()).as("b h^3 / 12").isCloseTo(b * h * h * h / 12, within(1e-6 * b * h * h * h));
        assertThat(seam.halfDepthMm()).isCloseTo(h / 2, within(1e-6));
        assertThat(seam.centre().distance(new Vec3(width / 2, depth / 2, tall / 2 + 0.137))).isLessThan(1e-6);
        assertThat(Math.abs(seam.normal().z())).isCloseTo(1, within(1e-12));
    }

    @ParameterizedTest
    @CsvSource({"40,37", "25,10", "60,58.8"})
    void aPipeCutAcrossHasARing(double outer, double inner) {
        var s = cut(Shapes.tube(outer, inner, 0, 80, 256), across(2, 33.3));
        var seam = s.seams().getFirst();
        assertThat(seam.areaMm2()).isCloseTo(Math.PI * (outer * outer - inner * inner), within(0.002 * outer * outer));
        assertThat(seam.lengthMm()).isCloseTo(2 * Math.PI * (outer + inner), within(0.2));
        assertThat(seam.wallMm()).isCloseTo(outer - inner, within(0.01));
        assertThat(seam.leastMomentMm4()).isCloseTo(Math.PI / 4 * (Math.pow(outer, 4) - Math.pow(inner, 4)),
                within(0.005 * Math.pow(outer, 4)));
        assertThat(seam.showLengthMm()).as("the outer line is seen").isGreaterThan(0.9 * 2 * Math.PI * outer);
    }

    /** The inside of a closed box is never seen: half the seam's line counts. */
    @Test
    void theInsideOfAHollowBoxIsNotSeen() {
        var hollow = Mesh.union(java.util.List.of(Shapes.box(Vec3.ZERO, new Vec3(100, 80, 60)),
                yellowbracket.mesh.MeshAssert.turnedInside(Shapes.box(new Vec3(4, 4, 4), new Vec3(96, 76, 56)))));
        var seam = cut(hollow, across(0, 50.3)).seams().getFirst();
        assertThat(seam.lengthMm()).isCloseTo(2 * (80 + 60) + 2 * (72 + 52), within(1e-6));
        assertThat(seam.showLengthMm()).isCloseTo(2 * (80 + 60), within(1e-6));
        assertThat(seam.areaMm2()).isCloseTo(80 * 60 - 72 * 52, within(1e-6));
    }

    @Test
    void fourPiecesMeetInFourSeams() {
        var quarters = CutTree.split(CutPlane.across(0, 0.2), across(1, 0.3), across(1, 0.3));
        var s = cut(Shapes.box(new Vec3(-50, -40, -10), new Vec3(50, 40, 10)), quarters);
        assertThat(s.sections()).hasSize(4);
        assertThat(s.seams()).as("pieces that meet in a line only have no seam").hasSize(4);
        assertThat(s.seams().stream().mapToDouble(Seam::areaMm2).sum()).isCloseTo(20 * (100 + 80), within(1e-6));
        for (var seam : s.seams())
            assertThat(s.section(seam.first()).mesh().bounds().union(s.section(seam.second()).mesh().bounds()).contains(seam.centre()))
                    .isTrue();
    }

    @ParameterizedTest
    @CsvSource({"0.5", "1.37", "3"})
    void scaledSeamsFollowTheirPowers(double k) {
        var s = cut(Shapes.tube(30, 26, 0, 50, 64), across(2, 20.1));
        var seam = s.seams().getFirst();
        var large = s.scaled(k).seams().getFirst();
        assertThat(large.areaMm2()).isCloseTo(seam.areaMm2() * k * k, within(1e-9 * large.areaMm2()));
        assertThat(large.lengthMm()).isCloseTo(seam.lengthMm() * k, within(1e-9 * large.lengthMm()));
        assertThat(large.wallMm()).isCloseTo(seam.wallMm() * k, within(1e-9 * large.wallMm()));
        assertThat(large.leastMomentMm4()).isCloseTo(seam.leastMomentMm4() * Math.pow(k, 4), within(1e-9 * large.leastMomentMm4()));
        assertThat(s.scaled(k).sections().getFirst().mesh().volumeMm3()).isCloseTo(s.sections().getFirst().mesh().volumeMm3() * k * k * k,
                within(1e-6 * k * k * k * 1e5));
    }
}
