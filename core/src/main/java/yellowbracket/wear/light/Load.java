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
    /**
     * What it is: current for a point or a piece at its voltage, points for a metre; mass of a metre of what is long, else of a piece, g;
     * and the least radius of its path, mm: tracks of strips break below it, a rod of 8 mm kinks although it is warm. Starting values.
     */
    public enum Kind {
        STRIP("light strip", 20, 3, 60, 22, 12), WARM_STRIP("warm light strip", 15, 3, 30, 18, 12), LIGHT("single light", 20, 3, 0, 3, 0),
        ROD("acrylic rod 8 mm, lit at its end", 20, 3, 0, 60, 24), FAN("fan 30 mm", 90, 5, 0, 9, 0);

        private final String words;
        private final double milliamp, volt, pointsMetre, grams, bendMm;

        Kind(String words, double milliamp, double volt, double pointsMetre, double grams, double bendMm) {
            this.words = words;
            this.milliamp = milliamp;
            this.volt = volt;
            this.pointsMetre = pointsMetre;
            this.grams = grams;
            this.bendMm = bendMm;
        }

        /** Whether it has a length: it follows a path. */
        public boolean along() {
            return bendMm > 0;
        }

        /** Its path may not bend tighter, mm; 0 for what has no path. */
        public double bendMm() {
            return bendMm;
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

    /** @param mm of the path, for what follows one */
    public double grams(double mm) {
        return count * kind.grams * (kind.along() ? mm / 1000 : 1);
    }
}
