package yellowbracket.work;

import java.util.List;

/** The work that one station's decisions cause for one prop. Hours are the catalogue's; the plan puts this maker's own rates on them. */
public interface StationWork {
    /** Tasks in order, and what the next station then waits for. */
    record Stated(List<Task> tasks, Ready then) {
        public Stated {
            tasks = List.copyOf(tasks);
        }
    }

    /** @param before what the first of them wait for */
    Stated after(Ready before);

    /** What it consumes, without reserve. */
    default List<Need> needs() {
        return List.of();
    }
}
