package yellowbracket.desktop.station.join;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Optional;
import javafx.scene.paint.Color;
import javafx.scene.transform.Scale;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.join.JoinFigures;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.model.Timers;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.station.StationView;
import yellowbracket.desktop.theme.Role;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.document.Edit;
import yellowbracket.join.JoinPlan;
import yellowbracket.join.Load;
import yellowbracket.join.SeamJoin;
import yellowbracket.mesh.Vec3;
import yellowbracket.size.Exposure;
import yellowbracket.work.Station;
import yellowbracket.work.TaskId;

/** A method for each seam, the order of assembly, timers for the hold. */
public final class JoinView extends StationView {
    private final Timers timers;
    private String picked = "";

    public JoinView(AppModel model, Bench bench, Timers timers) {
        super(model, bench);
        this.timers = timers;
    }

    @Override
    public Card card() {
        var card = new Card("what holds it together",
                prop().name() + " \u00b7 at " + Math.round(model.shownProperty().get().shopCelsius()) + " \u00b0C");
        var joins = model.result(JoinFigures.JOINS);
        if (joins.isEmpty()) return waiting(card, JoinFigures.JOINS);
        var plan = joins.get();
        if (plan.joins().isEmpty()) {
            card.text("one piece: nothing to join");
            return card.primary("on to smoothing", () -> model.pageProperty().set(Page.SMOOTH));
        }
        var weakest = plan.joins().stream().min(java.util.Comparator.comparingDouble(SeamJoin::reserve)).orElseThrow();
        card.row("weakest seam", weakest.seam().name() + "  \u00d7" + Words.text("%.1f", weakest.reserve()),
                "times the handling load it bears; " + JoinPlan.LEAST_RESERVE + " at least",
                weakest.reserve() < JoinPlan.LEAST_RESERVE ? "stop" : "good");
        findings(card, plan.findings());
        model.result(CutFigures.RIGID).ifPresent(r -> findings(card, r.findings()));
        card.title("seams");
        var sheet = new Sheet<SeamJoin>("seams", "no seams").tag("", j -> j.seam().name())
                .words("with", j -> j.product().name())
                .number("grams", SeamJoin::grams, j -> "~" + Words.grams(j.grams()))
                .number("hold", SeamJoin::holdMin, j -> Words.text("%.0f min", j.holdMin()))
                .number("handle", SeamJoin::handleH, j -> Words.hours(j.handleH()))
                .number("bears", SeamJoin::reserve, j -> "\u00d7" + Words.text("%.0f", j.reserve()))
                .rows(plan.joins(), 9);
        card.add(sheet.onPick(j -> {
            if (j.seam().name().equals(picked)) return;
            picked = j.seam().name();
            again();
        }));
        plan.joins()
                .stream()
                .filter(j -> j.seam().name().equals(picked))
                .findFirst()
                .or(() -> Optional.of(weakest))
                .ifPresent(j -> seam(card, j));
        card.title("order of assembly");
        int step = 1;
        for (var s : plan.steps()) {
            boolean done = model.schedule()
                    .flatMap(q -> q.placed(new TaskId.Step(prop().id(), TaskId.Series.JOIN, s.number())))
                    .map(q -> q.done())
                    .orElse(false);
            card.step(step++ + (done ? "   done" : ""), s.words(), "over " + String.join("  ", s.seams()));
        }
        cautions(card, Station.JOIN);
        return card.primary("keep and smooth", () -> model.pageProperty().set(Page.SMOOTH));
    }

    private void seam(Card card, SeamJoin now) {
        var grams = new HashMap<String, Double>();
        model.result(PrintFigures.PRINTS).ifPresent(p -> p.prints().forEach(q -> grams.put(q.name(), q.estimate().grams())));
        var seam = now.seam();
        card.title("ways to join " + seam.name() + ": " + now.why());
        var sections = model.result(CutFigures.SECTIONS);
        if (sections.isEmpty()) return;
        String light = grams.getOrDefault(seam.first(), 0.0) <= grams.getOrDefault(seam.second(), 0.0) ? seam.first() : seam.second();
        var load = Load.of(seam, grams.getOrDefault(light, 0.0),
                sections.get().section(light).mesh().bounds().centre().distance(seam.centre()));
        var table = alternatives("", "grams", "hold min", "handle h", "bears");
        for (var o : JoinPlan
                .options(seam, load, prop().print().profile().material(), model.shownProperty().get().shopCelsius(),
                        Exposure.hottestC(prop().size().exposures()), model.shop())
                .stream()
                .limit(6)
                .toList()) {
            boolean current = o.product().name().equals(now.product().name());
            var row = table.add(o.product().name(), current, () -> model.apply(Edit.join(prop().id(), seam.name(), o.product().name())));
            row.figures(Optional.empty(), Words.text("%.1f", o.grams()), Words.text("%.0f", o.holdMin()), Words.text("%.1f", o.handleH()),
                    "\u00d7" + Words.text("%.0f", o.reserve()));
            row.note(String.join(", ", o.product().hazards().stream().sorted().map(h -> h.words()).toList()));
        }
        card.add(table);
        card.add(Card.action("start a timer: hold " + seam.name() + " for " + Math.round(now.holdMin()) + " min",
                () -> timers.start(seam.name() + " " + now.product().name(), now.holdMin())));
    }

    @Override
    public void draw() {
        bench.showExplode(false);
        var proxy = model.result(ModelFigures.PROXY);
        var joins = model.result(JoinFigures.JOINS);
        var size = bounds();
        if (proxy.isEmpty() || size.isEmpty()) return;
        double s = prop().scale();
        var things = new ArrayList<javafx.scene.Node>();
        var labels = new ArrayList<Bench.Callout>();
        joins.ifPresent(p -> p.joins().forEach(j -> {
            String tone = j.reserve() < JoinPlan.LEAST_RESERVE ? "stop" : j.reserve() < 8 ? "care" : "good";
            double radius = size.get().diagonal() / 260;
            things.add(bench.drawn().rods(rods(j.seam().line(), radius), colour(tone), 2 * radius));
            var mid = j.seam().line().isEmpty() ? j.seam().centre() : j.seam().line().get(j.seam().line().size() / 2);
            labels.add(new Bench.Callout(mid, j.seam().name() + " \u00d7" + Words.text("%.0f", j.reserve()), tone));
        }));
        var shell = bench.isSeeThrough() ? bench.drawn().glass(proxy.get().mesh(), plastic(), 0.3)
                : bench.drawn().plain(proxy.get().mesh(), plastic());
        shell.getTransforms().add(new Scale(s, s, s));
        things.add(shell);
        bench.show(things, size.get(), key("prop"));
        bench.legend()
                .squares("seams by what they bear", List.of(colour("good"), colour("care"), colour("stop")),
                        List.of("8 times and more", "3 to 8 times", "too little"));
        bench.callouts(labels);
        bench.gauges(joins.map(p -> List.of(
                new Bench.Gauge("seams", String.valueOf(p.joins().size()), "in " + p.steps().size() + " steps", ""),
                new Bench.Gauge("weakest bears",
                        p.joins()
                                .stream()
                                .mapToDouble(SeamJoin::reserve)
                                .min()
                                .stream()
                                .mapToObj(r -> "\u00d7" + Words.text("%.1f", r))
                                .findFirst()
                                .orElse("-"),
                        "", ""),
                new Bench.Gauge("glue", "~" + Words.grams(p.joins().stream().mapToDouble(SeamJoin::grams).sum()), "", ""),
                new Bench.Gauge("holding", Words.text("%.0f min", p.joins().stream().mapToDouble(SeamJoin::holdMin).sum()), "", "")))
                .orElse(List.of()));
    }

    private static Color colour(String tone) {
        return switch (tone) {
            case "stop" -> Role.SEAM_STOP.colour();
            case "care" -> Role.SEAM_CARE.colour();
            default -> Role.SEAM_GOOD.colour();
        };
    }

    /** Rods along the seam, thinned to a drawable number, each as long as those it stands for. */
    private static double[] rods(List<Vec3> pairs, double radius) {
        int step = Math.max(1, pairs.size() / 2 / 260);
        var out = new ArrayList<Double>();
        for (int i = 0; i + 1 < pairs.size(); i += 2 * step) {
            var d = pairs.get(i + 1).minus(pairs.get(i));
            double len = d.norm();
            if (len < 1e-6) continue;
            var mid = pairs.get(i).plus(pairs.get(i + 1)).times(0.5);
            var half = d.times((len * step + radius) / 2 / len);
            for (var p : List.of(mid.minus(half), mid.plus(half))) out.addAll(List.of(p.x(), p.y(), p.z()));
        }
        return out.stream().mapToDouble(v -> v).toArray();
    }
}
