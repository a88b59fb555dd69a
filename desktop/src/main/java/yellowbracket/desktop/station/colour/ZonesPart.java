package yellowbracket.desktop.station.colour;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.scene.control.ColorPicker;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.paint.Color;
import yellowbracket.colour.ColourPlan;
import yellowbracket.colour.ColourSurface;
import yellowbracket.colour.ColourWish;
import yellowbracket.colour.ColourZone;
import yellowbracket.colour.ZoneFile;
import yellowbracket.colour.zone.Outline;
import yellowbracket.colour.zone.Painted;
import yellowbracket.colour.zone.Region;
import yellowbracket.colour.zone.Transfer;
import yellowbracket.derive.colour.ColourFigures;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.AskFile;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.mesh.Vec3;
import yellowbracket.document.Edit;
import yellowbracket.mesh.io.WriteProblem;
import yellowbracket.shop.Coating;
import yellowbracket.smooth.Flaw;
import yellowbracket.shop.Sheen;

/** Zones painted on the model: brush, flood, bodies, sections, sides of planes; what each is painted with. */
final class ZonesPart extends ColourPart {
    private static final AskFile.Kind KIND = AskFile.Kind.of("zones", "ply", "obj", "json");
    /** Patches of others smaller than this, mm2, are holes. */
    private static final double HOLE_MM2 = 400;

    private final ZonePainter painter;
    private final ZoneHand hand;
    private double byMm = 3;
    private boolean dragging;
    private int chosen = -1;

    ZonesPart(ColourView view) {
        super(view);
        painter = new ZonePainter(model);
        hand = new ZoneHand(view, painter, this::zone);
    }

    @Override
    public String heading() {
        return "what colour goes where";
    }

    @Override
    boolean busy() {
        return dragging || hand.strokes();
    }

    private ColourZone zone() {
        return wish().zone(chosen).orElseGet(() -> wish().zones().getFirst());
    }

    @Override
    void write(Card card, ColourPlan plan) {
        if (wish().zones().isEmpty()) {
            card.text("no zones yet");
            card.add(Card.action("a first zone", this::add));
            return;
        }
        zones(card, plan);
        tools(card);
        zone(card, plan);
        model.result(ColourFigures.ZONES).ifPresent(z -> view.findings(card, z.told()));
        view.findings(card, plan.findings());
        view.findings(card, prop().size().lacks());
        model.result(ColourFigures.TIGHT).ifPresent(t -> view.findings(card, t.findings()));
        kept(card);
    }

    private void zones(Card card, ColourPlan plan) {
        var surface = model.result(ColourFigures.SURFACE);
        var sheet = new Sheet<ColourZone>("zones", "no zones").swatch("", z -> Color.web(z.hex()))
                .words("zone", ColourZone::name)
                .number("painted dm\u00b2", z -> painted(surface, z.id()), z -> Words.text("%.1f", painted(surface, z.id())))
                .number("of dm\u00b2", z -> whole(surface, z.id()), z -> Words.text("%.1f", whole(surface, z.id())))
                .number("coats", z -> coats(plan, z.id()), z -> String.valueOf(coats(plan, z.id())))
                .rows(wish().zones(), 10);
        sheet.getSelectionModel().select(zone());
        card.add(sheet.onPick(z -> {
            if (z.id() == zone().id()) return;
            chosen = z.id();
            view.again();
        }));
    }

    private static double painted(Optional<ColourSurface> s, int zone) {
        return s.map(x -> x.paintedDm2(zone)).orElse(0.0);
    }

    private static double whole(Optional<ColourSurface> s, int zone) {
        return s.filter(x -> x.areas().containsKey(zone)).map(x -> x.areas().get(zone).mm2() / 1e4).orElse(0.0);
    }

    private static int coats(ColourPlan plan, int zone) {
        return plan.coats()
                .stream()
                .filter(c -> c.zones().equals(List.of(zone)) && !c.zone().equals(ColourPlan.ALL))
                .mapToInt(ColourPlan.Coats::count)
                .sum();
    }

    private void add() {
        int id = wish().nextId();
        var hex = List.of("#a8742c", "#1f5156", "#b3202a", "#d9cfb6", "#2c3338", "#3c5a86").get(id % 6);
        var paint = wish().zones().isEmpty() ? "acrylic lacquer spray" : zone().paint();
        chosen = id;
        change("new zone", w -> w.with(ColourZone.of(id, "zone " + (id + 1), hex, paint)));
    }

    private void tools(Card card) {
        card.row("paint with", new Choice<>("zone-tool", "what paints on the model", Arrays.asList(ZoneHand.Tool.values()), hand.tool,
                ZoneHand.Tool::words, t -> {
                    hand.tool = t;
                    view.again();
                }), twinButton());
        switch (hand.tool) {
            case BRUSH -> {
                var size = field("zone-radius", "radius of the brush", "mm between 1 and 200, such as 12", ZoneHand.LEAST_MM,
                        ZoneHand.MOST_MM).with(Words.text("%.0f", hand.radiusMm));
                size.setOnAction(e -> size.read().ifPresent(r -> hand.radiusMm = r));
                size.focusedProperty().subscribe(f -> {
                    if (!f && size.edited()) size.read().ifPresent(r -> hand.radiusMm = r);
                });
                card.row("radius", size, Card.more("mm along the surface; , and . change it, Shift gives back to " + ground()));
            }
            case FLOOD -> {
                var stay = new ToggleButton("within its zone");
                stay.getStyleClass().setAll("toggle-button", "action");
                stay.setSelected(hand.within);
                stay.setAccessibleText("flood no further than the zone that is clicked");
                stay.setOnAction(e -> hand.within = stay.isSelected());
                card.row("stops at",
                        slider("crease", "bend at which a flood stops, degrees", 1, 90, hand.creaseDeg, v -> hand.creaseDeg = v),
                        Card.more(Words.text("%.0f\u00b0", hand.creaseDeg)), stay);
                card.text("point at a place: what a click would take is lit");
            }
            case PLANE -> {
                card.row("all", new Choice<>("plane-side", "which side of the plane", Arrays.asList(ZoneHand.Way.values()), hand.way,
                        ZoneHand.Way::words, w -> {
                            hand.way = w;
                            hand.light();
                        }), slider("plane-at", "where the plane lies", 0, 1, hand.share, v -> hand.share = v),
                        Card.more(hand.planeWords()));
                var go = Card.action("make it " + zone().name(), hand::side);
                go.setId("paint-side");
                card.add(go);
            }
            case BODY -> card.text("click a body of the model: all of it becomes " + zone().name());
            case SECTION -> card.text("click a section: all of it becomes " + zone().name() + ", to the seam");
        }
    }

    private String ground() {
        return wish().zone(wish().ground()).map(ColourZone::name).orElse("the ground");
    }

    private ToggleButton twinButton() {
        var both = new ToggleButton("both sides");
        both.getStyleClass().setAll("toggle-button", "action");
        both.setId("zone-twin");
        both.setSelected(hand.twin);
        both.setAccessibleText("paint the same on the other side of the middle");
        both.setOnAction(e -> hand.twin = both.isSelected());
        return both;
    }

    /** Shows live while it is dragged. */
    private Slider slider(String id, String what, double least, double most, double now, java.util.function.DoubleConsumer hear) {
        var s = new Slider(least, most, now);
        s.setId(id);
        s.setAccessibleText(what);
        s.setPrefWidth(130);
        s.setMinWidth(70);
        s.valueChangingProperty().subscribe(on -> dragging = on);
        s.valueProperty().subscribe((before, v) -> {
            hear.accept(v.doubleValue());
            hand.light();
        });
        return s;
    }

    private void zone(Card card, ColourPlan plan) {
        var z = zone();
        card.title(z.name());
        var name = new TextField(z.name());
        name.setId("zone-name");
        name.setAccessibleText("name of the zone");
        name.setPrefColumnCount(10);
        Runnable rename = () -> {
            if (!name.getText().isBlank() && !name.getText().equals(z.name()))
                change("call it " + name.getText().trim(), w -> w.changing(z.id(), x -> x.withName(name.getText().trim())));
        };
        name.setOnAction(e -> rename.run());
        name.focusedProperty().subscribe(f -> {
            if (!f) rename.run();
        });
        var pick = new ColorPicker(Color.web(z.hex()));
        pick.setId("zone-colour");
        pick.setAccessibleText("colour of " + z.name());
        pick.getStyleClass().add("bare-picker");
        pick.setOnAction(e -> recolour(z, ColourView.hex(pick.getValue())));
        var hex = new TextField(z.hex());
        hex.setId("zone-hex");
        hex.setAccessibleText("colour of " + z.name() + " as #rrggbb");
        hex.setPrefColumnCount(6);
        hex.setOnAction(e -> {
            if (ColourZone.isHex(hex.getText().trim())) recolour(z, hex.getText().trim().toLowerCase(Locale.ROOT));
            else model.tell(AppModel.Tone.STOP, "a colour is written #rrggbb, such as #1f5156, not \u201c" + hex.getText() + "\u201d");
        });
        card.row("name", name, pick, hex);
        var paints = model.shop()
                .coatings()
                .stream()
                .filter(c -> c.kind() == Coating.Kind.PAINT || c.kind() == Coating.Kind.METAL)
                .map(Coating::name)
                .toList();
        card.row("paint",
                new Choice<>("zone-paint", "what it is painted with", paints, z.paint(), p -> p,
                        p -> change(z.name() + " with " + p, w -> w.changing(z.id(), x -> x.withPaint(p)))),
                new Choice<>("zone-sheen", "how it is to shine", Arrays.asList(Sheen.values()), z.sheen(), Sheen::words,
                        s -> change(z.name() + " " + s.words(), w -> w.changing(z.id(), x -> x.withSheen(s)))));
        card.row("goes on by", new Choice<>("zone-how", "how its paint goes on", Arrays.asList(ColourZone.How.values()), z.how(),
                ColourZone.How::words, h -> change(z.name() + ": " + h.words(), w -> w.changing(z.id(), x -> x.withHow(h)))));
        plan.undercoats()
                .groups()
                .stream()
                .filter(g -> g.zones().contains(z.id()))
                .findFirst()
                .ifPresent(g -> card.row("on", g.shade(), g.why()));
        shape(card, z);
    }

    private void recolour(ColourZone z, String hex) {
        change("colour " + z.name() + " " + hex, w -> w.changing(z.id(), x -> x.withHex(hex)));
    }

    /** Changes of a zone's outline. */
    private void shape(Card card, ColourZone z) {
        var by = field("zone-by", "how far the border moves", "mm between 0.5 and 50, such as 3", 0.5, 50).with(Words.text("%.1f", byMm));
        by.setOnAction(e -> by.read().ifPresent(v -> byMm = v));
        by.focusedProperty().subscribe(f -> {
            if (!f && by.edited()) by.read().ifPresent(v -> byMm = v);
        });
        double s = prop().scale();
        card.row("border", by, Card.more("mm"), act("grow", z.name() + " larger", p -> Outline.grown(p, z.id(), byMm / s)),
                act("shrink", z.name() + " smaller", p -> Outline.grown(p, z.id(), -byMm / s)),
                act("smooth", "border of " + z.name() + " smooth", p -> Outline.smoothed(p, z.id(), byMm / s)));
        var part = Card.action("part its islands", () -> islands(z));
        part.setDisable(wish().zones().size() > 100);
        card.row("surface", act("fill its holes", "holes of " + z.name(), p -> p.with(Region.holes(p, z.id(), HOLE_MM2 / (s * s)), z.id())),
                part, act("mirror left to right", "zones to the other side", p -> Transfer.twin(p, Vec3.X, hand.middle())));
        var others = wish().zones().stream().filter(o -> o.id() != z.id()).toList();
        var more = new ArrayList<javafx.scene.Node>();
        more.add(Card.action("new zone", this::add));
        if (!others.isEmpty()) more.add(new Choice<>("zone-merge", "make this zone part of another", others, null,
                o -> "make it part of " + o.name(), o -> merge(z, o)));
        card.row("", more.toArray(javafx.scene.Node[]::new));
        card.row("as a file", Card.action("write", this::write), Card.action("read", this::read),
                Card.more("PLY, OBJ or JSON, for other programs and other versions of the model"));
    }

    private void write() {
        var zones = model.result(ColourFigures.ZONES);
        var list = wish().zones();
        if (zones.isEmpty()) return;
        model.ask()
                .toSave("zones to a file", prop().name() + " zones.ply", KIND)
                .ifPresent(file -> model.background("writing " + file.getFileName(), progress -> {
                    try {
                        ZoneFile.write(file, zones.get().painted(), list);
                        return "zones are in " + file.getFileName();
                    } catch (IOException e) {
                        model.tell(AppModel.Tone.STOP, file.getFileName() + " was not written: " + WriteProblem.words(e));
                        return "";
                    }
                }, done -> {
                    if (!done.isEmpty()) model.tell(AppModel.Tone.GOOD, done);
                }));
    }

    private void read() {
        var zones = model.result(ColourFigures.ZONES);
        var id = prop().id();
        var now = wish();
        if (zones.isEmpty()) return;
        var base = zones.get().painted().base();
        model.ask().toOpen("zones from a file", KIND).ifPresent(file -> model.background("reading " + file.getFileName(), progress -> {
            try {
                return Optional.of(ZoneFile.read(file, base, now));
            } catch (ZoneFile.Unreadable e) {
                model.tell(AppModel.Tone.STOP, e.getMessage());
                return Optional.<ColourWish>empty();
            }
        }, read -> read.ifPresent(w -> model.apply(Edit.colours("zones from " + file.getFileName(), id, x -> w), base))));
    }

    private javafx.scene.control.Button act(String words, String name, UnaryOperator<Painted> stroke) {
        var b = Card.action(words, () -> painter.run(name, stroke));
        b.setId("zone-" + words.replace(' ', '-'));
        return b;
    }

    private void merge(ColourZone z, ColourZone into) {
        chosen = into.id();
        painter.run(z.name() + " part of " + into.name(), p -> p.with(f -> p.zone(f) == z.id(), into.id()),
                w -> w.withZones(w.zones().stream().filter(x -> x.id() != z.id()).toList()));
    }

    /** Each patch but the largest becomes a zone of its own. */
    private void islands(ColourZone z) {
        var zones = model.result(ColourFigures.ZONES);
        if (zones.isEmpty()) return;
        int patches = Region.islands(zones.get().painted(), z.id()).size();
        if (patches < 2 || patches > 40) {
            model.tell(AppModel.Tone.NOTE, patches < 2 ? z.name() + " is in one piece"
                    : z.name() + " is in " + patches + " pieces: fill its holes or smooth its border first");
            return;
        }
        int first = wish().nextId();
        painter.run("part the islands of " + z.name(), p -> {
            var list = Region.islands(p, z.id());
            var now = p;
            for (int i = 1; i < list.size(); i++) now = now.with(list.get(i), first + i - 1);
            return now;
        }, w -> {
            var now = w;
            for (int i = 1; i < patches; i++) now = now.with(z.withId(first + i - 1).withName(z.name() + " " + (i + 1)));
            return now;
        });
    }

    /** What the smooth station left to be hidden. */
    private void kept(Card card) {
        long n = prop().smooth().flaws().stream().filter(Flaw::accepted).count();
        if (n > 0) card.row("weathering", String.valueOf(n),
                "flaws kept from the rounds, marked on the bench: chips, washes or dust go there first");
    }

    @Override
    void draw() {
        hand.draw();
    }
}
