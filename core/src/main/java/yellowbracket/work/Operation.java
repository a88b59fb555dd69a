package yellowbracket.work;

import java.util.Set;

/**
 * What is done in a task. {@link #rate} names the rate that the log corrects for this maker: operations that call for the same hand share
 * one. {@link #hazards} are those it has whatever the product and the tool.
 */
public enum Operation {
    MEASURE(Station.SIZE, "size"), CHECK_CUTS(Station.CUT, "cut"), PRINT(Station.PRINT, "print"), CLEAN(Station.PRINT, "clean"),
    WASH(Station.PRINT, "clean"), CURE(Station.PRINT, "clean"), CALIBRATE(Station.PRINT, "print"), LOOK(Station.PRINT, "look"),
    DRY_FIT(Station.JOIN, "join", Hazard.DUST), GLUE(Station.JOIN, "join"), REINFORCE(Station.JOIN, "join", Hazard.SENSITISER),
    TRY_ON(Station.JOIN, "wear"), FILL_SEAMS(Station.SMOOTH, "fill", Hazard.DUST), SPREAD(Station.SMOOTH, "fill"),
    SAND(Station.SMOOTH, "sand", Hazard.DUST), PRIME(Station.SMOOTH, "spray"), INSPECT(Station.SMOOTH, "look"),
    SPRAY(Station.COLOUR, "spray"), BRUSH(Station.COLOUR, "brush"), MASK(Station.COLOUR, "mask"), LINES(Station.COLOUR, "lines"),
    WEATHER(Station.COLOUR, "weather"), CUT_PADS(Station.WEAR, "wear"), WIRE(Station.WEAR, "wire", Hazard.HEAT),
    FIT_PARTS(Station.WEAR, "wear"), FORM_LENS(Station.WEAR, "form", Hazard.HEAT, Hazard.FUMES), FIT_VISOR(Station.WEAR, "wear"),
    FIT_STRAPS(Station.WEAR, "wear"), WALK_TEST(Station.WEAR, "wear", Hazard.NARROW_VIEW);

    private final Station station;
    private final String rate;
    private final Set<Hazard> hazards;

    Operation(Station station, String rate, Hazard... hazards) {
        this.station = station;
        this.rate = rate;
        this.hazards = Set.of(hazards);
    }

    public Station station() {
        return station;
    }

    public String rate() {
        return rate;
    }

    public Set<Hazard> hazards() {
        return hazards;
    }
}
