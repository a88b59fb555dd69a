package yellowbracket.shop;

import java.util.Optional;
import yellowbracket.finding.Limits;

/**
 * A person the prop is for. Hair is what stands between skin and shell when pressed down, mm. {@code eyesMm}: eye height standing where it
 * was measured; {@code scan}
 * takes the place of the form made from the measures.
 */
public record Wearer(String name, HeadMeasures head, boolean glasses, double hairMm, Optional<Double> bodyHeightMm, Optional<Double> eyesMm,
        Optional<HeadScan> scan) {
    /** Assumed of somebody who was not measured standing: between adult women and men; children are smaller by far. */
    private static final double MEAN_BODY_MM = 1700;

    public Wearer {
        Limits.named("a wearer", name);
        Limits.within("hair of " + name + ", mm", hairMm, 0, 400);
        bodyHeightMm.ifPresent(mm -> Limits.within("body height of " + name + ", mm", mm, 0, 3000));
        eyesMm.ifPresent(mm -> Limits.within("eye height of " + name + ", mm", mm, 0, 3000));
    }

    /** Known by measures only. */
    public Wearer(String name, HeadMeasures head, boolean glasses, double hairMm, double bodyHeightMm) {
        this(name, head, glasses, hairMm, Optional.of(bodyHeightMm), Optional.empty(), Optional.empty());
    }

    /** As measured, or {@link #MEAN_BODY_MM}, which whoever shows it must say. */
    public double standingMm() {
        return bodyHeightMm.orElse(MEAN_BODY_MM);
    }

    /** Eye height standing, mm: as measured, or 0.936 of the body height (adult mean). */
    public double eyeHeightMm() {
        return eyesMm.orElse(0.936 * standingMm());
    }

    public Wearer withGlasses(boolean on) {
        return new Wearer(name, head, on, hairMm, bodyHeightMm, eyesMm, scan);
    }

    /** The same person, scanned; the measures are those the tape finds on the scan. */
    public Wearer scanned(HeadScan s, HeadMeasures measures) {
        return new Wearer(name, measures, glasses, hairMm, bodyHeightMm, eyesMm, Optional.of(s));
    }
}
