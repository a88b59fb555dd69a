package yellowbracket.plan;

/** How many simulated futures end before the day, and what that says of the chance. */
public record Chance(int ready, int runs) {
    /** Of the standard normal distribution: four fifths lie within. */
    private static final double Z80 = 1.2816;
    /** How seldom every future may end alike by luck alone; about 3 / n is left then, the rule of three. */
    private static final double LUCK = 0.05;

    public Chance {
        if (runs < 1 || ready < 0 || ready > runs) throw new IllegalArgumentException(ready + " of " + runs + " futures");
    }

    public double share() {
        return (double) ready / runs;
    }

    /** The chance lies above with nine in ten (Wilson, 1927); by the rule of three when every future ends in time. */
    public double low() {
        return ready == runs ? Math.pow(LUCK, 1.0 / runs) : wilson(-1);
    }

    /** The chance lies below with nine in ten. */
    public double high() {
        return ready == 0 ? 1 - Math.pow(LUCK, 1.0 / runs) : wilson(1);
    }

    /** No surer than the futures allow: the bound where all of them end alike. */
    public double told() {
        return ready == runs ? low() : ready == 0 ? high() : share();
    }

    private double wilson(int side) {
        double n = runs, p = share(), z2 = Z80 * Z80 / n;
        return Math.clamp((p + z2 / 2 + side * Z80 * Math.sqrt(p * (1 - p) / n + z2 / (4 * n))) / (1 + z2), 0, 1);
    }
}
