package yellowbracket.desktop.station.smooth;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.paint.Color;
import javafx.scene.transform.Scale;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.derive.smooth.SmoothFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.station.StationView;
import yellowbracket.desktop.theme.Ramp;
import yellowbracket.desktop.widget.Card;
import yellowbracket.mesh.Adjacency;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.print.Cusp;
import yellowbracket.print.PrintPlan;
import yellowbracket.print.SectionPrint;
import yellowbracket.smooth.Areas;
import yellowbracket.smooth.DepthMap;
import yellowbracket.smooth.Place;
import yellowbracket.smooth.SmoothPlan;
import yellowbracket.smooth.Targets;
import yellowbracket.work.Station;

/** From layer lines to the finish: how rough it is where, the ladder, what to mix, rounds of priming and looking, what wall is left. */
public final class SmoothView extends StationView {
    private static final List<String> TABS = List.of("areas", "ladder", "mix", "rounds", "skin");

    private final Map<String, SmoothPart> parts = new LinkedHashMap<>();
    /** By section: the place that each facet of its drawing lies at. */
    private final Map<String, Near> near = new HashMap<>();

    /** What was drawn last, and the facets it was drawn by: a slider shows the same ones again and again. */
    private List<Object> knownOf = List.of();
    private Map<Mesh, Facet[]> known = Map.of();

    private record Near(Mesh mesh, SurfaceSamples samples, int[] byFacet, Adjacency adjacency) {}

    /** A facet of the drawing: the place it lies at, how deep its own lines are, um, its middle, model mm, and how it is worked. */
    record Facet(Place place, double depthUm, Vec3 at, Optional<Areas.Area> area) {}

    /** What the drawing shows of a facet. */
    interface Shown {
        double of(Facet f);
    }

    /** @param labels writes labels for products, by name */
    public SmoothView(AppModel model, Bench bench, Consumer<List<String>> labels) {
        super(model, bench, TABS);
        parts.put("areas", new AreasPart(this));
        parts.put("ladder", new LadderPart(this));
        parts.put("mix", new MixPart(this, labels));
        parts.put("rounds", new RoundsPart(this));
        parts.put("skin", new SkinPart(this));
    }

    Optional<SmoothPlan> plan() {
        return model.result(SmoothFigures.SMOOTH);
    }

    Optional<DepthMap> map() {
        return model.result(SmoothFigures.MAP);
    }

    Targets targets() {
        return prop().smooth().targets(prop().scale());
    }

    @Override
    public Card card() {
        var shown = parts.get(tab());
        var wish = prop().smooth();
        var card = card(shown.heading(), prop().name() + " \u00b7 " + wish.finish().label() + " \u00b7 " + wish.school().label());
        if (plan().isEmpty() || map().isEmpty()) return waiting(card, SmoothFigures.SMOOTH);
        shown.write(card, plan().get());
        cautions(card, Station.SMOOTH);
        return card.primary("keep and colour", () -> model.pageProperty().set(Page.COLOUR));
    }

    @Override
    public boolean busyWithInput() {
        return parts.get(tab()).busy();
    }

    @Override
    public void draw() {
        bench.showExplode(false);
        if (plan().isPresent() && map().isPresent() && bounds().isPresent()) parts.get(tab()).draw(plan().get());
    }

    /** Every section, each facet with the colour of a value; {@link Double#NaN} for none. */
    List<Node> painted(Ramp ramp, Shown value) {
        return sections(
                (mesh, facets) -> bench.drawn().byFacet(mesh, ramp, neutral(), f -> facets[f] == null ? Double.NaN : value.of(facets[f])));
    }

    /** Each facet with one of a few colours, by number; the last for what has none. */
    List<Node> painted(List<Color> palette, Shown number) {
        return sections((mesh, facets) -> bench.drawn()
                .byPalette(mesh, palette, f -> facets[f] == null ? palette.size() - 1 : number.of(facets[f])));
    }

    private interface Drawing {
        Node of(Mesh mesh, Facet[] facets);
    }

    private List<Node> sections(Drawing drawing) {
        var drawn = model.result(CutFigures.DRAWING);
        var prints = model.result(PrintFigures.PRINTS);
        var samples = model.result(CutFigures.SAMPLES_OF);
        var out = new ArrayList<Node>();
        if (drawn.isEmpty() || prints.isEmpty() || samples.isEmpty() || map().isEmpty() || plan().isEmpty()) return out;
        var of = List.<Object>of(drawn.get(), prints.get(), map().get(), plan().get(), prop().smooth());
        if (!same(of, knownOf)) known = facets(drawn.get(), prints.get(), samples.get());
        knownOf = of;
        double s = prop().scale();
        known.forEach((mesh, facets) -> {
            var view = drawing.of(mesh, facets);
            view.getTransforms().add(new Scale(s, s, s));
            out.add(view);
        });
        return out;
    }

    private static boolean same(List<Object> a, List<Object> b) {
        if (a.size() != b.size()) return false;
        for (int i = 0; i < a.size(); i++) if (a.get(i) != b.get(i)) return false;
        return true;
    }

    private Map<Mesh, Facet[]> facets(CutFigures.Drawing drawn, PrintPlan prints, CutFigures.Samples samples) {
        var out = new LinkedHashMap<Mesh, Facet[]>();
        var places = places();
        for (var p : prints.prints()) {
            var mesh = drawn.bySection().get(p.name());
            var own = samples.bySection().get(p.name());
            var at = places.getOrDefault(p.name(), List.of());
            if (mesh == null || own == null || at.size() != own.samples().size()) continue; // of other cuts: soon made anew
            out.put(mesh, facets(mesh, p, at, nearest(p.name(), mesh, own)));
        }
        return out;
    }

    private Map<String, List<Place>> places() {
        var out = new HashMap<String, List<Place>>();
        map().ifPresent(m -> m.places().forEach(p -> out.computeIfAbsent(p.section(), k -> new ArrayList<>()).add(p)));
        return out;
    }

    private Near nearest(String section, Mesh mesh, SurfaceSamples samples) {
        var known = near.get(section);
        if (known == null || known.mesh != mesh || known.samples != samples) {
            known = new Near(mesh, samples, samples.nearestByFacet(mesh), new Adjacency(mesh));
            near.put(section, known);
        }
        return known;
    }

    private Facet[] facets(Mesh mesh, SectionPrint print, List<Place> places, Near at) {
        var near = at.byFacet;
        var flats = flats(places, at);
        var areas = plan().orElseThrow().areas();
        var targets = targets();
        var area = places.stream().map(q -> areas.of(q, targets)).toList();
        var up = print.orientation().turn().row2();
        double layer = print.profile().layerMm();
        var out = new Facet[mesh.triangleCount()];
        for (int f = 0; f < out.length; f++) {
            if (near[f] < 0) continue;
            var n = mesh.areaVector(f);
            if (n.norm() == 0) continue;
            var p = places.get(near[f]);
            double own = print.bands().isEmpty() ? Cusp.um(layer, Math.min(1, Math.abs(up.dot(n)) / n.norm())) : p.cuspUm();
            out[f] = new Facet(p, Math.max(own, p.scarUm()) + flats[f], mesh.centroid(f), area.get(near[f]));
        }
        return out;
    }

    /** Samples lie further apart than facets: what they tell of flats is evened out over neighbours. */
    private static double[] flats(List<Place> places, Near at) {
        var now = new double[at.byFacet.length];
        for (int f = 0; f < now.length; f++) now[f] = at.byFacet[f] < 0 ? 0 : places.get(at.byFacet[f]).flatUm();
        for (int pass = 0; pass < 3; pass++) {
            var next = new double[now.length];
            for (int f = 0; f < now.length; f++) {
                double sum = now[f], n = 1;
                for (int k = 0; k < 3; k++) {
                    int c = at.adjacency.across(3 * f + k);
                    if (c < 0 || at.byFacet[c / 3] < 0) continue;
                    sum += now[c / 3];
                    n++;
                }
                next[f] = sum / n;
            }
            now = next;
        }
        return now;
    }

    /** Hears where the prop is clicked, in the model's own mm. */
    static void clicked(List<Node> things, Consumer<Vec3> then) {
        things.forEach(t -> t.setUserData(new Bench.Spot(then)));
    }

    /** Hears where the prop is brushed over, in the model's own mm. */
    static void brushed(List<Node> things, Consumer<List<Vec3>> then) {
        things.forEach(t -> t.setUserData(Bench.Brush.of(then)));
    }

    void shown(List<Node> things, List<Bench.Callout> labels, SmoothPlan p, String overlay) {
        bench.show(things, bounds().orElseThrow(), key(overlay));
        bench.callouts(labels);
        bench.gauges(List.of(new Bench.Gauge("work", Words.about(p.hours()), Words.hours(p.waitH()) + " waiting", ""),
                new Bench.Gauge("to work on", Words.text("%.0f dm\u00b2", p.areas().totalDm2()), "", ""),
                new Bench.Gauge("lines to hide", Words.text("%.0f \u00b5m", p.areas().valley90Um()), "90 % are finer", ""),
                new Bench.Gauge("paper", p.sheets() + " sheets", Words.text("%.1f cans", p.cans()), "")));
    }
}
