package yellowbracket.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.DayOfWeek;
import java.time.LocalTime;
import java.util.List;
import java.util.concurrent.atomic.AtomicReference;
import javafx.geometry.Point2D;
import javafx.geometry.VerticalDirection;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;
import yellowbracket.demo.DemoBuild;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.theme.Role;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.derive.plan.ShelfFigures;
import yellowbracket.document.Edit;
import yellowbracket.document.Question;
import yellowbracket.plan.PlanWish;
import yellowbracket.plan.Schedule;
import yellowbracket.plan.WorkHours;
import yellowbracket.shop.StockItem;
import yellowbracket.work.Task;

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
        var next = model.schedule().orElseThrow().next(4).stream().map(Schedule.Placed::task).toList();
        var first = next.stream().filter(t -> t.resource() != Task.Resource.PRINTER).findFirst().orElseThrow();
        String took = "#took-" + next.indexOf(first);
        type(robot, took, "-1");
        until("refused", () -> told().contains("hours for"));
        type(robot, took, "2.5");
        until("noted", () -> model.session().build().log().size() == before + 1);
        var entry = model.session().build().log().getLast();
        assertThat(entry.hours()).isEqualTo(2.5);
        assertThat(entry.planned().orElseThrow()).isCloseTo(first.activeH(), within(0.01));
        derived();
        assertThat(model.schedule().orElseThrow().placed(first.id()).orElseThrow().done()).isTrue();
    }

    private static Node board(FxRobot robot) {
        return robot.lookup("#board").query();
    }

    @Test
    void theBoardShowsTimeAndIsMovedByKeysAndWheel(FxRobot robot) {
        derived();
        robot.interact(() -> model.go(Page.PLAN, "plan"));
        until("the board", () -> robot.lookup("#board").tryQuery().isPresent());
        assertThat(bench().showsPicture()).isTrue();
        robot.interact(() -> board(robot).requestFocus());
        robot.type(KeyCode.HOME);
        var all = pixels(robot, board(robot));
        robot.type(KeyCode.EQUALS).type(KeyCode.EQUALS).type(KeyCode.EQUALS);
        var near = pixels(robot, board(robot));
        assertThat(near).as("nearer by").isNotEqualTo(all);
        robot.type(KeyCode.RIGHT);
        assertThat(pixels(robot, board(robot))).as("later").isNotEqualTo(near);
        robot.type(KeyCode.HOME);
        assertThat(pixels(robot, board(robot))).as("all of it again").isEqualTo(all);
        robot.moveTo(board(robot)).scroll(3, VerticalDirection.UP);
        assertThat(pixels(robot, board(robot))).as("by the wheel").isNotEqualTo(all);
        robot.interact(() -> model.pageProperty().set(Page.SIZE));
        until("the model again", () -> !bench().showsPicture());
    }

    private PlanWish wish() {
        return model.shownProperty().get().plan();
    }

    @Test
    void aTaskIsPickedByKeysPinnedLeftOutAndAddedTo(FxRobot robot) {
        derived();
        robot.interact(() -> model.go(Page.PLAN, "tasks"));
        until("the board", () -> robot.lookup("#board").tryQuery().isPresent());
        robot.interact(() -> robot.lookup("#board").query().requestFocus());
        robot.type(KeyCode.PERIOD);
        until("picked", () -> robot.lookup("#pin-at").tryQuery().isPresent());
        var first = model.schedule().orElseThrow().next(1).getFirst();
        type(robot, "#pin-at", "soon");
        until("refused", () -> told().contains("\"soon\" is no moment"));
        var day = first.start().plusDays(2).toLocalDate();
        type(robot, "#pin-at", day + " 12:00");
        until("pinned", () -> day.atTime(12, 0).equals(wish().pins().get(first.task().id())));
        derived();
        assertThat(model.schedule().orElseThrow().placed(first.task().id()).orElseThrow().start()).isAfterOrEqualTo(day.atTime(12, 0));
        press(robot, "unpin");
        until("unpinned", () -> wish().pins().isEmpty());
        derived();
        robot.interact(() -> model.go(Page.PLAN, "tasks"));
        type(robot, "#own-name", "  ");
        until("refused", () -> told().contains("name what is to be done"));
        type(robot, "#own-name", "glue the crest on");
        until("added", () -> wish().own().size() == 1);
        derived();
        var own = wish().own().getFirst();
        assertThat(model.schedule().orElseThrow().placed(own.id())).isPresent();
        until("picked", () -> text(robot, ".button").contains("take it out"));
        press(robot, "take it out");
        until("gone", () -> wish().own().isEmpty());
    }

    /** Somewhere on the first bar of work by hand, in the board's own pixels. */
    private static Point2D bar(FxRobot robot) {
        var image = new AtomicReference<WritableImage>();
        robot.interact(() -> image.set(board(robot).snapshot(null, null)));
        var hands = Role.GOOD.colour(false);
        for (int x = 0; x < image.get().getWidth(); x++) for (int y = 0; y < image.get().getHeight(); y++) {
            var c = image.get().getPixelReader().getColor(x, y);
            double off = Math.abs(c.getRed() - hands.getRed()) + Math.abs(c.getGreen() - hands.getGreen())
                    + Math.abs(c.getBlue() - hands.getBlue());
            if (off < 0.02) return new Point2D(x + 1, y + 4);
        }
        throw new AssertionError("no work by hand on the board");
    }

    @Test
    void aBarIsDraggedToWhereItIsPinnedByMouseAndByKeys(FxRobot robot) {
        derived();
        robot.interact(() -> model.go(Page.PLAN, "plan"));
        until("the board", () -> robot.lookup("#board").tryQuery().isPresent());
        robot.interact(() -> board(robot).requestFocus());
        robot.type(KeyCode.HOME);
        var at = board(robot).localToScreen(bar(robot));
        robot.moveTo(at).press(MouseButton.PRIMARY).moveBy(60, 0).moveBy(60, 0).release(MouseButton.PRIMARY);
        until("pinned where it was dropped", () -> wish().pins().size() == 1);
        var dragged = wish().pins().entrySet().iterator().next();
        assertThat(dragged.getValue()).as("days later").isAfter(model.now().plusDays(1));
        derived();
        assertThat(model.schedule().orElseThrow().placed(dragged.getKey()).orElseThrow().start()).isAfterOrEqualTo(dragged.getValue());
        robot.interact(() -> model.apply(Edit.plan("unpin", w -> w.unpinned(dragged.getKey()))));
        derived();
        robot.interact(() -> board(robot).requestFocus());
        robot.type(KeyCode.PERIOD);
        until("picked", () -> robot.lookup("#pin-at").tryQuery().isPresent());
        robot.interact(() -> board(robot).requestFocus());
        robot.press(KeyCode.SHIFT).type(KeyCode.RIGHT).release(KeyCode.SHIFT);
        until("an hour later", () -> wish().pins().size() == 1);
        var first = wish().pins().entrySet().iterator().next();
        robot.interact(() -> model.apply(Edit.plan("unpin", w -> w.unpinned(first.getKey()))));
    }

    @Test
    void somebodyHelpsAndIsSeenOnTheBoard(FxRobot robot) {
        derived();
        var alone = finish();
        robot.interact(() -> model.go(Page.PLAN, "help"));
        until("the form", () -> robot.lookup("#helper-name").tryQuery().isPresent());
        type(robot, "#helper-name", "Tove");
        until("refused", () -> told().contains("are no hours"));
        type(robot, "#helper-name", "Tove");
        type(robot, "#helper-hours", "sat 10-16, sun 10-14");
        until("added", () -> wish().helpers().size() == 1);
        derived();
        assertThat(finish()).as("no later with help").isBeforeOrEqualTo(alone);
        assertThat(model.schedule().orElseThrow().placed()).as("Tove does something").anyMatch(p -> p.who().equals("Tove"));
        type(robot, "#sitting", "2");
        until("refused", () -> told().contains("dust or fine work"));
        type(robot, "#quiet", "20-8");
        until("quiet", () -> wish().rules().quiet().isPresent());
        type(robot, "#quiet", "always");
        until("refused", () -> told().contains("are no quiet hours"));
    }

    @Test
    void aLatePlanTellsWhatToDropAndTakesIt(FxRobot robot) {
        derived();
        var end = model.schedule().orElseThrow().finish();
        robot.interact(() -> model.apply(new Edit("sooner", b -> b.withDue(b.event(), end.minusHours(6)))));
        derived();
        robot.interact(() -> model.go(Page.PLAN, "late"));
        until("what to drop",
                () -> model.derived().get(PlanFigures.DROPS).isPresent() && robot.lookup("#baseline-name").tryQuery().isPresent());
        type(robot, "#baseline-name", "with everything");
        until("kept", () -> wish().baselines().size() == 1);
        derived();
        var drop = model.derived().get(PlanFigures.DROPS).orElseThrow().list().getFirst();
        robot.interact(() -> robot.lookup(".alt")
                .queryAllAs(javafx.scene.control.ToggleButton.class)
                .stream()
                .filter(b -> drop.words().equals(b.getAccessibleText()))
                .findFirst()
                .orElseThrow()
                .fire());
        until("left out", () -> !wish().left().isEmpty());
        derived();
        assertThat(finish()).as("won").isBeforeOrEqualTo(end);
        assertThat(wish().baselines().getFirst().finish()).isEqualTo(end);
    }

    @Test
    void whatToBuyIsToldByShopWithTheDayToOrder(FxRobot robot) {
        derived();
        until("worked out", () -> model.derived().get(ShelfFigures.SHOPPING).isPresent());
        robot.interact(() -> model.go(Page.PLAN, "buy"));
        until("shown", () -> text(robot, ".section-title").contains("hardware shop"));
        var list = model.derived().get(ShelfFigures.SHOPPING).orElseThrow().list();
        assertThat(list).isNotEmpty().allSatisfy(b -> assertThat(b.orderBy()).isBeforeOrEqualTo(b.shortOn()));
        var first = list.getFirst();
        robot.interact(() -> model
                .note("used 1 " + (first.line().unit().equals("cans") ? "can" : first.line().unit()) + " " + first.line().name()));
        assertThat(model.session().build().log().getLast().used()).isPresent();
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
