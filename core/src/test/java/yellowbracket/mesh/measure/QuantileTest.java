package yellowbracket.mesh.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

class QuantileTest {
    @Test
    void heavyValuesCountMore() {
        assertThat(Quantile.of(new double[] {9, 1, 4}, new double[] {1, 1, 8}, 0.5)).isEqualTo(4);
        assertThat(Quantile.of(new double[] {9, 1, 4}, new double[] {1, 1, 8}, 0.05)).isEqualTo(1);
        assertThat(Quantile.of(new double[] {9, 1, 4}, new double[] {1, 1, 8}, 1)).isEqualTo(9);
        assertThatThrownBy(() -> Quantile.of(new double[0], new double[0], 0.5)).hasMessageContaining("no values");
    }

    @Test
    void itIsTheLeastValueWithSoMuchOfTheWeightUpToIt() {
        var random = new SplittableRandom(3);
        for (int trial = 0; trial < 200; trial++) {
            int n = random.nextInt(1, 30);
            var value = random.doubles(n, 0, 500).toArray();
            var weight = random.doubles(n, 0.01, 2).toArray();
            double share = random.nextDouble(0.02, 0.98), q = Quantile.of(value, weight, share), all = 0, upTo = 0, below = 0;
            for (int i = 0; i < n; i++) {
                all += weight[i];
                if (value[i] <= q) upTo += weight[i];
                if (value[i] < q) below += weight[i];
            }
            assertThat(upTo).isGreaterThanOrEqualTo(share * all * (1 - 1e-12));
            assertThat(below).isLessThan(share * all);
        }
    }
}
