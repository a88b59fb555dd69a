package yellowbracket.plan;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.function.BiPredicate;
import org.junit.jupiter.api.Test;
import yellowbracket.mesh.Progress;
import yellowbracket.shop.Quiet;
import yellowbracket.work.Known;
import yellowbracket.work.Operation;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;
import yellowbracket.work.Tool;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

/** Several people, breaks, quiet hours, wishes, and better orders. */
class CrewTest {
    /** A Monday, six in the evening. */
    private static final LocalDateTime NOW = LocalDateTime.of(2026, 3, 30, 18, 0);
    private static final LocalDateTime DUE = NOW.plusDays(30);
    private static final BiPredicate<Task, LocalDateTime> ANY = (t, at) -> true;
    private static final Helper SANDS = new Helper("Tove",
            List.of(new WorkHours.Span(DayOfWeek.MONDAY, LocalTime.of(19, 0), LocalTime.of(22, 0)),
                    new WorkHours.Span(DayOfWeek.SATURDAY, LocalTime.of(9, 0), LocalTime.of(17, 0))),
            Set.of("sand", "fill"));

    private static Task task(String id, Operation operation, Tool tool, double hours, double wait, Task.Doer doer, String... after) {
        return new Task(Known.task(id), id, operation, "", tool, new Task.Effort(hours, 0, 0.2, "test"), Task.Lag.atLeast(wait), doer,
                Known.tasks(after));
    }

    private static Task sand(String id, double hours, String... after) {
        return task(id, Operation.SAND, Tool.SANDING, hours, 0, Task.Doer.PERSON, after);
    }

    private static Task spray(String id, double hours, double setupH, String... after) {
        return task(id, Operation.SPRAY, Tool.CAN, 0, 0, Task.Doer.SPRAY, after)
                .withEffort(new Task.Effort(hours, setupH, setupH, 0.2, "test"));
    }

    private static Task glue(String id, double hours, String... after) {
        return task(id, Operation.GLUE, Tool.HANDS, hours, 0, Task.Doer.PERSON, after);
    }

    private static Scheduler.Facts nothing() {
        return new Scheduler.Facts(Map.of(), Map.of(), List.of());
    }

    private static Crew with(Helper... helpers) {
        return new Crew(WorkHours.evenings(), List.of(helpers), WorkRules.USUAL);
    }

    private static Schedule schedule(Crew crew, List<Task> tasks) {
        return new Scheduler(NOW, DUE, crew, ANY, Map.of()).schedule(tasks, nothing());
    }

    private static Schedule.Placed placed(Schedule s, String id) {
        return s.placed(Known.task(id)).orElseThrow();
    }

    @Test
    void anHourOfDustIsFollowedByABreak() {
        var s = schedule(with(), List.of(sand("a", 2.5)));
        assertThat(placed(s, "a").parts()).extracting(p -> p.from().toLocalTime() + " " + p.to().toLocalTime())
                .containsExactly("18:30 19:30", "19:40 20:40", "20:50 21:20");
        assertThat(placed(schedule(with(), List.of(glue("a", 2.5))), "a").parts()).as("glue tires nobody").hasSize(1);
    }

    @Test
    void theBreakComesAfterAnHourOfDustHoweverManyTasksItWas() {
        var s = schedule(with(), List.of(sand("a", 0.75), sand("b", 0.75), sand("c", 0.5)));
        var all = s.placed().stream().flatMap(p -> p.parts().stream()).sorted(java.util.Comparator.comparing(Schedule.Part::from)).toList();
        assertThat(all).extracting(p -> p.from().toLocalTime() + " " + p.to().toLocalTime())
                .containsExactly("18:30 19:15", "19:15 19:30", "19:40 20:10", "20:10 20:40");
        var lines = task("lines", Operation.LINES, Tool.BRUSH, 0.75, 0, Task.Doer.PERSON_AT_A_STRETCH);
        var mixed = schedule(with(), List.of(sand("a", 0.5, new String[0]), lines.withAfter(Known.tasks("a"))));
        assertThat(placed(mixed, "lines").start().toLocalTime()).as("fine work in one go waits for the break")
                .isEqualTo(LocalTime.of(19, 10));
    }

    @Test
    void whatIsSprayedInOneSessionIsSetUpForOnce() {
        var two = List.of(spray("helm", 0.5, 0.25), spray("shield", 0.5, 0.25));
        var s = schedule(with(), two);
        assertThat(placed(s, "helm").hours()).isEqualTo(0.75);
        assertThat(placed(s, "shield").hours()).as("spot and gear are laid out").isEqualTo(0.5);
        assertThat(placed(s, "shield").setUp()).isTrue();
        assertThat(s.handH()).isEqualTo(1.25);
        var apart = schedule(with(), List.of(two.getFirst(), two.getLast().withAfter(Known.tasks("dry")), glue("dry", 1, "helm")));
        assertThat(placed(apart, "shield").hours()).as("an hour of glue later they are not").isEqualTo(0.75);
        var doubled = new Schedule(NOW, DUE, s.placed().stream().filter(p -> p.task().name().equals("shield")).toList());
        assertThat(new Checker(with(), ANY, Map.of(), Map.of(), Set.of()).check(doubled)).as("alone it needs its set-up")
                .containsExactly("shield gets 30 minutes");
    }

    /** No plan sets up once for coats that must dry for hours between: the bound does not promise it. */
    @Test
    void theBoundSharesOnlyWhatCouldBeShared() {
        var apart = List.of(spray("one", 0.5, 0.25).withLag(Task.Lag.atLeast(1)), spray("two", 0.5, 0.25, "one"));
        var scheduler = new Scheduler(NOW, DUE, with(), ANY, Map.of());
        assertThat(scheduler.bound(apart, nothing())).isEqualTo(scheduler.schedule(apart, nothing()).finish());
        var soon = List.of(spray("one", 0.5, 0.25), spray("two", 0.5, 0.25, "one"));
        assertThat(scheduler.bound(soon, nothing())).isBeforeOrEqualTo(scheduler.schedule(soon, nothing()).finish());
        assertThat(placed(scheduler.schedule(soon, nothing()), "two").hours()).isEqualTo(0.5);
    }

    @Test
    void whatNeedsNoDustIsDoneInTheBreak() {
        var s = schedule(with(), List.of(sand("a", 3), glue("b", 1.0 / 6)));
        assertThat(placed(s, "b").start().toLocalTime()).as("ten minutes of glue in the first break").isEqualTo(LocalTime.of(19, 30));
    }

    @Test
    void helpersDoWhatTheyCanWhenTheyAreThere() {
        var s = schedule(with(SANDS), List.of(glue("glue", 3), sand("sand", 2)));
        assertThat(placed(s, "glue").who()).isEmpty();
        assertThat(placed(s, "sand").who()).isEqualTo("Tove");
        assertThat(placed(s, "sand").start().toLocalTime()).isEqualTo(LocalTime.of(19, 0));
        assertThat(placed(schedule(with(SANDS), List.of(glue("a", 3), glue("b", 3))), "b").who()).as("Tove does not glue").isEmpty();
        assertThatThrownBy(() -> new Helper("Ole", List.of(), Set.of("sand"))).hasMessageContaining("has no hours");
    }

    @Test
    void nobodyMakesDustWhileSomebodySprays() {
        var spray = task("spray", Operation.SPRAY, Tool.CAN, 1, 0, Task.Doer.SPRAY);
        var s = schedule(with(SANDS), List.of(spray, sand("sand", 1)));
        assertThat(Duration.between(placed(s, "spray").start(), placed(s, "sand").start()).toMinutes()).isGreaterThanOrEqualTo(60);
    }

    @Test
    void machinesKeepQuietHours() {
        var loud = task("cut", Operation.FIT_PARTS, Tool.ROTARY, 2, 0, Task.Doer.PERSON);
        var rules = new WorkRules(Optional.of(new Quiet(LocalTime.of(20, 0), LocalTime.of(8, 0))), 240, 0);
        var s = schedule(new Crew(WorkHours.evenings(), List.of(), rules), List.of(loud));
        assertThat(placed(s, "cut").parts()).as("half past six to eight, and again on Tuesday")
                .extracting(p -> p.from().toLocalTime() + " " + p.to().toLocalTime())
                .containsExactly("18:30 20:00", "18:30 19:00");
    }

    @Test
    void whatIsPinnedWaitsAndWhatIsWishedForComesFirst() {
        var scheduler = new Scheduler(NOW, DUE, with(), ANY, Map.of());
        var tuesday = NOW.plusDays(1).withHour(19);
        var tasks = List.of(glue("long", 3), glue("b", 1, "a"), glue("a", 0.5));
        var facts = new Scheduler.Facts(Map.of(), Map.of(), List.of(), Map.of(Known.task("long"), tuesday), List.of(), List.of());
        assertThat(placed(scheduler.schedule(tasks, facts), "long").start()).isEqualTo(tuesday);
        var wish = new Scheduler.Facts(Map.of(), Map.of(), List.of(), Map.of(), List.of(Known.task("b")), List.of());
        var s = scheduler.schedule(tasks, wish);
        assertThat(placed(s, "a").start()).as("what it waits for comes first too").isBefore(placed(s, "b").start());
        assertThat(placed(s, "b").start()).isBefore(placed(s, "long").start());
    }

    @Test
    void leavingATaskOutHandsItsWaitsOn() {
        var tasks = List.of(glue("a", 1), glue("b", 1, "a"), glue("c", 1, "b"));
        var left = PlanWish.NONE.leaving(Known.task("b"), true).apply(tasks);
        assertThat(left).extracting(Task::name).containsExactly("a", "c");
        assertThat(left.getLast().after()).containsExactly(Known.task("a"));
    }

    @Test
    void ownTasksStandBetweenAndARingOfThemIsNamed() {
        var a = Known.task("a");
        var b = Known.task("b");
        var own = new OwnTask("p", 1, "glue the crest on", Operation.GLUE, 1, 0, List.of(a), List.of(b));
        var tasks = PlanWish.NONE.with(own).apply(List.of(glue("a", 1), glue("b", 1)));
        var s = schedule(with(), tasks);
        assertThat(s.placed(own.id()).orElseThrow().start()).isAfterOrEqualTo(placed(s, "a").end());
        assertThat(placed(s, "b").start()).isAfterOrEqualTo(s.placed(own.id()).orElseThrow().end());
        var ring = PlanWish.NONE.with(new OwnTask("p", 1, "glue the crest on", Operation.GLUE, 1, 0, List.of(b), List.of(a)));
        assertThatThrownBy(() -> schedule(with(), ring.apply(List.of(glue("a", 1), glue("b", 1, "a"))))).hasMessageContaining("circle")
                .hasMessageContaining("glue the crest on");
    }

    /** Any work for any crew: the checker, which shares nothing with the scheduler, finds nothing. */
    @Test
    void thousandsOfPlansKeepEveryCalendar() {
        for (int seed = 0; seed < 2000; seed++) {
            var r = new Random(seed);
            var tasks = some(r, 3 + r.nextInt(12));
            var helper = new Helper("Tove",
                    Arrays.stream(DayOfWeek.values())
                            .filter(d -> d.getValue() == 1 + r.nextInt(7) || d == DayOfWeek.SUNDAY)
                            .map(d -> new WorkHours.Span(d, LocalTime.of(9 + r.nextInt(4), 0), LocalTime.of(15 + r.nextInt(5), 30)))
                            .toList(),
                    r.nextBoolean() ? Set.of("sand", "spray") : Set.of("join", "sand"));
            var rules = new WorkRules(
                    r.nextBoolean() ? Optional.empty() : Optional.of(new Quiet(LocalTime.of(20 + r.nextInt(3), 0), LocalTime.of(7, 0))),
                    30 + r.nextInt(60), r.nextInt(30));
            var crew = new Crew(WorkHours.evenings(), r.nextBoolean() ? List.of(helper) : List.of(), rules);
            int sky = seed;
            BiPredicate<Task, LocalDateTime> weather = (t, at) -> (at.getDayOfYear() * 31 + at.getHour() + sky) % 3 != 0;
            var quiet = Map.of("loud", new Quiet(LocalTime.of(22, 0), LocalTime.of(7, 30)));
            var pins = new HashMap<TaskId, LocalDateTime>();
            if (r.nextBoolean()) pins.put(tasks.getFirst().id(), NOW.plusHours(r.nextInt(100)));
            var facts = new Scheduler.Facts(Map.of(), Map.of(), List.of(), pins, List.of(tasks.getLast().id()), List.of());
            var scheduler = new Scheduler(NOW, DUE, crew, weather, quiet);
            var s = scheduler.schedule(tasks, facts);
            var checker = new Checker(crew, weather, quiet, pins, Set.of());
            assertThat(checker.check(s)).as("seed %d", seed).isEmpty();
            assertThat(s.finish()).as("bound, seed %d", seed).isAfterOrEqualTo(scheduler.bound(tasks, facts));
            if (seed % 20 != 0) continue;
            var better = scheduler.better(tasks, facts, 60, new SplittableRandom(seed), Progress.NONE);
            assertThat(checker.check(better.schedule())).as("better, seed %d", seed).isEmpty();
            assertThat(better.schedule().finish()).isBeforeOrEqualTo(s.finish()).isAfterOrEqualTo(better.bound());
            assertThat(scheduler.schedule(tasks, better.facts()).finish()).as("found again").isEqualTo(better.schedule().finish());
        }
    }

    private static List<Task> some(Random r, int n) {
        var out = new ArrayList<Task>();
        for (int i = 0; i < n; i++) {
            var after = i == 0 || r.nextInt(3) == 0 ? new String[0] : new String[] {"t" + r.nextInt(i)};
            double hours = 0.1 + 3 * r.nextDouble(), wait = r.nextInt(3) == 0 ? 20 * r.nextDouble() : 0;
            String id = "t" + i;
            out.add(switch (r.nextInt(6)) {
                case 0 -> task(id, Operation.SAND, Tool.SANDER, hours, wait, Task.Doer.PERSON, after);
                case 1 -> task(id, Operation.GLUE, Tool.HANDS, hours, wait, Task.Doer.PERSON_AT_A_STRETCH, after);
                case 2 -> spray(id, hours / 4, r.nextInt(3) / 4.0, after).withLag(Task.Lag.atLeast(wait));
                case 5 -> task(id, Operation.LINES, Tool.BRUSH, hours / 2, wait, Task.Doer.PERSON_AT_A_STRETCH, after);
                case 3 ->
                        task(id, Operation.PRINT, Tool.PRINTER, 5 * hours, 0, Task.Doer.printer(r.nextBoolean() ? "loud" : "b", 0), after);
                default -> glue(id, hours, after).withLag(Task.Lag.atLeast(wait));
            });
        }
        return out;
    }

    @Test
    void theCheckerSeesWhatIsBroken() {
        var late = NOW.withHour(22).withMinute(30);
        var sand = sand("a", 2);
        var long2 = new Schedule.Part(late, late.plusHours(2));
        var s = new Schedule(NOW, DUE,
                List.of(new Schedule.Placed(sand, late, late.plusHours(2), late.plusHours(2), false, List.of(long2), "Ole"),
                        new Schedule.Placed(task("s", Operation.SPRAY, Tool.CAN, 1, 0, Task.Doer.SPRAY), late, late.plusHours(1),
                                late.plusHours(1), false)));
        var found = new Checker(with(SANDS), (t, at) -> false, Map.of(), Map.of(Known.task("a"), NOW.plusDays(1)), Set.of()).check(s);
        assertThat(found).anyMatch(w -> w.contains("Ole does not do a"))
                .anyMatch(w -> w.contains("outside of working hours"))
                .anyMatch(w -> w.contains("120 minutes without a break"))
                .anyMatch(w -> w.contains("weather that is not fit"))
                .anyMatch(w -> w.contains("begins before"))
                .anyMatch(w -> w.contains("into the dust of a"));
    }

    /** Up to seven tasks of whole hours, round the clock: no plan at all is ready sooner than the one found. */
    @Test
    void ofAFewTasksTheBestOrderIsFound() {
        var always = new WorkHours(
                Arrays.stream(DayOfWeek.values()).map(d -> new WorkHours.Span(d, LocalTime.MIN, LocalTime.of(23, 59))).toList(),
                LocalTime.MIN, LocalTime.MAX, List.of());
        var morning = LocalDateTime.of(2026, 3, 30, 0, 0);
        for (int seed = 0; seed < 120; seed++) {
            var r = new Random(seed);
            int n = 3 + r.nextInt(5);
            var tasks = new ArrayList<Task>();
            for (int i = 0; i < n; i++) {
                var after = i == 0 || r.nextInt(2) == 0 ? new String[0] : new String[] {"t" + r.nextInt(i)};
                double hours = 1 + r.nextInt(2);
                tasks.add(task("t" + i, Operation.GLUE, Tool.HANDS, hours, r.nextInt(4), Task.Doer.PERSON_AT_A_STRETCH, after));
            }
            var better = new Scheduler(morning, DUE, Crew.alone(always), ANY, Map.of()).better(tasks, nothing(), 1, new SplittableRandom(1),
                    Progress.NONE);
            long hours = Duration.between(morning, better.schedule().finish()).toHours();
            assertThat(hours).as("seed %d", seed).isEqualTo(new Grid(tasks).shortest());
            var fewer = tasks.stream().map(t -> t.id().equals(Known.task("t" + (n - 1))) ? t.withAfter(List.of()) : t).toList();
            var dropped = new Scheduler(morning, DUE, Crew.alone(always), ANY, Map.of()).better(fewer, nothing(), 1,
                    new SplittableRandom(1), Progress.NONE);
            assertThat(dropped.schedule().finish()).as("one wait less, seed %d", seed).isBeforeOrEqualTo(better.schedule().finish());
        }
    }

    /** All starts on a grid of hours, one pair of hands. */
    private static final class Grid {
        private final List<Task> tasks;
        private final int[] start;
        private int best = 40;

        Grid(List<Task> tasks) {
            this.tasks = tasks;
            start = new int[tasks.size()];
        }

        int shortest() {
            place(0, 0);
            return best;
        }

        /** Tasks wait only for those before them in the list. */
        private void place(int i, int finish) {
            if (finish >= best) return;
            if (i == tasks.size()) {
                best = finish;
                return;
            }
            var t = tasks.get(i);
            int from = 0, hours = (int) t.activeH();
            for (var a : t.after()) {
                int k = index(a);
                from = Math.max(from, start[k] + (int) (tasks.get(k).activeH() + tasks.get(k).lag().leastH()));
            }
            for (int at = from; at + hours + (int) t.lag().leastH() < best; at++) {
                if (busy(i, at, at + hours)) continue;
                start[i] = at;
                place(i + 1, Math.max(finish, at + hours + (int) t.lag().leastH()));
            }
        }

        private boolean busy(int i, int from, int to) {
            for (int k = 0; k < i; k++) if (start[k] < to && from < start[k] + (int) tasks.get(k).activeH()) return true;
            return false;
        }

        private int index(TaskId id) {
            for (int k = 0; k < tasks.size(); k++) if (tasks.get(k).id().equals(id)) return k;
            throw new IllegalStateException();
        }
    }

    @Test
    void whatHardensForLongIsDoneLastOnItsDay() {
        var cures = glue("cures", 0.5).withLag(Task.Lag.atLeast(10));
        var tasks = List.of(cures, glue("rest", 2), glue("then", 1, "cures"));
        var scheduler = new Scheduler(NOW, DUE, with(), ANY, Map.of());
        var at = WorkHours.evenings();
        var plain = scheduler.schedule(tasks, nothing());
        assertThat(LongCures.of(plain, at).all()).hasSize(1);
        assertThat(LongCures.of(plain, at).idle()).as("the longest chain goes first: it hardens while you work on").isEmpty();
        // more than seven tasks, so that not all orders are tried, and all beyond these on other days
        var more = new ArrayList<>(tasks);
        for (int i = 0; i < 8; i++) more.add(glue("later" + i, 3, "then"));
        var better = scheduler.better(more, nothing(), 50, new SplittableRandom(1), Progress.NONE).schedule();
        assertThat(LongCures.of(better, at).idle()).hasSize(1);
        assertThat(placed(better, "cures").end().toLocalTime()).isEqualTo(LocalTime.of(21, 0));
        assertThat(placed(better, "rest").end()).isEqualTo(placed(better, "cures").start());
        assertThat(better.finish()).isBeforeOrEqualTo(scheduler.schedule(more, nothing()).finish());
    }

    /** The film of the first coat would be closed when the print is through: it is put on later instead of waiting days. */
    @Test
    void aCoatIsPutOnLaterRatherThanItsWindowWaitedOut() {
        var coat = task("coat", Operation.SPRAY, Tool.CAN, 0.5, 0, Task.Doer.SPRAY);
        var print = task("print", Operation.PRINT, Tool.PRINTER, 20, 0, Task.Doer.printer("x", 0));
        var over = task("over", Operation.SPRAY, Tool.CAN, 0.5, 0, Task.Doer.SPRAY, "coat", "print")
                .withClosed(List.of(new Task.Closed(Known.task("coat"), 3, 72)));
        var scheduler = new Scheduler(NOW, DUE, with(), ANY, Map.of());
        var tasks = List.of(coat, print, over);
        assertThat(Duration.between(NOW, scheduler.schedule(tasks, nothing()).finish()).toHours()).isGreaterThan(70);
        var better = scheduler.better(tasks, nothing(), 100, new SplittableRandom(1), Progress.NONE);
        assertThat(Duration.between(NOW, better.schedule().finish()).toHours()).isLessThan(30);
        assertThat(better.schedule().conflicts()).isEmpty();
        assertThat(scheduler.schedule(tasks, nothing()).missed()).extracting(Schedule.Missed::words)
                .allSatisfy(w -> assertThat(w).contains("over waits", "coat"))
                .hasSize(1);
        assertThat(better.schedule().missed()).as("kept").isEmpty();
    }

    @Test
    void aWeekWithoutHoursIsTold() {
        var never = new Scheduler(NOW, DUE, Crew.alone(WorkHours.evenings().withSpans(List.of())), ANY, Map.of());
        assertThatThrownBy(() -> never.schedule(List.of(glue("a", 1)), nothing())).hasMessageContaining("give the week more hours");
        var late = new Scheduler(NOW, NOW.minusDays(3), Crew.alone(WorkHours.evenings()), ANY, Map.of());
        assertThat(late.schedule(List.of(glue("a", 1)), nothing()).slackH()).as("a day in the past").isNegative();
        assertThat(late.latestStarts(List.of(glue("a", 1)), nothing())).isEmpty();
    }
}
