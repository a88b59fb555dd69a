package yellowbracket.wear.hold;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import yellowbracket.cut.MatingFace;
import yellowbracket.cut.Seam;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Vec3;

class HingeTest {
    private static final GeometryFactory G = new GeometryFactory();

    private static Seam seam(Geometry shape) {
        var face = new MatingFace(CutPlane.across(2, 40), shape);
        return new Seam("A", "B", 0, shape.getArea(), shape.getLength(), 0, face.at(0, 0), Vec3.Z, 1, 1, List.of(), face, true);
    }

    @Test
    void theLongSideOfARectangleTurnsFreely() {
        var h = Hinge.of(seam(G.toGeometry(new Envelope(0, 120, 0, 50)))).orElseThrow();

        assertThat(h.lengthMm()).isCloseTo(120, within(1e-9));
        assertThat(h.bulgeMm()).isZero();
        assertThat(h.leafMm()).isEqualTo(40);
        assertThat(h.from().z()).isEqualTo(40);
        assertThat(h.findings()).singleElement()
                .asString()
                .contains("two hinges of 40 mm", "before paint")
                .doesNotContain("outside the wall");
    }

    /** A chord whose arc leaves it by one mm: 2 sqrt(2 r s - s^2). */
    @Test
    void aRoundEdgeIsStraightAsFarAsItsSagAllows() {
        var h = Hinge.of(seam(G.createPoint(new Coordinate(0, 0)).buffer(400, 400))).orElseThrow();
        double chord = 2 * Math.sqrt(2 * 400 * Hinge.OFF_MM - Hinge.OFF_MM * Hinge.OFF_MM);

        assertThat(h.lengthMm()).isBetween(chord - 12, chord + 0.01);
        assertThat(h.bulgeMm()).isBetween(0.9, Hinge.OFF_MM + 1e-9);
        assertThat(Hinge.of(seam(G.createPoint(new Coordinate(0, 0)).buffer(90, 100)))).as("a round of 90 mm has no 36 mm").isEmpty();
    }

    @Test
    void whatStandsOutBeyondTheLineMustGoRoundIt() {
        var block = G.toGeometry(new Envelope(0, 120, 0, 50));
        var rib = Hinge.of(seam(block.union(G.toGeometry(new Envelope(100, 110, -20, 1))))).orElseThrow();
        assertThat(rib.bulgeMm()).as("the other long side has none").isZero();
        assertThat(rib.lengthMm()).isCloseTo(120, within(1e-9));
        var low = Hinge.of(seam(ribbed(4))).orElseThrow();
        assertThat(low.bulgeMm()).isCloseTo(4, within(1e-9));
        assertThat(low.findings()).singleElement().asString().contains("4 mm outside the wall");
        var deep = Hinge.of(seam(ribbed(20))).orElseThrow();
        assertThat(deep.turns()).isFalse();
        assertThat(deep.findings()).singleElement().asString().contains("binds");
    }

    /** Every side has a rib in its middle. */
    private static Geometry ribbed(double mm) {
        return G.toGeometry(new Envelope(0, 120, 0, 100))
                .union(G.toGeometry(new Envelope(55, 65, -mm, 100 + mm)))
                .union(G.toGeometry(new Envelope(-mm, 120 + mm, 45, 55)));
    }

    @Test
    void anEmptyFaceHasNone() {
        assertThat(Hinge.of(seam(G.createPolygon()))).isEmpty();
    }
}
