package yellowbracket.desktop.station;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;
import javafx.scene.paint.Color;
import yellowbracket.derive.Derived;
import yellowbracket.derive.Node;
import yellowbracket.desktop.AppModel;
import yellowbracket.desktop.Words;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.widget.Alternatives;
import yellowbracket.desktop.widget.Card;
import yellowbracket.document.Build;
import yellowbracket.document.Edit;
import yellowbracket.document.Prop;
import yellowbracket.mesh.Bounds3;
import yellowbracket.plan.Schedule;

/**
 * One page: writes its job card and draws its overlay from the model's results. Cards are written anew when {@link #signature} changes;
 * between, controls
 * keep their state. Confined to the interface thread.
 */
public abstract class StationView {
    /** Results kept once for all props. */
    private static final Set<Node<?>> OF_BUILD = Set.of(Node.TASKS, Node.SCHEDULE, Node.CHANCE, Node.NEEDS, Node.RECORDS, Node.PLATES,
            Node.SPOOLS);

    protected final AppModel model;
    protected final Bench bench;
    private final Map<String, Derived> whatIfs = new HashMap<>();
    /** Alternatives asked for, with the newest row that wants the answer: a card may be written anew meanwhile. */
    private final Map<String, Runnable> waiting = new HashMap<>();
    private Build whatIfsOf;
    private int round;

    protected StationView(AppModel model, Bench bench) {
        this.model = model;
        this.bench = bench;
    }

    /** The job card for the results as they are. */
    public abstract Card card();

    /** What the bench shows for this page. */
    public abstract void draw();

    /** Results this page shows; when one changes the card and the drawing follow. */
    protected abstract List<Node<?>> shows();

    /** Compared by equality of its parts to see whether anything shown has changed. */
    public final List<Object> signature() {
        var out = new ArrayList<Object>();
        out.add(model.shownProperty().get());
        out.add(model.propProperty().get());
        out.add(model.inchesProperty().get());
        for (var n : shows()) {
            String prop = isOfBuild(n) ? Node.BUILD : model.propProperty().get();
            out.add(model.derivedProperty().get() == null ? 0
                    : System.identityHashCode(model.derivedProperty().get().get(n, prop).orElse(null)));
            out.add(model.derivedProperty().get() == null ? "" : model.derivedProperty().get().reason(n, prop));
        }
        return out;
    }

    /** Whether something shown does not match the decision yet. */
    public final boolean stale() {
        var d = model.derivedProperty().get();
        if (d == null || model.currentProp().isEmpty()) return false;
        return shows().stream().anyMatch(n -> {
            String prop = isOfBuild(n) ? Node.BUILD : model.propProperty().get();
            return d.state(n, prop) == Derived.State.WORKING && d.get(n, prop).isPresent();
        });
    }

    private static boolean isOfBuild(Node<?> n) {
        return OF_BUILD.contains(n);
    }

    /** True while a control of this page is being dragged: its card must not be written anew under the pointer. */
    public boolean busyWithInput() {
        return false;
    }

    protected Prop prop() {
        return model.currentProp().orElseThrow();
    }

    protected Words words() {
        return model.words();
    }

    /** Tells which results the page still waits for, or why one failed. */
    protected Card waiting(Card card, Node<?>... needed) {
        for (var n : needed) {
            String prop = isOfBuild(n) ? Node.BUILD : model.propProperty().get();
            var d = model.derivedProperty().get();
            if (d != null && d.state(n, prop) == Derived.State.FAILED)
                return card.finding(yellowbracket.size.Fit.Weight.STOP, d.reason(n, prop), "", () -> {});
        }
        return card.text("working out " + needed[0].name() + " ...");
    }

    /** A row of alternatives whose figures are worked out aside; {@code show} fills them in when they arrive. */
    protected Alternatives.Row alternative(Alternatives table, String name, boolean current, Edit edit,
            BiConsumer<Alternatives.Row, Derived> show) {
        if (whatIfsOf != model.shownProperty().get()) {
            whatIfs.clear();
            whatIfsOf = model.shownProperty().get();
        }
        if (round != model.round()) waiting.clear();
        round = model.round();
        var row = table.add(name, current, () -> model.apply(edit));
        String key = prop().id() + "/" + edit.name();
        var known = current ? model.derivedProperty().get() : whatIfs.get(key);
        if (known != null && (!current || known.get(Node.SCHEDULE).isPresent())) show.accept(row, known);
        else if (!current && waiting.put(key, () -> show.accept(row, whatIfs.get(key))) == null) model.whatIf(edit, d -> {
            whatIfs.put(key, d);
            Optional.ofNullable(waiting.remove(key)).ifPresent(Runnable::run);
        });
        return row;
    }

    protected Alternatives alternatives(String name, String... heads) {
        return new Alternatives(name, List.of(heads), model::ghost);
    }

    protected static Optional<LocalDateTime> ready(Derived d) {
        return d.get(Node.SCHEDULE).map(Schedule::finish);
    }

    protected static String readyWords(Derived d) {
        return ready(d).map(Words::day).orElse("-");
    }

    protected Color plastic() {
        return model.nightProperty().get() ? Color.web("#8d8a82") : Color.web("#b3aca0");
    }

    protected Color neutral() {
        return model.nightProperty().get() ? Color.web("#6d6a64") : Color.web("#c9c4b9");
    }

    /** Muted, apart from each other in lightness too; sections next to each other differ. */
    static final List<Color> SECTION_COLOURS = List.of(Color.web("#7d9aa0"), Color.web("#c9a77b"), Color.web("#8f8778"),
            Color.web("#b9bfae"), Color.web("#9c7f8a"), Color.web("#6f8466"), Color.web("#c4b5a0"), Color.web("#7f86a3"),
            Color.web("#a98f6a"), Color.web("#95aeb0"));

    protected Optional<Bounds3> bounds() {
        return model.result(Node.MODEL).map(m -> m.mesh().bounds().scaled(prop().scale()));
    }

    protected String key(String overlay) {
        return prop().id() + "/" + overlay;
    }
}
