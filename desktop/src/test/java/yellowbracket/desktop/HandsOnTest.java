package yellowbracket.desktop;

import java.time.Duration;
import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import javafx.event.Event;
import javafx.scene.control.Button;
import javafx.scene.control.ColorPicker;
import javafx.scene.control.DatePicker;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.DragEvent;
import javafx.scene.input.Dragboard;
import javafx.scene.input.KeyCode;
import javafx.scene.input.TransferMode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.mockito.Mockito;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;
import yellowbracket.demo.DemoBuild;
import yellowbracket.derive.plan.ShelfFigures;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.desktop.model.Page;
import yellowbracket.document.Edit;
import yellowbracket.document.ShopFile;
import yellowbracket.work.Need;
import yellowbracket.shop.StockItem;
import yellowbracket.shop.Reserved;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.io.StlWriter;
import static org.awaitility.Awaitility.await;
import static org.assertj.core.api.Assertions.assertThat;

/**
 * Controls a maker works with by hand, each in the real window: planes dragged, files dropped, measures, colours, dates, the finder by
 * mouse.
 */
class HandsOnTest extends WindowTest {
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

    @Test
    void aPlaneIsDraggedInTheBenchAsOneStep(FxRobot robot) {
        derived();
        robot.interact(() -> {
            model.pageProperty().set(Page.CUT);
            bench().look("three-quarter");
            bench().planes().setSelected(true);
        });
        derived();
        var plane = prop().cut().tree().planes().getFirst();
        assertThat(plane.normal()).isEqualTo(Vec3.Z);
        int steps = model.session().history().steps().size();
        // a corner of the pane, beside the model, where nothing stands in front of it
        var box = model.result(ModelFigures.MODEL).orElseThrow().mesh().bounds().scaled(prop().scale());
        var corner = new Vec3(box.centre().x() + 0.26 * box.diagonal(), box.centre().y() + 0.26 * box.diagonal(),
                plane.offsetMm() * prop().scale());
        var from = bench().localToScreen(bench().onScreen(corner));
        robot.drag(from).moveTo(from.add(0, 12)).moveTo(from.add(0, 24));
        until("sections follow",
                () -> model.shownProperty().get().prop("helm").orElseThrow().cut().tree().planes().getFirst().offsetMm() < plane.offsetMm()
                        - 2);
        assertThat(model.session().build().prop("helm").orElseThrow().cut().tree().planes().getFirst()).as("not taken while it moves")
                .isEqualTo(plane);
        robot.drop();
        until("taken",
                () -> model.session().build().prop("helm").orElseThrow().cut().tree().planes().getFirst().offsetMm() < plane.offsetMm()
                        - 2);
        assertThat(model.session().history().steps()).hasSize(steps + 1);
        derived();
        assertThat(model.result(CutFigures.SECTIONS).orElseThrow().sections()).allSatisfy(s -> assertThat(s.closed()).isTrue());
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        until("back", () -> prop().cut().tree().planes().getFirst().equals(plane));
    }

    @Test
    void aDroppedFileIsOpened(FxRobot robot) throws Exception {
        derived();
        var file = dir.resolve("dropped.stl");
        StlWriter.write(Shapes.torus(60, 20, 40, 20), "dropped", file);
        var board = Mockito.mock(Dragboard.class);
        Mockito.when(board.hasFiles()).thenReturn(true);
        Mockito.when(board.getFiles()).thenReturn(List.of(new File(file.toString())));
        Mockito.when(board.getTransferModes()).thenReturn(EnumSet.of(TransferMode.COPY));
        robot.interact(() -> {
            for (var kind : List.of(DragEvent.DRAG_OVER, DragEvent.DRAG_DROPPED))
                Event.fireEvent(frame, new DragEvent(frame, frame, kind, board, 300, 300, 300, 300, TransferMode.COPY, frame, frame, null));
        });
        until("opened", () -> model.currentProp().map(p -> p.name().equals("dropped")).orElse(false));
    }

    @Test
    void measuresAreKeptInTheShopAndSillyOnesRefused(FxRobot robot) throws Exception {
        derived();
        robot.interact(() -> model.apply(new Edit("a build of one's own", b -> b.withName("mine").withSeed(7))));
        derived();
        until("the card", () -> labels(robot, ".action").stream().anyMatch(l -> l.getText().equals("measures ...")));
        robot.clickOn("measures ...");
        var fields = new TextField[1];
        until("the form", () -> {
            fields[0] = robot.listWindows()
                    .stream()
                    .filter(javafx.stage.Popup.class::isInstance)
                    .flatMap(w -> w.getScene().getRoot().lookupAll(".text-field").stream())
                    .map(TextField.class::cast)
                    .filter(t -> t.getAccessibleText() != null && t.getAccessibleText().startsWith("circumference"))
                    .findFirst()
                    .orElse(null);
            return fields[0] != null;
        });
        for (var silly : List.of("57,5", "wide", "", "22.6")) {
            robot.interact(() -> fields[0].setText(silly));
            robot.clickOn("keep");
            assertThat(fields[0].getStyleClass()).as(silly).contains("wrong");
        }
        robot.interact(() -> fields[0].setText("580"));
        robot.clickOn("keep");
        until("kept", () -> model.session().build().wearer("Maren").orElseThrow().head().circumferenceMm() == 580);
        until("in the shop too", () -> Files.exists(dir.resolve("shop.json")));
        assertThat(ShopFile.read(dir.resolve("shop.json")).wearers()).singleElement()
                .satisfies(w -> assertThat(w.name()).isEqualTo("Maren"));
        derived();
        robot.interact(() -> model.sessions().save(dir.resolve("mine.bracket")));
        until("what this build taught, and its printers and spools", () -> {
            try {
                var shop = ShopFile.read(dir.resolve("shop.json"));
                return !shop.rates().isEmpty() && shop.spools().equals(model.session().build().spools())
                        && shop.printers().equals(model.session().build().printers());
            } catch (java.io.IOException e) {
                return false;
            }
        });
    }

    /** Two builds, one shelf: what each still needs stands in the shop, and what another took is told and can be taken over. */
    @Test
    void buildsOfOneShopShareItsShelf(FxRobot robot) throws Exception {
        var file = dir.resolve("mine.bracket");
        var shopFile = dir.resolve("shop.json");
        derived();
        robot.interact(() -> model.apply(new Edit("a build of one's own", b -> b.withName("mine").withSeed(7))));
        derived();
        robot.interact(() -> model.sessions().save(file));
        String key = model.session().build().key();
        until("what it needs and its labels stand in the shop", () -> {
            var shop = shop(shopFile);
            return shop.reserved().containsKey(key) && shop.paints().equals(model.session().build().paints());
        });
        var due = model.session().build().due();
        var primer = new StockItem("filler primer", 1, "cans");
        shop(shopFile).withStock(List.of(primer))
                .withReserved("another", new Reserved("another", due.minusDays(3), List.of(new Need("filler primer", 50, "cans"))))
                .write(shopFile);
        var later = Files.copy(file, dir.resolve("later.bracket"));
        robot.interact(() -> model.sessions().open(later));
        until("told", () -> model.shelfElsewhere().isPresent());
        derived();
        until("two cans here, and none of them free",
                () -> model.derived()
                        .get(ShelfFigures.SHOPPING)
                        .filter(s -> s.list().stream().anyMatch(b -> b.line().name().equals("filler primer") && b.reserved() > 0))
                        .isPresent());
        robot.interact(() -> model.go(Page.PLAN, "shelf"));
        until("the shelf has changed", () -> text(robot, ".finding > .label").contains("another build has changed the shelf"));
        press(robot, "take it over");
        until("taken over", () -> model.session().build().stock().equals(List.of(primer)));
        until("and told no more", () -> !text(robot, ".finding > .label").contains("another build has changed the shelf"));
    }

    private static ShopFile shop(Path file) {
        try {
            return ShopFile.read(file);
        } catch (java.io.IOException e) {
            return ShopFile.fresh();
        }
    }

    @Test
    void theDemoLeavesTheShopAlone(FxRobot robot) throws Exception {
        derived();
        robot.interact(() -> model.keepWearer(model.session().build().wearers().getFirst()));
        robot.interact(() -> model.sessions().save(dir.resolve("demo.bracket")));
        await().during(Duration.ofMillis(300)).atMost(Duration.ofSeconds(10)).until(() -> Files.notExists(dir.resolve("shop.json")));
    }

    @Test
    void aColourAndTheEventDayAreChanged(FxRobot robot) {
        derived();
        robot.interact(() -> model.pageProperty().set(Page.COLOUR));
        until("colours", () -> robot.lookup(".color-picker").tryQuery().isPresent());
        var before = prop().colour().zones();
        robot.interact(() -> {
            var picker = robot.lookup(".color-picker").queryAs(ColorPicker.class);
            picker.setValue(javafx.scene.paint.Color.web("#224466"));
            picker.fireEvent(new javafx.event.ActionEvent());
        });
        until("repainted", () -> !prop().colour().zones().equals(before)
                && prop().colour().zones().stream().anyMatch(z -> z.hex().equalsIgnoreCase("#224466")));
        robot.interact(() -> model.pageProperty().set(Page.PLAN));
        until("the day", () -> robot.lookup(".date-picker").tryQuery().isPresent());
        var due = model.session().build().due();
        robot.interact(() -> robot.lookup(".date-picker").queryAs(DatePicker.class).setValue(due.toLocalDate().plusDays(10)));
        until("ten days more", () -> model.session().build().due().toLocalDate().equals(due.toLocalDate().plusDays(10)));
        assertThat(model.session().build().due().toLocalDate()).isAfter(LocalDate.of(2026, 4, 1));
    }

    @Test
    void theFinderTakesTheMouseAndFindsThings(FxRobot robot) {
        derived();
        robot.clickOn("find ...  /");
        robot.write("lamp staff");
        until("found",
                () -> robot.lookup(".list-cell")
                        .queryAll()
                        .stream()
                        .anyMatch(n -> n instanceof Labeled l && l.getText() != null && l.getText().contains("lamp staff")
                                || n.lookup(".label") instanceof Labeled m && m.getText().contains("lamp staff")));
        robot.type(KeyCode.ENTER);
        until("chosen", () -> model.propProperty().get().equals("staff"));
    }

    @Test
    void seamsPrintersAndLadderAnswerAClick(FxRobot robot) {
        derived();
        for (var page : List.of(Page.JOIN, Page.SMOOTH)) {
            robot.interact(() -> model.go(page, page == Page.SMOOTH ? "ladder" : "seams"));
            until(page + " with alternatives",
                    () -> robot.lookup(".alt")
                            .queryAll()
                            .stream()
                            .anyMatch(n -> n instanceof ToggleButton t && !t.isSelected() && t.getAccessibleHelp() != null));
            var build = model.session().build();
            var other = robot.lookup(".alt")
                    .queryAll()
                    .stream()
                    .filter(n -> n instanceof ToggleButton t && !t.isSelected())
                    .map(ToggleButton.class::cast)
                    .findFirst()
                    .orElseThrow();
            robot.interact(other::fire);
            until(page + " changed", () -> !model.session().build().equals(build));
            robot.interact(model::undo);
            derived();
        }
    }

    @Test
    void aPageIsUsableAtTheSmallestSize(FxRobot robot) {
        derived();
        robot.interact(() -> {
            frame.getScene().getWindow().setWidth(1024);
            frame.getScene().getWindow().setHeight(700);
        });
        for (var page : Page.values()) {
            robot.interact(() -> model.pageProperty().set(page));
            org.testfx.util.WaitForAsyncUtils.waitForFxEvents();
            for (var n : robot.lookup(".card .button").queryAll()) if (n instanceof Button b && b.isVisible())
                assertThat(b.localToScene(b.getBoundsInLocal()).getMaxX()).as(page + ": " + b.getText()).isLessThanOrEqualTo(1025);
        }
    }

    @Test
    void aFailedPrintOffersWhatCanBeSaved(FxRobot robot) {
        derived();
        robot.interact(() -> model.go(Page.PRINT, "failures"));
        until("the failure of the demo is worked through", () -> text(robot, ".section-title").contains("section D stopped at 64 %"));
        assertThat(text(robot, ".row-name")).contains("print the rest", "print it again");
        assertThat(text(robot, ".row-more")).contains("a seam of");
        robot.interact(() -> model.apply(yellowbracket.document.Edit
                .log(yellowbracket.log.Entry.parse(model.now(), "done D 13 h", model.session().build()).orElseThrow())));
        until("printed since: nothing to save", () -> !text(robot, ".section-title").contains("section D stopped"));
    }
}
