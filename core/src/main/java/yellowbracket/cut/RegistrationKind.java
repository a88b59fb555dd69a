package yellowbracket.cut;

import java.util.List;

/** How two sections find each other. Sizes in mm are stock diameters, largest first. */
public enum RegistrationKind {
    /** Flat faces, aligned by eye. */
    PLAIN("plain", List.of()),
    /** For each seam what its walls allow: pins, else a tongue, else pins in inner bosses. */
    FITTING("what fits", List.of()),
    /** Loose printed pins, flat on one side so that each goes in one way only. */
    PINS("printed pins", List.of(8.0, 6.0, 5.0, 4.0, 3.0)), DOWELS("wooden dowels", List.of(10.0, 8.0, 6.0, 4.0)),
    RODS("metal rods", List.of(5.0, 4.0, 3.0, 2.0)),
    /** Discs glued into open pockets. */
    MAGNETS("magnets", List.of(10.0, 8.0, 6.0, 5.0)),
    /** Discs put into hollows while the print pauses, and printed over. */
    SEALED_MAGNETS("magnets printed in", List.of(10.0, 8.0, 6.0, 5.0)), TONGUE("tongue and groove", List.of()),
    /** One rod through all sections of a slender part. */
    THROUGH_ROD("through-rod", List.of(12.0, 10.0, 8.0, 6.0, 5.0, 4.0, 3.0)),
    /** Pins in lumps added to the inside of a thin wall. */
    BOSSES("pins in inner bosses", List.of(4.0, 3.0));

    /** The highest tongue, mm. */
    public static final double HIGHEST_TONGUE_MM = 4;

    private final String words;
    private final List<Double> sizes;

    RegistrationKind(String words, List<Double> sizes) {
        this.words = words;
        this.sizes = sizes;
    }

    public String words() {
        return words;
    }

    /** So many of them: {@code 1 metal rod}, {@code 3 metal rods}. */
    public String words(int count) {
        return count + " " + (count == 1 ? words.replaceFirst("(pin|dowel|rod|magnet)s", "$1") : words);
    }

    public List<Double> sizes() {
        return sizes;
    }

    public boolean magnet() {
        return this == MAGNETS || this == SEALED_MAGNETS;
    }

    /** How deep it goes into each side where there is room, mm. */
    public double depthMm(double diameter) {
        return switch (this) {
            case PINS, BOSSES -> Math.clamp(1.5 * diameter, 6, 11);
            case DOWELS -> 15;
            case RODS -> 12;
            case MAGNETS, SEALED_MAGNETS -> diameter >= 6 ? 3.2 : 2.2;
            case THROUGH_ROD -> 3 * diameter;
            default -> 0;
        };
    }

    /** By how much a section may be longer than between its cuts, mm: a tongue stands on it. */
    public double standsOutMm() {
        return this == TONGUE || this == FITTING ? HIGHEST_TONGUE_MM : 0;
    }

    /** The least depth that still aligns. */
    public double leastDepthMm(double diameter) {
        return magnet() ? depthMm(diameter) : this == PINS ? Math.max(2.5, 0.6 * diameter) : Math.max(4, diameter);
    }
}
