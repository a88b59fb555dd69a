package yellowbracket.mesh.flat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.function.BiFunction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Vec3;

class FlattenedTest {
    private static final int N = 24;

    private static Mesh grid(BiFunction<Double, Double, Vec3> at) {
        var b = new MeshBuilder((N + 1) * (N + 1), 2 * N * N);
        for (int j = 0; j <= N; j++) for (int i = 0; i <= N; i++) b.addVertex(at.apply((double) i / N, (double) j / N));
        for (int j = 0; j < N; j++) for (int i = 0; i < N; i++) {
            int a = j * (N + 1) + i;
            b.addQuad(a, a + 1, a + N + 2, a + N + 1);
        }
        return b.build();
    }

    private static Flattened flat(Mesh m) {
        return Flattened.of(m, N / 2 * (N + 1), N / 2 * (N + 1) + N);
    }

    @Test
    void aCylinderUnrollsWithoutStretch() {
        var f = flat(grid((s, t) -> new Vec3(110 * Math.sin(2 * s - 1), 110 * Math.cos(2 * s - 1), 60 * t)));

        assertThat(f.stretch()).isLessThan(0.005);
        assertThat(Math.hypot(f.u(N) - f.u(0), f.v(N) - f.v(0))).isCloseTo(220, within(0.3));
    }

    @Test
    void aConeUnrollsWithoutStretch() {
        var f = flat(grid((s, t) -> new Vec3((60 + 40 * t) * Math.sin(2 * s - 1), (60 + 40 * t) * Math.cos(2 * s - 1), 90 * t)));

        assertThat(f.stretch()).isLessThan(0.005);
    }

    /**
     * A conformal map of a cap of half angle a about its middle scales by 2 / (1 + cos r): that at the rim over that amid is (1 + cos a)
     * / 2.
     */
    @ParameterizedTest
    @ValueSource(doubles = {15, 30, 45})
    void aCapGivesAsIsKnown(double half) {
        double a = Math.toRadians(half);
        var f = flat(grid((s, t) -> {
            double x = 2 * s - 1, y = 2 * t - 1, m = Math.max(Math.abs(x), Math.abs(y)), len = Math.hypot(x, y), r = a * m;
            return len == 0 ? new Vec3(0, 0, 100) : new Vec3(100 * Math.sin(r) * x / len, 100 * Math.sin(r) * y / len, 100 * Math.cos(r));
        }));

        // lengths in space over lengths on the sheet: least at the rim, most amid
        assertThat(f.leastStretch() / f.mostStretch()).isCloseTo((1 + Math.cos(a)) / 2, within(0.04));
    }

    @Test
    void theWholeKeepsItsArea() {
        var m = grid((s, t) -> new Vec3(80 * s, 60 * t, 8 * Math.sin(3 * s) * Math.cos(2 * t)));
        var f = flat(m);
        double flat = 0;
        for (int i = 0; i < m.triangleCount(); i++) {
            int a = m.vertex(i, 0), b = m.vertex(i, 1), c = m.vertex(i, 2);
            flat += ((f.u(b) - f.u(a)) * (f.v(c) - f.v(a)) - (f.u(c) - f.u(a)) * (f.v(b) - f.v(a))) / 2;
        }
        assertThat(Math.abs(flat)).isCloseTo(m.areaMm2(), within(1e-6 * m.areaMm2()));
    }
}
