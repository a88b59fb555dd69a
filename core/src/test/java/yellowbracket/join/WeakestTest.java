package yellowbracket.join;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/** Where slender parts snap, against the beam formulae. */
class WeakestTest {
    private static final Weakest.Printed SOLID = new Weakest.Printed(3, 0.44, 1, Vec3.X, 50, 0.5);

    private static Weakest.Printed walls(int n) {
        return new Weakest.Printed(n, 0.44, 0.15, Vec3.X, 50, 0.5);
    }

    private static Weakest scan(Mesh m, Weakest.Printed p, double grams, LoadCase c) {
        var parts = List.of(new Weighed("A", grams, m.centreOfMass()));
        return Weakest.of("A", m, p, parts, List.of(), List.of(c), JoinPlan.LEAST_RESERVE).orElseThrow();
    }

    private static LoadCase heldAt(double z) {
        return new LoadCase(LoadCase.Kind.HELD, 6, Set.of("A"), List.of(new Vec3(0, 0, z)), new JointGroup.Ways.Along(Vec3.X));
    }

    @Test
    void aRoundBarHeldInTheMiddleBendsByAnEighth() {
        double r = 10, length = 1000, grams = 390, w = 6 * Loads.GRAVITY * grams;
        var weak = scan(Shapes.tube(r, 0, -500, 500, 96), SOLID, grams, heldAt(0));
        assertThat(weak.at().z()).as("snaps where it is held").isCloseTo(0, within(6.0));
        assertThat(weak.stressMpa()).isCloseTo(w * length / 8 / (Math.PI * r * r * r / 4), withinPercentage(2));
        assertThat(weak.modulusMm3()).isCloseTo(Math.PI * r * r * r / 4, withinPercentage(1));
        assertThat(weak.low()).isCloseTo(0.6 * 50 / weak.stressMpa(), within(1e-6));
        assertThat(weak.widestMm()).isCloseTo(2 * (r - Weakest.BORE_WALL_MM), within(0.3));
    }

    @Test
    void wallsAndInfillBearByTheirOwnSum() {
        double r = 15, wall = 4 * 0.44, core = r - wall, fill = 0.15 * 0.15;
        var face = Weakest.slice(Shapes.tube(r, 0, -100, 100, 128), Bvh.of(Shapes.tube(r, 0, -100, 100, 128)), new CutPlane(Vec3.Z, 1.5));
        var bond = new JointGroup(List.of(Bond.of("s", face, wall, fill)));
        assertThat(bond.leastMoment()).isCloseTo(Math.PI / 4 * (Math.pow(r, 4) - (1 - fill) * Math.pow(core, 4)), withinPercentage(1));
        var tube = Shapes.tube(r, 12, -100, 100, 128);
        var ring = Weakest.slice(tube, Bvh.of(tube), new CutPlane(Vec3.Z, 1.5));
        assertThat(ring.shape().getArea()).isCloseTo(Math.PI * (r * r - 144), withinPercentage(0.5));
    }

    @Test
    void aNeckIsFoundAndMoreWallsNeverMakeItWeaker() {
        var fine = waisted();
        double before = 0;
        for (int n = 1; n <= 6; n++) {
            var weak = scan(fine, walls(n), 400, heldAt(-100));
            assertThat(weak.at().z()).isBetween(90.0, 150.0);
            assertThat(weak.low()).isGreaterThanOrEqualTo(before);
            before = weak.low();
        }
        assertThat(scan(fine, walls(2), 400, heldAt(-100)).low()).isGreaterThan(scan(fine, walls(2), 500, heldAt(-100)).low());
    }

    private static Mesh waisted() {
        return Shapes.ellipsoid(12, 12, 300, 48, 200).mapped(p -> {
            double k = 1 - 0.6 * Math.exp(-Math.pow((p.z() - 120) / 20, 2));
            return new Vec3(p.x() * k, p.y() * k, p.z());
        });
    }

    @Test
    void acrossItsLayersItBearsLess() {
        var bar = Shapes.tube(10, 0, -300, 300, 48);
        var lying = scan(bar, new Weakest.Printed(3, 0.44, 1, Vec3.X, 50, 0.5), 300, heldAt(0));
        var standing = scan(bar, new Weakest.Printed(3, 0.44, 1, Vec3.Z, 50, 0.5), 300, heldAt(0));
        assertThat(standing.low()).isCloseTo(lying.low() / 2, within(1e-6));
    }

    @Test
    void whatIsNotSlenderIsNotLookedAt() {
        var cube = Shapes.box(Vec3.ZERO, new Vec3(40, 40, 50));
        assertThat(Weakest.of("A", cube, SOLID, List.of(new Weighed("A", 80, new Vec3(20, 20, 25))), List.of(), List.of(heldAt(0)), 3))
                .isEmpty();
    }

    @Test
    void aRodTakesItsMomentAndSitsDeepEnough() {
        for (double moment : new double[] {300, 2_000, 9_000}) for (var r : Rod.of(moment, 3, 40)) {
            assertThat(r.stock().mpa() * Math.PI * Math.pow(r.diameterMm(), 3) / 32).isGreaterThanOrEqualTo(3 * moment);
            double push = 3 * moment / (2 / 3.0 * r.depthMm());
            assertThat(push / (Math.PI * r.diameterMm() * r.depthMm())).as("glue round it").isLessThanOrEqualTo(Rod.BORE_MPA * (1 + 1e-9));
            assertThat(r.momentNmm()).isGreaterThanOrEqualTo(3 * moment * (1 - 1e-9));
            assertThat(r.fits()).isEqualTo(r.diameterMm() + 0.2 <= 40);
        }
        assertThat(Rod.of(9_000, 3, 4)).isNotEmpty().noneMatch(Rod::fits);
    }
}
