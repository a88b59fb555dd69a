package yellowbracket.desktop.station.colour;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.IntPredicate;
import java.util.function.UnaryOperator;
import javafx.scene.control.ColorPicker;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.paint.Color;
import javafx.scene.shape.MeshView;
import yellowbracket.colour.ColourPlan;
import yellowbracket.colour.ColourSurface;
import yellowbracket.colour.ColourWish;
import yellowbracket.colour.ColourZone;
import yellowbracket.colour.ZoneFile;
import yellowbracket.colour.zone.Brush;
import yellowbracket.colour.zone.Outline;
import yellowbracket.colour.zone.Painted;
import yellowbracket.colour.zone.Region;
import yellowbracket.colour.zone.Side;
import yellowbracket.colour.zone.Transfer;
import yellowbracket.derive.colour.ColourFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.bench.Drawn;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.AskFile;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Role;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Vec3;
import yellowbracket.document.Edit;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.io.WriteProblem;
import yellowbracket.shop.Coating;
import yellowbracket.smooth.Flaw;
import yellowbracket.shop.Sheen;

/** Zones painted on the model: brush, flood, bodies, sections, sides of planes; what each is painted with. */
final class ZonesPart extends ColourPart {
    /** What the pointer does on the bench. */
    private enum Tool {
        BRUSH("brush"), FLOOD("flood up to creases"), BODY("a whole body"), SECTION("a whole section"), PLANE("the side of a plane");

        private final String words;

        Tool(String words) {
            this.words = words;
        }
    }

    /** Sides of the model, in its own axes. */
    private enum Way {
        ABOVE("above", Vec3.Z), BELOW("below", Vec3.Z.times(-1)), LEFT("left of", Vec3.X), RIGHT("right of", Vec3.X.times(-1)),
        AHEAD("ahead of", Vec3.Y), BEHIND("behind", Vec3.Y.times(-1));

        private final String words;
        private final Vec3 normal;

        Way(String words, Vec3 normal) {
            this.words = words;
            this.normal = normal;
        }
    }

    private static final AskFile.Kind KIND = AskFile.Kind.of("zones", "ply", "obj", "json");
    private static final double LEAST_MM = 1, MOST_MM = 200, STEP = 1.25;
    /** Patches of others smaller than this, mm2, are holes. */
    private static final double HOLE_MM2 = 400;

    private final ZonePainter painter;
    /** Apart from the pages' own, whose kept shapes a moving pointer would drive out. */
    private final Drawn drawn = new Drawn();
    private Tool tool = Tool.BRUSH;
    private Way way = Way.ABOVE;
    private double radiusMm = 12, creaseDeg = 30, byMm = 3, share = 0.5;
    private boolean twin, within, dragging;
    private int chosen = -1;
    private Optional<Shown> shown = Optional.empty();
    private Optional<Vec3> pointer = Optional.empty();

    /** What is on the bench: the light copy, its index, the thing drawn, and the stroke in hand. */
    private static final class Shown {
        private final Painted light;
        private final Bvh index;
        private final MeshView view;
        private Optional<Brush> stroke = Optional.empty();

        Shown(Painted light, MeshView view) {
            this.light = light;
            this.view = view;
            index = Bvh.of(light.mesh());
        }

        int piece(Vec3 p) {
            return index.closest(p).triangle();
        }
    }

    ZonesPart(ColourView view) {
        super(view);
        painter = new ZonePainter(model);
    }

    @Override
    public String heading() {
        return "what colour goes where";
    }

    @Override
    boolean busy() {
        return dragging || shown.filter(s -> s.stroke.isPresent()).isPresent();
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
        card.row("paint with",
                new Choice<>("zone-tool", "what paints on the model", Arrays.asList(Tool.values()), tool, t -> t.words, t -> {
                    tool = t;
                    view.again();
                }), twinButton());
        switch (tool) {
            case BRUSH -> {
                var size = field("zone-radius", "radius of the brush", "mm between 1 and 200, such as 12", LEAST_MM, MOST_MM)
                        .with(Words.text("%.0f", radiusMm));
                size.setOnAction(e -> size.read().ifPresent(r -> radiusMm = r));
                size.focusedProperty().subscribe(f -> {
                    if (!f && size.edited()) size.read().ifPresent(r -> radiusMm = r);
                });
                card.row("radius", size, Card.more("mm along the surface; , and . change it, Shift gives back to " + ground()));
            }
            case FLOOD -> {
                var stay = new ToggleButton("within its zone");
                stay.getStyleClass().setAll("toggle-button", "action");
                stay.setSelected(within);
                stay.setAccessibleText("flood no further than the zone that is clicked");
                stay.setOnAction(e -> within = stay.isSelected());
                card.row("stops at", slider("crease", "bend at which a flood stops, degrees", 1, 90, creaseDeg, v -> creaseDeg = v),
                        Card.more(Words.text("%.0f\u00b0", creaseDeg)), stay);
                card.text("point at a place: what a click would take is lit");
            }
            case PLANE -> {
                card.row("all", new Choice<>("plane-side", "which side of the plane", Arrays.asList(Way.values()), way, w -> w.words, w -> {
                    way = w;
                    light();
                }), slider("plane-at", "where the plane lies", 0, 1, share, v -> share = v), Card.more(planeWords()));
                var go = Card.action("make it " + zone().name(), this::side);
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
        both.setSelected(twin);
        both.setAccessibleText("paint the same on the other side of the middle");
        both.setOnAction(e -> twin = both.isSelected());
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
            light();
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
                part, act("mirror left to right", "zones to the other side", p -> Transfer.twin(p, Vec3.X, middle())));
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
        var light = view.light().orElseThrow();
        var thing = view.painted(light, view.palette(), f -> view.slot(light.zone(f)));
        var now = new Shown(light, thing);
        shown = Optional.of(now);
        thing.setUserData(new Bench.Brush(this::hover, this::over, this::done, true));
        view.bench().onSize(this::resize);
        var labels = prop().smooth()
                .flaws()
                .stream()
                .filter(Flaw::accepted)
                .map(f -> new Bench.Callout(f.at().times(prop().scale()), "weathering: " + f.kind().label(), ""))
                .toList();
        view.shown(List.of(thing), labels, "prop");
        view.legendOfZones();
        if (tool == Tool.PLANE) light();
    }

    private void resize(int by) {
        radiusMm = Math.clamp(radiusMm * Math.pow(STEP, by), LEAST_MM, MOST_MM);
        model.tell(AppModel.Tone.NOTE, Words.text("brush of %.0f mm", radiusMm));
        light();
    }

    private void hover(Vec3 p) {
        if (pointer.isPresent() && pointer.get().distance(p) < 1) return;
        pointer = Optional.of(p);
        light();
    }

    private void over(Vec3 p, boolean takes) {
        if (tool != Tool.BRUSH) return;
        var s = shown.orElseThrow();
        if (s.stroke.isEmpty()) s.stroke = Optional.of(new Brush(s.light, radiusMm / prop().scale()));
        var stroke = s.stroke.get();
        boolean more = stroke.add(s.piece(p), p);
        if (twin) {
            var q = mirrored(p);
            stroke.add(s.piece(q), q);
        }
        if (more) lit(s, stroke::covers, takes ? wish().ground() : zone().id());
    }

    private void done(List<Vec3> points, boolean takes) {
        var s = shown.orElseThrow();
        s.stroke = Optional.empty();
        int to = takes ? wish().ground() : zone().id();
        var name = wish().zone(to).map(ColourZone::name).orElse("zone");
        double radius = radiusMm / prop().scale(), crease = creaseDeg;
        boolean stay = within;
        var seeds = new ArrayList<>(tool == Tool.BRUSH ? points : points.subList(0, 1));
        if (twin) points.stream().limit(tool == Tool.BRUSH ? points.size() : 1).map(this::mirrored).forEach(seeds::add);
        var planes = seeds.stream().map(q -> prop().cut().tree().around(q)).toList();
        switch (tool) {
            case BRUSH -> painter.run("brush: " + name, p -> brush(p, seeds, radius).onto(to));
            case FLOOD -> painter.run("flood: " + name, p -> flood(p, seeds, q -> Region.flood(p, q, crease, stay), to));
            case BODY -> painter.run("body: " + name, p -> flood(p, seeds, q -> Region.body(p, q), to));
            case SECTION -> painter.run("section: " + name, p -> {
                var now = p;
                for (var round : planes)
                    now = Side.within(now, round.stream().map(c -> new Side.Half(c.normal(), c.offsetMm())).toList(), to);
                return now;
            });
            case PLANE -> {}
        }
    }

    private interface Picked {
        boolean[] from(int piece);
    }

    private static Painted flood(Painted p, List<Vec3> seeds, Picked region, int to) {
        var index = Bvh.of(p.mesh());
        var in = new boolean[p.count()];
        for (var s : seeds) {
            var one = region.from(index.closest(s).triangle());
            for (int f = 0; f < in.length; f++) in[f] |= one[f];
        }
        return p.with(in, to);
    }

    private static Brush brush(Painted p, List<Vec3> points, double radius) {
        var index = Bvh.of(p.mesh());
        var brush = new Brush(p, radius);
        for (var q : points) {
            var near = index.closest(q);
            brush.add(near.triangle(), near.point());
        }
        return brush;
    }

    private void side() {
        double at = planeAt();
        var z = zone();
        var normal = way.normal;
        painter.run(z.name() + " " + way.words + " " + planeWords(), p -> Side.of(p, normal, at, z.id(), Side.Only.ALL));
    }

    private Optional<Bounds3> box() {
        return shown.map(s -> s.light.mesh().bounds());
    }

    private double middle() {
        return box().map(b -> b.centre().x()).orElse(0.0);
    }

    private Vec3 mirrored(Vec3 p) {
        return new Vec3(2 * middle() - p.x(), p.y(), p.z());
    }

    /** Along the normal, model mm. */
    private double planeAt() {
        var b = box().orElse(Bounds3.of(0, 0, 0, 1, 1, 1));
        double low = Math.min(way.normal.dot(b.min()), way.normal.dot(b.max())),
                high = Math.max(way.normal.dot(b.min()), way.normal.dot(b.max()));
        boolean up = way.normal.x() + way.normal.y() + way.normal.z() > 0;
        return low + (up ? share : 1 - share) * (high - low);
    }

    private String planeWords() {
        return words().length(Math.abs(planeAt()) * prop().scale());
    }

    /** What a click or the button would take is lit. */
    private void light() {
        if (shown.isEmpty() || shown.get().stroke.isPresent()) return;
        var s = shown.get();
        if (tool == Tool.PLANE) {
            double at = planeAt();
            lit(s, f -> s.light.mesh().centroid(f).dot(way.normal) > at, zone().id());
            return;
        }
        if (pointer.isEmpty()) return;
        var seeds = twin ? List.of(pointer.get(), mirrored(pointer.get())) : List.of(pointer.get());
        lit(s, region(s, seeds), zone().id());
    }

    private IntPredicate region(Shown s, List<Vec3> seeds) {
        if (tool == Tool.BRUSH) {
            var tip = new Brush(s.light, radiusMm / prop().scale());
            seeds.forEach(q -> tip.add(s.piece(q), q));
            return tip::covers;
        }
        var all = new boolean[s.light.count()];
        for (var q : seeds) {
            var planes = prop().cut().tree().around(q);
            var one = switch (tool) {
                case FLOOD -> Region.flood(s.light, s.piece(q), creaseDeg, within);
                case BODY -> Region.body(s.light, s.piece(q));
                case SECTION, BRUSH, PLANE -> within(s.light, planes);
            };
            for (int f = 0; f < all.length; f++) all[f] |= one[f];
        }
        return f -> all[f];
    }

    private static boolean[] within(Painted p, List<yellowbracket.cut.solid.CutPlane> planes) {
        var out = new boolean[p.count()];
        for (int f = 0; f < out.length; f++) {
            var c = p.mesh().centroid(f);
            out[f] = planes.stream().allMatch(q -> q.height(c) >= 0);
        }
        return out;
    }

    private void lit(Shown s, IntPredicate which, int to) {
        var palette = new ArrayList<>(view.palette());
        var base = palette.get(view.slot(to));
        palette.add(base.interpolate(Role.PICKED.colour(), 0.45));
        int lit = palette.size() - 1;
        var look = drawn.byPalette(s.light.mesh(), palette, f -> which.test(f) ? lit : view.slot(s.light.zone(f)));
        s.view.setMesh(look.getMesh());
        s.view.setMaterial(look.getMaterial());
    }
}
