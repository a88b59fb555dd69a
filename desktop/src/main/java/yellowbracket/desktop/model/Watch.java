package yellowbracket.desktop.model;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import yellowbracket.derive.Derived;
import yellowbracket.derive.Figure;

/** What a card or a drawing was told while it was made: it is made anew when an answer it was given differs from the answer now. */
public final class Watch {
    private record Question(Figure<?> figure, String prop) {}

    private final List<Object> decisions;
    private final Map<Question, Derived.Entry> told = new LinkedHashMap<>();

    /** @param decisions what it was made for: the build, the prop, the unit */
    Watch(List<Object> decisions) {
        this.decisions = decisions;
    }

    Derived over(Derived d) {
        return d.watched((figure, prop) -> told.put(new Question(figure, prop), d.entry(figure, prop)));
    }

    /** Whether everything would be answered alike: the same values, though they may be being worked out again. */
    boolean holds(List<Object> decisionsNow, Derived now) {
        return decisions.equals(decisionsNow) && told.entrySet().stream().allMatch(e -> {
            var entry = now.entry(e.getKey().figure, e.getKey().prop);
            return entry.value() == e.getValue().value() && entry.reason().equals(e.getValue().reason())
                    && (entry.state() == Derived.State.ABSENT) == (e.getValue().state() == Derived.State.ABSENT);
        });
    }

    /** Whether something shown does not match the decision yet. */
    boolean stale(Derived now) {
        return told.keySet()
                .stream()
                .map(q -> now.entry(q.figure, q.prop))
                .anyMatch(e -> e.state() == Derived.State.WORKING && e.value() != null);
    }

    /** Whether nothing it was told was still being worked out. */
    public boolean settled() {
        return told.values().stream().noneMatch(e -> e.state() == Derived.State.WORKING);
    }
}
