package yellowbracket.wear.panel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.index.ScaledShell;
import yellowbracket.mesh.Shapes;

class OpeningsTest {
    private static final Vec3 DOWN = new Vec3(0, 0, -1);

    private static Openings of(Mesh m, double scale, Vec3 from) {
        return Openings.of(new ScaledShell(m, Bvh.of(m), scale), from, DOWN, Progress.NONE);
    }

    @Test
    void aThirdOfATubeUnrollsToItsArc() {
        var m = Windowed.lidded(Windowed.tube(z -> 110, 3, 200, -60, 60, 80, 140), 130, 200);

        var one = of(m, 1, new Vec3(0, 0, 100)).list();

        assertThat(one).hasSize(1);
        assertThat(one.getFirst().name()).isEqualTo("front");
        assertThat(one.getFirst().surface()).isInstanceOf(Developable.Cylinder.class);
        assertThat(one.getFirst().wideMm()).isCloseTo(110 * Math.toRadians(120), within(0.2));
        assertThat(one.getFirst().highMm()).isCloseTo(60, within(0.1));
        assertThat(one.getFirst().standsOffMm()).isLessThan(0.05);
    }

    @Test
    void seenFromBesideTheMiddleAndScaledItIsTheSame() {
        var m = Windowed.lidded(Windowed.tube(z -> 110, 3, 200, -60, 60, 80, 140), 130, 200);

        var one = of(m, 1.2, new Vec3(14, 25, 126)).list().getFirst();

        assertThat(one.wideMm()).isCloseTo(1.2 * 110 * Math.toRadians(120), within(0.25));
        assertThat(one.highMm()).isCloseTo(72, within(0.1));
    }

    @Test
    void aWindowOfAConeUnrollsToItsSector() {
        // radius 130 at the foot, 90 at 200 mm: the tip at 650
        var m = Windowed.lidded(Windowed.tube(z -> 130 - 0.2 * z, 3, 200, -50, 50, 80, 140), 140, 200);

        var one = of(m, 1, new Vec3(0, 0, 105)).list().getFirst();

        assertThat(one.surface()).isInstanceOf(Developable.Cone.class);
        var cone = (Developable.Cone) one.surface();
        assertThat(cone.tipUp()).isTrue();
        assertThat(cone.half()).isCloseTo(Math.toDegrees(Math.atan(0.2)), within(0.05));
        assertThat(cone.tip().distance(new Vec3(0, 0, 650))).isLessThan(1);
        // the lower edge: an arc of radius 114 (z 80) over 100 degrees, laid flat on a slope of 581 mm
        double slope = Math.hypot(114, 570), angle = Math.toRadians(100) * 114 / slope;
        assertThat(one.wideMm()).isCloseTo(2 * slope * Math.sin(angle / 2), within(0.2));
    }

    @Test
    void theArcOnTheSurfaceIsTheArcOnTheSheet() {
        var random = new Random(5);
        var surfaces = List.of(new Developable.Flat(Vec3.ZERO, Vec3.X, Vec3.Z),
                new Developable.Cylinder(new Vec3(3, -20, 5), Vec3.Z, Vec3.Y, 110, true),
                new Developable.Cylinder(new Vec3(3, 200, 5), Vec3.Z, new Vec3(0, -1, 0), 110, false),
                new Developable.Cone(new Vec3(0, 0, 300), new Vec3(0, 0, -1), Vec3.Y, 18, 250, true),
                new Developable.Cone(new Vec3(0, 0, -300), Vec3.Z, Vec3.Y, 18, 250, false),
                new Developable.Fold(new Vec3(0, 90, 0), Vec3.Z, new Vec3(-0.8, -0.6, 0), new Vec3(0.8, -0.6, 0)));
        for (var s : surfaces) for (int i = 0; i < 50; i++) {
            double u = 120 * random.nextDouble() - 60, v = 60 * random.nextDouble() - 30, h = 1e-4;
            var back = s.flat(s.at(u, v).plus(s.normal(u, v).times(0.7)));
            assertThat(back[0]).as("%s u", s).isCloseTo(u, within(1e-6));
            assertThat(back[1]).isCloseTo(v, within(1e-6));
            assertThat(back[2]).isCloseTo(0.7, within(1e-6));
            assertThat(s.at(u + h, v).distance(s.at(u, v)) / h).isCloseTo(1, within(1e-5));
            assertThat(s.at(u, v + h).distance(s.at(u, v)) / h).isCloseTo(1, within(1e-5));
            // to the right is to the wearer's right, the normal looks ahead
            assertThat(s.at(1, 0).x()).isGreaterThan(s.at(-1, 0).x());
            assertThat(s.normal(0, 0).y()).isGreaterThan(0.5);
            assertThat(s.at(0, 1).z()).isGreaterThan(s.at(0, -1).z());
        }
    }

    @Test
    void aFlatOpeningStaysItself() {
        // a plate with a window of 90 x 40, before one who looks at it from behind, with wall all round
        var m = plateWithWindow(90, 40);

        var one = Openings.of(Windowed.shell(m), new Vec3(0, -60, 0), new Vec3(0, -1, 0), Progress.NONE).list().getFirst();

        assertThat(one.surface()).isInstanceOf(Developable.Flat.class);
        assertThat(one.wideMm()).isCloseTo(90, within(0.05));
        assertThat(one.highMm()).isCloseTo(40, within(0.05));
        assertThat(one.areaMm2()).isCloseTo(3600, within(6.0));
    }

    static Mesh plateWithWindow(double w, double h) {
        var b = new yellowbracket.mesh.MeshBuilder(64, 128);
        // four bars round the window, overlapping at the corners
        b.addAll(Shapes.box(new Vec3(-200, 0, h / 2), new Vec3(200, 3, 200)));
        b.addAll(Shapes.box(new Vec3(-200, 0, -200), new Vec3(200, 3, -h / 2)));
        b.addAll(Shapes.box(new Vec3(-200, 0, -h / 2), new Vec3(-w / 2, 3, h / 2)));
        b.addAll(Shapes.box(new Vec3(w / 2, 0, -h / 2), new Vec3(200, 3, h / 2)));
        return b.build();
    }

    @Test
    void twoEyesOfAMaskAreTwoOpenings() {
        var b = new yellowbracket.mesh.MeshBuilder(64, 128);
        for (double x : new double[] {-200, -20, 50})
            b.addAll(Shapes.box(new Vec3(x, 0, -15), new Vec3(x == -200 ? -50 : x == -20 ? 20 : 200, 3, 15)));
        b.addAll(Shapes.box(new Vec3(-200, 0, 15), new Vec3(200, 3, 200)));
        b.addAll(Shapes.box(new Vec3(-200, 0, -200), new Vec3(200, 3, -15)));

        var found = Openings.of(Windowed.shell(b.build()), new Vec3(0, -40, 0), new Vec3(0, -1, 0), Progress.NONE).list();

        assertThat(found.stream().map(Opening::name)).containsExactlyInAnyOrder("left", "right");
    }

    @Test
    void wallAllRoundHasNoOpening() {
        var m = Windowed.lidded(Windowed.tube(z -> 110, 3, 200, 0, 0, 0, 0), 130, 200);

        assertThat(of(m, 1, new Vec3(0, 0, 100)).list()).isEmpty();
    }

    @Test
    void anOpenFaceIsPartOfTheWayInAndNoOpening() {
        var m = Windowed.lidded(Windowed.tube(z -> 110, 3, 200, -60, 60, 0, 140), 130, 200);

        assertThat(of(m, 1, new Vec3(0, 0, 100)).list()).isEmpty();
    }

    @Test
    void amidSolidMatterItSaysSo() {
        var m = Shapes.sphere(100, 40);

        var found = of(m, 1, Vec3.ZERO);

        assertThat(found.list()).isEmpty();
        assertThat(found.findings()).singleElement().asString().contains("solid");
    }

    @Test
    void placesThatAreTooFewFitNothing() {
        assertThat(BestSurface.of(new ArrayList<>(), Vec3.Z)).isEmpty();
    }
}
