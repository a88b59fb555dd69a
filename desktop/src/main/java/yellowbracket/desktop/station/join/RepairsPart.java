package yellowbracket.desktop.station.join;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import yellowbracket.derive.join.JoinFigures;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.join.JoinPlan;
import yellowbracket.join.Mend;

/** What broke and how it is put together again. */
final class RepairsPart extends JoinPart {
    private String broken = "";

    RepairsPart(JoinView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "what broke";
    }

    @Override
    void write(Card card, JoinPlan plan) {
        var what = new ArrayList<String>();
        plan.joins().forEach(j -> what.add(j.seam().name()));
        what.addAll(view.names());
        if (!what.contains(broken)) broken = what.isEmpty() ? "" : what.getFirst();
        var told = Card.action("it broke", () -> model.note("broke " + broken));
        told.setId("broke");
        told.setDisable(broken.isEmpty());
        card.row("broken", new Choice<>("broken", "seam or section that broke", what, broken,
                w -> w.contains("|") ? "seam " + w : "section " + w, w -> broken = w), told);
        var mends = model.result(JoinFigures.MENDS);
        var list = mends.map(JoinFigures.Mends::list).orElse(List.of());
        if (list.isEmpty()) card.text("nothing has broken so far; what does is noted in the log, and mending it becomes a task");
        for (var m : list) mend(card, m);
        mends.ifPresent(m -> view.findings(card, m.alike()));
    }

    private boolean done(Mend m) {
        return model.ofBuild(PlanFigures.TASKS).map(t -> t.lessons().done().containsKey(m.task())).orElse(false);
    }

    private void mend(Card card, Mend m) {
        card.title(m.what() + (done(m) ? ", mended" : ""));
        if (!done(m)) {
            int n = 1;
            for (var s : m.steps()) card.step(String.valueOf(n++), s, "");
        }
        card.row("by hand", Words.about(m.hours()),
                Words.text("%s, %s; handle after %s", m.product(), Words.grams(m.grams()), Words.hours(m.waitH())));
        if (!done(m)) card.add(Card.action("mended", () -> model.note("done " + m.task().text())));
    }

    @Override
    void draw(JoinPlan plan) {
        var things = new ArrayList<Node>();
        var labels = new ArrayList<Bench.Callout>();
        var broke = model.result(JoinFigures.MENDS).map(JoinFigures.Mends::list).orElse(List.of());
        view.seams(plan, things, labels,
                j -> broke.stream().anyMatch(m -> m.what().equals("seam " + j.seam().name())) ? j.seam().name() + " broke" : "");
        view.shell(things);
        view.shown(plan, things, labels, "repairs");
    }
}
