package yellowbracket.desktop.station.plan;

import java.util.List;
import java.util.stream.Stream;
import yellowbracket.derive.plan.ShelfFigures;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.station.PagePart;
import yellowbracket.desktop.station.StationView;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.finding.Weight;
import yellowbracket.log.Recalled;
import yellowbracket.plan.Needs;
import yellowbracket.plan.Shopping;
import yellowbracket.work.Need;

/** What to buy, at which sort of shop, and by when. */
final class BuyPart extends PagePart {
    private final StationView view;
    private final Runnable export;

    BuyPart(AppModel model, StationView view, Runnable export) {
        super(model);
        this.view = view;
        this.export = export;
    }

    @Override
    public String heading() {
        return "what to buy, and by when";
    }

    void write(Card card) {
        var shopping = model.derived().get(ShelfFigures.SHOPPING);
        if (shopping.isEmpty()) {
            view.waiting(card, ShelfFigures.SHOPPING);
            return;
        }
        var list = shopping.get().list();
        if (list.isEmpty()) {
            card.text("everything the plan needs is on the shelf");
            return;
        }
        var first = list.getFirst();
        var today = model.now().toLocalDate();
        card.row("first of all", Words.day(first.orderBy().atStartOfDay()),
                String.join(", ", Stream.of(first.line().name(), first.pack(), first.from()).filter(w -> !w.isEmpty()).toList()));
        card.row("in all", Words.money(shopping.get().cost()), list.size() + " things; packs at starting prices");
        list.stream()
                .filter(b -> b.orderBy().isBefore(today))
                .limit(3)
                .forEach(b -> card.finding(Weight.CARE, b.line().name() + " should have been ordered by "
                        + Words.day(b.orderBy().atStartOfDay()) + ": the plan uses it on " + Words.day(b.shortOn().atStartOfDay()), "",
                        () -> {}));
        list.stream()
                .filter(b -> b.tooOld() > 0)
                .forEach(b -> card.finding(Weight.CARE, Words.text("%s on the shelf is too old by then: %.0f %s do not count",
                        b.line().name(), b.tooOld(), b.line().unit()), "", () -> {}));
        list.stream()
                .filter(b -> b.reserved() > 0)
                .forEach(
                        b -> card.finding(Weight.NOTE, Words.text("%s: %s of what is on the shelf are for builds that must be ready sooner",
                                b.line().name(), amount(b.reserved(), b.line().unit())), "", () -> {}));
        var paints = model.shownProperty().get().paints();
        list.forEach(b -> paints.product(Need.unshaded(b.line().name()))
                .never()
                .ifPresent(why -> card.finding(Weight.CARE, "never again " + b.line().name() + ", you noted: " + why, "", () -> {})));
        var recalled = new Recalled(model.shownProperty().get().log(), List.of());
        list.forEach(b -> recalled.never(b.line().name())
                .stream()
                .limit(1)
                .forEach(e -> card.finding(Weight.CARE, "not again, you wrote: " + e.text(), "", () -> {})));
        for (var shop : shopping.get().shops()) shop(card, shop, shopping.get());
        card.primary("export list ...", export);
    }

    private static void shop(Card card, String shop, Shopping all) {
        card.title(shop);
        var sheet = new Sheet<Shopping.Buy>("from the " + shop, "nothing").words("what", b -> b.line().name())
                .words("buy", Shopping.Buy::pack)
                .number("needed", b -> b.line().needed(), b -> amount(b.line().needed(), b.line().unit()))
                .number("short on", b -> b.shortOn().toEpochDay(), b -> Words.day(b.shortOn().atStartOfDay()))
                .number("order by", b -> b.orderBy().toEpochDay(), b -> Words.day(b.orderBy().atStartOfDay()))
                .rows(all.from(shop), 6);
        card.add(sheet);
        var words = all.from(shop)
                .stream()
                .filter(b -> b.instead().isPresent())
                .map(b -> b.instead().orElseThrow() + " for " + b.line().name())
                .distinct()
                .toList();
        if (!words.isEmpty()) card.text("on the shelf and not needed, it would do: " + String.join("; ", words));
    }

    private static String amount(double v, String unit) {
        return (v < 10 && v != Math.rint(v) ? Words.text("%.1f", v) : Words.whole(v)) + " " + Needs.behind(v, unit);
    }
}
