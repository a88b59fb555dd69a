package yellowbracket.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.TraversalDirection;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollPane;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;
import yellowbracket.demo.DemoBuild;
import yellowbracket.desktop.model.Page;

/** Every control has a name to be read out, and Tab goes through all of them as one reads. */
class AccessTest extends WindowTest {
    /** Controls whose middles lie this near are on one line, pixels. */
    private static final double LINE = 14;

    private final Set<String> faults = new LinkedHashSet<>();
    private int looked;

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

    @Test
    void everyControlHasANameAndIsReachedByTabInReadingOrder(FxRobot robot) {
        derived();
        for (var page : Page.values()) {
            robot.interact(() -> model.pageProperty().set(page));
            for (var tab : tabs(robot)) {
                if (!tab.isEmpty()) robot.interact(() -> model.go(page, tab));
                robot.interact(() -> {
                    frame.applyCss();
                    frame.layout();
                    look(page.label() + (tab.isEmpty() ? "" : " " + tab) + ": ");
                });
            }
        }
        assertThat(faults).isEmpty();
        assertThat(looked).as("controls of cards").isGreaterThan(250);
    }

    private void look(String where) {
        var all = new ArrayList<Node>();
        controls(frame, all);
        for (var n : all) if (name(n).isBlank()) faults.add(where + "no name: " + n);
        var order = tabOrder();
        for (var n : all) if (!order.contains(n)) faults.add(where + "Tab does not reach " + name(n) + " " + n);
        var card = (ScrollPane) frame.lookup(".card").getParent().getParent().getParent();
        var inCard = order.stream().filter(n -> within(n, card.getContent())).toList();
        looked += inCard.size();
        for (int i = 1; i < inCard.size(); i++) {
            var a = box(inCard.get(i - 1), card.getContent());
            var b = box(inCard.get(i), card.getContent());
            boolean above = b.getCenterY() < a.getCenterY() - LINE && b.getMaxY() <= a.getMinY() + LINE;
            boolean before = Math.abs(b.getCenterY() - a.getCenterY()) <= LINE && b.getMinX() < a.getMinX();
            if (above || before) faults.add(where + "\"" + name(inCard.get(i)) + "\" comes after \"" + name(inCard.get(i - 1)) + "\"");
        }
    }

    private static void controls(Node at, List<Node> out) {
        if (!at.isVisible() || at.isDisabled()) return;
        if (at.isFocusTraversable() && !(at instanceof ScrollPane)) out.add(at);
        if (at instanceof Parent p) p.getChildrenUnmodifiable().forEach(c -> controls(c, out));
    }

    private static String name(Node n) {
        if (n.getAccessibleText() != null && !n.getAccessibleText().isBlank()) return n.getAccessibleText();
        return n instanceof Labeled l && l.getText() != null ? l.getText() : "";
    }

    private static boolean within(Node n, Node what) {
        for (Node p = n; p != null; p = p.getParent()) if (p == what) return true;
        return false;
    }

    private static Bounds box(Node n, Node in) {
        return in.sceneToLocal(n.localToScene(n.getBoundsInLocal()));
    }

    /** As the Tab key goes, once round. */
    private Set<Node> tabOrder() {
        var order = new LinkedHashSet<Node>();
        bench().requestFocus();
        for (var n = frame.getScene().getFocusOwner(); n != null && order.add(n); n = frame.getScene().getFocusOwner())
            if (!n.requestFocusTraversal(TraversalDirection.NEXT)) break;
        return order;
    }
}
