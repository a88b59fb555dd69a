package yellowbracket.desktop.shell;

import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import yellowbracket.desktop.model.Sessions;

/** Asks what becomes of edits that are in no file: S saves, D discards, Esc stays. Nothing else answers while it is shown. */
final class LeavePane extends StackPane {
    private final Button save;

    LeavePane(Sessions.Leaving leaving, String build, Runnable onSave, Runnable onDiscard, Runnable onStay) {
        getStyleClass().add("leave");
        var heading = new Label("\"" + build + "\" has edits that are not saved");
        heading.getStyleClass().add("heading");
        var words = new Label("Save them before you " + leaving.what() + ", or discard them for good.");
        words.setWrapText(true);
        save = button("save  S", "primary", onSave);
        save.setId("leave-save");
        var discard = button("discard  D", "action", onDiscard);
        discard.setId("leave-discard");
        var stay = button("stay here  Esc", "action", onStay);
        stay.setId("leave-stay");
        var buttons = new HBox(12, save, discard, stay);
        buttons.setAlignment(Pos.CENTER_LEFT);
        var box = new VBox(14, heading, words, buttons);
        box.getStyleClass().add("sheet");
        box.setMaxSize(Region.USE_PREF_SIZE, Region.USE_PREF_SIZE);
        getChildren().setAll(box);
        addEventHandler(KeyEvent.KEY_PRESSED, e -> {
            switch (e.getCode()) {
                case S -> onSave.run();
                case D -> onDiscard.run();
                case ESCAPE -> onStay.run();
                default -> {
                    return;
                }
            }
            e.consume();
        });
    }

    private static Button button(String words, String style, Runnable run) {
        var b = new Button(words);
        b.getStyleClass().setAll("button", style);
        b.setOnAction(e -> run.run());
        return b;
    }

    @Override
    public void requestFocus() {
        save.requestFocus();
    }
}
