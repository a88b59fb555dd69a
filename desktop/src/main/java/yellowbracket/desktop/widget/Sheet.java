package yellowbracket.desktop.widget;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import javafx.application.Platform;
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
import javafx.scene.text.Font;
import javafx.scene.text.Text;

/**
 * A table that sorts, and copies its selected rows as text with Ctrl+C. Rows are plain values. Columns are as wide as what they hold; where
 * that is too much for the table, words are wrapped, and numbers are never cut.
 */
public final class Sheet<T> extends TableView<T> {
    private static final double ROW = 27, TAGGED = 28, HEAD = 30, SCROLL_BAR = 14;
    /** Of a row, the lines above and below. */
    private static final double LINES = 2;
    /** Left and right of what a cell holds, and above and below it, with its lines. */
    private static final double BESIDE = 16, AROUND = 15;
    /** Of it, what the cell itself keeps free. */
    private static final double PADDING = 14;
    /** Beside a head, with room for the arrow of the column that is sorted by. */
    private static final double SORTED = 24;
    /** Rows measured for the width of a column. */
    private static final int MEASURED = 200;
    /** A line of words, and what the toolkit's cache of laid-out text now and then makes of it: a row has room for that. */
    private static final double LINE = 15.6, HIGH_LINE = 17.05;
    private static final Font WORDS = Font.font("Barlow", 13), NUMBERS = Font.font("JetBrains Mono", 12.5),
            HEADS = Font.font("Barlow Condensed", 13.5);

    private enum Kind { WORDS, NUMBER, TAG, SWATCH }

    private record Shape<T>(TableColumn<T, ?> column, Kind kind, Function<T, String> shown) {}

    /** Of the table laid out last: on a card they are all as wide, and columns that are right at once are laid out once. */
    private static double usual = 432;

    private final List<Shape<T>> shapes = new ArrayList<>();
    private double fitted;
    /** Since the rows were last handed over: more than once would not end where a row can be no higher. */
    private int refits;
    private int most = 1;

    public Sheet(String name, String empty) {
        setAccessibleText(name);
        setPlaceholder(new Label(empty));
        widthProperty().subscribe(w -> {
            if (getWidth() > 0) usual = getWidth();
            if (getWidth() == fitted) return;
            fit();
            Platform.runLater(this::again);
        });
        getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
        setOnKeyPressed(e -> {
            if (e.isShortcutDown() && e.getCode() == KeyCode.C) {
                copy();
                e.consume();
            }
        });
    }

    public Sheet<T> words(String head, Function<T, String> value) {
        var c = add(head, value, Kind.WORDS);
        c.setCellFactory(x -> new TableCell<>() {
            {
                setWrapText(true);
            }

            @Override
            protected void updateItem(String item, boolean none) {
                super.updateItem(item, none);
                setText(none ? null : item);
            }

            @Override
            protected double computePrefHeight(double width) {
                return getItem() == null || isEmpty() ? ROW : high(getItem(), Math.min(c.getWidth(), c.getPrefWidth()));
            }

            @Override
            protected void layoutChildren() {
                super.layoutChildren();
                if (computePrefHeight(-1) > getHeight() + 1) tooLow();
            }
        });
        return this;
    }

    /** A section letter or seam name as a stamped tag. */
    public Sheet<T> tag(String head, Function<T, String> value) {
        var c = add(head, value, Kind.TAG);
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
    public Sheet<T> swatch(String head, Function<T, javafx.scene.paint.Color> colour) {
        var c = new TableColumn<T, T>(head);
        c.setCellValueFactory(f -> new ReadOnlyObjectWrapper<>(f.getValue()));
        c.setSortable(false);
        c.setCellFactory(x -> new TableCell<>() {
            @Override
            protected void updateItem(T item, boolean none) {
                super.updateItem(item, none);
                setGraphic(none || item == null ? null : new javafx.scene.shape.Rectangle(14, 14, colour.apply(item)));
            }
        });
        keep(c, Kind.SWATCH, t -> "");
        return this;
    }

    /** A number shown as words and sorted by value. */
    public Sheet<T> number(String head, ToDoubleFunction<T> value, Function<T, String> shown) {
        var c = new TableColumn<T, T>(head);
        c.setCellValueFactory(f -> new ReadOnlyObjectWrapper<>(f.getValue()));
        c.setComparator(java.util.Comparator.comparingDouble(value));
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
        keep(c, Kind.NUMBER, shown);
        return this;
    }

    private TableColumn<T, String> add(String head, Function<T, String> value, Kind kind) {
        var c = new TableColumn<T, String>(head);
        c.setCellValueFactory(f -> new ReadOnlyObjectWrapper<>(value.apply(f.getValue())));
        keep(c, kind, value);
        return c;
    }

    private void keep(TableColumn<T, ?> c, Kind kind, Function<T, String> shown) {
        getColumns().add(c);
        shapes.add(new Shape<>(c, kind, shown));
    }

    private static double wide(String s, Font font) {
        var ruler = new Text(s);
        ruler.setFont(font);
        return ruler.getLayoutBounds().getWidth();
    }

    /** A row with these words in a column so wide. */
    private static double high(String words, double column) {
        var ruler = new Text(words);
        ruler.setFont(WORDS);
        ruler.setWrappingWidth(Math.max(20, column - PADDING));
        double lines = Math.round(ruler.getLayoutBounds().getHeight() / ((LINE + HIGH_LINE) / 2));
        return lines < 2 ? ROW : Math.ceil(lines * HIGH_LINE) + AROUND;
    }

    /** What a column would have, and the least it can do with. */
    private double[] wants(Shape<T> s) {
        double natural = s.column.getText().isEmpty() ? 20 : wide(s.column.getText(), HEADS) + SORTED, least = natural;
        if (s.kind == Kind.SWATCH) return new double[] {Math.max(30, natural), Math.max(30, natural)};
        var font = s.kind == Kind.WORDS ? WORDS : NUMBERS;
        for (var item : getItems().stream().limit(MEASURED).toList()) {
            String words = s.shown.apply(item);
            if (words == null) continue;
            natural = Math.max(natural, wide(words, font) + BESIDE + (s.kind == Kind.TAG ? BESIDE : 0));
            if (s.kind == Kind.WORDS) for (var w : words.split(" ")) least = Math.max(least, wide(w, font) + BESIDE);
        }
        return new double[] {natural, s.kind == Kind.WORDS ? least : natural};
    }

    private static double wide(double[] wants, double cap) {
        return Math.max(wants[1], Math.min(wants[0], cap));
    }

    private static double sum(List<double[]> wants, double cap) {
        return wants.stream().mapToDouble(w -> wide(w, cap)).sum();
    }

    /** The width to which the widest columns of words come down so that all have room. */
    private static double cap(List<double[]> wants, double room) {
        double lo = 0, hi = room;
        if (sum(wants, Double.POSITIVE_INFINITY) <= room) return Double.POSITIVE_INFINITY;
        for (int i = 0; i < 24; i++) {
            double mid = (lo + hi) / 2;
            if (sum(wants, mid) > room) hi = mid;
            else lo = mid;
        }
        return lo;
    }

    /** Gives each column its width; what is over goes to the last words. */
    private void fit() {
        if (getItems() == null || shapes.isEmpty()) return;
        fitted = getWidth() > 0 ? getWidth() : usual;
        double room = fitted - 4 - (getItems().size() > most ? SCROLL_BAR : 0);
        var wants = shapes.stream().map(this::wants).toList();
        double over = room - sum(wants, cap(wants, room));
        int grows = 0;
        for (int i = 0; i < shapes.size(); i++) if (shapes.get(i).kind == Kind.WORDS) grows = i;
        for (int i = 0; i < shapes.size(); i++) {
            double width = wide(wants.get(i), cap(wants, room)) + (i == grows ? Math.max(0, over) : 0);
            shapes.get(i).column.setMinWidth(Math.min(width, 30));
            shapes.get(i).column.setPrefWidth(Math.floor(width));
        }
        double rows = 0;
        double plain = shapes.stream().anyMatch(s -> s.kind == Kind.TAG) ? TAGGED : ROW;
        for (var item : getItems().stream().limit(most).toList()) {
            double row = plain;
            for (var s : shapes) if (s.kind == Kind.WORDS && s.shown.apply(item) != null)
                row = Math.max(row, high(s.shown.apply(item), s.column.getPrefWidth()));
            rows += row + LINES;
        }
        double h = HEAD + Math.max(ROW, rows) + 3;
        setMinHeight(h);
        setPrefHeight(h);
        setMaxHeight(h);
        refresh();
    }

    /** A width comes while the window is laid out, when rows that ask to be laid out anew are not heard: they ask once more after it. */
    private void again() {
        refresh();
        requestLayout();
    }

    /** The toolkit may measure words higher than it did when the row was measured: the rows are then measured once more. */
    private void tooLow() {
        if (refits++ > 0) return;
        Platform.runLater(() -> {
            fit();
            again();
        });
    }

    /** @param most rows shown before it scrolls */
    public Sheet<T> rows(List<T> items, int most) {
        setItems(FXCollections.observableArrayList(items));
        this.most = Math.max(1, most);
        refits = 0;
        fit();
        return this;
    }

    public Sheet<T> onPick(Consumer<T> pick) {
        getSelectionModel().selectedItemProperty().subscribe(i -> {
            if (i != null) pick.accept(i);
        });
        return this;
    }

    private void copy() {
        var rows = getSelectionModel().getSelectedItems().isEmpty() ? getItems() : getSelectionModel().getSelectedItems();
        String head = getColumns().stream().map(TableColumn::getText).collect(Collectors.joining("\t"));
        String text = rows.stream()
                .map(r -> shapes.stream().map(s -> s.shown.apply(r)).collect(Collectors.joining("\t")))
                .collect(Collectors.joining("\n"));
        var content = new ClipboardContent();
        content.putString(head + "\n" + text);
        Clipboard.getSystemClipboard().setContent(content);
    }
}
