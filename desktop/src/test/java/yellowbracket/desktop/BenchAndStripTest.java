package yellowbracket.desktop;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import javafx.geometry.Point2D;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.TableView;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.scene.paint.Color;
import javafx.scene.paint.PhongMaterial;
import javafx.scene.shape.MeshView;
import javafx.scene.shape.TriangleMesh;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;
import org.testfx.util.WaitForAsyncUtils;
import yellowbracket.demo.DemoBuild;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.cut.CutTree;
import yellowbracket.desktop.bench.Drawn;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.theme.Ramp;
import yellowbracket.document.Edit;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

/** The bench's camera, callouts and drawing, the Run's bands, tables and alternatives, in the real window. */
class BenchAndStripTest extends WindowTest {
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

    private Point2D seen(Vec3 p) {
        return bench().onScreen(p);
    }

    @Test
    void viewsLookFromWhereTheySay(FxRobot robot) {
        derived();
        var c = model.result(ModelFigures.MODEL).orElseThrow().mesh().bounds().scaled(prop().scale()).centre();
        robot.interact(() -> bench().look("front"));
        assertThat(seen(c.plus(new Vec3(0, 0, 50))).getY()).as("up is up").isLessThan(seen(c).getY());
        assertThat(seen(c.plus(new Vec3(50, 0, 0))).getX()).as("the wearer's right is on our left").isLessThan(seen(c).getX());
        robot.interact(() -> bench().look("top"));
        assertThat(seen(c.plus(new Vec3(0, 50, 0))).getY()).as("forward points down when looked at from above")
                .isNotCloseTo(seen(c).getY(), within(5.0));
        assertThat(seen(c.plus(new Vec3(0, 0, 50))).distance(seen(c))).as("up points at us")
                .isLessThan(seen(c.plus(new Vec3(0, 50, 0))).distance(seen(c)));
    }

    @Test
    void theWheelKeepsWhatIsUnderThePointer(FxRobot robot) {
        derived();
        robot.interact(() -> bench().look("front"));
        var c = model.result(ModelFigures.MODEL).orElseThrow().mesh().bounds().scaled(prop().scale()).centre();
        var at = c.plus(new Vec3(40, 0, 40));
        var before = seen(at);
        double apart = seen(c).distance(before);
        robot.moveTo(bench().localToScreen(before)).scroll(4, javafx.geometry.VerticalDirection.UP);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(seen(at).distance(before)).as("stays").isLessThan(6);
        assertThat(seen(c).distance(seen(at))).as("and all has moved apart or together").isNotCloseTo(apart, within(3.0));
        robot.interact(bench()::requestFocus);
        robot.type(KeyCode.F);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(seen(c).distance(new Point2D(bench().getWidth() / 2, bench().getHeight() / 2))).as("framed").isLessThan(30);
    }

    @Test
    void workGivesWayWhenTheModelIsTurnedAndNotWhenItIsDrawnAnew(FxRobot robot) {
        var turned = new AtomicInteger();
        robot.interact(() -> {
            var b = new Bench();
            var ball = Shapes.sphere(20, 12);
            b.onTurn(turned::incrementAndGet);
            b.show(List.of(b.drawn().plain(ball, Color.GRAY)), ball.bounds(), "ball");
            assertThat(turned).hasValue(0);
            b.orbit(10, 0);
            assertThat(turned).hasValue(1);
        });
    }

    @Test
    void aPageAheadMeetsTheRendererAndIsNotShown(FxRobot robot) {
        var ball = Shapes.sphere(20, 12);
        var things = new ArrayList<MeshView>();
        robot.interact(() -> {
            var b = new Bench();
            for (int i = 0; i < 3; i++) things.add(b.drawn().plain(ball, Color.gray(0.2 + 0.2 * i)));
            b.show(List.of(things.get(0)), ball.bounds(), "on screen");
            b.ahead(() -> b.show(List.of(things.get(1)), ball.bounds(), "ahead"),
                    () -> b.show(List.of(things.get(2)), ball.bounds(), "on screen"));
            assertThat(things.get(1).getParent()).as("drawn somewhere").isNotNull().isNotSameAs(things.get(0).getParent());
            assertThat(things.get(0).getParent()).as("still on screen").isNotNull();
            assertThat(things.get(2).getParent()).as("there is no need to").isNull();
        });
        until("the page ahead is let go", () -> things.get(1).getScene() == null && things.get(1).getParent() != null
                && things.get(1).getParent().getParent() == null);
    }

    @Test
    void shapesOfAllPagesAreKept(FxRobot robot) {
        robot.interact(() -> {
            var d = new Drawn();
            var balls = new ArrayList<Mesh>();
            while (balls.stream().mapToInt(Mesh::triangleCount).sum() < 220_000) balls.add(Shapes.sphere(20 + balls.size(), 100));
            var first = balls.stream().map(m -> d.plain(m, Color.GRAY).getMesh()).toList();
            for (int i = 0; i < balls.size(); i++) assertThat(d.plain(balls.get(i), Color.GRAY).getMesh()).isSameAs(first.get(i));
        });
    }

    @Test
    void calloutsNeverCoverEachOther(FxRobot robot) {
        examined();
        var many = new ArrayList<Bench.Callout>();
        for (int i = 0; i < 14; i++)
            many.add(new Bench.Callout(new Vec3(i % 2 == 0 ? 60 : -60, 0, 3 * i), "place " + i, i % 3 == 0 ? "care" : ""));
        var labels = new ArrayList<Label>();
        for (double turn = 0; turn < 360; turn += 45) {
            double yaw = turn;
            robot.interact(() -> {
                bench().callouts(many); // whenever the page is drawn again, it has its own
                bench().applyCss();
                bench().layout();
                bench().orbit(yaw, 0);
                labels.clear();
                bench().lookupAll(".callout").forEach(n -> labels.add((Label) n));
            });
            assertThat(labels).hasSize(14);
            for (var a : labels) for (var b : labels) if (a != b)
                assertThat(a.getBoundsInParent().intersects(b.getBoundsInParent())).as(a.getText() + " and " + b.getText()).isFalse();
        }
    }

    @Test
    void meshesAreDrawnWithTheirTrianglesAndColours(FxRobot robot) {
        var drawn = new Drawn();
        var ball = Shapes.sphere(10, 12);
        var plain = drawn.plain(ball, Color.RED);
        assertThat(((TriangleMesh) plain.getMesh()).getFaces().size()).as("three corners of three numbers each")
                .isEqualTo(9 * ball.triangleCount());
        assertThat(((TriangleMesh) plain.getMesh()).getPoints().size()).isEqualTo(3 * ball.vertexCount());
        assertThat(drawn.plain(ball, Color.BLUE).getMesh()).as("made once").isSameAs(plain.getMesh());
        var glass = ((PhongMaterial) drawn.glass(ball, Color.WHITE, 0.25).getMaterial()).getDiffuseColor();
        assertThat(glass.getOpacity()).isCloseTo(0.25, within(0.01));
        assertThat(glass.getRed()).as("the colour is weighed by the opacity").isCloseTo(0.25, within(0.01));
        var byFacet = (TriangleMesh) drawn.byFacet(ball, Ramp.wall(), Color.GRAY, f -> f).getMesh();
        assertThat(byFacet.getTexCoords().size()).isEqualTo(2 * ball.triangleCount());
        var lines = (TriangleMesh) drawn.lines(new double[] {0, 0, 0, 10, 0, 0, 1, 1, 1, 1, 1, 1}, Color.RED, 0.2).getMesh();
        assertThat(lines.getPoints().size()).as("two ends of three corners; a segment without length is left out").isEqualTo(3 * 6);
        var square = drawn.square(new Vec3(1, 2, 3), Vec3.Y, 10);
        for (int i = 0; i < 12; i += 3) assertThat(square.getPoints().get(i + 1)).isCloseTo(2f, within(1e-5f));
        var box = (TriangleMesh) drawn.plain(Shapes.box(Vec3.ZERO, new Vec3(1, 1, 1)), Color.RED).getMesh();
        assertThat(box.getNormals().size()).as("six faces across creases: six normals").isEqualTo(3 * 6);
        assertThat(((TriangleMesh) drawn.plain(Mesh.union(List.of(ball, ball)), Color.RED).getMesh()).getFaces().size())
                .isEqualTo(18 * ball.triangleCount());
    }

    @Test
    void aSectionThatFitsNoBedIsReadyOnNoDay(FxRobot robot) {
        derived();
        assertThat(text(robot, ".slack-days")).contains("spare");
        robot.interact(() -> {
            model.apply(Edit.cuts("uncut", "helm", t -> CutTree.WHOLE));
            model.apply(Edit.scale("helm", 2));
            model.pageProperty().set(Page.CUT);
        });
        until("said on the strip", () -> text(robot, ".slack-days").contains("fits no bed"));
        until("said in the table", () -> labels(robot, ".alt .label").stream().anyMatch(l -> l.getText().equals("a section fits no bed")));
    }

    @Test
    void theRunShowsAPlanThatOverruns(FxRobot robot) {
        derived();
        assertThat(text(robot, ".slack-days")).contains("spare");
        robot.interact(() -> model.apply(new Edit("an earlier day", b -> b.withDue(b.event(), LocalDateTime.of(2026, 4, 3, 8, 0)))));
        derived();
        until("over", () -> !text(robot, ".slack-days").contains("spare"));
        assertThat(text(robot, ".slack-days")).contains("over");
        var bands = robot.lookup(".run-band").queryAll();
        assertThat(bands).hasSize(7).allSatisfy(b -> assertThat(b.getBoundsInParent().getWidth()).isGreaterThanOrEqualTo(60));
        double x = -1;
        for (var b : bands) {
            assertThat(b.getBoundsInParent().getMinX()).as("in order, none over another").isGreaterThanOrEqualTo(x - 1);
            x = b.getBoundsInParent().getMaxX();
        }
        robot.clickOn(bands.stream().skip(2).findFirst().orElseThrow());
        until("print page", () -> model.pageProperty().get() == Page.PRINT);
    }

    @Test
    @SuppressWarnings("unchecked")
    void tablesSortAndCopyAsText(FxRobot robot) {
        examined();
        robot.interact(() -> model.go(Page.CUT, "sections"));
        until("sections", () -> robot.lookup(".table-view").tryQuery().isPresent());
        var table = (TableView<Object>) robot.lookup(".table-view").queryAs(TableView.class);
        var grams = table.getColumns().get(2);
        robot.interact(() -> {
            grams.setSortType(javafx.scene.control.TableColumn.SortType.DESCENDING);
            table.getSortOrder().setAll(List.of(grams));
            table.requestFocus();
            table.getSelectionModel().clearSelection();
        });
        var items = List.copyOf(table.getItems());
        robot.interact(() -> {
            grams.setSortType(javafx.scene.control.TableColumn.SortType.ASCENDING);
            table.sort();
        });
        assertThat(List.copyOf(table.getItems())).as("the other way round").isNotEqualTo(items);
        var copied = new String[] {""};
        until("copied", () -> { // a card may be written anew when late results arrive: the table at hand counts
            robot.interact(() -> robot.lookup(".table-view").queryAs(TableView.class).requestFocus());
            robot.press(KeyCode.CONTROL).type(KeyCode.C).release(KeyCode.CONTROL);
            robot.interact(() -> copied[0] = String.valueOf(Clipboard.getSystemClipboard().getString()));
            return copied[0].contains("\t");
        });
        assertThat(copied[0]).contains("size\t").contains("A\t");
        assertThat(copied[0].lines().count()).isEqualTo(items.size() + 1);
    }

    /** The main job without the mouse: stations by number, an alternative by Tab and Space, undo, log, plan. */
    @Test
    void theMainJobByKeysAlone(FxRobot robot) {
        derived();
        robot.interact(bench()::requestFocus);
        robot.type(KeyCode.DIGIT3);
        until("print", () -> model.pageProperty().get() == Page.PRINT);
        until("alternatives",
                () -> robot.lookup(".alt")
                        .queryAll()
                        .stream()
                        .anyMatch(n -> n instanceof ToggleButton t && !t.isSelected() && t.getAccessibleHelp() != null));
        var layer = prop().print().profile().layerMm();
        for (int i = 0; i < 40; i++) {
            var focus = frame.getScene().getFocusOwner();
            if (focus instanceof ToggleButton t && t.getStyleClass().contains("alt") && !t.isSelected()) break;
            robot.type(KeyCode.TAB);
        }
        assertThat(frame.getScene().getFocusOwner().getStyleClass()).as("an alternative is reached by Tab").contains("alt");
        robot.type(KeyCode.SPACE);
        until("taken", () -> prop().print().profile().layerMm() != layer || model.session().dirty());
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        until("undone", () -> prop().print().profile().layerMm() == layer && !model.session().dirty());
        robot.interact(bench()::requestFocus);
        robot.type(KeyCode.F1);
        until("help", () -> robot.lookup("#help").tryQuery().isPresent());
        assertThat(text(robot, "#help .label")).contains("least sum of printing", "how fine", "failures");
        robot.type(KeyCode.ESCAPE);
        until("help closed", () -> robot.lookup("#help").tryQuery().isEmpty());
        robot.type(KeyCode.CLOSE_BRACKET);
        until("plan", () -> model.pageProperty().get() == Page.PLAN);
        robot.type(KeyCode.OPEN_BRACKET);
        until("log", () -> model.pageProperty().get() == Page.LOG);
        robot.type(KeyCode.SLASH);
        robot.write("health").type(KeyCode.ENTER);
        until("health", () -> model.pageProperty().get() == Page.SIZE
                && labels(robot, ".heading").stream().map(Labeled::getText).anyMatch(t -> t.contains("is the mesh sound")));
    }
}
