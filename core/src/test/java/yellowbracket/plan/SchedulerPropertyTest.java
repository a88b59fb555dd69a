package yellowbracket.plan;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import yellowbracket.shop.Quiet;
import yellowbracket.work.Known;
import yellowbracket.work.Operation;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;
import yellowbracket.work.Tool;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

/**
 * Plans of any tasks, checked by code that shares nothing with the scheduler: nothing starts too soon, nobody does two things at once,
 * printers keep quiet and the order wished for.
 */
class SchedulerPropertyTest {
    private static final LocalDateTime NOW = LocalDateTime.of(2026, 3, 30, 18, 0);
    private static final Quiet NIGHT = new Quiet(LocalTime.of(22, 0), LocalTime.of(7, 30));
    private static final WorkHours HOURS = WorkHours.evenings().awayOnWeekdays(LocalTime.of(8, 0), LocalTime.of(17, 0));

    static IntStream seeds() {
        return IntStream.range(0, 30);
    }

    /** Some prints on two printers, some work after them, spraying last; each may wait for any before it. */
    private static List<Task> tasks(Random random) {
        var out = new ArrayList<Task>();
        int n = 6 + random.nextInt(14);
        for (int i = 0; i < n; i++) {
            var after = new ArrayList<TaskId>();
            for (int j = 0; j < i; j++) if (random.nextInt(4) == 0) after.add(Known.task("t" + j));
            var kind = switch (random.nextInt(4)) {
                case 0, 1 -> Task.Resource.PRINTER;
                case 2 -> Task.Resource.PERSON;
                default -> Task.Resource.SPRAY;
            };
            double hours = kind == Task.Resource.PRINTER ? 1 + random.nextInt(30) : 0.25 * (1 + random.nextInt(8));
            int wait = random.nextInt(3);
            String printer = kind == Task.Resource.PRINTER ? random.nextBoolean() ? "loud" : "silent" : "";
            out.add(task("t" + i, hours, wait, new Task.Doer(kind, printer, random.nextBoolean(), 0), after));
        }
        return out;
    }

    private static Task task(String id, double hours, double wait, Task.Doer doer, List<TaskId> after) {
        return new Task(Known.task(id), id, Operation.PRINT, "", Tool.HANDS, new Task.Effort(hours, 0, 0.2, "test"), Task.Lag.atLeast(wait),
                doer, after);
    }

    private static Scheduler scheduler() {
        return new Scheduler(NOW, NOW.plusDays(60), Crew.alone(HOURS), (x, t) -> t.getHour() >= 10 && t.getHour() < 21,
                Map.of("loud", NIGHT));
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void aPlanKeepsItsRules(int seed) {
        var random = new Random(seed);
        var tasks = tasks(random);
        var plan = scheduler().schedule(tasks, new Scheduler.Facts(Map.of(), Map.of(), List.of()));
        assertThat(plan.conflicts()).isEmpty();
        assertThat(plan.placed()).hasSameSizeAs(tasks);
        noTwoAtOnce(plan.placed().stream().filter(p -> p.task().resource() == Task.Resource.SPRAY).toList());
        for (var p : plan.placed()) {
            assertThat(p.start()).as(p.task().name()).isAfterOrEqualTo(NOW);
            assertThat(Duration.between(p.end(), p.ready()).toMinutes()).isEqualTo(Math.round(60 * p.task().lag().leastH()));
            if (p.task().resource() == Task.Resource.PRINTER) printer(p);
        }
    }

    private static void printer(Schedule.Placed p) {
        var start = p.start();
        assertThat(HOURS.present(start)).as("somebody is there to start " + p.task().id()).isEqualTo(start);
        long minutes = 0;
        for (var t = start; t.isBefore(p.end()); t = t.plusMinutes(1))
            if (!p.task().printer().equals("loud") || !NIGHT.holds(t.toLocalTime())) minutes++;
        assertThat(minutes).as("printed, pauses apart: " + p.task().name()).isEqualTo(Math.round(60 * p.task().activeH()));
        if (p.task().printer().equals("loud")) assertThat(NIGHT.holds(start.toLocalTime())).isFalse();
    }

    private static void noTwoAtOnce(List<Schedule.Placed> list) {
        for (int i = 0; i < list.size();
                i++)
            for (int j = i + 1; j < list.size();
                    j++)
                assertThat(list.get(i).start().isBefore(list.get(j).end()) && list.get(j).start().isBefore(list.get(i).end()))
                        .as(list.get(i).task().id() + " and " + list.get(j).task().id())
                        .isFalse();
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void theOrderWishedForIsKeptOnEachPrinterUnlessTasksForbidIt(int seed) {
        var random = new Random(1000 + seed);
        var prints = new ArrayList<Task>();
        for (int i = 0; i < 8; i++)
            prints.add(task("t" + i, 1 + random.nextInt(9), 0, Task.Doer.printer(random.nextBoolean() ? "loud" : "silent", 0), List.of()));
        var order = new ArrayList<>(IntStream.range(0, 8).mapToObj(i -> Known.task("t" + i)).toList());
        java.util.Collections.shuffle(order, random);
        var running = new HashMap<TaskId, LocalDateTime>();
        if (seed % 2 == 0) running.put(Known.task("t3"), NOW.minusHours(1));
        var plan = scheduler().schedule(prints, new Scheduler.Facts(Map.of(), running, order.subList(0, 5)));
        assertThat(plan.conflicts()).isEmpty();
        for (var printer : List.of("loud", "silent")) {
            var real = plan.placed()
                    .stream()
                    .filter(p -> p.task().printer().equals(printer))
                    .sorted(java.util.Comparator.comparing(Schedule.Placed::start))
                    .map(p -> p.task().id())
                    .toList();
            var wished = new ArrayList<>(order.subList(0, 5));
            if (!running.isEmpty()) {
                wished.remove(Known.task("t3"));
                wished.addFirst(Known.task("t3"));
            }
            wished.retainAll(real);
            assertThat(real.subList(0, wished.size())).as(printer).isEqualTo(wished);
        }
    }

    @Test
    void whatIsDoneIsNoLongerInTheOrder() {
        var a = task("a", 5, 0, Task.Doer.printer("silent", 0), List.of());
        var b = task("b", 5, 0, Task.Doer.printer("silent", 0), List.of());
        var plan = scheduler().schedule(List.of(a, b), new Scheduler.Facts(
                Map.of(Known.task("a"), new Actual(Known.task("a"), NOW.minusDays(1), 5)), Map.of(), Known.tasks("a", "b")));
        assertThat(plan.placed(Known.task("b")).orElseThrow().start()).isEqualTo(NOW);
        assertThat(plan.placed(Known.task("a")).orElseThrow().done()).isTrue();
    }

    @Test
    void hoursWithNobodyEverThereAreRefused() {
        var never = new WorkHours(HOURS.spans(), LocalTime.of(9, 0), LocalTime.of(16, 0),
                java.util.Arrays.stream(java.time.DayOfWeek.values())
                        .map(d -> new WorkHours.Span(d, LocalTime.of(8, 0), LocalTime.of(17, 0)))
                        .toList());
        assertThatThrownBy(() -> never.present(NOW)).hasMessageContaining("nobody is ever there");
        assertThatThrownBy(() -> new Quiet(LocalTime.NOON, LocalTime.NOON)).hasMessageContaining("must end at another time");
        assertThat(HOURS.present(LocalDateTime.of(2026, 3, 31, 9, 0))).as("a Tuesday morning")
                .isEqualTo(LocalDateTime.of(2026, 3, 31, 17, 0));
        assertThat(HOURS.present(LocalDateTime.of(2026, 3, 31, 23, 30))).isEqualTo(LocalDateTime.of(2026, 4, 1, 7, 0));
        assertThat(HOURS.present(LocalDateTime.of(2026, 4, 4, 9, 0))).as("a Saturday").isEqualTo(LocalDateTime.of(2026, 4, 4, 9, 0));
    }
}
