package yellowbracket.desktop.station;

import java.util.stream.Collectors;
import javafx.scene.control.Button;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.document.Edit;
import yellowbracket.document.Question;

/** A line that says what is assumed and asks whether it is right; it stays away once that was said, or another was chosen. */
public final class Asked {
    private Asked() {}

    /** What must fit a bed goes by them. */
    public static void printers(Card card, AppModel model) {
        var names = model.shownProperty()
                .get()
                .printers()
                .stream()
                .map(p -> Words.text("%s %.0f \u00d7 %.0f \u00d7 %.0f", p.name(), p.bedX(), p.bedY(), p.bedZ()))
                .collect(Collectors.joining(", "));
        write(card, model, Question.PRINTERS, "these printers are assumed: " + names + " mm. Which do you have?",
                () -> model.go(Page.PRINT, "printers"));
    }

    /** @param assumed as a question: "are these your printers: mid bed?" */
    public static void write(Card card, AppModel model, Question q, String assumed, Runnable change) {
        if (!model.shownProperty().get().asks(q)) return;
        var right = Card.action("that is right", () -> model.apply(Edit.settle(q)));
        right.setId("right-" + q.name().toLowerCase(java.util.Locale.ROOT));
        Button other = Card.action("change ...", change);
        other.setId("change-" + q.name().toLowerCase(java.util.Locale.ROOT));
        card.asked(assumed, right, other);
    }
}
