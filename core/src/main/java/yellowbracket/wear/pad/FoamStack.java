package yellowbracket.wear.pad;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yellowbracket.search.Threshold;
import yellowbracket.shop.Foam;

/** Layers of foam glued on each other, from the head outwards: one pressure goes through all of them. */
public record FoamStack(List<Layer> layers) {
    public static final FoamStack NONE = new FoamStack(List.of());
    /** Foam is rarely pressed harder; it is as good as solid then. */
    private static final double MOST_KPA = 500;

    /** One thickness of a foam, mm unpressed. */
    public record Layer(Foam foam, double mm) {}

    public FoamStack {
        layers = List.copyOf(layers);
    }

    public static FoamStack of(Foam foam, List<Double> mm) {
        return new FoamStack(mm.stream().map(m -> new Layer(foam, m)).toList());
    }

    public boolean none() {
        return layers.isEmpty();
    }

    public double freeMm() {
        return layers.stream().mapToDouble(Layer::mm).sum();
    }

    /** How thick it is under a pressure. */
    public double thickMm(double kpa) {
        return layers.stream().mapToDouble(l -> l.mm * (1 - l.foam.pressed(kpa))).sum();
    }

    /** What it pushes back with in a gap, kPa; 0 where it does not touch. */
    public double pressureKpa(double gapMm) {
        if (none() || gapMm >= freeMm()) return 0;
        if (gapMm <= thickMm(MOST_KPA)) return MOST_KPA;
        if (layers.stream().allMatch(l -> l.foam.equals(layers.getFirst().foam)))
            return layers.getFirst().foam.pressureKpa(1 - gapMm / freeMm());
        return Threshold.between(0, MOST_KPA, 1e-4, p -> thickMm(p) <= gapMm);
    }

    public List<Double> mm() {
        return layers.stream().map(Layer::mm).toList();
    }

    /** {@code 12 + 5 mm firm upholstery}. */
    public String words() {
        if (none()) return "no pad";
        var thick = new ArrayList<String>();
        for (var l : layers) thick.add(String.format(Locale.ROOT, l.mm == Math.rint(l.mm) ? "%.0f" : "%.1f", l.mm));
        return String.join(" + ", thick) + " mm " + layers.getFirst().foam.name();
    }
}
