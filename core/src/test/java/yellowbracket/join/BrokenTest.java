package yellowbracket.join;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.List;
import org.junit.jupiter.api.Test;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;

/** What a print is like where it broke. */
class BrokenTest {
    private static final Weakest.Printed UPRIGHT = new Weakest.Printed(3, 0.44, 0.15, Vec3.Z, 50, 0.5);
    private static final Weakest.Printed LYING = new Weakest.Printed(3, 0.44, 0.15, Vec3.X, 50, 0.5);

    @Test
    void aBarBreaksStraightAcrossAndBetweenLayersWhereItStoodUp() {
        var bar = Shapes.box(new Vec3(-10, -6, 0), new Vec3(10, 6, 200));
        var b = Broken.of(bar, UPRIGHT, new Vec3(10, 0, 120)).orElseThrow();
        assertThat(b.areaMm2()).as("the flattest way through").isCloseTo(240, withinPercentage(12));
        assertThat(Math.abs(b.normal().z())).isGreaterThan(0.95);
        assertThat(b.kind()).isEqualTo(Broken.Kind.LAYERS);
        assertThat(b.widestMm()).isCloseTo(12 - 2 * Weakest.BORE_WALL_MM, within(0.6));
        assertThat(Broken.of(bar, LYING, new Vec3(10, 0, 120)).orElseThrow().kind()).isEqualTo(Broken.Kind.PRINT);
    }

    @Test
    void aNeckIsToldAndAWallIsAWall() {
        var neck = Mesh.union(List.of(Shapes.box(new Vec3(-15, -15, 0), new Vec3(15, 15, 40)),
                Shapes.box(new Vec3(-5, -5, 40.001), new Vec3(5, 5, 52)), Shapes.box(new Vec3(-15, -15, 52.001), new Vec3(15, 15, 90))));
        assertThat(Broken.of(neck, LYING, new Vec3(5, 0, 46)).orElseThrow().kind()).isEqualTo(Broken.Kind.NECK);
        var shell = Shapes.tube(60, 57, 0, 120, 72);
        var b = Broken.of(shell, LYING, new Vec3(60, 0, 60)).orElseThrow();
        assertThat(b.kind()).isEqualTo(Broken.Kind.WALL);
        assertThat(b.thickMm()).isLessThan(5);
    }

    @Test
    void whatIsNotThereIsNotBroken() {
        assertThat(Broken.of(Shapes.box(Vec3.ZERO, new Vec3(10, 10, 10)), LYING, new Vec3(0, 0, 500))).isEmpty();
    }
}
