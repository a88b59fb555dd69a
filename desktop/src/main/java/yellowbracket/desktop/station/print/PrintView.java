package yellowbracket.desktop.station.print;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import yellowbracket.finding.Weight;
import yellowbracket.derive.Derived;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.join.JoinFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.derive.smooth.SmoothFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.station.Asked;
import yellowbracket.desktop.station.StationView;
import yellowbracket.desktop.theme.Ramp;
import yellowbracket.desktop.widget.Alternatives;
import yellowbracket.desktop.widget.Card;
import yellowbracket.document.Edit;
import yellowbracket.mesh.Bounds3;
import yellowbracket.print.PrintPlan;

/** The print page: which way up, how fine, plates and queue, the printers, and what failed prints cost. */
public final class PrintView extends StationView {
    /** Names of the tabs, in order. */
    private static final List<String> TABS = List.of("way up", "how fine", "plates", "printers", "failures");

    private static final double GAP_MM = 26;

    private final StandPart stand;
    private final Map<String, PrintPart> parts = new LinkedHashMap<>();

    public PrintView(AppModel model, Bench bench) {
        super(model, bench, TABS);
        stand = new StandPart(this);
        parts.put("way up", stand);
        parts.put("how fine", new FinePart(this));
        parts.put("plates", new PlatesPart(this));
        parts.put("printers", new PrintersPart(this));
        parts.put("failures", new FailuresPart(this));
    }

    @Override
    public boolean busyWithInput() {
        return parts.get(tab()) instanceof PlatesPart p && p.dragging();
    }

    @Override
    public Card card() {
        var shown = parts.get(tab());
        var profile = prop().print().profile();
        var card = card(shown.heading(), prop().name() + " \u00b7 " + profile.name() + " \u00b7 " + profile.material());
        var prints = model.result(PrintFigures.PRINTS);
        if (prints.isEmpty()) return waiting(card, PrintFigures.PRINTS);
        if (!tab().equals("printers")) Asked.printers(card, model);
        shown.write(card, prints.get());
        findings(card, prints.get().findings());
        findings(card, prop().size().lacks());
        model.result(JoinFigures.JOINS).ifPresent(j -> findings(card, j.breaks()));
        if (!tab().equals("way up")) checked(card);
        return card;
    }

    @Override
    public void draw() {
        bench.showExplode(false);
        model.result(PrintFigures.PRINTS).filter(p -> !p.prints().isEmpty()).ifPresent(parts.get(tab())::draw);
    }

    /** Every section as it stands, in rows on one floor. */
    void overview(PrintPlan plan) {
        var drawn = model.result(CutFigures.DRAWING);
        if (drawn.isEmpty() || drawn.get().bySection().isEmpty()) return;
        var scene = new OnBed(bench, night(), 0, 0);
        var labels = new ArrayList<Bench.Callout>();
        double x = 0, y = 0, rowDepth = 0, tall = 1, wide = 1, s = prop().scale();
        int perRow = (int) Math.ceil(Math.sqrt(plan.prints().size() * 1.4)), inRow = 0;
        for (var p : plan.prints()) {
            var mesh = drawn.get().bySection().get(p.name());
            if (mesh == null) continue;
            if (inRow++ == perRow) {
                x = 0;
                y += rowDepth + GAP_MM;
                rowDepth = 0;
                inRow = 1;
            }
            var size = OnBed.box(mesh, p.orientation().turn(), s).size();
            scene.section(mesh, p.orientation().turn(), s, x, y, p.profile().layerMm(), 0, neutral());
            labels.add(new Bench.Callout(scene.place(x + size.x() / 2, y + size.y() / 2, size.z() * 0.8),
                    p.name() + "  " + Words.about(p.hours()), ""));
            x += size.x() + GAP_MM;
            rowDepth = Math.max(rowDepth, size.y());
            tall = Math.max(tall, size.z());
            wide = Math.max(wide, x);
        }
        scene.floor(wide, y + rowDepth + GAP_MM);
        bench.show(scene.things(), Bounds3.of(-wide, -(y + rowDepth), 0, 0, 0, tall), key("all prints"));
        bench.legend().ramp(Optional.of(Ramp.cusp()), "\u00b5m", 1);
        bench.callouts(labels);
        gauges(plan);
    }

    /** The gauges all parts share. */
    void gauges(PrintPlan plan) {
        bench.gauges(List.of(new Bench.Gauge("print", Words.about(plan.expectedHours()), "with failures", ""),
                new Bench.Gauge("filament", "~" + Words.grams(plan.grams()), "cost " + Words.money(plan.cost()), ""),
                new Bench.Gauge("layer lines",
                        model.result(SmoothFigures.AREAS).map(a -> Words.text("%.0f \u00b5m", a.valley90Um())).orElse("-"),
                        "90 % are finer", ""),
                new Bench.Gauge("smoothing they cause", model.result(SmoothFigures.SMOOTH).map(q -> Words.about(q.hours())).orElse("-"), "",
                        "")));
    }

    Alternatives table(String name, String... heads) {
        return alternatives(name, heads);
    }

    Alternatives.Row row(Alternatives table, String name, boolean current, Edit edit, BiConsumer<Alternatives.Row, Derived> show) {
        return alternative(table, name, current, edit, show);
    }

    /** Hours of printing beside the hours of smoothing they cause: the cheapest sum is seen. */
    void sums(Alternatives.Row row, Derived d) {
        String id = prop().id();
        double print = d.get(PrintFigures.PRINTS, id).map(PrintPlan::expectedHours).orElse(Double.NaN),
                smooth = d.get(SmoothFigures.SMOOTH, id).map(s -> s.hours()).orElse(Double.NaN);
        row.figures(ready(d), Words.text("~%.0f", print), Words.text("~%.1f", smooth), Words.text("~%.0f", print + smooth),
                d.get(SmoothFigures.AREAS, id).map(a -> Words.text("%.0f", a.valley90Um())).orElse("-"), readyWords(d));
    }

    static String readyOf(Derived d) {
        return readyWords(d);
    }

    static Optional<java.time.LocalDateTime> readyAt(Derived d) {
        return ready(d);
    }

    javafx.scene.paint.Color bare() {
        return neutral();
    }

    String frameKey(String overlay) {
        return key(overlay);
    }

    /** What was found in the sections, told here in short: the way up page has the places. */
    private void checked(Card card) {
        var all = model.result(PrintFigures.CHECKED).map(PrintFigures.Checked::findings).orElse(List.of());
        findings(card, all.stream().filter(f -> f.weight() == Weight.STOP).toList());
        long cares = all.stream().filter(f -> f.weight() == Weight.CARE).count();
        if (cares > 0)
            card.finding(Weight.CARE, cares + (cares == 1 ? " thing" : " things") + " to look at in the sections before they print", "look",
                    () -> show("way up"));
    }
}
