package yellowbracket.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Profile;

class LayerBandsTest {
    private static final Catalogue SHOP = Catalogue.builtIn();
    private static final Printer MID = SHOP.printers().getFirst();
    private static final Profile USUAL = SHOP.profile("usual");
    /** A post 60 high with a flat dome of 12 on it. */
    private static final Mesh DOMED = Shapes.lathe(profile(), false, 96);

    private static double[][] profile() {
        var out = new double[34][];
        out[0] = new double[] {0, 0};
        out[1] = new double[] {40, 0};
        for (int i = 0; i <= 30; i++) {
            double a = Math.PI / 2 * i / 30;
            out[2 + i] = new double[] {i == 30 ? 0 : 40 * Math.cos(a), 60 + 12 * Math.sin(a)};
        }
        out[33] = out[32];
        return java.util.Arrays.copyOf(out, 33);
    }

    private static Orientation way(Mesh m) {
        return Orientation.of(m, SurfaceSamples.of(m, Bvh.of(m), 1400), USUAL, Turn.NONE);
    }

    private static LayerBands propose(Mesh m, double smoothHMm3) {
        return LayerBands.propose(Layers.of(m, Turn.NONE, USUAL.layerMm()), SurfaceSamples.of(m, Bvh.of(m), 3000), way(m), USUAL,
                SHOP.material("PLA"), MID, smoothHMm3);
    }

    @Test
    void aFlatDomeIsPrintedFinerThanThePostBelowIt() {
        var b = propose(DOMED, 0.02);
        assertThat(b.bands()).hasSizeGreaterThanOrEqualTo(2);
        double post = b.bands().stream().filter(x -> x.fromMm() < 30 && x.toMm() > 30).findFirst().orElseThrow().layerMm();
        double dome = b.bands().stream().filter(x -> x.fromMm() < 70 && x.toMm() > 70).findFirst().orElseThrow().layerMm();
        assertThat(dome).isLessThan(0.7 * post);
        assertThat(b.gainH()).isPositive();
        assertThat(b.bands().getFirst().fromMm()).isZero();
        for (int i = 1; i < b.bands().size(); i++) assertThat(b.bands().get(i).fromMm()).isEqualTo(b.bands().get(i - 1).toMm());
        assertThat(b.bands().getLast().toMm()).isCloseTo(72, within(0.3));
    }

    @Test
    void whatNeedsNoSmoothingIsPrintedAsCoarseAsItGoes() {
        var b = propose(DOMED, 0);
        assertThat(b.bands()).singleElement().satisfies(x -> assertThat(x.layerMm()).isCloseTo(0.7 * USUAL.nozzleMm(), within(0.011)));
        assertThat(b.addedH()).isNegative();
    }

    /** Bands of one height all the way up are that layer height. */
    @Test
    void bandsCostWhatTheirLayersCost() {
        var way = way(DOMED).unsupported();
        var base = Layers.of(DOMED, Turn.NONE, USUAL.layerMm());
        double high = base.count() * base.layerMm();
        double added = LayerBands.addedH(List.of(new Band(0, 30, 0.1), new Band(30, high, 0.1)), base, way, USUAL, SHOP.material("PLA"),
                MID);
        double fine = Estimate.of(DOMED, way, USUAL.withLayerMm(0.1), SHOP.material("PLA"), MID).hours(),
                usual = Estimate.of(DOMED, way, USUAL, SHOP.material("PLA"), MID).hours();
        assertThat(added).isCloseTo(fine - usual, within(0.06 * (fine - usual)));
        assertThat(LayerBands.table(List.of(new Band(0, 30, 0.2), new Band(30, 72, 0.12)))).isEqualTo("0 to 30 mm: 0.2; 30 to 72 mm: 0.12");
    }

    @Test
    void anUprightTubeKeepsOneHeight() {
        assertThat(propose(Shapes.tube(30, 27, 0, 80, 96), 0.002).bands()).hasSize(1);
        assertThat(propose(Shapes.box(Vec3.ZERO, new Vec3(40, 40, 40)), 0.002).bands()).hasSize(1);
    }
}
