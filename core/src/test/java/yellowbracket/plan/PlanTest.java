package yellowbracket.plan;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
import static org.assertj.core.api.Assertions.within;

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

    private static Task spray(String id, double hours, double wait, Optional<Task.Closed> closed, String... after) {
        return task(id, Operation.SPRAY, hours, Task.Lag.atLeast(wait), Task.Doer.SPRAY, 0.1, after).withClosed(closed.stream().toList());
    }

    private static Task.Closed closedAfter(String id, double from, double again) {
        return new Task.Closed(Known.task(id), from, again);
    }

    @Test
    void missedRecoatWindowsAreFound() {
        var coat = spray("coat", 0.5, 0.3, Optional.empty());
        var late = person("next", 1, 0, "coat").withClosed(List.of(closedAfter("coat", 1, 48)));
        var next = new Schedule.Placed(late, NOW.plusHours(10), NOW.plusHours(11), NOW.plusHours(11), false);
        var s = new Schedule(NOW, DUE, List.of(new Schedule.Placed(coat, NOW, NOW.plusMinutes(30), NOW.plusMinutes(48), false), next));
        assertThat(s.conflicts()).singleElement().asString().startsWith("recoat window: next comes");
    }

    @Test
    void aCoatGoesIntoTheWindowOrWaitsUntilItOpensAgain() {
        var first = spray("first", 0.5, 0.3, Optional.empty());
        var soon = spray("second", 0.5, 0, Optional.of(closedAfter("first", 1, 48)), "first");
        var other = person("other", 9, 0);
        var s = scheduler().schedule(List.of(first, soon, other), Map.of());
        assertThat(gapH(s, "first", "second")).as("before other work, though that is the longer chain").isBetween(0.3, 1.0);

        var taped = spray("second", 0.5, 0, Optional.of(closedAfter("first", 1, 48)), "masked");
        var mask = person("masked", 2, 0, "first");
        var later = scheduler().schedule(List.of(first.withLag(Task.Lag.atLeast(36)), mask, taped), Map.of());
        assertThat(gapH(later, "first", "second")).as("tape may go on after 36 h, paint not before 48").isGreaterThanOrEqualTo(48);
        assertThat(later.conflicts()).isEmpty();

        var coated = Map.of(Known.task("first"), new Actual(Known.task("first"), NOW.minusMinutes(30), 0.5));
        assertThat(scheduler().schedule(List.of(first, soon), coated).conflicts()).as("what is sprayed already counts").isEmpty();
    }

    private static double gapH(Schedule s, String one, String then) {
        return gapH(s, Known.task(one), Known.task(then));
    }

    private static double gapH(Schedule s, TaskId one, TaskId then) {
        return Duration.between(s.placed(one).orElseThrow().end(), s.placed(then).orElseThrow().start()).toMinutes() / 60.0;
    }

    /** Chains of coats with windows of all kinds between other work: none is ever sprayed while the film beneath is closed. */
    @Test
    void noFilmIsSprayedOnAClosedOne() {
        for (long seed = 0; seed < 2000; seed++) {
            var r = new Random(seed);
            var tasks = new ArrayList<Task>();
            for (int i = 0; i < 3 + r.nextInt(12); i++) {
                var after = i == 0 || r.nextInt(3) == 0 ? new String[0] : new String[] {"t" + r.nextInt(i)};
                double from = 0.5 + 3 * r.nextDouble(), again = from + 1 + 60 * r.nextDouble();
                var closed = after.length == 0 ? Optional.<Task.Closed>empty() : Optional.of(closedAfter(after[0], from, again));
                tasks.add(switch (r.nextInt(3)) {
                    case 0 -> person("t" + i, 5 * r.nextDouble(), 8 * r.nextDouble(), after).withClosed(closed.stream().toList());
                    case 1 -> onEnd("t" + i, 3 * r.nextDouble(), after).withClosed(closed.stream().toList());
                    default -> spray("t" + i, r.nextDouble(), 40 * r.nextDouble(), closed, after);
                });
            }
            long sky = seed;
            var weather = new Scheduler(NOW, DUE, WorkHours.evenings(), (t, at) -> (at.getDayOfYear() * 31 + at.getHour() + sky) % 3 != 0);
            var s = weather.schedule(tasks, Map.of());
            assertThat(s.conflicts()).as("seed %d", seed).isEmpty();
            for (var p : s.placed()) for (var c : p.task().closed()) {
                double gap = gapH(s, c.after(), p.task().id());
                assertThat(gap <= c.fromH() || gap >= c.againH()).as("seed %d, %s", seed, p.task().name()).isTrue();
            }
        }
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
        assertThat(scheduler().chance(safe, NOTHING, 60, new SplittableRandom(1), Progress.NONE).share()).isEqualTo(1);
        var tight = new Scheduler(NOW, NOW.plusHours(90), WorkHours.evenings(), (x, t) -> true);
        double p = tight.chance(risky, NOTHING, 400, new SplittableRandom(1), Progress.NONE).share();
        assertThat(p).as("one attempt succeeds with exp(-1.2) = 0.30; a few fail early enough for another").isBetween(0.25, 0.6);
        assertThat(tight.chance(risky, NOTHING, 400, new SplittableRandom(1), Progress.NONE).share()).as("the same seed, the same answer")
                .isEqualTo(p);
    }

    @Test
    void rainTakesFromTheChanceOfWhatIsSprayedAndOfNothingElse() {
        // three coats, a day apart, in the four days there are
        var coats = List.of(spray("a", 0.5, 16, Optional.empty()), spray("b", 0.5, 16, Optional.empty(), "a"),
                spray("c", 0.5, 0, Optional.empty(), "b"));
        var s = new Scheduler(NOW, NOW.plusDays(4), WorkHours.evenings(), (x, at) -> true);
        var rain = s.losing(new LostDays(0.2, 0.5));
        double dry = s.chance(coats, NOTHING, 400, new SplittableRandom(1), Progress.NONE).share(),
                wet = rain.chance(coats, NOTHING, 400, new SplittableRandom(1), Progress.NONE).share();
        assertThat(dry).isGreaterThan(0.95);
        assertThat(wet).isBetween(0.2, dry - 0.1);
        var glue = List.of(person("a", 3, 16), person("b", 3, 16, "a"));
        assertThat(rain.chance(glue, NOTHING, 200, new SplittableRandom(1), Progress.NONE))
                .isEqualTo(s.chance(glue, NOTHING, 200, new SplittableRandom(1), Progress.NONE));
    }

    @Test
    void aFutureInWhichSomethingFindsNoTimeIsNotReady() {
        // two hours a day to spray in, four on end to glue in: slow days have neither
        var sky = new Scheduler(NOW, DUE, WorkHours.evenings(), (x, at) -> at.getHour() >= 19 && at.getHour() < 21);
        double spraying = sky
                .chance(List.of(task("a", Operation.SPRAY, 1.2, Task.Lag.NONE, Task.Doer.SPRAY, 0.6)), NOTHING, 400,
                        new SplittableRandom(1), Progress.NONE)
                .share();
        assertThat(spraying).isBetween(0.5, 0.95);
        double gluing = scheduler()
                .chance(List.of(task("a", Operation.GLUE, 6, Task.Lag.NONE, Task.Doer.PERSON_AT_A_STRETCH, 0.6)), NOTHING, 400,
                        new SplittableRandom(1), Progress.NONE)
                .share();
        assertThat(gluing).isBetween(0.5, 0.99);
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

    /** A chain begun at a task's latest start is ready on the day; begun a minute later it is not. */
    @Test
    void aMinuteAfterTheLatestStartTheDayIsLost() {
        for (long seed = 0; seed < 300; seed++) {
            var r = new Random(seed);
            var tasks = new ArrayList<Task>();
            for (int i = 0; i < 2 + r.nextInt(5); i++) {
                var after = i == 0 ? new String[0] : new String[] {"t" + (i - 1)};
                double wait = Math.rint(600 * r.nextDouble()) / 60, hours = (1 + r.nextInt(150)) / 60.0;
                var closed = i > 0 && r.nextBoolean() ? List.of(closedAfter("t" + (i - 1), 1, 20)) : List.<Task.Closed>of();
                tasks.add((switch (r.nextInt(3)) {
                    case 0 -> person("t" + i, hours, wait, after);
                    case 1 -> onEnd("t" + i, hours, after).withLag(Task.Lag.atLeast(wait));
                    default -> print("t" + i, 4 * hours, "x" + i, 0, after).withLag(Task.Lag.atLeast(wait));
                }).withClosed(closed));
            }
            var latest = scheduler().latestStarts(tasks, NOTHING);
            assertThat(latest).hasSize(tasks.size());
            for (int i = 0; i < tasks.size(); i++) {
                var rest = new ArrayList<>(tasks.subList(i, tasks.size()));
                rest.set(0, rest.getFirst().withAfter(List.of()).withClosed(List.of()));
                var at = latest.get(tasks.get(i).id());
                assertThat(begun(at, rest).slackH()).as("seed %d, task %d of %s", seed, i, tasks).isGreaterThanOrEqualTo(0);
                assertThat(begun(at.plusMinutes(1), rest).slackH()).as("seed %d, task %d a minute later", seed, i).isNegative();
            }
        }
    }

    private static Schedule begun(java.time.LocalDateTime at, List<Task> rest) {
        return new Scheduler(at, DUE, WorkHours.evenings(), (x, t) -> true).schedule(rest, Map.of());
    }

    @Test
    void sprayMustBeginInTheLastFitHourAndPastDaysHaveNoLatestStart() {
        var weather = new Scheduler(NOW, NOW.plusDays(10), WorkHours.evenings(),
                (t, at) -> at.getDayOfMonth() == 4 && at.getHour() >= 11 && at.getHour() < 15);
        var coat = spray("coat", 1, 24, Optional.empty());
        assertThat(weather.latestStarts(List.of(coat), NOTHING).get(coat.id())).isEqualTo("2026-04-04T13:45");
        var over = new Scheduler(NOW, NOW.minusDays(1), WorkHours.evenings(), (t, at) -> true);
        assertThat(over.latestStarts(List.of(coat, person("x", 1, 0)), NOTHING)).isEmpty();
        assertThat(scheduler().latestStarts(List.of(coat),
                new Scheduler.Facts(Map.of(coat.id(), new Actual(coat.id(), NOW, 1)), Map.of(), List.of()))).isEmpty();
    }

    /** Day and night, so that hours of work are hours of the day. */
    private static WorkHours always() {
        var all = new ArrayList<WorkHours.Span>();
        for (var d : DayOfWeek.values()) all.add(new WorkHours.Span(d, LocalTime.MIN, LocalTime.of(23, 59)));
        return new WorkHours(all, LocalTime.MIN, LocalTime.of(23, 59), List.of());
    }

    private static double chance(List<Task> tasks, double hours) {
        var s = new Scheduler(NOW, NOW.plusMinutes(Math.round(60 * hours)), always(), (x, t) -> true);
        return s.chance(tasks, NOTHING, 20_000, new SplittableRandom(4), Progress.NONE).share();
    }

    /** One task of a lognormal length, and ten that share a quarter of their variance: quantiles as they are known. */
    @Test
    void chancesOfKnownDistributionsAreFound() {
        var one = List.of(task("a", Operation.GLUE, 4, Task.Lag.NONE, Task.Doer.PERSON, 0.35));
        for (double z : new double[] {-1.2816, -0.5244, 0, 0.5244, 1.2816})
            assertThat(chance(one, 4 * Math.exp(0.35 * z - 0.35 * 0.35 / 2))).as("z = %.2f", z).isCloseTo(normal(z), within(0.02));
        // ten of one hour: mean 10; variance of each v = exp(s2) - 1, covariance c = exp(s2 / 4) - 1; the sum is nearly lognormal
        double s2 = 0.35 * 0.35, variance = 10 * (Math.exp(s2) - 1) + 90 * (Math.exp(s2 / 4) - 1);
        double sigma = Math.sqrt(Math.log(1 + variance / 100));
        var ten = new ArrayList<Task>();
        for (int i = 0; i < 10; i++) ten.add(task("t" + i, Operation.GLUE, 1, Task.Lag.NONE, Task.Doer.PERSON, 0.35,
                i == 0 ? new String[0] : new String[] {"t" + (i - 1)}));
        for (double z : new double[] {-1.2816, 0, 1.2816})
            assertThat(chance(ten, 10 * Math.exp(sigma * z - sigma * sigma / 2))).as("ten, z = %.2f", z).isCloseTo(normal(z), within(0.02));
    }

    /** Of z as asked above. */
    private static double normal(double z) {
        return z < -1 ? 0.1 : z < 0 ? 0.3 : z == 0 ? 0.5 : z < 1 ? 0.7 : 0.9;
    }

    @Test
    void aChanceIsToldNoSurerThanItsFutures() {
        assertThat(new Chance(300, 300).low()).as("about 3 / n").isCloseTo(0.99, within(1e-4));
        assertThat(new Chance(0, 300).high()).isCloseTo(0.01, within(1e-4));
        var r = new SplittableRandom(8);
        int held = 0;
        for (int i = 0; i < 500; i++) {
            double p = 0.05 + 0.9 * r.nextDouble();
            int ready = 0;
            for (int k = 0; k < 160; k++) if (r.nextDouble() < p) ready++;
            var c = new Chance(ready, 160);
            if (c.low() <= p && p <= c.high()) held++;
        }
        assertThat(held / 500.0).as("the range told holds the truth in four of five").isBetween(0.74, 0.86);
        assertThatThrownBy(() -> new Chance(3, 2)).hasMessageContaining("3 of 2");
    }

    @Test
    void moreHoursAreNeverLater() {
        var h = WorkHours.evenings();
        assertThat(h.longer(60).weeklyHours()).isEqualTo(33.5 + 7);
        assertThat(h.another(180).orElseThrow().words()).isEqualTo("3 h more on Saturdays");
        assertThat(h.another(180).orElseThrow().hours().weeklyHours()).isEqualTo(33.5 + 3);
        assertThat(new WorkHours(List.of(), LocalTime.of(7, 0), LocalTime.of(23, 0), List.of()).another(180).orElseThrow().words())
                .isEqualTo("3 h more on Mondays");
    }

    /** A film sprayed yesterday is shut until tomorrow: what goes over it has no latest start between. */
    @Test
    void latestStartsHeedFilmsThatAreSprayedAlready() {
        var coat = spray("coat", 0.5, 0.3, Optional.empty());
        var over = person("over", 1, 0, "coat").withClosed(List.of(closedAfter("coat", 1, 48)));
        var sprayed = new Scheduler.Facts(Map.of(coat.id(), new Actual(coat.id(), NOW.minusHours(24), 0.5)), Map.of(), List.of());
        var tonight = new Scheduler(NOW, NOW.plusHours(4), WorkHours.evenings(), (x, t) -> true);
        assertThat(tonight.latestStarts(List.of(coat, over), sprayed)).as("not before tomorrow evening").isEmpty();
        var later = new Scheduler(NOW, NOW.plusHours(28), WorkHours.evenings(), (x, t) -> true);
        assertThat(later.latestStarts(List.of(coat, over), sprayed).get(over.id())).isEqualTo(NOW.plusHours(27));
        // a window after what is not begun yet closes nothing now
        var fresh = scheduler().latestStarts(List.of(coat, over), NOTHING);
        assertThat(fresh).hasSize(2);
        assertThat(Duration.between(fresh.get(coat.id()).plusMinutes(30), fresh.get(over.id())).toMinutes()).isBetween(18L, 60L);
    }
}
