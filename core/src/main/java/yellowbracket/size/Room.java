package yellowbracket.size;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.function.Function;
import yellowbracket.shop.Wearer;

/**
 * How much room a wearer wants in each zone, mm: the craft's rule, hair and glasses, corrected by what test pieces told (the latest
 * counts). {@code fitsAt}: the
 * smallest scale at which a test piece fitted all round. Immutable.
 */
public record Room(Wearer wearer, Map<Zone, Double> least, Map<Zone, Double> target, boolean corrected, OptionalDouble fitsAt) {
    public Room {
        least = Map.copyOf(least);
        target = Map.copyOf(target);
    }

    /** By the rule alone. */
    public static Room of(Wearer w) {
        return of(w, List.of(), t -> Map.of());
    }

    /** @param clearance what the computation says of a trial's scale, by zone: the trial is compared with it */
    public static Room of(Wearer w, List<Trial> trials, Function<Trial, Map<Zone, Double>> clearance) {
        var least = new EnumMap<Zone, Double>(Zone.class);
        var target = new EnumMap<Zone, Double>(Zone.class);
        for (var z : Zone.values()) {
            least.put(z, z.leastMm(w));
            target.put(z, z.targetMm(w));
        }
        for (var t : trials) {
            var has = clearance.apply(t);
            for (var z : Zone.values()) {
                if (z == Zone.NECK || !has.containsKey(z) || t.zone().filter(o -> o != z).isPresent()) continue;
                double now = has.get(z);
                switch (t.verdict()) {
                    case FITS -> least.merge(z, now, Math::min);
                    case TIGHT -> least.put(z, now + t.mm());
                    case LOOSE -> target.put(z, Math.max(least.get(z), Math.min(target.get(z), now - t.mm())));
                }
                target.merge(z, least.get(z), Math::max);
            }
        }
        return new Room(w, least, target, !trials.isEmpty(), fitsAt(trials));
    }

    /** A later piece that was tight at that scale or a larger one takes back what an earlier one proved. */
    private static OptionalDouble fitsAt(List<Trial> trials) {
        double at = Double.POSITIVE_INFINITY;
        for (var t : trials) {
            if (t.verdict() == Trial.Verdict.FITS && t.zone().isEmpty()) at = Math.min(at, t.scale());
            else if (t.verdict() == Trial.Verdict.TIGHT && t.scale() >= at) at = Double.POSITIVE_INFINITY;
        }
        return Double.isFinite(at) ? OptionalDouble.of(at) : OptionalDouble.empty();
    }

    public double leastMm(Zone z) {
        return least.get(z);
    }

    public double targetMm(Zone z) {
        return target.get(z);
    }
}
