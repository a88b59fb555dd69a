package yellowbracket.mesh.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

class OutlinesTest {
    private static double length(double[] lines) {
        double sum = 0;
        for (int i = 0; i < lines.length; i += 6)
            sum += new Vec3(lines[i], lines[i + 1], lines[i + 2]).distance(new Vec3(lines[i + 3], lines[i + 4], lines[i + 5]));
        return sum;
    }

    @Test
    void aBoxShowsTheEdgesOfTheSidesThatAreSeen() {
        var box = Shapes.box(Vec3.ZERO, new Vec3(30, 20, 10));
        assertThat(length(Outlines.of(box, Bvh.of(box), new Vec3(1, 1, 1).unit()))).as("nine of twelve edges")
                .isCloseTo(3 * 60, within(1e-6));
        assertThat(length(Outlines.of(box, Bvh.of(box), Vec3.Y))).as("one side").isCloseTo(2 * (30 + 10), within(1e-6));
    }

    @Test
    void whatLiesBehindIsNotDrawn() {
        var two = Mesh
                .union(List.of(Shapes.box(new Vec3(-50, 40, -50), new Vec3(50, 50, 50)), Shapes.box(Vec3.ZERO, new Vec3(10, 10, 10))));
        assertThat(length(Outlines.of(two, Bvh.of(two), Vec3.Y))).isCloseTo(400, within(1e-6));
    }

    @Test
    void aBallHasItsRim() {
        var ball = Shapes.sphere(40, 96);
        assertThat(length(Outlines.of(ball, Bvh.of(ball), Vec3.Y))).isCloseTo(2 * Math.PI * 40, within(25.0));
    }
}
