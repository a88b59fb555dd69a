package yellowbracket.bench;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
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
import yellowbracket.cut.CutTree;
import yellowbracket.cut.Letters;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.demo.DemoBuild;
import yellowbracket.join.Contact;
import yellowbracket.join.InHand;
import yellowbracket.join.JoinOrder;
import yellowbracket.join.JoinPlan;
import yellowbracket.join.JoinPlanner;
import yellowbracket.join.JoinWish;
import yellowbracket.join.LoadCase;
import yellowbracket.join.Weakest;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.shop.Catalogue;

/** All of joining after a changed profile, the order alone, a staff scanned. Names pair as {@code work} and {@code workReference}. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx3g")
@Warmup(iterations = 2, time = 2)
@Measurement(iterations = 4, time = 2)
public class JoinBench {
    private JoinPlanner.Given helm;
    private JoinPlanner.Given many;
    private JoinPlanner.Given staff;
    private List<String> names;
    private List<JoinOrder.Edge> edges;
    private Mesh mesh;

    @Setup
    public void setUp() {
        var demo = DemoBuild.at(java.time.LocalDate.of(2026, 3, 30));
        mesh = demo.mesh("helm");
        helm = given(mesh, demo.build().prop("helm").orElseThrow().cut().tree());
        staff = given(demo.mesh("staff"), demo.build().prop("staff").orElseThrow().cut().tree());
        var dozens = CutTree.WHOLE;
        for (double x : new double[] {-60, 0.7, 60}) dozens = dozens.cutEverywhere(CutPlane.across(0, x));
        for (double z : new double[] {-40, 55}) dozens = dozens.cutEverywhere(CutPlane.across(2, z));
        dozens = dozens.cutEverywhere(CutPlane.across(1, 1.3));
        many = given(mesh, dozens);
        names = many.sections().stream().map(s -> s.name()).toList();
        edges = many.seams()
                .stream()
                .map(s -> new JoinOrder.Edge(s.name(), s.first(), s.second(), s.normal().times(s.firstAbove() ? -1 : 1), false, 3, 18))
                .toList();
    }

    private static JoinPlanner.Given given(Mesh m, CutTree tree) {
        var s = Sectioning.of(m, Bvh.of(m), tree, "p", Letters.alone(), Progress.NONE);
        var prints = new HashMap<String, JoinPlanner.Print>();
        for (var q : s.sections())
            prints.put(q.name(), new JoinPlanner.Print(80, "PLA", new Weakest.Printed(3, 0.44, 0.15, Vec3.Z, 50, 0.5)));
        return new JoinPlanner.Given(s.sections(), s.seams(), Contact.of(s.sections(), s.seams(), Progress.NONE),
                InHand.of(s.sections(), s.seams(), Progress.NONE), prints, Map.of(), new JoinPlanner.Place(20, 35), JoinWish.NONE,
                List.of(LoadCase.picked(3), LoadCase.held(LoadCase.Kind.HELD, 6, Set.of(s.sections().getFirst().name()))), Set.of(),
                Map.of(), Catalogue.builtIn());
    }

    @Benchmark
    public JoinPlan helmJoined() {
        return JoinPlanner.plan(helm, Progress.NONE);
    }

    /** Area, middle and spread of every triangle of the helm, three times over. */
    @Benchmark
    public double helmJoinedReference() {
        return passes(3);
    }

    @Benchmark
    public JoinPlan manySectionsJoined() {
        return JoinPlanner.plan(many, Progress.NONE);
    }

    @Benchmark
    public double manySectionsJoinedReference() {
        return passes(3);
    }

    @Benchmark
    public JoinPlan staffScanned() {
        return JoinPlanner.plan(staff, Progress.NONE);
    }

    @Benchmark
    public double staffScannedReference() {
        return passes(3);
    }

    @Benchmark
    public List<JoinOrder.Pair> orderOfMany() {
        return JoinOrder.best(names, Map.of(), edges, JoinOrder.Aim.LEAST_HOLDING, JoinOrder.Inside.NONE, Progress.NONE);
    }

    /** A hundred thousand numbers sorted. */
    @Benchmark
    public List<Double> orderOfManyReference() {
        var rnd = new Random(1);
        var out = new ArrayList<Double>();
        IntStream.range(0, 100_000).forEach(i -> out.add(rnd.nextDouble()));
        out.sort(null);
        return out;
    }

    private double passes(int n) {
        double sum = 0;
        for (int k = 0; k < n; k++) for (int f = 0; f < mesh.triangleCount(); f++) sum += mesh.centroid(f).times(mesh.area(f)).norm();
        return sum;
    }
}
