package yellowbracket.desktop.station.size;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.scene.control.Button;
import javafx.scene.layout.FlowPane;
import yellowbracket.derive.size.SizeFigures;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.widget.Card;
import yellowbracket.document.Edit;
import yellowbracket.document.Prop;
import yellowbracket.shop.Wearer;
import yellowbracket.size.Use;
import yellowbracket.size.UseGuess;

/** The two questions a new prop is asked: what is done with it, and who wears what is worn. Everything on the size page goes by them. */
final class UseQuestion {
    private final SizeView view;
    private final AppModel model;

    UseQuestion(SizeView view) {
        this.view = view;
        model = view.model();
    }

    /** What the page is about while something is to be said, empty once it is. */
    static Optional<String> heading(Prop p) {
        if (p.size().asks()) return Optional.of("what is it for?");
        return wantsWearer(p) ? Optional.of("who wears it?") : Optional.empty();
    }

    static boolean wantsWearer(Prop p) {
        return p.size().wearers().isEmpty() && p.size().use().filter(Use::worn).isPresent();
    }

    static String about(Prop p) {
        return p.size()
                .use()
                .map(u -> u.worn() ? u.words() + ", nobody chosen yet" : u.words() + ": sized by its length")
                .orElse("its size goes by what it is for");
    }

    /** Writes what is still to be said. Returns whether anything was. */
    boolean write(Card card, Prop p) {
        if (p.size().asks()) {
            use(card, p);
            return true;
        }
        if (wantsWearer(p)) wearer(card, p);
        return wantsWearer(p);
    }

    private void use(Card card, Prop p) {
        var guess = model.result(SizeFigures.USE);
        guess.ifPresentOrElse(g -> {
            card.text("by its shape it " + (g.use() == Use.STANDS ? "" : "is ") + g.use().words() + ": " + g.because());
            card.primary(g.use().words(), () -> used(p, g.use()));
        }, () -> view.waiting(card, SizeFigures.USE));
        // they move when the guess comes in a second later: none of them under a pointer that is about to press
        boolean moving = guess.isEmpty() && model.derived().reason(SizeFigures.USE, p.id()).isEmpty();
        var others = new ArrayList<Button>();
        for (var u : Use.values()) if (guess.map(UseGuess::use).filter(u::equals).isEmpty()) {
            var b = Card.action(u.words(), () -> used(p, u));
            b.setId("use-" + u.name().toLowerCase(java.util.Locale.ROOT));
            b.setDisable(moving);
            others.add(b);
        }
        card.add(flow(others));
    }

    private static FlowPane flow(List<Button> buttons) {
        var pane = new FlowPane(8, 8);
        pane.setPadding(new Insets(6, 0, 10, 0));
        pane.getChildren().addAll(buttons);
        return pane;
    }

    /** The only wearer there is need not be asked for. */
    private void used(Prop p, Use use) {
        var all = model.shownProperty().get().wearers();
        var edit = Edit.use(p.id(), use);
        model.apply(use.worn() && all.size() == 1 ? edit.and(Edit.wearers(p.id(), List.of(all.getFirst().name()))) : edit);
    }

    private void wearer(Card card, Prop p) {
        var all = model.shownProperty().get().wearers();
        card.text("three measures of the head are enough: round above the brows, brow to back, width above the ears");
        if (all.isEmpty()) {
            card.primary("who wears it?", this::newWearer);
            return;
        }
        var first = all.getFirst();
        card.primary("size it for " + first.name(), () -> sizeFor(p, first));
        var others = new ArrayList<Button>();
        all.stream().skip(1).limit(6).forEach(w -> others.add(Card.action(w.name(), () -> sizeFor(p, w))));
        others.add(Card.action("somebody else", this::newWearer));
        card.add(flow(others));
    }

    private void sizeFor(Prop p, Wearer w) {
        model.apply(Edit.wearers(p.id(), List.of(w.name())));
    }

    private void newWearer() {
        view.show("wearers");
        Platform.runLater(() -> Optional.ofNullable(view.bench().getScene().lookup("#wearer-name")).ifPresent(n -> n.requestFocus()));
    }
}
