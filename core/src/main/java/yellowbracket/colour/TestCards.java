package yellowbracket.colour;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Coating;
import yellowbracket.shop.PaintShelf;

/** What is to be tried on a card before it goes on the prop, and what earlier cards say of what is planned now. */
public record TestCards(List<Trial> open, List<Finding> told) {
    /** Films one on the other, from the bottom up. */
    public record Trial(List<String> stack, String why) {
        public Trial {
            stack = List.copyOf(stack);
        }

        public String words() {
            return String.join(" under ", stack);
        }
    }

    public TestCards {
        open = List.copyOf(open);
        told = List.copyOf(told);
    }

    public static TestCards of(ColourPlan plan, PaintShelf shelf, Catalogue shop) {
        var trials = new LinkedHashSet<Trial>();
        for (var area : plan.areas()) {
            var stack = plan.coats()
                    .stream()
                    .filter(c -> c.zones().contains(area.zone().id()))
                    .map(ColourPlan.Coats::product)
                    .distinct()
                    .toList();
            for (int i = 0; i < stack.size(); i++) {
                var c = shop.coating(stack.get(i));
                if (c.kind() == Coating.Kind.METAL)
                    trials.add(new Trial(List.of(c.name()), "metal shows what lies beneath: try it on gloss black"));
                if (i == 0) continue;
                var below = shop.coating(stack.get(i - 1));
                if (c.kind() == Coating.Kind.CLEAR && below.kind() == Coating.Kind.METAL)
                    trials.add(new Trial(List.of(below.name(), c.name()), "clear dulls mirror metal, more or less"));
                else if (c.kind() == Coating.Kind.CLEAR && below.binder() != c.binder())
                    trials.add(new Trial(List.of(below.name(), c.name()), "another binder over it may wrinkle or lift it"));
            }
        }
        plan.coats()
                .stream()
                .map(ColourPlan.Coats::product)
                .distinct()
                .filter(p -> unknown(p, shelf, shop))
                .forEach(p -> trials.add(new Trial(List.of(p), "nothing is known of this one: cover, drying, sheen")));
        var open = trials.stream().filter(t -> shelf.cards().stream().noneMatch(c -> c.tried(t.stack))).toList();
        return new TestCards(open, told(plan, shelf));
    }

    /** Coloured, and no paint of it was ever on a card. */
    private static boolean unknown(String product, PaintShelf shelf, Catalogue shop) {
        var kind = shop.coating(product).kind();
        return (kind == Coating.Kind.PAINT || kind == Coating.Kind.METAL)
                && shelf.paints().stream().noneMatch(p -> p.product().equals(product));
    }

    private static List<Finding> told(ColourPlan plan, PaintShelf shelf) {
        var out = new ArrayList<Finding>();
        Set<List<String>> planned = new LinkedHashSet<>();
        for (var area : plan.areas()) planned.add(
                plan.coats().stream().filter(c -> c.zones().contains(area.zone().id())).map(ColourPlan.Coats::product).distinct().toList());
        for (var card : shelf.cards()) {
            boolean now = planned.stream().anyMatch(p -> java.util.Collections.indexOfSubList(p, card.products()) >= 0);
            if (now) out.add(Finding.of(card.good() ? Weight.NOTE : Weight.CARE, Subject.WHOLE, "%s", "card of " + card.at().toLocalDate()
                    + ", " + String.join(" under ", card.products()) + (card.good() ? ": good. " : ": not good. ") + card.words()));
        }
        return out;
    }
}
