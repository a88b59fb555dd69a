package yellowbracket.shop;

/** What the label or data sheet of a product says that the catalogue only supposes. */
public enum LabelTerm {
    RECOAT_FROM_H("next coat from", "h", 0, 500), RECOAT_TO_H("next coat until", "h", 0.01, 1000),
    RECOAT_AGAIN_H("or again after", "h", 0, 2000), SANDABLE_H("sand after", "h", 0, 500), TAPE_H("tape after", "h", 0, 500),
    FULL_H("cured through after", "h", 0, 2000), M2("one container covers", "m\u00b2", 0.01, 100),
    CONTAINER_ML("in a container", "ml", 1, 20_000), HARDENER_PERCENT("hardener", "%", 0.1, 150), POT_LIFE_MIN("pot life", "min", 1, 1000),
    LEAST_C("not colder than", "\u00b0C", -20, 40), MOST_C("not warmer than", "\u00b0C", 0, 60),
    MOST_HUMIDITY("air no damper than", "%", 20, 100);

    private final String words, unit;
    private final double least, most;

    LabelTerm(String words, String unit, double least, double most) {
        this.words = words;
        this.unit = unit;
        this.least = least;
        this.most = most;
    }

    public String words() {
        return words;
    }

    public String unit() {
        return unit;
    }

    public double least() {
        return least;
    }

    public double most() {
        return most;
    }

    /** Whether a product has such a thing at all: no pot life without a hardener, no ratio either. */
    public boolean of(Coating c) {
        return this != HARDENER_PERCENT && this != POT_LIFE_MIN || c.hardener().isPresent();
    }

    /** What is supposed where no label was read. */
    public double of(Coating c, double none) {
        return switch (this) {
            case RECOAT_FROM_H -> c.recoatFromH();
            case RECOAT_TO_H -> c.recoatToH();
            case RECOAT_AGAIN_H -> c.recoatAgainH();
            case SANDABLE_H -> c.sandableH();
            case TAPE_H -> c.tapeH();
            case FULL_H -> c.fullH();
            case M2 -> c.m2PerContainer();
            case CONTAINER_ML -> c.containerMl();
            case HARDENER_PERCENT -> c.hardener().map(h -> 100 * h.share()).orElse(none);
            case POT_LIFE_MIN -> c.potLifeMin();
            case LEAST_C -> c.leastC();
            case MOST_C -> c.mostC();
            case MOST_HUMIDITY -> c.mostHumidity();
        };
    }
}
