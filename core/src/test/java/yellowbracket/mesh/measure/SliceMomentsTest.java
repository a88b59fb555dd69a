package yellowbracket.mesh.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SliceMomentsTest {
    @ParameterizedTest
    @ValueSource(doubles = {0, 0.3, 1.1, 2.6})
    void aBarIsAsStrongAsTheBookSaysHoweverItLies(double turn) {
        var m = new SliceMoments(1);
        ring(m, 0, turn, new double[][] {{0, 0}, {30, 0}, {30, 10}, {0, 10}});
        assertThat(m.areaMm2(0)).isCloseTo(300, within(1e-9));
        assertThat(m.modulusMm3(0)).as("b h2 / 6, bent about its thin side").isCloseTo(500, within(1e-6));
    }

    @Test
    void aTubeIsARoundWithoutItsInside() {
        var m = new SliceMoments(2);
        ring(m, 0, 0, circle(20, 256, false));
        ring(m, 0, 0, circle(16, 256, true));
        double expected = Math.PI / 4 * (Math.pow(20, 4) - Math.pow(16, 4)) / 20;
        assertThat(m.areaMm2(0)).isCloseTo(Math.PI * (400 - 256), within(0.2));
        assertThat(m.modulusMm3(0)).isCloseTo(expected, within(0.002 * expected));
        assertThat(m.modulusMm3(1)).as("a plane that meets nothing").isZero();
    }

    @Test
    void theWayRoundDoesNotMatter() {
        var m = new SliceMoments(2);
        ring(m, 0, 0.4, new double[][] {{5, 5}, {25, 5}, {25, 45}, {5, 45}});
        ring(m, 1, 0.4, new double[][] {{5, 45}, {25, 45}, {25, 5}, {5, 5}});
        assertThat(m.modulusMm3(1)).isCloseTo(m.modulusMm3(0), within(1e-6));
    }

    private static double[][] circle(double r, int n, boolean back) {
        var out = new double[n][];
        for (int i = 0; i < n; i++) {
            double a = 2 * Math.PI * i / n * (back ? -1 : 1);
            out[i] = new double[] {r * Math.cos(a) + 7, r * Math.sin(a) - 3};
        }
        return out;
    }

    private static void ring(SliceMoments m, int i, double turn, double[][] p) {
        double c = Math.cos(turn), s = Math.sin(turn);
        for (int k = 0; k < p.length; k++) {
            double[] a = p[k], b = p[(k + 1) % p.length];
            m.edge(i, c * a[0] - s * a[1], s * a[0] + c * a[1], c * b[0] - s * b[1], s * b[0] + c * b[1]);
        }
    }
}
