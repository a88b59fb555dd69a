package yellowbracket.desktop.station.cut;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.Section;
import yellowbracket.cut.plan.PlaneSnap;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.desktop.widget.NumberField;
import yellowbracket.document.Edit;
import yellowbracket.mesh.Vec3;

/** Planes set by hand: by numbers here, or dragged and turned in the bench. Part of the cut page. */
final class PlanesPart extends CutPart {
    static final String EVERYWHERE = "every section";
    private static final double SNAP_REACH_MM = 15;

    private String within = EVERYWHERE;
    private String first = "";
    private String second = "";

    PlanesPart(CutView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "cut by hand";
    }

    @Override
    void write(Card card) {
        addRow(card);
        var planes = prop().cut().tree().planes();
        var locks = prop().cut().tree().locks();
        if (planes.isEmpty()) card.text("no plane yet: the prop is printed in one piece");
        if (!planes.isEmpty()) {
            var grid = grid();
            for (int i = 0; i < planes.size(); i++) plane(grid, i, planes.get(i), locks.get(i));
            card.add(grid);
            card.text("a plane leans from level towards a side: 0 is the front, 90 the left. Drag a pane in the bench to move it, the "
                    + "knob at its edge to turn it; Delete removes the picked one. Locked planes stay when the cuts are "
                    + "planned again.");
        }
        mergeRow(card);
        roomRows(card);
        strengthRows(card);
    }

    /** How much there is to hold on to at each plane. */
    private void strengthRows(Card card) {
        var necks = model.result(CutFigures.NECKS).map(CutFigures.Necks::list).orElse(List.of());
        if (necks.isEmpty()) return;
        card.title("strength at the planes");
        for (var n : necks) card.row(String.valueOf(n.number() + 1), Words.text("%.1f cm\u00b2", n.areaMm2() / 100),
                Words.text("modulus %.1f cm\u00b3, ", n.modulusMm3() / 1000)
                        + (n.share() < 0.05 ? "as strong as beside it" : Words.text("%.0f %% weaker than beside it", 100 * n.share())),
                n.betterMm().isPresent() ? "care" : "");
    }

    /** What fits, at once. */
    private void roomRows(Card card) {
        var stands = model.result(CutFigures.STANDS);
        card.title("sections on the beds");
        for (var s : modelSections()) {
            boolean fits = stands.map(t -> t.fitsSomewhere(s.name())).orElse(true);
            card.row(s.name(), stands.isEmpty() ? "\u2026" : fits ? "fits" : "over by " + words().length(stands.get().overMm(s.name())),
                    words().size(s.size().times(prop().scale())), stands.isEmpty() ? "" : fits ? "good" : "stop");
        }
    }

    private void addRow(Card card) {
        var names = new ArrayList<String>();
        names.add(EVERYWHERE);
        modelSections().forEach(s -> names.add(s.name()));
        if (!names.contains(within)) within = EVERYWHERE;
        var where = new Choice<>("plane-within", "which section a new plane cuts", names, within, n -> n, n -> within = n);
        var buttons = new ArrayList<javafx.scene.Node>(List.of(where));
        for (int a = 0; a < 3; a++) {
            int axis = a;
            var b = Card.action("+ " + "xyz".charAt(a), () -> add(axis));
            b.setAccessibleText("add a plane across " + "xyz".charAt(a));
            buttons.add(b);
        }
        card.row("add a plane in", buttons.toArray(javafx.scene.Node[]::new));
    }

    private void add(int axis) {
        var mesh = model.result(ModelFigures.MODEL).map(ModelFigures.Model::mesh);
        if (mesh.isEmpty()) return;
        var section = modelSections().stream().filter(s -> s.name().equals(within)).findFirst();
        double mid = Math.rint(section.map(Section::mesh).orElse(mesh.get()).bounds().centre().get(axis)) + 0.137;
        var plane = CutPlane.across(axis, mid);
        if (section.isEmpty()) model.apply(Edit.cuts("add a plane", prop().id(), t -> t.cutEverywhere(plane)));
        else {
            var path = prop().cut().tree().pathTo(section.get());
            model.apply(
                    Edit.cuts("cut section " + within, prop().id(), t -> t.with(path, CutTree.split(plane, CutTree.WHOLE, CutTree.WHOLE))));
        }
    }

    private void plane(GridPane grid, int number, CutPlane plane, boolean locked) {
        var at = number("plane-" + number, "place of plane " + (number + 1), "millimetres of the model, such as 21.5", -5000, 5000,
                Words.text("%.1f", plane.offsetMm()), v -> move(number, plane, new CutPlane(plane.normal(), v)));
        var lean = number("lean-" + number, "lean of plane " + (number + 1), "degrees from level between 0 and 180", 0, 180,
                Words.text("%.0f", PlaneSnap.leanDeg(plane)),
                v -> move(number, plane, PlaneSnap.leaning(plane, v, PlaneSnap.towardsDeg(plane), middle())));
        var towards = number("towards-" + number, "side to which plane " + (number + 1) + " leans",
                "degrees between -180 and 180; 0 is the front, 90 the left", -180, 180, Words.text("%.0f", PlaneSnap.towardsDeg(plane)),
                v -> move(number, plane, PlaneSnap.leaning(plane, PlaneSnap.leanDeg(plane), v, middle())));
        for (var f : List.of(lean, towards)) f.setPrefWidth(56);
        var lock = new ToggleButton(locked ? "locked" : "lock");
        lock.getStyleClass().setAll("toggle-button", "plain");
        lock.setSelected(locked);
        lock.setId("lock-" + number);
        lock.setMinWidth(Region.USE_PREF_SIZE);
        lock.setAccessibleText("keep plane " + (number + 1) + " when the cuts are planned again");
        lock.setOnAction(e -> model.apply(Edit.lockPlane(prop().id(), number, !locked)));
        grid.addRow(number + 1, Card.tag(String.valueOf(number + 1)), at, lean, towards, snaps(number, plane), lock, remove(number));
    }

    private GridPane grid() {
        var grid = new GridPane(8, 6);
        var heads = List.of("", "at mm", "lean \u00b0", "towards \u00b0");
        for (int i = 0; i < heads.size(); i++) {
            var head = new Label(heads.get(i));
            head.getStyleClass().add("row-more");
            grid.add(head, i, 0);
        }
        return grid;
    }

    private Button remove(int number) {
        var b = Card.action("", () -> remove(prop().id(), number));
        b.setGraphic(new FontIcon(Feather.X));
        b.setId("remove-" + number);
        b.setAccessibleText("remove plane " + (number + 1) + " and the planes that cut its sides");
        return b;
    }

    /** Planes below it go with it, undoably. */
    void remove(String id, int number) {
        model.apply(Edit.cuts("remove plane " + (number + 1), id, t -> t.without(number)));
    }

    private MenuButton snaps(int number, CutPlane plane) {
        var menu = new MenuButton("snap");
        menu.getStyleClass().setAll("menu-button", "plain");
        menu.setId("snap-" + number);
        menu.setMinWidth(Region.USE_PREF_SIZE);
        menu.setAccessibleText("bring plane " + (number + 1) + " to the middle, a crease or an axis");
        menu.getItems()
                .addAll(item("to the middle of the prop", () -> move(number, plane, PlaneSnap.toMiddle())),
                        item("to the nearest crease", () -> crease(number, plane)),
                        item("square to the nearest axis", () -> move(number, plane, PlaneSnap.toAxis(plane, middle()))));
        return menu;
    }

    private static MenuItem item(String words, Runnable run) {
        var i = new MenuItem(words);
        i.setOnAction(e -> run.run());
        return i;
    }

    void crease(int number, CutPlane plane) {
        var light = model.result(ModelFigures.PROXY);
        if (light.isEmpty()) return;
        PlaneSnap.toCrease(plane, light.get().mesh(), SNAP_REACH_MM)
                .ifPresentOrElse(p -> move(number, plane, p), () -> model.tell(AppModel.Tone.NOTE, "no crease runs along plane "
                        + (number + 1) + " within " + Math.round(SNAP_REACH_MM) + " mm: it stays where it is"));
    }

    private void move(int number, CutPlane from, CutPlane to) {
        if (!to.equals(from)) model.apply(Edit.movePlane(prop().id(), number, to));
    }

    private Vec3 middle() {
        return model.result(ModelFigures.MODEL).map(m -> m.mesh().bounds().centre()).orElse(Vec3.ZERO);
    }

    private NumberField number(String id, String what, String example, double least, double most, String now,
            java.util.function.DoubleConsumer then) {
        var f = field(id, what, example, least, most).with(now);
        f.setOnAction(e -> f.read().ifPresent(then));
        return f;
    }

    private void mergeRow(Card card) {
        var names = modelSections().stream().map(Section::name).toList();
        if (names.size() < 2) return;
        if (!names.contains(first)) first = names.get(0);
        if (!names.contains(second) || second.equals(first)) second = names.get(1).equals(first) ? names.get(0) : names.get(1);
        card.row("print as one", new Choice<>("merge-first", "first section to merge", names, first, n -> n, n -> first = n),
                new Choice<>("merge-second", "second section to merge", names, second, n -> n, n -> second = n),
                Card.action("merge", () -> merge(first, second)));
    }

    void merge(String one, String other) {
        var a = modelSections().stream().filter(s -> s.name().equals(one)).findFirst();
        var b = modelSections().stream().filter(s -> s.name().equals(other)).findFirst();
        if (a.isEmpty() || b.isEmpty()) return;
        var pathA = prop().cut().tree().pathTo(a.get());
        var pathB = prop().cut().tree().pathTo(b.get());
        var merged = prop().cut().tree().merged(pathA, pathB);
        if (one.equals(other) || pathA.equals(pathB))
            model.tell(AppModel.Tone.NOTE, one + " and " + other + " are not separated by a plane");
        else if (merged.isEmpty()) model.tell(AppModel.Tone.STOP, "the plane between " + one + " and " + other
                + " separates other sections too: remove it, or cut with planes limited to one section");
        else {
            UnaryOperator<CutTree> change = t -> merged.get();
            model.apply(Edit.cuts("print " + one + " and " + other + " as one", prop().id(), change));
        }
    }
}
