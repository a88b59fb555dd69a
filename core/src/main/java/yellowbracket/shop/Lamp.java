package yellowbracket.shop;

/**
 * What resin is hardened with.
 * @param nm its wavelength @param mwCm2 irradiance at working distance, mW/cm2; of the sun, what counts of it around noon in June under a
 *        clear sky at 50 degrees north @param spotDm2 what it lights at once
 */
public record Lamp(String name, double nm, double mwCm2, double spotDm2, Kind kind) {
    /** A lamp moved from spot to spot; a box that lights one side at a time; the sun. */
    public enum Kind { SPOT, BOX, SUN }

    public Lamp {
        if (!(nm > 0 && mwCm2 > 0 && spotDm2 > 0)) throw new IllegalArgumentException("a lamp has a wavelength, an irradiance and a spot");
    }
}
