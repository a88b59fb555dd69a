package yellowbracket.wear.panel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.index.ScaledShell;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.HeadMeasures;
import yellowbracket.shop.Sheeting;
import yellowbracket.size.Cavity;
import yellowbracket.size.HeadForm;
import yellowbracket.size.Pose;
import yellowbracket.size.Vision;

class PanelTest {
    private static final Mesh TUBE = Windowed.lidded(Windowed.tube(z -> 110, 3, 200, -60, 60, 80, 140), 130, 200);
    private static final ScaledShell SHELL = Windowed.shell(TUBE);
    private static final Opening WINDOW = Openings.of(SHELL, new Vec3(0, 0, 100), new Vec3(0, 0, -1), Progress.NONE).list().getFirst();
    private static final Sheeting SMOKE = Catalogue.builtIn().sheets().getFirst();

    private static Panel panel(double thick, double margin) {
        return Panel.of(WINDOW, new PanelWish("front", PanelWish.Kind.SHEET, SMOKE.name(), thick, margin), SMOKE, SHELL);
    }

    @Test
    void theSheetIsAsLongAsItsNeutralFibre() {
        var p = panel(1, 9);
        double arc = Math.toRadians(120) * 110;
        // the opening is an arc of 110 mm; half a millimetre within it lies the middle of the sheet
        assertThat(p.wideMm()).isCloseTo((arc + 18) * 109.5 / 110, within(0.3));
        assertThat(p.highMm()).isCloseTo(60 + 18, within(0.2));
        assertThat(p.window().getEnvelopeInternal().getWidth()).isCloseTo(arc * 109.5 / 110, within(0.25));
        assertThat(p.shareGlued()).isGreaterThan(0.95);
        assertThat(p.bend().degrees()).isCloseTo(120, within(0.5));
    }

    @ParameterizedTest
    @CsvSource({"0.5,COLD", "1,WARM", "2,WARM"})
    void howItBendsGoesByThickness(double thick, Panel.How how) {
        assertThat(panel(thick, 9).bend().how()).isEqualTo(how);
    }

    @Test
    void whatIsTooThickIsToldWithAWayOut() {
        var stiff = new Sheeting("board", Sheeting.Kind.PLASTIC, List.of(8.0), 600, 400, 0.5, 120, 0, Sheeting.Cut.SAW);
        var p = Panel.of(WINDOW, new PanelWish("front", PanelWish.Kind.SHEET, "board", 8, 9), stiff, SHELL);

        assertThat(p.bend().how()).isEqualTo(Panel.How.NOT);
        assertThat(p.findings()).anyMatch(f -> f.words().contains("thinner sheet"));
    }

    @Test
    void aFoldSparesWhatTheRoundOfTheBendTakes() {
        double a = Math.toRadians(90), t = 2, r = 4;
        // two flats of 50 to the sharp outer corner, bent at right angles: legs to the bend, and the arc of the neutral fibre
        double legs = 2 * (50 - (r + t)), arc = a * (r + Panel.TIGHT * t);
        assertThat(100 - Panel.spared(a, t)).isCloseTo(legs + arc, within(1e-9));
    }

    @Test
    void aSheetTooSmallIsToldAndTheOthersStillLie() {
        var small = new Sheeting("offcut", Sheeting.Kind.PLASTIC, List.of(1.0), 100, 100, 0.5, 120, 130, Sheeting.Cut.SCISSORS);
        var big = Panel.of(WINDOW, new PanelWish("front", PanelWish.Kind.SHEET, "offcut", 1, 9), small, SHELL);
        var nest = Nest.of(List.of(big), small, 1);

        assertThat(nest.laid()).isEmpty();
        assertThat(nest.findings()).singleElement().asString().contains("a larger sheet", "not even two halves");
        var several = Nest.of(List.of(panel(1, 9), panel(1, 4), panel(1, 2), panel(1, 0), panel(1, 6), panel(1, 7)), SMOKE, 1);
        assertThat(several.laid()).hasSize(6);
        for (var x : several.laid()) {
            assertThat(x.x() + x.wideMm()).isLessThanOrEqualTo(SMOKE.wideMm());
            assertThat(x.y() + x.highMm()).isLessThanOrEqualTo(SMOKE.highMm());
            for (var y : several.laid()) if (x != y && x.on() == y.on()) assertThat(x.x() + x.wideMm() <= y.x()
                    || y.x() + y.wideMm() <= x.x() || x.y() + x.highMm() <= y.y() || y.y() + y.highMm() <= x.y()).isTrue();
        }
    }

    @Test
    void whatIsLargerThanASheetIsCutInTwoHalvesThatMakeItUp() {
        var whole = panel(1, 9);
        var wide = new Sheeting("half a sheet", Sheeting.Kind.PLASTIC, List.of(1.0), whole.wideMm() / 2 + 12, whole.highMm() + 12, 0.5, 120,
                130, Sheeting.Cut.SCISSORS);
        var nest = Nest.of(List.of(Panel.of(WINDOW, whole.wish(), wide, SHELL)), wide, 1);

        assertThat(nest.findings()).singleElement().asString().contains("two halves that meet amid", "strip glued behind");
        assertThat(nest.laid()).extracting(l -> l.piece().half()).containsExactlyInAnyOrder("left", "right");
        assertThat(nest.sheets()).isEqualTo(2);
        assertThat(nest.laid().stream().mapToDouble(l -> l.piece().shape().getArea()).sum()).isCloseTo(whole.pattern().getArea(),
                within(1e-6));
        var cut = nest.laid().get(0).piece().shape().intersection(nest.laid().get(1).piece().shape());
        assertThat(cut.getArea()).isZero();
        assertThat(cut.getLength()).as("they meet along one line").isCloseTo(whole.highMm(), within(1.0));
        var low = new Sheeting("strip", Sheeting.Kind.PLASTIC, List.of(1.0), whole.wideMm() + 12, whole.highMm() / 2 + 12, 0.5, 120, 130,
                Sheeting.Cut.SCISSORS);
        assertThat(Nest.of(List.of(Panel.of(WINDOW, whole.wish(), low, SHELL)), low, 1).laid()).extracting(l -> l.piece().half())
                .as("where only that fits, along it")
                .containsExactlyInAnyOrder("lower", "upper");
    }

    @Test
    void clothLiesByItsGrainAndIsHalvedRatherThanTurned() {
        var cloth = new Sheeting("cloth", Sheeting.Kind.CLOTH, List.of(0.5), 200, 1000, 0.5, 0, 0, Sheeting.Cut.SCISSORS);
        var mesh = new Sheeting("mesh", Sheeting.Kind.MESH, List.of(0.5), 200, 1000, 0.5, 0, 0, Sheeting.Cut.SCISSORS);
        var p = Panel.of(WINDOW, new PanelWish("front", PanelWish.Kind.MESH, "cloth", 0.5, 9), cloth, SHELL);
        assertThat(p.wideMm()).isGreaterThan(200);
        assertThat(Nest.of(List.of(p), cloth, 0.5).laid()).hasSize(2).noneMatch(Nest.Laid::turned);
        assertThat(Nest.of(List.of(Panel.of(WINDOW, p.wish(), mesh, SHELL)), mesh, 0.5).laid()).singleElement().matches(Nest.Laid::turned);
    }

    @Test
    void lightFallsWithTheSlant() {
        assertThat(ViewThrough.through(0.5, 1)).isEqualTo(0.5);
        assertThat(ViewThrough.through(0.5, 0.5)).isCloseTo(0.25, within(1e-12));
        var p = panel(1, 9);
        // from the axis, level: at right angles to the wall everywhere
        for (double az = -55; az <= 55; az += 11) {
            var d = new Vec3(Math.sin(Math.toRadians(az)), Math.cos(Math.toRadians(az)), 0);
            assertThat(ViewThrough.light(new Vec3(0, 0, 110), d, List.of(p))).isCloseTo(0.5, within(1e-6));
        }
        // and 20 degrees up: 1 / cos 20
        var up = new Vec3(0, Math.cos(Math.toRadians(14)), Math.sin(Math.toRadians(14)));
        assertThat(ViewThrough.light(new Vec3(0, 0, 100), up, List.of(p))).isCloseTo(Math.pow(0.5, 1 / Math.cos(Math.toRadians(14))),
                within(1e-4));
        assertThat(ViewThrough.light(new Vec3(0, 0, 110), new Vec3(0, -1, 0), List.of(p))).isEqualTo(1);
    }

    @Test
    void withoutASheetItIsTheViewOfTheSizeStation() {
        var form = HeadForm.of(HeadMeasures.of(575, 195, 153));
        var pose = new Pose(0, 110, 0);
        var cavity = Cavity.of(TUBE, Bvh.of(TUBE));
        var vision = Vision.of(form, cavity, 1, pose, 1600);

        var bare = ViewThrough.of(vision, form, pose, List.of());
        assertThat(bare.openShare()).isEqualTo(vision.openShare());
        assertThat(bare.seenShare()).isEqualTo(vision.openShare());
        assertThat(bare.enough(ViewThrough.When.DUSK)).isEqualTo(1);
        var dark = ViewThrough.of(vision, form, pose, List.of(panel(1, 9)));
        assertThat(dark.openShare()).isEqualTo(vision.openShare());
        assertThat(dark.meanLight()).isBetween(0.3, 0.5);
        assertThat(dark.seenShare()).isCloseTo(dark.meanLight() * dark.openShare(), within(1e-9));
        assertThat(dark.leastLight()).isLessThan(dark.meanLight());
    }

    @Test
    void whatIsSaidOfAnOpeningThatIsGoneIsKeptAndTold() {
        var v = Visor.of(new Openings(List.of(WINDOW), List.of()),
                List.of(new PanelWish("left", PanelWish.Kind.MESH, "black mesh", 0.5, 9)), Catalogue.builtIn().sheets(), SHELL, 220, 220);

        assertThat(v.findings()).anyMatch(f -> f.words().contains("left opening is not there any more"));
        assertThat(v.panels()).singleElement().satisfies(p -> assertThat(p.wish().kind()).isEqualTo(PanelWish.Kind.SHEET));
        assertThat(v.ways()).allSatisfy(w -> assertThat(w.latest()).contains("after the last coat"));
        assertThat(v.nests()).singleElement().satisfies(n -> assertThat(n.sheets()).isEqualTo(1));
    }

    @Test
    void aFormedLensTellsWhatItsBuckMustStand() {
        var v = Visor.of(new Openings(List.of(WINDOW), List.of()),
                List.of(new PanelWish("front", PanelWish.Kind.FORMED, "clear PETG", 0.75, 9)), Catalogue.builtIn().sheets(), SHELL, 220,
                220);

        assertThat(v.findings()).anyMatch(f -> f.words().contains("must stand 130") && f.words().contains("PLA gives way"));
        assertThat(v.bucks()).containsOnlyKeys("front");
        assertThat(v.nests()).isEmpty();
    }

    @Test
    void whatDoesNotSoftenIsNotFormed() {
        var v = Visor.of(new Openings(List.of(WINDOW), List.of()),
                List.of(new PanelWish("front", PanelWish.Kind.FORMED, "tinted face shield", 1, 9)), Catalogue.builtIn().sheets(), SHELL,
                220, 220);

        assertThat(v.bucks()).isEmpty();
        assertThat(v.findings()).anyMatch(f -> f.words().contains("does not soften"));
    }

    @Test
    void ofAPrintedLensTheLightIsToldAsUnknown() {
        var v = Visor.of(new Openings(List.of(WINDOW), List.of()),
                List.of(new PanelWish("front", PanelWish.Kind.PRESSED, SMOKE.name(), 8, 9)), Catalogue.builtIn().sheets(), SHELL, 220, 220);

        assertThat(v.findings()).anyMatch(f -> f.words().contains("hold a sample")).noneMatch(f -> f.words().contains("does not bend"));
    }

    @Test
    void noOpeningIsToldInWords() {
        var v = Visor.of(new Openings(List.of(), List.of()), List.of(), Catalogue.builtIn().sheets(), SHELL, 220, 220);

        assertThat(v.findings()).singleElement().asString().contains("no opening");
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.02, 0.05, 0.1})
    void twoReadingsTellTheCooling(double k) {
        double room = 21, first = 80, min = 6, then = room + (first - room) * Math.exp(-k * min);
        var b = new TintBath(room, first, then, min);

        assertThat(b.rate()).isCloseTo(k, within(1e-9));
        assertThat(b.celsiusAfter(10)).isCloseTo(room + (then - room) * Math.exp(-10 * k), within(1e-9));
        if (then > 65) assertThat(b.celsiusAfter(b.waitMin())).isCloseTo(65, within(1e-6));
        if (then > 57) assertThat(b.celsiusAfter(b.leftMin())).isCloseTo(57, within(1e-6));
        assertThat(b.minutesUntil(20)).isInfinite();
    }

    @ParameterizedTest
    @CsvSource({"20,60,60,5,not below", "20,60,64,5,not below", "20,15,14,5,too low", "20,60,18,5,below the room", "20,60,55,0,minutes",
            "70,90,80,5,measure the air"})
    void readingsThatCannotBeAreRefusedInWords(double room, double first, double then, double min, String words) {
        assertThatThrownBy(() -> new TintBath(room, first, then, min)).isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(words);
    }

    @Test
    void dipsLeftGoByAbsorbance() {
        // 90 % after 0, 45 % after 3 dips: each halving takes three; to 11 % two more halvings
        assertThat(TintBath.dipsLeft(0, 0.9, 3, 0.45, 0.1125)).isEqualTo(Optional.of(6));
        assertThat(TintBath.dipsLeft(0, 0.9, 3, 0.45, 0.6)).isEqualTo(Optional.of(0));
        assertThat(TintBath.dipsLeft(0, 0.9, 3, 0.9, 0.2)).isEmpty();
        assertThatThrownBy(() -> TintBath.dipsLeft(3, 0.9, 3, 0.5, 0.2)).hasMessageContaining("more dips");
        assertThatThrownBy(() -> TintBath.dipsLeft(0, 0, 3, 0.5, 0.2)).hasMessageContaining("between 0 and 100");
    }

    @Test
    void spoiltOnesAreFormedBeforehand() {
        assertThat(Visor.formed(0)).isZero();
        assertThat(Visor.formed(1)).isEqualTo(2);
        assertThat(Visor.formed(4)).isEqualTo(5);
    }
}
