package yellowbracket.desktop.bench;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import javafx.scene.shape.Rectangle;
import yellowbracket.desktop.theme.Ramp;

/** What the colours on the bench mean: a ramp with its ticks, or squares with words. */
public final class Legend extends VBox {
    Legend() {
        super(2);
        setMaxSize(USE_PREF_SIZE, USE_PREF_SIZE);
        setMouseTransparent(true);
    }

    public void none() {
        getChildren().clear();
    }

    /** A ramp's scale, its ticks in the given unit; an empty one takes the legend away. */
    public void ramp(Optional<Ramp> ramp, String unit, double unitScale) {
        getChildren().clear();
        ramp.ifPresent(r -> {
            var title = new Label(r.title() + ", " + unit);
            title.getStyleClass().add("legend-title");
            var strip = new Pane();
            strip.setPrefSize(240, 26);
            for (int i = 0; i < 240; i++) {
                var c = new Rectangle(i, 0, 1.2, 10);
                c.setFill(r.at(r.low() + (r.high() - r.low()) * i / 239.0));
                strip.getChildren().add(c);
            }
            for (double t : r.ticks()) {
                double x = 240 * (t - r.low()) / (r.high() - r.low());
                var tick = new Label(
                        unitScale == 1 ? String.valueOf(Math.round(t)) : String.format(java.util.Locale.ROOT, "%.1f", t * unitScale));
                tick.getStyleClass().add("legend-tick");
                tick.relocate(Math.clamp(x - 4, 0, 224), 11);
                strip.getChildren().add(tick);
            }
            getChildren().setAll(title, strip);
        });
    }

    /** Coloured squares with words. */
    public void squares(String title, List<Color> colours, List<String> words) {
        getChildren().clear();
        var head = new Label(title);
        head.getStyleClass().add("legend-title");
        getChildren().add(head);
        for (int i = 0; i < colours.size(); i++) {
            var box = new Rectangle(12, 12, colours.get(i));
            box.setStroke(Color.gray(0.3));
            box.setStrokeWidth(0.6);
            var text = new Label(words.get(i));
            text.getStyleClass().add("legend-tick");
            var line = new HBox(6, box, text);
            line.setAlignment(Pos.CENTER_LEFT);
            getChildren().add(line);
        }
    }
}
