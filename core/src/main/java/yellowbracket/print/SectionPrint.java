package yellowbracket.print;

import java.util.List;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Profile;
import yellowbracket.work.SectionId;

/**
 * One section as it will be printed. {@code fits} is false when it exceeds the printer in every turned position; {@code bands}: layers of
 * other heights over parts of its own, none for the profile's all the way up.
 */
public record SectionPrint(SectionId id, Orientation orientation, Profile profile, Printer printer, Estimate estimate, boolean fits,
        List<Band> bands) {
    public SectionPrint {
        bands = List.copyOf(bands);
    }

    public SectionPrint(SectionId id, Orientation orientation, Profile profile, Printer printer, Estimate estimate, boolean fits) {
        this(id, orientation, profile, printer, estimate, fits, List.of());
    }

    /** Layer height so high over the bed, mm. */
    public double layerAt(double heightMm) {
        return bands.stream()
                .filter(b -> heightMm >= b.fromMm() && heightMm < b.toMm())
                .mapToDouble(Band::layerMm)
                .findFirst()
                .orElse(profile.layerMm());
    }

    /** Its letter. */
    public String name() {
        return id.letter();
    }

    public double hours() {
        return estimate.hours();
    }

    public double expectedHours() {
        return Failure.expectedHours(estimate.hours(), printer.failuresPerHour());
    }

    /** Section and support. */
    public double grams() {
        return estimate.grams() + estimate.supportGrams();
    }

    public double expectedGrams() {
        return Failure.expectedGrams(grams(), estimate.hours(), printer.failuresPerHour());
    }

    public double risk() {
        return 1 - Failure.success(estimate.hours(), printer.failuresPerHour());
    }

    public double cusp50Um() {
        return 1000 * profile.layerMm() * orientation.cusp50();
    }

    public double cusp95Um() {
        return 1000 * profile.layerMm() * orientation.cusp95();
    }
}
