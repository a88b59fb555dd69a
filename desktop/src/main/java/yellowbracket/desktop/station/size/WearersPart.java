package yellowbracket.desktop.station.size;

import yellowbracket.derive.model.ModelFigures;
import yellowbracket.size.Use;
import yellowbracket.desktop.widget.Choice;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.TextField;
import javafx.scene.shape.Sphere;
import javafx.scene.transform.Translate;
import yellowbracket.derive.size.SizeFigures;
import yellowbracket.derive.wear.WearFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.AskFile;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Role;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.document.Build;
import yellowbracket.document.Edit;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.io.MeshFile;
import yellowbracket.shop.HeadMeasures;
import yellowbracket.shop.Wearer;
import yellowbracket.size.Fit;
import yellowbracket.size.HeadForm;
import yellowbracket.size.Pose;
import yellowbracket.size.ScanAlignment;
import yellowbracket.size.Zone;
import yellowbracket.wear.pad.PadPlan;

/** Who wears it: cards with measures, head scans, two wearers of one shell side by side. */
final class WearersPart extends SizePart {
    /** The field in which a new wearer is named. */
    private static final String NAME = "wearer-name";

    private static final List<String> POINTS = List.of("the hole of the wearer's left ear", "the hole of the right ear",
            "the bridge of the nose, between the eyes");
    private Optional<Mesh> scanned = Optional.empty();
    private final List<Vec3> picked = new ArrayList<>();
    private String chosen = "";

    WearersPart(SizeView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "who wears it";
    }

    private Build build() {
        return model.shownProperty().get();
    }

    private Optional<Wearer> current() {
        return build().wearer(chosen)
                .or(() -> prop().size().wearers().stream().findFirst().flatMap(build()::wearer))
                .or(() -> build().wearers().stream().findFirst());
    }

    @Override
    void write(Card card) {
        if (scanned.isPresent()) {
            scanCard(card);
            return;
        }
        var all = build().wearers();
        var uses = new ArrayList<Optional<Use>>();
        if (prop().size().use().isEmpty()) uses.add(Optional.empty());
        for (var u : Use.values()) uses.add(Optional.of(u));
        card.row("it is", new Choice<>("use", "what is done with the prop", uses, prop().size().use(),
                u -> u.map(Use::words).orElse("not said yet"), u -> u.ifPresent(k -> model.apply(Edit.use(prop().id(), k)))));
        if (all.isEmpty()) card.text("no wearer yet: type a name, then the three measures that count");
        for (var w : all) wearerRow(card, w);
        var name = new TextField();
        name.setId(NAME);
        name.setPromptText("name");
        name.setPrefWidth(120);
        name.setAccessibleText("name of a new wearer");
        Runnable add = () -> add(name);
        name.setOnAction(e -> add.run());
        var button = Card.action("new wearer", add);
        button.setId("wearer-add");
        card.row("add", name, button);
        current().ifPresent(w -> card.primary("measures of " + w.name(),
                () -> new WearerForm(model, w.name(), Optional.of(w), Optional.empty()).show(bench.getScene()), Card.action("head scan ...",
                        () -> model.ask().toOpen("open a scan of " + w.name() + "'s head", AskFile.Kind.ANY).ifPresent(this::scan))));
        current().ifPresent(w -> about(card, w));
        compare(card);
    }

    private void wearerRow(Card card, Wearer w) {
        boolean wears = prop().size().wearers().contains(w.name()), first = wears && prop().size().wearers().getFirst().equals(w.name());
        var buttons = new ArrayList<javafx.scene.Node>();
        var head = w.scan().isPresent() ? "scanned"
                : words().inches() ? Words.text("%.1f in", w.head().circumferenceMm() / 25.4)
                        : Words.text("%.1f cm", w.head().circumferenceMm() / 10);
        buttons.add(Card.more(head + (w.glasses() ? ", glasses" : "") + (first ? ", sized for" : wears ? ", also wears it" : "")));
        if (current().filter(w::equals).isEmpty()) buttons.add(Card.action("show", () -> {
            chosen = w.name();
            view.again();
        }));
        if (!first) buttons.add(Card.action("size for", () -> {
            var names = new ArrayList<>(prop().size().wearers());
            names.remove(w.name());
            names.addFirst(w.name());
            model.apply(Edit.wearers(prop().id(), names));
        }));
        var toggle = Card.action(wears ? "leave out" : "add", () -> {
            var names = new ArrayList<>(prop().size().wearers());
            if (!names.remove(w.name())) names.add(w.name());
            model.apply(Edit.wearers(prop().id(), names));
        });
        buttons.add(toggle);
        card.row(w.name(), buttons.toArray(javafx.scene.Node[]::new));
    }

    private void add(TextField field) {
        String name = field.getText().strip();
        field.getStyleClass().remove("wrong");
        if (name.isEmpty() || name.length() > 40 || build().wearer(name).isPresent()) {
            field.getStyleClass().add("wrong");
            model.tell(AppModel.Tone.STOP, name.isEmpty() ? "type the wearer's name first"
                    : name.length() > 40 ? "a name of up to 40 letters" : name + " has a card already: show it");
            return;
        }
        chosen = name;
        field.clear();
        // nothing is kept until the measures are: nobody has a head nobody measured
        boolean first = prop().size().wearers().isEmpty();
        new WearerForm(model, name, Optional.empty(), first ? Optional.of(() -> view.show("fit")) : Optional.empty())
                .show(bench.getScene());
    }

    private void about(Card card, Wearer w) {
        var wrong = w.head().check();
        wrong.forEach(p -> card.finding(Weight.STOP, w.name() + ", " + p.sentence(), "measures",
                () -> new WearerForm(model, w.name(), Optional.of(w), Optional.empty()).show(bench.getScene())));
        if (!wrong.isEmpty()) return;
        var form = HeadForm.of(w);
        var t = form.tape();
        card.row("tape on the form", words().length(t.circumferenceMm()), Words.text("round; %s long, %s wide, %s high",
                words().length(t.lengthMm()), words().length(t.breadthMm()), words().length(t.heightMm())));
        if (!form.measures().assumed().isEmpty()) card.text("assumed, not measured: " + String.join(", ", form.measures().assumed()));
        card.row("eyes at", words().longLength(w.eyeHeightMm()), w.eyesMm().isPresent() ? "as measured"
                : w.bodyHeightMm().isPresent() ? "estimated from the body height" : "assumed of an adult: body height not measured");
    }

    /** One scale, and what each has of it. */
    private void compare(Card card) {
        var fits = model.result(SizeFigures.FITS).map(SizeFigures.Fits::list).orElse(List.of());
        if (fits.size() < 2) return;
        var a = fits.get(0);
        var b = fits.get(1);
        card.title(Words.text("one shell at %s, two heads: least clearance, %s", Words.scale(prop().scale()), words().unit()));
        var pads = model.result(WearFigures.PADS).map(WearFigures.Pads::sets).filter(p -> p.size() >= 2);
        var table = new Sheet<Zone>("two wearers", "no clearance").words("zone", Zone::label)
                .number(a.wearer().name(), z -> least(a, z), z -> words().bare(least(a, z)))
                .words("pad", z -> pads.map(p -> pad(p.get(0), z)).orElse(""))
                .number(b.wearer().name(), z -> least(b, z), z -> words().bare(least(b, z)))
                .words("pad", z -> pads.map(p -> pad(p.get(1), z)).orElse(""));
        card.add(table.rows(List.of(Zone.BROW, Zone.TEMPLES, Zone.EARS, Zone.CROWN, Zone.BACK, Zone.CHEEKS, Zone.NOSE, Zone.CHIN, Zone.JAW),
                9));
        model.result(SizeFigures.SCALES).ifPresent(s -> {
            var first = s.byWearer().get(a.wearer().name());
            var second = s.byWearer().get(b.wearer().name());
            if (first == null || second == null) return;
            double both = Math.max(first.lowest(), second.lowest()), most = Math.min(first.highest(), second.highest());
            boolean now = prop().scale() >= both - 5e-4 && prop().scale() <= most + 5e-4;
            String words = both <= most ? Words.text("both can wear it between %s and %s", Words.scale(both), Words.scale(most))
                    : Words.text("no one scale suits both: %s needs %s, pads of %s get impractical from %s",
                            first.lowest() > second.lowest() ? a.wearer().name() : b.wearer().name(), Words.scale(both),
                            first.highest() < second.highest() ? a.wearer().name() : b.wearer().name(), Words.scale(most));
            card.finding(now ? Weight.NOTE : Weight.CARE, words, now ? "" : "scale to " + Words.scale(both),
                    () -> model.apply(Edit.scale(prop().id(), both)));
        });
    }

    private static double least(Fit f, Zone z) {
        return f.clearance().zone(z).map(c -> c.minMm()).orElse(Double.NaN);
    }

    private static String pad(PadPlan p, Zone z) {
        return p.pads().stream().filter(q -> q.zone() == z).findFirst().map(PadPlan.Pad::words).orElse("");
    }

    /** Reads a scan; its unit is told from its size, a head being 200 to 400 mm tall. */
    private void scan(Path file) {
        model.background("reading " + file.getFileName(), p -> MeshFile.read(file, p), read -> {
            switch (read) {
                case MeshFile.Refused r -> model.tell(AppModel.Tone.STOP, r.problem().sentence());
                case MeshFile.Read r -> {
                    var size = r.mesh().bounds().size();
                    double longest = Math.max(size.x(), Math.max(size.y(), size.z()));
                    double unit = r.unitDeclared() ? 1 : longest < 1.5 ? 1000 : longest < 25 ? 25.4 : longest < 90 ? 10 : 1;
                    scanned = Optional.of(r.mesh().scaled(unit));
                    picked.clear();
                    view.again();
                }
            }
        });
    }

    private void scanCard(Card card) {
        var who = current().orElseThrow();
        card.row("scan of", who.name(), words().size(scanned.orElseThrow().bounds().size()));
        if (picked.size() < POINTS.size()) card.finding(Weight.CARE,
                Words.text("click %s on the scan (%d of 3)", POINTS.get(picked.size()), picked.size() + 1), "", () -> {});
        for (int i = 0; i < picked.size(); i++) card.row("point " + (i + 1), "set", POINTS.get(i));
        card.text("drag to turn the scan, the wheel brings it nearer; the three points bring it upright, eyes level");
        var leave = Card.action("leave the scan", this::leave);
        var back = Card.action("remove the last point", () -> {
            if (!picked.isEmpty()) picked.removeLast();
            view.again();
        });
        back.setDisable(picked.isEmpty());
        card.add(new javafx.scene.layout.HBox(10, back, leave));
    }

    private void leave() {
        scanned = Optional.empty();
        picked.clear();
        view.again();
    }

    /** Three points in a row, in the scan's coordinates. */
    private void pick(Vec3 p) {
        if (picked.size() < POINTS.size()) picked.add(p);
        if (picked.size() == POINTS.size()) align();
        else view.again();
    }

    private void align() {
        var mesh = scanned.orElseThrow();
        var points = List.copyOf(picked);
        var who = current().orElseThrow();
        model.background("reading the head", p -> ScanAlignment.of(mesh, points.get(0), points.get(1), points.get(2)), outcome -> {
            switch (outcome) {
                case ScanAlignment.Outcome.Refused r -> {
                    model.tell(AppModel.Tone.STOP, r.reason());
                    picked.clear();
                    view.again();
                }
                case ScanAlignment.Outcome.Head h -> {
                    var measures = HeadForm.of(h.scan(), who.head()).taped();
                    scanned = Optional.empty();
                    picked.clear();
                    model.keepWearer(
                            who.scanned(h.scan(), new HeadMeasures(measures.circumferenceMm(), measures.lengthMm(), measures.breadthMm(),
                                    measures.heightMm(), who.head().faceWidthMm(), who.head().neckMm(), who.head().pupilsMm())));
                    model.tell(AppModel.Tone.GOOD,
                            Words.text("%s's head is the scan now: %s round%s", who.name(), words().length(measures.circumferenceMm()),
                                    h.bridgedShare() > 0.01 ? Words.text(", %.0f %% of it bridged", 100 * h.bridgedShare()) : ""));
                    view.again();
                }
            }
        });
    }

    @Override
    void draw() {
        bare();
        if (scanned.isPresent()) {
            drawScan(scanned.get());
            return;
        }
        var who = current().filter(w -> w.head().check().isEmpty());
        if (who.isEmpty()) {
            // nobody yet: the prop itself
            model.result(ModelFigures.PROXY)
                    .ifPresent(p -> view.bounds().ifPresent(b -> bench.show(List.of(shell(p.mesh(), 1)), b, "nobody")));
            return;
        }
        var form = HeadForm.of(who.get());
        bench.show(List.of(head(form.mesh(), Optional.empty(), new Pose(0, 0, 0))), form.mesh().bounds(), "head of " + who.get().name());
        var t = form.tape();
        double h = form.measures().heightMm();
        bench.callouts(
                List.of(new Bench.Callout(new Vec3(0, t.lengthMm() / 2, 0.12 * h), "round " + words().bare(t.circumferenceMm()), "good"),
                        new Bench.Callout(new Vec3(t.breadthMm() / 2, 0, 0.13 * h), "wide " + words().bare(t.breadthMm()), "good"),
                        new Bench.Callout(new Vec3(0, -t.lengthMm() / 2, 0.12 * h), "long " + words().bare(t.lengthMm()), "good"),
                        new Bench.Callout(new Vec3(0, 0, form.crownZ()), "high " + words().bare(t.heightMm()), "good")));
        bench.gauges(List.of(
                new Bench.Gauge(who.get().name(), words().length(t.circumferenceMm()),
                        who.get().scan().isPresent() ? "scanned" : "from tape", ""),
                new Bench.Gauge("eyes at", words().longLength(who.get().eyeHeightMm()), "", ""),
                new Bench.Gauge("hair", words().length(who.get().hairMm()), "", "")));
    }

    private void drawScan(Mesh mesh) {
        var things = new ArrayList<javafx.scene.Node>();
        var shown = bench.drawn().plain(mesh, view.neutral());
        shown.setUserData(new Bench.Spot(this::pick));
        things.add(shown);
        for (var p : picked) {
            var ball = new Sphere(3.5);
            ball.setMaterial(new javafx.scene.paint.PhongMaterial(Role.PICKED.colour()));
            ball.setMouseTransparent(true); // here: the next point may lie right beside it
            ball.getTransforms().add(new Translate(p.x(), p.y(), p.z()));
            things.add(ball);
        }
        bench.show(things, mesh.bounds(), "scan");
        bench.gauges(List.of(new Bench.Gauge("points", picked.size() + " of 3", "", "")));
    }
}
