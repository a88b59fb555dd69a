package yellowbracket.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowbracket.finding.Subject;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.print.Estimate;
import yellowbracket.print.FailureKind;
import yellowbracket.print.Orientation;
import yellowbracket.print.SectionPrint;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Rate;
import yellowbracket.work.Known;

/** What prints that went well and prints that did not teach about a printer. */
class PrintRecordTest {
    private static final LocalDateTime NOW = LocalDateTime.of(2026, 3, 30, 18, 0);
    private static final Catalogue SHOP = Catalogue.builtIn();
    private static final Printer MID = SHOP.printers().get(0);
    private static final Printer LARGE = SHOP.printers().get(1);

    private static List<Entry> log(String... lines) {
        var out = new ArrayList<Entry>();
        for (var l : lines) out.add(Entry.parse(NOW.plusHours(out.size()), l, Known.NAMES).orElseThrow());
        return out;
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"failed D 64 % layer shift overnight|LAYER_SHIFT", "failed D came off the bed|CAME_OFF",
            "failed D 3 % nozzle clogged|CLOG", "failed D 90 % ran out of PLA|RAN_OUT",
            "done D 4 h support fused to the brow|SUPPORT_FUSED", "failed D corners warped|WARPED", "failed D underextruded|UNDER_EXTRUDED",
            "failed D link lost|POWER", "failed D 5 % cancelled|CANCELLED", "failed D who knows|OTHER"})
    void failuresAreToldByTheirWords(String line, FailureKind kind) {
        assertThat(FailureKind.in(line)).isEqualTo(kind);
    }

    @Test
    void countsHoursAndFailuresOfEachPrinter() {
        var log = log("done A 10 h planned 8 h #mid-bed", "failed B 50 % 4 h layer shift #mid-bed", "done B 8 h #mid-bed",
                "done C 5 h #large-bed", "failed D 10 % 1 h cancelled #mid-bed", "done join:helm:1 2 h #mid-bed");
        var mid = PrintRecord.of(log, MID, List.of(MID, LARGE), Rate.UNKNOWN);
        assertThat(mid.done()).isEqualTo(2);
        assertThat(mid.hours()).isEqualTo(22);
        assertThat(mid.failures()).containsExactly(Map.entry(FailureKind.LAYER_SHIFT, 1));
        assertThat(mid.failuresPerHour()).isCloseTo((0.0022 * 300 + 1) / (300 + 22), within(1e-12));
        assertThat(mid.lowRate()).isLessThan(mid.failuresPerHour());
        assertThat(mid.highRate()).isGreaterThan(mid.failuresPerHour());
        assertThat(mid.factor()).as("only prints whose plan is known teach the factor").isEqualTo(Rate.UNKNOWN.with(10, 8));
        var large = PrintRecord.of(log, LARGE, List.of(MID, LARGE), Rate.UNKNOWN);
        assertThat(large.done()).isEqualTo(1);
        assertThat(large.failures()).isEmpty();
        assertThat(large.failuresPerHour()).as("hours without failure lower it").isLessThan(0.0035);
        assertThat(large.apply(LARGE).failuresPerHour()).isEqualTo(large.failuresPerHour());
        assertThat(mid.apply(MID).hoursFactor()).isCloseTo(mid.factor().factor(), within(1e-12));
    }

    @Test
    void anEntryWithoutPrinterCountsForAll() {
        var log = log("failed B 50 % 4 h clog #overnight", "done B 8 h");
        for (var p : List.of(MID, LARGE)) {
            var r = PrintRecord.of(log, p, List.of(MID, LARGE), Rate.UNKNOWN);
            assertThat(r.hours()).isEqualTo(6);
            assertThat(r.failed()).isEqualTo(1);
        }
    }

    /** Upright, 200 mm tall on a foot of {@code foot} mm2, with {@code seen} mm2 of support on the show side. */
    private static SectionPrint print(String name, double foot, double tall, double brim, Printer printer) {
        var way = new Orientation("as worn", Turn.NONE, 0, 0, 30, 0.1, 0.2, new Vec3(60, 60, tall), foot, 20);
        return new SectionPrint(Known.p(name), way, SHOP.profile("usual").withBrimMm(brim), printer,
                new Estimate(1000, 9, 8, 10, 120, 10, 40, 3, 5, 3, 1, 0), true);
    }

    @Test
    void aFailureComesBackAsAWarningWhereTheSituationReturns() {
        var log = log("failed C 62 % 8 h came off the bed overnight #mid-bed", "lesson: brim 8 mm on tall sections #mid-bed");
        var then = print("C", 200, 200, 0, MID);
        var tall = print("D", 180, 190, 0, MID);
        var flat = print("E", 9000, 40, 0, MID);
        var brimmed = print("F", 180, 190, 8, MID);
        var elsewhere = print("G", 180, 190, 0, LARGE);
        var all = Map.of(Known.p("C"), then, Known.p("D"), tall, Known.p("E"), flat, Known.p("F"), brimmed, Known.p("G"), elsewhere);
        assertThat(Recurring.of(log, List.of(tall, flat, brimmed, elsewhere), all)).singleElement().satisfies(w -> {
            assertThat(w.subject()).isEqualTo(Subject.section(Known.p("D")));
            assertThat(w.fix()).as("the lesson asks for a brim").isPresent();
            assertThat(w.words()).contains("same situation as C", "brim 8 mm on tall sections").doesNotContain("#");
        });
    }

    @Test
    void withoutALessonTheUsualAdviceIsGiven() {
        var then = print("C", 200, 200, 0, MID);
        var next = print("D", 200, 220, 0, MID);
        assertThat(Recurring.of(log("failed C 62 % layer shift #mid-bed"), List.of(next), Map.of(Known.p("C"), then, Known.p("D"), next)))
                .singleElement()
                .satisfies(w -> assertThat(w.words()).contains("layer shift", "belts"));
        assertThat(Recurring.of(log("failed C 62 % nobody knows #mid-bed"), List.of(next), Map.of(Known.p("C"), then, Known.p("D"), next)))
                .isEmpty();
        assertThat(Recurring.of(log("failed Z 62 % layer shift #mid-bed"), List.of(next), Map.of(Known.p("C"), then, Known.p("D"), next)))
                .as("a section that is gone")
                .isEmpty();
    }

    @Test
    void aPlateIsDoneWithAllThatIsOnIt() {
        var facts = Lessons.facts(log("started A+B #mid-bed", "done A+B 9 h #mid-bed", "started C"), Known.NAMES);
        assertThat(facts.done()).containsKeys(Known.print("A", "B"), Known.print("A"), Known.print("B"));
        assertThat(facts.running()).containsOnlyKeys(Known.print("C"));
        assertThat(Lessons.facts(log("done A+B 9 h", "failed A+B 5 % clog"), Known.NAMES).done()).isEmpty();
        assertThat(Entry.parse(NOW, "started over with the brim", Known.NAMES).orElseThrow().kind()).isEqualTo(Entry.Kind.NOTE);
        var planned = Entry.parse(NOW, "done A planned 8,5 h", Known.NAMES).orElseThrow();
        assertThat(planned.planned()).hasValue(8.5);
        assertThat(planned.hours()).as("planned hours are not worked hours").isZero();
    }
}
