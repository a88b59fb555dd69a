package yellowbracket.desktop.widget;

import java.util.List;
import javafx.css.PseudoClass;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import yellowbracket.finding.Weight;

/** A job card being written from top to bottom: heading, rows of decision and consequence, findings, one primary action. */
public final class Card extends VBox {
    public Card(String heading, String sub) {
        getStyleClass().add("card");
        var h = new Label(heading);
        h.getStyleClass().add("heading");
        var s = new Label(sub);
        s.getStyleClass().add("subheading");
        s.setWrapText(true);
        getChildren().addAll(h, s);
        VBox.setMargin(s, new Insets(0, 0, 8, 0));
    }

    /** Decision and consequence in a line. */
    public Card row(String name, String value, String more) {
        return row(name, value, more, "");
    }

    public Card row(String name, String value, String more, String tone) {
        var v = new Label(value);
        v.getStyleClass().add("row-value");
        v.setMinWidth(Region.USE_PREF_SIZE);
        if (!tone.isEmpty()) v.getStyleClass().add(tone);
        return row(name, v, more(more));
    }

    /** Parts of a page, one of them shown. */
    public Card tabs(List<String> names, String current, java.util.function.Consumer<String> pick) {
        var line = new HBox(4);
        for (var n : names) {
            var t = new javafx.scene.control.ToggleButton(n);
            t.getStyleClass().setAll("toggle-button", "plain");
            t.setId("tab-" + n);
            t.setSelected(n.equals(current));
            t.setOnAction(e -> {
                t.setSelected(n.equals(current));
                if (!n.equals(current)) pick.accept(n);
            });
            line.getChildren().add(t);
        }
        return add(line);
    }

    /** A row with controls of its own. */
    public Card row(String name, Node... parts) {
        var n = new Label(name);
        n.getStyleClass().add("row-name");
        n.setWrapText(true);
        var line = new HBox(10, n);
        line.getStyleClass().add("row");
        line.getChildren().addAll(parts);
        getChildren().add(line);
        return this;
    }

    /** A numbered step: hours, what to do, and beneath it the details. */
    public Card step(String name, String what, String details) {
        var w = new Label(what);
        w.setWrapText(true);
        var both = new VBox(1, w, more(details));
        HBox.setHgrow(both, Priority.ALWAYS);
        both.setMaxWidth(Double.MAX_VALUE);
        return row(name, both);
    }

    public static Label more(String words) {
        var l = new Label(words);
        l.getStyleClass().add("row-more");
        l.setWrapText(true);
        HBox.setHgrow(l, Priority.ALWAYS);
        l.setMaxWidth(Double.MAX_VALUE);
        return l;
    }

    public Card title(String words) {
        var l = new Label(words);
        l.getStyleClass().add("section-title");
        l.setWrapText(true);
        getChildren().add(l);
        return this;
    }

    public Card text(String words) {
        var l = new Label(words);
        l.getStyleClass().addAll("soft", "small");
        l.setWrapText(true);
        getChildren().add(l);
        return this;
    }

    public Card add(Node n) {
        getChildren().add(n);
        VBox.setMargin(n, new Insets(2, 0, 4, 0));
        return this;
    }

    /** Something found, with its fix (an empty name for none). */
    public Card finding(Weight weight, String words, String fix, Runnable run) {
        var w = new Label(switch (weight) {
            case STOP -> "stop";
            case CARE -> "care";
            case NOTE -> "note";
        });
        w.getStyleClass().addAll("weight", w.getText());
        w.setMinWidth(30);
        var text = new Label(words);
        text.setWrapText(true);
        text.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(text, Priority.ALWAYS);
        var box = new HBox(w, text);
        box.getStyleClass().add("finding");
        box.pseudoClassStateChanged(PseudoClass.getPseudoClass("stop"), weight == Weight.STOP);
        box.pseudoClassStateChanged(PseudoClass.getPseudoClass("care"), weight == Weight.CARE);
        if (!fix.isEmpty()) box.getChildren().add(action(fix, run));
        getChildren().add(box);
        VBox.setMargin(box, new Insets(6, 0, 0, 0));
        return this;
    }

    /** Something assumed that is asked for, with the answers. */
    public Card asked(String words, Button... answers) {
        var text = new Label(words);
        text.setWrapText(true);
        text.setMaxWidth(Double.MAX_VALUE);
        var buttons = new HBox(8, answers);
        var box = new VBox(8, text, buttons);
        box.getStyleClass().add("asked");
        return add(box);
    }

    public Card caution(String words) {
        var l = new Label(words);
        l.getStyleClass().add("caution");
        l.setWrapText(true);
        l.setMaxWidth(Double.MAX_VALUE);
        return add(l);
    }

    /** The one primary action, with lesser ones beside it. */
    public Card primary(String words, Runnable run, Button... others) {
        var b = new Button(words);
        b.getStyleClass().setAll("button", "primary");
        b.setOnAction(e -> run.run());
        var line = new HBox(10, b);
        line.getChildren().addAll(others);
        line.setAlignment(Pos.CENTER_LEFT);
        getChildren().add(line);
        VBox.setMargin(line, new Insets(14, 0, 0, 0));
        return this;
    }

    public static Button action(String words, Runnable run) {
        var b = new Button(words);
        b.getStyleClass().setAll("button", "action");
        b.setMinWidth(Region.USE_PREF_SIZE);
        b.setOnAction(e -> run.run());
        return b;
    }

    /** A stamped letter or seam name. */
    public static Label tag(String name) {
        var l = new Label(name);
        l.getStyleClass().setAll("label", "tag");
        l.setMinWidth(Region.USE_PREF_SIZE);
        return l;
    }

    public static <T extends javafx.scene.control.Control> T tip(T control, String words) {
        control.setTooltip(new Tooltip(words));
        return control;
    }
}
