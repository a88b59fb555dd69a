package yellowbracket.desktop.station.wear;

import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import yellowbracket.desktop.theme.Role;

/** Flat outlines as they are cut, all at one scale, with what is within them dashed. */
final class PatternPicture extends Pane {
    private static final double WIDE = 396, TALL = 132, EDGE = 6, BETWEEN = 10;

    /** Corners u and v in mm, v upwards; {@code within} of what is drawn in it; {@code line}: a bend along v, NaN for none. */
    record Outline(String words, List<double[]> corners, List<double[]> within, double line) {
        double least(int k) {
            return corners.stream().mapToDouble(c -> c[k]).min().orElse(0);
        }

        double most(int k) {
            return corners.stream().mapToDouble(c -> c[k]).max().orElse(0);
        }
    }

    PatternPicture(String id, List<Outline> outlines, boolean night) {
        setMinSize(WIDE, TALL);
        setPrefSize(WIDE, TALL);
        setMaxSize(WIDE, TALL);
        setId(id);
        double wide = outlines.stream().mapToDouble(o -> o.most(0) - o.least(0)).sum(),
                tall = outlines.stream().mapToDouble(o -> o.most(1) - o.least(1)).max().orElse(1);
        double k = Math.min((WIDE - 2 * EDGE - BETWEEN * (outlines.size() - 1)) / Math.max(1, wide),
                (TALL - 2 * EDGE - 18) / Math.max(1, tall));
        double x = EDGE;
        for (var o : outlines) {
            double left = x - k * o.least(0), base = EDGE + k * o.most(1);
            draw(o.corners, left, base, k, Role.GLASS.colour().deriveColor(0, 1, 1, 0.25), Role.INK.colour(night), false);
            if (!o.within.isEmpty()) draw(o.within, left, base, k, Color.TRANSPARENT, Role.INK.colour(night), true);
            if (!Double.isNaN(o.line)) {
                var bend = new Line(left + k * o.line, base - k * o.most(1), left + k * o.line, base - k * o.least(1));
                bend.setStroke(Role.SEAM_CARE.colour());
                bend.getStrokeDashArray().setAll(6.0, 4.0);
                getChildren().add(bend);
            }
            var words = new Label(o.words);
            words.getStyleClass().add("legend-tick");
            words.relocate(x, base - k * o.least(1) + 2);
            getChildren().add(words);
            x += k * (o.most(0) - o.least(0)) + BETWEEN;
        }
    }

    private void draw(List<double[]> corners, double left, double base, double k, Color fill, Color line, boolean dashed) {
        var p = new Polygon();
        corners.forEach(c -> p.getPoints().addAll(left + k * c[0], base - k * c[1]));
        p.setFill(fill);
        p.setStroke(line);
        if (dashed) p.getStrokeDashArray().setAll(4.0, 3.0);
        getChildren().add(p);
    }
}
