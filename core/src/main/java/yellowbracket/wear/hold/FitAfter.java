package yellowbracket.wear.hold;

import java.util.Locale;
import java.util.Optional;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;

/**
 * What is left between two faces that go together after paint.
 *
 * @param what "socket 5 x 16 mm", "face" ... @param gapMm a side as designed @param filmMm of all coats on one face @param bare whether the
 * faces are kept free of paint
 */
public record FitAfter(String where, String what, double gapMm, double filmMm, boolean bare) {
    /** Less on each side binds, mm. */
    static final double BINDS_MM = 0.05;

    /** A side, with paint on both faces unless they are kept bare; below 0 it does not go in. */
    public double leftMm() {
        return bare ? gapMm : gapMm - 2 * filmMm;
    }

    public boolean binds() {
        return leftMm() < BINDS_MM;
    }

    public Optional<Finding> finding() {
        if (!binds()) return Optional.empty();
        return Optional.of(Finding.of(Weight.CARE, Subject.seam(where),
                String.format(Locale.ROOT,
                        "%s, %s: %.2f mm of room a side, the coats take %.2f: %.2f left; keep both faces bare, or ream it after paint",
                        where, what, gapMm, 2 * filmMm, leftMm())));
    }
}
