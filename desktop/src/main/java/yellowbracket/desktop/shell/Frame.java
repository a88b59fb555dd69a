package yellowbracket.desktop.shell;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.animation.KeyFrame;
import javafx.animation.PauseTransition;
import javafx.animation.Timeline;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextInputControl;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.DragEvent;
import javafx.scene.input.InputEvent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import javafx.util.Subscription;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.benchmode.BenchMode;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Sessions;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.model.Timers;
import yellowbracket.desktop.model.Watch;
import yellowbracket.desktop.station.StationView;
import yellowbracket.desktop.theme.Theme;
import yellowbracket.desktop.widget.Card;

/** The window's content: top bar, the Run, bench and job card, log line; keys, drops, messages. */
public final class Frame extends StackPane implements AutoCloseable {

    private final AppModel model;
    private final Timers timers;
    private final Bench bench = new Bench();
    private final Pages pages;
    private final CardPane cards;
    private final Ahead ahead;
    private final BorderPane frame = new BorderPane();
    private final RunStrip strip;
    private final LogLine logLine;
    private final Commands commands = new Commands();
    private final FileActions files;
    private final HBox message = new HBox();
    private final Label working = new Label();
    private final Label buildName = new Label();
    private final PauseTransition messageEnd = new PauseTransition(Duration.seconds(9));
    private final Runnable openDemo;
    private Optional<BenchMode> benchMode = Optional.empty();
    private final ReadOnlyBooleanWrapper inBenchMode = new ReadOnlyBooleanWrapper();
    private Subscription ends = Subscription.EMPTY;
    private boolean swallow;
    private Optional<Watch> drawn = Optional.empty();
    private Page drawnPage;
    private final Painting painting;
    /** Nothing was touched and nothing came in for so many seconds: memory goes back to the system. */
    private static final int REST_S = 12;
    private int restS;

    /** @param openDemo replaces the session by the demo build */
    public Frame(AppModel model, Timers timers, Runnable openDemo) {
        this.model = model;
        this.timers = timers;
        this.openDemo = openDemo;
        files = new FileActions(model);
        strip = new RunStrip(model);
        logLine = new LogLine(model, timers);
        cards = new CardPane(model, bench);
        cards.onLetGo(this::update);
        pages = new Pages(new Pages.Parts(model, bench, timers, files, this::benchMode));
        painting = new Painting(model);
        ahead = new Ahead(() -> model.allDerived() && model.currentProp().isPresent() && model.busyProperty().get().isEmpty());
        pages.forEach(this::hear);
        commands();
        working.getStyleClass().add("working");
        working.setVisible(false);
        var benchArea = new StackPane(bench, working);
        StackPane.setAlignment(working, Pos.TOP_CENTER);
        StackPane.setMargin(working, new javafx.geometry.Insets(10));
        frame.setTop(new VBox(topBar(), strip));
        frame.setCenter(benchArea);
        frame.setRight(cards);
        frame.setBottom(logLine);
        message.getStyleClass().add("message");
        message.setMaxSize(Region.USE_PREF_SIZE, Region.USE_PREF_SIZE);
        message.setVisible(false);
        StackPane.setAlignment(message, Pos.BOTTOM_LEFT);
        StackPane.setMargin(message, new javafx.geometry.Insets(0, 16, 116, 16));
        getChildren().setAll(cards.aside(), frame, message);
        messageEnd.setOnFinished(e -> message.setVisible(false));
        listen();
        bench.look("three-quarter");
    }

    /** The keys go to the bench until something else is clicked. */
    @Override
    public void requestFocus() {
        bench.requestFocus();
    }

    /** Only while the page is on screen: what comes in for another is there when it is turned to. */
    private void hear(Page page, StationView view) {
        view.onRewrite(() -> {
            cards.forget(page);
            if (model.pageProperty().get() == page && model.currentProp().isPresent()) rewrite();
        });
    }

    private HBox topBar() {
        buildName.getStyleClass().add("build-name");
        var props = new MenuButton();
        props.getStyleClass().setAll("menu-button", "plain");
        props.setId("props");
        props.setAccessibleText("props of this build");
        Runnable fill = () -> {
            var build = model.shownProperty().get();
            props.getItems().clear();
            if (build == null) return;
            buildName.setText(build.name() + (model.session().dirty() ? " \u2022" : ""));
            for (var p : build.props()) {
                var item = new MenuItem(p.name());
                item.setOnAction(e -> model.choose(p.id()));
                props.getItems().add(item);
            }
            props.setText(model.currentProp().map(p -> p.name()).orElse("no prop"));
        };
        keep(model.shownProperty().subscribe(x -> fill.run()));
        keep(model.propProperty().subscribe(x -> fill.run()));
        var gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        var undo = plain("undo", () -> model.undo());
        var redo = plain("redo", () -> model.redo());
        keep(model.shownProperty().subscribe(x -> {
            undo.setDisable(model.session().history().undoName().isEmpty());
            redo.setDisable(model.session().history().redoName().isEmpty());
            undo.setTooltip(
                    model.session().history().undoName().map(n -> new javafx.scene.control.Tooltip("undo " + n + "  Ctrl+Z")).orElse(null));
            redo.setTooltip(model.session()
                    .history()
                    .redoName()
                    .map(n -> new javafx.scene.control.Tooltip("redo " + n + "  Ctrl+Shift+Z"))
                    .orElse(null));
        }));
        var unit = either("mm", "inch", model.inchesProperty());
        var light = either("day", "night", model.nightProperty());
        var bar = new HBox(buildName, props, plain("open", files::open), plain("save", files::save), undo, redo, gap, unit, light,
                plain("find ...  /", this::find));
        bar.getStyleClass().add("bar");
        bar.setMinHeight(40);
        bar.setPrefHeight(40);
        return bar;
    }

    private static Button plain(String words, Runnable run) {
        var b = new Button(words);
        b.getStyleClass().setAll("button", "plain");
        b.setMinWidth(Region.USE_PREF_SIZE);
        b.setOnAction(e -> run.run());
        return b;
    }

    private HBox either(String off, String on, javafx.beans.property.BooleanProperty property) {
        var a = new ToggleButton(off);
        var b = new ToggleButton(on);
        for (var t : List.of(a, b)) {
            t.getStyleClass().setAll("toggle-button", "plain");
            t.setMinWidth(Region.USE_PREF_SIZE);
        }
        a.setOnAction(e -> property.set(false));
        b.setOnAction(e -> property.set(true));
        keep(property.subscribe(v -> {
            a.setSelected(!v);
            b.setSelected(v);
        }));
        a.selectedProperty().subscribe(x -> a.setSelected(!property.get()));
        b.selectedProperty().subscribe(x -> b.setSelected(property.get()));
        return new HBox(0, a, b);
    }

    private void commands() {
        for (var p : Page.values())
            commands.add(p == Page.LOG || p == Page.PLAN ? p.label() : "station " + p.label(), p.key(), () -> model.pageProperty().set(p));
        commands.add("open a build or a mesh", "Ctrl+O", files::open);
        commands.add("save", "Ctrl+S", files::save);
        commands.add("save as", "", files::saveAs);
        commands.add("undo", "Ctrl+Z", model::undo);
        commands.add("redo", "Ctrl+Shift+Z", model::redo);
        commands.add("export sections as printed, cut list and map", "", () -> files.exportSections(true));
        commands.add("export sections in place", "", () -> files.exportSections(false));
        commands.add("export calendar", "", files::exportCalendar);
        commands.add("export log", "", files::exportLog);
        pages.forEach((page, view) -> view.tabs().forEach(tab -> commands.add(page.label() + ": " + tab, "", () -> {
            view.show(tab);
            model.pageProperty().set(page);
        })));
        commands.add("frame the model", "f", bench::frame);
        commands.add("see-through", "x", bench::toggleSeeThrough);
        commands.add("view from the front", "", () -> bench.look("front"));
        commands.add("view from the side", "", () -> bench.look("side"));
        commands.add("view from above", "", () -> bench.look("top"));
        commands.add("bench mode", "b", this::benchMode);
        commands.add("write in the log", "l", logLine::focusField);
        commands.add("millimetres or inches", "", () -> model.inchesProperty().set(!model.inchesProperty().get()));
        commands.add("day or night", "", () -> model.nightProperty().set(!model.nightProperty().get()));
        commands.add("open the demo build", "", openDemo);
        commands.add("help for this page", "F1", this::help);
    }

    private void listen() {
        keep(model.pageProperty().subscribe(p -> {
            model.dropWhatIfs();
            painting.first();
            touched();
            update();
        }));
        keep(model.tabProperty().subscribe(tab -> {
            if (!tab.isEmpty()) pages.of(model.pageProperty().get()).show(tab);
            model.tabProperty().set("");
        }));
        keep(model.derivedProperty().subscribe(d -> {
            update();
            ahead.todo(pagesAhead());
            restS = 0;
        }));
        keep(model.shownProperty().subscribe(d -> {
            cards.forgetOthers();
            update();
        }));
        keep(model.inchesProperty().subscribe(d -> update()));
        keep(model.nightProperty().subscribe(night -> {
            Theme.apply(this, night);
            cards.forget();
            ahead.todo(pagesAhead());
            rewrite();
        }));
        bench.onSeeThrough(on -> redraw());
        bench.onTurn(painting::first);
        keep(Subscription.combine(bench.widthProperty().subscribe(w -> fill()), bench.heightProperty().subscribe(h -> fill())));
        keep(model.sessions().leavingProperty().subscribe(this::leaving));
        keep(model.messageProperty().subscribe(m -> {
            if (m != null) tell(m);
        }));
        keep(model.busyProperty().subscribe(b -> {
            working.setVisible(!b.isEmpty());
            working.setText(b + (model.canStop() ? " ...   Esc stops it" : " ..."));
            if (b.isEmpty()) update();
            touched();
        }));
        addEventFilter(InputEvent.ANY, e -> touched());
        addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        addEventFilter(KeyEvent.KEY_TYPED, e -> {
            if (swallow) e.consume();
            swallow = false;
        });
        setOnDragOver(e -> {
            if (e.getDragboard().hasFiles()) e.acceptTransferModes(TransferMode.COPY);
            e.consume();
        });
        setOnDragDropped(this::dropped);
        var second = new Timeline(new KeyFrame(Duration.seconds(1), e -> second()));
        second.setCycleCount(Timeline.INDEFINITE);
        // only while the window is there: a running animation would keep a closed one, and its build, in memory
        keep(sceneProperty().flatMap(javafx.scene.Scene::windowProperty)
                .flatMap(javafx.stage.Window::showingProperty)
                .orElse(false)
                .subscribe(on -> {
                    if (on) second.play();
                    else second.stop();
                }));
        keep(second::stop);
    }

    private void dropped(DragEvent e) {
        e.getDragboard().getFiles().stream().findFirst().ifPresent(f -> model.sessions().open(f.toPath()));
        e.setDropCompleted(true);
        e.consume();
    }

    /** Draws, and writes the card anew, when something that they show has changed. */
    private void update() {
        if (model.shownProperty().get() == null || cards.held()) return;
        markStale();
        if (model.currentProp().isEmpty()) begin();
        else {
            var page = model.pageProperty().get();
            if (drawnPage != page || drawn.filter(model::holds).isEmpty()) {
                drawnPage = page;
                drawn = Optional.of(model.watching(this::redraw));
            }
            cards.show(page, pages.of(page));
        }
    }

    /** Pages not looked at yet, made ready: the first visit is then about as quick as the next one. Last those that start long work. */
    private List<Runnable> pagesAhead() {
        return Arrays.stream(Page.values())
                .sorted(Comparator.comparing(p -> pages.of(p).startsWork()))
                .flatMap(p -> Stream.<Runnable>of(() -> {
                    if (unready(p) && !bench.showsPicture()) bench.ahead(pages.of(p)::draw, this::redraw);
                }, () -> {
                    if (unready(p)) cards.prepare(p, pages.of(p));
                }))
                .toList();
    }

    private void touched() {
        ahead.touched();
        restS = 0;
    }

    private void second() {
        timers.tick();
        if (++restS % REST_S == 0) model.giveMemoryBack(); // more than once: plans and what-ifs may be looked for meanwhile
    }

    private boolean unready(Page page) {
        return page != model.pageProperty().get() && !cards.has(page);
    }

    /** Figures that no longer match the decision are dimmed and said to be so. */
    private void markStale() {
        boolean stale = drawn.filter(model::stale).isPresent() || cards.stale();
        if (model.busyProperty().get().isEmpty()) {
            working.setText("working ...");
            working.setVisible(stale);
        }
        cards.stale(stale);
    }

    private void rewrite() {
        drawn = Optional.empty();
        cards.forget(model.pageProperty().get());
        update();
    }

    /** Nothing to work on yet. */
    private void begin() {
        drawn = Optional.empty();
        bench.picture(Optional.empty());
        bench.empty("drop a mesh here: STL, OBJ, PLY or 3MF");
        bench.show(List.of(), yellowbracket.mesh.Bounds3.of(-100, -100, -100, 100, 100, 100), "none");
        bench.callouts(List.of());
        bench.gauges(List.of());
        bench.legend().none();
        cards.show(beginnings());
    }

    /** A flat picture fills the bench. */
    private void fill() {
        if (bench.showsPicture()) redraw();
    }

    private void redraw() {
        bench.picture(Optional.empty());
        bench.empty("");
        if (model.currentProp().isPresent()) pages.of(model.pageProperty().get()).draw();
    }

    private void tell(AppModel.Message m) {
        var words = new Label(m.words());
        words.setWrapText(true);
        words.setMaxWidth(620);
        message.getChildren().setAll(words, plain("dismiss", () -> message.setVisible(false)));
        message.pseudoClassStateChanged(javafx.css.PseudoClass.getPseudoClass("stop"), m.tone() == AppModel.Tone.STOP);
        message.pseudoClassStateChanged(javafx.css.PseudoClass.getPseudoClass("good"), m.tone() == AppModel.Tone.GOOD);
        message.setVisible(true);
        if (m.tone() == AppModel.Tone.STOP) messageEnd.stop();
        else messageEnd.playFromStart();
    }

    private void key(KeyEvent e) {
        swallow = false;
        if (benchMode.isPresent() || model.sessions().leavingProperty().get().isPresent()) return; // they have keys of their own
        boolean typing = e.getTarget() instanceof TextInputControl;
        if (e.getCode() == KeyCode.ESCAPE) {
            if (!model.busyProperty().get().isEmpty()) model.cancelBackground();
            message.setVisible(false);
            if (typing) bench.requestFocus();
            return;
        }
        if (e.isShortcutDown()) {
            String name = "Ctrl+" + (e.isShiftDown() ? "Shift+" : "") + e.getCode().getName().toUpperCase(java.util.Locale.ROOT);
            if (typing && (name.equals("Ctrl+Z") || name.equals("Ctrl+Shift+Z")) && !((TextInputControl) e.getTarget()).getText().isEmpty()
                    && e.getTarget() instanceof javafx.scene.control.TextField f && "log-line".equals(f.getId()))
                return;
            if (commands.run(name)) e.consume();
            return;
        }
        if (e.getCode() == KeyCode.F1) {
            help();
            e.consume();
            return;
        }
        if (typing || e.isAltDown()) return;
        String pressed = e.getText().toLowerCase(java.util.Locale.ROOT);
        if (pressed.isEmpty() || !pressed.equals("/") && commands.find("").stream().noneMatch(c -> c.key().equals(pressed))) return;
        e.consume();
        swallow = true; // the letter itself is still on its way and must not be typed into a field that gets the focus now
        if (pressed.equals("/")) find();
        else commands.run(pressed);
    }

    private void find() {
        var all = new Commands();
        commands.find("").forEach(c -> all.add(c.name(), c.key(), c.run()));
        var build = model.shownProperty().get();
        build.props().forEach(p -> all.add("prop " + p.name(), "", () -> model.choose(p.id())));
        model.result(CutFigures.SECTIONS).ifPresent(s -> {
            s.sections().forEach(q -> all.add("section " + q.name(), "", () -> model.pageProperty().set(Page.PRINT)));
            s.seams().forEach(q -> all.add("seam " + q.name(), "", () -> model.pageProperty().set(Page.JOIN)));
        });
        Finder.show(getScene(), all, model.nightProperty().get());
    }

    /** An empty build begins in one of three ways. */
    private Card beginnings() {
        var card = new Card("where to begin",
                "a prop becomes a build: sized to whoever wears it, cut to your printers, planned to the day");
        card.primary("open a mesh", files::open);
        card.text("the model of a helm, a mask or a prop, as STL, OBJ, PLY or 3MF; it is sized first");
        card.row("or", Card.action("open a build ...", files::open), Card.more("go on with a .bracket file"));
        card.row("or", Card.action("open the demo build", openDemo), Card.more("a helm, a staff and a mask half made, to look round in"));
        return card;
    }

    private void help() {
        Help.show(getScene(), model.pageProperty().get(), model.nightProperty().get());
    }

    /** Opens it; nothing where it is open. */
    public void benchMode() {
        if (benchMode.isPresent()) return;
        var mode = new BenchMode(model, timers, this::leaveBenchMode);
        benchMode = Optional.of(mode);
        inBenchMode.set(true);
        getChildren().add(mode);
        mode.requestFocus();
    }

    private void leaveBenchMode() {
        benchMode.ifPresent(mode -> {
            mode.close();
            getChildren().remove(mode);
        });
        benchMode = Optional.empty();
        inBenchMode.set(false);
        bench.requestFocus();
    }

    private void leaving(Optional<Sessions.Leaving> now) {
        getChildren().removeIf(LeavePane.class::isInstance);
        frame.setDisable(now.isPresent());
        now.ifPresentOrElse(l -> {
            var pane = new LeavePane(l, model.session().build().name(), files::saveAndLeave, model.sessions()::discardAndLeave,
                    model.sessions()::stay);
            getChildren().add(pane);
            pane.requestFocus();
        }, bench::requestFocus);
    }

    public ReadOnlyBooleanProperty benchModeProperty() {
        return inBenchMode.getReadOnlyProperty();
    }

    private void keep(Subscription s) {
        ends = ends.and(s);
    }

    /** Nothing of it hears the model or the timers any more. */
    @Override
    public void close() {
        leaveBenchMode();
        ends.unsubscribe();
        ahead.close();
        painting.stop();
        pages.close();
        strip.close();
        logLine.close();
    }
}
