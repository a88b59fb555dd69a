package yellowbracket.smooth;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import yellowbracket.shop.Practice;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Coating;
import yellowbracket.shop.Hardener;
import yellowbracket.shop.Rate;
import yellowbracket.work.Need;
import yellowbracket.work.Operation;
import yellowbracket.work.Ready;
import yellowbracket.work.StationWork;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;
import yellowbracket.work.Tool;

/** Seams first, then the ladder step by step, then as many rounds of looking and mending as are expected. */
public record SmoothWork(String prop, SmoothPlan plan, Optional<Rounds> rounds, Catalogue shop) implements StationWork {

    @Override
    public Stated after(Ready before) {
        var tasks = new ArrayList<Task>();
        var last = before.all();
        if (plan.seamDm2() > 0) {
            var seams = Task
                    .byHand(new TaskId.OfProp(prop, TaskId.Once.SEAMS), "fill and blend the seams", Operation.FILL_SEAMS, Tool.SPREADER,
                            plan.seamH(), last)
                    .withProduct(plan.seamFiller().map(Mix::product).orElse(""))
                    .withLag(Task.Lag.atLeast(plan.seamFiller().map(m -> shop.coating(m.product()).sandableH()).orElse(0.0)));
            tasks.add(seams);
            last = List.of(seams.id());
        }
        for (var step : steps(plan)) {
            var task = task(step.work, step.looked, tasks.size(), last);
            tasks.add(task);
            last = List.of(task.id());
        }
        var mended = plan.work().isEmpty() ? Optional.<Rounds.Work>empty() : rounds.flatMap(r -> r.work(plan.areas().totalDm2(), shop));
        if (mended.isPresent()) {
            var task = mending(mended.get(), rounds.orElseThrow().left(), last);
            tasks.add(task);
            last = List.of(task.id());
        }
        return new Stated(tasks, Ready.after(last));
    }

    /** One task of the ladder. @param looked a look that belongs to it */
    private record OfLadder(SmoothPlan.Work work, Optional<SmoothPlan.Work> looked) {}

    private static List<OfLadder> steps(SmoothPlan plan) {
        var work = plan.work();
        var out = new ArrayList<OfLadder>();
        for (int i = 0; i < work.size(); i++) {
            boolean looked = i + 1 < work.size() && timed(work.get(i + 1));
            if (!timed(work.get(i))) out.add(new OfLadder(work.get(i), looked ? Optional.of(work.get(i + 1)) : Optional.empty()));
        }
        return out;
    }

    /** What is done in a task of the ladder; empty for other tasks. */
    public static Optional<SmoothPlan.Work> work(SmoothPlan plan, TaskId id) {
        if (!(id instanceof TaskId.Step s) || s.series() != TaskId.Series.SMOOTH) return Optional.empty();
        var all = steps(plan);
        return s.number() >= 1 && s.number() <= all.size() ? Optional.of(all.get(s.number() - 1).work) : Optional.empty();
    }

    private Task mending(Rounds.Work w, Rounds.Left left, List<TaskId> after) {
        String often = left.low() == left.high() ? String.valueOf(w.rounds())
                : String.format(Locale.ROOT, "~%d (%d to %d)", w.rounds(), left.low(), left.high());
        return new Task(new TaskId.OfProp(prop, TaskId.Once.ROUNDS), often + " rounds: look under raking light, mend, prime",
                Operation.INSPECT, "filler primer", Tool.CAN, new Task.Effort(w.handH(), w.setupH(), w.spread(), Rate.UNKNOWN.source()),
                Task.Lag.atLeast(w.waitH()), Task.Doer.PERSON, after);
    }

    /** A look while a film is wet belongs to the session that puts it on, an inspection coat to the sanding before it. */
    private static boolean timed(SmoothPlan.Work w) {
        String what = w.step().what();
        return w.step().kind() == Ladder.Kind.LOOK && (what.startsWith(SmoothPlanner.WET) || what.equals(SmoothPlanner.MIST));
    }

    private Task task(SmoothPlan.Work w, Optional<SmoothPlan.Work> looked, int before, List<TaskId> after) {
        var step = w.step();
        boolean spray = step.kind() == Ladder.Kind.PRIME;
        var operation = switch (step.kind()) {
            case PRIME -> Operation.PRIME;
            case SAND -> Operation.SAND;
            case FILM -> Operation.SPREAD;
            case LOOK -> Operation.INSPECT;
        };
        int number = before + (plan.seamDm2() > 0 ? 0 : 1);
        boolean atSpot = spray && shop.coating(step.product()).sprayed();
        double setupH = shop.usual(spray ? Practice.SPRAY_SETUP_H : Practice.HAND_SETUP_H);
        return new Task(new TaskId.Step(prop, TaskId.Series.SMOOTH, number), called(w) + looked.map(l -> "; " + l.step().what()).orElse(""),
                operation, step.kind() == Ladder.Kind.SAND ? "" : step.product(), tool(step),
                new Task.Effort(w.hours() + looked.map(SmoothPlan.Work::hours).orElse(0.0), setupH, atSpot ? setupH : 0,
                        Rate.UNKNOWN.spread(), Rate.UNKNOWN.source()),
                Task.Lag.atLeast(step.waitH()), atSpot ? Task.Doer.SPRAY : Task.Doer.PERSON, after);
    }

    /** Areas by name where they are few. */
    private static String called(SmoothPlan.Work w) {
        String where = w.where().isEmpty() ? ""
                : w.where().size() < 3 ? ": " + String.join("; ", w.where()) : String.format(Locale.ROOT, ": %.0f dm\u00b2", w.areaDm2());
        return w.step().what() + where;
    }

    private Tool tool(Ladder.Step step) {
        return switch (step.kind()) {
            case PRIME -> shop.coating(step.product()).sprayed() ? Tool.CAN : Tool.BRUSH;
            case LOOK -> Tool.HANDS;
            case SAND -> step.machine() ? Tool.SANDER : Tool.SANDING;
            case FILM -> shop.coating(step.product()).kind() == Coating.Kind.RESIN ? Tool.UV_LAMP : Tool.SPREADER;
        };
    }

    @Override
    public List<Need> needs() {
        var out = new ArrayList<Need>();
        plan.seamFiller().ifPresent(m -> out.add(new Need(m.product(), m.gramsTotal(), "g")));
        for (var w : plan.work()) {
            if (w.step().kind() == Ladder.Kind.LOOK) continue;
            if (w.step().kind() == Ladder.Kind.SAND) {
                out.add(new Need(w.step().product() + " sheets", w.sheets(), "sheets"));
                continue;
            }
            var c = shop.coating(w.step().product());
            double ml = w.ml() * shop.usual(Practice.MIX_TIMES);
            if (c.sprayed()) out.add(new Need(c.name(), w.cans(), "cans"));
            else if (c.hardener().filter(h -> h.basis() == Hardener.Basis.MASS).isPresent())
                out.add(new Need(c.name(), ml * c.densityGcm3(), "g")); // as the seams' filler is counted
            else out.add(new Need(c.name(), ml, "ml"));
        }
        consumables(out);
        return List.copyOf(out);
    }

    /** Gloves for each wet session, brushes by area, filters by the hour, isopropanol for the tacky film. */
    private void consumables(List<Need> out) {
        double wet = plan.seamDm2() > 0 ? 1 : 0, brushed = 0, sprayH = 0, tacky = 0;
        for (var w : plan.work()) {
            var kind = w.step().kind();
            if (kind != Ladder.Kind.FILM && kind != Ladder.Kind.PRIME) continue;
            wet++;
            var c = shop.coating(w.step().product());
            if (c.sprayed()) sprayH += w.hours() + shop.usual(Practice.SPRAY_SETUP_H);
            else if (!c.byKnife()) brushed += w.areaDm2() * w.step().coats();
            if (c.light().isPresent()) tacky += w.areaDm2() * w.step().coats();
        }
        if (wet > 0) out.add(new Need("nitrile gloves", wet * shop.usual(Practice.GLOVES_SESSION), "pairs"));
        if (brushed > 0) out.add(new Need("brushes", Math.ceil(brushed / shop.usual(Practice.FILLS_DM2_BRUSH)), "pieces"));
        if (sprayH > 0) out.add(new Need("mask filters, vapour and dust", sprayH / shop.usual(Practice.FILTER_H), "pairs"));
        if (tacky > 0) out.add(new Need("isopropanol", ISOPROPANOL_ML_DM2 * tacky, "ml"));
    }

    /** To wipe a square decimetre. */
    private static final double ISOPROPANOL_ML_DM2 = 3;
}
