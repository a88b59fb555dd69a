package yellowbracket.cut;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.cut.plan.PlaneSnap;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.cut.solid.PlaneCut;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshAssert;
import yellowbracket.mesh.MirrorHalf;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.work.Known;

/** Halves, twins, and planes brought to where they belong. */
class AlikeTest {
    /** No two of its sides are alike. */
    private static final Mesh WEDGE = Shapes.box(Vec3.ZERO, new Vec3(30, 20, 10))
            .mapped(p -> new Vec3(p.x(), p.y() * (1 + p.x() / 40), p.z() * (1 + p.y() / 50)));

    private static Section section(String name, Mesh m) {
        return new Section(Known.p(name), m, true);
    }

    @Test
    void turnedAndMovedIsTheSameAndMirroredIsTold() {
        var turned = WEDGE.turned(Turn.quarter(0).then(Turn.quarter(2))).moved(new Vec3(70, -3, 8));
        var list = List.of(section("A", WEDGE), section("B", turned), section("C", WEDGE.mirrored()), section("D", WEDGE.scaled(1.01)));
        assertThat(Alike.among(list)).containsExactly(new Alike.Twin("B", "A", false), new Alike.Twin("C", "A", true));
        assertThat(
                Alike.sentences(List.of(new Alike.Twin("B", "A", false), new Alike.Twin("C", "A", true), new Alike.Twin("D", "A", false))))
                .containsExactly("B, D are the same as A", "C is the mirror image of A");
        assertThat(new Alike.Twin("C", "A", true).words()).isEqualTo("C is the mirror image of A");
    }

    @Test
    void halvesOfAPropCutInTheMiddleAreMirrorImages() {
        var shell = Shapes.cappedShell(90, 4, 45, 64, 32);
        var halves = Sectioning
                .of(shell, Bvh.of(shell), CutTree.split(CutPlane.across(0, 0), CutTree.WHOLE, CutTree.WHOLE), "p", Letters.alone(),
                        Progress.NONE)
                .sections();
        assertThat(Alike.among(halves)).singleElement().satisfies(t -> assertThat(t.of()).isEqualTo("A"));
    }

    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void oneHalfStandsForBoth(boolean right) {
        var lopsided = Shapes.torus(60, 18, 72, 36)
                .mapped(p -> new Vec3(p.x(), p.y(), p.z() * (1 + p.x() / 300)))
                .moved(new Vec3(4.2, 0, 0));
        var even = MirrorHalf.of(lopsided, right);
        MeshAssert.assertWatertight(even);
        assertThat(even.bounds().min().x()).isCloseTo(-even.bounds().max().x(), within(1e-12));
        var halves = PlaneCut.cut(lopsided, CutPlane.across(0, 0), 0);
        assertThat(even.volumeMm3()).isCloseTo(2 * (right ? halves.above() : halves.below()).volumeMm3(),
                within(1e-7 * lopsided.volumeMm3()));
        assertThat(MirrorHalf.of(even, right).volumeMm3()).as("once is enough").isCloseTo(even.volumeMm3(), within(1e-6));
    }

    @Test
    void aPlaneFindsTheMiddleTheAxisAndTheCrease() {
        assertThat(PlaneSnap.toMiddle()).isEqualTo(CutPlane.across(0, 0));
        var leaning = new CutPlane(new Vec3(0.1, 0.2, 0.95), 12);
        var straight = PlaneSnap.toAxis(leaning, Vec3.ZERO);
        assertThat(straight.normal()).isEqualTo(Vec3.Z);
        assertThat(straight.offsetMm()).isCloseTo(leaning.normal().times(leaning.offsetMm()).z(), within(1e-12));
        var waisted = Mesh.union(List.of(Shapes.tube(40, 0, 0, 50, 64), Shapes.tube(25, 0, 50, 90, 64)));
        var found = PlaneSnap.toCrease(CutPlane.across(2, 44.3), waisted, 15).orElseThrow();
        assertThat(found.offsetMm()).isBetween(44.3, 58.0);
        assertThat(PlaneSnap.toCrease(CutPlane.across(0, 0), Shapes.sphere(40, 40), 10)).isEmpty();
    }

    @Test
    void aTurnedPlaneKeepsItsPointAndItsAngles() {
        var p = new CutPlane(new Vec3(0, 0.5, Math.sqrt(0.75)), 20);
        assertThat(PlaneSnap.leanDeg(p)).isCloseTo(30, within(1e-9));
        assertThat(PlaneSnap.towardsDeg(p)).isCloseTo(0, within(1e-9));
        var about = new Vec3(3, 4, 5);
        var on = about.minus(p.normal().times(p.height(about)));
        for (double lean : new double[] {0, 15, 90, 130}) for (double to : new double[] {-120, 0, 45}) {
            var q = PlaneSnap.leaning(p, lean, to, about);
            assertThat(q.height(on)).isCloseTo(0, within(1e-9));
            assertThat(PlaneSnap.leanDeg(q)).isCloseTo(lean, within(1e-6));
            if (lean > 0) assertThat(PlaneSnap.towardsDeg(q)).isCloseTo(to, within(1e-6));
        }
        var turned = PlaneSnap.turned(CutPlane.across(2, 0), Vec3.X, 90, Vec3.ZERO);
        assertThat(turned.normal().distance(new Vec3(0, -1, 0))).isLessThan(1e-12);
    }

    @Test
    void sectionsAreFoundInTheTreeAndMerged() {
        var box = Shapes.box(new Vec3(-50, -50, -50), new Vec3(50, 50, 50));
        var quarters = CutTree.split(CutPlane.across(2, 0.137), CutTree.WHOLE, CutTree.WHOLE).cutEverywhere(CutPlane.across(0, 0.137));
        var sections = Sectioning.of(box, Bvh.of(box), quarters, "p", Letters.alone(), Progress.NONE).sections();
        assertThat(sections).hasSize(4).allSatisfy(s -> assertThat(quarters.at(quarters.pathTo(s))).isEqualTo(CutTree.WHOLE));
        assertThat(sections.stream().map(quarters::pathTo).distinct()).hasSize(4);
        var merged = quarters.merged(quarters.pathTo(sections.get(0)), quarters.pathTo(sections.get(1))).orElseThrow();
        assertThat(Sectioning.of(box, Bvh.of(box), merged, "p", Letters.alone(), Progress.NONE).sections()).hasSize(3);
        var upright = quarters.merged(quarters.pathTo(sections.get(0)), quarters.pathTo(sections.get(2))).orElseThrow();
        assertThat(Sectioning.of(box, Bvh.of(box), upright, "p", Letters.alone(), Progress.NONE).sections())
                .extracting(s -> Math.round(s.mesh().volumeMm3() / 1e4))
                .contains(50L);
    }

    @Test
    void rimsRunWhereCutsReachTheSurface() {
        var box = Shapes.box(new Vec3(-50, -40, -30), new Vec3(50, 40, 30));
        var top = PlaneCut.cut(box, CutPlane.across(2, 5), 0).above();
        var rims = Sectioning.rims(top);
        double length = 0;
        for (int i = 0; i < rims.length; i += 6) {
            assertThat(rims[i + 2]).isCloseTo(5, within(1e-12));
            length += new Vec3(rims[i], rims[i + 1], rims[i + 2]).distance(new Vec3(rims[i + 3], rims[i + 4], rims[i + 5]));
        }
        assertThat(length).isCloseTo(360, within(1e-9));
    }
}
