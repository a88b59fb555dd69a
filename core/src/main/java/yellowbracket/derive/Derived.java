package yellowbracket.derive;

import java.util.Map;
import java.util.Optional;
import yellowbracket.document.Build;

/**
 * Results as they stood at one moment. A result that no longer matches the build is still there but {@code WORKING}; a failed one says why.
 */
public final class Derived {
    /** A result's standing. */
    public enum State { FRESH, WORKING, FAILED }

    record Key(String node, String prop) {}

    record Result(State state, Object value, String reason) {}

    public static final Derived NOTHING = new Derived(Map.of(), Optional.empty());
    private final Map<Key, Result> results;
    private final Optional<Build> build;

    Derived(Map<Key, Result> results, Optional<Build> build) {
        this.results = Map.copyOf(results);
        this.build = build;
    }

    /** The build these results are being made for. */
    public Optional<Build> build() {
        return build;
    }

    public <T> Optional<T> get(Node<T> node, String prop) {
        var r = results.get(new Key(node.name(), prop));
        return r == null || r.value == null ? Optional.empty() : Optional.of(node.type().cast(r.value));
    }

    public <T> Optional<T> get(Node<T> node) {
        return get(node, Node.BUILD);
    }

    public State state(Node<?> node, String prop) {
        var r = results.get(new Key(node.name(), prop));
        return r == null ? State.WORKING : r.state;
    }

    public boolean fresh(Node<?> node, String prop) {
        return state(node, prop) == State.FRESH;
    }

    /** Why a result failed, empty if it did not. */
    public String reason(Node<?> node, String prop) {
        var r = results.get(new Key(node.name(), prop));
        return r == null ? "" : r.reason;
    }

    /** The result. @throws IllegalStateException with the reason if there is none */
    public <T> T require(Node<T> node, String prop) {
        return get(node, prop).orElseThrow(
                () -> new IllegalStateException(reason(node, prop).isEmpty() ? node.name() + " is not known yet" : reason(node, prop)));
    }

    Map<Key, Result> results() {
        return results;
    }
}
