package yellowbracket.cut;

import java.util.List;
import yellowbracket.mesh.Vec3;

/**
 * Where two sections meet in one plane. {@code areaMm2} is the mating area, {@code lengthMm} the length of the line on the model's surface,
 * {@code showLengthMm} the part of it seen from outside; {@code leastMomentMm4} is the least second moment of the mating area about an axis
 * through its centre, {@code halfDepthMm} its half extent across that axis; {@code line} holds the edges of the seam line as point pairs;
 * {@code face} the mating area itself; {@code firstAbove} tells that the first section lies where the plane's normal points.
 */
public record Seam(String first, String second, int plane, double areaMm2, double lengthMm, double showLengthMm, Vec3 centre, Vec3 normal,
        double leastMomentMm4, double halfDepthMm, List<Vec3> line, MatingFace face, boolean firstAbove) {
    public Seam {
        line = List.copyOf(line);
    }

    /** {@code B|C} */
    public String name() {
        return first + "|" + second;
    }

    /** The section on the side the plane's normal points to, and the other. */
    public String above() {
        return firstAbove ? first : second;
    }

    public String below() {
        return firstAbove ? second : first;
    }

    /** Mean thickness of the joint: area over half the line (both sides of the wall), mm. */
    public double wallMm() {
        return lengthMm > 0 ? 2 * areaMm2 / lengthMm : 0;
    }

    public Seam scaled(double k) {
        return new Seam(first, second, plane, areaMm2 * k * k, lengthMm * k, showLengthMm * k, centre.times(k), normal,
                leastMomentMm4 * k * k * k * k, halfDepthMm * k, line.stream().map(p -> p.times(k)).toList(), face.scaled(k), firstAbove);
    }
}
