package yellowbracket.cut.registration;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.mesh.Vec3;

class PolarityTest {
    private static List<Vec3> ring(int n) {
        var out = new ArrayList<Vec3>();
        for (int i = 0; i < n; i++) out.add(new Vec3(30 * Math.cos(2 * Math.PI * i / n), 30 * Math.sin(2 * Math.PI * i / n), 0));
        return out;
    }

    private static List<Vec3> row(int n) {
        var out = new ArrayList<Vec3>();
        for (int i = 0; i < n; i++) out.add(new Vec3(20 * i, 0, 0));
        return out;
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8})
    void noPatternRepelsMore(int n) {
        for (var at : List.of(ring(n), row(n))) {
            var chosen = Polarity.of(at, Vec3.Z);
            int best = Integer.MAX_VALUE;
            for (int bits = 0; bits < 1 << n; bits++) {
                var north = new ArrayList<Boolean>();
                for (int i = 0; i < n; i++) north.add((bits >> i & 1) == 1);
                best = Math.min(best, Polarity.pull(north, at, Vec3.Z));
            }
            assertThat(chosen.north()).hasSize(n);
            assertThat(chosen.pull()).isEqualTo(best);
            assertThat(Polarity.pull(chosen.north(), at, Vec3.Z)).isEqualTo(best);
        }
    }

    @Test
    void twoAreTurnedAgainstEachOther() {
        var p = Polarity.of(row(2), Vec3.Z);

        assertThat(p.words()).isEqualTo("N S");
        assertThat(p.wrongRepels()).isTrue();
    }

    @Test
    void threeInARowCannotRepelEveryShift() {
        // turned half round the outer two push and the middle one pulls; shifted by one, a pair pushes and a pair pulls
        var p = Polarity.of(row(3), Vec3.Z);

        assertThat(p.poses()).isPositive();
        assertThat(p.pull()).isZero();
        assertThat(p.wrongRepels()).isFalse();
    }

    @Test
    void placesWithoutOrderHaveOnlyShifts() {
        var random = new Random(4);
        var at = new ArrayList<Vec3>();
        for (int i = 0; i < 6; i++) at.add(new Vec3(100 * random.nextDouble(), 60 * random.nextDouble(), 0));

        // a shift that lays one magnet on one other leaves a pair: one of the two ways it attracts
        assertThat(Polarity.poses(at, Vec3.Z))
                .allSatisfy(p -> assertThat(java.util.Arrays.stream(p).filter(i -> i >= 0).count()).isEqualTo(1));
    }

    @Test
    void manyAreImprovedOneByOne() {
        var at = ring(12);
        var p = Polarity.of(at, Vec3.Z);
        var alternating = new ArrayList<Boolean>();
        for (int i = 0; i < 12; i++) alternating.add(i % 2 == 0);

        assertThat(p.pull()).isLessThan(Polarity.pull(alternating, at, Vec3.Z));
    }
}
