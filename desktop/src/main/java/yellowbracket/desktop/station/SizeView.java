package yellowbracket.desktop.station;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Group;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.transform.Rotate;
import javafx.scene.transform.Scale;
import javafx.scene.transform.Translate;
import yellowbracket.build.Derived;
import yellowbracket.build.Edit;
import yellowbracket.build.Node;
import yellowbracket.desktop.AppModel;
import yellowbracket.desktop.Page;
import yellowbracket.desktop.Words;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.theme.Ramp;
import yellowbracket.desktop.widget.Alternatives;
import yellowbracket.desktop.widget.Card;
import yellowbracket.shop.Wearer;
import yellowbracket.size.Clearance;
import yellowbracket.size.Fit;
import yellowbracket.size.Pose;
import yellowbracket.size.Zone;

/** How big, and does it fit: scale, clearance by zone, pose, wearers. */
public final class SizeView extends StationView {
    private static final List<String> PARTS = List.of("fit", "bodies", "health");
    private final BodiesPart bodies;
    private final HealthPart health;
    private String part = "fit";
    private Runnable rewrite = () -> {};
    private boolean dragging;
    private final javafx.scene.control.Label dragged = new javafx.scene.control.Label();

    public SizeView(AppModel model, Bench bench) {
        super(model, bench);
        bodies = new BodiesPart(model, bench, this::draw);
        health = new HealthPart(model, bench);
        dragged.getStyleClass().add("row-value");
    }

    @Override
    protected List<Node<?>> shows() {
        return switch (part) {
            case "bodies" -> List.of(Node.BODIES, Node.STANCE, Node.FILE_PROXY, Node.MODEL);
            case "health" -> List.of(Node.HEALTH, Node.WALLS, Node.MENDED, Node.PROXY, Node.MODEL);
            default -> List.of(Node.FITS, Node.SCALES, Node.CLEARANCE, Node.PROXY, Node.PRINTS, Node.SMOOTH, Node.SCHEDULE);
        };
    }

    /** Called when another part of the page is to be shown. */
    public void onPick(Runnable r) {
        rewrite = r;
    }

    /** Shows "fit", "bodies" or "health". */
    public void show(String name) {
        part = name;
        rewrite.run();
    }

    @Override
    public boolean busyWithInput() {
        return dragging;
    }

    @Override
    public Card card() {
        if (part.equals("fit")) return fitCard();
        var card = new Card(part.equals("bodies") ? "what of the file counts" : "is the mesh sound", prop().name() + " \u00b7 " + bounds().map(b -> words().size(b.size())).orElse("")).tabs(PARTS, part, this::show);
        if (part.equals("bodies")) bodies.write(card);
        else health.write(card);
        return waitingFor(card);
    }

    private Card waitingFor(Card card) {
        var d = model.derivedProperty().get();
        if (d != null && d.state(Node.MODEL, prop().id()) == Derived.State.FAILED) card.finding(Fit.Weight.STOP, d.reason(Node.MODEL, prop().id()), "undo", model::undo);
        return card;
    }

    private Card fitCard() {
        var fits = model.result(Node.FITS).map(Node.Fits::list).orElse(List.of());
        var wearer = prop().wearers().stream().findFirst().flatMap(model.shownProperty().get()::wearer);
        String sub = wearer.map(this::about).orElse("nobody wears it: sized by its length");
        var card = new Card(wearer.isPresent() ? "how big, and does it fit" : "how big", prop().name() + " \u00b7 " + sub).tabs(PARTS, part, this::show);
        if (!prop().intake().settled()) card.finding(Fit.Weight.CARE, "unit and way up are guessed: in " + prop().intake().unit().name(), "look", () -> show("bodies"));
        scaleRow(card);
        if (fits.isEmpty()) return plainCard(card, wearer);
        var main = fits.getFirst();
        scaleTable(card, main);
        var pose = main.pose();
        card.row("pose", "eyes on visor", Words.text("pitch %.0f\u00b0 %s, %s", Math.abs(pose.pitchDeg()), pose.pitchDeg() < 0 ? "down" : "up", words().length(Math.abs(pose.forwardMm())) + (pose.forwardMm() < 0 ? " back" : " forward")));
        var v = main.vision();
        card.row("sees", Words.text("%.0f\u00b0 \u00d7 %.0f\u00b0", v.leftDeg() + v.rightDeg(), v.upDeg() + v.downDeg()), Words.text("%.0f up, %.0f down; %s", v.upDeg(), v.downDeg(), floor(v.floorFromM())));
        if (fits.size() > 1) {
            var other = fits.get(1);
            var tight = other.clearance().tightest();
            card.row("also worn by", other.wearer().name(), "same shell; tightest " + tight.map(z -> z.zone().label() + " " + words().length(z.minMm())).orElse("-") + (other.neck().passes() ? "" : "; the head does not pass"));
        }
        for (var f : main.findings()) {
            boolean helps = !Double.isNaN(f.scaleThatHelps()) && Math.abs(f.scaleThatHelps() - prop().scale()) > 5e-4;
            card.finding(f.weight(), f.words(), helps ? "scale to " + Words.scale(f.scaleThatHelps()) : "", () -> model.apply(Edit.scale(prop().id(), f.scaleThatHelps())));
        }
        card.primary("keep " + Words.scale(prop().scale()) + " and cut", () -> model.pageProperty().set(Page.CUT), Card.action("measures ...", () -> measures(wearer.get())));
        zoneTable(card, main);
        return card;
    }

    private String about(Wearer w) {
        return Words.text("%s \u00b7 %s head", w.name(), words().inches() ? Words.text("%.1f in", w.head().circumferenceMm() / 25.4) : Words.text("%.1f cm", w.head().circumferenceMm() / 10)) + (w.glasses() ? " \u00b7 glasses" : "") + (w.hairMm() > 10 ? " \u00b7 thick hair" : "");
    }

    private static String floor(double m) {
        return Double.isInfinite(m) ? "no floor in sight" : Words.text("floor from %.1f m", m);
    }

    private Card plainCard(Card card, Optional<Wearer> wearer) {
        var size = bounds();
        size.ifPresent(b -> card.row("size", words().size(b.size()), "longest side " + words().longLength(Math.max(b.size().x(), Math.max(b.size().y(), b.size().z())))));
        if (wearer.isPresent()) {
            if (model.derivedProperty().get() != null && model.derivedProperty().get().state(Node.FITS, prop().id()) == Derived.State.FAILED) waiting(card, Node.FITS);
            else if (model.result(Node.CAVITY).map(c -> !c.holdsAHead()).orElse(false)) card.text("no hollow for a head: it sits on the face or is carried; clearance is not judged");
            else waiting(card, Node.FITS);
        }
        card.primary("keep " + Words.scale(prop().scale()) + " and cut", () -> model.pageProperty().set(Page.CUT));
        wearer.ifPresent(w -> card.add(Card.action("measures ...", () -> measures(w))));
        return card;
    }

    private void scaleRow(Card card) {
        double now = 100 * prop().scale();
        var slider = new Slider(Math.min(80, now - 5), Math.max(130, now + 5), now);
        slider.setId("scale");
        slider.setAccessibleText("scale in per cent");
        slider.setBlockIncrement(0.5);
        HBox.setHgrow(slider, Priority.ALWAYS);
        var field = new TextField(Words.text("%.1f", now));
        field.setId("scale-field");
        field.setPrefWidth(66);
        field.setAccessibleText("scale in per cent, typed");
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
        field.setOnAction(e -> typed(field));
        card.row("scale", dragged, slider, field);
    }

    private static double rounded(double percent) {
        return Math.round(percent * 10) / 1000.0;
    }

    private void typed(TextField field) {
        double percent;
        try {
            percent = Double.parseDouble(field.getText().replace("%", "").replace(',', '.').strip());
        } catch (NumberFormatException e) {
            percent = Double.NaN;
        }
        boolean ok = percent >= 1 && percent <= 5000;
        if (!ok) {
            if (!field.getStyleClass().contains("wrong")) field.getStyleClass().add("wrong");
            model.tell(AppModel.Tone.STOP, "scale \"" + field.getText() + "\": type per cent between 1 and 5000, such as 104.5");
            return;
        }
        model.apply(Edit.scale(prop().id(), percent / 100));
    }

    private void scaleTable(Card card, Fit main) {
        var scales = model.result(Node.SCALES).map(s -> s.byWearer().get(main.wearer().name()));
        if (scales.isEmpty()) return;
        var s = scales.get();
        var table = alternatives("", "tightest", "neck", "print h", "smooth h", "ready");
        double now = prop().scale();
        var rows = new ArrayList<double[]>();
        rows.add(new double[] {s.lowest(), 0});
        rows.add(new double[] {s.recommended(), 1});
        if (Math.abs(now - s.lowest()) > 5e-4 && Math.abs(now - s.recommended()) > 5e-4) rows.add(new double[] {now, 2});
        rows.sort(java.util.Comparator.comparingDouble(a -> a[0]));
        for (var r : rows) {
            boolean current = Math.abs(r[0] - now) <= 5e-4;
            String name = (r[1] == 0 ? "lowest " : r[1] == 1 ? "recommended " : "now ") + Words.text("%.1f", 100 * r[0]);
            alternative(table, name, current, Edit.scale(prop().id(), r[0]), this::figures);
        }
        card.add(table);
        card.text("lowest: " + s.lowestBecause() + " \u00b7 recommended: " + s.recommendedBecause() + " \u00b7 pads get impractical from " + Words.scale(s.highest()));
    }

    private void figures(Alternatives.Row row, Derived d) {
        String id = prop().id();
        var fit = d.get(Node.FITS, id).flatMap(f -> f.list().stream().findFirst());
        row.figures(ready(d), fit.flatMap(f -> f.clearance().tightest()).map(z -> words().bare(z.minMm())).orElse("-"), fit.map(f -> Words.text("%+.0f", f.neck().spareMm())).orElse("-"),
                d.get(Node.PRINTS, id).map(p -> Words.text("~%.0f", p.expectedHours())).orElse("-"), d.get(Node.SMOOTH, id).map(p -> Words.text("~%.1f", p.hours())).orElse("-"), readyWords(d));
    }

    private void zoneTable(Card card, Fit fit) {
        card.title("clearance by zone, " + words().unit());
        var table = new yellowbracket.desktop.widget.Sheet<Clearance.ZoneClearance>("clearance by zone", "no clearance yet").words("zone", 120, z -> z.zone().label())
                .number("least", 80, Clearance.ZoneClearance::minMm, z -> words().bare(z.minMm())).number("median", 80, Clearance.ZoneClearance::medianMm, z -> words().bare(z.medianMm()))
                .number("wanted", 80, z -> z.zone().leastMm(fit.wearer()), z -> words().bare(z.zone().leastMm(fit.wearer())));
        card.add(table.rows(fit.clearance().zones(), 10));
    }

    private void measures(Wearer w) {
        new WearerForm(model, w).show(bench.getScene());
    }

    @Override
    public void draw() {
        bench.showExplode(false);
        if (part.equals("bodies")) bodies.draw();
        else if (part.equals("health")) health.draw(neutral());
        else drawFit();
    }

    private void drawFit() {
        var proxy = model.result(Node.PROXY);
        var size = bounds();
        if (proxy.isEmpty() || size.isEmpty()) return;
        double s = prop().scale();
        var fit = model.result(Node.FITS).flatMap(f -> f.list().stream().findFirst());
        var clearance = model.result(Node.CLEARANCE);
        var things = new ArrayList<javafx.scene.Node>();
        if (fit.isPresent() && clearance.isPresent()) things.add(head(clearance.get(), fit.get(), s));
        boolean glass = fit.isPresent() || bench.isSeeThrough();
        var shell = glass ? bench.drawn().glass(proxy.get().mesh(), plastic(), bench.isSeeThrough() ? 0.12 : 0.30) : bench.drawn().plain(proxy.get().mesh(), plastic());
        shell.getTransforms().add(new Scale(s, s, s));
        things.add(shell);
        bench.show(things, size.get(), key("prop"));
        if (fit.isEmpty() || clearance.isEmpty()) { // the clearance follows the fit by a moment
            bench.legend().none();
            bench.callouts(List.of());
            bench.gauges(List.of(new Bench.Gauge("scale", Words.scale(s), "", ""), new Bench.Gauge("size", words().size(size.get().size()), "", "")));
            return;
        }
        bench.legend().ramp(Optional.of(Ramp.clearance()), words().unit(), words().inches() ? 1 / 25.4 : 1);
        bench.callouts(callouts(fit.get(), clearance.get(), s));
        bench.gauges(gauges(fit.get(), clearance.get(), s));
    }

    /** The head as it sits at the shown scale; while a drag runs ahead of the pose, the pose is carried along. */
    private Group head(Clearance c, Fit fit, double s) {
        var mesh = c.form().mesh();
        var view = bench.drawn().byVertex(mesh, Ramp.clearance(), neutral(), v -> c.form().atVertex(v, c::mm));
        var group = new Group(view);
        var pose = posed(fit, s);
        group.getTransforms().setAll(new Translate(0, pose.forwardMm(), pose.upMm()), new Rotate(pose.pitchDeg(), Rotate.X_AXIS));
        return group;
    }

    private static Pose posed(Fit fit, double s) {
        double k = s / fit.scale();
        return new Pose(fit.pose().forwardMm() * k, fit.pose().upMm() * k, fit.pose().pitchDeg());
    }

    private List<Bench.Callout> callouts(Fit fit, Clearance c, double s) {
        var pose = posed(fit, s);
        var out = new ArrayList<Bench.Callout>();
        for (var zone : List.of(Zone.CROWN, Zone.EARS, Zone.NOSE, Zone.TEMPLES, Zone.BACK, Zone.CHIN)) {
            c.zone(zone).ifPresent(z -> out.add(new Bench.Callout(pose.place(z.tightest()), z.zone().label() + " " + words().bare(z.minMm()), tone(z, fit.wearer()))));
        }
        return out;
    }

    private static String tone(Clearance.ZoneClearance z, Wearer w) {
        double least = z.zone().leastMm(w);
        return z.minMm() < least ? "stop" : z.minMm() < least + 2 ? "care" : "good";
    }

    private List<Bench.Gauge> gauges(Fit fit, Clearance c, double s) {
        var tight = c.tightest();
        var v = fit.vision();
        return List.of(new Bench.Gauge("scale", Words.scale(s), "", ""),
                new Bench.Gauge("tightest", tight.map(z -> words().length(z.minMm())).orElse("-"), tight.map(z -> z.zone().label()).orElse(""), tight.map(z -> tone(z, fit.wearer())).orElse("")),
                new Bench.Gauge("head passes the neck", Words.text("%+.0f mm", fit.neck().spareMm()), fit.neck().passes() ? Words.text("tilt %.0f\u00b0", fit.neck().tiltDeg()) : "at the " + fit.neck().tightestAt(), fit.neck().passes() ? "good" : "stop"),
                new Bench.Gauge("sees", Words.text("%.0f\u00b0 \u00d7 %.0f\u00b0", v.leftDeg() + v.rightDeg(), v.upDeg() + v.downDeg()), "", ""),
                new Bench.Gauge("floor from", Double.isInfinite(v.floorFromM()) ? "never" : Words.text("%.1f m", v.floorFromM()), "", v.downDeg() < 20 ? "care" : ""));
    }
}
