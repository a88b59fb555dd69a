package yellowbracket.wear.pad;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.function.Function;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.index.ScaledShell;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Foam;
import yellowbracket.shop.HeadMeasures;
import yellowbracket.shop.StockItem;
import yellowbracket.shop.Wearer;
import yellowbracket.size.Cavity;
import yellowbracket.size.Fit;
import yellowbracket.size.HeadForm;
import yellowbracket.size.Room;
import yellowbracket.size.Zone;

class PadPlanTest {
    private static final Wearer ADA = new Wearer("Ada", HeadMeasures.of(575, 195, 153), false, 9, 1700);
    private static final List<Double> STOCK = Catalogue.builtIn().foams().getFirst().stockMm();

    private static PadPlan plan(Mesh shell, double scale, Wearer w, double grams, PadPlan.Told told) {
        var index = Bvh.of(shell);
        var fit = Fit.of(Room.of(w), HeadForm.of(w.head()), Cavity.of(shell, index), scale, new Fit.Scales(0.5, "", 1, "", 2, "", true));
        return PadPlan.of(fit, grams, Catalogue.builtIn().foams(), told, new ScaledShell(shell, index, scale));
    }

    private static PadPlan plan(double radius, double grams) {
        return plan(Shapes.cappedShell(radius, 4, 50, 96, 64), 1, ADA, grams, PadPlan.Told.NOTHING);
    }

    @ParameterizedTest
    @ValueSource(doubles = {4, 7, 11, 14, 18, 23, 28, 33, 38, 47})
    void layersComeNearToWhatIsWanted(double wanted) {
        assertThat(PadPlan.layers(wanted, STOCK).stream().mapToDouble(d -> d).sum()).isCloseTo(wanted, within(3.0));
    }

    @Test
    void noGapNoPadAndOneLayerWhereItServes() {
        assertThat(PadPlan.layers(1, STOCK)).isEmpty();
        assertThat(PadPlan.layers(15, STOCK)).containsExactly(15.0);
    }

    @ParameterizedTest
    @CsvSource({"118,700", "124,1000", "130,1500", "136,400"})
    void pressureTimesAreaBearsTheWeight(double radius, double grams) {
        var p = plan(radius, grams);

        assertThat(p.cut().stream().mapToDouble(PadPlan.Pad::liftN).sum()).isCloseTo(9.81e-3 * grams, within(0.02 * 9.81e-3 * grams));
        // and each pad of the crown lifts with its pressure over its area seen from above
        for (var q : p.cut()) if (q.zone() == Zone.CROWN)
            assertThat(q.liftN()).isBetween(0.55 * 1e-3 * q.kpa() * q.areaMm2(), 1.15 * 1e-3 * q.kpa() * q.areaMm2());
        assertThat(Math.abs(p.sinksMm())).isLessThan(8);
    }

    @Test
    void aHeavierShellSinksDeeper() {
        assertThat(plan(122, 1800).sinksMm()).isGreaterThan(plan(122, 500).sinksMm());
    }

    @Test
    void templatesHaveTheAreaOfThePadAndTellTheirStretch() {
        var p = plan(124, 900);

        assertThat(p.cut()).hasSizeGreaterThanOrEqualTo(5);
        for (var q : p.cut()) {
            double twice = 0;
            for (int i = 0; i < q.outline().size(); i++) {
                var a = q.outline().get(i);
                var b = q.outline().get((i + 1) % q.outline().size());
                twice += a[0] * b[1] - a[1] * b[0];
            }
            assertThat(Math.abs(twice) / 2).as(q.name()).isCloseTo(q.areaMm2(), within(0.01 * q.areaMm2()));
            assertThat(q.stretch()).isBetween(0.0, 0.25);
            assertThat(q.tapeMm2()).isPositive();
        }
    }

    @Test
    void whatWasTooTightGetsThinnerFoam() {
        var before = plan(Shapes.cappedShell(124, 4, 50, 96, 64), 1, ADA, 900, PadPlan.Told.NOTHING);
        var after = plan(Shapes.cappedShell(124, 4, 50, 96, 64), 1, ADA, 900, PadPlan.told(List.of(Map.entry(Zone.BACK, 5.0))));

        assertThat(thick(after, "back")).isLessThan(thick(before, "back"));
        assertThat(thick(after, "brow")).isEqualTo(thick(before, "brow"));
        assertThat(before.sharedWith(after)).contains("brow").doesNotContain("back");
    }

    private static double thick(PadPlan p, String name) {
        return p.pads().stream().filter(q -> q.name().equals(name)).findFirst().orElseThrow().thicknessMm();
    }

    @Test
    void armsOfGlassesStayFree() {
        var with = plan(Shapes.cappedShell(124, 4, 50, 96, 64), 1, ADA.withGlasses(true), 900, PadPlan.Told.NOTHING);
        double z = HeadForm.of(ADA.head()).eye(1).z() + 6;
        for (var q : with.cut()) if (q.zone() == Zone.TEMPLES) assertThat(q.middle().z() - z).isGreaterThan(10);
    }

    @Test
    void aLargeShellHangsOnACradle() {
        var p = plan(165, 900);

        assertThat(p.cradle()).isPresent();
        assertThat(p.cradle().get().anchors()).isNotEmpty().allSatisfy(a -> {
            assertThat(a.wallMm()).isBetween(3.9, 6.5);
            assertThat(a.drillMm()).isCloseTo(a.wallMm() - 1, within(1e-9));
        });
        assertThat(p.findings()).anyMatch(f -> f.words().contains("headband cradle"));
    }

    @Test
    void whereTheCrownHasNoRoomItSaysThatNothingBearsIt() {
        var p = plan(Shapes.cappedShell(124, 4, 50, 96, 64), 1, ADA, 900, PadPlan.told(List.of(Map.entry(Zone.CROWN, 40.0))));

        assertThat(p.findings()).anyMatch(f -> f.words().contains("no pad on the crown bears it"));
        assertThat(p.sinksMm()).isZero();
    }

    @Test
    void foamsOfOneNameDifferAndTheRangeIsTold() {
        for (var q : plan(124, 900).cut()) {
            assertThat(q.softest()).isLessThanOrEqualTo(1);
            assertThat(q.firmest()).isGreaterThanOrEqualTo(1);
            if (q.zone() != Zone.CROWN) assertThat(q.firmest() / q.softest()).isGreaterThan(1.3);
        }
    }

    @Test
    void withoutFoamItSaysSo() {
        var shell = Shapes.cappedShell(124, 4, 50, 96, 64);
        var index = Bvh.of(shell);
        var fit = Fit.of(Room.of(ADA), HeadForm.of(ADA.head()), Cavity.of(shell, index), 1, new Fit.Scales(0.5, "", 1, "", 2, "", true));

        assertThat(PadPlan.of(fit, 900, List.of(), PadPlan.Told.NOTHING, new ScaledShell(shell, index, 1)).findings())
                .anyMatch(f -> f.words().contains("no foam"));
    }

    @Test
    void whatTheShelfLacksIsToldWithWhatItDoes() {
        var shell = Shapes.cappedShell(124, 4, 50, 96, 64);
        var index = Bvh.of(shell);
        var foams = Catalogue.builtIn().foams();
        var fit = Fit.of(Room.of(ADA), HeadForm.of(ADA.head()), Cavity.of(shell, index), 1, new Fit.Scales(0.5, "", 1, "", 2, "", true));
        Function<List<Foam>, PadPlan> of = some -> PadPlan.of(fit, 900, some, PadPlan.Told.NOTHING, new ScaledShell(shell, index, 1));
        var set = of.apply(foams);
        var wanted = set.foamMm2().keySet().stream().toList();

        assertThat(set.heldAgainst(FoamShelf.of(List.of()), foams, of)).as("nobody wrote down what foam there is").isEqualTo(set);
        var all = wanted.stream().map(f -> new StockItem(FoamShelf.product(f), 90, "dm2")).toList();
        assertThat(set.heldAgainst(FoamShelf.of(all), foams, of)).isEqualTo(set);
        var little = List.of(new StockItem(FoamShelf.product(wanted.getFirst()), 0.1, "dm2"));
        assertThat(set.heldAgainst(FoamShelf.of(little), foams, of).findings())
                .anyMatch(f -> f.words().contains(wanted.getFirst() + ", 0.1 of") && f.words().contains("makes no set"));
        var other = foams.get(1);
        var firm = other.stockMm().stream().map(mm -> new StockItem(FoamShelf.product(FoamShelf.called(other, mm)), 90, "dm2")).toList();
        assertThat(set.heldAgainst(FoamShelf.of(firm), foams, of).findings())
                .anyMatch(f -> f.words().contains("order it, or cut " + other.name()) && f.words().contains("kPa at most"));
    }
}
