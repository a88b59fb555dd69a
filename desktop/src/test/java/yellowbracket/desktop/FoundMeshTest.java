package yellowbracket.desktop;

import java.time.Duration;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.TableView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;
import org.testfx.util.WaitForAsyncUtils;
import yellowbracket.desktop.model.Page;
import yellowbracket.demo.DemoBuild;
import yellowbracket.demo.FoundLantern;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.document.Build;
import yellowbracket.document.Meshes;
import yellowbracket.document.ShopFile;
import yellowbracket.intake.BodyList;
import yellowbracket.intake.BodyRole;
import yellowbracket.intake.FileUnit;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.io.MeshWriter;
import static org.awaitility.Awaitility.await;
import static org.assertj.core.api.Assertions.assertThat;

/**
 * A mesh from the wild in the real window: opened, set upright, its bodies sorted, its faults shown and mended. Starts on an empty build.
 */
class FoundMeshTest extends WindowTest {
    @Start
    void start(Stage stage) {
        open(stage);
    }

    @Stop
    void stop() {
        close();
    }

    @Override
    DemoBuild first() {
        return new DemoBuild(Build.empty(LocalDateTime.of(2026, 3, 20, 9, 0), ShopFile.fresh()), Meshes.NONE);
    }

    private Path lantern() throws Exception {
        var file = dir.resolve("lantern.obj");
        MeshWriter.write(List.of(new MeshWriter.Named("lantern", FoundLantern.mesh())), MeshWriter.Kind.OBJ, file);
        return file;
    }

    private void openLantern(FxRobot robot) throws Exception {
        var file = lantern();
        robot.interact(() -> model.sessions().open(file));
        until("opened", () -> model.currentProp().isPresent());
        examined();
    }

    @SuppressWarnings("unchecked")
    private TableView<BodyList.Entry> bodies(FxRobot robot) {
        return robot.lookup("#bodies").queryAs(TableView.class);
    }

    private static javafx.scene.control.Labeled action(FxRobot robot, String starts) {
        return labels(robot, ".action").stream().filter(l -> l.getText().startsWith(starts)).findFirst().orElseThrow();
    }

    private double tall() {
        return model.result(ModelFigures.MODEL).orElseThrow().mesh().bounds().size().z();
    }

    @Test
    void anEmptyBuildSaysWhatToDoFirst(FxRobot robot) {
        assertThat(text(robot, ".heading")).contains("where to begin");
        assertThat(text(robot, ".primary")).contains("open a mesh");
        assertThat(labels(robot, ".primary")).as("one primary action, not two").hasSize(1);
        assertThat(text(robot, ".action")).contains("open a build", "open the demo build");
    }

    @Test
    void theGuessIsShownAndAcceptedOrChangedWithOneClick(FxRobot robot) throws Exception {
        openLantern(robot);
        assertThat(prop().intake().unit()).isEqualTo(FileUnit.CM);
        assertThat(prop().intake().settled()).isFalse();
        assertThat(tall()).isBetween(300.0, 330.0);
        robot.clickOn("look");
        until("the part on bodies", () -> robot.lookup("#bodies").tryQuery().isPresent());
        robot.clickOn("that is right");
        until("settled", () -> prop().intake().settled());
        robot.clickOn(action(robot, "inch"));
        until("in inches", () -> prop().intake().unit().equals(FileUnit.INCH));
        examined();
        assertThat(tall()).isBetween(780.0, 820.0);
        robot.clickOn("take the guess");
        until("centimetres again", () -> prop().intake().unit().equals(FileUnit.CM));
        robot.clickOn(action(robot, "tip"));
        until("tipped", () -> prop().intake().turn() != null
                && !prop().intake().turn().equals(yellowbracket.intake.Stance.of(FoundLantern.mesh()).turn()));
        examined();
        assertThat(tall()).as("lying down").isLessThan(200);
        robot.clickOn(action(robot, "mirror"));
        until("mirrored", () -> prop().intake().mirrored());
        for (int i = 0; i < 5; i++) robot.interact(model::undo);
        assertThat(prop().intake().settled()).as("undone to the guess").isFalse();
        assertThat(model.session().history().undoName()).hasValue("open lantern");
    }

    @Test
    void bodiesAreDroppedGivenRolesIsolatedAndBroughtBack(FxRobot robot) throws Exception {
        openLantern(robot);
        robot.interact(() -> model.go(Page.SIZE, "bodies"));
        until("the list", () -> robot.lookup("#bodies").tryQuery().isPresent());
        assertThat(bodies(robot).getItems()).hasSize(FoundLantern.BODIES);
        double whole = model.result(ModelFigures.MODEL).orElseThrow().mesh().areaMm2();

        type(robot, "#small", "rivet");
        until("a refusal", () -> told().contains("type millimetres above 0"));
        type(robot, "#small", "900");
        until("a refusal", () -> told().contains("keep at least one body"));
        type(robot, "#small", "8");
        until("rivets dropped", () -> prop().intake().roles().size() == 32);
        examined();
        assertThat(model.result(ModelFigures.MODEL).orElseThrow().mesh().areaMm2()).isLessThan(whole);
        assertThat(model.result(ModelFigures.HEALTH).orElseThrow().health().bodies()).hasSize(FoundLantern.BODIES - 32);

        var pane = bodies(robot).getItems().stream().filter(e -> e.number() == 6).findFirst().orElseThrow();
        robot.interact(() -> {
            bodies(robot).getSelectionModel().clearSelection();
            bodies(robot).getSelectionModel().select(pane);
        });
        robot.clickOn("#role").clickOn("visor");
        until("a visor", () -> prop().intake().role(6) == BodyRole.VISOR);
        examined();
        robot.clickOn("#bodies-isolate");
        WaitForAsyncUtils.waitForFxEvents();
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).type(KeyCode.Z).release(KeyCode.CONTROL);
        until("all back", () -> prop().intake().roles().isEmpty());

        robot.clickOn("#bodies-all");
        robot.clickOn("#bodies-drop");
        until("a refusal", () -> told().contains("keep at least one body"));
        assertThat(prop().intake().roles()).isEmpty();
    }

    @Test
    void aClickOnTheBenchPicksTheBody(FxRobot robot) throws Exception {
        var two = List.of(new MeshWriter.Named("two", yellowbracket.mesh.Mesh.union(List
                .of(Shapes.box(new Vec3(-150, 0, 0), new Vec3(-20, 100, 200)), Shapes.box(new Vec3(20, 0, 0), new Vec3(150, 100, 200))))));
        var file = dir.resolve("two.3mf");
        MeshWriter.write(two, MeshWriter.Kind.THREE_MF, file);
        robot.interact(() -> model.sessions().open(file));
        until("opened", () -> model.currentProp().isPresent());
        examined();
        robot.interact(() -> {
            model.go(Page.SIZE, "bodies");
            bench().look("front");
        });
        until("drawn", () -> robot.lookup("#bodies").tryQuery().isPresent());
        for (int i = 0; i < 2; i++) {
            int body = i;
            double x = model.result(ModelFigures.BODIES)
                    .orElseThrow()
                    .entries()
                    .stream()
                    .filter(e -> e.number() == body)
                    .findFirst()
                    .orElseThrow()
                    .bounds()
                    .centre()
                    .x();
            var at = bench().localToScreen(bench().onScreen(new Vec3(x, 50, 100)));
            robot.moveTo(at).clickOn(MouseButton.PRIMARY);
            until("body " + body + " picked",
                    () -> bodies(robot).getSelectionModel()
                            .getSelectedItems()
                            .stream()
                            .map(BodyList.Entry::number)
                            .toList()
                            .equals(List.of(body)));
        }
        assertThat(text(robot, ".gauge-value")).contains("1");
    }

    @Test
    void faultsAreNamedAndMendedOnRequestOnly(FxRobot robot) throws Exception {
        openLantern(robot);
        robot.interact(() -> model.go(Page.SIZE, "health"));
        until("findings", () -> labels(robot, ".finding .label").stream().anyMatch(l -> l.getText().contains("open edges")));
        var words = text(robot, ".finding .label");
        assertThat(words).contains("duplicate triangles", "body inside out", "run through each other");
        assertThat(model.result(ModelFigures.HEALTH).orElseThrow().health().closed()).isFalse();
        assertThat(prop().intake().mends()).as("nothing unasked").isEmpty();
        robot.clickOn(labels(robot, ".primary").stream()
                .filter(l -> l.getText().startsWith("mend "))
                .map(Button.class::cast)
                .findFirst()
                .orElseThrow());
        until("mended", () -> !prop().intake().mends().isEmpty());
        examined();
        var h = model.result(ModelFigures.HEALTH).orElseThrow().health();
        assertThat(h.closed()).isTrue();
        assertThat(h.duplicateTriangles() + h.flippedBodies()).isZero();
        until("what was done", () -> text(robot, ".small").contains("faults 34 to"));
        robot.interact(() -> ((Button) action(robot, "undo the mending")).fire());
        until("taken back", () -> prop().intake().mends().isEmpty());
        examined();
        assertThat(model.result(ModelFigures.HEALTH).orElseThrow().health().closed()).isFalse();
    }

    @Test
    void badFilesLeaveTheBuildAsItWas(FxRobot robot) throws Exception {
        openLantern(robot);
        var build = model.session().build();
        var bad = dir.resolve("bad.obj");
        Files.writeString(bad, "v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 7\n");
        robot.interact(() -> model.sessions().open(bad));
        until("a refusal", () -> told().contains("facet 1: it refers to a point that does not exist"));
        var half = dir.resolve("half.3mf");
        Files.write(half, java.util.Arrays
                .copyOf(MeshWriter.bytes(List.of(new MeshWriter.Named("x", Shapes.sphere(9, 20))), MeshWriter.Kind.THREE_MF), 700));
        robot.interact(() -> model.sessions().open(half));
        until("a refusal", () -> told().contains("half.3mf"));
        assertThat(model.session().build()).isSameAs(build);
    }

    /** A large import is told with its progress, and Esc stops it. */
    @Test
    void anImportIsStoppedByEscape(FxRobot robot) throws Exception {
        var file = dir.resolve("large.obj");
        MeshWriter.write(List.of(new MeshWriter.Named("large", Shapes.bumpySphere(150, 500_000))), MeshWriter.Kind.OBJ, file);
        robot.interact(() -> {
            model.sessions().open(file);
            assertThat(model.busyProperty().get()).isEqualTo("reading large.obj");
        });
        robot.type(KeyCode.ESCAPE);
        until("idle", () -> model.busyProperty().get().isEmpty());
        await("nothing comes in afterwards").during(Duration.ofMillis(800))
                .atMost(Duration.ofSeconds(10))
                .until(() -> model.currentProp().isEmpty());
    }
}
