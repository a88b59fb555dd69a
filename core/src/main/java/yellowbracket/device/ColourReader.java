package yellowbracket.device;

import java.util.Optional;
import yellowbracket.shop.Lab;

/** A reader held on a dried sample. It must see its white tile before it tells colours. */
public interface ColourReader {
    /** Reads the white tile it lies on. */
    void calibrate();

    /** Whether it saw its tile lately enough. */
    boolean calibrated();

    /** The sample under it; empty until it is calibrated. */
    Optional<Lab> read();

    /** A mean of several readings. */
    default Optional<Lab> mean(int readings) {
        double l = 0, a = 0, b = 0;
        for (int i = 0; i < readings; i++) {
            var one = read();
            if (one.isEmpty()) return one;
            l += one.get().l() / readings;
            a += one.get().a() / readings;
            b += one.get().b() / readings;
        }
        return Optional.of(new Lab(l, a, b));
    }
}
