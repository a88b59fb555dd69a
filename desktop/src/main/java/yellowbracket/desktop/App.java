package yellowbracket.desktop;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import javafx.application.Application;
import javafx.scene.Scene;
import javafx.scene.SceneAntialiasing;
import javafx.stage.Stage;
import yellowbracket.build.Build;
import yellowbracket.build.BuildFile;
import yellowbracket.build.Meshes;
import yellowbracket.build.ShopFile;
import yellowbracket.demo.DemoBuild;
import yellowbracket.desktop.shell.Frame;
import yellowbracket.desktop.shell.Timers;
import yellowbracket.desktop.theme.Theme;
import yellowbracket.device.SimulatedWeather;
import yellowbracket.mesh.Progress;

/** Starts the window: the demo build, a named file, the build of last time, or an empty one. */
public final class App extends Application {
    private static final long WEATHER_SEED = 11;

    private AppModel model;
    private Path configuration;

    @Override
    public void start(Stage stage) {
        Theme.loadFonts();
        var named = getParameters().getNamed();
        var words = getParameters().getRaw().stream().filter(a -> !a.startsWith("--")).toList();
        boolean demo = getParameters().getUnnamed().contains("--demo");
        configuration = configurationFolder();
        var clock = clock(Optional.ofNullable(named.get("today")));
        var first = first(demo, words, clock);
        model = new AppModel(first.build(), first.meshes(), first.file(), new SimulatedWeather(WEATHER_SEED), clock, configuration.resolve(demo ? "demo.bracket" : "unsaved.bracket"));
        var timers = new Timers(clock);
        var frame = new Frame(model, timers, () -> {
            var d = DemoBuild.at(model.now().toLocalDate());
            model.replace(d.build(), d.meshes());
        });
        var scene = new Scene(frame, Double.parseDouble(named.getOrDefault("width", "1280")), Double.parseDouble(named.getOrDefault("height", "800")), true, SceneAntialiasing.DISABLED);
        stage.setScene(scene);
        stage.setTitle("Yellow Bracket");
        stage.setMinWidth(1024);
        stage.setMinHeight(700);
        stage.show();
        frame.bench().look("three-quarter");
        frame.bench().requestFocus();
        if (!first.problem().isEmpty()) model.tell(AppModel.Tone.STOP, first.problem());
        Optional.ofNullable(named.get("shots")).ifPresent(folder -> new Shots(model, frame, timers, Path.of(folder)).run());
        if (named.containsKey("probe")) new Probe(model, frame.bench()).run();
    }

    private record First(Build build, Meshes meshes, Optional<Path> file, String problem) {}

    private First first(boolean demo, List<String> files, Clock clock) {
        var today = LocalDate.now(clock);
        if (demo) return demo(today, "");
        var wanted = files.isEmpty() ? lastFile() : Optional.of(Path.of(files.getFirst()));
        if (wanted.isEmpty()) return empty(clock, "");
        return switch (BuildFile.read(wanted.get(), Progress.NONE)) {
            case BuildFile.Outcome.Opened o -> new First(o.build(), o.meshes(), wanted, "");
            case BuildFile.Outcome.Refused r -> empty(clock, r.problem().sentence());
        };
    }

    private static First demo(LocalDate today, String problem) {
        var d = DemoBuild.at(today);
        return new First(d.build(), d.meshes(), Optional.empty(), problem);
    }

    private First empty(Clock clock, String problem) {
        var shop = ShopFile.fresh();
        String wrong = problem;
        try {
            shop = ShopFile.read(configuration.resolve("shop.json"));
        } catch (java.io.IOException e) {
            wrong = e.getMessage() + ".";
        }
        return new First(Build.empty(LocalDateTime.now(clock), shop.printers()), Meshes.NONE, Optional.empty(), wrong);
    }

    private Optional<Path> lastFile() {
        try {
            var note = configuration.resolve("last-build");
            return Files.exists(note) ? Optional.of(Path.of(Files.readString(note).strip())).filter(Files::exists) : Optional.empty();
        } catch (java.io.IOException | java.nio.file.InvalidPathException e) {
            return Optional.empty();
        }
    }

    /** With {@code --today} the clock stands at six in the evening of that day. */
    private static Clock clock(Optional<String> today) {
        var zone = ZoneId.systemDefault();
        return today.map(t -> Clock.fixed(LocalDate.parse(t).atTime(18, 0).atZone(zone).toInstant(), zone)).orElse(Clock.systemDefaultZone());
    }

    static Path configurationFolder() {
        String given = System.getenv("YELLOWBRACKET_HOME");
        if (given != null && !given.isBlank()) return Path.of(given);
        String xdg = System.getenv("XDG_CONFIG_HOME");
        var base = xdg == null || xdg.isBlank() ? Path.of(System.getProperty("user.home"), ".config") : Path.of(xdg);
        return base.resolve("yellow-bracket");
    }

    @Override
    public void stop() {
        if (model == null) return;
        model.session().file().ifPresent(f -> {
            try {
                Files.createDirectories(configuration);
                Files.writeString(configuration.resolve("last-build"), f.toAbsolutePath().toString());
            } catch (java.io.IOException e) {
                // the next start offers an empty build instead; nothing is lost
            }
        });
        model.close();
    }
}
