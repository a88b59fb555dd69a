package yellowbracket.desktop.station.size;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import javafx.scene.transform.Scale;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Ramp;
import yellowbracket.desktop.theme.Role;
import yellowbracket.desktop.widget.Card;
import yellowbracket.document.Edit;
import yellowbracket.document.Prop;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.measure.WallThickness;
import yellowbracket.mesh.repair.HealthFindings;
import yellowbracket.mesh.repair.Mend;

/** Whether the mesh is sound, how thick its walls are, and what mending would change. Part of the size page. */
final class HealthPart {
    private static final double[] BINS_MM = {0.8, 1.2, 1.6, 2.4, 3.2, 4.8, 8, 16};
    private static final double BAR_PX = 64;

    private final AppModel model;
    private final Bench bench;

    HealthPart(AppModel model, Bench bench) {
        this.model = model;
        this.bench = bench;
    }

    private Prop prop() {
        return model.currentProp().orElseThrow();
    }

    void write(Card card) {
        var health = model.result(ModelFigures.HEALTH);
        if (health.isEmpty()) {
            card.text("examining the mesh ...");
            return;
        }
        var h = health.get().health();
        card.row("triangles", Words.whole(h.triangles()),
                Words.whole(h.vertices()) + " points, " + h.bodies().size() + (h.bodies().size() == 1 ? " body" : " bodies"));
        card.row("closed", h.closed() ? "yes" : "no", h.closed() ? "sections will be closed too" : "sections keep what is open",
                h.closed() ? "good" : "stop");
        var faults = HealthFindings.of(h, health.get().overlaps());
        var useful = useful();
        if (!useful.isEmpty() && !prop().intake().mends().containsAll(useful))
            card.primary("mend " + useful.size() + (useful.size() == 1 ? " thing" : " things"), () -> mend(useful));
        for (var f : faults) card.finding(f.bad() ? Weight.STOP : Weight.CARE, f.sentence(), "", () -> {});
        if (health.get().overlaps().foundFrom() > 1) card.text("overlaps: " + HealthFindings.tried(health.get().overlaps()));
        mending(card, faults.isEmpty());
        flats(card);
        walls(card);
    }

    /** What each step would do, or has done; nothing happens unasked. */
    private void mending(Card card, boolean sound) {
        var mended = model.result(ModelFigures.MENDED);
        if (mended.isEmpty()) return;
        var useful = useful();
        var done = prop().intake().mends();
        if (!done.isEmpty()) {
            card.title("mended");
            mended.get().done().forEach(c -> card.text(c.words()));
            card.add(Card.action("undo the mending", () -> mend(EnumSet.noneOf(Mend.Step.class))));
        }
        if (useful.isEmpty() || done.containsAll(useful)) {
            if (done.isEmpty()) card.text(sound ? "nothing to mend" : "mending finds nothing it could do without harm");
            return;
        }
        card.title("mending would");
        mended.get()
                .possible()
                .stream()
                .filter(c -> c.count() > 0)
                .forEach(c -> card.step(c.taken() ? "do" : "leave", c.step().label(), c.result()));
    }

    /** Steps that would change something without doing harm. */
    private EnumSet<Mend.Step> useful() {
        var out = EnumSet.noneOf(Mend.Step.class);
        model.result(ModelFigures.MENDED)
                .ifPresent(m -> m.possible().stream().filter(c -> c.taken() && c.count() > 0).forEach(c -> out.add(c.step())));
        return out;
    }

    private void mend(EnumSet<Mend.Step> steps) {
        model.apply(Edit.intake(steps.isEmpty() ? "undo the mending" : "mend the mesh", prop().id(), i -> i.withMends(steps)));
    }

    /** Flats of a coarse mesh that will show, and rounding as an offer. */
    private void flats(Card card) {
        var flats = model.result(ModelFigures.FLATS);
        if (flats.isEmpty()) return;
        double s = prop().scale();
        var now = flats.get().now();
        int rounded = prop().intake().rounded();
        card.title("flats where it should be round");
        boolean show = flats.get().show(s);
        card.row("deep", model.words().length(now.deep95() * s),
                now.bentShare() == 0 ? "nothing is bent"
                        : Words.percent(now.bentShare()) + " of the surface is bent; "
                                + (show ? "at this scale its flats show through paint" : "they do not show"),
                show ? "care" : "good");
        if (rounded > 0) card.row("rounded", Card.more(rounded == 1 ? "once" : rounded + " times"),
                Card.action("as in the file", () -> model.apply(Edit.intake("flats as in the file", prop().id(), i -> i.withRounded(0)))));
        if (show) flats.get()
                .after()
                .ifPresent(a -> card.finding(Weight.CARE,
                        Words.text("flats of %s will show; rounded once more, creases kept, they are %s",
                                model.words().length(now.deep95() * s), model.words().length(a.deep95() * s)),
                        "round them", () -> model.apply(Edit.intake("round the flats", prop().id(), i -> i.withRounded(rounded + 1)))));
    }

    private void walls(Card card) {
        card.title("wall thickness at this scale");
        var walls = model.result(ModelFigures.WALLS).map(ModelFigures.Walls::thickness).filter(WallThickness::known);
        if (walls.isEmpty()) {
            card.text("no wall can be measured: the surface does not close");
            return;
        }
        double s = prop().scale();
        var w = walls.get();
        card.row("half is under", model.words().length(w.percentile(0.5) * s),
                "thinnest twentieth under " + model.words().length(w.percentile(0.05) * s));
        card.add(bars(w, s));
        String thin = HealthFindings.thinWalls(w, s);
        if (!thin.isEmpty()) card.finding(Weight.CARE, thin, "", () -> {});
    }

    /** Share of the surface by thickness. */
    private HBox bars(WallThickness w, double scale) {
        var box = new HBox(4);
        box.setAlignment(Pos.BOTTOM_LEFT);
        double before = 0;
        for (int i = 0; i <= BINS_MM.length; i++) {
            double upTo = i == BINS_MM.length ? 1 : w.shareBelow(BINS_MM[i] / scale), share = upTo - before;
            before = upTo;
            var bar = new Region();
            bar.getStyleClass().add(i < 2 ? "strip-care" : "strip-go");
            bar.setMinHeight(1 + BAR_PX * share);
            bar.setPrefSize(42, 1 + BAR_PX * share);
            var name = new Label(i == BINS_MM.length ? "more"
                    : "<" + (model.inchesProperty().get() ? Words.text("%.2f", BINS_MM[i] / 25.4) : Words.text("%.1f", BINS_MM[i])));
            var percent = new Label(Words.text("%.0f %%", 100 * share));
            for (var l : List.of(name, percent)) l.getStyleClass().add("legend-tick");
            var column = new VBox(1, percent, bar, name);
            column.setAlignment(Pos.BOTTOM_CENTER);
            box.getChildren().add(column);
        }
        box.setAccessibleText("share of the surface by wall thickness");
        return box;
    }

    /** The walls in colour, edges at fault as lines thick enough to see. */
    void draw(Color neutral) {
        var proxy = model.result(ModelFigures.PROXY);
        if (proxy.isEmpty()) return;
        double s = prop().scale();
        var mesh = proxy.get().mesh();
        var things = new ArrayList<javafx.scene.Node>();
        var walls = model.result(ModelFigures.WALLS);
        var health = model.result(ModelFigures.HEALTH);
        boolean fits = walls.isPresent() && walls.get().proxy() == mesh; // a proxy newer than the walls has other facets
        things.add(fits
                ? bench.drawn()
                        .byFacet(mesh, Ramp.wall(), neutral, f -> Double.isFinite(walls.get().at(f)) ? walls.get().at(f) * s : Double.NaN)
                : bench.drawn().plain(mesh, neutral));
        health.ifPresent(h -> {
            double thick = 0.004 * mesh.bounds().diagonal();
            lines(things, h.edges().open(), Role.RIM_OPEN.colour(), thick);
            lines(things, h.edges().crowded(), Role.RIM_CROWDED.colour(), thick);
            lines(things, h.edges().twisted(), Role.RIM_TWISTED.colour(), thick);
        });
        things.forEach(t -> t.getTransforms().setAll(new Scale(s, s, s)));
        bench.show(things, mesh.bounds().scaled(s), prop().id() + "/prop");
        bench.callouts(callouts(s));
        bench.legend().ramp(java.util.Optional.of(Ramp.wall()), model.words().unit(), model.words().inches() ? 1 / 25.4 : 1);
        bench.gauges(
                health.map(h -> List.of(
                        new Bench.Gauge("faults",
                                String.valueOf(
                                        HealthFindings.of(h.health(), h.overlaps()).stream().mapToInt(HealthFindings.Fault::count).sum()),
                                h.health().closed() ? "closed" : "not closed", h.health().closed() ? "good" : "stop"),
                        new Bench.Gauge("open edges", String.valueOf(h.health().boundaryEdges()), "", ""),
                        new Bench.Gauge("half the wall under",
                                walls.filter(w -> w.thickness().known())
                                        .map(w -> model.words().length(w.thickness().percentile(0.5) * s))
                                        .orElse("-"),
                                "", "")))
                        .orElse(List.of()));
    }

    private void lines(List<javafx.scene.Node> things, double[] segments, Color colour, double thick) {
        if (segments.length > 0) things.add(bench.drawn().lines(segments, colour, thick));
    }

    /** Faults that are no edges, said beside the model. */
    private List<Bench.Callout> callouts(double s) {
        return model.result(ModelFigures.HEALTH)
                .filter(h -> model.fresh(ModelFigures.HEALTH))
                .map(h -> h.places()
                        .stream()
                        .map(p -> new Bench.Callout(p.at().times(s), p.words(), p.words().equals("bodies cross") ? "care" : "stop"))
                        .toList())
                .orElse(List.of());
    }
}
