package yellowbracket.shop;

import yellowbracket.finding.Limits;

/**
 * How much larger than drawn a printer makes a hole, a peg and a length, mm; less than 0: smaller. Holes usually come out too small and
 * pegs too large. Measured on a test piece.
 */
public record FitError(double holeMm, double pegMm, double lengthMm) {
    /** A printer further off is broken, or the wrong thing was measured. */
    private static final double MOST_MM = 2;

    public FitError {
        Limits.within("error of a hole, mm", holeMm, -MOST_MM, MOST_MM);
        Limits.within("error of a peg, mm", pegMm, -MOST_MM, MOST_MM);
        Limits.within("error of a length, mm", lengthMm, -MOST_MM, MOST_MM);
    }

    /** Of a hole over a peg, both printed here: what is left of the clearance drawn. */
    public double clearanceMm(double drawnMm) {
        return drawnMm + holeMm - pegMm;
    }

    /** How wide to draw a hole for a bought rod, so that this much is left around it. */
    public double holeFor(double rodMm, double clearanceMm) {
        return rodMm + clearanceMm - holeMm;
    }
}
