package yellowbracket.size;

import java.util.Optional;

/**
 * What a test piece told, tried on at {@code scale}: that it fits, where it is tight and by how much, or how much too loose it is, mm. An
 * empty zone means all round.
 */
public record Trial(double scale, Verdict verdict, Optional<Zone> zone, double mm) {
    /** How it fitted. */
    public enum Verdict { FITS, TIGHT, LOOSE }

    public Trial {
        if (!(scale > 0) || !(mm >= 0 && mm < 100))
            throw new IllegalArgumentException("a trial is at a scale above 0 and off by 0 to 100 mm");
    }
}
