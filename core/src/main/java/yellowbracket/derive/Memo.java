package yellowbracket.derive;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Remembers what rules made, with what they had read, so that undo, redo and what-ifs cost nothing twice. Bounded by bytes: parts shared by
 * several values count once; what was used longest ago goes first, but nothing of the build that is shown. Thread-safe.
 */
public final class Memo {
    /** A quarter of the heap leaves room for the window, one set of values in the making, and the collector. */
    private static final int OF_HEAP = 4;
    /** Traces of one figure; more are hardly ever asked for again, and each must be looked through. */
    private static final int KEPT = 24;
    /** Of the budget, while nobody works: enough for the last edits and what-ifs, most of which weigh little beside the build shown. */
    private static final int AT_REST = 8;

    private final long budget;
    private final Map<Figure.Key, ArrayDeque<Trace>> traces = new HashMap<>();
    private final IdentityHashMap<Object, Integer> counts = new IdentityHashMap<>();
    private final Optional<Kept> kept;
    private long bytes;
    private long clock;

    public Memo() {
        this(Runtime.getRuntime().maxMemory() / OF_HEAP);
    }

    /** @param budget bytes */
    public Memo(long budget) {
        this(budget, Optional.empty());
    }

    /** @param kept from one start of the program to the next */
    public Memo(Kept kept) {
        this(Runtime.getRuntime().maxMemory() / OF_HEAP, Optional.of(kept));
    }

    private Memo(long budget, Optional<Kept> kept) {
        this.budget = budget;
        this.kept = kept;
    }

    Optional<Kept> kept() {
        return kept;
    }

    /** Of the build that is shown, in the order they were used. */
    synchronized List<Trace> shown() {
        return traces.values()
                .stream()
                .flatMap(ArrayDeque::stream)
                .filter(Trace::shown)
                .sorted(Comparator.comparingLong(Trace::used))
                .toList();
    }

    /** Newest first. */
    synchronized List<Trace> of(Figure.Key key) {
        return List.copyOf(traces.getOrDefault(key, new ArrayDeque<>()));
    }

    synchronized void put(Figure<?> figure, Figure.Key key, Trace trace) {
        var list = traces.computeIfAbsent(key, k -> new ArrayDeque<>());
        list.addFirst(trace);
        trace.use(++clock);
        for (var p : trace.parts()) if (counts.merge(p, 1, Integer::sum) == 1) bytes += Weights.bytes(p);
        if (figure.superseded()) while (list.size() > 1) drop(list.removeLast());
        while (list.size() > KEPT) drop(list.removeLast());
        if (bytes > budget) shrink(budget);
    }

    /** @param shown for the build on screen */
    synchronized void use(Figure.Key key, Trace trace, boolean shown) {
        trace.use(++clock);
        var list = traces.get(key);
        if (list == null || !list.remove(trace)) return; // here: memory has run out meanwhile, or it was too large to keep
        list.addFirst(trace);
        if (shown) for (var t : list) t.show(t == trace);
    }

    /** Nothing was asked for in a while: beside the build that is shown, only a part of the budget stays in use. */
    synchronized void rest() {
        Set<Object> needed = Collections.newSetFromMap(new IdentityHashMap<>());
        traces.values().stream().flatMap(ArrayDeque::stream).filter(Trace::shown).forEach(t -> needed.addAll(t.parts()));
        shrink(needed.stream().mapToLong(Weights::bytes).sum() + budget / AT_REST);
    }

    private void shrink(long to) {
        record Place(ArrayDeque<Trace> list, Trace trace) {}
        var old = new ArrayList<Place>();
        traces.values().forEach(l -> l.stream().filter(t -> !t.shown() && !t.parts().isEmpty()).forEach(t -> old.add(new Place(l, t))));
        old.sort(Comparator.comparingLong(p -> p.trace.used()));
        for (var p : old) {
            if (bytes <= to) return;
            p.list.remove(p.trace);
            drop(p.trace);
        }
    }

    private void drop(Trace t) {
        for (var p : t.parts()) if (counts.merge(p, -1, (a, b) -> a + b == 0 ? null : a + b) == null) bytes -= Weights.bytes(p);
    }

    /** Of props that are gone. */
    synchronized void forget(Set<String> props) {
        for (var key : List.copyOf(traces.keySet())) if (props.contains(key.prop())) traces.remove(key).forEach(this::drop);
    }

    /** When memory has run out. */
    synchronized void clear() {
        traces.clear();
        counts.clear();
        bytes = 0;
    }

    /** The value made or used last, whatever it was made from. */
    synchronized <T> Optional<T> newest(Figure<T> figure, String prop) {
        return traces.getOrDefault(figure.key(prop), new ArrayDeque<>())
                .stream()
                .filter(t -> t.outcome() instanceof Outcome.Made)
                .max(Comparator.comparingLong(Trace::used))
                .map(t -> figure.type().cast(((Outcome.Made) t.outcome()).value()));
    }

    /** What is kept weighs so many bytes, about. */
    public synchronized long bytes() {
        return bytes;
    }
}
