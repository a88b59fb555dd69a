package yellowbracket.shop;

/** A FEPA P-grade and its mean grain, micrometres (FEPA 43-1:2006). */
public record Grit(int p, double grainUm) {
    /** Depth of the scratches it leaves under hand pressure, micrometres: about a quarter of the grain. */
    public double scratchUm() {
        return 0.25 * grainUm;
    }

    public String name() {
        return "P" + p;
    }
}
