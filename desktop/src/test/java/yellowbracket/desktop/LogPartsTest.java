package yellowbracket.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import javafx.event.Event;
import javafx.event.EventType;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.TableView;
import javafx.scene.image.ImageView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
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
import yellowbracket.derive.plan.ShelfFigures;
import yellowbracket.desktop.model.Done;
import yellowbracket.desktop.model.Page;
import yellowbracket.log.Consumption;
import yellowbracket.log.Entry;
import yellowbracket.plan.Schedule;
import yellowbracket.work.Operation;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;

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
        var last = model.session().build().log().getLast();
        assertThat(last.shows()).as("it shows the place of the step").isPresent();
        Files.writeString(camera.resolve("third.png"), "no picture at all");
        robot.type(KeyCode.M).type(KeyCode.F);
        until("the third is offered", () -> text(robot, ".bench-mode .button").contains("the newest, third.png"));
        int lines = model.session().build().log().size();
        robot.type(KeyCode.DIGIT1);
        until("told", () -> told().contains("third.png"));
        assertThat(model.session().build().log()).as("nothing is noted of what is no picture").hasSize(lines);
    }

    @Test
    void aPhotoIsShownWithItsPlace(FxRobot robot) throws Exception {
        derived();
        var file = picture(dir.resolve("shot.png"));
        robot.interact(() -> {
            model.go(Page.LOG, "what happened");
            model.notePhoto("the rim after a week", "", file);
        });
        until("kept", () -> photos() == 1);
        robot.interact(() -> robot.lookup(n -> n instanceof TableView<?> t && "entries".equals(t.getAccessibleText()))
                .queryAs(TableView.class)
                .getSelectionModel()
                .select(0));
        until("its place can be said", () -> robot.lookup("#shows").tryQuery().isPresent());
        robot.interact(() -> {
            @SuppressWarnings("unchecked")
            var places = (ChoiceBox<String>) robot.lookup("#shows").queryAs(ChoiceBox.class);
            places.setValue(places.getItems().stream().filter(p -> p.endsWith("/C")).findFirst().orElseThrow());
        });
        until("kept with it", () -> model.session().build().log().getLast().shows().filter(s -> s.endsWith("/C")).isPresent());
        until("lit beside it",
                () -> robot.lookup("#where").tryQueryAs(ImageView.class).filter(w -> w.getAccessibleText().endsWith("lit: C")).isPresent());
    }

    /** A label read, a value that cannot be, never again with its reason: all kept with the build. */
    @Test
    void whatALabelSaysStandsInPlaceOfTheCatalogue(FxRobot robot) {
        derived();
        robot.interact(() -> model.go(Page.LOG, "products"));
        until("the card of a product", () -> robot.lookup("#product").tryQuery().isPresent());
        robot.interact(() -> {
            @SuppressWarnings("unchecked")
            var products = (ChoiceBox<String>) robot.lookup("#product").queryAs(ChoiceBox.class);
            products.setValue("matt clear");
        });
        until("matt clear", () -> field(robot, "#label-tape_h").getText().equals("6"));
        type(robot, "#label-tape_h", "9.5");
        until("kept", () -> model.shop().coating("matt clear").tapeH() == 9.5);
        type(robot, "#label-tape_h", "a while");
        until("refused in words", () -> told().contains("tape after") && told().contains("between"));
        type(robot, "#label-tape_h", "99");
        until("told what contradicts it", () -> told().contains("cured through after 24"));
        assertThat(model.shop().coating("matt clear").tapeH()).isEqualTo(9.5);
        type(robot, "#label-tape_h", "");
        until("the catalogue again", () -> model.shop().coating("matt clear").tapeH() == 6);
        type(robot, "#never", "clouds in the cold");
        until("never again", () -> text(robot, ".finding > .label").contains("clouds in the cold"));
        robot.interact(() -> model.go(Page.PLAN, "plan"));
        until("told where it is planned", () -> text(robot, ".finding > .label").contains("never again matt clear"));
    }

    @Test
    void theBenchAsksHowMuchWentOn(FxRobot robot) {
        derived();
        robot.interact(frame::requestFocus);
        robot.type(KeyCode.B);
        until("bench mode", () -> robot.lookup(".bench-mode").tryQuery().isPresent());
        var used = model.derived().get(ShelfFigures.CONSUMED).orElseThrow();
        for (int i = 0; i < 60 && used.by(stepAtHand(robot)).isEmpty(); i++) robot.type(KeyCode.N);
        var task = stepAtHand(robot);
        assertThat(used.by(task)).as("a step that uses something").isNotEmpty();
        robot.type(KeyCode.D).type(KeyCode.DIGIT2);
        until("asked", () -> text(robot, ".bench-mode .label").contains("went on?"));
        robot.type(KeyCode.DIGIT3);
        until("noted with its task",
                () -> model.session()
                        .build()
                        .log()
                        .stream()
                        .anyMatch(e -> e.kind() == Entry.Kind.USED && e.task().equals(Optional.of(task))));
        until("it teaches", () -> Consumption.all(model.derived().get(PlanFigures.TASKS).orElseThrow().own())
                .containsKey(used.by(task).getFirst().product()));
    }

    /** The step shown, by its words and its prop. */
    private TaskId stepAtHand(FxRobot robot) {
        String name = robot.lookup(".bench-mode .huge").queryAs(Label.class).getText(), of = text(robot, ".bench-mode .label");
        return model.schedule()
                .orElseThrow()
                .next(60)
                .stream()
                .map(Schedule.Placed::task)
                .filter(t -> t.name().equals(name) && of.contains("\u00b7 " + t.prop()))
                .map(Task::id)
                .findFirst()
                .orElseThrow();
    }

    private static TextField field(FxRobot robot, String id) {
        return robot.lookup(id).queryAs(TextField.class);
    }

    @Test
    void zonesOfCoatsAndAreasOfStepsAreLitAtTheBench(FxRobot robot) {
        derived();
        robot.interact(frame::requestFocus);
        robot.type(KeyCode.B);
        until("bench mode", () -> robot.lookup(".bench-mode").tryQuery().isPresent());
        var zones = model.session().build().props().stream().flatMap(p -> p.colour().zones().stream()).map(ColourZone::name).toList();
        var lit = new HashSet<String>();
        var areas = new HashSet<String>();
        for (int i = 0; i < 60; i++) {
            var where = robot.lookup("#where").queryAs(ImageView.class);
            zones.stream().filter(z -> where.getAccessibleText().endsWith("lit: " + z)).forEach(lit::add);
            if (where.getAccessibleText().contains("steps") || where.getAccessibleText().contains("lines"))
                areas.add(where.getAccessibleText());
            robot.type(KeyCode.N);
        }
        assertThat(lit).as("coats of single zones among the next steps").isNotEmpty();
        assertThat(areas).as("areas of single steps of the ladder too").isNotEmpty();
    }

    @Test
    void aHeldKeyCountsOnce(FxRobot robot) {
        derived();
        robot.interact(frame::requestFocus);
        robot.type(KeyCode.B);
        until("bench mode", () -> robot.lookup(".bench-mode").tryQuery().isPresent());
        var bench = robot.lookup(".bench-mode").query();
        int done = model.session().build().log().size();
        String first = count(robot);
        robot.interact(() -> {
            for (int i = 0; i < 5; i++) Event.fireEvent(bench, key(KeyEvent.KEY_PRESSED, KeyCode.N));
        });
        assertThat(first).startsWith("step 1 of");
        assertThat(count(robot)).as("one step on").startsWith("step 2 of");
        robot.interact(() -> {
            Event.fireEvent(bench, key(KeyEvent.KEY_RELEASED, KeyCode.N));
            Event.fireEvent(bench, key(KeyEvent.KEY_PRESSED, KeyCode.N));
            Event.fireEvent(bench, key(KeyEvent.KEY_RELEASED, KeyCode.N));
        });
        assertThat(count(robot)).as("and one more once it was let go").startsWith("step 3 of");
        robot.interact(() -> {
            for (var k : List.of(KeyCode.D, KeyCode.DIGIT1, KeyCode.DIGIT1, KeyCode.DIGIT1))
                Event.fireEvent(bench, key(KeyEvent.KEY_PRESSED, k));
        });
        assertThat(model.session().build().log().size() - done).as("one question answered, not the next as well").isEqualTo(1);
    }

    private static String count(FxRobot robot) {
        return robot.lookup(".bench-mode .label")
                .queryAllAs(Label.class)
                .stream()
                .map(Label::getText)
                .filter(t -> t.startsWith("step "))
                .findFirst()
                .orElse("");
    }

    private static KeyEvent key(EventType<KeyEvent> type, KeyCode code) {
        return new KeyEvent(type, "", "", code, false, false, false, false);
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
