package yellowbracket.desktop.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.animation.PauseTransition;
import javafx.geometry.Point3D;
import javafx.geometry.Pos;
import javafx.scene.AmbientLight;
import javafx.scene.DirectionalLight;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.PerspectiveCamera;
import javafx.scene.SceneAntialiasing;
import javafx.scene.SubScene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import javafx.scene.transform.Affine;
import javafx.scene.transform.Rotate;
import javafx.scene.transform.Translate;
import javafx.util.Duration;
import yellowbracket.desktop.theme.Ramp;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Vec3;

/**
 * The 3D view with legend, callouts and gauges. World as in the core (z up, y forward); the camera looks from the front. Left drag orbits, right or
 * shift drag pans, the wheel zooms at the pointer; arrow keys orbit, + and - zoom, F frames.
 */
public final class Bench extends StackPane {
    private static final double FIELD_DEG = 30;

    private final Group world = new Group();
    private final Group content = new Group();
    /** Two views of one world: smooth edges at rest, none while it moves, which a software renderer draws several times faster. */
    private final SubScene still = new SubScene(new Group(), 100, 100, true, SceneAntialiasing.BALANCED);
    private final SubScene moving = new SubScene(new Group(), 100, 100, true, SceneAntialiasing.DISABLED);
    private final Group root = new Group();
    private final Drawn drawn = new Drawn();
    private final PauseTransition rest = new PauseTransition(Duration.millis(280));
    private final PerspectiveCamera camera = new PerspectiveCamera(true);
    private final Rotate yaw = new Rotate(-24, new Point3D(0, 0, 1));
    private final Rotate pitch = new Rotate(14, Rotate.X_AXIS);
    private final Translate away = new Translate();
    private final Translate pan = new Translate();
    private final Translate centre = new Translate();
    private final Pane overlay = new Pane();
    private final HBox gauges = new HBox(10);
    private final VBox legend = new VBox(2);
    private final HBox buttons = new HBox(6);
    private final Label empty = new Label();
    private final Button offer = new Button();
    private final VBox emptyBox = new VBox(12, empty, offer);
    private final List<Placed> callouts = new ArrayList<>();
    private Bounds3 framed = Bounds3.of(-100, -100, -100, 100, 100, 100);
    private double lastX;
    private double lastY;
    private Consumer<Boolean> seeThrough = on -> {};
    private final ToggleButton glass = new ToggleButton("see-through");
    private final Slider explode = new Slider(0, 1, 0.45);
    private final HBox explodeBox = new HBox(6, new Label("pull apart"), explode);
    private String frameKey = "";

    /** A callout: where it points, what it says, how it is meant (a style class). */
    public record Callout(Vec3 at, String words, String tone) {}

    private record Placed(Callout callout, Label label, Line line) {}

    /** A gauge: what, how much, and a few words more; tone is a style class or empty. */
    public record Gauge(String name, String value, String more, String tone) {}

    public Bench() {
        getStyleClass().add("bench");
        setMinSize(200, 200);
        // core axes to screen axes: x right seen from the front is the wearer's left, z up is screen -y, y towards the viewer
        var axes = new Affine(-1, 0, 0, 0, 0, 0, -1, 0, 0, -1, 0, 0);
        world.getTransforms().setAll(pan, pitch, axes, yaw, centre);
        world.getChildren().add(content);
        camera.setFieldOfView(FIELD_DEG);
        camera.setNearClip(1);
        camera.setFarClip(20_000);
        camera.getTransforms().add(away);
        var sky = new AmbientLight(Color.gray(0.5));
        var key = new DirectionalLight(Color.gray(0.56));
        key.setDirection(new Point3D(0.45, 0.75, 0.8));
        root.getChildren().setAll(world, camera, sky, key);
        for (var scene : List.of(still, moving)) {
            scene.widthProperty().bind(widthProperty());
            scene.heightProperty().bind(heightProperty());
            scene.setManaged(false);
        }
        moving.setVisible(false);
        still.setRoot(root);
        still.setCamera(camera);
        rest.setOnFinished(e -> view(still, moving));
        overlay.setMouseTransparent(true);
        build();
        setFocusTraversable(true);
        setAccessibleText("bench: the model in three dimensions");
        addEventHandler(MouseEvent.MOUSE_PRESSED, this::press);
        addEventHandler(MouseEvent.MOUSE_DRAGGED, this::drag);
        addEventHandler(ScrollEvent.SCROLL, this::zoom);
        addEventHandler(KeyEvent.KEY_PRESSED, this::key);
        widthProperty().subscribe(x -> placeCallouts());
        heightProperty().subscribe(x -> placeCallouts());
    }

    private void build() {
        for (var v : List.of("front", "side", "top")) {
            var b = new Button(v);
            b.getStyleClass().setAll("plain", "view-button");
            b.setOnAction(e -> look(v));
            buttons.getChildren().add(b);
        }
        glass.getStyleClass().setAll("plain", "view-button");
        glass.selectedProperty().subscribe(on -> seeThrough.accept(on));
        buttons.getChildren().add(glass);
        explode.setPrefWidth(90);
        explode.setAccessibleText("pull sections apart");
        explodeBox.setAlignment(Pos.CENTER_LEFT);
        explodeBox.getChildren().getFirst().getStyleClass().add("legend-title");
        showExplode(false);
        buttons.getChildren().add(0, explodeBox);
        buttons.setMaxSize(HBox.USE_PREF_SIZE, HBox.USE_PREF_SIZE);
        buttons.setAlignment(Pos.CENTER_RIGHT);
        legend.setMaxSize(VBox.USE_PREF_SIZE, VBox.USE_PREF_SIZE);
        legend.setMouseTransparent(true);
        gauges.setMaxSize(HBox.USE_PREF_SIZE, HBox.USE_PREF_SIZE);
        gauges.setMouseTransparent(true);
        offer.getStyleClass().setAll("primary");
        empty.getStyleClass().add("subheading");
        emptyBox.setAlignment(Pos.CENTER);
        emptyBox.setMaxSize(VBox.USE_PREF_SIZE, VBox.USE_PREF_SIZE);
        emptyBox.setVisible(false);
        StackPane.setAlignment(legend, Pos.TOP_LEFT);
        StackPane.setMargin(legend, new javafx.geometry.Insets(12, 0, 0, 16));
        StackPane.setAlignment(buttons, Pos.TOP_RIGHT);
        StackPane.setMargin(buttons, new javafx.geometry.Insets(8, 10, 0, 0));
        StackPane.setAlignment(gauges, Pos.BOTTOM_LEFT);
        StackPane.setMargin(gauges, new javafx.geometry.Insets(0, 0, 12, 16));
        getChildren().setAll(still, moving, overlay, legend, buttons, gauges, emptyBox);
        setClip(clip());
    }

    private Rectangle clip() {
        var r = new Rectangle();
        r.widthProperty().bind(widthProperty());
        r.heightProperty().bind(heightProperty());
        return r;
    }

    /** Shows other things; the camera moves only when {@code key} names something new. */
    public void show(List<? extends Node> things, Bounds3 bounds, String key) {
        content.getChildren().setAll(things);
        if (!key.equals(frameKey)) {
            frameKey = key;
            framed = bounds;
            frame();
        }
        framed = bounds;
        placeCallouts();
    }

    public void callouts(List<Callout> list) {
        overlay.getChildren().clear();
        callouts.clear();
        for (var c : list) {
            var label = new Label(c.words);
            label.getStyleClass().setAll("label", "callout");
            if (!c.tone.isEmpty()) label.getStyleClass().add(c.tone);
            var line = new Line();
            line.getStyleClass().add("callout-line");
            line.setStroke(Color.gray(0.45));
            line.setStrokeWidth(0.8);
            overlay.getChildren().addAll(line, label);
            callouts.add(new Placed(c, label, line));
        }
        placeCallouts();
    }

    /** Labels stand outside the model, left or right of where they point, pushed apart where they would overlap. */
    private void placeCallouts() {
        if (callouts.isEmpty() || getWidth() < 50) return;
        var mid = overlay.sceneToLocal(content.localToScene(new Point3D(framed.centre().x(), framed.centre().y(), framed.centre().z()), true));
        var left = new ArrayList<double[]>();
        var right = new ArrayList<double[]>();
        for (int i = 0; i < callouts.size(); i++) {
            var at = callouts.get(i).callout.at;
            var p = overlay.sceneToLocal(content.localToScene(new Point3D(at.x(), at.y(), at.z()), true));
            (p.getX() < mid.getX() ? left : right).add(new double[] {i, p.getX(), p.getY()});
        }
        place(left, true);
        place(right, false);
    }

    /** One column a side, beside everything it points at. */
    private void place(List<double[]> side, boolean left) {
        side.sort(java.util.Comparator.comparingDouble(a -> a[2]));
        double next = 62, bottom = getHeight() - 86, widest = 0, edge = left ? 1e9 : -1e9;
        for (var a : side) {
            var label = callouts.get((int) a[0]).label;
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
            var c = callouts.get((int) a[0]);
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

    public void gauges(List<Gauge> list) {
        gauges.getChildren().clear();
        for (var g : list) {
            var name = new Label(g.name);
            name.getStyleClass().add("gauge-name");
            var value = new Label(g.value);
            value.getStyleClass().add("gauge-value");
            if (!g.tone.isEmpty()) value.getStyleClass().add(g.tone);
            var more = new Label(g.more);
            more.getStyleClass().add("gauge-more");
            var line = new HBox(6, value, more);
            line.setAlignment(Pos.BASELINE_LEFT);
            var box = new VBox(0, name, line);
            box.getStyleClass().add("gauge");
            gauges.getChildren().add(box);
        }
    }

    /** A ramp's scale, its ticks in the given unit; an empty one takes the legend away. */
    public void legend(Optional<Ramp> ramp, String unit, double unitScale) {
        legend.getChildren().clear();
        ramp.ifPresent(r -> {
            var title = new Label(r.title() + ", " + unit);
            title.getStyleClass().add("legend-title");
            var strip = new Pane();
            strip.setPrefSize(240, 26);
            for (int i = 0; i < 240; i++) {
                var c = new Rectangle(i, 0, 1.2, 10);
                c.setFill(r.at(r.low() + (r.high() - r.low()) * i / 239.0));
                strip.getChildren().add(c);
            }
            for (double t : r.ticks()) {
                double x = 240 * (t - r.low()) / (r.high() - r.low());
                var tick = new Label(unitScale == 1 ? String.valueOf(Math.round(t)) : String.format(java.util.Locale.ROOT, "%.1f", t * unitScale));
                tick.getStyleClass().add("legend-tick");
                tick.relocate(Math.clamp(x - 4, 0, 224), 11);
                strip.getChildren().add(tick);
            }
            legend.getChildren().setAll(title, strip);
        });
    }

    /** Coloured squares with words. */
    public void legend(String title, List<Color> colours, List<String> words) {
        legend.getChildren().clear();
        var head = new Label(title);
        head.getStyleClass().add("legend-title");
        legend.getChildren().add(head);
        for (int i = 0; i < colours.size(); i++) {
            var box = new Rectangle(12, 12, colours.get(i));
            box.setStroke(Color.gray(0.3));
            box.setStrokeWidth(0.6);
            var text = new Label(words.get(i));
            text.getStyleClass().add("legend-tick");
            var line = new HBox(6, box, text);
            line.setAlignment(Pos.CENTER_LEFT);
            legend.getChildren().add(line);
        }
    }

    /** Says what to do first when there is nothing to show; empty words take it away. */
    public void empty(String words, String action, Runnable run) {
        emptyBox.setVisible(!words.isEmpty());
        empty.setText(words);
        offer.setText(action);
        offer.setVisible(!action.isEmpty());
        offer.setOnAction(e -> run.run());
        buttons.setVisible(words.isEmpty());
    }

    public void onSeeThrough(Consumer<Boolean> listener) {
        seeThrough = listener;
    }

    public boolean isSeeThrough() {
        return glass.isSelected();
    }

    public void toggleSeeThrough() {
        glass.setSelected(!glass.isSelected());
    }

    /** Makes what is shown here. */
    public Drawn drawn() {
        return drawn;
    }

    /** The slider that pulls sections apart, 0 to 1. */
    public Slider explode() {
        return explode;
    }

    public void showExplode(boolean on) {
        explodeBox.setVisible(on);
        explodeBox.setManaged(on);
    }

    public void look(String from) {
        yaw.setAngle(switch (from) {
            case "side" -> 90;
            case "three-quarter" -> -28;
            default -> 0;
        });
        pitch.setAngle(from.equals("top") ? 90 : from.equals("three-quarter") ? 16 : 0);
        frame();
    }

    private void view(SubScene shown, SubScene hidden) {
        if (shown.getRoot() == root) return;
        hidden.setRoot(new Group());
        hidden.setCamera(null);
        hidden.setVisible(false);
        shown.setRoot(root);
        shown.setCamera(camera);
        shown.setVisible(true);
    }

    private void moved() {
        view(moving, still);
        rest.playFromStart();
        placeCallouts();
    }

    /** Turns the view by degrees; for keys and the frame-rate probe. */
    public void orbit(double aboutUp, double overTop) {
        yaw.setAngle(yaw.getAngle() + aboutUp);
        pitch.setAngle(Math.clamp(pitch.getAngle() + overTop, -90, 90));
        moved();
    }

    /** Everything in view, upright. */
    public void frame() {
        var c = framed.centre();
        centre.setX(-c.x());
        centre.setY(-c.y());
        centre.setZ(-c.z());
        pan.setX(0);
        pan.setY(0);
        double aspect = getHeight() > 0 ? Math.min(1.6, getWidth() / getHeight()) : 1.2;
        double tall = Math.max(framed.size().z() * 1.16, Math.hypot(framed.size().x(), framed.size().y()) / Math.max(0.6, aspect));
        away.setZ(-(tall * 0.53 + 8) / Math.tan(Math.toRadians(FIELD_DEG / 2)) - framed.size().y() * 0.15);
        placeCallouts();
    }

    private void press(MouseEvent e) {
        requestFocus();
        lastX = e.getX();
        lastY = e.getY();
    }

    private void drag(MouseEvent e) {
        double dx = e.getX() - lastX, dy = e.getY() - lastY;
        lastX = e.getX();
        lastY = e.getY();
        if (e.getButton() == MouseButton.PRIMARY && !e.isShiftDown()) orbit(dx * 0.45, dy * 0.35);
        else {
            double k = -away.getZ() * 2 * Math.tan(Math.toRadians(FIELD_DEG / 2)) / Math.max(1, getHeight());
            pan.setX(pan.getX() + dx * k);
            pan.setY(pan.getY() + dy * k);
            moved();
        }
    }

    private void zoom(ScrollEvent e) {
        zoom(Math.pow(0.9985, e.getDeltaY()), e.getX() - getWidth() / 2, e.getY() - getHeight() / 2);
        e.consume();
    }

    /** What lies under the pointer stays under it. */
    private void zoom(double factor, double px, double py) {
        double before = -away.getZ(), after = Math.clamp(before * factor, 20, 15_000);
        double k = 2 * Math.tan(Math.toRadians(FIELD_DEG / 2)) / Math.max(1, getHeight());
        pan.setX(pan.getX() + px * k * (after - before));
        pan.setY(pan.getY() + py * k * (after - before));
        away.setZ(-after);
        moved();
    }

    private void key(KeyEvent e) {
        if (e.isControlDown() || e.isAltDown()) return;
        switch (e.getCode()) {
            case LEFT -> orbit(-6, 0);
            case RIGHT -> orbit(6, 0);
            case UP -> orbit(0, 5);
            case DOWN -> orbit(0, -5);
            case PLUS, EQUALS, ADD -> zoom(0.88, 0, 0);
            case MINUS, SUBTRACT -> zoom(1.14, 0, 0);
            default -> {
                return;
            }
        }
        e.consume();
    }

}
