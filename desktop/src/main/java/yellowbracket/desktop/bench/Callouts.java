package yellowbracket.desktop.bench;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Function;
import javafx.geometry.Point2D;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.shape.Line;
import yellowbracket.mesh.Vec3;

/**
 * Labels with lines to places on the model. They stand outside it, in a column left or right of where they point, pushed apart where they
 * would overlap.
 */
final class Callouts extends Pane {
    private record Placed(Bench.Callout callout, Label label, Line line) {}

    private final List<Placed> placed = new ArrayList<>();

    Callouts() {
        setMouseTransparent(true);
    }

    void set(List<Bench.Callout> list) {
        getChildren().clear();
        placed.clear();
        for (var c : list) {
            var label = new Label(c.words());
            label.getStyleClass().setAll("label", "callout");
            if (!c.tone().isEmpty()) label.getStyleClass().add(c.tone());
            var line = new Line();
            line.getStyleClass().add("callout-line");
            line.setStroke(Color.gray(0.45));
            line.setStrokeWidth(0.8);
            getChildren().addAll(line, label);
            placed.add(new Placed(c, label, line));
        }
    }

    /** @param middle of the model @param seenAt where a place of the model is seen */
    void place(Vec3 middle, Function<Vec3, Point2D> seenAt) {
        if (placed.isEmpty() || getWidth() < 50) return;
        double mid = seenAt.apply(middle).getX();
        var left = new ArrayList<double[]>();
        var right = new ArrayList<double[]>();
        for (int i = 0; i < placed.size(); i++) {
            var p = seenAt.apply(placed.get(i).callout.at());
            (p.getX() < mid ? left : right).add(new double[] {i, p.getX(), p.getY()});
        }
        column(left, true);
        column(right, false);
    }

    /** One column a side, beside everything it points at. */
    private void column(List<double[]> side, boolean left) {
        side.sort(Comparator.comparingDouble(a -> a[2]));
        double next = 62, bottom = getHeight() - 86, widest = 0, edge = left ? 1e9 : -1e9;
        for (var a : side) {
            var label = placed.get((int) a[0]).label;
            if (label.getWidth() == 0) { // once: measuring text at each turn of the view costs more than drawing it
                label.applyCss();
                label.autosize();
            }
            widest = Math.max(widest, label.getWidth());
            edge = left ? Math.min(edge, a[1]) : Math.max(edge, a[1]);
        }
        double column = left ? Math.max(14, edge - 70 - widest) : Math.min(getWidth() - 14 - widest, edge + 70);
        for (int k = 0; k < side.size(); k++) {
            var a = side.get(k);
            var c = placed.get((int) a[0]);
            double w = c.label.getWidth(), h = c.label.getHeight();
            double y = Math.clamp(a[2] - h / 2 - 14, next, Math.max(next, bottom - (side.size() - k) * (h + 5)));
            double x = left ? column + widest - w : column;
            c.label.relocate(Math.rint(x), Math.rint(y));
            c.line.setStartX(a[1]);
            c.line.setStartY(a[2]);
            c.line.setEndX(left ? x + w : x);
            c.line.setEndY(y + h / 2);
            next = y + h + 5;
        }
    }
}
