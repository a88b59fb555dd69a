package yellowbracket.plan;

import java.util.ArrayList;
import java.util.List;
import yellowbracket.work.Need;
import yellowbracket.work.Ready;
import yellowbracket.work.StationWork;
import yellowbracket.work.Task;

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

    public List<Need> needs() {
        return stations.stream().flatMap(s -> s.needs().stream()).toList();
    }
}
