package yellowbracket.desktop.station.smooth;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.ToggleButton;
import javafx.scene.paint.Color;
import javafx.scene.shape.Sphere;
import yellowbracket.derive.smooth.SmoothFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Role;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.mesh.Vec3;
import yellowbracket.smooth.Flaw;
import yellowbracket.smooth.Look;
import yellowbracket.smooth.Rounds;
import yellowbracket.smooth.SmoothPlan;

/** Prime, look, mark what is seen on the model, mend it, look again; how many rounds are left. */
final class RoundsPart extends SmoothPart {
    /** Flaws written out; the rest are on the model. */
    private static final int MOST = 40;

    private Look look = Look.RAKING;
    private Flaw.Kind kind = Flaw.Kind.LINE;
    private double sizeMm = 5;
    private boolean marking;

    RoundsPart(SmoothView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "rounds of priming and looking";
    }

    @Override
    void write(Card card, SmoothPlan plan) {
        int round = wish().looks().size();
        model.result(SmoothFigures.ROUNDS).ifPresent(r -> {
            forecast(card, r, round);
            r.work(plan.areas().totalDm2(), model.shop())
                    .ifPresent(w -> card.row("work", Words.about(w.handH() + w.setupH()),
                            Words.text("to look, mend and prime again, %s for primer to dry; it is in the plan", Words.hours(w.waitH()))));
        });
        var next = Card.action("look: round " + (round + 1), () -> {
            marking = true;
            change("round " + (round + 1) + ": " + look.label(), w -> w.looking(look));
        });
        next.setId("next-round");
        card.row(round == 0 ? "first look" : "next look",
                new Choice<>("look", "how it is looked at", Arrays.asList(Look.values()), look, Look::label, l -> look = l), next);
        if (round == 0) {
            card.text(
                    "prime it, let it dry, hold a lamp low over it and begin the first round: what throws a shadow is marked on the model");
            return;
        }
        mark(card, round);
        work(card, round);
    }

    private void forecast(Card card, Rounds r, int round) {
        var l = r.left();
        if (round == 0) card.row("rounds", Words.text("%d to %d", l.low(), l.high()),
                "in four of five cases; nothing is marked yet, so this is what others need");
        else if (r.stop())
            card.row("rounds left", "none", Words.text("stop here: %.1f flaws are expected to be left, %.1f do not show (%s)",
                    r.open() + r.hidden(), r.limit(), wish().finish().label()), "good");
        else card.row("rounds left", Words.text("~%d", l.median()),
                Words.text("%d to %d in four of five cases; %d open, about %.0f not " + "found yet; %.1f may stay (%s)", l.low(), l.high(),
                        r.open(), r.hidden(), r.limit(), wish().finish().label()));
        if (!r.counts().isEmpty()) card.add(new CountsPicture(r.counts(), view.night()));
    }

    private void mark(Card card, int round) {
        var on = new ToggleButton("mark");
        on.getStyleClass().setAll("toggle-button", "action");
        on.setId("mark-flaws");
        on.setAccessibleText("mark flaws on the model");
        on.setSelected(marking);
        on.setOnAction(e -> {
            marking = on.isSelected();
            view.draw();
        });
        var size = field("flaw-size", "size of the flaw", "mm between 0.1 and 500, such as 5", 0.1, 500).with(Words.text("%.0f", sizeMm));
        size.setOnAction(e -> size.read().ifPresent(v -> sizeMm = v));
        size.focusedProperty().subscribe(f -> {
            if (!f && size.edited()) size.read().ifPresent(v -> sizeMm = v);
        });
        card.row("round " + round,
                new Choice<>("flaw-kind", "kind of flaw", Arrays.asList(Flaw.Kind.values()), kind, Flaw.Kind::label, k -> kind = k), size,
                Card.more("mm"), on);
        if (marking) card.text("click each flaw on the model, or draw along it; start beside the model to turn it");
    }

    private void work(Card card, int round) {
        var open = Rounds.walk(wish().flaws());
        card.title(open.isEmpty() ? "nothing is open" : open.size() + " to mend, in walking order");
        if (!open.isEmpty()) {
            var all = Card.action("all looked at and gone", () -> change("all cleared", w -> {
                var now = w;
                for (int i = 0; i < w.flaws().size(); i++) {
                    var f = w.flaws().get(i);
                    if (f.open() && f.found() < round) now = now.changed(i, f.clearedIn(round));
                }
                return now;
            }));
            all.setId("all-cleared");
            all.setDisable(open.stream().noneMatch(f -> f.found() < round));
            card.add(all);
        }
        int n = 0;
        for (var f : open.subList(0, Math.min(MOST, open.size()))) flaw(card, ++n, f, round);
        if (open.size() > MOST) card.text(Words.text("and %d more on the model", open.size() - MOST));
        long kept = wish().flaws().stream().filter(Flaw::accepted).count();
        if (kept > 0) card.row("as weathering", String.valueOf(kept), "the colour station hides them under chips, washes or dust");
    }

    private void flaw(Card card, int n, Flaw f, int round) {
        int index = wish().flaws().indexOf(f);
        var gone = Card.action("gone", () -> change(f.kind().label() + " gone", w -> w.changed(index, f.clearedIn(round))));
        gone.setDisable(f.found() >= round);
        gone.setId("gone-" + n);
        gone.setAccessibleText("flaw " + n + " is gone");
        var keep = Card.action("keep as weathering",
                () -> change(f.kind().label() + " as weathering", w -> w.changed(index, f.asWeathering())));
        keep.setAccessibleText("keep flaw " + n + " as weathering");
        card.row(n + "  " + f.kind().label(),
                Card.more(Words.text("%.0f mm, found in round %d: %s", f.sizeMm(), f.found(), f.kind().mend())), gone, keep);
    }

    private static Color colour(Flaw f) {
        return f.accepted() ? Role.HARDWARE_OFF.colour() : f.open() ? Role.SEAM_STOP.colour() : Role.SEAM_GOOD.colour();
    }

    @Override
    void draw(SmoothPlan plan) {
        double s = prop().scale();
        var shells = view.painted(List.of(view.plastic(), view.neutral()), f -> f.place().target().worked() ? 0 : 1);
        int round = wish().looks().size();
        if (marking && round > 0) SmoothView.brushed(shells, at -> change(kind.label() + " marked", w -> w.marked(of(at, round))));
        var things = new ArrayList<Node>(shells);
        var labels = new ArrayList<Bench.Callout>();
        var open = Rounds.walk(wish().flaws());
        for (var f : wish().flaws()) {
            var ball = new Sphere(Math.clamp(f.sizeMm() / 2, 2, 8), 12);
            ball.setMaterial(view.bench().drawn().dull(colour(f)));
            ball.setTranslateX(s * f.at().x());
            ball.setTranslateY(s * f.at().y());
            ball.setTranslateZ(s * f.at().z());
            ball.setUserData(new Bench.Hint(f.kind().label() + (f.open() ? "" : f.accepted() ? ", kept" : ", gone")));
            things.add(ball);
        }
        for (int i = 0; i < Math.min(12, open.size()); i++)
            labels.add(new Bench.Callout(open.get(i).at().times(s), (i + 1) + " " + open.get(i).kind().label(), "stop"));
        view.shown(things, labels, plan, "rounds");
        view.bench()
                .legend()
                .squares("flaws", List.of(Role.SEAM_STOP.colour(), Role.SEAM_GOOD.colour(), Role.HARDWARE_OFF.colour()),
                        List.of("open", "gone", "kept as weathering"));
    }

    /** Where it was drawn along, its middle and its length. */
    private Flaw of(List<Vec3> at, int round) {
        double far = 0;
        for (var p : at) far = Math.max(far, p.distance(at.getFirst()));
        return Flaw.of(kind, at.get(at.size() / 2), Math.clamp(Math.max(sizeMm, far * prop().scale()), 0.1, 500), round);
    }
}
