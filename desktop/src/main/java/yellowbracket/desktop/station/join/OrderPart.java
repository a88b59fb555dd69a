package yellowbracket.desktop.station.join;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.control.Slider;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.join.JoinOrder;
import yellowbracket.join.JoinPlan;
import yellowbracket.mesh.Vec3;
import yellowbracket.work.TaskId;

/** In which order it comes together: each step with its minutes, how it is held, what waits; a slider walks through them in the bench. */
final class OrderPart extends JoinPart {
    private int step = 1;

    OrderPart(JoinView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "in which order";
    }

    @Override
    void write(Card card, JoinPlan plan) {
        var steps = plan.steps();
        if (steps.isEmpty()) {
            card.text("nothing to bring together");
            return;
        }
        step = Math.clamp(step, 1, steps.size());
        double work = plan.byHandMin(model.shop()) / 60;
        card.row("steps", String.valueOf(steps.size()),
                Words.text("%s by hand, to wet, align and hold; %s of glue", Words.about(work), Words.grams(plan.glueGrams())));
        card.row("by", new Choice<>("join-aim", "what the order goes by", Arrays.asList(JoinOrder.Aim.values()), prop().join().aim(),
                JoinOrder.Aim::words, a -> change("order by " + a.words(), w -> w.withAim(a))));
        own(card, plan);
        if (view.names().size() <= JoinTree.MOST) card.add(new JoinTree(steps, step, this::go));
        var slider = new Slider(1, Math.max(2, steps.size()), step);
        slider.setId("order-step");
        slider.setAccessibleText("step that the bench shows");
        slider.setMajorTickUnit(1);
        slider.setMinorTickCount(0);
        slider.setSnapToTicks(true);
        slider.setBlockIncrement(1);
        slider.setDisable(steps.size() == 1);
        slider.valueProperty().subscribe((before, now) -> {
            int to = (int) Math.round(now.doubleValue());
            if (to == step) return;
            step = Math.clamp(to, 1, steps.size());
            view.draw();
        });
        slider.valueChangingProperty().subscribe((before, now) -> {
            if (!now) view.again();
        });
        card.row("walk through", slider);
        for (var s : steps) written(card, s, steps);
        plan.chain()
                .ifPresent(c -> card.row("straight", Words.text("\u00b1%.0f mm", c.wanderMm()),
                        Words.text("at the far end of %s, joined by eye; in a straight rail of %.0f mm hardly any",
                                words().longLength(c.lengthMm()), c.railMm())));
        card.text("a dry fit comes first; what is hard to reach later, such as inserts, wiring and inner strips, goes in before its step");
    }

    private void go(int number) {
        step = number;
        view.draw();
        view.again();
    }

    /** Whose order it is. */
    private void own(Card card, JoinPlan plan) {
        boolean own = !prop().join().order().isEmpty();
        if (!own) return;
        var back = Card.action("take the proposed order", () -> change("the proposed order", w -> w.withOrder(java.util.List.of())));
        back.setId("order-proposed");
        card.row("order", Card.more("your own"), back);
        view.findings(card, plan.ofOrder());
    }

    /** One step changes places with the one before it, or after. */
    private void swap(java.util.List<JoinPlan.Step> steps, int i, int k) {
        var order = new ArrayList<>(steps.stream().map(s -> s.seams().getFirst()).toList());
        java.util.Collections.swap(order, i, k);
        step = k + 1;
        change("step " + (i + 1) + (k < i ? " earlier" : " later"), w -> w.withOrder(order));
    }

    private void written(Card card, JoinPlan.Step s, java.util.List<JoinPlan.Step> steps) {
        boolean done = model.schedule()
                .flatMap(q -> q.placed(new TaskId.Step(prop().id(), TaskId.Series.JOIN, s.number())))
                .map(q -> q.done())
                .orElse(false);
        String hold = s.holdMin() > 90 ? Words.hours(s.holdMin() / 60) : Words.text("%.0f min", s.holdMin());
        var lines = new ArrayList<String>();
        lines.add(Words.text("%s with %s, %s: %.1f min to wet and align, open %s", String.join("  ", s.seams()),
                String.join(", ", s.products()), Words.grams(s.grams()), s.needMin(), SeamsPart.open(s.openMin())));
        s.before().forEach(b -> lines.add("before: " + b));
        lines.addAll(s.notes());
        lines.add(s.how());
        lines.add("hold " + hold + ", handle after " + Words.hours(s.handleH()));
        card.step(s.number() + (done ? "   done" : ""), s.words(), String.join("\n", lines));
        if (s.number() == step && steps.size() > 1) moved(card, steps);
    }

    /** The step that the bench shows may change places with its neighbours. */
    private void moved(Card card, java.util.List<JoinPlan.Step> steps) {
        int i = step - 1;
        var earlier = Card.action("earlier", () -> swap(steps, i, i - 1));
        earlier.setId("step-earlier");
        earlier.setAccessibleText("step " + step + " earlier");
        earlier.setDisable(i == 0);
        var later = Card.action("later", () -> swap(steps, i, i + 1));
        later.setId("step-later");
        later.setAccessibleText("step " + step + " later");
        later.setDisable(i + 1 == steps.size());
        card.row("do step " + step, earlier, later);
    }

    /** What is together before a step. */
    private static Set<String> before(JoinPlan plan, int number) {
        var out = new HashSet<String>();
        for (var s : plan.steps()) if (s.number() < number) {
            out.addAll(s.one());
            out.addAll(s.other());
        }
        return out;
    }

    @Override
    void draw(JoinPlan plan) {
        if (plan.steps().isEmpty()) {
            view.overview(plan);
            return;
        }
        var s = plan.steps().get(Math.clamp(step, 1, plan.steps().size()) - 1);
        var way = Vec3.ZERO;
        for (var n : s.seams()) {
            var seam = plan.join(n).seam();
            boolean lies = s.one().contains(seam.above());
            way = way.plus(seam.normal().times((lies ? 1 : -1) * seam.areaMm2()));
        }
        double far = view.bounds().orElseThrow().diagonal() / 7;
        var off = way.norm() > 1e-9 ? way.unit().times(far) : Vec3.Z.times(far);
        var things = new ArrayList<Node>();
        var labels = new ArrayList<Bench.Callout>();
        var joined = before(plan, s.number());
        for (var n : view.names()) {
            boolean one = s.one().contains(n), other = s.other().contains(n);
            if (one || other) view.section(n, one ? off : Vec3.ZERO, view.plastic(), 1).ifPresent(things::add);
        }
        // what is not in this step, seen through: drawn last
        for (var n : view.names()) if (!s.one().contains(n) && !s.other().contains(n))
            view.section(n, Vec3.ZERO, view.neutral(), joined.contains(n) ? 0.28 : 0.1).ifPresent(things::add);
        for (var n : s.seams()) {
            var seam = plan.join(n).seam();
            labels.add(new Bench.Callout(seam.centre().plus(off.times(0.5)), n, ""));
        }
        view.shown(plan, things, labels, "order");
        view.bench().legend().none();
    }
}
