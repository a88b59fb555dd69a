package yellowbracket.shop;

import java.util.ArrayList;
import java.util.List;

/**
 * Speeds along the path in mm/s. {@code acceleration}: hours of a real path, with its starts and corners, over hours at constant speed;
 * 1.18 fits helms at
 * 90 to 120 mm/s. A printer that is slower than the fastest of them prints all of it slower in proportion.
 */
public record Speeds(double outerMmS, double innerMmS, double infillMmS, double supportMmS, double travelMmS, double acceleration) {
    public static final Speeds USUAL = new Speeds(66, 110, 110, 88, 165, 1.18);

    /** The fastest while printing. */
    public double fastest() {
        return Math.max(Math.max(outerMmS, innerMmS), Math.max(infillMmS, supportMmS));
    }

    /** All of them, the acceleration apart, times {@code k}. */
    public Speeds times(double k) {
        return new Speeds(outerMmS * k, innerMmS * k, infillMmS * k, supportMmS * k, travelMmS * k, acceleration);
    }

    /** On a printer that does no more than {@code most} mm/s. */
    public Speeds upTo(double most) {
        return fastest() <= most ? this : times(most / fastest());
    }

    List<String> check() {
        var out = new ArrayList<String>();
        if (!(outerMmS > 0)) out.add("the outer wall's speed must be above 0 mm/s, was " + outerMmS + ".");
        if (!(innerMmS > 0)) out.add("the inner walls' speed must be above 0 mm/s, was " + innerMmS + ".");
        if (!(infillMmS > 0)) out.add("the infill's speed must be above 0 mm/s, was " + infillMmS + ".");
        if (!(supportMmS > 0)) out.add("the support's speed must be above 0 mm/s, was " + supportMmS + ".");
        if (!(travelMmS > 0)) out.add("the travel speed must be above 0 mm/s, was " + travelMmS + ".");
        if (!(acceleration >= 1 && acceleration <= 5)) out.add("the acceleration factor lies between 1 and 5, was " + acceleration + ".");
        return out;
    }
}
