package yellowbracket.desktop.station.smooth;

import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.shape.Rectangle;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Role;
import yellowbracket.smooth.Rounds;

/** Flaws by round: found above, cleared beneath, open after it as the figure on top. */
final class CountsPicture extends Pane {
    private static final double WIDE = 396, TALL = 92, LEFT = 58, BASE = 58, HIGH = 40, DEEP = 16;

    CountsPicture(List<Rounds.Count> counts, boolean night) {
        setMinSize(WIDE, TALL);
        setPrefSize(WIDE, TALL);
        setMaxSize(WIDE, TALL);
        setId("counts");
        var shown = counts.subList(Math.max(0, counts.size() - 12), counts.size());
        int most = shown.stream().mapToInt(c -> Math.max(c.found(), c.cleared())).max().orElse(1);
        double each = (WIDE - LEFT) / Math.max(4, shown.size());
        text("found", 0, BASE - 26);
        text("gone", 0, BASE + 2);
        for (int i = 0; i < shown.size(); i++) {
            var c = shown.get(i);
            double x = LEFT + i * each, up = HIGH * c.found() / Math.max(1, most), down = DEEP * c.cleared() / Math.max(1, most);
            bar(x, BASE - up, each * 0.5, up, Role.SEAM_STOP.colour());
            bar(x, BASE + 1, each * 0.5, down, Role.SEAM_GOOD.colour());
            text(String.valueOf(c.found()), x + each * 0.15, BASE - up - 16);
            text(Words.text("%d: %d open", c.round(), c.open()), x, TALL - 16);
        }
        var line = new Rectangle(LEFT, BASE, WIDE - LEFT, 1);
        line.setFill(Role.LINE.colour(night));
        getChildren().add(line);
    }

    private void bar(double x, double y, double wide, double high, Color colour) {
        var r = new Rectangle(x, y, wide, Math.max(0, high));
        r.setFill(colour);
        getChildren().add(r);
    }

    private void text(String words, double x, double y) {
        var l = new Label(words);
        l.getStyleClass().add("legend-tick");
        l.relocate(x, y);
        getChildren().add(l);
    }
}
