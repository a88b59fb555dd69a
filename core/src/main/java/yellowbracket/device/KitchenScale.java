package yellowbracket.device;

/** A scale that shows grams, in steps of its own. */
public interface KitchenScale {
    /** What it shows, g, a whole number of its steps. */
    double shown();

    /** The smallest difference it shows, g. */
    double stepG();

    /** What lies on it now counts as nothing. */
    void tare();
}
