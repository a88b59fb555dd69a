package yellowbracket.desktop.model;

import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import yellowbracket.derive.Workings;
import yellowbracket.mesh.Progress;
import yellowbracket.program.ProgramLog;

/**
 * One thread for files and searches: the newest piece of work stops the one before, tells how far it is, and hands its result to the
 * interface thread.
 */
public final class Background implements AutoCloseable {
    private static final long TELL_NS = 200_000_000;
    /** A journal on a slow disk takes so long; a search that does not stop is left to itself. */
    private static final long CLOSE_S = 5;

    private final ExecutorService thread = Executors.newSingleThreadExecutor(Workings.daemon("files"));
    private final ReadOnlyObjectWrapper<String> busy = new ReadOnlyObjectWrapper<>("");
    private final Consumer<String> failed;
    private volatile Progress.Switch reading = new Progress.Switch();

    /** @param failed hears, on any thread, why a piece of work broke off */
    public Background(Consumer<String> failed) {
        this.failed = failed;
    }

    /** What is going on, empty for nothing. */
    public ReadOnlyObjectProperty<String> busyProperty() {
        return busy.getReadOnlyProperty();
    }

    /** Short work that nobody waits for; none any more once this is closed. */
    void execute(Runnable work) {
        try {
            thread.execute(work);
        } catch (RejectedExecutionException e) {
            if (!thread.isShutdown()) throw e;
        }
    }

    /** The newest run is the only one whose result is handed on. */
    public <T> void run(String what, Function<Progress, T> work, Consumer<T> then) {
        var own = new Reading(what);
        reading.off();
        reading = own;
        busy.set(what);
        execute(() -> {
            try {
                long from = System.nanoTime();
                T value = work.apply(own);
                ProgramLog.took(what, (System.nanoTime() - from) / 1_000_000);
                Platform.runLater(() -> {
                    if (reading == own) busy.set("");
                    if (!own.stopRequested()) then.accept(value);
                });
            } catch (Progress.Stopped e) {
                done(own);
            } catch (RuntimeException e) {
                done(own);
                ProgramLog.failure("background work", e);
                failed.accept(what + " failed: " + (e.getMessage() == null ? e.getClass().getSimpleName() : e.getMessage()));
            } catch (OutOfMemoryError e) {
                done(own);
                failed.accept(what + " failed: it needs more memory than there is; reduce the mesh first");
            }
        });
    }

    private void done(Reading own) {
        Platform.runLater(() -> {
            if (reading == own) busy.set("");
        });
    }

    public void cancel() {
        reading.off();
        busy.set("");
    }

    /** Short work in the queue is still done. */
    @Override
    public void close() {
        reading.off();
        thread.shutdown();
        try {
            thread.awaitTermination(CLOSE_S, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Tells how far it is, a few times a second, as part of what is shown to be going on. */
    private final class Reading extends Progress.Switch {
        private final String what;
        private long told = System.nanoTime();

        Reading(String what) {
            this.what = what;
        }

        @Override
        public void report(long done, long total) {
            long now = System.nanoTime();
            if (total <= 0 || now - told < TELL_NS) return;
            told = now;
            long percent = 100 * done / total;
            Platform.runLater(() -> {
                if (reading == this && !busy.get().isEmpty()) busy.set(what + "  " + percent + " %");
            });
        }
    }
}
