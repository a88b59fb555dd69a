package yellowbracket.colour.zone;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;

class SurfacePathTest {
    private static SurfacePath path(Mesh m, Vec3... places) {
        return SurfacePath.through(Painted.all(m, 0), List.of(places), 2);
    }

    @ParameterizedTest
    @CsvSource({"40, 0", "90, 0", "90, 50", "150, 30"})
    void roundACylinderItIsTheHelixThatUnrollsStraight(double deg, double rise) {
        double r = 50, a = Math.toRadians(deg);
        var p = path(Shapes.tube(r, r - 10, -100, 100, 256), new Vec3(r, 0, -20), new Vec3(r * Math.cos(a), r * Math.sin(a), -20 + rise));
        double exact = Math.hypot(r * a, rise);
        assertThat(p.length()).isCloseTo(exact, within(0.005 * exact));
    }

    @Test
    void onASphereItIsTheGreatCircle() {
        var p = path(Shapes.sphere(60, 160), new Vec3(60, 0, 0), new Vec3(0, 42, 42));
        assertThat(p.length()).isCloseTo(60 * Math.PI / 2, within(0.5));
    }

    @Test
    void throughSeveralPlacesTheLegsAddUp() {
        var m = Shapes.box(Vec3.ZERO, new Vec3(100, 100, 10));
        var p = path(m, new Vec3(10, 10, 10), new Vec3(60, 10, 10), new Vec3(60, 40, 10));
        assertThat(p.length()).isCloseTo(80, within(0.01));
        assertThat(p.at(50).distance(new Vec3(60, 10, 10))).isLessThan(0.02);
        assertThat(p.ahead(25).distance(Vec3.X)).isLessThan(0.02);
        assertThat(p.ahead(70).distance(Vec3.Y)).isLessThan(0.02);
        assertThat(p.at(-5)).isEqualTo(p.points().getFirst());
    }

    @Test
    void onePlaceIsNoPath() {
        var m = Shapes.box(Vec3.ZERO, new Vec3(100, 100, 10));
        assertThatThrownBy(() -> path(m, Vec3.ZERO)).hasMessageContaining("two places");
        assertThatThrownBy(() -> path(m, Vec3.ZERO, Vec3.ZERO)).hasMessageContaining("are one");
    }
}
