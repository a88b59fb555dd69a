package yellowbracket.cut.solid;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yellowbracket.mesh.MeshAssert.assertClosed;
import static yellowbracket.mesh.MeshAssert.assertVolume;
import static yellowbracket.mesh.MeshAssert.assertWatertight;
import static yellowbracket.mesh.MeshAssert.turnedInside;

import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.repair.MeshHealth;

class PlaneCutTest {
    private static final Mesh BOX = Shapes.box(Vec3.ZERO, new Vec3(10, 20, 30));

    @Test
    void halvesABox() {
        var h = PlaneCut.cut(BOX, CutPlane.across(2, 12), 0);
        assertClosed(h.above());
        assertClosed(h.below());
        assertVolume(h.above(), 10 * 20 * 18, 1e-12);
        assertVolume(h.below(), 10 * 20 * 12, 1e-12);
        assertThat(capArea(h.above(), 0)).isCloseTo(200, within(1e-9));
    }

    @Test
    void missesABox() {
        var h = PlaneCut.cut(BOX, CutPlane.across(2, 31), 0);
        assertThat(h.above().isEmpty()).isTrue();
        assertThat(h.below()).isSameAs(BOX);
    }

    @Test
    void aPlaneInAFaceCutsNothingOff() {
        var h = PlaneCut.cut(BOX, CutPlane.across(2, 30), 0);
        assertThat(h.above().isEmpty()).isTrue();
        assertThat(h.below()).isSameAs(BOX);
    }

    @Test
    void goesThroughVerticesAndAlongEdges() {
        var h = PlaneCut.cut(BOX, PlaneCut.through(Vec3.ZERO, new Vec3(10, 20, 0), new Vec3(0, 0, 30)).orElseThrow(), 0);
        assertClosed(h.above());
        assertClosed(h.below());
        assertVolume(h.above(), 3000, 1e-12);
        assertThat(h.above().vertexCount() + h.below().vertexCount()).as("no vertex added beside the model's own").isEqualTo(12);
    }

    @Test
    void aLShapeWhoseLowerLegEndsInThePlaneGetsNoSkin() {
        var l = stairs();
        var h = PlaneCut.cut(l, CutPlane.across(2, 10), 0);
        assertClosed(h.above());
        assertClosed(h.below());
        assertVolume(h.above(), 10 * 10 * 20, 1e-12);
        assertVolume(h.below(), 30 * 10 * 10, 1e-12);
    }

    @Test
    void capsHolesAndIslands() {
        var tube = Shapes.tube(20, 15, 0, 40, 64);
        var rod = Shapes.tube(10, 0, 0, 40, 48);
        var h = PlaneCut.cut(Mesh.union(List.of(tube, rod)), CutPlane.across(2, 17), 3);
        assertClosed(h.above());
        assertThat(MeshHealth.of(h.above()).bodies()).hasSize(2);
        double ring = ngon(20, 64) - ngon(15, 64) + ngon(10, 48);
        assertThat(capArea(h.below(), 3)).isCloseTo(ring, within(1e-6));
        assertThat(h.below().triangleCount()).isGreaterThan(0);
    }

    @Test
    void keepsAVoidOpenToNobody() {
        var shell = Mesh.union(List.of(Shapes.sphere(20, 32), turnedInside(Shapes.sphere(15, 32))));
        var h = PlaneCut.cut(shell, CutPlane.across(0, 1.234), 0);
        assertClosed(h.above());
        assertThat(h.above().volumeMm3() + h.below().volumeMm3()).isCloseTo(shell.volumeMm3(), within(1e-9 * shell.volumeMm3()));
        assertThat(MeshHealth.of(h.above()).bodies()).hasSize(1);
    }

    @Test
    void leavesAnOpenMeshOpenAndSaysSo() {
        var keep = new boolean[BOX.triangleCount()];
        java.util.Arrays.fill(keep, true);
        keep[8] = false; // one triangle of a wall
        var h = PlaneCut.cut(BOX.only(keep), CutPlane.across(2, 12), 0);
        assertThat(h.openChains()).isEqualTo(1);
        assertThat(h.above().isEmpty()).isFalse();
    }

    /**
     * A cup that stands on the plane upside down, open below: its rim is lidded on the upper side, and the lower side gets the same lid
     * turned over.
     */
    @Test
    void anOpenRimInThePlaneIsLidded() {
        var cup = BOX.only(notFacing(BOX, Vec3.Z.times(-1)));
        var h = PlaneCut.cut(Mesh.union(List.of(cup, Shapes.sphere(5, 16).moved(new Vec3(50, 0, 0)))), CutPlane.across(2, 0), 4);
        assertClosed(h.above());
        assertThat(capArea(h.above(), 4)).isCloseTo(200 + ngon(5, 16), within(1e-6));
        assertThat(capArea(h.below(), 4)).isCloseTo(capArea(h.above(), 4), within(1e-9));
        assertThat(h.openChains()).isZero();
    }

    private static boolean[] notFacing(Mesh m, Vec3 way) {
        var keep = new boolean[m.triangleCount()];
        for (int f = 0; f < keep.length; f++) keep[f] = m.areaVector(f).unit().dot(way) < 0.9;
        return keep;
    }

    /** Large meshes are worked in blocks side by side: nothing may show where one ends, and triangles keep their order and their tags. */
    @Test
    void aLargeMeshIsCutAsOne() {
        var whole = Shapes.bumpySphere(60, 90_000);
        var plane = new CutPlane(new Vec3(0.3, 0.2, 1), 7.137);
        var first = PlaneCut.cut(whole, plane, 0);
        assertThat(first.openChains()).isZero();
        var second = PlaneCut.cut(first.below(), new CutPlane(new Vec3(1, -0.4, 0.1), -3.731), 1);
        for (var piece : List.of(first.above(), first.below(), second.above(), second.below())) {
            assertClosed(piece);
            assertThat(piece.compact()).as("every vertex is used").isSameAs(piece);
        }
        assertThat(first.above().volumeMm3() + second.above().volumeMm3() + second.below().volumeMm3()).isCloseTo(whole.volumeMm3(),
                within(1e-9 * whole.volumeMm3()));
        assertThat(capArea(second.above(), 0) + capArea(second.below(), 0)).as("the first cap, parted by the second cut")
                .isCloseTo(capArea(first.above(), 0), within(1e-6));
        assertThat(capArea(second.above(), 1)).isCloseTo(capArea(second.below(), 1), within(1e-9)).isGreaterThan(1000);
        int at = 0;
        for (int f = 0; f < whole.triangleCount(); f++) {
            if (!whollyAbove(whole, f, plane)) continue;
            while (!whollyAbove(first.above(), at, plane)) at++;
            assertThat(first.above().centroid(at)).isEqualTo(whole.centroid(f));
            assertThat(first.above().tag(at++)).isEqualTo(Mesh.ORIGINAL);
        }
    }

    private static boolean whollyAbove(Mesh m, int f, CutPlane p) {
        for (int k = 0; k < 3; k++) if (p.normal().dot(m.corner(f, k)) - p.offsetMm() < 2 * PlaneCut.ON_PLANE_MM) return false;
        return true;
    }

    static Stream<Arguments> anyMeshAnyPlane() {
        var meshes = List.of(BOX, Shapes.sphere(25, 24), Shapes.torus(30, 9, 40, 16), Shapes.tube(20, 17, -10, 30, 36),
                Shapes.cappedShell(40, 3, 50, 48, 20), stairs(),
                Mesh.union(List.of(Shapes.sphere(20, 20), turnedInside(Shapes.sphere(12, 20)))));
        var random = new Random(7);
        return meshes.stream().flatMap(m -> Stream.iterate(0, i -> i < 30, i -> i + 1).map(i -> Arguments.of(m, plane(m, i, random))));
    }

    /** Every third plane goes exactly through three vertices of the mesh, every third along an axis through one. */
    private static CutPlane plane(Mesh m, int i, Random random) {
        var p = m.point(random.nextInt(m.vertexCount()));
        if (i % 3 == 0) {
            var q = m.point(random.nextInt(m.vertexCount()));
            var r = m.point(random.nextInt(m.vertexCount()));
            var through = PlaneCut.through(p, q, r);
            if (through.isPresent()) return through.get();
        }
        if (i % 3 == 1) return CutPlane.across(random.nextInt(3), p.get(random.nextInt(3)));
        var n = new Vec3(random.nextGaussian(), random.nextGaussian(), random.nextGaussian()).unit();
        return new CutPlane(n, n.dot(m.bounds().centre()) + random.nextGaussian() * 6);
    }

    @ParameterizedTest
    @MethodSource("anyMeshAnyPlane")
    void piecesOfAClosedMeshAreClosedAndAddUp(Mesh m, CutPlane plane) {
        var h = PlaneCut.cut(m, plane, 0);
        double sum = 0;
        for (var piece : List.of(h.above(), h.below())) {
            if (piece.isEmpty()) continue;
            assertWatertight(piece);
            sum += piece.volumeMm3();
        }
        assertThat(sum).isCloseTo(m.volumeMm3(), within(1e-9 * m.volumeMm3()));
        assertThat(h.openChains()).isZero();
        assertThat(degenerate(h.above()) + degenerate(h.below())).isLessThanOrEqualTo(degenerate(m));
    }

    @Test
    void survivesTwentyCutsInARow() {
        var random = new Random(3);
        var pieces = List.of(Shapes.torus(60, 22, 72, 36).turned(Turn.pitch(33)));
        double whole = pieces.getFirst().volumeMm3();
        for (int i = 0; i < 20; i++) {
            var plane = plane(pieces.getFirst(), i, random);
            int tag = i;
            pieces = pieces.stream()
                    .flatMap(p -> Stream.of(PlaneCut.cut(p, plane, tag)).flatMap(h -> Stream.of(h.above(), h.below())))
                    .filter(p -> !p.isEmpty())
                    .toList();
        }
        assertThat(pieces.size()).isGreaterThan(20);
        pieces.forEach(p -> assertWatertight(p));
        assertThat(pieces.stream().mapToDouble(Mesh::volumeMm3).sum()).isCloseTo(whole, within(1e-9 * whole));
    }

    private static int degenerate(Mesh m) {
        int n = 0;
        for (int f = 0; f < m.triangleCount(); f++) if (m.area(f) < 1e-14) n++;
        return n;
    }

    private static double capArea(Mesh m, int tag) {
        double sum = 0;
        for (int f = 0; f < m.triangleCount(); f++) if (m.tag(f) == tag) sum += m.area(f);
        return sum;
    }

    private static double ngon(double r, int n) {
        return n * r * r * Math.sin(2 * Math.PI / n) / 2;
    }

    /** An L lying on its side: 30 long, 10 high, with a tower of 30 at one end; vertices of the tread lie in one plane with the tower's. */
    private static Mesh stairs() {
        double[][] o = {{0, 0}, {30, 0}, {30, 10}, {10, 10}, {10, 30}, {0, 30}};
        var xyz = new double[36];
        for (int i = 0; i < 6; i++) {
            for (int s = 0; s < 2; s++) {
                xyz[3 * (i + 6 * s)] = o[i][0];
                xyz[3 * (i + 6 * s) + 1] = s * 10;
                xyz[3 * (i + 6 * s) + 2] = o[i][1];
            }
        }
        int[] front = {0, 1, 2, 0, 2, 3, 0, 3, 4, 0, 4, 5};
        var tri = new int[24 + 36];
        for (int i = 0; i < 12; i += 3) {
            for (int k = 0; k < 3; k++) {
                tri[i + k] = front[i + k];
                tri[12 + i + k] = 6 + front[i + 2 - k];
            }
        }
        for (int i = 0; i < 6; i++) {
            int a = i, b = (i + 1) % 6;
            int[] quad = {a, a + 6, b + 6, a, b + 6, b};
            System.arraycopy(quad, 0, tri, 24 + 6 * i, 6);
        }
        return Mesh.of(xyz, tri);
    }
}
