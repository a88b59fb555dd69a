package yellowbracket.print;

import java.util.ArrayList;
import java.util.List;
import yellowbracket.work.SectionId;

/**
 * How the prints of all props follow each other: one section at a time or as many as a bed holds, and which come first by section;
 * those not named follow as the plan likes.
 */
public record QueueWish(boolean fullPlates, List<SectionId> order) {
    public static final QueueWish NONE = new QueueWish(false, List.of());

    public QueueWish {
        order = List.copyOf(order);
    }

    public QueueWish withFullPlates(boolean on) {
        return new QueueWish(on, order);
    }

    public QueueWish withOrder(List<SectionId> names) {
        return new QueueWish(fullPlates, names);
    }

    /**
     * With one of a printer's plates moved by places; @param plates the sections of each, as they stand on that printer now. The order on
     * other printers stays.
     */
    public QueueWish moved(List<List<SectionId>> plates, int from, int by) {
        var list = new ArrayList<>(plates);
        var plate = list.remove(from);
        list.add(Math.clamp(from + by, 0, list.size()), plate);
        var all = new ArrayList<SectionId>();
        list.forEach(all::addAll);
        order.stream().filter(n -> !all.contains(n)).forEach(all::add);
        return withOrder(all);
    }
}
