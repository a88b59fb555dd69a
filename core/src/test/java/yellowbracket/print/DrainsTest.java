package yellowbracket.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.repair.MeshHealth;

class DrainsTest {
    private static Mesh ball() {
        var inner = Shapes.sphere(26, 64);
        var b = new MeshBuilder(inner.vertexCount(), inner.triangleCount());
        for (int v = 0; v < inner.vertexCount(); v++) b.addVertex(inner.x(v), inner.y(v), inner.z(v));
        for (int f = 0; f < inner.triangleCount(); f++) b.addTriangle(inner.vertex(f, 0), inner.vertex(f, 2), inner.vertex(f, 1));
        return Mesh.union(List.of(Shapes.sphere(30, 64), b.build()));
    }

    @Test
    void theHolesOfferedLetAClosedCavityDrain() {
        var ball = ball();
        var trapped = Hollows.of(ball, Turn.NONE).trapped();
        assertThat(trapped).hasSize(1);
        var drains = Drains.propose(ball, Turn.NONE, trapped.getFirst(), new boolean[ball.triangleCount()], 1);
        assertThat(drains).hasSize(2).allSatisfy(d -> assertThat(d.deepMm()).isCloseTo(4, within(0.2)));
        assertThat(drains.getFirst().at().z()).as("low over the plate").isLessThan(-25);
        assertThat(drains.get(0).at().distance(drains.get(1).at())).as("far from each other").isGreaterThan(50);
        var cut = ball;
        for (var d : drains) cut = Drains.cut(cut, d, 1);
        assertThat(MeshHealth.of(cut).closed()).isTrue();
        double each = Math.PI * 3.5 * 3.5 / 4 * 4;
        assertThat(ball.volumeMm3() - cut.volumeMm3()).isCloseTo(2 * each, within(0.1 * each));
        assertThat(Hollows.of(cut, Turn.NONE).trapped()).isEmpty();
    }

    @Test
    void hiddenPlacesComeFirst() {
        var ball = ball();
        var seen = new boolean[ball.triangleCount()];
        for (int f = 0; f < seen.length; f++) seen[f] = ball.centroid(f).y() > -10; // only the back is hidden
        var drains = Drains.propose(ball, Turn.NONE, Hollows.of(ball, Turn.NONE).trapped().getFirst(), seen, 2);
        assertThat(drains).allSatisfy(d -> assertThat(2 * d.at().y()).as("model mm").isLessThan(-9));
    }

    @Test
    void aSolidMiddleOffersNothing() {
        var ring = Shapes.torus(30, 8, 48, 24);
        var h = new Hollows.Hollow(100, new Vec3(30, 0, 0), List.of());
        assertThat(Drains.propose(ring, Turn.NONE, h, new boolean[ring.triangleCount()], 1)).isEmpty();
    }
}
