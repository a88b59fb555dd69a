package yellowbracket.desktop.station.smooth;

import java.util.function.UnaryOperator;
import yellowbracket.desktop.station.PagePart;
import yellowbracket.desktop.widget.Card;
import yellowbracket.document.Edit;
import yellowbracket.smooth.SmoothPlan;
import yellowbracket.smooth.SmoothWish;

/** One part of the smooth page, shown under a tab of its own. */
abstract class SmoothPart extends PagePart {
    protected final SmoothView view;

    SmoothPart(SmoothView view) {
        super(view.model());
        this.view = view;
    }

    abstract void write(Card card, SmoothPlan plan);

    /** What the bench shows while this part is open. */
    abstract void draw(SmoothPlan plan);

    /** Whether one of its controls is being dragged. */
    boolean busy() {
        return false;
    }

    protected SmoothWish wish() {
        return prop().smooth();
    }

    protected void change(String name, UnaryOperator<SmoothWish> how) {
        model.apply(Edit.smoothing(name, prop().id(), how));
    }
}
