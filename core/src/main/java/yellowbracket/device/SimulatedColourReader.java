package yellowbracket.device;

import java.util.Optional;
import java.util.SplittableRandom;
import yellowbracket.shop.Lab;

/**
 * A colour reader that is not there: each reading is off by a little noise, its lamp drifts with every reading until it sees its tile
 * again, and after a hundred readings it asks for it. Time is counted in readings.
 */
public final class SimulatedColourReader implements ColourReader {
    private static final double NOISE = 0.25, DRIFT = 0.03;
    private static final int GOOD_FOR = 100;

    private final SplittableRandom random;
    private Lab sample = new Lab(50, 0, 0);
    private int since = GOOD_FOR;
    private double drift;

    public SimulatedColourReader(long seed) {
        random = new SplittableRandom(seed);
    }

    /** Lays it on a sample. */
    public synchronized void lay(Lab on) {
        sample = on;
    }

    @Override
    public synchronized void calibrate() {
        since = 0;
        drift = 0;
    }

    @Override
    public synchronized boolean calibrated() {
        return since < GOOD_FOR;
    }

    @Override
    public synchronized Optional<Lab> read() {
        if (!calibrated()) return Optional.empty();
        since++;
        drift += DRIFT * (random.nextDouble() - 0.3);
        return Optional.of(new Lab(Math.clamp(sample.l() + drift + noise(), 0, 100), sample.a() + noise(), sample.b() + noise()));
    }

    private double noise() {
        return NOISE * (random.nextDouble() + random.nextDouble() - 1);
    }
}
