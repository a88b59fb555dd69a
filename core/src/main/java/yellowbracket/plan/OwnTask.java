package yellowbracket.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import yellowbracket.finding.Limits;
import yellowbracket.work.Operation;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;
import yellowbracket.work.Tool;

/**
 * A task of the maker's own.
 *
 * @param after what it waits for @param before what waits for it
 */
@RecordBuilder
public record OwnTask(String prop, int number, String name, Operation operation, double hours, double waitH, List<TaskId> after,
        List<TaskId> before) implements OwnTaskBuilder.With {
    public OwnTask {
        Limits.named("a task of your own", name);
        Limits.within("hours of " + name, hours, 0, 500);
        Limits.within("hours to wait after " + name, waitH, 0, 2000);
        after = List.copyOf(after);
        before = List.copyOf(before);
        if (operation == Operation.PRINT || operation == Operation.CALIBRATE)
            throw new IllegalArgumentException(name + ": prints are planned on the print page");
    }

    public TaskId id() {
        return new TaskId.Step(prop, TaskId.Series.OWN, number);
    }

    public Task task() {
        var doer = operation == Operation.SPRAY || operation == Operation.PRIME ? Task.Doer.SPRAY : Task.Doer.PERSON;
        return Task.byHand(id(), name, operation, Tool.HANDS, hours, after).withLag(Task.Lag.atLeast(waitH)).withDoer(doer);
    }

    /** It comes after another, and is not waited for by it. */
    public OwnTask waitingFor(TaskId other) {
        return withAfter(with(after, other)).withBefore(without(before, other));
    }

    /** It comes before another, and does not wait for it. */
    public OwnTask beforeThat(TaskId other) {
        return withBefore(with(before, other)).withAfter(without(after, other));
    }

    private static List<TaskId> with(List<TaskId> list, TaskId id) {
        var all = new ArrayList<>(list);
        if (!all.contains(id)) all.add(id);
        return all;
    }

    private static List<TaskId> without(List<TaskId> list, TaskId id) {
        return list.stream().filter(x -> !x.equals(id)).toList();
    }
}
