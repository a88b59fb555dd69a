package yellowbracket.document;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.Letters;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.intake.Intake;
import yellowbracket.log.Entry;
import yellowbracket.log.Lessons;
import yellowbracket.mesh.Turn;
import yellowbracket.print.SectionWish;
import yellowbracket.shop.Catalogue;
import yellowbracket.work.Known;
import yellowbracket.work.SectionId;
import yellowbracket.work.TaskId;

/** Whose section is C? What a prop's cuts do to its own letters, and never to another's. */
class LettersTest {
    private static final Catalogue SHOP = Catalogue.builtIn();

    private static Build with(Build b, String id, int bodies) {
        return b.with(Prop.fromFile(id, id, "0".repeat(64), Letters.from(b.freeLetter(), bodies), Intake.AS_IT_IS, SHOP.profile("usual")));
    }

    private static Build empty() {
        return Build.empty(SmallBuild.NOW, ShopFile.fresh());
    }

    private static CutTree planes(int n) {
        var tree = CutTree.WHOLE;
        for (int i = 0; i < n; i++) tree = CutTree.split(CutPlane.across(2, 10 * i), tree, CutTree.WHOLE);
        return tree;
    }

    private static Build cut(Build b, String prop, int planes) {
        return Edit.cuts("cut", prop, t -> planes(planes)).change().apply(b);
    }

    private static List<String> letters(Build b, String prop, int sections) {
        var l = b.prop(prop).orElseThrow().letters();
        return IntStream.range(0, sections).mapToObj(l::at).toList();
    }

    @Test
    void propsCutOneAfterTheOtherShareTheAlphabet() {
        var b = cut(with(empty(), "helm", 1), "helm", 2);
        b = cut(with(b, "staff", 1), "staff", 1);
        assertThat(letters(b, "helm", 3)).containsExactly("A", "B", "C");
        assertThat(letters(b, "staff", 2)).containsExactly("D", "E");
    }

    @Test
    void cuttingAPropAnewNeverRenamesAnothersSections() {
        var b = with(cut(with(empty(), "helm", 1), "helm", 2), "staff", 1);
        var recut = cut(b, "helm", 4);
        assertThat(letters(recut, "staff", 1)).containsExactly("D");
        assertThat(letters(recut, "helm", 5)).as("its own go on beyond the others").containsExactly("A", "B", "C", "E", "F");
        assertThat(letters(cut(recut, "helm", 1), "helm", 2)).as("letters given out stay its own").containsExactly("A", "B");
        assertThat(recut.section("F")).contains(new SectionId("helm", "F"));
        assertThat(recut.section("D")).contains(new SectionId("staff", "D"));
    }

    @Test
    void looseBodiesHaveLettersOfTheirOwnAndMoreThanTheBlockAreNumbered() {
        var b = with(with(empty(), "lamp", 3), "mask", 1);
        assertThat(letters(b, "lamp", 3)).containsExactly("A", "B", "C");
        assertThat(letters(b, "mask", 3)).as("a body nobody counted on").containsExactly("D", "D2", "D3");
        assertThat(b.section("D3")).contains(new SectionId("mask", "D3"));
    }

    static IntStream seeds() {
        return IntStream.range(0, 40);
    }

    /** Props come, are cut and cut again in any order: a letter once given to a prop is never another's. */
    @ParameterizedTest
    @MethodSource("seeds")
    void aLetterIsNeverTwoProps(int seed) {
        var random = new Random(seed);
        var b = empty();
        var before = b;
        for (int step = 0; step < 25; step++) {
            int n = b.props().size();
            b = n == 0 || random.nextInt(4) == 0 ? with(b, "p" + n, 1 + random.nextInt(3))
                    : cut(b, "p" + random.nextInt(n), random.nextInt(9));
            for (var p : before.props()) {
                var now = b.prop(p.id()).orElseThrow().letters();
                assertThat(now.runs().subList(0, 1).getFirst().first()).isEqualTo(p.letters().runs().getFirst().first());
                for (int i = 0; i < p.letters().count(); i++) assertThat(now.at(i)).isEqualTo(p.letters().at(i));
            }
            var seen = new HashSet<String>();
            for (var p : b.props()) for (int i = 0; i < p.letters().count() + 2; i++) {
                assertThat(seen.add(p.letters().at(i))).as(p.id() + " " + p.letters().at(i)).isTrue();
                assertThat(b.section(p.letters().at(i))).contains(p.section(p.letters().at(i)));
            }
            before = b;
        }
    }

    @Test
    void newCutsDoNotInheritWhatWasDoneAndDecidedUnderTheOld() {
        var b = cut(with(empty(), "helm", 1), "helm", 2);
        b = Edit.print("another way up", "helm", "B", w -> SectionWish.NONE.withTurn(java.util.Optional.of(Turn.quarter(1))))
                .change()
                .apply(b);
        for (var line : List.of("done size:helm 1 h", "done A 5 h", "done clean:A 0.2 h", "failed B 50 % clog"))
            b = b.with(Entry.parse(SmallBuild.NOW, line, b).orElseThrow());
        assertThat(Lessons.facts(b.log(), b).done()).hasSize(3);
        var moved = Edit.movePlane("helm", 0, CutPlane.across(2, 12)).change().apply(b);
        assertThat(Lessons.facts(moved.log(), moved).done()).as("a plane moved leaves the sections the same ones").hasSize(3);
        var recut = cut(b, "helm", 3);
        assertThat(recut.prop("helm").orElseThrow().cut().revision()).isEqualTo(b.prop("helm").orElseThrow().cut().revision() + 1);
        assertThat(Lessons.facts(recut.log(), recut).done()).containsOnlyKeys(TaskId.size("helm"));
        assertThat(recut.log()).as("kept as history").isEqualTo(b.log());
        assertThat(recut.prop("helm").orElseThrow().print().sections()).isEmpty();
        var again = recut.with(Entry.parse(SmallBuild.NOW, "done A 4 h", recut).orElseThrow());
        assertThat(Lessons.facts(again.log(), again).done()).containsKey(TaskId.of("print:helm/A"));
        assertThat(cut(b, "helm", 2)).as("the same cuts again are no other cuts").isEqualTo(b);
    }

    @ParameterizedTest
    @CsvSource({"size:helm", "print:helm/A", "print:helm/A+staff/C2", "clean:p1-abc/AB", "join:helm:3", "smooth:mask:12", "colour:x:1",
            "pads:helm:Maren", "dryfit:helm", "test:helm"})
    void aTaskReadsBackFromItsText(String text) {
        assertThat(TaskId.of(text).text()).isEqualTo(text);
        assertThat(TaskId.of(text)).isEqualTo(TaskId.of(text));
    }

    @Test
    void aWearerOfTwoWordsStaysOneWordInALine() {
        var pads = new TaskId.Pads("helm", "Ada Lund");
        assertThat(pads.text()).doesNotContain(" ");
        assertThat(TaskId.of(pads.text())).isEqualTo(pads);
        assertThat(Entry.parse(SmallBuild.NOW, "done " + pads.text() + " 0.5 h", Known.NAMES).orElseThrow().task()).contains(pads);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "print", "print:", "print:A", "print:helm/A+", "join:helm", "join:helm:0", "join:helm:x", "glue:helm:1",
            "size:", "clean:helm/A+helm/B"})
    void whatNamesNoTaskIsRefused(String text) {
        assertThat(TaskId.parse(text)).isEmpty();
        assertThatThrownBy(() -> TaskId.of(text)).hasMessageContaining("does not name a task");
    }
}
