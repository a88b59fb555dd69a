package yellowbracket.bench;

import java.time.LocalDate;
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
import yellowbracket.cut.Bed;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.Letters;
import yellowbracket.cut.Registration;
import yellowbracket.cut.Section;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.plan.PlanWishes;
import yellowbracket.cut.plan.SectionPlanner;
import yellowbracket.cut.registration.Registered;
import yellowbracket.cut.registration.Registrar;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.cut.solid.PlaneCut;
import yellowbracket.demo.DemoBuild;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Simplify;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * Cutting: one plane through a million triangles, two dozen sections with registration, the planner, a plane moved by hand. Names pair as
 * {@code work} and {@code workReference}.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx3g")
@Warmup(iterations = 2, time = 2)
@Measurement(iterations = 4, time = 2)
public class CutBench {
    private static final double SCALE = 1.04;
    private Mesh million;
    private Mesh helm;
    private Mesh light;
    private Bvh index;
    private CutTree dozens;
    private CutTree demoCuts;

    @Setup
    public void setUp() {
        million = Shapes.bumpySphere(150, 1_000_000);
        var demo = DemoBuild.at(LocalDate.of(2026, 3, 30));
        helm = demo.mesh("helm");
        light = Simplify.to(helm, 22_000, Progress.NONE);
        index = Bvh.of(helm);
        demoCuts = demo.build().prop("helm").orElseThrow().cut().tree();
        dozens = CutTree.WHOLE;
        for (double x : new double[] {-60.137, 60.137}) dozens = dozens.cutEverywhere(CutPlane.across(0, x));
        for (double y : new double[] {-60.137, 60.137}) dozens = dozens.cutEverywhere(CutPlane.across(1, y));
        dozens = dozens.cutEverywhere(CutPlane.across(2, 20.137));
    }

    @Benchmark
    public PlaneCut.Halves cutMillion() {
        return PlaneCut.cut(million, new CutPlane(new Vec3(0.3, 0.2, 1), 12.137), 0);
    }

    /** One pass that classifies every vertex: above, on or below the plane. */
    @Benchmark
    public byte[] cutMillionReference() {
        var p = new CutPlane(new Vec3(0.3, 0.2, 1), 12.137);
        var n = p.normal();
        var side = new byte[million.vertexCount()];
        for (int v = 0; v < side.length; v++) {
            double h = n.x() * million.x(v) + n.y() * million.y(v) + n.z() * million.z(v) - p.offsetMm();
            side[v] = (byte) (h > PlaneCut.ON_PLANE_MM ? 1 : h < -PlaneCut.ON_PLANE_MM ? -1 : 0);
        }
        return side;
    }

    /** Some two dozen sections and their seams, faces worked. */
    @Benchmark
    public Registered registered() {
        var cuts = Sectioning.of(helm, index, dozens, "helm", Letters.alone(), Progress.NONE);
        return Registrar.of(helm, index, cuts, dozens, SCALE, Registration.FITTING, Progress.NONE);
    }

    @Benchmark
    public SectionPlanner.Outcome firstPlan() {
        var stop = new Progress.Switch();
        return SectionPlanner.plan(helm, SCALE, wishes(), stop, found -> {
            if (!found.plans().isEmpty()) stop.off();
        });
    }

    @Benchmark
    public SectionPlanner.Outcome allPlans() {
        return SectionPlanner.plan(helm, SCALE, wishes(), Progress.NONE, found -> {});
    }

    /** A quarter of the triangles: how the cost grows. */
    @Benchmark
    public SectionPlanner.Outcome allPlansOfAQuarter() {
        return SectionPlanner.plan(Simplify.to(helm, 42_000, Progress.NONE), SCALE, wishes(), Progress.NONE, found -> {});
    }

    private static PlanWishes wishes() {
        return PlanWishes.of(new Bed(210, 210, 245), new Bed(288, 288, 394));
    }

    /** What the bench redraws while a plane is dragged. */
    @Benchmark
    public Map<String, Mesh> planeMovedOnProxy() {
        return Sectioning.sketch(light, demoCuts, Letters.alone());
    }

    /** What a moved plane settles to: sections and seams of the full mesh. */
    @Benchmark
    public List<Section> planeSettled() {
        return Sectioning.of(helm, index, demoCuts, "helm", Letters.alone(), Progress.NONE).sections();
    }
}
