package yellowbracket.bench;

import java.time.LocalDate;
import java.util.List;
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
import yellowbracket.demo.DemoBuild;
import yellowbracket.join.Weighed;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.index.ScaledShell;
import yellowbracket.shop.Catalogue;
import yellowbracket.size.Cavity;
import yellowbracket.size.Fit;
import yellowbracket.size.HeadField;
import yellowbracket.size.HeadForm;
import yellowbracket.size.Room;
import yellowbracket.wear.body.Balance;
import yellowbracket.wear.body.HeadTurn;
import yellowbracket.wear.body.Pocket;
import yellowbracket.wear.body.Sharp;
import yellowbracket.wear.pad.PadPlan;
import yellowbracket.wear.panel.Openings;
import yellowbracket.wear.panel.Panel;
import yellowbracket.wear.panel.ViewThrough;
import yellowbracket.wear.panel.Visor;

/**
 * Fitting out the demo helm for its first wearer: pads with their templates, openings with the sheets that close them, the view through,
 * room
 * for cells, balance, head turn, what is sharp.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx2g")
@Warmup(iterations = 2, time = 2)
@Measurement(iterations = 4, time = 2)
public class WearBench {
    private Mesh mesh;
    private Bvh index;
    private ScaledShell shell;
    private Cavity cavity;
    private Fit fit;
    private HeadField field;
    private List<Panel> panels;
    private List<Weighed> parts;

    @Setup
    public void setUp() {
        var demo = DemoBuild.at(LocalDate.of(2026, 3, 30));
        mesh = demo.mesh("helm");
        index = Bvh.of(mesh);
        double scale = demo.build().prop("helm").orElseThrow().scale();
        shell = new ScaledShell(mesh, index, scale);
        cavity = Cavity.of(mesh, index);
        var wearer = demo.build().wearers().getFirst();
        var form = HeadForm.of(wearer);
        fit = Fit.of(Room.of(wearer), form, cavity, scale, new Fit.Scales(0.5, "", 1, "", 2, "", true));
        field = HeadField.of(form, wearer, Progress.NONE);
        panels = visor().panels();
        parts = java.util.stream.IntStream.range(0, 60)
                .mapToObj(i -> new Weighed("p" + i, 10 + i, new Vec3(i, 2 * i - 40, 30 - i)))
                .toList();
    }

    /** In the same run: what a machine takes to index the same mesh. */
    @Benchmark
    public Bvh reference() {
        return Bvh.of(mesh);
    }

    @Benchmark
    public PadPlan pads() {
        return PadPlan.of(fit, 1000, Catalogue.builtIn().foams(), PadPlan.Told.NOTHING, shell);
    }

    @Benchmark
    public Visor visor() {
        var from = new Vec3(0, cavity.middleY(), cavity.visorZ().orElse(0)).times(shell.scale());
        return Visor.of(Openings.of(shell, from, new Vec3(0, 0, -1), Progress.NONE), List.of(), Catalogue.builtIn().sheets(), shell, 190,
                220);
    }

    @Benchmark
    public ViewThrough viewThrough() {
        return ViewThrough.of(fit.vision(), fit.clearance().form(), fit.pose(), panels);
    }

    @Benchmark
    public int pockets() {
        return Pocket.beside(field, fit.pose(), shell, Progress.NONE).size();
    }

    @Benchmark
    public Balance balance() {
        return Balance.worn(parts, new Vec3(0, -8, 0), java.util.Optional.of(new Vec3(0, -100, 0)));
    }

    @Benchmark
    public HeadTurn headTurn() {
        return HeadTurn.of(mesh, shell.scale(), fit.clearance().form(), fit.pose(), fit.wearer());
    }

    @Benchmark
    public List<Sharp> sharp() {
        return Sharp.of(shell, Progress.NONE);
    }
}
