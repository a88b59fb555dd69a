package yellowbracket.shop;

import java.util.Optional;

/**
 * A person the prop is for. Hair is what stands between skin and shell when pressed down, mm. {@code eyesMm}: eye height standing where it
 * was measured; {@code scan}
 * takes the place of the form made from the measures.
 */
public record Wearer(String name, HeadMeasures head, boolean glasses, double hairMm, double bodyHeightMm, Optional<Double> eyesMm,
        Optional<HeadScan> scan) {
    /** Known by measures only. */
    public Wearer(String name, HeadMeasures head, boolean glasses, double hairMm, double bodyHeightMm) {
        this(name, head, glasses, hairMm, bodyHeightMm, Optional.empty(), Optional.empty());
    }

    /** Eye height standing, mm: as measured, or 0.936 of the body height (adult mean). */
    public double eyeHeightMm() {
        return eyesMm.orElse(0.936 * bodyHeightMm);
    }

    /** The same person, scanned; the measures are those the tape finds on the scan. */
    public Wearer scanned(HeadScan s, HeadMeasures measures) {
        return new Wearer(name, measures, glasses, hairMm, bodyHeightMm, eyesMm, Optional.of(s));
    }
}
