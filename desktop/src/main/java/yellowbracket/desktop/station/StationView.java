package yellowbracket.desktop.station;

import java.time.LocalDateTime;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import javafx.scene.paint.Color;
import javafx.util.Subscription;
import yellowbracket.derive.Derived;
import yellowbracket.derive.Figure;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Role;
import yellowbracket.desktop.widget.Alternatives;
import yellowbracket.desktop.widget.Card;
import yellowbracket.document.Build;
import yellowbracket.document.Edit;
import yellowbracket.document.Prop;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Fix;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Bounds3;
import yellowbracket.plan.Schedule;
import yellowbracket.safety.Caution;
import yellowbracket.work.Hazard;
import yellowbracket.work.Station;

/**
 * One page: writes its job card and draws its overlay from the model's results. A card is written anew when a result it was told
 * has changed; between, controls keep their state. Confined to the interface thread.
 */
public abstract class StationView implements AutoCloseable {
    protected final AppModel model;
    protected final Bench bench;
    private final Map<String, Derived> whatIfs = new HashMap<>();
    /** Alternatives asked for, each with the newest row that wants the answer: a card may be written anew meanwhile. */
    private final Map<String, Waiting> waiting = new LinkedHashMap<>();
    private Build whatIfsOf;
    private int round;
    private boolean ahead;

    private final List<String> tabs;
    private String tab;
    private Runnable rewrite = () -> {};
    private Subscription ends = Subscription.EMPTY;

    private record Waiting(Edit edit, Runnable show) {}

    protected StationView(AppModel model, Bench bench) {
        this(model, bench, List.of());
    }

    /** @param tabs parts of the page, each shown by itself; the first at first */
    protected StationView(AppModel model, Bench bench, List<String> tabs) {
        this.model = model;
        this.bench = bench;
        this.tabs = List.copyOf(tabs);
        tab = tabs.isEmpty() ? "" : tabs.getFirst();
    }

    public final AppModel model() {
        return model;
    }

    public final Bench bench() {
        return bench;
    }

    public final boolean night() {
        return model.nightProperty().get();
    }

    /** Ends with this page. */
    public final void keep(Subscription s) {
        ends = ends.and(s);
    }

    @Override
    public final void close() {
        ends.unsubscribe();
    }

    /** Parts of the page; none where it has but one. */
    public final List<String> tabs() {
        return tabs;
    }

    public final String tab() {
        return tab;
    }

    /** Shows one of {@link #tabs}. */
    public final void show(String name) {
        if (!tabs.contains(name)) throw new IllegalArgumentException("no tab " + name + " among " + tabs);
        leave(tab);
        model.dropWhatIfs();
        waiting.clear();
        tab = name;
        enter(name);
        rewrite.run();
    }

    /** A tab is left. */
    protected void leave(String name) {}

    /** A tab is about to be shown. */
    protected void enter(String name) {}

    /** @param run writes card and bench anew when something was picked that is no part of the build */
    public final void onRewrite(Runnable run) {
        rewrite = run;
    }

    /** Writes card and bench anew: something was picked, or has come in, that is no part of the build. */
    public final void again() {
        rewrite.run();
    }

    /** A card with the tabs of this page, if it has some. */
    public final Card card(String heading, String sub) {
        var card = new Card(heading, sub);
        return tabs.isEmpty() ? card : card.tabs(tabs, tab, this::show);
    }

    /** The job card for the results as they are. */
    public abstract Card card();

    /** Whether writing the card starts work that takes seconds. */
    public boolean startsWork() {
        return false;
    }

    /** The card before its page is shown: its alternatives are asked for when it is, see {@link #resume}. */
    public final Card cardAhead() {
        ahead = true;
        try {
            return card();
        } finally {
            ahead = false;
        }
    }

    /** What the bench shows for this page. */
    public abstract void draw();

    /** True while a control of this page is being dragged: its card must not be written anew under the pointer. */
    public boolean busyWithInput() {
        return false;
    }

    public Prop prop() {
        return model.currentProp().orElseThrow();
    }

    public Words words() {
        return model.words();
    }

    /** Tells which results the page still waits for, or why one failed. */
    public Card waiting(Card card, Figure<?>... needed) {
        for (var n : needed) {
            String why = model.derived().reason(n, model.propProperty().get());
            if (!why.isEmpty()) return card.finding(Weight.STOP, why, "", () -> {});
        }
        return card.text("working out " + needed[0].name() + " ...");
    }

    /** A row of alternatives whose figures are worked out aside; {@code show} fills them in when they arrive. */
    public Alternatives.Row alternative(Alternatives table, String name, boolean current, Edit edit,
            BiConsumer<Alternatives.Row, Derived> show) {
        ofShown();
        if (round != model.round()) waiting.clear();
        round = model.round();
        var row = table.add(name, current, () -> model.apply(edit));
        String key = prop().id() + "/" + edit.name();
        var known = current ? model.derived() : whatIfs.get(key);
        if (known != null && known.get(PlanFigures.SCHEDULE).isPresent()) show.accept(row, known);
        else if (!current && waiting.put(key, new Waiting(edit, () -> show.accept(row, whatIfs.get(key)))) == null && !ahead)
            ask(key, edit);
        return row;
    }

    /** What-ifs of another build say nothing. */
    private void ofShown() {
        if (whatIfsOf == model.shownProperty().get()) return;
        whatIfs.clear();
        whatIfsOf = model.shownProperty().get();
    }

    private void ask(String key, Edit edit) {
        model.whatIf(edit, d -> {
            whatIfs.put(key, d);
            Optional.ofNullable(waiting.remove(key)).ifPresent(a -> a.show.run());
        });
    }

    /** The card written last is shown again: what its alternatives still wait for is asked anew. */
    public final void resume() {
        ofShown();
        round = model.round();
        waiting.forEach((key, a) -> ask(key, a.edit));
    }

    /** What can hurt in this prop's work at a station and what is worn against it, from its tasks, products and tools. */
    public void cautions(Card card, Station station) {
        var hazards = EnumSet.noneOf(Hazard.class);
        model.result(PlanFigures.WORK)
                .ifPresent(w -> w.tasks()
                        .stream()
                        .filter(t -> t.station() == station)
                        .forEach(t -> Caution.of(t, model.shop()).ifPresent(c -> hazards.addAll(c.hazards()))));
        card.caution((hazards.isEmpty() ? "" : new Caution(hazards).gear() + ". ") + Caution.DEFER);
    }

    /** Findings in their order, each with its fix. */
    public void findings(Card card, List<Finding> list) {
        list.forEach(f -> finding(card, f));
    }

    /** With a button that applies its fix or shows it. */
    public void finding(Card card, Finding f) {
        var fix = f.fix().filter(this::changes);
        card.finding(f.weight(), f.words(), fix.map(Fix::words).orElse(""), () -> fix.ifPresent(this::mend));
    }

    /** Taken already, it needs no button. */
    private boolean changes(Fix fix) {
        var build = model.session().build();
        return !(fix instanceof Fix.Change<?> c) || !Edit.fix(prop().id(), c).change().apply(build).equals(build);
    }

    private void mend(Fix fix) {
        switch (fix) {
            case Fix.Change<?> c -> model.apply(Edit.fix(prop().id(), c));
            case Fix.Go g -> model.go(Page.of(g.station()), g.tab());
        }
    }

    public Alternatives alternatives(String name, String... heads) {
        return new Alternatives(name, List.of(heads), model::ghost);
    }

    public static Optional<LocalDateTime> ready(Derived d) {
        return d.get(PlanFigures.SCHEDULE).map(Schedule::finish);
    }

    public static String readyWords(Derived d) {
        return ready(d).map(Words::day).orElse("-");
    }

    public Color plastic() {
        return Role.PLASTIC.colour(model.nightProperty().get());
    }

    public Color neutral() {
        return Role.NEUTRAL.colour(model.nightProperty().get());
    }

    public Optional<Bounds3> bounds() {
        return model.result(ModelFigures.MODEL).map(m -> m.mesh().bounds().scaled(prop().scale()));
    }

    public String key(String overlay) {
        return prop().id() + "/" + overlay;
    }
}
