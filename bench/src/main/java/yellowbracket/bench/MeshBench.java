package yellowbracket.bench;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.SplittableRandom;
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
import org.openjdk.jmh.annotations.TearDown;
import org.openjdk.jmh.annotations.Warmup;
import yellowbracket.demo.DemoBuild;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Simplify;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.io.MeshFile;
import yellowbracket.mesh.io.MeshWriter.Kind;
import yellowbracket.mesh.io.MeshWriter;
import yellowbracket.mesh.repair.MeshHealth;

/**
 * Meshes from the wild at scale: 1 M triangles of a smooth model as STL, 500 k as OBJ, queries on the demo helm. Names pair as {@code work}
 * and {@code workReference}.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx3g")
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
public class MeshBench {
    /** Queries a call; the score is the time of all of them on two threads. */
    private static final int QUERIES = 100_000;
    private Path stl;
    private Path obj;
    private Mesh million;
    private Bvh helm;
    private Vec3[] near;
    private Vec3[] from;
    private Vec3[] along;

    @Setup
    public void setUp() throws IOException {
        million = Shapes.bumpySphere(150, 1_000_000);
        stl = Files.createTempFile("million", ".stl");
        obj = Files.createTempFile("half", ".obj");
        Files.write(stl, MeshWriter.bytes(List.of(new MeshWriter.Named("million", million)), Kind.STL));
        Files.write(obj, MeshWriter.bytes(List.of(new MeshWriter.Named("half", Shapes.bumpySphere(150, 500_000))), Kind.OBJ));
        System.out.printf("obj: %.1f MB, stl: %.1f MB%n", Files.size(obj) / 1e6, Files.size(stl) / 1e6);
        var mesh = DemoBuild.at(LocalDate.of(2026, 3, 30)).mesh("helm");
        helm = Bvh.of(mesh);
        near = new Vec3[QUERIES];
        for (int i = 0; i < QUERIES; i++) { // off the wall by 8 mm, along it, as a clearance map asks
            int f = (int) ((long) i * mesh.triangleCount() / QUERIES);
            near[i] = mesh.centroid(f).plus(mesh.areaVector(f).unit().times(8));
        }
        var random = new SplittableRandom(5);
        var box = mesh.bounds();
        from = new Vec3[QUERIES];
        along = new Vec3[QUERIES];
        for (int i = 0; i < QUERIES; i++) { // points about the head and directions all round, as clearance and vision ask for
            from[i] = box.centre().plus(new Vec3(random.nextDouble(-90, 90), random.nextDouble(-90, 90), random.nextDouble(-110, 110)));
            along[i] = new Vec3(random.nextDouble(-1, 1), random.nextDouble(-1, 1), random.nextDouble(-1, 1)).unit();
        }
    }

    @TearDown
    public void tearDown() throws IOException {
        Files.deleteIfExists(stl);
        Files.deleteIfExists(obj);
    }

    @Benchmark
    public Bvh million() {
        return Bvh.of(((MeshFile.Read) MeshFile.read(stl, Progress.NONE)).mesh());
    }

    /** Load and weld alone. */
    @Benchmark
    public Mesh millionLoad() {
        return ((MeshFile.Read) MeshFile.read(stl, Progress.NONE)).mesh();
    }

    /** The same file's bytes into floats, one thread. */
    @Benchmark
    public float[] millionReference() throws IOException {
        var in = ByteBuffer.wrap(Files.readAllBytes(stl)).order(ByteOrder.LITTLE_ENDIAN);
        int n = in.getInt(80);
        var out = new float[9 * n];
        for (int f = 0; f < n; f++) for (int k = 0; k < 9; k++) out[9 * f + k] = in.getFloat(84 + 50 * f + 12 + 4 * k);
        return out;
    }

    @Benchmark
    public float[] millionLoadReference() throws IOException {
        return millionReference();
    }

    @Benchmark
    public Mesh obj() {
        return ((MeshFile.Read) MeshFile.read(obj, Progress.NONE)).mesh();
    }

    /** The same bytes read and their line ends counted. */
    @Benchmark
    public int objReference() throws IOException {
        int lines = 0;
        for (byte b : Files.readAllBytes(obj)) if (b == 10) lines++;
        return lines;
    }

    @Benchmark
    public double closest() {
        int blocks = 64, each = QUERIES / blocks;
        return IntStream.range(0, blocks).parallel().mapToDouble(b -> {
            var nearest = helm.closestQuery();
            double sum = 0;
            for (int i = b * each; i < (b + 1) * each; i++) sum += nearest.distance(near[i].x(), near[i].y(), near[i].z());
            return sum;
        }).sum();
    }

    /** From points scattered in the hollow, where much of the wall is nearly as near. */
    @Benchmark
    public double closestScattered() {
        return IntStream.range(0, QUERIES).parallel().mapToDouble(i -> helm.distance(from[i])).sum();
    }

    @Benchmark
    public double closestScatteredReference() {
        return closestReference();
    }

    @Benchmark
    public double ray() {
        return IntStream.range(0, QUERIES)
                .parallel()
                .mapToDouble(
                        i -> finite(helm.firstDistance(from[i].x(), from[i].y(), from[i].z(), along[i].x(), along[i].y(), along[i].z(), 0)))
                .sum();
    }

    private static double finite(double d) {
        return Double.isFinite(d) ? d : 0;
    }

    /** As many points read and summed. */
    @Benchmark
    public double closestReference() {
        return IntStream.range(0, QUERIES).parallel().mapToDouble(i -> from[i].norm()).sum();
    }

    @Benchmark
    public double rayReference() {
        return closestReference();
    }

    @Benchmark
    public MeshHealth health() {
        return MeshHealth.of(million);
    }

    /** One pass over all triangles: their area. */
    @Benchmark
    public double healthReference() {
        return million.areaMm2();
    }

    @Benchmark
    public Mesh simplify() {
        return Simplify.to(million, 40_000, Progress.NONE);
    }

    @Benchmark
    public double simplifyReference() {
        return million.areaMm2();
    }
}
