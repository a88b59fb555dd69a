package yellowbracket.desktop.widget;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * A small table of choices: one name, some figures, the day it would be ready. The current one is marked; hovering or focusing one shows
 * its ghost
 * bracket; taking one applies it. Figures may arrive later.
 */
public final class Alternatives extends VBox {
    private static final double COLUMN = 57;

    private final List<Row> rows = new ArrayList<>();
    private final int columns;
    private final Consumer<Optional<LocalDateTime>> ghost;

    /** One choice; figures are filled in with {@link #figures}. */
    public final class Row {
        private final ToggleButton button = new ToggleButton();
        private final List<Label> cells = new ArrayList<>();
        private final Label note = new Label();
        private Optional<LocalDateTime> finish = Optional.empty();

        private Row(String name, boolean current, Runnable take) {
            button.getStyleClass().setAll("alt");
            button.setMaxWidth(Double.MAX_VALUE);
            button.setSelected(current);
            button.setOnAction(e -> {
                button.setSelected(current);
                if (!current) take.run();
            });
            note.getStyleClass().addAll("soft", "small");
            note("");
            var line = line(name);
            for (int i = 0; i < columns; i++) {
                var cell = cell("\u2026", "num");
                cells.add(cell);
                line.getChildren().add(cell);
            }
            button.setGraphic(new VBox(1, line, note));
            button.setContentDisplay(javafx.scene.control.ContentDisplay.GRAPHIC_ONLY);
            button.setAccessibleText(name);
            if (current) button.setAccessibleHelp("current");
            line.prefWidthProperty().bind(button.widthProperty().subtract(16));
            button.hoverProperty().subscribe(x -> hint());
            button.focusedProperty().subscribe(x -> hint());
        }

        private void hint() {
            if (!button.isSelected() && (button.isHover() || button.isFocused())) ghost.accept(finish);
            else if (!button.isHover() && !button.isFocused()) ghost.accept(Optional.empty());
        }

        /** A line under the name, such as what to beware of; blank takes it away. */
        public void note(String words) {
            note.setText(words);
            note.setVisible(!words.isBlank());
            note.setManaged(!words.isBlank());
        }

        /** Says more of what the choice is, beside the pointer. */
        public void more(String words) {
            button.setTooltip(new Tooltip(words));
        }

        /** Whether more was said already. */
        public boolean told() {
            return button.getTooltip() != null;
        }

        /** Rough figures at once, until the worked-out ones arrive. */
        public void estimates(String... figures) {
            for (int i = 0; i < Math.min(columns, figures.length); i++)
                if (cells.get(i).getText().equals("\u2026")) cells.get(i).setText(figures[i]);
        }

        public void figures(Optional<LocalDateTime> ready, String... figures) {
            finish = ready;
            for (int i = 0; i < Math.min(columns, figures.length); i++) cells.get(i).setText(figures[i]);
            button.setAccessibleHelp((button.isSelected() ? "current: " : "") + String.join(", ", figures));
        }
    }

    public Alternatives(String name, List<String> heads, Consumer<Optional<LocalDateTime>> ghost) {
        columns = heads.size();
        this.ghost = ghost;
        var head = line(name);
        head.getStyleClass().add("alt-head");
        for (var h : heads) head.getChildren().add(cell(h, "alt-label"));
        getChildren().add(head);
    }

    public Row add(String name, boolean current, Runnable take) {
        var r = new Row(name, current, take);
        rows.add(r);
        getChildren().add(r.button);
        return r;
    }

    private static HBox line(String name) {
        var label = new Label(name);
        var gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        var box = new HBox(label, gap);
        box.setAlignment(Pos.CENTER_LEFT);
        return box;
    }

    private static Label cell(String text, String style) {
        var l = new Label(text);
        l.getStyleClass().add(style);
        l.setMinWidth(COLUMN);
        l.setPrefWidth(COLUMN);
        l.setAlignment(Pos.CENTER_RIGHT);
        return l;
    }
}
