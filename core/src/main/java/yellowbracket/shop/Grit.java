package yellowbracket.shop;

/**
 * A FEPA P-grade and its mean grain, micrometres (FEPA 43-1:2006).
 * @param cm3Min taken off bare PLA by hand with a block, cm3 a minute: workshop practice
 */
public record Grit(int p, double grainUm, double cm3Min) {
    /** Depth of the scratches it leaves under hand pressure, micrometres: about a third of the grain. */
    public double scratchUm() {
        return 0.35 * grainUm;
    }

    public String name() {
        return "P" + p;
    }
}
