package yellowbracket.colour.weather;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;
import yellowbracket.finding.Limits;

/** How weathered a prop is to look: strength of each effect, 0 to 1, none where it is not named. */
public record WeatherWish(Map<Effect, Double> strength, Chipping chipping) {
    public static final WeatherWish NEW = new WeatherWish(Map.of(), Chipping.LIQUID_MASK);

    public WeatherWish {
        java.util.Objects.requireNonNull(chipping, "chipping");
        var all = new TreeMap<>(strength);
        all.values().removeIf(v -> v == 0);
        all.forEach((e, v) -> Limits.within("strength of " + e.words(), v, 0, 1));
        strength = Collections.unmodifiableMap(all);
    }

    public double of(Effect e) {
        return strength.getOrDefault(e, 0.0);
    }

    public WeatherWish with(Effect e, double v) {
        var all = new TreeMap<>(strength);
        all.put(e, v);
        return new WeatherWish(all, chipping);
    }

    public WeatherWish chippedBy(Chipping c) {
        return new WeatherWish(strength, c);
    }

    /** Whether nothing is asked for. */
    public boolean none() {
        return strength.isEmpty();
    }
}
