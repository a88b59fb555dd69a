package yellowbracket.cut;

import java.util.List;
import yellowbracket.work.Operation;
import yellowbracket.work.Ready;
import yellowbracket.work.StationWork;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;
import yellowbracket.work.Tool;

/** Looking the sections over and handing their files to the program that prints them. */
public record CutWork(String prop) implements StationWork {
    private static final double HOURS = 0.4;

    @Override
    public Stated after(Ready before) {
        var task = Task.byHand(TaskId.cut(prop), "check sections, export files", Operation.CHECK_CUTS, Tool.HANDS, HOURS, before.all());
        return new Stated(List.of(task), Ready.after(List.of(task.id())));
    }
}
