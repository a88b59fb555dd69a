package yellowbracket.shop;

import java.util.List;

/**
 * The hardener of a two-part product, as a part of the base by mass or by volume. Only peroxide-cured polyester may be given more in the
 * cold and less in the heat, within its label's range; all others keep their ratio whatever the weather, or never cure.
 *
 * @param share at 20 degrees C @param byCelsius the label's table, coldest first; empty for a fixed ratio
 */
public record Hardener(Basis basis, double share, double least, double most, List<At> byCelsius) {
    /** What the ratio is measured in. */
    public enum Basis { MASS, VOLUME }

    /** The share at a temperature. */
    public record At(double celsius, double share) {}

    public Hardener {
        byCelsius = List.copyOf(byCelsius);
        if (!(least > 0 && least <= share && share <= most && most <= 1.5)) throw new IllegalArgumentException(
                "a hardener's share lies between its least and its most, was " + share + " of " + least + " to " + most);
        if (byCelsius.isEmpty() && least != most) throw new IllegalArgumentException("a fixed ratio has no range");
        for (int i = 1; i < byCelsius.size(); i++) if (byCelsius.get(i).celsius <= byCelsius.get(i - 1).celsius)
            throw new IllegalArgumentException("a hardener's table goes from cold to warm");
    }

    /** A product that is mixed in one ratio only. */
    public static Hardener fixed(Basis basis, double share) {
        return new Hardener(basis, share, share, share, List.of());
    }

    public boolean isFixed() {
        return byCelsius.isEmpty();
    }

    /** By the table, straight between its lines, never outside the label's range. */
    public double shareAt(double celsius) {
        if (isFixed()) return share;
        var before = byCelsius.getFirst();
        for (var at : byCelsius) {
            if (at.celsius >= celsius) {
                double span = at.celsius - before.celsius, t = span > 0 ? (celsius - before.celsius) / span : 1;
                return Math.clamp(before.share + Math.max(0, t) * (at.share - before.share), least, most);
            }
            before = at;
        }
        return Math.clamp(before.share, least, most);
    }
}
