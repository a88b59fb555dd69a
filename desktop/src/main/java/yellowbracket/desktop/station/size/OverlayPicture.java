package yellowbracket.desktop.station.size;

import java.util.List;
import java.util.Optional;
import java.util.function.BiConsumer;
import javafx.scene.canvas.Canvas;
import javafx.scene.image.Image;
import javafx.scene.layout.Pane;
import yellowbracket.desktop.theme.Role;
import yellowbracket.mesh.Vec3;
import yellowbracket.size.PictureView;
import yellowbracket.size.Reference;

/** A reference picture, the points paired in it, and the lines of the model laid over it at the same scale. */
final class OverlayPicture extends Pane {
    private static final double MARGIN = 16, ABOVE = 48, BELOW = 90, DOT = 5;

    private final Image image;
    private final double opacity;
    private final List<Reference.Pair> pairs;
    private final Optional<PictureView> view;
    private final double[] lines;
    private final Canvas canvas = new Canvas();

    /** @param lines of the model, six numbers a segment @param clicked a place in the picture, as shares of its width */
    OverlayPicture(Image image, double opacity, List<Reference.Pair> pairs, Optional<PictureView> view, double[] lines,
            BiConsumer<Double, Double> clicked) {
        this.image = image;
        this.opacity = opacity;
        this.pairs = pairs;
        this.view = view;
        this.lines = lines;
        getChildren().add(canvas);
        canvas.widthProperty().bind(widthProperty());
        canvas.heightProperty().bind(heightProperty());
        setAccessibleText("the picture with the model's lines over it");
        setId("overlay");
        setOnMouseClicked(e -> {
            double u = (e.getX() - left()) / wide(), v = (e.getY() - ABOVE) / wide();
            if (u >= 0 && u <= 1 && v >= 0 && v <= image.getHeight() / image.getWidth()) clicked.accept(u, v);
        });
        widthProperty().subscribe(x -> paint());
        heightProperty().subscribe(x -> paint());
    }

    /** Pixels that the picture is wide. */
    private double wide() {
        return Math.min(getWidth() - 2 * MARGIN, (getHeight() - ABOVE - BELOW) * image.getWidth() / image.getHeight());
    }

    private double left() {
        return (getWidth() - wide()) / 2;
    }

    private void paint() {
        var g = canvas.getGraphicsContext2D();
        g.clearRect(0, 0, getWidth(), getHeight());
        double k = wide();
        if (k < 10) return;
        g.setGlobalAlpha(opacity);
        g.drawImage(image, left(), ABOVE, k, k * image.getHeight() / image.getWidth());
        g.setGlobalAlpha(1);
        view.ifPresent(w -> {
            g.setStroke(Role.SEAM.colour());
            g.setLineWidth(1.2);
            for (int i = 0; i < lines.length; i += 6) {
                var a = new Vec3(lines[i], lines[i + 1], lines[i + 2]);
                var b = new Vec3(lines[i + 3], lines[i + 4], lines[i + 5]);
                g.strokeLine(left() + k * w.u(a), ABOVE + k * w.v(a), left() + k * w.u(b), ABOVE + k * w.v(b));
            }
        });
        g.setFill(Role.PICKED.colour());
        for (var p : pairs) g.fillOval(left() + k * p.u() - DOT, ABOVE + k * p.v() - DOT, 2 * DOT, 2 * DOT);
    }
}
