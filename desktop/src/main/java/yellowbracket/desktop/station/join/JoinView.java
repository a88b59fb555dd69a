package yellowbracket.desktop.station.join;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.DoubleStream;
import java.util.function.IntToDoubleFunction;
import javafx.scene.Node;
import javafx.scene.paint.Color;
import javafx.scene.transform.Scale;
import javafx.scene.transform.Translate;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.join.JoinFigures;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.model.Timers;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.station.StationView;
import yellowbracket.desktop.theme.Role;
import yellowbracket.desktop.widget.Card;
import yellowbracket.join.JoinPlan;
import yellowbracket.join.SeamJoin;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.work.Station;

/** The join page: what each seam bears and with what it is joined, the order, where it snaps first, the dry fit. */
public final class JoinView extends StationView {
    private static final List<String> TABS = List.of("seams", "order", "strength", "dry fit", "repairs");

    private final Map<String, JoinPart> parts = new LinkedHashMap<>();

    public JoinView(AppModel model, Bench bench, Timers timers) {
        super(model, bench, TABS);
        parts.put("seams", new SeamsPart(this, timers));
        parts.put("order", new OrderPart(this));
        parts.put("strength", new StrengthPart(this));
        parts.put("dry fit", new DryFitPart(this));
        parts.put("repairs", new RepairsPart(this));
    }

    Optional<JoinPlan> plan() {
        return model.result(JoinFigures.JOINS);
    }

    @Override
    public Card card() {
        var shown = parts.get(tab());
        var card = card(shown.heading(),
                prop().name() + " \u00b7 at " + Math.round(model.shownProperty().get().shopCelsius()) + " \u00b0C");
        var plan = plan();
        if (plan.isEmpty()) return waiting(card, JoinFigures.JOINS);
        if (plan.get().joins().isEmpty() && !tab().equals("strength") && !tab().equals("repairs")) {
            card.text("one piece: nothing to join");
            findings(card, plan.get().findings());
        } else shown.write(card, plan.get());
        model.result(CutFigures.RIGID).filter(r -> tab().equals("order")).ifPresent(r -> findings(card, r.findings()));
        cautions(card, Station.JOIN);
        return card.primary("keep and smooth", () -> model.pageProperty().set(Page.SMOOTH));
    }

    @Override
    public void draw() {
        bench.showExplode(false);
        plan().filter(p -> bounds().isPresent()).ifPresent(parts.get(tab())::draw);
    }

    static String tone(double reserve) {
        return reserve < JoinPlan.LEAST_RESERVE ? "stop" : reserve < JoinPlan.GOOD_RESERVE ? "care" : "good";
    }

    static Color colour(String tone) {
        return switch (tone) {
            case "stop" -> Role.SEAM_STOP.colour();
            case "care" -> Role.SEAM_CARE.colour();
            default -> Role.SEAM_GOOD.colour();
        };
    }

    /** Seams by what they bear. @param words of their callouts; none where empty */
    void seams(JoinPlan plan, List<Node> things, List<Bench.Callout> labels, Function<SeamJoin, String> words) {
        double radius = bounds().orElseThrow().diagonal() / 260;
        for (var j : plan.joins()) {
            String tone = tone(j.reserve()), said = words.apply(j);
            things.add(bench.drawn().rods(segments(j.seam().line()), colour(tone), 2 * radius));
            var line = j.seam().line();
            if (!said.isEmpty()) labels.add(new Bench.Callout(line.isEmpty() ? j.seam().centre() : line.get(line.size() / 2), said, tone));
        }
        bench.legend()
                .squares("seams by what they bear", List.of(colour("good"), colour("care"), colour("stop")),
                        List.of("8 times and more", "3 to 8 times", "too little"));
    }

    /** The prop as it is. */
    void shell(List<Node> things) {
        if (bench.isSeeThrough()) glassShell().ifPresent(things::add);
        else model.result(ModelFigures.PROXY).ifPresent(p -> things.add(sized(bench.drawn().plain(p.mesh(), plastic()))));
    }

    Optional<Node> glassShell() {
        return model.result(ModelFigures.PROXY).map(p -> sized(bench.drawn().glass(p.mesh(), plastic(), 0.3)));
    }

    private Node sized(Node n) {
        double s = prop().scale();
        n.getTransforms().add(new Scale(s, s, s));
        return n;
    }

    /** Letters of the sections that can be drawn. */
    List<String> names() {
        return model.result(CutFigures.DRAWING).map(d -> List.copyOf(new java.util.TreeSet<>(d.bySection().keySet()))).orElse(List.of());
    }

    /** One section, moved aside. @param opacity 1 for whole */
    Optional<Node> section(String name, Vec3 off, Color colour, double opacity) {
        return model.result(CutFigures.DRAWING).map(d -> d.bySection().get(name)).map(m -> {
            Node n = opacity >= 1 ? bench.drawn().plain(m, colour) : bench.drawn().glass(m, colour, opacity);
            n.getTransforms().add(new Translate(off.x(), off.y(), off.z()));
            return sized(n);
        });
    }

    /** One section, each facet with the colour of what it bears: 0 well, 1 some, 2 too little. */
    Optional<Node> section(String name, Function<Mesh, IntToDoubleFunction> tone) {
        return model.result(CutFigures.DRAWING)
                .map(d -> d.bySection().get(name))
                .map(m -> sized(bench.drawn().byPalette(m, List.of(colour("good"), colour("care"), colour("stop")), tone.apply(m))));
    }

    void overview(JoinPlan plan) {
        var things = new ArrayList<Node>();
        shell(things);
        shown(plan, things, List.of(), "prop");
    }

    void shown(JoinPlan plan, List<Node> things, List<Bench.Callout> labels, String overlay) {
        bench.show(things, bounds().orElseThrow(), key(overlay));
        bench.callouts(labels);
        var weakest = plan.joins().stream().min(java.util.Comparator.comparingDouble(SeamJoin::reserve));
        double held = plan.steps().stream().mapToDouble(JoinPlan.Step::holdMin).sum();
        bench.gauges(List.of(new Bench.Gauge("seams", String.valueOf(plan.joins().size()), "in " + plan.steps().size() + " steps", ""),
                new Bench.Gauge("weakest bears", weakest.map(j -> SeamsPart.bears(j.reserve(), j.high())).orElse("-"),
                        weakest.map(j -> j.seam().name()).orElse(""), ""),
                new Bench.Gauge("glue", "~" + Words.grams(plan.glueGrams()), "", ""),
                new Bench.Gauge("holding", held > 90 ? Words.hours(held / 60) : Words.text("%.0f min", held), "", "")));
    }

    /** Along the seam. */
    private static double[] segments(List<Vec3> pairs) {
        return pairs.stream().flatMapToDouble(p -> DoubleStream.of(p.x(), p.y(), p.z())).toArray();
    }
}
