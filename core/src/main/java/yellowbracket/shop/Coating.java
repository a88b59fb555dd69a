package yellowbracket.shop;

import java.util.Optional;
import java.util.Set;
import yellowbracket.work.Hazard;

/**
 * Something put on in films: filler, resin, primer, paint, clear. Film in micrometres a coat; {@code recoatFromH..recoatToH} the early
 * window,
 * {@code recoatAgainH} when a later coat may go on after it closed; {@code sandableH}, {@code tapeH}, {@code fullH} after the last coat;
 * spread in m2 a
 * container of {@code containerMl} for one coat with waste; the hardener of two-part products, by the label;
 * {@code sandTimes}: how much faster than bare PLA it sands; {@code stays}: the share of a film that is left when it has shrunk.
 */
public record Coating(String name, Kind kind, double sandTimes, double stays, Binder binder, double filmUm, double recoatFromH,
        double recoatToH, double recoatAgainH, double sandableH, double tapeH, double fullH, double m2PerContainer, double containerMl,
        double cost, Optional<Hardener> hardener, double potLifeMin, double densityGcm3, double leastC, double mostC, double mostHumidity,
        Set<Hazard> hazards) {
    /** What it dries from: decides what may go over what. */
    public enum Binder {
        POLYESTER, NITRO, ACRYLIC, ACRYLATE, EPOXY, ACRYLIC_LACQUER, ENAMEL, WATER_ACRYLIC, OIL
    }

    /** What it is for, in the order of work. */
    public enum Kind {
        FILLER, PUTTY, RESIN, EPOXY, PASTE, SPRAY_PUTTY, FILLER_PRIMER, PRIMER, PAINT, METAL, WASH, CLEAR
    }

    public boolean sprayed() {
        return switch (kind) {
            case PAINT -> binder != Binder.WATER_ACRYLIC;
            case SPRAY_PUTTY, FILLER_PRIMER, PRIMER, METAL, CLEAR -> true;
            case FILLER, PUTTY, RESIN, EPOXY, PASTE, WASH -> false;
        };
    }
}
