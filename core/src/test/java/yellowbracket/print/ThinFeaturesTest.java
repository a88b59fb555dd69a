package yellowbracket.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.print.ThinFeatures.Fate;

class ThinFeaturesTest {
    private static final double LINE = 0.44, LAYER = 0.2;

    private static ThinFeatures of(Mesh m) {
        return ThinFeatures.of(m, Bvh.of(m), Vec3.Z, LINE, LAYER);
    }

    /** A block with a fin of some thickness standing on it. */
    private static Mesh fin(double thick) {
        return Mesh.union(java.util.List.of(Shapes.box(new Vec3(-20, -20, 0), new Vec3(20, 20, 10)),
                Shapes.box(new Vec3(-10, -thick / 2, 10.01), new Vec3(10, thick / 2, 25))));
    }

    @ParameterizedTest
    @CsvSource({"0.2, LOST", "0.3, LOST", "0.5, WEAK", "0.8, WEAK"})
    void aFinIsLostOrASingleLine(double thick, Fate fate) {
        var t = of(fin(thick));
        assertThat(t.spots()).isNotEmpty().allSatisfy(s -> assertThat(s.fate()).isEqualTo(fate));
        assertThat(t.spots().getFirst().mm()).isCloseTo(thick, within(1e-3));
        assertThat(fate == Fate.LOST ? t.lostMm2() : t.weakMm2()).isCloseTo(2 * 20 * 15, within(10.0));
    }

    @Test
    void whatIsThickEnoughIsSilent() {
        assertThat(of(fin(1.2)).spots()).isEmpty();
        assertThat(of(Shapes.ellipsoid(30, 20, 40, 64, 48)).spots()).isEmpty();
    }

    @Test
    void narrowGapsClose() {
        var two = Mesh.union(java.util.List.of(Shapes.box(new Vec3(-20, -20, 0), new Vec3(-0.075, 20, 10)),
                Shapes.box(new Vec3(0.075, -20, 0), new Vec3(20, 20, 10))));
        var t = of(two);
        assertThat(t.spots()).isNotEmpty().allSatisfy(s -> assertThat(s.fate()).isEqualTo(Fate.CLOSED));
        assertThat(t.spots().getFirst().mm()).isCloseTo(0.15, within(1e-3));
    }

    /** Letters are small: found by their facets, not by their share of the surface. */
    @Test
    void aWireOnABigPlateIsFound() {
        var parts = new ArrayList<Mesh>();
        parts.add(Shapes.box(new Vec3(-200, -200, 0), new Vec3(200, 200, 5)));
        parts.add(Shapes.tube(0.15, 0, 5.01, 12, 8));
        var t = of(Mesh.union(parts));
        assertThat(t.spots()).isNotEmpty();
        assertThat(t.spots().getFirst().at().z()).isBetween(5.0, 12.0);
    }
}
