package yellowbracket.desktop.station.join;

import java.util.ArrayList;
import java.util.Optional;
import javafx.scene.Node;
import yellowbracket.cut.RegistrationKind;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.document.Edit;
import yellowbracket.join.JoinPlan;
import yellowbracket.join.Weakest;
import yellowbracket.mesh.Vec3;

/** Where it snaps first, what would mend it, and where it is held. */
final class StrengthPart extends JoinPart {
    private boolean holding;

    StrengthPart(JoinView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "where it snaps first";
    }

    @Override
    void write(Card card, JoinPlan plan) {
        hold(card);
        if (plan.weakest().isEmpty()) card.text("no part of it is slender: it breaks at its seams, if anywhere");
        for (var w : plan.weakest()) weak(card, plan, w);
        var free = plan.joins().stream().filter(j -> plan.rods().containsKey(j.seam().name())).toList();
        if (!free.isEmpty()) card.title("seams that ask for a rod");
        for (var j : free) {
            String name = j.seam().name();
            var all = plan.rods().get(name);
            var rod = all.stream().filter(r -> r.bore().isPresent()).findFirst().or(() -> all.stream().filter(r -> r.fits()).findFirst());
            var kind = rod.flatMap(r -> r.bore());
            var bore = Card.action("bore it", () -> model.apply(Edit.ofProp(kind.orElseThrow().words() + " in " + name, prop().id(),
                    p -> p.withCut(p.cut().withRegistration(p.cut().registration().with(name, kind.orElseThrow()))))));
            bore.setDisable(kind.isEmpty() || prop().cut().registration().kind(name) == kind.get() || j.seam().plane() < 0);
            card.row(name, Card.more(rod.map(r -> r.words()).orElse("no rod has room: strips or staples from inside")), bore);
        }
        var through = Card.action("one rod through all of it", () -> model.apply(Edit.ofProp("through-rod", prop().id(),
                p -> p.withCut(p.cut().withRegistration(p.cut().registration().withUsual(RegistrationKind.THROUGH_ROD))))));
        through.setId("join-through");
        if (!free.isEmpty()) card.add(through);
    }

    private void hold(Card card) {
        if (prop().worn()) return;
        var at = prop().join().hold();
        var click = Card.action(holding ? "click it on the prop" : "another place", () -> {
            holding = !holding;
            view.again();
            view.draw();
        });
        click.setId("join-hold");
        var usual = Card.action("where it balances", () -> change("held where it balances", w -> w.withHold(Optional.empty())));
        usual.setDisable(at.isEmpty());
        card.row("held", Card.more(at.map(p -> words().longLength(p.z() * prop().scale()) + " up").orElse("where it balances")), click,
                usual);
    }

    private void weak(Card card, JoinPlan plan, Weakest w) {
        card.row("section " + w.section(), SeamsPart.bears(w.low(), w.high()),
                Words.text("%s up, %.1f cm\u00b2 of print, %.1f MPa when it is %s%s", words().longLength(w.at().z()), w.areaMm2() / 100,
                        w.stressMpa(), w.demand().words(), w.low() >= JoinPlan.LEAST_RESERVE ? "" : would(w)),
                w.low() < JoinPlan.LEAST_RESERVE ? "stop" : "good");
        var rods = plan.rods().get(w.section());
        if (rods != null)
            rods.stream().filter(r -> r.fits()).findFirst().ifPresent(r -> card.row("", Card.more("or inside it: " + r.words())));
    }

    private static String would(Weakest w) {
        var out = new ArrayList<String>();
        w.walls().ifPresent(n -> out.add(n + " walls"));
        w.infill().ifPresent(i -> out.add(Words.text("infill of %.0f %%", 100 * i)));
        return out.isEmpty() ? "; neither walls nor infill are enough" : "; " + String.join(" or ", out) + " would do";
    }

    /** Sections coloured along their length by about what they bear; the rest plain. */
    private void coloured(JoinPlan plan, java.util.List<Node> things) {
        double k = prop().scale();
        for (var n : view.names()) {
            var weak = plan.weakest().stream().filter(w -> w.section().equals(n)).findFirst();
            if (weak.isEmpty()) view.section(n, Vec3.ZERO, view.plastic(), 0.3).ifPresent(things::add);
            else view.section(n, m -> tone(weak.get(), m, k)).ifPresent(g -> {
                if (holding) g.setUserData(new Bench.Spot(this::held));
                things.add(g);
            });
        }
    }

    private static java.util.function.IntToDoubleFunction tone(Weakest w, yellowbracket.mesh.Mesh m, double scale) {
        var p = w.profile();
        return f -> {
            double at = w.axis().dot(m.centroid(f)) * scale;
            int i = Math.clamp(Math.round((at - p.from()) / p.step()), 0, p.share().length - 1);
            double bears = w.low() / Math.max(1e-6, p.share()[i]);
            return bears < JoinPlan.LEAST_RESERVE ? 2 : bears < JoinPlan.GOOD_RESERVE ? 1 : 0;
        };
    }

    /** @param p in the model's own mm */
    private void held(Vec3 p) {
        holding = false;
        change("held at " + words().longLength(p.z() * prop().scale()) + " up", w -> w.withHold(Optional.of(p)));
    }

    @Override
    void draw(JoinPlan plan) {
        var things = new ArrayList<Node>();
        var labels = new ArrayList<Bench.Callout>();
        double size = view.bounds().orElseThrow().diagonal();
        for (var w : plan.weakest()) {
            String tone = JoinView.tone(w.low());
            labels.add(new Bench.Callout(w.at(), w.section() + " " + SeamsPart.bears(w.low(), w.high()), tone));
            double half = Math.max(12, size / 60);
            var rod = Optional.ofNullable(plan.rods().get(w.section())).flatMap(r -> r.stream().filter(q -> q.fits()).findFirst());
            double reach = rod.map(r -> r.depthMm()).orElse(half), thick = rod.map(r -> r.diameterMm()).orElse(half / 3);
            things.add(view.bench()
                    .drawn()
                    .rods(segment(w.at().minus(w.axis().times(reach)), w.at().plus(w.axis().times(reach))), JoinView.colour(tone),
                            Math.max(thick, size / 240)));
        }
        prop().join().hold().ifPresent(h -> labels.add(new Bench.Callout(h.times(prop().scale()), "held here", "")));
        view.seams(plan, things, labels, j -> j.reserve() < JoinPlan.LEAST_RESERVE ? j.seam().name() : "");
        if (plan.weakest().isEmpty() || view.names().isEmpty()) view.glassShell().ifPresent(s -> {
            if (holding) s.setUserData(new Bench.Spot(this::held));
            things.add(s);
        });
        else coloured(plan, things);
        view.shown(plan, things, labels, "strength");
    }
}
