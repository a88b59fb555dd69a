package yellowbracket.desktop.station.print;

import java.time.LocalTime;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;
import javafx.scene.control.ContentDisplay;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.station.PagePart;
import yellowbracket.desktop.widget.Card;
import yellowbracket.print.PrintPlan;
import yellowbracket.print.SectionPrint;
import yellowbracket.work.TaskId;

/** One part of the print page, shown under a tab of its own. */
abstract class PrintPart extends PagePart {
    protected final PrintView view;

    PrintPart(PrintView view) {
        super(view.model());
        this.view = view;
    }

    abstract void write(Card card, PrintPlan plan);

    /** What the bench shows while this part is open. */
    abstract void draw(PrintPlan plan);

    /** Sections printed. */
    protected Set<TaskId> done() {
        return model.ofBuild(PlanFigures.TASKS).map(t -> t.lessons().done().keySet()).orElse(Set.of());
    }

    protected boolean isDone(SectionPrint p) {
        return done().contains(TaskId.print(p.id()));
    }

    /** A field for a time of day. */
    protected static TextField time(String id, String what, String now, String prompt) {
        var f = new TextField(now);
        f.setId(id);
        f.setPromptText(prompt);
        f.setPrefWidth(62);
        f.setMinWidth(54);
        f.setAccessibleText(what);
        return f;
    }

    /** Two times that go together, typed in fields: taken when both are there, taken away when both are empty, else told what to type. */
    protected void times(String what, TextField from, TextField to, BiConsumer<LocalTime, LocalTime> take, Runnable none) {
        Runnable read = () -> {
            String a = from.getText().strip(), b = to.getText().strip();
            try {
                if (a.isEmpty() && b.isEmpty()) none.run();
                else take.accept(LocalTime.parse(a), LocalTime.parse(b));
            } catch (DateTimeParseException e) {
                model.tell(AppModel.Tone.STOP, what + " \"" + a + "\" to \"" + b + "\": type both as 22:00 and 07:00, or leave both empty");
            } catch (IllegalArgumentException e) {
                model.tell(AppModel.Tone.STOP, e.getMessage());
            }
        };
        from.setOnAction(e -> read.run());
        to.setOnAction(e -> read.run());
    }

    /** A stamp for each section, those printed marked; @param all the word for all of them, empty to leave it out */
    protected FlowPane stamps(PrintPlan plan, String all, Optional<String> picked, java.util.function.Consumer<Optional<String>> pick) {
        var line = new FlowPane(4, 4);
        if (!all.isEmpty()) line.getChildren().add(stamp(all, "", false, picked.isEmpty(), () -> pick.accept(Optional.empty())));
        for (var p : plan.prints()) line.getChildren()
                .add(stamp(p.name(), prop().print().sections().containsKey(p.name()) ? " *" : "", isDone(p),
                        picked.equals(Optional.of(p.name())), () -> pick.accept(Optional.of(p.name()))));
        return line;
    }

    /** @param mark behind its name while it is still to be printed */
    private static ToggleButton stamp(String name, String mark, boolean printed, boolean on, Runnable run) {
        var b = new ToggleButton(printed ? name : name + mark);
        if (printed) b.setGraphic(new FontIcon(Feather.CHECK));
        b.setContentDisplay(ContentDisplay.RIGHT);
        b.getStyleClass().setAll("toggle-button", "plain", "stamp");
        b.setId("section-" + name);
        b.setAccessibleText("section " + name + (printed ? ", printed" : ""));
        b.setSelected(on);
        b.setOnAction(e -> {
            b.setSelected(on);
            if (!on) run.run();
        });
        return b;
    }

    protected static List<String> names(PrintPlan plan) {
        return plan.prints().stream().map(SectionPrint::name).toList();
    }
}
