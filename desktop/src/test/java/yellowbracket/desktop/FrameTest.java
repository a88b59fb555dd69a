package yellowbracket.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.lang.ref.WeakReference;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import javafx.geometry.Point2D;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;
import yellowbracket.demo.DemoBuild;
import yellowbracket.derive.size.SizeFigures;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Beginning;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.model.Timers;
import yellowbracket.desktop.shell.Frame;
import yellowbracket.device.SimulatedWeather;
import yellowbracket.document.BuildFile;
import yellowbracket.document.Edit;
import yellowbracket.document.Journal;
import yellowbracket.log.Entry;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.io.StlWriter;
import yellowbracket.plan.Schedule;
import yellowbracket.work.SectionId;
import yellowbracket.work.TaskId;

/** The frame around the pages: keys, slider, log line, messages, recovery, bench mode. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class FrameTest extends WindowTest {
    @Override
    DemoBuild first() {
        return lightDemo();
    }

    @Start
    void start(Stage stage) {
        open(stage);
    }

    @Stop
    void stop() {
        close();
    }

    /** The model of another window, whose shop file is that of this one. */
    private AppModel another(DemoBuild demo, Optional<Path> file, Path unsaved) {
        return new AppModel(Beginning.of(demo.build(), demo.meshes(), file, unsaved), new SimulatedWeather(11), Clock.systemUTC(),
                dir.resolve("shop.json"));
    }

    @Test
    @Order(2)
    void draggingTheScaleMovesTheClearanceAndThenTheRun(FxRobot robot) {
        derived();
        var tight = model.result(SizeFigures.CLEARANCE).orElseThrow();
        var ends = finish();
        steadily(() -> robot.drag(robot.lookup("#scale").queryAs(Slider.class).lookup(".thumb")));
        robot.moveBy(40, 0);
        until("clearance while dragging", () -> model.result(SizeFigures.CLEARANCE).orElseThrow() != tight);
        assertThat(model.session().build().prop("helm").orElseThrow().scale()).as("not taken yet").isEqualTo(1.04);
        robot.drop();
        until("scale taken", () -> model.session().build().prop("helm").orElseThrow().scale() > 1.05);
        derived();
        assertThat(finish()).isNotEqualTo(ends);
        assertThat(model.session().history().steps()).as("a drag is one step").hasSize(2);
    }

    @Test
    @Order(3)
    void everyPageShowsItsCardAndKeysTurnThem(FxRobot robot) {
        derived();
        var keys = java.util.List.of(KeyCode.DIGIT1, KeyCode.DIGIT2, KeyCode.DIGIT3, KeyCode.DIGIT4, KeyCode.DIGIT5, KeyCode.DIGIT6,
                KeyCode.DIGIT7, KeyCode.OPEN_BRACKET, KeyCode.CLOSE_BRACKET);
        for (int i = 0; i < keys.size(); i++) {
            var page = Page.values()[i];
            robot.interact(frame::requestFocus);
            robot.type(keys.get(i));
            until(page.label(), () -> model.pageProperty().get() == page);
            assertThat(robot.lookup(".heading").queryAs(Label.class).getText()).isNotBlank();
            assertThat(robot.lookup(".primary").tryQuery()).as("one primary action on " + page).isPresent();
            for (Node n : robot.lookup(".button").queryAll()) if (n instanceof Labeled b)
                assertThat(b.getText() == null || b.getText().isBlank() ? b.getAccessibleText() : b.getText()).as("every button has a name")
                        .isNotBlank();
        }
    }

    @Test
    @Order(4)
    void anAlternativeIsPreviewedBeforeItIsTaken(FxRobot robot) {
        derived();
        robot.interact(() -> model.go(Page.PRINT, "how fine"));
        until("figures of 0.12 mm", () -> robot.lookup(".alt")
                .queryAll()
                .stream()
                .anyMatch(n -> n instanceof ToggleButton t && t.getAccessibleText().startsWith("crisp") && t.getAccessibleHelp() != null));
        var row = robot.lookup(".alt")
                .queryAll()
                .stream()
                .filter(n -> n instanceof ToggleButton t && t.getAccessibleText().startsWith("crisp"))
                .findFirst()
                .orElseThrow();
        robot.moveTo(row);
        until("a ghost bracket", () -> model.ghostProperty().get().isPresent());
        double before = printHours();
        robot.clickOn(row);
        until("0.12 mm taken", () -> model.currentProp().orElseThrow().print().profile().layerMm() == 0.12);
        derived();
        assertThat(printHours()).isGreaterThan(1.3 * before);
    }

    @Test
    @Order(4)
    void aPressedButtonStaysUntilItIsLetGo(FxRobot robot) {
        derived();
        robot.interact(() -> model.go(Page.PRINT, "how fine"));
        until("alternatives", () -> robot.lookup(".alt").queryAll().size() > 2);
        robot.moveTo(robot.lookup(".alt").nth(1).<Node>query()).press(javafx.scene.input.MouseButton.PRIMARY);
        var held = robot.lookup(".alt").nth(1).<Node>query();
        robot.interact(() -> model.inchesProperty().set(true)); // the card has to be written anew
        assertThat(robot.lookup(".alt").nth(1).<Node>query()).as("under the finger").isSameAs(held);
        robot.release(javafx.scene.input.MouseButton.PRIMARY);
        until("written anew", () -> robot.lookup(".alt").nth(1).<Node>query() != held);
        assertThat(model.session().history().steps()).as("the press counts").isNotEmpty();
        robot.interact(() -> model.inchesProperty().set(false));
        robot.interact(model::undo);
    }

    @Test
    @Order(5)
    void theLogLineMovesThePlan(FxRobot robot) {
        derived();
        robot.interact(frame::requestFocus);
        robot.type(KeyCode.L).write("done A 14 h").type(KeyCode.ENTER);
        until("A done", () -> model.schedule().flatMap(s -> s.placed(TaskId.of("print:helm/A"))).map(Schedule.Placed::done).orElse(false));
        robot.clickOn("#log-line").write("failed D 40 %").type(KeyCode.ENTER);
        until("failure noted", () -> model.session().build().log().getLast().printed().equals(List.of(new SectionId("helm", "D"))));
        assertThat(robot.lookup("#log-line").queryAs(TextField.class).getText()).isEmpty();
    }

    @Test
    @Order(6)
    void sillyInputIsRefusedInWordsAndNothingIsLost(FxRobot robot) throws Exception {
        derived();
        var build = model.session().build();
        for (var silly : java.util.List.of("big", "-4", "", "99999")) {
            typeScale(robot, silly);
            until("a refusal of " + silly,
                    () -> model.messageProperty().get() != null && model.messageProperty().get().words().contains("between 1 and 5000"));
            assertThat(model.session().build()).isSameAs(build);
        }
        var text = dir.resolve("notes.stl");
        Files.writeString(text, "buy filler");
        robot.interact(() -> model.sessions().open(text));
        until("refusal", () -> model.messageProperty().get().words().contains("not a"));
        robot.interact(() -> model.sessions().open(dir.resolve("gone.bracket")));
        until("refusal", () -> model.messageProperty().get().words().contains("no such file"));
        robot.interact(() -> model.sessions().save(text.resolve("x.bracket")));
        until("refusal", () -> told().contains("was not saved"));
        assertThat(model.messageProperty().get().words()).contains("was not saved", "choose another folder");
        assertThat(model.session().build()).isSameAs(build);
    }

    @Test
    @Order(7)
    void aMeshIsOpenedAndCutAndTheBenchTurns(FxRobot robot) throws Exception {
        derived();
        var file = dir.resolve("bowl.stl");
        StlWriter.write(yellowbracket.mesh.Shapes.cappedShell(120, 4, 55, 64, 32), "bowl", file);
        robot.interact(() -> model.sessions().open(file));
        until("opened", () -> model.shownProperty().get().props().size() == 4);
        derived();
        assertThat(model.currentProp().orElseThrow().name()).isEqualTo("bowl");
        var bench = bench();
        var at = new Point2D(380, 420);
        robot.drag(at).dropTo(at.add(90, 20));
        robot.moveTo(at).scroll(3, javafx.geometry.VerticalDirection.UP);
        robot.interact(bench::requestFocus);
        robot.type(KeyCode.LEFT, KeyCode.UP, KeyCode.PLUS, KeyCode.F, KeyCode.X);
        until("see-through", bench::isSeeThrough);
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        until("the import is undone", () -> model.shownProperty().get().props().size() == 3);
    }

    @Test
    @Order(9)
    void whatACrashLeftIsTakenUpAndUndoGoesBack(FxRobot robot) throws Exception {
        derived();
        var journal = dir.resolve("unsaved.bracket.journal/build.json");
        robot.interact(() -> model.apply(Edit.scale("mask", 1.11)));
        until("journalled within moments", () -> Files.exists(journal));
        var crashed = Files.createDirectories(dir.resolve("crashed/unsaved.bracket.journal"));
        try (var files = Files.list(journal.getParent())) {
            for (var f : files.toList()) Files.copy(f, crashed.resolve(f.getFileName()));
        }
        var demo = lightDemo();
        var again = new AppModel[1];
        robot.interact(() -> again[0] = another(demo, Optional.empty(), dir.resolve("crashed/unsaved.bracket")));
        assertThat(again[0].session().build().prop("mask").orElseThrow().scale()).isEqualTo(1.11);
        robot.interact(again[0]::close);
        assertThat(crashed).as("neither saved nor discarded: it comes back again").exists();
        robot.interact(() -> again[0] = another(demo, Optional.empty(), dir.resolve("crashed/unsaved.bracket")));
        robot.interact(again[0]::undo);
        assertThat(again[0].session().build()).isEqualTo(demo.build());
        robot.interact(again[0]::close);
        assertThat(crashed).as("closed in good order, nothing is offered").doesNotExist();
    }

    /** S, D and Esc answer, and the mouse; nothing is lost but by D. */
    @Test
    @Order(10)
    void unsavedEditsAreNeverLostWithoutAWord(FxRobot robot) throws Exception {
        derived();
        var file = dir.resolve("kept.bracket");
        var demo = lightDemo();
        var left = new int[1];
        robot.interact(() -> model.sessions().leave("close the window", () -> left[0]++));
        assertThat(left[0]).as("nothing to ask").isEqualTo(1);
        robot.interact(() -> model.apply(Edit.scale("mask", 1.12)));
        robot.interact(() -> model.sessions().leave("close the window", () -> left[0]++));
        assertThat(robot.lookup("#leave-stay").tryQuery()).isPresent();
        robot.type(KeyCode.B).type(KeyCode.DIGIT3);
        assertThat(robot.lookup(".bench-mode").tryQuery()).as("nothing else answers").isEmpty();
        robot.type(KeyCode.ESCAPE);
        assertThat(robot.lookup(".leave").tryQuery()).isEmpty();
        assertThat(left[0]).isEqualTo(1);

        answer(file);
        robot.interact(() -> model.sessions().leave("open the demo build", () -> model.sessions().replace(demo.build(), demo.meshes())));
        robot.type(KeyCode.S);
        until("saved, then left", () -> model.session().build().equals(demo.build()));
        assertThat(((BuildFile.Outcome.Opened) BuildFile.read(file, Progress.NONE)).build().prop("mask").orElseThrow().scale())
                .isEqualTo(1.12);

        robot.interact(() -> model.apply(Edit.scale("mask", 1.13)));
        robot.interact(() -> model.sessions().open(file));
        robot.clickOn("#leave-stay");
        assertThat(model.session().build().prop("mask").orElseThrow().scale()).isEqualTo(1.13);
        robot.interact(() -> model.sessions().open(file));
        robot.clickOn("#leave-discard");
        until("opened", () -> model.session().file().equals(Optional.of(file)));
        assertThat(model.session().build().prop("mask").orElseThrow().scale()).isEqualTo(1.12);

        robot.interact(() -> model.apply(Edit.scale("mask", 1.14)));
        Files.write(file, Files.readAllBytes(file), java.nio.file.StandardOpenOption.APPEND);
        var foreign = Files.readAllBytes(file);
        robot.interact(() -> model.sessions().save(file));
        until("told", () -> told().contains("changed by another program"));
        assertThat(Files.readAllBytes(file)).as("not overwritten").isEqualTo(foreign);
    }

    @Test
    @Order(11)
    void aSecondWindowOnTheSameBuildIsACopy(FxRobot robot) throws Exception {
        var file = dir.resolve("two.bracket");
        robot.interact(() -> model.sessions().save(file));
        until("saved", () -> model.session().file().equals(Optional.of(file)));
        robot.interact(() -> model.apply(Edit.scale("mask", 1.15)));
        var demo = lightDemo();
        var second = new AppModel[1];
        robot.interact(() -> second[0] = another(demo, Optional.of(file), dir.resolve("unsaved.bracket")));
        assertThat(second[0].session().file()).as("no file of its own").isEmpty();
        assertThat(second[0].session().build()).as("the first one's journal is left alone").isEqualTo(demo.build());
        robot.interact(() -> assertThat(second[0].messageProperty().get().words()).contains("open in another window", "another name"));
        robot.interact(() -> second[0].sessions().save(file));
        until("refused", () -> second[0].messageProperty().get().words().contains("save under another name"));
        robot.interact(() -> second[0].apply(Edit.scale("mask", 1.3)));
        robot.interact(second[0]::close);
        robot.interact(() -> model.apply(Edit.scale("mask", 1.16)));
        until("the first goes on",
                () -> Journal.beside(file).left() instanceof Journal.Left.Found f && f.build().prop("mask").orElseThrow().scale() == 1.16);
        robot.interact(() -> second[0] = another(demo, Optional.empty(), dir.resolve("unsaved.bracket")));
        assertThat(second[0].session().build().prop("mask").orElseThrow().scale()).as("the copy's edits came back").isEqualTo(1.3);
        robot.interact(second[0]::close);
        robot.interact(() -> model.sessions().save(file));
        until("saved", () -> !model.session().dirty());
        robot.interact(() -> model.sessions().replace(demo.build(), demo.meshes()));
        robot.interact(() -> model.apply(Edit.scale("mask", 1.4)));
        until("journalled beside what was left, not over it", () -> Files.exists(dir.resolve("2-unsaved.bracket.journal/build.json")));
        assertThat(Journal.beside(dir.resolve("unsaved.bracket")).left()).isInstanceOfSatisfying(Journal.Left.Found.class,
                f -> assertThat(f.build().prop("mask").orElseThrow().scale()).isEqualTo(1.3));
    }

    @Test
    @Order(8)
    void finderUnitsThemesAndBenchMode(FxRobot robot) {
        derived();
        robot.interact(frame::requestFocus);
        robot.type(KeyCode.SLASH);
        robot.write("night").type(KeyCode.ENTER);
        until("night", () -> model.nightProperty().get());
        robot.clickOn("inch");
        until("inches", () -> model.inchesProperty().get());
        assertThat(text(robot, ".gauge-value")).contains("in");
        robot.interact(frame::requestFocus);
        robot.type(KeyCode.B);
        until("bench mode", () -> robot.lookup(".bench-mode").tryQuery().isPresent());
        var step = robot.lookup(".huge").queryAs(Label.class).getText();
        robot.type(KeyCode.N);
        until("next step", () -> !robot.lookup(".huge").queryAs(Label.class).getText().equals(step));
        robot.type(KeyCode.T);
        until("a timer", () -> timers.running().size() == 1);
        long before = model.session().build().log().size();
        robot.type(KeyCode.D);
        until("nobody pressed start: it asks", () -> text(robot, ".bench-mode .button").contains("do not know  4"));
        robot.type(KeyCode.ESCAPE);
        until("back", () -> text(robot, ".bench-mode .button").contains("start  S"));
        robot.type(KeyCode.D).type(KeyCode.DIGIT3);
        until("done noted", () -> model.session().build().log().size() == before + 1);
        var noted = model.session().build().log().getLast();
        assertThat(noted.hours()).as("twice as long as planned").isCloseTo(2 * noted.planned().orElseThrow(), within(0.02));
        goesWrong(robot);
        robot.type(KeyCode.B);
        assertThat(robot.lookup(".bench-mode").queryAll()).as("there is one bench mode, however often it is asked for").hasSize(1);
        robot.type(KeyCode.ESCAPE);
        until("left", () -> robot.lookup(".bench-mode").tryQuery().isEmpty());

        robot.type(KeyCode.L).write("bad dust");
        assertThat(robot.lookup("#log-line").queryAs(TextInputControl.class).getText()).as("the field has the keys at once")
                .isEqualTo("bad dust");
        assertThat(robot.lookup(".bench-mode").tryQuery()).isEmpty();
        robot.type(KeyCode.ESCAPE);
    }

    /** A note by a line, gear asked for before the first start, and what went wrong noted with its cause. */
    private void goesWrong(FxRobot robot) {
        derived();
        robot.interact(() -> robot.lookup(".bench-mode").query().requestFocus());
        int before = model.session().build().log().size();
        robot.type(KeyCode.M).type(KeyCode.I);
        until("a line", () -> robot.lookup("#bench-line").tryQuery().isPresent());
        robot.write("smells of peaches").type(KeyCode.ENTER);
        until("noted", () -> model.session().build().log().size() == before + 1);
        robot.type(KeyCode.M).type(KeyCode.G);
        until("asked", () -> text(robot, ".bench-mode .button").contains("something else"));
        robot.type(KeyCode.DIGIT1);
        until("noted", () -> model.session().build().log().size() > before + 1);
        assertThat(model.session().build().log()).anyMatch(e -> e.kind() == Entry.Kind.WRONG);
        robot.type(KeyCode.ESCAPE);
        if (robot.lookup(".bench-mode").tryQuery().isEmpty()) robot.type(KeyCode.B);
    }

    /** With its build and all that was drawn of it: its clock stops too. */
    @Test
    void aClosedWindowIsLetGo(FxRobot robot) {
        var gone = new AtomicReference<WeakReference<Frame>>();
        robot.interact(() -> {
            var demo = lightDemo();
            var other = new AppModel(Beginning.of(demo.build(), demo.meshes(), Optional.empty(), dir.resolve("other.bracket")),
                    new SimulatedWeather(11), clock(), dir.resolve("other.json"), known());
            var window = new Frame(other, new Timers(clock()), () -> {});
            var stage = new Stage();
            stage.setScene(new Scene(window, 900, 700));
            stage.show();
            window.close();
            other.close();
            stage.setScene(new Scene(new Group()));
            stage.hide();
            gone.set(new WeakReference<>(window));
        });
        until("let go", () -> {
            System.gc();
            return gone.get().get() == null;
        });
    }
}
