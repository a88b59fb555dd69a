package yellowbracket.desktop.station.wear;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import yellowbracket.derive.wear.WearFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Role;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.join.Weighed;
import yellowbracket.mesh.Vec3;
import yellowbracket.wear.body.Balance;
import yellowbracket.wear.body.HeadTurn;
import yellowbracket.wear.body.Sharp;
import yellowbracket.wear.body.Stand;

/** What it weighs with all that goes in, what that does to the neck, how far the head turns, and what is sharp. */
final class BalancePart extends WearPart {
    private static final Vec3 MARK = new Vec3(4, 4, 4);

    BalancePart(WearView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "how it hangs on the neck";
    }

    private Optional<Balance> balance() {
        return model.result(WearFigures.BALANCE).flatMap(x -> view.shown(x.list()));
    }

    private Optional<HeadTurn> turn() {
        return model.result(WearFigures.TURNS).flatMap(x -> view.shown(x.list()));
    }

    private List<Sharp> sharp() {
        return model.result(WearFigures.SHARP).map(WearFigures.Sharps::list).orElse(List.of());
    }

    @Override
    void write(Card card) {
        var b = balance();
        if (b.isEmpty()) {
            view.waiting(card, WearFigures.BALANCE);
            return;
        }
        view.wearers(card);
        card.row("weighs", Words.text("%.2f kg", b.get().grams() / 1000),
                "about: prints as estimated, with paint, fillers and all that goes in",
                b.get().grams() > Balance.MOST_G ? "stop" : b.get().grams() > Balance.HOURS_G ? "care" : "good");
        if (view.on().isPresent()) {
            card.row("neck", Words.text("%.2f Nm", Math.abs(b.get().neckNmm()) / 1000),
                    Words.text("pulls the face %s; %.1f is easy, %.1f tires within minutes", b.get().neckNmm() >= 0 ? "down" : "up",
                            Balance.EASY_NMM / 1000, Balance.TIRING_NMM / 1000),
                    Math.abs(b.get().neckNmm()) > Balance.TIRING_NMM ? "stop"
                            : Math.abs(b.get().neckNmm()) > Balance.EASY_NMM ? "care" : "good");
            card.row("bearable", b.get().bearable().words(), "a starting value for adults used to it");
            counter(card, b.get());
        }
        var parts = b.get().parts().stream().sorted(Comparator.comparingDouble(Weighed::grams).reversed()).toList();
        card.title("what weighs");
        card.add(new Sheet<Weighed>("what weighs", "nothing").words("part", Weighed::name)
                .number("g", Weighed::grams, w -> Words.text("%.0f", w.grams()))
                .number("ahead mm", w -> w.at().y() - b.get().centre().y(), w -> Words.text("%+.0f", w.at().y() - b.get().centre().y()))
                .rows(parts, 8));
        model.result(WearFigures.STAND)
                .ifPresent(t -> card.row("put down", Words.text("%.0f\u00b0", t.tipDeg()),
                        Words.text("leans so far before it falls; %.0f is steady, a stand's foot %.0f mm across", Stand.STEADY_DEG,
                                2 * t.footMm()),
                        t.steady() ? "good" : "care"));
        turn().ifPresent(t -> turns(card, t));
        b.get().findings().forEach(f -> view.finding(card, f));
        turn().ifPresent(t -> t.findings().forEach(f -> view.finding(card, f)));
        sharps(card);
    }

    private void counter(Card card, Balance b) {
        var g = field("counter-g", "counterweight behind", "grams between 0 and 2000, such as 120", 0, 2000)
                .with(Words.text("%.0f", wish().counterG()));
        g.setOnAction(e -> g.read().ifPresent(v -> change(Words.text("counterweight %.0f g", v), w -> w.withCounterG(v))));
        card.row("weight behind", g,
                Card.more("g; " + b.counter()
                        .map(c -> Words.text("%.0f g more would leave %.2f Nm", c.grams(), c.leftNmm() / 1000))
                        .orElse("it hangs well without more")));
    }

    private static void turns(Card card, HeadTurn t) {
        card.title("head turn until the shell touches");
        card.row("to the side", Words.text("%.0f\u00b0 + %.0f\u00b0", t.leftDeg(), t.rightDeg()),
                Words.text("left and right; %.0f is workable, 70 with nothing on", HeadTurn.WORKABLE_SIDE),
                Math.min(t.leftDeg(), t.rightDeg()) < HeadTurn.WORKABLE_SIDE ? "care" : "good");
        card.row("up and down", Words.text("%.0f\u00b0 + %.0f\u00b0", t.upDeg(), t.downDeg()),
                Words.text("%.0f up and %.0f down are workable", HeadTurn.WORKABLE_UP, HeadTurn.WORKABLE_DOWN),
                t.upDeg() < HeadTurn.WORKABLE_UP || t.downDeg() < HeadTurn.WORKABLE_DOWN ? "care" : "good");
    }

    private void sharps(Card card) {
        card.title("points and edges for a crowd");
        if (model.result(WearFigures.SHARP).isEmpty()) {
            card.text("looking over the surface ...");
            return;
        }
        if (sharp().isEmpty()) card.text("nothing sharper than a finger's tip or a broken edge was found");
        else card.add(new Sheet<Sharp>("sharp", "none").words("what", s -> s.kind() == Sharp.Kind.POINT ? "point" : "edge")
                .number("radius", Sharp::radiusMm, s -> words().length(s.radiusMm()))
                .number("long", Sharp::lengthMm, s -> s.lengthMm() > 0 ? words().length(s.lengthMm()) : "-")
                .number("take off", Sharp::bluntMm, s -> words().length(s.bluntMm()))
                .rows(sharp(), 6));
        if (sharp().size() >= Sharp.MOST) card.text("the sharpest " + Sharp.MOST + "; blunt those and look again");
    }

    @Override
    void draw() {
        var things = new ArrayList<Node>();
        var labels = new ArrayList<Bench.Callout>();
        var b = balance();
        b.ifPresent(x -> {
            things.add(view.box(x.centre().minus(MARK), x.centre().plus(MARK), Role.PICKED.colour(), 2));
            labels.add(new Bench.Callout(x.centre(), Words.text("%.2f kg", x.grams() / 1000), ""));
            view.on().ifPresent(h -> {
                var joint = Balance.joint(h.form(), h.pose());
                things.add(view.line(List.of(joint, new Vec3(joint.x(), joint.y(), joint.z() - 120)), false, Role.INK.colour(view.night()),
                        3));
                things.add(view.line(List.of(x.centre(), new Vec3(x.centre().x(), x.centre().y(), x.centre().z() - 90)), false,
                        Role.PICKED.colour(), 2));
                labels.add(new Bench.Callout(joint, "neck joint", ""));
            });
            x.counter().ifPresent(c -> labels.add(new Bench.Callout(c.at(), Words.text("%.0f g here", c.grams()), "care")));
        });
        sharp().stream()
                .limit(6)
                .forEach(s -> labels.add(new Bench.Callout(s.at(),
                        Words.text("%s r %.1f", s.kind() == Sharp.Kind.POINT ? "point" : "edge", s.radiusMm()), "stop")));
        view.shell(things, true, 0.35);
        view.bench().show(things, view.bounds().orElseThrow(), view.key("prop"));
        view.bench().callouts(labels);
        view.bench().legend().none();
        view.bench().gauges(b.map(x -> {
            var out = new ArrayList<>(List.of(new Bench.Gauge("weighs", Words.text("%.2f kg", x.grams() / 1000),
                    view.on().isPresent() ? x.bearable().words() : "", "")));
            if (view.on().isPresent()) out.add(new Bench.Gauge("neck", Words.text("%.2f Nm", x.neckNmm() / 1000), "",
                    Math.abs(x.neckNmm()) > Balance.EASY_NMM ? "care" : "good"));
            turn().ifPresent(
                    t -> out.add(new Bench.Gauge("head turn", Words.text("%.0f\u00b0 + %.0f\u00b0", t.leftDeg(), t.rightDeg()), "", "")));
            return List.copyOf(out);
        }).orElse(List.of()));
    }
}
