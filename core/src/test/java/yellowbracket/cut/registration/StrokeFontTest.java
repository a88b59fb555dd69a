package yellowbracket.cut.registration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Geometry;

/** Letters a nozzle can sink into plastic. */
class StrokeFontTest {
    private static final String ALL = "ABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789%";

    /**
     * Every letter a section can have and every digit of a scale stands as high as asked, no wider than its place, in one piece but for the
     * per cent sign.
     */
    @ParameterizedTest
    @ValueSource(doubles = {2.5, 6, 20})
    void everySignIsWholeAndOfItsSize(double height) {
        double stroke = Math.max(0.5, height / 8);
        for (char c : ALL.toCharArray()) {
            var sign = StrokeFont.areas(String.valueOf(c), height, stroke);
            var box = sign.getEnvelopeInternal();
            assertThat(sign.isValid()).as("%s", c).isTrue();
            assertThat(box.getHeight()).as("height of %s", c).isCloseTo(height + stroke, within(0.03 * height));
            assertThat(box.getMinX()).as("left of %s", c).isGreaterThan(-0.6 * stroke);
            assertThat(box.getMaxX()).as("right of %s", c).isLessThan(StrokeFont.width("A", height) + 0.6 * stroke);
            if (c != '%') assertThat(sign.getNumGeometries()).as("pieces of %s", c).isEqualTo(1);
        }
    }

    /** At the least height, with the least stroke, no two signs may be taken for each other; O and 0 differ by the stroke through the 0. */
    @Test
    void noTwoSignsLookAlike() {
        for (int i = 0; i < ALL.length(); i++) for (int j = 0; j < i; j++) {
            var a = StrokeFont.areas(ALL.substring(i, i + 1), 2.5, 0.5);
            var b = StrokeFont.areas(ALL.substring(j, j + 1), 2.5, 0.5);
            assertThat(a.symDifference(b).getArea()).as("%s and %s", ALL.charAt(i), ALL.charAt(j))
                    .isGreaterThan(0.1 * Math.min(a.getArea(), b.getArea()));
        }
    }

    @Test
    void aTextIsAsWideAsItSays() {
        for (var text : List.of("A 104", "AB 98", "M")) {
            var box = StrokeFont.areas(text, 6, 0.75).getEnvelopeInternal();
            assertThat(box.getWidth()).as(text).isBetween(StrokeFont.width(text, 6) - 2, StrokeFont.width(text, 6) + 0.76);
        }
        assertThat(StrokeFont.width("AA", 12)).as("in proportion").isCloseTo(2 * StrokeFont.width("AA", 6), within(1e-12));
    }

    @Test
    void whatTheFontDoesNotKnowIsLeftBlank() {
        var plain = StrokeFont.areas("A B", 6, 0.75);
        assertThat(StrokeFont.areas("A\u00e9B", 6, 0.75).symDifference(plain).getArea()).isZero();
        assertThat(StrokeFont.areas("", 6, 0.75).isEmpty()).isTrue();
    }

    @Test
    void theArrowPointsUpAndTurnsWithItsPlace() {
        var up = StrokeFont.arrow(6, 0.75);
        assertThat(up.getCentroid().getY()).as("its head is the heavier end").isGreaterThan(0.3);
        var left = StrokeFont.placed(up, Math.PI / 2, 10, 20);
        Geometry middle = left.getCentroid();
        assertThat(middle.getCoordinate().x).isCloseTo(10 - up.getCentroid().getY(), within(1e-9));
        assertThat(middle.getCoordinate().y).isCloseTo(20, within(1e-9));
    }
}
