package yellowbracket.colour;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.shop.Spaces;

class MountTest {
    private static Mount mount(Mesh m, double grams) {
        return Mount.of("part", grams, m.bounds(), Bvh.of(m), 6);
    }

    @Test
    void aShellWithAnOpeningStandsOnAPost() {
        assertThat(mount(Shapes.cappedShell(120, 4, 60, 64, 48), 900).how()).isEqualTo(Mount.How.POST);
    }

    @Test
    void aStaffHangsASmallPartIsStuckAndABlockLies() {
        assertThat(mount(Shapes.box(Vec3.ZERO, new Vec3(40, 40, 900)), 800).how()).isEqualTo(Mount.How.HANGS);
        assertThat(mount(Shapes.box(Vec3.ZERO, new Vec3(40, 40, 40)), 30).how()).isEqualTo(Mount.How.STICK);
        assertThat(mount(Shapes.box(Vec3.ZERO, new Vec3(140, 140, 140)), 900).how()).isEqualTo(Mount.How.POINTS);
        assertThat(mount(Shapes.sphere(150, 48), 900).how()).as("closed: no way in").isEqualTo(Mount.How.POINTS);
    }

    @Test
    void whatIsTooHeavyOrTooLargeIsTold() {
        var heavy = mount(Shapes.box(Vec3.ZERO, new Vec3(200, 200, 200)), 9000);
        assertThat(heavy.findings(Optional.empty())).singleElement().satisfies(f -> assertThat(f.words()).contains("brace it"));
        var large = mount(Shapes.cappedShell(120, 4, 60, 64, 48), 900);
        assertThat(large.findings(Optional.of(new Spaces.Room(1000, 1000, 1000)))).isEmpty();
        assertThat(large.findings(Optional.of(new Spaces.Room(400, 1000, 1000)))).singleElement()
                .satisfies(f -> assertThat(f.words()).contains("spray spot"));
    }

    @Test
    void theRoomHoldsThePartWithAir() {
        var m = mount(Shapes.box(Vec3.ZERO, new Vec3(100, 200, 300)), 900);
        assertThat(m.roomMm().x()).isGreaterThan(100 + 200);
        assertThat(m.roomMm().y()).isGreaterThan(200 + 200);
        assertThat(m.roomMm().z()).isGreaterThan(300 + 100);
    }

    @Test
    void bareFacesTakeTapeByTheirArea() {
        var f = BareFace.of("A|B", "comes off", 10_000, 4, 0.1);
        assertThat(f.dm2()).isEqualTo(2);
        assertThat(f.tapeM()).isBetween(1.1, 1.6); // 200 cm2 under tape of 18 mm
        assertThat(f.filmMm()).isEqualTo(0.1);
        assertThat(f.finding().words()).contains("A|B comes off").contains("8 sockets").contains("0.20 mm would bind");
    }
}
