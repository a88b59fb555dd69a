package yellowbracket.desktop.station.size;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.shape.MeshView;
import javafx.scene.transform.Scale;
import yellowbracket.derive.Derived;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.derive.size.SizeFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.AskFile;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Ramp;
import yellowbracket.desktop.theme.Role;
import yellowbracket.desktop.widget.Alternatives;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.desktop.widget.NumberField;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.document.Edit;
import yellowbracket.finding.Weight;
import yellowbracket.log.Entry;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.index.PlaneSlice;
import yellowbracket.mesh.io.MeshWriter;
import yellowbracket.mesh.io.WriteProblem;
import yellowbracket.shop.Wearer;
import yellowbracket.size.Carry;
import yellowbracket.size.Clearance;
import yellowbracket.size.Exposure;
import yellowbracket.size.Fit;
import yellowbracket.size.MaskFit;
import yellowbracket.size.Pose;
import yellowbracket.size.TestPiece;
import yellowbracket.size.Trial;
import yellowbracket.size.Zone;

/**
 * How big, and does it fit: scale, clearance by zone, section views, the test piece; for masks how they lie on the face, for props how they
 * are carried.
 */
final class FitPart extends SizePart {
    private final Label dragged = new Label();
    private boolean dragging;
    private Optional<Indexed> indexed = Optional.empty();

    private record Indexed(Mesh mesh, Bvh index) {}

    FitPart(SizeView view) {
        super(view);
        dragged.getStyleClass().add("row-value");
        view.keep(bench.sectionAt().valueProperty().subscribe(x -> {
            if (bench.sectionAt().isVisible()) view.draw();
        }));
    }

    @Override
    public String heading() {
        return UseQuestion.heading(prop()).orElse(prop().worn() ? "how big, and does it fit" : "how big");
    }

    boolean dragging() {
        return dragging;
    }

    private Optional<Wearer> wearer() {
        return prop().size().wearers().stream().findFirst().flatMap(model.shownProperty().get()::wearer);
    }

    String about() {
        return wearer().map(this::about).orElseGet(() -> UseQuestion.about(prop()));
    }

    private String about(Wearer w) {
        return Words.text("%s \u00b7 %s head", w.name(),
                words().inches() ? Words.text("%.1f in", w.head().circumferenceMm() / 25.4)
                        : Words.text("%.1f cm", w.head().circumferenceMm() / 10))
                + (w.glasses() ? " \u00b7 glasses" : "") + (w.hairMm() > 10 ? " \u00b7 thick hair" : "")
                + (w.scan().isPresent() ? " \u00b7 scanned" : "");
    }

    @Override
    void write(Card card) {
        var fits = model.result(SizeFigures.FITS).map(SizeFigures.Fits::list).orElse(List.of());
        if (!prop().intake().settled()) card.finding(Weight.CARE, "unit and way up are guessed: in " + prop().intake().unit().name(),
                "look", () -> view.show("bodies"));
        boolean asked = new UseQuestion(view).write(card, prop());
        scaleRow(card);
        if (fits.isEmpty()) {
            plain(card, asked);
            return;
        }
        var main = fits.getFirst();
        scaleTable(card, main);
        var pose = main.pose();
        card.row("pose", eyes(main), Words.text("pitch %.0f\u00b0 %s, %s", Math.abs(pose.pitchDeg()), pose.pitchDeg() < 0 ? "down" : "up",
                words().length(Math.abs(pose.forwardMm())) + (pose.forwardMm() < 0 ? " back" : " forward")));
        var v = main.vision();
        card.row("sees", Words.text("%.0f\u00b0 \u00d7 %.0f\u00b0", v.leftDeg() + v.rightDeg(), v.upDeg() + v.downDeg()),
                Words.text("%.0f up, %.0f down; %s", v.upDeg(), v.downDeg(), floor(v.floorFromM())));
        var ways = model.result(SizeFigures.DONNING).filter(d -> d.list().size() == fits.size());
        ways.map(d -> d.list().getFirst())
                .filter(d -> !d.passes())
                .ifPresent(d -> card.finding(Weight.STOP, d.words(), "what helps", () -> view.show("put on")));
        if (fits.size() > 1) {
            var other = fits.get(1);
            card.row("also worn by", other.wearer().name(),
                    "same shell; tightest "
                            + other.clearance().tightest().map(z -> z.zone().label() + " " + words().length(z.minMm())).orElse("-")
                            + ways.filter(d -> !d.list().get(1).passes()).map(d -> "; the head does not pass").orElse(""));
        }
        view.findings(card, main.findings());
        model.result(ModelFigures.HEALTH)
                .filter(h -> !h.health().closed())
                .ifPresent(h -> card.finding(Weight.CARE,
                        "in doubt: the mesh is not closed, so clearance counts from whatever surface a ray meets first", "health",
                        () -> view.show("health")));
        model.result(ModelFigures.FLATS)
                .filter(f -> f.show(prop().scale()))
                .ifPresent(f -> card.finding(Weight.CARE,
                        "flats of " + words().length(f.now().deep95() * prop().scale()) + " in the mesh will show through paint", "health",
                        () -> view.show("health")));
        exposureRow(card);
        keep(card, measures(main.wearer()));
        zoneTable(card, main);
        testPieces(card, main);
    }

    /** What it goes through: heat, sun, joints and magnets are judged by it. */
    private void exposureRow(Card card) {
        var boxes = new javafx.scene.layout.FlowPane(6, 4);
        for (var e : Exposure.values()) {
            var b = new javafx.scene.control.ToggleButton(e.words());
            b.getStyleClass().setAll("toggle-button", "plain");
            b.setId("exposure-" + e.name().toLowerCase(java.util.Locale.ROOT));
            b.setSelected(prop().size().exposures().contains(e));
            b.setAccessibleText("this prop is " + e.words());
            b.setOnAction(x -> model.apply(Edit.exposed(prop().id(), e, b.isSelected())));
            boxes.getChildren().add(b);
        }
        HBox.setHgrow(boxes, Priority.ALWAYS);
        card.row("it is", boxes);
    }

    /** Where the eyes are, from the middle of the opening they look out of. */
    private String eyes(Fit fit) {
        var visor = model.result(SizeFigures.CAVITY).map(c -> c.visorZ()).filter(java.util.OptionalDouble::isPresent);
        if (visor.isEmpty()) return "eyes by the crown";
        double over = fit.pose().place(fit.clearance().form().eye(1)).z() - visor.get().getAsDouble() * fit.scale();
        return Math.abs(over) < 0.5 ? "eyes mid visor" : "eyes " + words().length(Math.abs(over)) + (over > 0 ? " high" : " low");
    }

    private javafx.scene.control.Button measures(Wearer w) {
        return Card.action("measures ...", () -> new WearerForm(model, w.name(), Optional.of(w), Optional.empty()).show(bench.getScene()));
    }

    private void keep(Card card, javafx.scene.control.Button... others) {
        card.primary("keep " + Words.scale(prop().scale()) + " and cut", () -> model.pageProperty().set(Page.CUT), others);
    }

    private static String floor(double m) {
        return Double.isInfinite(m) ? "no floor in sight" : Words.text("floor from %.1f m", m);
    }

    /** @param asked something is still to be said, and that comes first */
    private void plain(Card card, boolean asked) {
        view.bounds()
                .ifPresent(b -> card.row("size", words().size(b.size()),
                        "longest side " + words().longLength(Math.max(b.size().x(), Math.max(b.size().y(), b.size().z())))));
        var mask = model.result(SizeFigures.MASK).flatMap(m -> m.list().stream().findFirst());
        var carry = model.result(SizeFigures.CARRY).filter(c -> !prop().worn());
        if (wearer().isPresent()) {
            boolean failed = model.derived() != null && model.derived().state(SizeFigures.FITS, prop().id()) == Derived.State.FAILED;
            if (!failed && model.result(SizeFigures.CAVITY).map(c -> !c.holdsAHead()).orElse(false))
                mask.ifPresentOrElse(m -> mask(card, m), () -> view.waiting(card, SizeFigures.MASK));
            else view.waiting(card, SizeFigures.FITS);
        } else if (carry.isPresent()) carried(card, carry.get());
        exposureRow(card);
        if (!asked)
            keep(card, wearer().map(w -> new javafx.scene.control.Button[] {measures(w)}).orElse(new javafx.scene.control.Button[0]));
    }

    private void mask(Card card, MaskFit m) {
        card.row("on the face", Words.percent(m.rimTouching()), Words.text("of the rim touches; touches first at the %s, widest gap %s",
                m.touchesAt().label(), words().length(m.rimGapMm())), m.rimTouching() < 0.35 ? "care" : "good");
        m.eyes()
                .ifPresent(e -> card.row("eyes", words().length(Math.abs(e.offMm())),
                        Words.text("off the middle of openings %s apart, %s wide", words().length(e.apartMm()), words().length(e.wideMm())),
                        e.wellPlaced() ? "good" : "care"));
        VoiceRows.write(card, words(), m.speech(), m.glasses());
        if (m.straps().size() == 2) card.row("straps", words().length(m.straps().get(1).x() - m.straps().get(0).x()) + " apart",
                "at the rim, just above the eyes; set them 8 mm in from the edge");
        view.findings(card, m.findings());
    }

    private void carried(Card card, Carry c) {
        var bearer = model.shownProperty().get().wearers().getFirst();
        card.row("length", words().longLength(c.lengthMm()), Words.text("%s is %s tall, reaches %s up", bearer.name(),
                words().longLength(bearer.standingMm()), words().longLength(c.upReachMm())));
        card.row("held at", words().longLength(c.gripAtMm()),
                Words.text("%s thick there; balances at %s", words().length(c.gripThickMm()), words().longLength(c.balanceMm())));
        card.row("make it reach", height("hand", c, c.handHeightMm()), height("shoulder", c, c.shoulderMm()),
                height("own height", c, bearer.standingMm()), height("a door", c, Carry.DOOR_MM * 0.98));
        view.findings(card, c.findings());
    }

    private javafx.scene.control.Button height(String name, Carry c, double mm) {
        return Card.tip(
                Card.action(name, () -> model.apply(Edit.scale(prop().id(), Math.round(1000 * c.scaleFor(mm, prop().scale())) / 1000.0))),
                words().longLength(mm));
    }

    private void scaleRow(Card card) {
        double now = 100 * prop().scale();
        var slider = new Slider(Math.min(80, now - 5), Math.max(130, now + 5), now);
        slider.setId("scale");
        slider.setAccessibleText("scale in per cent");
        slider.setBlockIncrement(0.5);
        HBox.setHgrow(slider, Priority.ALWAYS);
        var field = field("scale-field", "scale", "per cent between 1 and 5000, such as 104.5", 1, 5000).with(Words.text("%.1f", now));
        dragged.setText(Words.scale(prop().scale()));
        slider.valueChangingProperty().subscribe(on -> {
            boolean was = dragging;
            dragging = on;
            if (was && !on) model.apply(Edit.scale(prop().id(), rounded(slider.getValue())));
        });
        slider.valueProperty().addListener((o, before, value) -> {
            double s = rounded(value.doubleValue());
            dragged.setText(Words.scale(s));
            field.setText(Words.text("%.1f", 100 * s));
            if (slider.isValueChanging()) model.preview(Edit.scale(prop().id(), s));
            else if (Math.abs(s - prop().scale()) > 1e-6) model.apply(Edit.scale(prop().id(), s));
        });
        field.setOnAction(e -> field.read().ifPresent(p -> model.apply(Edit.scale(prop().id(), p / 100))));
        card.row("scale", dragged, slider, field);
    }

    private static double rounded(double percent) {
        return Math.round(percent * 10) / 1000.0;
    }

    private void scaleTable(Card card, Fit main) {
        var scales = model.result(SizeFigures.SCALES).map(s -> s.byWearer().get(main.wearer().name()));
        if (scales.isEmpty()) return;
        var s = scales.get();
        var table = view.alternatives("", "tightest", "way in", "print h", "grams", "ready");
        double now = prop().scale();
        var rows = new ArrayList<double[]>();
        rows.add(new double[] {s.lowest(), 0});
        rows.add(new double[] {s.recommended(), 1});
        if (Math.abs(now - s.lowest()) > 5e-4 && Math.abs(now - s.recommended()) > 5e-4) rows.add(new double[] {now, 2});
        rows.sort(java.util.Comparator.comparingDouble(a -> a[0]));
        for (var r : rows) {
            boolean current = Math.abs(r[0] - now) <= 5e-4;
            String name = (r[1] == 0 ? "lowest " : r[1] == 1 ? "recommended " : "now ") + Words.text("%.1f", 100 * r[0]);
            view.alternative(table, name, current, Edit.scale(prop().id(), r[0]), this::figures);
        }
        card.add(table);
        card.text("lowest: " + s.lowestBecause() + " \u00b7 recommended: " + s.recommendedBecause() + " \u00b7 highest "
                + Words.scale(s.highest()) + ": " + s.highestBecause());
    }

    private void figures(Alternatives.Row row, Derived d) {
        String id = prop().id();
        var fit = d.get(SizeFigures.FITS, id).flatMap(f -> f.list().stream().findFirst());
        row.figures(SizeView.ready(d), fit.flatMap(f -> f.clearance().tightest()).map(z -> words().bare(z.minMm())).orElse("-"),
                d.get(SizeFigures.DONNING, id)
                        .map(w -> (w.list().getFirst().spareMm() > 0 ? "+" : "") + words().bare(w.list().getFirst().spareMm()))
                        .orElse("-"),
                d.get(PrintFigures.PRINTS, id).map(p -> Words.text("~%.0f", p.expectedHours())).orElse("-"),
                d.get(PrintFigures.PRINTS, id).map(p -> "~" + Words.whole(p.grams())).orElse("-"), SizeView.readyWords(d));
    }

    private void zoneTable(Card card, Fit fit) {
        card.title("clearance by zone, " + words().unit());
        var table = new Sheet<Clearance.ZoneClearance>("clearance by zone", "no clearance yet").words("zone", z -> z.zone().label())
                .number("least", Clearance.ZoneClearance::minMm, z -> words().bare(z.minMm()))
                .number("median", Clearance.ZoneClearance::medianMm, z -> words().bare(z.medianMm()))
                .number("wanted", z -> fit.room().leastMm(z.zone()), z -> words().bare(fit.room().leastMm(z.zone())));
        card.add(table.rows(fit.clearance().zones(), 10));
    }

    private void save(TestPiece piece) {
        model.ask()
                .toSave("save the " + piece.kind().label(), piece.fileName(prop().scale()) + ".stl", AskFile.Kind.ANY)
                .ifPresent(f -> write(piece, f));
    }

    /** The name's ending decides the format, STL when it has none. */
    private void write(TestPiece piece, Path to) {
        var kind = MeshWriter.Kind.of(to).orElse(MeshWriter.Kind.STL);
        model.background("writing the test piece", p -> {
            try {
                MeshWriter.write(List.of(new MeshWriter.Named(piece.kind().label(), piece.mesh())), kind, to);
                return to;
            } catch (IOException e) {
                throw new IllegalStateException(WriteProblem.words(e) + "; choose another folder", e);
            }
        }, f -> model.tell(AppModel.Tone.GOOD, f.getFileName() + " written: print it, try it on, and note how it fits"));
    }

    /** Prints that prove the fit, and how they fitted. */
    private void testPieces(Card card, Fit fit) {
        card.title("prove it with a test piece first");
        var pieces = model.result(SizeFigures.TEST_PIECES);
        if (pieces.isEmpty()) {
            card.text("working out test pieces ...");
            return;
        }
        for (var p : pieces.get().list()) {
            var save = Card.action("save ...", () -> save(p.piece()));
            save.setId("test-" + p.piece().kind().name().toLowerCase(java.util.Locale.ROOT));
            card.row(p.piece().kind().label(),
                    Card.more(Words.text("~%s (%.1f to %.1f), %s", Words.hours(p.print().hours()), p.print().lowHours(),
                            p.print().highHours(), Words.grams(p.print().grams()))
                            + Words.text("; proves the %s", p.piece().proves().label())),
                    save);
        }
        pieces.get().missing().forEach(card::text);
        tried(card, fit);
    }

    private void tried(Card card, Fit fit) {
        var verdict = new Choice<>("trial-verdict", "how the test piece fitted", List.of(Trial.Verdict.values()), Trial.Verdict.FITS,
                v -> v.name().toLowerCase(Locale.ROOT), v -> {});
        var zones = new ArrayList<Optional<Zone>>(List.of(Optional.empty()));
        for (var z : Zone.values()) if (z != Zone.NECK) zones.add(Optional.of(z));
        var zone = new Choice<>("trial-zone", "where", zones, Optional.empty(), z -> z.map(Zone::label).orElse("all round"), z -> {});
        NumberField by = field("trial-mm", "by how much", "mm between 0 and 60, such as 3", 0, 60).with("0");
        by.setPrefWidth(54);
        var note = Card.action("note it", () -> by.read().ifPresent(mm -> {
            var t = new Trial(prop().scale(), verdict.getValue(), zone.getValue(), verdict.getValue() == Trial.Verdict.FITS ? 0 : mm);
            model.note(Entry.line(prop().id(), fit.wearer().name(), t));
            model.tell(yellowbracket.desktop.model.AppModel.Tone.GOOD, "noted: the scale of " + fit.wearer().name() + " now counts it");
        }));
        note.setId("trial-note");
        card.row("tried on", verdict, zone, by, Card.more("mm"), note);
    }

    @Override
    void draw() {
        var proxy = model.result(ModelFigures.PROXY);
        var size = view.bounds();
        if (proxy.isEmpty() || size.isEmpty()) return;
        double s = prop().scale();
        var clearance = model.result(SizeFigures.CLEARANCE);
        var fit = fit().filter(f -> clearance.isPresent()); // the clearance follows the fit by a moment
        var mask = model.result(SizeFigures.MASK).flatMap(m -> m.list().stream().findFirst()).filter(m -> fit().isEmpty() && prop().worn());
        var things = new ArrayList<javafx.scene.Node>();
        if (bench.section().isSelected()) cutOpen(things, proxy.get().mesh(), size.get(), fit, clearance, s);
        else {
            fit.ifPresent(f -> things.add(head(clearance.get().form().mesh(), clearance, posed(f, s))));
            mask.ifPresent(m -> things
                    .add(head(yellowbracket.size.HeadForm.of(m.wearer()).mesh(), Optional.empty(), m.pose().grown(s / m.scale()))));
            boolean glass = fit.isPresent() || bench.isSeeThrough();
            things.add(shell(proxy.get().mesh(), glass ? bench.isSeeThrough() ? 0.12 : 0.30 : 1));
        }
        bench.show(things,
                mask.map(m -> size.get()
                        .union(Bounds3.of(-80, m.pose().forwardMm() - 100, m.pose().upMm() - 130, 80, m.pose().forwardMm() + 100,
                                m.pose().upMm() + 120)))
                        .orElse(size.get()),
                prop().id() + (mask.isPresent() ? "/face" : "/prop"));
        bench.section().setVisible(true);
        if (fit.isEmpty()) {
            bare();
            bench.gauges(plainGauges(size.get(), mask, s));
            model.result(SizeFigures.CARRY)
                    .filter(c -> !prop().worn() && model.fresh(SizeFigures.CARRY))
                    .ifPresent(c -> bench
                            .callouts(List.of(along(size.get(), c.axis(), c.gripAtMm(), "held " + words().longLength(c.gripAtMm())),
                                    along(size.get(), c.axis(), c.balanceMm(), "balances " + words().longLength(c.balanceMm())))));
            mask.filter(m -> m.scale() == s)
                    .ifPresent(m -> bench.callouts(List.of(
                            new Bench.Callout(m.rimGapAt(), "gap " + words().bare(m.rimGapMm()), m.rimGapMm() > 12 ? "care" : "good"))));
            return;
        }
        bench.legend().ramp(Optional.of(Ramp.clearance()), words().unit(), words().inches() ? 1 / 25.4 : 1);
        bench.callouts(callouts(fit.get(), clearance.get(), s));
        bench.gauges(gauges(fit.get(), clearance.get(), s));
    }

    private static Bench.Callout along(Bounds3 box, int axis, double mm, String words) {
        return new Bench.Callout(box.centre().plus(Vec3.axis(axis).times(box.min().get(axis) + mm - box.centre().get(axis))), words,
                "good");
    }

    private List<Bench.Gauge> plainGauges(Bounds3 size, Optional<MaskFit> mask, double s) {
        var out = new ArrayList<Bench.Gauge>();
        out.add(new Bench.Gauge("scale", Words.scale(s), "", ""));
        out.add(new Bench.Gauge("size", words().size(size.size()), "", ""));
        mask.ifPresent(m -> out
                .add(new Bench.Gauge("rim on the face", Words.percent(m.rimTouching()), "", m.rimTouching() < 0.35 ? "care" : "good")));
        return out;
    }

    /** Only what lies behind the pane is drawn, with the cut of shell and skin as lines; the pane is dragged along its axis. */
    private void cutOpen(List<javafx.scene.Node> things, Mesh proxy, Bounds3 box, Optional<Fit> fit, Optional<Clearance> clearance,
            double s) {
        int axis = bench.sectionAxis();
        var normal = Vec3.axis(axis);
        double low = box.min().get(axis), high = box.max().get(axis), from = bench.sectionAt().getValue(), at = low + from * (high - low),
                thick = 0.0025 * box.diagonal();
        var shell = bench.drawn().plain(PlaneSlice.behind(proxy, normal, at / s), view.plastic());
        var lines = bench.drawn()
                .lines(PlaneSlice.of(proxy, index(proxy), normal, at / s).segments(), Role.CUT_LINE.colour(), 1.4 * thick / s);
        shell.getTransforms().add(new Scale(s, s, s));
        lines.getTransforms().add(new Scale(s, s, s));
        things.add(shell);
        things.add(lines);
        fit.ifPresent(f -> {
            var pose = posed(f, s);
            var head = clearance.orElseThrow().form().mesh().mapped(pose::place);
            things.add(bench.drawn().plain(PlaneSlice.behind(head, normal, at), view.neutral()));
            things.add(bench.drawn().lines(PlaneSlice.of(head, Bvh.of(head), normal, at).segments(), Role.SKIN_LINE.colour(), thick));
        });
        var middle = box.centre().plus(normal.times(at - box.centre().get(axis)));
        var pane = new MeshView(bench.drawn().square(middle, normal, 0.5 * box.diagonal()));
        pane.setCullFace(javafx.scene.shape.CullFace.NONE);
        pane.setMaterial(bench.drawn().paneOfGlass(0.08));
        pane.setUserData(
                new Bench.Handle(middle, normal, mm -> moveCut(from + mm / (high - low)), mm -> moveCut(from + mm / (high - low))));
        pane.setId("section-pane");
        things.add(pane);
    }

    /** Of the proxy drawn last: a dragged cut asks for it again and again. */
    private Bvh index(Mesh proxy) {
        if (indexed.filter(i -> i.mesh == proxy).isEmpty()) indexed = Optional.of(new Indexed(proxy, Bvh.of(proxy)));
        return indexed.orElseThrow().index;
    }

    private void moveCut(double to) {
        bench.sectionAt().setValue(Math.clamp(to, bench.sectionAt().getMin(), bench.sectionAt().getMax()));
    }

    /** While a drag runs ahead of the pose, the pose is carried along. */
    private static Pose posed(Fit fit, double s) {
        return fit.pose().grown(s / fit.scale());
    }

    private List<Bench.Callout> callouts(Fit fit, Clearance c, double s) {
        var pose = posed(fit, s);
        var out = new ArrayList<Bench.Callout>();
        var shown = new java.util.LinkedHashSet<>(List.of(Zone.CROWN, Zone.EARS, Zone.NOSE, Zone.TEMPLES, Zone.BACK, Zone.CHIN));
        var tightest = c.tightest().map(Clearance.ZoneClearance::zone);
        tightest.ifPresent(shown::add);
        for (var zone : shown) c.zone(zone)
                .ifPresent(z -> out.add(new Bench.Callout(pose.place(z.tightest()),
                        (tightest.get() == zone ? "tightest: " : "") + zone.label() + " " + words().bare(z.minMm()), tone(z, fit))));
        return out;
    }

    private static String tone(Clearance.ZoneClearance z, Fit fit) {
        double least = fit.room().leastMm(z.zone());
        return z.minMm() < least ? "stop" : z.minMm() < least + 2 ? "care" : "good";
    }

    private List<Bench.Gauge> gauges(Fit fit, Clearance c, double s) {
        var tight = c.tightest();
        var v = fit.vision();
        var way = model.result(SizeFigures.DONNING).flatMap(d -> d.list().stream().findFirst());
        return List.of(
                new Bench.Gauge("scale", Words
                        .scale(s), "", ""),
                new Bench.Gauge("tightest", tight.map(z -> words().length(z.minMm())).orElse("-"),
                        tight.map(z -> z.zone().label()).orElse(""), tight.map(z -> tone(z, fit)).orElse("")),
                new Bench.Gauge("way in", way.map(d -> (d.passes() ? "+" : "") + words().length(d.spareMm())).orElse("\u2026"),
                        way.map(d -> d.passes()
                                ? Math.abs(d.tiltDeg()) < 7.5 ? "straight on" : Words.text("tilt %.0f\u00b0", Math.abs(d.tiltDeg()))
                                : d.tightestWhenWorn() ? "too small" : "does not pass").orElse("working"),
                        way.map(d -> d.passes() ? "good" : "stop").orElse("")),
                new Bench.Gauge("sees", Words.text("%.0f\u00b0 \u00d7 %.0f\u00b0", v.leftDeg() + v.rightDeg(), v.upDeg() + v.downDeg()), "",
                        ""),
                new Bench.Gauge("floor from", Double.isInfinite(v.floorFromM()) ? "never" : Words.text("%.1f m", v.floorFromM()), "",
                        v.downDeg() < 20 ? "care" : ""));
    }
}
