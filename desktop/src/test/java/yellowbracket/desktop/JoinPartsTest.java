package yellowbracket.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Slider;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;
import yellowbracket.demo.DemoBuild;
import yellowbracket.derive.join.JoinFigures;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.desktop.model.Page;
import yellowbracket.join.Apart;
import yellowbracket.join.Inner;
import yellowbracket.join.JoinOrder;
import yellowbracket.join.JoinPlan;
import yellowbracket.join.JoinWish;
import yellowbracket.join.SeamJoin;
import yellowbracket.log.Entry;
import yellowbracket.mesh.Vec3;

/** The join page: a product chosen, a hold clicked, a gap told, the order walked through, and all of it undone. */
class JoinPartsTest extends WindowTest {
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

    private JoinPlan plan() {
        return model.result(JoinFigures.JOINS).orElseThrow();
    }

    private void staff(FxRobot robot, String tab) {
        derived();
        robot.interact(() -> {
            model.choose("staff");
            model.go(Page.JOIN, tab);
        });
        derived();
    }

    @Test
    void aProductIsChosenAndTheReserveMovesWithTheHandlingAndAllIsUndone(FxRobot robot) {
        staff(robot, "seams");
        var before = model.shownProperty().get();
        var weakest = plan().joins().stream().min(java.util.Comparator.comparingDouble(SeamJoin::reserve)).orElseThrow();
        assertThat(text(robot, ".card .label")).contains("weakest seam", weakest.seam().name(), "hangs on it", "bonded");
        assertThat(text(robot, ".card .label")).as("a reason against each that is not proposed").contains("not: ");
        robot.interact(() -> {
            ChoiceBox<Optional<yellowbracket.shop.JoinProduct>> all = robot.lookup("#join-all").query();
            all.setValue(all.getItems()
                    .stream()
                    .filter(p -> p.filter(q -> q.name().equals("epoxy slow")).isPresent())
                    .findFirst()
                    .orElseThrow());
        });
        derived();
        assertThat(plan().joins()).allMatch(j -> j.product().name().equals("epoxy slow"));
        double slow = plan().join(weakest.seam().name()).reserve();
        type(robot, "#join-times", "12");
        until("rougher", () -> prop().join().times().equals(Optional.of(12.0)));
        derived();
        assertThat(plan().join(weakest.seam().name()).reserve()).isLessThan(slow);
        type(robot, "#join-times", "a lot");
        until("refused", () -> told().contains("handling \"a lot\": type times its weight"));
        assertThat(prop().join().times()).contains(12.0);
        robot.interact(() -> {
            model.undo();
            model.undo();
        });
        assertThat(model.shownProperty().get().props()).isEqualTo(before.props());
    }

    @Test
    void whereItIsHeldIsClickedAndTheReserveFollows(FxRobot robot) {
        staff(robot, "strength");
        assertThat(text(robot, ".card .label")).contains("section ", "when it is");
        var before = plan();
        robot.interact(() -> robot.lookup("#join-hold").queryAs(Button.class).fire());
        until("asks for a click", () -> robot.lookup("#join-hold").queryAs(Button.class).getText().contains("click"));
        hit(robot, new Vec3(0, 0, 20));
        until("held at the end", () -> prop().join().hold().isPresent());
        derived();
        double least = plan().joins().stream().mapToDouble(SeamJoin::reserve).min().orElseThrow(),
                had = before.joins().stream().mapToDouble(SeamJoin::reserve).min().orElseThrow();
        assertThat(least).as("all of it hangs on the lowest seam").isLessThan(had);
        assertThat(plan().joins()).anyMatch(j -> j.demand().words().equals("held in the hand"));
        robot.interact(model::undo);
        derived();
        assertThat(plan().joins().stream().mapToDouble(SeamJoin::reserve).min().orElseThrow()).isEqualTo(had);
    }

    @Test
    void aGapIsToldAndTheGlueFollows(FxRobot robot) {
        derived();
        robot.interact(() -> model.go(Page.JOIN, "dry fit"));
        derived();
        var seam = plan().steps().getFirst().seams().getFirst();
        String id = seam.replace('|', '-');
        type(robot, "#gap-" + id, "2.5");
        until("told", () -> prop().join().dryFit().containsKey(seam));
        derived();
        assertThat(prop().join().dryFit().get(seam)).isEqualTo(new JoinWish.DryFit(2.5, 0));
        assertThat(plan().join(seam).product().gapMm()).isGreaterThanOrEqualTo(2.5);
        assertThat(text(robot, ".card .label")).contains("fills what is left", "1 of ");
        type(robot, "#gap-" + id, "-3");
        until("refused", () -> told().contains("gap of " + seam + " \"-3\": type mm between 0 and 20"));
        assertThat(prop().join().dryFit().get(seam).gapMm()).isEqualTo(2.5);
        robot.interact(model::undo);
        assertThat(prop().join().dryFit()).isEmpty();
    }

    @Test
    void theOrderIsWalkedAndGoesByWhatIsAskedFor(FxRobot robot) {
        derived();
        robot.interact(() -> model.go(Page.JOIN, "order"));
        derived();
        int steps = plan().steps().size();
        assertThat(steps).isGreaterThan(1);
        for (var s : plan().steps()) assertThat(text(robot, ".card .label")).contains(s.words());
        Slider slider = robot.lookup("#order-step").query();
        for (int k = 1; k <= steps; k++) {
            int to = k;
            robot.interact(() -> slider.setValue(to));
            var last = plan().steps().get(k - 1).seams();
            until("step " + k, () -> text(robot, ".callout").contains(last.getFirst()) || text(robot, ".label").contains(last.getFirst()));
        }
        robot.interact(() -> {
            ChoiceBox<JoinOrder.Aim> aim = robot.lookup("#join-aim").query();
            aim.setValue(JoinOrder.Aim.FEWEST_AT_ONCE);
        });
        derived();
        assertThat(prop().join().aim()).isEqualTo(JoinOrder.Aim.FEWEST_AT_ONCE);
        assertThat(plan().steps()).hasSize(steps);
    }

    @Test
    void whatBrokeIsToldAndMendingItBecomesATask(FxRobot robot) {
        staff(robot, "repairs");
        int before = model.shownProperty().get().log().size();
        assertThat(text(robot, ".card .label")).contains("nothing has broken so far");
        robot.interact(() -> robot.lookup("#broke").queryAs(Button.class).fire());
        derived();
        assertThat(model.shownProperty().get().log()).hasSize(before + 1);
        assertThat(model.shownProperty().get().log().getLast().kind()).isEqualTo(Entry.Kind.BROKE);
        until("the recipe", () -> text(robot, ".card .label").contains("scrape the old glue off"));
        var task = model.ofBuild(PlanFigures.TASKS).orElseThrow().list().stream().filter(t -> t.name().startsWith("mend seam")).findFirst();
        assertThat(task).isPresent();
        press(robot, "mended");
        derived();
        until("mended", () -> text(robot, ".card .label").contains(", mended"));
        robot.interact(() -> {
            model.undo();
            model.undo();
        });
        derived();
        until("as before", () -> text(robot, ".card .label").contains("nothing has broken so far"));
    }

    @Test
    void stepsChangePlacesAndTheProposedOrderComesBack(FxRobot robot) {
        derived();
        robot.interact(() -> model.go(Page.JOIN, "order"));
        derived();
        var before = plan().steps().stream().map(JoinPlan.Step::seams).toList();
        assertThat(robot.lookup("#join-tree").queryAll()).hasSize(1);
        assertThat(robot.lookup("#step-earlier").queryAs(Button.class).isDisabled()).isTrue();
        robot.interact(() -> robot.lookup("#step-later").queryAs(Button.class).fire());
        derived();
        assertThat(prop().join().order()).hasSize(before.size());
        assertThat(plan().steps().getFirst().seams()).contains(before.get(1).getFirst());
        until("told as one's own", () -> text(robot, ".card .label").contains("your own"));
        robot.interact(() -> robot.lookup("#order-proposed").queryAs(Button.class).fire());
        derived();
        assertThat(plan().steps().stream().map(JoinPlan.Step::seams).toList()).isEqualTo(before);
    }

    @Test
    void aSeamIsToComeOffAndAnotherGetsStrips(FxRobot robot) {
        derived();
        robot.interact(() -> model.go(Page.JOIN, "seams"));
        derived();
        var seam = plan().joins().stream().min(java.util.Comparator.comparingDouble(SeamJoin::reserve)).orElseThrow().seam().name();
        robot.interact(() -> {
            ChoiceBox<Optional<Inner.Kind>> inner = robot.lookup("#join-inner").query();
            inner.setValue(Optional.of(Inner.Kind.STRIPS));
        });
        derived();
        assertThat(plan().join(seam).besides().inner()).isPresent();
        until("told", () -> text(robot, ".card .label").contains("glued over it from inside"));
        assertThat(text(robot, ".card .label")).contains("aligned by", "left to finish", "on the shelf");
        robot.interact(() -> {
            ChoiceBox<Optional<Apart>> apart = robot.lookup("#join-apart").query();
            apart.setValue(Optional.of(Apart.COMES_OFF));
        });
        derived();
        assertThat(plan().join(seam).glued()).isFalse();
        until("kept dry", () -> text(robot, ".card .label").contains("both faces stay free of glue"));
        robot.interact(() -> {
            model.undo();
            model.undo();
        });
        assertThat(prop().join()).isEqualTo(JoinWish.NONE.withProducts(prop().join().products()));
    }

    @Test
    void theBrokenPlaceIsClickedAndTheRecipeGoesByIt(FxRobot robot) {
        staff(robot, "repairs");
        robot.interact(() -> robot.lookup("#broke-here").queryAs(Button.class).fire());
        until("asks for a click", () -> robot.lookup("#broke-here").queryAs(Button.class).getText().equals("click where it broke"));
        hit(robot, new Vec3(0, 0, 120));
        until("noted", () -> model.shownProperty().get().log().getLast().kind() == Entry.Kind.BROKE);
        derived();
        assertThat(model.shownProperty().get().log().getLast().place()).isPresent();
        until("the recipe", () -> text(robot, ".card .label").contains("fit the halves together dry"));
        var mend = model.result(JoinFigures.MENDS).orElseThrow().list().getFirst();
        assertThat(mend.what()).matches("section [A-Z]+ (at a thin neck|between layers|through a thin wall|across the print)");
    }
}
