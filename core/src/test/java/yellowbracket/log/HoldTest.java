package yellowbracket.log;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.print.Estimate;
import yellowbracket.print.FailureKind;
import yellowbracket.print.Orientation;
import yellowbracket.print.SectionPrint;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Printer;
import yellowbracket.work.Known;
import yellowbracket.work.SectionId;
import yellowbracket.work.TaskId;

/** Nothing starts where a print went wrong and nobody knows why; what was taken apart proves itself. */
class HoldTest {
    private static final Catalogue SHOP = Catalogue.builtIn();
    private static final Printer MID = SHOP.printers().getFirst(), LARGE = SHOP.printers().get(1);
    private static final SectionPrint A = print("A", MID), B = print("B", MID), C = print("C", LARGE);
    private static final Map<SectionId, SectionPrint> ALL = Map.of(A.id(), A, B.id(), B, C.id(), C);

    private static SectionPrint print(String name, Printer on) {
        var way = new Orientation("as worn", Turn.NONE, 0, 0, 0, 0.1, 0.2, new Vec3(50, 50, 50), 2500, 40);
        return new SectionPrint(Known.p(name), way, SHOP.profile("usual"), on, new Estimate(100, 5, 4, 6, 50, 0, 10, 1, 3, 1, 0, 1), true);
    }

    private static List<Entry> log(String... lines) {
        var out = new ArrayList<Entry>();
        for (var l : lines) out.add(Entry.parse(LocalDateTime.of(2026, 3, 1, 8, 0).plusHours(out.size()), l, Known.NAMES).orElseThrow());
        return out;
    }

    @Test
    void anOddPrintHoldsItsPrinterAndMaterialUntilACauseIsNoted() {
        var held = Hold.of(log("odd A strings all over"), ALL);
        assertThat(held).singleElement().satisfies(h -> assertThat(h.printer()).isEqualTo(MID.name()));
        assertThat(held.getFirst().task().text()).isEqualTo("look:p:" + MID.tag() + "/1");
        assertThat(TaskId.of(held.getFirst().task().text())).isEqualTo(held.getFirst().task());
        assertThat(held.getFirst().holds(B)).isTrue();
        assertThat(held.getFirst().holds(C)).as("another printer goes on").isFalse();
        assertThat(Hold.findings(held, List.of(B, C))).singleElement()
                .satisfies(f -> assertThat(f.words()).contains("section B waits", "odd A strings", "cause: what it was #" + MID.tag()));
        assertThat(Hold.of(log("odd A strings all over", "cause: wet filament"), ALL)).isEmpty();
        assertThat(Hold.of(log("odd A strings", "cause: loose belt #" + LARGE.tag()), ALL)).as("a cause of another printer").hasSize(1);
        assertThat(Hold.of(log("odd A strings", "cause: loose belt #" + MID.tag()), ALL)).isEmpty();
    }

    @Test
    void aFailureWithItsCauseHoldsNothingUpOneWithoutDoes() {
        assertThat(Hold.of(log("failed A 40 % layer shift"), ALL)).isEmpty();
        assertThat(Hold.of(log("failed A 40 % looks strange"), ALL)).hasSize(1);
        assertThat(Hold.of(log("failed A 40 % cancelled by me"), ALL)).isEmpty();
    }

    @Test
    void aPrinterProvesItselfAfterARepairUntilSomethingPrintedWell() {
        var one = Repair.of(log("failed A 40 % layer shift"), ALL);
        assertThat(one).containsOnlyKeys(MID.name());
        assertThat(one.get(MID.name()).kind()).isEqualTo(FailureKind.LAYER_SHIFT);
        assertThat(one.get(MID.name()).task().text()).isEqualTo("calibrate:p:" + MID.tag() + "/1");
        assertThat(TaskId.of(one.get(MID.name()).task().text())).isEqualTo(one.get(MID.name()).task());
        assertThat(Repair.of(log("failed A 40 % layer shift", "done B 5 h"), ALL)).as("printed well since").isEmpty();
        assertThat(Repair.of(log("failed A 40 % layer shift", "done B 5 h", "failed A 10 % clogged"), ALL).get(MID.name()).task().number())
                .isEqualTo(2);
        assertThat(Repair.of(log("failed A 40 % came off the bed"), ALL)).as("a brim needs no proof").isEmpty();
    }

    @Test
    void linesAreReadAsWhatTheyAre() {
        var odd = log("odd A strings #mid-bed").getFirst();
        assertThat(odd.kind()).isEqualTo(Entry.Kind.ODD);
        assertThat(odd.tags()).containsExactly("mid-bed");
        assertThat(log("cause: clogged nozzle #mid-bed").getFirst().cause()).contains("clogged nozzle");
        assertThat(log("odd thing happened").getFirst().kind()).as("no section: a note").isEqualTo(Entry.Kind.NOTE);
    }
}
