package yellowbracket.cut;

import java.util.List;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Practice;
import yellowbracket.work.Operation;
import yellowbracket.work.Ready;
import yellowbracket.work.StationWork;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;
import yellowbracket.work.Tool;

/** Looking the sections over and handing their files to the program that prints them. */
public record CutWork(String prop, Catalogue shop) implements StationWork {
    @Override
    public Stated after(Ready before) {
        var task = Task.byHand(TaskId.cut(prop), "check sections, export files", Operation.CHECK_CUTS, Tool.HANDS,
                shop.usual(Practice.CHECK_CUTS_H), before.all());
        return new Stated(List.of(task), Ready.after(List.of(task.id())));
    }
}
