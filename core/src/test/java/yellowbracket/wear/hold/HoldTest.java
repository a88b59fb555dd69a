package yellowbracket.wear.hold;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowbracket.cut.RegistrationKind;
import yellowbracket.cut.registration.Fitted;
import yellowbracket.join.MagnetPull;
import yellowbracket.mesh.Vec3;

class HoldTest {
    /** Charged discs on both faces of both magnets, summed ring by ring and wedge by wedge: Coulomb's law and nothing else. */
    private static double summed(double d, double high, double gap, double tesla) {
        double r = d / 2000, h = high / 1000, g = gap / 1000, mu0 = 4e-7 * Math.PI, total = 0;
        double[] first = {0, -h}, second = {g, g + h};
        int[] sign = {1, -1};
        for (int a = 0; a < 2; a++) for (int b = 0; b < 2; b++) total += -sign[a] * sign[b] * discs(r, second[b] - first[a]);
        return Math.abs(tesla * tesla / (4 * Math.PI * mu0) * total);
    }

    /** The upright force between two unit discs. */
    private static double discs(double r, double z) {
        int rings = 60, wedges = 120;
        double sum = 0;
        for (int i = 0; i < rings; i++) for (int j = 0; j < rings; j++) {
            double a = r * (i + 0.5) / rings, b = r * (j + 0.5) / rings,
                    area = 2 * Math.PI * a * (r / rings) * b * (r / rings) * 2 * Math.PI / wedges;
            for (int k = 0; k < wedges; k++) {
                double t = 2 * Math.PI * (k + 0.5) / wedges, d2 = a * a + b * b - 2 * a * b * Math.cos(t) + z * z;
                sum += area * z / (d2 * Math.sqrt(d2));
            }
        }
        return sum;
    }

    @ParameterizedTest
    @CsvSource({"8,3,0.5", "8,3,2", "10,3,1", "6,2,1", "5,5,3", "15,5,4", "12,10,1"})
    void pullIsThatOfTheFineIntegral(double d, double high, double gap) {
        double fine = summed(d, high, gap, 1.3);
        assertThat(MagnetPull.pairN(d, high, high, gap, 1.3)).isCloseTo(fine, within(0.05 * fine));
    }

    @Test
    void longMagnetsInTouchPullWithTheFieldOfTheirFaces() {
        double area = Math.PI * 25e-6, most = 1.3 * 1.3 * area / (2 * 4e-7 * Math.PI);
        assertThat(MagnetPull.pairN(10, 500, 500, 0, 1.3)).isCloseTo(most, within(0.01 * most));
    }

    @Test
    void pullFallsWithTheGap() {
        for (double g = 0; g < 6; g += 0.25)
            assertThat(MagnetPull.pairN(8, 3, 3, g, 1.3)).isGreaterThan(MagnetPull.pairN(8, 3, 3, g + 0.25, 1.3));
    }

    private static Fitted magnet(double x, boolean north) {
        return new Fitted("A|B", "A", "B", RegistrationKind.MAGNETS, new Vec3(x, 0, 0), Vec3.Z, 8, 3.2, 3.2, false, north);
    }

    @Test
    void paintBetweenThemCostsPullAndWeakOnesAreTold() {
        var two = List.of(magnet(-20, true), magnet(20, false));
        var bare = Closure.of("A|B", two, 0.4, 0, 5, true).orElseThrow();
        var painted = Closure.of("A|B", two, 0.4, 0.15, 5, true).orElseThrow();

        assertThat(painted.pullN()).isLessThan(bare.pullN());
        assertThat(painted.gapMm()).isCloseTo(0.7, within(1e-9));
        assertThat(Closure.of("A|B", two, 0.4, 0, 500, true).orElseThrow().findings()).anyMatch(f -> f.words().contains("more or larger"));
        assertThat(bare.asBuilt()).isNegative();
        assertThat(Closure.of("A|B", List.of(magnet(-20, true), magnet(20, true)), 0.4, 0, 5, true).orElseThrow().findings())
                .anyMatch(f -> f.words().contains("wrong pose holds too"));
        assertThat(Closure.of("C|D", two, 0.4, 0, 5, true)).isEqualTo(Optional.empty());
    }

    @Test
    void tooStrongIsNotOffInFiveSeconds() {
        var many = java.util.stream.IntStream.range(0, 10).mapToObj(i -> magnet(17 * i, i % 2 == 0)).toList();
        assertThat(Closure.of("A|B", many, 0.2, 0, 5, true).orElseThrow().findings()).anyMatch(f -> f.words().contains("five seconds"));
        assertThat(Closure.of("A|B", many, 0.2, 0, 5, false).orElseThrow().findings()).noneMatch(f -> f.words().contains("five seconds"));
    }

    @Test
    void coatsOnBothFacesTakeTheRoom() {
        assertThat(new FitAfter("A|B", "pin", 0.25, 0.08, false).leftMm()).isCloseTo(0.09, within(1e-12));
        assertThat(new FitAfter("A|B", "pin", 0.15, 0.08, false).binds()).isTrue();
        assertThat(new FitAfter("A|B", "pin", 0.15, 0.08, true).finding()).isEmpty();
        assertThat(new FitAfter("A|B", "pin", 0.15, 0.08, false).finding().orElseThrow().words()).contains("-0.01 left", "bare");
    }
}
