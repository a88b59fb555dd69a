package yellowbracket.work;

import java.util.Set;

/** What an operation is done with, and what of it can hurt. */
public enum Tool {
    HANDS("by hand"), TAPE_MEASURE("tape and calliper"), PRINTER("printer"), SCRAPER("scraper, cutters, pliers", Hazard.BLADE),
    SANDING("paper on block, sponge or stick"), SPREADER("spreader"), BRUSH("brush"), CAN("spray can", Hazard.SPRAY_MIST),
    UV_LAMP("UV lamp", Hazard.UV_LIGHT), KNIFE("knife", Hazard.BLADE), HOT_TIP("hot tip", Hazard.HEAT, Hazard.FUMES),
    IRON("soldering iron", Hazard.HEAT, Hazard.FUMES), HEAT_GUN("oven, heat gun", Hazard.HEAT, Hazard.FUMES),
    ROTARY("rotary tool", Hazard.ROTARY_TOOL, Hazard.DUST), SANDER("sander, low speed", Hazard.DUST, Hazard.HEAT);

    private final String words;
    private final Set<Hazard> hazards;

    Tool(String words, Hazard... hazards) {
        this.words = words;
        this.hazards = Set.of(hazards);
    }

    public String words() {
        return words;
    }

    public Set<Hazard> hazards() {
        return hazards;
    }
}
