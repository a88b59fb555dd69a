package yellowbracket.cut.solid;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static yellowbracket.mesh.MeshAssert.assertVolume;
import static yellowbracket.mesh.MeshAssert.assertWatertight;

import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

class CarveTest {
    private static final Mesh BOX = Shapes.box(Vec3.ZERO, new Vec3(40, 40, 40));

    @Test
    void aBlockIsClosedAndAsLargeAsItsPlanesSay() {
        var b = ConvexSolid.box(new Vec3(5, 6, 7), Vec3.X, Vec3.Y, 1, 2, 3);
        assertWatertight(b.mesh());
        assertVolume(b.mesh(), 2 * 4 * 6, 1e-12);
        assertThatThrownBy(() -> ConvexSolid
                .behind(List.of(CutPlane.across(0, 1), CutPlane.across(1, 1), CutPlane.across(2, 1), new CutPlane(new Vec3(1, 1, 1), 3))))
                .hasMessageContaining("no bounded space");
    }

    @Test
    void aBossIsAnOctagonWithSlantingEnds() {
        var b = ConvexSolid.boss(Vec3.ZERO, Vec3.Z, Vec3.X, 5, 8).mesh();
        assertWatertight(b);
        assertThat(b.volumeMm3()).isCloseTo(8 * 25 * Math.tan(Math.PI / 8) * 16, within(1e-6)); // ends slant evenly about the middle
    }

    @Test
    void takesABlockOutOfAFace() {
        var cut = Carve.difference(BOX, Bvh.of(BOX), ConvexSolid.box(new Vec3(20, 20, 40), Vec3.X, Vec3.Y, 4, 5, 6), 7);
        assertWatertight(cut);
        assertVolume(cut, 64000 - 8 * 10 * 6, 1e-9);
        assertThat(IntStream.range(0, cut.triangleCount()).filter(f -> cut.tag(f) == 7).mapToDouble(cut::area).sum()).as("walls and floor")
                .isCloseTo(80 + 2 * 8 * 6 + 2 * 10 * 6, within(1e-6));
    }

    @Test
    void putsABlockOnAFace() {
        var more = Carve.union(BOX, Bvh.of(BOX), ConvexSolid.box(new Vec3(20, 20, 40), Vec3.X, Vec3.Y, 4, 5, 6), 7);
        assertWatertight(more);
        assertVolume(more, 64000 + 8 * 10 * 6, 1e-9);
    }

    @Test
    void aBlockWhollyInsideOrOutside() {
        var inside = ConvexSolid.box(new Vec3(20, 20, 20), Vec3.X, Vec3.Y, 4, 5, 6);
        var outside = inside.moved(new Vec3(100, 0, 0));
        var index = Bvh.of(BOX);
        assertVolume(Carve.union(BOX, index, inside, 0), 64000, 1e-12);
        assertVolume(Carve.difference(BOX, index, inside, 0), 64000 - 960, 1e-12);
        assertVolume(Carve.union(BOX, index, outside, 0), 64960, 1e-12);
        assertVolume(Carve.difference(BOX, index, outside, 0), 64000, 1e-12);
    }

    @Test
    void aFaceInAFaceIsMovedALittleAndStillAddsUp() {
        var flush = ConvexSolid.box(new Vec3(20, 20, 37), Vec3.X, Vec3.Y, 4, 5, 3);
        var cut = Carve.difference(BOX, Bvh.of(BOX), flush, 0);
        assertWatertight(cut);
        assertThat(cut.volumeMm3()).isCloseTo(64000 - 8 * 10 * 6, within(8.0));
    }

    static Stream<Arguments> anyMeshAnyBlock() {
        var meshes = List.of(Shapes.sphere(25, 28), Shapes.torus(24, 7, 36, 18), Shapes.tube(24, 20, -20, 20, 40),
                Shapes.cappedShell(26, 3, 50, 40, 24));
        var random = new Random(11);
        return meshes.stream().flatMap(m -> IntStream.range(0, 25).mapToObj(i -> Arguments.of(m, block(m, random))));
    }

    private static ConvexSolid block(Mesh m, Random r) {
        var at = m.point(r.nextInt(m.vertexCount())).plus(new Vec3(r.nextGaussian(), r.nextGaussian(), r.nextGaussian()));
        var axis = new Vec3(r.nextGaussian(), r.nextGaussian(), r.nextGaussian()).unit();
        var inward = axis.cross(new Vec3(r.nextGaussian(), r.nextGaussian(), r.nextGaussian())).unit();
        return r.nextBoolean() ? ConvexSolid.boss(at, axis, inward, 2 + 5 * r.nextDouble(), 5 + 6 * r.nextDouble())
                : ConvexSolid.box(at, axis, inward, 1 + 6 * r.nextDouble(), 1 + 6 * r.nextDouble(), 1 + 6 * r.nextDouble());
    }

    /** |A or B| + |A and B| = |A| + |B|, and |A without B| + |A and B| = |A|, with |A and B| from cutting A by the planes of B. */
    @ParameterizedTest
    @MethodSource("anyMeshAnyBlock")
    void volumesObeyTheRulesOfSets(Mesh m, ConvexSolid block) {
        var index = Bvh.of(m);
        var both = m;
        for (var p : block.faces()) both = both.isEmpty() ? both : PlaneCut.cut(both, p, 0).below();
        double a = m.volumeMm3(), b = block.mesh().volumeMm3(), common = both.volumeMm3();
        var or = Carve.union(m, index, block, 1);
        var without = Carve.difference(m, index, block, 1);
        assertWatertight(or);
        assertWatertight(without);
        assertThat(or.volumeMm3() + common).isCloseTo(a + b, within(1e-8 * a));
        assertThat(without.volumeMm3() + common).isCloseTo(a, within(1e-8 * a));
    }
}
