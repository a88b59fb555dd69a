package yellowbracket.desktop.station.colour;

import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import javafx.scene.Node;
import javafx.scene.control.ColorPicker;
import javafx.scene.control.ToggleButton;
import javafx.scene.paint.Color;
import yellowbracket.colour.ColourPlan;
import yellowbracket.colour.line.LinePlan;
import yellowbracket.colour.line.LineTool;
import yellowbracket.colour.line.LineWish;
import yellowbracket.colour.line.SurfaceLine;
import yellowbracket.derive.colour.ColourFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Role;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.mesh.Vec3;
import yellowbracket.plan.Schedule;
import yellowbracket.work.TaskId;

/** Grooves and raised lines found on the model, painted by hand: with what, how long, in how many sessions, and by when to begin. */
final class LinesPart extends ColourPart {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);
    /** A click so near to a line means it, mm on the prop. */
    private static final double NEAR_MM = 8;
    /** How thick lines are drawn, and how far off the surface, mm. */
    private static final double THICK_MM = 1.6;

    private LineTool strip = LineTool.BRUSH;
    private double stripMm = 200, stripMin = 4;
    private Optional<Vec3> picked = Optional.empty();

    LinesPart(ColourView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "which lines are painted by hand, and when";
    }

    private LineWish lines() {
        return wish().lines();
    }

    private void lines(String name, UnaryOperator<LineWish> how) {
        change(name, w -> w.withLines(how.apply(w.lines())));
    }

    private List<SurfaceLine> found() {
        return model.result(ColourFigures.LINES).map(ColourFigures.Lines::found).orElse(List.of());
    }

    @Override
    void write(Card card, ColourPlan plan) {
        var work = model.result(ColourFigures.LINE_PLAN);
        result(card, work);
        kinds(card);
        if (lines().none()) {
            card.text("nothing is looked for until you say what is to be painted");
            return;
        }
        sizes(card);
        work.ifPresent(w -> ways(card, w));
        strip(card);
        table(card);
        work.ifPresent(w -> view.findings(card, w.findings()));
    }

    private void result(Card card, Optional<LinePlan> work) {
        if (work.isEmpty() || !model.fresh(ColourFigures.LINE_PLAN)) {
            card.row("lines", "\u2026", "looking over the whole surface");
            return;
        }
        var w = work.get();
        if (w.lines().isEmpty()) {
            card.row("lines", "none",
                    lines().none() ? "are painted by hand" : "as narrow as that: look for wider ones, or shorter ones, below");
            return;
        }
        card.row("lines", Words.text("%.1f m", w.lengthMm() / 1000),
                Words.text("%d of them; %s, in %s on %s", w.lines().size(),
                        w.chosen().map(c -> "by " + c.tool().words() + ", " + Words.about(w.hours())).orElse("no tool does it"),
                        sessions(w), w.days() == 1 ? "one day" : w.days() + " days"));
        begin(card);
    }

    private static String sessions(LinePlan w) {
        return w.sessions().size() == 1 ? "one session" : w.sessions().size() + " sessions";
    }

    /** The first session and the last hour it may begin. */
    private void begin(Card card) {
        var first = new TaskId.Step(prop().id(), TaskId.Series.LINE, 1);
        model.schedule().flatMap(s -> s.placed(first)).ifPresent(s -> {
            long hours = Math.round(model.schedule().map(Schedule::slackH).orElse(0.0));
            card.row("begin", s.start().format(DAY),
                    hours > 0 ? "by plan; no later than " + day(s.start().plusHours(hours)) + ", or the event is missed"
                            : "by plan; it is late already: fewer lines, or a quicker tool",
                    hours > 0 ? "good" : "stop");
        });
    }

    private static String day(LocalDateTime at) {
        return at.format(DAY);
    }

    private void kinds(Card card) {
        var toggles = new ArrayList<Node>();
        for (var k : SurfaceLine.Kind.values()) {
            var on = new ToggleButton(k.words() + "s");
            on.setId("lines-" + k.name().toLowerCase(Locale.ROOT));
            on.getStyleClass().setAll("toggle-button", "action");
            on.setSelected(lines().kinds().contains(k));
            on.setAccessibleText("paint " + k.words() + "s by hand");
            on.setOnAction(e -> {
                Set<SurfaceLine.Kind> all = lines().kinds().isEmpty() ? EnumSet.noneOf(SurfaceLine.Kind.class)
                        : EnumSet.copyOf(lines().kinds());
                if (on.isSelected()) all.add(k);
                else all.remove(k);
                lines((on.isSelected() ? "paint " : "do not paint ") + k.words() + "s by hand", w -> w.withKinds(all));
            });
            toggles.add(on);
        }
        var pick = new ColorPicker(Color.web(lines().hex()));
        pick.setId("lines-colour");
        pick.setAccessibleText("colour of the lines");
        pick.getStyleClass().add("bare-picker");
        pick.setOnAction(e -> lines("lines " + ColourView.hex(pick.getValue()), w -> w.withHex(ColourView.hex(pick.getValue()))));
        toggles.add(pick);
        card.row("paint", toggles.toArray(Node[]::new));
    }

    private void sizes(Card card) {
        card.row("no wider than",
                number("lines-widest", "widest line that is painted", LineWish.LEAST_WIDE_MM, LineWish.MOST_WIDE_MM, lines().widestMm(),
                        v -> lines("lines up to " + v + " mm wide", w -> w.withWidestMm(v))),
                Card.more("mm; no shorter than"), number("lines-least", "shortest line that is painted", LineWish.LEAST_LONG_MM,
                        LineWish.MOST_LONG_MM, lines().leastMm(), v -> lines("lines from " + v + " mm on", w -> w.withLeastMm(v))),
                Card.more("mm"));
    }

    private void ways(Card card, LinePlan w) {
        if (w.ways().isEmpty()) return;
        card.title("with what");
        for (var way : w.ways()) {
            boolean chosen = w.chosen().filter(c -> c.tool() == way.tool()).isPresent();
            card.step(way.works() ? Words.text("%.0f min", way.minutes()) : "no", (chosen ? "\u25b8 " : "") + way.tool().words(),
                    way.works() ? Words.text("%.0f to %.0f min; %s; %s; %s", way.least(), way.most(),
                            way.passes() == 1 ? "one pass" : way.passes() + " passes", way.tool().how(),
                            way.measured() ? "by your test strip" : "a starting value") : way.why());
        }
        var tools = new ArrayList<Optional<LineTool>>();
        tools.add(Optional.empty());
        Arrays.stream(LineTool.values()).map(Optional::of).forEach(tools::add);
        card.row("use",
                new Choice<>("lines-tool", "what lines are painted with", tools, lines().tool(),
                        t -> t.map(LineTool::words).orElse("the quickest that works"),
                        t -> lines("lines by " + t.map(LineTool::words).orElse("the quickest"), x -> x.withTool(t))));
    }

    private void strip(Card card) {
        card.title("a test strip");
        var mm = field("strip-mm", "length painted on the strip", "mm between 20 and 20000, such as 200", 20, 20_000)
                .with(Words.text("%.0f", stripMm));
        var min = field("strip-min", "minutes it took", "minutes between 0.1 and 600, such as 4", 0.1, 600).with(plain(stripMin));
        var keep = Card.action("tell it", () -> {
            var l = mm.read();
            var t = min.read();
            if (l.isEmpty() || t.isEmpty()) return;
            stripMm = l.getAsDouble();
            stripMin = t.getAsDouble();
            var all = new ArrayList<>(lines().strips());
            all.add(new LineWish.Strip(strip, stripMm, stripMin));
            lines("a test strip by " + strip.words(), w -> w.withStrips(all));
        });
        keep.setId("strip-keep");
        card.row("with", new Choice<>("strip-tool", "what the strip was painted with", Arrays.asList(LineTool.values()), strip,
                LineTool::words, t -> strip = t));
        card.row("painted", mm, Card.more("mm in"), min, Card.more("min"), keep);
        int n = lines().strips().size();
        if (n == 0) return;
        card.row("strips", Card.more(n + (n == 1 ? " strip" : " strips") + " told"),
                Card.action("forget the last", () -> lines("without the last strip", w -> w.withStrips(w.strips().subList(0, n - 1)))));
    }

    private void table(Card card) {
        double s = prop().scale();
        var all = found();
        if (all.isEmpty()) return;
        card.title("found on the model");
        var sheet = new Sheet<SurfaceLine>("lines", "none").words("line", l -> l.kind().words())
                .number("long mm", l -> l.lengthMm() * s, l -> Words.text("%.0f", l.lengthMm() * s))
                .number("wide", l -> l.widthMm() * s, l -> Words.text("%.1f", l.widthMm() * s))
                .number("deep", l -> l.depthMm() * s, l -> Words.text("%.1f", l.depthMm() * s))
                .words("painted", l -> lines().paints(l, s) ? "yes" : "-")
                .rows(all, 10);
        chosen().ifPresent(l -> sheet.getSelectionModel().select(l));
        card.add(sheet.onPick(l -> {
            if (chosen().filter(l::equals).isPresent()) return;
            picked = Optional.of(l.at());
            view.again();
        }));
        chosen().ifPresent(l -> {
            boolean on = lines().left().stream().noneMatch(p -> l.distance(p) < 3);
            var turn = Card.action(on ? "leave this one out" : "paint this one", () -> turn(l));
            turn.setId("line-turn");
            card.row("picked", turn, Card.more("or click it on the model"));
        });
    }

    private Optional<SurfaceLine> chosen() {
        return picked.flatMap(p -> found().stream().filter(l -> l.at().distance(p) < 1e-6).findFirst());
    }

    private void turn(SurfaceLine l) {
        picked = Optional.of(l.at());
        lines(l.kind().words() + (lines().turned(l).left().size() > lines().left().size() ? " left out" : " painted"), w -> w.turned(l));
    }

    private void clicked(Vec3 at) {
        double s = prop().scale();
        found().stream()
                .filter(l -> lines().kinds().contains(l.kind()) && l.distance(at) * s < NEAR_MM)
                .min(java.util.Comparator.comparingDouble(l -> l.distance(at)))
                .ifPresentOrElse(this::turn,
                        () -> model.tell(AppModel.Tone.NOTE, "no line was found there: click nearer to one, or look for wider ones"));
    }

    @Override
    void draw() {
        var light = view.light().orElseThrow();
        double s = prop().scale();
        var thing = view.painted(light, view.palette(), f -> view.slot(light.zone(f)));
        thing.setUserData(new Bench.Spot(this::clicked));
        var things = new ArrayList<Node>();
        things.add(thing);
        var painted = found().stream().filter(l -> lines().paints(l, s)).toList();
        var left = found().stream().filter(l -> lines().kinds().contains(l.kind()) && !lines().paints(l, s)).toList();
        add(things, painted, Role.PICKED.colour());
        add(things, left, view.neutral());
        var labels = chosen()
                .map(l -> List.of(new Bench.Callout(l.at().times(s), Words.text("%s, %.0f mm", l.kind().words(), l.lengthMm() * s), "")))
                .orElse(List.of());
        view.shown(things, labels, "prop");
        view.bench().legend().squares("lines", List.of(Role.PICKED.colour(), view.neutral()), List.of("painted by hand", "left"));
        model.result(ColourFigures.LINE_PLAN)
                .ifPresent(w -> view.bench()
                        .gauges(List.of(
                                new Bench.Gauge("lines", Words.text("%.1f m", w.lengthMm() / 1000), w.lines().size() + " painted", ""),
                                new Bench.Gauge("by hand", Words.about(w.hours()), sessions(w), ""))));
    }

    private void add(List<Node> things, List<SurfaceLine> lines, Color colour) {
        if (lines.isEmpty()) return;
        double s = prop().scale();
        var segments = lines.stream().flatMap(l -> l.runs().stream()).flatMapToDouble(r -> {
            var out = java.util.stream.DoubleStream.builder();
            for (int i = 1; i < r.size(); i++)
                for (var p : List.of(r.get(i - 1), r.get(i))) out.add(p.x() * s).add(p.y() * s).add(p.z() * s);
            return out.build();
        }).toArray();
        things.add(view.bench().drawn().rods(segments, colour, THICK_MM));
    }
}
