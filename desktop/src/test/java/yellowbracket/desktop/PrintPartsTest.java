package yellowbracket.desktop;

import java.nio.file.Files;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;
import yellowbracket.demo.DemoBuild;
import yellowbracket.derive.plan.ShelfFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.derive.smooth.SmoothFigures;
import yellowbracket.desktop.model.Page;
import yellowbracket.device.PrinterLink;
import yellowbracket.document.Edit;
import yellowbracket.log.Entry;
import yellowbracket.plan.Schedule;
import yellowbracket.print.SectionPrint;
import yellowbracket.work.SectionId;
import yellowbracket.work.TaskId;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

/**
 * The print page in the real window: ways up taken, tilted and laid down, profiles changed, rows dragged, a simulated printer run into a
 * fault.
 */
class PrintPartsTest extends WindowTest {
    /** The demo before anything was printed. */
    @Override
    DemoBuild first() {
        var demo = lightDemo();
        var b = demo.build();
        for (var p : b.props()) if (!p.id().equals("helm")) b = b.withoutProp(p.id());
        return new DemoBuild(b.withLog(List.of()), demo.meshes());
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
        robot.interact(() -> model.go(Page.PRINT, part));
        settled();
    }

    /** Until what the page shows beside the plan is there too. */
    private void settled() {
        derived();
        until("ways up, plates, records",
                () -> model.fresh(PrintFigures.ONE_PIECE) && model.derivedProperty().get().fresh(ShelfFigures.SPOOLS, ""));
    }

    private SectionPrint print(String section) {
        return model.result(PrintFigures.PRINTS).orElseThrow().print(section);
    }

    private static void fire(FxRobot robot, String id) {
        until(id + " is there", () -> robot.lookup("#" + id).tryQueryAs(Button.class).filter(javafx.scene.Node::isVisible).isPresent());
        steadily(() -> robot.interact(() -> robot.lookup("#" + id).queryAs(Button.class).fire()));
    }

    private List<ToggleButton> rows(FxRobot robot) {
        return robot.lookup(".alt").queryAllAs(ToggleButton.class).stream().toList();
    }

    @Test
    void aWayUpIsTakenTiltedAndLaidDownAndThePlanFollows(FxRobot robot) {
        page(robot, "way up");
        steadily(() -> robot.clickOn("#section-A"));
        until("ways of A", () -> rows(robot).size() >= 2);
        var before = print("A").orientation().turn();
        var other = rows(robot).stream().filter(b -> !b.isSelected()).findFirst().orElseThrow();
        robot.interact(other::fire);
        settled();
        assertThat(print("A").orientation().turn().row2()).isNotEqualTo(before.row2());
        assertThat(prop().print().sections()).containsOnlyKeys("A");
        var taken = print("A").orientation().turn();
        fire(robot, "tilt-near-up");
        settled();
        assertThat(Math.toDegrees(Math.acos(print("A").orientation().turn().row2().dot(taken.row2())))).as("tilted by the step")
                .isCloseTo(15, within(1e-6));
        type(robot, "#tilt-step", "lots");
        until("refused", () -> !told().isEmpty());
        assertThat(told()).contains("step \"lots\"", "degrees between 1 and 90");
        robot.interact(() -> press(robot, "as proposed"));
        settled();
        assertThat(print("A").orientation().turn()).isEqualTo(before);
        assertThat(prop().print().sections()).isEmpty();
        robot.interact(() -> press(robot, "lowest"));
        settled();
        assertThat(prop().print().sections()).hasSize(5);
        assertThat(prop().print().sections().values()).allSatisfy(w -> assertThat(w.turn()).isPresent());
    }

    @Test
    void aFaceClickedOnTheBenchLiesOnTheBed(FxRobot robot) {
        page(robot, "way up");
        steadily(() -> robot.clickOn("#section-E"));
        settled();
        robot.interact(() -> robot.lookup("#lay-face").queryAs(ToggleButton.class).fire());
        var bench = bench();
        var size = print("E").orientation().size();
        var bed = print("E").printer();
        var before = print("E").orientation().turn();
        // somewhere on the section: its outline in the view is found by trying
        for (double share : new double[] {0.5, 0.35, 0.65, 0.2, 0.8}) {
            var at = bench.onScreen(new yellowbracket.mesh.Vec3(-bed.bedX() / 2 + (share - 0.5) * size.x(),
                    -bed.bedY() / 2 + 0.4 * size.y(), 0.6 * size.z()));
            robot.clickOn(bench.localToScreen(at), MouseButton.PRIMARY);
            if (prop().print().sections().containsKey("E")) break;
        }
        until("laid down", () -> prop().print().sections().containsKey("E"));
        settled();
        assertThat(print("E").orientation().turn()).isNotEqualTo(before).isEqualTo(prop().print().section("E").turn().orElseThrow());
    }

    @Test
    void aFinerProfileMovesHoursSmoothingAndTheRun(FxRobot robot) {
        page(robot, "how fine");
        double print = printHours(), smooth = model.result(SmoothFigures.SMOOTH).orElseThrow().hours();
        var lastPrint = model.schedule()
                .orElseThrow()
                .placed()
                .stream()
                .filter(p -> p.task().id() instanceof TaskId.Print)
                .map(Schedule.Placed::end)
                .max(java.util.Comparator.naturalOrder())
                .orElseThrow();
        type(robot, "#profile-layer", "0.1");
        settled();
        assertThat(prop().print().profile().layerMm()).isEqualTo(0.1);
        assertThat(printHours()).isGreaterThan(1.6 * print);
        assertThat(model.result(SmoothFigures.SMOOTH).orElseThrow().hours()).isLessThan(smooth);
        assertThat(model.schedule()
                .orElseThrow()
                .placed()
                .stream()
                .filter(p -> p.task().id() instanceof TaskId.Print)
                .map(Schedule.Placed::end)
                .max(java.util.Comparator.naturalOrder())
                .orElseThrow()).isAfter(lastPrint);
        type(robot, "#profile-layer", "0.5");
        assertThat(told()).contains("three quarters of the 0.4 mm nozzle");
        assertThat(prop().print().profile().layerMm()).isEqualTo(0.1);
        type(robot, "#profile-infill", "-3");
        assertThat(told()).contains("per cent between 0 and 100");
        robot.interact(() -> model.undo());
        settled();
        assertThat(printHours()).isCloseTo(print, within(1e-9));
        var point = robot.lookup(n -> n.getId() != null && n.getId().startsWith("fine-0.4-0.28")).query();
        robot.clickOn(point);
        until("the point's layer height", () -> prop().print().profile().layerMm() == 0.28);
    }

    @Test
    void oneSectionHasAProfileOfItsOwn(FxRobot robot) {
        page(robot, "how fine");
        steadily(() -> robot.clickOn("#section-B"));
        type(robot, "#profile-brim", "8");
        settled();
        assertThat(print("B").profile().brimMm()).isEqualTo(8);
        assertThat(print("A").profile().brimMm()).isZero();
        type(robot, "#profile-brim", "0");
        settled();
        assertThat(prop().print().sections()).as("as the others again: nothing is kept").isEmpty();
    }

    @Test
    void rowsOfTheQueueAreDraggedAndBedsFilledAndTheRunFollows(FxRobot robot) throws Exception {
        page(robot, "plates");
        var printer = model.ofBuild(PrintFigures.PLATES)
                .orElseThrow()
                .chosen()
                .stream()
                .collect(java.util.stream.Collectors.groupingBy(p -> p.printer().name()))
                .entrySet()
                .stream()
                .filter(e -> e.getValue().size() >= 2)
                .findFirst()
                .orElseThrow()
                .getKey();
        var names = order(printer);
        until("rows", () -> robot.lookup("#queue-" + names.getLast()).tryQuery().isPresent());
        var last = robot.lookup("#queue-" + names.getLast()).query();
        robot.drag(last, MouseButton.PRIMARY).moveBy(0, -20).moveBy(0, -34 * (names.size() - 1) + 20).drop();
        until("moved to the front", () -> !model.shownProperty().get().queue().order().isEmpty());
        settled();
        assertThat(order(printer).getFirst()).isEqualTo(names.getLast());
        steadily(() -> robot.interact(() -> robot.lookup("#queue-" + names.getLast()).query().requestFocus()));
        robot.press(KeyCode.ALT).type(KeyCode.DOWN).release(KeyCode.ALT);
        until("one place later", () -> order(printer).get(1).equals(names.getLast()));
        settled();
        var file = dir.resolve("queue.csv");
        answer(file);
        press(robot, "export the queue ...");
        until("written", () -> Files.exists(file) && model.busyProperty().get().isEmpty());
        var lines = Files.readAllLines(file);
        java.util.Collections.reverse(lines.subList(1, lines.size()));
        Files.write(file, lines);
        answer(file);
        press(robot, "import ...");
        until("read back",
                () -> model.shownProperty()
                        .get()
                        .queue()
                        .order()
                        .stream()
                        .map(SectionId::letter)
                        .toList()
                        .equals(lines.subList(1, lines.size()).stream().map(l -> l.substring(0, 1)).toList()));
        Files.writeString(file, "section,printer\nZ,mid bed\n");
        answer(file);
        press(robot, "import ...");
        until("refused", () -> told().contains("no section \"Z\""));
        settled();
        until("the modes", () -> rows(robot).size() == 2);
        robot.interact(() -> rows(robot).get(1).fire());
        until("full beds", () -> model.shownProperty().get().queue().fullPlates());
        settled();
        assertThat(model.ofBuild(PrintFigures.PLATES).orElseThrow().chosen())
                .isEqualTo(model.ofBuild(PrintFigures.PLATES).orElseThrow().full());
    }

    private List<String> order(String printer) {
        return model.schedule()
                .orElseThrow()
                .placed()
                .stream()
                .filter(p -> p.task().id() instanceof TaskId.Print && p.task().printer().equals(printer))
                .sorted(java.util.Comparator.comparing(Schedule.Placed::start))
                .map(p -> ((TaskId.Print) p.task().id()).letters())
                .toList();
    }

    @Test
    void aPrinterRunsIntoAFaultItIsLoggedAndTheEstimateMoves(FxRobot robot) {
        page(robot, "printers");
        var printer = model.shownProperty().get().printers().getFirst();
        var link = model.link(printer);
        double rate = model.ofBuild(PrintFigures.RECORDS).orElseThrow().of(printer.name()).failuresPerHour(),
                expected = model.result(PrintFigures.PRINTS).orElseThrow().expectedHours();
        fire(robot, "start-mid-bed");
        until("started and logged", () -> model.shownProperty().get().log().stream().anyMatch(e -> e.kind() == Entry.Kind.STARTED));
        settled();
        fire(robot, "pause-mid-bed");
        assertThat(link.status().state()).isEqualTo(PrinterLink.State.PAUSED);
        until("paused is told", () -> robot.lookup("#state-mid-bed").queryAs(Label.class).getText().contains("paused"));
        link.vanish();
        until("no answer is told", () -> robot.lookup("#state-mid-bed").queryAs(Label.class).getText().contains("no answer"));
        link.back();
        fire(robot, "resume-mid-bed");
        // prints until one fails; those that end before are logged as done
        for (int i = 0; i < 200 && link.status().state() != PrinterLink.State.FAULT; i++) {
            link.advance(400);
            if (link.status().state() == PrinterLink.State.DONE) {
                link.clear();
                link.start(new PrinterLink.Job("A", 1000, 60));
            }
        }
        assertThat(link.status().state()).isEqualTo(PrinterLink.State.FAULT);
        fire(robot, "write-mid-bed");
        until("logged", () -> model.shownProperty().get().log().stream().anyMatch(e -> e.kind() == Entry.Kind.FAILED));
        settled();
        assertThat(link.status().state()).isEqualTo(PrinterLink.State.IDLE);
        assertThat(model.ofBuild(PrintFigures.RECORDS).orElseThrow().of(printer.name()).failuresPerHour()).isGreaterThan(rate);
        assertThat(model.result(PrintFigures.PRINTS).orElseThrow().expectedHours()).isGreaterThan(expected);
        assertThat(told()).contains("failed at");
    }

    @Test
    void spoolsAreWeighedQuietHoursTakenAndSillyOnesRefused(FxRobot robot) {
        page(robot, "printers");
        type(robot, "#weigh-mid-bed", "500");
        until("weighed", () -> model.shownProperty().get().spools().getFirst().grams() == 285);
        settled();
        type(robot, "#weigh-mid-bed", "12");
        assertThat(told()).contains("grams on the scale");
        type(robot, "#quiet-from-mid-bed", "22:30");
        assertThat(told()).contains("type both as 22:00");
        type(robot, "#quiet-to-mid-bed", "7 am");
        assertThat(told()).contains("type both as 22:00");
        assertThat(model.shownProperty().get().printers().getFirst().quiet()).isEmpty();
        var finish = finish();
        robot.interact(() -> model.apply(Edit.printer("quiet", "mid bed", p -> p
                .withQuiet(Optional.of(new yellowbracket.shop.Quiet(java.time.LocalTime.of(19, 0), java.time.LocalTime.of(11, 0)))))));
        settled();
        assertThat(finish()).isAfterOrEqualTo(finish);
        int printers = model.shownProperty().get().printers().size();
        robot.interact(() -> press(robot, "small bed"));
        until("added", () -> model.shownProperty().get().printers().size() == printers + 1);
    }

    @Test
    void aTestPieceIsMeasuredAndAnOddPrintHoldsTheQueue(FxRobot robot) {
        page(robot, "printers");
        var printer = model.shownProperty().get().printers().getFirst();
        type(robot, "#fit-hole-" + printer.tag(), "wide");
        assertThat(told()).contains("hole of the test piece on " + printer.name() + " \"wide\"");
        for (var reading : java.util.Map.of("hole", "9.82", "peg", "10.07", "length", "71.9").entrySet())
            robot.interact(() -> robot.lookup("#fit-" + reading.getKey() + "-" + printer.tag())
                    .queryAs(javafx.scene.control.TextField.class)
                    .setText(reading.getValue()));
        robot.interact(() -> robot.lookup("#fit-length-" + printer.tag())
                .queryAs(javafx.scene.control.TextField.class)
                .fireEvent(new javafx.event.ActionEvent()));
        until("measured", () -> model.shownProperty().get().printers().getFirst().fit().isPresent());
        assertThat(model.shownProperty().get().printers().getFirst().fit().orElseThrow().holeMm()).isEqualTo(-0.18);
        derived();
        robot.interact(() -> model.go(Page.CUT, "joints"));
        until("told where pins are drawn", () -> text(robot, ".label").contains("a pin does not go in"));

        var first = model.result(PrintFigures.PRINTS).orElseThrow().prints().getFirst();
        robot.interact(() -> model.note("odd " + first.name() + " strings all over #" + first.printer().tag()));
        page(robot, "failures");
        until("held", () -> text(robot, ".label").contains("waits: on"));
        robot.interact(() -> model.note("cause: wet filament"));
        settled();
        until("goes on", () -> !text(robot, ".label").contains("waits: on"));
        robot.interact(() -> model.note("failed " + first.name() + " 20 % layer shift #" + first.printer().tag()));
        settled();
        until("proved first", () -> text(robot, ".row-name").contains("prove " + first.printer().name()));
        press(robot, "it did well");
        settled();
        assertThat(model.schedule()
                .orElseThrow()
                .placed()
                .stream()
                .map(t -> t.task().id().text())
                .filter(t -> t.startsWith("calibrate:"))
                .toList()).hasSize(1);
    }

    @Test
    void aStumpMeasuredMovesTheCut(FxRobot robot) {
        robot.interact(() -> model.note("failed D 64 % 8.4 h layer shift overnight #mid-bed"));
        page(robot, "failures");
        until("salvage", () -> labels(robot, ".section-title").stream().anyMatch(l -> l.getText().contains("section D stopped at 64 %")));
        double tall = print("D").orientation().size().z();
        type(robot, "#stump-D", String.valueOf(Math.round(tall / 2)));
        until("cut at the height measured", () -> labels(robot, ".section-title").stream()
                .anyMatch(l -> l.getText().contains(Math.round(tall / 2) + ".0 mm above the bed")));
        type(robot, "#stump-D", "9999");
        assertThat(told()).contains("height of the stump");
        assertThat(text(robot, ".row-name")).contains("layer shift", "in one piece", "failing at 80 %");
    }

    @Test
    void aPhotoGoesBesideAnEntryAndIsShown(FxRobot robot) throws Exception {
        derived();
        robot.interact(() -> {
            model.note("failed D 64 % layer shift #mid-bed");
            model.pageProperty().set(Page.LOG);
        });
        derived();
        var picture = dir.resolve("d.png");
        var image = new java.awt.image.BufferedImage(40, 30, java.awt.image.BufferedImage.TYPE_INT_RGB);
        javax.imageio.ImageIO.write(image, "png", picture.toFile());
        var sheet = robot.lookup(n -> "entries".equals(n.getAccessibleText())).<javafx.scene.control.TableView<Entry>>query();
        robot.interact(() -> sheet.getSelectionModel().select(0));
        until("offered", () -> robot.lookup("add ...").tryQuery().isPresent());
        robot.interact(() -> model.addPhoto(model.shownProperty().get().log().getFirst(), picture));
        until("kept", () -> model.shownProperty().get().log().getFirst().photos().size() == 1);
        until("shown on the bench", () -> bench().lookupAll(".image-view").stream().anyMatch(javafx.scene.Node::isVisible));
        Files.writeString(picture, "no picture");
        robot.interact(() -> model.addPhoto(model.shownProperty().get().log().getFirst(), picture));
        until("refused", () -> told().contains("neither a JPEG nor a PNG"));
    }
}
