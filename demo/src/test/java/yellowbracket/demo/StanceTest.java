package yellowbracket.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import yellowbracket.intake.FileUnit;
import yellowbracket.intake.Intake;
import yellowbracket.intake.Stance;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Simplify;
import yellowbracket.mesh.Turn;

/** The demo helm saved in any unit and lying any way comes in right; what cannot be told is said to be a guess. */
class StanceTest {
    private static final Mesh HELM = Simplify.to(DemoMeshes.helm(), 12_000, Progress.NONE);

    static Stream<Arguments> ways() {
        var turns = Turn.quarterTurns();
        var units = List.of(FileUnit.MM, FileUnit.CM, FileUnit.M, FileUnit.INCH, FileUnit.miniature(6), FileUnit.miniature(12));
        return java.util.stream.IntStream.range(0, turns.size()).mapToObj(i -> Arguments.of(turns.get(i), units.get(i % units.size())));
    }

    @ParameterizedTest
    @MethodSource("ways")
    void theHelmComesInUprightAndInItsSize(Turn lying, FileUnit unit) {
        var file = HELM.scaled(1 / unit.mm()).turned(lying);
        var s = Stance.of(file);
        assertThat(s.hollow()).isTrue();
        var mesh = Intake.guessed(s).apply(file, Progress.NONE);
        assertThat(s.turn()).as(s.wayBecause()).isEqualTo(lying.inverse().tidy());
        if (FileUnit.USUAL.contains(unit)) assertThat(s.unit()).as(s.unitBecause()).isEqualTo(unit);
        sameBox(mesh, HELM, s.unit().equals(unit) ? 1e-3 : 80); // ratios of miniatures are told only roughly
    }

    private static void sameBox(Mesh a, Mesh b, double mm) {
        assertThat(a.bounds().min().minus(b.bounds().min()).norm()).isLessThan(mm);
        assertThat(a.bounds().max().minus(b.bounds().max()).norm()).isLessThan(mm);
    }

    @Test
    void aDeclaredUnitIsNotDoubted() {
        var s = Stance.of(HELM.scaled(0.1), true);
        assertThat(s.unit()).isEqualTo(FileUnit.MM);
        assertThat(s.unitBecause()).contains("states its unit");
    }

    @Test
    void theFoundLanternStandsUpInCentimetres() {
        var s = Stance.of(FoundLantern.mesh());
        assertThat(s.unit()).isEqualTo(FileUnit.CM);
        assertThat(s.hollow()).as("no head gets into it").isFalse();
        assertThat(s.sure()).isFalse();
        var size = Intake.guessed(s).apply(FoundLantern.mesh(), Progress.NONE).bounds().size();
        assertThat(size.z()).isGreaterThan(300).isGreaterThan(1.5 * size.x());
    }

    @Test
    void theOtherDemoPropsAreTakenAsTheyAre() {
        for (var m : List.of(DemoMeshes.staff(), DemoMeshes.halfMask())) {
            var s = Stance.of(m);
            assertThat(s.unit()).isEqualTo(FileUnit.MM);
            assertThat(s.turn()).as(s.wayBecause()).isEqualTo(Turn.NONE);
        }
    }

    @Test
    void whatTellsNothingIsSaidToBeAGuess() {
        var s = Stance.of(Shapes.sphere(100, 24));
        assertThat(s.sure()).isFalse();
        assertThat(s.turn()).isEqualTo(Turn.NONE);
        assertThat(s.wayBecause()).contains("z is taken for up");
    }
}
