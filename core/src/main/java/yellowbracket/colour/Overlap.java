package yellowbracket.colour;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntFunction;
import yellowbracket.colour.zone.Border;

/**
 * What a run of coats does at its borders: it runs a little over the line into zones that are painted later, so that no undercoat shows
 * between them. Where it is masked, a mist of what lies beneath seals the edge of the tape: what creeps under it is that colour.
 * @param over names of zones painted later, with how far, mm @param seals colours the tape's edge is sealed with first
 */
public record Overlap(List<Over> over, List<Seal> seals) {
    /** Over a line that tape follows; over one that is cut in by brush. Starting values of workshop practice. */
    private static final double TAPED_MM = 3, TIGHT_MM = 1;

    /** @param zone painted later */
    public record Over(String zone, double mm) {}

    /** @param zone that is masked @param hex of the film beneath the tape's edge: the zone's own */
    public record Seal(String zone, String hex) {}

    /** @param step of {@link ColourPlan#coats} @param name of a zone by number */
    public static Overlap of(ColourPlan plan, ColourSurface surface, int step, IntFunction<Optional<ColourZone>> name) {
        var c = plan.coats().get(step);
        var over = new ArrayList<Over>();
        var order = plan.order();
        if (c.zones().size() == 1 && order.contains(c.zones().getFirst())) {
            int zone = c.zones().getFirst(), at = order.indexOf(zone);
            for (int later : order.subList(at + 1, order.size())) {
                var lines = surface.between(zone, later);
                if (lines.stream().mapToDouble(Border::lengthMm).sum() <= 0) continue;
                boolean tight = lines.stream().anyMatch(b -> Tape.along(b) == Tape.LIQUID);
                name.apply(later).ifPresent(z -> over.add(new Over(z.name(), tight ? TIGHT_MM : TAPED_MM)));
            }
        }
        var seals = new ArrayList<Seal>();
        for (var m : c.masks()) if (m.tapeM() > 0) name.apply(m.zone()).ifPresent(z -> seals.add(new Seal(z.name(), z.hex())));
        return new Overlap(over, seals);
    }
}
