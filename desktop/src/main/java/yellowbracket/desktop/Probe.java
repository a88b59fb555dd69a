package yellowbracket.desktop;

import javafx.animation.AnimationTimer;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.shell.Frame;

/** Measures from process start to the demo build drawn, then frames per second while orbiting; prints both and ends. */
final class Probe {
    private static final int FRAMES = 120;
    /** What-ifs of the first page run on for a while; the view is measured when they are done. */
    private static final long SETTLE_NS = 8_000_000_000L;
    private final AppModel model;
    private final Bench bench;
    private final Runnable end;
    private long first;
    private int frames;

    Probe(AppModel model, Frame frame, Runnable end) {
        this.end = end;
        this.model = model;
        bench = (Bench) frame.lookup(".bench");
    }

    void run() {
        new AnimationTimer() {
            private boolean drawn;
            private long all;

            @Override
            public void handle(long now) {
                if (!drawn && model.result(ModelFigures.PROXY).isPresent()) {
                    drawn = true;
                    long start = ProcessHandle.current()
                            .info()
                            .startInstant()
                            .map(java.time.Instant::toEpochMilli)
                            .orElse(System.currentTimeMillis());
                    System.out.printf("start to drawn: %.1f s%n", (System.currentTimeMillis() - start) / 1000.0);
                }
                if (!drawn || model.derivedProperty().get().get(PlanFigures.CHANCE).isEmpty()) return;
                if (all == 0) {
                    all = now;
                    long start = ProcessHandle.current()
                            .info()
                            .startInstant()
                            .map(java.time.Instant::toEpochMilli)
                            .orElse(System.currentTimeMillis());
                    System.out.printf("start to everything derived: %.1f s%n", (System.currentTimeMillis() - start) / 1000.0);
                }
                if (now - all < SETTLE_NS) return;
                if (first == 0) first = now;
                bench.orbit(3, 0);
                if (++frames < FRAMES) return;
                System.out.printf("orbiting: %.1f frames a second over %d frames%n", FRAMES * 1e9 / (now - first), FRAMES);
                stop();
                end.run();
            }
        }.start();
    }
}
