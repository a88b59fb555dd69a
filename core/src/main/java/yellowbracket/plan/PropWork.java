package yellowbracket.plan;

import java.util.ArrayList;
import java.util.List;
import yellowbracket.work.Need;
import yellowbracket.work.Ready;
import yellowbracket.work.StationWork;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;

/**
 * The work on one prop: what its stations state, each after the one before. The order of the craft - dry fit before glue, reinforcement
 * before priming, smoothing before colour, pads after the last paint - is the order of the stations.
 */
public record PropWork(String prop, List<StationWork> stations) {
    public PropWork {
        stations = List.copyOf(stations);
    }

    /** At the catalogue's hours. */
    public List<Task> tasks() {
        var out = new ArrayList<Task>();
        var ready = Ready.AT_ONCE;
        for (var s : stations) {
            var stated = s.after(ready);
            out.addAll(stated.tasks());
            ready = stated.then();
        }
        return List.copyOf(out);
    }

    /** What is consumed by which task: by those that use the product, in proportion to their hours; else by the station's first. */
    public record Consumed(Need need, TaskId by) {}

    public List<Consumed> consumed() {
        var out = new ArrayList<Consumed>();
        var ready = Ready.AT_ONCE;
        for (var s : stations) {
            var stated = s.after(ready);
            ready = stated.then();
            for (var n : s.needs()) if (!stated.tasks().isEmpty()) consumed(n, stated.tasks(), out);
        }
        return List.copyOf(out);
    }

    private static void consumed(Need n, List<Task> tasks, List<Consumed> out) {
        var by = tasks.stream().filter(t -> !t.product().isEmpty() && n.product().startsWith(t.product())).toList();
        double hours = by.stream().mapToDouble(Task::activeH).sum();
        if (hours <= 0) out.add(new Consumed(n, tasks.getFirst().id()));
        else for (var t : by) out.add(new Consumed(new Need(n.product(), n.amount() * t.activeH() / hours, n.unit()), t.id()));
    }

    public List<Need> needs() {
        return stations.stream().flatMap(s -> s.needs().stream()).toList();
    }
}
