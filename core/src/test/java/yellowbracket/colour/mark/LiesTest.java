package yellowbracket.colour.mark;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import yellowbracket.colour.zone.Brush;
import yellowbracket.colour.zone.Painted;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

class LiesTest {
    private static final Mark MARK = new Mark("W7", new MarkShape.Ring(20, 0), Mark.Way.STENCIL, Vec3.ZERO, Vec3.Z, false, 1, 0);

    private static Painted dot(Vec3 at, double r) {
        var p = Painted.all(Shapes.box(Vec3.ZERO, new Vec3(100, 100, 100)), 0);
        var near = Bvh.of(p.mesh()).closest(at);
        var b = new Brush(p, r);
        b.add(near.triangle(), near.point());
        return b.onto(1);
    }

    @Test
    void aMarkInTheMiddleOfAFaceLiesOverNothing() {
        var lies = Lies.of(dot(new Vec3(50, 50, 100), 12), 1, p -> 0);
        assertThat(lies.overEdge()).isFalse();
        assertThat(lies.finding(MARK, 1)).isEmpty();
    }

    @Test
    void overTheEdgeOfACubeItFoldsByNinetyDegreesAlongItsChord() {
        var lies = Lies.of(dot(new Vec3(50, 94, 100), 10), 1, p -> 0);
        assertThat(lies.sharpestDeg()).isCloseTo(90, within(1e-6));
        assertThat(lies.edgeMm()).isCloseTo(2 * Math.sqrt(100 - 36), within(0.3));
        assertThat(lies.finding(MARK, 1).orElseThrow().words()).contains("cut it along the edge");
    }

    @Test
    void overASeamItWaitsForTheJoin() {
        var lies = Lies.of(dot(new Vec3(50, 50, 100), 12), 1, p -> p.x() > 50);
        assertThat(lies.sections()).isEqualTo(2);
        assertThat(lies.finding(MARK, 1).orElseThrow().words()).contains("once they are joined");
    }
}
