package yellowbracket.derive;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import yellowbracket.document.Build;
import yellowbracket.document.Prop;
import yellowbracket.mesh.Progress;

/**
 * The results of one pass as they come in: each node made from its inputs or remembered, published at once, failing only what needs it.
 * Single use, one thread.
 */
final class Results {
    private final Build build;
    private final Memo memo;
    private final Progress progress;
    private final Consumer<Derived> publish;
    private final Map<Derived.Key, Derived.Result> results = new HashMap<>();

    /** A node could not be made because one before it failed. */
    static final class Blocked extends RuntimeException {
        private static final long serialVersionUID = 1;

        Blocked(String reason) {
            super(reason, null, false, false);
        }
    }

    /** @param before what is known of an earlier build: shown as being worked out until made anew */
    Results(Build build, Memo memo, Derived before, Progress progress, Consumer<Derived> publish) {
        this.build = build;
        this.memo = memo;
        this.progress = progress;
        this.publish = publish;
        before.results().forEach((k, r) -> results.put(k, new Derived.Result(Derived.State.WORKING, r.value(), "")));
    }

    void guarded(Runnable part) {
        try {
            part.run();
        } catch (Blocked b) {
            // told at the node that failed; the other props go on
        }
    }

    Derived publish() {
        var d = new Derived(results, Optional.of(build));
        publish.accept(d);
        return d;
    }

    <T> T node(Node<T> node, Prop prop, List<Object> inputs, Supplier<T> make) {
        return node(node, prop.id(), inputs, make);
    }

    <T> T node(Node<T> node, String prop, List<Object> inputs, Supplier<T> make) {
        progress.check();
        var key = new Derived.Key(node.name(), prop);
        var known = memo.find(key, inputs);
        try {
            T value = node.type().cast(known.isPresent() ? known.get() : make.get());
            if (known.isEmpty()) memo.put(key, inputs, value);
            results.put(key, new Derived.Result(Derived.State.FRESH, value, ""));
            publish();
            return value;
        } catch (Progress.Stopped | Blocked e) {
            throw e;
        } catch (RuntimeException e) {
            String reason = node.name() + ": " + (e.getMessage() == null ? e.getClass().getSimpleName() : e.getMessage());
            results.put(key, new Derived.Result(Derived.State.FAILED, null, reason));
            publish();
            throw new Blocked(reason);
        }
    }

    /** A node that cannot be made for a reason of its own; what stands on it is not made either. */
    void fail(Node<?> node, Prop p, String reason) {
        results.put(new Derived.Key(node.name(), p.id()), new Derived.Result(Derived.State.FAILED, null, reason));
        publish();
    }

    /** Results of props the build no longer has. */
    void forgetOthers() {
        results.keySet().removeIf(k -> !k.prop().equals(Node.BUILD) && build.prop(k.prop()).isEmpty());
    }

    /** What a prop no longer has is gone, not for ever being worked out. */
    void forget(Prop p, List<Node<?>> nodes) {
        nodes.forEach(n -> results.remove(new Derived.Key(n.name(), p.id())));
    }

    Derived known() {
        return new Derived(results, Optional.of(build));
    }

    /** The newest value whatever it was made from: a first guess. */
    <T> Optional<T> newest(Node<T> node, Prop p) {
        return memo.newest(new Derived.Key(node.name(), p.id())).map(node.type()::cast);
    }

    Progress progress() {
        return progress;
    }
}
