package yellowbracket.colour.weather;

/** Schools of chipping: what is laid beneath the top colour, and how it comes off. */
public enum Chipping {
    LIQUID_MASK("masking liquid", "stipple masking liquid on the metal coat, top colour, rub off when dry", 9),
    HAIRSPRAY("hairspray", "two thin coats of hairspray on the metal coat, top colour, wet and scrub within a day", 7),
    DRY_BRUSH("painted on", "chips painted with a sponge and a fine brush over the top colour", 12);

    private final String words;
    private final String how;
    private final double minPerDm2;

    Chipping(String words, String how, double minPerDm2) {
        this.words = words;
        this.how = how;
        this.minPerDm2 = minPerDm2;
    }

    public String words() {
        return words;
    }

    public String how() {
        return how;
    }

    /** Minutes by hand for a square decimetre that is chipped. */
    double minPerDm2() {
        return minPerDm2;
    }

    /** Whether a coat of metal and something between go under the top colour. */
    boolean under() {
        return this != DRY_BRUSH;
    }
}
