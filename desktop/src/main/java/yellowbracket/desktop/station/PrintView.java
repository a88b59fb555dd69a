package yellowbracket.desktop.station;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Optional;
import javafx.scene.Group;
import javafx.scene.paint.Color;
import javafx.scene.paint.PhongMaterial;
import javafx.scene.shape.Box;
import javafx.scene.transform.Affine;
import javafx.scene.transform.Scale;
import javafx.scene.transform.Translate;
import javafx.stage.FileChooser;
import yellowbracket.build.Derived;
import yellowbracket.build.Edit;
import yellowbracket.build.Node;
import yellowbracket.cut.Section;
import yellowbracket.desktop.AppModel;
import yellowbracket.desktop.Page;
import yellowbracket.desktop.Words;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.theme.Ramp;
import yellowbracket.desktop.widget.Alternatives;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.log.Entry;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.io.MeshWriter;
import yellowbracket.print.Cusp;
import yellowbracket.print.PrintPlan;
import yellowbracket.print.Salvage;
import yellowbracket.print.SectionPrint;
import yellowbracket.size.Fit;

/** Which way up, how fine, on which printer; the bench shows the sections as they stand on the bed, coloured by the depth of their layer lines. */
public final class PrintView extends StationView {
    private static final double GAP_MM = 26;

    public PrintView(AppModel model, Bench bench) {
        super(model, bench);
    }

    @Override
    protected List<Node<?>> shows() {
        return List.of(Node.PRINTS, Node.DRAWN, Node.SMOOTH, Node.SCHEDULE);
    }

    @Override
    public Card card() {
        var profile = prop().profile();
        var card = new Card("which way up, how fine", prop().name() + " \u00b7 " + profile.name() + " \u00b7 " + profile.material());
        var prints = model.result(Node.PRINTS);
        if (prints.isEmpty()) return waiting(card, Node.PRINTS);
        var plan = prints.get();
        card.row("prints", Words.about(plan.expectedHours()), Words.text("%.0f to %.0f h without failures; %s; costs %s", low(plan), high(plan), Words.grams(plan.grams()), Words.money(plan.cost())));
        layers(card);
        walls(card);
        printers(card, plan);
        failures(card, plan);
        plan.findings().forEach(f -> card.finding(Fit.Weight.STOP, f, "cut it again", () -> model.pageProperty().set(Page.CUT)));
        profile.check().forEach(f -> card.finding(Fit.Weight.STOP, f, "", () -> {}));
        card.caution("nozzle and bed are hot; fan for ABS and ASA fumes. " + yellowbracket.safety.Caution.DEFER);
        card.primary("keep and join", () -> model.pageProperty().set(Page.JOIN));
        card.title("sections, as they will stand");
        var done = model.derivedProperty().get().get(Node.TASKS).map(t -> t.lessons().done().keySet()).orElse(java.util.Set.of());
        card.add(new Sheet<SectionPrint>("section prints", "no sections").tag("", 42, SectionPrint::name).words("", 52, p -> done.contains("print:" + p.name()) ? "done" : "ahead").words("printer", 72, p -> p.printer().name())
                .words("way up", 130, p -> p.orientation().label()).number("hours", 56, SectionPrint::hours, p -> Words.about(p.hours())).number("grams", 58, p -> p.estimate().grams(), p -> Words.whole(p.estimate().grams()))
                .number("lines \u00b5m", 60, SectionPrint::cusp95Um, p -> Words.text("%.0f", p.cusp95Um())).number("risk", 46, SectionPrint::risk, p -> Words.percent(p.risk())).rows(plan.prints(), 10));
        return card;
    }

    /** What a failure late in the longest print costs, and what can be done with those that failed and were not printed since. */
    private void failures(Card card, PrintPlan plan) {
        plan.prints().stream().max(Comparator.comparingDouble(SectionPrint::hours)).ifPresent(p -> card.row("failing at 80 %", Words.about(0.8 * p.hours()),
                Words.text("and %s lost on section %s, the longest print", Words.grams(0.8 * (p.estimate().grams() + p.estimate().supportGrams())), p.name())));
        for (var e : open()) {
            var section = model.result(Node.SECTIONS).flatMap(s -> s.sections().stream().filter(q -> e.about().equals("print:" + q.name())).findFirst());
            var print = plan.prints().stream().filter(q -> e.about().equals("print:" + q.name())).findFirst();
            if (section.isEmpty() || print.isEmpty() || e.share().isEmpty()) continue;
            var salvage = Salvage.of(section.get().mesh(), print.get(), e.share().getAsDouble());
            card.title(Words.text("section %s stopped at %.0f %%: about %s above the bed", salvage.section(), 100 * salvage.share(), words().length(salvage.heightMm())));
            card.text(Words.text("%s and %s are gone; measure the stump, the cut goes at its height", Words.about(salvage.lostHours()), Words.grams(salvage.lostGrams())));
            for (var o : salvage.options()) {
                var rest = o.way() == Salvage.Way.REST ? new javafx.scene.Node[] {Card.more(o.figures()), Card.action("write the rest ...", () -> writeRest(salvage, section.get()))} : new javafx.scene.Node[] {Card.more(o.figures())};
                card.row(o.way().words(), rest);
            }
        }
    }

    /** The last failure of each section not printed since. */
    private List<Entry> open() {
        var last = new LinkedHashMap<String, Entry>();
        for (var e : model.shownProperty().get().log()) {
            if (e.kind() == Entry.Kind.FAILED) last.put(e.about(), e);
            if (e.kind() == Entry.Kind.DONE) last.remove(e.about());
        }
        return List.copyOf(last.values());
    }

    private void writeRest(Salvage s, Section section) {
        var chooser = new FileChooser();
        chooser.setTitle("what is missing of section " + s.section());
        chooser.setInitialFileName("section-" + s.section() + "-rest.stl");
        Optional.ofNullable(chooser.showSaveDialog(bench.getScene().getWindow())).ifPresent(f -> writeRest(s, section, f.toPath()));
    }

    private void writeRest(Salvage s, Section section, Path to) {
        model.background("writing the rest", p -> {
            try {
                MeshWriter.write(List.of(new MeshWriter.Named("rest of section " + s.section(), s.rest(section.mesh()))), MeshWriter.Kind.of(to).orElse(MeshWriter.Kind.STL), to);
                return to;
            } catch (IOException e) {
                throw new IllegalStateException(AppModel.reason(e) + "; choose another folder", e);
            }
        }, f -> model.tell(AppModel.Tone.GOOD, f.getFileName() + " written: it stands on the cut, as high as what is missing"));
    }

    private static double low(PrintPlan p) {
        return p.prints().stream().mapToDouble(x -> x.estimate().lowHours()).sum();
    }

    private static double high(PrintPlan p) {
        return p.prints().stream().mapToDouble(x -> x.estimate().highHours()).sum();
    }

    /** Hours of printing beside the hours of smoothing they cause: the cheapest sum is seen. */
    private void layers(Card card) {
        var table = alternatives("layer height", "print h", "smooth h", "sum h", "lines \u00b5m", "ready");
        for (double layer : new double[] {0.12, 0.16, 0.20, 0.28}) {
            var p = prop().profile().withLayer(layer);
            if (!p.check().isEmpty()) continue;
            alternative(table, Words.text("%.2f mm", layer), Math.abs(layer - prop().profile().layerMm()) < 1e-9, Edit.profile(prop().id(), p), this::figures);
        }
        card.add(table);
    }

    private void figures(Alternatives.Row row, Derived d) {
        String id = prop().id();
        double print = d.get(Node.PRINTS, id).map(PrintPlan::expectedHours).orElse(Double.NaN), smooth = d.get(Node.SMOOTH, id).map(s -> s.hours()).orElse(Double.NaN);
        row.figures(ready(d), Words.text("~%.0f", print), Words.text("~%.1f", smooth), Words.text("~%.0f", print + smooth), d.get(Node.AREAS, id).map(a -> Words.text("%.0f", a.valley90Um())).orElse("-"), readyWords(d));
    }

    private void walls(Card card) {
        var table = alternatives("walls", "print h", "smooth h", "sum h", "lines \u00b5m", "ready");
        for (int walls : new int[] {2, 3, 4}) {
            var p = prop().profile().withWalls(walls);
            alternative(table, walls + " walls, " + words().length(p.wallMm()), walls == prop().profile().walls(), Edit.ofProp(walls + " walls", prop().id(), q -> q.withProfile(p)), this::figures);
        }
        card.add(table);
    }

    private void printers(Card card, PrintPlan plan) {
        for (var p : model.shownProperty().get().printers()) {
            var own = plan.prints().stream().filter(x -> x.printer().name().equals(p.name())).toList();
            double h = own.stream().mapToDouble(SectionPrint::expectedHours).sum();
            double rate = own.isEmpty() ? p.failuresPerHour() : own.getFirst().printer().failuresPerHour();
            card.row(p.name(), Words.about(h), Words.text("%d sections on %.0f \u00d7 %.0f \u00d7 %.0f; fails once in %s h", own.size(), p.bedX(), p.bedY(), p.bedZ(), Words.whole(1 / Math.max(1e-9, rate))));
        }
    }

    @Override
    public void draw() {
        bench.showExplode(false);
        var drawn = model.result(Node.DRAWN);
        var prints = model.result(Node.PRINTS);
        if (drawn.isEmpty() || prints.isEmpty() || drawn.get().bySection().isEmpty()) return;
        var things = new ArrayList<javafx.scene.Node>();
        var labels = new ArrayList<Bench.Callout>();
        double x = 0, y = 0, rowDepth = 0, tall = 1, wide = 1, s = prop().scale();
        int perRow = (int) Math.ceil(Math.sqrt(prints.get().prints().size() * 1.4));
        int inRow = 0;
        for (var p : prints.get().prints()) {
            var mesh = drawn.get().bySection().get(p.name());
            if (mesh == null) continue;
            var turn = p.orientation().turn();
            var box = turned(mesh.bounds(), turn, s);
            if (inRow++ == perRow) {
                x = 0;
                y -= rowDepth + GAP_MM;
                rowDepth = 0;
                inRow = 1;
            }
            double up = p.profile().layerMm();
            var view = bench.drawn().byFacet(mesh, Ramp.cusp(), neutral(), f -> mesh.tag(f) != yellowbracket.mesh.Mesh.ORIGINAL ? Double.NaN : Cusp.um(up, steep(mesh, f, turn)));
            var group = new Group(view);
            // seen from the front, x grows to the left: the row starts at the viewer's left
            group.getTransforms().setAll(new Translate(-x - box.max().x(), y - box.max().y(), -box.min().z()), affine(turn), new Scale(s, s, s));
            things.add(group);
            labels.add(new Bench.Callout(new Vec3(-x - box.size().x() / 2, y - box.size().y() / 2, box.size().z() * 0.8), p.name() + "  " + Words.about(p.hours()), ""));
            x += box.size().x() + GAP_MM;
            rowDepth = Math.max(rowDepth, box.size().y());
            tall = Math.max(tall, box.size().z());
            wide = Math.max(wide, x);
        }
        double deep = -y + rowDepth;
        var bed = new Box(wide + GAP_MM, deep + 2 * GAP_MM, 2);
        bed.setMaterial(new PhongMaterial(model.nightProperty().get() ? Color.web("#3b4147") : Color.web("#d5d1c6")));
        bed.getTransforms().add(new Translate(-(wide - GAP_MM) / 2, -deep / 2, -1.2));
        things.add(bed);
        bench.show(things, Bounds3.of(-wide, -deep, 0, 0, 0, tall), key("plates" + prop().cuts().planeCount()));
        bench.legend().ramp(Optional.of(Ramp.cusp()), "\u00b5m", 1);
        bench.callouts(labels);
        var plan = prints.get();
        bench.gauges(List.of(new Bench.Gauge("print", Words.about(plan.expectedHours()), "with failures", ""), new Bench.Gauge("filament", "~" + Words.grams(plan.grams()), "cost " + Words.money(plan.cost()), ""),
                new Bench.Gauge("layer lines", model.result(Node.AREAS).map(a -> Words.text("%.0f \u00b5m", a.valley90Um())).orElse("-"), "nine tenths are finer", ""),
                new Bench.Gauge("smoothing they cause", model.result(Node.SMOOTH).map(q -> Words.about(q.hours())).orElse("-"), "", "")));
    }

    private static double steep(yellowbracket.mesh.Mesh m, int f, Turn turn) {
        var n = m.areaVector(f);
        double len = n.norm();
        return len == 0 ? 0 : Math.abs(turn.row2().dot(n) / len);
    }

    private static Bounds3 turned(Bounds3 b, Turn t, double s) {
        double[] lo = {1e300, 1e300, 1e300}, hi = {-1e300, -1e300, -1e300};
        for (int i = 0; i < 8; i++) {
            var p = t.apply(new Vec3((i & 1) == 0 ? b.min().x() : b.max().x(), (i & 2) == 0 ? b.min().y() : b.max().y(), (i & 4) == 0 ? b.min().z() : b.max().z())).times(s);
            for (int a = 0; a < 3; a++) {
                lo[a] = Math.min(lo[a], p.get(a));
                hi[a] = Math.max(hi[a], p.get(a));
            }
        }
        return Bounds3.of(lo[0], lo[1], lo[2], hi[0], hi[1], hi[2]);
    }

    private static Affine affine(Turn t) {
        return new Affine(t.row0().x(), t.row0().y(), t.row0().z(), 0, t.row1().x(), t.row1().y(), t.row1().z(), 0, t.row2().x(), t.row2().y(), t.row2().z(), 0);
    }
}
