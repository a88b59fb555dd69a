package yellowbracket.derive;

import java.util.ArrayDeque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Remembers the values of each node asked for last, with the inputs they were made from, so that undo, redo and what-ifs cost nothing
 * twice. Thread-safe.
 */
public final class Memo {
    /** Enough for a table of alternatives; each entry shares most of its parts with the next. */
    private static final int KEPT = 12;

    private record Entry(List<Object> inputs, Object value) {}

    private final Map<Derived.Key, ArrayDeque<Entry>> entries = new HashMap<>();

    synchronized Optional<Object> find(Derived.Key key, List<Object> inputs) {
        var list = entries.get(key);
        if (list == null) return Optional.empty();
        for (var e : list) {
            if (!same(e.inputs, inputs)) continue;
            list.remove(e);
            list.addFirst(e);
            return Optional.of(e.value);
        }
        return Optional.empty();
    }

    synchronized void put(Derived.Key key, List<Object> inputs, Object value) {
        var list = entries.computeIfAbsent(key, k -> new ArrayDeque<>());
        list.addFirst(new Entry(inputs, value));
        while (list.size() > KEPT) list.removeLast();
    }

    /** The value asked for last, whatever it was made from: a first guess. */
    synchronized Optional<Object> newest(Derived.Key key) {
        var list = entries.get(key);
        return list == null || list.isEmpty() ? Optional.empty() : Optional.of(list.getFirst().value);
    }

    private static boolean same(List<Object> a, List<Object> b) {
        if (a.size() != b.size()) return false;
        for (int i = 0; i < a.size(); i++) if (a.get(i) != b.get(i) && !a.get(i).equals(b.get(i))) return false;
        return true;
    }
}
