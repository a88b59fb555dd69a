package yellowbracket.print;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
 * @param upkeep what must be done before printers go on
 * @param resin of sections printed in resin: what they go through
 */
public record PrintWork(String prop, PrintPlan plan, Map<SectionId, Plates.Plate> plates, Map<SectionId, ResinCare> resin,
        List<Upkeep> upkeep, Catalogue shop) implements StationWork {
    /**
     * What a printer waits for: a small print after a repair, or that the cause of a fault is found.
     * @param what in words; @param printer its name; @param material only prints in this one wait; empty for all
     */
    public record Upkeep(TaskId.OnPrinter task, String what, String printer, Optional<String> material) {
        boolean holds(SectionPrint p) {
            return p.printer().name().equals(printer) && material.map(p.profile().material()::equals).orElse(true);
        }
    }

    /** Spread of a print's hours about their estimate, where the printer's own factor is known. */
    private static final double SPREAD = 0.08;

    @Override
    public Stated after(Ready before) {
        var tasks = new ArrayList<Task>();
        var clean = new HashMap<SectionId, TaskId>();
        var last = new ArrayList<TaskId>();
        for (var u : upkeep) if (u.task.prop().equals(prop)) tasks.add(switch (u.task.upkeep()) {
            case CALIBRATE -> Task.byHand(u.task, "prove " + u.printer + ": " + u.what, Operation.CALIBRATE, Tool.PRINTER,
                    shop.usual(Practice.PROOF_PRINT_H), List.of());
            case LOOK -> Task.byHand(u.task, "find the cause on " + u.printer + ": " + u.what, Operation.LOOK, Tool.PRINTER,
                    shop.usual(Practice.FIND_CAUSE_H), List.of());
        });
        for (var p : plan.prints()) {
            var plate = plates.get(p.id());
            var id = plate == null ? TaskId.print(p.id()) : plate.task();
            if (plate == null) tasks.add(print(id, "print " + p.name(), p.hours(), p, waiting(p, before.all())));
            else if (plate.sections().getFirst().equals(p.id())) tasks.add(
                    print(id, "print " + String.join(", ", plate.sections().stream().map(SectionId::letter).toList()) + " on one plate",
                            plate.hours(), p, waiting(p, cuts(plate, before))));
            var care = Optional.ofNullable(resin.get(p.id()));
            var washed = care.map(c -> washed(p, c, id));
            washed.ifPresent(tasks::add);
            double hours = CleanUp.of(p, shop).hours(care.isPresent());
            var off = Task
                    .byHand(new TaskId.Clean(p.id()), "take support off " + p.name(), Operation.CLEAN, Tool.SCRAPER, hours,
                            List.of(washed.map(Task::id).orElse(id)))
                    .withProduct(p.profile().material());
            tasks.add(off);
            var end = care.map(c -> cured(p, c, off.id()));
            end.ifPresent(tasks::add);
            clean.put(p.id(), end.map(Task::id).orElse(off.id()));
            last.add(clean.get(p.id()));
        }
        return new Stated(tasks, new Ready(last, clean));
    }

    private List<TaskId> waiting(SectionPrint p, List<TaskId> after) {
        return Stream.concat(after.stream(), upkeep.stream().filter(u -> u.holds(p)).map(Upkeep::task)).toList();
    }

    private Task washed(SectionPrint p, ResinCare c, TaskId printed) {
        return Task
                .byHand(new TaskId.Resin(p.id(), TaskId.Care.WASH), "take " + p.name() + " off, wash, let dry", Operation.WASH,
                        Tool.SCRAPER, c.washH(shop), List.of(printed))
                .withProduct(p.profile().material())
                .withLag(Task.Lag.atLeast(c.dryH(shop)));
    }

    /** Support is cut off while it is soft, then it is cured; the lamp needs nobody. */
    private Task cured(SectionPrint p, ResinCare c, TaskId clean) {
        return Task
                .byHand(new TaskId.Resin(p.id(), TaskId.Care.CURE), "cure " + p.name(), Operation.CURE, Tool.HANDS,
                        shop.usual(Practice.TAKE_OFF_H), List.of(clean))
                .withProduct(p.profile().material())
                .withLag(Task.Lag.atLeast(c.cureH(shop)));
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
        return plan.prints().stream().map(p -> {
            double grams = p.estimate().grams() + p.estimate().supportGrams();
            var care = resin.get(p.id());
            // what clings to a resin print goes into the baths
            return care == null ? new Need(p.profile().material() + " filament", grams, "g")
                    : new Need(p.profile().material(), grams + care.wasteMl() * shop.material(p.profile().material()).densityGcm3(), "g");
        }).toList();
    }
}
