package yellowbracket.join;

import java.util.List;

/**
 * What the cut station worked into a seam. @param pieces of hardware, a tongue counts as one @param rods glued into bores across it
 * @param through its rod is one that goes through several seams
 * @param magnetN pull of all its magnets together @param pegMm2 cross-section of its pins, pegs and rods
 */
public record Fittings(int pieces, List<Rod> rods, boolean through, double magnetN, double pegMm2) {
    public static final Fittings NONE = new Fittings(0, List.of(), false, 0, 0);

    public Fittings {
        rods = List.copyOf(rods);
    }

    public static Fittings pins(int pieces) {
        return new Fittings(pieces, List.of(), false, 0, 0);
    }

    public static Fittings rods(List<Rod> rods) {
        return new Fittings(rods.size(), rods, false, 0, 0);
    }
}
