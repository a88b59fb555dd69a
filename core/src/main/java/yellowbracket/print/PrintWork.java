package yellowbracket.print;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Practice;
import yellowbracket.shop.Printer;
import yellowbracket.work.Need;
import yellowbracket.work.Operation;
import yellowbracket.work.Ready;
import yellowbracket.work.SectionId;
import yellowbracket.work.StationWork;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;
import yellowbracket.work.Tool;

/**
 * Printing and cleaning up. A plate that holds sections of several props is stated once, by the prop of its first section, and waits for
 * the
 * cuts of all.
 *
 * @param plates by section: the plate it is printed on with others; sections that are printed alone are not in it
 */
public record PrintWork(String prop, PrintPlan plan, Map<SectionId, Plates.Plate> plates, Catalogue shop) implements StationWork {
    /** Spread of a print's hours about their estimate, where the printer's own factor is known. */
    private static final double SPREAD = 0.08;

    @Override
    public Stated after(Ready before) {
        var tasks = new ArrayList<Task>();
        var clean = new HashMap<SectionId, TaskId>();
        var last = new ArrayList<TaskId>();
        for (var p : plan.prints()) {
            var plate = plates.get(p.id());
            var id = plate == null ? TaskId.print(p.id()) : plate.task();
            if (plate == null) tasks.add(print(id, "print " + p.name(), p.hours(), p, before.all()));
            else if (plate.sections().getFirst().equals(p.id())) tasks.add(
                    print(id, "print " + String.join(", ", plate.sections().stream().map(SectionId::letter).toList()) + " on one plate",
                            plate.hours(), p, cuts(plate, before)));
            var off = Task
                    .byHand(new TaskId.Clean(p.id()), "take support off " + p.name(), Operation.CLEAN, Tool.SCRAPER,
                            CleanUp.of(p, shop).hours(), List.of(id))
                    .withProduct(p.profile().material());
            tasks.add(off);
            clean.put(p.id(), off.id());
            last.add(off.id());
        }
        return new Stated(tasks, new Ready(last, clean));
    }

    private List<TaskId> cuts(Plates.Plate plate, Ready before) {
        var others = plate.sections().stream().map(SectionId::prop).distinct().filter(q -> !q.equals(prop)).map(TaskId::cut);
        return Stream.concat(before.all().stream(), others).toList();
    }

    private Task print(TaskId id, String words, double hours, SectionPrint p, List<TaskId> after) {
        Printer printer = p.printer();
        return new Task(id, words, Operation.PRINT, p.profile().material(), Tool.PRINTER,
                new Task.Effort(0, hours, SPREAD, "layers of the mesh, " + printer.name()), Task.Lag.atLeast(shop.usual(Practice.COOLS_H)),
                Task.Doer.printer(printer.name(), printer.failuresPerHour()), after);
    }

    @Override
    public List<Need> needs() {
        return plan.prints()
                .stream()
                .map(p -> new Need(p.profile().material() + " filament", p.estimate().grams() + p.estimate().supportGrams(), "g"))
                .toList();
    }
}
