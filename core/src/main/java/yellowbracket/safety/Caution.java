package yellowbracket.safety;

import java.util.Locale;
import java.util.Optional;
import yellowbracket.plan.Task;
import yellowbracket.print.CleanUp;

/**
 * What can hurt in an operation and what is usually worn. The product's own safety sheet, local rules and licensed practice come before
 * this.
 */
public enum Caution {
    DUST("dust", "P2/P3 mask, sealed goggles; sand wet or with extraction"),
    SPRAY("spray mist and solvent", "half mask with organic-vapour and particle filters, gloves; outdoors or extracted, no flame"),
    ADHESIVE("fumes and skin", "nitrile gloves, air, eye protection; no cotton wipes with CA"),
    RESIN("uncured resin", "nitrile gloves, glasses, lamp shield; cure leftovers hard, nothing in the drain"),
    FILLER("styrene and peroxide hardener", "organic-vapour mask, goggles, gloves; outdoors or extracted"),
    HEAT("hot nozzle and bed", "let it cool; fan for ABS and ASA fumes"),
    BLADES("blades and scrapers", "cut away from hands; goggles when snapping support off"),
    WEARING("narrow view, heat", "a helper on stairs; off in five seconds unaided; follow the event's prop rules");

    /** Shown with every caution. */
    public static final String DEFER = "the product's safety sheet, local rules and licensed practice come first";

    private final String hazard;
    private final String gear;

    Caution(String hazard, String gear) {
        this.hazard = hazard;
        this.gear = gear;
    }

    public String hazard() {
        return hazard;
    }

    public String gear() {
        return gear;
    }

    /** What the clean-up of a print asks for. */
    public static Caution of(CleanUp.Work work) {
        return switch (work) {
            case TAKE_OFF -> HEAT;
            case WASH -> RESIN;
            case BRIM, SNAP, TRIM -> BLADES;
            case SAND -> DUST;
        };
    }

    public static Optional<Caution> of(Task t) {
        String name = t.name().toLowerCase(Locale.ROOT);
        return Optional.ofNullable(switch (t.station()) {
            case SIZE, CUT -> null;
            case PRINT -> t.resource() == Task.Resource.PRINTER ? HEAT : BLADES;
            case JOIN -> name.contains("dry fit") ? DUST : ADHESIVE;
            case SMOOTH ->
                    t.resource() == Task.Resource.SPRAY ? SPRAY : name.contains("sand") ? DUST : name.contains("resin") ? RESIN : FILLER;
            case COLOUR -> t.resource() == Task.Resource.SPRAY ? SPRAY : ADHESIVE;
            case WEAR -> name.contains("test") ? WEARING : BLADES;
        });
    }
}
