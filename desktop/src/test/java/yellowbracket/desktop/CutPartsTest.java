package yellowbracket.desktop;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;
import yellowbracket.desktop.model.Page;
import yellowbracket.cut.RegistrationKind;
import yellowbracket.cut.Seam;
import yellowbracket.cut.plan.PlaneSnap;
import yellowbracket.demo.DemoBuild;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.io.MeshFile;
import yellowbracket.mesh.repair.MeshHealth;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

/**
 * The cut page by hand in the real window: plans taken, planes turned, locked and planned around, hardware placed on a face, files written
 * and opened again.
 */
class CutPartsTest extends WindowTest {
    @Override
    DemoBuild first() {
        return lightDemo();
    }

    @Start
    void start(Stage stage) {
        open(stage);
    }

    @Stop
    void stop() {
        close();
    }

    private void page(FxRobot robot, String part) {
        robot.interact(() -> model.go(Page.CUT, part));
        derived();
    }

    private void planned() {
        until("planned", () -> model.planning().busyProperty().get().isEmpty());
    }

    private List<ToggleButton> plans(FxRobot robot) {
        return robot.lookup(".alt").queryAllAs(ToggleButton.class).stream().toList();
    }

    private void undo(FxRobot robot) {
        robot.interact(bench()::requestFocus);
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
    }

    @Test
    void plansAreComparedTakenLockedAndPlannedAround(FxRobot robot) {
        derived();
        page(robot, "plans");
        until("plans are listed", () -> plans(robot).size() >= 3);
        planned();
        until("figures of the second plan", () -> plans(robot).stream().skip(1).anyMatch(b -> b.getAccessibleHelp() != null));
        var before = prop().cut().tree();
        robot.interact(() -> plans(robot).get(1).fire());
        until("taken", () -> !prop().cut().tree().equals(before));
        derived();
        assertThat(text(robot, ".section-title")).contains("why these planes");
        assertThat(model.result(CutFigures.STANDS).orElseThrow().bySection().keySet())
                .allSatisfy(s -> assertThat(model.result(CutFigures.STANDS).orElseThrow().fitsSomewhere(s)).isTrue());

        page(robot, "planes");
        var kept = prop().cut().tree().planes().getFirst();
        steadily(() -> robot.clickOn("#lock-0"));
        until("locked", () -> prop().cut().tree().locks().getFirst());
        page(robot, "plans");
        planned();
        until("plans around it", () -> plans(robot).size() >= 2);
        robot.interact(() -> plans(robot).getLast().fire());
        derived();
        assertThat(prop().cut().tree().planes().getFirst()).isEqualTo(kept);
        assertThat(prop().cut().tree().locks().getFirst()).isTrue();
    }

    @Test
    void whatFitsAsOneIsOfferedAndStrengthIsTold(FxRobot robot) {
        derived();
        page(robot, "plans");
        until("offers", () -> model.result(CutFigures.NEARLY).filter(n -> !n.list().isEmpty()).isPresent());
        int planes = prop().cut().tree().planeCount();
        double scale = prop().scale();
        var offer = model.result(CutFigures.NEARLY).orElseThrow().list().getFirst();
        derived();
        assertThat(offer.fits()).as("two sections of the light demo stand on the large bed together").isTrue();
        press(robot, "print as one");
        until("a cut less", () -> prop().cut().tree().planeCount() == planes - offer.cutsLess());
        assertThat(prop().scale()).isEqualTo(scale);
        derived();
        assertThat(model.result(CutFigures.STANDS).orElseThrow().bySection().keySet()).as("sections stand on a bed all the same")
                .allSatisfy(s -> assertThat(model.result(CutFigures.STANDS).orElseThrow().fitsSomewhere(s)).isTrue());
        page(robot, "planes");
        until("strength", () -> text(robot, ".section-title").contains("strength at the planes"));
        undo(robot);
        until("cut again", () -> prop().cut().tree().planeCount() == planes);
    }

    @Test
    void planesAreSetByNumbersSnappedLimitedMergedAndRemoved(FxRobot robot) {
        examined();
        page(robot, "planes");
        var plane = prop().cut().tree().planes().getFirst();
        type(robot, "#lean-0", "20");
        until("leaning", () -> Math.abs(PlaneSnap.leanDeg(prop().cut().tree().planes().getFirst()) - 20) < 1e-6);
        examined();
        type(robot, "#plane-0", "nonsense");
        assertThat(told()).contains("place of plane 1").contains("type millimetres");
        assertThat(robot.lookup("#plane-0").query().getStyleClass()).contains("wrong");
        undo(robot);
        until("level again", () -> prop().cut().tree().planes().getFirst().equals(plane));
        derived();

        int sections = model.result(CutFigures.SECTIONS).orElseThrow().sections().size();
        robot.interact(() -> robot.lookup("#plane-within").queryAs(ChoiceBox.class).setValue("E"));
        press(robot, "+ x");
        derived();
        assertThat(model.result(CutFigures.SECTIONS).orElseThrow().sections()).as("only one section is cut").hasSize(sections + 1);
        press(robot, "merge");
        until("two are one", () -> prop().cut().tree().planeCount() == 4);
        derived();
        assertThat(model.result(CutFigures.SECTIONS).orElseThrow().sections()).hasSize(sections);
        undo(robot);
        derived();
        undo(robot);
        derived();

        robot.interact(() -> bench().requestFocus());
        robot.type(KeyCode.DELETE);
        until("the picked plane and those below are gone", () -> prop().cut().tree().planeCount() == 0);
        derived();
        assertThat(text(robot, ".finding > .label")).contains("too large for every bed");
        undo(robot);
        until("back", () -> prop().cut().tree().planeCount() == 4);
    }

    @Test
    void aKnobTurnsAPlaneInTheBench(FxRobot robot) {
        derived();
        robot.interact(() -> bench().look("front"));
        page(robot, "planes");
        var plane = prop().cut().tree().planes().getFirst();
        assertThat(plane.normal()).isEqualTo(Vec3.Z);
        var box = model.result(ModelFigures.MODEL).orElseThrow().mesh().bounds().scaled(prop().scale());
        var centre = box.centre();
        var at = new Vec3(centre.x(), centre.y(), plane.offsetMm() * prop().scale());
        var side = Vec3.Z.cross(Vec3.X).unit();
        robot.interact(() -> bench().look("side"));
        var knob = bench().localToScreen(bench().onScreen(at.plus(side.times(0.28 * box.diagonal()))));
        robot.drag(knob).moveTo(knob.add(0, -20)).dropTo(knob.add(0, -40));
        until("turned", () -> PlaneSnap.leanDeg(prop().cut().tree().planes().getFirst()) > 5);
        assertThat(prop().cut().tree().planes().getFirst().height(at.times(1 / prop().scale()))).as("about its middle")
                .isCloseTo(0, within(1e-6));
        derived();
        assertThat(model.result(CutFigures.SECTIONS).orElseThrow().sections()).allSatisfy(s -> assertThat(s.closed()).isTrue());
    }

    @Test
    void aMagnetPairIsPlacedOnAFaceAndTakenOut(FxRobot robot) {
        derived();
        robot.interact(() -> model.choose("staff"));
        derived();
        page(robot, "joints");
        until("seams", () -> robot.lookup("#seams").tryQuery().isPresent());
        robot.interact(() -> {
            var table = robot.lookup("#seams").<Seam>queryTableView();
            table.getItems().stream().filter(q -> q.name().equals("H|I")).forEach(table.getSelectionModel()::select);
        });
        derived();
        int rods = model.result(CutFigures.REGISTERED).orElseThrow().on("H|I").size();
        assertThat(text(robot, ".row-more")).contains("metal rod");
        for (int left = rods - 1; left >= 0; left--) {
            int expected = left;
            press(robot, "take out");
            until("one less", () -> model.fresh(CutFigures.REGISTERED)
                    && model.result(CutFigures.REGISTERED).orElseThrow().on("H|I").size() == expected);
            derived();
        }
        var faces = robot.lookup("#faces").query();
        assertThat(faces.getAccessibleText()).contains("H|I");
        robot.interact(() -> faces.getParent().getParent().layout());
        steadily(() -> robot.clickOn(robot.offset("#faces", -96, 10)));
        until("a pair of magnets", () -> model.result(CutFigures.REGISTERED).orElseThrow().on("H|I").size() == 1);
        var f = model.result(CutFigures.REGISTERED).orElseThrow().on("H|I").getFirst();
        assertThat(f.kind()).isEqualTo(RegistrationKind.MAGNETS);
        assertThat(f.byHand()).isTrue();
        derived();
        assertThat(model.result(CutFigures.SECTIONS).orElseThrow().sections()).allSatisfy(s -> assertThat(s.closed()).isTrue());
        assertThat(model.result(CutFigures.REGISTERED).orElseThrow().hardware())
                .anySatisfy(h -> assertThat(h.words()).startsWith("2 magnets"));
        press(robot, "in the middle");
        until("refused with its reason", () -> text(robot, ".finding > .label").contains("no magnets: it runs into another hole"));
        undo(robot);
        undo(robot);
        until("as before", () -> model.result(CutFigures.REGISTERED).orElseThrow().on("H|I").isEmpty());
    }

    @Test
    void sectionsArePulledApartHoveredWrittenAndOpenedAgain(FxRobot robot) {
        derived();
        page(robot, "sections");
        var e = model.result(CutFigures.SECTIONS).orElseThrow().section("E").mesh();
        robot.interact(() -> bench().explode().setValue(0.05));
        var near = labelOf(robot, "E");
        robot.interact(() -> bench().explode().setValue(1));
        until("pulled apart", () -> labelOf(robot, "E") > near + 10);
        robot.interact(() -> bench().look("front"));
        var box = model.result(ModelFigures.MODEL).orElseThrow().mesh().bounds().scaled(prop().scale());
        var off = e.bounds().centre().minus(box.centre()).times(0.55);
        robot.moveTo(
                bench().localToScreen(bench().onScreen(new Vec3(60, e.bounds().max().y() - 12, e.bounds().centre().z() - 10).plus(off))));
        until("the hint names a section or a seam", () -> text(robot, ".bench-hint").matches(".*(section E|seam .*E).*"));

        answer(dir);
        press(robot, "export sections ...");
        until("written", () -> told().contains("files written to"));
        for (var s : model.result(CutFigures.SECTIONS).orElseThrow().sections()) {
            var back = ((MeshFile.Read) MeshFile.read(dir.resolve("section-" + s.name() + ".stl"), Progress.NONE)).mesh();
            assertThat(MeshHealth.of(back).closed()).as(s.name()).isTrue();
            assertThat(back.volumeMm3()).isCloseTo(s.mesh().volumeMm3(), within(2e-4 * s.mesh().volumeMm3()));
        }
        int props = model.shownProperty().get().props().size();
        robot.interact(() -> model.sessions().open(dir.resolve("all-sections.3mf")));
        until("opened as a prop", () -> model.shownProperty().get().props().size() == props + 1);
    }

    private double labelOf(FxRobot robot, String name) {
        return robot.lookup(".callout")
                .queryAll()
                .stream()
                .filter(n -> n instanceof javafx.scene.control.Label l && l.getText().equals(name))
                .findFirst()
                .map(n -> n.localToScene(0, 0).getY())
                .orElse(0.0);
    }

    @Test
    void halvesAreMadeEven(FxRobot robot) {
        derived();
        page(robot, "sections");
        press(robot, "right twice");
        until("even", () -> prop().size().reshape().even().equals(Optional.of(yellowbracket.size.Reshape.Half.RIGHT)));
        derived();
        var box = model.result(ModelFigures.MODEL).orElseThrow().mesh().bounds();
        assertThat(box.min().x()).isCloseTo(-box.max().x(), within(1e-9));
        page(robot, "joints");
        robot.interact(() -> robot.lookup("#letters").queryAs(javafx.scene.control.CheckBox.class).fire());
        derived();
        page(robot, "sections");
        until("mirror images are told", () -> model.fresh(CutFigures.TWINS));
        assertThat(model.result(CutFigures.TWINS).orElseThrow().list()).as("tongue on one side, groove on the other, marks across seams")
                .isEmpty();
        robot.interact(() -> model
                .apply(yellowbracket.document.Edit.registration("plain faces", prop().id(), r -> yellowbracket.cut.Registration.PLAIN)));
        derived();
        until("mirror images anew", () -> model.fresh(CutFigures.TWINS));
        var twins = model.result(CutFigures.TWINS).orElseThrow().list();
        assertThat(twins).as("left and right of an even helm are each other's mirror images")
                .isNotEmpty()
                .allSatisfy(t -> assertThat(t.mirrored()).isTrue());
    }
}
