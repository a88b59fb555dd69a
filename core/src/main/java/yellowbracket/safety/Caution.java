package yellowbracket.safety;

import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import yellowbracket.print.CleanUp;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Process;
import yellowbracket.work.Hazard;
import yellowbracket.work.Operation;
import yellowbracket.work.Task;
import yellowbracket.work.Tool;

/**
 * What can hurt in a piece of work and what is usually worn: from the operation, the product and the tool, never from words in a name. The
 * product's own safety sheet, local rules and licensed practice come before this.
 */
public record Caution(Set<Hazard> hazards) {
    /** Shown with every caution. */
    public static final String DEFER = "the product's safety sheet, local rules and licensed practice come first";

    public Caution {
        var sorted = EnumSet.noneOf(Hazard.class);
        sorted.addAll(hazards);
        hazards = java.util.Collections.unmodifiableSet(sorted);
    }

    /** Empty where nothing special can hurt. */
    public static Optional<Caution> of(Task t, Catalogue shop) {
        return of(t.operation(), t.product(), t.tool(), shop);
    }

    /** @param product a material, coating or way to join, by name; empty for none; one the catalogue does not know adds nothing */
    public static Optional<Caution> of(Operation operation, String product, Tool tool, Catalogue shop) {
        var all = EnumSet.noneOf(Hazard.class);
        all.addAll(operation.hazards());
        var resin = material(product, shop).filter(m -> m == Process.RESIN).isPresent();
        switch (operation) {
            case PRINT -> {
                if (!resin) all.add(Hazard.HEAT);
                all.addAll(ofProduct(product, shop));
            }
            case CLEAN -> {
                if (resin) all.addAll(washing(product, shop));
                all.add(Hazard.SPLINTERS);
                all.addAll(tool.hazards());
            }
            case WASH -> all.addAll(washing(product, shop));
            case CURE -> {
                all.add(Hazard.UV_LIGHT);
                all.addAll(ofProduct(product, shop));
            }
            // the material printed is sanded cured and cold: nothing of the product's own comes to it
            case DRY_FIT, SAND -> all.addAll(tool.hazards());
            case MEASURE, CHECK_CUTS, TRY_ON, CALIBRATE, LOOK, WALK_TEST, WIRE, FIT_PARTS, FORM_LENS -> all.addAll(tool.hazards());
            case GLUE, REINFORCE, FILL_SEAMS, SPREAD, PRIME, INSPECT, SPRAY, BRUSH, CUT_PADS, FIT_VISOR, FIT_STRAPS -> {
                all.addAll(ofProduct(product, shop));
                all.addAll(tool.hazards());
            }
        }
        return all.isEmpty() ? Optional.empty() : Optional.of(new Caution(all));
    }

    /** What one step of cleaning up a print asks for. */
    public static Caution of(CleanUp.Work work, String material, Catalogue shop) {
        return new Caution(switch (work) {
            case TAKE_OFF -> Set.of(Hazard.HEAT, Hazard.BLADE);
            case WASH -> washing(material, shop);
            case BRIM -> Set.of(Hazard.BLADE);
            case SNAP, TRIM -> Set.of(Hazard.BLADE, Hazard.SPLINTERS);
            case SAND -> Set.of(Hazard.DUST);
        });
    }

    /** Resin is washed in alcohol and cured under a lamp. */
    private static Set<Hazard> washing(String material, Catalogue shop) {
        var all = EnumSet.of(Hazard.UNCURED_RESIN, Hazard.FLAMMABLE, Hazard.UV_LIGHT);
        all.addAll(ofProduct(material, shop));
        return all;
    }

    private static Optional<Process> material(String name, Catalogue shop) {
        return shop.materials().stream().filter(m -> m.name().equals(name)).map(m -> m.process()).findFirst();
    }

    private static Set<Hazard> ofProduct(String name, Catalogue shop) {
        return Stream
                .of(shop.materials().stream().filter(m -> m.name().equals(name)).map(m -> m.hazards()),
                        shop.joins().stream().filter(j -> j.name().equals(name)).map(j -> j.hazards()),
                        shop.coatings().stream().filter(c -> c.name().equals(name)).map(c -> c.hazards()))
                .flatMap(s -> s)
                .flatMap(Set::stream)
                .collect(Collectors.toUnmodifiableSet());
    }

    /** dust, heat */
    public String hazard() {
        return hazards.stream().map(Hazard::words).collect(Collectors.joining(", "));
    }

    /** What is worn and done, each said once. */
    public String gear() {
        return hazards.stream().map(Protection::against).distinct().collect(Collectors.joining(". "));
    }
}
