package yellowbracket.mesh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.repair.MeshHealth;

/** What holds for any closed mesh however it is turned, moved, scaled, parted and put together. */
class MeshInvariantsTest {
    static Stream<Arguments> shapes() {
        return Stream.of(Arguments.of("ball", Shapes.sphere(30, 24)), Arguments.of("ring", Shapes.torus(40, 11, 36, 18)),
                Arguments.of("bowl", Shapes.cappedShell(60, 3, 50, 40, 20)), Arguments.of("pipe", Shapes.tube(20, 15, -10, 70, 32)),
                Arguments.of("bumpy", Shapes.bumpySphere(40, 3000)), Arguments.of("two bodies",
                        Mesh.union(List.of(Shapes.sphere(10, 12), Shapes.box(new Vec3(30, 0, 0), new Vec3(45, 12, 9))))));
    }

    private static Turn anyTurn(Random r) {
        return Turn.lift(new Vec3(r.nextGaussian(), r.nextGaussian(), r.nextGaussian()).unit());
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("shapes")
    void volumeAndAreaScaleAndDoNotCareWhereItLies(String name, Mesh m) {
        var r = new Random(3);
        for (int i = 0; i < 10; i++) {
            double k = r.nextDouble(0.1, 8);
            var other = m.scaled(k)
                    .turned(anyTurn(r))
                    .moved(new Vec3(r.nextGaussian() * 300, r.nextGaussian() * 300, r.nextGaussian() * 300));
            assertThat(other.volumeMm3()).isCloseTo(m.volumeMm3() * k * k * k, within(1e-9 * m.volumeMm3() * k * k * k));
            assertThat(other.areaMm2()).isCloseTo(m.areaMm2() * k * k, within(1e-9 * m.areaMm2() * k * k));
            MeshAssert.assertClosed(other);
        }
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("shapes")
    void bodiesAddUpToTheWhole(String name, Mesh m) {
        var h = MeshHealth.of(m);
        assertThat(h.bodies().stream().mapToDouble(MeshHealth.Body::volumeMm3).sum()).isCloseTo(m.volumeMm3(),
                within(1e-9 * m.volumeMm3()));
        assertThat(h.bodies().stream().mapToDouble(MeshHealth.Body::areaMm2).sum()).isCloseTo(m.areaMm2(), within(1e-9 * m.areaMm2()));
        assertThat(h.bodies().stream().mapToInt(MeshHealth.Body::triangles).sum()).isEqualTo(m.triangleCount());
        var parts = Bodies.of(m).meshes();
        assertThat(Mesh.union(parts).triangleCount()).isEqualTo(m.triangleCount());
        for (int i = 0; i < parts.size(); i++) assertThat(Bodies.of(m).mesh(i).contentHash()).isEqualTo(parts.get(i).contentHash());
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("shapes")
    void partsAndTheirComplementMakeTheWhole(String name, Mesh m) {
        var r = new Random(4);
        var keep = new boolean[m.triangleCount()];
        var rest = new boolean[keep.length];
        for (int f = 0; f < keep.length; f++) {
            keep[f] = r.nextBoolean();
            rest[f] = !keep[f];
        }
        var a = m.only(keep);
        var b = m.only(rest);
        assertThat(a.triangleCount() + b.triangleCount()).isEqualTo(m.triangleCount());
        assertThat(a.areaMm2() + b.areaMm2()).isCloseTo(m.areaMm2(), within(1e-9 * m.areaMm2()));
        var health = MeshHealth.of(a);
        assertThat(health.boundaryEdges()).as("what is torn out has borders").isPositive();
        assertThat(MeshHealth.of(b).boundaryEdges()).as("and the rest has the same ones").isEqualTo(health.boundaryEdges());
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("shapes")
    void theHashIsOfTheContent(String name, Mesh m) {
        assertThat(m.contentHash()).hasSize(64).isEqualTo(Mesh.of(m.copyXyz(), m.copyTriangles()).contentHash());
        assertThat(m.moved(new Vec3(1, 0, 0)).contentHash()).isNotEqualTo(m.contentHash());
        assertThat(m.mirrored().contentHash()).isNotEqualTo(m.contentHash());
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("shapes")
    void raysFromOutsideCrossAnEvenNumberOfTimes(String name, Mesh m) {
        var index = Bvh.of(m);
        var r = new Random(5);
        for (int i = 0; i < 100; i++) {
            var from = new Vec3(r.nextGaussian(), r.nextGaussian(), r.nextGaussian()).unit().times(500);
            var to = new Vec3(r.nextGaussian() * 20, r.nextGaussian() * 20, r.nextGaussian() * 20);
            var n = new int[1];
            index.allDistances(from, to.minus(from).unit(), t -> n[0]++);
            assertThat(n[0] % 2).as("ray %d", i).isZero();
            assertThat(index.inside(from)).isFalse();
        }
    }

    /** Simplified to a third, a mesh keeps its volume within some hundredths and its bodies. */
    @ParameterizedTest(name = "{0}")
    @MethodSource("shapes")
    void aProxyKeepsVolumeAndBodies(String name, Mesh m) {
        int target = Math.max(60, m.triangleCount() / 3);
        var light = Simplify.to(m, target, Progress.NONE);
        assertThat(light.triangleCount()).isLessThanOrEqualTo(target);
        MeshAssert.assertClosed(light);
        assertThat(light.volumeMm3()).isCloseTo(m.volumeMm3(), within(0.06 * m.volumeMm3()));
        assertThat(Bodies.of(light).count()).isEqualTo(Bodies.of(m).count());
    }
}
