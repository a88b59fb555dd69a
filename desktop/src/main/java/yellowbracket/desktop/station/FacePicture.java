package yellowbracket.desktop.station;

import java.util.function.Consumer;
import javafx.geometry.Point2D;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.ClosePath;
import javafx.scene.shape.FillRule;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.text.Text;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;
import yellowbracket.cut.Seam;
import yellowbracket.cut.registration.Fitted;
import yellowbracket.cut.registration.Registered;
import yellowbracket.mesh.Vec3;

/**
 * The two faces of a seam side by side, each as one looks at it, so that the right one is the left one turned over: outlines, what is
 * worked into them, which
 * pole of a magnet shows. A click on the left face tells its place in the seam's plane.
 */
public final class FacePicture extends Pane {
    private static final double WIDTH = 168;
    private static final double HEIGHT = 150;
    private static final double GAP = 24;
    private static final double TOP = 20;

    private final Seam seam;
    private final double unit;
    private final double midU;
    private final double midV;
    private final double wallMm;
    private final String leftWords;

    /** @param place hears where the left face was clicked, real mm */
    public FacePicture(Seam seam, Registered registered, Consumer<Vec3> place) {
        this(seam, registered, 0, "click to place here");
        addEventHandler(MouseEvent.MOUSE_CLICKED, e -> {
            if (e.getX() <= WIDTH && e.getY() >= TOP) place.accept(at(e.getX(), e.getY()));
        });
    }

    /** What bonds of it: its walls whole, what is inside them by the share that infill fills. @param words beside the left face */
    public static FacePicture bonded(Seam seam, Registered registered, double wallMm, String words) {
        return new FacePicture(seam, registered, wallMm, words);
    }

    private FacePicture(Seam seam, Registered registered, double wallMm, String leftWords) {
        this.seam = seam;
        this.wallMm = wallMm;
        this.leftWords = leftWords;
        var box = seam.face().shape().getEnvelopeInternal();
        unit = Math.min((WIDTH - 12) / Math.max(1, box.getWidth()), (HEIGHT - 12) / Math.max(1, box.getHeight()));
        midU = (box.getMinX() + box.getMaxX()) / 2;
        midV = (box.getMinY() + box.getMaxY()) / 2;
        setMinSize(2 * WIDTH + GAP, HEIGHT + TOP);
        setPrefSize(2 * WIDTH + GAP, HEIGHT + TOP);
        setMaxSize(2 * WIDTH + GAP, HEIGHT + TOP);
        setId("faces");
        setAccessibleText("the two faces of seam " + seam.name());
        getStyleClass().add("faces");
        face(false, registered);
        face(true, registered);
    }

    /** Where a place of the seam is drawn on the left face, in this picture's coordinates. */
    public Point2D onPicture(Vec3 p) {
        var c = seam.face().flat(p);
        return new Point2D(x(c.x, false), y(c.y));
    }

    private Vec3 at(double x, double y) {
        return seam.face().at(midU + (x - WIDTH / 2) / unit, midV - (y - TOP - HEIGHT / 2) / unit);
    }

    private double x(double u, boolean above) {
        return (above ? WIDTH + GAP : 0) + WIDTH / 2 + (above ? -1 : 1) * unit * (u - midU);
    }

    private double y(double v) {
        return TOP + HEIGHT / 2 - unit * (v - midV);
    }

    private void face(boolean above, Registered r) {
        var tag = yellowbracket.desktop.widget.Card.tag(above ? seam.above() : seam.below());
        tag.relocate(above ? WIDTH + GAP : 0, 0);
        var side = new Label(above ? "its other face" : leftWords);
        side.getStyleClass().add("row-more");
        side.relocate((above ? WIDTH + GAP : 0) + 34, 1);
        getChildren().addAll(tag, side);
        var outline = new Path();
        outline.setFillRule(FillRule.EVEN_ODD);
        outline.getStyleClass().add("face");
        shape(outline, seam.face().shape(), above);
        getChildren().add(outline);
        if (wallMm > 0) sparse(above);
        r.tongues()
                .stream()
                .filter(t -> t.seam().equals(seam.name()))
                .findFirst()
                .ifPresent(t -> tongue(t.below().equals(seam.below()) != above, above));
        r.on(seam.name()).forEach(f -> hole(f, above));
        if (!above) r.refusedOn(seam.name()).stream().filter(Registered.Refused::byHand).forEach(q -> refused(q));
    }

    /** What only the infill bears. */
    private void sparse(boolean above) {
        var inner = new Path();
        inner.setFillRule(FillRule.EVEN_ODD);
        inner.getStyleClass().add("sparse");
        shape(inner, seam.face().shape().buffer(-wallMm), above);
        getChildren().add(inner);
    }

    private void shape(Path path, Geometry g, boolean above) {
        for (int i = 0; i < g.getNumGeometries(); i++) if (g.getGeometryN(i) instanceof Polygon p && !p.isEmpty()) {
            ring(path, p.getExteriorRing(), above);
            for (int k = 0; k < p.getNumInteriorRing(); k++) ring(path, p.getInteriorRingN(k), above);
        }
    }

    private void ring(Path path, LineString ring, boolean above) {
        Coordinate[] c = ring.getCoordinates();
        path.getElements().add(new MoveTo(x(c[0].x, above), y(c[0].y)));
        for (int i = 1; i + 1 < c.length; i++) path.getElements().add(new LineTo(x(c[i].x, above), y(c[i].y)));
        path.getElements().add(new ClosePath());
    }

    /** A line along the middle of the wall: it stands out on one face and is sunk into the other. */
    private void tongue(boolean standsOut, boolean above) {
        var inner = seam.face().shape().buffer(-0.36 * seam.wallMm());
        var line = new Path();
        line.setFillRule(FillRule.EVEN_ODD);
        line.getStyleClass().addAll(standsOut ? "tongue" : "groove");
        shape(line, inner, above);
        getChildren().add(line);
    }

    private void hole(Fitted f, boolean above) {
        var c = seam.face().flat(f.at());
        var dot = new Circle(x(c.x, above), y(c.y), Math.max(3, unit * f.diameterMm() / 2));
        dot.getStyleClass().add("hole");
        Tooltip.install(dot, new Tooltip(f.kind().words() + " " + f.size()));
        getChildren().add(dot);
        if (f.kind() != yellowbracket.cut.RegistrationKind.MAGNETS && f.kind() != yellowbracket.cut.RegistrationKind.SEALED_MAGNETS) return;
        var pole = new Text(f.northUp() == above ? "N" : "S");
        pole.getStyleClass().add("pole");
        pole.relocate(x(c.x, above) + Math.max(3, unit * f.diameterMm() / 2) + 2, y(c.y) - 8);
        getChildren().add(pole);
    }

    private void refused(Registered.Refused q) {
        var c = seam.face().flat(q.at());
        var cross = new Text("\u00d7");
        cross.getStyleClass().add("refused");
        cross.relocate(x(c.x, false) - 5, y(c.y) - 10);
        Tooltip.install(cross, new Tooltip(q.why()));
        getChildren().add(cross);
    }
}
