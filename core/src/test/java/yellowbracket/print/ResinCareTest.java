package yellowbracket.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Practice;

class ResinCareTest {
    private static final Catalogue SHOP = Catalogue.builtIn();

    @Test
    void timesGoBySurfaceAndThickness() {
        var plate = ResinCare.of(Shapes.box(Vec3.ZERO, new Vec3(100, 100, 3)));
        assertThat(plate.wettedMm2()).isCloseTo(2 * 10_000 + 1200, within(1e-6));
        assertThat(plate.thickMm()).as("nearly that of the plate").isCloseTo(3, within(0.2));
        double base = SHOP.usual(Practice.TAKE_OFF_H) + SHOP.usual(Practice.WASH_RESIN_H);
        assertThat(plate.washH(SHOP)).isCloseTo(base + 2.12 * SHOP.usual(Practice.WASH_RESIN_MIN_DM2) / 60, within(1e-9));
        assertThat(plate.cureH(SHOP)).isCloseTo(2 * plate.thickMm() * SHOP.usual(Practice.CURE_RESIN_MIN_MM) / 60, within(1e-9));
        assertThat(plate.wasteMl()).isCloseTo(21_200 * 0.15 / 1000, within(1e-9));
        var block = ResinCare.of(Shapes.box(Vec3.ZERO, new Vec3(100, 100, 100)));
        assertThat(block.cureH(SHOP)).as("light reaches no deeper than 10 mm")
                .isCloseTo(20 * SHOP.usual(Practice.CURE_RESIN_MIN_MM) / 60, within(1e-9));
    }
}
