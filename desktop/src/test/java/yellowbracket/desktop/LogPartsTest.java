package yellowbracket.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import javafx.scene.control.TableView;
import javafx.scene.image.ImageView;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;
import yellowbracket.colour.ColourZone;
import yellowbracket.demo.DemoBuild;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.desktop.model.Done;
import yellowbracket.desktop.model.Page;
import yellowbracket.plan.Schedule;
import yellowbracket.work.Operation;
import yellowbracket.work.Task;

/** The log page: what was noted teaches, and the book tells it all. */
class LogPartsTest extends WindowTest {
    @Override
    DemoBuild first() {
        return lightDemo();
    }

    @Start
    void start(Stage stage) {
        open(stage);
    }

    @Stop
    void end() {
        close();
    }

    @Test
    void theBookIsMadeAndReadsBack(FxRobot robot) throws Exception {
        derived();
        robot.interact(() -> {
            model.pageProperty().set(Page.LOG);
            model.note("why this red: it is the one of the lighthouse");
            model.note("lesson: \u0444\u0438\u043b\u044c\u0442\u0440 first, then the \u03ba\u03ac\u03c3\u03ba\u03b1");
        });
        derived();
        answer(dir.resolve("book"));
        press(robot, "build book ...");
        var book = dir.resolve("book/build-book.pdf");
        until("written", () -> Files.exists(book));
        try (var pdf = Loader.loadPDF(book.toFile())) {
            assertThat(new PDFTextStripper().getText(pdf)).contains("Tide Warden", "Gannet Sound Costume Weekend", "lighthouse",
                    "\u0444\u0438\u043b\u044c\u0442\u0440", "\u03ba\u03ac\u03c3\u03ba\u03b1", "lamp staff");
        }
        assertThat(Files.readString(dir.resolve("book/build-book.md"))).contains("lighthouse");
        assertThat(dir.resolve("book/hand-off-helm.pdf")).exists();
    }

    @Test
    void hoursThatAreNotedMoveTheRateAndThePlan(FxRobot robot) {
        derived();
        robot.interact(() -> model.go(Page.LOG, "learned"));
        var sanding = model.schedule()
                .orElseThrow()
                .placed()
                .stream()
                .map(Schedule.Placed::task)
                .filter(t -> t.operation() == Operation.SAND && t.activeH() > 0)
                .toList();
        assertThat(sanding).as("some to do now and some left over").hasSizeGreaterThan(2);
        var left = sanding.getLast();
        double before = left.activeH();
        for (Task t : List.of(sanding.get(0), sanding.get(1))) robot.interact(() -> model.note(Done.line(t, 2 * t.activeH())));
        until("the rest takes longer",
                () -> model.schedule()
                        .flatMap(s -> s.placed().stream().map(Schedule.Placed::task).filter(t -> t.id().equals(left.id())).findFirst())
                        .filter(t -> t.activeH() > 1.1 * before)
                        .isPresent());
        until("told in the table",
                () -> robot.lookup(n -> n instanceof TableView<?> t && "rates".equals(t.getAccessibleText()))
                        .tryQueryAs(TableView.class)
                        .filter(t -> t.getItems().toString().contains(Operation.SAND.rate()))
                        .isPresent());
        assertThat(model.derived().get(PlanFigures.TALLY).orElseThrow().jobs()).hasSizeGreaterThanOrEqualTo(2);
    }

    @Test
    void photosAtTheBenchComeFromTheFolderOfTheLastOne(FxRobot robot) throws Exception {
        derived();
        var camera = Files.createDirectory(dir.resolve("camera"));
        answer(picture(camera.resolve("first.png")));
        robot.interact(frame::requestFocus);
        robot.type(KeyCode.B);
        until("bench mode", () -> robot.lookup(".bench-mode").tryQuery().isPresent());
        robot.type(KeyCode.M).type(KeyCode.F);
        until("the one chosen is kept", () -> photos() == 1);
        picture(camera.resolve("second.png"));
        robot.type(KeyCode.M).type(KeyCode.F);
        until("the next is offered", () -> text(robot, ".bench-mode .button").contains("the newest, second.png"));
        robot.type(KeyCode.DIGIT1);
        until("and kept", () -> photos() == 2);
    }

    @Test
    void theZoneOfACoatIsLitAtTheBench(FxRobot robot) {
        derived();
        robot.interact(frame::requestFocus);
        robot.type(KeyCode.B);
        until("bench mode", () -> robot.lookup(".bench-mode").tryQuery().isPresent());
        var zones = model.session().build().props().stream().flatMap(p -> p.colour().zones().stream()).map(ColourZone::name).toList();
        var lit = new HashSet<String>();
        for (int i = 0; i < 60; i++) {
            var where = robot.lookup("#where").queryAs(ImageView.class);
            zones.stream().filter(z -> where.getAccessibleText().endsWith("lit: " + z)).forEach(lit::add);
            robot.type(KeyCode.N);
        }
        assertThat(lit).as("coats of single zones among the next steps").isNotEmpty();
    }

    private long photos() {
        return model.session().build().log().stream().mapToLong(e -> e.photos().size()).sum();
    }

    private static Path picture(Path file) throws IOException {
        var image = new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB);
        image.setRGB(3, 4, file.getFileName().hashCode());
        ImageIO.write(image, "png", file.toFile());
        return file;
    }
}
