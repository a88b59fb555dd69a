package yellowbracket.desktop;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import javafx.scene.Scene;
import javafx.scene.control.Labeled;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableRow;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.util.WaitForAsyncUtils;
import yellowbracket.desktop.bench.Drawn;
import yellowbracket.desktop.model.Background;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Ramp;
import yellowbracket.desktop.theme.Theme;
import yellowbracket.desktop.widget.Alternatives;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Keys;
import yellowbracket.desktop.widget.NumberField;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Shapes;
import static org.assertj.core.api.Assertions.assertThat;

/** The parts cards are made of, each by itself in a small window. */
@ExtendWith(ApplicationExtension.class)
class WidgetsTest {
    private final VBox root = new VBox(6);

    @Start
    void start(Stage stage) {
        Theme.loadFonts();
        stage.setScene(new Scene(root, 520, 420));
        stage.show();
        stage.toFront();
    }

    private record Piece(String name, double grams) {}

    @Test
    void aSheetSortsByValueAndCopiesWhatIsPicked(FxRobot robot) {
        var picked = new ArrayList<String>();
        var sheet = new Sheet<Piece>("pieces", "nothing").words("name", Piece::name)
                .number("grams", Piece::grams, p -> Words.grams(p.grams()))
                .rows(List.of(new Piece("A", 1200), new Piece("B", 90), new Piece("C", 300)), 5)
                .onPick(p -> picked.add(p.name()));
        robot.interact(() -> root.getChildren().setAll(sheet));
        robot.interact(() -> {
            var grams = sheet.getColumns().get(1);
            grams.setSortType(TableColumn.SortType.ASCENDING);
            sheet.getSortOrder().setAll(List.of(grams));
        });
        assertThat(sheet.getItems()).extracting(Piece::name).as("by weight, not by the words shown").containsExactly("B", "C", "A");
        robot.interact(() -> {
            sheet.requestFocus();
            sheet.getSelectionModel().selectIndices(0, 2);
        });
        robot.press(KeyCode.CONTROL).type(KeyCode.C).release(KeyCode.CONTROL);
        var copied = new String[1];
        robot.interact(() -> copied[0] = Clipboard.getSystemClipboard().getString());
        assertThat(copied[0]).isEqualTo("name\tgrams\nB\t90 g\nA\t1\u2009200 g");
        assertThat(picked).as("the last one picked is looked at").endsWith("A");
    }

    @Test
    void aPickedRowStandsOutOnACard(FxRobot robot) {
        var sheet = new Sheet<Piece>("pieces", "nothing").words("name", Piece::name)
                .rows(List.of(new Piece("A", 1200), new Piece("B", 90)), 5);
        robot.interact(() -> {
            var card = new VBox(sheet);
            card.getStyleClass().add("card-scroll");
            root.getChildren().setAll(card);
            Theme.apply(root, false);
            sheet.getSelectionModel().select(0);
            root.applyCss();
            root.layout();
        });
        var fills = sheet.lookupAll(".table-row-cell")
                .stream()
                .map(TableRow.class::cast)
                .filter(r -> r.getIndex() == 0 || r.getIndex() == 1)
                .collect(Collectors.toMap(TableRow::getIndex,
                        r -> r.getBackground() == null ? Color.TRANSPARENT : r.getBackground().getFills().getLast().getFill(),
                        (a, b) -> a));
        assertThat(fills.get(1)).as("lies on its own colour").isEqualTo(Color.TRANSPARENT);
        assertThat(((Color) fills.get(0)).getOpacity()).as("tinted").isEqualTo(1);
    }

    @Test
    void aNumberFieldTakesWhatItCanReadAndTellsWhatItCannot(FxRobot robot) {
        var told = new ArrayList<String>();
        var field = new NumberField("x", "layer", "mm between 0.05 and 1", 0.05, 1, told::add).with("0.2");
        robot.interact(() -> root.getChildren().setAll(field));
        for (var good : List.of("0.3", "0,3", " 0.3 mm", "0.3%")) {
            robot.interact(() -> field.setText(good));
            assertThat(field.edited()).isTrue();
            assertThat(field.read()).as(good).hasValue(0.3);
            assertThat(field.edited()).isFalse();
        }
        for (var bad : List.of("", "fine", "-0.2", "3", "0.3 cm", "NaN", "1e9")) {
            robot.interact(() -> field.setText(bad));
            assertThat(field.read()).as(bad).isEmpty();
            assertThat(field.getStyleClass()).contains("wrong");
            assertThat(told.getLast()).contains("layer \"" + bad + "\"", "type mm between 0.05 and 1");
        }
        robot.interact(() -> field.setText("0.1"));
        assertThat(field.read()).hasValue(0.1);
        assertThat(field.getStyleClass()).doesNotContain("wrong");
    }

    @Test
    void anAlternativeShowsItsGhostUnderThePointerAndIsTakenOnce(FxRobot robot) {
        var ghosts = new ArrayList<Optional<LocalDateTime>>();
        var taken = new ArrayList<String>();
        var table = new Alternatives("layer", List.of("hours", "ready"), ghosts::add);
        var day = LocalDateTime.of(2026, 4, 13, 18, 0);
        robot.interact(() -> {
            table.add("0.2", true, () -> taken.add("0.2")).figures(Optional.of(day.minusDays(1)), "12", "12 Apr");
            var other = table.add("0.1", false, () -> taken.add("0.1"));
            other.estimates("~24", "?");
            other.figures(Optional.of(day), "25", "13 Apr");
            root.getChildren().setAll(table);
        });
        var rows = robot.lookup(".alt").queryAllAs(javafx.scene.control.ToggleButton.class).stream().toList();
        robot.moveTo(rows.get(1));
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(ghosts.getLast()).contains(day);
        robot.clickOn(rows.get(0)).clickOn(rows.get(1));
        assertThat(taken).as("the one that is current is not taken again").containsExactly("0.1");
        assertThat(rows.get(1).getAccessibleText()).isEqualTo("0.1");
        assertThat(rows.get(1).getAccessibleHelp()).isEqualTo("25, 13 Apr");
        assertThat(rows.get(0).isSelected()).isTrue();
    }

    @Test
    void whatLooksTheSameIsGivenToTheRendererOnce(FxRobot robot) {
        robot.interact(() -> {
            var drawn = new Drawn();
            var ball = Shapes.sphere(20, 16);
            var ramp = Ramp.wall();
            var first = drawn.byFacet(ball, ramp, Color.GRAY, f -> f % 5);
            var again = drawn.byFacet(ball, Ramp.wall(), Color.GRAY, f -> f % 5);
            assertThat(again.getMesh()).isSameAs(first.getMesh());
            assertThat(again.getMaterial()).isSameAs(first.getMaterial());
            assertThat(drawn.byFacet(ball, ramp, Color.GRAY, f -> f % 4).getMesh()).as("other values").isNotSameAs(first.getMesh());
            assertThat(drawn.byFacet(ball, ramp, Color.BLUE, f -> f % 5).getMaterial()).as("another neutral")
                    .isNotSameAs(first.getMaterial());
            assertThat(drawn.glass(ball, Color.RED, 0.4).getMaterial()).as("glass does not shine")
                    .isNotSameAs(drawn.plain(ball, Color.RED).getMaterial());
            var line = new double[] {0, 0, 0, 10, 0, 0};
            assertThat(drawn.lines(line, Color.RED, 1).getMesh()).isSameAs(drawn.lines(line.clone(), Color.BLUE, 1).getMesh())
                    .isNotSameAs(drawn.lines(line, Color.RED, 2).getMesh());
            for (int i = 0; i < 100; i++) drawn.plain(Shapes.sphere(20 + i, 60), Color.RED);
            assertThat(drawn.byFacet(ball, ramp, Color.GRAY, f -> f % 5).getMesh()).as("what was not shown for long is given up")
                    .isNotSameAs(first.getMesh());
        });
    }

    private static Card answers(String... names) {
        var card = new Card("where to cut", "");
        for (var n : names) card.row("plan", Card.action(n, () -> {}), Card.action("drop", () -> {}));
        var field = new javafx.scene.control.TextField();
        field.setId("width");
        return card.add(field).primary("cut", () -> {});
    }

    @Test
    void theKeysStayWhereTheyAreWhenACardIsWrittenAnew(FxRobot robot) {
        var before = answers("few", "smooth");
        var after = answers("quick", "few", "smooth");
        robot.interact(() -> root.getChildren().setAll(before, after));
        var drops = before.lookupAll(".action").stream().map(Labeled.class::cast).toList();
        assertThat(Keys.on(before, drops.get(2)).flatMap(k -> k.in(after)).map(n -> ((Labeled) n).getText())).contains("smooth");
        assertThat(Keys.on(before, drops.get(3)).flatMap(k -> k.in(after))).as("of those called alike, the one in its place")
                .contains(after.lookupAll(".action").stream().toList().get(3));
        assertThat(Keys.on(before, before.lookup("#width")).flatMap(k -> k.in(after))).contains(after.lookup("#width"));
        assertThat(Keys.on(after, after.lookup(".action")).flatMap(k -> k.in(before))).as("quick is not among them").isEmpty();
        assertThat(Keys.on(before, after.lookup("#width"))).as("on another card").isEmpty();
    }

    @Test
    void aCardSaysWeightInWordsAndOffersTheFix(FxRobot robot) {
        var fixed = new ArrayList<String>();
        robot.interact(() -> root.getChildren()
                .setAll(new Card("how fine", "helm").row("prints", "~12 h", "of them one")
                        .finding(Weight.STOP, "too high a layer", "take 0.3", () -> fixed.add("x"))
                        .finding(Weight.NOTE, "soft when hot", "", () -> {})
                        .primary("keep", () -> fixed.add("kept"))));
        var words = robot.lookup(".weight").queryAllAs(Labeled.class).stream().map(Labeled::getText).toList();
        assertThat(words).containsExactly("stop", "note");
        robot.clickOn("take 0.3").clickOn("keep");
        assertThat(fixed).containsExactly("x", "kept");
    }

    /** Every step of a ramp is darker than the one before or all are lighter: it reads the same without colour. */
    @Test
    void rampsOfOneQuantityRunOneWayInLightness() {
        for (var r : List.of(Ramp.cusp(), Ramp.distortion(), Ramp.foam())) {
            double before = light(r.at(r.low()));
            for (int i = 1; i <= 40; i++) {
                double now = light(r.at(r.low() + (r.high() - r.low()) * i / 40));
                assertThat(now).as(r.title() + " at " + i).isLessThanOrEqualTo(before + 1e-9);
                before = now;
            }
            assertThat(r.u(Double.NaN)).as("no value lies beyond the scale").isGreaterThan(r.u(r.high()));
            assertThat(r.at(r.high() + 99)).isEqualTo(r.at(r.high()));
        }
    }

    private static double light(Color c) {
        return 0.2126 * c.getRed() + 0.7152 * c.getGreen() + 0.0722 * c.getBlue();
    }

    @Test
    void theStripedTextureHasOneDarkLineInEachRepeat() {
        var image = Ramp.cusp().striped(Color.GRAY);
        int dark = 0, changes = 0;
        double plain = light(image.getPixelReader().getColor(300, (int) image.getHeight() - 1));
        for (int y = 0; y < image.getHeight(); y++) {
            boolean line = light(image.getPixelReader().getColor(300, y)) < 0.8 * plain;
            if (line) dark++;
            if (y > 0 && line != light(image.getPixelReader().getColor(300, y - 1)) < 0.8 * plain) changes++;
        }
        assertThat(dark / image.getHeight()).isBetween(0.1, 0.35);
        assertThat(changes).isEqualTo(1);
    }

    @Test
    void workInTheBackgroundIsToldStoppedAndItsFailuresSaid(FxRobot robot) throws Exception {
        var failed = new ArrayList<String>();
        var got = new ArrayList<String>();
        try (var background = new Background(w -> {
            synchronized (failed) {
                failed.add(w);
            }
        })) {
            robot.interact(() -> background.run("adding", p -> "sum", got::add));
            WindowTest.until("the result", () -> got.equals(List.of("sum")) && background.busyProperty().get().isEmpty());
            robot.interact(() -> background.run("failing", p -> {
                throw new IllegalStateException("no paper");
            }, x -> got.add("never")));
            WindowTest.until("the failure", () -> !failed.isEmpty());
            assertThat(failed).containsExactly("failing failed: no paper");
            var began = new CountDownLatch(1);
            robot.interact(() -> background.run("waiting", p -> {
                began.countDown();
                while (true) {
                    p.check();
                    Thread.onSpinWait();
                }
            }, x -> got.add("never")));
            assertThat(began.await(20, TimeUnit.SECONDS)).isTrue();
            assertThat(background.busyProperty().get()).startsWith("waiting");
            robot.interact(background::cancel);
            robot.interact(() -> background.run("after it", p -> "again", got::add));
            WindowTest.until("the next", () -> got.contains("again"));
            assertThat(got).containsExactly("sum", "again");
        }
    }
}
