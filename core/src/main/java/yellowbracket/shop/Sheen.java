package yellowbracket.shop;

/** How a dry film shines: gloss units at 60 degrees, as test cards are measured. */
public enum Sheen {
    MATT("matt", 3, 10), SATIN("satin", 20, 40), GLOSS("gloss", 80, 95), MIRROR("mirror", 200, 1000);

    private final String words;
    private final double least;
    private final double most;

    Sheen(String words, double least, double most) {
        this.words = words;
        this.least = least;
        this.most = most;
    }

    public String words() {
        return words;
    }

    public double leastUnits() {
        return least;
    }

    public double mostUnits() {
        return most;
    }
}
