package yellowbracket.join;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yellowbracket.cut.Section;
import yellowbracket.join.LoadCase.Kind;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.work.SectionId;

/** What is done with a prop, as load cases. */
class HandledTest {
    private static Section section(String name, Mesh m) {
        return new Section(new SectionId("p", name), m, true);
    }

    private static Mesh box(double x0, double y0, double z0, double x1, double y1, double z1) {
        return Shapes.box(new Vec3(x0, y0, z0), new Vec3(x1, y1, z1));
    }

    private static LoadCase kind(List<LoadCase> all, Kind k) {
        return all.stream().filter(c -> c.kind() == k).findFirst().orElseThrow();
    }

    /** Crown A, brow B, rim C. */
    @Test
    void aHelmHangsOnCrownAndBrow() {
        var parts = List.of(section("A", box(-80, -80, 200, 80, 80, 260)), section("B", box(-80, 60, 120, 80, 100, 199)),
                section("C", box(-80, -100, 0, 80, 100, 60)));
        var worn = kind(new Handled(parts, Optional.empty()).worn(), Kind.WORN);
        assertThat(worn.holds()).containsExactlyInAnyOrder("A", "B");
        assertThat(worn.times()).isEqualTo(LoadCase.CROWD);
        assertThat(new Handled(parts, Optional.of(9.0)).worn()).allMatch(c -> c.times() == 9);
    }

    /** A mask is not carried by a crown: brow A, the straps at both sides B and C; the chin D hangs. */
    @Test
    void aMaskHangsOnBrowAndStraps() {
        var parts = List.of(section("A", box(-60, 60, 160, 60, 90, 200)), section("B", box(-80, 0, 80, -50, 60, 150)),
                section("C", box(50, 0, 80, 80, 60, 150)), section("D", box(-40, 40, 0, 40, 90, 60)));
        var worn = kind(new Handled(parts, Optional.empty()).onTheFace(), Kind.WORN);
        assertThat(worn.holds()).containsExactlyInAnyOrder("A", "B", "C");
    }

    @Test
    void aLongPropIsLaidAndLeanedAShortOneIsNot() {
        var staff = List.of(section("A", box(-10, -10, 0, 10, 10, 700)), section("B", box(-10, -10, 700, 10, 10, 1400)));
        var all = new Handled(staff, Optional.empty()).carried(Optional.empty(), new Vec3(0, 0, 600));
        assertThat(kind(all, Kind.HELD).holds()).containsExactly("A");
        var lying = kind(all, Kind.LYING);
        assertThat(lying.supports().get(0).z()).isCloseTo(70, within(1e-9));
        assertThat(lying.supports().get(1).z()).isCloseTo(1330, within(1e-9));
        assertThat(kind(all, Kind.LEANING).times()).isLessThan(lying.times());
        var cube = List.of(section("A", box(0, 0, 0, 100, 100, 100)));
        assertThat(new Handled(cube, Optional.empty()).carried(Optional.empty(), Vec3.ZERO)).noneMatch(c -> c.kind() == Kind.LYING);
        assertThat(kind(new Handled(staff, Optional.empty()).standing(), Kind.HUNG).holds()).containsExactly("B");
    }

    @Test
    void nothingIsDoneWithNothing() {
        var none = new Handled(List.of(), Optional.empty());
        assertThat(none.worn()).isEmpty();
        assertThat(none.onTheFace()).isEmpty();
        assertThat(none.carried(Optional.empty(), Vec3.ZERO)).isEmpty();
        assertThat(none.standing()).isEmpty();
    }
}
