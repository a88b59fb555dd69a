package yellowbracket.desktop;

import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.BooleanSupplier;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.SubScene;
import javafx.scene.control.Button;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.util.WaitForAsyncUtils;
import yellowbracket.colour.zone.Transfer;
import yellowbracket.colour.zone.ZoneMap;
import yellowbracket.demo.DemoBuild;
import yellowbracket.derive.Memo;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Beginning;
import yellowbracket.desktop.model.AskFile;
import yellowbracket.desktop.model.Timers;
import yellowbracket.desktop.shell.Frame;
import yellowbracket.desktop.theme.Theme;
import yellowbracket.device.SimulatedWeather;
import yellowbracket.document.Meshes;
import yellowbracket.document.Prop;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Simplify;
import yellowbracket.mesh.Vec3;
import yellowbracket.plan.Schedule;

/** The real window on a build, driven by mouse and keys under a stopped clock. */
@ExtendWith(ApplicationExtension.class)
abstract class WindowTest {
    static final LocalDate TODAY = LocalDate.of(2026, 3, 30);

    /** What one test has worked out need not be worked out by the next: the same decisions give the same results. */
    static final long KNOWN_BYTES = 512L << 20;
    private static final Memo KNOWN = new Memo(KNOWN_BYTES);
    private static DemoBuild full;
    private static DemoBuild light;

    @TempDir
    Path dir;
    AppModel model;
    Frame frame;
    Timers timers;

    /** What the window opens on. */
    DemoBuild first() {
        return fullDemo();
    }

    static synchronized DemoBuild fullDemo() {
        if (full == null) full = DemoBuild.at(TODAY);
        return full;
    }

    /** The results tests share; a class that looks at results while they are worked out takes its own. */
    Memo known() {
        return KNOWN;
    }

    /** The demo with coarser meshes: every control works as on the full one, in two thirds of the time. */
    static synchronized DemoBuild lightDemo() {
        if (light != null) return light;
        var demo = fullDemo();
        var build = demo.build();
        var meshes = Meshes.NONE;
        for (var p : demo.build().props()) {
            var whole = demo.meshes().get(p.mesh()).orElseThrow();
            var coarse = Simplify.to(whole, 14_000, Progress.NONE);
            meshes = meshes.with(coarse);
            var zones = p.colour().map().map(z -> ZoneMap.of(Transfer.onto(z.on(whole), coarse), coarse.contentHash()));
            build = build.with(p.withMesh(coarse.contentHash()).withColour(p.colour().withMap(zones)));
        }
        light = new DemoBuild(build, meshes);
        return light;
    }

    static Clock clock() {
        var zone = ZoneId.systemDefault();
        return Clock.fixed(TODAY.atTime(18, 0).atZone(zone).toInstant(), zone);
    }

    /** The framework looks for its start method in the test class itself. */
    void open(Stage stage) {
        Theme.loadFonts();
        var first = first();
        model = new AppModel(Beginning.of(first.build(), first.meshes(), Optional.empty(), dir.resolve("unsaved.bracket")),
                new SimulatedWeather(11), clock(), dir.resolve("shop.json"), known());
        timers = new Timers(clock());
        frame = new Frame(model, timers, () -> {
            var d = fullDemo();
            model.sessions().replace(d.build(), d.meshes());
        });
        stage.setScene(new Scene(frame, 1280, 800));
        stage.setX(0);
        stage.setY(0);
        stage.show();
        stage.toFront();
        frame.requestFocus();
    }

    Bench bench() {
        return (Bench) frame.lookup(".bench");
    }

    void close() {
        frame.close();
        model.close();
    }

    static void until(String what, BooleanSupplier condition) {
        try {
            WaitForAsyncUtils.waitFor(Long.getLong("test.patience", 240), TimeUnit.SECONDS, (Callable<Boolean>) condition::getAsBoolean);
        } catch (TimeoutException e) {
            throw new AssertionError("waited in vain for " + what, e);
        }
        WaitForAsyncUtils.waitForFxEvents();
    }

    void derived() {
        until("everything derived",
                () -> model.derivedProperty().get() != null
                        && model.derivedProperty().get().build().equals(Optional.of(model.shownProperty().get()))
                        && model.derivedProperty().get().fresh(PlanFigures.SCHEDULE, "")
                        && model.derivedProperty().get().fresh(CutFigures.DRAWING, model.propProperty().get()));
    }

    /** Until the mesh is examined too. */
    void examined() {
        until("examined",
                () -> model.derivedProperty().get() != null
                        && model.derivedProperty().get().build().equals(Optional.of(model.shownProperty().get()))
                        && model.fresh(ModelFigures.MENDED));
    }

    double printHours() {
        return model.result(PrintFigures.PRINTS).orElseThrow().hours();
    }

    LocalDateTime finish() {
        return model.schedule().map(Schedule::finish).orElseThrow();
    }

    Prop prop() {
        return model.currentProp().orElseThrow();
    }

    static void type(FxRobot robot, String field, String value) {
        steadily(() -> {
            robot.interact(() -> reveal(robot.lookup(field).query()));
            robot.clickOn(field);
        });
        robot.press(KeyCode.CONTROL).type(KeyCode.A).release(KeyCode.CONTROL).type(KeyCode.BACK_SPACE).write(value).type(KeyCode.ENTER);
    }

    /** Scrolls what holds it until it is seen, as with the wheel. */
    static void reveal(Node node) {
        for (Node n = node.getParent(); n != null; n = n.getParent()) if (n instanceof ScrollPane pane) {
            var view = pane.lookup(".viewport").getBoundsInLocal();
            var content = pane.getContent();
            var at = content.sceneToLocal(node.localToScene(node.getBoundsInLocal()));
            double room = content.getBoundsInLocal().getHeight() - view.getHeight();
            double top = pane.getVvalue() * room;
            boolean seen = at.getMinY() >= top && at.getMaxY() <= top + view.getHeight();
            if (!seen && room > 0) pane.setVvalue(Math.clamp((at.getCenterY() - view.getHeight() / 2) / room, 0, 1));
        }
    }

    /** What is chosen the next time a file or a folder is asked for. */
    void answer(Path path) {
        var ask = mock(AskFile.class);
        when(ask.toOpen(any(), any())).thenReturn(Optional.of(path));
        when(ask.toSave(any(), any(), any())).thenReturn(Optional.of(path));
        when(ask.folder(any())).thenReturn(Optional.of(path));
        model.askWith(ask);
    }

    /** What a click on the shape in the middle does once the bench knows where it hit, in the shape's own coordinates. */
    void hit(FxRobot robot, Vec3 point) {
        robot.interact(() -> bench().lookupAll("*")
                .stream()
                .filter(n -> n instanceof SubScene s && s.isVisible())
                .flatMap(n -> ((SubScene) n).getRoot().lookupAll("*").stream())
                .map(Node::getUserData)
                .filter(Bench.Spot.class::isInstance)
                .map(Bench.Spot.class::cast)
                .findFirst()
                .orElseThrow()
                .clicked()
                .accept(point));
    }

    static void press(FxRobot robot, String words) {
        var button = robot.lookup(".button")
                .queryAllAs(Button.class)
                .stream()
                .filter(b -> b.getText().equals(words))
                .findFirst()
                .orElseThrow(() -> new AssertionError("no button \"" + words + "\""));
        robot.interact(button::fire);
    }

    /** Late results write a card anew: what was looked up may be gone when it is clicked, and is looked up again. */
    static void steadily(Runnable click) {
        for (int tries = 1;; tries++) {
            try {
                click.run();
                return;
            } catch (RuntimeException e) {
                if (tries == 6) throw e;
                WaitForAsyncUtils.waitForFxEvents();
            }
        }
    }

    static void typeScale(FxRobot robot, String value) {
        type(robot, "#scale-field", value);
    }

    String text(FxRobot robot, String query) {
        return robot.lookup(query)
                .queryAll()
                .stream()
                .filter(Labeled.class::isInstance)
                .map(n -> ((Labeled) n).getText())
                .toList()
                .toString();
    }

    /** Names of the tabs of the page that is shown; one empty name where it has none. */
    List<String> tabs(FxRobot robot) {
        var names = new ArrayList<String>();
        robot.interact(() -> frame.lookupAll(".card .toggle-button").forEach(n -> {
            if (n.getId() != null && n.getId().startsWith("tab-")) names.add(n.getId().substring(4));
        }));
        return names.isEmpty() ? List.of("") : names;
    }

    String told() {
        return model.messageProperty().get() == null ? "" : model.messageProperty().get().words();
    }

    static List<Labeled> labels(FxRobot robot, String query) {
        return robot.lookup(query).queryAll().stream().filter(Labeled.class::isInstance).map(Labeled.class::cast).toList();
    }
}
