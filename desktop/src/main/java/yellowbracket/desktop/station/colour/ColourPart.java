package yellowbracket.desktop.station.colour;

import java.util.function.UnaryOperator;
import yellowbracket.colour.ColourPlan;
import yellowbracket.colour.ColourWish;
import yellowbracket.desktop.station.PagePart;
import yellowbracket.desktop.widget.Card;
import yellowbracket.document.Edit;

/** One part of the colour page, shown under a tab of its own. */
abstract class ColourPart extends PagePart {
    protected final ColourView view;

    ColourPart(ColourView view) {
        super(view.model());
        this.view = view;
    }

    abstract void write(Card card, ColourPlan plan);

    /** What the bench shows while this part is open. */
    abstract void draw();

    /** Whether one of its controls is being dragged. */
    boolean busy() {
        return false;
    }

    /** The tab is left. */
    void leave() {}

    protected ColourWish wish() {
        return prop().colour();
    }

    protected void change(String name, UnaryOperator<ColourWish> how) {
        model.apply(Edit.colours(name, prop().id(), how));
    }
}
