package yellowbracket.plan;

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
public record OwnTask(String prop, int number, String name, Operation operation, double hours, double waitH, List<TaskId> after,
        List<TaskId> before) {
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

    public OwnTask waitingFor(TaskId other) {
        var all = new java.util.ArrayList<>(after);
        if (!all.contains(other)) all.add(other);
        return new OwnTask(prop, number, name, operation, hours, waitH, all, before.stream().filter(b -> !b.equals(other)).toList());
    }

    public OwnTask beforeThat(TaskId other) {
        var all = new java.util.ArrayList<>(before);
        if (!all.contains(other)) all.add(other);
        return new OwnTask(prop, number, name, operation, hours, waitH, after.stream().filter(a -> !a.equals(other)).toList(), all);
    }
}
