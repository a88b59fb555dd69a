package yellowbracket.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.LocalDate;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import javafx.scene.Parent;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import yellowbracket.demo.DemoBuild;
import yellowbracket.desktop.model.LastTime;
import yellowbracket.desktop.model.Timers;
import yellowbracket.document.BuildFile;

/** Bench mode with two timers, killed and started again: what the next start finds is what the first had kept until then. */
@ExtendWith(ApplicationExtension.class)
class BenchRestartTest {
    @TempDir
    Path home;
    private Stage first;

    private StartOptions options(String in) {
        return StartOptions.parse(new String[] {home.resolve("staff.bracket").toString()},
                Map.of("YELLOWBRACKET_HOME", home.resolve(in).toString()));
    }

    @BeforeEach
    void build() throws Exception {
        var demo = DemoBuild.at(LocalDate.now());
        var build = demo.build().withoutProp("helm").withoutProp("mask");
        BuildFile.write(home.resolve("staff.bracket"), build, demo.meshes());
    }

    @Start
    void start(Stage stage) {
        first = stage;
    }

    private void open(FxRobot robot, Stage stage, String in) {
        robot.interact(() -> {
            var options = options(in);
            new App(options, CompletableFuture.completedFuture(FirstBuild.of(options).begin(options))).show(stage);
        });
    }

    private static Label label(Stage stage, String query) {
        return (Label) stage.getScene().getRoot().lookup(query);
    }

    @Test
    void twoTimersAndTheWorkInHandAreThereAgain(FxRobot robot) throws Exception {
        open(robot, first, "killed");
        robot.interact(() -> first.getScene().getRoot().requestFocus());
        robot.type(KeyCode.B);
        WindowTest.until("bench mode with a step", () -> label(first, ".huge") != null && !label(first, ".huge").getText().endsWith("..."));
        robot.type(KeyCode.T).type(KeyCode.N).type(KeyCode.T);
        WindowTest.until("both kept", () -> kept("killed").size() == 2);
        var before = kept("killed");
        robot.type(KeyCode.P).type(KeyCode.S);
        if (first.getScene().getRoot().lookup(".answer") != null) robot.type(KeyCode.DIGIT1);
        WindowTest.until("the work in hand is kept", () -> last("killed").work().on().isPresent());
        assertThat(last("killed").benchMode()).isTrue();

        // nobody could take leave: what had been written by then is all there is
        copy(home.resolve("killed"), home.resolve("next"));
        var second = new Stage[1];
        robot.interact(() -> second[0] = new Stage());
        open(robot, second[0], "next");
        WindowTest.until("bench mode again", () -> second[0].getScene().getRoot().lookup(".bench-mode") != null);
        WindowTest.until("both timers told", () -> timersTold(second[0].getScene().getRoot(), before));
        assertThat(kept("next")).isEqualTo(before);
        robot.interact(second[0]::hide);
    }

    private Set<Timers.Timer> kept(String in) {
        return Set.copyOf(last(in).timers(options(in).clock().instant()));
    }

    private LastTime last(String in) {
        return new LastTime(home.resolve(in).resolve("last-time.json"));
    }

    private static boolean timersTold(Parent root, Set<Timers.Timer> timers) {
        var clock = (Label) root.lookup(".clock");
        return clock != null && timers.stream().allMatch(t -> clock.getText().contains(t.name()));
    }

    private static void copy(Path from, Path to) throws Exception {
        Files.createDirectories(to);
        try (var files = Files.list(from)) {
            for (var f : files.filter(Files::isRegularFile).toList())
                Files.copy(f, to.resolve(f.getFileName()), StandardCopyOption.REPLACE_EXISTING);
        }
    }
}
