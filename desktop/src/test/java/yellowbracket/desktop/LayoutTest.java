package yellowbracket.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.SubScene;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextInputControl;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.text.Text;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;
import org.testfx.util.WaitForAsyncUtils;
import yellowbracket.demo.DemoBuild;
import yellowbracket.derive.colour.ColourFigures;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.desktop.model.Page;

/** Walks all pages and tabs at several sizes of the window: no text is cut, lies on another, is squeezed, or is hard to read. */
class LayoutTest extends WindowTest {
    /** Less is not seen, pixels. */
    private static final double SLACK = 1.5;
    /** WCAG 2.2, level AA, for text of usual size. */
    private static final double CONTRAST = 4.5;
    /** Narrower than this, wrapped words stand one beneath the other. */
    private static final double NARROW = 60;

    private final Set<String> faults = new LinkedHashSet<>();
    /** On the page that is looked at. */
    private final Set<String> here = new LinkedHashSet<>();

    @Override
    DemoBuild first() {
        return lightDemo();
    }

    @Start
    void start(Stage stage) {
        open(stage);
    }

    @Stop
    void end() {
        close();
    }

    private record Look(double wide, double tall, boolean inches, boolean night) {
        @Override
        public String toString() {
            return Math.round(wide) + " x " + Math.round(tall) + (inches ? ", inch" : "") + (night ? ", night" : "");
        }
    }

    /** The sizes named for the window; 1280 x 720 is what a screen of 1920 x 1080 leaves at 150 %. */
    @Test
    void noTextIsCutLiesOnAnotherOrIsFaint(FxRobot robot) {
        derived();
        until("all that pages show is there", () -> model.fresh(ColourFigures.TIGHT) && model.fresh(ModelFigures.MENDED));
        for (var look : List.of(new Look(1280, 800, false, false), new Look(1024, 700, false, true), new Look(1920, 1080, false, false),
                new Look(1280, 720, true, true))) {
            robot.interact(() -> {
                model.inchesProperty().set(look.inches);
                model.nightProperty().set(look.night);
                frame.getScene().getWindow().setWidth(look.wide);
                frame.getScene().getWindow().setHeight(look.tall);
            });
            walk(robot, look.toString());
        }
        assertThat(faults).isEmpty();
    }

    private void walk(FxRobot robot, String at) {
        for (var page : Page.values()) {
            robot.interact(() -> model.pageProperty().set(page));
            for (var tab : tabs(robot)) {
                if (!tab.isEmpty()) robot.interact(() -> model.go(page, tab));
                var where = at + ", " + page.label() + (tab.isEmpty() ? "" : " " + tab) + ": ";
                // a result may just have come in and the card been written anew: what is wrong then is right a few pulses later
                for (int tries = 0; tries < 30; tries++) {
                    if (tries > 1) WaitForAsyncUtils.sleep(100, TimeUnit.MILLISECONDS);
                    WaitForAsyncUtils.waitForFxEvents();
                    here.clear();
                    robot.interact(() -> {
                        frame.applyCss();
                        frame.layout();
                        layout(where);
                        contrast(where);
                    });
                    if (here.isEmpty()) break;
                }
                faults.addAll(here);
            }
        }
    }

    /** Shown pieces of text with what holds them. */
    private static void texts(Node at, List<Text> out) {
        if (!at.isVisible() || at instanceof SubScene || at instanceof TextInputControl) return; // a field scrolls what is longer
        if (at instanceof Text t && !t.getText().isBlank()) out.add(t);
        if (at instanceof Parent p) p.getChildrenUnmodifiable().forEach(c -> texts(c, out));
    }

    private void layout(String where) {
        var all = new ArrayList<Text>();
        texts(frame, all);
        var boxes = new ArrayList<Bounds>();
        for (var t : all) {
            var box = t.localToScene(t.getBoundsInLocal());
            boxes.add(shown(t, box) ? box : null);
            if (boxes.getLast() == null) continue;
            if (t.getParent() instanceof Labeled l && !l.getText().equals(t.getText()) && l.getGraphic() == null)
                here.add(where + "cut: \"" + l.getText() + "\" to \"" + t.getText() + "\"");
            if (box.getMinX() < -SLACK || box.getMaxX() > frame.getWidth() + SLACK) here.add(where + "outside: \"" + t.getText() + "\"");
            if (box.getWidth() < NARROW && box.getHeight() > 60 && t.getText().contains(" "))
                here.add(where + "squeezed: \"" + t.getText() + "\"");
        }
        for (int i = 0; i < all.size(); i++) for (int j = i + 1; j < all.size(); j++) {
            var a = boxes.get(i);
            var b = boxes.get(j);
            if (a == null || b == null) continue;
            double x = Math.min(a.getMaxX(), b.getMaxX()) - Math.max(a.getMinX(), b.getMinX()),
                    y = Math.min(a.getMaxY(), b.getMaxY()) - Math.max(a.getMinY(), b.getMinY());
            if (x > SLACK && y > 4) here.add(where + "\"" + all.get(i).getText() + "\" lies on \"" + all.get(j).getText() + "\"");
        }
    }

    /** Not scrolled out of sight, nor seen through. */
    private boolean shown(Node n, Bounds box) {
        for (Node p = n; p != null; p = p.getParent()) {
            if (p.getOpacity() < 0.05) return false;
            if (p.getParent() instanceof ScrollPane || p.getStyleClass().contains("viewport")) {
                var view = p.localToScene(p.getLayoutBounds());
                if (box.getMinY() < view.getMinY() - 1 || box.getMaxY() > view.getMaxY() + 1) return false;
            }
            if (p.getStyleClass().contains("clipped-container")) {
                var view = p.localToScene(p.getLayoutBounds());
                if (!view.contains(box.getCenterX(), box.getCenterY())) return false;
            }
        }
        return box.getWidth() > 0;
    }

    private void contrast(String where) {
        var all = new ArrayList<Text>();
        texts(frame, all);
        for (var t : all) {
            if (!(t.getFill() instanceof Color ink) || !shown(t, t.localToScene(t.getBoundsInLocal())) || dimmed(t)) continue;
            var ground = ground(t);
            double k = ratio(ink.interpolate(ground, 1 - ink.getOpacity()), ground);
            if (k < CONTRAST) here.add(where + String.format("%.1f to 1: \"%s\" %s on %s", k, t.getText(), ink, ground));
        }
    }

    /** Controls that cannot be used now are exempt. */
    private static boolean dimmed(Node n) {
        for (Node p = n; p != null; p = p.getParent()) if (p.isDisabled()) return true;
        return false;
    }

    private static Color ground(Node n) {
        var over = Color.TRANSPARENT;
        for (Node p = n; p != null; p = p.getParent())
            if (p instanceof Region r && r.getBackground() != null) for (int i = r.getBackground().getFills().size() - 1; i >= 0; i--)
                if (r.getBackground().getFills().get(i).getFill() instanceof Color c && c.getOpacity() > 0) {
                    over = over.getOpacity() == 0 ? c : over.interpolate(c, 1 - over.getOpacity());
                    if (c.getOpacity() > 0.95) return Color.color(over.getRed(), over.getGreen(), over.getBlue());
                }
        return Color.color(over.getRed(), over.getGreen(), over.getBlue());
    }

    private static double ratio(Color a, Color b) {
        double l = luminance(a), m = luminance(b);
        return (Math.max(l, m) + 0.05) / (Math.min(l, m) + 0.05);
    }

    private static double luminance(Color c) {
        return 0.2126 * linear(c.getRed()) + 0.7152 * linear(c.getGreen()) + 0.0722 * linear(c.getBlue());
    }

    private static double linear(double v) {
        return v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4);
    }

}
