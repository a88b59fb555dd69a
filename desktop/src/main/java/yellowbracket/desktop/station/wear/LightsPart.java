package yellowbracket.desktop.station.wear;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import yellowbracket.derive.wear.WearFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Role;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.desktop.widget.Sheet;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.mesh.Vec3;
import yellowbracket.wear.body.Pocket;
import yellowbracket.wear.light.Bought;
import yellowbracket.wear.light.Load;
import yellowbracket.wear.light.Power;

/** Lights, fans and their cells, pockets inside to put them, and other bought parts. */
final class LightsPart extends WearPart {
    private Load.Kind kind = Load.Kind.STRIP;
    private Bought.Kind part = Bought.Kind.BUCKLE;
    /** Places clicked for what is added next, model mm. */
    private final List<Vec3> places = new ArrayList<>();

    LightsPart(WearView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "lights, fans and bought parts";
    }

    @Override
    void write(Card card) {
        var lit = model.result(WearFigures.POWER);
        if (lit.isEmpty()) {
            view.waiting(card, WearFigures.POWER);
            return;
        }
        var power = lit.get().power();
        if (!power.runs().isEmpty()) lit(card, power);
        add(card);
        pockets(card);
        bought(card);
        view.findings(card, power.findings());
    }

    private void lit(Card card, Power power) {
        card.row("lasts", power.cells().isPresent() ? Words.hours(power.hours()) : "too short",
                power.cells().map(Power.Cells::words).orElse("no pack lasts so long") + Words.text(", %.0f mA", power.milliamp()),
                power.cells().isPresent() ? "good" : "care");
        card.row("cells go", power.pocket().map(p -> words().size(p.box().size())).orElse("on the belt"),
                power.pocket().isPresent() ? "the pocket marked inside, fingers reach it" : "no pocket inside takes them within reach",
                power.pocket().isPresent() ? "" : "care");
        card.add(new Sheet<Power.Run>("lights", "none").words("light", r -> r.load().name())
                .words("kind", r -> r.load().kind().words())
                .number("long", Power.Run::lengthMm, r -> r.lengthMm() > 0 ? words().length(r.lengthMm()) : "-")
                .number("mA", Power.Run::milliamp, r -> Words.text("%.0f", r.milliamp()))
                .rows(power.runs(), 6));
        var wires = model.result(WearFigures.POWER).orElseThrow().wires();
        if (!wires.isEmpty()) card.row("wire", words().longLength(Power.wireMm(List.copyOf(wires.values()))),
                "two leads along the wall from the " + (power.pocket().isPresent() ? "cells" : "collar, behind,") + " to each, with slack");
        var last = power.runs().getLast().load().name();
        var off = Card.action("take \"" + last + "\" off", () -> change("without " + last, w -> w.withoutLoad(last)));
        off.setId("load-off");
        card.row("", off);
    }

    private void add(Card card) {
        card.title("add a light or fan");
        var name = new TextField("light " + (wish().loads().size() + 1));
        name.setId("load-name");
        name.setAccessibleText("name of the light");
        name.setPrefWidth(110);
        var openings = new ArrayList<String>();
        openings.add("");
        model.result(WearFigures.OPENINGS).ifPresent(o -> o.list().stream().limit(6).forEach(x -> openings.add(x.name())));
        var round = new String[] {""};
        var count = field("load-count", "how many", "a count between 1 and 100, such as 2", 1, 100).with("1");
        var hours = field("load-hours", "hours lit", "hours between 0.1 and 72, such as 6", 0.1, 72)
                .with(Words.text("%.1f", wish().litHours()));
        hours.setOnAction(e -> hours.read().ifPresent(v -> change(Words.text("lit for %.1f h", v), w -> w.withLitHours(v))));
        card.row("what", name,
                new Choice<>("load-kind", "kind of light", Arrays.asList(Load.Kind.values()), kind, Load.Kind::words, k -> kind = k),
                count);
        card.row("along",
                new Choice<>("load-along", "which rim it follows", openings, "",
                        o -> o.isEmpty() ? "places clicked on the model" : "the rim of " + o, o -> round[0] = o),
                Card.more(places.isEmpty() ? "click it" : places.size() + " places"));
        var put = Card.action("add it", () -> count.read().ifPresent(n -> add(name.getText().strip(), round[0], (int) n)));
        put.setId("load-add");
        card.row("lit for", hours, Card.more("h"), put);
    }

    private void add(String name, String opening, int count) {
        if (opening.isEmpty() && places.isEmpty()) {
            model.tell(AppModel.Tone.STOP, "where does it go? choose a rim, or click places on the model first");
            return;
        }
        try {
            var l = new Load(name, kind, opening.isEmpty() ? Optional.empty() : Optional.of(opening),
                    opening.isEmpty() ? List.copyOf(places) : List.of(), 0, count);
            places.clear();
            change("light " + name, w -> w.with(l));
        } catch (IllegalArgumentException e) {
            model.tell(AppModel.Tone.STOP, e.getMessage());
        }
    }

    private void pockets(Card card) {
        var p = model.result(WearFigures.POCKETS);
        if (p.isEmpty() || p.get().list().isEmpty()) return;
        card.title("pockets beside the head of " + prop().size().wearers().getFirst());
        card.add(new Sheet<Pocket>("pockets", "none").words("room", q -> words().size(q.box().size()))
                .words("a hand",
                        q -> q.reachMm() >= Pocket.HAND_MM ? "reaches it"
                                : q.reachMm() >= Pocket.FINGERS_MM ? "fingers only" : "does not reach")
                .rows(p.get().list(), 4));
    }

    private void bought(Card card) {
        card.title("bought parts");
        model.result(WearFigures.SEATS).filter(s -> !s.list().isEmpty()).ifPresent(s -> {
            card.add(new Sheet<Bought.Seat>("bought parts", "none").words("part", x -> x.part().name())
                    .number("hole", x -> x.part().holeMm(), x -> x.part().holeMm() > 0 ? words().length(x.part().holeMm()) : "-")
                    .number("long", Bought.Seat::lengthMm, x -> x.lengthMm() > 0 ? words().length(x.lengthMm()) : "-")
                    .number("wall", Bought.Seat::wallMm, x -> Double.isFinite(x.wallMm()) ? words().length(x.wallMm()) : "-")
                    .words("goes in", x -> x.part().kind().when())
                    .rows(s.list(), 6));
            s.list().forEach(x -> x.finding().ifPresent(f -> view.finding(card, f)));
            var last = s.list().getLast().part().name();
            var off = Card.action("take \"" + last + "\" off", () -> change("without " + last, w -> w.withoutBought(last)));
            off.setId("bought-off");
            card.row("", off);
        });
        var name = new TextField(part.words() + " " + (wish().bought().size() + 1));
        name.setId("bought-name");
        name.setAccessibleText("name of the part");
        name.setPrefWidth(110);
        var hole = field("bought-hole", "hole for it", "mm between 0 and 200, such as 4", 0, 200).with("4");
        var grams = field("bought-grams", "its mass", "grams between 0 and 20000, such as 15", 0, 20_000).with("15");
        var put = Card.action("put it where I clicked", () -> {
            var h = hole.read();
            var g = grams.read();
            if (h.isEmpty() || g.isEmpty()) return;
            if (places.isEmpty()) {
                model.tell(AppModel.Tone.STOP, "where does it go? click its place on the model first");
                return;
            }
            try {
                var b = new Bought(name.getText().strip(), part, places.getLast(), places.size() > 1 ? List.copyOf(places) : List.of(),
                        h.getAsDouble(), g.getAsDouble());
                places.clear();
                change(b.name(), w -> w.with(b));
            } catch (IllegalArgumentException e) {
                model.tell(AppModel.Tone.STOP, e.getMessage());
            }
        });
        put.setId("bought-add");
        card.row("part", name,
                new Choice<>("bought-kind", "kind of part", Arrays.asList(Bought.Kind.values()), part, Bought.Kind::words, k -> part = k));
        card.row("hole", hole, Card.more("mm; weighs"), grams, Card.more("g"));
        card.row("", put);
    }

    private void clicked(Vec3 at) {
        places.add(at);
        view.again();
    }

    @Override
    void draw() {
        var things = new ArrayList<Node>();
        var labels = new ArrayList<Bench.Callout>();
        double s = prop().scale();
        model.result(ModelFigures.PROXY).ifPresent(p -> {
            var shell = view.bench().drawn().glass(p.mesh(), view.plastic(), 0.55);
            shell.getTransforms().add(new javafx.scene.transform.Scale(s, s, s));
            shell.setUserData(new Bench.Spot(this::clicked));
            model.result(WearFigures.POCKETS)
                    .ifPresent(q -> q.list().forEach(x -> things.add(view.box(x.box().min(), x.box().max(), Role.HARDWARE.colour(), 1.2))));
            model.result(WearFigures.POWER)
                    .ifPresent(l -> l.wires()
                            .values()
                            .forEach(w -> things.add(view.line(w.places(), false, Role.INK.colour(view.night()), 1.4))));
            model.result(WearFigures.POWER).ifPresent(l -> l.paths().forEach((name, path) -> {
                if (path.size() > 1)
                    things.add(view.line(path, wish().loads().stream().anyMatch(x -> x.name().equals(name) && x.opening().isPresent()),
                            Role.YELLOW.colour(view.night()), 2.4));
                if (!path.isEmpty()) labels.add(new Bench.Callout(path.getFirst(), name, ""));
            }));
            wish().bought().forEach(b -> labels.add(new Bench.Callout(b.at().times(s), b.name(), "")));
            for (int i = 0; i < places.size(); i++) labels.add(new Bench.Callout(places.get(i).times(s), String.valueOf(i + 1), "care"));
            things.add(shell);
        });
        view.bench().show(things, view.bounds().orElseThrow(), view.key("prop"));
        view.bench().callouts(labels);
        view.bench()
                .legend()
                .squares("inside", List.of(Role.HARDWARE.colour(), Role.YELLOW.colour(view.night()), Role.INK.colour(view.night())),
                        List.of("pockets", "lights", "wires"));
        model.result(WearFigures.POWER)
                .map(WearFigures.Lit::power)
                .filter(p -> !p.runs().isEmpty())
                .ifPresentOrElse(
                        p -> view.bench()
                                .gauges(List.of(
                                        new Bench.Gauge("lasts", p.cells().isPresent() ? Words.hours(p.hours()) : "too short",
                                                p.cells().map(Power.Cells::words).orElse(""), ""),
                                        new Bench.Gauge("draws", Words.text("%.0f mA", p.milliamp()), "", ""))),
                        () -> view.bench().gauges(List.of()));
    }
}
