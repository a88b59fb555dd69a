package yellowbracket.colour.weather;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import yellowbracket.finding.Limits;
import yellowbracket.mesh.Vec3;

/**
 * How weathered a prop is to look: strength of each effect, 0 to 1, none where it is not named.
 * @param soot where smoke comes out, model mm
 */
public record WeatherWish(Map<Effect, Double> strength, Chipping chipping, List<Vec3> soot) {
    public static final WeatherWish NEW = new WeatherWish(Map.of(), Chipping.LIQUID_MASK, List.of());
    private static final int MOST_SOURCES = 60;

    public WeatherWish {
        java.util.Objects.requireNonNull(chipping, "chipping");
        var all = new TreeMap<>(strength);
        all.values().removeIf(v -> v == 0);
        all.forEach((e, v) -> Limits.within("strength of " + e.words(), v, 0, 1));
        strength = Collections.unmodifiableMap(all);
        soot = List.copyOf(soot);
        if (soot.size() > MOST_SOURCES) throw new IllegalArgumentException("more than " + MOST_SOURCES + " places smoke comes out of");
    }

    public double of(Effect e) {
        return strength.getOrDefault(e, 0.0);
    }

    public WeatherWish with(Effect e, double v) {
        var all = new TreeMap<>(strength);
        all.put(e, v);
        return new WeatherWish(all, chipping, soot);
    }

    public WeatherWish chippedBy(Chipping c) {
        return new WeatherWish(strength, c, soot);
    }

    public WeatherWish smokingFrom(List<Vec3> places) {
        return new WeatherWish(strength, chipping, places);
    }

    /** Whether nothing is asked for. */
    public boolean none() {
        return strength.isEmpty();
    }
}
