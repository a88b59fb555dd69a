package yellowbracket.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import javafx.stage.WindowEvent;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;

/** The program as it is started, in an empty home: the window's own close button, and what the next start finds. */
@ExtendWith(ApplicationExtension.class)
class AppTest {
    @TempDir
    Path home;
    private Stage stage;

    private StartOptions options() {
        return StartOptions.parse(new String[0], Map.of("YELLOWBRACKET_HOME", home.toString()));
    }

    @Start
    void start(Stage window) {
        stage = window;
        new App(options(), CompletableFuture.completedFuture(FirstBuild.of(options()).begin(options()))).show(stage);
    }

    /** As the frame's cross or the system's key does. */
    private void closeButton(FxRobot robot) {
        robot.interact(() -> stage.fireEvent(new WindowEvent(stage, WindowEvent.WINDOW_CLOSE_REQUEST)));
    }

    @Test
    void theCloseButtonAsksAboutEditsThatAreNotSaved(FxRobot robot) {
        robot.clickOn("#log-line").write("lesson: brim on tall sections").type(KeyCode.ENTER);
        closeButton(robot);
        WindowTest.until("asked", () -> robot.lookup("#leave-stay").tryQuery().isPresent());
        assertThat(stage.isShowing()).isTrue();
        robot.type(KeyCode.ESCAPE);
        WindowTest.until("stayed", () -> robot.lookup("#leave-stay").tryQuery().isEmpty());
        assertThat(stage.isShowing()).isTrue();
        closeButton(robot);
        robot.clickOn("#leave-discard");
        WindowTest.until("closed", () -> !stage.isShowing());
        assertThat(FirstBuild.of(options()).build().log()).isEmpty();
    }

    @Test
    void withNothingToLoseItCloses(FxRobot robot) {
        closeButton(robot);
        WindowTest.until("closed", () -> !stage.isShowing());
    }

    @Test
    void theWindowIsNoLargerThanItsScreen() {
        var screen = javafx.stage.Screen.getPrimary().getVisualBounds();
        assertThat(stage.getHeight()).isLessThanOrEqualTo(screen.getHeight());
        assertThat(stage.getWidth()).isLessThanOrEqualTo(screen.getWidth());
    }
}
