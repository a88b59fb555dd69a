package yellowbracket.desktop.station.size;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.Group;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Ellipse;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Shape;
import yellowbracket.shop.HeadMeasures;
import yellowbracket.size.HeadForm;

/**
 * A head from the front and from the side with the line of each measure on it, drawn from the head form itself; the measure asked for
 * stands out.
 */
final class HeadGuide extends Pane {
    private static final double WIDTH = 330, HEIGHT = 312, SCALE = 0.82;
    private static final Map<String, String> HOW = Map.ofEntries(
            Map.entry("circumference", "tape, level all round, just above the brows and over the widest part behind"),
            Map.entry("length", "two books or a square: brow to the furthest point behind, level"),
            Map.entry("breadth", "two books against the head, above the ears, at its widest"),
            Map.entry("height", "ruler on the crown, level: down to the underside of the chin"),
            Map.entry("face width", "cheekbone to cheekbone, just in front of the ears"),
            Map.entry("neck", "tape round the neck, at the Adam's apple, one finger under it"),
            Map.entry("pupils", "ruler on the brow, look far ahead: middle of one pupil to the other"),
            Map.entry("hair", "push a ruler through to the skin where it stands highest"),
            Map.entry("body height", "standing, no shoes, a book on the head against the wall"),
            Map.entry("eye height", "standing, in the shoes of the costume: floor to the pupil"));
    private final Label words = new Label();
    private final Group marks = new Group();

    HeadGuide() {
        setPrefSize(WIDTH, HEIGHT);
        setMinSize(WIDTH, HEIGHT);
        var form = HeadForm.of(HeadMeasures.of(570, 195, 152));
        getChildren().addAll(outline(form, 0, 78), outline(form, 1, 235), marks, words);
        words.setWrapText(true);
        words.setPrefWidth(WIDTH);
        words.relocate(0, HEIGHT - 44);
        words.getStyleClass().addAll("small");
        setAccessibleText("how to take each measure");
        about("circumference");
    }

    /** The outline from the front (0) or the side (1): what lies furthest to either hand at each height. */
    private static Shape outline(HeadForm form, int view, double x0) {
        var far = new java.util.TreeMap<Double, double[]>();
        for (int v = 0; v < form.mesh().vertexCount(); v++) {
            double z = Math.round(form.mesh().z(v) / 2) * 2, u = view == 0 ? form.mesh().x(v) : form.mesh().y(v);
            var both = far.computeIfAbsent(z, k -> new double[] {u, u});
            both[0] = Math.min(both[0], u);
            both[1] = Math.max(both[1], u);
        }
        var out = new Polygon();
        far.forEach((z, both) -> out.getPoints().addAll(x0 + both[1] * SCALE, top(z)));
        far.descendingMap().forEach((z, both) -> out.getPoints().addAll(x0 + both[0] * SCALE, top(z)));
        out.getStyleClass().add("guide-head");
        return out;
    }

    private static double top(double z) {
        return 98 - z * SCALE;
    }

    /** Marks the line of a measure and says how to take it; names without a line only say. */
    void about(String measure) {
        marks.getChildren().clear();
        words.setText(Optional.ofNullable(HOW.get(measure)).map(h -> measure + ": " + h).orElse(""));
        for (Shape l : lines(measure)) {
            if (l instanceof Line line) {
                line.getStyleClass().add("guide-edge");
                l = new Line(line.getStartX(), line.getStartY(), line.getEndX(), line.getEndY());
                marks.getChildren().add(line);
            }
            l.getStyleClass().add("guide-mark");
            marks.getChildren().add(l);
        }
    }

    private static List<Shape> lines(String measure) {
        return switch (measure) {
            case "circumference" -> List.of(across(78, 76, 27), across(235, 97, 27));
            case "length" -> List.of(across(235, 97, 18));
            case "breadth" -> List.of(across(78, 76, 22));
            case "height" ->
                    List.of(new Line(235 - 100, top(111), 235 - 100, top(-111)), across(235 - 100, 8, 111), across(235 - 100, 8, -111));
            case "face width" -> List.of(across(78, 69, -30));
            case "neck" -> List.of(across(78, 40, -140), across(235 - 10, 48, -140));
            case "pupils" -> List.of(across(78, 31, 0));
            case "hair" -> List.of(new Ellipse(78, top(104), 40 * SCALE, 12 * SCALE), new Ellipse(235, top(104), 46 * SCALE, 12 * SCALE));
            default -> List.of();
        };
    }

    private static Line across(double x0, double half, double z) {
        return new Line(x0 - half * SCALE, top(z), x0 + half * SCALE, top(z));
    }
}
