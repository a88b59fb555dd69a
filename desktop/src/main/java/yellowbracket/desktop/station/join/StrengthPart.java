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
            var rod = plan.rods().get(name).stream().filter(r -> r.fits()).findFirst();
            var bore = Card.action("bore it", () -> model.apply(Edit.ofProp("rods in " + name, prop().id(),
                    p -> p.withCut(p.cut().withRegistration(p.cut().registration().with(name, RegistrationKind.RODS))))));
            bore.setDisable(rod.isEmpty() || prop().cut().registration().kind(name) == RegistrationKind.RODS || j.seam().plane() < 0);
            card.row(name, Card.more(rod.map(r -> r.words()).orElse("no rod has room: strips or staples from inside, 25 mm apart")), bore);
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
        card.row("held", Card.more(at.map(p -> words().length(Math.rint(p.z() * prop().scale())) + " up").orElse("where it balances")),
                click, usual);
    }

    private void weak(Card card, JoinPlan plan, Weakest w) {
        card.row("section " + w.section(), SeamsPart.bears(w.low(), w.high()),
                Words.text("%s up, %.1f cm\u00b2 of print, %.1f MPa when it is %s%s", words().length(Math.rint(w.at().z())),
                        w.areaMm2() / 100, w.stressMpa(), w.demand().words(),
                        w.low() >= JoinPlan.LEAST_RESERVE ? ""
                                : w.walls().map(n -> "; " + n + " walls would do").orElse("; more walls are not enough")),
                w.low() < JoinPlan.LEAST_RESERVE ? "stop" : "good");
        var rods = plan.rods().get(w.section());
        if (rods != null)
            rods.stream().filter(r -> r.fits()).findFirst().ifPresent(r -> card.row("", Card.more("or inside it: " + r.words())));
    }

    /** @param p in the model's own mm */
    private void held(Vec3 p) {
        holding = false;
        change("held at " + words().length(Math.rint(p.z() * prop().scale())) + " up", w -> w.withHold(Optional.of(p)));
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
        var shell = view.glassShell();
        shell.ifPresent(s -> {
            if (holding) s.setUserData(new Bench.Spot(this::held));
            things.add(s);
        });
        view.shown(plan, things, labels, "strength");
    }
}
