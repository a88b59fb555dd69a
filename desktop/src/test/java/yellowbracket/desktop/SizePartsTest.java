package yellowbracket.desktop;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.Slider;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;
import yellowbracket.desktop.model.Page;
import yellowbracket.demo.DemoBuild;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.derive.size.SizeFigures;
import yellowbracket.desktop.bench.ViewPicture;
import yellowbracket.desktop.model.Words;
import yellowbracket.log.Entry;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.io.MeshFile;
import yellowbracket.mesh.io.StlWriter;
import yellowbracket.mesh.repair.MeshHealth;
import yellowbracket.shop.HeadMeasures;
import yellowbracket.size.HeadForm;
import yellowbracket.size.TestPiece;
import yellowbracket.size.Zone;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

/** The size page by hand in the real window: the way in played back, points picked, the view cut open, wearers, test pieces. */
class SizePartsTest extends WindowTest {
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
        robot.interact(() -> model.go(Page.SIZE, part));
    }

    private void sized() {
        until("sized",
                () -> model.derivedProperty().get() != null
                        && model.derivedProperty().get().build().equals(java.util.Optional.of(model.shownProperty().get()))
                        && model.fresh(SizeFigures.REMEDIES) && model.fresh(SizeFigures.BY_AXIS));
    }

    private String gauge(FxRobot robot) {
        return text(robot, ".gauge-value");
    }

    @Test
    void theWayInIsPlayedBack(FxRobot robot) {
        sized();
        page(robot, "put on");
        until("the way is told", () -> text(robot, ".row-value").contains("passes"));
        var slider = robot.lookup("#donning").queryAs(Slider.class);
        String home = gauge(robot);
        robot.interact(() -> slider.setValue(0));
        until("the head is out", () -> !gauge(robot).equals(home));
        var way = model.result(SizeFigures.DONNING).orElseThrow().list().getFirst();
        assertThat(gauge(robot)).contains(model.words().length(way.path().getFirst().roomMm()));
        robot.clickOn("#donning-play");
        until("it plays", () -> slider.getValue() > 0.05);
        robot.clickOn("#donning-play");
        double stopped = slider.getValue();
        assertThat(stopped).isLessThan(1);
        robot.clickOn("#donning").type(KeyCode.END);
        until("home by keys", () -> slider.getValue() == 1);
        assertThat(text(robot, ".caution")).contains("five seconds unaided");
    }

    @Test
    void aHeadThatDoesNotPassIsHelpedAndUndoBringsItBack(FxRobot robot) {
        sized();
        page(robot, "scale");
        type(robot, "#neck-mm", "-14");
        until("narrowed", () -> prop().size().reshape().neck().isPresent());
        double narrow = prop().size().reshape().neck().orElseThrow().mm();
        sized();
        page(robot, "fit");
        until("told on the fit page", () -> text(robot, ".finding > .label").contains("does not pass"));
        press(robot, "what helps");
        until("remedies offered", () -> text(robot, ".finding > .label").contains("widen the neck"));
        assertThat(text(robot, ".finding > .label")).contains("scale to");
        press(robot, "take it");
        until("the neck is wider", () -> prop().size().reshape().neck().orElseThrow().mm() > narrow + 3);
        sized();
        assertThat(model.result(SizeFigures.DONNING).orElseThrow().list().getFirst().passes()).isTrue();
        page(robot, "scale");
        until("the distortion is shown", () -> text(robot, ".row-name").contains("out of shape"));
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        until("back", () -> prop().size().reshape().neck().orElseThrow().mm() == narrow);
    }

    @Test
    void theViewIsCutOpenAndTheCutMoved(FxRobot robot) {
        sized();
        robot.interact(() -> bench().look("front"));
        robot.clickOn("#section");
        until("the slider is there", () -> bench().sectionAt().isVisible());
        assertThat(bench().sectionAxis()).isEqualTo(1);
        robot.interact(() -> bench().look("three-quarter"));
        var box = model.result(ModelFigures.MODEL).orElseThrow().mesh().bounds().scaled(prop().scale());
        assertThat(bench().sectionAxis()).as("three-quarter cuts along the side").isZero();
        var from = bench().localToScreen(bench()
                .onScreen(new Vec3(box.centre().x(), box.centre().y() - 0.23 * box.diagonal(), box.centre().z() + 0.23 * box.diagonal())));
        robot.drag(from).moveTo(from.add(-25, 0)).dropTo(from.add(-50, 0));
        until("the pane is dragged", () -> Math.abs(bench().sectionAt().getValue() - 0.5) > 0.03);
        robot.interact(() -> bench().section().setSelected(false));
        until("whole again", () -> !bench().sectionAt().isVisible());
        page(robot, "sight");
        until("the button is gone", () -> !bench().section().isVisible());
    }

    @Test
    void aPointIsNamedAndItsHeightSetsTheScale(FxRobot robot) {
        sized();
        page(robot, "scale");
        robot.interact(() -> bench().look("front"));
        var box = model.result(ModelFigures.MODEL).orElseThrow().mesh().bounds().scaled(prop().scale());
        robot.clickOn(bench().localToScreen(bench().onScreen(new Vec3(60, box.max().y() - 100, box.min().z() + 40))));
        until("picked", () -> !robot.lookup("#height-name").query().isDisabled());
        press(robot, "keep");
        assertThat(told()).contains("type what it is, such as");
        type(robot, "#height-name", "cheek");
        until("named", () -> prop().size().keyPoints().size() == 1);
        derived();
        double z = prop().size().keyPoints().getFirst().at().z() - box.min().z() / prop().scale();
        type(robot, "#height-0", "tall");
        assertThat(told()).contains("height of cheek \"tall\"");
        double wanted = Math.rint(1.2 * prop().scale() * z);
        type(robot, "#height-0", Words.text("%.0f", wanted));
        until("scaled", () -> Math.abs(prop().scale() - wanted / z) < 0.001);
        page(robot, "fit");
        var car = robot.lookup("#exposure-car").queryAs(javafx.scene.control.ToggleButton.class);
        robot.interact(car::fire);
        until("left in a car", () -> prop().size().exposures().contains(yellowbracket.size.Exposure.CAR));
    }

    @Test
    void aPictureIsLaidOverTheModelAndWhatItShowsIsTicked(FxRobot robot, @org.junit.jupiter.api.io.TempDir java.nio.file.Path dir)
            throws Exception {
        sized();
        page(robot, "looks");
        var file = dir.resolve("drawing.png");
        javax.imageio.ImageIO.write(new java.awt.image.BufferedImage(600, 500, java.awt.image.BufferedImage.TYPE_INT_RGB), "png",
                file.toFile());
        robot.interact(() -> model.addReference(prop().id(), "drawing", file));
        until("picture", () -> prop().size().references().size() == 1);
        derived();
        robot.interact(() -> bench().look("front"));
        var box = model.result(ModelFigures.MODEL).orElseThrow().mesh().bounds().scaled(prop().scale());
        for (double x : new double[] {-60, 60}) {
            int before = prop().size().references().getFirst().pairs().size();
            if (robot.lookup("#reference-pair").queryAs(javafx.scene.control.Button.class).getText().equals("pair a point"))
                robot.interact(() -> robot.lookup("#reference-pair").queryAs(javafx.scene.control.Button.class).fire());
            until("the model is there to click", () -> !bench().showsPicture());
            robot.clickOn(bench().localToScreen(bench().onScreen(new Vec3(x, box.max().y() - 100, box.min().z() + 40))));
            until("the picture is there to click", () -> bench().showsPicture());
            var over = robot.lookup("#overlay").query();
            robot.clickOn(over.localToScreen(over.getBoundsInLocal().getWidth() / 2 - 2 * x, 200));
            until("paired", () -> prop().size().references().getFirst().pairs().size() == before + 1);
        }
        until("laid over", () -> text(robot, ".row-name").contains("lies"));
        press(robot, "add");
        assertThat(told()).contains("feature: type what the picture shows");
        robot.interact(() -> robot.lookup("#feature-what").queryAs(javafx.scene.control.TextField.class).setText("rivets"));
        type(robot, "#feature-count", "many");
        assertThat(told()).contains("how many \"many\"");
        type(robot, "#feature-count", "12");
        until("looked for", () -> prop().size().references().getFirst().features().size() == 1);
        var missing = prop().size().references().getFirst();
        robot.interact(() -> model.apply(yellowbracket.document.Edit.reference("missing", prop().id(),
                missing.with(missing.features().getFirst().as(yellowbracket.size.Reference.State.MISSING)))));
        robot.interact(() -> model.go(yellowbracket.desktop.model.Page.CUT, "plans"));
        until("told before it is cut",
                () -> text(robot, ".finding-words").contains("rivets (12)") || text(robot, ".label").contains("rivets (12)"));
    }

    @Test
    void twoPointsAndTheirRealDistanceGiveTheScale(FxRobot robot) {
        sized();
        page(robot, "scale");
        robot.interact(() -> bench().look("front"));
        var box = model.result(ModelFigures.MODEL).orElseThrow().mesh().bounds().scaled(prop().scale());
        for (double x : new double[] {-60, 60})
            robot.clickOn(bench().localToScreen(bench().onScreen(new Vec3(x, box.max().y() - 100, box.min().z() + 40))));
        until("two points", () -> labels(robot, "#apart").stream().anyMatch(l -> l.getText().endsWith(" mm")));
        double apart = Double.parseDouble(labels(robot, "#apart").getFirst().getText().replace(" mm", ""));
        assertThat(apart).isBetween(90.0, 180.0);
        double before = prop().scale();
        type(robot, "#reference-mm", "none");
        assertThat(told()).contains("real distance \"none\"");
        type(robot, "#reference-mm", "6 in");
        assertThat(told()).as("another unit is not taken for millimetres").contains("real distance \"6 in\"");
        assertThat(prop().scale()).isEqualTo(before);
        type(robot, "#reference-mm", Words.text("%.1f", 1.1 * apart));
        until("scaled", () -> prop().scale() != before);
        assertThat(prop().scale()).isCloseTo(1.1 * before, within(0.003));
        type(robot, "#miniature", "6");
        until("to life size", () -> prop().scale() == 6);
        type(robot, "#character-mm", "2000");
        until("in proportion", () -> Math.abs(prop().scale() - 1.74 / 2) < 1e-6);
        type(robot, "#axis-wide", "104");
        until("stretched", () -> prop().size().reshape().wide() == 1.04);
        type(robot, "#axis-deep", "1000");
        assertThat(told()).contains("deep \"1000\": type per cent between 50 and 200");
    }

    @Test
    void aTestPieceIsWrittenAndItsVerdictMovesTheScales(FxRobot robot) throws Exception {
        sized();
        until("priced", () -> text(robot, ".row-name").contains("neck ring"));
        var ring = model.result(SizeFigures.TEST_PIECES).orElseThrow().list().getFirst().piece();
        assertThat(ring.kind()).isEqualTo(TestPiece.Kind.RING);
        var file = dir.resolve("ring.stl");
        answer(file);
        robot.interact(() -> robot.lookup("#test-ring").queryButton().fire());
        until("written", () -> told().contains("ring.stl written"));
        assertThat(MeshHealth.of(((MeshFile.Read) MeshFile.read(file, Progress.NONE)).mesh()).closed()).isTrue();
        double lowest = model.result(SizeFigures.SCALES).orElseThrow().byWearer().get("Maren").lowest();
        robot.interact(() -> {
            robot.lookup("#trial-verdict").queryAs(ChoiceBox.class).getSelectionModel().select(1);
            robot.lookup("#trial-zone").queryAs(ChoiceBox.class).getSelectionModel().select(Optional.of(Zone.NOSE));
            robot.lookup("#trial-mm").queryAs(javafx.scene.control.TextField.class).setText("4");
            robot.lookup("#trial-note").queryAs(Button.class).fire();
        });
        until("in the log", () -> model.shownProperty().get().log().getLast().kind() == Entry.Kind.FIT);
        assertThat(model.shownProperty().get().log().getLast().text()).isEqualTo("fit helm Maren tight nose 4.0 mm at 104.0 %");
        sized();
        assertThat(model.result(SizeFigures.SCALES).orElseThrow().byWearer().get("Maren").lowest()).isGreaterThan(lowest + 0.01);
        until("said why", () -> text(robot, ".finding > .label").contains("corrected by the test pieces"));
    }

    @Test
    void wearersAreAddedChosenAndComparedAndTheViewIsShown(FxRobot robot) {
        sized();
        page(robot, "sight");
        until("a picture of the view", () -> bench().lookupAll("*").stream().anyMatch(n -> n instanceof ViewPicture));
        page(robot, "wearers");
        until("compared", () -> text(robot, ".section-title").contains("one shell"));
        robot.clickOn("#wearer-name").write("Maren").type(KeyCode.ENTER);
        assertThat(told()).contains("Maren has a card already");
        type(robot, "#wearer-name", "Oda");
        until("her form", () -> robot.lookup("#measure-circumference").tryQuery().isPresent());
        assertThat(model.shownProperty().get().wearer("Oda")).as("nobody has a head nobody measured").isEmpty();
        robot.clickOn("#measure-length")
                .write("190")
                .clickOn("#measure-breadth")
                .write("149")
                .clickOn("#measure-body-height")
                .write("1650");
        type(robot, "#measure-circumference", "22");
        assertThat(text(robot, ".stop")).contains("inches");
        type(robot, "#measure-circumference", "558");
        until("kept", () -> model.shownProperty().get().wearer("Oda").filter(w -> w.head().circumferenceMm() == 558).isPresent());
        var oda = robot.lookup(".row")
                .queryAll()
                .stream()
                .filter(r -> r.lookupAll(".label").stream().anyMatch(l -> ((Labeled) l).getText().equals("Oda")))
                .findFirst()
                .orElseThrow();
        robot.interact(() -> oda.lookupAll(".button")
                .stream()
                .map(Button.class::cast)
                .filter(b -> b.getText().equals("size for"))
                .findFirst()
                .orElseThrow()
                .fire());
        until("sized for her", () -> prop().size().wearers().equals(List.of("Oda", "Maren", "Iven")));
    }

    @Test
    void aHeadScanTakesThePlaceOfTheMeasures(FxRobot robot) throws Exception {
        sized();
        var form = HeadForm.of(HeadMeasures.of(590, 203, 156));
        var turn = Turn.quarter(2);
        var file = dir.resolve("scan.stl");
        StlWriter.write(form.mesh().turned(turn).scaled(0.001), "scan in metres", file);
        page(robot, "wearers");
        answer(file);
        press(robot, "head scan ...");
        until("the scan is shown", () -> text(robot, ".finding > .label").contains("left ear"));
        // wrong points first: three on one spot are no head
        robot.interact(() -> bench().look("front"));
        var bench = bench();
        for (int i = 0; i < 3; i++) robot.clickOn(bench.localToScreen(bench.onScreen(new Vec3(0, 0, 60)).add(4 * i, 0)));
        until("refused", () -> told().contains("ears are"));
        assertThat(model.shownProperty().get().wearer("Maren").orElseThrow().scan()).isEmpty();
        var left = turn.apply(new Vec3(-78, -8, -20));
        var right = turn.apply(new Vec3(78, -8, -20));
        hit(robot, left);
        hit(robot, right);
        hit(robot, turn.apply(new Vec3(0, form.eye(1).y() + 4, 0)));
        until("kept", () -> model.shownProperty().get().wearer("Maren").orElseThrow().scan().isPresent());
        assertThat(model.shownProperty().get().wearer("Maren").orElseThrow().head().circumferenceMm()).isCloseTo(590, within(2.0));
        assertThat(told()).contains("head is the scan now");
    }
}
