package yellowbracket.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowbracket.cut.Sliding;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.Cylinders;
import yellowbracket.mesh.measure.Cylinders.Cylinder;
import yellowbracket.mesh.repair.MeshHealth;
import yellowbracket.shop.FitError;
import yellowbracket.size.PegPair;

class CouponTest {
    @Test
    void thePieceIsWhatItsDrawingSays() {
        var m = Coupon.mesh();
        assertThat(MeshHealth.of(m).closed()).isTrue();
        assertThat(m.bounds().size().x()).isCloseTo(Coupon.LENGTH_MM, within(1e-6));
        assertThat(m.bounds().min().z()).isZero();
        var round = Cylinders.of(m, Bvh.of(m), Progress.NONE);
        assertThat(round).filteredOn(Cylinder::hole).singleElement().satisfies(c -> assertThat(c.diameterMm()).isCloseTo(10, within(0.05)));
        assertThat(round).filteredOn(c -> !c.hole()).anySatisfy(c -> assertThat(c.diameterMm()).isCloseTo(10, within(0.05)));
    }

    @Test
    void readingsBecomeTheErrorOfThePrinter() {
        var e = Coupon.measured(9.82, 10.07, 71.9);
        assertThat(e).isEqualTo(new FitError(-0.18, 0.07, -0.1));
        assertThat(e.clearanceMm(0.2)).as("0.2 drawn, 0.25 eaten").isCloseTo(-0.05, within(1e-9));
        assertThat(Sliding.of(e.clearanceMm(0.2))).isEqualTo(Sliding.BINDS);
        assertThat(e.holeFor(5, 0.2)).isCloseTo(5.38, within(1e-9));
        assertThatThrownBy(() -> Coupon.measured(0.39, 10, 72)).hasMessageContaining("the hole of the test piece is drawn 10 mm");
    }

    @ParameterizedTest
    @CsvSource({"-0.1, BINDS", "0.05, PRESSED", "0.2, PUSHED", "0.4, SLIDES", "0.8, RATTLES"})
    void clearancesHaveNames(double mm, Sliding how) {
        assertThat(Sliding.of(mm)).isEqualTo(how);
    }

    @Test
    void pegsOfTheFileGoWithTheirHoles() {
        var peg = new Cylinder(Vec3.ZERO, Vec3.Z, 4, 12, false, false);
        var thick = new Cylinder(Vec3.ZERO, Vec3.Z, 9, 12, false, false);
        var hole = new Cylinder(Vec3.X, Vec3.Z, 4.15, 10, true, false);
        var other = new Cylinder(Vec3.Y, Vec3.Z, 6, 10, true, false);
        var pairs = PegPair.of(List.of(thick, peg, hole, other), 1.5, Optional.of(new FitError(-0.2, 0.1, 0)));
        assertThat(pairs).singleElement().satisfies(p -> {
            assertThat(p.drawnMm()).isCloseTo(0.45, within(1e-9));
            assertThat(p.printedMm()).isCloseTo(0.15, within(1e-9));
            assertThat(p.endPlayMm()).as("the peg is longer than its hole").isCloseTo(-3, within(1e-9));
        });
        assertThat(PegPair.of(List.of(peg), 1, Optional.empty())).isEmpty();
    }
}
