package yellowbracket.bench;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Set;
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
import yellowbracket.cut.Letters;
import yellowbracket.cut.Sectioning;
import yellowbracket.demo.DemoBuild;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.print.Estimate;
import yellowbracket.print.Layers;
import yellowbracket.print.Orientation;
import yellowbracket.print.SectionPrint;
import yellowbracket.shop.Catalogue;
import yellowbracket.smooth.Areas;
import yellowbracket.smooth.DepthMap;
import yellowbracket.smooth.Finish;
import yellowbracket.smooth.Flaw;
import yellowbracket.smooth.Ladder;
import yellowbracket.smooth.Ladders;
import yellowbracket.smooth.Look;
import yellowbracket.smooth.Means;
import yellowbracket.smooth.Rounds;
import yellowbracket.smooth.School;
import yellowbracket.smooth.SmoothPlan;
import yellowbracket.smooth.SmoothWish;
import yellowbracket.smooth.Stroke;
import yellowbracket.smooth.Target;
import yellowbracket.smooth.Targets;
import yellowbracket.smooth.Walk;

/** Map and areas of the demo helm, all ladders of all schools, a step of the slider over all its places, a flaw more. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx3g")
@Warmup(iterations = 2, time = 2)
@Measurement(iterations = 4, time = 2)
public class SmoothBench {
    private final Catalogue shop = Catalogue.builtIn();
    private Mesh mesh;
    private List<DepthMap.Printed> printed;
    private Targets targets;
    private DepthMap map;
    private SmoothPlan plan;
    private List<Flaw> flaws;

    @Setup
    public void setUp() {
        var demo = DemoBuild.at(java.time.LocalDate.of(2026, 3, 30));
        mesh = demo.mesh("helm");
        var index = Bvh.of(mesh);
        var cuts = Sectioning.of(mesh, index, demo.build().prop("helm").orElseThrow().cut().tree(), "helm", Letters.alone(), Progress.NONE);
        var profile = shop.profile("usual");
        printed = new ArrayList<>();
        for (var s : cuts.sections()) {
            var up = new Orientation("as worn", Turn.NONE, 0, 1000, 0, 0, 0, s.mesh().bounds().size(), 0, 0);
            var estimate = Estimate.of(Layers.of(s.mesh(), Turn.NONE, 0.2), up, profile, shop.material("PLA"), shop.printers().getFirst());
            printed.add(new DepthMap.Printed(s, SurfaceSamples.of(s.mesh(), index, 1400),
                    new SectionPrint(s.id(), up, profile, shop.printers().getFirst(), estimate, true)));
        }
        var strokes = new ArrayList<Stroke>();
        for (int i = 0; i < 20; i++)
            strokes.add(new Stroke(Target.LEAVE, 12, List.of(new Vec3(10 * i - 100, 60, 40), new Vec3(10 * i, 0, 90))));
        targets = new Targets(strokes, java.util.Map.of(), 1);
        map = DepthMap.of(printed, targets, shop);
        plan = plan(School.FILL_SAND_PRIME, SmoothWish.Hurry.LEAST_WORK);
        flaws = new ArrayList<>();
        for (int i = 0; i < 60; i++) flaws.add(Flaw.of(Flaw.Kind.LINE, new Vec3(i, 2 * i, 3), 4, 1 + i / 30));
    }

    private SmoothPlan plan(School school, SmoothWish.Hurry hurry) {
        var way = new Ladder.Way(Finish.SATIN, school, hurry.weights(), Means.USUAL, Set.of());
        return SmoothPlan.of(Areas.of(map, targets), SmoothPlan.Seams.usual(2000), new SmoothPlan.Asked(new Ladders(way, shop), 20, "PLA"),
                shop);
    }

    @Benchmark
    public Areas mapAndAreas() {
        return Areas.of(DepthMap.of(printed, targets, shop), targets);
    }

    @Benchmark
    public double mapAndAreasReference() {
        return passes(3);
    }

    @Benchmark
    public List<SmoothPlan> allSchools() {
        var out = new ArrayList<SmoothPlan>();
        for (var s : School.values()) out.add(plan(s, SmoothWish.Hurry.LEAST_WORK));
        return out;
    }

    @Benchmark
    public double allSchoolsReference() {
        return passes(3);
    }

    /** The slider drawn for the first time at a step: every place's valley. */
    @Benchmark
    public double sliderStep() {
        var walk = new Walk(plan, shop);
        var areas = new HashMap<Areas.Area, Integer>();
        double sum = 0;
        for (var p : map.places()) {
            var a = plan.areas().of(p, targets);
            if (a.isEmpty()) continue;
            areas.merge(a.get(), 1, Integer::sum);
            sum += walk.valleyUm(a.get(), p.depthUm(), plan.work().size());
        }
        return sum + areas.size();
    }

    @Benchmark
    public double sliderStepReference() {
        return passes(1);
    }

    /** What a mark on the model has worked out anew. */
    @Benchmark
    public Rounds flawMarked() {
        return Rounds.of(List.of(Look.PRIMED, Look.RAKING), flaws, 40, Finish.SATIN);
    }

    @Benchmark
    public double flawMarkedReference() {
        return passes(1);
    }

    /** Area, middle and spread of every triangle of the helm, so many times over. */
    private double passes(int n) {
        double sum = 0;
        for (int k = 0; k < n; k++) for (int f = 0; f < mesh.triangleCount(); f++) sum += mesh.centroid(f).times(mesh.area(f)).norm();
        return sum;
    }
}
