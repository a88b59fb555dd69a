package yellowbracket.desktop.station.colour;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import javafx.scene.control.ColorPicker;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.transform.Scale;
import yellowbracket.colour.ColourPlan;
import yellowbracket.colour.ColourZone;
import yellowbracket.colour.SprayWeather;
import yellowbracket.derive.colour.ColourFigures;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.station.StationView;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.document.Edit;
import yellowbracket.smooth.Flaw;
import yellowbracket.work.Station;

/** Which colour where, in which order, and whether today is a day to spray. */
public final class ColourView extends StationView {
    public ColourView(AppModel model, Bench bench) {
        super(model, bench);
    }

    @Override
    public Card card() {
        var card = new Card("which colour, in what order", prop().name() + " \u00b7 " + prop().colour().zones().size() + " zones");
        var colour = model.result(ColourFigures.COLOUR);
        if (colour.isEmpty()) return waiting(card, ColourFigures.COLOUR);
        var plan = colour.get();
        card.row("work", Words.about(plan.hours()), Words.text("%s waiting; %.1f cans, costs %s; %.0f dm\u00b2 masked",
                Words.hours(plan.waitH()), plan.cans(), Words.money(plan.cost()), plan.maskDm2()));
        weather(card);
        findings(card, plan.findings());
        findings(card, prop().size().lacks());
        model.result(ColourFigures.TIGHT).ifPresent(t -> findings(card, t.findings()));
        card.title("zones");
        for (int i = 0; i < prop().colour().zones().size(); i++) zone(card, i, plan);
        kept(card);
        seals(card);
        card.title("coats, in order");
        card.add(new Sheet<ColourPlan.Coats>("coats", "no coats").words("zone", ColourPlan.Coats::zone)
                .words("product", ColourPlan.Coats::product)
                .number("coats", ColourPlan.Coats::count, c -> String.valueOf(c.count()))
                .number("dm\u00b2", ColourPlan.Coats::dm2, c -> Words.text("%.1f", c.dm2()))
                .number("cans", ColourPlan.Coats::cans, c -> c.sprayed() ? Words.text("%.2f", c.cans()) : "brush")
                .words("next coat", ColourView::window)
                .number("tape after", ColourPlan.Coats::tapeH, c -> Words.hours(c.tapeH()))
                .rows(plan.coats(), 10));
        cautions(card, Station.COLOUR);
        return card.primary("keep and fit out", () -> model.pageProperty().set(Page.WEAR));
    }

    private static String window(ColourPlan.Coats c) {
        String from = c.recoatFromH() < 1 ? Words.text("%.0f min", 60 * c.recoatFromH()) : Words.hours(c.recoatFromH());
        return c.recoatToH() < 100 ? from + " to " + Words.hours(c.recoatToH()) : "after " + from;
    }

    private void zone(Card card, int i, ColourPlan plan) {
        var z = prop().colour().zones().get(i);
        var pick = new ColorPicker(Color.web(z.hex()));
        pick.setId("zone-" + i);
        pick.setAccessibleText("colour of " + z.name());
        pick.getStyleClass().add("bare-picker");
        pick.setOnAction(e -> recolour(i, hex(pick.getValue())));
        double dm2 = plan.areas().stream().filter(a -> a.zone().equals(z)).mapToDouble(ColourPlan.Area::dm2).sum();
        int coats = plan.coats().stream().filter(c -> c.zone().equals(z.name())).mapToInt(ColourPlan.Coats::count).sum();
        card.row(z.name(), pick, Card.more(Words.text("%.1f dm\u00b2, %d coats, %s", dm2, coats, z.paint())));
    }

    private void recolour(int i, String hex) {
        model.apply(Edit.ofProp("colour " + prop().colour().zones().get(i).name() + " " + hex, prop().id(), p -> {
            var list = new ArrayList<>(p.colour().zones());
            var z = list.get(i);
            list.set(i, new ColourZone(z.name(), hex, z.paint(), z.patches()));
            return p.withColour(p.colour().withZones(list));
        }));
    }

    private static String hex(Color c) {
        return String.format("#%02x%02x%02x", Math.round(255 * c.getRed()), Math.round(255 * c.getGreen()), Math.round(255 * c.getBlue()));
    }

    /** What the smooth station left to be hidden. */
    private void kept(Card card) {
        var all = prop().smooth().flaws().stream().filter(Flaw::accepted).toList();
        if (all.isEmpty()) return;
        card.row("weathering", String.valueOf(all.size()),
                "flaws kept from the rounds, marked on the bench: chips, washes or dust go there first");
    }

    private void seals(Card card) {
        var table = alternatives("seal", "cans", "work h", "ready");
        for (var name : List.of("matt clear", "gloss clear", ""))
            alternative(table, name.isEmpty() ? "none" : name, name.equals(prop().colour().seal()),
                    Edit.ofProp(name.isEmpty() ? "no clear coat" : "seal with " + name, prop().id(),
                            p -> p.withColour(p.colour().withSeal(name))),
                    (row, d) -> row.figures(ready(d),
                            d.get(ColourFigures.COLOUR, prop().id()).map(c -> Words.text("%.1f", c.cans())).orElse("-"),
                            d.get(ColourFigures.COLOUR, prop().id()).map(c -> Words.text("%.1f", c.hours())).orElse("-"), readyWords(d)));
        card.add(table);
    }

    /** Today hour by hour: go, care, no; each with its reason. */
    private void weather(Card card) {
        var paint = model.shop().coating("acrylic lacquer spray");
        var strip = new HBox(1);
        int go = 0, first = -1;
        for (int h = 7; h < 23; h++) {
            var hour = model.weather().at(model.now().toLocalDate().atTime(h, 0));
            var judged = SprayWeather.judge(hour, paint);
            if (judged.verdict() == SprayWeather.Verdict.GO) {
                go++;
                if (first < 0) first = h;
            }
            var cell = new Region();
            cell.setPrefSize(13, switch (judged.verdict()) {
                case GO -> 18;
                case CARE -> 12;
                case NO -> 6;
            });
            cell.setMaxHeight(Region.USE_PREF_SIZE);
            cell.getStyleClass().add("strip-" + judged.verdict().name().toLowerCase(java.util.Locale.ROOT));
            Tooltip.install(cell, new Tooltip(Words.text("%d:00  %.0f \u00b0C, %.0f %%, wind %.0f m/s: %s", h, hour.celsius(),
                    hour.humidity(), hour.windMs(), judged.words())));
            strip.getChildren().add(cell);
        }
        strip.setAlignment(javafx.geometry.Pos.BOTTOM_LEFT);
        var now = SprayWeather.judge(model.weather().at(model.now()), paint);
        String verdict = switch (now.verdict()) {
            case GO -> "go";
            case CARE -> "care";
            case NO -> "no";
        };
        card.row("spray now", label(verdict, switch (now.verdict()) {
            case GO -> "good";
            case CARE -> "care";
            case NO -> "stop";
        }), Card.more((go == 0 ? "no good hour today" : go + " good hours, first " + first + ":00")
                + (now.reasons().isEmpty() ? "" : "; now " + now.words())));
        card.add(strip);
        card.text("7:00 to 23:00, tall is go; " + model.weather().source());
    }

    private static javafx.scene.control.Label label(String words, String tone) {
        var l = new javafx.scene.control.Label(words);
        l.getStyleClass().addAll("row-value", tone);
        l.setMinWidth(Region.USE_PREF_SIZE);
        return l;
    }

    @Override
    public void draw() {
        bench.showExplode(false);
        var proxy = model.result(ModelFigures.PROXY);
        var size = bounds();
        if (proxy.isEmpty() || size.isEmpty()) return;
        double s = prop().scale();
        var zones = prop().colour().zones();
        var palette = new ArrayList<Color>();
        zones.forEach(z -> palette.add(Color.web(z.hex())));
        palette.add(neutral());
        var mesh = proxy.get().mesh();
        var view = bench.drawn().byPalette(mesh, palette, f -> {
            int z = ColourZone.at(zones, mesh.centroid(f));
            return z < 0 ? zones.size() : z;
        });
        view.getTransforms().add(new Scale(s, s, s));
        bench.show(List.of(view), size.get(), key("prop"));
        bench.callouts(prop().smooth()
                .flaws()
                .stream()
                .filter(Flaw::accepted)
                .map(f -> new Bench.Callout(f.at().times(prop().scale()), "weathering: " + f.kind().label(), ""))
                .toList());
        bench.legend()
                .squares("zones", IntStream.range(0, zones.size()).mapToObj(palette::get).toList(),
                        zones.stream().map(ColourZone::name).toList());
        bench.gauges(model.result(ColourFigures.COLOUR)
                .map(p -> List.of(new Bench.Gauge("paint work", Words.about(p.hours()), Words.hours(p.waitH()) + " waiting", ""),
                        new Bench.Gauge("cans", Words.text("%.1f", p.cans()), "", ""),
                        new Bench.Gauge("masked", Words.text("%.0f dm\u00b2", p.maskDm2()), "", "")))
                .orElse(List.of()));
    }
}
