package yellowbracket.desktop.station.print;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.layout.StackPane;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import yellowbracket.derive.smooth.SmoothFigures;
import yellowbracket.desktop.theme.Theme;
import yellowbracket.print.Band;
import yellowbracket.print.LayerBands;
import yellowbracket.shop.Catalogue;
import yellowbracket.smooth.Fineness;

/** Where the hours would lie with layers by bands: beside what is planned, and only while bands are offered. */
@ExtendWith(ApplicationExtension.class)
class FinenessPictureTest {
    private static final Fineness FINE = new Fineness(List.of(new Fineness.Point(0.4, 0.12, 24, 2, 300, 80),
            new Fineness.Point(0.4, 0.2, 14, 6, 300, 130), new Fineness.Point(0.4, 0.28, 10, 11, 300, 180)));
    private StackPane root;

    @Start
    void start(javafx.stage.Stage stage) {
        Theme.loadFonts();
        root = new StackPane();
        stage.setScene(new Scene(root, 800, 600));
        stage.show();
    }

    private void draw(FxRobot robot, Optional<SmoothFigures.Banded> bands) {
        robot.interact(() -> root.getChildren()
                .setAll(FinenessPicture.of(FINE, Catalogue.builtIn().profile("usual"), bands, false, p -> {}, 760, 480)));
    }

    @Test
    void bandsStandBesideWhatIsPlannedWhileTheyAreOffered(FxRobot robot) {
        var bands = new LayerBands(List.of(new Band(0, 80, 0.28), new Band(80, 120, 0.12)), -2, 1.5);
        var offered = new SmoothFigures.Banded(Map.of("A", bands, "B", bands), 0.002);
        assertThat(offered.addedH()).isEqualTo(-4);
        assertThat(offered.savedH()).isEqualTo(3);
        draw(robot, Optional.of(offered));
        var mark = robot.lookup("#fine-bands").query();
        assertThat(mark.getAccessibleText()).isEqualTo("layers by bands of height: print -4.0 h, smooth -3.0 h");
        var planned = robot.lookup((Node n) -> "fine-0.4-0.20".equals(n.getId())).query().getBoundsInParent();
        assertThat(mark.getBoundsInParent().getCenterX()).isCloseTo(planned.getCenterX(), within(1.0));
        assertThat(mark.getBoundsInParent().getCenterY()).as("fewer hours lie lower").isGreaterThan(planned.getCenterY());
        draw(robot, Optional.of(new SmoothFigures.Banded(Map.of(), 0.002)));
        assertThat(robot.lookup("#fine-bands").tryQuery()).isEmpty();
    }
}
