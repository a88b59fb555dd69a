package yellowbracket.plan;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.mesh.Progress;
import yellowbracket.work.Known;
import yellowbracket.work.Operation;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;
import yellowbracket.work.Tool;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

class PlanTest {
    /** A Monday, six in the evening. */
    private static final LocalDateTime NOW = LocalDateTime.of(2026, 3, 30, 18, 0);
    private static final LocalDateTime DUE = NOW.plusDays(21);

    private static Task task(String id, Operation operation, double hours, Task.Lag lag, Task.Doer doer, double spread, String... after) {
        return new Task(Known.task(id), id, operation, "", Tool.HANDS, new Task.Effort(hours, 0, spread, "test"), lag, doer,
                Known.tasks(after));
    }

    private static Task person(String id, double hours, double wait, String... after) {
        return task(id, Operation.GLUE, hours, Task.Lag.atLeast(wait), Task.Doer.PERSON, 0.2, after);
    }

    private static Task onEnd(String id, double hours, String... after) {
        return task(id, Operation.GLUE, hours, Task.Lag.NONE, Task.Doer.PERSON_AT_A_STRETCH, 0.2, after);
    }

    private static Task print(String id, double hours, String printer, double risk, String... after) {
        return task(id, Operation.PRINT, hours, Task.Lag.NONE, Task.Doer.printer(printer, risk), 0.1, after);
    }

    private static final Scheduler.Facts NOTHING = new Scheduler.Facts(Map.of(), Map.of(), List.of());

    private static Scheduler scheduler() {
        return new Scheduler(NOW, DUE, WorkHours.evenings(), (x, t) -> true);
    }

    @Test
    void eveningWorkStartsWhenTheEveningDoes() {
        var s = scheduler().schedule(List.of(person("a", 2, 0)), Map.of());
        assertThat(s.placed(Known.task("a")).orElseThrow().start()).isEqualTo(NOW.withHour(18).withMinute(30));
        assertThat(s.placed(Known.task("a")).orElseThrow().end()).isEqualTo(NOW.withHour(20).withMinute(30));
    }

    @Test
    void longWorkIsSplitOverEveningsAndWhatMayNotSplitWaits() {
        var s = scheduler().schedule(List.of(person("a", 5, 0)), Map.of());
        assertThat(s.placed(Known.task("a")).orElseThrow().end()).as("3.5 h today, 1.5 h tomorrow")
                .isEqualTo(NOW.plusDays(1).withHour(20).withMinute(0));
        var t = scheduler().schedule(List.of(onEnd("b", 6)), Map.of());
        assertThat(t.placed(Known.task("b")).orElseThrow().start().getDayOfWeek()).as("six hours on end fit a Saturday only")
                .isEqualTo(DayOfWeek.SATURDAY);
        assertThatThrownBy(() -> scheduler().schedule(List.of(onEnd("c", 11)), Map.of())).hasMessageContaining("more than any working day");
    }

    @Test
    void printsRunThroughTheNightButStartByDay() {
        var s = scheduler().schedule(List.of(print("a", 10, "x", 0), print("b", 3, "x", 0)), Map.of());
        assertThat(s.placed(Known.task("a")).orElseThrow().end()).isEqualTo(NOW.plusHours(10));
        assertThat(s.placed(Known.task("b")).orElseThrow().start()).as("somebody must be up: seven, and a moment to change the plate")
                .isEqualTo(NOW.plusDays(1).withHour(7).withMinute(20));
    }

    @Test
    void twoPrintersRunSideBySide() {
        var s = scheduler().schedule(List.of(print("a", 10, "x", 0), print("b", 10, "y", 0)), Map.of());
        assertThat(s.placed(Known.task("a")).orElseThrow().start()).isEqualTo(s.placed(Known.task("b")).orElseThrow().start());
    }

    @Test
    void curesOverlapOtherWork() {
        var s = scheduler().schedule(List.of(person("glue", 0.5, 12), person("sand", 1, 0, "glue"), person("other", 1, 0)), Map.of());
        assertThat(s.placed(Known.task("other")).orElseThrow().end()).isBefore(s.placed(Known.task("sand")).orElseThrow().start());
        assertThat(s.placed(Known.task("sand")).orElseThrow().start())
                .isAfterOrEqualTo(s.placed(Known.task("glue")).orElseThrow().end().plusHours(12));
    }

    @Test
    void whatIsDoneIsAFactAndFreesWhatWaitedForIt() {
        var done = Map.of(Known.task("glue"), new Actual(Known.task("glue"), NOW.minusDays(2), 0.5));
        var s = scheduler().schedule(List.of(person("glue", 5, 12), person("sand", 1, 0, "glue")), done);
        assertThat(s.placed(Known.task("glue")).orElseThrow().done()).isTrue();
        assertThat(s.placed(Known.task("sand")).orElseThrow().start()).isEqualTo(NOW.withMinute(30));
        assertThat(s.next(5)).extracting(p -> p.task().name()).containsExactly("sand");
    }

    @Test
    void sprayingWaitsForWeather() {
        var spray = task("spray", Operation.SPRAY, 0.5, Task.Lag.atLeast(4), Task.Doer.SPRAY, 0.1);
        var fit = NOW.toLocalDate().plusDays(5).atTime(11, 0);
        var s = new Scheduler(NOW, DUE, WorkHours.evenings(), (x, t) -> !t.isBefore(fit)).schedule(List.of(spray), Map.of());
        assertThat(s.placed(Known.task("spray")).orElseThrow().start()).isEqualTo(fit);
        assertThatThrownBy(() -> new Scheduler(NOW, DUE, WorkHours.evenings(), (x, t) -> false).schedule(List.of(spray), Map.of()))
                .hasMessageContaining("no hour fit for spraying");
    }

    @Test
    void aRingIsRefused() {
        assertThatThrownBy(() -> scheduler().schedule(List.of(person("a", 1, 0, "b"), person("b", 1, 0, "a")), Map.of()))
                .hasMessageContaining("circle");
    }

    @Test
    void missedRecoatWindowsAreFound() {
        var coat = task("coat", Operation.SPRAY, 0.5, new Task.Lag(0.3, 1, 48), Task.Doer.SPRAY, 0.1);
        var next = new Schedule.Placed(person("next", 1, 0, "coat"), NOW.plusHours(10), NOW.plusHours(11), NOW.plusHours(11), false);
        var s = new Schedule(NOW, DUE, List.of(new Schedule.Placed(coat, NOW, NOW.plusMinutes(30), NOW.plusMinutes(48), false), next));
        assertThat(s.conflicts()).singleElement().asString().startsWith("recoat window: next comes");
    }

    @Test
    void theCheckerSeesWhatIsBroken() {
        var a = print("a", 5, "x", 0);
        var b = print("b", 5, "x", 0, "a");
        var s = new Schedule(NOW, DUE, List.of(new Schedule.Placed(a, NOW, NOW.plusHours(5), NOW.plusHours(5), false),
                new Schedule.Placed(b, NOW.plusHours(2), NOW.plusHours(7), NOW.plusHours(7), false)));
        assertThat(s.conflicts()).hasSize(2);
    }

    /**
     * Random projects: the checker, which shares nothing with the scheduler, finds nothing; the person is never in two places; no finish
     * before the longest chain.
     */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void anyProjectIsPlannedWithoutConflict(long seed) {
        var r = new Random(seed);
        var tasks = new ArrayList<Task>();
        for (int i = 0; i < 60; i++) {
            var after = new ArrayList<String>();
            for (int k = 0; k < 3 && i > 0; k++) if (r.nextBoolean()) after.add("t" + r.nextInt(i));
            tasks.add(switch (r.nextInt(3)) {
                case 0 -> print("t" + i, 1 + 9 * r.nextDouble(), r.nextBoolean() ? "x" : "y", 0, after.toArray(String[]::new));
                case 1 -> person("t" + i, 4 * r.nextDouble(), 12 * r.nextDouble(), after.toArray(String[]::new));
                default -> onEnd("t" + i, 3 * r.nextDouble(), after.toArray(String[]::new));
            });
        }
        var s = scheduler().schedule(tasks, Map.of());
        assertThat(s.conflicts()).isEmpty();
        var own = s.placed()
                .stream()
                .filter(p -> p.task().resource() == Task.Resource.PERSON && !p.task().doer().splits())
                .sorted(java.util.Comparator.comparing(Schedule.Placed::start))
                .toList();
        for (int i = 1; i < own.size(); i++) assertThat(own.get(i).start()).isAfterOrEqualTo(own.get(i - 1).end());
        double chain = 0;
        var longest = new java.util.HashMap<TaskId, Double>();
        for (var t : tasks) {
            double before = t.after().stream().mapToDouble(longest::get).max().orElse(0);
            longest.put(t.id(), before + t.activeH() + t.lag().leastH());
            chain = Math.max(chain, longest.get(t.id()));
        }
        assertThat(Duration.between(NOW, s.finish()).toMinutes() / 60.0).isGreaterThanOrEqualTo(chain - 1);
    }

    @Test
    void chanceFallsWithRiskAndIsSure_whenThereIsTime() {
        var safe = List.of(print("a", 20, "x", 0));
        var risky = List.of(print("a", 60, "x", 0.02));
        assertThat(scheduler().chance(safe, NOTHING, 60, new SplittableRandom(1), Progress.NONE)).isEqualTo(1);
        var tight = new Scheduler(NOW, NOW.plusHours(90), WorkHours.evenings(), (x, t) -> true);
        double p = tight.chance(risky, NOTHING, 400, new SplittableRandom(1), Progress.NONE);
        assertThat(p).as("one attempt succeeds with exp(-1.2) = 0.30; a few fail early enough for another").isBetween(0.25, 0.6);
        assertThat(tight.chance(risky, NOTHING, 400, new SplittableRandom(1), Progress.NONE)).as("the same seed, the same answer")
                .isEqualTo(p);
    }

    @Test
    void slackIsHoursToTheDay() {
        var s = scheduler().schedule(List.of(person("a", 1, 0)), Map.of());
        assertThat(s.slackH()).isEqualTo(Duration.between(s.finish(), DUE).toMinutes() / 60.0);
        assertThat(new Schedule(NOW, NOW.minusDays(1), List.of()).slackH()).isEqualTo(-24);
    }

    @Test
    void workingHoursAreWindows() {
        var h = new WorkHours(List.of(new WorkHours.Span(DayOfWeek.MONDAY, LocalTime.of(17, 0), LocalTime.of(19, 0))), LocalTime.of(7, 0),
                LocalTime.of(23, 0), List.of());
        assertThat(h.minutes(NOW, 8)).as("what is past today is cut off").containsExactly(0, 60, 7 * 1440 - 60, 7 * 1440 + 60);
        assertThat(WorkHours.evenings().weeklyHours()).isEqualTo(33.5);
        assertThatThrownBy(() -> new WorkHours.Span(DayOfWeek.MONDAY, LocalTime.of(9, 0), LocalTime.of(9, 0)))
                .hasMessageContaining("end before they begin");
    }
}
