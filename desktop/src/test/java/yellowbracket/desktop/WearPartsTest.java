package yellowbracket.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.regex.Pattern;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;
import yellowbracket.cut.RegistrationKind;
import yellowbracket.demo.DemoBuild;
import yellowbracket.derive.Figure;
import yellowbracket.derive.wear.WearFigures;
import yellowbracket.desktop.bench.ViewPicture;
import yellowbracket.desktop.model.Page;
import yellowbracket.document.Edit;
import yellowbracket.join.Apart;
import yellowbracket.mesh.Vec3;
import yellowbracket.size.Zone;
import yellowbracket.wear.day.WalkTest;
import yellowbracket.wear.pad.PadPlan;
import yellowbracket.wear.panel.PanelWish;

/** The wear page: a try-on told, a visor written and measured, poles shown, a bath timed, a walk test logged, and silly input at each. */
class WearPartsTest extends WindowTest {
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

    private void go(FxRobot robot, String tab, Figure<?> wanted) {
        derived();
        robot.interact(() -> model.go(Page.WEAR, tab));
        until(wanted.name(), () -> model.fresh(wanted));
        robot.interact(() -> {});
    }

    private double back() {
        return model.result(WearFigures.PADS)
                .orElseThrow()
                .sets()
                .getFirst()
                .pads()
                .stream()
                .filter(p -> p.zone() == Zone.BACK)
                .mapToDouble(PadPlan.Pad::thicknessMm)
                .sum();
    }

    private void fire(FxRobot robot, String id) {
        steadily(() -> {
            Button b = robot.lookup(id).query();
            robot.interact(b::fire);
        });
    }

    private void set(FxRobot robot, String id, String words) {
        steadily(() -> {
            TextField f = robot.lookup(id).query();
            robot.interact(() -> f.setText(words));
        });
    }

    @Test
    void aTryOnChangesTheSetAndIsUndone(FxRobot robot) {
        go(robot, "pads", WearFigures.PADS);
        double before = back();
        var shown = model.shownProperty().get();

        set(robot, "#pad-mm", "much");
        fire(robot, "#pad-tell");
        assertThat(model.shownProperty().get()).as("a silly number changes nothing").isEqualTo(shown);
        set(robot, "#pad-mm", "5");
        fire(robot, "#pad-tell");
        until("the set is changed", () -> model.fresh(WearFigures.PADS) && back() < before);

        assertThat(model.shownProperty().get().log().getLast().text()).isEqualTo("pads helm Maren tight back 5.0 mm");
        robot.interact(() -> model.undo());
        until("as before", () -> model.fresh(WearFigures.PADS) && back() == before);
    }

    @Test
    void theVisorIsClosedWrittenAndMeasured(FxRobot robot) throws Exception {
        go(robot, "visor", WearFigures.VIEWS);
        var p = model.result(WearFigures.VISOR).orElseThrow().panel("front").orElseThrow();
        var folder = dir.resolve("out");
        answer(folder);
        fire(robot, "#visor-files");
        until("the pattern is written", () -> Files.exists(folder.resolve("visor-front.svg")) && Files.exists(folder.resolve("visor.pdf")));
        var wide = Pattern.compile("width=\"([0-9.]+)mm\" height=\"([0-9.]+)mm\"")
                .matcher(Files.readString(folder.resolve("visor-front.svg")));
        assertThat(wide.find()).isTrue();
        assertThat(Double.parseDouble(wide.group(1))).isCloseTo(p.wideMm(), within(0.01));
        assertThat(Double.parseDouble(wide.group(2))).isCloseTo(p.highMm(), within(0.01));

        double seen = model.result(WearFigures.VIEWS).orElseThrow().list().getFirst().through().seenShare();
        steadily(() -> {
            ChoiceBox<Object> sheet = robot.lookup("#panel-sheet").query();
            robot.interact(() -> sheet.setValue(sheet.getItems()
                    .stream()
                    .filter(s -> sheet.getConverter().toString(s).startsWith("dark smoke"))
                    .findFirst()
                    .orElseThrow()));
        });
        until("it is darker", () -> model.fresh(WearFigures.VIEWS)
                && model.result(WearFigures.VIEWS).orElseThrow().list().getFirst().through().seenShare() < seen);
        steadily(() -> {
            ToggleButton look = robot.lookup("#look-through").query();
            robot.interact(look::fire);
        });
        until("the view through it", () -> bench().lookupAll("*").stream().anyMatch(n -> n instanceof ViewPicture));
        steadily(() -> {
            ChoiceBox<PanelWish.Kind> kind = robot.lookup("#panel-kind").query();
            robot.interact(() -> kind.setValue(PanelWish.Kind.OPEN));
        });
        until("nothing closes it",
                () -> model.fresh(WearFigures.VISOR) && model.result(WearFigures.VISOR).orElseThrow().panels().isEmpty());
    }

    @Test
    void polesAreShownForAJointThatComesOff(FxRobot robot) {
        derived();
        robot.interact(() -> model.choose("staff"));
        derived();
        var seam = model.result(yellowbracket.derive.join.JoinFigures.JOINS)
                .orElseThrow()
                .joins()
                .stream()
                .max(java.util.Comparator.comparingDouble(j -> j.seam().areaMm2()))
                .orElseThrow()
                .seam()
                .name();
        robot.interact(() -> {
            model.apply(Edit.registration("magnets", "staff", r -> r.with(seam, RegistrationKind.MAGNETS)));
            model.apply(Edit.ofProp("comes off", "staff",
                    p -> p.withJoin(p.join().withApart(new LinkedHashMap<>(Map.of(seam, Apart.COMES_OFF))))));
        });
        go(robot, "closures", WearFigures.CLOSURES);
        until("the closure", () -> !model.result(WearFigures.CLOSURES).orElseThrow().list().isEmpty());
        var c = model.result(WearFigures.CLOSURES).orElseThrow().list().getFirst();

        until("its poles", () -> text(robot, ".card .label").contains("poles of " + seam));
        var poles = String.join(" ", c.magnets().stream().map(m -> m.northUp() ? "N" : "S").toList());
        assertThat(text(robot, ".card .label")).contains(poles);
        assertThat(c.asBuilt()).isEqualTo(c.best().pull());
    }

    @Test
    void aBathIsReadAndTimed(FxRobot robot) {
        go(robot, "visor", WearFigures.VISOR);
        set(robot, "#dips-then", "0");
        fire(robot, "#dips-tell");
        assertThat(model.messageProperty().get().toString()).contains("dips when the second sample was taken");
        set(robot, "#dips-then", "3");
        set(robot, "#light-first", "90");
        set(robot, "#light-then", "45");
        set(robot, "#light-wanted", "11.25");
        fire(robot, "#dips-tell");
        assertThat(model.messageProperty().get().toString()).contains("6 more dips");
        set(robot, "#bath-first", "60");
        set(robot, "#bath-then", "64");
        fire(robot, "#bath-tell");
        assertThat(prop().wear().bath()).as("a bath that warms by itself").isEmpty();
        assertThat(model.messageProperty().get().toString()).contains("not below the first");
        set(robot, "#bath-first", "70");
        set(robot, "#bath-then", "64");
        set(robot, "#bath-min", "5");
        fire(robot, "#bath-tell");
        until("the bath", () -> prop().wear().bath().isPresent());
        var b = prop().wear().bath().orElseThrow();
        assertThat(b.leftMin()).isCloseTo(b.minutesUntil(57), within(1e-9));
        until("its timers", () -> robot.lookup("#bath-time").tryQuery().isPresent());
        fire(robot, "#bath-time");
        assertThat(timers.running()).extracting(t -> t.name()).contains("bath warm enough", "one dip");
    }

    @Test
    void aWalkTestIsLoggedAndWhatFailsGetsItsRemedy(FxRobot robot) {
        go(robot, "walk test", WearFigures.WALK);
        set(robot, "#walk-words", "caught the  rim on the rail");
        fire(robot, "#walk-failed");
        until("the result",
                () -> model.fresh(WearFigures.WALK) && model.result(WearFigures.WALK)
                        .orElseThrow()
                        .list()
                        .getFirst()
                        .items()
                        .stream()
                        .anyMatch(i -> i.what() == WalkTest.What.STAIRS && i.failed()));

        assertThat(model.shownProperty().get().log().getLast().text())
                .isEqualTo("walk helm Maren stairs failed: caught the rim on the rail");
        until("its remedy", () -> text(robot, ".card .label").contains("a helper at the elbow"));
        fire(robot, "#walk-passed");
        until("passed", () -> model.fresh(WearFigures.WALK)
                && model.result(WearFigures.WALK).orElseThrow().list().getFirst().items().stream().noneMatch(WalkTest.Item::failed));
    }

    @Test
    void lightsFollowARimAndPartsGoWhereTheModelIsClicked(FxRobot robot) {
        go(robot, "lights", WearFigures.OPENINGS);
        until("the row", () -> robot.lookup("#load-add").tryQuery().isPresent());
        fire(robot, "#load-add");
        assertThat(prop().wear().loads()).as("it goes nowhere yet").isEmpty();
        steadily(() -> {
            ChoiceBox<String> along = robot.lookup("#load-along").query();
            robot.interact(() -> along.setValue("front"));
        });
        fire(robot, "#load-add");
        until("the light", () -> model.result(WearFigures.POWER).filter(l -> l.power().runs().size() == 1).isPresent());
        assertThat(prop().wear().loads()).hasSize(1);
        var wire = model.result(WearFigures.POWER).orElseThrow().wires();
        assertThat(wire).as("from the cells or the collar").hasSize(1);
        assertThat(wire.values().iterator().next().lengthMm()).isBetween(10.0, 900.0);
        var run = model.result(WearFigures.POWER).orElseThrow().power().runs().getFirst();
        assertThat(run.lengthMm()).isBetween(350.0, 600.0);
        assertThat(model.schedule().isPresent()).isTrue();
        fire(robot, "#bought-add");
        assertThat(prop().wear().bought()).as("nothing was clicked").isEmpty();
        hit(robot, new Vec3(0, 100, 60));
        fire(robot, "#bought-add");
        until("the part", () -> prop().wear().bought().size() == 1);
    }
}
