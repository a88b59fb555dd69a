package yellowbracket.bench;

import java.util.ArrayList;
import java.util.SplittableRandom;
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
import yellowbracket.colour.line.LineFinder;
import yellowbracket.colour.order.Aim;
import yellowbracket.colour.order.Jobs;
import yellowbracket.colour.order.PaintOrder;
import yellowbracket.colour.weather.Effect;
import yellowbracket.colour.weather.WearFields;
import yellowbracket.colour.weather.WeatherWish;
import yellowbracket.colour.weather.Weathered;
import yellowbracket.colour.zone.BorderLines;
import yellowbracket.colour.zone.Brush;
import yellowbracket.colour.zone.Painted;
import yellowbracket.colour.zone.Region;
import yellowbracket.demo.DemoBuild;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * Zones on the demo helm, some 167 000 facets: a flood, one sample of a brush of 15 mm and a whole stroke, all borders; orders of 8 and 12
 * zones for each aim; fields of wear and weather, and a slider's step over them; grooves and raised lines.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx3g")
@Warmup(iterations = 2, time = 2)
@Measurement(iterations = 4, time = 2)
public class ColourBench {
    private static final Vec3 PLACE = new Vec3(40, 80, 95);

    private Mesh mesh;
    private Bvh index;
    private Painted painted;
    private Bvh.Near near;
    private WearFields fields;
    private Jobs eight;
    private Jobs twelve;

    @Setup
    public void setUp() {
        var demo = DemoBuild.at(java.time.LocalDate.of(2026, 3, 30));
        mesh = demo.mesh("helm");
        index = Bvh.of(mesh);
        painted = demo.build().prop("helm").orElseThrow().colour().map().orElseThrow().on(mesh);
        painted.adjacency();
        painted.around();
        near = index.closest(PLACE);
        fields = WearFields.of(mesh, index);
        eight = jobs(8);
        twelve = jobs(12);
    }

    private static Jobs jobs(int n) {
        var r = new SplittableRandom(n);
        var jobs = new ArrayList<Jobs.Job>();
        for (int i = 0; i < n; i++) jobs.add(new Jobs.Job("zone " + i, 10 + r.nextInt(30), r.nextInt(3) == 0 ? 300 : 30 + r.nextInt(90),
                0.2, 4 + r.nextInt(32), r.nextInt(100)));
        var masks = new Jobs.Mask[n][n];
        for (int i = 0; i < n; i++) for (int j = 0; j < n; j++) masks[i][j] = i == j || r.nextInt(2) == 0 ? Jobs.Mask.NONE
                : new Jobs.Mask(r.nextDouble(), 4 * r.nextDouble(), 2 + r.nextInt(12));
        return new Jobs(jobs, masks);
    }

    /** Grooves and raised lines up to 4 mm wide. */
    @Benchmark
    public int lines() {
        return LineFinder.find(mesh, index, 4).size();
    }

    /** In the same run: what a machine takes to index the same mesh. */
    @Benchmark
    public Bvh reference() {
        return Bvh.of(mesh);
    }

    @Benchmark
    public boolean[] flood() {
        return Region.flood(painted, near.triangle(), 30, false);
    }

    @Benchmark
    public boolean brushSample() {
        return new Brush(painted, 15).add(near.triangle(), near.point());
    }

    @Benchmark
    public Painted brushStroke() {
        var brush = new Brush(painted, 15);
        for (int i = 0; i < 8; i++) {
            var at = index.closest(PLACE.plus(new Vec3(-5.0 * i, 0, 0)));
            brush.add(at.triangle(), at.point());
        }
        return brush.onto(1);
    }

    @Benchmark
    public int borders() {
        return BorderLines.of(painted).size();
    }

    @Benchmark
    public double orderOfEight() {
        double sum = 0;
        for (var aim : Aim.values()) sum += PaintOrder.best(eight, aim).minutes();
        return sum;
    }

    @Benchmark
    public double orderOfTwelve() {
        double sum = 0;
        for (var aim : Aim.values()) sum += PaintOrder.best(twelve, aim).minutes();
        return sum;
    }

    @Benchmark
    public WearFields weatherFields() {
        return WearFields.of(mesh, index);
    }

    @Benchmark
    public int[] weatherSlider() {
        return Weathered.colours(fields, WeatherWish.NEW.with(Effect.CHIPS, 0.5).with(Effect.WASH, 0.4).with(Effect.DUST, 0.3),
                f -> 0x1f5156, Effect.DUST);
    }
}
