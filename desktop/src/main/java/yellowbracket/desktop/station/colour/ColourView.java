package yellowbracket.desktop.station.colour;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntFunction;
import javafx.scene.Node;
import javafx.scene.paint.Color;
import javafx.scene.shape.MeshView;
import javafx.scene.transform.Scale;
import yellowbracket.colour.ColourPlan;
import yellowbracket.colour.ColourZone;
import yellowbracket.colour.zone.Painted;
import yellowbracket.derive.colour.ColourFigures;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.AskFile;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.station.StationView;
import yellowbracket.desktop.widget.Card;
import yellowbracket.mesh.io.WriteProblem;
import yellowbracket.work.Station;

/** Which colour where, painted on the model, in which order with which masks, and whether today is a day to spray. */
public final class ColourView extends StationView {
    private static final List<String> TABS = List.of("zones", "order", "palette", "weather", "marks", "lines", "weathering");

    private final Map<String, ColourPart> parts = new LinkedHashMap<>();

    public ColourView(AppModel model, Bench bench) {
        super(model, bench, TABS);
        parts.put("zones", new ZonesPart(this));
        parts.put("order", new OrderPart(this));
        parts.put("palette", new PalettePart(this));
        parts.put("weather", new WeatherPart(this));
        parts.put("marks", new MarksPart(this));
        parts.put("lines", new LinesPart(this));
        parts.put("weathering", new WeatheringPart(this));
    }

    Optional<ColourPlan> plan() {
        return model.result(ColourFigures.COLOUR);
    }

    Optional<Painted> light() {
        return model.result(ColourFigures.LIGHT).map(ColourFigures.Light::painted);
    }

    @Override
    public Card card() {
        var shown = parts.get(tab());
        int n = prop().colour().zones().size();
        var card = card(shown.heading(), prop().name() + " \u00b7 " + n + (n == 1 ? " zone" : " zones"));
        if (plan().isEmpty()) return waiting(card, ColourFigures.COLOUR);
        shown.write(card, plan().get());
        cautions(card, Station.COLOUR);
        return card.primary("keep and fit out", () -> model.pageProperty().set(Page.WEAR));
    }

    @Override
    protected void leave(String name) {
        parts.get(name).leave();
    }

    @Override
    public boolean busyWithInput() {
        return parts.get(tab()).busy();
    }

    @Override
    public void draw() {
        bench.showExplode(false);
        bench.onSize(by -> {});
        if (bounds().isEmpty()) return;
        if (light().isPresent()) parts.get(tab()).draw();
        else bare();
    }

    /** While the zones are worked out: nothing of another page stays. */
    private void bare() {
        double s = prop().scale();
        var things = model.result(ModelFigures.PROXY).map(p -> bench.drawn().plain(p.mesh(), neutral())).stream().toList();
        things.forEach(t -> t.getTransforms().add(new Scale(s, s, s)));
        shown(things, List.of(), "prop");
        bench.legend().none();
    }

    /** The light copy, each piece with one of a few colours by number. */
    MeshView painted(Painted light, List<Color> palette, IntFunction<Integer> number) {
        double s = prop().scale();
        var view = bench.drawn().byPalette(light.mesh(), palette, number::apply);
        view.getTransforms().add(new Scale(s, s, s));
        return view;
    }

    /** Colours of the zones in their order, and of what belongs to none. */
    List<Color> palette() {
        var out = new ArrayList<Color>();
        prop().colour().zones().forEach(z -> out.add(Color.web(z.hex())));
        out.add(neutral());
        return out;
    }

    /** Place in {@link #palette} by zone number. */
    int slot(int zone) {
        var zones = prop().colour().zones();
        for (int i = 0; i < zones.size(); i++) if (zones.get(i).id() == zone) return i;
        return zones.size();
    }

    void shown(List<? extends Node> things, List<Bench.Callout> labels, String overlay) {
        bench.show(things, bounds().orElseThrow(), key(overlay));
        bench.callouts(labels);
        bench.gauges(plan()
                .map(p -> List.of(new Bench.Gauge("paint work", Words.about(p.hours()), Words.hours(p.waitH()) + " waiting", ""),
                        new Bench.Gauge("cans", Words.text("%.1f", p.cans()), "", ""),
                        new Bench.Gauge("tape", Words.text("%.1f m", p.tapeM()), Words.text("%.0f dm\u00b2 film", p.maskDm2()), "")))
                .orElse(List.of()));
    }

    /** {@code #rrggbb}. */
    static String hex(Color c) {
        return String.format("#%02x%02x%02x", Math.round(255 * c.getRed()), Math.round(255 * c.getGreen()), Math.round(255 * c.getBlue()));
    }

    /** Writes a file. */
    interface Writing {
        void to(Path file) throws IOException;
    }

    /** Asks where, and writes it aside. @param more said once it is written */
    void save(String name, AskFile.Kind kind, Writing writing, String more) {
        model.ask().toSave("to a file", name, kind).ifPresent(file -> model.background("writing " + file.getFileName(), p -> {
            try {
                writing.to(file);
                model.tell(AppModel.Tone.GOOD, "written: " + file.getFileName() + more);
            } catch (IOException e) {
                model.tell(AppModel.Tone.STOP, file.getFileName() + " was not written: " + WriteProblem.words(e));
            }
            return file;
        }, done -> {}));
    }

    void legendOfZones() {
        var zones = prop().colour().zones();
        bench.legend().squares("zones", palette().subList(0, zones.size()), zones.stream().map(ColourZone::name).toList());
    }
}
