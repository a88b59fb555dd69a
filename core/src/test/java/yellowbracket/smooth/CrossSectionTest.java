package yellowbracket.smooth;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.Catalogue;

/** What is drawn of a place after each step is what the ladder says is there. */
class CrossSectionTest {
    private static final Catalogue SHOP = Catalogue.builtIn();

    private static Place place(double cuspUm, double widthMm, double flatUm, double scarUm) {
        return new Place("A", Vec3.ZERO, Vec3.Z, 100, Target.SHOW, Areas.Shape.CURVED, Areas.Lines.STEPS, cuspUm, widthMm, flatUm, scarUm,
                0, 1.3, false);
    }

    private static double range(double[] v) {
        return Arrays.stream(v).max().orElseThrow() - Arrays.stream(v).min().orElseThrow();
    }

    private static SmoothPlan plan(School school, double um) {
        var area = new Areas.Area(Areas.Shape.CURVED, Areas.Lines.of(um), Target.SHOW, "", 2e5, um, um, 1.3);
        return SmoothPlan.of(new Areas(List.of(area), 0, 0, 0), SmoothPlan.Seams.NONE,
                new SmoothPlan.Asked(new Ladders(Ladder.Way.of(Finish.SATIN, school, Ladder.Weights.LEAST_WORK), SHOP), 20, "PLA"), SHOP);
    }

    @ParameterizedTest
    @CsvSource({"120,0.3,0,0,LINES", "180,1.4,0,0,TERRACES", "30,0.3,0,150,SCARS", "40,0.3,160,0,FLATS"})
    void asPrintedItIsAsDeepAsThePlace(double cusp, double width, double flat, double scar, Place.Kind kind) {
        var p = place(cusp, width, flat, scar);
        assertThat(p.kind()).isEqualTo(kind);
        var cut = CrossSection.of(p, List.of(Surface.printed(p.depthUm(), SHOP)), List.of());
        assertThat(range(cut.print())).isCloseTo(p.depthUm(), within(0.36 * p.depthUm()));
        assertThat(Arrays.stream(cut.print()).max().orElseThrow()).as("peaks lie at 0").isCloseTo(0, within(0.01 * p.depthUm()));
        assertThat(cut.films()).isEmpty();
        assertThat(cut.top()).isEqualTo(cut.print());
    }

    @ParameterizedTest
    @EnumSource(value = School.class, mode = EnumSource.Mode.EXCLUDE, names = "TEXTURE")
    void afterEachStepWhatIsOpenIsWhatTheLadderSays(School school) {
        var p = place(150, 0.5, 0, 0);
        var plan = plan(school, 150);
        var area = plan.areas().list().getFirst();
        var walk = new Walk(plan, SHOP);
        for (int k = 0; k <= plan.work().size(); k++) {
            var surfaces = walk.surfaces(area, p.depthUm(), k);
            var cut = CrossSection.of(p, surfaces, walk.steps(area, k));
            assertThat(range(cut.top())).as(school + " step " + k).isCloseTo(surfaces.getLast().valley(), within(1.0));
            assertThat(cut.print()).as("nothing is put back onto the print").satisfies(v -> {
                for (double h : v) assertThat(h).isLessThanOrEqualTo(1e-9);
            });
            double[] below = cut.print();
            for (var f : cut.films()) {
                for (int i = 0; i < below.length; i++) assertThat(f.top()[i]).isGreaterThanOrEqualTo(below[i] - 1e-9);
                below = f.top();
            }
            assertThat(walk.valleyUm(area, p.depthUm(), k)).isCloseTo(surfaces.getLast().valley(), within(1e-9));
        }
        var last = walk.surfaces(area, p.depthUm(), plan.work().size()).getLast();
        assertThat(last.valley()).isLessThanOrEqualTo(Finish.SATIN.valleyUm() + 1e-9);
    }

    @Test
    void shallowPlacesAreNeverLeftDeeperThanTheyWere() {
        var plan = plan(School.FILL_SAND_PRIME, 260);
        var area = plan.areas().list().getFirst();
        var walk = new Walk(plan, SHOP);
        for (double um = 0; um <= 260; um += 13)
            for (int k = 0; k <= plan.work().size(); k++) assertThat(walk.valleyUm(area, um, k)).isBetween(0.0, Math.max(um, 4) + 1);
        assertThat(walk.valleyUm(area, 9_000, 1)).as("beyond what is kept").isFinite();
    }
}
