package yellowbracket.wear.panel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshAssert;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.index.ScaledShell;

class LensTest {
    private static final ScaledShell ROUND = Windowed.shell(Windowed.lidded(Windowed.tube(z -> 110, 3, 200, -40, 40, 80, 140), 130, 200));
    private static final Opening WINDOW = Openings.of(ROUND, new Vec3(0, 0, 100), new Vec3(0, 0, -1), Progress.NONE).list().getFirst();

    private static void closed(Mesh m) {
        MeshAssert.assertClosed(m);
        assertThat(m.volumeMm3()).isPositive();
    }

    @Test
    void aPressedLensIsClosedAndSmallerByTheClearanceAllRound() {
        var lens = Lens.pressed(WINDOW, 0.2, 3);

        closed(lens);
        // its four sides stand 0.2 mm from those of the window, from the inner face to the outer one
        double least = Double.POSITIVE_INFINITY, most = 0;
        var index = Bvh.of(lens);
        for (double z = 84; z <= 136; z += 2) for (double r = 110.1; r <= 112.9; r += 0.7) {
            double a = Math.toRadians(40);
            for (int side : new int[] {-1, 1}) {
                double gap = index.distance(new Vec3(side * r * Math.sin(a), r * Math.cos(a), z));
                least = Math.min(least, gap);
                most = Math.max(most, gap);
            }
        }
        for (double az = -38; az <= 38; az += 2) for (double z : new double[] {80, 140}) {
            double a = Math.toRadians(az), gap = index.distance(new Vec3(111 * Math.sin(a), 111 * Math.cos(a), z));
            least = Math.min(least, gap);
            most = Math.max(most, gap);
        }
        assertThat(least).isCloseTo(0.2, within(0.05));
        assertThat(most).isCloseTo(0.2, within(0.05));
    }

    @Test
    void whatTheClearanceEatsUpIsToldInWords() {
        assertThatThrownBy(() -> Lens.pressed(WINDOW, 40, 3)).hasMessageContaining("front opening").hasMessageContaining("clearance");
    }

    @Test
    void aBuckIsClosedAndNowhereUndercut() {
        double draft = 3;
        var buck = Lens.buck(WINDOW, 6, 8, 0.8, draft, 12);

        closed(buck.mesh());
        double bottom = buck.mesh().bounds().min().z();
        for (int f = 0; f < buck.mesh().triangleCount(); f++) {
            if (buck.mesh().area(f) < 1e-6) continue;
            var n = buck.mesh().areaVector(f).unit();
            boolean under = buck.mesh().centroid(f).z() < bottom + 5 + 1e-6;
            // the plate stands straight; all that the sheet is drawn over leans by the draft
            if (!under) assertThat(n.z()).isGreaterThan(Math.sin(Math.toRadians(draft)) - 0.02);
        }
        assertThat(buck.thinned()).isBetween(0.4, 0.95);
        assertThat(buck.fits(300, 200)).isTrue();
        assertThat(buck.fits(100, 100)).isFalse();
        assertThat(buck.highMm()).isGreaterThan(buck.mesh().bounds().size().z() - 1e-6);
    }

    @Test
    void aBuckWithoutBulgeOrSheetIsAsRoundAsTheWall() {
        var m = Lens.buck(WINDOW, 0, 0, 0, 3, 10).mesh();
        double top = m.bounds().max().z(), cx = m.bounds().centre().x(), cy = m.bounds().centre().y();
        var index = Bvh.of(m);
        // pulled straight ahead: the wall's round lies across, x or y by how the buck was turned
        boolean along = m.bounds().size().x() > m.bounds().size().y();
        for (double a = -60; a <= 60; a += 10) {
            double z = top - (110 - Math.sqrt(110 * 110 - a * a));
            assertThat(index.distance(along ? cx + a : cx, along ? cy : cy + a, z)).isLessThan(0.15);
        }
    }

    @Test
    void anOpeningOfAnyShapeFillsWithoutGaps() {
        var patch = FlatPatch.of(WINDOW.outline(), 3);

        double sum = 0;
        for (var t : patch.triangles()) {
            var a = patch.corners().get(t[0]);
            var b = patch.corners().get(t[1]);
            var c = patch.corners().get(t[2]);
            double twice = (b.x - a.x) * (c.y - a.y) - (c.x - a.x) * (b.y - a.y);
            assertThat(twice).isPositive();
            sum += twice / 2;
        }
        assertThat(sum).isCloseTo(WINDOW.areaMm2(), within(1e-6 * WINDOW.areaMm2()));
    }
}
