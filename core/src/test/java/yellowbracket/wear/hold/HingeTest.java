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
        var rib = Hinge.of(seam(block.union(G.toGeometry(new Envelope(100, 110, -4, 1))))).orElseThrow();
        assertThat(rib.bulgeMm()).as("the other long side has none").isZero();
        var both = block.union(G.toGeometry(new Envelope(100, 110, -4, 1))).union(G.toGeometry(new Envelope(100, 110, 49, 54)));
        var h = Hinge.of(seam(both)).orElseThrow();
        assertThat(h.lengthMm()).isCloseTo(100, within(1e-9));
        assertThat(h.bulgeMm()).isCloseTo(4, within(1e-9));
        assertThat(h.findings()).singleElement().asString().contains("4 mm outside the wall");
        var deep = block.union(G.toGeometry(new Envelope(100, 110, -20, 1))).union(G.toGeometry(new Envelope(100, 110, 49, 70)));
        assertThat(Hinge.of(seam(deep)).orElseThrow().findings()).singleElement().asString().contains("binds");
    }

    @Test
    void anEmptyFaceHasNone() {
        assertThat(Hinge.of(seam(G.createPolygon()))).isEmpty();
    }
}
