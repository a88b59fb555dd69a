package yellowbracket.derive;

import java.lang.ref.WeakReference;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.Supplier;
import yellowbracket.device.WeatherFeed;
import yellowbracket.document.Build;
import yellowbracket.document.Prop;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.program.ProgramLog;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Reserved;

/**
 * Settles figures for one build: from a trace that still holds, else by running the rule with a recorder. Verifying traces after Mokhov,
 * Mitchell, Peyton Jones, "Build Systems a la Carte", 2018: an input that is remade equal stops the wave. Each figure is settled once a
 * pass. A rule that fails blocks what stands on it and nothing else. Single use, one thread; another pass may help by filling the memo.
 */
final class Pass {
    private final World world;
    private final Memo memo;
    private final boolean shown;
    private final Optional<Together> other;
    private final Progress progress;
    private final Consumer<Derived> tell;
    private final Map<Figure.Key, Derived.Entry> entries = new HashMap<>();
    private final Map<Figure.Key, Outcome> settled = new HashMap<>();
    /** Of values that would be known again at the next start. */
    private final Map<Figure.Key, Fingerprint> fingerprints = new HashMap<>();
    private final Set<Figure.Key> open = new HashSet<>();
    private final Set<String> gone = new HashSet<>();
    private final List<Figure.Key> made = new ArrayList<>(), taken = new ArrayList<>();

    /**
     * @param shown the build is the one on screen @param before what is known of an earlier build, shown as being worked out until made
     * anew
     * @param tell hears after every figure
     */
    Pass(World world, Memo memo, boolean shown, Derived before, Progress progress, Consumer<Derived> tell) {
        this(world, memo, shown, before, progress, tell, Optional.empty());
    }

    /** @param other shared with the pass that helps, if there is one */
    Pass(World world, Memo memo, boolean shown, Derived before, Progress progress, Consumer<Derived> tell, Optional<Together> other) {
        this.other = other;
        this.world = world;
        this.memo = memo;
        this.shown = shown;
        this.progress = progress;
        this.tell = tell;
        before.entries().forEach((k, e) -> {
            boolean isGone = !k.prop().equals(Figure.BUILD) && world.build().prop(k.prop()).isEmpty();
            if (isGone) gone.add(k.prop());
            else if (e.value() != null) entries.put(k, new Derived.Entry(Derived.State.WORKING, e.value(), ""));
        });
    }

    /** In this order. Figures of an earlier build that nobody wants now are gone at the end. */
    Derived run(List<Want> wants) {
        if (shown) memo.forget(gone);
        try {
            publish(false);
            for (var w : wants) settle(w.figure(), w.prop());
            entries.keySet().retainAll(settled.keySet());
            return publish(true);
        } finally {
            // a question a rule asked may hold its recorder, and so this pass, for as long as its trace is kept
            entries.clear();
            settled.clear();
            fingerprints.clear();
        }
    }

    private Derived publish(boolean through) {
        var d = new Derived(entries, Optional.of(world.build()), through);
        tell.accept(d);
        return d;
    }

    /** What rules had to be run for. */
    List<Figure.Key> made() {
        return List.copyOf(made);
    }

    /** What was known from before this start of the program. */
    List<Figure.Key> taken() {
        return List.copyOf(taken);
    }

    World world() {
        return world;
    }

    Outcome settle(Figure<?> figure, String prop) {
        var key = figure.key(prop);
        var known = settled.get(key);
        if (known != null) return known;
        progress.check();
        if (!open.add(key)) throw new IllegalStateException("\"" + figure.name() + "\" stands on itself");
        try {
            var trace = found(key).orElseGet(() -> other.map(o -> make(figure, key, o)).orElseGet(() -> make(figure, key)));
            memo.use(key, trace, shown);
            settled.put(key, trace.outcome());
            trace.lasting().ifPresent(l -> fingerprints.put(key, l.fingerprint()));
            entries.put(key, entry(trace.outcome()));
            publish(false);
            return trace.outcome();
        } finally {
            open.remove(key);
        }
    }

    private Optional<Trace> found(Figure.Key key) {
        return memo.of(key).stream().filter(t -> t.holds(this, key.prop())).findFirst();
    }

    /** Only where the other pass has not made it meanwhile. */
    private Trace make(Figure<?> figure, Figure.Key key, Together with) {
        try {
            while (!with.begin(key)) {
                progress.check();
                var theirs = found(key);
                if (theirs.isPresent()) return theirs.get();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Progress.Stopped();
        }
        try {
            return found(key).orElseGet(() -> make(figure, key));
        } finally {
            with.end(key);
        }
    }

    private static Derived.Entry entry(Outcome o) {
        return switch (o) {
            case Outcome.Made m -> new Derived.Entry(Derived.State.FRESH, m.value(), "");
            case Outcome.Absent _ -> new Derived.Entry(Derived.State.ABSENT, null, "");
            case Outcome.Failed f -> new Derived.Entry(Derived.State.FAILED, null, f.reason());
            case Outcome.Blocked b -> new Derived.Entry(Derived.State.BLOCKED, null, b.reason());
        };
    }

    private Trace make(Figure<?> figure, Figure.Key key) {
        var recorder = new Recorder(key);
        long from = System.nanoTime();
        var outcome = outcome(figure, recorder);
        long ms = (System.nanoTime() - from - recorder.elsewhereNs) / 1_000_000;
        (recorder.taken ? taken : made).add(key);
        ProgramLog.took(figure.name(), ms);
        var parts = outcome instanceof Outcome.Made m ? figure.partsOf(m.value()).filter(Objects::nonNull).toList() : List.of();
        var trace = new Trace(recorder.reads, outcome, parts, recorder.lasting(outcome, ms));
        memo.put(figure, key, trace);
        return trace;
    }

    /** Whatever happens in a rule is told at its figure; only being stopped ends the pass. */
    private Outcome outcome(Figure<?> figure, Recorder recorder) {
        try {
            return new Outcome.Made(figure.type().cast(figure.rule().make(recorder)));
        } catch (Progress.Stopped e) {
            throw e;
        } catch (Outcome.Leave e) {
            return e.outcome();
        } catch (OutOfMemoryError e) {
            memo.clear();
            ProgramLog.failure(figure.name(), e);
            return new Outcome.Failed(figure.name()
                    + ": this needs more memory than there is; reduce the mesh on the size page, under health, " + "or close other builds");
        } catch (RuntimeException | Error e) {
            ProgramLog.failure(figure.name(), e);
            return new Outcome.Failed(figure.name() + ": " + words(e));
        }
    }

    /** The program's own refusals have words for people; what else goes wrong has a name only, kept for the log file. */
    private static String words(Throwable e) {
        var why = e;
        while (why.getCause() != null && String.valueOf(why.getMessage()).equals(why.getCause().toString())) why = why.getCause();
        if ((why instanceof IllegalArgumentException || why instanceof IllegalStateException) && why.getMessage() != null)
            return why.getMessage();
        return "this could not be worked out; undo the last change, or mend the mesh";
    }

    /** Answers and notes the questions of one rule. */
    private final class Recorder implements Reads {
        private final String prop;
        private final List<Trace.Read> reads = new ArrayList<>();
        private final Figure.Key key;
        /** What the answers are known by at the next start; empty from the first that is not. */
        private Optional<List<Fingerprint>> answers;
        /** What came of the same answers before this start, as long as they are the same. */
        private Optional<KeptFile.Result> before;
        private boolean taken;
        /** Spent on figures it stands on. */
        private long elsewhereNs;

        Recorder(Figure.Key key) {
            this.key = key;
            prop = key.prop();
            answers = memo.kept().map(k -> new ArrayList<>());
            // what was kept is of the build that was shown: no what-if waits for it
            before = memo.kept().filter(k -> other.isPresent()).flatMap(k -> k.of(key, progress));
        }

        /** Leaves the rule once all answers are those that led to a value before. */
        private void answered(Supplier<Optional<Fingerprint>> by) {
            if (answers.isEmpty()) return;
            var known = answers.get();
            var print = by.get();
            if (print.isEmpty()) {
                forgo();
                return;
            }
            known.add(print.get());
            before = before.filter(b -> b.answers().size() >= known.size() && b.answers().get(known.size() - 1).equals(print.get()));
            if (before.isEmpty() || before.get().answers().size() > known.size()) return;
            taken = true;
            throw new Outcome.Leave(new Outcome.Made(before.get().value()));
        }

        /** What cannot be known again is made anew at each start. */
        private void forgo() {
            answers = Optional.empty();
            before = Optional.empty();
        }

        Optional<KeptFile.Result> lasting(Outcome outcome, long ms) {
            if (answers.isEmpty() || !(outcome instanceof Outcome.Made(var value))) return Optional.empty();
            return Optional.of(new KeptFile.Result(key, answers.get(), taken ? before.orElseThrow().ms() : ms, value));
        }

        @Override
        public <T> T get(Figure<T> figure) {
            return get(figure, prop);
        }

        @Override
        public <T> T get(Figure<T> figure, String of) {
            return switch (read(figure, of)) {
                case Outcome.Made m -> figure.type().cast(m.value());
                case Outcome.Absent a -> throw new Outcome.Leave(a);
                case Outcome.Failed f -> throw new Outcome.Leave(new Outcome.Blocked(f.reason()));
                case Outcome.Blocked b -> throw new Outcome.Leave(b);
            };
        }

        @Override
        public <T> Optional<T> find(Figure<T> figure) {
            return find(figure, prop);
        }

        @Override
        public <T> Optional<T> find(Figure<T> figure, String of) {
            return read(figure, of) instanceof Outcome.Made m ? Optional.of(figure.type().cast(m.value())) : Optional.empty();
        }

        private Outcome read(Figure<?> figure, String of) {
            var outcome = settled(figure, of);
            var told = told(figure, outcome);
            reads.add((pass, p) -> told.test(pass.settle(figure, of)));
            answered(() -> outcome instanceof Outcome.Made ? Optional.ofNullable(fingerprints.get(figure.key(of)))
                    : Fingerprint.of(outcome));
            return outcome;
        }

        private Outcome settled(Figure<?> figure, String of) {
            long from = System.nanoTime();
            var outcome = settle(figure, of);
            elsewhereNs += System.nanoTime() - from;
            return outcome;
        }

        @Override
        public Optional<String> whyNot(Figure<?> figure, String of) {
            var why = why(settled(figure, of));
            reads.add((pass, p) -> why(pass.settle(figure, of)).equals(why)); // another value is no other answer
            answered(() -> Fingerprint.of(why));
            return why;
        }

        @Override
        public <V> V of(Function<Prop, V> question) {
            var id = prop; // here: not the recorder, which stands on every value of its pass
            return ask(w -> w.build().prop(id).map(question).orElse(null));
        }

        @Override
        public <V> V build(Function<Build, V> question) {
            return ask(w -> question.apply(w.build()));
        }

        @Override
        public <V> V shop(Function<Catalogue, V> question) {
            return ask(w -> question.apply(w.shop()));
        }

        @Override
        public Mesh file() {
            var name = of(Prop::name);
            var mesh = world.meshes()
                    .get(of(Prop::mesh))
                    .orElseThrow(() -> new IllegalStateException("the mesh of " + name + " is missing"));
            answered(() -> Fingerprint.of(mesh)); // the same surface may have been read from another kind of file since
            return mesh;
        }

        @Override
        public Optional<Mesh> mesh(String hash) {
            return ask(w -> w.meshes().get(hash));
        }

        @Override
        public WeatherFeed weather() {
            return ask(World::weather);
        }

        @Override
        public List<Reserved> reserved() {
            return ask(World::reserved);
        }

        @Override
        public LocalDateTime now() {
            forgo(); // it is later at the next start
            return ask(World::now);
        }

        private <V> V ask(Function<World, V> question) {
            V answer = question.apply(world);
            reads.add((pass, p) -> Objects.equals(answer, question.apply(pass.world())));
            answered(() -> Fingerprint.of(answer));
            return answer;
        }

        @Override
        public String prop() {
            return prop;
        }

        @Override
        public Progress progress() {
            return progress;
        }

        @Override
        public <T> Optional<T> newest(Figure<T> figure) {
            forgo();
            return memo.newest(figure, prop);
        }

        @Override
        public RuntimeException none() {
            return new Outcome.Leave(new Outcome.Absent());
        }
    }

    /** Remembers an answer well enough to know it again, without keeping large values from being collected. */
    private static Optional<String> why(Outcome outcome) {
        return switch (outcome) {
            case Outcome.Failed f -> Optional.of(f.reason());
            case Outcome.Blocked b -> Optional.of(b.reason());
            case Outcome.Made _ -> Optional.empty();
            case Outcome.Absent _ -> Optional.empty();
        };
    }

    private static Predicate<Outcome> told(Figure<?> figure, Outcome outcome) {
        if (!(outcome instanceof Outcome.Made(var value))) return outcome::equals;
        if (figure.fingerprint().isPresent()) {
            var print = figure.fingerprintOf(value);
            return now -> now instanceof Outcome.Made(var v) && print.equals(figure.fingerprintOf(v));
        }
        var kept = new WeakReference<>(value);
        return now -> now instanceof Outcome.Made(var v) && same(kept.get(), v);
    }

    private static boolean same(Object a, Object b) {
        return a == b || a != null && a.equals(b);
    }
}
