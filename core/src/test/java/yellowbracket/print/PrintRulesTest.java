package yellowbracket.print;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Fix;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Cure;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Process;
import yellowbracket.shop.Profile;
import yellowbracket.shop.Speeds;
import yellowbracket.shop.Spool;
import yellowbracket.size.Exposure;
import yellowbracket.work.Known;
import yellowbracket.work.SectionId;

/** Rules that speak when a print is asked for trouble, spools that end, and what cleaning up takes. */
class PrintRulesTest {
    private static final Catalogue SHOP = Catalogue.builtIn();
    private static final Printer MID = SHOP.printers().getFirst();
    private static final Profile USUAL = SHOP.profile("usual");

    private static SectionPrint print(Profile profile, Vec3 size, double footMm2, double tipDeg) {
        var way = new Orientation("as worn", Turn.NONE, 4000, 400, 150, 0.1, 0.2, size, footMm2, tipDeg);
        return new SectionPrint(Known.p("A"), way, profile, MID, new Estimate(1000, 9, 8, 10, 120, 10, 40, 3, 5, 3, 1, 0), true);
    }

    private static List<Finding> remarks(Profile profile, Vec3 size, double footMm2, double tipDeg) {
        return remarks(profile, size, footMm2, tipDeg, List.of());
    }

    private static List<Finding> remarks(Profile profile, Vec3 size, double footMm2, double tipDeg, List<Exposure> exposures) {
        return PrintRules.of(List.of(print(profile, size, footMm2, tipDeg)), SHOP, true, exposures);
    }

    /** The section's profile after the finding's fix was taken. */
    @SuppressWarnings("unchecked")
    private static Profile mended(Finding f, Profile now) {
        return f.fix().map(fix -> {
            var change = ((Fix.Change<?>) fix);
            assertThat(change.decision()).isEqualTo(PrintWish.class);
            var wish = ((Fix.Change<PrintWish>) change).change().apply(PrintWish.of(now));
            return wish.section("A").profile().orElse(wish.profile());
        }).orElseThrow();
    }

    private static final Vec3 COMPACT = new Vec3(90, 80, 60);

    @Test
    void aCompactSectionInTheUsualProfileIsOnlyToldAboutHeat() {
        assertThat(remarks(USUAL, COMPACT, 3000, 40)).singleElement().satisfies(r -> {
            assertThat(r.weight()).isEqualTo(Weight.NOTE);
            assertThat(r.words()).contains("softens at 57 C", "hot car");
        });
    }

    @Test
    void whatItGoesThroughDecidesAboutHeatAndSun() {
        var car = remarks(USUAL, COMPACT, 3000, 40, List.of(Exposure.CAR));
        assertThat(car)
                .anyMatch(f -> f.weight() == Weight.STOP && f.words().contains("softens at 57 C, and left in a car it gets up to 75"));
        assertThat(car).as("no sun is spoken of").noneMatch(f -> f.words().contains("brittle"));
        assertThat(remarks(USUAL, COMPACT, 3000, 40, List.of(Exposure.INDOORS))).isEmpty();
        assertThat(remarks(USUAL.withMaterial("ASA"), COMPACT, 3000, 40, List.of(Exposure.CAR, Exposure.SUN)))
                .noneMatch(f -> f.words().contains("sags") || f.words().contains("brittle"));
        var resin = SHOP.profile("resin, fine");
        assertThat(remarks(resin, COMPACT, 3000, 40, List.of(Exposure.SUN))).as("soft and brittle in the sun, both told")
                .anyMatch(f -> f.words().contains("goes brittle"));
        assertThat(remarks(resin, COMPACT, 3000, 40)).as("as long as nobody has said").anyMatch(f -> f.words().contains("goes brittle"));
        assertThat(remarks(resin, COMPACT, 3000, 40, List.of(Exposure.CHILDREN))).anyMatch(f -> f.words().contains("children near"));
    }

    @Test
    void aTallSectionOnALittleFootWantsABrimAndGetsIt() {
        var r = remarks(USUAL, new Vec3(40, 40, 200), 400, 12);
        assertThat(r.getFirst().weight()).isEqualTo(Weight.CARE);
        assertThat(r.getFirst().words()).contains("200 mm tall on 4.0 cm2");
        var mended = mended(r.getFirst(), USUAL);
        assertThat(mended.brimMm()).isEqualTo(8);
        assertThat(remarks(mended, new Vec3(40, 40, 200), 400, 12)).noneMatch(x -> x.weight() == Weight.CARE);
        assertThat(remarks(USUAL, COMPACT, 1500, 5)).anySatisfy(x -> assertThat(x.words()).contains("before it tips"));
    }

    @Test
    void wallsHeatNozzleEdgesAndWarpingAreJudged() {
        assertThat(remarks(USUAL.withWalls(2), COMPACT, 3000, 40)).anySatisfy(r -> {
            assertThat(r.words()).contains("walls of 0.9 mm");
            assertThat(mended(r, USUAL.withWalls(2)).walls()).isEqualTo(3);
        });
        assertThat(remarks(USUAL.withWalls(2), new Vec3(20, 20, 150), 900, 20))
                .anySatisfy(r -> assertThat(r.words()).contains("slender: 2 walls snap"));
        assertThat(remarks(USUAL.withNozzle(0.6), COMPACT, 3000, 40))
                .anySatisfy(r -> assertThat(r.words()).contains("mid bed has a 0.4 mm nozzle fitted: change it to 0.6"));
        assertThat(remarks(USUAL.withNozzle(0.8).withLayerMm(0.1), COMPACT, 3000, 40))
                .anySatisfy(r -> assertThat(r.words()).contains("under a fifth"));
        assertThat(remarks(USUAL, new Vec3(205, 80, 60), 3000, 40))
                .anySatisfy(r -> assertThat(r.words()).contains("within 8 mm of the edge"));
        var abs = remarks(USUAL.withMaterial("ABS"), COMPACT, 6000, 40);
        assertThat(abs).anySatisfy(r -> assertThat(r.words()).contains("pulls its corners up"))
                .anySatisfy(r -> assertThat(r.words()).contains("fumes"));
        assertThat(remarks(USUAL.withBrimMm(10), new Vec3(208, 80, 60), 3000, 40))
                .anySatisfy(r -> assertThat(r.words()).contains("its brim of 10 mm does not"));
        assertThat(remarks(USUAL.withLayerMm(0.5), COMPACT, 3000, 40).getFirst().weight()).isEqualTo(Weight.STOP);
    }

    @Test
    void impossibleProfilesSayWhatIsWrong() {
        var s = Speeds.USUAL;
        assertThat(USUAL.withSpeeds(new Speeds(0, -5, s.infillMmS(), s.supportMmS(), s.travelMmS(), 0.5)).check()).hasSize(3)
                .anySatisfy(w -> assertThat(w).contains("inner walls' speed must be above 0 mm/s, was -5"));
        assertThat(USUAL.withLineWidthMm(1.2).check()).singleElement().asString().contains("does not come out of a 0.4 mm nozzle");
        assertThat(USUAL.withLayerMm(-0.2).check()).singleElement().asString().contains("between 0.01 and 5");
        assertThat(USUAL.withSupport(120, 0).check()).hasSize(2);
        assertThat(USUAL.withInfill(1.5).check()).hasSize(1);
        assertThat(USUAL.withBrimMm(-1).check()).hasSize(1);
        assertThat(USUAL.withTopBottomMm(-1).check()).hasSize(1);
        assertThat(SHOP.profile("resin, fine").withLayerMm(0.3).check()).singleElement().asString().contains("light does not reach");
        assertThat(SHOP.morePrinters()).allSatisfy(p -> assertThat(p.check()).isEmpty());
    }

    @Test
    void aSlowerPrinterPrintsAllOfItSlowerAndAWiderLineWider() {
        assertThat(Speeds.USUAL.upTo(55).outerMmS()).isEqualTo(33);
        assertThat(Speeds.USUAL.upTo(400)).isEqualTo(Speeds.USUAL);
        assertThat(USUAL.withNozzle(0.8).lineWidthMm()).isCloseTo(0.88, org.assertj.core.api.Assertions.within(1e-12));
    }

    @Test
    void resinTakesItsTimeByHeightAlone() {
        var cure = new Cure(2.5, 6, 30, 6, 3);
        assertThat(cure.seconds(100)).isEqualTo(6 * 30 + 94 * 2.5 + 100 * 5);
        assertThat(cure.seconds(3)).isEqualTo(3 * 30 + 3 * 5);
        var profile = SHOP.profile("resin, fine");
        var printer = SHOP.morePrinters().stream().filter(p -> p.process() == Process.RESIN).findFirst().orElseThrow();
        var resin = SHOP.material("photopolymer resin");
        var way = new Orientation("as worn", Turn.NONE, 0, 0, 0, 0.1, 0.2, new Vec3(10, 10, 50), 100, 40);
        var small = Estimate.of(yellowbracket.mesh.Shapes.box(Vec3.ZERO, new Vec3(10, 10, 50)), way, profile, resin, printer);
        var wide = Estimate.of(yellowbracket.mesh.Shapes.box(Vec3.ZERO, new Vec3(80, 80, 50)), way, profile, resin, printer);
        assertThat(wide.hours()).isEqualTo(small.hours());
        assertThat(wide.grams()).isCloseTo(64 * small.grams(), org.assertj.core.api.Assertions.within(1e-6));
        assertThat(small.layers()).isEqualTo(1000);
        assertThat(CleanUp.of(new SectionPrint(Known.p("A"), way, profile, printer, small, true), SHOP).steps()).first()
                .satisfies(s -> assertThat(s.work()).isEqualTo(CleanUp.Work.WASH));
    }

    @Test
    void cleaningUpFollowsTheAreaSupportTouches() {
        var held = CleanUp.of(print(USUAL.withBrimMm(8), COMPACT, 3000, 40), SHOP);
        assertThat(held.steps()).extracting(CleanUp.Step::work)
                .containsExactly(CleanUp.Work.TAKE_OFF, CleanUp.Work.BRIM, CleanUp.Work.SNAP, CleanUp.Work.TRIM, CleanUp.Work.SAND);
        var way = print(USUAL, COMPACT, 3000, 40).orientation();
        var twice = new Orientation(way.label(), way.turn(), way.supportMm3(), 2 * way.contactMm2(), 2 * way.showContactMm2(), way.cusp50(),
                way.cusp95(), way.size(), way.footMm2(), way.tipDeg());
        double once = CleanUp.of(print(USUAL, COMPACT, 3000, 40), SHOP).hours(),
                more = CleanUp.of(new SectionPrint(Known.p("A"), twice, USUAL, MID, print(USUAL, COMPACT, 1, 1).estimate(), true), SHOP)
                        .hours();
        assertThat(more - 0.08).isCloseTo(2 * (once - 0.08), org.assertj.core.api.Assertions.within(1e-9));
        assertThat(yellowbracket.safety.Caution.of(CleanUp.Work.SAND, "PLA", SHOP).gear()).contains("mask");
    }

    private static SpoolPlan.Job job(String name, double grams) {
        return new SpoolPlan.Job(name, "mid bed", "PLA", grams);
    }

    @Test
    void aSpoolThatEndsIsToldWithWhereAndAFullerOneIsPutOn() {
        var opened = new Spool("opened", "PLA", 240, 215, "mid bed");
        var alone = SpoolPlan.of(List.of(job("A", 150), job("B", 150)), List.of(opened), SHOP);
        assertThat(alone.draws().get(0).runsOutAt()).isEmpty();
        assertThat(alone.draws().get(1).runsOutAt()).hasValue(0.6);
        assertThat(alone.findings()).singleElement().extracting(Finding::words).asString().contains("opened runs out at 60 % of B");
        var shelf = SpoolPlan.of(List.of(job("A", 150), job("B", 150)), List.of(opened, new Spool("new", "PLA", 1000, 215, "")), SHOP);
        assertThat(shelf.draws().get(1).spool()).map(Spool::name).contains("new");
        assertThat(shelf.draws().get(1).leftG()).isEqualTo(850);
        assertThat(shelf.findings()).extracting(Finding::words).containsExactly("put new on mid bed before B");
        assertThat(SpoolPlan.of(List.of(job("A", 235)), List.of(opened), SHOP).findings()).singleElement()
                .extracting(Finding::words)
                .asString()
                .contains("just lasts");
        assertThat(SpoolPlan.of(List.of(new SpoolPlan.Job("A", "mid bed", "PETG", 10)), List.of(opened), SHOP).findings()).singleElement()
                .extracting(Finding::words)
                .asString()
                .contains("no spool of PETG");
        assertThat(SpoolPlan.of(List.of(), List.of(), SHOP).findings()).isEmpty();
    }

    @Test
    void aWeighedSpoolHoldsWhatTheScaleSaysLessTheBareSpool() {
        var s = new Spool("opened", "PLA", 240, 215, "mid bed");
        assertThat(s.weighed(500).grams()).isEqualTo(285);
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> s.weighed(100))
                .hasMessageContaining("less than the 215 g of the bare spool");
        assertThat(s.on("").printer()).isEmpty();
    }

    @Test
    void aWishForOrderMovesOneAndKeepsTheRest() {
        var q = QueueWish.NONE.moved(List.of(List.of(Known.p("A")), List.of(Known.p("B"), Known.p("D")), List.of(Known.p("C"))), 2, -2);
        assertThat(q.order()).extracting(SectionId::letter).containsExactly("C", "A", "B", "D");
        assertThat(q.moved(List.of(List.of(Known.p("A")), List.of(Known.p("B"), Known.p("D")), List.of(Known.p("C"))), 1, 9).order())
                .extracting(SectionId::letter)
                .as("a plate moves as one")
                .containsExactly("A", "C", "B", "D");
        assertThat(q.moved(List.of(List.of(Known.p("X")), List.of(Known.p("Y"))), 0, 1).order()).extracting(SectionId::letter)
                .as("another printer's order stays")
                .containsExactly("Y", "X", "C", "A", "B", "D");
        assertThat(SectionWish.NONE.withProfile(Optional.of(USUAL)).withProfile(Optional.empty())).isEqualTo(SectionWish.NONE);
    }
}
