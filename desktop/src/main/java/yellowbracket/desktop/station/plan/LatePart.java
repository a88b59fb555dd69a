package yellowbracket.desktop.station.plan;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.TextField;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.station.PagePart;
import yellowbracket.desktop.station.StationView;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.document.Edit;
import yellowbracket.document.Prop;
import yellowbracket.finding.Weight;
import yellowbracket.plan.Baseline;
import yellowbracket.plan.Drop;
import yellowbracket.plan.Schedule;
import yellowbracket.shop.Profile;
import yellowbracket.smooth.Finish;
import yellowbracket.derive.Derived;

/** What to drop or make cheaper, by hours won against what is lost; plans kept to hold this one against. */
final class LatePart extends PagePart {
    private final StationView view;
    private Optional<String> ghost = Optional.empty();

    LatePart(AppModel model, StationView view) {
        super(model);
        this.view = view;
    }

    @Override
    public String heading() {
        return "what to drop or make cheaper";
    }

    /** The plan kept that the board shows behind this one. */
    Optional<Baseline> ghost() {
        return ghost.flatMap(g -> model.shownProperty().get().plan().baselines().stream().filter(b -> b.name().equals(g)).findFirst());
    }

    void write(Card card, Schedule s) {
        double late = -s.slackH();
        card.row(late > 0 ? "too late" : "spare", Words.days(Math.abs(late)),
                late > 0 ? "what is below wins hours; taken with one click, undone with another" : "nothing has to go",
                late > 0 ? "stop" : "good");
        var drops = model.derived().get(PlanFigures.DROPS).map(PlanFigures.Drops::list);
        if (drops.isEmpty()) {
            view.waiting(card, PlanFigures.DROPS);
            return;
        }
        if (late > 0) Drop.enough(drops.get(), late)
                .ifPresentOrElse(
                        d -> card.finding(Weight.CARE, d.words() + " alone would bring it in time: " + d.lost(), "do so", () -> take(d)),
                        () -> card.finding(Weight.STOP,
                                "no single thing brings it in time: drop several, find hours or help, or move the day", "help",
                                () -> view.show("help")));
        var left = view.alternatives("leave out", "by hand", "sooner");
        for (var d : drops.get()) {
            var row = left.add(d.words(), false, () -> take(d));
            row.note(d.lost());
            row.figures(Optional.empty(), Words.about(d.handH()), d.wonH() > 0.05 ? Words.text("%.1f d", d.wonH() / 24) : "-");
        }
        if (drops.get().isEmpty()) card.text("there is nothing in this plan that the props can do without");
        else card.add(left);
        cheaper(card);
        kept(card, s);
    }

    private void take(Drop d) {
        model.apply(Edit.plan(d.words(), d::on));
    }

    /** What the stations offer for less: a finish that is seen from further off, thicker layers; worked out for the prop on screen. */
    private void cheaper(Card card) {
        if (model.currentProp().isEmpty()) return;
        var prop = prop();
        var table = view.alternatives("make " + prop.name() + " cheaper", "by hand", "ready");
        var now = prop.smooth().finish();
        boolean any = false;
        for (var f : Finish.values()) {
            if (f.ordinal() >= now.ordinal()) continue;
            any = true;
            var row = view.alternative(table, "finish: " + f.label(), false,
                    Edit.smoothing("finish " + f.label(), prop.id(), w -> w.withFinish(f)),
                    (r, d) -> r.figures(StationView.ready(d), handH(d), StationView.readyWords(d)));
            row.note("instead of " + now.label() + ": flaws show closer up");
        }
        for (var p : coarser(prop)) {
            any = true;
            var row = view.alternative(table, Words.text("layers of %.2f mm", p.layerMm()), false, Edit.profile(prop.id(), p),
                    (r, d) -> r.figures(StationView.ready(d), handH(d), StationView.readyWords(d)));
            row.note("hours of printing won, deeper lines to sand");
        }
        if (any) card.add(table);
    }

    private List<Profile> coarser(Prop prop) {
        var now = prop.print().profile();
        return model.shop()
                .profiles()
                .stream()
                .filter(p -> p.material().equals(now.material()) && p.process() == now.process() && p.nozzleMm() == now.nozzleMm()
                        && p.layerMm() > now.layerMm())
                .limit(2)
                .toList();
    }

    private static String handH(Derived d) {
        return d.get(PlanFigures.SCHEDULE).map(x -> Words.about(x.handH())).orElse("-");
    }

    private void kept(Card card, Schedule s) {
        card.title("plans kept to compare with");
        var all = model.shownProperty().get().plan().baselines();
        var name = new TextField();
        name.setId("baseline-name");
        name.setPromptText("such as: before the mask");
        name.setAccessibleText("name for this plan as it is now");
        name.setPrefWidth(170);
        Runnable keep = () -> {
            if (name.getText().isBlank()) model.tell(AppModel.Tone.STOP, "give the plan a name to keep it under");
            else model.apply(Edit.plan("keep plan " + name.getText().strip(), w -> w.with(Baseline.of(name.getText().strip(), s))));
        };
        name.setOnAction(e -> keep.run());
        card.row("this one as", name, Card.action("keep", keep));
        if (all.isEmpty()) return;
        card.add(new Sheet<Baseline>("plans kept", "none").words("plan", Baseline::name)
                .number("ready", b -> b.finish().toEpochSecond(java.time.ZoneOffset.UTC), b -> Words.dayTime(b.finish()))
                .number("now sooner", b -> sooner(b, s), b -> Words.text("%+.1f d", sooner(b, s) / 24))
                .number("by hand", Baseline::handH, b -> Words.about(b.handH()))
                .rows(all, 6));
        for (var b : all) {
            boolean shown = ghost.equals(Optional.of(b.name()));
            card.row(b.name(), Card.action(shown ? "hide" : "show behind this one", () -> {
                ghost = shown ? Optional.empty() : Optional.of(b.name());
                view.again();
            }), Card.action("forget", () -> model.apply(Edit.plan("forget plan " + b.name(), w -> w.withoutBaseline(b.name())))));
        }
    }

    private static double sooner(Baseline b, Schedule s) {
        return java.time.Duration.between(s.finish(), b.finish()).toMinutes() / 60.0;
    }
}
