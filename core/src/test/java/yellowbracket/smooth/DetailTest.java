package yellowbracket.smooth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.Catalogue;

class DetailTest {
    private static final Catalogue SHOP = Catalogue.builtIn();

    /** A ring with a band round its top that stands out, or lies in, by so much. */
    private static Mesh banded(double height) {
        return Shapes.lathe(new double[][] {{10, -5}, {60, -5}, {60, 0}, {30, 0}, {30, height}, {24, height}, {24, 0}, {10, 0}}, true, 48);
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.3, 0.8, 1.4, -0.5, -1.2})
    void aBandIsFoundWithItsHeight(double height) {
        var found = Detail.of(banded(height), 1);
        assertThat(found).isNotEmpty().allSatisfy(d -> {
            assertThat(d.heightMm()).isCloseTo(Math.abs(height), within(0.01));
            assertThat(d.raised()).isEqualTo(height > 0);
            assertThat(Math.hypot(d.at().x(), d.at().y())).isBetween(23.9, 30.1);
        });
        assertThat(Detail.of(banded(height), 2)).as("twice as large")
                .allMatch(d -> Math.abs(d.heightMm() - 2 * Math.abs(height)) < 0.02 || d.heightMm() > 1.5);
    }

    @Test
    void shapesOfThePropAreNoDetails() {
        assertThat(Detail.of(banded(4), 1)).isEmpty();
        assertThat(Detail.of(Shapes.sphere(40, 40), 1)).isEmpty();
        assertThat(Detail.of(Shapes.box(Vec3.ZERO, new Vec3(100, 80, 60)), 1)).isEmpty();
    }

    private static List<Ladder.Step> ladder(School s) {
        return ((Ladder.Outcome.Found) Ladder.find(250, Areas.Shape.FLAT, Ladder.Way.of(Finish.SATIN, s, Ladder.Weights.LEAST_WORK), SHOP,
                "PLA", 40)).steps();
    }

    /** The knife levels a groove; film and paper take low rivets; high ones stay. */
    @Test
    void whatIsLostIsToldBeforeTheFirstCoat() {
        var groove = new Detail(Vec3.ZERO, 0.6, false);
        var rivet = new Detail(Vec3.ZERO, 1.4, true);
        assertThat(Detail.lost(List.of(groove, rivet), ladder(School.FILL_SAND_PRIME), SHOP)).containsExactly(groove);
        assertThat(Detail.lost(List.of(groove), ladder(School.UV_RESIN_FIRST), SHOP)).as("a brush leaves it open").isEmpty();
        double before = 1;
        for (double high : new double[] {1.4, 0.8, 0.4, 0.2, 0.1}) {
            double left = new Detail(Vec3.ZERO, high, true).left(ladder(School.UV_RESIN_FIRST), SHOP);
            assertThat(left).isBetween(0.0, before);
            before = left;
        }
    }

    /** Resin rounds edges more than primer alone; a sharp edge never comes out sharper than its films are thick. */
    @Test
    void edgesComeOutRound() {
        for (var s : List.of(School.FILL_SAND_PRIME, School.UV_RESIN_FIRST, School.EPOXY_SHELL)) {
            var steps = ladder(s);
            assertThat(Detail.edgeUm(steps, SHOP)).as(s.label()).isGreaterThanOrEqualTo(steps.getLast().overUm() - 1e-9).isLessThan(1000);
        }
        assertThat(Detail.edgeUm(ladder(School.EPOXY_SHELL), SHOP)).isGreaterThan(Detail.edgeUm(ladder(School.FILL_SAND_PRIME), SHOP));
        assertThat(Detail.edgeUm(List.of(), SHOP)).isZero();
    }
}
