package yellowbracket.print;

import yellowbracket.shop.Printer;
import yellowbracket.shop.Profile;
import yellowbracket.work.SectionId;

/** One section as it will be printed. {@code fits} is false when it exceeds the printer in every turned position. */
public record SectionPrint(SectionId id, Orientation orientation, Profile profile, Printer printer, Estimate estimate, boolean fits) {
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
