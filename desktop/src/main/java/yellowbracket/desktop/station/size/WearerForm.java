package yellowbracket.desktop.station.size;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.stage.Popup;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.shop.HeadMeasures;
import yellowbracket.shop.Wearer;

/** A wearer's measures with how to take each; implausible ones are refused beside the field, with the inch or centimetre slip named. */
final class WearerForm {
    private final AppModel model;
    private final Wearer wearer;
    private final Map<String, TextField> fields = new LinkedHashMap<>();
    private final CheckBox glasses = new CheckBox("glasses");
    private final Label wrong = new Label();
    private final Popup popup = new Popup();
    private final HeadGuide guide = new HeadGuide();

    WearerForm(AppModel model, Wearer wearer) {
        this.model = model;
        this.wearer = wearer;
    }

    void show(Scene over) {
        var h = wearer.head();
        var grid = new GridPane(10, 6);
        line(grid, "circumference", h.circumferenceMm(), "tape level, just above the brows");
        line(grid, "length", h.lengthMm(), "brow to the furthest point behind");
        line(grid, "breadth", h.breadthMm(), "widest, above the ears");
        line(grid, "height", h.heightMm().orElse(Double.NaN), "chin to crown, may be empty");
        line(grid, "face width", h.faceWidthMm().orElse(Double.NaN), "cheekbone to cheekbone, may be empty");
        line(grid, "neck", h.neckMm().orElse(Double.NaN), "tape round the neck, may be empty");
        line(grid, "pupils", h.pupilsMm().orElse(Double.NaN), "middle to middle, may be empty");
        line(grid, "hair", wearer.hairMm(), "how far it stands off the skin");
        line(grid, "body height", wearer.bodyHeightMm(), "standing");
        line(grid, "eye height", wearer.eyesMm().orElse(Double.NaN), "floor to eyes in the costume's shoes, may be empty");
        glasses.setSelected(wearer.glasses());
        wrong.getStyleClass().add("stop");
        wrong.setWrapText(true);
        wrong.setMaxWidth(430);
        var title = new Label("measures of " + wearer.name() + ", mm");
        title.getStyleClass().add("heading");
        var keep = new Button("keep");
        keep.getStyleClass().setAll("button", "primary");
        keep.setDefaultButton(true);
        keep.setOnAction(e -> keep());
        var buttons = new HBox(10, keep, Card.action("leave", popup::hide));
        buttons.setAlignment(Pos.CENTER_LEFT);
        var scanned = new Label(
                wearer.scan().isPresent() ? "a scan is kept: these measures are the tape's on it; typing others here replaces it" : "");
        scanned.getStyleClass().addAll("soft", "small");
        scanned.setManaged(wearer.scan().isPresent());
        var box = new VBox(10, title, new HBox(18, grid, guide), scanned, glasses, wrong, buttons);
        box.getStyleClass().add("sheet");
        yellowbracket.desktop.theme.Theme.apply(box, model.nightProperty().get());
        box.getStyleClass().add("root");
        popup.getContent().setAll(box);
        popup.setAutoHide(true);
        popup.setHideOnEscape(true);
        var w = over.getWindow();
        popup.show(w, w.getX() + 120, w.getY() + 110);
        fields.get("circumference").requestFocus();
    }

    private void line(GridPane grid, String name, double value, String how) {
        var field = new TextField(Double.isNaN(value) ? "" : Words.text(value == Math.rint(value) ? "%.0f" : "%.1f", value));
        field.setPrefWidth(80);
        field.setAccessibleText(name + " in mm: " + how);
        field.setId("measure-" + name.replace(' ', '-'));
        field.focusedProperty().subscribe(on -> {
            if (on) guide.about(name);
        });
        fields.put(name, field);
        var hint = new Label(how);
        hint.getStyleClass().addAll("soft", "small");
        grid.addRow(fields.size() - 1, new Label(name), field, hint);
    }

    private void keep() {
        fields.values().forEach(f -> f.getStyleClass().remove("wrong"));
        try {
            var head = new HeadMeasures(number("circumference"), number("length"), number("breadth"), maybe("height"), maybe("face width"),
                    maybe("neck"), maybe("pupils"));
            var problems = head.check();
            if (!problems.isEmpty()) {
                refuse(problems.getFirst().measure(), problems.getFirst().sentence());
                return;
            }
            double hair = number("hair"), body = number("body height");
            var eyes = maybe("eye height");
            if (hair < 0 || hair > 120) refuse("hair", "hair stands between 0 and 120 mm off the skin.");
            else if (body < 700 || body > 2400) refuse("body height", "body height lies between 700 and 2400 mm.");
            else if (eyes.isPresent() && (eyes.get() < 0.8 * body || eyes.get() > 1.1 * body)) refuse("eye height",
                    Words.text("eyes lie between %.0f and %.0f mm over the floor for that body height.", 0.8 * body, 1.1 * body));
            else {
                boolean sameHead = head.circumferenceMm() == wearer.head().circumferenceMm() && head.lengthMm() == wearer.head().lengthMm()
                        && head.breadthMm() == wearer.head().breadthMm() && head.heightMm().equals(wearer.head().heightMm());
                model.keepWearer(new Wearer(wearer.name(), head, glasses.isSelected(), hair, body, eyes,
                        sameHead ? wearer.scan() : Optional.empty()));
                popup.hide();
            }
        } catch (NumberFormatException e) {
            wrong.setText(e.getMessage());
        }
    }

    private void refuse(String field, String words) {
        wrong.setText(words);
        if (fields.containsKey(field)) fields.get(field).getStyleClass().add("wrong");
    }

    private Optional<Double> maybe(String name) {
        return fields.get(name).getText().isBlank() ? Optional.empty() : Optional.of(number(name));
    }

    private double number(String name) {
        try {
            return Double.parseDouble(fields.get(name).getText().replace(',', '.').strip());
        } catch (NumberFormatException e) {
            fields.get(name).getStyleClass().add("wrong");
            throw new NumberFormatException(name + ": \"" + fields.get(name).getText() + "\" is not a number; type millimetres.");
        }
    }
}
