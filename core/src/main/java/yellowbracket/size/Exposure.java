package yellowbracket.size;

import java.util.List;

/** What a prop goes through: by it materials, joints and paint are judged. */
public enum Exposure {
    DISPLAY("on display"), INDOORS("worn indoors"), SUN("outdoors in the sun"), CAR("left in a car"), RAIN("out in the rain"),
    CHILDREN("children near");

    private final String words;

    Exposure(String words) {
        this.words = words;
    }

    /** Of all that a prop goes through; a warm room while nobody has said. */
    public static double hottestC(List<Exposure> all) {
        return all.stream().mapToDouble(Exposure::hottestC).max().orElse(DISPLAY.hottestC());
    }

    public String words() {
        return words;
    }

    /** Hottest that the prop gets, degrees: air, a dark surface in the sun, a closed car in summer. Common values, not measured here. */
    public double hottestC() {
        return switch (this) {
            case SUN -> 60;
            case CAR -> 75;
            default -> 35;
        };
    }
}
