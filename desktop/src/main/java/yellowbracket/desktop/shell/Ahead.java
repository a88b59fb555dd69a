package yellowbracket.desktop.shell;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.function.BooleanSupplier;
import javafx.animation.PauseTransition;
import javafx.util.Duration;

/** Work done ahead, one step at a time, while nobody touches anything. Confined to the interface thread. */
final class Ahead implements AutoCloseable {
    /** Nothing was touched for so long. */
    private static final Duration QUIET = Duration.millis(1500);
    /** Between two steps, so that whoever comes back is heard at once. */
    private static final Duration BETWEEN = Duration.millis(60);

    private final BooleanSupplier settled;
    private final Deque<Runnable> todo = new ArrayDeque<>();
    private final PauseTransition wait = new PauseTransition();

    /** @param settled whether there is nothing more urgent; {@link #touched} is called when it changes */
    Ahead(BooleanSupplier settled) {
        this.settled = settled;
        wait.setOnFinished(e -> step());
    }

    /** This is what can be done ahead now; what was to be done before is forgotten. */
    void todo(List<Runnable> steps) {
        todo.clear();
        todo.addAll(steps);
        touched();
    }

    /** Somebody is at it: the next step waits. */
    void touched() {
        if (!todo.isEmpty()) after(QUIET);
    }

    private void after(Duration d) {
        wait.setDuration(d);
        wait.playFromStart();
    }

    private void step() {
        if (todo.isEmpty() || !settled.getAsBoolean()) return; // whoever settles it touches it
        todo.remove().run();
        if (!todo.isEmpty()) after(BETWEEN);
    }

    @Override
    public void close() {
        todo.clear();
        wait.stop();
    }
}
