package yellowbracket.desktop.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.util.WaitForAsyncUtils;
import static org.assertj.core.api.Assertions.assertThat;

/** What is done ahead waits for everybody else. */
@ExtendWith(ApplicationExtension.class)
class AheadTest {
    private final List<Integer> done = new ArrayList<>();
    private boolean settled = true;
    private Ahead ahead;

    private List<Runnable> steps(int from) {
        return IntStream.range(from, from + 4).<Runnable>mapToObj(i -> () -> done.add(i)).toList();
    }

    private void until(int count) throws Exception {
        WaitForAsyncUtils.waitFor(20, TimeUnit.SECONDS, () -> done.size() == count);
    }

    @Test
    void stepByStepOnceNobodyTouchesAnything(FxRobot robot) throws Exception {
        robot.interact(() -> {
            ahead = new Ahead(() -> settled);
            ahead.todo(steps(0));
            assertThat(done).as("not at once").isEmpty();
        });
        until(4);
        assertThat(done).containsExactly(0, 1, 2, 3);
    }

    @Test
    void nothingWhileThereIsMoreUrgentWorkAndNothingOfBefore(FxRobot robot) throws Exception {
        robot.interact(() -> {
            settled = false;
            ahead = new Ahead(() -> settled);
            ahead.todo(steps(0));
        });
        robot.sleep(2, TimeUnit.SECONDS);
        assertThat(done).isEmpty();
        robot.interact(() -> {
            settled = true;
            ahead.todo(steps(10));
        });
        until(4);
        assertThat(done).containsExactly(10, 11, 12, 13);
    }

    @Test
    void closedItDoesNothingMore(FxRobot robot) {
        robot.interact(() -> {
            ahead = new Ahead(() -> settled);
            ahead.todo(steps(0));
            ahead.close();
            ahead.touched();
        });
        robot.sleep(2, TimeUnit.SECONDS);
        assertThat(done).isEmpty();
    }
}
