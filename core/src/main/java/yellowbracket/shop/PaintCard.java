package yellowbracket.shop;

import java.time.LocalDateTime;
import java.util.List;
import yellowbracket.finding.Limits;

/** Something tried on a card before it went on the prop, and what came of it. @param products from the bottom up */
public record PaintCard(LocalDateTime at, List<String> products, boolean good, String words) {
    private static final int MOST_WORDS = 500;

    public PaintCard {
        Limits.date("a test card", at);
        products = List.copyOf(products);
        if (products.isEmpty()) throw new IllegalArgumentException("a test card tries at least one product");
        if (words.length() > MOST_WORDS)
            throw new IllegalArgumentException("what a test card showed: no more than " + MOST_WORDS + " letters");
    }

    /** Whether it tried these, one on the other. */
    public boolean tried(List<String> stack) {
        return java.util.Collections.indexOfSubList(products, stack) >= 0;
    }
}
