package yellowbracket.desktop.station.join;

import java.util.ArrayList;
import java.util.Optional;
import javafx.scene.Node;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.NumberField;
import yellowbracket.join.DryFitAdvice;
import yellowbracket.join.JoinPlan;
import yellowbracket.join.JoinWish;
import yellowbracket.join.SeamJoin;

/** Put together dry with tape, seam by seam in the order of assembly: what was found decides the glue and the filler. */
final class DryFitPart extends JoinPart {
    DryFitPart(JoinView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "put together dry";
    }

    @Override
    void write(Card card, JoinPlan plan) {
        card.text("tape the seams up in this order, inside and outside, and look along each against the light. Type the widest gap and the "
                + "highest step; nothing typed means not looked at yet.");
        int n = 0, looked = 0;
        for (var s : plan.steps()) for (var name : s.seams()) {
            if (prop().join().dryFit().containsKey(name)) looked++;
            row(card, ++n, plan.join(name));
        }
        card.row("looked at", looked + " of " + n, looked == n ? "glue can come out" : "", looked == n ? "good" : "");
    }

    private void row(Card card, int number, SeamJoin j) {
        String seam = j.seam().name();
        var found = Optional.ofNullable(prop().join().dryFit().get(seam));
        var gap = typed("gap-" + seam, "gap of " + seam, found.map(JoinWish.DryFit::gapMm));
        var step = typed("step-" + seam, "step of " + seam, found.map(JoinWish.DryFit::stepMm));
        gap.setPromptText("gap");
        step.setPromptText("step");
        Runnable keep = () -> {
            var g = gap.getText().isBlank() ? java.util.OptionalDouble.of(0) : gap.read();
            var s = step.getText().isBlank() ? java.util.OptionalDouble.of(0) : step.read();
            if (g.isPresent() && s.isPresent()) keep(seam, new JoinWish.DryFit(g.getAsDouble(), s.getAsDouble()));
        };
        gap.setOnAction(e -> keep.run());
        step.setOnAction(e -> keep.run());
        var fits = Card.action("fits", () -> keep(seam, new JoinWish.DryFit(0, 0)));
        fits.setAccessibleText(seam + " fits");
        card.row(number + "  " + seam, gap, step, fits);
        card.row("", Card.more(found.map(f -> String.join("; ", DryFitAdvice.of(f, j, softensC()))).orElse(lookAt(j))));
    }

    private NumberField typed(String id, String what, Optional<Double> now) {
        var f = field(id.replace('|', '-'), what, "mm between 0 and 20, such as 0.4", 0, JoinWish.DryFit.MOST_MM)
                .with(now.map(v -> Words.text("%.1f", v)).orElse(""));
        f.setPrefWidth(58);
        f.setMinWidth(50);
        return f;
    }

    private void keep(String seam, JoinWish.DryFit f) {
        change(f.fits() ? seam + " fits" : Words.text("%s: gap %.1f mm, step %.1f mm", seam, f.gapMm(), f.stepMm()), w -> w.found(seam, f));
    }

    private double softensC() {
        return model.shop().material(prop().print().profile().material()).softensC();
    }

    private static String lookAt(SeamJoin j) {
        return Words.text("%.0f mm of line: brim, nubs and the flare of the first layers off before", j.seam().lengthMm());
    }

    @Override
    void draw(JoinPlan plan) {
        var things = new ArrayList<Node>();
        var labels = new ArrayList<Bench.Callout>();
        view.seams(plan, things, labels, j -> {
            var f = prop().join().dryFit().get(j.seam().name());
            return j.seam().name() + (f == null ? "" : f.fits() ? " fits" : Words.text(" %.1f mm", Math.max(f.gapMm(), f.stepMm())));
        });
        view.shell(things);
        view.shown(plan, things, labels, "dry fit");
    }
}
