package yellowbracket.mesh.repair;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.measure.Facets;

/** Rounding brings a coarse ball and a coarse bar nearer to what they stand for, and leaves what is flat or sharp alone. */
class RoundingTest {
    private static Mesh once(Mesh m) {
        return Rounding.of(m, 1, Progress.NONE);
    }

    private static double worstFrom(Mesh m, double r) {
        double worst = 0;
        for (int f = 0; f < m.triangleCount(); f++) worst = Math.max(worst, Math.abs(m.centroid(f).norm() - r));
        return worst;
    }

    @ParameterizedTest
    @ValueSource(ints = {16, 32})
    void aBallGetsRound(int segments) {
        var ball = Shapes.sphere(50, segments);
        var round = once(ball);
        assertThat(round.triangleCount()).isEqualTo(4 * ball.triangleCount());
        assertThat(MeshHealth.of(round).closed()).isTrue();
        assertThat(worstFrom(round, 50)).isLessThan(0.35 * worstFrom(ball, 50));
        double exact = 4.0 / 3 * Math.PI * 125_000;
        assertThat(Math.abs(round.volumeMm3() - exact)).isLessThan(0.35 * Math.abs(ball.volumeMm3() - exact));
    }

    @Test
    void aBarKeepsItsEndsAndItsEdges() {
        var bar = Shapes.tube(20, 0, 0, 60, 24);
        var round = once(bar);
        assertThat(MeshHealth.of(round).closed()).isTrue();
        assertThat(round.bounds().size().z()).isCloseTo(60, within(1e-9));
        double exact = Math.PI * 400 * 60;
        assertThat(Math.abs(round.volumeMm3() - exact)).as("sides and rims").isLessThan(0.3 * Math.abs(bar.volumeMm3() - exact));
        for (int v = 0; v < round.vertexCount(); v++) {
            var p = round.point(v);
            assertThat(Math.hypot(p.x(), p.y())).isLessThan(20.05);
        }
    }

    @Test
    void aBoxStaysABox() {
        var box = Shapes.box(Vec3.ZERO, new Vec3(30, 20, 10));
        var round = once(box);
        assertThat(round.volumeMm3()).isCloseTo(6000, within(1e-9));
        assertThat(round.areaMm2()).isCloseTo(box.areaMm2(), within(1e-9));
    }

    @ParameterizedTest
    @ValueSource(ints = {24, 48, 96})
    void flatsAreAsDeepAsTheSagittaOfTheirArc(int segments) {
        var bar = Shapes.tube(40, 0, 0, 60, segments);
        double sagitta = 40 * (1 - Math.cos(Math.PI / segments));
        assertThat(Facets.of(bar).deep95()).isCloseTo(sagitta, within(0.02 * sagitta));
        assertThat(Facets.of(once(bar)).deep95()).isLessThan(0.35 * sagitta);
        assertThat(Facets.of(Shapes.box(Vec3.ZERO, new Vec3(9, 9, 9)))).isEqualTo(new Facets(0, 0, 0));
    }

    @Test
    void whereThereIsNoRoomForMoreNothingIsDone() {
        var ball = Shapes.sphere(50, 32);
        assertThat(Rounding.of(ball, 0, Progress.NONE)).isSameAs(ball);
        assertThat(Rounding.of(ball, 20, Progress.NONE).triangleCount()).isLessThanOrEqualTo(2_500_000);
    }
}
