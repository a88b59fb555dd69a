package yellowbracket.desktop.station.colour;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.function.DoubleConsumer;
import java.util.function.UnaryOperator;
import javafx.scene.control.TextField;
import yellowbracket.colour.ColourPlan;
import yellowbracket.colour.ColourWish;
import yellowbracket.desktop.station.PagePart;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.NumberField;
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

    /** Without zeros that say nothing. */
    protected static String plain(double v) {
        return BigDecimal.valueOf(v).round(new MathContext(4)).stripTrailingZeros().toPlainString();
    }

    /** A field for words. @param what it is for */
    static TextField text(String id, String what, String now, int columns) {
        var t = new TextField(now);
        t.setId(id);
        t.setAccessibleText(what);
        t.setPrefColumnCount(columns);
        return t;
    }

    /** A short field whose number is taken on Enter, and when it is left. */
    protected NumberField number(String id, String what, double least, double most, double now, DoubleConsumer take) {
        var f = field(id, what, "a number between " + plain(least) + " and " + plain(most), least, most).with(plain(now));
        f.setPrefColumnCount(4);
        f.setOnAction(e -> f.read().ifPresent(take));
        f.focusedProperty().subscribe(on -> {
            if (!on && f.edited()) f.read().ifPresent(take);
        });
        return f;
    }

    protected void change(String name, UnaryOperator<ColourWish> how) {
        model.apply(Edit.colours(name, prop().id(), how));
    }
}
