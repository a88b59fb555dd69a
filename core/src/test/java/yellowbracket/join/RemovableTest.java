package yellowbracket.join;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.Letters;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

class RemovableTest {
    private static yellowbracket.cut.Seam seam(double radius) {
        var m = Shapes.tube(radius, 0, -100, 100, 48);
        return Sectioning
                .of(m, Bvh.of(m), CutTree.split(CutPlane.across(2, 0.1), CutTree.WHOLE, CutTree.WHOLE), "p", Letters.alone(), Progress.NONE)
                .seams()
                .getFirst();
    }

    private static Loads.Demand demand(double newton) {
        return new Loads.Demand("A|B", 1, LoadCase.Kind.PICKED, "A", Vec3.Z, 100, newton, 0, 0);
    }

    @Test
    void magnetsPullAsTheirFieldAcrossTheGap() {
        // 10 x 3 mm, 0.4 mm apart: 17 N by the integral over their faces, halved for paint and tilt
        assertThat(Removable.pullN(10, 3, 0.4)).isBetween(8.0, 9.0);
        assertThat(Removable.pullN(10, 3, 0.4)).isGreaterThan(Removable.pullN(10, 3, 1)).isLessThan(Removable.pullN(15, 5, 0.4));
        assertThat(Removable.pullN(10, 3, 50)).isLessThan(0.05);
    }

    @Test
    void asManyAsHoldThreeTimesThePullOnlyWhereTheyHaveRoom() {
        for (double newton : new double[] {2, 8, 20}) {
            for (var r : Removable.of(seam(20), demand(newton), 0.4)) if (r.fits() && r.count() > 1)
                assertThat(r.count() * r.newton()).as(r.words()).isGreaterThanOrEqualTo(JoinPlan.LEAST_RESERVE * newton);
        }
        assertThat(Removable.of(seam(20), demand(5), 0.4)).first().matches(Removable::fits);
        assertThat(Removable.of(seam(2), demand(50), 0.4)).noneMatch(Removable::fits);
    }
}
