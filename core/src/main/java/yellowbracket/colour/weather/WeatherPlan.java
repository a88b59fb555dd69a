package yellowbracket.colour.weather;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.shop.Sheen;

/**
 * The steps of weathering in order, among the seals, with product, tool, amount and minutes. Starting values of workshop practice: a card
 * and the first square decimetre tell better.
 */
public record WeatherPlan(List<Step> steps, List<Finding> findings) {
    /** Where a step stands: before the colours, after them under the last clear, or over everything. */
    public enum When {
        UNDER_COLOUR, UNDER_SEAL, LAST
    }

    /** @param dm2 reached @param ml of the product @param waitH before the next */
    public record Step(Effect effect, When when, String what, String product, String tool, double dm2, double ml, double minutes,
            double waitH) {}

    private static final double LAY_OUT_MIN = 12;
    /** The metal coat that shows in chips: laid wider than they are, and dry before anything is stippled on it. */
    private static final double METAL_WIDER = 3, METAL_DRIES_H = 4, SPRAY_ML_DM2 = 3.5;

    public WeatherPlan {
        steps = List.copyOf(steps);
        findings = List.copyOf(findings);
    }

    public double hours() {
        return steps.stream().mapToDouble(Step::minutes).sum() / 60;
    }

    /**
     * @param dm2 reached by each effect at its strength @param seal sheen of the clear coat over all, empty for none
     * @param mirror names of zones of mirror metal
     */
    public static WeatherPlan of(WeatherWish wish, Map<Effect, Double> dm2, Optional<Sheen> seal, List<String> mirror) {
        var steps = new ArrayList<Step>();
        var findings = new ArrayList<Finding>();
        if (wish.of(Effect.CHIPS) > 0 && wish.chipping().under()) steps.add(metal(dm2.getOrDefault(Effect.CHIPS, 0.0)));
        for (var e : Effect.values()) if (wish.of(e) > 0) steps.add(step(e, wish, dm2.getOrDefault(e, 0.0), seal));
        steps.sort(java.util.Comparator.comparing(Step::when).thenComparing(Step::effect));
        if (!steps.isEmpty()) {
            findings.add(Finding.note("try each step on a hidden place first: inside the rim, under the brim"));
            if (seal.isEmpty())
                findings.add(Finding.care("nothing seals the weathering: it comes off on hands and clothes; end with a matt clear"));
        }
        if (wish.of(Effect.WASH) > 0 && seal.equals(Optional.of(Sheen.MATT)))
            findings.add(Finding.note("gloss clear before the wash lets it be wiped; the matt clear goes over it"));
        if (wish.of(Effect.DUST) > 0 && seal.equals(Optional.of(Sheen.GLOSS)))
            findings.add(Finding.care("dust under a gloss clear vanishes: seal gloss first, dust last, or seal matt"));
        if (wish.of(Effect.CHIPS) > 0 && wish.chipping().under())
            findings.add(Finding.note("chips are made before the clear: " + wish.chipping().how()));
        if (wish.of(Effect.SOOT) > 0 && wish.soot().isEmpty())
            findings.add(Finding.care("soot comes from somewhere: click on the model where smoke comes out"));
        if (!mirror.isEmpty() && (wish.of(Effect.WASH) > 0 || wish.of(Effect.RUNS) > 0))
            findings.add(Finding.of(Weight.CARE, Subject.WHOLE, "%s", String.join(", ", mirror)
                    + ": a wash takes the shine off mirror metal, and rubbing scratches it; leave it out or glaze it"));
        return new WeatherPlan(steps, findings);
    }

    private static Step metal(double dm2) {
        double wide = METAL_WIDER * dm2;
        return new Step(Effect.CHIPS, When.UNDER_COLOUR, "a coat of bare metal colour wherever chips are to show", "acrylic lacquer spray",
                "spray can", wide, SPRAY_ML_DM2 * wide, LAY_OUT_MIN + 0.5 * wide, METAL_DRIES_H);
    }

    private static Step step(Effect e, WeatherWish wish, double dm2, Optional<Sheen> seal) {
        return switch (e) {
            case CHIPS -> new Step(e, wish.chipping().under() ? When.UNDER_COLOUR : When.UNDER_SEAL, wish.chipping().how(),
                    wish.chipping() == Chipping.LIQUID_MASK ? "masking liquid"
                            : wish.chipping() == Chipping.HAIRSPRAY ? "hairspray" : "brush acrylic",
                    wish.chipping().under() ? "sponge, then a blunt stick" : "sponge and fine brush", dm2, 0.6 * dm2,
                    LAY_OUT_MIN + wish.chipping().minPerDm2() * dm2, 1);
            case DRY_BRUSH -> new Step(e, When.UNDER_SEAL, "drag a nearly dry flat brush over edges, paler than the colour",
                    "brush acrylic", "flat brush", dm2, 0.15 * dm2, LAY_OUT_MIN + 2.5 * dm2, 0.5);
            case WASH -> new Step(e, When.UNDER_SEAL, "flood the recesses, wait until dull, wipe along the fall of rain", "oil wash",
                    "soft brush, lint-free cloth", dm2, 0.8 * dm2, LAY_OUT_MIN + 3 * dm2, 48);
            case RUNS -> new Step(e, When.UNDER_SEAL, "set a dot where water leaves last, draw it down with a damp brush", "oil wash",
                    "fine brush", dm2, 0.3 * dm2, LAY_OUT_MIN + 6 * dm2, 24);
            case RUST -> new Step(e, When.UNDER_SEAL, "stipple two rust tones round chips, the darker first", "brush acrylic", "sponge",
                    dm2, 0.3 * dm2, LAY_OUT_MIN + 4 * dm2, 1);
            case SOOT -> new Step(e, When.UNDER_SEAL, "spray or rub black thinly from the opening outwards and up, thinner with each pass",
                    "pigment, black", "airbrush, or soft brush; mask for dust", dm2, 0.25 * dm2, LAY_OUT_MIN + 2 * dm2, 0.5);
            case DUST -> new Step(e, seal.equals(Optional.of(Sheen.GLOSS)) || seal.isEmpty() ? When.LAST : When.UNDER_SEAL,
                    "brush pigment on upward faces, blow off, fix with a mist", "pigment, earth", "soft brush; mask for dust", dm2,
                    0.2 * dm2, LAY_OUT_MIN + 1.5 * dm2, 1);
        };
    }
}
