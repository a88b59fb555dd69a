package yellowbracket.mesh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static yellowbracket.mesh.MeshAssert.turnedInside;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.mesh.repair.MeshHealth;

class MeshTest {
    @Test
    void volumesOfKnownShapes() {
        assertThat(Shapes.box(Vec3.ZERO, new Vec3(2, 3, 4)).volumeMm3()).isCloseTo(24, within(1e-12));
        assertThat(Shapes.sphere(10, 128).volumeMm3()).isCloseTo(4.0 / 3 * Math.PI * 1000, within(10.0));
        assertThat(Shapes.tube(10, 8, 0, 5, 256).volumeMm3()).isCloseTo(Math.PI * 36 * 5, within(0.2));
        assertThat(Shapes.box(Vec3.ZERO, new Vec3(2, 3, 4)).areaMm2()).isCloseTo(52, within(1e-12));
    }

    @Test
    void refusesWhatIsNoMesh() {
        assertThatThrownBy(() -> Mesh.of(new double[] {0, 0, Double.NaN}, new int[0])).hasMessageContaining("not finite");
        assertThatThrownBy(() -> Mesh.of(new double[] {0, 0, 0}, new int[] {0, 0, 1})).hasMessageContaining("no vertex 1");
        assertThatThrownBy(() -> Mesh.empty().bounds()).isInstanceOf(IllegalStateException.class);
    }

    @Test
    void takesCopies() {
        double[] xyz = {0, 0, 0, 1, 0, 0, 0, 1, 0};
        var m = Mesh.of(xyz, new int[] {0, 1, 2});
        xyz[3] = 9;
        m.copyXyz()[3] = 7;
        assertThat(m.x(1)).isEqualTo(1);
    }

    @Test
    void turnsAreProperAndUndone() {
        assertThat(Turn.quarterTurns()).hasSize(24).startsWith(Turn.NONE);
        for (var t : Turn.quarterTurns()) {
            assertThat(t.row0().cross(t.row1()).distance(t.row2())).isZero();
            assertThat(t.inverse().apply(t.apply(new Vec3(1, 2, 3))).distance(new Vec3(1, 2, 3))).isLessThan(1e-12);
            assertThat(Shapes.box(Vec3.ZERO, new Vec3(1, 2, 3)).turned(t).volumeMm3()).isCloseTo(6, within(1e-12));
        }
        assertThat(Turn.pitch(30).then(Turn.pitch(-30)).apply(Vec3.Y).distance(Vec3.Y)).isLessThan(1e-12);
        assertThat(Turn.lift(new Vec3(1, 1, 0)).apply(new Vec3(1, 1, 0).unit()).distance(Vec3.Z)).isLessThan(1e-12);
    }

    @Test
    void bodiesAreParted() {
        var m = Mesh.union(List.of(Shapes.sphere(5, 12), Shapes.box(new Vec3(20, 0, 0), new Vec3(30, 10, 10))));
        var b = Bodies.of(m);
        assertThat(b.count()).isEqualTo(2);
        assertThat(b.meshes().get(1).volumeMm3()).isCloseTo(1000, within(1e-9));
        assertThat(b.mesh(1).triangleCount()).isEqualTo(12);
    }

    @Test
    void healthCountsFaults() {
        var box = Shapes.box(Vec3.ZERO, new Vec3(10, 10, 10));
        var keep = new boolean[12];
        java.util.Arrays.fill(keep, true);
        keep[3] = false;
        var open = MeshHealth.of(box.only(keep));
        assertThat(open.closed()).isFalse();
        assertThat(open.boundaryEdges()).isEqualTo(3);
        var t = box.copyTriangles();
        int swap = t[0];
        t[0] = t[1];
        t[1] = swap;
        assertThat(MeshHealth.of(Mesh.of(box.copyXyz(), t)).misorientedEdges()).isEqualTo(3);
        var twice = java.util.Arrays.copyOf(box.copyTriangles(), 39);
        twice[36] = twice[1];
        twice[37] = twice[2];
        twice[38] = twice[0];
        var h = MeshHealth.of(Mesh.of(box.copyXyz(), twice));
        assertThat(h.duplicateTriangles()).isEqualTo(1);
        assertThat(h.nonManifoldEdges()).isEqualTo(3);
        assertThat(MeshHealth.of(turnedInside(box)).flippedBodies()).isEqualTo(1);
        assertThat(MeshHealth.of(Mesh.union(List.of(Shapes.sphere(30, 16), turnedInside(Shapes.sphere(10, 16))))).flippedBodies())
                .as("a void is no fault")
                .isZero();
    }

    @ParameterizedTest
    @ValueSource(ints = {300, 1000, 3000})
    void simplifiedMeshesStayClosedAndClose(int target) {
        var m = Shapes.cappedShell(60, 4, 50, 120, 60);
        var s = Simplify.to(m, target, Progress.NONE);
        assertThat(s.triangleCount()).isLessThanOrEqualTo(Math.max(target, 400));
        MeshAssert.assertClosed(s);
        assertThat(s.volumeMm3()).isCloseTo(m.volumeMm3(), within((target < 500 ? 0.12 : 0.05) * m.volumeMm3()));
        var index = Bvh.of(m);
        for (int v = 0; v < s.vertexCount(); v += 5) assertThat(index.distance(s.point(v))).isLessThan(target < 500 ? 4.5 : 2.5);
    }

    @Test
    void simplifyingStopsOnRequest() {
        var stop = new Progress() {
            @Override
            public void report(long done, long total) {}

            @Override
            public boolean stopRequested() {
                return true;
            }
        };
        assertThatThrownBy(() -> Simplify.to(Shapes.sphere(10, 64), 50, stop)).isInstanceOf(Progress.Stopped.class);
    }

    @Test
    void samplesAddUpToTheAreaAndKnowTheShowSide() {
        var shell = Shapes.cappedShell(60, 4, 40, 90, 50);
        var s = SurfaceSamples.of(shell, Bvh.of(shell), 1500);
        assertThat(s.areaMm2()).isCloseTo(shell.areaMm2(), within(0.01 * shell.areaMm2()));
        double outer = 2 * Math.PI * 60 * 60 * (1 + Math.cos(Math.toRadians(40)));
        assertThat(s.seenMm2()).as("the outside is seen, the inside is not").isCloseTo(outer, within(0.08 * outer));
        assertThat(s.scaled(2).areaMm2()).isCloseTo(4 * s.areaMm2(), within(1e-6));
    }

    @Test
    void weldsByBitsAndTakesMinusZeroForZero() {
        var w = new VertexWeld(2);
        int a = w.index(0f, 1f, 2f);
        assertThat(w.index(-0f, 1f, 2f)).isEqualTo(a);
        for (int i = 0; i < 5000; i++) w.index(i, i * 0.5f, -i);
        assertThat(w.index(77, 38.5f, -77)).isEqualTo(78);
        assertThat(w.count()).isEqualTo(5001);
    }

    @Test
    void minusZeroIsZeroInTheHash() {
        var plus = Mesh.of(new double[] {0, 0, 0, 1, 0, 0, 0, 1, 0}, new int[] {0, 1, 2});
        var minus = Mesh.of(new double[] {-0.0, 0, -0.0, 1, -0.0, 0, 0, 1, 0}, new int[] {0, 1, 2});
        assertThat(minus.contentHash()).as("a file written with the one is read with the other").isEqualTo(plus.contentHash());
    }
}
