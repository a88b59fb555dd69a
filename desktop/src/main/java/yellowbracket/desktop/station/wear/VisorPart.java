package yellowbracket.desktop.station.wear;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.ToggleButton;
import org.locationtech.jts.geom.Polygon;
import yellowbracket.derive.wear.WearFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.bench.ViewPicture;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Timers;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Role;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.desktop.widget.NumberField;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.mesh.Bounds3;
import yellowbracket.shop.Sheeting;
import yellowbracket.size.Air;
import yellowbracket.wear.panel.Nest;
import yellowbracket.wear.panel.Opening;
import yellowbracket.wear.panel.Panel;
import yellowbracket.wear.panel.PanelWish;
import yellowbracket.wear.panel.TintBath;
import yellowbracket.wear.panel.ViewThrough;
import yellowbracket.wear.panel.Visor;

/** Openings and what closes them: the flat pattern, how it bends and goes in, the view through it, and the dye bath. */
final class VisorPart extends WearPart {
    private final Timers timers;
    private String picked = "";
    private boolean looksThrough;

    /** A sheet in one of its thicknesses. */
    private record Stock(Sheeting sheet, double mm) {
        String words() {
            return Words.text("%s %s mm", sheet.name(), mm == Math.rint(mm) ? String.valueOf((long) mm) : String.valueOf(mm));
        }
    }

    VisorPart(WearView view, Timers timers) {
        super(view);
        this.timers = timers;
    }

    @Override
    public String heading() {
        return "what closes each opening";
    }

    private Optional<Visor> visor() {
        return model.result(WearFigures.VISOR);
    }

    private Optional<Opening> opening() {
        return visor().flatMap(
                v -> v.openings().stream().filter(o -> o.name().equals(picked)).findFirst().or(() -> v.openings().stream().findFirst()));
    }

    private Optional<WearFigures.View> through() {
        return model.result(WearFigures.VIEWS).flatMap(v -> view.shown(v.list()));
    }

    @Override
    void write(Card card) {
        if (!view.worn(card)) return;
        var v = visor();
        if (v.isEmpty()) {
            view.waiting(card, WearFigures.VISOR);
            return;
        }
        through().ifPresent(t -> seen(card, t));
        if (!v.get().openings().isEmpty()) openings(card, v.get());
        opening().ifPresent(o -> one(card, v.get(), o));
        sheets(card, v.get());
        v.get().findings().forEach(f -> view.finding(card, f));
        through().ifPresent(t -> t.findings().forEach(f -> view.finding(card, f)));
        bath(card);
    }

    private void seen(Card card, WearFigures.View t) {
        var w = t.through();
        view.wearers(card);
        card.row("seen", Words.percent(w.seenShare()),
                Words.text("of the usual view by light; %.0f %% is open, %.0f %% of the light comes through it", 100 * w.openShare(),
                        100 * w.meanLight()));
        var dark = Arrays.stream(ViewThrough.When.values()).filter(x -> w.enough(x) < 0.5).findFirst();
        card.row("light enough", dark.map(x -> "not " + x.words()).orElse("always"),
                Words.text("%.0f %% of what is open indoors, %.0f %% at dusk", 100 * w.enough(ViewThrough.When.INDOORS),
                        100 * w.enough(ViewThrough.When.DUSK)),
                dark.isPresent() ? "care" : "good");
        t.airCm2()
                .ifPresentOrElse(
                        cm2 -> card.row("air", Words.text("%.1f cm\u00b2", cm2),
                                Words.text("near the mouth with all in; %.1f open, %.0f wanted", t.openAirCm2().orElse(cm2),
                                        Air.WANTED_CM2),
                                cm2 < Air.WANTED_CM2 ? "care" : "good"),
                        () -> card.row("air", "free", "the mouth lies below it", "good"));
        var look = new ToggleButton("look through it");
        look.setId("look-through");
        look.getStyleClass().setAll("toggle-button", "action");
        look.setSelected(looksThrough);
        look.setAccessibleText("show the view through the sheets");
        look.setOnAction(e -> {
            looksThrough = look.isSelected();
            view.again();
        });
        card.row("", look);
    }

    private void openings(Card card, Visor v) {
        card.title("openings");
        var sheet = new Sheet<Opening>("openings", "none").words("opening", Opening::name)
                .number("wide", Opening::wideMm, o -> words().length(o.wideMm()))
                .number("high", Opening::highMm, o -> words().length(o.highMm()))
                .words("closed by", o -> v.wishes().get(v.openings().indexOf(o)).kind().words())
                .rows(v.openings(), 3);
        opening().ifPresent(o -> sheet.getSelectionModel().select(o));
        card.add(sheet.onPick(o -> {
            if (o.name().equals(picked)) return;
            picked = o.name();
            view.again();
        }));
    }

    private void one(Card card, Visor v, Opening o) {
        var wish = v.wishes().get(v.openings().indexOf(o));
        card.title("the " + o.name() + " opening");
        card.row("wall", o.surface().words(), Words.text("a sheet comes within %.1f mm of it", o.standsOffMm()),
                o.standsOffMm() > 2 ? "care" : "");
        card.row("close it with", new Choice<>("panel-kind", "what closes the opening", Arrays.asList(PanelWish.Kind.values()), wish.kind(),
                PanelWish.Kind::words, k -> change("the " + o.name() + " opening: " + k.words(), w -> w.with(stocked(wish.of(k))))));
        if (wish.kind() == PanelWish.Kind.OPEN) return;
        if (wish.kind() != PanelWish.Kind.PRESSED) {
            var stock = stock(wish.kind());
            var now = stock.stream()
                    .filter(s -> s.sheet.name().equals(wish.sheet()) && s.mm == wish.thickMm())
                    .findFirst()
                    .orElseGet(() -> new Stock(stock.getFirst().sheet, wish.thickMm()));
            card.row("of", new Choice<>("panel-sheet", "which sheet", stock, now, Stock::words,
                    s -> change("the " + o.name() + " opening of " + s.words(), w -> w.with(wish.of(s.sheet.name(), s.mm)))));
            var margin = field("panel-margin", "glue margin", "mm between 2 and 40, such as 9", 2, 40)
                    .with(Words.text("%.0f", wish.marginMm()));
            margin.setOnAction(
                    e -> margin.read().ifPresent(mm -> change(Words.text("margin %.0f mm", mm), w -> w.with(wish.withMargin(mm)))));
            card.row("margin", margin, Card.more("mm all round, Enter takes it"));
        }
        v.panel(o.name()).ifPresent(p -> panel(card, v, p));
    }

    private PanelWish stocked(PanelWish w) {
        var stock = stock(w.kind());
        return stock.stream().anyMatch(s -> s.sheet.name().equals(w.sheet())) || stock.isEmpty() ? w
                : w.of(stock.getFirst().sheet.name(), stock.getFirst().mm);
    }

    private List<Stock> stock(PanelWish.Kind kind) {
        return model.shop()
                .sheets()
                .stream()
                .filter(s -> s.plastic() != (kind == PanelWish.Kind.MESH))
                .filter(s -> kind != PanelWish.Kind.FORMED || s.formsC() > 0)
                .flatMap(s -> s.thickMm().stream().map(t -> new Stock(s, t)))
                .toList();
    }

    private void panel(Card card, Visor v, Panel p) {
        if (p.laid()) flat(card, p);
        Optional.ofNullable(v.bucks().get(p.opening().name()))
                .ifPresent(b -> card.row("buck", Words.text("%.0f x %.0f x %.0f mm", b.wideMm(), b.deepMm(), b.highMm()),
                        Words.text("the sheet thins to about %.0f %%; form %d", 100 * b.thinned(), Visor.formed(1))));
        if (p.wish().kind() != PanelWish.Kind.PRESSED) card.row("glue", Words.text("%.0f cm\u00b2", p.gluedMm2() / 100),
                Words.text("%.0f %% of the margin lies on wall; a soft contact glue, for CA fogs and shows", 100 * p.shareGlued()),
                p.shareGlued() < 0.6 ? "care" : "");
        v.ways()
                .stream()
                .filter(w -> w.panel() == p)
                .findFirst()
                .ifPresent(w -> card.row("goes in", w.through(), "no later than: " + w.latest(), w.passes() ? "" : "care"));
        if (p.laid())
            card.add(new PatternPicture("visor-pattern", List.of(new PatternPicture.Outline("seen from inside; dashed: the opening",
                    corners(p.pattern()), corners(p.window()), p.bend().line().orElse(Double.NaN))), view.night()));
    }

    private void flat(Card card, Panel p) {
        card.row("flat", Words.text("%s x %s", words().length(p.wideMm()), words().length(p.highMm())), p.sheet().cut().words());
        card.row("bend", p.bend().how() == Panel.How.FLAT ? "none" : Words.text("%.0f\u00b0", p.bend().degrees()), p.bend().words(),
                p.bend().how() == Panel.How.NOT ? "stop" : "");
    }

    private static List<double[]> corners(Polygon p) {
        return Arrays.stream(p.getExteriorRing().getCoordinates()).map(c -> new double[] {c.x, c.y}).toList();
    }

    private void sheets(Card card, Visor v) {
        for (Nest n : v.nests()) if (n.sheets() > 0)
            card.row("sheets", String.valueOf(n.sheets()), Words.text("of %s %.1f mm, %.0f x %.0f, %d on %s", n.sheet().name(), n.thickMm(),
                    n.sheet().wideMm(), n.sheet().highMm(), n.laid().size(), n.sheets() == 1 ? "it" : "them"));
        if (v.panels().isEmpty()) return;
        var write = Card.action("write templates and lenses", view::files);
        write.setId("visor-files");
        card.row("at 1:1", write);
    }

    /** Two thermometer readings, and what they say. */
    private void bath(Card card) {
        card.title("dye bath for clear parts");
        var b = wish().bath();
        var room = field("bath-room", "warmth of the room", "degrees between 10 and 40, such as 21", -10, 50)
                .with(b.map(x -> Words.text("%.0f", x.roomC())).orElse("21"));
        var first = field("bath-first", "first reading of the bath", "degrees between 30 and 100, such as 70", 0, 100)
                .with(b.map(x -> Words.text("%.1f", x.firstC())).orElse("70"));
        var then = field("bath-then", "second reading of the bath", "degrees between 30 and 100, such as 64", 0, 100)
                .with(b.map(x -> Words.text("%.1f", x.thenC())).orElse("64"));
        var min = field("bath-min", "minutes between the readings", "minutes between 0.5 and 600, such as 5", 0.5, 600)
                .with(b.map(x -> Words.text("%.0f", x.betweenMin())).orElse("5"));
        var tell = Card.action("work it out", () -> read(room, first, then, min));
        tell.setId("bath-tell");
        card.row("room", room, Card.more("\u00b0C; bath"), first, Card.more("\u00b0C, then"));
        card.row("after", min, Card.more("min"), then, Card.more("\u00b0C"), tell);
        b.ifPresent(x -> {
            card.row("bath", Words.text("%.0f min left", x.leftMin()), x.words(), x.leftMin() > 0 ? "good" : "care");
            var time = Card.action("time it", () -> {
                if (x.waitMin() > 0) timers.start("bath cools to " + Math.round(TintBath.MOST_C) + " \u00b0C", x.waitMin());
                timers.start("bath warm enough", Math.max(0.1, x.leftMin()));
                timers.start("one dip", TintBath.DIP_MOST_S / 60);
            });
            time.setId("bath-time");
            card.row("timers", time, Card.more("dips of 10 to 15 s, rinsed cold between; never let it lie on the bottom"));
        });
        dips(card);
    }

    /** Two samples tell how many dips are left. */
    private void dips(Card card) {
        var n = field("dips-first", "dips when the first sample was taken", "a count between 0 and 200, such as 0", 0, 200).with("0");
        var t = field("light-first", "light through the first sample", "per cent between 1 and 100, such as 90", 1, 100).with("90");
        var m = field("dips-then", "dips when the second sample was taken", "a count between 1 and 200, such as 3", 1, 200).with("3");
        var u = field("light-then", "light through the second sample", "per cent between 1 and 100, such as 60", 1, 100).with("60");
        var w = field("light-wanted", "light wanted", "per cent between 1 and 100, such as 20", 1, 100).with("20");
        var tell = Card.action("how many more", () -> {
            var v = List.of(n.read(), t.read(), m.read(), u.read(), w.read());
            if (v.stream().anyMatch(x -> x.isEmpty())) return;
            try {
                var left = TintBath.dipsLeft((int) v.get(0).getAsDouble(), v.get(1).getAsDouble() / 100, (int) v.get(2).getAsDouble(),
                        v.get(3).getAsDouble() / 100, v.get(4).getAsDouble() / 100);
                model.tell(left.isPresent() ? AppModel.Tone.GOOD : AppModel.Tone.STOP, left.map(k -> k + " more dips, rinsed cold between")
                        .orElse("the second sample is no darker than the first: fresh dye, or a warmer bath"));
            } catch (IllegalArgumentException e) {
                model.tell(AppModel.Tone.STOP, e.getMessage());
            }
        });
        tell.setId("dips-tell");
        card.row("sample", Card.more("after"), n, Card.more("dips"), t, Card.more("% light"));
        card.row("and", Card.more("after"), m, Card.more("dips"), u, Card.more("% light"));
        card.row("wanted", w, Card.more("% light"), tell);
    }

    private void read(NumberField room, NumberField first, NumberField then, NumberField min) {
        var values = List.of(room.read(), first.read(), then.read(), min.read());
        if (values.stream().anyMatch(x -> x.isEmpty())) return;
        try {
            var b = new TintBath(values.get(0).getAsDouble(), values.get(1).getAsDouble(), values.get(2).getAsDouble(),
                    values.get(3).getAsDouble());
            change("readings of the bath", w -> w.withBath(Optional.of(b)));
        } catch (IllegalArgumentException e) {
            model.tell(AppModel.Tone.STOP, e.getMessage());
        }
    }

    @Override
    void draw() {
        var t = through();
        var on = view.on();
        if (looksThrough && t.isPresent() && on.isPresent()) {
            view.bench().show(List.of(), Bounds3.of(-100, -100, -100, 100, 100, 100), view.key("through"));
            view.bench().legend().none();
            view.bench().picture(Optional.of(new ViewPicture(on.get().vision(), "through the sheets", Optional.of(t.get().through()))));
        } else {
            var things = new ArrayList<Node>();
            var labels = new ArrayList<Bench.Callout>();
            visor().ifPresent(v -> {
                for (var o : v.openings()) {
                    boolean chosen = opening().filter(o::equals).isPresent();
                    things.add(view.line(o.loop(), true, chosen ? Role.PICKED.colour() : Role.CUT_LINE.colour(), chosen ? 2.2 : 1.4));
                    v.panel(o.name()).ifPresent(p -> things.add(view.line(p.covered().loop(), true, Role.GLASS.colour(), 1.2)));
                    if (chosen)
                        labels.add(new Bench.Callout(o.middle(), o.name() + Words.text(" %.0f x %.0f mm", o.wideMm(), o.highMm()), ""));
                }
            });
            view.shell(things, true, 0.55);
            view.bench().show(things, view.bounds().orElseThrow(), view.key("prop"));
            view.bench().callouts(labels);
            view.bench()
                    .legend()
                    .squares("openings", List.of(Role.PICKED.colour(), Role.CUT_LINE.colour(), Role.GLASS.colour()),
                            List.of("picked", "others", "sheet with its margin"));
        }
        view.bench()
                .gauges(t.map(x -> List.of(
                        new Bench.Gauge("seen", Words.percent(x.through().seenShare()),
                                Words.text("%.0f %% open", 100 * x.through().openShare()), ""),
                        new Bench.Gauge("light", Words.percent(x.through().meanLight()), "comes through",
                                x.through().enough(ViewThrough.When.INDOORS) < 0.5 ? "care" : "good"),
                        new Bench.Gauge("air", x.airCm2().isPresent() ? Words.text("%.1f cm\u00b2", x.airCm2().getAsDouble()) : "free",
                                "with all in", x.airCm2().orElse(Air.WANTED_CM2) < Air.WANTED_CM2 ? "care" : "good")))
                        .orElse(List.of()));
    }
}
