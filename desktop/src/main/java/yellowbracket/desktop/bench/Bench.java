package yellowbracket.desktop.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.DoubleConsumer;
import java.util.function.IntConsumer;
import javafx.animation.PauseTransition;
import javafx.application.ConditionalFeature;
import javafx.application.Platform;
import javafx.geometry.Point2D;
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
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import javafx.scene.shape.Rectangle;
import javafx.scene.transform.Affine;
import javafx.scene.transform.Rotate;
import javafx.scene.transform.Translate;
import javafx.util.Duration;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Vec3;

/**
 * The 3D view with legend, callouts and gauges. World as in the core (z up, y forward); the camera looks from the front. Left drag orbits,
 * right or
 * shift drag pans, the wheel zooms at the pointer; arrow keys orbit, + and - zoom, F frames.
 */
public final class Bench extends StackPane {
    private static final double FIELD_DEG = 30;

    private final Group world = new Group();
    private static final boolean THREE_D = Platform.isSupported(ConditionalFeature.SCENE3D);
    private static final String NO_3D = "nothing is drawn: this computer's graphics driver has no 3D. Every figure is right all the same.";

    private final Group content = new Group();
    /** Two views of one world: smooth edges at rest, none while it moves, which a software renderer draws several times faster. */
    private final SubScene still = new SubScene(new Group(), 100, 100, true, SceneAntialiasing.BALANCED);
    private final SubScene moving = new SubScene(new Group(), 100, 100, true, SceneAntialiasing.DISABLED);
    /** One pixel, in which the renderer gets to know shapes of pages that are not on screen. */
    private final SubScene acquaint = new SubScene(new Group(), 1, 1, true, SceneAntialiasing.DISABLED);
    private final PauseTransition acquainted = new PauseTransition(Duration.millis(400));
    private final Group root = new Group();
    private final Drawn drawn = new Drawn();
    private final PauseTransition rest = new PauseTransition(Duration.millis(280));
    private final PerspectiveCamera camera = new PerspectiveCamera(true);
    private final Rotate yaw = new Rotate(-24, new Point3D(0, 0, 1));
    private final Rotate pitch = new Rotate(14, Rotate.X_AXIS);
    private final Translate away = new Translate();
    private final Translate pan = new Translate();
    private final Translate centre = new Translate();
    private final Callouts callouts = new Callouts();
    private final FlowPane gauges = new FlowPane(10, 6);
    private final Legend legend = new Legend();
    private final HBox buttons = new HBox(6);
    private final Label empty = new Label();
    private Bounds3 framed = Bounds3.of(-100, -100, -100, 100, 100, 100);
    private double lastX;
    private double lastY;
    private Consumer<Boolean> seeThrough = on -> {};
    private final ToggleButton glass = new ToggleButton("see-through");
    private final Slider explode = new Slider(0, 1, 0.45);
    private final HBox explodeBox = new HBox(6, new Label("pull apart"), explode);
    private final ToggleButton planes = new ToggleButton("planes");
    private final ToggleButton section = new ToggleButton("section");
    private final Slider sectionAt = new Slider(0.02, 0.98, 0.5);
    private final StackPane picture = new StackPane();
    private String lookedFrom = "three-quarter";
    private Runnable looked = () -> {};
    private Runnable turned = () -> {};
    private Optional<Grip> grabbed = Optional.empty();
    private Optional<Brush> brush = Optional.empty();
    private final List<Vec3> painted = new ArrayList<>();
    private String frameKey = "";
    private Ahead ahead = Ahead.NOTHING;
    private final Label hint = new Label();
    private Runnable delete = () -> {};
    private IntConsumer size = by -> {};

    private enum Ahead {
        NOTHING, A_PAGE, THE_PAGE_ON_SCREEN
    }

    /** A callout: where it points, what it says, how it is meant (a style class). */
    public record Callout(Vec3 at, String words, String tone) {}

    /**
     * Something on the bench that is dragged along a line, set as the user data of a node: it starts {@code at} and runs {@code along}
     * (unit). {@code moved}
     * hears how far in mm while the pointer moves, {@code dropped} once at the end.
     */
    public record Handle(Vec3 at, Vec3 along, DoubleConsumer moved, DoubleConsumer dropped) {}

    /** Something on the bench that is told which of its triangles was clicked, set as the user data of a node. */
    public record Target(IntConsumer clicked) {}

    /** Something on the bench that is told where on it was clicked, in its own mesh's coordinates, set as the user data of a node. */
    public record Spot(Consumer<Vec3> clicked) {}

    /**
     * Something on the bench that is painted on with the left button, set as the user data of a node: {@code hover} hears where the pointer
     * is, {@code over} each place it comes over while pressed, in the mesh's own coordinates, {@code done} all of them once at the end;
     * both with whether Shift takes away. A drag that starts beside it turns the view.
     */
    public record Brush(Consumer<Vec3> hover, BiConsumer<Vec3, Boolean> over, BiConsumer<List<Vec3>, Boolean> done, boolean shiftTakes) {
        public static Brush of(Consumer<List<Vec3>> done) {
            return new Brush(p -> {}, (p, shift) -> {}, (all, shift) -> done.accept(all), false);
        }
    }

    /** Words shown beside the pointer while it is over a thing, set as the user data of a node. */
    public record Hint(String words) {}

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
        acquaint.setManaged(false);
        acquaint.setMouseTransparent(true);
        acquainted.setOnFinished(e -> acquaint.setRoot(new Group()));
        build();
        setFocusTraversable(true);
        setAccessibleText("bench: the model in three dimensions");
        addEventHandler(MouseEvent.MOUSE_PRESSED, this::press);
        addEventHandler(MouseEvent.MOUSE_DRAGGED, this::drag);
        addEventHandler(MouseEvent.MOUSE_RELEASED, this::release);
        addEventHandler(MouseEvent.MOUSE_CLICKED, this::click);
        addEventHandler(MouseEvent.MOUSE_MOVED, this::hover);
        addEventHandler(MouseEvent.MOUSE_EXITED, e -> hint.setVisible(false));
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
        section.getStyleClass().setAll("toggle-button", "plain", "view-button");
        section.setAccessibleText("cut the view open, along the side, front or top looked from last; drag the yellow pane");
        section.setVisible(false);
        section.managedProperty().bind(section.visibleProperty());
        sectionAt.setId("section-at");
        sectionAt.setPrefWidth(110);
        sectionAt.setAccessibleText("where the view is cut open");
        sectionAt.visibleProperty().bind(section.visibleProperty().and(section.selectedProperty()));
        sectionAt.managedProperty().bind(sectionAt.visibleProperty());
        section.setId("section");
        buttons.getChildren().addAll(0, List.of(sectionAt, section));
        picture.setVisible(false);
        picture.setMouseTransparent(true);
        glass.getStyleClass().setAll("toggle-button", "plain", "view-button");
        glass.selectedProperty().subscribe(on -> seeThrough.accept(on));
        buttons.getChildren().add(glass);
        explode.setPrefWidth(90);
        explode.setAccessibleText("pull sections apart");
        planes.getStyleClass().setAll("toggle-button", "plain", "view-button");
        planes.setAccessibleText("show the cut planes, to be dragged");
        explodeBox.getChildren().add(0, planes);
        explodeBox.setAlignment(Pos.CENTER_LEFT);
        explodeBox.getChildren().get(1).getStyleClass().add("legend-title");
        showExplode(false);
        buttons.getChildren().add(0, explodeBox);
        buttons.setMaxSize(HBox.USE_PREF_SIZE, HBox.USE_PREF_SIZE);
        buttons.setAlignment(Pos.CENTER_RIGHT);
        gauges.setMaxHeight(Region.USE_PREF_SIZE);
        gauges.setAlignment(Pos.BOTTOM_LEFT);
        gauges.setMouseTransparent(true);
        empty.getStyleClass().add("subheading");
        empty.setVisible(false);
        empty.setWrapText(true);
        empty.setMaxWidth(420);
        StackPane.setAlignment(legend, Pos.TOP_LEFT);
        StackPane.setMargin(legend, new javafx.geometry.Insets(12, 0, 0, 16));
        StackPane.setAlignment(buttons, Pos.TOP_RIGHT);
        StackPane.setMargin(buttons, new javafx.geometry.Insets(8, 10, 0, 0));
        StackPane.setAlignment(gauges, Pos.BOTTOM_LEFT);
        StackPane.setMargin(gauges, new javafx.geometry.Insets(0, 16, 12, 16));
        hint.getStyleClass().add("bench-hint");
        hint.setManaged(false);
        hint.setMouseTransparent(true);
        hint.setVisible(false);
        getChildren().setAll(acquaint, still, moving, callouts, picture, legend, buttons, gauges, empty, hint);
        setClip(clip());
    }

    private Rectangle clip() {
        var r = new Rectangle();
        r.widthProperty().bind(widthProperty());
        r.heightProperty().bind(heightProperty());
        return r;
    }

    /**
     * Shows other things in place of what was there, flat picture and section button too; the camera moves only when {@code key} names
     * something new.
     */
    public void show(List<? extends Node> things, Bounds3 bounds, String key) {
        picture(Optional.empty());
        section.setVisible(false);
        if (!THREE_D) empty(NO_3D);
        if (ahead == Ahead.A_PAGE) acquaint(things);
        if (ahead != Ahead.NOTHING) return;
        content.getChildren().setAll(things);
        if (!key.equals(frameKey)) {
            frameKey = key;
            framed = bounds;
            frame();
        }
        framed = bounds;
        plainly();
    }

    /**
     * Draws a page that is not on screen, for what is kept of its shapes, then the page on screen again: nothing of it is seen.
     * @param redraw draws the page on screen
     */
    public void ahead(Runnable draw, Runnable redraw) {
        try {
            ahead = Ahead.A_PAGE;
            draw.run();
            ahead = Ahead.THE_PAGE_ON_SCREEN;
            redraw.run();
        } finally {
            ahead = Ahead.NOTHING;
        }
    }

    /** What the renderer makes of a shape before it first draws it takes longer than drawing it. */
    private void acquaint(List<? extends Node> things) {
        acquaint.setRoot(new Group(List.copyOf(things)));
        acquainted.playFromStart();
    }

    /** Shows a flat picture in place of the model; empty shows the model again. */
    public void picture(Optional<Node> flat) {
        picture.getChildren().setAll(flat.map(List::of).orElse(List.of()));
        picture.setVisible(flat.isPresent());
        picture.setMouseTransparent(flat.isEmpty() || flat.get().isMouseTransparent());
        still.setOpacity(flat.isPresent() ? 0 : 1);
        moving.setOpacity(flat.isPresent() ? 0 : 1);
        buttons.setVisible(flat.isEmpty());
    }

    /** Whether this computer can show models at all. */
    public boolean draws3D() {
        return THREE_D;
    }

    public boolean showsPicture() {
        return picture.isVisible();
    }

    /** The button that cuts the view open; hidden on pages that do not. */
    public ToggleButton section() {
        return section;
    }

    /** Where along its axis the view is cut open, as a share of the model's box. */
    public Slider sectionAt() {
        return sectionAt;
    }

    /** Across which axis the view is cut open: 1 after looking from the front, 2 from the top, else 0. */
    public int sectionAxis() {
        return lookedFrom.equals("front") ? 1 : lookedFrom.equals("top") ? 2 : 0;
    }

    public void callouts(List<Callout> list) {
        callouts.set(list);
        placeCallouts();
    }

    private void placeCallouts() {
        callouts.place(framed.centre(), this::onScreen);
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
            value.setMinWidth(Region.USE_PREF_SIZE);
            more.setMinWidth(Region.USE_PREF_SIZE);
            var line = new HBox(6, value, more);
            line.setAlignment(Pos.BASELINE_LEFT);
            var box = new VBox(0, name, line);
            box.getStyleClass().add("gauge");
            gauges.getChildren().add(box);
        }
    }

    public Legend legend() {
        return legend;
    }

    /** Says what to do first when there is nothing to show. @param words what to do where nothing is shown yet; blank when something is */
    public void empty(String words) {
        empty.setVisible(!words.isEmpty());
        empty.setText(words);
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

    /** Whether the cut planes are shown in place of sections pulled apart. */
    public ToggleButton planes() {
        return planes;
    }

    public void showExplode(boolean on) {
        explodeBox.setVisible(on);
        explodeBox.setManaged(on);
    }

    /** Called when the side looked from changes while the view is cut open. */
    public void onLook(Runnable listener) {
        looked = listener;
    }

    public void look(String from) {
        lookedFrom = from;
        if (sectionAt.isVisible()) looked.run();
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

    /** Called whenever the view is turned, shifted or zoomed. */
    public void onTurn(Runnable listener) {
        turned = listener;
    }

    private void moved() {
        turned.run();
        plainly();
    }

    /** At once with plain edges; smooth ones, which take several times as long, when nothing has moved for a moment. */
    private void plainly() {
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
        hint.setVisible(false);
        grabbed = e.getButton() == MouseButton.PRIMARY ? grip(e) : Optional.empty();
        brush = e.getButton() == MouseButton.PRIMARY && grabbed.isEmpty()
                ? under(e, Brush.class).filter(b -> b.shiftTakes || !e.isShiftDown())
                : Optional.empty();
        painted.clear();
        brush.ifPresent(b -> paint(b, e));
    }

    private void paint(Brush b, MouseEvent e) {
        if (under(e, Brush.class).isEmpty()) return;
        var at = picked(e);
        painted.add(at);
        b.over().accept(at, e.isShiftDown());
    }

    private static Vec3 picked(MouseEvent e) {
        var p = e.getPickResult().getIntersectedPoint();
        return new Vec3(p.getX(), p.getY(), p.getZ());
    }

    private void hover(MouseEvent e) {
        under(e, Brush.class).ifPresent(b -> b.hover.accept(picked(e)));
        var words = under(e, Hint.class).map(Hint::words).orElse("");
        hint.setVisible(!words.isEmpty());
        if (words.isEmpty()) return;
        hint.setText(words);
        hint.autosize();
        hint.relocate(Math.min(e.getX() + 14, getWidth() - hint.getWidth() - 4),
                Math.min(e.getY() + 16, getHeight() - hint.getHeight() - 4));
    }

    /** Called with -1 or 1 when comma or full stop is pressed on the bench: what is in the hand becomes smaller or larger. */
    public void onSize(IntConsumer listener) {
        size = listener;
    }

    /** Called when Delete is pressed on the bench. */
    public void onDelete(Runnable run) {
        delete = run;
    }

    private static <T> Optional<T> under(MouseEvent e, Class<T> kind) {
        for (Node n = e.getPickResult().getIntersectedNode(); n != null; n = n.getParent())
            if (kind.isInstance(n.getUserData())) return Optional.of(kind.cast(n.getUserData()));
        return Optional.empty();
    }

    /** A handle that points at the viewer cannot be dragged: the view turns instead. */
    private Optional<Grip> grip(MouseEvent e) {
        return under(e, Handle.class).flatMap(h -> {
            var a = onScreen(h.at());
            var b = onScreen(h.at().plus(h.along().times(20)));
            var perMm = b.subtract(a).multiply(1 / 20.0);
            return perMm.magnitude() < 0.08 ? Optional.empty() : Optional.of(new Grip(h, new Point2D(e.getX(), e.getY()), perMm));
        });
    }

    /** Where a place of the model is seen, in the bench's own coordinates. */
    public Point2D onScreen(Vec3 p) {
        var q = sceneToLocal(content.localToScene(new Point3D(p.x(), p.y(), p.z()), true));
        return new Point2D(q.getX(), q.getY());
    }

    /** A handle being dragged: from where, and how many pixels a millimetre along it is. */
    private record Grip(Handle handle, Point2D from, Point2D perMm) {
        double mm(MouseEvent e) {
            return new Point2D(e.getX(), e.getY()).subtract(from).dotProduct(perMm) / perMm.dotProduct(perMm);
        }
    }

    private void release(MouseEvent e) {
        grabbed.ifPresent(g -> g.handle.dropped().accept(g.mm(e)));
        grabbed = Optional.empty();
        var strokes = brush;
        brush = Optional.empty();
        if (!painted.isEmpty()) strokes.ifPresent(b -> b.done().accept(List.copyOf(painted), e.isShiftDown()));
        painted.clear();
    }

    private void click(MouseEvent e) {
        if (e.getButton() == MouseButton.PRIMARY && e.isStillSincePress()) {
            under(e, Target.class).ifPresent(t -> t.clicked().accept(e.getPickResult().getIntersectedFace()));
            under(e, Spot.class).ifPresent(t -> t.clicked().accept(picked(e)));
        }
    }

    private void drag(MouseEvent e) {
        if (grabbed.isPresent()) {
            grabbed.get().handle.moved().accept(grabbed.get().mm(e));
            return;
        }
        if (brush.isPresent()) {
            paint(brush.get(), e);
            return;
        }
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
            case COMMA -> size.accept(-1);
            case PERIOD -> size.accept(1);
            case DELETE, BACK_SPACE -> delete.run();
            default -> {
                return;
            }
        }
        e.consume();
    }

}
