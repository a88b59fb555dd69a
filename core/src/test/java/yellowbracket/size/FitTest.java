package yellowbracket.size;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static yellowbracket.mesh.MeshAssert.turnedInside;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshAssert;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.shop.HeadMeasures;
import yellowbracket.shop.Wearer;

class FitTest {
    private static final Wearer WEARER = new Wearer("Ada", HeadMeasures.of(570, 195, 152), false, 0, 1700);

    private static Cavity cavity(Mesh m) {
        return Cavity.of(m, Bvh.of(m));
    }

    @ParameterizedTest
    @CsvSource({"500,172,135", "548,186,146", "575,195,153", "575,204,148", "620,210,165", "560,180,160"})
    void tapeOnTheFormFindsTheMeasuresWithinAMillimetre(double circ, double length, double breadth) {
        var form = HeadForm.of(
                new HeadMeasures(circ, length, breadth, Optional.of(0.39 * circ), Optional.empty(), Optional.empty(), Optional.empty()));
        var tape = form.tape();
        assertThat(tape.circumferenceMm()).isCloseTo(circ, within(1.0));
        assertThat(tape.lengthMm()).isCloseTo(length, within(1.0));
        assertThat(tape.breadthMm()).isCloseTo(breadth, within(1.0));
        assertThat(tape.heightMm()).isCloseTo(0.39 * circ, within(1.0));
        MeshAssert.assertClosed(form.mesh());
        assertThat(form.mesh().volumeMm3()).isPositive();
    }

    @Test
    void everyZoneHasSamplesAndNormalsPointOut() {
        var form = HeadForm.of(WEARER.head());
        for (var z : Zone.values()) assertThat(form.samples()).as(z.label()).anyMatch(s -> s.zone() == z);
        var index = Bvh.of(form.mesh());
        for (int i = 0; i < form.samples().size(); i += 11) {
            var s = form.samples().get(i);
            assertThat(index.inside(s.point().plus(s.normal().times(2)))).isFalse();
        }
        assertThat(form.atVertex(form.mesh().vertexCount() - 1, i -> i)).isEqualTo(form.samples().size() - 1);
    }

    @Test
    void slipsOfUnitAreCaught() {
        assertThat(HeadMeasures.of(22.5, 7.7, 6).check()).extracting(HeadMeasures.Implausible::todo)
                .anyMatch(t -> t.contains("inches: enter 572"));
        assertThat(HeadMeasures.of(57.5, 19.5, 15.3).check()).extracting(HeadMeasures.Implausible::todo)
                .allMatch(t -> t.contains("centimetres"));
        assertThat(HeadMeasures.of(640, 190, 150).check()).singleElement()
                .satisfies(p -> assertThat(p.sentence()).contains("does not go round"));
        assertThatThrownBy(() -> HeadMeasures.of(Double.NaN, 190, 150)).hasMessageContaining("a measure of a head");
        assertThatThrownBy(() -> HeadForm.of(HeadMeasures.of(900, 190, 150))).hasMessageContaining("circumference");
    }

    @Test
    void whatIsAssumedIsNamed() {
        assertThat(HeadMeasures.of(570, 195, 152).filled().assumed()).containsExactly("height", "face width", "neck", "pupil distance");
        assertThat(new HeadMeasures(570, 195, 152, Optional.of(220.0), Optional.of(139.0), Optional.of(360.0), Optional.of(62.0)).filled()
                .assumed()).isEmpty();
    }

    /** In a sphere the ray from p along n meets the inner wall at a distance known in closed form. */
    @ParameterizedTest
    @CsvSource({"1.0,0", "1.1,0", "1.3,12"})
    void clearanceInASphericalShellIsAsComputed(double scale, double pitch) {
        var ball = Mesh.union(java.util.List.of(Shapes.sphere(165, 160), turnedInside(Shapes.sphere(160, 160))));
        var form = HeadForm.of(WEARER.head());
        var pose = new Pose(3, -4, pitch);
        var c = Clearance.of(form, cavity(ball), scale, pose);
        double r = 160 * scale;
        for (int i = 0; i < form.samples().size(); i++) {
            var p = pose.place(form.samples().get(i).point());
            if (p.norm() > r - 1) continue;
            var n = pose.direction(form.samples().get(i).normal());
            double b = p.dot(n), expected = -b + Math.sqrt(b * b - p.dot(p) + r * r);
            if (expected > 159) continue;
            assertThat(c.mm(i)).isCloseTo(expected, within(0.5));
        }
    }

    @Test
    void aLargerShellNeverLowersTheClearance() {
        var ball = Mesh.union(java.util.List.of(Shapes.sphere(165, 96), turnedInside(Shapes.sphere(160, 96))));
        var cavity = cavity(ball);
        var form = HeadForm.of(WEARER.head());
        double before = -1e9;
        for (double s = 0.7; s < 1.5; s += 0.1) {
            double least = Clearance.of(form, cavity, s, new Pose(0, 0, 0)).tightest().orElseThrow().minMm();
            assertThat(least).isGreaterThan(before);
            before = least;
        }
    }

    @Test
    void aHeadInTheWallIsNegative() {
        var ball = Mesh.union(java.util.List.of(Shapes.sphere(95, 96), turnedInside(Shapes.sphere(90, 96))));
        var c = Clearance.of(HeadForm.of(WEARER.head()), cavity(ball), 1, new Pose(0, 0, 0));
        assertThat(c.zone(Zone.CROWN).orElseThrow().minMm()).as("crown at 111 mm is through a wall of 90 to 95").isNegative();
    }

    @Test
    void openAirIsSeenWholly() {
        var plate = Shapes.box(new Vec3(-10, -400, -10), new Vec3(10, -390, 10));
        var v = Vision.of(HeadForm.of(WEARER.head()), cavity(plate), 1, new Pose(0, 0, 0), 1600);
        assertThat(v.openShare()).isGreaterThan(0.99);
        assertThat(v.downDeg()).isEqualTo(70);
        assertThat(v.floorFromM()).isCloseTo(1.6 / Math.tan(Math.toRadians(70)), within(1e-9));
        assertThat(v.eyesUpMm()).isZero();
    }

    /** A wall ahead from z = -40 down hides the floor up to a known angle. */
    @Test
    void aWallHidesTheFloorToAKnownAngle() {
        var form = HeadForm.of(WEARER.head());
        double eyeY = form.eye(1).y();
        var wall = Shapes.box(new Vec3(-500, eyeY + 100, -500), new Vec3(500, eyeY + 104, -57.7));
        var v = Vision.of(form, cavity(wall), 1, new Pose(0, 0, 0), 1600);
        assertThat(v.downDeg()).isCloseTo(30, within(1.0));
    }

    @Test
    void aHollowIsTold() {
        assertThat(cavity(Shapes.cappedShell(120, 4, 40, 64, 32)).holdsAHead()).isTrue();
        assertThat(cavity(Shapes.box(Vec3.ZERO, new Vec3(100, 100, 100))).holdsAHead()).isFalse();
        assertThat(cavity(Shapes.cappedShell(120, 4, 40, 64, 32)).visorZ()).isEmpty();
    }

    @Test
    void scalesStandInOrderAndTheLowestKeepsTheLeast() {
        var shell = Shapes.ellipsoid(125, 150, 165, 96, 64);
        var inner = turnedInside(Shapes.ellipsoid(121, 146, 161, 96, 64));
        var cavity = cavity(Mesh.union(java.util.List.of(shell, inner)));
        var form = HeadForm.of(WEARER.head());
        var s = Fit.scales(Room.of(WEARER), form, cavity, Progress.NONE);
        assertThat(s.lowest()).isLessThanOrEqualTo(s.recommended());
        assertThat(s.recommended()).isLessThanOrEqualTo(s.highest());
        var fit = Fit.of(Room.of(WEARER), form, cavity, s.recommended(), s);
        for (var z : fit.clearance().zones())
            if (z.zone() != Zone.NECK) assertThat(z.minMm()).as(z.zone().label()).isGreaterThan(z.zone().leastMm(WEARER) - 1.5);
        var small = Fit.of(Room.of(WEARER), form, cavity, s.lowest() * 0.9, s);
        assertThat(small.findings())
                .anyMatch(f -> f.weight() != Weight.NOTE && f.fix().equals(java.util.Optional.of(SizeWish.scaleTo(s.lowest()))));
    }

    @Test
    void glassesAndHairAskForRoom() {
        var w = new Wearer("Bo", WEARER.head(), true, 30, 1700);
        assertThat(Zone.CROWN.leastMm(w)).isEqualTo(15);
        assertThat(Zone.CHEEKS.leastMm(w)).isEqualTo(15);
        assertThat(Zone.NOSE.leastMm(w)).isEqualTo(8);
    }

    @Test
    void aModelThatIsInsideOutIsToldBeforeItsFigures() {
        var dome = Shapes.cappedShell(135, 4, 60, 48, 32);
        var turned = turnedInside(dome);
        var wearer = new Wearer("Ada", HeadMeasures.of(575, 195, 153), false, 9, 1700);
        var scales = new Fit.Scales(0.5, "", 1, "", 2, "", true);

        assertThat(Fit.of(Room.of(wearer), HeadForm.of(wearer), Cavity.of(turned, Bvh.of(turned)), 1, scales).findings().getFirst().words())
                .contains("inside out");
        assertThat(Fit.of(Room.of(wearer), HeadForm.of(wearer), Cavity.of(dome, Bvh.of(dome)), 1, scales).findings())
                .noneMatch(f -> f.words().contains("inside out"));
    }
}
