package yellowbracket.desktop.station.wear;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Group;
import javafx.scene.transform.Rotate;
import javafx.scene.transform.Scale;
import javafx.scene.transform.Translate;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.derive.size.SizeFigures;
import yellowbracket.derive.wear.WearFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.station.StationView;
import yellowbracket.desktop.theme.Ramp;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.finding.Weight;
import yellowbracket.size.Fit;
import yellowbracket.wear.PadPlan;

/** What goes inside: a set of pads for each wearer, from the clearance left. */
public final class WearView extends StationView {
    private String wearer = "";

    public WearView(AppModel model, Bench bench) {
        super(model, bench);
    }

    @Override
    public Card card() {
        var card = new Card("what goes inside",
                prop().name() + (prop().worn() ? " \u00b7 " + String.join(", ", prop().size().wearers()) : ""));
        if (!prop().worn())
            return card.text("nobody wears it: nothing to pad").primary("see the plan", () -> model.pageProperty().set(Page.PLAN));
        var pads = model.result(WearFigures.PADS);
        if (pads.isEmpty()) {
            if (model.result(SizeFigures.CAVITY).map(c -> !c.holdsAHead()).orElse(false))
                return card.text("no hollow for a head: straps and foam along the rim, no pads by zone")
                        .primary("see the plan", () -> model.pageProperty().set(Page.PLAN));
            return waiting(card, WearFigures.PADS);
        }
        for (var set : pads.get().sets()) {
            card.title("pads for " + set.wearer().name());
            card.add(new Sheet<PadPlan.Pad>("pads for " + set.wearer().name(), "no pads").words("zone", p -> p.zone().label())
                    .number("gap", PadPlan.Pad::gapMm, p -> words().length(p.gapMm()))
                    .words("foam", PadPlan.Pad::words)
                    .number("pressed", PadPlan.Pad::pressedShare, p -> Words.percent(p.pressedShare()))
                    .number("pieces", PadPlan.Pad::count, p -> String.valueOf(p.count()))
                    .rows(set.pads(), 6));
            set.findings().forEach(f -> card.finding(Weight.CARE, set.wearer().name() + ": " + f, "", () -> {}));
            if (pads.get().sets().size() > 1) card.add(Card.action("show " + set.wearer().name() + " in it", () -> {
                wearer = set.wearer().name();
                again();
            }));
        }
        card.text("hook tape under every pad, so that a set can be changed for the other wearer");
        card.title("walk test before the day");
        card.text("stairs, floor in sight, hearing, breathing ten minutes, off in five seconds unaided; a helper where the view is narrow");
        card.caution("wearing: heat and a narrow view; follow the event's prop rules; no real blades or points");
        return card.primary("see the plan", () -> model.pageProperty().set(Page.PLAN));
    }

    @Override
    public void draw() {
        bench.showExplode(false);
        var proxy = model.result(ModelFigures.PROXY);
        var size = bounds();
        if (proxy.isEmpty() || size.isEmpty()) return;
        double s = prop().scale();
        var fit = model.result(SizeFigures.FITS)
                .flatMap(f -> f.list()
                        .stream()
                        .filter(x -> x.wearer().name().equals(wearer))
                        .findFirst()
                        .or(() -> f.list().stream().findFirst()));
        var set = fit.flatMap(
                f -> model.result(WearFigures.PADS).flatMap(p -> p.sets().stream().filter(x -> x.wearer().equals(f.wearer())).findFirst()));
        var things = new ArrayList<javafx.scene.Node>();
        var labels = new ArrayList<Bench.Callout>();
        if (fit.isPresent() && set.isPresent()) {
            things.add(head(fit.get(), set.get()));
            for (var p : set.get().pads()) fit.get()
                    .clearance()
                    .zone(p.zone())
                    .ifPresent(z -> labels
                            .add(new Bench.Callout(fit.get().pose().place(z.tightest()), p.zone().label() + " " + p.words(), "")));
        }
        var shell = set.isPresent() ? bench.drawn().glass(proxy.get().mesh(), plastic(), bench.isSeeThrough() ? 0.12 : 0.28)
                : bench.drawn().plain(proxy.get().mesh(), plastic());
        shell.getTransforms().add(new Scale(s, s, s));
        things.add(shell);
        bench.show(things, size.get(), key("prop"));
        bench.legend().ramp(set.map(x -> Ramp.foam()), words().unit(), words().inches() ? 1 / 25.4 : 1);
        bench.callouts(labels);
        bench.gauges(set.map(q -> List.of(new Bench.Gauge("wearer", q.wearer().name(), "", ""), new Bench.Gauge("pads",
                String.valueOf(q.pads().stream().filter(p -> !p.layersMm().isEmpty()).mapToInt(PadPlan.Pad::count).sum()), "pieces", ""),
                new Bench.Gauge("thickest foam",
                        q.pads()
                                .stream()
                                .mapToDouble(PadPlan.Pad::thicknessMm)
                                .max()
                                .stream()
                                .mapToObj(t -> words().length(t))
                                .findFirst()
                                .orElse("-"),
                        "", "")))
                .orElse(List.of()));
    }

    private Group head(Fit fit, PadPlan set) {
        var form = fit.clearance().form();
        var thickness = new java.util.HashMap<yellowbracket.size.Zone, Double>();
        set.pads().forEach(p -> thickness.put(p.zone(), p.layersMm().isEmpty() ? Double.NaN : p.thicknessMm()));
        var group = new Group(bench.drawn()
                .byVertex(form.mesh(), Ramp.foam(), neutral(),
                        v -> form.atVertex(v, i -> thickness.getOrDefault(form.samples().get(i).zone(), Double.NaN))));
        var pose = fit.pose();
        group.getTransforms().setAll(new Translate(0, pose.forwardMm(), pose.upMm()), new Rotate(pose.pitchDeg(), Rotate.X_AXIS));
        return group;
    }

}
