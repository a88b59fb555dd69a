package yellowbracket.desktop.station.print;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Polyline;
import yellowbracket.derive.smooth.SmoothFigures;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Role;
import yellowbracket.shop.Profile;
import yellowbracket.smooth.Fineness;

/**
 * Hours against layer height, a panel for each nozzle: printing below, the smoothing it causes on top, the sum as a line; the least sum and
 * what is planned are marked. A point takes its layer height.
 */
final class FinenessPicture {
    private static final double WIDEST = 760, NARROWEST = 480, TALLEST = 500, LOWEST = 260;
    private static final double LEFT = 54;
    private static final double TOP = 62;
    private static final double BOTTOM = 54;
    private static final double GAP = 26;

    private final Fineness fine;
    private final Profile now;
    private final boolean night;
    private final Optional<SmoothFigures.Banded> bands;
    private final Consumer<Fineness.Point> take;
    private final Pane pane = new Pane();
    private final double wide;
    private final double tall;
    private double mostH;

    private FinenessPicture(Fineness fine, Profile now, Optional<SmoothFigures.Banded> bands, boolean night, Consumer<Fineness.Point> take,
            double wide, double tall) {
        this.fine = fine;
        this.now = now;
        this.bands = bands.filter(b -> !b.bySection().isEmpty());
        this.night = night;
        this.take = take;
        this.wide = Math.clamp(wide, NARROWEST, WIDEST);
        this.tall = Math.clamp(tall, LOWEST, TALLEST);
    }

    /** @param bands offered and not taken; @param wide room for it, pixels, and @param tall */
    static Node of(Fineness fine, Profile now, Optional<SmoothFigures.Banded> bands, boolean night, Consumer<Fineness.Point> take,
            double wide, double tall) {
        return new FinenessPicture(fine, now, bands, night, take, wide, tall).draw();
    }

    private Node draw() {
        pane.setMinSize(wide, tall);
        pane.setPrefSize(wide, tall);
        pane.setMaxSize(wide, tall);
        pane.setTranslateY(-26); // above the gauges
        double highest = fine.points().stream().mapToDouble(Fineness.Point::sumH).max().orElse(1),
                least = fine.least().orElseThrow().sumH();
        // what takes many times the least is of no interest and would flatten the rest
        mostH = nice(Math.min(highest, 3.2 * least));
        text("hours of the whole prop against layer height", LEFT, 8, "section-title");
        key(LEFT, 36, Role.PRINT_HOURS.colour(), "printing, with failures");
        key(LEFT + 0.36 * (wide - LEFT), 36, Role.SMOOTH_HOURS.colour(), "smoothing it causes");
        key(LEFT + 0.7 * (wide - LEFT), 36, Role.YELLOW.colour(), "least sum");
        grid();
        var nozzles = fine.nozzles();
        double each = (wide - LEFT - GAP * nozzles.size()) / nozzles.size();
        for (int i = 0; i < nozzles.size(); i++) panel(nozzles.get(i), LEFT + i * (each + GAP), each);
        text("layer height, mm; a point takes it", LEFT, tall - 20, "legend-tick");
        return pane;
    }

    private void grid() {
        double step = nice(mostH / 4);
        for (double h = 0; h <= mostH + 1e-9; h += step) {
            var line = new Line(LEFT, y(h), wide - GAP, y(h));
            line.setStroke(Role.LINE.colour(night));
            var tick = text(Words.whole(h) + " h", 4, y(h) - 8, "legend-tick");
            tick.setPrefWidth(LEFT - 12);
            tick.setAlignment(javafx.geometry.Pos.CENTER_RIGHT);
            pane.getChildren().add(line);
        }
    }

    private static double nice(double v) {
        double ten = Math.pow(10, Math.floor(Math.log10(Math.max(1e-9, v))));
        for (double k : new double[] {1, 1.2, 1.5, 2, 2.5, 3, 4, 5, 6, 8, 10}) if (v <= k * ten + 1e-9) return k * ten;
        return 10 * ten;
    }

    private double y(double hours) {
        return tall - BOTTOM - (tall - TOP - BOTTOM) * Math.clamp(hours / mostH, 0, 1.02);
    }

    private void panel(double nozzle, double left, double wide) {
        var points = fine.of(nozzle);
        double lo = points.getFirst().layerMm(), hi = points.getLast().layerMm();
        java.util.function.ToDoubleFunction<Fineness.Point> x = p -> left + 10 + (wide - 20) * (p.layerMm() - lo) / Math.max(1e-9, hi - lo);
        text(Words.text("nozzle %.1f mm", nozzle), left + 4, TOP - 4, "legend-title");
        area(points, x, p -> 0, Fineness.Point::printH, Role.PRINT_HOURS.colour());
        area(points, x, Fineness.Point::printH, Fineness.Point::sumH, Role.SMOOTH_HOURS.colour());
        var sum = new Polyline();
        points.forEach(p -> sum.getPoints().addAll(x.applyAsDouble(p), y(p.sumH())));
        sum.setStroke(Role.INK.colour(night));
        sum.setStrokeWidth(1.6);
        pane.getChildren().add(sum);
        double written = -100;
        for (var p : points) {
            double at = x.applyAsDouble(p);
            if (at - written > 34) {
                text(Words.text("%.2f", p.layerMm()), at - 12, tall - BOTTOM + 4, "legend-tick");
                written = at;
            }
            point(p, at);
        }
    }

    private void area(List<Fineness.Point> points, java.util.function.ToDoubleFunction<Fineness.Point> x,
            java.util.function.ToDoubleFunction<Fineness.Point> from, java.util.function.ToDoubleFunction<Fineness.Point> to,
            Color colour) {
        var shape = new Polygon();
        points.forEach(p -> shape.getPoints().addAll(x.applyAsDouble(p), y(to.applyAsDouble(p))));
        points.reversed().forEach(p -> shape.getPoints().addAll(x.applyAsDouble(p), y(from.applyAsDouble(p))));
        shape.setFill(colour.deriveColor(0, 1, 1, 0.5));
        pane.getChildren().add(shape);
    }

    private void point(Fineness.Point p, double x) {
        boolean least = fine.least().orElseThrow().equals(p),
                planned = p.nozzleMm() == now.nozzleMm() && Math.abs(p.layerMm() - now.layerMm()) < 1e-9;
        var dot = new Circle(x, y(p.sumH()), least || planned ? 6 : 4);
        dot.setFill((least ? Role.YELLOW : Role.CARD).colour(night));
        dot.setStroke(Role.INK.colour(night));
        dot.setStrokeWidth(planned ? 2.6 : 1.2);
        dot.setId(Words.text("fine-%.1f-%.2f", p.nozzleMm(), p.layerMm()));
        dot.setAccessibleText(
                Words.text("%.2f mm layers from %.1f mm: print %.1f h, smooth %.1f h", p.layerMm(), p.nozzleMm(), p.printH(), p.smoothH()));
        Tooltip.install(dot, new Tooltip(Words.text(
                "%.2f mm layers, %.1f mm nozzle\nprint ~%.1f h + smooth ~%.1f h = ~%.1f h\n%s, 90 %% of the lines under %.0f \u00b5m",
                p.layerMm(), p.nozzleMm(), p.printH(), p.smoothH(), p.sumH(), Words.grams(p.grams()), p.linesUm())));
        dot.setOnMouseClicked(e -> take.accept(p));
        dot.setCursor(javafx.scene.Cursor.HAND);
        pane.getChildren().add(dot);
        if (planned) bands.ifPresent(b -> bands(p, b, x));
        if (planned) text(Words.text("planned %.0f h", p.sumH()), Math.min(x + 2, wide - 110), y(p.sumH()) - 30, "legend-title");
        if (least && !planned) text(Words.text("least %.0f h", p.sumH()), Math.min(x - 30, wide - 90), y(p.sumH()) - 30, "legend-title");
    }

    /** Where the sum would lie with layers by bands of height. */
    private void bands(Fineness.Point planned, SmoothFigures.Banded b, double x) {
        double sum = planned.sumH() + b.addedH() - b.savedH();
        var line = new Line(x, y(planned.sumH()), x, y(sum));
        line.setStroke(Role.INK.colour(night));
        line.getStrokeDashArray().setAll(3.0, 3.0);
        var mark = new Polygon(x - 6, y(sum), x, y(sum) - 6, x + 6, y(sum), x, y(sum) + 6);
        mark.setId("fine-bands");
        mark.setFill(Role.CARD.colour(night));
        mark.setStroke(Role.INK.colour(night));
        mark.setStrokeWidth(1.6);
        mark.setAccessibleText(Words.text("layers by bands of height: print %+.1f h, smooth %+.1f h", b.addedH(), -b.savedH()));
        pane.getChildren().addAll(line, mark);
        text(Words.text("by bands %.0f h", sum), Math.min(x + 10, wide - 110), Math.min(y(sum) + 2, tall - BOTTOM - 18), "legend-title");
    }

    private void key(double x, double y, Color colour, String words) {
        var box = new Circle(x + 5, y + 8, 5, colour);
        pane.getChildren().add(box);
        text(words, x + 16, y, "legend-tick");
    }

    private Label text(String words, double x, double y, String style) {
        var l = new Label(words);
        l.getStyleClass().add(style);
        l.relocate(x, y);
        pane.getChildren().add(l);
        return l;
    }
}
