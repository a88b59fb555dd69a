package yellowbracket.desktop;

import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;
import yellowbracket.demo.DemoBuild;
import yellowbracket.derive.Memo;
import yellowbracket.derive.smooth.SmoothFigures;
import yellowbracket.desktop.model.Page;
import yellowbracket.document.Edit;
import static org.assertj.core.api.Assertions.assertThat;

/** Cards of pages that were left are shown again as long as they are right, and never when they are not. */
class KeptCardsTest extends WindowTest {
    private static Memo own = new Memo(KNOWN_BYTES);

    @Override
    DemoBuild first() {
        return lightDemo();
    }

    /** Its own: what other tests have worked out would answer at once. */
    @Override
    Memo known() {
        return own;
    }

    /** Half a gigabyte that no other test asks for. */
    @AfterAll
    static void forget() {
        own = new Memo(KNOWN_BYTES);
    }

    @Start
    void start(Stage stage) {
        open(stage);
    }

    @Stop
    void stop() {
        close();
    }

    private Node card(FxRobot robot, Page page) {
        robot.interact(() -> model.pageProperty().set(page));
        return robot.lookup(".card").query();
    }

    private boolean filled(FxRobot robot) {
        return robot.lookup(".alt")
                .queryAllAs(ToggleButton.class)
                .stream()
                .filter(t -> t.getId() == null)
                .allMatch(t -> t.getAccessibleHelp() != null);
    }

    @Test
    void theSameCardWhileNothingHasChangedAnotherAfterAnEdit(FxRobot robot) {
        derived();
        var smooth = card(robot, Page.SMOOTH);
        var join = card(robot, Page.JOIN);
        assertThat(card(robot, Page.SMOOTH)).isSameAs(smooth);
        assertThat(card(robot, Page.JOIN)).isSameAs(join);
        robot.interact(() -> model.apply(Edit.scale("helm", 1.1)));
        derived();
        assertThat(card(robot, Page.SMOOTH)).isNotSameAs(smooth);
        var later = card(robot, Page.JOIN);
        robot.interact(() -> model.inchesProperty().set(true));
        card(robot, Page.SMOOTH);
        assertThat(card(robot, Page.JOIN)).as("in inches").isNotSameAs(later);
        robot.interact(() -> model.inchesProperty().set(false));
        var day = card(robot, Page.JOIN);
        robot.interact(() -> model.nightProperty().set(true));
        card(robot, Page.SMOOTH);
        assertThat(card(robot, Page.JOIN)).as("by night").isNotSameAs(day);
    }

    @Test
    void whatIsTypedStaysWhenResultsComeLateAndTheCardIsNewOnceItIsLeft(FxRobot robot) {
        robot.interact(() -> model.go(Page.PRINT, "printers"));
        derived();
        robot.interact(() -> {
            model.apply(Edit.scale("helm", 1.12));
            TextField name = robot.lookup("#printer-name").query();
            name.requestFocus();
            name.setText("the old one");
        });
        var card = robot.lookup(".card").query();
        derived();
        assertThat(robot.lookup("#printer-name").queryAs(TextField.class).getText()).isEqualTo("the old one");
        assertThat(robot.lookup(".card").<Node>query()).isSameAs(card);
        robot.interact(() -> robot.lookup("#log-line").query().requestFocus());
        until("a card with the new figures", () -> robot.lookup(".card").<Node>query() != card);
    }

    @Test
    void anotherPropHasACardOfItsOwn(FxRobot robot) {
        derived();
        var helm = card(robot, Page.JOIN);
        card(robot, Page.SMOOTH);
        robot.interact(() -> model.choose("staff"));
        assertThat(card(robot, Page.JOIN)).isNotSameAs(helm);
    }

    @Test
    void alternativesLeftInTheMiddleAreWorkedOutWhenTheirCardIsShownAgain(FxRobot robot) {
        derived();
        until("what its card tells of, worked out after the plan", () -> model.fresh(SmoothFigures.BANDS));
        robot.interact(() -> model.go(Page.PRINT, "how fine"));
        var fine = robot.lookup(".card").query();
        assertThat(filled(robot)).as("what-ifs take a while").isFalse();
        card(robot, Page.JOIN);
        assertThat(card(robot, Page.PRINT)).isSameAs(fine);
        until("the figures of every alternative", () -> filled(robot));
    }
}
