package yellowbracket.wear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.HeadMeasures;
import yellowbracket.shop.Wearer;
import yellowbracket.size.Cavity;
import yellowbracket.size.Clearance;
import yellowbracket.size.HeadForm;
import yellowbracket.size.Pose;

class PadPlanTest {
    private static final List<Double> STOCK = Catalogue.builtIn().foamsMm();

    @ParameterizedTest
    @ValueSource(doubles = {4, 7, 11, 14, 18, 23, 28, 33, 38, 47})
    void layersComeNearToWhatIsWanted(double wanted) {
        double sum = PadPlan.layers(wanted, STOCK).stream().mapToDouble(Double::doubleValue).sum();
        assertThat(sum).isCloseTo(wanted, within(3.0));
    }

    @Test
    void noGapNoPadAndOneLayerWhereItServes() {
        assertThat(PadPlan.layers(1, STOCK)).isEmpty();
        assertThat(PadPlan.layers(15, STOCK)).containsExactly(15.0);
    }

    @Test
    void padsFillTheGapPressedByAboutAThird() {
        var shell = Shapes.cappedShell(150, 4, 60, 96, 64);
        var wearer = new Wearer("Ada", HeadMeasures.of(575, 195, 153), false, 9, 1700);
        var c = Clearance.of(HeadForm.of(wearer.head()), Cavity.of(shell, Bvh.of(shell)), 1, new Pose(0, 10, 0));
        var plan = PadPlan.of(wearer, c, STOCK);
        assertThat(plan.pads()).isNotEmpty().allSatisfy(p -> assertThat(p.zone().padded()).isTrue());
        for (var p : plan.pads())
            if (p.thicknessMm() > 0 && p.thicknessMm() < 45) assertThat(p.pressedShare()).as(p.zone().label()).isBetween(0.15, 0.45);
        assertThat(plan.pads()).anyMatch(p -> p.gapMm() > 25 && p.words().contains("mm"));
    }
}
