package yellowbracket.desktop;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import javafx.animation.PauseTransition;
import javafx.embed.swing.SwingFXUtils;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.util.Duration;
import yellowbracket.demo.FoundLantern;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Page;
import yellowbracket.desktop.model.Timers;
import yellowbracket.desktop.shell.Frame;
import yellowbracket.mesh.io.MeshWriter;
import yellowbracket.mesh.io.WriteProblem;

/** Walks through the pages of the demo build and writes a picture of each, once its results are fresh. */
final class Shots {
    /** Row of a seam of the staff in its table. */
    private static final int STAFF_SEAM = 2;
    private static final double LOOK_MS = 250, SETTLE_MS = 900, MOST_MS = 60_000;

    /**
     * @param kept among the pictures of the project; others are taken when they are asked for
     * @param ready done once everything is worked out, before the picture
     */
    private record Shot(String name, boolean kept, Runnable before, Runnable ready) {
        Shot(String name, Runnable before) {
            this(name, true, before, () -> {});
        }

        Shot(String name, Runnable before, Runnable ready) {
            this(name, true, before, ready);
        }
    }

    /** Steps on to one that lights a section. */
    private static final int BENCH_STEP = 3;

    private final AppModel model;
    private final Frame frame;
    private final Bench bench;
    private final Path folder;
    private final Runnable end;
    private final List<String> only;
    private final Deque<Shot> todo = new ArrayDeque<>();

    /** @param only names of pictures to take, all when empty */
    Shots(AppModel model, Frame frame, Timers timers, Path folder, List<String> only, Runnable end) {
        this.only = only;
        this.end = end;
        this.model = model;
        this.frame = frame;
        bench = (Bench) frame.lookup(".bench");
        this.folder = folder;
        if (!bench.draws3D()) System.err.println("no 3D here: pictures show none of the models");
        timers.start("B|D epoxy", 12.6);
        timers.start("seams filler", 3.2);
        page("size", Page.SIZE);
        todo.add(new Shot("put-on", () -> {
            model.go(Page.SIZE, "put on");
            ((javafx.scene.control.Slider) frame.lookup("#donning")).setValue(0.45);
        }));
        todo.add(new Shot("wearers-view", false, () -> model.go(Page.SIZE, "sight"), () -> {}));
        page("cut", Page.CUT);
        todo.add(new Shot("cut-planes", false, () -> model.go(Page.CUT, "planes"), () -> {}));
        todo.add(new Shot("joint", false, () -> {
            model.choose("staff");
            model.pageProperty().set(Page.CUT);
            model.go(Page.CUT, "joints");
            bench.explode().setValue(0.25);
        }, () -> ((javafx.scene.control.TableView<?>) frame.lookup("#seams")).getSelectionModel().select(STAFF_SEAM)));
        todo.add(new Shot("print", () -> {
            model.choose("helm");
            model.go(Page.PRINT, "way up");
            bench.look("three-quarter");
        }));
        todo.add(new Shot("fineness", false, () -> model.go(Page.PRINT, "how fine"), () -> {}));
        for (var tab : List.of("plates", "printers", "failures")) todo.add(new Shot(tab, false, () -> model.go(Page.PRINT, tab), () -> {}));
        todo.add(new Shot("join", () -> model.go(Page.JOIN, "seams")));
        todo.add(new Shot("join-order", false, () -> model.go(Page.JOIN, "order"),
                () -> ((javafx.scene.control.Slider) frame.lookup("#order-step")).setValue(3)));
        todo.add(new Shot("strength", () -> {
            model.choose("staff");
            model.go(Page.JOIN, "strength");
        }));
        todo.add(new Shot("smooth", () -> {
            model.choose("helm");
            model.go(Page.SMOOTH, "areas");
        }));
        todo.add(new Shot("ladder", () -> {
            model.nightProperty().set(true);
            model.go(Page.SMOOTH, "ladder");
        }, () -> ((javafx.scene.control.Slider) frame.lookup("#ladder-step")).setValue(1)));
        todo.add(new Shot("rounds", false, () -> {
            model.nightProperty().set(false);
            model.choose("mask");
            model.go(Page.SMOOTH, "rounds");
        }, () -> {}));
        todo.add(new Shot("colour", () -> {
            model.nightProperty().set(false);
            model.choose("helm");
            model.go(Page.COLOUR, "zones");
        }));
        todo.add(new Shot("painting", () -> model.go(Page.COLOUR, "order"),
                () -> ((javafx.scene.control.Slider) frame.lookup("#coat-step")).setValue(1)));
        for (var tab : List.of("palette", "weather", "marks")) todo.add(new Shot(tab, false, () -> model.go(Page.COLOUR, tab), () -> {}));
        todo.add(new Shot("weathering", () -> model.go(Page.COLOUR, "weathering")));
        todo.add(new Shot("wear", () -> model.go(Page.WEAR, "pads")));
        todo.add(new Shot("visor", () -> model.go(Page.WEAR, "visor")));
        todo.add(new Shot("balance", () -> model.go(Page.WEAR, "balance")));
        for (var tab : List.of("closures", "lights", "walk test"))
            todo.add(new Shot("wear-" + tab.substring(0, 4), false, () -> model.go(Page.WEAR, tab), () -> {}));
        page("log", Page.LOG);
        todo.add(new Shot("plan", () -> model.go(Page.PLAN, "plan")));
        for (var tab : List.of("tasks", "late", "help")) todo.add(new Shot("plan-" + tab, false, () -> model.go(Page.PLAN, tab), () -> {}));
        todo.add(new Shot("shopping", () -> model.go(Page.PLAN, "buy")));
        todo.add(new Shot("bench-mode", () -> {
            press(KeyCode.B, "b");
            for (int i = 0; i < BENCH_STEP; i++) press(KeyCode.N, "n");
        }));
        todo.add(new Shot("health", () -> {
            press(KeyCode.ESCAPE, "");
            model.sessions().open(foundLantern());
            model.go(Page.SIZE, "health");
        }));
    }

    private void press(KeyCode key, String text) {
        var target = frame.lookup(".bench-mode") == null ? frame : frame.lookup(".bench-mode");
        for (var what : List.of(KeyEvent.KEY_PRESSED, KeyEvent.KEY_RELEASED))
            target.fireEvent(new KeyEvent(what, text, text, key, false, false, false, false));
    }

    /** A model as found somewhere, with its faults: the views of bodies and health need something to show. */
    private static Path foundLantern() {
        try {
            var file = Files.createTempDirectory("found").resolve("harbour-lantern.ply");
            MeshWriter.write(List.of(new MeshWriter.Named("harbour lantern", FoundLantern.mesh())), MeshWriter.Kind.PLY, file);
            return file;
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
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
        if (only.isEmpty() ? !shot.kept : !only.contains(shot.name)) {
            run();
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
            shot.ready.run();
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
        boolean derived = model.allDerived() && model.busyProperty().get().isEmpty() && model.planning().busyProperty().get().isEmpty();
        return derived && frame.lookupAll(".alt").stream().noneMatch(n -> n.getAccessibleHelp() == null);
    }

    private void write(String name) {
        WritableImage image = frame.getScene().snapshot(null);
        try {
            Files.createDirectories(folder);
            javax.imageio.ImageIO.write(SwingFXUtils.fromFXImage(image, null), "png", folder.resolve(name + ".png").toFile());
        } catch (IOException e) {
            System.err.println("cannot write " + name + ".png: " + WriteProblem.words(e));
        }
    }
}
