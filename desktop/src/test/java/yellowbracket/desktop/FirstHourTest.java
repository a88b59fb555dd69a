package yellowbracket.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Labeled;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;
import yellowbracket.demo.DemoBuild;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.size.SizeFigures;
import yellowbracket.desktop.model.Page;
import yellowbracket.document.Build;
import yellowbracket.document.Meshes;
import yellowbracket.document.Question;
import yellowbracket.document.ShopFile;
import yellowbracket.mesh.io.StlWriter;
import yellowbracket.size.Use;

/** From an empty window to a sized, cut and planned helm with files written, by mouse, and by keys alone. */
class FirstHourTest extends WindowTest {
    @TempDir
    static Path meshes;

    @BeforeAll
    static void helm() throws Exception {
        var demo = lightDemo();
        var helm = demo.build().prop("helm").orElseThrow();
        StlWriter.write(demo.meshes().get(helm.mesh()).orElseThrow(), "helm", meshes.resolve("gannet.stl"));
    }

    @Override
    DemoBuild first() {
        return new DemoBuild(Build.empty(LocalDateTime.of(2026, 3, 20, 9, 0), ShopFile.fresh()), Meshes.NONE);
    }

    @Start
    void start(Stage stage) {
        open(stage);
    }

    @Stop
    void end() {
        close();
    }

    private void primary(FxRobot robot, String words) {
        until(words, () -> labels(robot, ".primary").stream().anyMatch(l -> l.getText().contains(words)));
    }

    private static void clickPrimary(FxRobot robot) {
        steadily(() -> {
            robot.interact(() -> reveal(labels(robot, ".primary").getFirst()));
            robot.clickOn(labels(robot, ".primary").getFirst());
        });
    }

    private Path folder() {
        return dir.resolve("out");
    }

    private void files() {
        try (var all = Files.list(dir.resolve("out"))) {
            assertThat(all.map(f -> f.getFileName().toString()).toList()).contains("all-sections.3mf", "cut-list.csv", "section-map.pdf");
        } catch (java.io.IOException e) {
            throw new AssertionError(e);
        }
    }

    private void sized() {
        until("worn by Robin", () -> prop().size().wearers().equals(java.util.List.of("Robin")));
        assertThat(prop().size().use()).contains(Use.HEAD);
        var robin = model.shownProperty().get().wearer("Robin").orElseThrow();
        assertThat(robin.head().circumferenceMm()).isEqualTo(575);
        assertThat(robin.bodyHeightMm()).as("not asked for").isEmpty();
        until("fitted", () -> model.result(SizeFigures.FITS).isPresent() && model.fresh(SizeFigures.SCALES));
    }

    @Test
    void byMouse(FxRobot robot) {
        answer(meshes.resolve("gannet.stl"));
        primary(robot, "open a mesh");
        steadily(() -> robot.clickOn("open a mesh"));
        primary(robot, "worn on the head");
        assertThat(text(robot, ".heading")).contains("what is it for?");
        assertThat(model.shownProperty().get().name()).as("a build is called as its first prop").isEqualTo("gannet");
        steadily(() -> robot.clickOn("worn on the head"));
        primary(robot, "who wears it?");
        clickPrimary(robot);
        until("a name is asked for", () -> focused(robot, "wearer-name"));
        robot.write("Robin").type(KeyCode.ENTER);
        until("the form", () -> focused(robot, "measure-circumference"));
        robot.clickOn("#measure-circumference").write("575");
        robot.clickOn("#measure-length").write("195");
        robot.clickOn("#measure-breadth").write("153");
        steadily(() -> robot.clickOn("keep"));
        sized();
        primary(robot, "and cut");
        clickPrimary(robot);
        until("printers are asked for", () -> text(robot, ".asked .label").contains("these printers are assumed"));
        steadily(() -> robot.clickOn("#right-printers"));
        until("said", () -> !model.shownProperty().get().asks(Question.PRINTERS));
        until("plans", () -> robot.lookup(".alt").queryAll().size() > 1);
        steadily(() -> robot.clickOn(robot.lookup(".alt").match(FirstHourTest::another).<Node>query()));
        until("cut", () -> prop().cut().tree().planeCount() > 0 && model.fresh(CutFigures.REGISTERED));
        derived();
        answer(folder());
        robot.interact(() -> model.go(Page.CUT, "sections"));
        primary(robot, "export sections");
        clickPrimary(robot);
        until("written", () -> Files.exists(dir.resolve("out").resolve("section-map.pdf")));
        files();
        robot.interact(() -> model.pageProperty().set(Page.PLAN));
        until("the day is asked for", () -> text(robot, ".asked .label").contains("which day"));
        assertThat(text(robot, ".row-value")).isNotBlank();
    }

    @Test
    void byKeysAlone(FxRobot robot) {
        answer(meshes.resolve("gannet.stl"));
        robot.press(KeyCode.CONTROL).type(KeyCode.O).release(KeyCode.CONTROL);
        primary(robot, "worn on the head");
        tabTo(robot, "worn on the head");
        robot.type(KeyCode.SPACE);
        primary(robot, "who wears it?");
        until("the next step has the focus", () -> focusedText(robot).contains("who wears it?"));
        robot.type(KeyCode.SPACE);
        until("a name is asked for", () -> focused(robot, "wearer-name"));
        robot.write("Robin").type(KeyCode.ENTER);
        until("the form", () -> focused(robot, "measure-circumference"));
        robot.write("575").type(KeyCode.TAB).write("195").type(KeyCode.TAB).write("153").type(KeyCode.ENTER);
        sized();
        primary(robot, "and cut");
        until("the next step has the focus", () -> focusedText(robot).contains("and cut"));
        robot.type(KeyCode.SPACE);
        until("the keys go along to the next page", () -> model.pageProperty().get() == Page.CUT
                && focus(robot).filter(n -> n == bench() || n.getStyleClass().contains("primary")).isPresent());
        until("plans", () -> model.pageProperty().get() == Page.CUT && robot.lookup(".alt").queryAll().size() > 1);
        tabTo(robot, ".alt");
        robot.type(KeyCode.SPACE);
        until("cut", () -> prop().cut().tree().planeCount() > 0 && model.fresh(CutFigures.REGISTERED));
        derived();
        answer(folder());
        robot.interact(bench()::requestFocus);
        robot.type(KeyCode.SLASH);
        robot.write("export sections as").type(KeyCode.ENTER);
        until("written", () -> Files.exists(dir.resolve("out").resolve("section-map.pdf")));
        files();
    }

    private static Optional<Node> focus(FxRobot robot) {
        return robot.listTargetWindows()
                .stream()
                .map(w -> w.getScene() == null ? null : w.getScene().getFocusOwner())
                .filter(n -> n != null && n.isFocused())
                .findFirst();
    }

    private static boolean focused(FxRobot robot, String id) {
        return robot.listTargetWindows()
                .stream()
                .map(w -> w.getScene() == null ? null : w.getScene().getFocusOwner())
                .anyMatch(n -> n != null && id.equals(n.getId()));
    }

    /** Not the alternative that is taken already. */
    private static boolean another(Node n) {
        return n instanceof ToggleButton b && !b.isSelected();
    }

    private static String focusedText(FxRobot robot) {
        return focus(robot).filter(Labeled.class::isInstance).map(n -> ((Labeled) n).getText()).orElse("");
    }

    /**
     * Tab until what bears these words, or this style, has the focus; results that come late write the card anew, and the way begins
     * again.
     */
    private void tabTo(FxRobot robot, String wanted) {
        until("Tab reaches " + wanted, () -> {
            boolean there = wanted.startsWith(".")
                    ? focus(robot).filter(n -> n.getStyleClass().contains(wanted.substring(1)) && another(n)).isPresent()
                    : focusedText(robot).equals(wanted);
            if (!there) robot.type(KeyCode.TAB);
            return there;
        });
    }
}
