package yellowbracket.desktop.station.colour;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ColorPicker;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import javafx.scene.shape.Rectangle;
import yellowbracket.colour.ColourPlan;
import yellowbracket.colour.ColourZone;
import yellowbracket.colour.Match;
import yellowbracket.colour.TestCards;
import yellowbracket.derive.colour.ColourFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.device.SimulatedColourReader;
import yellowbracket.document.Edit;
import yellowbracket.finding.Weight;
import yellowbracket.shop.Coating;
import yellowbracket.shop.Lab;
import yellowbracket.shop.Paint;
import yellowbracket.shop.PaintCard;
import yellowbracket.shop.PaintShelf;
import yellowbracket.shop.Sheen;

/** Paints owned and listed, which of them is the colour that was meant, mixes of two, and cards tried before. */
final class PalettePart extends ColourPart {
    private static final int READINGS = 5;
    private static final double SWATCH = 64;
    /** What a lid of this stand-in's paints dries to: a little darker and greyer. */
    private static final double DRIES_DARKER = 2.5, DRIES_GREYER = 0.94;

    private final SimulatedColourReader reader = new SimulatedColourReader(41);
    private final ReferencesPart references;
    private int zone = -1;
    private String picked = "";

    PalettePart(ColourView view) {
        super(view);
        references = new ReferencesPart(view);
    }

    @Override
    public String heading() {
        return "which paint is the colour that was meant";
    }

    private PaintShelf shelf() {
        return model.shownProperty().get().paints();
    }

    private void shelf(String name, java.util.function.UnaryOperator<PaintShelf> change) {
        model.apply(Edit.paints(name, change));
    }

    private ColourZone zone() {
        return wish().zone(zone).orElseGet(() -> wish().zones().getFirst());
    }

    @Override
    void write(Card card, ColourPlan plan) {
        if (wish().zones().isEmpty()) {
            card.text("no zones yet: make one on the zones tab");
            return;
        }
        var z = zone();
        var limit = field("match-limit", "how far a match may be off", "CIEDE2000 between 0.2 and 30, such as 3", 0.2, 30)
                .with(Words.text("%.1f", shelf().limit()));
        limit.setOnAction(e -> limit.read().ifPresent(v -> shelf("match within " + v, s -> s.within(v))));
        card.row("wanted", new Choice<>("match-zone", "zone whose colour is matched", wish().zones(), z, ColourZone::name, c -> {
            zone = c.id();
            view.again();
        }), Card.more(z.hex() + ", " + z.sheen().words()));
        card.row("counts as a match", limit, Card.more("CIEDE2000: below 1 nobody sees it, 2 side by side, 5 at a glance"));
        matches(card, z);
        mix(card, plan, z);
        paint(card);
        cards(card);
        references.write(card);
    }

    private void matches(Card card, ColourZone z) {
        var found = Match.of(Lab.ofHex(z.hex()), z.sheen(), shelf().paints());
        if (found.isEmpty()) {
            card.text("no paints on the shelf yet: add those you own, or think of buying, below");
            return;
        }
        var best = found.getFirst();
        boolean good = best.off() <= shelf().limit();
        card.row("nearest", Words.text("%.1f off", best.off()),
                best.paint().name() + (best.sure() ? ", by its dried card" : ", by its lid only: try a card")
                        + (best.sheen() ? "" : "; it dries " + best.paint().sheen().words()),
                good ? "good" : "care");
        card.add(new Sheet<Match.Candidate>("paints", "no paints").swatch("", c -> Color.web(c.paint().colour().hex()))
                .words("paint", c -> c.paint().name())
                .number("off", Match.Candidate::off, c -> Words.text("%.1f", c.off()))
                .words("sample", c -> c.sure() ? "dried" : "lid")
                .words("sheen", c -> c.paint().sheen().words())
                .number("ml", c -> c.paint().ml(), c -> Words.text("%.0f", c.paint().ml()))
                .rows(found, 8)
                .onPick(c -> {
                    if (c.paint().name().equals(picked)) return;
                    picked = c.paint().name();
                    view.again();
                }));
        var take = shelf().paint(picked).orElse(best.paint());
        var use = Card.action("paint " + z.name() + " with " + take.name(), () -> change(z.name() + ": " + take.name(),
                w -> w.changing(z.id(), x -> x.withHex(take.colour().hex()).withPaint(take.product()).withSheen(take.sheen()))));
        use.setId("take-paint");
        card.add(use);
    }

    private void mix(Card card, ColourPlan plan, ColourZone z) {
        var coats = plan.coats().stream().filter(c -> c.zones().equals(List.of(z.id()))).findFirst();
        double grams = coats.map(c -> c.grams() * c.count()).orElse(20.0);
        Match.mix(Lab.ofHex(z.hex()), shelf().paints(), grams * Match.MORE).ifPresent(m -> {
            double total = grams * Match.MORE;
            card.row("mix", Words.text("%.1f off", m.off()),
                    Words.text("%.0f %% %s and %.0f %% %s; for %.0f g, half as much again as computed: %.1f and %.1f g",
                            100 * (1 - m.share()), m.first().name(), 100 * m.share(), m.second().name(), total, total * (1 - m.share()),
                            total * m.share()),
                    m.off() <= shelf().limit() ? "good" : "");
            card.text(Words.text("a gram astray in a second mix shows as %.1f: mix once, keep the rest closed", m.slipOff()));
        });
    }

    /** A paint is added, or its dried sample told. */
    private void paint(Card card) {
        var known = shelf().paint(picked);
        card.title(known.map(p -> "paint: " + p.name()).orElse("a paint for the shelf"));
        var name = text("paint-name", "name on the lid", known.map(Paint::name).orElse(""), 12);
        var lid = new ColorPicker(Color.web(known.map(Paint::lidHex).orElse(zone().hex())));
        lid.setId("paint-lid");
        lid.setAccessibleText("colour of the lid");
        lid.getStyleClass().add("bare-picker");
        var products = model.shop()
                .coatings()
                .stream()
                .filter(c -> c.kind() == Coating.Kind.PAINT || c.kind() == Coating.Kind.METAL)
                .map(Coating::name)
                .toList();
        var product = new Choice<>("paint-product", "what kind of paint it is", products,
                known.map(Paint::product).orElse(products.getFirst()), p -> p, p -> {});
        var sheen = new Choice<>("paint-dries", "how it dries", Arrays.asList(Sheen.values()), known.map(Paint::sheen).orElse(Sheen.SATIN),
                Sheen::words, s -> {});
        card.row("lid", name, lid, sheen);
        var ml = field("paint-ml", "how much is left", "ml between 0 and 100000, such as 400", 0, 100_000)
                .with(Words.text("%.0f", known.map(Paint::ml).orElse(400.0)));
        card.row("kind", product, ml, Card.more("ml"));
        var dried = text("paint-dried", "dried sample, as #rrggbb or L* a* b*",
                known.flatMap(Paint::dried).map(PalettePart::told).orElse(""), 12);
        card.row("dried", dried, Card.more("#rrggbb, or L* a* b* such as 52 18 31"));
        var keep = Card.action(known.isPresent() ? "keep" : "add it",
                () -> keep(name.getText(), product.getValue(), lid.getValue(), sheen.getValue(), ml.read(), dried.getText()));
        keep.setId("keep-paint");
        var read = Card.action("read the dried card", () -> known.ifPresent(this::read));
        read.setId("read-card");
        read.setDisable(known.isEmpty());
        var white = Card.action("white tile", () -> {
            reader.calibrate();
            model.tell(AppModel.Tone.GOOD, "the reader has seen its white tile: good for a hundred readings");
        });
        white.setId("read-white");
        card.row("", keep, read, white);
        card.text("the reader is a stand-in that makes its reading up from the lid: type what you see or measured over it");
        known.ifPresent(p -> {
            if (p.lidOff() > 2) card.finding(Weight.NOTE,
                    Words.text("dries %.1f off its lid: buy it by the card, not by the lid", p.lidOff()), "", () -> {});
            card.row("hides",
                    Card.more(p.share().isPresent()
                            ? Words.text("a coat goes %.0f %% of the way, by your card", 100 * p.share().getAsDouble())
                            : "by its family: one coat on a black-and-white card tells better"),
                    shareField(p));
            card.add(Card.action("take " + p.name() + " off the shelf", () -> {
                picked = "";
                shelf("without " + p.name(), s -> s.without(p.name()));
            }));
        });
    }

    private Node shareField(Paint p) {
        var f = field("paint-share", "share of the way one coat goes", "per cent between 2 and 100, such as 60", 2, 100)
                .with(p.share().isPresent() ? Words.text("%.0f", 100 * p.share().getAsDouble()) : "");
        f.setOnAction(
                e -> f.read().ifPresent(v -> shelf(p.name() + " hides " + v + " %", s -> s.with(p.withShare(OptionalDouble.of(v / 100))))));
        return f;
    }

    private static String told(Lab l) {
        return String.format(Locale.ROOT, "%.1f %.1f %.1f", l.l(), l.a(), l.b());
    }

    private void keep(String name, String product, Color lid, Sheen sheen, OptionalDouble ml, String dried) {
        if (ml.isEmpty()) return;
        var lab = lab(dried);
        if (lab.isEmpty() && !dried.isBlank()) {
            model.tell(AppModel.Tone.STOP, "dried sample \u201c" + dried + "\u201d: write #rrggbb, or L* a* b* such as 52 18 31");
            return;
        }
        try {
            var share = shelf().paint(name.strip()).map(Paint::share).orElse(OptionalDouble.empty());
            var p = new Paint(name.strip(), product, ColourView.hex(lid), lab, sheen, share, ml.getAsDouble());
            picked = p.name();
            shelf("paint " + p.name(), s -> s.with(p));
        } catch (IllegalArgumentException e) {
            model.tell(AppModel.Tone.STOP, e.getMessage());
        }
    }

    private static Optional<Lab> lab(String text) {
        var t = text.strip();
        if (ColourZone.isHex(t)) return Optional.of(Lab.ofHex(t.toLowerCase(Locale.ROOT)));
        var cells = t.replace(',', ' ').split("\\s+");
        if (cells.length != 3) return Optional.empty();
        try {
            return Optional.of(new Lab(Double.parseDouble(cells[0]), Double.parseDouble(cells[1]), Double.parseDouble(cells[2])));
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }

    private void read(Paint p) {
        var lid = Lab.ofHex(p.lidHex());
        reader.lay(new Lab(Math.max(0, lid.l() - DRIES_DARKER), DRIES_GREYER * lid.a(), DRIES_GREYER * lid.b()));
        reader.mean(READINGS)
                .ifPresentOrElse(l -> shelf("dried " + p.name(), s -> s.with(p.withDried(Optional.of(l)))),
                        () -> model.tell(AppModel.Tone.STOP,
                                "the reader has not seen its white tile: lay it on the tile and press \u201cwhite tile\u201d first"));
    }

    private void cards(Card card) {
        card.title("to try on a card before it goes on the prop");
        var cards = model.result(ColourFigures.CARDS);
        if (cards.isEmpty()) return;
        for (var t : cards.get().open()) {
            var words = text("card-words", "what the card of " + t.words() + " showed", "", 10);
            card.step("try", t.words(), t.why());
            card.row("", words, Card.action("good", () -> note(t, true, words.getText())),
                    Card.action("not good", () -> note(t, false, words.getText())));
        }
        if (cards.get().open().isEmpty()) card.text("nothing new in this plan: every film was tried");
        view.findings(card, cards.get().told());
    }

    private void note(TestCards.Trial t, boolean good, String words) {
        var now = model.now();
        try {
            var c = new PaintCard(now, t.stack(), good, words.strip());
            shelf("card of " + t.words(), s -> s.with(c));
        } catch (IllegalArgumentException e) {
            model.tell(AppModel.Tone.STOP, e.getMessage());
        }
    }

    @Override
    void draw() {
        view.shown(List.of(), List.of(), "prop");
        view.bench().legend().none();
        view.bench().picture(Optional.of(picture()));
        view.bench()
                .gauges(List.of(new Bench.Gauge("paints", String.valueOf(shelf().paints().size()), "on the shelf", ""),
                        new Bench.Gauge("cards", String.valueOf(shelf().cards().size()),
                                model.result(ColourFigures.CARDS).map(c -> c.open().size() + " to try").orElse(""), "")));
    }

    /** Each wanted colour against the nearest paint and the nearest mix, edge to edge, so that a difference shows. */
    private Node picture() {
        var grid = new GridPane();
        grid.setVgap(10);
        grid.setHgap(14);
        grid.setMaxSize(Region.USE_PREF_SIZE, Region.USE_PREF_SIZE);
        int column = 1;
        for (var head : List.of("wanted | nearest paint", "wanted | mix of two")) grid.add(small(head), column++, 0);
        int row = 1;
        for (var z : wish().zones().stream().limit(7).toList()) {
            var wanted = Lab.ofHex(z.hex());
            var name = new Label(z.name());
            name.getStyleClass().add("gauge-name");
            name.setMinWidth(110);
            grid.add(name, 0, row);
            var best = Match.of(wanted, z.sheen(), shelf().paints()).stream().findFirst();
            grid.add(pair(z.hex(), best.map(b -> b.paint().colour().hex()),
                    best.map(b -> Words.text("%s, %.1f off", b.paint().name(), b.off())).orElse("no paint on the shelf")), 1, row);
            var mix = Match.mix(wanted, shelf().paints(), 30);
            grid.add(pair(z.hex(), mix.map(Match.Mix::hex),
                    mix.map(m -> Words.text("%.0f %% %s, %.1f off", 100 * m.share(), m.second().name(), m.off()))
                            .orElse("two of one kind are needed")),
                    2, row++);
        }
        return grid;
    }

    private static Label small(String words) {
        var l = new Label(words);
        l.getStyleClass().add("gauge-more");
        return l;
    }

    private static Node pair(String wanted, Optional<String> other, String words) {
        var both = new javafx.scene.layout.HBox(0, new Rectangle(SWATCH, 40, Color.web(wanted)));
        other.ifPresent(o -> both.getChildren().add(new Rectangle(SWATCH, 40, Color.web(o))));
        var box = new VBox(3, both, small(words));
        box.setAlignment(Pos.CENTER_LEFT);
        box.setMinWidth(200);
        return box;
    }
}
