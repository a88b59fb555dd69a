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
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.Cylinders;
import yellowbracket.shop.Wearer;
import yellowbracket.size.Cavity;
import yellowbracket.size.Clearance;
import yellowbracket.size.Donning;
import yellowbracket.size.Fit;
import yellowbracket.size.HeadField;
import yellowbracket.size.HeadForm;
import yellowbracket.size.Pose;
import yellowbracket.size.Room;
import yellowbracket.size.Vision;

/**
 * The Size station on the demo helm and its first wearer; {@code rayReference} is what all of it is made of: ten thousand rays, one thread.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx2g")
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
public class SizeBench {
    private static final double SCALE = 1.04;
    private static final int RAYS = 10_000;
    private Mesh helm;
    private Bvh index;
    private Cavity cavity;
    private Wearer wearer;
    private Room room;
    private HeadForm head;
    private HeadField field;
    private Pose worn;

    @Setup
    public void setUp() {
        var demo = DemoBuild.at(LocalDate.of(2026, 3, 30));
        helm = demo.mesh("helm");
        index = Bvh.of(helm);
        cavity = Cavity.of(helm, index);
        wearer = demo.build().wearers().getFirst();
        room = Room.of(wearer);
        head = HeadForm.of(wearer);
        field = HeadField.of(head, wearer, Progress.NONE);
        worn = Fit.of(room, head, cavity, SCALE, Fit.scales(room, head, cavity, Progress.NONE)).pose();
        Donning.of(field, cavity, SCALE, worn, Progress.NONE); // the inner wall is sampled once a shell
    }

    @Benchmark
    public double rayReference() {
        double sum = 0;
        for (int i = 0; i < RAYS; i++) {
            double a = i * 2.399963, z = 1 - 2.0 * i / RAYS, r = Math.sqrt(1 - z * z),
                    t = index.firstDistance(0.4, 5, 0, r * Math.cos(a), r * Math.sin(a), z, 0);
            if (t < 1e9) sum += t;
        }
        return sum;
    }

    /** Target: under 30 ms. */
    @Benchmark
    public Clearance clearanceAtANewScale() {
        return Clearance.of(head, cavity, SCALE, worn);
    }

    /** Lowest, recommended and highest scale, each with its pose. Target: under 1 s. */
    @Benchmark
    public Fit.Scales scaleSolve() {
        return Fit.scales(room, head, cavity, Progress.NONE);
    }

    /** Once a wearer. Target: under 2 s. */
    @Benchmark
    public HeadField distanceGrid() {
        return HeadField.of(head, wearer, Progress.NONE);
    }

    /** Target: under 0.5 s. */
    @Benchmark
    public Donning donning() {
        return Donning.of(field, cavity, SCALE, worn, Progress.NONE);
    }

    /** Target: under 0.3 s. */
    @Benchmark
    public Vision vision() {
        return Vision.of(head, cavity, SCALE, worn, wearer.eyeHeightMm());
    }

    @Benchmark
    public List<Cylinders.Cylinder> holes() {
        return Cylinders.of(helm, index, Progress.NONE);
    }
}
