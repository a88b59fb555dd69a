package yellowbracket.bench;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.cut.solid.PlaneCut;
import yellowbracket.demo.DemoBuild;
import yellowbracket.derive.Derived;
import yellowbracket.derive.Figure;
import yellowbracket.derive.all.Everything;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.device.SimulatedWeather;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.io.MeshFile;
import yellowbracket.mesh.io.StlReader;
import yellowbracket.mesh.io.StlWriter;
import yellowbracket.plan.Actual;
import yellowbracket.plan.Schedule;
import yellowbracket.plan.Scheduler;
import yellowbracket.plan.WorkHours;
import yellowbracket.shop.Catalogue;
import yellowbracket.size.Cavity;
import yellowbracket.size.Clearance;
import yellowbracket.size.HeadForm;
import yellowbracket.size.Pose;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;

/** Each work with its reference; names pair as {@code work} and {@code workReference}. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx2g")
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
public class CoreBench {
    private byte[] stl;
    private Mesh helm;
    private Cavity cavity;
    private Cavity nothing;
    private HeadForm head;
    private List<Task> tasks;
    private Map<TaskId, Actual> done;
    private Scheduler scheduler;

    @Setup
    public void setUp() {
        var demo = DemoBuild.at(LocalDate.of(2026, 3, 30));
        helm = demo.mesh("helm");
        stl = StlWriter.binary(helm, "helm");
        cavity = Cavity.of(helm, Bvh.of(helm));
        nothing = Cavity.of(helm, Bvh.of(Mesh.empty()));
        head = HeadForm.of(demo.build().wearers().getFirst().head());
        var now = LocalDateTime.of(2026, 3, 30, 18, 0);
        Derived d = Everything.derive(demo.build(), demo.meshes(), Catalogue.builtIn(), new SimulatedWeather(11),
                java.time.Clock.fixed(now.toInstant(ZoneOffset.UTC), ZoneOffset.UTC), Progress.NONE);
        tasks = d.require(PlanFigures.TASKS, Figure.BUILD).list();
        done = d.require(PlanFigures.TASKS, Figure.BUILD).lessons().doneWith(tasks);
        scheduler = new Scheduler(now, demo.build().due(), WorkHours.evenings(), (x, t) -> true);
    }

    @Benchmark
    public int load() {
        return ((MeshFile.Read) StlReader.parse("helm.stl", stl, Progress.NONE)).mesh().vertexCount();
    }

    /** The same bytes into an array of floats. */
    @Benchmark
    public float[] loadReference() {
        var in = ByteBuffer.wrap(stl).order(ByteOrder.LITTLE_ENDIAN);
        int n = (stl.length - 84) / 50;
        var out = new float[9 * n];
        for (int f = 0; f < n; f++) for (int k = 0; k < 9; k++) out[9 * f + k] = in.getFloat(84 + 50 * f + 12 + 4 * k);
        return out;
    }

    @Benchmark
    public PlaneCut.Halves cut() {
        return PlaneCut.cut(helm, CutPlane.across(2, -48.863), 0);
    }

    /** One pass that tells on which side each triangle lies. */
    @Benchmark
    public int cutReference() {
        int above = 0;
        for (int f = 0; f < helm.triangleCount(); f++) {
            boolean up = true;
            for (int k = 0; k < 3; k++) up &= helm.z(helm.vertex(f, k)) > -48.863;
            if (up) above++;
        }
        return above;
    }

    @Benchmark
    public Clearance clearance() {
        return Clearance.of(head, cavity, 1.04, new Pose(3, -7, -2));
    }

    /** The same rays with no mesh. */
    @Benchmark
    public Clearance clearanceReference() {
        return Clearance.of(head, nothing, 1.04, new Pose(3, -7, -2));
    }

    @Benchmark
    public Schedule schedule() {
        return scheduler.schedule(tasks, done);
    }

    @Benchmark
    public int latestStarts() {
        return scheduler.latestStarts(tasks, new Scheduler.Facts(done, java.util.Map.of(), java.util.List.of())).size();
    }

    @Benchmark
    public int futures() {
        return scheduler
                .chance(tasks, new Scheduler.Facts(done, java.util.Map.of(), java.util.List.of()), 100, new java.util.SplittableRandom(1),
                        Progress.NONE)
                .ready();
    }

    /** The tasks' hours summed along each chain: what no schedule can do without. */
    @Benchmark
    public double scheduleReference() {
        return PlanBench.longestChainH(tasks);
    }
}
