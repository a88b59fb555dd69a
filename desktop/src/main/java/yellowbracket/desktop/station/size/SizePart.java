package yellowbracket.desktop.station.size;

import java.util.List;
import java.util.Optional;
import javafx.scene.Group;
import javafx.scene.paint.PhongMaterial;
import javafx.scene.shape.Sphere;
import javafx.scene.transform.Rotate;
import javafx.scene.transform.Scale;
import javafx.scene.transform.Translate;
import yellowbracket.derive.size.SizeFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.station.PagePart;
import yellowbracket.desktop.theme.Ramp;
import yellowbracket.desktop.theme.Role;
import yellowbracket.desktop.widget.Card;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.size.Clearance;
import yellowbracket.size.Fit;
import yellowbracket.size.Pose;

/** One part of the size page, shown under a tab of its own: what it writes on the card and draws on the bench. */
abstract class SizePart extends PagePart {
    protected final SizeView view;
    protected final Bench bench;

    SizePart(SizeView view) {
        super(view.model());
        this.view = view;
        bench = view.bench();
    }

    abstract void write(Card card);

    abstract void draw();

    /** The fit of the first wearer at the scale shown last. */
    protected Optional<Fit> fit() {
        return model.result(SizeFigures.FITS).flatMap(f -> f.list().stream().findFirst());
    }

    /** The head, coloured by its clearance, in a pose. */
    protected Group head(Mesh mesh, Optional<Clearance> c, Pose pose) {
        var drawn = c.map(k -> bench.drawn().byVertex(mesh, Ramp.clearance(), view.neutral(), v -> k.form().atVertex(v, k::mm)))
                .orElseGet(() -> bench.drawn().plain(mesh, view.neutral()));
        var group = new Group(drawn);
        place(group, pose);
        return group;
    }

    protected static void place(Group head, Pose pose) {
        head.getTransforms().setAll(new Translate(0, pose.forwardMm(), pose.upMm()), new Rotate(pose.pitchDeg(), Rotate.X_AXIS));
    }

    protected javafx.scene.Node shell(Mesh proxy, double opacity) {
        double s = prop().scale();
        var shell = opacity < 1 ? bench.drawn().glass(proxy, view.plastic(), opacity) : bench.drawn().plain(proxy, view.plastic());
        shell.getTransforms().add(new Scale(s, s, s));
        return shell;
    }

    /** A picked point, real mm; what is clicked next is clicked through it. */
    protected static Sphere ball(Vec3 at, double radius) {
        var ball = new Sphere(radius);
        ball.setMaterial(new PhongMaterial(Role.PICKED.colour()));
        ball.setMouseTransparent(true);
        ball.getTransforms().add(new Translate(at.x(), at.y(), at.z()));
        return ball;
    }

    /** No callouts, no legend, no gauges. */
    protected void bare() {
        bench.legend().none();
        bench.callouts(List.of());
        bench.gauges(List.of());
    }
}
