package yellowbracket.size;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import yellowbracket.mesh.measure.Cylinders.Cylinder;
import yellowbracket.shop.FitError;

/**
 * A peg and a hole of the file that are meant for each other: clearance in diameter at this scale, as drawn and as a printer makes it, mm;
 * {@code endPlayMm}: how much deeper the hole is than the peg is long.
 */
public record PegPair(Cylinder peg, Cylinder hole, double drawnMm, double printedMm, double endPlayMm) {
    /** Diameters further apart than this share are not meant for each other. */
    private static final double ALIKE = 0.12;

    /** Each peg with the hole that is nearest in diameter, each hole once. @param error of the printer, if it was measured */
    public static List<PegPair> of(List<Cylinder> found, double scale, Optional<FitError> error) {
        var holes = new ArrayList<>(found.stream().filter(Cylinder::hole).toList());
        var out = new ArrayList<PegPair>();
        found.stream().filter(c -> !c.hole()).sorted(Comparator.comparingDouble(c -> -c.diameterMm())).forEach(peg -> {
            var best = holes.stream().min(Comparator.comparingDouble(h -> Math.abs(h.diameterMm() - peg.diameterMm())));
            if (best.isEmpty() || Math.abs(best.get().diameterMm() / peg.diameterMm() - 1) > ALIKE) return;
            holes.remove(best.get());
            double drawn = (best.get().diameterMm() - peg.diameterMm()) * scale;
            double play = best.get().through() ? Double.POSITIVE_INFINITY : (best.get().lengthMm() - peg.lengthMm()) * scale;
            out.add(new PegPair(peg, best.get(), drawn, error.map(e -> e.clearanceMm(drawn)).orElse(drawn), play));
        });
        return List.copyOf(out);
    }
}
