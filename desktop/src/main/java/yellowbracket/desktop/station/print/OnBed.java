package yellowbracket.desktop.station.print;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.paint.Color;
import javafx.scene.paint.PhongMaterial;
import javafx.scene.shape.Box;
import javafx.scene.transform.Affine;
import javafx.scene.transform.Scale;
import javafx.scene.transform.Translate;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.bench.Drawn;
import yellowbracket.desktop.theme.Ramp;
import yellowbracket.desktop.theme.Role;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.print.Columns;
import yellowbracket.print.Cusp;
import yellowbracket.print.PrintChecks;
import yellowbracket.print.ThinFeatures;
import yellowbracket.shop.Printer;

/**
 * Sections and support as they stand on a bed whose near left corner, seen from the front, is the origin. Mirrored axes of the bench are
 * dealt with here: bed x runs to the viewer's right.
 */
final class OnBed {
    private static final int MOST_BALLS = 40;

    private final Drawn drawn;
    private final boolean night;
    private final double atX;
    private final double atY;
    private final List<Node> things = new ArrayList<>();

    /** @param atX place of the bed's near left corner in bench coordinates, x already to the viewer's right */
    OnBed(Bench bench, boolean night, double atX, double atY) {
        drawn = bench.drawn();
        this.night = night;
        this.atX = atX;
        this.atY = atY;
    }

    List<Node> things() {
        return things;
    }

    /** From bed coordinates to those of the bench, where x grows to the viewer's left and y away from the viewer is negative. */
    Vec3 place(double x, double y, double z) {
        return new Vec3(-(atX + x), -(atY + y), z);
    }

    private Affine flip() {
        return new Affine(-1, 0, 0, -atX, 0, -1, 0, -atY, 0, 0, 1, 0);
    }

    void floor(double wide, double deep) {
        var plate = new Box(wide, deep, 2);
        plate.setMaterial(new PhongMaterial(Role.BED.colour(night)));
        var mid = place(wide / 2, deep / 2, -1.3);
        plate.getTransforms().add(new Translate(mid.x(), mid.y(), mid.z()));
        things.add(plate);
    }

    void bed(Printer p) {
        floor(p.bedX(), p.bedY());
        double m = p.marginMm(), x = p.bedX() - m, y = p.bedY() - m;
        var frame = new ArrayList<Vec3>(List.of(place(m, m, 0.2), place(x, m, 0.2), place(x, y, 0.2), place(m, y, 0.2), place(m, m, 0.2)));
        lines(frame, Role.BED_FRAME.colour(night), 0.9);
        // the front edge
        lines(List.of(place(0, 0, 0.2), place(p.bedX(), 0, 0.2)), Role.BED_FRONT.colour(night), 2.2);
    }

    private void lines(List<Vec3> path, Color colour, double thick) {
        var segments = new double[6 * (path.size() - 1)];
        for (int i = 0; i + 1 < path.size(); i++) {
            var a = path.get(i);
            var b = path.get(i + 1);
            double[] six = {a.x(), a.y(), a.z(), b.x(), b.y(), b.z()};
            System.arraycopy(six, 0, segments, 6 * i, 6);
        }
        things.add(drawn.lines(segments, colour, thick));
    }

    /**
     * A section with its lower left corner at a place of the bed, coloured by the depth of its layer lines; @param layersPerLine one dark
     * line is drawn each so many layers, 0 for none
     */
    Group section(Mesh mesh, Turn turn, double scale, double x, double y, double layerMm, int layersPerLine, Color cut) {
        var box = box(mesh, turn, scale);
        var view = drawn.striped(mesh, Ramp.cusp(), cut,
                f -> mesh.tag(f) != Mesh.ORIGINAL ? Double.NaN : Cusp.um(layerMm, steep(mesh, f, turn)),
                v -> layersPerLine == 0 ? 0.5 : (scale * turn.row2().dot(mesh.point(v)) - box.min().z()) / (layerMm * layersPerLine));
        var group = new Group(view);
        group.getTransforms()
                .setAll(flip(), new Translate(x - box.min().x(), y - box.min().y(), -box.min().z()), affine(turn),
                        new Scale(scale, scale, scale));
        things.add(group);
        return group;
    }

    /**
     * Columns of support of a section placed as {@link #section} does, those that scar the show side apart in colour. @param box of the
     * section turned, real mm
     */
    void support(List<Columns.Post> posts, double bedZ, Bounds3 box, double x, double y) {
        for (boolean seen : new boolean[] {false, true}) {
            var list = posts.stream().filter(p -> p.seen() == seen).toList();
            if (list.isEmpty()) continue;
            var segments = new double[6 * list.size()];
            for (int i = 0; i < list.size(); i++) {
                var p = list.get(i);
                var from = place(x + p.x() - box.min().x(), y + p.y() - box.min().y(), p.from() - bedZ);
                double[] six = {from.x(), from.y(), from.z(), from.x(), from.y(), p.to() - bedZ};
                System.arraycopy(six, 0, segments, 6 * i, 6);
            }
            things.add(drawn.lines(segments, (seen ? Role.SCAR : Role.HELD).colour(), 1.3));
        }
    }

    /**
     * Where support stays in, where it breaks what it holds, and what does not print, as balls on the section placed as {@link #section}
     * does. @param box of the section turned, real mm
     */
    void trouble(PrintChecks c, Bounds3 box, Turn turn, double x, double y) {
        var balls = new ArrayList<Vec3>();
        balls.addAll(some(c.support().unreachable()));
        balls.addAll(some(c.support().fragile()));
        c.thin()
                .spots()
                .stream()
                .filter(s -> s.fate() != ThinFeatures.Fate.WEAK)
                .limit(MOST_BALLS)
                .map(s -> turn.apply(s.at()))
                .forEach(balls::add);
        c.hollows().ifPresent(h -> h.trapped().forEach(q -> balls.add(q.at())));
        var material = new PhongMaterial(Role.TOO_LARGE.colour());
        for (var p : balls) {
            var ball = new javafx.scene.shape.Sphere(Math.max(1.2, 0.008 * box.diagonal()), 8);
            ball.setMaterial(material);
            ball.setMouseTransparent(true);
            var at = place(x + p.x() - box.min().x(), y + p.y() - box.min().y(), p.z() - box.min().z());
            ball.getTransforms().add(new Translate(at.x(), at.y(), at.z()));
            things.add(ball);
        }
    }

    /** Evenly taken: enough to show where. */
    private static List<Vec3> some(List<Vec3> all) {
        int step = Math.max(1, all.size() / MOST_BALLS);
        return java.util.stream.IntStream.range(0, all.size()).filter(i -> i % step == 0).mapToObj(all::get).toList();
    }

    /** Of the section as it stands, real mm. */
    static Bounds3 box(Mesh m, Turn t, double s) {
        return m.turned(t).bounds().scaled(s);
    }

    private static double steep(Mesh m, int f, Turn turn) {
        var n = m.areaVector(f);
        double len = n.norm();
        return len == 0 ? 0 : Math.abs(turn.row2().dot(n) / len);
    }

    static Affine affine(Turn t) {
        return new Affine(t.row0().x(), t.row0().y(), t.row0().z(), 0, t.row1().x(), t.row1().y(), t.row1().z(), 0, t.row2().x(),
                t.row2().y(), t.row2().z(), 0);
    }
}
