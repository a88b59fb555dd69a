package yellowbracket.desktop.benchmode;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.util.Subscription;
import yellowbracket.derive.smooth.SmoothFigures;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Done;
import yellowbracket.desktop.model.Timers;
import yellowbracket.desktop.model.Words;
import yellowbracket.plan.Schedule;
import yellowbracket.safety.Caution;
import yellowbracket.smooth.Mix;
import yellowbracket.smooth.SmoothPlan;
import yellowbracket.work.Task;

/**
 * One step at a time in large type, with what to wear and its timer: five controls, all on letter keys. S starts and pauses the watch, D
 * done, N next, P previous, Esc leaves; T starts a timer. Done writes the hours measured, and where none were, it asks; what must dry then
 * has its timer. A step that is mixed from two parts has its scale below.
 */
public final class BenchMode extends VBox implements AutoCloseable {
    private final AppModel model;
    private final Timers timers;
    private final Runnable leave;
    private final Label count = new Label();
    private final Label step = new Label();
    private final Label detail = new Label();
    private final Label gear = new Label();
    private final Label clock = new Label();
    private final StackPane mixing = new StackPane();
    private Optional<MixPane> mix = Optional.empty();
    private Optional<Mix> mixed = Optional.empty();
    private final HBox controls = new HBox(18);
    private final Button watch = button("start  S", "action", this::startOrPause);
    private final List<Button> usual;
    /** Of which it is asked how long it took, and the hours offered as answers; 0 for not known. */
    private Optional<Task> asked = Optional.empty();
    private List<Double> answers = List.of();
    private int at;

    private final Subscription ends;

    public BenchMode(AppModel model, Timers timers, Runnable leave) {
        this.model = model;
        this.timers = timers;
        this.leave = leave;
        getStyleClass().add("bench-mode");
        step.getStyleClass().add("huge");
        step.setWrapText(true);
        detail.setWrapText(true);
        gear.setWrapText(true);
        gear.getStyleClass().add("caution");
        clock.getStyleClass().add("clock");
        var gap = new Region();
        VBox.setVgrow(gap, Priority.ALWAYS);
        usual = List.of(watch, button("done  D", "primary", this::done), button("previous  P", "action", () -> go(-1)),
                button("next  N", "action", () -> go(1)), button("leave  Esc", "action", leave));
        controls.getChildren().setAll(usual);
        controls.setAlignment(Pos.CENTER_LEFT);
        getChildren().setAll(count, step, detail, gear, clock, mixing, gap, controls);
        setFocusTraversable(true);
        addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        ends = Subscription.combine(model.derivedProperty().subscribe(x -> write()), timers.secondProperty().subscribe(x -> clock()));
    }

    private static Button button(String words, String style, Runnable run) {
        var b = new Button(words);
        b.getStyleClass().setAll("button", style);
        b.setOnAction(e -> run.run());
        return b;
    }

    private List<Schedule.Placed> steps() {
        return model.schedule()
                .map(s -> s.next(60).stream().filter(p -> p.task().resource() != Task.Resource.PRINTER).toList())
                .orElse(List.of());
    }

    private void write() {
        var list = steps();
        at = Math.clamp(at, 0, Math.max(0, list.size() - 1));
        if (asked.isPresent()) return;
        if (list.isEmpty()) {
            count.setText("");
            step.setText("nothing left to do");
            detail.setText("");
            gear.setText("");
            mix(Optional.empty(), "");
            return;
        }
        var p = list.get(at);
        count.setText("step " + (at + 1) + " of " + list.size() + " \u00b7 " + p.task().station().label() + " \u00b7 " + p.task().prop());
        step.setText(p.task().name());
        detail.setText(Words.dayTime(p.start()) + " \u00b7 " + Words.about(p.task().activeH()) + " of work"
                + (p.task().lag().leastH() > 0 ? ", then wait " + Words.hours(p.task().lag().leastH()) : ""));
        gear.setText(Caution.of(p.task(), model.shop())
                .map(c -> c.hazard() + ": " + c.gear() + ". " + Caution.DEFER)
                .orElse("nothing special to wear"));
        mix(mixOf(p.task()), p.task().prop());
    }

    /** What is mixed for a task of the smooth station. */
    private Optional<Mix> mixOf(Task t) {
        var plan = model.derived().get(SmoothFigures.SMOOTH, t.prop());
        return switch (t.operation()) {
            case FILL_SEAMS -> plan.flatMap(SmoothPlan::seamFiller);
            case SPREAD -> plan.flatMap(s -> s.mixes().stream().filter(m -> m.product().equals(t.product())).findFirst());
            default -> Optional.empty();
        };
    }

    private void mix(Optional<Mix> now, String prop) {
        if (now.equals(mixed)) return;
        mixed = now;
        mix.ifPresent(MixPane::close);
        double scaleG = model.shownProperty().get().prop(prop).map(p -> p.smooth().means().scaleG()).orElse(1.0);
        mix = now.map(m -> new MixPane(m, scaleG, timers, SCALE_SEED));
        mixing.getChildren().setAll(mix.stream().toList());
    }

    private static final long SCALE_SEED = 17;
    /** Less than a minute is a slip of the finger. */
    private static final double LEAST_H = 1 / 60.0;

    private void clock() {
        var words = new ArrayList<String>();
        task().ifPresent(t -> {
            boolean runs = timers.work().runs(t.id());
            watch.setText(runs ? "pause  S" : "start  S");
            long min = timers.work().worked(t.id()).toMinutes();
            if (runs || min > 0) words.add(Words.text("%s %d:%02d", runs ? "at work" : "paused at", min / 60, min % 60));
        });
        if (!timers.running().isEmpty()) words.add(timers.running().getFirst().words(timers.now()));
        clock.setText(String.join("   ", words));
    }

    private Optional<Task> task() {
        var list = steps();
        return list.isEmpty() ? Optional.empty() : Optional.of(list.get(Math.clamp(at, 0, list.size() - 1)).task());
    }

    private void startOrPause() {
        task().ifPresent(t -> {
            if (timers.work().runs(t.id())) timers.work().pause();
            else timers.work().start(t.id());
        });
        clock();
    }

    private void go(int by) {
        at += by;
        write();
        clock();
    }

    private void done() {
        task().ifPresent(t -> {
            double hours = timers.work().worked(t.id()).toSeconds() / 3600.0;
            if (hours >= LEAST_H) finished(t, hours);
            else ask(t);
        });
    }

    /** Nobody pressed start: the nearest answer is better than none. */
    private void ask(Task t) {
        double planned = t.activeH();
        asked = Optional.of(t);
        answers = List.of(planned / 2, planned, 2 * planned, 0.0);
        detail.setText("how long did it take?");
        controls.getChildren()
                .setAll(answer(0, Words.about(planned / 2)), answer(1, Words.about(planned) + " as planned"),
                        answer(2, Words.about(2 * planned)), answer(3, "do not know"), button("back  Esc", "action", this::usual));
    }

    private Button answer(int i, String words) {
        return button(words + "  " + (i + 1), i == 1 ? "primary" : "action", () -> answered(i));
    }

    private void answered(int i) {
        var of = asked.orElseThrow();
        usual();
        finished(of, answers.get(i));
    }

    private void usual() {
        asked = Optional.empty();
        controls.getChildren().setAll(usual);
        write();
    }

    private void finished(Task t, double hours) {
        timers.work().take(t.id());
        model.note(Done.line(t, hours));
        if (t.lag().leastH() > 0 && timers.running().stream().noneMatch(r -> r.name().equals(t.name()))) timer(t);
        clock();
    }

    private void timer() {
        var list = steps();
        if (list.isEmpty()) return;
        timer(list.get(at).task());
    }

    private void timer(Task t) {
        timers.start(t.name(), 60 * (t.lag().leastH() > 0 ? t.lag().leastH() : t.activeH()));
        clock();
    }

    private void key(KeyEvent e) {
        if (mix.filter(MixPane::typing).isPresent() && e.getCode() != KeyCode.ESCAPE) return;
        if (asked.isPresent()) {
            int i = List.of(KeyCode.DIGIT1, KeyCode.DIGIT2, KeyCode.DIGIT3, KeyCode.DIGIT4).indexOf(e.getCode());
            if (i >= 0) answered(i);
            if (e.getCode() == KeyCode.ESCAPE) usual();
            e.consume();
            return;
        }
        switch (e.getCode()) {
            case S -> startOrPause();
            case D -> done();
            case T -> timer();
            case N -> go(1);
            case P -> go(-1);
            case W -> mix.ifPresent(MixPane::take);
            case X -> mix.ifPresent(MixPane::pourOn);
            case R -> mix.ifPresent(MixPane::again);
            case ESCAPE -> leave.run();
            default -> {
                return;
            }
        }
        e.consume();
    }

    @Override
    public void close() {
        mix.ifPresent(MixPane::close);
        ends.unsubscribe();
    }
}
