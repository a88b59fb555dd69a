package yellowbracket.desktop;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import javafx.animation.PauseTransition;
import javafx.embed.swing.SwingFXUtils;
import javafx.scene.image.WritableImage;
import javafx.util.Duration;
import yellowbracket.build.Node;
import yellowbracket.desktop.shell.Frame;
import yellowbracket.desktop.shell.Timers;

/** Walks through the pages of the demo build and writes a picture of each, once its results are fresh. */
final class Shots {
    private static final double LOOK_MS = 250, SETTLE_MS = 900, MOST_MS = 60_000;

    private record Shot(String name, Runnable before) {}

    private final AppModel model;
    private final Frame frame;
    private final Path folder;
    private final Runnable end;
    private final Deque<Shot> todo = new ArrayDeque<>();

    Shots(AppModel model, Frame frame, Timers timers, Path folder, Runnable end) {
        this.end = end;
        this.model = model;
        this.frame = frame;
        this.folder = folder;
        timers.start("B|D epoxy", 12.6);
        timers.start("seams filler", 3.2);
        page("size", Page.SIZE);
        todo.add(new Shot("size-night", () -> model.nightProperty().set(true)));
        todo.add(new Shot("cut", () -> {
            model.nightProperty().set(false);
            model.pageProperty().set(Page.CUT);
        }));
        page("print", Page.PRINT);
        page("join", Page.JOIN);
        page("smooth", Page.SMOOTH);
        page("colour", Page.COLOUR);
        page("wear", Page.WEAR);
        page("log", Page.LOG);
        page("plan", Page.PLAN);
        todo.add(new Shot("staff", () -> {
            model.choose("staff");
            model.pageProperty().set(Page.CUT);
        }));
        todo.add(new Shot("mask", () -> {
            model.choose("mask");
            model.pageProperty().set(Page.COLOUR);
        }));
        todo.add(new Shot("bench-mode", () -> frame.fireEvent(new javafx.scene.input.KeyEvent(javafx.scene.input.KeyEvent.KEY_PRESSED, "b", "b", javafx.scene.input.KeyCode.B, false, false, false, false))));
    }

    private void page(String name, Page p) {
        todo.add(new Shot(name, () -> model.pageProperty().set(p)));
    }

    void run() {
        var shot = todo.poll();
        if (shot == null) {
            end.run();
            return;
        }
        shot.before.run();
        wait(shot, 0);
    }

    /** Until everything is derived and every alternative has its figures, then a moment for the drawing. */
    private void wait(Shot shot, int waited) {
        var pause = new PauseTransition(Duration.millis(LOOK_MS));
        pause.setOnFinished(e -> {
            if (!ready() && waited * LOOK_MS < MOST_MS) {
                wait(shot, waited + 1);
                return;
            }
            var settle = new PauseTransition(Duration.millis(SETTLE_MS));
            settle.setOnFinished(x -> {
                write(shot.name);
                run();
            });
            settle.play();
        });
        pause.play();
    }

    private boolean ready() {
        var d = model.derivedProperty().get();
        boolean derived = d != null && d.fresh(Node.CHANCE, Node.BUILD) && d.fresh(Node.DRAWN, model.propProperty().get()) && d.fresh(Node.HEALTH, model.propProperty().get()) && model.busyProperty().get().isEmpty();
        return derived && frame.lookupAll(".alt").stream().noneMatch(n -> n.getAccessibleText() != null && !n.getAccessibleText().contains(": "));
    }

    private void write(String name) {
        WritableImage image = frame.getScene().snapshot(null);
        try {
            Files.createDirectories(folder);
            javax.imageio.ImageIO.write(SwingFXUtils.fromFXImage(image, null), "png", folder.resolve(name + ".png").toFile());
        } catch (IOException e) {
            System.err.println("cannot write " + name + ".png: " + AppModel.reason(e));
        }
    }
}
