package yellowbracket.derive;

import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import yellowbracket.document.Build;

/**
 * Results as they stood at one moment. A result that no longer matches the build is still there but {@code WORKING}; a failed one says why.
 */
public final class Derived {
    /** A result's standing. */
    public enum State { FRESH, WORKING, FAILED, BLOCKED, ABSENT }

    /** A value, an older one while the new one is worked out, or none with the reason. Compares by the value's identity. */
    public record Entry(State state, Object value, String reason) {
        static final Entry UNKNOWN = new Entry(State.WORKING, null, "");

        @Override
        public boolean equals(Object o) {
            return o instanceof Entry e && state == e.state && value == e.value && reason.equals(e.reason);
        }

        @Override
        public int hashCode() {
            return 31 * state.hashCode() + System.identityHashCode(value);
        }
    }

    public static final Derived NOTHING = new Derived(Map.of(), Optional.empty(), false);
    private final Map<Figure.Key, Entry> entries;
    private final Optional<Build> build;
    private final boolean through;
    private final BiConsumer<Figure<?>, String> asked;

    /** @param through whether nothing more comes for this build */
    Derived(Map<Figure.Key, Entry> entries, Optional<Build> build, boolean through) {
        this(Map.copyOf(entries), build, through, (figure, prop) -> {});
    }

    private Derived(Map<Figure.Key, Entry> entries, Optional<Build> build, boolean through, BiConsumer<Figure<?>, String> asked) {
        this.entries = entries;
        this.build = build;
        this.through = through;
        this.asked = asked;
    }

    /** The same results, telling what is asked of them: whoever shows an answer can then tell whether it has changed. */
    public Derived watched(BiConsumer<Figure<?>, String> listener) {
        return new Derived(entries, build, through, listener);
    }

    /** The build these results are being made for. */
    public Optional<Build> build() {
        return build;
    }

    /** Whether everything wanted of the build has been worked out. */
    public boolean through() {
        return through;
    }

    public <T> Entry entry(Figure<T> figure, String prop) {
        asked.accept(figure, prop);
        return entries.getOrDefault(figure.key(prop), Entry.UNKNOWN);
    }

    public <T> Optional<T> get(Figure<T> figure, String prop) {
        return Optional.ofNullable(entry(figure, prop).value).map(figure.type()::cast);
    }

    public <T> Optional<T> get(Figure<T> figure) {
        return get(figure, Figure.BUILD);
    }

    public State state(Figure<?> figure, String prop) {
        return entry(figure, prop).state;
    }

    public boolean fresh(Figure<?> figure, String prop) {
        return state(figure, prop) == State.FRESH;
    }

    public boolean fresh(Figure<?> figure) {
        return fresh(figure, Figure.BUILD);
    }

    /** Why a result failed or is blocked, empty otherwise. */
    public String reason(Figure<?> figure, String prop) {
        return entry(figure, prop).reason;
    }

    /** The result. @throws IllegalStateException with the reason if there is none */
    public <T> T require(Figure<T> figure, String prop) {
        return get(figure, prop).orElseThrow(() -> new IllegalStateException(
                reason(figure, prop).isEmpty() ? figure.name() + " is not known yet" : reason(figure, prop)));
    }

    public <T> T require(Figure<T> figure) {
        return require(figure, Figure.BUILD);
    }

    Map<Figure.Key, Entry> entries() {
        return entries;
    }
}
