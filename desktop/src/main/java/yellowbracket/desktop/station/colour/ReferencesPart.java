package yellowbracket.desktop.station.colour;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import javafx.scene.Node;
import javafx.scene.control.ColorPicker;
import javafx.scene.paint.Color;
import yellowbracket.colour.ColourReference;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.desktop.widget.Sheet;

/** What the prop is made after, at the foot of the palette: areas of colour held against the zones, and what is counted, to tick off. */
final class ReferencesPart {
    private final ColourView view;
    private String open = "";
    private String picked = "";

    ReferencesPart(ColourView view) {
        this.view = view;
    }

    private void change(String name, UnaryOperator<List<ColourReference>> how) {
        try {
            view.model()
                    .apply(yellowbracket.document.Edit.colours(name, view.prop().id(), w -> w.withReferences(how.apply(w.references()))));
        } catch (IllegalArgumentException e) {
            view.model().tell(AppModel.Tone.STOP, e.getMessage());
        }
    }

    private void replace(String name, ColourReference by) {
        change(name, all -> all.stream().map(r -> r.name().equals(by.name()) ? by : r).toList());
    }

    private Optional<ColourReference> shown() {
        var all = view.prop().colour().references();
        return all.stream().filter(r -> r.name().equals(open)).findFirst().or(() -> all.stream().findFirst());
    }

    void write(Card card) {
        card.title("what it is made after");
        var all = view.prop().colour().references();
        var name = ColourPart.text("reference-name", "name of a picture or drawing it is made after", "", 10);
        name.setPromptText("such as plate 3");
        var add = Card.action("new reference", () -> {
            try {
                var r = ColourReference.of(name.getText().strip());
                open = r.name();
                change("reference " + r.name(), list -> {
                    var more = new ArrayList<>(list);
                    more.add(r);
                    return more;
                });
            } catch (IllegalArgumentException e) {
                view.model().tell(AppModel.Tone.STOP, e.getMessage());
            }
        });
        add.setId("reference-add");
        card.row("picture", name, add);
        if (all.size() > 1) card.row("shown",
                new Choice<>("reference-shown", "which reference is shown", all, shown().orElseThrow(), ColourReference::name, r -> {
                    open = r.name();
                    view.again();
                }));
        shown().ifPresent(r -> one(card, r));
    }

    private void one(Card card, ColourReference r) {
        var zones = view.prop().colour().zones();
        double limit = view.model().shownProperty().get().paints().limit();
        if (!r.areas().isEmpty()) card.add(new Sheet<ColourReference.Area>("reference-areas", "none").swatch("", a -> Color.web(a.hex()))
                .words(r.name(), ColourReference.Area::part)
                .words("zone", a -> r.nearest(a, zones).map(n -> n.zone().name()).orElse("-"))
                .number("off", a -> r.nearest(a, zones).map(ColourReference.Nearest::off).orElse(0.0),
                        a -> r.nearest(a, zones).map(n -> Words.text(n.off() > limit ? "%.1f !" : "%.1f", n.off())).orElse("-"))
                .rows(r.areas(), 6)
                .onPick(a -> {
                    if (a.part().equals(picked)) return;
                    picked = a.part();
                    view.again();
                }));
        for (var c : r.counts()) {
            var one = Card.action("one more",
                    () -> replace(c.what() + " " + (c.done() + 1), r.with(new ColourReference.Count(c.what(), c.count(), c.done() + 1))));
            one.setAccessibleText("one more of " + c.what());
            one.setDisable(c.complete());
            var back = c.done() == 0 ? Card.action("take it off", () -> replace("without " + c.what(), r.without(c.what())))
                    : Card.action("one less", () -> replace(c.what() + " " + (c.done() - 1),
                            r.with(new ColourReference.Count(c.what(), c.count(), c.done() - 1))));
            back.setAccessibleText(c.done() == 0 ? "take " + c.what() + " off" : "one less of " + c.what());
            card.row(c.what(), Card.more(Words.text("%d of %d", c.done(), c.count())), one, back);
        }
        var part = ColourPart.text("reference-part", "an area of colour on " + r.name(), "", 8);
        part.setPromptText("such as dome");
        var hex = new ColorPicker(Color.web("#8b8f92"));
        hex.setId("reference-hex");
        hex.setAccessibleText("its colour");
        hex.getStyleClass().add("bare-picker");
        card.row("an area", part, hex, Card.action("add",
                () -> add(() -> r.with(new ColourReference.Area(part.getText().strip(), ColourView.hex(hex.getValue()))))));
        var what = ColourPart.text("reference-what", "what is counted on " + r.name(), "", 8);
        what.setPromptText("such as rivets");
        var count = ColourPart.text("reference-count", "how many there are", "", 3);
        var tell = Card.action("add it", () -> add(() -> {
            try {
                return r.with(new ColourReference.Count(what.getText().strip(), Integer.parseInt(count.getText().strip()), 0));
            } catch (NumberFormatException e) {
                throw new IllegalArgumentException("how many " + what.getText() + ": a whole number, such as 7");
            }
        }));
        tell.setId("reference-count-add");
        card.row("to count", what, count, tell);
        var end = new ArrayList<Node>();
        if (r.areas().stream().anyMatch(x -> x.part().equals(picked)))
            end.add(Card.action("take " + picked + " off", () -> replace("without " + picked, r.without(picked))));
        end.add(Card.action("no more " + r.name(),
                () -> change("without " + r.name(), list -> list.stream().filter(x -> !x.name().equals(r.name())).toList())));
        card.row("", end.toArray(Node[]::new));
    }

    private void add(Supplier<ColourReference> make) {
        try {
            var r = make.get();
            replace("to " + r.name(), r);
        } catch (IllegalArgumentException e) {
            view.model().tell(AppModel.Tone.STOP, e.getMessage());
        }
    }
}
