package yellowbracket.shop;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
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
 * @param levels how much more of it settles in a valley than on a peak, 0 follows the lines, 1 fills as a knife does
 * @param textureUm orange peel, brush or knife marks of a fresh film
 * @param sheen it gives whatever lies beneath, for clear coats
 * @param shades it is sold in, {@code #rrggbb}; none for what is clear
 * @param light what hardens it, for what is hardened by light @param potGrams the mass its pot life is told for; 0 for one-part products
 */
@RecordBuilder
public record Coating(String name, Kind kind, double sandTimes, double stays, double levels, double textureUm, List<String> shades,
        Optional<Light> light, Binder binder, double filmUm, double recoatFromH, double recoatToH, double recoatAgainH, double sandableH,
        double tapeH, double fullH, double m2PerContainer, double containerMl, double cost, Optional<Hardener> hardener, double potLifeMin,
        double potGrams, double densityGcm3, Optional<Sheen> sheen, double leastC, double mostC, double mostHumidity,
        Set<Hazard> hazards) implements CoatingBuilder.With {
    /** Wavelengths that harden it, nm, and how much of that light, mJ/cm2. */
    public record Light(double leastNm, double mostNm, double doseMj) {
        public boolean takes(double nm) {
            return nm >= leastNm && nm <= mostNm;
        }
    }

    public Coating {
        shades = List.copyOf(shades);
    }

    /** What it dries from: decides what may go over what. */
    public enum Binder {
        POLYESTER, NITRO, ACRYLIC, ACRYLATE, EPOXY, ACRYLIC_LACQUER, ENAMEL, WATER_ACRYLIC, OIL
    }

    /** What it is for, in the order of work. */
    public enum Kind {
        FILLER, PUTTY, RESIN, EPOXY, PASTE, SPRAY_PUTTY, FILLER_PRIMER, PRIMER, TEXTURE, PAINT, METAL, WASH, CLEAR
    }

    /** What colour goes on: holds on everything, and is even in how it drinks. */
    public boolean primes() {
        return kind == Kind.SPRAY_PUTTY || kind == Kind.FILLER_PRIMER || kind == Kind.PRIMER;
    }

    /** Laid on with a knife: as thick as the valleys are deep, and a skim over them. */
    public boolean byKnife() {
        return kind == Kind.FILLER || kind == Kind.PASTE || kind == Kind.PUTTY;
    }

    public boolean sprayed() {
        return switch (kind) {
            case PAINT, FILLER_PRIMER, PRIMER -> binder != Binder.WATER_ACRYLIC;
            case SPRAY_PUTTY, TEXTURE, METAL, CLEAR -> true;
            case FILLER, PUTTY, RESIN, EPOXY, PASTE, WASH -> false;
        };
    }
}
