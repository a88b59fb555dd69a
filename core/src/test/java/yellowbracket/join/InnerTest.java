package yellowbracket.join;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import org.junit.jupiter.api.Test;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.Letters;
import yellowbracket.cut.Seam;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.shop.Catalogue;

/** Strips and staples against the group of bolts they are counted as. */
class InnerTest {
    private static final Catalogue SHOP = Catalogue.builtIn();

    private static Seam ring(double outer, double inner) {
        var m = Shapes.tube(outer, inner, -50, 50, 120);
        return Sectioning
                .of(m, Bvh.of(m), CutTree.split(CutPlane.across(2, 0.1), CutTree.WHOLE, CutTree.WHOLE), "p", Letters.alone(), Progress.NONE)
                .seams()
                .getFirst();
    }

    private static Loads.Demand demand(double newton, double bending) {
        return new Loads.Demand("A|B", 1, LoadCase.Kind.PICKED, "A", Vec3.Z, 100, newton, bending, 0);
    }

    /** On a ring of radius r, n of them bear F n r / 2: the sum of squares is n r2 / 2 over any axis. */
    @Test
    void onARingTheyBearAsTheBoltsOfARound() {
        for (var kind : Inner.Kind.values()) {
            var many = Inner.of(kind, ring(60, 59.8), demand(1e6, 1e9), 3, 5, SHOP);
            assertThat(many.count()).as("as many as there is room for").isGreaterThan(12);
            assertThat(many.momentNmm()).isCloseTo(many.eachN() * many.count() * 60 / 2, withinPercentage(5));
            assertThat(many.pullN()).isCloseTo(many.eachN() * many.count(), within(1e-9));
        }
        assertThat(Inner.of(Inner.Kind.STAPLES, ring(60, 59.8), demand(1e6, 1e9), 3, 5, SHOP).eachN()).isEqualTo(60);
    }

    /** 15 x 1 mm of sheet at 25 MPa bears 375 N where the glue holds it over 15 x L. */
    @Test
    void aStripIsAsStrongAsItsSheetOrItsGlue() {
        var glued = Inner.of(Inner.Kind.STRIPS, ring(60, 58), demand(10, 100), 3, 5, SHOP);
        assertThat(glued.eachN()).isCloseTo(375, within(1e-9));
        assertThat(glued.overlapMm()).isEqualTo(15);
        assertThat(Inner.of(Inner.Kind.STRIPS, ring(60, 58), demand(10, 100), 3, 0.5, SHOP).eachN()).as("15 x 30 mm of 0.5 MPa")
                .isCloseTo(225, within(1e-9));
    }

    @Test
    void theFewestThatDoAreTaken() {
        var light = Inner.of(Inner.Kind.STAPLES, ring(60, 58), demand(5, 100), 3, 5, SHOP);
        var heavy = Inner.of(Inner.Kind.STAPLES, ring(60, 58), demand(20, 2000), 3, 5, SHOP);
        assertThat(light.reserve(demand(5, 100))).isGreaterThanOrEqualTo(3);
        assertThat(heavy.reserve(demand(20, 2000))).isGreaterThanOrEqualTo(3);
        assertThat(heavy.count()).isGreaterThan(light.count());
        assertThat(heavy.hours()).isGreaterThan(light.hours());
        assertThat(light.words()).matches("\\d+ melted-in staples across it from inside, \\d+ mm apart");
        assertThat(light.need().unit()).isEqualTo("pieces");
    }
}
