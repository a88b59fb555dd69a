package yellowbracket.shop;

/** A person the prop is for. Hair is what stands between skin and shell when pressed down, mm. */
public record Wearer(String name, HeadMeasures head, boolean glasses, double hairMm, double bodyHeightMm) {
    /** Eye height standing, mm: 0.936 of the body height (adult mean). */
    public double eyeHeightMm() {
        return 0.936 * bodyHeightMm;
    }
}
