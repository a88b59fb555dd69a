package yellowbracket.shop;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowbracket.finding.Limits;

/**
 * Paints owned and listed, the test cards made, and what is known of products.
 *
 * @param limit colours further apart, CIEDE2000, are no match for this maker
 */
public record PaintShelf(List<Paint> paints, List<PaintCard> cards, double limit, List<ProductCard> products) {
    public static final PaintShelf EMPTY = new PaintShelf(List.of(), List.of(), 3, List.of());
    private static final int MOST = 2_000;

    public PaintShelf {
        paints = List.copyOf(paints);
        cards = List.copyOf(cards);
        Limits.distinct("paints", paints, Paint::name);
        Limits.within("colours that still match, CIEDE2000", limit, 0.2, 30);
        products = products.stream().filter(p -> !p.saysNothing()).toList();
        Limits.distinct("cards of products", products, ProductCard::product);
        if (paints.size() > MOST || cards.size() > MOST || products.size() > MOST)
            throw new IllegalArgumentException("more paints or cards than any shop has");
    }

    public Optional<Paint> paint(String name) {
        return paints.stream().filter(p -> p.name().equals(name)).findFirst();
    }

    /** With a paint, in place of the one of that name. */
    public PaintShelf with(Paint p) {
        var all = new ArrayList<>(paints);
        int at = paints.stream().map(Paint::name).toList().indexOf(p.name());
        if (at < 0) all.add(p);
        else all.set(at, p);
        return new PaintShelf(all, cards, limit, products);
    }

    public PaintShelf without(String name) {
        return new PaintShelf(paints.stream().filter(p -> !p.name().equals(name)).toList(), cards, limit, products);
    }

    public PaintShelf with(PaintCard card) {
        var all = new ArrayList<>(cards);
        all.add(card);
        return new PaintShelf(paints, all, limit, products);
    }

    public PaintShelf within(double most) {
        return new PaintShelf(paints, cards, most, products);
    }

    /** Both: what the newer one has of the same name goes first, and nothing of the older is lost for not being in it. */
    public PaintShelf and(PaintShelf newer) {
        var out = within(newer.limit);
        for (var p : newer.paints) out = out.with(p);
        for (var c : newer.cards) if (!out.cards.contains(c)) out = out.with(c);
        for (var p : newer.products) out = out.with(p);
        return out;
    }

    /** The card of a product; a blank one where nothing is known of it. */
    public ProductCard product(String name) {
        return products.stream().filter(p -> p.product().equals(name)).findFirst().orElse(ProductCard.blank(name));
    }

    /** In the place of the one of that product. */
    public PaintShelf with(ProductCard card) {
        var all = new ArrayList<>(products);
        all.removeIf(p -> p.product().equals(card.product()));
        all.add(card);
        return new PaintShelf(paints, cards, limit, all);
    }
}
