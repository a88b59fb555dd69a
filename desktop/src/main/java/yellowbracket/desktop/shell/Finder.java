package yellowbracket.desktop.shell;

import java.util.List;
import javafx.scene.Scene;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.VBox;
import javafx.stage.Popup;
import yellowbracket.desktop.theme.Theme;

/** Type a few letters, press enter: commands, props, sections, seams. */
final class Finder {
    private Finder() {}

    static void show(Scene over, Commands commands, boolean night) {
        var popup = new Popup();
        var field = new TextField();
        field.setId("finder");
        field.setPromptText("find a command, a section, a seam ...");
        field.setAccessibleText("find");
        var list = new ListView<Commands.Command>();
        list.setPrefSize(440, 300);
        list.setFocusTraversable(false);
        list.setCellFactory(v -> new ListCell<>() {
            @Override
            protected void updateItem(Commands.Command c, boolean none) {
                super.updateItem(c, none);
                setText(none || c == null ? null : c.name() + (c.key().isEmpty() ? "" : "    " + c.key()));
            }
        });
        Runnable fill = () -> {
            List<Commands.Command> found = commands.find(field.getText());
            list.getItems().setAll(found);
            list.getSelectionModel().selectFirst();
        };
        Runnable take = () -> {
            var c = list.getSelectionModel().getSelectedItem();
            popup.hide();
            if (c != null) c.run().run();
        };
        field.textProperty().subscribe(x -> fill.run());
        field.setOnAction(e -> take.run());
        // the stroke that opened the finder is still on its way
        field.addEventFilter(KeyEvent.KEY_TYPED, e -> {
            if (field.getText().isEmpty() && e.getCharacter().equals("/")) e.consume();
        });
        field.setOnKeyPressed(e -> {
            int i = list.getSelectionModel().getSelectedIndex();
            if (e.getCode() == KeyCode.DOWN) list.getSelectionModel().select(Math.min(list.getItems().size() - 1, i + 1));
            else if (e.getCode() == KeyCode.UP) list.getSelectionModel().select(Math.max(0, i - 1));
            else return;
            list.scrollTo(list.getSelectionModel().getSelectedIndex());
            e.consume();
        });
        list.setOnMouseClicked(e -> take.run());
        var box = new VBox(8, field, list);
        box.getStyleClass().addAll("root", "sheet");
        Theme.apply(box, night);
        popup.getContent().setAll(box);
        popup.setAutoHide(true);
        popup.setHideOnEscape(true);
        var w = over.getWindow();
        popup.show(w, w.getX() + (over.getWidth() - 480) / 2, w.getY() + 120);
        field.requestFocus();
    }
}
