package yellowbracket.size;

import java.util.List;
import yellowbracket.work.Operation;
import yellowbracket.work.Ready;
import yellowbracket.work.StationWork;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;
import yellowbracket.work.Tool;

/** Measuring the wearer and settling the scale. */
public record SizeWork(String prop, boolean worn) implements StationWork {
    private static final double WORN_H = 0.6;
    private static final double CARRIED_H = 0.3;

    @Override
    public Stated after(Ready before) {
        var task = Task.byHand(TaskId.size(prop), worn ? "measure, set scale, check fit" : "measure, set scale", Operation.MEASURE,
                Tool.TAPE_MEASURE, worn ? WORN_H : CARRIED_H, before.all());
        return new Stated(List.of(task), Ready.after(List.of(task.id())));
    }
}
