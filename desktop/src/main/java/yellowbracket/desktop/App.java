package yellowbracket.desktop;

import java.io.IOException;
import java.nio.file.Files;
import java.time.Clock;
import java.util.concurrent.CompletableFuture;
import javafx.scene.Scene;
import javafx.stage.Stage;
import yellowbracket.demo.DemoBuild;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Timers;
import yellowbracket.desktop.shell.Frame;
import yellowbracket.desktop.theme.Theme;
import yellowbracket.device.SimulatedWeather;
import yellowbracket.document.BuildFile;

/** The window, on a build that was fetched while the toolkit started. */
final class App {
    private static final long WEATHER_SEED = 11;

    private final StartOptions options;
    private final Clock clock;
    private final AppModel model;

    App(StartOptions options, CompletableFuture<FirstBuild> fetched) {
        this.options = options;
        clock = options.clock();
        Theme.loadFonts();
        var first = fetched.join();
        model = new AppModel(first.build(), first.meshes(), first.file(), new SimulatedWeather(WEATHER_SEED), clock,
                options.configuration().resolve(options.demo() ? "demo.bracket" : "unsaved.bracket"),
                options.configuration().resolve("shop.json"));
        if (first.rescued()) model.keepUnsaved();
        if (!first.problem().isEmpty()) model.tell(AppModel.Tone.STOP, first.problem());
    }

    void show(Stage stage) {
        var timers = new Timers(clock);
        var frame = new Frame(model, timers, () -> {
            var d = DemoBuild.at(model.now().toLocalDate());
            model.leave("open the demo build", () -> model.replace(d.build(), d.meshes()));
        });
        // without a depth buffer of its own (the bench has one): a scene with one is painted whole at each change
        stage.setScene(new Scene(frame, options.size().width(), options.size().height()));
        stage.setTitle("Yellow Bracket");
        stage.setMinWidth(1024);
        stage.setMinHeight(700);
        stage.setOnCloseRequest(e -> {
            e.consume();
            model.leave("close the window", stage::hide);
        });
        stage.setOnHidden(e -> {
            frame.close();
            close();
        }); // the toolkit ends with its last window
        stage.show();
        frame.requestFocus();
        options.file().filter(f -> !BuildFile.isName(f)).ifPresent(model::open);
        options.shots().ifPresent(folder -> new Shots(model, frame, timers, folder, options.only(), stage::hide).run());
        if (options.probe()) new Probe(model, frame, stage::hide).run();
    }

    private void close() {
        model.session().file().ifPresent(f -> {
            try {
                Files.createDirectories(options.configuration());
                Files.writeString(options.lastBuildNote(), f.toAbsolutePath().toString());
            } catch (IOException e) {
                // the next start offers an empty build instead; nothing is lost
            }
        });
        model.close();
    }
}
