package yellowbracket.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.geom.Line2D;
import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import javafx.scene.Node;
import javafx.scene.SubScene;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;
import yellowbracket.colour.ColourPlan;
import yellowbracket.colour.ColourWish;
import yellowbracket.colour.ColourZone;
import yellowbracket.colour.mark.Mark;
import yellowbracket.colour.weather.Effect;
import yellowbracket.colour.weather.WeatherWish;
import yellowbracket.colour.zone.Painted;
import yellowbracket.demo.DemoBuild;
import yellowbracket.derive.colour.ColourFigures;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.Page;
import yellowbracket.document.Edit;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/** The colour page: zones painted on the model and undone, the order changed by hand, the weather read from a file. */
class ColourPartsTest extends WindowTest {
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

    private ColourPlan plan() {
        return model.result(ColourFigures.COLOUR).orElseThrow();
    }

    private Painted zones() {
        return model.result(ColourFigures.ZONES).orElseThrow().painted();
    }

    private double area(String zone) {
        return zones().areaMm2(prop().colour().zones().stream().filter(z -> z.name().equals(zone)).findFirst().orElseThrow().id());
    }

    private void show(FxRobot robot, String tab) {
        derived();
        robot.interact(() -> model.go(Page.COLOUR, tab));
        until("the page",
                () -> robot.lookup(".card .label").queryAllAs(Label.class).stream().noneMatch(l -> l.getText().contains("working"))
                        && model.fresh(ColourFigures.COLOUR));
    }

    private void choose(FxRobot robot, String id, int n) {
        robot.interact(() -> {
            ChoiceBox<Object> box = robot.lookup(id).query();
            box.setValue(box.getItems().get(n));
        });
    }

    private void stroke(FxRobot robot, List<Vec3> at, boolean takes) {
        robot.interact(() -> {
            var brush = bench().lookupAll("*")
                    .stream()
                    .filter(n -> n instanceof SubScene s && s.isVisible())
                    .flatMap(n -> ((SubScene) n).getRoot().lookupAll("*").stream())
                    .map(Node::getUserData)
                    .filter(Bench.Brush.class::isInstance)
                    .map(Bench.Brush.class::cast)
                    .findFirst()
                    .orElseThrow();
            brush.hover().accept(at.getFirst());
            at.forEach(p -> brush.over().accept(p, takes));
            brush.done().accept(at, takes);
        });
    }

    /** Upmost place of the model, in its own mm. */
    private Vec3 top() {
        var m = zones().base();
        var b = m.bounds();
        return Bvh.of(m).closest(new Vec3(b.centre().x() + 20, b.centre().y(), b.max().z())).point();
    }

    @Test
    void aZoneIsBrushedFloodedTwinnedAndUndone(FxRobot robot) {
        show(robot, "zones");
        int before = prop().colour().zones().size();
        robot.interact(() -> button(robot, "new zone").fire());
        until("a zone more", () -> prop().colour().zones().size() == before + 1);
        derived();
        type(robot, "#zone-name", "lozenge");
        until("named", () -> prop().colour().zones().stream().anyMatch(z -> z.name().equals("lozenge")));
        derived();
        assertThat(area("lozenge")).isZero();
        type(robot, "#zone-radius", "10");
        stroke(robot, List.of(top()), false);
        until("brushed", () -> area("lozenge") > 0);
        double r = 10 / prop().scale(), disc = Math.PI * r * r;
        assertThat(area("lozenge")).isBetween(0.6 * disc, 1.6 * disc);
        derived();
        assertThat(plan().coats()).anyMatch(c -> c.zone().equals("lozenge"));
        double once = area("lozenge");
        robot.interact(() -> button(robot, "mirror left to right").fire());
        until("twin", () -> Math.abs(area("lozenge") - once) > 0.2 * once);
        derived();
        robot.interact(model::undo);
        derived();
        assertThat(area("lozenge")).isEqualTo(once);
        robot.interact(() -> button(robot, "grow").fire());
        until("grown", () -> area("lozenge") > 1.2 * once);
        derived();
        stroke(robot, List.of(top()), true);
        until("given back", () -> area("lozenge") < once);
        derived();
        choose(robot, "#zone-tool", 1);
        stroke(robot, List.of(top()), false);
        until("flooded", () -> area("lozenge") > 2 * once);
        for (int i = 0; i < 6 && area("lozenge") > 0; i++) {
            robot.interact(model::undo);
            derived();
        }
        assertThat(area("lozenge")).isZero();
    }

    private static Button button(FxRobot robot, String words) {
        return robot.lookup(".card .button")
                .queryAllAs(Button.class)
                .stream()
                .filter(b -> b.getText().equals(words))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aSillyColourIsRefusedAndAPlaneSplitsAZone(FxRobot robot) {
        show(robot, "zones");
        var before = prop().colour();
        robot.interact(() -> {
            var hex = robot.lookup("#zone-hex").queryAs(TextField.class);
            hex.setText("reddish");
            hex.getOnAction().handle(null);
        });
        until("refused", () -> told().contains("written #rrggbb"));
        assertThat(prop().colour()).isEqualTo(before);
        choose(robot, "#zone-tool", 4);
        double whole = zones().base().areaMm2();
        robot.interact(() -> robot.lookup("#plane-at").queryAs(Slider.class).setValue(0.5));
        robot.interact(() -> robot.lookup("#paint-side").queryAs(Button.class).fire());
        var name = prop().colour().zones().getFirst().name();
        until("painted", () -> area(name) > 0.2 * whole);
        double all = prop().colour().zones().stream().map(ColourZone::name).mapToDouble(this::area).sum();
        assertThat(all).isCloseTo(whole, within(1e-9 * whole));
    }

    @Test
    void theOrderIsWalkedAndChangedByHand(FxRobot robot) {
        show(robot, "order");
        var order = plan().order();
        Slider walk = robot.lookup("#coat-step").query();
        for (int i = 0; i <= walk.getMax(); i++) {
            int to = i;
            robot.interact(() -> robot.lookup("#coat-step").queryAs(Slider.class).setValue(to));
        }
        int second = plan().coats().stream().map(ColourPlan.Coats::zones).toList().indexOf(List.of(order.get(1)));
        robot.interact(() -> robot.lookup("#coat-step").queryAs(Slider.class).setValue(second));
        robot.interact(() -> robot.lookup("#coat-earlier").queryAs(Button.class).fire());
        until("moved", () -> !prop().colour().order().isEmpty());
        derived();
        assertThat(plan().own()).isTrue();
        assertThat(plan().order().subList(0, 2)).containsExactly(order.get(1), order.get(0));
        assertThat(text(robot, ".card .label")).contains("your order");
        robot.interact(() -> button(robot, "best order again").fire());
        derived();
        assertThat(plan().order()).isEqualTo(order);
    }

    @Test
    void aForecastIsReadAndABrokenOneRefused(FxRobot robot) throws Exception {
        show(robot, "weather");
        var file = Files.createTempFile("forecast", ".csv");
        var day = model.now().toLocalDate();
        Files.writeString(file, "time,celsius,humidity,wind\n" + day + "T09:00,20,50,1\n" + day + "T10:00,mild,50,1\n");
        robot.interact(() -> model.useForecast(file));
        until("refused", () -> told().contains("line 3: temperature, C lies between"));
        var text = new StringBuilder("time,celsius,humidity,wind\n");
        for (int h = 0; h < 72; h++) text.append(day.atStartOfDay().plusHours(h)).append(h == 37 ? ",20,50,1\n" : ",2,95,9\n");
        Files.writeString(file, text);
        robot.interact(() -> model.useForecast(file));
        until("read", () -> told().contains("weather from"));
        assertThat(model.weather().at(day.plusDays(1).atTime(13, 0)).celsius()).isEqualTo(20);
        robot.interact(() -> model.go(Page.COLOUR, "weather"));
        choose(robot, "#defect", 3);
        assertThat(text(robot, ".card .label")).contains("solvent over enamel");
        robot.interact(() -> robot.press(KeyCode.ESCAPE).release(KeyCode.ESCAPE));
    }

    @Test
    void aMarkIsLaidAndItsStencilMeasured(FxRobot robot) throws Exception {
        show(robot, "marks");
        int zones = prop().colour().zones().size();
        choose(robot, "#mark-kind", 1);
        type(robot, "#mark-size", "24");
        type(robot, "#mark-hole", "0");
        hit(robot, top());
        until("laid", () -> prop().colour().marks().size() == 1);
        derived();
        double s = prop().scale(), disc = Math.PI * 144 / (s * s);
        assertThat(area("ring or disc")).isBetween(0.85 * disc, 1.15 * disc);
        assertThat(prop().colour().zones()).hasSize(zones + 1);
        var file = Files.createTempDirectory("stencil").resolve("s.pdf");
        answer(file);
        robot.interact(() -> robot.lookup("#stencil-pdf").queryAs(Button.class).fire());
        until("written", () -> told().contains("written: s.pdf"));
        try (var doc = Loader.loadPDF(file.toFile())) {
            assertThat(wideMm(new PDFRenderer(doc).renderImageWithDPI(0, 300))).isCloseTo(24, within(0.3));
        }
        robot.interact(model::undo);
        derived();
        assertThat(prop().colour().marks()).isEmpty();
        type(robot, "#mark-size", "huge");
        until("refused", () -> told().contains("outer diameter \"huge\""));
    }

    /** Of what is drawn below the head of the page. */
    private static double wideMm(BufferedImage page) {
        double mm = 25.4 / 300;
        int left = page.getWidth(), right = 0;
        for (int y = (int) (37.8 / mm); y < page.getHeight(); y++)
            for (int x = 0; x < page.getWidth(); x++) if ((page.getRGB(x, y) & 0xff) < 150) {
                left = Math.min(left, x);
                right = Math.max(right, x);
            }
        return (right - left) * mm;
    }

    @Test
    void aPaintIsKeptMatchedAndTaken(FxRobot robot) {
        show(robot, "palette");
        int before = model.shownProperty().get().paints().paints().size();
        robot.interact(() -> {
            robot.lookup("#paint-name").queryAs(TextField.class).setText("lamp black");
            robot.lookup("#paint-dried").queryAs(TextField.class).setText("very dark");
            robot.lookup("#keep-paint").queryAs(Button.class).fire();
        });
        until("refused", () -> told().contains("write #rrggbb, or L* a* b*"));
        robot.interact(() -> {
            robot.lookup("#paint-dried").queryAs(TextField.class).setText("18 0.5 -1");
            robot.lookup("#keep-paint").queryAs(Button.class).fire();
        });
        until("kept", () -> model.shownProperty().get().paints().paints().size() == before + 1);
        derived();
        robot.interact(() -> robot.lookup("#read-card").queryAs(Button.class).fire());
        until("wants its tile", () -> told().contains("white tile"));
        robot.interact(() -> robot.lookup("#read-white").queryAs(Button.class).fire());
        robot.interact(() -> robot.lookup("#read-card").queryAs(Button.class).fire());
        until("read", () -> model.shownProperty().get().paints().paint("lamp black").orElseThrow().dried().orElseThrow().l() != 18);
        derived();
        robot.interact(() -> robot.lookup("#take-paint").queryAs(Button.class).fire());
        var lab = model.shownProperty().get().paints().paint("lamp black").orElseThrow().colour().hex();
        until("taken", () -> prop().colour().zones().getFirst().hex().equals(lab));
    }

    @Test
    void weatheringIsSlidAndItsStepsFollow(FxRobot robot) {
        show(robot, "weathering");
        until("fields", () -> model.fresh(ColourFigures.FIELDS));
        robot.interact(() -> model.apply(Edit.colours("as new", prop().id(), w -> w.withWeather(WeatherWish.NEW))));
        derived();
        assertThat(text(robot, ".card .label")).contains("nothing yet");
        robot.interact(() -> robot.lookup("#weather-wash").queryAs(Slider.class).setValue(0.6));
        until("a wash", () -> prop().colour().weather().of(Effect.WASH) == 0.6);
        derived();
        assertThat(model.result(ColourFigures.WEATHER).orElseThrow().steps()).hasSize(1);
        assertThat(text(robot, ".card .label")).contains("flood the recesses");
        assertThat(model.ofBuild(PlanFigures.SCHEDULE).orElseThrow().placed()).anyMatch(p -> p.task().name().startsWith("wash"));
        robot.interact(model::undo);
        derived();
        assertThat(prop().colour().weather().none()).isTrue();
    }

    private static final double GROOVE_MM = 60;

    /** A block with two grooves, rounded at their ends, in place of the helm's mesh. */
    private void grooved(FxRobot robot) {
        var m = Shapes.relief(90, 60, 20, 0.75, (x, y) -> {
            double d = Math.min(Line2D.ptSegDist(15, 20, 15 + GROOVE_MM, 20, x, y), Line2D.ptSegDist(15, 40, 15 + GROOVE_MM, 40, x, y));
            return d < 1.4 ? -1.2 * Math.cos(Math.PI * d / 2.8) : 0;
        });
        robot.interact(() -> model.apply(new Edit("another model",
                b -> b.with(b.prop(prop().id()).orElseThrow().withMesh(m.contentHash()).withColour(ColourWish.GREY))), m));
    }

    @Test
    void linesAreFoundTimedAndLeftOut(FxRobot robot) {
        derived();
        grooved(robot);
        show(robot, "lines");
        assertThat(text(robot, ".card .label")).contains("nothing is looked for");
        robot.interact(() -> robot.lookup("#lines-groove").queryAs(ToggleButton.class).fire());
        until("found", () -> model.fresh(ColourFigures.LINE_PLAN)
                && model.result(ColourFigures.LINES).filter(l -> !l.found().isEmpty()).isPresent());
        derived();
        double s = prop().scale();
        var plan = model.result(ColourFigures.LINE_PLAN).orElseThrow();
        assertThat(plan.lines()).hasSize(2);
        double exact = 2 * (GROOVE_MM + 2.4) * s;
        assertThat(plan.lengthMm()).isCloseTo(exact, within(0.03 * exact));
        assertThat(model.ofBuild(PlanFigures.SCHEDULE).orElseThrow().placed()).anyMatch(p -> p.task().name().startsWith("lines by"));
        type(robot, "#strip-min", "soon");
        robot.interact(() -> robot.lookup("#strip-keep").queryAs(Button.class).fire());
        until("refused", () -> told().contains("minutes it took \"soon\""));
        robot.interact(() -> {
            robot.lookup("#strip-min").queryAs(TextField.class).setText("9");
            robot.lookup("#strip-keep").queryAs(Button.class).fire();
        });
        until("told", () -> prop().colour().lines().strips().size() == 1);
        derived();
        hit(robot, plan.lines().getFirst().at().times(1 / s));
        until("one left", () -> prop().colour().lines().left().size() == 1);
        derived();
        assertThat(model.result(ColourFigures.LINE_PLAN).orElseThrow().lines()).hasSize(1);
        robot.interact(model::undo);
        derived();
        assertThat(prop().colour().lines().left()).isEmpty();
    }

    @Test
    void marksAreLaidBetweenTwoPlacesAndAlongAPath(FxRobot robot) {
        derived();
        grooved(robot);
        show(robot, "marks");
        choose(robot, "#mark-kind", 0);
        until("stripes", () -> robot.lookup("#mark-n").tryQuery().isPresent());
        choose(robot, "#mark-laying", 1);
        until("between", () -> text(robot, ".card .label").contains("where it ends"));
        double z = zones().base().bounds().max().z(), s = prop().scale();
        hit(robot, new Vec3(20, 6, z));
        hit(robot, new Vec3(70, 6, z));
        until("laid", () -> prop().colour().marks().size() == 1);
        derived();
        var wide = prop().colour().marks().getFirst().outline().getBounds2D().getWidth();
        assertThat(wide).as("the way between").isCloseTo(50 * s, within(0.5));
        choose(robot, "#mark-kind", 2);
        until("letters", () -> robot.lookup("#mark-letters").tryQuery().isPresent());
        choose(robot, "#mark-laying", 2);
        until("a path", () -> robot.lookup("#mark-lay").tryQuery().isPresent());
        robot.interact(() -> robot.lookup("#mark-letters").queryAs(TextField.class).setText("TIDE"));
        type(robot, "#mark-tall", "6");
        hit(robot, new Vec3(15, 54, z));
        hit(robot, new Vec3(75, 54, z));
        until("two places", () -> !robot.lookup("#mark-lay").queryAs(Button.class).isDisabled());
        robot.interact(() -> robot.lookup("#mark-lay").queryAs(Button.class).fire());
        until("four letters", () -> prop().colour().marks().size() == 5);
        derived();
        var x = prop().colour().marks().stream().skip(1).map(m -> m.at().x()).toList();
        assertThat(x).as("read from its start").isIn(x.stream().sorted().toList(), x.stream().sorted(Comparator.reverseOrder()).toList());
        assertThat(prop().colour().marks().stream().skip(1).map(Mark::zone).distinct()).hasSize(1);
    }

    @Test
    void aReferenceIsTickedOffAndPapersAreWritten(FxRobot robot) throws Exception {
        show(robot, "palette");
        robot.interact(() -> {
            robot.lookup("#reference-name").queryAs(TextField.class).setText("plate 3");
            robot.lookup("#reference-add").queryAs(Button.class).fire();
        });
        until("a reference", () -> prop().colour().references().size() == 1);
        derived();
        robot.interact(() -> {
            robot.lookup("#reference-what").queryAs(TextField.class).setText("rivets");
            robot.lookup("#reference-count").queryAs(TextField.class).setText("some");
            robot.lookup("#reference-count-add").queryAs(Button.class).fire();
        });
        until("refused", () -> told().contains("how many rivets"));
        robot.interact(() -> {
            robot.lookup("#reference-count").queryAs(TextField.class).setText("3");
            robot.lookup("#reference-count-add").queryAs(Button.class).fire();
        });
        until("counted", () -> !prop().colour().references().getFirst().counts().isEmpty());
        derived();
        robot.interact(() -> button(robot, "one more").fire());
        until("ticked", () -> prop().colour().references().getFirst().counts().getFirst().done() == 1);
        show(robot, "order");
        until("mounts", () -> model.fresh(ColourFigures.MOUNTS));
        var dir = Files.createTempDirectory("papers");
        for (var id : List.of("zones-drawing", "colour-card")) {
            var file = dir.resolve(id + ".pdf");
            answer(file);
            robot.interact(() -> robot.lookup("#" + id).queryAs(Button.class).fire());
            until("written", () -> told().contains("written: " + id + ".pdf"));
            try (var doc = Loader.loadPDF(file.toFile())) {
                assertThat(new PDFTextStripper().getText(doc)).contains("cheek guards");
            }
        }
    }

    @Test
    void sootComesFromWhereItIsClicked(FxRobot robot) {
        show(robot, "weathering");
        robot.interact(() -> robot.lookup("#weather-soot").queryAs(Slider.class).setValue(0.8));
        until("soot", () -> prop().colour().weather().of(Effect.SOOT) == 0.8);
        derived();
        assertThat(text(robot, ".card .label")).contains("click on the model where smoke comes out");
        until("fields", () -> model.fresh(ColourFigures.SOOTED));
        hit(robot, top());
        until("a source", () -> prop().colour().weather().soot().size() == 1);
        derived();
        var fields = model.result(ColourFigures.SOOTED).orElseThrow();
        assertThat(IntStream.range(0, fields.size()).filter(f -> fields.soot(f) > 0.5).count()).isPositive();
    }
}
