package yellowbracket.desktop;

import java.nio.file.Files;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;
import org.testfx.util.WaitForAsyncUtils;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.desktop.model.Page;
import yellowbracket.document.BuildFile;
import yellowbracket.document.Edit;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.io.MeshFile;
import static org.assertj.core.api.Assertions.assertThat;

/** The main job on the demo as it is, with all its triangles. */
class WholeJobTest extends WindowTest {
    @Start
    void start(Stage stage) {
        open(stage);
    }

    @Stop
    void stop() {
        close();
    }

    /** Open the demo, rescale, recut, see the Run move, undo, save, export, reopen. */
    @Test
    void theWholeJob(FxRobot robot) throws Exception {
        derived();
        assertThat(text(robot, ".build-name")).contains("Tide Warden");
        assertThat(text(robot, ".band-state")).contains("done", "in hand");
        double before = printHours();
        var ends = finish();

        typeScale(robot, "120");
        until("scale 120 %", () -> model.shownProperty().get().prop("helm").orElseThrow().scale() == 1.2);
        derived();
        assertThat(printHours()).isGreaterThan(1.1 * before);
        assertThat(finish()).as("a larger helm is ready later").isAfter(ends);
        assertThat(text(robot, ".slack-days")).contains("days");

        robot.interact(frame::requestFocus);
        robot.type(KeyCode.DIGIT2);
        until("cut page", () -> model.pageProperty().get() == Page.CUT);
        WaitForAsyncUtils.waitForFxEvents();
        steadily(() -> robot.clickOn("#tab-planes"));
        int planes = model.currentProp().orElseThrow().cut().tree().planeCount();
        steadily(() -> robot.clickOn("+ z"));
        until("one plane more in every section", () -> model.currentProp().orElseThrow().cut().tree().planeCount() > planes);
        derived();
        assertThat(model.result(CutFigures.SECTIONS).orElseThrow().sections()).hasSizeGreaterThan(5)
                .allSatisfy(s -> assertThat(s.closed()).isTrue());

        robot.interact(frame::requestFocus);
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).type(KeyCode.Z).release(KeyCode.CONTROL);
        until("undone", () -> model.shownProperty().get().prop("helm").orElseThrow().scale() == 1.04);
        derived();
        assertThat(printHours()).isEqualTo(before);
        assertThat(finish()).isEqualTo(ends);

        var file = dir.resolve("mine.bracket");
        robot.interact(() -> model.apply(Edit.scale("helm", 1.06)));
        robot.interact(() -> model.sessions().save(file));
        until("saved", () -> !model.session().dirty());
        assertThat(((BuildFile.Outcome.Opened) BuildFile.read(file, Progress.NONE)).build()).isEqualTo(model.session().build());
        assertThat(model.session().dirty()).isFalse();
        derived();
        answer(dir.resolve("out"));
        robot.interact(frame::requestFocus);
        robot.type(KeyCode.SLASH);
        robot.write("export sections as printed").type(KeyCode.ENTER);
        until("section files", () -> Files.exists(dir.resolve("out/cut-list.csv")));
        assertThat(((MeshFile.Read) MeshFile.read(dir.resolve("out/section-A.stl"), Progress.NONE)).mesh().triangleCount())
                .isGreaterThan(1000);

        robot.interact(() -> model.apply(Edit.scale("helm", 1.3)));
        robot.interact(() -> model.sessions().open(file));
        until("as it was saved", () -> model.shownProperty().get().prop("helm").orElseThrow().scale() == 1.06);
        assertThat(model.session().dirty()).isFalse();
        robot.interact(model::undo);
        assertThat(model.session().build().prop("helm").orElseThrow().scale()).as("the edit since then is not lost").isEqualTo(1.3);
    }
}
