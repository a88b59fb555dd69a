package yellowbracket.log;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import yellowbracket.work.Operation;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;

/**
 * Lessons that come back where the situation does: those tagged with a kind of work, a product or a tool, those that name the product, and
 * those written after like work went wrong. A product tagged {@code #never-again} is told where it would be bought or used.
 */
public final class Recalled {
    /** Tags what is not to be bought or done again. */
    public static final String NEVER = "never-again";

    private final List<Entry> log;
    /** Kind of work of each task, by its rate. */
    private final HashMap<TaskId, String> rates = new HashMap<>();

    /** @param tasks of the plan: what an entry was about is told by them */
    public Recalled(List<Entry> log, List<Task> tasks) {
        this.log = List.copyOf(log);
        tasks.forEach(t -> rates.put(t.id(), t.operation().rate()));
    }

    /** The newest first. */
    public List<Entry> lessons(Task t) {
        var out = new ArrayList<Entry>();
        var marks = marks(t.operation(), t.product());
        String wrong = "";
        for (var e : log) {
            if (e.kind() == Entry.Kind.WRONG) wrong = e.task().map(rates::get).orElse("");
            boolean lesson = e.kind() == Entry.Kind.LESSON;
            if (lesson && (e.tags().stream().anyMatch(marks::contains) || names(e, t.product()) || wrong.equals(t.operation().rate())))
                out.add(e);
            if (lesson) wrong = "";
        }
        return out.reversed();
    }

    private static Set<String> marks(Operation o, String product) {
        var out = new HashSet<String>(List.of(o.rate(), o.name().toLowerCase(Locale.ROOT).replace('_', '-')));
        if (!product.isEmpty()) out.add(tag(product));
        return out;
    }

    private static String tag(String product) {
        return product.replace(' ', '-');
    }

    private static boolean names(Entry e, String product) {
        return !product.isEmpty() && e.text().toLowerCase(Locale.ROOT).contains(product.toLowerCase(Locale.ROOT));
    }

    /** What was said of a product that is not to be had again. */
    public List<Entry> never(String product) {
        return log.stream().filter(e -> e.tags().contains(NEVER) && (names(e, product) || e.tags().contains(tag(product)))).toList();
    }
}
