package yellowbracket.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import yellowbracket.work.Known;
import yellowbracket.work.Operation;
import yellowbracket.work.Task;
import yellowbracket.work.Tool;

class BoardTest {
    /** A Monday, six in the evening. */
    private static final LocalDateTime NOW = LocalDateTime.of(2026, 3, 30, 18, 0);

    private static Task task(String id, double hours, double wait, Task.Doer doer, String... after) {
        return new Task(Known.task(id), id, Operation.GLUE, "", Tool.HANDS, new Task.Effort(hours, 0, 0.2, "test"), Task.Lag.atLeast(wait),
                doer, Known.tasks(after));
    }

    private static Schedule schedule(List<Task> tasks) {
        return new Scheduler(NOW, NOW.plusDays(21), WorkHours.evenings(), (x, t) -> true).schedule(tasks, Map.of());
    }

    private static List<Board.Bar> bars(Board board, String task) {
        return board.lanes()
                .stream()
                .flatMap(l -> l.rows().stream())
                .flatMap(List::stream)
                .filter(b -> b.task().id().equals(Known.task(task)))
                .toList();
    }

    @Test
    void everyoneHasALaneAndWaitsHaveTheirs() {
        var paint = task("coat", 0.5, 4, Task.Doer.SPRAY, "glue");
        var over = task("over", 0.5, 0, Task.Doer.SPRAY, "coat").withClosed(List.of(new Task.Closed(Known.task("coat"), 1, 48)));
        var s = schedule(List.of(task("glue", 5, 0, Task.Doer.PERSON), paint, over, task("a", 9, 0, Task.Doer.printer("tall", 0))));
        var latest = new Scheduler(NOW, NOW.plusDays(21), WorkHours.evenings(), (x, t) -> true)
                .latestStarts(s.placed().stream().map(Schedule.Placed::task).toList(), new Scheduler.Facts(Map.of(), Map.of(), List.of()));
        var board = Board.of(s, latest);

        assertThat(board.lanes()).extracting(Board.Lane::name).containsExactly("by hand", "spray", "tall", "dries, cures");
        assertThat(bars(board, "glue")).as("two evenings").hasSize(2);
        assertThat(bars(board, "coat")).as("sprayed, and drying").hasSize(2);
        var last = bars(board, "over").getFirst();
        assertThat(last.shut()).singleElement().satisfies(x -> assertThat(last.from()).isAfterOrEqualTo(x.to()));
        assertThat(last.latest()).contains(latest.get(Known.task("over")));
        var done = new Scheduler(NOW, NOW.plusDays(21), WorkHours.evenings(), (x, t) -> true).schedule(List.of(paint.withAfter(List.of())),
                Map.of(paint.id(), new Actual(paint.id(), NOW.minusHours(1), 0.5)));
        assertThat(Board.of(done, Map.of()).lanes()).as("sprayed, still drying")
                .extracting(Board.Lane::kind)
                .containsExactly(Board.Kind.WAIT);
        assertThat(Board.of(new Schedule(NOW, NOW, List.of()), Map.of()).lanes()).isEmpty();
    }

    /** Hours of sittings are the hours of work; in a row nothing meets; nobody is in two places. */
    @Test
    void sittingsAddUpAndRowsAreFree() {
        for (long seed = 0; seed < 200; seed++) {
            var r = new Random(seed);
            var tasks = new ArrayList<Task>();
            for (int i = 0; i < 25; i++) {
                var after = i > 0 && r.nextBoolean() ? new String[] {"t" + r.nextInt(i)} : new String[0];
                double hours = (6 + r.nextInt(500)) / 60.0;
                tasks.add(switch (r.nextInt(3)) {
                    case 0 -> task("t" + i, hours, 10 * r.nextDouble(), Task.Doer.PERSON, after);
                    case 1 -> task("t" + i, hours / 4, 30 * r.nextDouble(), Task.Doer.SPRAY, after);
                    default -> task("t" + i, hours, 0, Task.Doer.printer(r.nextBoolean() ? "x" : "y", 0), after);
                });
            }
            var s = schedule(tasks);
            assertThat(s.conflicts()).as("seed %d", seed).isEmpty();
            for (var p : s.placed()) assertThat(p.parts().stream().mapToLong(q -> Duration.between(q.from(), q.to()).toMinutes()).sum())
                    .isEqualTo(Math.round(60 * p.task().activeH()));
            for (var lane : Board.of(s, Map.of()).lanes()) {
                if (lane.kind() != Board.Kind.WAIT) assertThat(lane.rows()).as("seed %d, %s", seed, lane.name()).hasSize(1);
                for (var row : lane.rows())
                    for (int i = 1; i < row.size(); i++) assertThat(row.get(i).from()).isAfterOrEqualTo(row.get(i - 1).to());
            }
        }
    }

    @Test
    void theCheckerSeesHandsInTwoPlaces() {
        var a = task("a", 2, 0, Task.Doer.PERSON);
        var b = task("b", 1, 0, Task.Doer.SPRAY);
        var both = new Schedule(NOW, NOW.plusDays(9), List.of(new Schedule.Placed(a, NOW, NOW.plusHours(2), NOW.plusHours(2), false),
                new Schedule.Placed(b, NOW.plusHours(1), NOW.plusHours(2), NOW.plusHours(2), false)));
        assertThat(both.conflicts()).containsExactly("a and b want the same hands");
    }
}
