package yellowbracket.derive;

import java.time.Clock;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import yellowbracket.device.WeatherFeed;
import yellowbracket.document.Build;
import yellowbracket.document.Meshes;
import yellowbracket.mesh.Progress;
import yellowbracket.shop.Catalogue;

/**
 * Derives everything from a build, off the caller's thread. The latest request wins: an older one is stopped and its late results are
 * dropped. Listeners
 * hear after every node, on the worker's thread. What-ifs wait until the shown build is derived and share what is already known.
 */
public final class Workings implements AutoCloseable {
    private final Memo memo;
    private final Catalogue shop;
    private final WeatherFeed weather;
    private final Clock clock;
    private final Consumer<Derived> listener;
    private final ExecutorService worker = Executors.newSingleThreadExecutor(daemon("workings"));
    private final AtomicReference<Progress.Switch> current = new AtomicReference<>();
    private final AtomicReference<Object> asideRound = new AtomicReference<>(new Object());
    private volatile Derived latest = Derived.NOTHING;

    /** @param listener hears each new state of results, on a worker thread */
    public Workings(Catalogue shop, WeatherFeed weather, Clock clock, Consumer<Derived> listener) {
        this(shop, weather, clock, new Memo(), listener);
    }

    /** @param memo what is known already; it may be shared with others that use the same catalogue */
    public Workings(Catalogue shop, WeatherFeed weather, Clock clock, Memo memo, Consumer<Derived> listener) {
        this.memo = memo;
        this.shop = shop;
        this.weather = weather;
        this.clock = clock;
        this.listener = listener;
    }

    /** Every number at once on the caller's thread, for the command line and tests; drawings are left out. */
    public static Derived derive(Build build, Meshes meshes, Catalogue shop, WeatherFeed weather, Clock clock, Progress progress) {
        return new Derivation(build, meshes, new Memo(), weather, shop, now(clock), Derived.NOTHING, progress, d -> {}).runPlan();
    }

    /** Starts deriving for this build; returns at once. @param first id of the prop whose results are wanted first */
    public void show(Build build, Meshes meshes, String first) {
        var request = new Progress.Switch();
        var before = current.getAndSet(request);
        if (before != null) before.off();
        asideRound.set(new Object()); // what-ifs of the build before are of no use now
        submit(() -> run(build, meshes, first, request));
    }

    private void run(Build build, Meshes meshes, String first, Progress.Switch request) {
        if (request.stopRequested()) return;
        try {
            new Derivation(build, meshes, memo, weather, shop, now(clock), latest, request, d -> {
                if (current.get() != request) return;
                latest = d;
                listener.accept(d);
            }).run(first);
        } catch (Progress.Stopped e) {
            // a newer request has taken over
        }
    }

    public Derived latest() {
        return latest;
    }

    /**
     * Derives another build after the shown one and hands its results over, on the worker's thread; dropped when the shown build changes
     * first.
     */
    public void whatIf(Build build, Meshes meshes, BiConsumer<Build, Derived> then) {
        var round = asideRound.get();
        submit(() -> {
            if (asideRound.get() != round) return;
            var stop = new Progress() {
                @Override
                public void report(long done, long total) {}

                @Override
                public boolean stopRequested() {
                    return asideRound.get() != round;
                }
            };
            try {
                var d = new Derivation(build, meshes, memo, weather, shop, now(clock), Derived.NOTHING, stop, x -> {}).runFigures();
                if (!stop.stopRequested()) then.accept(build, d);
            } catch (Progress.Stopped e) {
                // the alternatives belong to a build that is no longer shown
            }
        });
    }

    /** Once closed, nothing is worked out any more: whoever still asks has a window that is closing. */
    private void submit(Runnable work) {
        try {
            worker.execute(work);
        } catch (java.util.concurrent.RejectedExecutionException e) {
            if (!worker.isShutdown()) throw e;
        }
    }

    /** Minutes are exact enough, and keep the schedule from being made anew at every call. */
    private static LocalDateTime now(Clock clock) {
        var t = LocalDateTime.now(clock).truncatedTo(ChronoUnit.MINUTES);
        return t.minusMinutes(t.getMinute() % 5);
    }

    /** Threads that do not keep the program alive. */
    public static java.util.concurrent.ThreadFactory daemon(String name) {
        return r -> {
            var t = new Thread(r, name);
            t.setDaemon(true);
            return t;
        };
    }

    @Override
    public void close() {
        var request = current.get();
        if (request != null) request.off();
        asideRound.set(new Object());
        worker.shutdownNow();
    }
}
