package yellowbracket.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.DayOfWeek;
import java.time.LocalTime;
import java.util.List;
import javafx.geometry.VerticalDirection;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;
import yellowbracket.demo.DemoBuild;
import yellowbracket.desktop.model.Page;
import yellowbracket.document.Question;
import yellowbracket.plan.WorkHours;
import yellowbracket.shop.StockItem;

/** Working hours, warmth, shelf and beds: asked once, changed where one finds them, silly values refused. */
class PlanPartsTest extends WindowTest {
    @Override
    DemoBuild first() {
        var demo = lightDemo();
        return new DemoBuild(demo.build().withSeed(7).withSettled(List.of()), demo.meshes());
    }

    @Start
    void start(Stage stage) {
        open(stage);
    }

    @Stop
    void end() {
        close();
    }

    private List<WorkHours.Span> on(DayOfWeek day) {
        return model.shownProperty().get().hours().spans().stream().filter(s -> s.day() == day).toList();
    }

    @Test
    void hoursAreAskedForOnceAndChangedByDay(FxRobot robot) {
        derived();
        robot.interact(() -> model.pageProperty().set(Page.PLAN));
        until("asked", () -> text(robot, ".asked .label").contains("when do you work?"));
        robot.interact(() -> robot.lookup("#change-hours").queryAs(Button.class).fire());
        until("the hours", () -> robot.lookup("#hours-monday").tryQuery().isPresent());
        var before = finish();
        type(robot, "#hours-monday", "9-12, 14-18");
        until("taken", () -> on(DayOfWeek.MONDAY).size() == 2);
        assertThat(on(DayOfWeek.MONDAY).get(1).to()).isEqualTo(LocalTime.of(18, 0));
        assertThat(model.shownProperty().get().asks(Question.HOURS)).as("said").isFalse();
        derived();
        assertThat(finish()).as("more hours, no later").isBeforeOrEqualTo(before);
        type(robot, "#hours-monday", "whenever");
        until("refused", () -> told().contains("\"whenever\" is no span of hours"));
        assertThat(on(DayOfWeek.MONDAY)).hasSize(2);
        type(robot, "#celsius", "15");
        until("cooler", () -> model.shownProperty().get().shopCelsius() == 15);
        type(robot, "#celsius", "500");
        until("refused", () -> told().contains("warmth of the shop"));
        robot.interact(() -> model.go(Page.PLAN, "plan"));
        until("not asked again", () -> !text(robot, ".asked .label").contains("when do you work?"));
    }

    @Test
    void theShelfIsCountedAndUsedUp(FxRobot robot) {
        derived();
        var first = model.shownProperty().get().stock().getFirst();
        robot.interact(() -> model.go(Page.PLAN, "shelf"));
        until("the shelf", () -> robot.lookup("#stock-0").tryQuery().isPresent());
        type(robot, "#stock-0", "77");
        until("counted", () -> model.shownProperty().get().stock().contains(new StockItem(first.name(), 77, first.unit())));
        type(robot, "#stock-0", "-3");
        until("refused", () -> told().contains(first.name()));
        assertThat(model.shownProperty().get().stock().getFirst().amount()).isEqualTo(77);
    }

    @Test
    void aPrinterOfOnesOwnHasItsOwnBed(FxRobot robot) {
        derived();
        robot.interact(() -> model.go(Page.PRINT, "printers"));
        until("the printers", () -> robot.lookup("#printer-name").tryQuery().isPresent());
        type(robot, "#printer-name", "attic");
        until("added", () -> model.shownProperty().get().printers().stream().anyMatch(p -> p.name().equals("attic")));
        assertThat(model.shownProperty().get().asks(Question.PRINTERS)).isFalse();
        until("its bed", () -> robot.lookup("#bed-x-attic").tryQuery().isPresent());
        type(robot, "#bed-x-attic", "310");
        until("wider", () -> model.shownProperty().get().printers().stream().anyMatch(p -> p.name().equals("attic") && p.bedX() == 310));
        type(robot, "#bed-x-attic", "1e300");
        until("refused", () -> told().contains("bed of attic in x"));
        type(robot, "#printer-name", "attic");
        until("refused", () -> told().contains("attic is there already"));
    }

    @Test
    void doneAsksForHoursAndTheyTeach(FxRobot robot) {
        derived();
        robot.interact(() -> model.pageProperty().set(Page.PLAN));
        until("latest starts", () -> text(robot, ".section-title").contains("what holds the day"));
        int before = model.session().build().log().size();
        robot.interact(() -> robot.lookup(".button")
                .queryAllAs(Button.class)
                .stream()
                .filter(b -> b.getText().equals("done"))
                .findFirst()
                .orElseThrow()
                .fire());
        until("asked", () -> told().contains("how many hours did it take?"));
        assertThat(model.session().build().log()).hasSize(before);
        type(robot, "#took-0", "-1");
        until("refused", () -> told().contains("hours for"));
        var first = model.schedule().orElseThrow().next(1).getFirst().task();
        type(robot, "#took-0", "2.5");
        until("noted", () -> model.session().build().log().size() == before + 1);
        var entry = model.session().build().log().getLast();
        assertThat(entry.hours()).isEqualTo(2.5);
        assertThat(entry.planned().orElseThrow()).isCloseTo(first.activeH(), within(0.01));
        derived();
        assertThat(model.schedule().orElseThrow().placed(first.id()).orElseThrow().done()).isTrue();
    }

    @Test
    void theBoardShowsTimeAndIsMovedByKeysAndWheel(FxRobot robot) {
        derived();
        robot.interact(() -> model.pageProperty().set(Page.PLAN));
        until("the board", () -> robot.lookup("#board").tryQuery().isPresent());
        assertThat(bench().showsPicture()).isTrue();
        Node board = robot.lookup("#board").query();
        robot.interact(board::requestFocus);
        var all = pixels(robot, board);
        robot.type(KeyCode.EQUALS).type(KeyCode.EQUALS).type(KeyCode.EQUALS);
        var near = pixels(robot, board);
        assertThat(near).as("nearer by").isNotEqualTo(all);
        robot.type(KeyCode.RIGHT);
        assertThat(pixels(robot, board)).as("later").isNotEqualTo(near);
        robot.type(KeyCode.HOME);
        assertThat(pixels(robot, board)).as("all of it again").isEqualTo(all);
        robot.moveTo(board).scroll(3, VerticalDirection.UP);
        assertThat(pixels(robot, board)).as("by the wheel").isNotEqualTo(all);
        robot.interact(() -> model.pageProperty().set(Page.SIZE));
        until("the model again", () -> !bench().showsPicture());
    }

    /** What is painted, as a sum that any change changes. */
    private static long pixels(FxRobot robot, Node of) {
        var sum = new long[1];
        robot.interact(() -> {
            var image = of.snapshot(null, null);
            for (int y = 0; y < image.getHeight(); y += 2)
                for (int x = 0; x < image.getWidth(); x++) sum[0] = 31 * sum[0] + image.getPixelReader().getArgb(x, y);
        });
        return sum[0];
    }
}
