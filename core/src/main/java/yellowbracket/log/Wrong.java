package yellowbracket.log;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowbracket.work.Operation;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;

/**
 * Something went wrong by hand and nobody has said why: like work waits until a line {@code cause:} is noted, or a cause stands in the line
 * itself.
 */
public record Wrong(Entry entry, TaskId task) {
    /** Tags a cause that lets go of work by hand alone: no printer is meant. */
    public static final String BY_HAND = "by-hand";

    /** Those that still wait for a cause, in the order noted. */
    public static List<Wrong> open(List<Entry> log) {
        var out = new ArrayList<Wrong>();
        for (var e : log) {
            if (e.kind() == Entry.Kind.CAUSE) out.clear();
            if (e.kind() == Entry.Kind.WRONG && e.cause().isEmpty()) e.task().ifPresent(t -> out.add(new Wrong(e, t)));
        }
        return List.copyOf(out);
    }

    /** What holds a task: like work went wrong and no cause is noted. @param tasks of the plan, where the other is looked up */
    public static Optional<Wrong> holding(Task task, List<Wrong> open, List<Task> tasks) {
        return open.stream()
                .filter(w -> tasks.stream()
                        .filter(t -> t.id().equals(w.task))
                        .map(Task::operation)
                        .map(Operation::rate)
                        .anyMatch(task.operation().rate()::equals))
                .findFirst();
    }
}
