package yellowbracket.desktop.station.size;

import java.io.ByteArrayInputStream;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.image.Image;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.transform.Scale;
import javafx.scene.transform.Translate;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.AskFile;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Ramp;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.document.Edit;
import yellowbracket.document.Prop;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.Deviation;
import yellowbracket.mesh.measure.Outlines;
import yellowbracket.size.PictureView;
import yellowbracket.size.Reference;

/**
 * Does it look like the pictures: references laid over the model by points clicked in both, a list of what must be there, and another model
 * of the same thing held against this one.
 */
final class LooksPart extends SizePart {
    /** Pictures are shown no larger. */
    private static final int PIXELS = 1400;

    private String name = "";
    private boolean pairing;
    private Optional<Vec3> onModel = Optional.empty();
    private double opacity = 0.6;
    private String side = "front";
    private Optional<Compared> compared = Optional.empty();
    private Optional<Lines> drawn = Optional.empty();

    /** What was found about another model; {@code of} and {@code with} are the proxies it was made of. */
    private record Compared(String prop, Mesh of, Mesh with, Deviation deviation) {}

    private record Lines(Mesh of, Vec3 towards, double[] segments) {}

    LooksPart(SizeView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "does it look like the pictures";
    }

    private Optional<Reference> reference() {
        var all = prop().size().references();
        return all.stream().filter(r -> r.name().equals(name)).findFirst().or(() -> all.stream().findFirst());
    }

    private void change(String what, Reference r) {
        model.apply(Edit.reference(what, prop().id(), r));
    }

    @Override
    void write(Card card) {
        var all = prop().size().references();
        var add = Card.action("add a picture ...", this::add);
        add.setId("reference-add");
        if (all.isEmpty()) card.row("pictures", Card.more("none yet: photos or drawings of what it is to look like, by variant"), add);
        else card.row("picture", new Choice<>("reference", "reference picture", all.stream().map(Reference::name).toList(),
                reference().map(Reference::name).orElse(null), n -> n, n -> {
                    name = n;
                    pairing = false;
                    view.again();
                }), add);
        reference().ifPresent(r -> {
            shown(card, r);
            features(card, r);
        });
        compare(card);
    }

    private void add() {
        var pictures = AskFile.Kind.of("pictures", "jpg", "jpeg", "png");
        model.ask().toOpen("a picture of " + prop().name(), pictures).ifPresent(f -> {
            String base = f.getFileName().toString().replaceFirst("\\.[^.]*$", "");
            int n = 1;
            String called = base;
            while (known(called)) called = base + " " + ++n;
            name = called;
            model.addReference(prop().id(), called, f);
        });
    }

    private boolean known(String called) {
        return prop().size().references().stream().anyMatch(r -> r.name().equals(called));
    }

    private void shown(Card card, Reference r) {
        var variant = new TextField(r.variant());
        variant.setId("reference-variant");
        variant.setPromptText("which look of it");
        variant.setAccessibleText("variant that " + r.name() + " shows");
        variant.setPrefWidth(150);
        variant.setOnAction(e -> change("variant of " + r.name(), r.withVariant(variant.getText().strip())));
        var away = Card.action("remove", () -> model
                .apply(Edit.ofProp("remove picture " + r.name(), prop().id(), p -> p.withSize(p.size().withoutReference(r.name())))));
        card.row("variant", variant, away);
        int n = r.pairs().size();
        var pair = Card.action(pairing ? "stop" : "pair a point", () -> {
            pairing = !pairing;
            onModel = Optional.empty();
            view.again();
            view.draw();
        });
        pair.setId("reference-pair");
        pair.setDisable(n >= Reference.MOST_PAIRS);
        var again = Card.action("pair anew", () -> change("pair " + r.name() + " anew", r.withoutPairs()));
        again.setDisable(n == 0);
        card.row("points", Card.more(pairing ? onModel.isEmpty() ? "click a place on the model" : "now where it is in the picture"
                : n + " of " + Reference.MOST_PAIRS + " paired; two give the size, four the side it is seen from"), pair, again);
        if (n == 2) card.row("seen from", new Choice<>("reference-side", "side the picture shows",
                List.of("front", "left", "right", "back", "top"), side, s -> s, s -> {
                    side = s;
                    view.draw();
                }));
        var slider = new Slider(0.05, 1, opacity);
        slider.setId("reference-opacity");
        slider.setAccessibleText("how strongly the picture shows");
        HBox.setHgrow(slider, Priority.ALWAYS);
        slider.valueProperty().subscribe(v -> {
            opacity = v.doubleValue();
            if (view.tab().equals("looks")) view.draw();
        });
        card.row("picture shows", slider);
        fitted(r).ifPresent(v -> card.row("lies", Words.text("%.1f %%", 100 * v.errorShare()),
                "of the picture's width off, all points together", v.errorShare() < 0.01 ? "good" : "care"));
    }

    private Turn from() {
        return switch (side) {
            case "left" -> new Turn(Vec3.Y.times(-1), Vec3.Z, Vec3.X.times(-1));
            case "right" -> new Turn(Vec3.Y, Vec3.Z, Vec3.X);
            case "back" -> new Turn(Vec3.X, Vec3.Z, Vec3.Y.times(-1));
            case "top" -> new Turn(Vec3.X.times(-1), Vec3.Y.times(-1), Vec3.Z);
            default -> PictureView.FRONT;
        };
    }

    private Optional<PictureView> fitted(Reference r) {
        return PictureView.of(r.pairs(), from());
    }

    private void features(Card card, Reference r) {
        card.title("what must be there");
        for (var f : r.features()) {
            var states = new Choice<>("feature-" + r.features().indexOf(f), f.what(), List.of(Reference.State.values()), f.state(),
                    Reference.State::words, s -> change(f.what() + ": " + s.words(), r.with(f.as(s))));
            var away = Card.action("", () -> change("forget " + f.what(), r.without(f)));
            away.setGraphic(new FontIcon(Feather.X));
            away.setAccessibleText("forget " + f.what());
            var words = Card.more(f.words());
            HBox.setHgrow(words, Priority.ALWAYS);
            card.row("", words, states, away);
        }
        var what = new TextField();
        what.setId("feature-what");
        what.setPromptText("left vent, rivets ...");
        what.setAccessibleText("a feature the picture shows");
        HBox.setHgrow(what, Priority.ALWAYS);
        var count = field("feature-count", "how many", "a whole number between 0 and 10000; leave it empty for what is not counted", 0,
                10_000);
        count.setPromptText("count");
        count.setPrefWidth(62);
        Runnable keep = () -> {
            var called = what.getText().strip();
            if (called.isEmpty()) {
                model.tell(AppModel.Tone.STOP, "feature: type what the picture shows, such as left vent");
                return;
            }
            if (count.getText().isBlank()) change("look for " + called, r.with(new Reference.Feature(called, 0, Reference.State.OPEN)));
            else count.read()
                    .ifPresent(n -> change("look for " + called,
                            r.with(new Reference.Feature(called, (int) Math.round(n), Reference.State.OPEN))));
        };
        what.setOnAction(e -> keep.run());
        count.setOnAction(e -> keep.run());
        card.row("one more", what, count, Card.action("add", keep));
        view.findings(card, prop().size().lacks());
    }

    private void compare(Card card) {
        var others = model.shownProperty().get().props().stream().filter(p -> !p.id().equals(prop().id())).toList();
        if (others.isEmpty()) return;
        card.title("another model of the same thing");
        card.row("compare with", new Choice<>("compare", "prop to compare with", others, null, Prop::name, this::compareWith));
        compared.filter(c -> model.shownProperty().get().prop(c.prop).isPresent() && proxy(prop().id()).filter(m -> m == c.of).isPresent())
                .ifPresent(c -> {
                    double s = prop().scale();
                    card.row("off", words().length(c.deviation.medianMm() * s),
                            Words.text("half of it less, 95 %% less than %s; laid at %.1f %% of its file",
                                    words().length(c.deviation.most95Mm() * s), 100 * c.deviation.scale()));
                    both(card, "bodies", c,
                            id -> model.derived().get(ModelFigures.HEALTH, id).map(h -> String.valueOf(h.health().bodies().size())));
                    both(card, "openings", c, id -> model.derived().get(ModelFigures.HEALTH, id).map(h -> {
                        var n = h.health().openings();
                        return n.isPresent() ? String.valueOf(n.getAsInt()) : "not closed";
                    }));
                    both(card, "open edges", c,
                            id -> model.derived().get(ModelFigures.HEALTH, id).map(h -> String.valueOf(h.health().boundaryEdges())));
                    both(card, "walls", c,
                            id -> model.derived()
                                    .get(ModelFigures.WALLS, id)
                                    .map(ModelFigures.Walls::thickness)
                                    .filter(w -> w.known())
                                    .map(w -> words().length(w.percentile(0.5) * scale(id, c))));
                    both(card, "print", c, id -> model.derived().get(PrintFigures.PRINTS, id).map(p -> Words.about(p.expectedHours())));
                });
    }

    /** Walls are told at the size the two are laid upon each other. */
    private double scale(String id, Compared c) {
        return id.equals(prop().id()) ? prop().scale() : prop().scale() * c.deviation.scale();
    }

    private void both(Card card, String what, Compared c, java.util.function.Function<String, Optional<String>> of) {
        card.row(what, of.apply(prop().id()).orElse("-"), "here; " + of.apply(c.prop).orElse("-") + " in the other");
    }

    private Optional<Mesh> proxy(String id) {
        return model.derived().get(ModelFigures.PROXY, id).map(ModelFigures.Proxy::mesh);
    }

    private void compareWith(Prop other) {
        var of = proxy(prop().id());
        var with = proxy(other.id());
        if (of.isEmpty() || with.isEmpty()) {
            model.tell(AppModel.Tone.NOTE, "the models are still being read: try again in a moment");
            return;
        }
        model.background("comparing",
                p -> new Compared(other.id(), of.get(), with.get(), Deviation.of(of.get(), Bvh.of(of.get()), with.get(), p)), c -> {
                    compared = Optional.of(c);
                    view.again();
                    view.draw();
                });
    }

    @Override
    void draw() {
        var proxy = model.result(ModelFigures.PROXY);
        var size = view.bounds();
        if (proxy.isEmpty() || size.isEmpty()) return;
        bare();
        double s = prop().scale();
        var mesh = proxy.get().mesh();
        var things = new java.util.ArrayList<javafx.scene.Node>();
        var c = compared.filter(k -> k.of == mesh);
        javafx.scene.Node shown = c.isPresent() && !pairing ? other(c.get()) : bench.drawn().plain(mesh, view.plastic());
        if (pairing) shown.setUserData(new Bench.Spot(this::picked));
        shown.getTransforms().add(0, new Scale(s, s, s));
        things.add(shown);
        onModel.ifPresent(p -> things.add(ball(p.times(s), 0.008 * size.get().diagonal())));
        bench.show(things, size.get(), prop().id() + "/prop");
        if (c.isPresent() && !pairing) bench.legend().ramp(Optional.of(Ramp.deviation()), words().unit(), words().inches() ? 1 / 25.4 : 1);
        bench.gauges(List.of(new Bench.Gauge("scale", Words.scale(s), "", ""),
                new Bench.Gauge("size", words().size(size.get().size()), "", "")));
        var r = reference();
        boolean flat = r.isPresent() && c.isEmpty() && (!pairing || onModel.isPresent());
        bench.picture(flat ? r.flatMap(q -> picture(q, mesh)) : Optional.empty());
    }

    private javafx.scene.Node other(Compared c) {
        var d = c.deviation;
        double s = prop().scale();
        var v = bench.drawn().byVertex(c.with, Ramp.deviation(), view.neutral(), i -> Math.abs(d.at(i)) * s);
        v.getTransforms().setAll(new Translate(d.shift().x(), d.shift().y(), d.shift().z()), new Scale(d.scale(), d.scale(), d.scale()));
        return v;
    }

    private Optional<javafx.scene.Node> picture(Reference r, Mesh mesh) {
        return model.session().meshes().photo(r.photo()).map(p -> {
            var image = new Image(new ByteArrayInputStream(p.bytes()), PIXELS, PIXELS, true, true);
            if (image.isError() || !(image.getWidth() > 0)) return null; // here: a picture by its first bytes, and none after them
            var fit = fitted(r);
            return new OverlayPicture(image, opacity, r.pairs(), fit, fit.map(v -> lines(mesh, v.turn().row2())).orElse(new double[0]),
                    (u, v) -> paired(r, u, v));
        });
    }

    private double[] lines(Mesh mesh, Vec3 towards) {
        if (drawn.filter(l -> l.of == mesh && l.towards.equals(towards)).isEmpty())
            drawn = Optional.of(new Lines(mesh, towards, Outlines.of(mesh, Bvh.of(mesh), towards)));
        return drawn.orElseThrow().segments;
    }

    private void picked(Vec3 p) {
        onModel = Optional.of(p);
        view.again();
        view.draw();
    }

    private void paired(Reference r, double u, double v) {
        if (!pairing || onModel.isEmpty()) return;
        var p = new Reference.Pair(onModel.get(), u, v);
        onModel = Optional.empty();
        pairing = r.pairs().size() + 1 < 2;
        change("pair a point of " + r.name(), r.with(p));
    }
}
