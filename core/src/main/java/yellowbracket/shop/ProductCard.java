package yellowbracket.shop;

import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import yellowbracket.finding.Limits;

/**
 * What this maker knows of one product: what its label says in place of what the catalogue supposes, and whether it is never to be used
 * again.
 *
 * @param never why not; empty where it may be used
 */
public record ProductCard(String product, Map<LabelTerm, Double> label, Optional<String> never) {
    private static final int MOST_WORDS = 300;

    public ProductCard {
        Limits.named("a product", product);
        label.forEach((t, v) -> Limits.within(product + ", " + t.words() + ", " + t.unit(), v, t.least(), t.most()));
        var sorted = new EnumMap<LabelTerm, Double>(LabelTerm.class);
        sorted.putAll(label);
        label = Collections.unmodifiableMap(sorted);
        never = never.map(String::strip).filter(w -> !w.isEmpty());
        never.ifPresent(w -> {
            if (w.length() > MOST_WORDS)
                throw new IllegalArgumentException("why " + product + " is never used again: no more than " + MOST_WORDS + " letters");
        });
    }

    public static ProductCard blank(String product) {
        return new ProductCard(product, Map.of(), Optional.empty());
    }

    public boolean saysNothing() {
        return label.isEmpty() && never.isEmpty();
    }

    /** @param value empty: as the catalogue supposes */
    public ProductCard with(LabelTerm term, Optional<Double> value) {
        var all = new EnumMap<LabelTerm, Double>(LabelTerm.class);
        all.putAll(label);
        value.ifPresentOrElse(v -> all.put(term, v), () -> all.remove(term));
        return new ProductCard(product, all, never);
    }

    public ProductCard never(String why) {
        return new ProductCard(product, label, Optional.of(why));
    }

    public ProductCard usable() {
        return new ProductCard(product, label, Optional.empty());
    }

    /** @throws IllegalArgumentException of values that cannot all be true, in words */
    public Coating over(Coating c) {
        double from = value(LabelTerm.RECOAT_FROM_H, c), to = value(LabelTerm.RECOAT_TO_H, c), again = value(LabelTerm.RECOAT_AGAIN_H, c);
        if (!(from < to)) throw impossible("the next coat may go on from %.3g h on, and until %.3g h: until must be later", from, to);
        // a window that closes and never opens again would stop all that comes over it; until the film is through is the safe reading
        if (label.containsKey(LabelTerm.RECOAT_TO_H) && again <= to) {
            if (label.containsKey(LabelTerm.RECOAT_AGAIN_H))
                throw impossible("the next coat may go on until %.3g h or again after %.3g h: that must be later", to, again);
            again = Math.max(value(LabelTerm.FULL_H, c), 2 * to);
        }
        double cold = value(LabelTerm.LEAST_C, c), warm = value(LabelTerm.MOST_C, c);
        if (!(cold < warm)) throw impossible("it is used not colder than %.0f and not warmer than %.0f degrees", cold, warm);
        double tape = value(LabelTerm.TAPE_H, c), full = value(LabelTerm.FULL_H, c);
        if (tape > full) throw impossible("tape after %.3g h, but cured through after %.3g h", tape, full);
        var hardener = label.containsKey(LabelTerm.HARDENER_PERCENT)
                ? c.hardener().map(h -> Hardener.fixed(h.basis(), label.get(LabelTerm.HARDENER_PERCENT) / 100))
                : c.hardener();
        return c.withRecoatFromH(from)
                .withRecoatToH(to)
                .withRecoatAgainH(again)
                .withSandableH(value(LabelTerm.SANDABLE_H, c))
                .withTapeH(tape)
                .withFullH(full)
                .withM2PerContainer(value(LabelTerm.M2, c))
                .withContainerMl(value(LabelTerm.CONTAINER_ML, c))
                .withHardener(hardener)
                .withPotLifeMin(value(LabelTerm.POT_LIFE_MIN, c))
                .withLeastC(cold)
                .withMostC(warm)
                .withMostHumidity(value(LabelTerm.MOST_HUMIDITY, c));
    }

    private double value(LabelTerm t, Coating c) {
        return label.containsKey(t) && t.of(c) ? label.get(t) : t.of(c, 0);
    }

    private IllegalArgumentException impossible(String words, Object... values) {
        return new IllegalArgumentException(product + ": " + String.format(Locale.ROOT, words, values));
    }

    /** Products as their cards have them; a card whose values contradict those of this catalogue changes nothing. */
    static List<Coating> over(List<Coating> coatings, List<ProductCard> cards) {
        return coatings.stream()
                .map(c -> cards.stream().filter(k -> k.product.equals(c.name()) && k.fits(c)).findFirst().map(k -> k.over(c)).orElse(c))
                .toList();
    }

    /** Whether all it says can be true at once. */
    public boolean fits(Coating c) {
        try {
            over(c);
            return true;
        } catch (IllegalArgumentException contradicts) {
            return false;
        }
    }
}
