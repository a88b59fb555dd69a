package yellowbracket.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.SubScene;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;
import yellowbracket.demo.DemoBuild;
import yellowbracket.derive.smooth.SmoothFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.Page;
import yellowbracket.mesh.Vec3;
import yellowbracket.smooth.Flaw;
import yellowbracket.smooth.Rounds;
import yellowbracket.smooth.School;
import yellowbracket.smooth.SmoothPlan;
import yellowbracket.smooth.Target;

/** The smooth page: places picked by brush, the ladder walked, a batch weighed, flaws marked over two rounds, and all of it undone. */
class SmoothPartsTest extends WindowTest {
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

    private SmoothPlan plan() {
        return model.result(SmoothFigures.SMOOTH).orElseThrow();
    }

    private Rounds rounds() {
        return model.result(SmoothFigures.ROUNDS).orElseThrow();
    }

    private void show(FxRobot robot, String tab) {
        derived();
        robot.interact(() -> model.go(Page.SMOOTH, tab));
        until("the page",
                () -> robot.lookup(".card .label").queryAllAs(Label.class).stream().noneMatch(l -> l.getText().contains("working"))
                        && model.fresh(SmoothFigures.ROUNDS) && model.fresh(SmoothFigures.LOST));
    }

    private <T> void choose(FxRobot robot, String id, T value) {
        robot.interact(() -> {
            ChoiceBox<T> box = robot.lookup(id).query();
            box.setValue(value);
        });
    }

    /** Draws along some places of the model with the brush that lies on it. */
    private void brush(FxRobot robot, List<Vec3> at) {
        robot.interact(() -> bench().lookupAll("*")
                .stream()
                .filter(n -> n instanceof SubScene s && s.isVisible())
                .flatMap(n -> ((SubScene) n).getRoot().lookupAll("*").stream())
                .map(Node::getUserData)
                .filter(Bench.Brush.class::isInstance)
                .map(Bench.Brush.class::cast)
                .findFirst()
                .orElseThrow()
                .done()
                .accept(at, false));
    }

    /** A worked place of the prop, in the model's own mm. */
    private Vec3 place(int n) {
        var worked = model.result(SmoothFigures.MAP).orElseThrow().worked();
        return worked.get(n * 97 % worked.size()).at().times(1 / prop().scale());
    }

    @Test
    void aPlaceIsPaintedAndAnAreaSetAndTheWorkFollows(FxRobot robot) {
        show(robot, "areas");
        var before = plan();
        assertThat(text(robot, ".card .label")).contains("nine tenths are finer");
        choose(robot, "#brush-target", Target.LEAVE);
        type(robot, "#brush-radius", "60");
        robot.interact(() -> robot.lookup("#smooth-brush").queryAs(ToggleButton.class).fire());
        brush(robot, List.of(place(1), place(2)));
        until("painted", () -> prop().smooth().strokes().size() == 1);
        assertThat(prop().smooth().strokes().getFirst().radiusMm()).isEqualTo(60);
        derived();
        assertThat(plan().areas().totalMm2()).as("what is left alone costs nothing").isLessThan(before.areas().totalMm2());
        assertThat(plan().hours()).isLessThan(before.hours());
        type(robot, "#brush-radius", "wide");
        until("refused", () -> told().contains("radius of the brush \"wide\": type mm between 1 and 200"));
        robot.interact(model::undo);
        derived();
        assertThat(plan().areas().totalMm2()).isEqualTo(before.areas().totalMm2());
        robot.interact(() -> robot.lookup("#smooth-brush").queryAs(ToggleButton.class).fire());
        hit(robot, place(3));
        until("cut open", () -> robot.lookup("#profile").tryQuery().isPresent());
        assertThat(text(robot, ".card .label")).contains("of solid print beneath");
        for (var shows : Set.of(1, 2, 3)) robot.interact(() -> {
            ChoiceBox<Object> box = robot.lookup("#smooth-shows").query();
            box.setValue(box.getItems().get(shows));
        });
        assertThat(text(robot, ".legend-title")).isNotBlank();
    }

    @Test
    void aSchoolIsTakenAndTheLadderWalked(FxRobot robot) {
        show(robot, "ladder");
        assertThat(text(robot, ".card .label")).contains("why:", "stop when:", "not planned, and why", "boiling solvent vapour",
                "Instead:");
        Slider slider = robot.lookup("#ladder-step").query();
        int steps = plan().work().size();
        assertThat(slider.getMax()).isEqualTo(steps);
        var seen = new java.util.HashSet<String>();
        for (int k = 0; k <= steps; k++) {
            int to = k;
            robot.interact(() -> slider.setValue(to));
            seen.add(robot.lookup("#ladder-told").queryAs(Label.class).getText());
        }
        assertThat(seen).as("each step says what it leaves").hasSize(steps + 1);
        assertThat(robot.lookup("#profile").tryQuery()).isPresent();
        var before = model.shownProperty().get();
        robot.interact(() -> robot.lookup("#has-sander").queryAs(CheckBox.class).fire());
        until("a sander", () -> prop().smooth().means().machine());
        derived();
        assertThat(plan().work()).anyMatch(w -> w.tool().contains("sander"));
        robot.interact(model::undo);
        robot.interact(
                () -> model.apply(yellowbracket.document.Edit.smoothing("school", prop().id(), w -> w.withSchool(School.UV_RESIN_FIRST))));
        derived();
        assertThat(plan().work()).anyMatch(w -> w.step().product().equals("brush-on UV resin"));
        robot.interact(model::undo);
        assertThat(model.shownProperty().get().props()).isEqualTo(before.props());
        type(robot, "#print-colour", "mauve");
        until("refused", () -> told().contains("type it as #8f9499"));
    }

    @Test
    void whatWasPouredDecidesTheHardener(FxRobot robot) {
        show(robot, "mix");
        assertThat(text(robot, ".card .label")).contains("two-part polyester filler, seams", "pot life", "leftovers");
        String id = "#poured-seams-two-part-polyester-filler";
        type(robot, id, "120");
        var belongs = plan().seamFiller().orElseThrow().poured(120);
        until("told", () -> robot.lookup(id + "-said").queryAs(Label.class).getText().contains("belongs to it"));
        assertThat(robot.lookup(id + "-said").queryAs(Label.class).getText())
                .startsWith(String.format(java.util.Locale.ROOT, "%.1f g", belongs.hardener()));
        type(robot, id, "none");
        until("refused", () -> told().contains("base in the cup \"none\": type g between"));
        choose(robot, "#scale-step", 5.0);
        until("a coarse scale", () -> prop().smooth().means().scaleG() == 5);
        derived();
        assertThat(plan().findings()).anyMatch(f -> f.words().contains("cannot be measured to 5 g"));
        answer(dir);
        robot.interact(() -> robot.lookup("#labels").queryAs(Button.class).fire());
        until("labels", () -> dir.resolve("labels.pdf").toFile().length() > 0);
    }

    @Test
    void aBatchIsWeighedAtTheBench(FxRobot robot) {
        derived();
        robot.interact(frame::requestFocus);
        robot.type(KeyCode.B);
        until("bench mode", () -> robot.lookup(".bench-mode").tryQuery().isPresent());
        for (int i = 0; i < 60 && robot.lookup("#mix-pane").tryQuery().isEmpty(); i++) robot.type(KeyCode.N);
        assertThat(robot.lookup("#mix-pane").tryQuery()).as("a step that is mixed").isPresent();
        robot.type(KeyCode.W);
        for (int i = 0; i < 9; i++) robot.type(KeyCode.X);
        until("it settles on the base", () -> {
            robot.interact(() -> robot.lookup("#mix-pane .button").queryAllAs(Button.class).iterator().next().fire());
            return text(robot, "#mix-pane .label").contains("hardener;");
        });
        robot.interact(() -> robot.lookup("#weighed").query().requestFocus());
        robot.write("900").type(KeyCode.ENTER);
        until("too much", () -> text(robot, "#mix-pane .label").contains("too much: add"));
        robot.write("lots").type(KeyCode.ENTER);
        until("refused", () -> text(robot, "#mix-pane .label").contains("is no weight"));
        assertThat(timers.running()).isEmpty();
        robot.type(KeyCode.ESCAPE);
        until("left", () -> robot.lookup(".bench-mode").tryQuery().isEmpty());
    }

    @Test
    void flawsAreMarkedOverTwoRoundsAndTheForecastMoves(FxRobot robot) {
        show(robot, "rounds");
        var before = model.shownProperty().get();
        assertThat(text(robot, ".card .label")).contains("what others need");
        robot.interact(() -> robot.lookup("#next-round").queryAs(Button.class).fire());
        until("round 1", () -> prop().smooth().looks().size() == 1);
        choose(robot, "#flaw-kind", Flaw.Kind.PINHOLE);
        for (int i = 0; i < 4; i++) {
            int n = i + 1;
            until("a brush lies on it", () -> robot.lookup("#mark-flaws").tryQuery().isPresent());
            brush(robot, List.of(place(10 * i)));
            until("marked", () -> prop().smooth().flaws().size() == n);
        }
        until("counted", () -> model.fresh(SmoothFigures.ROUNDS) && rounds().open() == 4);
        var first = rounds();
        assertThat(first.hidden()).isPositive();
        assertThat(prop().smooth().flaws()).allMatch(f -> f.kind() == Flaw.Kind.PINHOLE && f.found() == 1);
        until("written", () -> text(robot, ".card .label").contains("4 to mend, in walking order"));
        robot.interact(() -> robot.lookup("#next-round").queryAs(Button.class).fire());
        until("round 2", () -> prop().smooth().looks().size() == 2);
        until("they can be gone", () -> robot.lookup("#all-cleared").tryQuery().filter(b -> !b.isDisabled()).isPresent());
        robot.interact(() -> robot.lookup("#all-cleared").queryAs(Button.class).fire());
        until("gone", () -> model.fresh(SmoothFigures.ROUNDS) && rounds().open() == 0);
        assertThat(rounds().left().median()).isLessThanOrEqualTo(first.left().median());
        assertThat(rounds().hidden()).as("nothing new was found").isLessThan(first.hidden());
        assertThat(rounds().counts()).extracting(Rounds.Count::cleared).containsExactly(0, 4);
        robot.interact(() -> {
            for (int i = 0; i < 7; i++) model.undo();
        });
        assertThat(model.shownProperty().get().props()).isEqualTo(before.props());
    }

    @Test
    void theSkinTellsWhereAMachineMayGo(FxRobot robot) {
        show(robot, "skin");
        assertThat(text(robot, ".card .label")).contains("least left", "of solid print over the infill", "softens");
        assertThat(text(robot, ".legend-title")).contains("solid print left");
    }
}
