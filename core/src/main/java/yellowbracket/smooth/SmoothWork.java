package yellowbracket.smooth;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
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

/** Seams first, then the ladder step by step. */
public record SmoothWork(String prop, SmoothPlan plan, Catalogue shop) implements StationWork {

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
        for (var w : plan.work()) {
            var task = task(w, tasks.size(), last);
            tasks.add(task);
            last = List.of(task.id());
        }
        return new Stated(tasks, Ready.after(last));
    }

    private Task task(SmoothPlan.Work w, int before, List<TaskId> after) {
        var step = w.step();
        boolean spray = step.kind() == Ladder.Kind.PRIME;
        var operation = switch (step.kind()) {
            case PRIME -> Operation.PRIME;
            case SAND -> Operation.SAND;
            case FILM -> Operation.SPREAD;
        };
        int number = before + (plan.seamDm2() > 0 ? 0 : 1);
        return new Task(new TaskId.Step(prop, TaskId.Series.SMOOTH, number), called(w), operation,
                step.kind() == Ladder.Kind.SAND ? "" : step.product(), tool(step),
                new Task.Effort(w.hours(), spray ? shop.usual(Practice.SPRAY_SETUP_H) : shop.usual(Practice.HAND_SETUP_H),
                        Rate.UNKNOWN.spread(), Rate.UNKNOWN.source()),
                Task.Lag.atLeast(step.waitH()), spray ? Task.Doer.SPRAY : Task.Doer.PERSON, after);
    }

    /** Areas by name where they are few. */
    private static String called(SmoothPlan.Work w) {
        String where = w.where().isEmpty() ? ""
                : w.where().size() < 3 ? ": " + String.join("; ", w.where()) : String.format(Locale.ROOT, ": %.0f dm\u00b2", w.areaDm2());
        return w.step().what() + where;
    }

    private Tool tool(Ladder.Step step) {
        return switch (step.kind()) {
            case PRIME -> Tool.CAN;
            case SAND -> Tool.SANDING;
            case FILM -> shop.coating(step.product()).kind() == Coating.Kind.RESIN ? Tool.UV_LAMP : Tool.SPREADER;
        };
    }

    @Override
    public List<Need> needs() {
        var out = new ArrayList<Need>();
        plan.seamFiller().ifPresent(m -> out.add(new Need(m.product(), m.gramsTotal(), "g")));
        for (var w : plan.work()) {
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
        return List.copyOf(out);
    }
}
