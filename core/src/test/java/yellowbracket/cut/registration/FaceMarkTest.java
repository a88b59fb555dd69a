package yellowbracket.cut.registration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.util.AffineTransformation;
import yellowbracket.cut.MatingFace;
import yellowbracket.cut.Seam;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Vec3;

/** A section's name sunk into a mating face. */
class FaceMarkTest {
    private static final GeometryFactory GEOMETRY = new GeometryFactory();
    private static final double EDGE_MM = 0.6;

    private static Geometry strip(double long_, double wide, double turnedDegrees) {
        var flat = GEOMETRY.toGeometry(new Envelope(-long_ / 2, long_ / 2, -wide / 2, wide / 2));
        return AffineTransformation.rotationInstance(Math.toRadians(turnedDegrees)).transform(flat);
    }

    private static Seam seam(Geometry shape) {
        var face = new MatingFace(CutPlane.across(2, 40), shape);
        return new Seam("A", "B", 0, shape.getArea(), shape.getLength(), 0, face.at(0, 0), Vec3.Z, 1, 1, List.of(), face, true);
    }

    private static Geometry together(List<CapFeature> marks) {
        return StrokeFont.together(marks.stream().map(m -> (Geometry) m.footprint()).toList());
    }

    /** Letters as high as the face allows; the mark as a whole is a little higher, by its stroke. */
    @ParameterizedTest(name = "{0} x {1} mm: letters of {2} mm")
    @CsvSource({"80, 30, 6", "80, 9, 6", "60, 7.2, 4.5", "60, 5.6, 3.4", "60, 4.6, 2.5"})
    void lettersAreAsHighAsTheFaceAllows(double long_, double wide, double height) {
        var marks = FaceMark.of(seam(strip(long_, wide, 0)), false, "B 104", List.of()).orElseThrow();
        assertThat(together(marks).getEnvelopeInternal().getHeight()).isBetween(height, height + Math.max(0.5, height / 8) + 0.05);
    }

    @Test
    void aFaceTooNarrowOrTooSmallGetsNone() {
        assertThat(FaceMark.of(seam(strip(80, 3, 0)), false, "B 104", List.of())).isEmpty();
        assertThat(FaceMark.of(seam(strip(9, 5, 0)), false, "B 104", List.of())).isEmpty();
        assertThat(FaceMark.of(seam(strip(2, 2, 0)), false, "B 104", List.of())).isEmpty();
    }

    /** Whichever way the wall runs, the mark lies within it and off its edge, and sinks 0.4 mm. */
    @ParameterizedTest(name = "turned {0} degrees")
    @CsvSource({"0", "30", "45", "90", "135", "180", "315"})
    void theMarkLiesAlongTheFaceAndOffItsEdge(double turned) {
        var shape = strip(60, 6, turned);
        for (boolean upper : new boolean[] {true, false}) {
            var marks = FaceMark.of(seam(shape), upper, "B 104", List.of()).orElseThrow();
            assertThat(shape.buffer(-EDGE_MM + 0.02).contains(together(marks))).isTrue();
            assertThat(marks).allSatisfy(m -> assertThat(m.levels().getLast().height()).isEqualTo(-0.4));
        }
    }

    /**
     * Seen from below, what goes into the upper section is mirrored: the widths of a name and its mirror image are told by where most of
     * the ink lies.
     */
    @Test
    void theUpperSectionsMarkIsMirrored() {
        var shape = strip(60, 12, 0);
        var lower = together(FaceMark.of(seam(shape), false, "L 1", List.of()).orElseThrow());
        var upper = together(FaceMark.of(seam(shape), true, "L 1", List.of()).orElseThrow());
        assertThat(upper.getArea()).isCloseTo(lower.getArea(), within(0.01 * lower.getArea()));
        var mirrored = AffineTransformation.scaleInstance(-1, 1).transform(lower);
        assertThat(upper.symDifference(mirrored).getArea()).as("the arrow points up on both, the letters are turned over")
                .isLessThan(0.1 * lower.getArea());
        assertThat(upper.symDifference(lower).getArea()).isGreaterThan(0.3 * lower.getArea());
    }

    @Test
    void theMarkKeepsOffWhatIsWorkedInAlready() {
        var shape = strip(70, 10, 0);
        var hole = CapFeature.straight(Footprints.round(0, 0, 6), -8);
        var marks = FaceMark.of(seam(shape), false, "B 104", List.of(hole)).orElseThrow();
        assertThat(together(marks).distance(hole.footprint())).isGreaterThan(EDGE_MM);
    }
}
