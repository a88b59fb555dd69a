package yellowbracket.desktop.station.size;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Supplier;
import javafx.scene.transform.Scale;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.derive.size.SizeFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Ramp;
import yellowbracket.desktop.theme.Role;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.document.Edit;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.measure.WallThickness;
import yellowbracket.mesh.repair.HealthFindings;
import yellowbracket.cut.Sliding;
import yellowbracket.size.Hardware;
import yellowbracket.size.PegPair;
import yellowbracket.size.Reshape;
import yellowbracket.size.ScaleReference;

/**
 * Other ways to a size: a known length, a character's height, a miniature, each axis by itself, a wider neck; and what becomes of holes and
 * walls.
 */
final class ScalePart extends SizePart {
    private static final double HEAVY_MM = 6;
    private final List<Vec3> picked = new ArrayList<>();
    private String of = "";
    private Optional<Shown> distortion = Optional.empty();

    /** What the bench is coloured by, kept while neither proxy nor proportions change. */
    private record Shown(Mesh proxy, Reshape reshape, double most, double usual, javafx.scene.Node view) {}

    ScalePart(SizeView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "other ways to a size";
    }

    @Override
    void write(Card card) {
        String now = prop().id() + prop().mesh() + prop().intake() + prop().size().reshape(); // picks lie on the model as it is then
        if (!of.equals(now)) {
            of = now;
            picked.clear();
        }
        new HeightRows(view, picked, this::scale).write(card);
        twoPoints(card);
        byHeight(card);
        byAxis(card);
        neck(card);
        hardware(card);
        walls(card);
    }

    private OptionalDouble apart() {
        return picked.size() < 2 ? OptionalDouble.empty() : OptionalDouble.of(picked.get(0).distance(picked.get(1)));
    }

    private void scale(Supplier<Double> to) {
        try {
            double s = to.get();
            if (!(s > 0.01 && s < 50)) throw new IllegalArgumentException(
                    Words.text("that would be a scale of %.3g %%: check the lengths and the file's unit", 100 * s));
            model.apply(Edit.scale(prop().id(), Math.round(s * 1e4) / 1e4));
            model.tell(AppModel.Tone.GOOD, "scaled to " + Words.scale(s));
        } catch (IllegalArgumentException e) {
            model.tell(AppModel.Tone.STOP, e.getMessage());
        }
    }

    private void twoPoints(Card card) {
        double s = prop().scale();
        var distance = new javafx.scene.control.Label(
                picked.isEmpty() ? "click one" : picked.size() == 1 ? "click another" : words().length(apart().orElseThrow() * s));
        distance.getStyleClass().add("row-value");
        distance.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        distance.setId("apart");
        card.row("two points", distance, Card.more(picked.size() < 2 ? "on the model, a known distance apart" : "apart at this scale"));
        var real = field("reference-mm", "real distance", "mm between 0.1 and 20000, such as 62", 0.1, 20_000);
        real.setDisable(picked.size() < 2);
        Runnable take = () -> real.read().ifPresent(mm -> apart().ifPresent(d -> scale(() -> ScaleReference.twoPoints(d, mm))));
        real.setOnAction(e -> take.run());
        var button = Card.action("scale to that", take);
        button.setId("reference-take");
        button.setDisable(picked.size() < 2);
        var again = Card.action("pick again", () -> {
            picked.clear();
            view.again();
        });
        again.setDisable(picked.isEmpty());
        card.row("really", real, Card.more("mm"), button, again);
    }

    private void byHeight(Card card) {
        var wearer = prop().size()
                .wearers()
                .stream()
                .findFirst()
                .flatMap(model.shownProperty().get()::wearer)
                .or(() -> model.shownProperty().get().wearers().stream().findFirst());
        wearer.ifPresent(w -> {
            var height = field("character-mm", "character height", "mm between 300 and 6000, such as 2000", 300, 6000);
            Runnable take = () -> height.read().ifPresent(mm -> scale(() -> ScaleReference.characterHeight(mm, w.standingMm())));
            height.setOnAction(e -> take.run());
            card.row("character", height,
                    Card.more("mm tall in the story; " + w.name() + " is " + words().longLength(w.standingMm())
                            + (w.bodyHeightMm().isPresent() ? "" : " tall if like most adults: type the height under wearers")),
                    Card.action("in proportion", take));
        });
        var ratio = field("miniature", "miniature", "the 6 of 1 : 6, between 1 and 300", 1, 300);
        Runnable take = () -> ratio.read().ifPresent(r -> scale(() -> ScaleReference.miniature(r)));
        ratio.setOnAction(e -> take.run());
        card.row("miniature 1 :", ratio, Card.more("a model of the real thing"), Card.action("to life size", take));
        view.bounds().ifPresent(b -> {
            double longest = Math.max(b.size().x(), Math.max(b.size().y(), b.size().z()));
            var length = field("length-mm", "length", "mm between 1 and 10000, such as 1500", 1, 10_000);
            Runnable to = () -> length.read().ifPresent(mm -> scale(() -> ScaleReference.length(longest / prop().scale(), mm)));
            length.setOnAction(e -> to.run());
            card.row("longest side", length, Card.more("mm; now " + words().longLength(longest)), Card.action("to that", to));
        });
    }

    private void byAxis(Card card) {
        card.title("each axis by itself");
        var r = prop().size().reshape();
        var wide = percent("wide", r.wide());
        var deep = percent("deep", r.deep());
        var tall = percent("tall", r.tall());
        Runnable take = () -> wide.read()
                .ifPresent(x -> deep.read()
                        .ifPresent(y -> tall.read()
                                .ifPresent(z -> model
                                        .apply(Edit.reshape("stretch the model", prop().id(), q -> q.along(x / 100, y / 100, z / 100))))));
        for (var f : List.of(wide, deep, tall)) f.setOnAction(e -> take.run());
        card.row("width, depth, height", wide, deep, tall, Card.action("stretch", take));
        var best = model.result(SizeFigures.BY_AXIS).flatMap(SizeFigures.ByAxis::best);
        best.ifPresent(b -> card.finding(Weight.NOTE, b.words()
                + Words.text(" fits as well as one scale all round would; details are drawn out of shape by %.0f %%", 100 * b.distortion()),
                "take it", () -> model.apply(Edit.proportions(prop().id(), b))));
        distortion.filter(d -> !prop().size().reshape().changesNothing())
                .ifPresent(d -> card.row("out of shape", Words.percent(d.usual),
                        Words.text("at most %s, 95 %% of the surface less than %s; shown on the model", Words.percent(d.most),
                                Words.percent(d.usual)),
                        d.usual > 0.08 ? "care" : "good"));
        if (!r.changesNothing()) card.add(Card.action("remove all stretching",
                () -> model.apply(Edit.reshape("remove the stretching", prop().id(), q -> Reshape.NONE))));
    }

    private yellowbracket.desktop.widget.NumberField percent(String name, double now) {
        return field("axis-" + name, name, "per cent between 50 and 200, such as 103", 50, 200).with(Words.text("%.1f", 100 * now));
    }

    private void neck(Card card) {
        card.title("the neck alone");
        var cavity = model.result(SizeFigures.CAVITY).filter(c -> c.holdsAHead());
        if (cavity.isEmpty()) {
            card.text("no neck opening was found");
            return;
        }
        double s = prop().scale();
        var mm = field("neck-mm", "wider all round", "mm between -20 and 40, such as 6", -20, 40)
                .with(Words.text("%.1f", prop().size().reshape().neck().map(n -> n.mm() * s).orElse(0.0)));
        var up = field("neck-up", "up to", "mm over the rim between 20 and 200, such as 70", 20, 200)
                .with(Words.text("%.0f", prop().size().reshape().neck().map(n -> (n.noneAboveZ() - cavity.get().rimZ()) * s).orElse(75.0)));
        Runnable take = () -> mm.read().ifPresent(w -> up.read().ifPresent(h -> {
            double rim = cavity.get().rimZ(), none = rim + h / s;
            var neck = Math.abs(w) < 0.05 ? Optional.<Reshape.Neck>empty()
                    : Optional.of(new Reshape.Neck(w / s, rim + 0.25 * h / s, none, cavity.get().middleY()));
            model.apply(Edit.reshape(Words.text("widen the neck by %.1f mm", w), prop().id(), q -> q.withNeck(neck)));
        }));
        for (var f : List.of(mm, up)) f.setOnAction(e -> take.run());
        var button = Card.action("widen", take);
        button.setId("neck-widen");
        card.row("wider by", mm, Card.more("mm, fading out"), up, Card.more("mm up"), button);
        model.result(SizeFigures.DONNING)
                .flatMap(d -> d.list().stream().findFirst())
                .ifPresent(d -> card.text("the way in now: " + d.words()));
    }

    private void hardware(Card card) {
        var holes = model.result(SizeFigures.HOLES);
        card.title("holes and pegs at " + Words.scale(prop().scale()));
        if (holes.isEmpty()) {
            card.text("looking for round holes ...");
            return;
        }
        var after = Hardware.after(holes.get().list(), prop().scale());
        if (after.isEmpty()) {
            card.text("no round holes or pegs in the model");
            return;
        }
        var table = new Sheet<Hardware>("holes and pegs", "none")
                .words("what", h -> h.found().hole() ? h.found().through() ? "hole" : "socket" : "peg")
                .number("was", h -> h.found().diameterMm(), h -> Words.text("%.2f", h.found().diameterMm()))
                .number("is", Hardware::diameterMm, h -> Words.text("%.2f", h.diameterMm()))
                .number("deep", Hardware::lengthMm, h -> Words.text("%.1f", h.lengthMm()))
                .words("takes", h -> h.fits() ? h.part() : "not " + h.part());
        card.add(table.rows(after, 6));
        pairs(card, holes.get().list());
        after.stream()
                .filter(h -> !h.fits())
                .map(h -> h.words() + ": " + h.advice()
                        + (h.found().hole() ? Words.text("; or print that part at %.1f %% of the rest", 100 * h.scaleThatKeeps()) : ""))
                .distinct()
                .limit(4)
                .forEach(w -> card.finding(Weight.CARE, w, "", () -> {}));
    }

    /** Pegs that are meant for holes, as the first printer that was measured makes them. */
    private void pairs(Card card, List<yellowbracket.mesh.measure.Cylinders.Cylinder> found) {
        var printer = model.shownProperty().get().printers().stream().filter(p -> p.fit().isPresent()).findFirst();
        PegPair.of(found, prop().scale(), printer.flatMap(p -> p.fit())).stream().limit(4).forEach(p -> {
            var how = Sliding.of(p.printedMm());
            card.row("peg and hole", Words.text("%.2f mm", p.printedMm()),
                    Words.text("peg %.1f in hole %.1f: %s%s%s", p.peg().diameterMm() * prop().scale(),
                            p.hole().diameterMm() * prop().scale(), how.words(),
                            printer.map(q -> " as " + q.name() + " prints").orElse(", as drawn: print the test piece under printers"),
                            p.endPlayMm() < 0 ? Words.text("; the peg is %.1f mm too long", -p.endPlayMm()) : ""),
                    how.good() && p.endPlayMm() >= 0 ? "good" : "care");
        });
    }

    private void walls(Card card) {
        var walls = model.result(ModelFigures.WALLS).map(ModelFigures.Walls::thickness).filter(WallThickness::known);
        if (walls.isEmpty()) return;
        double s = prop().scale();
        card.title("walls at " + Words.scale(s));
        card.row("half is under", words().length(walls.get().percentile(0.5) * s),
                Words.text("thinnest twentieth under %s, %s over %s", words().length(walls.get().percentile(0.05) * s),
                        Words.percent(1 - walls.get().shareBelow(HEAVY_MM / s)), words().length(HEAVY_MM)));
        String thin = HealthFindings.thinWalls(walls.get(), s);
        if (!thin.isEmpty()) card.finding(Weight.CARE, thin, "show", () -> view.show("health"));
        if (1 - walls.get().shareBelow(HEAVY_MM / s) > 0.35) card.finding(Weight.NOTE,
                "needlessly heavy: much of it is thicker than a helm's wall; print it with few walls and little infill, or hollow it", "",
                () -> {});
    }

    private void pick(Vec3 p) {
        if (picked.size() == 2) picked.clear();
        picked.add(p);
        view.again();
    }

    @Override
    void draw() {
        var proxy = model.result(ModelFigures.PROXY);
        var size = view.bounds();
        if (proxy.isEmpty() || size.isEmpty()) return;
        bare();
        double s = prop().scale();
        var mesh = proxy.get().mesh();
        var things = new ArrayList<javafx.scene.Node>();
        var reshape = prop().size().reshape();
        javafx.scene.Node shown = reshape.changesNothing() ? bench.drawn().plain(mesh, view.plastic()) : distorted(mesh, reshape);
        shown.setUserData(new Bench.Spot(this::pick));
        shown.getTransforms().setAll(new Scale(s, s, s));
        things.add(shown);
        for (var p : picked) {
            things.add(ball(p.times(s), 0.008 * mesh.bounds().diagonal() * s)); // the next point may lie right beside it
        }
        if (picked.size() == 2) {
            var a = picked.get(0).times(s);
            var b = picked.get(1).times(s);
            things.add(bench.drawn()
                    .lines(new double[] {a.x(), a.y(), a.z(), b.x(), b.y(), b.z()}, Role.PICKED.colour(),
                            0.004 * mesh.bounds().diagonal() * s));
            bench.callouts(List.of(new Bench.Callout(a.plus(b).times(0.5), words().bare(a.distance(b)) + " " + words().unit(), "good")));
        }
        bench.show(things, size.get(), prop().id() + "/prop");
        if (!reshape.changesNothing()) bench.legend().ramp(Optional.of(Ramp.distortion()), "%", 1);
        bench.gauges(
                List.of(new Bench.Gauge("scale", Words.scale(s), "", ""), new Bench.Gauge("size", words().size(size.get().size()), "", ""),
                        new Bench.Gauge("out of shape",
                                reshape.changesNothing() ? "no" : distortion.map(d -> Words.percent(d.most)).orElse("\u2026"),
                                reshape.changesNothing() ? "" : "at most", "")));
    }

    /** The proxy is of the reshaped model: how far it was pulled is read by undoing it. */
    private javafx.scene.Node distorted(Mesh mesh, Reshape reshape) {
        if (distortion.filter(d -> d.proxy == mesh && d.reshape.equals(reshape)).isEmpty()) {
            var d = reshape.distortion(mesh.mapped(reshape::undone));
            distortion = Optional.of(new Shown(mesh, reshape, d.most(), d.usual(),
                    bench.drawn().byFacet(mesh, Ramp.distortion(), view.neutral(), f -> 100 * d.at(f))));
        }
        return distortion.orElseThrow().view;
    }
}
