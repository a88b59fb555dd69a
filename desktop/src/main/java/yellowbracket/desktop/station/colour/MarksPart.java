package yellowbracket.desktop.station.colour;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import javafx.scene.control.ColorPicker;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.paint.Color;
import yellowbracket.colour.ColourPlan;
import yellowbracket.colour.ColourZone;
import yellowbracket.colour.mark.Along;
import yellowbracket.colour.mark.Mark;
import yellowbracket.colour.mark.MarkShape;
import yellowbracket.colour.mark.SvgPaths;
import yellowbracket.colour.zone.Inlay;
import yellowbracket.colour.zone.Painted;
import yellowbracket.colour.zone.SurfacePath;
import yellowbracket.derive.colour.ColourFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.AskFile;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.export.Stencils;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Vec3;

/** Stripes, rings, letters and emblems: clicked onto the model, kept as zones, and written as stencils at 1:1. */
final class MarksPart extends ColourPart {
    private enum Kind {
        STRIPES("stripes"), RING("ring or disc"), LETTERS("letters"), EMBLEM("emblem from SVG");

        private final String words;

        Kind(String words) {
            this.words = words;
        }
    }

    /** What is clicked to lay it. */
    private enum Laying {
        PLACE("on one place", "click the model where its middle is to lie"),
        BETWEEN("between two places", "click where it begins, then where it ends"),
        PATH("along a path", "click the corners of the path, then lay it");

        private final String words;
        private final String told;

        Laying(String words, String told) {
            this.words = words;
            this.told = told;
        }
    }

    private static final int MOST_PLACES = 30;
    private static final String TRUE_SIZE = "; print it without fitting to the page";

    private final ZonePainter painter;
    private final List<Vec3> places = new ArrayList<>();
    private Laying laying = Laying.PLACE;
    private double copies = 5;
    private Kind kind = Kind.LETTERS;
    private Mark.Way way = Mark.Way.STENCIL;
    private String letters = "W7", emblem = "", emblemName = "";
    private double sizeMm = 30, tallMm = 20, gapMm = 4, holeMm = 20, turnDeg, stripes = 4;
    private boolean twin;
    private Color colour = Color.web("#d9cfb6");
    private String picked = "";

    MarksPart(ColourView view) {
        super(view);
        painter = new ZonePainter(model);
    }

    @Override
    public String heading() {
        return "stripes, letters and emblems";
    }

    @Override
    void write(Card card, ColourPlan plan) {
        card.row("mark", new Choice<>("mark-kind", "what kind of mark", Arrays.asList(Kind.values()), kind, k -> k.words, k -> {
            kind = k;
            view.again();
        }), picker());
        switch (kind) {
            case STRIPES -> {
                card.row("stripes", number("mark-n", "number of stripes", 1, 60, stripes, v -> stripes = Math.rint(v)), Card.more("over"),
                        number("mark-size", "length over all stripes", 1, 600, sizeMm, v -> sizeMm = v), Card.more("mm"));
                card.row("gap", number("mark-gap", "gap between stripes", 0, 600, gapMm, v -> gapMm = v), Card.more("mm; tall"),
                        number("mark-tall", "height of the stripes", 1, 600, tallMm, v -> tallMm = v), Card.more("mm"));
            }
            case RING -> card.row("across", number("mark-size", "outer diameter", 1, 600, sizeMm, v -> sizeMm = v), Card.more("mm; hole"),
                    number("mark-hole", "diameter of the hole, 0 for a disc", 0, 600, holeMm, v -> holeMm = v), Card.more("mm"));
            case LETTERS -> {
                var text = new TextField(letters);
                text.setId("mark-letters");
                text.setAccessibleText("letters of the mark");
                text.setPrefColumnCount(8);
                text.textProperty().subscribe((was, t) -> letters = t);
                card.row("letters", text, number("mark-tall", "height of a capital letter", 1, 600, tallMm, v -> tallMm = v),
                        Card.more("mm tall"));
            }
            case EMBLEM -> {
                var open = Card.action(emblem.isEmpty() ? "open an SVG" : "another SVG", this::open);
                open.setId("mark-svg");
                card.row("emblem", open, number("mark-size", "larger side of the emblem", 1, 600, sizeMm, v -> sizeMm = v),
                        Card.more("mm" + (emblem.isEmpty() ? "" : "; " + emblemName)));
            }
        }
        var both = new ToggleButton("both sides");
        both.getStyleClass().setAll("toggle-button", "action");
        both.setSelected(twin);
        both.setAccessibleText("lay it on the other side too, mirrored");
        both.setOnAction(e -> twin = both.isSelected());
        card.row("turned", number("mark-turn", "turned on the surface, degrees", -180, 180, turnDeg, v -> turnDeg = v),
                Card.more("degrees"), both);
        laying(card);
        card.row("comes on as",
                new Choice<>("mark-way", "how the mark comes on", Arrays.asList(Mark.Way.values()), way, Mark.Way::words, w -> {
                    way = w;
                    view.again();
                }));
        card.text(way.how());
        laid(card);
    }

    private void laying(Card card) {
        card.row("laid", new Choice<>("mark-laying", "where it is laid", Arrays.asList(Laying.values()), laying, l -> l.words, l -> {
            laying = l;
            places.clear();
            view.again();
        }));
        String told = laying.told;
        if (laying == Laying.BETWEEN && kind == Kind.STRIPES) told += "; the stripes and gaps fill the way between";
        card.text(told);
        if (laying != Laying.PATH) return;
        var lay = Card.action("lay it", this::along);
        lay.setId("mark-lay");
        lay.setDisable(places.size() < 2);
        var again = Card.action("other places", () -> {
            places.clear();
            view.again();
        });
        again.setDisable(places.isEmpty());
        if (kind == Kind.LETTERS) card.row("", Card.more(places.size() + " places; letters evenly along"), lay, again);
        else card.row("copies", number("mark-copies", "how many along the path", 1, MOST_PLACES, copies, v -> copies = Math.rint(v)),
                Card.more(places.size() + " places"), lay, again);
    }

    private void clicked(Vec3 at) {
        switch (laying) {
            case PLACE -> put(at);
            case BETWEEN -> {
                places.add(at);
                if (places.size() == 2) along();
                else view.again();
            }
            case PATH -> {
                if (places.size() < MOST_PLACES) places.add(at);
                view.again();
            }
        }
    }

    /** What is laid where, once the way over the surface is known. */
    private record Planned(List<MarkShape> shapes, List<Along.Place> at) {}

    private void along() {
        var light = view.light().orElseThrow();
        var through = List.copyOf(places);
        double s = prop().scale();
        try {
            shape();
        } catch (IllegalArgumentException e) {
            places.clear();
            model.tell(AppModel.Tone.STOP, e.getMessage());
            view.again();
            return;
        }
        model.background("finding the way over the surface", progress -> {
            try {
                var path = SurfacePath.through(light, through, 2 / s);
                return Optional.of(planned(light, path, s));
            } catch (IllegalArgumentException e) {
                model.tell(AppModel.Tone.STOP, e.getMessage());
                return Optional.<Planned>empty();
            }
        }, found -> {
            places.clear();
            found.ifPresent(f -> put(f.shapes, f.at));
            if (found.isEmpty()) view.again();
        });
    }

    /** Off the toolkit's thread. */
    private Planned planned(Painted light, SurfacePath path, double scale) {
        if (laying == Laying.BETWEEN) {
            var one = kind == Kind.STRIPES ? new MarkShape.Stripes((int) stripes, path.length() * scale, gapMm, tallMm) : shape();
            return new Planned(List.of(one), Along.evenly(light, path, 1));
        }
        if (kind == Kind.LETTERS) {
            var each = letters.strip().codePoints().filter(c -> !Character.isSpaceChar(c)).mapToObj(Character::toString).toList();
            var shapes = each.stream().<MarkShape>map(c -> new MarkShape.Letters(c, tallMm)).toList();
            return new Planned(shapes, Along.evenly(light, path, shapes.size()));
        }
        int n = (int) copies;
        return new Planned(java.util.Collections.nCopies(n, shape()), Along.evenly(light, path, n));
    }

    private ColorPicker picker() {
        var pick = new ColorPicker(colour);
        pick.setId("mark-colour");
        pick.setAccessibleText("colour of the mark");
        pick.getStyleClass().add("bare-picker");
        pick.setOnAction(e -> colour = pick.getValue());
        return pick;
    }

    private void laid(Card card) {
        if (wish().marks().isEmpty()) return;
        card.title("marks on the prop");
        card.add(new Sheet<Mark>("marks", "none yet").words("mark", Mark::name)
                .number("wide mm", m -> m.outline().getBounds2D().getWidth(), m -> Words.text("%.1f", m.outline().getBounds2D().getWidth()))
                .number("tall mm", m -> m.outline().getBounds2D().getHeight(),
                        m -> Words.text("%.1f", m.outline().getBounds2D().getHeight()))
                .number("gives %", Mark::stretch, m -> Words.text("%.1f", 100 * m.stretch()))
                .rows(wish().marks(), 8)
                .onPick(m -> {
                    if (m.name().equals(picked)) return;
                    picked = m.name();
                    view.again();
                }));
        wish().marks()
                .stream()
                .filter(m -> m.stretch() > Mark.GIVES)
                .findFirst()
                .ifPresent(m -> card.finding(Weight.CARE, Words.text(
                        "%s: a flat sheet must give %.0f %% there and creases; cut it in pieces, use a soft one, or paint it by brush",
                        m.name(), 100 * m.stretch()), "", () -> {}));
        model.result(ColourFigures.LAID).ifPresent(l -> view.findings(card, l.findings(wish().marks(), prop().scale())));
        var pdf = Card.action("stencils as PDF", this::pdf);
        pdf.setId("stencil-pdf");
        var svg = Card.action("picked one as SVG", this::svg);
        svg.setId("stencil-svg");
        svg.setDisable(chosen().isEmpty());
        var off = Card.action("take it off", this::off);
        off.setDisable(chosen().isEmpty());
        card.row("", pdf, svg, off);
    }

    private Optional<Mark> chosen() {
        return wish().marks().stream().filter(m -> m.name().equals(picked)).findFirst();
    }

    private void open() {
        model.ask()
                .toOpen("an emblem", AskFile.Kind.of("SVG", "svg"))
                .ifPresent(file -> model.background("reading " + file.getFileName(), p -> {
                    try {
                        return SvgPaths.read(file);
                    } catch (SvgPaths.Unreadable e) {
                        model.tell(AppModel.Tone.STOP, e.getMessage());
                        return "";
                    }
                }, paths -> {
                    if (paths.isEmpty()) return;
                    emblem = paths;
                    emblemName = String.valueOf(file.getFileName()).replaceAll("\\.[^.]*$", "");
                    view.again();
                }));
    }

    private MarkShape shape() {
        return switch (kind) {
            case STRIPES -> new MarkShape.Stripes((int) stripes, sizeMm, gapMm, tallMm);
            case RING -> new MarkShape.Ring(sizeMm, holeMm);
            case LETTERS -> new MarkShape.Letters(letters.strip(), tallMm);
            case EMBLEM -> {
                if (emblem.isEmpty()) throw new IllegalArgumentException("open an SVG first");
                yield new MarkShape.Emblem(emblemName, emblem, sizeMm);
            }
        };
    }

    private void put(Vec3 at) {
        try {
            put(List.of(shape()), List.of(new Along.Place(at, up(at))));
        } catch (IllegalArgumentException e) {
            model.tell(AppModel.Tone.STOP, e.getMessage());
        }
    }

    /** One zone, as many marks as there are places. */
    private void put(List<MarkShape> shapes, List<Along.Place> at) {
        String called = kind == Kind.LETTERS ? letters.strip() : kind == Kind.EMBLEM ? emblemName : kind.words;
        String name = called;
        for (int i = 2; taken(name); i++) name = called + " " + i;
        int zone = wish().nextId();
        double s = prop().scale();
        var marks = new ArrayList<Mark>();
        double middle = view.light().orElseThrow().mesh().bounds().centre().x();
        for (int i = 0; i < at.size(); i++) {
            var p = at.get(i);
            String one = at.size() == 1 ? name : name + ", " + (i + 1) + " of " + at.size();
            marks.add(new Mark(one, shapes.get(i), way, p.at(), p.up(), false, zone, 0));
            if (twin)
                marks.add(new Mark(one + ", other side", shapes.get(i), way, new Vec3(2 * middle - p.at().x(), p.at().y(), p.at().z()),
                        new Vec3(-p.up().x(), p.up().y(), p.up().z()), true, zone, 0));
        }
        var told = new AtomicReference<List<Mark>>(List.of());
        String hex = ColourView.hex(colour);
        String zoneName = name, paint = wish().zones().isEmpty() ? "acrylic lacquer spray" : wish().zones().getFirst().paint();
        painter.run("mark " + name, p -> {
            var now = p;
            var done = new ArrayList<Mark>();
            for (var m : marks) {
                var laid = Inlay.lay(now, m.at(), m.up(), m.outline(s), zone);
                now = laid.painted();
                done.add(new Mark(m.name(), m.shape(), m.way(), m.at(), m.up(), m.mirrored(), zone, Math.min(100, laid.stretch())));
            }
            told.set(done);
            return now;
        }, w -> {
            var all = new ArrayList<>(w.marks());
            all.addAll(told.get());
            return w.with(ColourZone.of(zone, zoneName, hex, paint)).withMarks(all);
        });
    }

    private boolean taken(String name) {
        return wish().zones().stream().anyMatch(z -> z.name().equals(name)) || wish().marks().stream().anyMatch(m -> m.name().equals(name));
    }

    /** Upright, turned about the surface's normal. */
    private Vec3 up(Vec3 at) {
        var light = view.light().orElseThrow();
        var m = light.mesh();
        var near = yellowbracket.mesh.index.Bvh.of(m).closest(at);
        var n = m.areaVector(near.triangle()).unit();
        var flat = Vec3.Z.minus(n.times(n.z()));
        var start = flat.norm() > 0.05 ? flat.unit() : Vec3.Y.minus(n.times(n.y())).unit();
        double a = Math.toRadians(-turnDeg);
        return start.times(Math.cos(a)).plus(n.cross(start).times(Math.sin(a)));
    }

    private void off() {
        chosen().ifPresent(m -> {
            int ground = wish().ground();
            picked = "";
            painter.run("without " + m.name(), p -> p.with(f -> p.zone(f) == m.zone(), ground).tidied(),
                    w -> w.withMarks(w.marks().stream().filter(x -> x.zone() != m.zone()).toList())
                            .withZones(w.zones().stream().filter(z -> z.id() != m.zone()).toList()));
        });
    }

    private void pdf() {
        var marks = wish().marks();
        view.save(prop().name() + " stencils.pdf", AskFile.Kind.of("PDF", "pdf"), file -> Stencils.pdf(marks, file), TRUE_SIZE);
    }

    private void svg() {
        chosen().ifPresent(m -> view.save(m.name() + ".svg", AskFile.Kind.of("SVG", "svg"), file -> Stencils.svg(m, file), TRUE_SIZE));
    }

    @Override
    void draw() {
        var light = view.light().orElseThrow();
        var thing = view.painted(light, view.palette(), f -> view.slot(light.zone(f)));
        thing.setUserData(new Bench.Spot(this::clicked));
        double s = prop().scale();
        var labels = new ArrayList<Bench.Callout>();
        var named = new HashSet<Integer>();
        for (var m : wish().marks()) if (named.add(m.zone())) // here: marks along a path are one zone
            labels.add(new Bench.Callout(m.at().times(s), wish().zone(m.zone()).map(ColourZone::name).orElse(m.name()), ""));
        for (int i = 0; i < places.size(); i++) labels.add(new Bench.Callout(places.get(i).times(s), String.valueOf(i + 1), "care"));
        view.shown(List.of(thing), labels, "prop");
        view.legendOfZones();
    }
}
