package yellowbracket.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;

class SupportReachTest {
    /** A chamber 40 wide, 30 deep, 20 high, closed but for a grille in front: slots of a width, bars of 5 mm between them, 20 mm deep. */
    static Mesh grille(double slot) {
        var parts = new ArrayList<Mesh>();
        parts.add(Shapes.box(new Vec3(0, 0, 0), new Vec3(50, 60, 5)));
        parts.add(Shapes.box(new Vec3(0, 0, 25), new Vec3(50, 60, 30)));
        parts.add(Shapes.box(new Vec3(0, 0, 5), new Vec3(5, 60, 25)));
        parts.add(Shapes.box(new Vec3(45, 0, 5), new Vec3(50, 60, 25)));
        parts.add(Shapes.box(new Vec3(5, 55, 5), new Vec3(45, 60, 25)));
        double x = 5;
        while (x < 45) {
            double bar = x + 5 + slot + 5 > 45 ? 45 : x + 5; // no slit of another width is left at the end
            parts.add(Shapes.box(new Vec3(x, 0, 5), new Vec3(bar, 20, 25)));
            x = bar + slot;
        }
        return Mesh.union(parts);
    }

    @ParameterizedTest
    @CsvSource({"2.5, true", "3.2, true", "6, false", "9, false"})
    void supportBehindAGrilleComesOutIfAToolPassesItsSlots(double slot, boolean stuck) {
        var r = SupportReach.of(grille(slot), Turn.NONE, 50);
        assertThat(r.contactMm2()).as("the ceiling of the chamber, and of the slots").isGreaterThan(40 * 35 * 0.95);
        if (stuck) assertThat(r.unreachableMm2()).isCloseTo(40 * 35, within(0.35 * 40 * 35));
        else assertThat(r.unreachableMm2()).isZero();
        assertThat(r.tellsUnreachable()).isEqualTo(stuck);
    }

    @Test
    void openOverhangsAreReached() {
        var table = Mesh.union(java.util.List.of(Shapes.box(new Vec3(-5, -5, 0), new Vec3(5, 5, 30)),
                Shapes.box(new Vec3(-30, -30, 30), new Vec3(30, 30, 36))));
        var r = SupportReach.of(table, Turn.NONE, 50);
        assertThat(r.contactMm2()).isCloseTo(3600 - 100, within(200.0));
        assertThat(r.unreachableMm2()).isZero();
        assertThat(r.fragileMm2()).as("the top is 6 mm thick").isZero();
    }

    @ParameterizedTest
    @CsvSource({"1.2, true", "1.8, true", "2.6, false"})
    void finsThinnerThanTwoMillimetresBreak(double thick, boolean fragile) {
        // a wall on a foot, with a fin that starts in the air beside it
        var fin = Mesh.union(java.util.List.of(Shapes.box(new Vec3(0, 0, 0), new Vec3(20, 20, 50)),
                Shapes.box(new Vec3(19, 10 - thick / 2, 20), new Vec3(60, 10 + thick / 2, 45))));
        var r = SupportReach.of(fin, Turn.NONE, 50);
        assertThat(r.contactMm2()).isCloseTo(40 * thick, within(45.0));
        assertThat(r.fragileMm2() > 0).isEqualTo(fragile);
        assertThat(r.unreachableMm2()).isZero();
    }
}
