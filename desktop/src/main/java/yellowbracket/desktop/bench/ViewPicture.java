package yellowbracket.desktop.bench;

import java.util.Optional;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import javafx.scene.text.TextAlignment;
import yellowbracket.desktop.theme.Role;
import yellowbracket.size.Vision;
import yellowbracket.wear.panel.ViewThrough;

/**
 * What the wearer sees, in angles: straight ahead in the middle, rings at 30, 60 and 90 degrees, blocked dark, what one eye sees half lit,
 * what both see light. The wearer's left is left.
 */
public final class ViewPicture extends Pane {
    private static final Color BLOCKED = Role.BLOCKED.colour(), ONE = Role.ONE_EYE.colour(), BOTH = Role.BOTH_EYES.colour(),
            RING = Role.SIGHT_RING.colour();
    private final Canvas canvas = new Canvas();
    private final Vision vision;
    private final String floor;
    private final Optional<ViewThrough> through;

    /** @param floor said at the lower limit, such as "floor from 2.3 m" */
    public ViewPicture(Vision vision, String floor) {
        this(vision, floor, Optional.empty());
    }

    /** @param through what sheets and mesh leave of the light */
    public ViewPicture(Vision vision, String floor, Optional<ViewThrough> through) {
        this.through = through;
        this.vision = vision;
        this.floor = floor;
        getChildren().add(canvas);
        setMouseTransparent(true);
        setAccessibleText("what the wearer sees: " + Math.round(vision.leftDeg()) + " degrees left, " + Math.round(vision.rightDeg())
                + " right, " + Math.round(vision.upDeg()) + " up, " + Math.round(vision.downDeg()) + " down");
        canvas.widthProperty().bind(widthProperty());
        canvas.heightProperty().bind(heightProperty());
        widthProperty().subscribe(x -> paint());
        heightProperty().subscribe(x -> paint());
    }

    private double perDegree() {
        return Math.min((getWidth() - 60) / 200, (getHeight() - 190) / 140);
    }

    private double x(double u) {
        return getWidth() / 2 + u * perDegree();
    }

    private double y(double v) {
        return getHeight() / 2 - 12 - (v + 5) * perDegree();
    }

    private void paint() {
        var g = canvas.getGraphicsContext2D();
        g.clearRect(0, 0, getWidth(), getHeight());
        if (perDegree() < 0.5) return;
        cells(g);
        rings(g);
        limits(g);
    }

    private void cells(GraphicsContext g) {
        double step = Vision.Field.STEP_DEG, k = perDegree(), side = step * k + 0.6;
        for (int r = 0; r < Vision.Field.ROWS; r++) for (int c = 0; c < Vision.Field.COLUMNS; c++) {
            int s = vision.field().at(r, c);
            if (s == Vision.Field.BEYOND) continue;
            int row = r, column = c;
            g.setFill(s == Vision.Field.BLOCKED ? BLOCKED
                    : through.map(t -> BLOCKED.interpolate(BOTH, lit(t.at(row, column)))).orElse(s == Vision.Field.BOTH ? BOTH : ONE));
            g.fillRect(x(Vision.Field.u(c) - step / 2), y(Vision.Field.v(r) + step / 2), side, side);
        }
    }

    /** As eyes take it: a tenth of the light looks a third as bright. */
    private static double lit(double share) {
        return Double.isNaN(share) ? 0 : Math.clamp(Math.sqrt(share), 0, 1);
    }

    private void rings(GraphicsContext g) {
        double k = perDegree();
        g.setLineWidth(1);
        g.setFont(Font.font("JetBrains Mono", 11));
        g.setTextAlign(TextAlignment.CENTER);
        for (int deg : new int[] {30, 60, 90}) {
            g.setStroke(RING.deriveColor(0, 1, 1, 0.85));
            g.setLineDashes(deg == 90 ? new double[] {5, 4} : new double[0]);
            // the field is only about 60 up and 70 down: a ring is drawn where it crosses it
            for (double a = 0; a < 360; a += 1.5) {
                double u0 = deg * Math.cos(Math.toRadians(a)), v0 = deg * Math.sin(Math.toRadians(a)),
                        u1 = deg * Math.cos(Math.toRadians(a + 1.5)), v1 = deg * Math.sin(Math.toRadians(a + 1.5));
                if (v0 <= 62 && v0 >= -72) g.strokeLine(x(u0), y(v0), x(u1), y(v1));
            }
            g.setFill(RING);
            tag(g, deg + "\u00b0", x(deg) - 16, y(0) - 6);
        }
        g.setLineDashes();
        g.setStroke(RING.deriveColor(0, 1, 1, 0.6));
        g.strokeLine(x(-95), y(0), x(95), y(0));
        g.strokeLine(x(0), y(60), x(0), y(-70));
        g.setStroke(RING);
        g.setLineWidth(1.6);
        g.strokeOval(x(0) - 2 * k, y(0) - 2 * k, 4 * k, 4 * k);
    }

    /** How far it is open each way, beside the picture's axes. */
    private void limits(GraphicsContext g) {
        g.setFont(Font.font("Barlow", 13));
        tag(g, say(vision.leftDeg()) + " left", x(-Math.max(20, vision.leftDeg())), y(0) + 18);
        tag(g, say(vision.rightDeg()) + " right", x(Math.max(20, vision.rightDeg())), y(0) + 18);
        tag(g, say(vision.upDeg()) + " up", x(0), y(Math.max(6, vision.upDeg())) - 8);
        tag(g, say(vision.downDeg()) + " down, " + floor, x(0), y(-Math.max(6, vision.downDeg())) + 20);
    }

    private static String say(double deg) {
        return Math.round(deg) + "\u00b0";
    }

    /** Dark words on a light slip, readable on both. */
    private static void tag(GraphicsContext g, String words, double x, double y) {
        double w = new javafx.scene.text.Text(words).getLayoutBounds().getWidth() * g.getFont().getSize() / 12.5 + 10;
        g.setFill(Role.TAG.colour());
        g.fillRect(x - w / 2, y - 13, w, 18);
        g.setFill(Role.TAG_INK.colour());
        g.fillText(words, x, y);
    }
}
