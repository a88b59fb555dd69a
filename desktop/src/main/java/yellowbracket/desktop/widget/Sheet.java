package yellowbracket.desktop.widget;

import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.collections.FXCollections;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.SelectionMode;
import javafx.scene.control.TableCell;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;

/** A table that sorts, and copies its selected rows as text with Ctrl+C. Rows are plain values. */
public final class Sheet<T> extends TableView<T> {
    private static final double ROW = 27;

    public Sheet(String name, String empty) {
        setAccessibleText(name);
        setPlaceholder(new Label(empty));
        setFixedCellSize(ROW);
        setColumnResizePolicy(CONSTRAINED_RESIZE_POLICY_FLEX_LAST_COLUMN);
        getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
        setOnKeyPressed(e -> {
            if (e.isShortcutDown() && e.getCode() == KeyCode.C) {
                copy();
                e.consume();
            }
        });
    }

    public Sheet<T> words(String head, double width, Function<T, String> value) {
        add(head, width, value);
        return this;
    }

    /** A section letter or seam name as a stamped tag. */
    public Sheet<T> tag(String head, double width, Function<T, String> value) {
        var c = add(head, width, value);
        c.setCellFactory(x -> new TableCell<>() {
            @Override
            protected void updateItem(String item, boolean none) {
                super.updateItem(item, none);
                setGraphic(none || item == null ? null : Card.tag(item));
            }
        });
        return this;
    }

    /** A small square of colour. */
    public Sheet<T> swatch(String head, double width, Function<T, javafx.scene.paint.Color> colour) {
        var c = new TableColumn<T, T>(head);
        c.setCellValueFactory(f -> new ReadOnlyObjectWrapper<>(f.getValue()));
        c.setPrefWidth(width);
        c.setMinWidth(Math.min(width, 30));
        c.setSortable(false);
        c.setCellFactory(x -> new TableCell<>() {
            @Override
            protected void updateItem(T item, boolean none) {
                super.updateItem(item, none);
                setGraphic(none || item == null ? null : new javafx.scene.shape.Rectangle(14, 14, colour.apply(item)));
            }
        });
        c.setUserData((Function<T, String>) t -> "");
        getColumns().add(c);
        return this;
    }

    /** A number shown as words and sorted by value. */
    public Sheet<T> number(String head, double width, ToDoubleFunction<T> value, Function<T, String> shown) {
        var c = new TableColumn<T, T>(head);
        c.setCellValueFactory(f -> new ReadOnlyObjectWrapper<>(f.getValue()));
        c.setComparator(java.util.Comparator.comparingDouble(value));
        c.setPrefWidth(width);
        c.setMinWidth(Math.min(width, 44));
        c.getStyleClass().add("num-column");
        c.setCellFactory(x -> new TableCell<>() {
            {
                getStyleClass().add("num");
                setAlignment(Pos.CENTER_RIGHT);
            }

            @Override
            protected void updateItem(T item, boolean none) {
                super.updateItem(item, none);
                setText(none || item == null ? null : shown.apply(item));
            }
        });
        c.setUserData(shown);
        getColumns().add(c);
        return this;
    }

    private TableColumn<T, String> add(String head, double width, Function<T, String> value) {
        var c = new TableColumn<T, String>(head);
        c.setCellValueFactory(f -> new ReadOnlyObjectWrapper<>(value.apply(f.getValue())));
        c.setPrefWidth(width);
        c.setMinWidth(Math.min(width, 40));
        c.setUserData(value);
        getColumns().add(c);
        return c;
    }

    /** @param most rows shown before it scrolls */
    public Sheet<T> rows(List<T> items, int most) {
        setItems(FXCollections.observableArrayList(items));
        double h = 30 + ROW * Math.clamp(items.size(), 1, most) + 2;
        setMinHeight(h);
        setPrefHeight(h);
        setMaxHeight(h);
        return this;
    }

    public Sheet<T> onPick(Consumer<T> pick) {
        getSelectionModel().selectedItemProperty().subscribe(i -> {
            if (i != null) pick.accept(i);
        });
        return this;
    }

    @SuppressWarnings("unchecked")
    private void copy() {
        var rows = getSelectionModel().getSelectedItems().isEmpty() ? getItems() : getSelectionModel().getSelectedItems();
        String head = getColumns().stream().map(TableColumn::getText).collect(Collectors.joining("\t"));
        String text = rows.stream()
                .map(r -> getColumns().stream()
                        .map(c -> ((Function<T, String>) c.getUserData()).apply(r))
                        .collect(Collectors.joining("\t")))
                .collect(Collectors.joining("\n"));
        var content = new ClipboardContent();
        content.putString(head + "\n" + text);
        Clipboard.getSystemClipboard().setContent(content);
    }
}
