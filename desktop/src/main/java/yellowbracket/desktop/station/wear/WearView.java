package yellowbracket.desktop.station.wear;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.paint.Color;
import javafx.scene.transform.Rotate;
import javafx.scene.transform.Scale;
import javafx.scene.transform.Translate;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.derive.wear.WearFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.model.Timers;
import yellowbracket.desktop.station.StationView;
import yellowbracket.desktop.widget.Card;
import yellowbracket.export.FitOutFiles;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.io.WriteProblem;
import yellowbracket.size.OnHead;
import yellowbracket.work.Station;

/** The wear page: pads, what closes openings, closures, lights, balance, the walk test. */
public final class WearView extends StationView {
    private static final List<String> TABS = List.of("pads", "visor", "closures", "lights", "balance", "walk test");

    private final Map<String, WearPart> parts = new LinkedHashMap<>();
    private String wearer = "";

    public WearView(AppModel model, Bench bench, Timers timers) {
        super(model, bench, TABS);
        parts.put("pads", new PadsPart(this));
        parts.put("visor", new VisorPart(this, timers));
        parts.put("closures", new ClosuresPart(this));
        parts.put("lights", new LightsPart(this));
        parts.put("balance", new BalancePart(this));
        parts.put("walk test", new WalkPart(this));
    }

    @Override
    public Card card() {
        var shown = parts.get(tab());
        var card = card(shown.heading(),
                prop().name() + (prop().worn() ? " \u00b7 " + String.join(", ", prop().size().wearers()) : " \u00b7 not worn"));
        shown.write(card);
        cautions(card, Station.WEAR);
        return card.primary("see the plan", () -> model.pageProperty().set(Page.PLAN));
    }

    @Override
    public void draw() {
        bench.showExplode(false);
        if (bounds().isPresent()) parts.get(tab()).draw();
    }

    /** What only a prop that is put on has. */
    boolean worn(Card card) {
        if (prop().worn()) return true;
        card.text("nobody wears it: say under size who does, and this is worked out");
        return false;
    }

    private List<OnHead> heads() {
        return model.result(WearFigures.HEADS).map(WearFigures.Heads::list).orElse(List.of());
    }

    /** The wearer that is shown, with the prop on. */
    Optional<OnHead> on() {
        return shown(heads());
    }

    /** Of a list by wearer, what belongs to the one that is shown. */
    <T> Optional<T> shown(List<T> byWearer) {
        if (byWearer.isEmpty()) return Optional.empty();
        var heads = heads();
        for (int i = 0; i < Math.min(heads.size(), byWearer.size()); i++)
            if (heads.get(i).wearer().name().equals(wearer)) return Optional.of(byWearer.get(i));
        return Optional.of(byWearer.getFirst());
    }

    /** Buttons to show another wearer. */
    void wearers(Card card) {
        var names = heads().stream().map(h -> h.wearer().name()).toList();
        if (names.size() < 2) return;
        var buttons = new ArrayList<Node>();
        for (int i = 0; i < names.size(); i++) {
            var name = names.get(i);
            var b = Card.action((on().filter(h -> h.wearer().name().equals(name)).isPresent() ? "\u25b8 " : "") + name, () -> {
                wearer = name;
                again();
            });
            b.setId("wearer-" + i);
            buttons.add(b);
        }
        card.row("on", buttons.toArray(Node[]::new));
    }

    /** The prop as it is, or of glass. @param opacity of the glass */
    void shell(List<Node> things, boolean glass, double opacity) {
        model.result(ModelFigures.PROXY).ifPresent(p -> {
            Node n = glass ? bench.drawn().glass(p.mesh(), plastic(), opacity) : bench.drawn().plain(p.mesh(), plastic());
            double s = prop().scale();
            n.getTransforms().add(new Scale(s, s, s));
            things.add(n);
        });
    }

    /** The head where it sits. */
    void onHead(Node n, OnHead h) {
        var pose = h.pose();
        n.getTransforms().setAll(new Translate(0, pose.forwardMm(), pose.upMm()), new Rotate(pose.pitchDeg(), Rotate.X_AXIS));
    }

    /** A line through places, prop mm. */
    Node line(List<Vec3> places, boolean closed, Color colour, double thick) {
        int n = places.size(), runs = closed ? n : n - 1;
        var out = new double[6 * Math.max(0, runs)];
        for (int i = 0; i < runs; i++) {
            var a = places.get(i);
            var b = places.get((i + 1) % n);
            double[] six = {a.x(), a.y(), a.z(), b.x(), b.y(), b.z()};
            System.arraycopy(six, 0, out, 6 * i, 6);
        }
        return bench.drawn().rods(out, colour, thick);
    }

    /** Edges of a box, prop mm. */
    Node box(Vec3 a, Vec3 b, Color colour, double thick) {
        var out = new ArrayList<Double>();
        for (int k = 0; k < 3; k++) for (int i = 0; i < 4; i++) {
            var p = new double[3];
            var q = new double[3];
            int u = (k + 1) % 3, v = (k + 2) % 3;
            p[u] = q[u] = i % 2 == 0 ? a.get(u) : b.get(u);
            p[v] = q[v] = i < 2 ? a.get(v) : b.get(v);
            p[k] = a.get(k);
            q[k] = b.get(k);
            for (double x : p) out.add(x);
            for (double x : q) out.add(x);
        }
        return bench.drawn().rods(out.stream().mapToDouble(x -> x).toArray(), colour, thick);
    }

    /** Asks for a folder and writes every template, lens and buck there. */
    void files() {
        var pads = model.result(WearFigures.PADS).map(WearFigures.Pads::sets).orElse(List.of());
        var visor = model.result(WearFigures.VISOR);
        double clearance = prop().cut().registration().clearanceMm() / 2;
        model.ask().folder("folder for templates and lenses").ifPresent(folder -> model.background("writing templates", p -> {
            try {
                return FitOutFiles.write(folder, pads, visor, clearance);
            } catch (IOException e) {
                throw new IllegalStateException(WriteProblem.words(e) + "; choose another folder", e);
            }
        }, w -> model.tell(w.left().isEmpty() ? AppModel.Tone.GOOD : AppModel.Tone.NOTE,
                w.files().isEmpty() && w.left().isEmpty() ? "there is nothing to cut"
                        : w.files().size() + " files written, at 1:1: print without fitting to the page"
                                + (w.left().isEmpty() ? "" : "; not made: " + String.join("; ", w.left())))));
    }
}
