package yellowbracket.desktop;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.IntConsumer;
import javafx.animation.AnimationTimer;
import javafx.scene.control.Slider;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.paint.Color;
import javafx.scene.shape.Rectangle;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.shell.Frame;
import yellowbracket.document.Edit;

/**
 * Measures the window on the demo build and prints what it finds: the start, the turning of pages at rest and while results are worked out,
 * gaps between frames while something is dragged, frames a second, memory. Then it ends the window. Confined to the interface thread.
 */
final class Probe {
    private static final int FRAMES = 120;
    /** Frames between edits while pages are turned: results are never through. */
    private static final int EDIT_EVERY = 40;
    private static final int TURNS = 30;
    /** Numbers summed for the reference. */
    private static final int ROOTS = 50_000_000;
    /** A page is looked at for so long before the next. */
    private static final long LOOK_NS = 800_000_000L;
    /** What-ifs of the first page run on for a while; the view is measured when they are done. */
    private static final long SETTLE_NS = 8_000_000_000L;
    /** When nothing was done for a while, results are kept for the next start, and memory goes back to the system. */
    private static final long REST_NS = 30_000_000_000L;
    private static final Page[] PAGES = Page.values();

    private final AppModel model;
    private final Bench bench;
    private final Frame frame;
    private final Runnable end;
    private final Deque<Step> steps = new ArrayDeque<>();
    /** The board, ms. */
    private final List<Double> redrawn = new ArrayList<>();
    /** Painted at each frame, so that each waits until the one before is shown. */
    private final Rectangle spot = new Rectangle(1, 1);

    /** Called at every frame until it is over. */
    private interface Step {
        /** @param now of the frame, ns. Returns whether it goes on. */
        boolean frame(long now);

        /** Whether frames are painted meanwhile: where nothing is measured by them, they would only take time from what is. */
        default boolean paints() {
            return true;
        }
    }

    /** Waits, and paints nothing. */
    private interface Wait extends Step {
        @Override
        default boolean paints() {
            return false;
        }
    }

    Probe(AppModel model, Frame frame, Runnable end) {
        this.end = end;
        this.model = model;
        this.frame = frame;
        bench = (Bench) frame.lookup(".bench");
        spot.setManaged(false);
        frame.getChildren().add(spot);
    }

    void run(StartOptions.Measuring what) {
        steps.add(
                until(() -> model.result(ModelFigures.PROXY).isPresent(), () -> System.out.printf("start to drawn: %.1f s%n", running())));
        steps.add(until(model::allDerived, () -> System.out.printf("start to everything derived: %.1f s%n", running())));
        if (what == StartOptions.Measuring.ON) handling();
        else steps.add(pause(REST_NS));
        steps.add(reference());
        new AnimationTimer() {
            @Override
            public void handle(long now) {
                if (!steps.isEmpty() && steps.peek().paints()) spot.setFill(spot.getFill() == Color.BLACK ? Color.WHITE : Color.BLACK);
                if (steps.isEmpty()) {
                    stop();
                    end.run();
                } else if (!steps.peek().frame(now)) steps.remove();
            }
        }.start();
    }

    private void handling() {
        steps.add(pause());
        steps.add(reference());
        steps.add(turns("turning pages"));
        steps.add(reference());
        steps.add(turnsWhile("turning pages while results are worked out"));
        steps.add(reference());
        steps.add(onDisk());
        steps.add(until(model::allDerived, () -> model.pageProperty().set(Page.SIZE)));
        steps.add(pause());
        steps.add(until(() -> slider().isPresent(), () -> slider().orElseThrow().setValueChanging(true)));
        steps.add(gaps("dragging the scale", i -> slider().orElseThrow().setValue(104 + 0.05 * (i % 60))));
        steps.add(until(() -> true, () -> slider().orElseThrow().setValueChanging(false)));
        steps.add(gaps("orbiting while results are worked out", i -> bench.orbit(3, 0)));
        steps.add(until(model::allDerived, () -> {}));
        steps.add(pause());
        steps.add(rate());
        steps.add(until(() -> true, () -> model.pageProperty().set(Page.PLAN)));
        steps.add(pause());
        steps.add(gaps("zooming the board of the plan", i -> zoomBoard(i / 8 % 2 == 0 ? KeyCode.PLUS : KeyCode.MINUS)));
        steps.add(until(() -> true, () -> told("redrawing it, without showing it", redrawn)));
        steps.add(reference());
        steps.add(pause(REST_NS));
        steps.add(until(() -> true, () -> System.out.printf("resident memory at rest: %d MB%n", residentMb())));
    }

    /** How quick the machine is just then, for machines are shared: figures of two runs compare by what they are times this. */
    private static Wait reference() {
        return until(() -> true, () -> {
            long from = System.nanoTime();
            double sum = 0;
            for (int i = 1; i <= ROOTS; i++) sum += Math.sqrt(i);
            System.out.printf(Locale.ROOT, "    the machine: %.0f ms for the roots of %d numbers (%.3g)%n",
                    (System.nanoTime() - from) / 1e6, ROOTS, sum);
        });
    }

    private static double running() {
        return (System.currentTimeMillis()
                - ProcessHandle.current().info().startInstant().map(Instant::toEpochMilli).orElse(System.currentTimeMillis())) / 1000.0;
    }

    private void zoomBoard(KeyCode key) {
        var board = frame.lookup("#board");
        long from = System.nanoTime();
        board.fireEvent(new KeyEvent(KeyEvent.KEY_PRESSED, "", "", key, false, false, false, false));
        redrawn.add((System.nanoTime() - from) / 1e6);
    }

    private Optional<Slider> slider() {
        return Optional.ofNullable((Slider) frame.lookup("#scale"));
    }

    private Edit scale(double s) {
        return Edit.scale(model.propProperty().get(), s);
    }

    private static Wait until(BooleanSupplier there, Runnable then) {
        return now -> {
            if (!there.getAsBoolean()) return true;
            then.run();
            return false;
        };
    }

    private static Wait pause() {
        return pause(SETTLE_NS);
    }

    private static Wait pause(long ns) {
        long[] from = {0};
        return now -> {
            if (from[0] == 0) from[0] = now;
            return now - from[0] < ns;
        };
    }

    /**
     * From the command to the frame that shows the page: the frame's pulse writes and draws it, the next one waits until it is shown, and
     * the one after tells the time.
     */
    private Step turns(String what) {
        return new Step() {
            private final List<Double> ms = new ArrayList<>();
            private int turn, frame;
            private long from, before;

            @Override
            public boolean frame(long now) {
                if (frame == 0) {
                    if (now - before < LOOK_NS) return true;
                    from = System.nanoTime();
                    model.pageProperty().set(PAGES[turn % PAGES.length]);
                }
                if (++frame < 3) return true;
                ms.add((System.nanoTime() - from) / 1e6);
                before = now;
                frame = 0;
                if (++turn < TURNS) return true;
                told(what, ms);
                return false;
            }
        };
    }

    private Step turnsWhile(String what) {
        var turns = turns(what);
        int[] frames = {0};
        return now -> {
            if (frames[0]++ % EDIT_EVERY == 0) model.apply(scale(1.04 + 0.001 * (frames[0] / EDIT_EVERY % 20)));
            return turns.frame(now);
        };
    }

    /** From an edit to its copy on disk, while the edits before it are still worked out. */
    private Step onDisk() {
        return new Step() {
            private final List<Double> ms = new ArrayList<>();
            private long from;

            @Override
            public boolean frame(long now) {
                if (from != 0 && model.sessions().journalled()) {
                    ms.add((System.nanoTime() - from) / 1e6);
                    from = 0;
                    if (ms.size() == TURNS) {
                        told("an edit on disk", ms);
                        return false;
                    }
                }
                if (from == 0) {
                    model.apply(scale(1.06 + 0.001 * ms.size()));
                    from = System.nanoTime();
                }
                return true;
            }
        };
    }

    private static void told(String what, List<Double> ms) {
        Collections.sort(ms);
        System.out.printf(Locale.ROOT, "%s: median %.0f ms, worst %.0f ms of %d%n", what, ms.get(ms.size() / 2), ms.getLast(), ms.size());
    }

    private Step gaps(String what, IntConsumer drag) {
        return new Step() {
            private int frame;
            private long before;
            private final List<Double> ms = new ArrayList<>();

            @Override
            public boolean frame(long now) {
                long t = System.nanoTime();
                if (before != 0) ms.add((t - before) / 1e6);
                before = t;
                drag.accept(frame);
                if (++frame < FRAMES) return true;
                told(what + ", from frame to frame", ms);
                return false;
            }
        };
    }

    private Step rate() {
        return new Step() {
            private int frame;
            private long first;

            @Override
            public boolean frame(long now) {
                if (first == 0) first = now;
                bench.orbit(3, 0);
                if (++frame < FRAMES) return true;
                System.out.printf(Locale.ROOT, "orbiting: %.1f frames a second over %d frames%n", FRAMES * 1e9 / (now - first), FRAMES);
                return false;
            }
        };
    }

    /** As the system counts it, 0 where it does not tell. */
    private static long residentMb() {
        try (var lines = Files.lines(Path.of("/proc/self/status"))) {
            return lines.filter(l -> l.startsWith("VmRSS:"))
                    .mapToLong(l -> Long.parseLong(l.replaceAll("\\D", "")) / 1024)
                    .findFirst()
                    .orElse(0);
        } catch (IOException e) {
            return 0;
        }
    }
}
