package yellowbracket.desktop.station.size;

import java.util.List;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.derive.size.SizeFigures;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.document.Edit;
import yellowbracket.mesh.Vec3;
import yellowbracket.size.KeyHeight;
import yellowbracket.size.KeyPoint;

/** Heights of the places that matter at this scale, in mm and inch, each of which can set the scale; a picked point gets a name here. */
final class HeightRows {
    private final SizeView view;
    private final List<Vec3> picked;
    private final Consumer<Supplier<Double>> scale;

    HeightRows(SizeView view, List<Vec3> picked, Consumer<Supplier<Double>> scale) {
        this.view = view;
        this.picked = picked;
        this.scale = scale;
    }

    void write(Card card) {
        var model = view.model();
        var box = model.result(ModelFigures.MODEL).map(m -> m.mesh().bounds());
        if (box.isEmpty()) return;
        var prop = model.currentProp().orElseThrow();
        card.title("key heights");
        card.text(KeyHeight.factor(prop.scale()));
        var list = KeyHeight.of(box.get(), prop.size().keyPoints(), model.result(SizeFigures.CAVITY), prop.scale());
        for (int i = 0; i < list.size(); i++) row(card, i, list.get(i));
        name(card);
    }

    private void row(Card card, int number, KeyHeight h) {
        var model = view.model();
        String id = model.currentProp().orElseThrow().id();
        var value = new javafx.scene.control.Label(Words.text("%.1f mm", h.mm()));
        value.getStyleClass().add("row-value");
        value.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        var wanted = new yellowbracket.desktop.widget.NumberField("height-" + number, "height of " + h.name(),
                "mm between 1 and 10000, such as 1500", 1, 10_000, words -> model.tell(AppModel.Tone.STOP, words));
        Runnable take = () -> wanted.read().ifPresent(mm -> scale.accept(() -> h.scaleFor(mm)));
        wanted.setOnAction(e -> take.run());
        var more = Card.more(Words.text("%.2f in", h.inch()));
        HBox.setHgrow(more, Priority.ALWAYS);
        var go = Card.action("make it so", take);
        go.setAccessibleText("scale so that " + h.name() + " lies so high");
        if (!h.own()) {
            card.row(h.name(), value, more, wanted, go);
            return;
        }
        var forget = Card.action("", () -> model.apply(Edit.forgetKeyPoint(id, h.name())));
        forget.setGraphic(new FontIcon(Feather.X));
        forget.setAccessibleText("forget " + h.name());
        card.row(h.name(), value, more, wanted, go, forget);
    }

    private void name(Card card) {
        var model = view.model();
        var field = new TextField();
        field.setId("height-name");
        field.setPromptText("top of the crest");
        field.setAccessibleText("name of the point picked last");
        field.setDisable(picked.isEmpty());
        HBox.setHgrow(field, Priority.ALWAYS);
        Runnable keep = () -> {
            var name = field.getText().strip();
            if (name.isEmpty()) model.tell(AppModel.Tone.STOP, "name of the point: type what it is, such as top of the crest");
            else model.apply(Edit.keyPoint(model.currentProp().orElseThrow().id(), new KeyPoint(name, picked.getLast())));
        };
        field.setOnAction(e -> keep.run());
        var button = Card.action("keep", keep);
        button.setId("height-keep");
        button.setDisable(picked.isEmpty());
        card.row("name a point", field, Card.more(picked.isEmpty() ? "click it on the model first" : "the one picked last"), button);
    }
}
