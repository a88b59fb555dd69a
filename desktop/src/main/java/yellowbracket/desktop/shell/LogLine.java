package yellowbracket.desktop.shell;

import java.util.ArrayList;
import javafx.css.PseudoClass;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.util.Subscription;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Timers;
import yellowbracket.desktop.model.Words;
import yellowbracket.log.Entry;
import yellowbracket.work.TaskId;

/** Always there: write what happened; running timers as chips, which a click takes away. */
public final class LogLine extends HBox implements AutoCloseable {
    private static final PseudoClass PAST = PseudoClass.getPseudoClass("past");
    private final TextField field = new TextField();
    private final HBox chips = new HBox(10);
    private final Timers timers;

    private final Subscription ends;

    public LogLine(AppModel model, Timers timers) {
        this.timers = timers;
        getStyleClass().add("log-line");
        setMinHeight(40);
        setPrefHeight(40);
        var name = new Label("note");
        name.getStyleClass().add("section-title");
        name.setStyle("-fx-padding: 0;");
        field.setPromptText("write what happened ...   done A 14 h   failed B 60 % layer shift   started C   spent 9.50 tape");
        field.setId("log-line");
        field.setAccessibleText("write what happened");
        HBox.setHgrow(field, Priority.ALWAYS);
        field.setOnAction(e -> model.note(field.getText()).ifPresent(entry -> {
            model.tell(AppModel.Tone.GOOD, "noted" + switch (entry.kind()) {
                case DONE -> ": " + about(entry) + " done" + (entry.hours() > 0 ? " in " + Words.hours(entry.hours()) : "");
                case FAILED -> ": " + about(entry) + " failed, it will be printed again";
                case STARTED -> ": " + about(entry) + " is under way";
                case SPENT -> ": spent " + Words.money(entry.money());
                case USED -> ": taken off the shelf";
                case FIT -> ": the recommended scale now counts it";
                case BROKE -> ": how to mend it stands on the join page under repairs";
                case ODD -> ": nothing should start on that printer until a cause is noted";
                case WRONG -> ": like work waits until a cause is noted";
                case CAUSE -> ": the queue goes on";
                case PADS -> ": the set of pads is changed by it";
                case WALK -> ": it stands in the walk test";
                case NOTE, LESSON, WHY -> "";
            });
            field.clear();
        }));
        getChildren().setAll(name, field, chips);
        ends = Subscription.combine(timers.running().subscribe(this::write), timers.secondProperty().subscribe(x -> write()));
    }

    private void write() {
        var list = new ArrayList<Button>();
        for (var t : timers.running()) {
            var chip = new Button(t.words(timers.now()));
            chip.getStyleClass().setAll("chip");
            chip.pseudoClassStateChanged(PAST, t.past(timers.now()));
            chip.setAccessibleText("timer " + chip.getText() + ", press to stop");
            chip.setOnAction(e -> timers.stop(t));
            list.add(chip);
        }
        boolean same = list.size() == chips.getChildren().size();
        if (!same) chips.getChildren().setAll(list);
        else for (int i = 0; i < list.size(); i++) {
            var chip = (Button) chips.getChildren().get(i);
            chip.setText(list.get(i).getText());
            chip.pseudoClassStateChanged(PAST, timers.running().get(i).past(timers.now()));
            chip.setOnAction(list.get(i).getOnAction());
        }
    }

    public void focusField() {
        field.requestFocus();
    }

    private static String about(Entry e) {
        return e.task().map(TaskId::said).orElse("");
    }

    @Override
    public void close() {
        ends.unsubscribe();
    }
}
