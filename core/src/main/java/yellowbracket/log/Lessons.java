package yellowbracket.log;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import yellowbracket.plan.Actual;
import yellowbracket.plan.Task;
import yellowbracket.shop.Rate;

/** What the log says about this maker: tasks done, money spent, failures, and hours against the catalogue. */
public record Lessons(Map<String, Actual> done, Map<String, Rate> rates, Map<String, Integer> failures, double spent) {

    /** Facts that need no plan: done tasks (hours 0 where not told), failures by section, spend. */
    public static Lessons facts(List<Entry> log) {
        var done = new TreeMap<String, Actual>();
        var failures = new TreeMap<String, Integer>();
        double spent = 0;
        for (var e : log) {
            switch (e.kind()) {
                case DONE -> done.put(e.about(), new Actual(e.about(), e.at(), e.hours()));
                case FAILED -> {
                    failures.merge(e.about(), 1, Integer::sum);
                    done.remove(e.about());
                }
                case SPENT -> spent += e.money();
                case NOTE, FIT -> {}
            }
        }
        return new Lessons(done, Map.of(), failures, spent);
    }

    /** Adds the rates learned from tasks that are done and told their hours, against the hours planned by the catalogue alone, to those known before. */
    public Lessons learn(List<Task> catalogueTasks, Map<String, Rate> before) {
        var learned = new HashMap<>(before);
        for (var t : catalogueTasks) {
            var a = done.get(t.id());
            if (a == null || !(a.hours() > 0) || !(t.activeH() > 0)) continue;
            learned.put(t.rateKey(), learned.getOrDefault(t.rateKey(), Rate.UNKNOWN).with(a.hours(), t.activeH()));
        }
        return new Lessons(done, Map.copyOf(learned), failures, spent);
    }

    /** Done tasks whose hours were not told take those planned. */
    public Map<String, Actual> doneWith(List<Task> tasks) {
        var out = new HashMap<String, Actual>();
        for (var t : tasks) {
            var a = done.get(t.id());
            if (a != null) out.put(t.id(), a.hours() > 0 ? a : new Actual(a.task(), a.end(), t.activeH()));
        }
        return out;
    }
}
