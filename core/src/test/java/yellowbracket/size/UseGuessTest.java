package yellowbracket.size;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/** What a shape is proposed to be. */
class UseGuessTest {
    private static Use guess(Mesh m) {
        return UseGuess.of(m, Bvh.of(m)).use();
    }

    @Test
    void aHollowThatAHeadGetsIntoIsWornOnTheHead() {
        assertThat(guess(Shapes.cappedShell(120, 4, 55, 64, 32))).isEqualTo(Use.HEAD);
    }

    @Test
    void aShellOpenBehindIsWornOnTheFace() {
        var shell = Shapes.cappedShell(95, 4, 90, 64, 32).turned(Turn.quarter(0).inverse());
        assertThat(guess(shell)).isEqualTo(Use.FACE);
        assertThat(guess(shell.scaled(3))).as("three times too large for a face").isNotEqualTo(Use.FACE);
    }

    @Test
    void whatIsLongIsHeldAndWhatIsNeitherStands() {
        assertThat(guess(Shapes.box(Vec3.ZERO, new Vec3(30, 30, 900)))).isEqualTo(Use.HELD);
        assertThat(guess(Shapes.bumpySphere(90, 4000))).isEqualTo(Use.STANDS);
        assertThat(guess(Shapes.box(Vec3.ZERO, new Vec3(200, 200, 200)))).as("solid: nothing open behind").isEqualTo(Use.STANDS);
    }

    @Test
    void theReasonIsTold() {
        var bar = Shapes.box(Vec3.ZERO, new Vec3(30, 30, 900));
        assertThat(UseGuess.of(bar, Bvh.of(bar)).because()).isEqualTo("it is long and slender, 30.0 times as long as wide");
    }
}
