package yellowbracket.print;

import java.util.ArrayList;
import java.util.List;

/** How the prints of all props follow each other: one section at a time or as many as a bed holds, and which come first by section name; those not named follow as the plan likes. */
public record QueueWish(boolean fullPlates, List<String> order) {
    public static final QueueWish NONE = new QueueWish(false, List.of());

    public QueueWish {
        order = List.copyOf(order);
    }

    public QueueWish withFullPlates(boolean on) {
        return new QueueWish(on, order);
    }

    public QueueWish withOrder(List<String> names) {
        return new QueueWish(fullPlates, names);
    }

    /** With {@code name} moved {@code by} places among {@code now}, the order as it stands on its printer. */
    public QueueWish moved(List<String> now, String name, int by) {
        var list = new ArrayList<>(now);
        int at = list.indexOf(name);
        if (at < 0) return this;
        list.remove(at);
        list.add(Math.clamp(at + by, 0, list.size()), name);
        var all = new ArrayList<>(list);
        order.stream().filter(n -> !list.contains(n)).forEach(all::add);
        return withOrder(all);
    }
}
