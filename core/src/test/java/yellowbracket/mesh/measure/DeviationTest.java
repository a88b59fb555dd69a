package yellowbracket.mesh.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

class DeviationTest {
    private static final Mesh HELM = Shapes.cappedShell(120, 4, 55, 96, 48).mapped(p -> new Vec3(p.x(), 1.15 * p.y(), 1.3 * p.z()));

    @Test
    void theSameModelElsewhereInAnotherUnitDoesNotDiffer() {
        var inches = HELM.scaled(1 / 25.4).moved(new Vec3(3, -2, 7));
        var d = Deviation.of(HELM, Bvh.of(HELM), inches, Progress.NONE);
        assertThat(d.scale()).isCloseTo(25.4, within(0.01));
        assertThat(d.most95Mm()).isLessThan(0.05);
    }

    @Test
    void aBumpIsFoundWhereItIsAndAsHighAsItIs() {
        var bumped = HELM.mapped(p -> {
            double near = Math.exp(-p.distance(new Vec3(0, 138, 0)) / 12);
            return p.plus(new Vec3(0, 6 * near, 0));
        });
        var d = Deviation.of(HELM, Bvh.of(HELM), bumped, Progress.NONE);
        int worst = 0;
        for (int v = 0; v < bumped.vertexCount(); v++) if (Math.abs(d.at(v)) > Math.abs(d.at(worst))) worst = v;
        assertThat(bumped.point(worst).distance(new Vec3(0, 142, 0))).isLessThan(15);
        assertThat(Math.abs(d.at(worst))).isBetween(3.0, 6.5);
        assertThat(d.medianMm()).as("the rest lies as it did").isLessThan(0.3);
    }
}
