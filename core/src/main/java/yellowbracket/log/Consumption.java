package yellowbracket.log;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import yellowbracket.plan.Needs;
import yellowbracket.plan.PropWork;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Rate;
import yellowbracket.work.Need;
import yellowbracket.work.TaskId;

/** How much of a product this maker uses against what was planned, from uses that name their task: {@code used 130 ml primer for TASK}. */
public final class Consumption {
    private static final String KEY = "use:";

    private Consumption() {}

    static boolean is(String key) {
        return key.startsWith(KEY);
    }

    /** The rate of a product, {@link Rate#UNKNOWN} where nothing was told. */
    public static Rate of(Map<String, Rate> rates, String product) {
        return rates.getOrDefault(KEY + Need.unshaded(product), Rate.UNKNOWN);
    }

    /** By product. */
    public static Map<String, Rate> all(Map<String, Rate> rates) {
        var out = new TreeMap<String, Rate>();
        rates.forEach((k, r) -> {
            if (is(k) && r.jobs() > 0) out.put(k.substring(KEY.length()), r);
        });
        return out;
    }

    /** As much of it as this maker uses. */
    public static Need yours(Need n, Map<String, Rate> rates) {
        return new Need(n.product(), n.amount() * of(rates, n.product()).factor(), n.unit());
    }

    /**
     * Adds what was told of finished tasks to what was known before. All that was used of a product for one task is one job.
     *
     * @param planned by the catalogue and the labels alone
     */
    public static Map<String, Rate> learn(List<Entry> log, Set<TaskId> done, List<PropWork.Consumed> planned, Catalogue shop,
            Map<String, Rate> before) {
        record Of(TaskId task, String product) {}
        var meant = new HashMap<Of, Need>();
        for (var c : planned) if (c.need().amount() > 0) meant.merge(new Of(c.by(), Need.unshaded(c.need().product())), c.need(),
                (a, b) -> new Need(a.product(), a.amount() + Needs.in(b, a.unit(), shop).orElse(0), a.unit()));
        var used = new HashMap<Of, Double>();
        for (var e : log) {
            if (e.kind() != Entry.Kind.USED || e.task().isEmpty() || !done.contains(e.task().get())) continue;
            var need = e.used().orElseThrow();
            var of = new Of(e.task().get(), Need.unshaded(need.product()));
            if (!meant.containsKey(of)) continue;
            OptionalDouble much = Needs.in(need, meant.get(of).unit(), shop);
            if (much.isPresent()) used.merge(of, much.getAsDouble(), Double::sum);
        }
        var out = new HashMap<>(before);
        used.entrySet()
                .stream()
                .filter(e -> e.getValue() > 0)
                .sorted(java.util.Comparator.comparing(e -> e.getKey().task.text() + e.getKey().product))
                .forEach(e -> out.put(KEY + e.getKey().product,
                        of(out, e.getKey().product).with(e.getValue(), meant.get(e.getKey()).amount())));
        return out;
    }
}
