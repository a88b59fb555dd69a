package yellowbracket.bench;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import yellowbracket.demo.DemoBuild;
import yellowbracket.document.Build;
import yellowbracket.document.BuildJson;
import yellowbracket.log.Entry;
import yellowbracket.log.Lessons;
import yellowbracket.mesh.Progress;
import yellowbracket.plan.Board;
import yellowbracket.plan.LostDays;
import yellowbracket.plan.Schedule;
import yellowbracket.plan.Scheduler;
import yellowbracket.plan.WorkHours;
import yellowbracket.work.Operation;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;
import yellowbracket.work.Tool;

/** Large plans with waits and windows, and a long log. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx2g")
@Warmup(iterations = 2, time = 1)
@Measurement(iterations = 3, time = 1)
public class PlanBench {
    private static final LocalDateTime NOW = LocalDateTime.of(2026, 3, 30, 18, 0);
    private static final Scheduler.Facts NOTHING = new Scheduler.Facts(Map.of(), Map.of(), List.of());
    private static final int ENTRIES = 5_000;

    @Param({"200", "600"})
    public int size;

    private List<Task> tasks;
    private Scheduler scheduler;
    private Schedule plan;
    private Map<TaskId, LocalDateTime> latest;
    private String json;

    @Setup
    public void setUp() throws BuildJson.Unreadable {
        tasks = tasks(size, new Random(7));
        scheduler = new Scheduler(NOW, NOW.plusDays(200), WorkHours.evenings(),
                (t, at) -> (at.getDayOfYear() * 31 + at.getHour()) % 3 != 0);
        plan = scheduler.schedule(tasks, NOTHING);
        latest = scheduler.latestStarts(tasks, NOTHING);
        json = BuildJson.write(logged(DemoBuild.at(NOW.toLocalDate()).build()));
    }

    private static Build logged(Build b) {
        var log = new ArrayList<Entry>();
        for (int i = 0; i < ENTRIES; i++)
            log.add(Entry.parse(NOW.plusMinutes(i), i % 3 == 0 ? "done C 1.2 h planned 1 h" : "a note #" + i, b).orElseThrow());
        return b.withLog(log);
    }

    /** Chains of ten: prints, work, films with windows. */
    private static List<Task> tasks(int n, Random r) {
        var out = new ArrayList<Task>();
        for (int i = 0; i < n; i++) {
            var after = i % 10 == 0 ? List.<TaskId>of() : List.of(out.get(i - 1).id());
            var kind = i % 10 < 2 ? Operation.PRINT : i % 10 < 6 ? Operation.SAND : Operation.SPRAY;
            var doer = switch (kind) {
                case PRINT -> Task.Doer.printer(r.nextBoolean() ? "a" : "b", 0.002);
                case SPRAY -> Task.Doer.SPRAY;
                default -> Task.Doer.PERSON;
            };
            double hours = kind == Operation.PRINT ? 2 + 6 * r.nextDouble() : 0.1 + 0.5 * r.nextDouble();
            var t = new Task(new TaskId.Step("p", TaskId.Series.OWN, i + 1), "t" + i, kind, "", Tool.HANDS,
                    new Task.Effort(hours, 0, 0.3, "bench"), Task.Lag.atLeast(r.nextInt(6)), doer, after);
            out.add(i % 10 > 6 ? t.withClosed(List.of(new Task.Closed(after.getFirst(), 8 + r.nextInt(8), 40 + r.nextInt(30)))) : t);
        }
        return out;
    }

    @Benchmark
    public Schedule schedule() {
        return scheduler.schedule(tasks, NOTHING);
    }

    @Benchmark
    public int latestStarts() {
        return scheduler.latestStarts(tasks, NOTHING).size();
    }

    /** The first figure of the chance. */
    @Benchmark
    public int firstFutures() {
        return scheduler.chance(tasks, NOTHING, 20, new SplittableRandom(1), Progress.NONE).ready();
    }

    /** All of the chance with its weather, as it comes in the background. */
    @Benchmark
    public int allFutures() {
        return scheduler.losing(new LostDays(0.03, 0.35)).chance(tasks, NOTHING, 2_000, new SplittableRandom(1), Progress.NONE).ready();
    }

    @Benchmark
    public Board board() {
        return Board.of(plan, latest);
    }

    /** A build with a log of 5 000 lines, read, and what they teach. */
    @Benchmark
    public int longLog() throws BuildJson.Unreadable {
        var b = BuildJson.read(json);
        return Lessons.facts(b.log(), b).learn(tasks, Map.of()).done().size();
    }

    /** The same text through a reader that keeps nothing: what no log can do without. */
    @Benchmark
    public int longLogReference() throws java.io.IOException {
        int count = 0;
        try (var in = new com.fasterxml.jackson.core.JsonFactory().createParser(json)) {
            while (in.nextToken() != null) count++;
        }
        return count;
    }

    /** The longest chain by itself. */
    @Benchmark
    public double scheduleReference() {
        return longestChainH(tasks);
    }

    /** What no schedule can do without. */
    static double longestChainH(List<Task> tasks) {
        var longest = new java.util.HashMap<TaskId, Double>();
        double most = 0;
        for (var t : tasks) {
            double before = 0;
            for (var id : t.after()) before = Math.max(before, longest.getOrDefault(id, 0.0));
            longest.put(t.id(), before + t.activeH() + t.lag().leastH());
            most = Math.max(most, before + t.activeH() + t.lag().leastH());
        }
        return most;
    }
}
