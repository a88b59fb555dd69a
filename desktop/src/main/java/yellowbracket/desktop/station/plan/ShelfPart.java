package yellowbracket.desktop.station.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import yellowbracket.derive.plan.ShelfFigures;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.station.PagePart;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.document.Edit;
import yellowbracket.finding.Weight;
import yellowbracket.plan.Needs;
import yellowbracket.shop.StockItem;

/** What stands on the shelf; the shopping list is what is needed less this. Filament is counted by its spools, on the print page. */
final class ShelfPart extends PagePart {
    private static final double MOST = 1_000_000;
    private String adding = "";

    ShelfPart(AppModel model) {
        super(model);
    }

    @Override
    public String heading() {
        return "what is on the shelf";
    }

    void write(Card card) {
        model.shelfElsewhere()
                .ifPresent(shelf -> card.finding(Weight.CARE,
                        "another build has changed the shelf since: " + changed(model.shownProperty().get().stock(), shelf), "take it over",
                        () -> model.apply(new Edit("the shelf as it is now", b -> b.withStock(shelf)))));
        var stock = model.shownProperty().get().stock();
        if (stock.isEmpty()) card.text("nothing yet: everything the plan needs is on the shopping list");
        for (int i = 0; i < stock.size(); i++) item(card, stock.get(i), i);
        add(card);
    }

    /** The first few that differ. */
    private static String changed(List<StockItem> here, List<StockItem> there) {
        var names = new TreeSet<String>();
        here.forEach(s -> names.add(s.name()));
        there.forEach(s -> names.add(s.name()));
        var out = names.stream().filter(n -> !of(here, n).equals(of(there, n))).toList();
        return String.join(", ", out.subList(0, Math.min(3, out.size()))) + (out.size() > 3 ? " and " + (out.size() - 3) + " more" : "");
    }

    private static List<StockItem> of(List<StockItem> shelf, String name) {
        return shelf.stream().filter(s -> s.name().equals(name)).toList();
    }

    private void item(Card card, StockItem item, int i) {
        var amount = field("stock-" + i, item.name(), item.unit() + " between 0 and 1000000, such as 250", 0, MOST)
                .with(Words.text(item.amount() == Math.rint(item.amount()) ? "%.0f" : "%.1f", item.amount()));
        amount.setOnAction(e -> amount.read()
                .ifPresent(v -> change(item.name() + " " + amount.getText() + " " + item.unit(), s -> s.equals(item) ? s.with(v) : s)));
        card.row(item.name(), amount, Card.more(item.unit()),
                Card.action("used up", () -> model.apply(new Edit("no " + item.name() + " left",
                        b -> b.withStock(b.stock().stream().filter(s -> !s.name().equals(item.name())).toList())))));
    }

    private void change(String name, UnaryOperator<StockItem> how) {
        model.apply(new Edit(name, b -> b.withStock(b.stock().stream().map(how).toList())));
    }

    /** Of what this build needs and does not have yet. */
    private void add(Card card) {
        var have = model.shownProperty().get().stock().stream().map(StockItem::name).toList();
        var needed = new TreeSet<String>();
        var lines = model.derived().get(ShelfFigures.NEEDS).map(Needs::lines).orElse(List.of());
        lines.stream().map(Needs.Line::name).filter(n -> !have.contains(n)).forEach(needed::add);
        if (needed.isEmpty()) return;
        if (!needed.contains(adding)) adding = needed.first();
        UnaryOperator<String> unit = n -> lines.stream().filter(l -> l.name().equals(n)).findFirst().map(Needs.Line::unit).orElse("g");
        var amount = field("stock-amount", "how much there is", "a number between 0 and 1000000, such as 250", 0, MOST).with("");
        amount.setPromptText(unit.apply(adding));
        card.title("put on the shelf");
        card.row("add", new Choice<>("stock-add", "what to put on the shelf", new ArrayList<>(needed), adding, n -> n, n -> {
            adding = n;
            amount.setPromptText(unit.apply(n));
        }), amount, Card.action("put there", () -> amount.read().ifPresent(v -> model.apply(new Edit(adding + " on the shelf", b -> {
            var all = new ArrayList<>(b.stock());
            all.add(new StockItem(adding, v, unit.apply(adding)));
            return b.withStock(all);
        })))));
    }
}
