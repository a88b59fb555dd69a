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
    private final String name;
    private final Optional<Wearer> before;
    private final Optional<Runnable> firstOfProp;
    private final Map<String, TextField> fields = new LinkedHashMap<>();
    private final CheckBox glasses = new CheckBox("glasses");
    private final Label wrong = new Label();
    private final Popup popup = new Popup();
    private final HeadGuide guide = new HeadGuide();
    private int rows;

    /**
     * @param before as kept so far
     * @param firstOfProp the prop that is shown has nobody yet: it is sized for this one, and that is done then
     */
    WearerForm(AppModel model, String name, Optional<Wearer> before, Optional<Runnable> firstOfProp) {
        this.model = model;
        this.name = name;
        this.before = before;
        this.firstOfProp = firstOfProp;
    }

    void show(Scene over) {
        var head = before.map(Wearer::head);
        var grid = new GridPane(10, 6);
        heading(grid, "these three are needed");
        line(grid, "circumference", head.map(HeadMeasures::circumferenceMm), "tape level, just above the brows");
        line(grid, "length", head.map(HeadMeasures::lengthMm), "brow to the furthest point behind");
        line(grid, "breadth", head.map(HeadMeasures::breadthMm), "widest, above the ears");
        heading(grid, "these make it surer; left empty, they are estimated");
        line(grid, "height", head.flatMap(HeadMeasures::heightMm), "chin to crown");
        line(grid, "face width", head.flatMap(HeadMeasures::faceWidthMm), "cheekbone to cheekbone");
        line(grid, "neck", head.flatMap(HeadMeasures::neckMm), "tape round the neck");
        line(grid, "pupils", head.flatMap(HeadMeasures::pupilsMm), "middle to middle");
        line(grid, "hair", before.map(Wearer::hairMm).filter(mm -> mm > 0), "how far it stands off the skin");
        line(grid, "body height", before.flatMap(Wearer::bodyHeightMm), "standing");
        line(grid, "eye height", before.flatMap(Wearer::eyesMm), "floor to eyes in the costume's shoes");
        glasses.setSelected(before.map(Wearer::glasses).orElse(false));
        wrong.getStyleClass().add("stop");
        wrong.setWrapText(true);
        wrong.setMaxWidth(430);
        var title = new Label("measures of " + name + ", mm");
        title.getStyleClass().add("heading");
        var keep = new Button("keep");
        keep.getStyleClass().setAll("button", "primary");
        keep.setDefaultButton(true);
        keep.setOnAction(e -> keep());
        var buttons = new HBox(10, keep, Card.action("leave", popup::hide));
        buttons.setAlignment(Pos.CENTER_LEFT);
        boolean scan = before.flatMap(Wearer::scan).isPresent();
        var scanned = new Label(scan ? "a scan is kept: these measures are the tape's on it; typing others here replaces it" : "");
        scanned.getStyleClass().addAll("soft", "small");
        scanned.setManaged(scan);
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

    private void heading(GridPane grid, String words) {
        var label = new Label(words);
        label.getStyleClass().addAll("soft", "small");
        grid.add(label, 0, rows++, 3, 1);
    }

    private void line(GridPane grid, String name, Optional<Double> value, String how) {
        var field = new TextField(value.map(v -> Words.text(v == Math.rint(v) ? "%.0f" : "%.1f", v)).orElse(""));
        field.setPrefWidth(80);
        field.setAccessibleText(name + " in mm: " + how);
        field.setId("measure-" + name.replace(' ', '-'));
        field.focusedProperty().subscribe(on -> {
            if (on) guide.about(name);
        });
        fields.put(name, field);
        var hint = new Label(how);
        hint.getStyleClass().addAll("soft", "small");
        grid.addRow(rows++, new Label(name), field, hint);
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
            double hair = maybe("hair").orElse(0.0);
            var body = maybe("body height");
            var eyes = maybe("eye height");
            if (hair < 0 || hair > 120) refuse("hair", "hair stands between 0 and 120 mm off the skin.");
            else if (body.filter(mm -> mm < 700 || mm > 2400).isPresent())
                refuse("body height", "body height lies between 700 and 2400 mm.");
            else eyes.flatMap(mm -> wrongEyes(mm, body))
                    .ifPresentOrElse(why -> refuse("eye height", why), () -> keep(head, hair, body, eyes));
        } catch (NumberFormatException e) {
            wrong.setText(e.getMessage());
        }
    }

    private static Optional<String> wrongEyes(double mm, Optional<Double> body) {
        double least = body.map(b -> 0.8 * b).orElse(600.0), most = body.map(b -> 1.1 * b).orElse(2300.0);
        return mm >= least && mm <= most ? Optional.empty()
                : Optional.of(Words.text("eyes lie between %.0f and %.0f mm over the floor%s.", least, most,
                        body.isPresent() ? " for that body height" : ""));
    }

    private void keep(HeadMeasures head, double hair, Optional<Double> body, Optional<Double> eyes) {
        var scan = before.filter(w -> head.circumferenceMm() == w.head().circumferenceMm() && head.lengthMm() == w.head().lengthMm()
                && head.breadthMm() == w.head().breadthMm() && head.heightMm().equals(w.head().heightMm())).flatMap(Wearer::scan);
        model.keepWearer(new Wearer(name, head, glasses.isSelected(), hair, body, eyes, scan), firstOfProp.isPresent());
        popup.hide();
        firstOfProp.ifPresent(Runnable::run);
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
