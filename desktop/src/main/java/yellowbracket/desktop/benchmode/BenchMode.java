package yellowbracket.desktop.benchmode;

import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.util.Subscription;
import yellowbracket.derive.plan.ShelfFigures;
import yellowbracket.derive.smooth.SmoothFigures;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.AskFile;
import yellowbracket.desktop.model.Done;
import yellowbracket.desktop.model.PhotoFolder;
import yellowbracket.desktop.model.Timers;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.station.WherePicture;
import yellowbracket.log.Entry;
import yellowbracket.log.Recalled;
import yellowbracket.log.Trouble;
import yellowbracket.log.Wrong;
import yellowbracket.plan.Schedule;
import yellowbracket.plan.WorkRules;
import yellowbracket.safety.Caution;
import yellowbracket.smooth.Mix;
import yellowbracket.smooth.SmoothPlan;
import yellowbracket.work.Need;
import yellowbracket.work.Operation;
import yellowbracket.work.Task;

/**
 * One step at a time in large type, with what to wear and its timer: five controls at most, all on letter keys. S starts and pauses the
 * watch, D done, N next, P previous, M more, Esc leaves. Before the first start of a day with a hazard it asks for the gear. Done writes
 * the hours measured, and where none were, it asks; what must dry then has its timer, with the end of its window where the film closes.
 * More: G it went wrong, F photo, I a note, T a timer. A step that is mixed from two parts has its scale below.
 */
public final class BenchMode extends VBox implements AutoCloseable {
    private static final List<KeyCode> DIGITS = List.of(KeyCode.DIGIT1, KeyCode.DIGIT2, KeyCode.DIGIT3, KeyCode.DIGIT4);
    /** As many are asked for at a time. */
    private static final int MOST = 4;
    private static final String CAUSE = "cause: ";

    private final AppModel model;
    private final Timers timers;
    private final Runnable leave;
    private final Label count = new Label();
    private final Label step = new Label();
    private final Label detail = new Label();
    private final Label gear = new Label();
    private final Label held = new Label();
    private final Label clock = new Label();
    private final Label then = new Label();
    private final StackPane mixing = new StackPane();
    private final WherePicture where;
    private final PhotoFolder photos = new PhotoFolder();
    private Optional<MixPane> mix = Optional.empty();
    private Optional<Mix> mixed = Optional.empty();
    private final HBox controls = new HBox(18);
    private final Button watch = button("start  S", "action", this::startOrPause);
    private final List<Button> usual;
    private final List<Button> more;
    /** What is asked for in the place of the usual controls; digits answer it, Esc goes back. */
    private Optional<Asked> asked = Optional.empty();
    /** The key that was pressed and is not let go yet. */
    private Optional<KeyCode> down = Optional.empty();
    private int at;
    /** What mends what went wrong with this step. */
    private Optional<String> advice = Optional.empty();
    private final Subscription ends;

    /** A question and what each answer does. */
    private record Asked(String words, List<Runnable> answers) {}

    private record Answer(String words, Runnable run) {}

    public BenchMode(AppModel model, Timers timers, Runnable leave) {
        this.model = model;
        this.timers = timers;
        this.leave = leave;
        where = new WherePicture(model);
        getStyleClass().add("bench-mode");
        step.getStyleClass().add("huge");
        for (var l : List.of(step, detail, gear, held, clock, then)) {
            l.setWrapText(true);
            l.setMinHeight(USE_PREF_SIZE); // a warning is never cut short
        }
        gear.getStyleClass().add("caution");
        held.getStyleClass().add("caution");
        clock.getStyleClass().add("clock");
        then.getStyleClass().add("soft");
        then.setId("then");
        usual = List.of(watch, button("done  D", "primary", this::done), button("next  N", "action", () -> go(1)),
                button("more  M", "action", this::more), button("leave  Esc", "action", leave));
        more = List.of(button("it went wrong  G", "action", this::wrong), button("photo  F", "action", this::photo),
                button("note  I", "action", this::note), button("timer  T", "action", this::timer),
                button("back  Esc", "action", this::usual));
        controls.getChildren().setAll(usual);
        controls.setAlignment(Pos.CENTER_LEFT);
        var words = new VBox(14, count, step, detail, held, gear);
        HBox.setHgrow(words, Priority.ALWAYS);
        // timers and controls stay in sight whatever stands above
        var upper = new ScrollPane(new VBox(14, new HBox(28, words, where), mixing));
        upper.setFitToWidth(true);
        upper.setFocusTraversable(false);
        upper.getStyleClass().add("clear-scroll");
        VBox.setVgrow(upper, Priority.ALWAYS);
        getChildren().setAll(upper, clock, then, controls);
        setFocusTraversable(true);
        addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        addEventFilter(KeyEvent.KEY_RELEASED, e -> down = Optional.empty());
        ends = Subscription.combine(model.derivedProperty().subscribe(x -> write()), timers.secondProperty().subscribe(x -> clock()),
                timers.rungProperty().subscribe((before, now) -> Ring.sound()));
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
            for (var l : List.of(count, detail, then)) l.setText("");
            step.setText(model.schedule().isEmpty() ? "working out the plan ..." : "nothing left to do");
            said(held, "");
            said(gear, "");
            where.show(Optional.empty());
            mix(Optional.empty(), "");
            return;
        }
        var p = list.get(at);
        count.setText("step " + (at + 1) + " of " + list.size() + " \u00b7 " + p.task().station().label() + " \u00b7 " + p.task().prop());
        step.setText(p.task().name());
        detail.setText(Words.dayTime(p.start()) + " \u00b7 " + Words.about(p.hours()) + " of work"
                + (p.setUp() ? ", spot and gear laid out already" : "")
                + (p.task().lag().leastH() > 0 ? ", then wait " + Words.hours(p.task().lag().leastH()) : "") + look(p.task()));
        said(gear, caution(p.task()).map(c -> c.hazard() + ": " + c.gear() + ". " + Caution.DEFER).orElse("nothing special to wear"));
        said(held, holding(p.task()).map(w -> "held: like work went wrong " + Words.dayTime(w.entry().at()) + " (" + w.entry().text()
                + "); note a line \"cause: ...\" to go on").or(() -> advice).or(() -> lesson(p.task())).orElse(""));
        then.setText(
                list.size() > at + 1 ? "then: " + list.get(at + 1).task().name() + ", " + Words.dayTime(list.get(at + 1).start()) : "");
        mix(mixOf(p.task()), p.task().prop());
        where.show(Optional.of(p.task()).filter(t -> mix.isEmpty()));
    }

    private static void said(Label l, String words) {
        l.setText(words);
        l.setVisible(!words.isEmpty());
        l.setManaged(!words.isEmpty());
    }

    /** What to look at, where that is the work. */
    private static String look(Task t) {
        return t.operation() == Operation.TRY_ON
                ? ": does it pass over the head and sit level; do you see the floor three steps ahead; does the head turn;"
                        + " where does it press"
                : "";
    }

    private Optional<Caution> caution(Task t) {
        return Caution.of(t, model.shop());
    }

    private List<Task> tasks() {
        return model.schedule().map(s -> s.placed().stream().map(Schedule.Placed::task).toList()).orElse(List.of());
    }

    private Optional<Wrong> holding(Task t) {
        return Wrong.holding(t, Wrong.open(model.session().build().log()), tasks());
    }

    /** What was learned in like work, the newest. */
    private Optional<String> lesson(Task t) {
        return new Recalled(model.session().build().log(), tasks()).lessons(t)
                .stream()
                .findFirst()
                .map(e -> "your lesson of " + Words.day(e.at()) + ": " + e.lesson().orElseThrow());
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
        var now = timers.now();
        task().ifPresent(t -> {
            boolean runs = timers.work().runs(t.id());
            watch.setText(runs ? "pause  S" : "start  S");
            long min = timers.work().worked(t.id()).toMinutes();
            if (runs || min > 0) words.add(Words.text("%s %d:%02d", runs ? "at work" : "paused at", min / 60, min % 60));
        });
        var rules = model.shownProperty().get().plan().rules();
        if (timers.work().tired(Duration.ofMinutes(rules.breakMin())).toMinutes() >= rules.sittingMin())
            words.add(Words.text("%d min of dust or fine work: %d min of something else", rules.sittingMin(), rules.breakMin()));
        // those that ask for something first
        timers.running()
                .stream()
                .sorted(Comparator.comparing((Timers.Timer t) -> t.state(now) == Timers.State.WAIT).thenComparing(Timers.Timer::end))
                .limit(2)
                .forEach(t -> words.add(t.words(now)));
        clock.setText(String.join("\n", words));
        boolean rings = timers.running().stream().anyMatch(t -> t.state(now) != Timers.State.WAIT);
        clock.getStyleClass().remove("ringing");
        if (rings && timers.now().getEpochSecond() % 2 == 0) clock.getStyleClass().add("ringing");
        boolean large = clock.getText().length() <= LARGE_LETTERS;
        clock.setStyle(large ? "" : "-fx-font-size: 30px;");
    }

    /** So many letters of the clock stand in one line at its full size. */
    private static final int LARGE_LETTERS = 14;

    private Optional<Task> task() {
        var list = steps();
        return list.isEmpty() ? Optional.empty() : Optional.of(list.get(Math.clamp(at, 0, list.size() - 1)).task());
    }

    /** The gear is a gate, once for each hazard and day; what like work went wrong with waits for its cause. */
    private void startOrPause() {
        task().ifPresent(t -> {
            if (timers.work().runs(t.id())) {
                timers.work().pause();
                return;
            }
            if (holding(t).isPresent()) {
                ask("like work went wrong and nobody has noted why", List.of(new Answer("go on all the same", () -> begin(t)),
                        new Answer("note the cause", () -> type(CAUSE, "cause: what it was, and what you do otherwise now"))));
                return;
            }
            begin(t);
        });
        clock();
    }

    private void begin(Task t) {
        var unset = timers.unguarded(caution(t).map(Caution::hazards).orElse(Set.of()));
        if (unset.isEmpty()) timers.work().start(t.id(), WorkRules.tires(t));
        else ask("before you start: " + new Caution(unset).gear() + ". " + Caution.DEFER, List.of(new Answer("it is on", () -> {
            timers.guard(unset);
            timers.work().start(t.id(), WorkRules.tires(t));
        })));
    }

    private void go(int by) {
        at += by;
        advice = Optional.empty();
        write();
        clock();
    }

    private void done() {
        task().ifPresent(t -> {
            double hours = timers.work().worked(t.id()).toSeconds() / 3600.0;
            if (hours >= LEAST_H) finished(t, hours);
            else askHours(t);
        });
    }

    /** Nobody pressed start: the nearest answer is better than none. */
    private void askHours(Task t) {
        double planned = placed(t).map(Schedule.Placed::hours).orElse(t.activeH());
        ask("how long did it take?", List.of(new Answer(Words.about(planned / 2), () -> finished(t, planned / 2)),
                new Answer(Words.about(planned) + " as planned", () -> finished(t, planned)),
                new Answer(Words.about(2 * planned), () -> finished(t, 2 * planned)), new Answer("do not know", () -> finished(t, 0))));
    }

    /** Puts a question in the place of the controls; the first answer stands out. */
    private void ask(String words, List<Answer> answers) {
        var shown = answers.subList(0, Math.min(MOST, answers.size()));
        asked = Optional.of(new Asked(words, shown.stream().map(Answer::run).toList()));
        detail.setText(words);
        var buttons = new ArrayList<Button>();
        for (int i = 0; i < shown.size(); i++) {
            int n = i;
            var b = button(shown.get(i).words() + "  " + (i + 1), i == 0 && shown.size() < MOST ? "primary" : "action", () -> answered(n));
            b.getStyleClass().add("answer");
            b.setWrapText(true);
            buttons.add(b);
        }
        buttons.add(button("back  Esc", "action", this::usual));
        controls.getChildren().setAll(buttons);
    }

    private void answered(int i) {
        var run = asked.orElseThrow().answers().get(i);
        usual();
        run.run();
        clock();
    }

    private void usual() {
        asked = Optional.empty();
        controls.getChildren().setAll(usual);
        write();
        requestFocus();
    }

    private void more() {
        asked = Optional.of(new Asked("", List.of()));
        controls.getChildren().setAll(more);
    }

    /** What may have happened, with the repair; the one picked is noted with its cause. */
    private void wrong() {
        usual();
        task().ifPresent(t -> {
            var answers = new ArrayList<Answer>();
            for (var x : Trouble.of(t.operation()).stream().limit(MOST - 1).toList()) answers.add(new Answer(x.seen(), () -> {
                advice = Optional.of("likely " + x.cause() + ". " + x.repair());
                model.note("wrong " + t.id().said() + " " + x.seen() + "; cause: " + x.cause());
                write();
            }));
            answers.add(new Answer("something else", () -> {
                model.note("wrong " + t.id().said());
                type(CAUSE, "cause: what it was; without one, like work is held");
            }));
            ask("what went wrong?", answers);
        });
    }

    /** The newest in the folder of the last one is offered first: hands in gloves look through no folders. */
    private void photo() {
        usual();
        task().ifPresent(t -> {
            if (!photos.known()) choosePhoto(t);
            else model.background("looking for the newest photo", p -> photos.newest(), found -> {
                if (asked.isPresent() || getScene() == null) return; // somebody has gone on meanwhile
                found.ifPresentOrElse(f -> offerPhoto(t, f), () -> choosePhoto(t));
            });
        });
    }

    private void offerPhoto(Task t, Path newest) {
        ask("a photo of " + t.name(), List.of(new Answer("the newest, " + newest.getFileName(), () -> photo(t, newest)),
                new Answer("another ...", () -> choosePhoto(t))));
    }

    private void choosePhoto(Task t) {
        model.ask().toOpen("a photo of " + t.name(), AskFile.Kind.of("pictures", "jpg", "jpeg", "png")).ifPresent(f -> photo(t, f));
    }

    private void photo(Task t, Path file) {
        photos.took(file);
        model.notePhoto("photo of " + t.name(), t.id().text(), file);
    }

    private void note() {
        usual();
        task().ifPresent(t -> type("", "what happened with " + t.name()));
    }

    /** A line for the log; Enter keeps it, Esc drops it. */
    private void type(String begun, String prompt) {
        asked = Optional.of(new Asked(prompt, List.of()));
        detail.setText(prompt);
        var line = new TextField(begun);
        line.setId("bench-line");
        line.setPromptText(prompt);
        line.setAccessibleText(prompt);
        HBox.setHgrow(line, Priority.ALWAYS);
        line.setOnAction(e -> {
            if (!line.getText().isBlank() && !line.getText().strip().equals(begun.strip()))
                model.note(line.getText() + (begun.equals(CAUSE) ? " #" + Wrong.BY_HAND : ""));
            usual();
        });
        controls.getChildren().setAll(line, button("back  Esc", "action", this::usual));
        line.requestFocus();
        line.end();
    }

    private void finished(Task t, double hours) {
        timers.work().take(t.id());
        var s = model.schedule();
        model.note(placed(t).map(p -> Done.line(p, hours)).orElse(Done.line(t, hours)));
        if (t.lag().leastH() > 0 && timers.running().stream().noneMatch(r -> r.name().equals(t.name()))) {
            timer(t);
            said(held, "");
            s.map(x -> x.meanwhile(t.id(), model.now(), 2))
                    .filter(m -> !m.isEmpty())
                    .ifPresent(m -> model.tell(AppModel.Tone.NOTE,
                            "while it hardens: " + String.join(", or ", m.stream().map(p -> p.task().name()).toList())));
        }
        clock();
        askUse(t, model.derived().get(ShelfFigures.CONSUMED).map(c -> c.by(t.id())).orElse(List.of()));
    }

    /** How much went on, one product after the other: it comes off the shelf, and teaches how much is needed. */
    private void askUse(Task t, List<Need> needs) {
        if (needs.isEmpty()) return;
        var n = needs.getFirst();
        var rest = needs.subList(1, needs.size());
        ask(t.name() + ": how much " + n.product() + " went on?",
                List.of(new Answer(amount(n.amount(), n.unit()) + " as planned", () -> used(t, n, n.amount(), rest)),
                        new Answer(amount(n.amount() / 2, n.unit()), () -> used(t, n, n.amount() / 2, rest)),
                        new Answer(amount(2 * n.amount(), n.unit()), () -> used(t, n, 2 * n.amount(), rest)),
                        new Answer("weighed ...", () -> type("used  g " + n.product() + " for " + t.id().said(),
                                "the weight before less the weight after, in front of the g"))));
    }

    private void used(Task t, Need n, double amount, List<Need> rest) {
        model.note(Entry.used(new Need(n.product(), amount, n.unit()), t.id()));
        askUse(t, rest);
    }

    private static String amount(double v, String unit) {
        return Words.text(v >= 20 || v == Math.rint(v) ? "%.0f" : "%.2g", v) + " " + unit;
    }

    private Optional<Schedule.Placed> placed(Task t) {
        return model.schedule().flatMap(s -> s.placed(t.id()));
    }

    private void timer() {
        usual();
        task().ifPresent(this::timer);
    }

    /** Not before it is dry; where its film closes for what comes over it, until then. */
    private void timer(Task t) {
        double least = 60 * (t.lag().leastH() > 0 ? t.lag().leastH() : t.activeH());
        var open = model.schedule().flatMap(s -> s.openFor(t.id()));
        if (open.isPresent()) timers.start(t.name(), least, open.get().toMinutes());
        else timers.start(t.name(), least);
        clock();
    }

    /**
     * A key counts once until it is let go: gloves hold keys longer than fingers, and a slow window hears of a key that repeats before it
     * hears that it was let go; steps would be passed over, or marked as done.
     */
    private boolean repeats(KeyEvent e) {
        boolean again = down.filter(e.getCode()::equals).isPresent();
        down = Optional.of(e.getCode());
        return again;
    }

    private boolean typesAnswer() {
        return asked.isPresent() && controls.getChildren().getFirst() instanceof TextField;
    }

    private void key(KeyEvent e) {
        if (mix.filter(MixPane::typing).isPresent() && e.getCode() != KeyCode.ESCAPE) return;
        if (!typesAnswer() && repeats(e)) {
            e.consume();
            return;
        }
        if (asked.isPresent()) {
            asked(e);
            return;
        }
        switch (e.getCode()) {
            case S -> startOrPause();
            case D -> done();
            case T -> timer();
            case N -> go(1);
            case P -> go(-1);
            case M -> more();
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

    private void asked(KeyEvent e) {
        if (e.getCode() == KeyCode.ESCAPE) usual();
        else if (typesAnswer()) return;
        else if (controls.getChildren().equals(more)) switch (e.getCode()) {
            case G -> wrong();
            case F -> photo();
            case I -> note();
            case T -> timer();
            default -> {
                // the others are keys of the step
            }
        }
        else {
            int i = DIGITS.indexOf(e.getCode());
            if (i >= 0 && i < asked.orElseThrow().answers().size()) answered(i);
        }
        e.consume();
    }

    @Override
    public void close() {
        mix.ifPresent(MixPane::close);
        ends.unsubscribe();
    }
}
