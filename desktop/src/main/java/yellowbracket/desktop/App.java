package yellowbracket.desktop;

import java.time.Clock;
import java.time.Duration;
import java.util.concurrent.CompletableFuture;
import javafx.scene.Scene;
import javafx.stage.Screen;
import javafx.stage.Stage;
import javafx.util.Subscription;
import yellowbracket.demo.DemoBuild;
import yellowbracket.derive.Kept;
import yellowbracket.derive.Memo;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.LastTime;
import yellowbracket.desktop.model.Timers;
import yellowbracket.desktop.shell.Frame;
import yellowbracket.desktop.theme.Theme;
import yellowbracket.device.SimulatedWeather;
import yellowbracket.document.BuildFile;

/** The window, on a build that was fetched while the toolkit started. */
final class App {
    private static final long WEATHER_SEED = 11;
    /** Kept free for the window's frame where the screen is no taller than the window, pixels. */
    private static final double TITLE_BAR = 32;

    private final StartOptions options;
    private final Clock clock;
    private final AppModel model;
    private final LastTime lastTime;
    private Subscription ends = Subscription.EMPTY;

    App(StartOptions options, CompletableFuture<FirstBuild.Begun> fetched) {
        this.options = options;
        clock = options.clock();
        lastTime = options.lastTime();
        Theme.loadFonts();
        var first = fetched.join();
        model = new AppModel(first.beginning(), new SimulatedWeather(WEATHER_SEED), clock, options.configuration().resolve("shop.json"),
                Kept.in(options.configuration().resolve("results")).map(Memo::new).orElseGet(Memo::new));
        if (first.rescued()) model.sessions().keepUnsaved();
        if (!first.problem().isEmpty()) model.tell(AppModel.Tone.STOP, first.problem());
    }

    void show(Stage stage) {
        var timers = new Timers(clock);
        var frame = new Frame(model, timers, () -> {
            var d = DemoBuild.at(model.now().toLocalDate());
            model.sessions().leave("open the demo build", () -> model.sessions().replace(d.build(), d.meshes()));
        });
        // without a depth buffer of its own (the bench has one): a scene with one is painted whole at each change
        var screen = Screen.getPrimary().getVisualBounds();
        stage.setScene(new Scene(frame, Math.min(options.size().width(), screen.getWidth()),
                Math.min(options.size().height(), screen.getHeight() - (options.shots().isPresent() ? 0 : TITLE_BAR))));
        stage.setTitle("Yellow Bracket");
        stage.setMinWidth(Math.min(1024, screen.getWidth()));
        stage.setMinHeight(Math.min(700, screen.getHeight()));
        stage.setOnCloseRequest(e -> {
            e.consume();
            model.sessions().leave("close the window", stage::hide);
        });
        stage.setOnHidden(e -> {
            ends.unsubscribe(); // before bench mode ends with its window: it comes back with the next one
            frame.close();
            model.close();
        }); // the toolkit ends with its last window
        stage.show();
        frame.requestFocus();
        if (options.shots().isEmpty() && options.probe() == StartOptions.Measuring.OFF) asLastTime(frame, timers);
        options.file().filter(f -> !BuildFile.isName(f)).ifPresent(model.sessions()::open);
        options.shots().ifPresent(folder -> new Shots(model, frame, timers, folder, options.only(), stage::hide).run());
        if (options.probe() != StartOptions.Measuring.OFF) new Probe(model, frame, stage::hide).run(options.probe());
    }

    private void asLastTime(Frame frame, Timers timers) {
        timers.resume(lastTime.timers(clock.instant()));
        timers.work().resume(lastTime.work());
        if (lastTime.benchMode() && model.currentProp().isPresent()) frame.benchMode();
        ends = Subscription.combine(model.fileProperty().subscribe(f -> lastTime.build(f)),
                frame.benchModeProperty().subscribe(on -> lastTime.benchMode(on)),
                timers.running().subscribe(() -> lastTime.timers(timers.running())),
                timers.secondProperty().subscribe(x -> watched(timers)));
    }

    /** What is worked on is kept at once when it changes, and now and then while it goes on, should the window be killed. */
    private void watched(Timers timers) {
        var now = timers.work().keep();
        var before = lastTime.work();
        boolean other = !now.on().equals(before.on()) || !now.before().equals(before.before());
        boolean old = now.on().isPresent() && Duration.between(before.seen(), now.seen()).abs().compareTo(KEEP) >= 0;
        if (other || old) lastTime.work(now);
    }

    private static final Duration KEEP = Duration.ofSeconds(30);
}
