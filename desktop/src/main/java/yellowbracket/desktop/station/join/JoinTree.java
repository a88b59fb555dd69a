package yellowbracket.desktop.station.join;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntConsumer;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.text.Text;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.join.JoinPlan;

/** The order as a tree: a line for each section, a node where two come together, with its number and how long it is left alone. */
final class JoinTree extends Pane {
    private static final double ROW = 25, LEFT = 46, WIDE = 408, NODE = 10;
    /** More sections than this are not drawn: the list tells them. */
    static final int MOST = 16;

    private final Map<String, Double> height = new HashMap<>();
    private final Map<String, Double> reached = new HashMap<>();

    /** @param now number of the step that the bench shows @param pick hears the number of a node that was clicked */
    JoinTree(List<JoinPlan.Step> steps, int now, IntConsumer pick) {
        getStyleClass().add("join-tree");
        setId("join-tree");
        setAccessibleText("the order as a tree of " + steps.size() + " steps");
        var rows = rows(steps);
        for (int i = 0; i < rows.size(); i++) {
            var tag = Card.tag(rows.get(i));
            tag.relocate(0, i * ROW + 2);
            getChildren().add(tag);
            height.put(rows.get(i), (i + 0.5) * ROW);
            reached.put(rows.get(i), LEFT - 8);
        }
        double step = (WIDE - LEFT) / Math.max(1, steps.size());
        for (var s : steps) join(s, LEFT + (s.number() - 0.5) * step, s.number() == now, pick);
        double high = rows.size() * ROW + 4;
        setMinSize(WIDE + 10, high);
        setPrefSize(WIDE + 10, high);
    }

    /** Sections so that what comes together lies together. */
    private static List<String> rows(List<JoinPlan.Step> steps) {
        var lists = new HashMap<String, List<String>>();
        for (var s : steps) {
            var both = new ArrayList<>(lists.getOrDefault(s.one().getFirst(), List.of(s.one().getFirst())));
            both.addAll(lists.getOrDefault(s.other().getFirst(), List.of(s.other().getFirst())));
            both.forEach(n -> lists.put(n, both));
        }
        var out = new ArrayList<String>();
        for (var s : steps.reversed()) for (var n : lists.get(s.one().getFirst())) if (!out.contains(n)) out.add(n);
        return out;
    }

    private void join(JoinPlan.Step s, double x, boolean now, IntConsumer pick) {
        double a = height.get(s.one().getFirst()), b = height.get(s.other().getFirst()), at = (a + b) / 2;
        limb(reached.get(s.one().getFirst()), a, x, a, now);
        limb(reached.get(s.other().getFirst()), b, x, b, now);
        limb(x, a, x, b, now);
        var node = new Circle(x, at, NODE);
        node.getStyleClass().addAll("node", s.inTime() ? "good" : "care");
        if (now) node.getStyleClass().add("now");
        node.setOnMouseClicked(e -> pick.accept(s.number()));
        var number = new Text(String.valueOf(s.number()));
        number.getStyleClass().add("number");
        number.setMouseTransparent(true);
        number.relocate(x - 4 * number.getText().length(), at - 7);
        var wait = new Text(s.handleH() < 0.95 ? Words.text("%.0f min", 60 * s.handleH()) : Words.hours(s.handleH()));
        wait.getStyleClass().add("wait");
        wait.relocate(x + NODE + 3, at - 16);
        getChildren().addAll(node, number, wait);
        for (var n : s.one()) moved(n, x + NODE, at);
        for (var n : s.other()) moved(n, x + NODE, at);
    }

    private void moved(String section, double x, double y) {
        reached.put(section, x);
        height.put(section, y);
    }

    private void limb(double x, double y, double toX, double toY, boolean now) {
        var l = new Line(x, y, toX, toY);
        l.getStyleClass().add("limb");
        if (now) l.getStyleClass().add("now");
        getChildren().add(l);
    }
}
