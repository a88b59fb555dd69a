package yellowbracket.desktop.station.join;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.join.JoinFigures;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.desktop.widget.Choice;
import yellowbracket.join.JoinPlan;
import yellowbracket.join.Mend;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;

/** What broke and how it is put together again. */
final class RepairsPart extends JoinPart {
    /** A click as near to a seam counts as that seam, share of the prop's size. */
    private static final double NEAR = 0.02;

    private String broken = "";
    private boolean clicking;

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
        var click = Card.action(clicking ? "click where it broke" : "click it on the prop", () -> {
            clicking = !clicking;
            view.again();
            view.draw();
        });
        click.setId("broke-here");
        card.row("or", click, Card.more("a seam, or the place in a print: the recipe goes by how thick it is there"));
        var mends = model.result(JoinFigures.MENDS);
        var list = mends.map(JoinFigures.Mends::list).orElse(List.of());
        if (list.isEmpty()) card.text("nothing has broken so far; what does is noted in the log, and mending it becomes a task");
        for (var m : list) mend(card, m);
        mends.ifPresent(m -> view.findings(card, m.alike()));
    }

    /** @param p in the model's own mm */
    private void here(JoinPlan plan, Vec3 p) {
        clicking = false;
        var real = p.times(prop().scale());
        double near = NEAR * view.bounds().orElseThrow().diagonal();
        var seam = plan.joins()
                .stream()
                .map(j -> j.seam())
                .min(java.util.Comparator.comparingDouble(s -> s.line().stream().mapToDouble(real::distance).min().orElse(1e9)))
                .filter(s -> s.line().stream().anyMatch(q -> q.distance(real) < near));
        var section = model.result(CutFigures.SECTIONS)
                .flatMap(s -> s.sections().stream().min(java.util.Comparator.comparingDouble(q -> distance(q.mesh(), real))))
                .map(q -> q.name());
        if (seam.isPresent()) model.note("broke " + seam.get().name());
        else section.ifPresent(n -> model.note(Words.text("broke %s at %.0f,%.0f,%.0f", n, p.x(), p.y(), p.z())));
        view.again();
    }

    private static double distance(Mesh m, Vec3 p) {
        double least = Double.POSITIVE_INFINITY;
        for (int f = 0; f < m.triangleCount(); f++) least = Math.min(least, m.centroid(f).distance(p));
        return least;
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
        if (clicking) view.glassShell().ifPresent(g -> {
            g.setUserData(new Bench.Spot(p -> here(plan, p)));
            things.add(g);
        });
        else view.shell(things);
        view.shown(plan, things, labels, "repairs");
    }
}
