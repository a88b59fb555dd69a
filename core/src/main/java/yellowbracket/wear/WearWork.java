package yellowbracket.wear;

import java.util.ArrayList;
import java.util.List;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Practice;
import yellowbracket.work.Need;
import yellowbracket.work.Operation;
import yellowbracket.work.Ready;
import yellowbracket.work.StationWork;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;
import yellowbracket.work.Tool;

/**
 * Pads, visor, straps after the last paint has cured, the walk test last of all; nothing for a prop nobody puts on.
 *
 * @param pads one set a wearer
 */
public record WearWork(String prop, boolean worn, List<PadPlan> pads, Catalogue shop) implements StationWork {

    @Override
    public Stated after(Ready before) {
        if (!worn) return new Stated(List.of(), before);
        var tasks = new ArrayList<Task>();
        for (var p : pads) {
            int count = p.pads().stream().filter(q -> !q.layersMm().isEmpty()).mapToInt(PadPlan.Pad::count).sum();
            tasks.add(Task.byHand(new TaskId.Pads(prop, p.wearer().name()), "cut and fit pads for " + p.wearer().name(), Operation.CUT_PADS,
                    Tool.KNIFE, shop.usual(Practice.PADS_H) + shop.usual(Practice.PAD_H) * count, before.all()));
        }
        tasks.add(pads.isEmpty()
                ? Task.byHand(new TaskId.OfProp(prop, TaskId.Once.STRAPS), "fit straps and rim foam", Operation.FIT_STRAPS, Tool.KNIFE,
                        shop.usual(Practice.STRAPS_H), before.all())
                : Task.byHand(new TaskId.OfProp(prop, TaskId.Once.VISOR), "cut and fit the visor, straps", Operation.FIT_VISOR, Tool.KNIFE,
                        shop.usual(Practice.VISOR_H), before.all()).withLag(Task.Lag.atLeast(shop.usual(Practice.VISOR_SETS_H))));
        var fitted = new ArrayList<>(before.all());
        tasks.forEach(t -> fitted.add(t.id()));
        var test = Task.byHand(new TaskId.OfProp(prop, TaskId.Once.TEST), "walk test: stairs, floor, hearing, off in five seconds",
                Operation.WALK_TEST, Tool.HANDS, shop.usual(Practice.WALK_TEST_H), fitted);
        tasks.add(test);
        return new Stated(tasks, Ready.after(List.of(test.id())));
    }

    @Override
    public List<Need> needs() {
        var out = new ArrayList<Need>();
        for (var p : pads) for (var pad : p.pads()) for (double l : pad.layersMm())
            out.add(new Need("foam " + Math.round(l) + " mm", pad.count() * shop.usual(Practice.PAD_DM2), "dm2"));
        return List.copyOf(out);
    }
}
