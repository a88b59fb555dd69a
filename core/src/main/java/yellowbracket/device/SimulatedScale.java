package yellowbracket.device;

import java.util.SplittableRandom;

/**
 * A kitchen scale that is not there: it overshoots a fresh load, settles in about a second, creeps a little while it stands, and flickers
 * by a step. Time is fed by {@link #advance}.
 */
public final class SimulatedScale implements KitchenScale {
    /** Overshoot of a fresh load, as a share; it dies away within so many seconds. */
    private static final double OVERSHOOT = 0.15, SETTLES_S = 0.35;
    /** It creeps by so many of its steps in a minute. */
    private static final double CREEP_STEPS_MIN = 0.4;
    /** How often the last digit flickers. */
    private static final double FLICKERS = 0.02;

    private final double step;
    private final SplittableRandom random;
    private double load;
    private double zero;
    private double swing;
    private double creep;

    /** @throws IllegalArgumentException for a step of 0 or less */
    public SimulatedScale(double stepG, long seed) {
        if (!(stepG > 0)) throw new IllegalArgumentException("a scale shows steps above 0 g");
        step = stepG;
        random = new SplittableRandom(seed);
    }

    /** Puts more on it, or takes some off. */
    public synchronized void put(double grams) {
        double before = load;
        load = Math.max(0, load + grams);
        swing += OVERSHOOT * (load - before);
    }

    /** All is taken off, and it shows nothing once more. */
    public synchronized void clear() {
        load = 0;
        swing = 0;
        zero = creep;
    }

    public synchronized void advance(double seconds) {
        swing *= Math.exp(-seconds / SETTLES_S);
        creep += CREEP_STEPS_MIN * step * seconds / 60;
    }

    @Override
    public synchronized double shown() {
        double flicker = random.nextDouble() < FLICKERS ? (random.nextBoolean() ? step : -step) : 0;
        return step * Math.round((load + swing + creep - zero + flicker) / step);
    }

    @Override
    public double stepG() {
        return step;
    }

    @Override
    public synchronized void tare() {
        zero = load + swing + creep;
    }
}
