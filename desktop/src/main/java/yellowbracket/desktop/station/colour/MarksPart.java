package yellowbracket.desktop.station.colour;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import javafx.scene.control.ColorPicker;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.paint.Color;
import yellowbracket.colour.ColourPlan;
import yellowbracket.colour.ColourZone;
import yellowbracket.colour.mark.Mark;
import yellowbracket.colour.mark.MarkShape;
import yellowbracket.colour.mark.SvgPaths;
import yellowbracket.colour.zone.Inlay;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.AskFile;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.desktop.widget.NumberField;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.export.Stencils;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.io.WriteProblem;

/** Stripes, rings, letters and emblems: clicked onto the model, kept as zones, and written as stencils at 1:1. */
final class MarksPart extends ColourPart {
    private enum Kind {
        STRIPES("stripes"), RING("ring or disc"), LETTERS("letters"), EMBLEM("emblem from SVG");

        private final String words;

        Kind(String words) {
            this.words = words;
        }
    }

    private final ZonePainter painter;
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
        card.row("comes on as",
                new Choice<>("mark-way", "how the mark comes on", Arrays.asList(Mark.Way.values()), way, Mark.Way::words, w -> {
                    way = w;
                    view.again();
                }));
        card.text(way.how());
        card.text("click the model where its middle is to lie");
        laid(card);
    }

    private ColorPicker picker() {
        var pick = new ColorPicker(colour);
        pick.setId("mark-colour");
        pick.setAccessibleText("colour of the mark");
        pick.getStyleClass().add("bare-picker");
        pick.setOnAction(e -> colour = pick.getValue());
        return pick;
    }

    private NumberField number(String id, String what, double least, double most, double now, java.util.function.DoubleConsumer take) {
        var f = field(id, what, Words.text("a number between %.0f and %.0f", least, most), least, most).with(Words.text("%.4g", now));
        f.setPrefColumnCount(4);
        f.setOnAction(e -> f.read().ifPresent(take));
        f.focusedProperty().subscribe(on -> {
            if (!on && f.edited()) f.read().ifPresent(take);
        });
        return f;
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
        MarkShape shape;
        try {
            shape = shape();
        } catch (IllegalArgumentException e) {
            model.tell(AppModel.Tone.STOP, e.getMessage());
            return;
        }
        String called = kind == Kind.LETTERS ? letters.strip() : kind == Kind.EMBLEM ? emblemName : kind.words;
        String name = called;
        for (int i = 2; taken(name); i++) name = called + " " + i;
        int zone = wish().nextId();
        double s = prop().scale();
        var up = up(at);
        var marks = new ArrayList<Mark>();
        marks.add(new Mark(name, shape, way, at, up, false, zone, 0));
        double middle = view.light().orElseThrow().mesh().bounds().centre().x();
        if (twin) marks.add(new Mark(name + ", other side", shape, way, new Vec3(2 * middle - at.x(), at.y(), at.z()),
                new Vec3(-up.x(), up.y(), up.z()), true, zone, 0));
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

    private interface Writing {
        void to(java.nio.file.Path file) throws IOException;
    }

    private void pdf() {
        var marks = wish().marks();
        save(prop().name() + " stencils.pdf", AskFile.Kind.of("PDF", "pdf"), file -> Stencils.pdf(marks, file));
    }

    private void svg() {
        chosen().ifPresent(m -> save(m.name() + ".svg", AskFile.Kind.of("SVG", "svg"), file -> Stencils.svg(m, file)));
    }

    private void save(String name, AskFile.Kind kind, Writing writing) {
        model.ask().toSave("stencils at 1:1", name, kind).ifPresent(file -> model.background("writing " + file.getFileName(), p -> {
            try {
                writing.to(file);
                model.tell(AppModel.Tone.GOOD, "written: " + file.getFileName() + "; print it without fitting to the page");
            } catch (IOException e) {
                model.tell(AppModel.Tone.STOP, file.getFileName() + " was not written: " + WriteProblem.words(e));
            }
            return file;
        }, done -> {}));
    }

    @Override
    void draw() {
        var light = view.light().orElseThrow();
        var thing = view.painted(light, view.palette(), f -> view.slot(light.zone(f)));
        thing.setUserData(new Bench.Spot(this::put));
        var labels = wish().marks().stream().map(m -> new Bench.Callout(m.at().times(prop().scale()), m.name(), "")).toList();
        view.shown(List.of(thing), labels, "prop");
        view.legendOfZones();
    }
}
