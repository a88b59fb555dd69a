package yellowbracket.bench;

import java.time.LocalDate;
import java.util.ArrayList;
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
import yellowbracket.cut.CutTree;
import yellowbracket.cut.Letters;
import yellowbracket.cut.Section;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.demo.DemoBuild;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.print.Estimate;
import yellowbracket.print.Layers;
import yellowbracket.print.Orientation;
import yellowbracket.print.Plates;
import yellowbracket.print.SectionPrint;
import yellowbracket.print.Shadow;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Profile;

/**
 * Printing: layers of a million triangles, every way up of a dozen sections, beds packed anew. Names pair as {@code work} and {@code
 * workReference}.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = "-Xmx3g")
@Warmup(iterations = 2, time = 2)
@Measurement(iterations = 4, time = 2)
public class PrintBench {
    private static final double LAYER_MM = 0.2;
    private static final int SAMPLES = 1400;
    private Mesh million;
    private Profile usual;
    private List<Section> dozen;
    private List<SurfaceSamples> samples;
    private List<Plates.Item> items;

    @Setup
    public void setUp() {
        million = Shapes.bumpySphere(150, 1_000_000);
        var shop = Catalogue.builtIn();
        usual = shop.profile("usual");
        var helm = DemoBuild.at(LocalDate.of(2026, 3, 30)).mesh("helm");
        var index = Bvh.of(helm);
        var cuts = CutTree.WHOLE.cutEverywhere(CutPlane.across(0, 0.137))
                .cutEverywhere(CutPlane.across(1, 20.137))
                .cutEverywhere(CutPlane.across(2, 30.137))
                .cutEverywhere(CutPlane.across(2, -40.137));
        dozen = Sectioning.of(helm, index, cuts, "helm", Letters.alone(), Progress.NONE).sections();
        samples = dozen.stream().map(s -> SurfaceSamples.of(s.mesh(), index, SAMPLES)).toList();
        items = new ArrayList<>();
        for (int i = 0; i < dozen.size(); i++) {
            var s = dozen.get(i);
            var way = Orientation.of(s.mesh(), samples.get(i), usual, Turn.NONE);
            var printer = shop.printers().getLast();
            var print = new SectionPrint(s.id(), way, usual, printer, Estimate.of(s.mesh(), way, usual, shop.material("PLA"), printer),
                    true);
            items.add(new Plates.Item(s.id(), Shadow.of(s.mesh(), Turn.NONE, 1, Plates.CELL_MM), 0, print, ""));
        }
    }

    /** 300 mm in 1500 layers, on as many threads as there are processors. */
    @Benchmark
    public Layers layersMillion() {
        return Layers.of(million, Turn.NONE, LAYER_MM);
    }

    /** One pass over the triangles that reads their corners: the volume. */
    @Benchmark
    public double layersMillionReference() {
        return million.volumeMm3();
    }

    /** Every way up of some dozen sections. */
    @Benchmark
    public int waysOfADozen() {
        int n = 0;
        for (int i = 0; i < dozen.size(); i++) n += Orientation.choices(dozen.get(i).mesh(), samples.get(i), usual).size();
        return n;
    }

    @Benchmark
    public List<Plates.Plate> repack() {
        return Plates.full(items, items.getFirst().print().printer());
    }
}
