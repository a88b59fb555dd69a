package yellowbracket.desktop.station.wear;

import java.util.function.UnaryOperator;
import yellowbracket.desktop.station.PagePart;
import yellowbracket.desktop.widget.Card;
import yellowbracket.document.Edit;
import yellowbracket.wear.WearWish;

/** One part of the wear page, shown under a tab of its own. */
abstract class WearPart extends PagePart {
    protected final WearView view;

    WearPart(WearView view) {
        super(view.model());
        this.view = view;
    }

    abstract void write(Card card);

    /** What the bench shows while this part is open. */
    abstract void draw();

    protected WearWish wish() {
        return prop().wear();
    }

    protected void change(String name, UnaryOperator<WearWish> how) {
        model.apply(Edit.ofProp(name, prop().id(), p -> p.withWear(how.apply(p.wear()))));
    }
}
