package yellowbracket.derive;

import java.time.Clock;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ForkJoinPool;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ThreadFactory;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.atomic.AtomicReference;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BiConsumer;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Function;
import yellowbracket.device.WeatherFeed;
import yellowbracket.document.Build;
import yellowbracket.document.Meshes;
import yellowbracket.mesh.Progress;
import yellowbracket.program.ProgramLog;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Reserved;

/**
 * Derives everything from a build, off the caller's thread. The latest request wins: an older one is stopped and its late results are
 * dropped. Listeners hear after every figure, on the worker's thread. What-ifs wait until the shown build is derived and share what is
 * already known. Inner loops of rules run on a pool that leaves one core to the window.
 */
public final class Workings implements AutoCloseable {
    /** What is wanted of a build, in the order people need it. */
    public interface Wants {
        /** Everything. @param first the prop on screen */
        List<Want> all(Build build, String first);

        /** What a table of alternatives shows. */
        List<Want> figures(Build build);
    }

    /** With nothing to do for so long, what is kept for undo and for what-ifs is cut down. */
    private static final int REST_S = 10;
    /** After nothing was changed for so long, results are kept. */
    private static final int KEEP_S = 5;
    private static final long STAND_STILL_NS = 20_000_000;
    private static final long GIVE_WAY_NS = 4_000_000;

    private final Memo memo;
    private final Catalogue shop;
    private volatile WeatherFeed weather;
    private volatile List<Reserved> reserved = List.of();
    private final Clock clock;
    private final Wants wants;
    private final Consumer<Derived> listener;
    private final ScheduledExecutorService worker = Executors.newSingleThreadScheduledExecutor(daemon("workings"));
    /** A request that takes longer than this is helped with. */
    private static final int ALONE_MS = 1_500;
    private final ScheduledExecutorService helper = Executors.newSingleThreadScheduledExecutor(daemon("helper"));
    private final ForkJoinPool helping = pool(1);
    private final AtomicInteger jobs = new AtomicInteger();
    private final ForkJoinPool pool = pool(Math.max(1, Runtime.getRuntime().availableProcessors() - 1));
    private final ForkJoinPool patient = pool(Math.max(1, Runtime.getRuntime().availableProcessors() - 1));
    private final AtomicInteger unfinished = new AtomicInteger();
    private final AtomicReference<Progress.Switch> current = new AtomicReference<>();
    /** Until then, on the clock of {@link System#nanoTime}, everything stands still; 0 when nothing does. */
    private final AtomicLong stillUntil = new AtomicLong();
    private final AtomicReference<Object> asideRound = new AtomicReference<>(new Object());
    private volatile Derived latest = Derived.NOTHING;

    /** @param memo what is known already; it may be shared with others @param listener on a worker thread */
    public Workings(Catalogue shop, WeatherFeed weather, Clock clock, Memo memo, Wants wants, Consumer<Derived> listener) {
        this.memo = memo;
        this.shop = shop;
        this.weather = weather;
        this.clock = clock;
        this.wants = wants;
        this.listener = listener;
    }

    /** From the next pass on. */
    public void weather(WeatherFeed feed) {
        weather = feed;
    }

    /** What other builds need of the shelf, from the next pass on. */
    public void reserved(List<Reserved> others) {
        reserved = List.copyOf(others);
    }

    /** At once, on the caller's thread. */
    public static Derived derive(World world, List<Want> wants, Memo memo, Progress progress) {
        return new Pass(world, memo, false, Derived.NOTHING, progress, d -> {}).run(wants);
    }

    /** Starts deriving for this build; returns at once. @param first id of the prop whose results are wanted first */
    public void show(Build build, Meshes meshes, String first) {
        var request = new Progress.Switch();
        var before = current.getAndSet(request);
        if (before != null) before.off();
        dropWhatIfs(); // those of the build before are of no use now
        submit(() -> run(build, meshes, first, request));
    }

    private void run(Build build, Meshes meshes, String first, Progress.Switch request) {
        if (request.stopRequested()) return;
        var world = world(build, meshes);
        var together = new Together();
        var all = wants.all(build, first);
        memo.kept().ifPresent(k -> k.open(build));
        var through = new Progress.Switch();
        var help = helper.schedule(() -> help(world, fromTheEnd(all, first), together, request, through), ALONE_MS, TimeUnit.MILLISECONDS);
        try {
            new Pass(world, memo, true, latest, givingWay(request::stopRequested), d -> {
                if (current.get() != request) return;
                latest = d;
                listener.accept(d);
            }, Optional.of(together)).run(all);
            memo.kept().ifPresent(k -> {
                k.forget();
                keepLater(k, build, request);
            });
        } catch (Progress.Stopped e) {
            // a newer request has taken over
        } finally {
            through.off();
            help.cancel(false);
        }
    }

    /** What takes long is worked at from both ends, in the time the window leaves: its results wait in the memo for the first pass. */
    private void help(World world, List<Want> wanted, Together together, Progress.Switch request, Progress.Switch through) {
        var either = givingWay(() -> request.stopRequested() || through.stopRequested());
        try {
            helping.submit(() -> new Pass(world, memo, false, Derived.NOTHING, either, d -> {}, Optional.of(together)).run(wanted)).join();
        } catch (RuntimeException | Error e) {
            if (!(e instanceof Progress.Stopped) && !(e.getCause() instanceof Progress.Stopped) && !worker.isShutdown())
                ProgramLog.failure("helping to derive", e);
        }
    }

    /**
     * Somebody waits for the window to paint: everything that is worked out stands still from its next question whether to stop, until
     * {@link #goOn} or for so long.
     */
    public void giveWay(int atMostMs) {
        stillUntil.set(System.nanoTime() + TimeUnit.MILLISECONDS.toNanos(atMostMs));
    }

    /** The window has painted. */
    public void goOn() {
        stillUntil.set(0);
    }

    private Progress givingWay(BooleanSupplier stop) {
        return givingWay(stop, Progress.NONE);
    }

    private Progress givingWay(BooleanSupplier stop, Progress listening) {
        return new Progress() {
            @Override
            public void report(long done, long total) {
                listening.report(done, total);
            }

            @Override
            public boolean stopRequested() {
                for (long until = stillUntil.get(); until != 0 && !stop.getAsBoolean(); until = stillUntil.get()) {
                    if (System.nanoTime() - until >= 0) stillUntil.compareAndSet(until, 0);
                    else LockSupport.parkNanos(GIVE_WAY_NS);
                }
                return stop.getAsBoolean();
            }
        };
    }

    /** First what other props want, then the rest from the last to the first. */
    private static List<Want> fromTheEnd(List<Want> all, String first) {
        var out = new ArrayList<Want>();
        for (var w : all.reversed()) if (!w.prop().equals(first) && !w.prop().equals(Figure.BUILD)) out.add(w);
        Collections.reverse(out);
        for (var w : all.reversed()) if (w.prop().equals(first)) out.add(w);
        return out;
    }

    private World world(Build build, Meshes meshes) {
        return new World(build, meshes, shop, weather, rounded(clock), reserved);
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
            var stop = givingWay(() -> asideRound.get() != round);
            try {
                var d = new Pass(world(build, meshes), memo, false, Derived.NOTHING, stop, x -> {}).run(wants.figures(build));
                if (!stop.stopRequested()) then.accept(build, d);
            } catch (Progress.Stopped e) {
                // the alternatives belong to a build that is no longer shown
            }
        });
    }

    /** Nobody waits for the what-ifs any more: the one under way is stopped, none of them is answered. */
    public void dropWhatIfs() {
        asideRound.set(new Object());
    }

    /**
     * Does long work that nobody waits for as much as for results, on the caller's thread: it stands still while any result or what-if is
     * being worked out, so that a core stays free for the window.
     */
    public <T> T patiently(Progress progress, Function<Progress, T> work) {
        var behind = givingWay(() -> {
            while (unfinished.get() > 0 && !worker.isShutdown() && !progress.stopRequested()) LockSupport.parkNanos(STAND_STILL_NS);
            return progress.stopRequested();
        }, progress);
        return patient.submit(() -> work.apply(behind)).join();
    }

    /** Once closed, nothing is worked out any more: whoever still asks has a window that is closing. */
    private void submit(Runnable work) {
        try {
            int job = jobs.incrementAndGet();
            unfinished.incrementAndGet();
            worker.execute(() -> {
                try {
                    inPool(work);
                } finally {
                    unfinished.decrementAndGet();
                }
                if (jobs.get() == job) worker.schedule(() -> rest(job), REST_S, TimeUnit.SECONDS);
            });
        } catch (RejectedExecutionException e) {
            if (!worker.isShutdown()) throw e;
        }
    }

    private void rest(int job) {
        if (jobs.get() == job) memo.rest();
    }

    /** For the next start, between what-ifs: who only has a look does not wait for rest. */
    private void keepLater(Kept kept, Build build, Progress.Switch request) {
        worker.schedule(() -> {
            if (current.get() == request && !kept.keep(build, memo.shown())) keepLater(kept, build, request);
        }, KEEP_S, TimeUnit.SECONDS);
    }

    /** Parallel streams run on the pool they are started in. */
    private void inPool(Runnable work) {
        try {
            pool.submit(work).join();
        } catch (RuntimeException | Error e) {
            if (!worker.isShutdown()) ProgramLog.failure("deriving", e);
        }
    }

    /** Five minutes are exact enough, and keep the schedule from being made anew at every call. */
    public static LocalDateTime rounded(Clock clock) {
        var t = LocalDateTime.now(clock).truncatedTo(ChronoUnit.MINUTES);
        return t.minusMinutes(t.getMinute() % 5);
    }

    /** Its threads give way to the window's. */
    private static ForkJoinPool pool(int threads) {
        return new ForkJoinPool(threads, p -> {
            var t = ForkJoinPool.defaultForkJoinWorkerThreadFactory.newThread(p);
            t.setPriority(Thread.MIN_PRIORITY);
            return t;
        }, null, false);
    }

    /** Threads that do not keep the program alive. */
    public static ThreadFactory daemon(String name) {
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
        dropWhatIfs();
        worker.shutdownNow();
        helper.shutdownNow();
        pool.shutdown();
        patient.shutdown();
        helping.shutdown();
    }
}
