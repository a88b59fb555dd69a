package yellowbracket.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowbracket.work.Operation;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;

/**
 * What could be left out: by hours won against what is lost.
 *
 * @param words what is left out @param lost what one does without @param handH hours by hand won @param wonH the whole is ready so much
 * sooner @param tasks that are left out
 */
public record Drop(String words, String lost, double handH, double wonH, List<TaskId> tasks) {
    public Drop {
        tasks = List.copyOf(tasks);
    }

    private static final Map<Operation, String> OPTIONAL = optional();

    private static Map<Operation, String> optional() {
        var out = new LinkedHashMap<Operation, String>();
        out.put(Operation.LINES, "lines stay in the colour of what is around them");
        out.put(Operation.WEATHER, "it looks new: no chips, wash or dust");
        out.put(Operation.WIRE, "no lights, no fans");
        out.put(Operation.FIT_PARTS, "nothing bought is fitted to it");
        out.put(Operation.INSPECT, "flaws that would have been found stay under the paint");
        out.put(Operation.FILL_SEAMS, "seams stay to be seen");
        return out;
    }

    /** Every kind of work of a prop that a prop can do without, the most won first; what wins nothing is left out. */
    public static List<Drop> of(List<Task> tasks, PlanWish wish, Schedule now, Scheduler scheduler, Scheduler.Facts facts) {
        var groups = new LinkedHashMap<String, List<Task>>();
        for (var t : tasks) {
            boolean optional = OPTIONAL.containsKey(t.operation()) && !facts.done().containsKey(t.id()) && wish.own(t.id()).isEmpty()
                    && !(t.operation() == Operation.INSPECT && !rounds(t.id()));
            if (optional) groups.computeIfAbsent(t.prop() + "/" + t.operation(), k -> new ArrayList<>()).add(t);
        }
        var out = new ArrayList<Drop>();
        for (var g : groups.values()) {
            var ids = g.stream().map(Task::id).toList();
            var only = PlanWish.NONE.withLeft(ids);
            var s = scheduler.schedule(only.apply(tasks), facts);
            double won = s.slackH() - now.slackH(), hand = g.stream().mapToDouble(Task::activeH).sum();
            var first = g.getFirst();
            out.add(new Drop(words(first.operation()) + " on " + first.prop(), OPTIONAL.get(first.operation()), hand, won, ids));
        }
        out.removeIf(d -> d.wonH <= 0 && d.handH <= 0);
        out.sort(Comparator.comparingDouble((Drop d) -> -d.wonH).thenComparingDouble(d -> -d.handH));
        return List.copyOf(out);
    }

    /** The maker's wishes, and these tasks not done. */
    public PlanWish on(PlanWish wish) {
        for (var t : tasks) wish = wish.leaving(t, true);
        return wish;
    }

    private static boolean rounds(TaskId id) {
        return id instanceof TaskId.OfProp p && p.once() == TaskId.Once.ROUNDS;
    }

    private static String words(Operation o) {
        return switch (o) {
            case LINES -> "no lines by hand";
            case WEATHER -> "no weathering";
            case WIRE -> "no lights";
            case FIT_PARTS -> "no bought parts";
            case INSPECT -> "no rounds of looking and mending";
            case FILL_SEAMS -> "seams not filled";
            default -> throw new IllegalStateException(o.name());
        };
    }

    /** The least of what would bring a late plan in time, if any one does. */
    public static Optional<Drop> enough(List<Drop> all, double lateH) {
        return all.stream().filter(d -> d.wonH >= lateH).min(Comparator.comparingDouble(Drop::handH));
    }
}
