package yellowbracket.desktop.station.colour;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.paint.Color;
import javafx.scene.shape.MeshView;
import javafx.scene.transform.Scale;
import yellowbracket.colour.ColourPlan;
import yellowbracket.colour.weather.Chipping;
import yellowbracket.colour.weather.Effect;
import yellowbracket.colour.weather.WearFields;
import yellowbracket.colour.weather.WeatherPlan;
import yellowbracket.colour.weather.WeatherWish;
import yellowbracket.colour.weather.Weathered;
import yellowbracket.colour.zone.Painted;
import yellowbracket.derive.colour.ColourFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.bench.Drawn;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.mesh.Vec3;
import yellowbracket.smooth.Flaw;

/** Wear and weather on the model before anything is risked: each slider is a step of the work, with tool, product, amount and minutes. */
final class WeatheringPart extends ColourPart {
    private final Drawn drawn = new Drawn();
    private boolean dragging;
    private Optional<WeatherWish> tried = Optional.empty();
    private Effect upTo = Effect.DUST;
    private Optional<MeshView> thing = Optional.empty();

    WeatheringPart(ColourView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "how worn it is to look";
    }

    @Override
    boolean busy() {
        return dragging;
    }

    @Override
    void leave() {
        tried = Optional.empty();
    }

    private WeatherWish shown() {
        return tried.orElseGet(() -> wish().weather());
    }

    @Override
    void write(Card card, ColourPlan plan) {
        var work = model.result(ColourFigures.WEATHER);
        card.row("weathering", work.map(w -> Words.about(w.hours())).orElse("-"),
                work.filter(w -> !w.steps().isEmpty())
                        .map(w -> w.steps().size() + " steps by hand, between the colours and the clear coat")
                        .orElse("nothing yet: slide one of these, and see it on the model"));
        for (var e : Effect.values()) effect(card, e);
        if (shown().of(Effect.SOOT) > 0) {
            int n = wish().weather().soot().size();
            var last = Card.action("not the last", () -> change("one source of soot less",
                    w -> w.withWeather(w.weather().smokingFrom(w.weather().soot().subList(0, n - 1)))));
            last.setDisable(n == 0);
            card.row("smoke comes", Card.more("from " + n + (n == 1 ? " place" : " places") + ": click them on the model"), last);
        }
        card.row("chips by", new Choice<>("chipping", "how chips are made", Arrays.asList(Chipping.values()), wish().weather().chipping(),
                Chipping::words, c -> change("chips by " + c.words(), w -> w.withWeather(w.weather().chippedBy(c)))));
        var none = Card.action("as new", () -> change("no weathering", w -> w.withWeather(WeatherWish.NEW)));
        none.setDisable(wish().weather().none());
        card.row("shown up to",
                new Choice<>("weather-upto", "the last effect that is shown", Arrays.asList(Effect.values()), upTo, Effect::words, e -> {
                    upTo = e;
                    view.draw();
                }), none);
        work.ifPresent(w -> {
            if (!w.steps().isEmpty()) card.title("steps, in order");
            int n = 1;
            for (var s : w.steps())
                card.step(Words.text("%.0f min", s.minutes()), n++ + ". " + s.effect().words() + ": " + s.what(), told(s));
            view.findings(card, w.findings());
        });
        long kept = prop().smooth().flaws().stream().filter(Flaw::accepted).count();
        if (kept > 0) card.text(kept + (kept == 1 ? " flaw" : " flaws") + " kept from the rounds, marked on the model: begin there");
    }

    private static String told(WeatherPlan.Step s) {
        String when = switch (s.when()) {
            case UNDER_COLOUR -> "before the colours";
            case UNDER_SEAL -> "before the clear coat";
            case LAST -> "last of all";
        };
        return Words.text("%s; %s, %.0f ml on %.1f dm\u00b2; %s; next after %s", when, s.product(), Math.max(1, s.ml()), s.dm2(), s.tool(),
                Words.hours(s.waitH()));
    }

    private void effect(Card card, Effect e) {
        var value = new Label();
        value.getStyleClass().add("row-more");
        value.setMinWidth(38);
        var s = new Slider(0, 1, wish().weather().of(e));
        s.setId("weather-" + e.name().toLowerCase(java.util.Locale.ROOT));
        s.setAccessibleText("strength of " + e.words());
        s.setBlockIncrement(0.1);
        s.setMinWidth(130);
        s.setMaxWidth(130);
        value.setText(Words.percent(s.getValue()));
        s.valueChangingProperty().subscribe((was, on) -> {
            dragging = on;
            if (!on) take(e, s.getValue());
        });
        s.valueProperty().subscribe((before, v) -> {
            value.setText(Words.percent(v.doubleValue()));
            tried = Optional.of(shown().with(e, rounded(v.doubleValue())));
            if (dragging) paint();
            else take(e, v.doubleValue());
        });
        card.row(e.words(), s, value, Card.more(e.means()));
    }

    private static double rounded(double v) {
        return Math.rint(100 * v) / 100;
    }

    private void take(Effect e, double v) {
        tried = Optional.empty();
        if (wish().weather().of(e) == rounded(v)) return;
        change(e.words() + " " + Words.percent(rounded(v)), w -> w.withWeather(w.weather().with(e, rounded(v))));
    }

    @Override
    void draw() {
        var light = worn().orElse(view.light().orElseThrow());
        var labels = prop().smooth()
                .flaws()
                .stream()
                .filter(Flaw::accepted)
                .map(f -> new Bench.Callout(f.at().times(prop().scale()), f.kind().label(), ""))
                .toList();
        var now = look(light);
        double s = prop().scale();
        now.getTransforms().setAll(new Scale(s, s, s));
        thing = Optional.of(now);
        now.setUserData(new Bench.Spot(this::smoke));
        view.shown(List.of(now), labels, "prop");
        view.bench().legend().none();
        model.result(ColourFigures.WEATHER)
                .ifPresent(w -> view.bench()
                        .gauges(List.of(new Bench.Gauge("weathering", Words.about(w.hours()), w.steps().size() + " steps", ""))));
    }

    /** A click is where smoke comes out, once soot is asked for. */
    private void smoke(Vec3 at) {
        if (wish().weather().of(Effect.SOOT) <= 0) return;
        var all = new ArrayList<>(wish().weather().soot());
        all.add(at);
        try {
            var more = wish().weather().smokingFrom(all);
            change("smoke comes out here", w -> w.withWeather(more));
        } catch (IllegalArgumentException e) {
            model.tell(AppModel.Tone.STOP, e.getMessage());
        }
    }

    /** Only the colours change while a slider moves. */
    private void paint() {
        if (thing.isEmpty() || worn().isEmpty()) return;
        var now = look(worn().get());
        thing.get().setMesh(now.getMesh());
        thing.get().setMaterial(now.getMaterial());
    }

    private Optional<Painted> worn() {
        return model.result(ColourFigures.WORN).map(ColourFigures.Light::painted);
    }

    private MeshView look(Painted light) {
        var zones = wish().zones();
        var rgb = new int[zones.size() + 1];
        for (int i = 0; i < zones.size(); i++) rgb[i] = Integer.parseInt(zones.get(i).hex().substring(1), 16);
        rgb[zones.size()] = packed(view.neutral());
        var base = new int[light.count()];
        for (int f = 0; f < base.length; f++) base[f] = rgb[view.slot(light.zone(f))];
        var fields = model.result(ColourFigures.SOOTED).filter(f -> f.size() == light.count());
        var colours = fields.map((WearFields w) -> Weathered.colours(w, shown(), f -> base[f], upTo)).orElse(base);
        return drawn.byColour(light.mesh(), f -> colours[f]);
    }

    private static int packed(Color c) {
        return (int) Math.round(255 * c.getRed()) << 16 | (int) Math.round(255 * c.getGreen()) << 8 | (int) Math.round(255 * c.getBlue());
    }
}
