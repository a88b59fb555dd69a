package yellowbracket.colour.weather;

import java.util.EnumMap;
import java.util.Map;
import java.util.function.IntUnaryOperator;
import yellowbracket.mesh.Mesh;

/**
 * How the surface looks under its weathering: each effect moves the colour of a facet towards its own by what the facet takes of it, in the
 * order they are laid on. Colours are 0xRRGGBB.
 */
public final class Weathered {
    /** What each effect goes towards, and how far at most. */
    private static final Map<Effect, double[]> TOWARDS = new EnumMap<>(Map.of(Effect.CHIPS, new double[] {0x8f, 0x92, 0x94, 1},
            Effect.DRY_BRUSH, new double[] {0xee, 0xe6, 0xd2, 0.55}, Effect.WASH, new double[] {0x1d, 0x17, 0x12, 0.75}, Effect.RUNS,
            new double[] {0x2a, 0x20, 0x18, 0.6}, Effect.RUST, new double[] {0x7d, 0x3d, 0x17, 0.8}, Effect.SOOT,
            new double[] {0x12, 0x11, 0x10, 0.9}, Effect.DUST, new double[] {0xb8, 0xa6, 0x84, 0.7}));

    private Weathered() {}

    /** @param base colour of each facet as painted @param upTo no later effect is shown, as a walk through the steps asks */
    public static int[] colours(WearFields fields, WeatherWish wish, IntUnaryOperator base, Effect upTo) {
        var out = new int[fields.size()];
        for (int f = 0; f < out.length; f++) {
            int rgb = base.applyAsInt(f);
            double r = rgb >> 16 & 255, g = rgb >> 8 & 255, b = rgb & 255;
            for (var e : Effect.values()) {
                if (e.compareTo(upTo) > 0) break;
                double s = wish.of(e);
                if (s <= 0) continue;
                var to = TOWARDS.get(e);
                double k = to[3] * fields.cover(e, s, f);
                r += k * (to[0] - r);
                g += k * (to[1] - g);
                b += k * (to[2] - b);
            }
            out[f] = (int) Math.round(r) << 16 | (int) Math.round(g) << 8 | (int) Math.round(b);
        }
        return out;
    }

    /** dm2 of the surface an effect reaches, by how much it takes there. @param counts facets that are seen */
    public static double dm2(WearFields fields, Mesh m, Effect e, double strength, java.util.function.IntPredicate counts) {
        double sum = 0;
        for (int f = 0; f < fields.size(); f++) if (counts.test(f)) sum += m.area(f) * Math.min(1, 1.5 * fields.cover(e, strength, f));
        return sum / 1e4;
    }
}
