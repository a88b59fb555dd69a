package yellowbracket.wear.light;

import java.util.List;
import java.util.Optional;
import yellowbracket.finding.Limits;
import yellowbracket.mesh.Vec3;

/**
 * A light or fan that is fitted.
 *
 * @param opening it follows the rim of, or empty @param places of the model it runs through, model mm; with a single one it sits there
 * @param lengthMm where neither tells it
 */
public record Load(String name, Kind kind, Optional<String> opening, List<Vec3> places, double lengthMm, int count) {
    /** What it is: current for a point or a piece at its voltage, and points for a metre. Starting values. */
    public enum Kind {
        STRIP("light strip", 20, 3, 60), WARM_STRIP("warm light strip", 15, 3, 30), LIGHT("single light", 20, 3, 0),
        FAN("fan 30 mm", 90, 5, 0);

        private final String words;
        private final double milliamp, volt, pointsMetre;

        Kind(String words, double milliamp, double volt, double pointsMetre) {
            this.words = words;
            this.milliamp = milliamp;
            this.volt = volt;
            this.pointsMetre = pointsMetre;
        }

        public String words() {
            return words;
        }

        public boolean strip() {
            return pointsMetre > 0;
        }

        public double volt() {
            return volt;
        }
    }

    private static final double MOST_MM = 20_000;
    /** A bend of a strip's path tighter than this breaks its tracks; heat bends of acrylic rods take more, mm. */
    public static final double BEND_MM = 12;

    public Load {
        Limits.named("a light", name);
        places = List.copyOf(places);
        Limits.within("length of " + name + ", mm", lengthMm, 0, MOST_MM);
        Limits.within("count of " + name, count, 1, 100);
    }

    /** mA at its own voltage. @param mm of the path, for strips */
    public double milliamp(double mm) {
        return count * kind.milliamp * (kind.strip() ? Math.max(1, Math.round(mm / 1000 * kind.pointsMetre)) : 1);
    }
}
