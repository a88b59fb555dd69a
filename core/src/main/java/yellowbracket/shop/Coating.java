package yellowbracket.shop;

/**
 * Something put on in films: filler, resin, primer, paint, clear. Film in micrometres a coat; {@code recoatFromH..recoatToH} the early
 * window,
 * {@code recoatAgainH} when a later coat may go on after it closed; {@code sandableH}, {@code tapeH}, {@code fullH} after the last coat;
 * spread in m2 a
 * container of {@code containerMl} for one coat with waste; hardener share by mass (0 for one-part).
 */
public record Coating(String name, Kind kind, String binder, double filmUm, double recoatFromH, double recoatToH, double recoatAgainH,
        double sandableH, double tapeH, double fullH, double m2PerContainer, double containerMl, double cost, double hardenerShare,
        double potLifeMin, double densityGcm3, double leastC, double mostC, double mostHumidity, String hazard) {
    /** What it is for, in the order of work. */
    public enum Kind {
        FILLER, PUTTY, RESIN, EPOXY, PASTE, SPRAY_PUTTY, FILLER_PRIMER, PRIMER, PAINT, METAL, WASH, CLEAR
    }

    public boolean sprayed() {
        return switch (kind) {
            case SPRAY_PUTTY, FILLER_PRIMER, PRIMER, PAINT, METAL, CLEAR -> true;
            case FILLER, PUTTY, RESIN, EPOXY, PASTE, WASH -> false;
        };
    }
}
