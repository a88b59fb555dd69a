package yellowbracket.size;

import java.util.List;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Practice;
import yellowbracket.work.Operation;
import yellowbracket.work.Ready;
import yellowbracket.work.StationWork;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;
import yellowbracket.work.Tool;

/** Measuring the wearer and settling the scale. */
public record SizeWork(String prop, boolean worn, Catalogue shop) implements StationWork {
    @Override
    public Stated after(Ready before) {
        var task = Task.byHand(TaskId.size(prop), worn ? "measure, set scale, check fit" : "measure, set scale", Operation.MEASURE,
                Tool.TAPE_MEASURE, shop.usual(worn ? Practice.MEASURE_WORN_H : Practice.MEASURE_CARRIED_H), before.all());
        return new Stated(List.of(task), Ready.after(List.of(task.id())));
    }
}
