package yellowbracket.desktop.station.smooth;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.transform.Scale;
import yellowbracket.derive.Derived;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.derive.smooth.SmoothFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.station.StationView;
import yellowbracket.desktop.theme.Ramp;
import yellowbracket.desktop.widget.Alternatives;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.document.Edit;
import yellowbracket.document.Prop;
import yellowbracket.mesh.Mesh;
import yellowbracket.print.Cusp;
import yellowbracket.smooth.Areas;
import yellowbracket.smooth.Finish;
import yellowbracket.smooth.School;
import yellowbracket.smooth.SmoothPlan;
import yellowbracket.work.Station;

/** How far to sand: the ladder of steps from the layer lines to the finish, with amounts; the bench shows the lines in place. */
public final class SmoothView extends StationView {
    public SmoothView(AppModel model, Bench bench) {
        super(model, bench);
    }

    @Override
    public Card card() {
        var card = new Card("how far to go, and when to stop", prop().name() + " \u00b7 " + prop().smooth().finish().label());
        var smooth = model.result(SmoothFigures.SMOOTH);
        if (smooth.isEmpty()) return waiting(card, SmoothFigures.SMOOTH);
        var plan = smooth.get();
        card.row("work", Words.about(plan.hours()), Words.text("%s waiting; %s dm\u00b2 on the show side; costs %s",
                Words.hours(plan.waitH()), Words.whole(plan.areas().totalDm2()), Words.money(plan.cost())));
        var finishes = alternatives("finish", "work h", "wait h", "sheets", "cans", "ready");
        for (var f : Finish.values()) alternative(finishes, f.label(), f == prop().smooth().finish(),
                new Edit("finish " + f.label(), b -> change(b, p -> p.withSmooth(p.smooth().withFinish(f)))), this::figures);
        card.add(finishes);
        var schools = alternatives("school", "work h", "wait h", "sheets", "cans", "ready");
        for (var s : School.values()) alternative(schools, s.label(), s == prop().smooth().school(),
                new Edit("school " + s.label(), b -> change(b, p -> p.withSmooth(p.smooth().withSchool(s)))), this::figures);
        card.add(schools);
        findings(card, plan.findings());
        plan.seamFiller()
                .ifPresent(m -> card.row("seams first", Words.text("%d batches", m.batches()),
                        Words.text("%.0f %s filler with %.1f %s hardener each (%.1f %%), pot life %.0f min", m.baseEach(), m.unit(),
                                m.hardenerEach(), m.unit(), 100 * m.hardenerShare(), m.potLifeMin())));
        card.title("the ladder");
        int n = 1;
        for (var w : plan.work()) card.step(n++ + "   " + Words.about(w.hours()), w.step().what(),
                String.join("\n", where(w), w.amount() + " \u00b7 stop when: " + w.step().stop()));
        if (plan.budgetUm() > 0) card.row("sanding budget", Words.text("%.0f of %s \u00b5m", plan.takenUm(), Words.whole(plan.budgetUm())),
                "taken of printed walls where most is");
        cautions(card, Station.SMOOTH);
        card.primary("keep and colour", () -> model.pageProperty().set(Page.COLOUR));
        areas(card, plan.areas());
        return card;
    }

    private yellowbracket.document.Build change(yellowbracket.document.Build b, java.util.function.UnaryOperator<Prop> change) {
        return b.prop(prop().id()).map(p -> b.with(change.apply(p))).orElse(b);
    }

    private void figures(Alternatives.Row row, Derived d) {
        var s = d.get(SmoothFigures.SMOOTH, prop().id());
        boolean none = s.map(p -> p.work().isEmpty()).orElse(true);
        row.note(s.isPresent() && none ? "out of reach: no way leads from these lines to that finish" : "");
        row.figures(ready(d), s.map(p -> none ? "-" : Words.text("~%.1f", p.hours())).orElse("-"),
                s.map(p -> none ? "-" : Words.text("%.1f", p.waitH())).orElse("-"), s.map(p -> String.valueOf(p.sheets())).orElse("-"),
                s.map(p -> Words.text("%.1f", p.cans())).orElse("-"), readyWords(d));
    }

    private static String where(SmoothPlan.Work w) {
        return w.where().isEmpty() ? Words.text("everywhere, %.0f dm\u00b2", w.areaDm2())
                : Words.text("%.0f dm\u00b2: %s", w.areaDm2(), String.join("; ", w.where()));
    }

    private void areas(Card card, Areas a) {
        card.title("areas on the show side");
        card.add(new Sheet<Areas.Area>("areas", "").words("", Areas.Area::words)
                .number("dm\u00b2", Areas.Area::mm2, l -> Words.text("%.1f", l.dm2()))
                .number("share", Areas.Area::mm2, l -> Words.percent(l.mm2() / Math.max(1, a.totalMm2())))
                .number("lines \u00b5m", Areas.Area::deepUm, l -> Words.text("%.0f", l.deepUm()))
                .rows(a.list(), 9));
        card.row("valleys hold", Words.text("%.0f ml", a.valleyMl()), "between all layer lines that are seen");
    }

    @Override
    public void draw() {
        bench.showExplode(false);
        var drawn = model.result(CutFigures.DRAWING);
        var prints = model.result(PrintFigures.PRINTS);
        var size = bounds();
        if (drawn.isEmpty() || prints.isEmpty() || size.isEmpty()) return;
        double s = prop().scale();
        var things = new ArrayList<javafx.scene.Node>();
        for (var p : prints.get().prints()) {
            var mesh = drawn.get().bySection().get(p.name());
            if (mesh == null) continue;
            var up = p.orientation().turn().row2();
            var view = bench.drawn().byFacet(mesh, Ramp.cusp(), neutral(), f -> depth(mesh, f, up, p.profile().layerMm()));
            view.getTransforms().add(new Scale(s, s, s));
            things.add(view);
        }
        bench.show(things, size.get(), key("prop"));
        bench.callouts(List.of());
        bench.legend().ramp(Optional.of(Ramp.cusp()), "\u00b5m", 1);
        bench.gauges(model.result(SmoothFigures.SMOOTH).map(this::gauges).orElse(List.of()));
    }

    private static double depth(Mesh m, int f, yellowbracket.mesh.Vec3 up, double layer) {
        var n = m.areaVector(f);
        return n.norm() == 0 || m.tag(f) != Mesh.ORIGINAL ? Double.NaN : Cusp.um(layer, Math.abs(up.dot(n)) / n.norm());
    }

    private List<Bench.Gauge> gauges(SmoothPlan p) {
        return List.of(new Bench.Gauge("work", Words.about(p.hours()), Words.hours(p.waitH()) + " waiting", ""),
                new Bench.Gauge("show side", Words.text("%.0f dm\u00b2", p.areas().totalDm2()), "", ""),
                new Bench.Gauge("lines to hide", Words.text("%.0f \u00b5m", p.areas().valley90Um()), "90 % are finer", ""),
                new Bench.Gauge("paper", p.sheets() + " sheets", Words.text("%.1f cans", p.cans()), ""));
    }
}
