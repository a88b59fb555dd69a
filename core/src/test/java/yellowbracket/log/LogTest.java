package yellowbracket.log;

import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import yellowbracket.shop.StockItem;
import yellowbracket.work.Need;
import yellowbracket.work.Station;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDateTime;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowbracket.colour.SprayWeather;
import yellowbracket.device.SimulatedWeather;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Rate;
import yellowbracket.work.Known;
import yellowbracket.work.Operation;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;
import yellowbracket.work.Tool;

class LogTest {
    private static final LocalDateTime AT = LocalDateTime.of(2026, 3, 30, 18, 0);

    private static Entry entry(String line) {
        return Entry.parse(AT, line, Known.NAMES).orElseThrow();
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {"done A 14 h;DONE;print:p/A;14", "done print:C 8.9 h #mid-bed;DONE;print:p/C;8.9",
            "done print:p/C 8.9 h;DONE;print:p/C;8.9", "Done clean:B 45 min;DONE;clean:p/B;0.75", "done join:helm:2;DONE;join:helm:2;0",
            "failed B 62 % 8.1 h came off;FAILED;print:p/B;8.1", "failed AB;FAILED;print:p/AB;0", "done A+C2 9 h;DONE;print:p/A+p/C2;9",
            "done the washing up;NOTE;'';0", "started over;NOTE;'';0", "lesson: brim #x;LESSON;'';0", "the visor fits;NOTE;'';0",
            "done;NOTE;'';0"})
    void theLogLineIsUnderstood(String line, Entry.Kind kind, String about, double hours) {
        var e = entry(line);
        assertThat(e.kind()).isEqualTo(kind);
        assertThat(e.task().map(TaskId::text).orElse("")).isEqualTo(about);
        assertThat(e.hours()).isCloseTo(hours, within(1e-9));
        assertThat(e.text()).isEqualTo(line);
    }

    @Test
    void moneyTagsAndBlanks() {
        assertThat(entry("spent 14,50 filler").money()).isEqualTo(14.5);
        assertThat(entry("nine pinholes #flaw #round1").tags()).containsExactly("flaw", "round1");
        assertThat(Entry.parse(AT, "   ", Known.NAMES)).isEmpty();
    }

    private static Task task(String id, double hours, Operation operation) {
        return new Task(TaskId.of(id), id, operation, "", Tool.SANDING, new Task.Effort(hours, 0, 0.2, "test"), Task.Lag.NONE,
                Task.Doer.PERSON, List.of());
    }

    @Test
    void slowHandsLearnSlowHours() {
        var log = List.of(entry("done smooth:p:1 3 h"), entry("done smooth:p:2 2 h"), entry("done smooth:p:3"), entry("spent 10 x"),
                entry("spent 2.5 y"), entry("failed D 50 %"));
        var tasks = List.of(task("smooth:p:1", 1.5, Operation.SAND), task("smooth:p:2", 1, Operation.SAND),
                task("smooth:p:3", 1, Operation.SPREAD), task("smooth:p:4", 1, Operation.SAND));
        var lessons = Lessons.facts(log, Known.NAMES).learn(tasks, java.util.Map.of());
        var sand = lessons.rates().get("sand");
        assertThat(sand.jobs()).isEqualTo(2);
        assertThat(sand.factor()).as("twice as long, drawn towards the catalogue by three jobs' weight")
                .isCloseTo(Math.pow(2, 2 / 5.0), within(1e-9));
        assertThat(lessons.rates()).doesNotContainKey("fill");
        assertThat(lessons.spent()).isEqualTo(12.5);
        assertThat(lessons.failures()).containsEntry(Known.print("D"), 1);
        assertThat(lessons.doneWith(tasks).get(TaskId.of("smooth:p:3")).hours()).as("hours not told are those planned").isEqualTo(1);
    }

    @Test
    void aFailureAfterDoneOpensTheTaskAgain() {
        assertThat(Lessons.facts(List.of(entry("done D 5 h"), entry("failed D cracked")), Known.NAMES).done()).isEmpty();
        assertThat(Lessons.facts(List.of(entry("failed D"), entry("done D 5 h")), Known.NAMES).done()).containsKey(Known.print("D"));
    }

    @Test
    void manyJobsOutweighTheCatalogue() {
        var r = Rate.UNKNOWN;
        assertThat(r.source()).isEqualTo("catalogue");
        for (int i = 0; i < 100; i++) r = r.with(3, 2);
        assertThat(r.factor()).isCloseTo(1.5, within(0.03));
        assertThat(r.share()).isGreaterThan(0.95);
        assertThat(r.spread()).isLessThan(Rate.UNKNOWN.spread());
        assertThat(r.source()).contains("100 jobs");
        assertThatThrownBy(() -> Rate.UNKNOWN.with(0, 1)).hasMessageContaining("above 0");
    }

    @Test
    void theSimulatedSkyIsTheSameForTheSameSeedAndPlausible() {
        var sky = new SimulatedWeather(7);
        double lo = 99, hi = -99;
        int go = 0, all = 0;
        for (int d = 0; d < 365; d++) for (int h = 0; h < 24; h += 3) {
            var hour = sky.at(LocalDateTime.of(2026, 1, 1, h, 20).plusDays(d));
            assertThat(hour).isEqualTo(new SimulatedWeather(7).at(LocalDateTime.of(2026, 1, 1, h, 50).plusDays(d)));
            assertThat(hour.humidity()).isBetween(20.0, 100.0);
            assertThat(hour.windMs()).isPositive();
            lo = Math.min(lo, hour.celsius());
            hi = Math.max(hi, hour.celsius());
            all++;
            if (SprayWeather.judge(hour, Catalogue.builtIn().coating("acrylic lacquer spray")).verdict() == SprayWeather.Verdict.GO) go++;
        }
        assertThat(lo).isBetween(-12.0, 6.0);
        assertThat(hi).isBetween(22.0, 40.0);
        assertThat((double) go / all).isBetween(0.05, 0.6);
        assertThat(new SimulatedWeather(8).at(AT)).isNotEqualTo(sky.at(AT));
    }

    /** What was written about sections of other cuts is history, not done; what was measured before stays done. */
    @Test
    void aLineBelongsToTheCutsItWasWrittenUnder() {
        var log = List.of(entry("done A 5 h"), entry("failed B 50 %"), entry("done clean:A"), entry("done size:p 1 h"), entry("spent 3 x"));
        var now = Lessons.facts(log, Known.NAMES);
        assertThat(now.done()).containsOnlyKeys(Known.print("A"), TaskId.of("clean:p/A"), TaskId.size("p"));
        var recut = Lessons.facts(log, Known.after(1));
        assertThat(recut.done()).containsOnlyKeys(TaskId.size("p"));
        assertThat(recut.failures()).as("a failure still teaches").containsEntry(Known.print("B"), 1);
        assertThat(recut.spent()).isEqualTo(3);
        var again = new java.util.ArrayList<>(log);
        again.add(Entry.parse(AT, "done A 4 h", Known.after(1)).orElseThrow());
        assertThat(Lessons.facts(again, Known.after(1)).done().get(Known.print("A")).hours()).isEqualTo(4);
    }

    @Test
    void aFailureTellsHowFarItCame() {
        assertThat(entry("failed C 62 % 8.1 h came off").share()).hasValue(0.62);
        assertThat(entry("failed C 62,5% warped").share()).hasValue(0.625);
        assertThat(entry("failed C 140 %").share()).isEmpty();
        assertThat(entry("failed C clogged").share()).isEmpty();
        assertThat(entry("done C 62 % humidity").share()).isEmpty();
    }

    /** Forty jobs that took half as long again: the factor is found, its range shrinks, and one job of ten times the hours is no lesson. */
    @Test
    void fortyJobsAreLearnedAndOneOutlierIsNot() {
        var rate = Rate.UNKNOWN;
        double range = rate.high() / rate.low();
        for (int i = 0; i < 40; i++) {
            rate = rate.with(1.5, 1);
            assertThat(rate.high() / rate.low()).as("after %d jobs", i + 1).isLessThan(range);
            range = rate.high() / rate.low();
        }
        assertThat(rate.factor()).isCloseTo(1.5, within(0.05 * 1.5));
        assertThat(rate.outlier(15, 1)).isTrue();
        assertThat(rate.outlier(2, 1)).isFalse();
        assertThat(rate.with(15, 1).factor()).isCloseTo(rate.factor(), within(0.1 * rate.factor()));
        var few = Rate.UNKNOWN.with(1.5, 1).with(1.5, 1).with(1.5, 1);
        assertThat(few.with(15, 1).factor() / few.factor()).as("less than a seventh of 10 x in a mean of seven").isLessThan(1.2);
    }

    @Test
    void whatIsUsedComesOffTheShelf() {
        var e = entry("used 120 ml filler primer #loft");
        assertThat(e.kind()).isEqualTo(Entry.Kind.USED);
        assertThat(e.used().orElseThrow()).isEqualTo(new Need("filler primer", 120, "ml"));
        assertThat(entry("used 1 can matt clear").used().orElseThrow().unit()).isEqualTo("cans");
        assertThat(entry("used up all the tape").kind()).isEqualTo(Entry.Kind.NOTE);
    }

    /** Whatever is used in whatever order: what is left and what was taken add up to what there was, and nothing falls below none. */
    @Test
    void theShelfLosesWhatWasUsedAndNoMore() {
        for (int seed = 0; seed < 300; seed++) {
            var r = new java.util.Random(seed);
            var shelf = List.of(new StockItem("glue", 100 * r.nextDouble(), "g"),
                    new StockItem("glue", 100 * r.nextDouble(), "g", Optional.of(LocalDate.of(2026, 1, 1))),
                    new StockItem("glue", 50, "ml"), new StockItem("tape", 9, "m"));
            double had = shelf.get(0).amount() + shelf.get(1).amount(), used = 0;
            for (int i = 0; i < 6; i++) {
                double take = 60 * r.nextDouble();
                used += take;
                shelf = StockItem.less(shelf, "glue", take, "g");
            }
            double left = shelf.stream().filter(s -> s.name().equals("glue") && s.unit().equals("g")).mapToDouble(StockItem::amount).sum();
            assertThat(left).as("seed %d", seed).isCloseTo(Math.max(0, had - used), within(1e-9));
            assertThat(shelf).filteredOn(s -> !s.unit().equals("g")).extracting(StockItem::amount).containsExactly(50.0, 9.0);
        }
        var both = List.of(new StockItem("glue", 50, "g"), new StockItem("glue", 20, "g", Optional.of(LocalDate.of(2026, 1, 1))));
        assertThat(StockItem.less(both, "glue", 10, "g").get(1).amount()).as("the opened one first").isEqualTo(10);
    }

    @Test
    void hoursToldAndHoursTakenAreHeldAgainstEachOther() {
        var sand = Task.byHand(TaskId.of("smooth:p:1"), "sand", Operation.SAND, Tool.SANDING, 2, List.of());
        var glue = Task.byHand(TaskId.of("join:p:1"), "glue", Operation.GLUE, Tool.HANDS, 1, List.of());
        var log = List.of(entry("done join:p:1 1.2 h planned 1.00 h"), entry("done smooth:p:1 20 h"), entry("a note"));
        var tally = Tally.of(log, List.of(sand, glue), List.of(sand, glue));
        assertThat(tally.jobs()).extracting(Tally.Job::outlier).containsExactly(false, true);
        assertThat(tally.jobs()).extracting(Tally.Job::within).containsExactly(true, false);
        assertThat(tally.calibration()).isEqualTo(0.5);
        assertThat(tally.byStation().get(Station.SMOOTH)).isEqualTo(new Tally.Sum(2, 20, 1));
    }

    @Test
    void whatWentWrongHoldsLikeWorkUntilACauseIsNoted() {
        var one = Task.byHand(TaskId.of("smooth:p:1"), "sand", Operation.SAND, Tool.SANDING, 2, List.of());
        var next = Task.byHand(TaskId.of("smooth:p:2"), "sand finer", Operation.SAND, Tool.SANDING, 2, List.of());
        var glue = Task.byHand(TaskId.of("join:p:1"), "glue", Operation.GLUE, Tool.HANDS, 1, List.of());
        var tasks = List.of(one, next, glue);
        var wrong = entry("wrong smooth:p:1 through to the plastic");
        assertThat(wrong.kind()).isEqualTo(Entry.Kind.WRONG);
        assertThat(Wrong.holding(next, Wrong.open(List.of(wrong)), tasks)).isPresent();
        assertThat(Wrong.holding(glue, Wrong.open(List.of(wrong)), tasks)).as("other work goes on").isEmpty();
        assertThat(Wrong.open(List.of(wrong, entry("cause: pressed too hard #by-hand")))).isEmpty();
        assertThat(Wrong.open(List.of(entry("wrong smooth:p:1 too deep; cause: an edge")))).as("its cause is known").isEmpty();
        for (var o : Operation.values()) for (var x : Trouble.of(o)) {
            assertThat(x.seen()).as("%s: short enough for a button", o).hasSizeLessThan(40);
            assertThat(x.repair()).isNotBlank();
        }
    }

    @Test
    void lessonsComeBackWhereTheSituationDoes() {
        var sand = Task.byHand(TaskId.of("smooth:p:1"), "sand", Operation.SAND, Tool.SANDING, 2, List.of());
        var fill = Task.byHand(TaskId.of("smooth:p:2"), "fill", Operation.SPREAD, Tool.SPREADER, 1, List.of())
                .withProduct("two-part polyester filler");
        var log = List.of(entry("lesson: wet paper lasts longer #sand"), entry("lesson: Two-part polyester filler wants 2 % here"),
                entry("wrong smooth:p:2 pinholes; cause: air stirred in"), entry("lesson: fold, do not whip"),
                entry("the cheap filler primer spits #never-again #filler-primer"));
        var recalled = new Recalled(log, List.of(sand, fill));
        assertThat(recalled.lessons(sand)).extracting(Entry::text).containsExactly("lesson: wet paper lasts longer #sand");
        assertThat(recalled.lessons(fill)).as("the newest first")
                .extracting(Entry::text)
                .containsExactly("lesson: fold, do not whip", "lesson: Two-part polyester filler wants 2 % here");
        assertThat(recalled.never("filler primer")).hasSize(1);
        assertThat(recalled.never("spray putty")).isEmpty();
    }

    @Test
    void moneyIsTakenByWholeWordsAndAPriceHasItsHours() {
        var log = List.of(entry("spent 22 PLA filament"), entry("spent 3 CA gel"), entry("spent 1 two magnets"),
                entry("spent 9 filler primer"), entry("spent 3 products for the america trip"), entry("a note"));
        var costs = Costs.of(log, 12, 10, 30);
        assertThat(costs.spent())
                .isEqualTo(Map.of(Costs.Kind.PRINTING, 22.0, Costs.Kind.JOINING, 4.0, Costs.Kind.SMOOTHING, 9.0, Costs.Kind.OTHER, 3.0));
        assertThat(costs.inAll()).isEqualTo(50);
        assertThat(costs.price(10)).as("fifty, and forty hours").isEqualTo(450);
    }

    @Test
    void whyAndCausesAreReadOnce() {
        assertThat(entry("why this red: it is that of the boat #helm").why()).contains("this red: it is that of the boat");
        assertThat(entry("wrong smooth:p:1 too deep; cause: an edge").cause()).contains("an edge");
        assertThat(entry("wrong smooth:p:1 too deep").cause()).isEmpty();
        assertThat(Wrong.open(List.of(entry("wrong smooth:p:1 too deep; cause: ")))).as("a cause without words is none").hasSize(1);
        var shot = entry("done smooth:p:1 2 h").withPhoto("a.jpg");
        assertThat(shot.corrected(entry("done smooth:p:1 3 h")).photos()).containsExactly("a.jpg");
    }
}
