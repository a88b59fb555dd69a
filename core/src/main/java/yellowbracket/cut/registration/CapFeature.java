package yellowbracket.cut.registration;

import java.util.List;
import org.locationtech.jts.geom.Polygon;

/**
 * Something worked into the flat face of a section: {@code footprint} in the coordinates of the cut plane, mm, and how it goes on from the
 * face. Every level
 * is the footprint, scaled about its centroid by {@code share}, at {@code height} mm from the face: above 0 it stands out (tongue), below
 * it goes in (socket,
 * groove, letter). The first level lies in the face.
 */
public record CapFeature(Polygon footprint, List<Level> levels) {
    /** One cross-section. */
    public record Level(double height, double share) {}

    public CapFeature {
        levels = List.copyOf(levels);
        if (levels.size() < 2 || levels.getFirst().height() != 0)
            throw new IllegalArgumentException("a feature starts in the face and goes somewhere");
        if (footprint.isEmpty()) throw new IllegalArgumentException("a feature needs a footprint");
    }

    /** Straight walls. @param height above 0 stands out, below goes in */
    public static CapFeature straight(Polygon footprint, double height) {
        return new CapFeature(footprint, List.of(new Level(0, 1), new Level(height, 1)));
    }

    /** Goes in with a bevelled mouth, so that what enters finds its way. */
    public static CapFeature bevelled(Polygon footprint, double depth, double bevelMm) {
        double r = Math.sqrt(footprint.getArea() / Math.PI), mouth = (r + bevelMm) / r;
        return new CapFeature(footprint, List.of(new Level(0, mouth), new Level(-bevelMm, 1), new Level(-depth, 1)));
    }

    /** What the section gains, mm3; negative when it loses. A prismatoid between similar ends is exact. */
    public double volumeMm3() {
        double sum = 0;
        for (int i = 1; i < levels.size(); i++) {
            double a = levels.get(i - 1).share(), b = levels.get(i).share();
            sum += (levels.get(i).height() - levels.get(i - 1).height()) * (a * a + a * b + b * b) / 3;
        }
        return footprint.getArea() * sum;
    }
}
