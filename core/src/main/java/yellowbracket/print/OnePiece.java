package yellowbracket.print;

/**
 * One long print against the sections it is cut into: hours and grams as computed and as they must be expected with failures, all that is
 * lost by a failure
 * at a share of the print. {@code fits} is false where no bed holds it in one piece: then the figures say what cutting would cost if one
 * did.
 */
public record OnePiece(double hours, double expectedHours, double grams, double expectedGrams, double success, boolean fits) {
    public static OnePiece of(SectionPrint whole) {
        double rate = whole.printer().failuresPerHour();
        return new OnePiece(whole.hours(), whole.expectedHours(), whole.grams(), whole.expectedGrams(),
                Failure.success(whole.hours(), rate), whole.fits());
    }
}
