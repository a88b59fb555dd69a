package yellowbracket.log;

import java.time.LocalDateTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import yellowbracket.plan.Actual;
import yellowbracket.plan.Task;
import yellowbracket.shop.Rate;

/** What the log says about this maker: tasks done, prints under way since when, money spent, failures, and hours against the catalogue. */
public record Lessons(Map<String, Actual> done, Map<String, LocalDateTime> running, Map<String, Rate> rates, Map<String, Integer> failures,
        double spent) {

    /** Facts that need no plan: done tasks (hours 0 where not told), failures by section, spend. */
    public static Lessons facts(List<Entry> log) {
        var done = new TreeMap<String, Actual>();
        var failures = new TreeMap<String, Integer>();
        var running = new TreeMap<String, LocalDateTime>();
        double spent = 0;
        for (var e : log) {
            switch (e.kind()) {
                case STARTED -> running.put(e.about(), e.at());
                case DONE -> {
                    running.remove(e.about());
                    done.put(e.about(), new Actual(e.about(), e.at(), e.hours()));
                    // of a plate only the sum is known: its sections take the hours planned
                    sections(e.about()).forEach(s -> done.put(s, new Actual(s, e.at(), 0)));
                }
                case FAILED -> {
                    failures.merge(e.about(), 1, Integer::sum);
                    running.remove(e.about());
                    done.remove(e.about());
                    sections(e.about()).forEach(done::remove);
                }
                case SPENT -> spent += e.money();
                case NOTE, FIT -> {}
            }
        }
        return new Lessons(done, running, Map.of(), failures, spent);
    }

    /**
     * Adds the rates learned from tasks that are done and told their hours, against the hours planned by the catalogue alone, to those
     * known before.
     */
    public Lessons learn(List<Task> catalogueTasks, Map<String, Rate> before) {
        var learned = new HashMap<>(before);
        for (var t : catalogueTasks) {
            var a = done.get(t.id());
            // printers have a record of their own
            if (a == null || !(a.hours() > 0) || !(t.activeH() > 0) || t.resource() == Task.Resource.PRINTER) continue;
            learned.put(t.rateKey(), learned.getOrDefault(t.rateKey(), Rate.UNKNOWN).with(a.hours(), t.activeH()));
        }
        return new Lessons(done, running, Map.copyOf(learned), failures, spent);
    }

    /** The prints on a plate, print:A+B; none of anything else. */
    private static List<String> sections(String about) {
        return about.startsWith("print:") && about.contains("+")
                ? java.util.Arrays.stream(about.substring(6).split("\\+")).map(s -> "print:" + s).toList()
                : List.of();
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
