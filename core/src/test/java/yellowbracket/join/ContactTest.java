package yellowbracket.join;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.List;
import org.junit.jupiter.api.Test;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.Letters;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/** Bodies that meet without having been cut apart: areas in closed form. */
class ContactTest {
    private static List<Contact> between(Mesh... bodies) {
        var m = Mesh.union(List.of(bodies));
        var s = Sectioning.of(m, Bvh.of(m), CutTree.WHOLE, "p", Letters.alone(), Progress.NONE);
        return Contact.of(s.sections(), s.seams(), Progress.NONE).contacts();
    }

    @Test
    void aCubeOnAPlate() {
        var c = between(Shapes.box(new Vec3(-10, -10, 0), new Vec3(10, 10, 20)),
                Shapes.box(new Vec3(-40, -40, -5), new Vec3(40, 40, -0.1)));
        assertThat(c).singleElement().satisfies(k -> {
            assertThat(k.seam().areaMm2()).isCloseTo(400, withinPercentage(2));
            assertThat(k.seam().lengthMm()).isCloseTo(80, withinPercentage(2));
            assertThat(Math.abs(k.seam().normal().z())).isCloseTo(1, within(1e-6));
            assertThat(k.bond().centre().distance(new Vec3(0, 0, -0.05))).isLessThan(0.5);
        });
    }

    @Test
    void aCubeThatHangsOverTheEdge() {
        var c = between(Shapes.box(new Vec3(30, -10, 0), new Vec3(50, 10, 20)), Shapes.box(new Vec3(-40, -40, -5), new Vec3(40, 40, -0.1)));
        assertThat(c).singleElement().satisfies(k -> assertThat(k.seam().areaMm2()).isCloseTo(200, withinPercentage(4)));
    }

    @Test
    void aPegInItsHole() {
        var c = between(Shapes.tube(5, 0, -10, 10, 96), Shapes.tube(20, 5.1, -6, 6, 96));
        assertThat(c).singleElement().satisfies(k -> {
            assertThat(k.seam().areaMm2()).isCloseTo(2 * Math.PI * 5 * 12, withinPercentage(2));
            assertThat(Math.abs(k.seam().normal().z())).as("it slides along its axis").isGreaterThan(0.99);
        });
    }

    @Test
    void aSphereInACup() {
        double r = 20;
        var ball = Shapes.sphere(r, 160);
        // a round hollow in a block, as the ball's own lower half turned inside out
        var keep = new boolean[ball.triangleCount()];
        for (int f = 0; f < keep.length; f++) keep[f] = ball.centroid(f).z() < 0;
        var hollow = ball.scaled((r + 0.15) / r).only(keep);
        var flipped = hollow.copyTriangles();
        for (int i = 0; i < flipped.length; i += 3) {
            int s = flipped[i];
            flipped[i] = flipped[i + 1];
            flipped[i + 1] = s;
        }
        var a = new yellowbracket.cut.Section(new yellowbracket.work.SectionId("p", "A"), ball, true);
        var b = new yellowbracket.cut.Section(new yellowbracket.work.SectionId("p", "B"), Mesh.of(hollow.copyXyz(), flipped), false);
        assertThat(Contact.of(List.of(a, b), List.of(), Progress.NONE).contacts()).singleElement()
                .satisfies(k -> assertThat(k.seam().areaMm2()).isCloseTo(2 * Math.PI * r * r, withinPercentage(2)));
    }

    @Test
    void whatStandsApartAndWhatWasCutApartIsNoContact() {
        assertThat(between(Shapes.sphere(10, 24), Shapes.sphere(10, 24).moved(new Vec3(25, 0, 0)))).isEmpty();
        var m = Shapes.box(Vec3.ZERO, new Vec3(20, 20, 60));
        var s = Sectioning.of(m, Bvh.of(m), CutTree.split(CutPlane.across(2, 31), CutTree.WHOLE, CutTree.WHOLE), "p", Letters.alone(),
                Progress.NONE);
        assertThat(Contact.of(s.sections(), s.seams(), Progress.NONE)).isEqualTo(Contact.Found.NONE);
    }

    @Test
    void bodiesThatRunIntoEachOtherAreTold() {
        var m = Mesh.union(List.of(Shapes.tube(6, 0, -30, 30, 48), Shapes.box(new Vec3(-20, -20, 10), new Vec3(20, 20, 30.2))));
        var s = Sectioning.of(m, Bvh.of(m), CutTree.WHOLE, "p", Letters.alone(), Progress.NONE);
        assertThat(Contact.of(s.sections(), s.seams(), Progress.NONE).clashes()).singleElement()
                .satisfies(k -> assertThat(k.deepMm()).isBetween(5.0, 15.0));
    }

    /** A cube of three walls printed upright stands on its skin: the ring of walls bears, the middle by its infill; a peg by its wall. */
    @Test
    void aContactBearsWhereWallsBear() {
        var printed = new Weakest.Printed(3, 0.44, 0.15, Vec3.Z, 50, 0.5);
        var c = between(Shapes.box(new Vec3(-10, -10, 0), new Vec3(10, 10, 20)), Shapes.box(new Vec3(-40, -40, -5), new Vec3(40, 40, -0.1)))
                .getFirst();
        double core = Math.pow(20 - 2 * 1.32, 2), bears = 400 - core + 0.15 * core;
        assertThat(c.bonded(printed, printed).areaMm2()).isCloseTo(bears, withinPercentage(8));
        var lying = new Weakest.Printed(3, 0.44, 0.15, Vec3.X, 50, 0.5);
        assertThat(c.bonded(lying, lying).areaMm2()).as("its walls run along there").isCloseTo(400, withinPercentage(2));
        var six = new Weakest.Printed(6, 0.44, 0.15, Vec3.Z, 50, 0.5);
        assertThat(c.bonded(six, six).areaMm2()).isGreaterThan(c.bonded(printed, printed).areaMm2());
        var peg = between(Shapes.tube(5, 0, -10, 10, 96), Shapes.tube(20, 5.1, -6, 6, 96)).getFirst();
        assertThat(peg.bonded(printed, printed).areaMm2()).isCloseTo(2 * Math.PI * 5 * 12, withinPercentage(2));
    }
}
