package yellowbracket.desktop.bench;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.image.ImageView;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import javafx.scene.shape.Rectangle;
import yellowbracket.desktop.theme.Ramp;

/** What the colours on the bench mean: a ramp with its ticks, or squares with words. */
public final class Legend extends VBox {
    /** Of a ramp's scale, px. */
    private static final int WIDE = 240;

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
            strip.setPrefSize(WIDE, 26);
            strip.getChildren().add(scale(r));
            for (double t : r.ticks()) {
                double x = WIDE * (t - r.low()) / (r.high() - r.low());
                var tick = new Label(
                        unitScale == 1 ? String.valueOf(Math.round(t)) : String.format(java.util.Locale.ROOT, "%.1f", t * unitScale));
                tick.getStyleClass().add("legend-tick");
                tick.relocate(Math.clamp(x - 4, 0, WIDE - 16), 11);
                strip.getChildren().add(tick);
            }
            getChildren().setAll(title, strip);
        });
    }

    /** The ramp from end to end as one picture, not as a shape for each pixel. */
    private static ImageView scale(Ramp r) {
        var image = new WritableImage(WIDE, 1);
        for (int i = 0; i < WIDE; i++) image.getPixelWriter().setColor(i, 0, r.at(r.low() + (r.high() - r.low()) * i / (WIDE - 1.0)));
        var shown = new ImageView(image);
        shown.setFitHeight(10);
        shown.setSmooth(false);
        return shown;
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
