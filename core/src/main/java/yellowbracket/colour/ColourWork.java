package yellowbracket.colour;

import java.util.ArrayList;
import java.util.List;
import yellowbracket.shop.Practice;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Rate;
import yellowbracket.work.Need;
import yellowbracket.work.Operation;
import yellowbracket.work.Ready;
import yellowbracket.work.StationWork;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;
import yellowbracket.work.Tool;

/** Undercoat, zones, seal, one after the other. */
public record ColourWork(String prop, ColourPlan plan, Catalogue shop) implements StationWork {
    /** Windows longer than this do not close. */
    private static final double NEVER_CLOSES_H = 100;

    @Override
    public Stated after(Ready before) {
        var tasks = new ArrayList<Task>();
        var last = before.all();
        for (var c : plan.coats()) {
            boolean spray = c.sprayed();
            String name = c.count() + " coats " + c.product() + (c.zone().equals(ColourPlan.ALL) ? "" : ", " + c.zone());
            double flash = (c.count() - 1) * (spray ? Math.min(shop.usual(Practice.STAND_BY_H), c.recoatFromH()) : 0);
            var task = new Task(new TaskId.Step(prop, TaskId.Series.COLOUR, tasks.size() + 1), name,
                    spray ? Operation.SPRAY : Operation.BRUSH, c.product(), spray ? Tool.CAN : Tool.BRUSH,
                    new Task.Effort(c.handH(), flash, Rate.UNKNOWN.spread(), Rate.UNKNOWN.source()),
                    new Task.Lag(c.tapeH(), c.recoatToH() < NEVER_CLOSES_H ? c.recoatToH() : 0, c.recoatAgainH()),
                    spray ? Task.Doer.SPRAY : Task.Doer.PERSON, last);
            tasks.add(task);
            last = List.of(task.id());
        }
        return new Stated(tasks, Ready.after(last));
    }

    @Override
    public List<Need> needs() {
        return plan.coats().stream().map(k -> {
            String name = k.zone().equals(ColourPlan.ALL) ? k.product() : k.product() + " " + k.hex();
            return k.sprayed() ? new Need(name, k.cans(), "cans")
                    : new Need(name, k.cans() * shop.coating(k.product()).containerMl(), "ml");
        }).toList();
    }
}
