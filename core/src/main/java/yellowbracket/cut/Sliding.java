package yellowbracket.cut;

/** How a hole goes over a peg with so much clearance in diameter, mm: craft practice for printed parts of some mm. */
public enum Sliding {
    BINDS("does not go in"), PRESSED("goes in with a mallet"), PUSHED("pushes together by hand"), SLIDES("slides"), RATTLES("rattles");

    /** Aimed at, mm. */
    public static final double GOOD_MM = 0.2;

    private final String words;

    Sliding(String words) {
        this.words = words;
    }

    public static Sliding of(double clearanceMm) {
        if (clearanceMm < 0) return BINDS;
        if (clearanceMm < 0.08) return PRESSED;
        if (clearanceMm < 0.3) return PUSHED;
        return clearanceMm < 0.5 ? SLIDES : RATTLES;
    }

    public String words() {
        return words;
    }

    public boolean good() {
        return this == PUSHED || this == SLIDES;
    }
}
