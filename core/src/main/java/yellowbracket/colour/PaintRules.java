package yellowbracket.colour;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import yellowbracket.shop.Coating;
import yellowbracket.shop.Sheen;

/**
 * What may go over what, and when: by binders and kinds, each with its reason and its fix. Labels of the products in hand override them. A
 * rule table, checked from the bottom layer to the top.
 */
public final class PaintRules {
    private PaintRules() {}

    /** A film on the prop: product, sheen, and the hours it has dried when the next goes on. */
    public record Layer(Coating product, Sheen sheen, double driedH) {}

    /** @param grave it spoils the work, not only the look */
    public record Broken(String reason, String fix, boolean grave) {
        public String words() {
            return reason + ": " + fix;
        }
    }

    private interface Rule {
        Optional<Broken> check(Layer below, Layer above);
    }

    private static final List<Rule> RULES = List.of(PaintRules::solventOverEnamel, PaintRules::windowClosed, PaintRules::clearOverMirror,
            PaintRules::mirrorBase, PaintRules::alcoholOverAcrylic, PaintRules::waterOverOil, PaintRules::lacquerOverOil,
            PaintRules::glossBeforeWash, PaintRules::overMirror);

    /** All that is wrong with a stack, bottom first. */
    public static List<Broken> check(List<Layer> stack) {
        var out = new java.util.ArrayList<Broken>();
        for (int i = 0; i + 1 < stack.size(); i++) for (var r : RULES) r.check(stack.get(i), stack.get(i + 1)).ifPresent(out::add);
        return List.copyOf(out);
    }

    private static boolean solvent(Coating c) {
        return switch (c.binder()) {
            case ACRYLIC_LACQUER, NITRO, ENAMEL, POLYESTER -> true;
            case ACRYLIC, ACRYLATE, EPOXY, WATER_ACRYLIC, OIL -> false;
        };
    }

    /** Hot solvents swell an enamel that is still curing. Its own enamel may go on within the early window. */
    private static Optional<Broken> solventOverEnamel(Layer below, Layer above) {
        var b = below.product;
        if (b.binder() != Coating.Binder.ENAMEL || !solvent(above.product) || above.product.binder() == Coating.Binder.ENAMEL
                || below.driedH >= b.fullH())
            return Optional.empty();
        return Optional.of(new Broken(above.product.name() + " over fresh enamel wrinkles",
                "leave " + b.name() + " " + hours(b.fullH()) + " first, and try it on a card", true));
    }

    private static Optional<Broken> windowClosed(Layer below, Layer above) {
        var b = below.product;
        if (!b.name().equals(above.product.name()) || b.recoatAgainH() <= 0 || below.driedH <= b.recoatToH()
                || below.driedH >= b.recoatAgainH())
            return Optional.empty();
        return Optional.of(new Broken(String.format(Locale.ROOT, "%s may be recoated within %s or after %s, not after %s", b.name(),
                hours(b.recoatToH()), hours(b.recoatAgainH()), hours(below.driedH)), "wait for the window to open again", true));
    }

    private static Optional<Broken> clearOverMirror(Layer below, Layer above) {
        if (below.product.kind() != Coating.Kind.METAL || above.product.kind() != Coating.Kind.CLEAR) return Optional.empty();
        return Optional.of(new Broken("clear coat dulls mirror metal", "mask it, or test on a card first", false));
    }

    private static Optional<Broken> mirrorBase(Layer below, Layer above) {
        if (above.product.kind() != Coating.Kind.METAL || below.product.kind() == Coating.Kind.METAL) return Optional.empty();
        if (below.sheen != Sheen.GLOSS) return Optional.of(
                new Broken("mirror metal shows whatever is not gloss beneath", "lay it on gloss black, polished to P1000 and finer", true));
        return below.driedH >= below.product.fullH() ? Optional.empty()
                : Optional.of(new Broken("mirror metal on gloss that is not fully dry goes dull",
                        "leave it " + hours(below.product.fullH()) + " first", true));
    }

    private static Optional<Broken> alcoholOverAcrylic(Layer below, Layer above) {
        if (above.product.kind() != Coating.Kind.WASH || above.product.binder() == Coating.Binder.OIL
                || below.product.kind() == Coating.Kind.CLEAR || below.product.binder() != Coating.Binder.WATER_ACRYLIC)
            return Optional.empty();
        return Optional.of(new Broken("a wash thinned with alcohol lifts unsealed acrylic", "seal first, or take an oil wash", true));
    }

    private static Optional<Broken> waterOverOil(Layer below, Layer above) {
        if (below.product.binder() != Coating.Binder.OIL || above.product.binder() != Coating.Binder.WATER_ACRYLIC) return Optional.empty();
        return Optional.of(new Broken("water paint beads on oil", "seal the oil wash before, or paint first and wash after", true));
    }

    private static Optional<Broken> lacquerOverOil(Layer below, Layer above) {
        if (below.product.binder() != Coating.Binder.OIL || !solvent(above.product) || below.driedH >= below.product.recoatAgainH() + 48)
            return Optional.empty();
        return Optional.of(new Broken(above.product.name() + " over a wet oil wash smears it",
                "leave the wash 48 h, then mist the first clear on", true));
    }

    private static Optional<Broken> glossBeforeWash(Layer below, Layer above) {
        if (above.product.kind() != Coating.Kind.WASH || below.sheen != Sheen.MATT) return Optional.empty();
        return Optional
                .of(new Broken("a wash stains a matt film where it was not meant to", "gloss clear before the wash, matt after it", false));
    }

    private static Optional<Broken> overMirror(Layer below, Layer above) {
        if (below.product.kind() != Coating.Kind.METAL || above.product.kind() == Coating.Kind.CLEAR
                || above.product.kind() == Coating.Kind.METAL || below.driedH >= below.product.tapeH())
            return Optional.empty();
        return Optional
                .of(new Broken("mirror metal is not to be touched for days", "leave it " + hours(below.product.tapeH()) + " first", true));
    }

    private static String hours(double h) {
        return h < 1 ? String.format(Locale.ROOT, "%.0f min", 60 * h) : String.format(Locale.ROOT, "%.0f h", h);
    }
}
