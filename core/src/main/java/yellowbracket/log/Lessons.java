package yellowbracket.log;

import java.time.LocalDateTime;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import yellowbracket.plan.Actual;
import yellowbracket.shop.Rate;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;

/**
 * What the log says about this maker: tasks done, prints under way since when, money spent, failures, and hours against the catalogue.
 * Lines about sections of cuts that are no more count as history: their failures and money, not as done.
 */
public record Lessons(Map<TaskId, Actual> done, Map<TaskId, LocalDateTime> running, Map<String, Rate> rates, Map<TaskId, Integer> failures,
        double spent) {

    /** Facts that need no plan: done tasks (hours 0 where not told), failures by print, spend. */
    public static Lessons facts(List<Entry> log, Names names) {
        var done = new LinkedHashMap<TaskId, Actual>();
        var failures = new LinkedHashMap<TaskId, Integer>();
        var running = new LinkedHashMap<TaskId, LocalDateTime>();
        double spent = 0;
        for (var e : log) {
            if (e.kind() == Entry.Kind.SPENT) spent += e.money();
            if (e.about().isEmpty()) continue;
            var task = e.about().get().task();
            if (e.kind() == Entry.Kind.FAILED) failures.merge(task, 1, Integer::sum);
            if (!e.about().get().current(names)) continue;
            switch (e.kind()) {
                case STARTED -> running.put(task, e.at());
                case DONE -> {
                    running.remove(task);
                    done.put(task, new Actual(task, e.at(), e.hours()));
                    // of a plate only the sum is known: its sections take the hours planned
                    each(task).forEach(s -> done.put(s, new Actual(s, e.at(), 0)));
                }
                case FAILED -> {
                    running.remove(task);
                    done.remove(task);
                    each(task).forEach(done::remove);
                }
                case SPENT, USED, WRONG, WHY, NOTE, FIT, LESSON, ODD, CAUSE -> {}
            }
        }
        return new Lessons(done, running, Map.of(), failures, spent);
    }

    /**
     * Adds the rates learned from tasks that are done and told their hours, against the hours planned by the catalogue alone, to those
     * known
     * before.
     */
    public Lessons learn(List<Task> catalogueTasks, Map<String, Rate> before) {
        var learned = new Rates(before);
        for (var t : catalogueTasks) {
            var a = done.get(t.id());
            // printers have a record of their own
            if (a == null || !(a.hours() > 0) || !(t.activeH() > 0) || t.resource() == Task.Resource.PRINTER) continue;
            learned = learned.with(t, a.hours(), t.activeH());
        }
        return new Lessons(done, running, learned.all(), failures, spent);
    }

    /** With others in their place. */
    public Lessons withRates(Map<String, Rate> other) {
        return new Lessons(done, running, Map.copyOf(other), failures, spent);
    }

    /**
     * Tasks of the catalogue at this maker's own rates, never surer than one who has not done it yet; prints carry their printer's factor
     * already.
     */
    public List<Task> apply(List<Task> catalogueTasks) {
        var known = new Rates(rates);
        return catalogueTasks.stream().map(t -> {
            if (t.resource() == Task.Resource.PRINTER) return t;
            if (!rates.containsKey(t.operation().rate()))
                return t.effort().spread() >= Rate.UNKNOWN.spread() ? t : t.atRate(1, Rate.UNKNOWN.spread(), t.effort().source());
            var rate = known.of(t);
            return t.atRate(rate.factor(), Math.max(rate.spread(), own(t)), known.source(t));
        }).toList();
    }

    /** What an estimate is unsure of by itself, such as how many rounds there will be. */
    private static double own(Task t) {
        return t.effort().spread() > Rate.UNKNOWN.spread() ? t.effort().spread() : 0;
    }

    /** The prints on a plate, each by itself; none of anything else. */
    private static List<TaskId> each(TaskId task) {
        return task instanceof TaskId.Print(var sections) && sections.size() > 1 ? sections.stream().<TaskId>map(TaskId::print).toList()
                : List.of();
    }

    /** Done tasks whose hours were not told take those planned. */
    public Map<TaskId, Actual> doneWith(List<Task> tasks) {
        var out = new HashMap<TaskId, Actual>();
        for (var t : tasks) {
            var a = done.get(t.id());
            if (a != null) out.put(t.id(), a.hours() > 0 ? a : new Actual(a.task(), a.end(), t.activeH()));
        }
        return out;
    }
}
