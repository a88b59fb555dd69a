package yellowbracket.desktop.station.print;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import org.kordamp.ikonli.Ikon;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Ramp;
import yellowbracket.desktop.widget.Card;
import yellowbracket.document.Edit;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.print.CleanUp;
import yellowbracket.print.FirstHour;
import yellowbracket.print.Orientation;
import yellowbracket.print.PrintPlan;
import yellowbracket.print.SectionPrint;
import yellowbracket.safety.Caution;
import yellowbracket.shop.Rate;
import yellowbracket.work.Station;

/**
 * Which way up: for one section the ways none of the others beats, tilting by hand, a face picked and laid down; for all of them at once
 * one aim. Part of the print page.
 */
final class StandPart extends PrintPart {
    /** Layer lines are drawn this far apart, or they run together on screen. */
    private static final double LINE_MM = 3.2;

    private String section = "";
    private boolean laying;

    StandPart(PrintView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "which way up";
    }

    void pick(String name) {
        section = name;
        laying = false;
        view.again();
    }

    /** The section looked at: the longest print still ahead unless another was picked. */
    private SectionPrint picked(PrintPlan plan) {
        return plan.prints()
                .stream()
                .filter(p -> p.name().equals(section))
                .findFirst()
                .orElseGet(() -> plan.prints()
                        .stream()
                        .min(Comparator.comparing((SectionPrint p) -> isDone(p)).thenComparing(p -> -p.hours()))
                        .orElseThrow());
    }

    @Override
    void write(Card card, PrintPlan plan) {
        if (plan.prints().isEmpty()) return;
        var p = picked(plan);
        card.add(stamps(plan, "", Optional.of(p.name()), s -> s.ifPresent(this::pick)));
        choices(card, p);
        byHand(card, p);
        var o = p.orientation();
        card.row("support", "~" + Words.grams(p.estimate().supportGrams()),
                Words.text("touches %.0f cm\u00b2, %.1f of it seen", o.contactMm2() / 100, o.showContactMm2() / 100),
                o.showContactMm2() > 300 ? "care" : "");
        card.row("stands on", Words.text("%.1f cm\u00b2", o.footMm2() / 100),
                Words.text("%s tall; tips at %.0f\u00b0", words().longLength(o.size().z()), o.tipDeg()));
        time(card, p);
        model.result(PrintFigures.REMARKS).ifPresent(r -> view.findings(card, r.about(p.id())));
        model.result(PrintFigures.CHECKED).ifPresent(c -> view.findings(card, c.about(p.name())));
        firstHour(card, p);
        card.title("all sections at once, printed ones set apart");
        var aims = new ArrayList<Button>();
        for (var aim : Orientation.Aim.values()) aims.add(Card.action(aim.words(), () -> all(plan, aim)));
        card.add(new javafx.scene.layout.FlowPane(8, 4, aims.toArray(javafx.scene.Node[]::new)));
        cleanUp(card, p);
        view.cautions(card, Station.PRINT);
        card.primary("keep and join", () -> model.pageProperty().set(Page.JOIN));
    }

    private void choices(Card card, SectionPrint p) {
        var ways = model.result(PrintFigures.WAYS).map(w -> w.bySection().getOrDefault(p.name(), List.of())).orElse(List.of());
        if (ways.isEmpty()) {
            card.text("comparing ways up ...");
            return;
        }
        var table = view.table("section " + p.name(), "lines \u00b5m", "seen cm\u00b2", "print h", "ready");
        for (var w : ways) {
            boolean current = same(w.print().orientation().turn(), p.orientation().turn());
            var o = w.print().orientation();
            String[] known = {Words.text("%.0f", w.print().cusp95Um()), Words.text("%.1f", o.showContactMm2() / 100),
                    Words.text("~%.1f", w.print().hours())};
            var row = view.row(table, o.label(), current, turn(p, w.turn()),
                    (r, d) -> r.figures(PrintView.readyAt(d), known[0], known[1], known[2], PrintView.readyOf(d)));
            row.estimates(known);
            row.more((w.aims().isEmpty() ? "" : w.aims().stream().map(Orientation.Aim::words).collect(Collectors.joining(", ")) + "\n")
                    + Words.text("%s tall, ~%s support, ~%s to clean up, stands on %.1f cm\u00b2, tips at %.0f\u00b0",
                            words().longLength(o.size().z()), Words.grams(w.print().estimate().supportGrams()),
                            Words.hours(CleanUp.of(w.print(), model.shop()).hours()), o.footMm2() / 100, o.tipDeg())
                    + (w.print().fits() ? "" : "\nfits no bed"));
        }
        card.add(table);
        var best = ways.stream()
                .filter(w -> same(w.print().orientation().turn(), p.orientation().turn()) && !w.aims().isEmpty())
                .findFirst();
        best.ifPresent(w -> card.text("now: " + w.aims().stream().map(Orientation.Aim::words).collect(Collectors.joining(", "))));
    }

    private static boolean same(Turn a, Turn b) {
        return a.row2().dot(b.row2()) > 1 - 1e-9;
    }

    private Edit turn(SectionPrint p, Turn t) {
        return Edit.print("turn " + p.name() + ": " + Orientation.label(t), prop().id(), p.name(), w -> w.turned(Optional.of(t)));
    }

    private void byHand(Card card, SectionPrint p) {
        var step = field("tilt-step", "step", "degrees between 1 and 90, such as 15", 1, 90).with("15");
        step.setOnAction(e -> step.read());
        step.setPrefWidth(52);
        step.setMinWidth(46);
        var front = arrow(Feather.ARROW_UP, () -> tilt(p, step.read().orElse(0), Vec3.X.times(-1)));
        var back = arrow(Feather.ARROW_DOWN, () -> tilt(p, step.read().orElse(0), Vec3.X));
        var left = arrow(Feather.ARROW_UP, () -> tilt(p, step.read().orElse(0), Vec3.Y.times(-1)));
        var right = arrow(Feather.ARROW_DOWN, () -> tilt(p, step.read().orElse(0), Vec3.Y));
        front.setAccessibleText("lift the side towards you");
        back.setAccessibleText("lower the side towards you");
        left.setAccessibleText("lift the right side");
        right.setAccessibleText("lower the right side");
        front.setId("tilt-near-up");
        left.setId("tilt-right-up");
        card.row("tilt by \u00b0", step, soft("near"), front, back, soft("right"), left, right);
        var lay = new ToggleButton("lay a face down");
        lay.getStyleClass().setAll("toggle-button", "plain");
        lay.setId("lay-face");
        lay.setSelected(laying);
        lay.setOnAction(e -> {
            laying = lay.isSelected();
            view.again();
        });
        var reset = Card.action("as proposed",
                () -> model.apply(Edit.print("turn " + p.name() + " as proposed", prop().id(), p.name(), w -> w.turned(Optional.empty()))));
        reset.setDisable(prop().print().section(p.name()).turn().isEmpty());
        card.row("by hand", lay, reset);
        if (laying) card.text("click the face that is to lie on the bed");
    }

    private static Label soft(String words) {
        var l = new Label(words);
        l.getStyleClass().addAll("soft", "small");
        l.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        return l;
    }

    /** @param axis in bed coordinates: x to the right, y away, z up */
    private void tilt(SectionPrint p, double degrees, Vec3 axis) {
        if (degrees > 0) model.apply(turn(p, p.orientation().turn().then(Turn.about(axis, degrees)).tidy()));
    }

    private void all(PrintPlan plan, Orientation.Aim aim) {
        var choices = model.result(PrintFigures.CHOICES);
        if (choices.isEmpty()) return;
        var taken = plan.prints()
                .stream()
                .filter(p -> !isDone(p))
                .collect(Collectors.toMap(SectionPrint::name,
                        p -> aim.best(choices.get().bySection().get(p.name()), prop().scale(), p.printer()).turn()));
        model.apply(Edit.ofProp("all sections: " + aim.words(), prop().id(), q -> {
            for (var e : taken.entrySet())
                q = q.withPrint(q.print().withSection(e.getKey(), q.print().section(e.getKey()).turned(Optional.of(e.getValue()))));
            return q;
        }));
    }

    private void time(Card card, SectionPrint p) {
        var e = p.estimate();
        String what = p.profile().cure().isPresent() ? Words.text("%d layers of light and lift", e.layers())
                : Words.text("walls %.1f, infill %.1f, support %.1f, rest %.1f h; %d layers, %.0f m", e.wallHours(), e.infillHours(),
                        e.supportHours(), e.otherHours(), e.layers(), e.metres());
        card.row("prints", Words.about(p.hours()), Words.text("%.1f to %.1f h; %s on %s, %s; risk %s", e.lowHours(), e.highHours(),
                p.profile().layerMm() + " mm", p.printer().name(), Words.grams(p.grams()), Words.percent(p.risk())) + "\n" + what);
    }

    private void firstHour(Card card, SectionPrint p) {
        var section = model.result(CutFigures.SECTIONS).flatMap(s -> s.sections().stream().filter(q -> q.id().equals(p.id())).findFirst());
        if (section.isEmpty() || isDone(p)) return;
        card.title("in its first hour");
        FirstHour.of(section.get().mesh(), p, model.shop().material(p.profile().material()))
                .looks()
                .forEach(l -> card.step(l.when(), l.what(), ""));
    }

    private void cleanUp(Card card, SectionPrint p) {
        var clean = CleanUp.of(p, model.shop());
        var rate = model.ofBuild(PlanFigures.TASKS).map(t -> t.lessons().rates().getOrDefault("clean", Rate.UNKNOWN)).orElse(Rate.UNKNOWN);
        card.title(Words.text("when %s is printed: %s, by %s", p.name(), Words.about(rate.factor() * clean.hours()), rate.source()));
        for (var s : clean.steps()) card.step(Words.text("%.0f min", 60 * rate.factor() * s.hours()), s.what(),
                s.tool() + "; " + Caution.of(s.work(), p.profile().material(), model.shop()).gear());
    }

    @Override
    void draw(PrintPlan plan) {
        var p = picked(plan);
        var mesh = model.result(CutFigures.DRAWING).map(d -> d.bySection().get(p.name())).orElse(null);
        if (mesh == null) return;
        var turn = p.orientation().turn();
        double s = prop().scale();
        var box = OnBed.box(mesh, turn, s);
        var bed = p.printer();
        var scene = new OnBed(view.bench(), view.night(), 0, 0);
        scene.bed(bed);
        double x = (bed.bedX() - box.size().x()) / 2, y = (bed.bedY() - box.size().y()) / 2;
        double outX = Math.max(0, -x), outY = Math.max(0, -y); // what is too large for the bed is still seen whole
        var body = scene.section(mesh, turn, s, x, y, p.profile().layerMm(), Math.max(1, (int) Math.round(LINE_MM / p.profile().layerMm())),
                view.bare());
        if (laying) body.setUserData(new Bench.Target(f -> lay(p, mesh.areaVector(f))));
        else model.result(PrintFigures.POSTS)
                .map(q -> q.bySection().get(p.name()))
                .ifPresent(held -> scene.support(held.posts(), held.bedZ(), box, x, y));
        if (!laying) model.result(PrintFigures.CHECKED)
                .map(c -> c.bySection().get(p.name()))
                .ifPresent(c -> scene.trouble(c, OnBed.box(mesh, turn, s), turn, x, y));
        view.bench()
                .show(scene.things(),
                        Bounds3.of(-bed.bedX() - outX, -bed.bedY() - outY, -0.3 * bed.bedX(), outX, outY, Math.max(60, box.size().z())),
                        view.frameKey("stand " + bed.name() + (outX + outY > 0 ? Math.round(outX) + " " + Math.round(outY) : "")));
        view.bench().legend().ramp(Optional.of(Ramp.cusp()), "\u00b5m", 1);
        view.bench()
                .callouts(List.of(new Bench.Callout(scene.place(bed.bedX() / 2, bed.bedY() / 2, box.size().z()),
                        p.name() + "  " + Words.about(p.hours()), "")));
        var o = p.orientation();
        view.bench()
                .gauges(List.of(
                        new Bench.Gauge("section " + p.name(), Words.about(p.hours()), Words.text("~%s", Words.grams(p.grams())), ""),
                        new Bench.Gauge("layer lines", Words.text("%.0f \u00b5m", p.cusp95Um()), Words.text("median %.0f", p.cusp50Um()),
                                ""),
                        new Bench.Gauge("support seen", Words.text("%.1f cm\u00b2", o.showContactMm2() / 100),
                                Words.text("of %.0f touched", o.contactMm2() / 100), o.showContactMm2() > 300 ? "care" : ""),
                        new Bench.Gauge("tips at", Words.text("%.0f\u00b0", o.tipDeg()), Words.text("on %.1f cm\u00b2", o.footMm2() / 100),
                                "")));
    }

    /** @param normal of the picked facet, in the model's coordinates */
    private void lay(SectionPrint p, Vec3 normal) {
        if (normal.norm() == 0) return;
        laying = false;
        model.apply(turn(p, Turn.lift(normal.unit().times(-1)).tidy()));
    }

    private static Button arrow(Ikon icon, Runnable run) {
        var b = Card.action("", run);
        b.setGraphic(new FontIcon(icon));
        return b;
    }
}
