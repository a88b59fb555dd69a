package yellowbracket.cut;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.shop.Spaces;

class RigidSizeTest {
    /** A staff of 1500 in four sections, the first plane in its middle. */
    private static final CutTree FOUR = CutTree.split(CutPlane.across(2, 750.037),
            CutTree.split(CutPlane.across(2, 1125.037), CutTree.WHOLE, CutTree.WHOLE),
            CutTree.split(CutPlane.across(2, 375.037), CutTree.WHOLE, CutTree.WHOLE));
    private static final Sectioning STAFF = Sectioning.of(Shapes.tube(15, 0, 0, 1500, 24), Bvh.of(Shapes.tube(15, 0, 0, 1500, 24)), FOUR,
            "p", Letters.alone(), Progress.NONE);

    private static RigidSize in(double wide, double deep, double high) {
        var spaces = Spaces.UNKNOWN.withCar(Optional.of(new Spaces.Room(wide, deep, high)));
        return RigidSize.of(STAFF, STAFF, FOUR, spaces).getFirst();
    }

    @Test
    void aStaffThatLiesAcrossTheCarGoesWhole() {
        assertThat(in(1000, 1200, 300).whole()).as("1562 across").isTrue();
        assertThat(in(1000, 1200, 300).finding()).isEmpty();
    }

    @Test
    void theFirstPlaneStaysOpenWhereHalvesGoIn() {
        var r = in(900, 500, 400);
        assertThat(r.open()).as("the seam in the middle").containsExactly("B|C");
        assertThat(r.finding().orElseThrow().words()).contains("the car", "leave B|C open");
    }

    @Test
    void allPlanesStayOpenWhereOnlySectionsGoIn() {
        assertThat(in(400, 100, 100).open()).containsExactlyInAnyOrder("A|B", "B|C", "C|D");
        var none = in(200, 100, 100);
        assertThat(none.possible()).isFalse();
        assertThat(none.finding().orElseThrow().words()).contains("not even its sections");
    }

    @Test
    void aDoorIsAsDeepAsNeeded() {
        var door = Spaces.UNKNOWN.withDoor(Optional.of(Spaces.Room.door(800, 2000)));
        assertThat(RigidSize.of(STAFF, STAFF, FOUR, door).getFirst().whole()).isTrue();
        assertThat(RigidSize.of(STAFF, STAFF, FOUR, Spaces.UNKNOWN)).isEmpty();
    }
}
